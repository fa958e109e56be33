package hausbau.core.massing;

import hausbau.core.measure.Length;

/**
 * How the corners of walls are built: a choice per site. Where three or four walls meet, or walls of unlike height, a post stands
 * whatever is chosen.
 *
 * @param leg how far a corner piece reaches along both walls from the post between them
 */
public record Corners(Kind kind, Length leg) {

    /** A post by itself; one piece with a leg along either wall; or the wall at whose left end the corner is, seen from inside, running over it. */
    public enum Kind {
        POST,
        LEG,
        LAP
    }

    public static final Corners POSTS = new Corners(Kind.POST, Length.ofMillimetres(100));
}
