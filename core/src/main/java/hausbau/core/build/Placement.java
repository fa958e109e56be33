package hausbau.core.build;

import java.util.Locale;

/**
 * One use of a piece.
 *
 * @param free   set down with snapping off, so the grid does not concern it
 * @param origin who set it down
 * @param pinned a derived placement that a hand has changed: deriving again keeps it
 * @param source the place in the set that massing derived it for, such as {@code room/7/north/0}; empty if a hand set it
 */
public record Placement(long id, long pieceId, Stance stance, boolean free, Origin origin, boolean pinned, String source) {

    public enum Origin {
        MASSING, HAND;

        public String label() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** The same placement standing otherwise, by hand: a derived one becomes pinned. */
    public Placement restoodByHand(Stance newStance, boolean newFree) {
        return new Placement(id, pieceId, newStance, newFree, origin, pinned || origin == Origin.MASSING, source);
    }
}
