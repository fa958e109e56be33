package hausbau.core.massing;

import hausbau.core.measure.Length;
import java.util.Locale;

/**
 * A door or a window in a room's wall.
 *
 * @param at     where its clear opening begins, from the left end of the wall seen from inside
 * @param width  clear width
 * @param height clear height
 * @param sill   height of its lower edge; 0 for a door
 */
public record Opening(long id, long roomId, Kind kind, Side side, Length at, Length width, Length height, Length sill) {

    public enum Kind {
        DOOR, WINDOW;

        public String label() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Length end() {
        return at.plus(width);
    }

    public Length head() {
        return sill.plus(height);
    }
}
