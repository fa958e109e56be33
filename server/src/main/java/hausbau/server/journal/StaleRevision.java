package hausbau.server.journal;

/** Thrown when what an edit touches has changed since its maker saw it. */
public final class StaleRevision extends RuntimeException {

    private final long current;

    /** @param why in words that a person can act on */
    StaleRevision(long current, String why) {
        super(why);
        this.current = current;
    }

    StaleRevision(long current) {
        this(
                current,
                "What this touches has been changed meanwhile. Nothing was done; look at it as it stands now and try again.");
    }

    public long current() {
        return current;
    }
}
