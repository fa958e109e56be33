package hausbau.server.journal;

/** Thrown when what an edit touches has changed since its maker saw it. */
public final class StaleRevision extends RuntimeException {

    private final long current;

    StaleRevision(long current) {
        super("What this touches has been changed meanwhile. Nothing was done; look at it as it stands now and try again.");
        this.current = current;
    }

    public long current() {
        return current;
    }
}
