package hausbau.server.jobs;

/** One piece of long work while it runs: how far it is, what it has found so far, and whether it is still wanted. */
public final class Job {

    private volatile double share;
    private volatile boolean isCalledOff;
    private volatile boolean isEnough;
    private volatile String soFar = "";

    double share() {
        return share;
    }

    String soFar() {
        return soFar;
    }

    void callOff() {
        isCalledOff = true;
    }

    void enough() {
        isEnough = true;
    }

    /** Whether whoever asked wants what was found so far, and no more. */
    public boolean isEnough() {
        return isEnough;
    }

    /** @param words what has been found so far */
    public void found(String words) {
        soFar = words;
    }

    public boolean isWanted() {
        return !isCalledOff && !Thread.currentThread().isInterrupted();
    }

    /** @param newShare of all of it, 0 to 1. @return whether it is still wanted */
    public boolean reach(double newShare) {
        share = newShare;
        return isWanted();
    }

    /** The same. @throws CalledOff if it is not wanted any more */
    public void reachOrStop(double newShare) {
        if (!reach(newShare)) {
            throw new CalledOff();
        }
    }
}
