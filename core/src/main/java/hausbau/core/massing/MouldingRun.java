package hausbau.core.massing;

import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;

/**
 * One straight stretch of a moulding along a wall, from corner piece to corner piece, or to where something interrupts it.
 *
 * @param edge   the number of the outline's edge that it lies on
 * @param start  its left end seen from inside, on the wall's face, at the moulding's lower edge
 * @param length that straight pieces have to fill; 0 or more
 * @param corner the corner piece at its right end
 */
public record MouldingRun(int edge, Side side, Vec start, Length length, Corner corner) {

    /** How a moulding goes on round a corner. */
    public enum Corner {
        /** No corner piece: it ends, or meets the next stretch bluntly. */
        NONE,
        /** Into a corner of the room. */
        INNER,
        /** Round a corner that juts into the room. */
        OUTER
    }

    /** The place this far along it. */
    public Vec at(Length along) {
        return start.plus(side.turn().apply(new Vec(along.um(), 0, 0)));
    }
}
