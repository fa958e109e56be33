package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A run laid out: what stands where, in order.
 *
 * @param items wall pieces and fixed items, without a gap from start to end
 */
public record FilledRun(String name, List<Item> items) {

    /** What a wall piece is called in a sequence. */
    public static final String WALL = "wall";

    public record Item(String piece, Length at, Length length) {}

    /** The run filled from these kinds with the fewest pieces, or empty if they cannot fill it. */
    public static Optional<FilledRun> of(Length step, Run run, List<Length> kinds) {
        return of(step, run, kinds, longestFirst -> longestFirst);
    }

    /** The same with the pieces of each span, given longest first, in another order. */
    public static Optional<FilledRun> of(Length step, Run run, List<Length> kinds, UnaryOperator<List<Length>> order) {
        var longest = run.spans().stream().map(Span::length).reduce(Length.ZERO, Length::max);
        var filling = new Filling(step, kinds, longest);
        var items = new ArrayList<Item>();
        run.fixed().forEach(f -> items.add(new Item(f.piece(), f.at(), f.length())));
        for (var span : run.spans()) {
            var fill = filling.fill(span.length());
            if (fill.isEmpty()) {
                return Optional.empty();
            }
            var at = span.at();
            for (var length : order.apply(fill.get())) {
                items.add(new Item(WALL, at, length));
                at = at.plus(length);
            }
        }
        items.sort(Comparator.comparing(Item::at));
        return Optional.of(new FilledRun(run.name(), items));
    }
}
