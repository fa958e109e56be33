package hausbau.server.jobs;

/** Thrown where so much long work waits already that more is not taken. */
public final class Busy extends RuntimeException {

    private static final long serialVersionUID = 1;

    private final int seconds;

    /** @param seconds after which it is worth asking again */
    Busy(int seconds) {
        super("The server is busy with other long work. Nothing was done; ask again in " + seconds + " s.");
        this.seconds = seconds;
    }

    public int seconds() {
        return seconds;
    }
}
