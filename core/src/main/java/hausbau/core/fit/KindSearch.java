package hausbau.core.fit;

import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;

/**
 * Finds the set of at most k kinds that fills all spans with the fewest pieces; everything is counted in steps.
 *
 * <p>Branch and bound: kinds are chosen in falling order. With a prefix P chosen and every further kind at most b, a
 * span L needs at least min over y of fewest(P ∪ {b}, y) + ⌈(L − y) / b⌉ pieces, as if the rest could be cut to
 * measure. That bound only grows as b falls, so the first b that reaches the best total known ends the loop. The last
 * kind is tried span by span, the spans that failed lately first. A local search supplies the first total to beat.
 *
 * <p>A stretch that reads the same from both ends needs at least as many pieces as one that need not, so the bounds hold for it too.
 *
 * <p>Precondition: every span is positive and can be filled by some multiset of allowed lengths. Cost: exponential in
 * k in the worst case; {@code stop} ends it early, and the answer is then not marked proven.
 */
public final class KindSearch {

    /** @param kinds falling; empty when {@code placements} is {@link #NONE} */
    public record Found(List<Integer> kinds, long placements, boolean proven) {}

    static final long NONE = Long.MAX_VALUE;
    /** More than the pieces of any filling: 2^40 against at most 2000 runs of 10 km in steps of 1 mm. */
    private static final long UNFILLED = 1L << 40;
    /** Beyond this many steps only the local search is run: the tables of the exact search would not fit in memory. */
    private static final int LONGEST_EXACT = 1_000_000;

    private final int[] spans;
    private final boolean[] mirrored;
    private final long[] weights;
    private final AllowedLengths allowed;
    private final int greatest;
    private final int[] free;
    private final BooleanSupplier stop;

    private int[] best = {};
    private long bestTotal;
    private boolean stopped;
    private int[] order = {};
    private int[] chosen = {};
    private int visits;

    /**
     * @param stretches distinct
     * @param weights how often each occurs
     * @param allowed lengths of kinds that are looked for
     * @param free    lengths that may be used beside them and are not counted as kinds
     * @param stop    asked now and then whether to give up
     */
    KindSearch(List<Stretch> stretches, long[] weights, AllowedLengths allowed, int[] free, BooleanSupplier stop) {
        this.spans = stretches.stream().mapToInt(Stretch::steps).toArray();
        this.mirrored = new boolean[spans.length];
        for (var i = 0; i < spans.length; i++) {
            mirrored[i] = stretches.get(i).mirrored();
        }
        this.weights = weights;
        this.allowed = allowed;
        this.greatest = allowed.upTo(Arrays.stream(spans).max().orElse(0));
        this.free = free;
        this.stop = stop;
    }

    /**
     * @param kinds how many kinds at most
     * @param known the best set of fewer kinds, to start from
     */
    Found search(int kinds, Found known) {
        best = known.kinds().stream().mapToInt(Integer::intValue).toArray();
        bestTotal = known.placements();
        stopped = false;
        order = indices();
        if (greatest == 0) {
            return best();
        }
        if (kinds == 1 && free.length == 0) {
            return single();
        }
        if (bestTotal == NONE && longest() <= LONGEST_EXACT) {
            seed(kinds);
        }
        if (!stop.getAsBoolean()) {
            improve(kinds);
        }
        if (bestTotal > floor() && (longest() > LONGEST_EXACT || stop.getAsBoolean())) {
            stopped = true;
        } else if (bestTotal > floor()) {
            chosen = new int[kinds];
            if (kinds == 1) {
                var bounds = new int[spans.length];
                var floor = lowerBounds(ofFree(), greatest, bounds);
                tryLast(0, greatest, ofFree(), bounds, floor);
            } else {
                branch(0, kinds, greatest, ofFree());
            }
        }
        return best();
    }

    /** What the free lengths alone come to. */
    Found none() {
        var total = total(ofFree(), new int[0], 0);
        return new Found(List.of(), total, true);
    }

