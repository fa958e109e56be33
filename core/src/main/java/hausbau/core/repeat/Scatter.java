package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/**
 * Strewn over an area from a seed. Darts are thrown until there are enough or too many in a row miss; one that lands closer to
 * another than the least distance is thrown away.
 *
 * @param z      what the copies lie on, µm
 * @param number how many are wanted at most
 * @param least  distance from pivot to pivot, in plan
 * @param turn   each is turned by up to so many degrees either way
 * @param fade   over this distance from the area's edge there are fewer, down to none at it; 0 for none
 * @param keepOut ground that stays free
 * @param weights how often each body comes up against the others; one for each, or none where all are alike
 */
public record Scatter(Region area, long z, int number, Length least, int turn, Length fade, Region keepOut, List<Integer> weights, long seed) implements Rule {

    private static final int MOST = 200_000;
    /** Thrown for each that is wanted. */
    private static final int DARTS = 40;
    private static final int EMPTY = -1;

    public Scatter {
        weights = List.copyOf(weights);
        if (area.isEmpty()) {
            throw new Refused("areaMm", "What is strewn needs an area.");
        }
        if (number < 1 || number > MOST) {
            throw new Refused("count", "From 1 to " + MOST + " copies can be strewn.");
        }
        if (turn < 0 || turn > 180) {
            throw new Refused("turnDegrees", "Copies are turned by from 0 to 180 degrees.");
        }
        if (least.um() < 0 || fade.um() < 0) {
            throw new Refused(least.um() < 0 ? "leastMm" : "fadeMm", "A distance is not below 0.");
        }
    }

    @Override
    public void lay(List<Box> bodies, Spots spots) {
        var random = new SplittableRandom(seed);
        var rects = area.minus(keepOut).rects();
        if (rects.isEmpty()) {
            return;
        }
        var upTo = new double[rects.size()];
        var sum = 0.0;
        for (var i = 0; i < upTo.length; i++) {
            sum += (double) rects.get(i).width() * rects.get(i).depth();
            upTo[i] = sum;
        }
        var thrown = new Thrown(area.extent(), least.um(), number);
        var darts = (long) DARTS * number;
        var all = weights.size() == bodies.size() ? weights.stream().mapToInt(w -> Math.max(0, w)).sum() : 0;
        for (long dart = 0; dart < darts && thrown.count < number; dart++) {
            var found = Arrays.binarySearch(upTo, random.nextDouble() * sum);
            var rect = rects.get(Math.min(rects.size() - 1, found < 0 ? -found - 1 : found));
            var x = rect.x0() + (long) (random.nextDouble() * rect.width());
            var y = rect.y0() + (long) (random.nextDouble() * rect.depth());
            var stays = random.nextDouble();
            var degrees = Math.round((2 * random.nextDouble() - 1) * turn * 10) / 10.0;
            var pick = pick(random.nextDouble(), bodies.size(), all);
            if ((fade.um() == 0 || stays * fade.um() < edge(x, y)) && thrown.takes(x, y)) {
                spots.at(thrown.count - 1L, 0, pick, x, y, z - bodies.get(pick).min().z(), 0, degrees, false);
            }
        }
    }

    private int pick(double drawn, int bodies, int all) {
        if (all == 0) {
            return (int) (drawn * bodies);
        }
        var left = drawn * all;
        for (var i = 0; i < bodies; i++) {
            left -= Math.max(0, weights.get(i));
            if (left < 0) {
                return i;
            }
        }
        return bodies - 1;
    }

    /** How far a point of the area lies from its edge along the nearer axis, at most the fade. */
    private long edge(long x, long y) {
        var low = 0L;
        var high = fade.um();
        while (low < high) {
            var by = (low + high + 1) / 2;
            if (area.contains(Region.of(new Rect(x - by, y - by, x + by, y + by)))) {
                low = by;
            } else {
                high = by - 1;
            }
        }
        return low;
    }

    /** The darts that stay, in a grid of cells that hold at most a few each. */
    private static final class Thrown {

        private final long least;
        private final double cell;
        private final Rect extent;
        private final int columns;
        private final int rows;
        private final int[] first;
        private final int[] next;
        private final long[] xs;
        private final long[] ys;
        private int count;

        Thrown(Rect extent, long least, int most) {
            this.extent = extent;
            this.least = least;
            var roomy = Math.sqrt((double) extent.width() * extent.depth() / most);
            cell = Math.max(Math.max(least, roomy), 1);
            columns = (int) (extent.width() / cell) + 1;
            rows = (int) (extent.depth() / cell) + 1;
            first = new int[columns * rows];
            Arrays.fill(first, EMPTY);
            next = new int[most];
            xs = new long[most];
            ys = new long[most];
        }

        boolean takes(long x, long y) {
            var column = (int) ((x - extent.x0()) / cell);
            var row = (int) ((y - extent.y0()) / cell);
            if (least > 0) {
                for (var r = Math.max(0, row - 1); r <= Math.min(rows - 1, row + 1); r++) {
                    for (var c = Math.max(0, column - 1); c <= Math.min(columns - 1, column + 1); c++) {
                        for (var i = first[r * columns + c]; i != EMPTY; i = next[i]) {
                            var dx = (double) (xs[i] - x);
                            var dy = (double) (ys[i] - y);
                            if (dx * dx + dy * dy < (double) least * least) {
                                return false;
                            }
                        }
                    }
                }
            }
            xs[count] = x;
            ys[count] = y;
            next[count] = first[row * columns + column];
            first[row * columns + column] = count++;
            return true;
        }
    }

    /** The same over another area. */
    public Scatter over(Region other) {
        return new Scatter(other, z, number, least, turn, fade, keepOut, weights, seed);
    }

    @Override
    public Scatter movedBy(Vec by) {
        return new Scatter(area.movedBy(by.x(), by.y()), z + by.z(), number, least, turn, fade, keepOut.isEmpty() ? keepOut : keepOut.movedBy(by.x(), by.y()), weights, seed);
    }

    @Override
    public String label() {
        return "Scatter";
    }
}
