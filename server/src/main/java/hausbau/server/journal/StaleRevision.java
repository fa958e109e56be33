package hausbau.server.journal;

/** Thrown when an edit was made against an older revision of the site than the one that stands. */
public final class StaleRevision extends RuntimeException {

    private final long current;

    public StaleRevision(long current) {
        super("The site has been changed meanwhile. Nothing was done; look at it as it stands now and try again.");
        this.current = current;
    }

    public long current() {
        return current;
    }
}
