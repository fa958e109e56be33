package hausbau.core.build;

import hausbau.core.fit.Filling;
import hausbau.core.fit.KitPlanner;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;

/**
 * Divides the clear sizes of all rooms into tile sizes: one size for all if that is at least half a metre, else two. A
 * size that the step does not divide gets one slab of its own.
 */
final class Tiling {

    private static final Length LEAST_SINGLE = Length.ofMillimetres(500);
    private static final Duration PATIENCE = Duration.ofSeconds(2);

    private final Length step;
    private final List<Length> sizes;

    Tiling(Massing massing, KitChoice choice) {
        step = massing.settings().step();
        var runs = massing.rooms().stream().flatMap(Tiling::sides).filter(l -> l.isMultipleOf(step)).distinct()
                .map(l -> new Run("", l, List.of())).toList();
        var plan = new KitPlanner(PATIENCE).plan(new KitQuestion(step, choice.minPiece(), choice.maxPiece(), 2, runs));
        var options = plan.options();
        if (options.isEmpty()) {
            sizes = List.of();
            return;
        }
        var single = options.get(0).kinds();
        var singleWillDo = single.size() == 1 && single.get(0).compareTo(LEAST_SINGLE) >= 0;
        sizes = singleWillDo ? single : options.get(options.size() - 1).kinds();
    }

    private static Stream<Length> sides(Room room) {
        return Stream.of(room.width(), room.depth());
    }

    /** The tile sizes along a clear size, in order. */
    List<Length> tiles(Length size) {
        return sizes.isEmpty() ? List.of(size) : new Filling(step, sizes, size).fill(size).orElse(List.of(size));
    }
}
