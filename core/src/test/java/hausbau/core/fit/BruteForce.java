package hausbau.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** The kit plan the slow way, written apart from the planner: every set of lengths, every span by plain recursion. */
final class BruteForce {

    static final int NEVER = 1_000_000;

    private BruteForce() {}

    static List<Integer> range(int least, int most) {
        return IntStream.rangeClosed(least, most).boxed().toList();
    }

    static int fewest(int span, List<Integer> kinds) {
        return fewest(span, kinds, 0);
    }

    private static int fewest(int rest, List<Integer> kinds, int from) {
        if (rest == 0) {
            return 0;
        }
        if (from == kinds.size()) {
            return NEVER;
        }
        var best = NEVER;
        for (var n = 0; n * kinds.get(from) <= rest; n++) {
            best = Math.min(best, n + fewest(rest - n * kinds.get(from), kinds, from + 1));
        }
        return best;
    }

    static long total(List<Integer> spans, List<Integer> kinds) {
        return spans.stream().mapToLong(s -> fewest(s, kinds)).sum();
    }

    /** The placements of each option, as the contract words it. */
    static List<Long> options(List<Integer> spans, int least, int most, int maxKinds) {
        var options = new ArrayList<Long>();
        var before = (long) NEVER;
        for (var k = 1; k <= maxKinds; k++) {
            var best = subsets(range(least, most), k).stream()
                    .mapToLong(s -> total(spans, s))
                    .min()
                    .orElse(NEVER);
            if (best < before) {
                options.add(best);
                before = best;
            }
        }
        return options;
    }

    private static List<List<Integer>> subsets(List<Integer> from, int atMost) {
        var subsets = new ArrayList<List<Integer>>();
        for (var mask = 1; mask < 1 << from.size(); mask++) {
            if (Integer.bitCount(mask) <= atMost) {
                var bits = mask;
                subsets.add(IntStream.range(0, from.size())
                        .filter(i -> (bits >> i & 1) == 1)
                        .mapToObj(from::get)
                        .toList());
            }
        }
        return subsets;
    }
}
