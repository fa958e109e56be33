package hausbau.core.kit;

import java.util.function.LongUnaryOperator;

/**
 * The patterns that a wall's piece is under, on the side that it is set down from and on its back.
 *
 * @param front the pattern's id; 0 for the site's
 * @param back  likewise; {@link #BARE} where the back is not dressed, and the front's bands go through the piece
 */
public record Sides(long front, long back) {

    public static final long BARE = -1;

    /** Under the site's pattern, its back not dressed. */
    public static final Sides PLAIN = new Sides(0, BARE);

    public static Sides of(long front) {
        return new Sides(front, BARE);
    }

    public boolean isBackDressed() {
        return back != BARE;
    }

    /** The same seen from behind. */
    public Sides turned() {
        return new Sides(back, front);
    }

    /** Whether it is set down from behind: of two pieces that are one another turned end for end one alone is a kind. */
    public boolean isSetFromBehind() {
        return isBackDressed() && back < front;
    }

    /** The same where patterns have other ids; those below 1 stay. */
    public Sides renamed(LongUnaryOperator patterns) {
        return new Sides(front < 1 ? front : patterns.applyAsLong(front), back < 1 ? back : patterns.applyAsLong(back));
    }
}
