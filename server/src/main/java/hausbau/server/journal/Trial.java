package hausbau.server.journal;

import hausbau.core.standing.StandingSet;

/** Thrown at the end of an edit that was only asked for, so that nothing of it remains. */
public final class Trial extends RuntimeException {

    private final long siteId;
    private final transient StandingSet before;
    private final transient StandingSet after;

    Trial(long siteId, StandingSet before, StandingSet after) {
        super("nothing was changed", null, false, false);
        this.siteId = siteId;
        this.before = before;
        this.after = after;
    }

    public long siteId() {
        return siteId;
    }

    /** The set as it stands. */
    public StandingSet before() {
        return before;
    }

    /** The set as it would stand. */
    public StandingSet after() {
        return after;
    }

    /** What the edit would do. */
    public StandingSet.Difference difference() {
        return before == after ? new StandingSet.Difference(0, 0, 0) : StandingSet.Difference.between(before, after);
    }
}
