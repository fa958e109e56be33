package hausbau.core.place;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import java.util.List;

/**
 * One standing piece.
 *
 * @param free     set down with snapping off, so the grid does not concern it
 * @param departed derived, and changed by a hand
 * @param lost     departed from a place that is gone
 */
public record Standing(Place place, Kind kind, Stance stance, boolean free, boolean departed, boolean lost) {

    /** As a hand would set it down. */
    public static Standing byHand(HandPlacement h) {
        return new Standing(h.place(), h.kind(), h.stance(), h.free(), false, false);
    }

    public boolean isByHand() {
        return place instanceof Place.ByHand;
    }

    /** Whether a hand has decided where it stands. */
    public boolean isAnswerable() {
        return isByHand() || departed;
    }

    public Box box() {
        return stance.box(kind);
    }

    public List<Box> solids() {
        return stance.solids(kind);
    }
}
