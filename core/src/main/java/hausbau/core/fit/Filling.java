package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Fills spans from given kinds with the fewest pieces, longest first. Cost: kinds × steps of the longest span, once.
 */
public final class Filling {

    static final int NEVER = Integer.MAX_VALUE / 4;

    private final Length step;
    private final int[] kinds;
    private final int[] fewest;

    /**
     * @param kinds   piece lengths, multiples of the step
     * @param longest the longest span that will be asked for
     */
    public Filling(Length step, List<Length> kinds, Length longest) {
        this.step = step;
        this.kinds = kinds.stream()
                .sorted(Comparator.reverseOrder())
                .mapToInt(k -> Math.toIntExact(k.um() / step.um()))
                .toArray();
        this.fewest = empty(Math.toIntExact(longest.um() / step.um()));
        for (var kind : this.kinds) {
            add(fewest, kind);
        }
    }

    /** The fewest pieces for each number of steps with no kind at all: only 0 steps can be filled. */
    static int[] empty(int longest) {
        var fewest = new int[longest + 1];
        Arrays.fill(fewest, NEVER);
        fewest[0] = 0;
        return fewest;
    }

    /** Lets one more kind be used, as often as it helps. */
    static void add(int[] fewest, int kind) {
        for (var x = kind; x < fewest.length; x++) {
            var with = fewest[x - kind] + 1;
            if (with < fewest[x]) {
                fewest[x] = with;
            }
        }
    }

    /** The piece lengths that fill the span, longest first; empty if the kinds cannot. */
    public Optional<List<Length>> fill(Length span) {
        if (!span.isMultipleOf(step) || fewest[(int) (span.um() / step.um())] >= NEVER) {
            return Optional.empty();
        }
        var pieces = new ArrayList<Length>();
        var left = (int) (span.um() / step.um());
        while (left > 0) {
            for (var kind : kinds) {
                if (kind <= left && fewest[left - kind] + 1 == fewest[left]) {
                    pieces.add(step.times(kind));
                    left -= kind;
                    break;
                }
            }
        }
        pieces.sort(Collections.reverseOrder());
        return Optional.of(pieces);
    }

    /** The piece lengths that fill the span and read the same from both ends, the longest outermost; empty if the kinds cannot. */
    public Optional<List<Length>> fillMirrored(Length span) {
        if (!span.isMultipleOf(step)) {
            return Optional.empty();
        }
        var steps = (int) (span.um() / step.um());
        var best = NEVER;
        var middle = -1;
        for (var of : IntStream.concat(IntStream.of(0), Arrays.stream(kinds)).toArray()) {
            var rest = steps - of;
            if (rest >= 0 && rest % 2 == 0 && fewest[rest / 2] < NEVER) {
                var pieces = 2 * fewest[rest / 2] + (of == 0 ? 0 : 1);
                if (pieces < best) {
                    best = pieces;
                    middle = of;
                }
            }
        }
        if (middle < 0) {
            return Optional.empty();
        }
        var half = fill(step.times((steps - middle) / 2)).orElseThrow();
        var all = new ArrayList<>(half);
        if (middle > 0) {
            all.add(step.times(middle));
        }
        for (var i = half.size() - 1; i >= 0; i--) {
            all.add(half.get(i));
        }
        return Optional.of(all);
    }

    /** The nearest lengths below and above that these kinds come to; none that is not above 0. */
    public static List<Length> nearest(Length step, List<Length> kinds, Length length) {
        var longest =
                length.plus(kinds.stream().reduce(Length.ZERO, Length::max)).ceilTo(step);
        var filling = new Filling(step, kinds, longest);
        var near = new ArrayList<Length>();
        for (var below = length.ceilTo(step).um() / step.um() - 1; below > 0; below--) {
            if (filling.fewest[(int) below] < NEVER) {
                near.add(step.times(below));
                break;
            }
        }
        for (var above = length.um() / step.um() + 1; above < filling.fewest.length; above++) {
            if (filling.fewest[(int) above] < NEVER) {
                near.add(step.times(above));
                break;
            }
        }
        return near;
    }
}
