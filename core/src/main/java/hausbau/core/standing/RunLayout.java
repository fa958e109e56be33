package hausbau.core.standing;

import hausbau.core.fit.Filling;
import hausbau.core.fit.Span;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A run laid out from a kit, its panels as wide as they are there: its pieces, tier by tier, and the stack of layers that each opening's panel takes.
 *
 * @param pieces   from left to right, the lowest tier first
 * @param panels   in the order of the run's
 * @param unfilled stretches that no lengths of the kit fill
 */
public record RunLayout(WallRun run, List<Item> pieces, List<Tiers.Layer> panels, List<Span> unfilled) {

    /** @param at of its left end, from the run's start */
    public record Item(Tiers.Layer layer, Length at, Length length) {}

    /** The lengths of one kit, put together to fill stretches. It remembers what it has worked out. */
    public static final class Filler {

        private final KitChoice choice;
        private final Length longest;
        private final Map<List<Length>, Filling> fillings = new HashMap<>();

        /** @param longest the longest run that will be laid out */
        public Filler(KitChoice choice, Length longest) {
            this.choice = choice;
            this.longest = longest;
        }

        private Optional<List<Length>> fill(Tiers.Size size, Length span) {
            return by(choice.lengths(size)).fill(span).or(() -> by(choice.all()).fill(span));
        }

        /** From left to right. */
        private Optional<List<Length>> laid(Tiers.Size size, WallRun run, Span span) {
            var isMirrored = choice.rules().openings().isMirrored(run, span);
            return (isMirrored ? by(choice.lengths(size)).fillMirrored(span.length()) : Optional.<List<Length>>empty())
                    .or(() -> fill(size, span.length()).map(all -> ordered(choice, run, span, all)));
        }

        private Filling by(List<Length> lengths) {
            return fillings.computeIfAbsent(lengths, l -> new Filling(choice.step(), l, longest));
        }
    }

    public static RunLayout of(WallRun whole, Filler filler) {
        var run = filler.choice.fit(whole);
        var tiers = filler.choice.tiers();
        var pieces = new ArrayList<Item>();
        var unfilled = new ArrayList<Span>();
        for (var layer : tiers.layers(run)) {
            for (var span : tiers.between(run, layer).spans()) {
                var fill = filler.laid(Tiers.Size.of(run, layer), run, span);
                if (fill.isEmpty()) {
                    unfilled.add(span);
                    continue;
                }
                var at = span.at();
                for (var length : fill.get()) {
                    pieces.add(new Item(layer, at, length));
                    at = at.plus(length);
                }
            }
        }
        return new RunLayout(
                run,
                List.copyOf(pieces),
                run.panels().stream().map(p -> tiers.stack(run, p)).toList(),
                List.copyOf(unfilled));
    }

    private static List<Length> ordered(KitChoice choice, WallRun run, Span span, List<Length> longestFirst) {
        if (!choice.rules().openings().alike()) {
            return run.inOrder(longestFirst);
        }
        var middle = run.length().um();
        if (2 * span.end().um() <= middle) {
            return longestFirst;
        }
        var reversed = new ArrayList<>(longestFirst);
        Collections.reverse(reversed);
        return 2 * span.at().um() >= middle ? reversed : mirrored(longestFirst);
    }

    /** The same on both sides of the middle, where what is left over stands: pieces of which there is an odd number. */
    private static List<Length> mirrored(List<Length> longestFirst) {
        var left = new ArrayList<Length>();
        var odd = new ArrayList<Length>();
        for (var length : longestFirst) {
            if (!odd.isEmpty() && odd.get(odd.size() - 1).equals(length)) {
                odd.remove(odd.size() - 1);
                left.add(length);
            } else {
                odd.add(length);
            }
        }
        var all = new ArrayList<>(left);
        all.addAll(odd);
        Collections.reverse(left);
        all.addAll(left);
        return all;
    }
}
