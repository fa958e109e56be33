package hausbau.core.build;

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
}
