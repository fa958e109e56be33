package hausbau.core.dress;

import hausbau.core.massing.Massing;
import hausbau.core.measure.Box;
import hausbau.core.place.Place;
import java.util.Map;

/**
 * What is dressed by hand.
 *
 * @param pieces by where they stand
 * @param rooms  by their ids: all that is in them
 */
public record Dresses(Map<Place, Dress> pieces, Map<Long, Dress> rooms) {

    public static final Dresses NONE = new Dresses(Map.of(), Map.of());

    public boolean isEmpty() {
        return pieces.isEmpty() && rooms.isEmpty();
    }

    /** What is told of something that stands, and of the rest what is told of the room that made it or in which it is. */
    public Dress of(Place place, Box box, Massing massing) {
        var told = pieces.getOrDefault(place, Dress.NONE);
        return rooms.isEmpty()
                ? told
                : massing.whereabouts()
                        .roomOf(place.room(), box)
                        .map(r -> told.over(rooms.getOrDefault(r.id(), Dress.NONE)))
                        .orElse(told);
    }
}
