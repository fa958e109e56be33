package hausbau.core.plane;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongUnaryOperator;

/**
 * A right-angled region of the plan, in µm; it may have holes and parts. It never changes.
 *
 * <p>Bands do not overlap, go from south to north, and two that touch differ; the stretches of a band go from west to east
 * and do not touch. Cost of an operation: the bands of both, times the stretches in each.
 */
public final class Region {

    public static final Region EMPTY = new Region(new long[0], new long[0][]);

    /** From and to of each band. */
    private final long[] ys;
    /** From and to of each stretch, by band. */
    private final long[][] xs;

    private Region(long[] ys, long[][] xs) {
        this.ys = ys;
        this.xs = xs;
    }

    public static Region of(Rect r) {
        return new Region(new long[] {r.y0(), r.y1()}, new long[][] {{r.x0(), r.x1()}});
    }

    /** All ground that some of these cover. */
    public static Region of(Collection<Rect> rects) {
        return union(rects.stream().map(Region::of).toList());
    }

    /** The ground inside an odd number of right-angled loops: between their upright edges, band by band. */
    public static Region inside(List<Loop> loops) {
        var upright = new ArrayList<long[]>();
        for (var loop : loops) {
            var corners = loop.corners();
            for (var i = 0; i < corners.size(); i++) {
                var a = corners.get(i);
                var b = corners.get((i + 1) % corners.size());
                if (a.y() != b.y()) {
                    upright.add(new long[] {a.x(), Math.min(a.y(), b.y()), Math.max(a.y(), b.y())});
                }
            }
        }
        var cuts = upright.stream()
                .flatMapToLong(e -> Arrays.stream(e, 1, 3))
                .distinct()
                .sorted()
                .toArray();
        var rects = new ArrayList<Rect>();
        for (var i = 0; i + 1 < cuts.length; i++) {
            var low = cuts[i];
            var high = cuts[i + 1];
            var xs = upright.stream()
                    .filter(e -> e[1] <= low && e[2] >= high)
                    .mapToLong(e -> e[0])
                    .sorted()
                    .toArray();
            for (var j = 0; j + 1 < xs.length; j += 2) {
                if (xs[j] < xs[j + 1]) {
                    rects.add(new Rect(xs[j], low, xs[j + 1], high));
                }
            }
        }
        return of(rects);
    }

    /** Halves and halves again, so that no region is gone over more often than the logarithm of their number. */
    public static Region union(List<Region> regions) {
        return switch (regions.size()) {
            case 0 -> EMPTY;
            case 1 -> regions.get(0);
            default ->
                union(regions.subList(0, regions.size() / 2))
                        .plus(union(regions.subList(regions.size() / 2, regions.size())));
        };
    }

    public boolean isEmpty() {
        return xs.length == 0;
    }

    public Region plus(Region o) {
        return isEmpty() ? o : o.isEmpty() ? this : combined(o, true, true, true);
    }

    public Region minus(Region o) {
        return isEmpty() || o.isEmpty() ? this : combined(o, true, false, false);
    }

    public Region shared(Region o) {
        return isEmpty() || o.isEmpty() ? EMPTY : combined(o, false, true, false);
    }

    /** What is ground of one of the two and not of the other. */
    public Region differing(Region o) {
        return combined(o, true, false, true);
    }

    public boolean overlaps(Region o) {
        return !shared(o).isEmpty();
    }

    public boolean contains(Region o) {
        return o.minus(this).isEmpty();
    }

    private Region combined(Region o, boolean onlyThis, boolean both, boolean onlyOther) {
        var cuts = merged(ys, o.ys);
        var bands = new Bands(cuts.length);
        var i = 0;
        var j = 0;
        for (var k = 0; k + 1 < cuts.length; k++) {
            while (i < xs.length && ys[2 * i + 1] <= cuts[k]) {
                i++;
            }
            while (j < o.xs.length && o.ys[2 * j + 1] <= cuts[k]) {
                j++;
            }
            var mine = i < xs.length && ys[2 * i] <= cuts[k] ? xs[i] : NONE;
            var others = j < o.xs.length && o.ys[2 * j] <= cuts[k] ? o.xs[j] : NONE;
            bands.add(cuts[k], cuts[k + 1], stretches(mine, others, onlyThis, both, onlyOther));
        }
        return bands.region();
    }

