package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.util.List;

/**
 * The answer to a {@link TierQuestion}.
 *
 * @param options    one per number of kinds that improves on the one before, fewest kinds first; empty if a wall cannot be built
 * @param unfillable the walls that no allowed tiers and pieces can build
 */
public record TierPlan(List<Option> options, List<TierWall> unfillable) {

    /**
     * @param kinds      of pieces and panels together
     * @param placements pieces and panels
     * @param proven     whether no set of as many kinds can do with fewer
     * @param tiers      of each wall from bottom to top, in the order in which the walls were given
     */
    public record Option(
            int kinds,
            long placements,
            boolean proven,
            List<Size> pieces,
            List<Panel> panels,
            List<List<Length>> tiers) {}

    public record Size(Length length, Length height) {}

    /**
     * @param length        of the opening, and of the panel
     * @param openingHeight of the opening
     * @param sill          of the opening above the panel's foot
     * @param height        of the panel
     */
    public record Panel(Length length, Length openingHeight, Length sill, Length height) {}

    public TierPlan {
        options = List.copyOf(options);
        unfillable = List.copyOf(unfillable);
    }
}
