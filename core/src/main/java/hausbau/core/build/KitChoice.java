package hausbau.core.build;

import hausbau.core.measure.Length;
import java.util.Collections;
import java.util.List;

/**
 * The kit that was chosen for a site's walls.
 *
 * @param kinds    wall lengths, falling
 * @param minPiece least and
 * @param maxPiece greatest length allowed when it was worked out
 */
public record KitChoice(List<Length> kinds, Length minPiece, Length maxPiece) {

    public KitChoice {
        kinds = kinds.stream().sorted(Collections.reverseOrder()).toList();
    }
}