    /** The fewest pieces of free lengths for each number of steps. */
    private int[] ofFree() {
        var fewest = Filling.empty(longest());
        for (var length : free) {
            Filling.add(fewest, length);
        }
        return fewest;
    }

    /** One kind fills all spans just when it divides them all: the greatest allowed divisor is the best. */
    private Found single() {
        var divisor = 0L;
        for (var span : spans) {
            divisor = gcd(divisor, span);
        }
        for (var kind = allowed.upTo((int) Math.min(greatest, divisor)); kind > 0; kind = allowed.upTo(kind - 1)) {
            if (divisor % kind == 0) {
                return new Found(List.of(kind), totalOf(kind), true);
            }
        }
        return new Found(List.of(), NONE, true);
    }

    private Found best() {
        var kinds = Arrays.stream(best).boxed().sorted((a, b) -> b - a).toList();
        return new Found(kinds, bestTotal, !stopped || bestTotal <= floor());
    }

    private long totalOf(int divisor) {
        var total = 0L;
        for (var i = 0; i < spans.length; i++) {
            total += weights[i] * (spans[i] / divisor);
        }
        return total;
    }

    /** No set needs fewer: every span from the greatest piece, the rest cut to measure. */
    private long floor() {
        var longest = Math.max(greatest, Arrays.stream(free).max().orElse(0));
        var total = 0L;
        for (var i = 0; i < spans.length; i++) {
            total += weights[i] * ((spans[i] + longest - 1) / longest);
        }
        return total;
    }

    private int longest() {
        return Arrays.stream(spans).max().orElse(0);
    }

    private int[] indices() {
        var indices = new int[spans.length];
        for (var i = 0; i < indices.length; i++) {
            indices[i] = i;
        }
        return indices;
    }

