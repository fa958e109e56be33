package hausbau.core.place;

import hausbau.core.kit.Kind;

/** What a hand changed about a derived piece. It holds at its place whatever is derived there; it outlasts the place. */
public sealed interface Departure {

    Place place();

    /** The place stays empty. */
    record LeftOut(Place place) implements Departure {}

    /**
     * Another piece or another stance than is derived.
     *
     * @param free set with snapping off, so the grid does not concern it
     */
    record Restood(Place place, Kind kind, Stance stance, boolean free) implements Departure {}
}
