package hausbau.server.jobs;

/** One piece of long work while it runs: how far it is, and whether it is still wanted. */
public final class Job {

    private volatile double share;
    private volatile boolean isCalledOff;

    double share() {
        return share;
    }

    void callOff() {
        isCalledOff = true;
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
