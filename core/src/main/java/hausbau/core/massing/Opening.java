package hausbau.core.massing;

import hausbau.core.measure.Length;
import java.util.Locale;

/**
 * A door or a window in a room's wall; it goes through the whole wall, whatever lies behind.
 *
 * @param edge   the number of the outline's edge whose wall it is in
 * @param at     where its clear opening begins, from the left end of the edge seen from inside
 * @param width  clear width
 * @param height clear height
 * @param sill   height of its lower edge above the room's floor; 0 for a door
 */
public record Opening(long id, long roomId, Kind kind, int edge, Length at, Length width, Length height, Length sill) {

    /** In a wall of a rectangular room. */
    public Opening(long id, long roomId, Kind kind, Side side, Length at, Length width, Length height, Length sill) {
        this(id, roomId, kind, side.ordinal(), at, width, height, sill);
    }

    /** The usual sizes are where typing begins. Common practice, no source. */
    public enum Kind {
        DOOR(1000, 2100, 0), WINDOW(1200, 1300, 900);

        private final Length usualWidth;
        private final Length usualHeight;
        private final Length usualSill;

        Kind(long width, long height, long sill) {
            usualWidth = Length.ofMillimetres(width);
            usualHeight = Length.ofMillimetres(height);
            usualSill = Length.ofMillimetres(sill);
        }

        Length usualWidth() {
            return usualWidth;
        }

        Length usualHeight() {
            return usualHeight;
        }

        Length usualSill() {
            return usualSill;
        }

        public String label() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** In the same wall of another room, or of the same room mirrored. */
    public Opening in(long newId, long room, Length newAt) {
        return new Opening(newId, room, kind, edge, newAt, width, height, sill);
    }

    public Length end() {
        return at.plus(width);
    }

    public Length head() {
        return sill.plus(height);
    }
}