    private static long gcd(long a, long b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    // ---- branch and bound

    private void branch(int depth, int kinds, int top, int[] fewest) {
        var bounds = new int[spans.length];
        for (var kind = allowed.upTo(top); kind > 0 && !stopped; kind = allowed.upTo(kind - 1)) {
            var with = fewest.clone();
            Filling.add(with, kind);
            var floor = lowerBounds(with, kind, bounds);
            if (floor >= bestTotal) {
                return;
            }
            chosen[depth] = kind;
            take(depth + 1, with);
            if (depth + 2 < kinds) {
                branch(depth + 1, kinds, kind - 1, with);
            } else {
                tryLast(depth + 1, kind - 1, with, bounds, floor);
            }
        }
    }

    /** Keeps the prefix itself if it already fills everything with fewer pieces. */
    private void take(int depth, int[] fewest) {
        var total = total(fewest, chosen, depth);
        if (total < bestTotal) {
            bestTotal = total;
            best = Arrays.copyOf(chosen, depth);
        }
    }

    /** @param fewest with the first so many lengths of a set and the free ones. @return {@link #NONE} if they do not fill all */
    private long total(int[] fewest, int[] set, int count) {
        var total = 0L;
        for (var i = 0; i < spans.length; i++) {
            var pieces = mirrored[i] ? mirrored(spans[i], set, count, 0, half -> fewest[half]) : fewest[spans[i]];
            if (pieces >= Filling.NEVER) {
                return NONE;
            }
            total += weights[i] * pieces;
        }
        return total;
    }

    /**
     * The fewest pieces that read the same from both ends: a half twice, and perhaps one in the middle.
     *
     * @param count how many lengths of the set may stand in the middle, beside the free ones
     * @param last  another one that may; 0 for none
     * @param half  the fewest pieces for a number of steps
     */
    private int mirrored(int span, int[] set, int count, int last, IntUnaryOperator half) {
        var pieces = around(span, 0, half);
        for (var i = 0; i < count; i++) {
            pieces = Math.min(pieces, around(span, set[i], half));
        }
        for (var middle : free) {
            pieces = Math.min(pieces, around(span, middle, half));
        }
        return last == 0 ? pieces : Math.min(pieces, around(span, last, half));
    }

    private static int around(int span, int middle, IntUnaryOperator half) {
        var rest = span - middle;
        if (rest < 0 || rest % 2 != 0) {
            return Filling.NEVER;
        }
        var pieces = half.applyAsInt(rest / 2);
        return pieces >= Filling.NEVER ? Filling.NEVER : 2 * pieces + (middle == 0 ? 0 : 1);
    }

    private void tryLast(int depth, int top, int[] fewest, int[] bounds, long floor) {
        for (var kind = allowed.upTo(top); kind > 0; kind = allowed.upTo(kind - 1)) {
            if ((++visits & 0xfff) == 0 && stop.getAsBoolean()) {
                stopped = true;
                return;
            }
            var total = totalWith(kind, depth, fewest, bounds, floor);
            if (total < bestTotal) {
                bestTotal = total;
                chosen[depth] = kind;
                best = Arrays.copyOf(chosen, depth + 1);
            }
        }
    }

    /** The total with one kind more, or {@link #NONE} as soon as it cannot beat the best. */
    private long totalWith(int kind, int depth, int[] fewest, int[] bounds, long floor) {
        var total = floor;
        for (var at = 0; at < order.length; at++) {
            var i = order[at];
            var mayAdd = (bestTotal - total - 1) / weights[i];
            var pieces = mirrored[i]
                    ? mirrored(spans[i], chosen, depth, kind, half -> pieces(half, kind, fewest, Filling.NEVER))
                    : pieces(spans[i], kind, fewest, bounds[i] + mayAdd);
            if (pieces >= Filling.NEVER || pieces > bounds[i] + mayAdd) {
                var earlier = at / 2;
                order[at] = order[earlier];
                order[earlier] = i;
                return NONE;
            }
            total += weights[i] * (pieces - bounds[i]);
        }
        return total;
    }

    /**
     * Sum over the spans of the least pieces each needs when every further kind is at most {@code top}.
     *
     * @param exact the fewest pieces with the kinds chosen and {@code top} itself
     * @param each  receives the bound of each span
     */
    private long lowerBounds(int[] exact, int top, int[] each) {
        if ((++visits & 0xff) == 0 && stop.getAsBoolean()) {
            stopped = true;
        }
        var total = 0L;
        for (var i = 0; i < spans.length; i++) {
            var span = spans[i];
            var rest = Filling.NEVER;
            for (var x = Math.max(0, span - top + 1); x < span; x++) {
                rest = Math.min(rest, exact[x]);
            }
            each[i] = Math.min(exact[span], rest + 1);
            total += weights[i] * each[i];
        }
        return total;
    }

    // ---- local search

    /**
     * A set that fills all spans, found at once, so that there is an answer however early the search is ended. With a length a and
     * a + 1, a + m, a + m² and so on, n pieces make n × a and all that is written to the base m with digits that add up to n at
     * most; m is taken such that what is left below a can be written. The longest a of a few that does is used. There may be none.
     */
    private void seed(int kinds) {
        for (var from = greatest; ; from = Math.max(allowed.least(), from / 2)) {
            var least = from;
            var base = kinds < 2 ? 1 : Math.ceil(Math.pow(least, 1.0 / (kinds - 1)));
            var set = IntStream.concat(
                            IntStream.of(least),
                            IntStream.range(0, kinds - 1).map(i -> least + (int) Math.pow(base, i)))
                    .filter(length -> length <= greatest && allowed.contains(length))
                    .distinct()
                    .toArray();
            var fewest = ofFree();
            Arrays.stream(set).forEach(length -> Filling.add(fewest, length));
            chosen = set;
            take(set.length, fewest);
            if (bestTotal != NONE || from == allowed.least()) {
                return;
            }
        }
    }

    /** Adds the best kind to the set known, then swaps one kind at a time while that helps. */
    private void improve(int kinds) {
        var candidates = candidates();
        var set = Arrays.copyOf(best, Math.max(best.length, 1));
        if (set[0] == 0) {
            set[0] = greatest;
        }
        while (set.length < kinds) {
            set = Arrays.copyOf(set, set.length + 1);
            set[set.length - 1] = allowed.least();
            swap(set, set.length - 1, candidates);
        }
        for (var better = true; better; ) {
            better = false;
            for (var slot = 0; slot < set.length; slot++) {
                better |= swap(set, slot, candidates);
            }
        }
        var score = score(without(set, 0), set, 0, set[0]);
        if (score < bestTotal && score < UNFILLED) {
            bestTotal = score;
            best = Arrays.stream(set).distinct().toArray();
        }
    }

    /** Puts the candidate with the best score into the slot; true if that improved the set. */
    private boolean swap(int[] set, int slot, int[] candidates) {
        var fewest = without(set, slot);
        var before = score(fewest, set, slot, set[slot]);
        var bestScore = before;
        for (var kind : candidates) {
            if (stop.getAsBoolean()) {
                return false;
            }
            var score = score(fewest, set, slot, kind);
            if (score < bestScore) {
                bestScore = score;
                set[slot] = kind;
            }
        }
        return bestScore < before;
    }

    private int[] without(int[] set, int slot) {
        var fewest = ofFree();
        for (var i = 0; i < set.length; i++) {
            if (i != slot) {
                Filling.add(fewest, set[i]);
            }
        }
        return fewest;
    }

    /** The total with one kind more; a span that stays unfilled counts as {@link #UNFILLED}. */
    private long score(int[] fewest, int[] set, int slot, int kind) {
        var others = set.clone();
        others[slot] = kind;
        if (Arrays.stream(spans).asLongStream().sum() / kind > 2L * longest()) {
            // Short kinds in long spans: one table for all spans is cheaper than trying every count in each.
            var with = fewest.clone();
            Filling.add(with, kind);
            return Arrays.stream(indices())
                    .mapToLong(i -> weighed(
                            i,
                            mirrored[i]
                                    ? mirrored(spans[i], others, others.length, 0, half -> with[half])
                                    : with[spans[i]]))
                    .sum();
        }
        var total = 0L;
        for (var i = 0; i < spans.length; i++) {
            total += weighed(
                    i,
                    mirrored[i]
                            ? mirrored(
                                    spans[i],
                                    others,
                                    others.length,
                                    0,
                                    half -> pieces(half, kind, fewest, Filling.NEVER))
                            : pieces(spans[i], kind, fewest, Filling.NEVER));
        }
        return total;
    }

    private long weighed(int i, int pieces) {
        return pieces >= Filling.NEVER ? UNFILLED : weights[i] * pieces;
    }

    /** The fewest pieces for a span when one kind more may be used, up to {@code most} times. */
    private static int pieces(int span, int kind, int[] fewest, long most) {
        var pieces = Filling.NEVER;
        var used = 0;
        for (var rest = span; rest >= 0 && used <= most; rest -= kind, used++) {
            pieces = Math.min(pieces, fewest[rest] + used);
        }
        return pieces;
    }

    /** All allowed lengths if they are few, else a spread of likely ones: parts of spans and powers of two. */
    private int[] candidates() {
        var all = allowed.all().filter(k -> k <= greatest).limit(401).toArray();
        if (all.length <= 400) {
            return falling(Arrays.stream(all).boxed().toList());
        }
        var likely = new TreeSet<Integer>();
        likely.add(allowed.least());
        likely.add(greatest);
        for (var span : spans) {
            for (var parts = 1; parts <= 4 && likely.size() < 300; parts++) {
                likely.add(span / parts);
            }
        }
        for (var kind = 1; kind > 0 && kind <= greatest; kind *= 2) {
            likely.add(kind);
        }
        return falling(likely.stream().filter(allowed::contains).toList());
    }

    private static int[] falling(Collection<Integer> lengths) {
        return lengths.stream()
                .sorted(Comparator.reverseOrder())
                .mapToInt(Integer::intValue)
                .toArray();
    }
}
