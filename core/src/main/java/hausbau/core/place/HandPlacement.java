package hausbau.core.place;

import hausbau.core.kit.Kind;

/**
 * One piece that a hand set down.
 *
 * @param free set down with snapping off, so the grid does not concern it
 */
public record HandPlacement(long id, Kind kind, Stance stance, boolean free) {

    public Place.ByHand place() {
        return new Place.ByHand(id);
    }
}
