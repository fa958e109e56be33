package hausbau.server.journal;

import hausbau.core.standing.StandingSet;

/** Thrown at the end of an edit that was only asked for, so that nothing of it remains. */
public final class Trial extends RuntimeException {

    private final transient StandingSet.Difference difference;

    Trial(StandingSet.Difference difference) {
        super("nothing was changed", null, false, false);
        this.difference = difference;
    }

    /** What the edit would do. */
    public StandingSet.Difference difference() {
        return difference;
    }
}
