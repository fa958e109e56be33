package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.util.List;

/**
 * A wall that is stacked from tiers, with what is open in it.
 *
 * @param openings rectangles within the wall that do not overlap
 */
public record TierWall(String name, Length length, Length height, List<Opening> openings) {

    /**
     * @param at   from the wall's start
     * @param sill its lower edge above the wall's foot
     */
    public record Opening(Length at, Length length, Length sill, Length height) {

        Length end() {
            return at.plus(length);
        }

        Length head() {
            return sill.plus(height);
        }

        boolean overlaps(Opening other) {
            return at.compareTo(other.end()) < 0
                    && other.at.compareTo(end()) < 0
                    && sill.compareTo(other.head()) < 0
                    && other.sill.compareTo(head()) < 0;
        }
    }

    public TierWall {
        openings = List.copyOf(openings);
    }
}