    private static final long[] NONE = {};

    /** Both sorted lists as one, each number once. */
    private static long[] merged(long[] a, long[] b) {
        var all = new long[a.length + b.length];
        var n = 0;
        for (int i = 0, j = 0; i < a.length || j < b.length; ) {
            var next = j == b.length || i < a.length && a[i] <= b[j] ? a[i++] : b[j++];
            if (n == 0 || all[n - 1] != next) {
                all[n++] = next;
            }
        }
        return Arrays.copyOf(all, n);
    }

    private static long[] stretches(long[] a, long[] b, boolean onlyA, boolean both, boolean onlyB) {
        var out = new long[2 * (a.length + b.length)];
        var n = 0;
        var open = false;
        for (int i = 0, j = 0; i < a.length || j < b.length; ) {
            var at = j == b.length || i < a.length && a[i] <= b[j] ? a[i] : b[j];
            while (i < a.length && a[i] == at) {
                i++;
            }
            while (j < b.length && b[j] == at) {
                j++;
            }
            var inA = i % 2 == 1;
            var inB = j % 2 == 1;
            var in = inA && inB ? both : inA ? onlyA : inB && onlyB;
            if (in != open) {
                out[n++] = at;
                open = in;
            }
        }
        return Arrays.copyOf(out, n);
    }

    /** Bands in the making: those alike that touch become one. */
    private static final class Bands {

        private long[] ys;
        private long[][] xs;
        private int n;

        Bands(int most) {
            ys = new long[2 * most];
            xs = new long[most][];
        }

        void add(long from, long to, long[] stretches) {
            if (stretches.length == 0) {
                return;
            }
            if (n > 0 && ys[2 * n - 1] == from && Arrays.equals(xs[n - 1], stretches)) {
                ys[2 * n - 1] = to;
                return;
            }
            ys[2 * n] = from;
            ys[2 * n + 1] = to;
            xs[n++] = stretches;
        }

        Region region() {
            return n == 0 ? EMPTY : new Region(Arrays.copyOf(ys, 2 * n), Arrays.copyOf(xs, n));
        }
    }

    /** The region with all ground within this distance along both axes; by 0 or more. */
    public Region grown(long by) {
        return by == 0 ? this : of(rects().stream().map(r -> r.grown(by)).toList());
    }

    public Region movedBy(long x, long y) {
        return new Region(
                mapped(ys, v -> v + y),
                Arrays.stream(xs).map(s -> mapped(s, v -> v + x)).toArray(long[][]::new));
    }

    private static long[] mapped(long[] values, LongUnaryOperator to) {
        return Arrays.stream(values).map(to).toArray();
    }

    /** With east in the place of north: what lies at x, y lies at y, x. */
    public Region transposed() {
        var cuts = Arrays.stream(xs)
                .flatMapToLong(Arrays::stream)
                .sorted()
                .distinct()
                .toArray();
        var bands = new Bands(Math.max(1, cuts.length));
        var at = new int[xs.length];
        for (var k = 0; k + 1 < cuts.length; k++) {
            var stretches = new long[2 * xs.length];
            var n = 0;
            for (var i = 0; i < xs.length; i++) {
                // The first stretch of the band that does not end before here.
                while (at[i] < xs[i].length && xs[i][at[i] + 1] <= cuts[k]) {
                    at[i] += 2;
                }
                if (at[i] < xs[i].length && xs[i][at[i]] <= cuts[k]) {
                    if (n > 0 && stretches[n - 1] == ys[2 * i]) {
                        stretches[n - 1] = ys[2 * i + 1];
                    } else {
                        stretches[n++] = ys[2 * i];
                        stretches[n++] = ys[2 * i + 1];
                    }
                }
            }
            bands.add(cuts[k], cuts[k + 1], Arrays.copyOf(stretches, n));
        }
        return bands.region();
    }

