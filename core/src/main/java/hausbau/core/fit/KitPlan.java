package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.util.List;
import java.util.OptionalInt;

/**
 * The answer to a {@link KitQuestion}.
 *
 * @param options     one per number of kinds that improves on the one before, fewest kinds first; empty if a span
 *                    cannot be filled or no set of at most that many kinds fills them all
 * @param recommended the last option whose extra kind still saves a tenth of the placements of the option before it
 * @param unfillable  the spans that no allowed piece or pieces can fill
 */
public record KitPlan(List<Option> options, OptionalInt recommended, List<Unfillable> unfillable) {

    /**
     * @param kinds      piece lengths, falling
     * @param placements how many pieces build all spans
     * @param proven     whether no set of as many kinds can do with fewer
     */
    public record Option(List<Length> kinds, long placements, boolean proven) {}

    /**
     * @param below the nearest shorter span that could be filled; absent as {@link Length#ZERO}
     * @param above the nearest longer span that could be filled; absent as {@link Length#ZERO}
     */
    public record Unfillable(String run, Span span, Length below, Length above) {}

    public KitPlan {
        options = List.copyOf(options);
        unfillable = List.copyOf(unfillable);
    }

    static OptionalInt recommend(List<Option> options) {
        if (options.isEmpty()) {
            return OptionalInt.empty();
        }
        var best = 0;
        for (var i = 1; i < options.size(); i++) {
            if (options.get(i).placements() * 10 <= options.get(i - 1).placements() * 9) {
                best = i;
            }
        }
        return OptionalInt.of(best);
    }
}
