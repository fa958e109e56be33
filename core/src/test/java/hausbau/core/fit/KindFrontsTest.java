package hausbau.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Fronts of lengths of which some are not allowed and some are there already, against every set tried by {@link BruteForce}. */
class KindFrontsTest {

    private static final int KINDS = 4;
    private static final BooleanSupplier NEVER_STOPPED = () -> false;

    static LongStream seeds() {
        return LongStream.range(0, 200);
    }

    private static List<Integer> some(Random random, int from, int to, int count) {
        return random.ints(count, from, to + 1).boxed().distinct().toList();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void noSetOfAllowedLengthsFillsWithFewerPieces(long seed) {
        var random = new Random(seed);
        var least = 1 + random.nextInt(3);
        var greatest = least + 4 + random.nextInt(7);
        var never = some(random, least, greatest, random.nextInt(4));
        var only = random.nextBoolean() ? List.<Integer>of() : some(random, least, greatest, 5);
        var free = new TreeSet<>(some(random, 1, greatest + 3, random.nextInt(3)));
        var spans = new TreeMap<Integer, Long>();
        random.ints(4, 4, 30).forEach(s -> spans.merge(s, 1L, Long::sum));
        var lengths = BruteForce.range(least, greatest).stream()
                .filter(l -> !never.contains(l) && (only.isEmpty() || only.contains(l)))
                .toList();
        var fronts = new KindFronts(
                AllowedLengths.between(least, greatest).only(only).without(never));
        var all = new ArrayList<>(lengths);
        all.addAll(free);
        for (var span : spans.keySet()) {
            assertThat(fronts.canFill(span, free))
                    .as("seed %d, span %d", seed, span)
                    .isEqualTo(BruteForce.fewest(span, all) < BruteForce.NEVER);
        }
        var front = fronts.of(spans, free, 3, NEVER_STOPPED);
        for (var kinds = 0; kinds <= 3; kinds++) {
            assertThat(front.placements(kinds))
                    .as("seed %d, %d kinds", seed, kinds)
                    .isEqualTo(fewest(spans, lengths, free, kinds));
            assertThat(front.isProven(kinds)).isTrue();
            assertThat(front.lengths(kinds)).as("seed %d", seed).hasSizeLessThanOrEqualTo(kinds);
            assertThat(lengths).as("seed %d", seed).containsAll(front.lengths(kinds));
        }
    }

    /** Stretches of which some read the same from both ends, against every set tried, such a stretch put together from its ends inward. */
    @ParameterizedTest
    @MethodSource("seeds")
    void noSetOfLengthsFillsMirroredStretchesWithFewerPieces(long seed) {
        var random = new Random(seed);
        var least = 1 + random.nextInt(3);
        var greatest = least + 3 + random.nextInt(6);
        var only = random.nextBoolean() ? List.<Integer>of() : some(random, least, greatest, 4);
        var free = new TreeSet<>(some(random, 1, greatest + 3, random.nextInt(3)));
        var stretches = new TreeMap<Stretch, Long>();
        random.ints(4, 4, 26).forEach(s -> stretches.merge(new Stretch(s, random.nextInt(3) > 0), 1L, Long::sum));
        var lengths = BruteForce.range(least, greatest).stream()
                .filter(l -> only.isEmpty() || only.contains(l))
                .toList();
        var fronts = new KindFronts(AllowedLengths.between(least, greatest).only(only));
        var all = new ArrayList<>(lengths);
        all.addAll(free);
        for (var stretch : stretches.keySet()) {
            assertThat(fronts.canFill(stretch, free))
                    .as("seed %d, %s", seed, stretch)
                    .isEqualTo(fewest(stretch, all) < BruteForce.NEVER);
        }
        var front = fronts.ofStretches(stretches, free, 3, NEVER_STOPPED);
        for (var kinds = 0; kinds <= 3; kinds++) {
            var best = KindFronts.NONE;
            for (var mask = 0; mask < 1 << lengths.size(); mask++) {
                if (Integer.bitCount(mask) <= kinds) {
                    var bits = mask;
                    var set = new ArrayList<>(free);
                    IntStream.range(0, lengths.size())
                            .filter(i -> (bits >> i & 1) == 1)
                            .forEach(i -> set.add(lengths.get(i)));
                    var total = stretches.entrySet().stream()
                            .mapToLong(s -> s.getValue() * fewest(s.getKey(), set))
                            .sum();
                    best = total < BruteForce.NEVER ? Math.min(best, total) : best;
                }
            }
            assertThat(front.placements(kinds))
                    .as("seed %d, %d kinds", seed, kinds)
                    .isEqualTo(best);
            assertThat(front.isProven(kinds)).isTrue();
        }
    }

    private static int fewest(Stretch stretch, List<Integer> kinds) {
        return stretch.mirrored() ? fromBothEnds(stretch.steps(), kinds) : BruteForce.fewest(stretch.steps(), kinds);
    }

    private static int fromBothEnds(int rest, List<Integer> kinds) {
        var best = rest == 0 ? 0 : kinds.contains(rest) ? 1 : BruteForce.NEVER;
        for (var kind : kinds) {
            if (2 * kind <= rest) {
                best = Math.min(best, 2 + fromBothEnds(rest - 2 * kind, kinds));
            }
        }
        return best;
    }

    private static long fewest(TreeMap<Integer, Long> spans, List<Integer> lengths, TreeSet<Integer> free, int atMost) {
        var best = KindFronts.NONE;
        for (var mask = 0; mask < 1 << lengths.size(); mask++) {
            if (Integer.bitCount(mask) > atMost) {
                continue;
            }
            var bits = mask;
            var kinds = new ArrayList<>(free);
            IntStream.range(0, lengths.size())
                    .filter(i -> (bits >> i & 1) == 1)
                    .forEach(i -> kinds.add(lengths.get(i)));
            var total = spans.entrySet().stream()
                    .mapToLong(s -> s.getValue() * BruteForce.fewest(s.getKey(), kinds))
                    .sum();
            if (total < BruteForce.NEVER) {
                best = Math.min(best, total);
            }
        }
        return best;
    }

    /** By hand: of 6 and 9 steps no whole number is 10; 9 below, 12 above. */
    @Test
    void theNearestLengthsThatCanBeFilledAreNamed() {
        var fronts = new KindFronts(AllowedLengths.between(1, 20).only(List.of(6, 9)));
        assertThat(fronts.canFill(10)).isFalse();
        assertThat(fronts.below(10)).isEqualTo(9);
        assertThat(fronts.above(10)).isEqualTo(12);
        assertThat(fronts.below(5)).isZero();
        assertThat(new KindFronts(AllowedLengths.between(5, 4)).canFill(10)).isFalse();
    }

    /** Walls of 4 to 12 m at a step of 1 mm, pieces of 0.2 to 4 m, ended before it begins: there is a kit all the same, and it fills. */
    @ParameterizedTest
    @MethodSource("seeds")
    void endedAtOnceThereIsAKitAllTheSame(long seed) {
        var spans = new TreeMap<Integer, Long>();
        new Random(seed).ints(24, 4000, 12_000).forEach(s -> spans.merge(s, 1L, Long::sum));
        var front = new KindFronts(AllowedLengths.between(200, 4000)).of(spans, KINDS, () -> true);
        assertThat(front.placements(KINDS)).as("seed %d", seed).isNotEqualTo(KindFronts.NONE);
        assertThat(front.lengths(KINDS)).hasSizeLessThanOrEqualTo(KINDS).allMatch(l -> l >= 200 && l <= 4000);
        // The coin-change recurrence, worked out up to the longest wall.
        var fewest = new long[12_000];
        for (var at = 1; at < fewest.length; at++) {
            fewest[at] = BruteForce.NEVER;
            for (var length : front.lengths(KINDS)) {
                if (length <= at) {
                    fewest[at] = Math.min(fewest[at], fewest[at - length] + 1);
                }
            }
        }
        var filled = spans.entrySet().stream()
                .mapToLong(s -> s.getValue() * fewest[s.getKey()])
                .sum();
        assertThat(filled)
                .as("seed %d", seed)
                .isEqualTo(front.placements(KINDS))
                .isLessThan(BruteForce.NEVER);
        assertThat(front.isProven(KINDS)).isFalse();
    }
}