    /** What lies at x lies at −x. */
    public Region mirrored() {
        return of(rects().stream()
                .map(r -> new Rect(-r.x1(), r.y0(), -r.x0(), r.y1()))
                .toList());
    }

    /** The region in rectangles that do not overlap, band by band. */
    public List<Rect> rects() {
        var rects = new ArrayList<Rect>();
        for (var i = 0; i < xs.length; i++) {
            for (var j = 0; j < xs[i].length; j += 2) {
                rects.add(new Rect(xs[i][j], ys[2 * i], xs[i][j + 1], ys[2 * i + 1]));
            }
        }
        return rects;
    }

    /** The region in rectangles that do not overlap: each with all ground west and east of it, as deep as that stays the same. */
    public List<Rect> rows() {
        var rows = new ArrayList<Rect>();
        Map<List<Long>, Integer> open = new HashMap<>();
        for (var r : rects()) {
            var ends = List.of(r.x0(), r.x1());
            var below = open.get(ends);
            if (below != null && rows.get(below).y1() == r.y0()) {
                rows.set(below, new Rect(r.x0(), rows.get(below).y0(), r.x1(), r.y1()));
            } else {
                open.put(ends, rows.size());
                rows.add(r);
            }
        }
        return rows;
    }

    /** The region in rectangles that do not overlap: each with all ground south and north of it, as wide as that stays the same. */
    public List<Rect> columns() {
        return transposed().rows().stream()
                .map(r -> new Rect(r.y0(), r.x0(), r.y1(), r.x1()))
                .toList();
    }

    /** The least rectangle around it; it must not be empty. */
    public Rect extent() {
        var west = Long.MAX_VALUE;
        var east = Long.MIN_VALUE;
        for (var stretches : xs) {
            west = Math.min(west, stretches[0]);
            east = Math.max(east, stretches[stretches.length - 1]);
        }
        return new Rect(west, ys[0], east, ys[ys.length - 1]);
    }

    /** In µm². */
    public BigInteger area() {
        var area = BigInteger.ZERO;
        for (var r : rects()) {
            area = area.add(BigInteger.valueOf(r.width()).multiply(BigInteger.valueOf(r.depth())));
        }
        return area;
    }

    /** Whether the point lies in the region or on its edge. */
    public boolean covers(long x, long y) {
        for (var i = 0; i < xs.length; i++) {
            if (ys[2 * i] <= y && y <= ys[2 * i + 1]) {
                for (var j = 0; j < xs[i].length; j += 2) {
                    if (xs[i][j] <= x && x <= xs[i][j + 1]) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    /** The edges of the region as closed loops, the region to the right of each: outer ones run clockwise, holes the other way. */
    public List<Loop> loops() {
        return Tracing.loops(this);
    }

    /** In µm. */
    public BigInteger perimeter() {
        return loops().stream().map(Loop::length).map(BigInteger::valueOf).reduce(BigInteger.ZERO, BigInteger::add);
    }

    int bands() {
        return xs.length;
    }

    long from(int band) {
        return ys[2 * band];
    }

    long to(int band) {
        return ys[2 * band + 1];
    }

    long[] stretches(int band) {
        return xs[band];
    }

    /** What is in the first list of stretches and not in the second. */
    static long[] minus(long[] a, long[] b) {
        return stretches(a, b, true, false, false);
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Region r && Arrays.equals(ys, r.ys) && Arrays.deepEquals(xs, r.xs);
    }

    @Override
    public int hashCode() {
        return 31 * Arrays.hashCode(ys) + Arrays.deepHashCode(xs);
    }

    @Override
    public String toString() {
        return rects().toString();
    }
}
