package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Lean;
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
 * @param z       what the copies lie on, µm, unless they land on what stands there
 * @param number  how many are wanted at most
 * @param perM2   how many are wanted for each square metre, in place of a number; 0 where the number counts
 * @param least   distance from pivot to pivot, in plan
 * @param jitter   how each is turned, tipped and sized
 * @param thin    where there are fewer
 * @param keepOut ground that stays free
 * @param brushed how dense it is brushed; none where it is everywhere alike
 * @param landing what they land on
 * @param weights how often each body comes up against the others; one for each, or none where all are alike
 */
public record Scatter(
        Region area,
        long z,
        int number,
        double perM2,
        Length least,
        Jitter jitter,
        Thin thin,
        Region keepOut,
        List<Dab> brushed,
        Landing landing,
        List<Integer> weights,
        long seed)
        implements Rule {

    /** Thinned toward no path. */
    public Scatter(
            Region area,
            long z,
            int number,
            double perM2,
            Length least,
            Jitter jitter,
            Length fade,
            Region keepOut,
            List<Dab> brushed,
            Landing landing,
            List<Integer> weights,
            long seed) {
        this(
                area,
                z,
                number,
                perM2,
                least,
                jitter,
                new Thin(fade, List.of(), Length.ZERO),
                keepOut,
                brushed,
                landing,
                weights,
                seed);
    }

    /**
     * Toward edges and paths there are fewer, down to none at them.
     *
     * @param edge  over this distance from the area's edge; 0 for none
     * @param paths straight paths, from the first of two points to the second, then from the third to the fourth
     * @param path  over this distance from a path; 0 for none
     */
    public record Thin(Length edge, List<Vec> paths, Length path) {

        private static final int MOST_PATHS = 200;

        public Thin {
            paths = List.copyOf(paths);
            if (edge.um() < 0 || path.um() < 0) {
                throw new Refused(edge.um() < 0 ? "fadeMm" : "fadePathMm", "A distance is not below 0.");
            }
            if (paths.size() % 2 != 0 || paths.size() > 2 * MOST_PATHS) {
                throw new Refused("pathMm", "Paths are told by two points each, at most " + MOST_PATHS + " of them.");
            }
        }

        Thin movedBy(Vec by) {
            return new Thin(edge, paths.stream().map(p -> p.plus(by)).toList(), path);
        }

        /** The share of copies that stay by the nearest path, from 0 to 1. */
        private double beside(long x, long y) {
            var share = 1.0;
            for (var i = 0; path.um() > 0 && i < paths.size(); i += 2) {
                share = Math.min(share, distance(paths.get(i), paths.get(i + 1), x, y) / path.um());
            }
            return share;
        }

        private static double distance(Vec a, Vec b, long x, long y) {
            double dx = b.x() - a.x();
            double dy = b.y() - a.y();
            var whole = dx * dx + dy * dy;
            var t = whole == 0 ? 0 : Math.max(0, Math.min(1, ((x - a.x()) * dx + (y - a.y()) * dy) / whole));
            return Math.hypot(x - a.x() - t * dx, y - a.y() - t * dy);
        }
    }

    private static final int MOST = 200_000;
    /** Thrown for each that is wanted. */
    private static final int DARTS = 40;
    /** The same where they must find what they land on, and how many of those there are at most. */
    private static final int SEEKING = 1000;

    private static final long MOST_SEEKING = 2_000_000;
    private static final int EMPTY = -1;
    private static final double UM2_PER_M2 = 1e12;
    /** Around the area, what stands further off cannot matter: no piece is larger. */
    private static final long REACH_UM = 5_000_000;

    /**
     * How copies differ from one another.
     *
     * @param turn     about Z by up to so many degrees either way, 0 to 180
     * @param tilt     about their own X and Y by up to so many degrees either way, 0 to 90
     * @param smallest least size, percent of a piece's own, 5 to 2000
     * @param largest  greatest size, percent, not below the smallest
     */
    public record Jitter(int turn, int tilt, int smallest, int largest) {

        public Jitter {
            if (turn < 0 || turn > 180) {
                throw new Refused("turnDegrees", "Copies are turned by from 0 to 180 degrees.");
            }
            if (tilt < 0 || tilt > 90) {
                throw new Refused("tiltDegrees", "Copies are tilted by from 0 to 90 degrees.");
            }
            if (smallest < 100 * Lean.LEAST || smallest > 100 * Lean.MOST) {
                throw new Refused("smallest", "Sizes are from 5 to 2000 %.");
            }
            if (largest < smallest || largest > 100 * Lean.MOST) {
                throw new Refused("largest", "The largest size is from the smallest to 2000 %.");
            }
        }

        public static Jitter turned(int degrees) {
            return new Jitter(degrees, 0, 100, 100);
        }
    }

    /** What copies land on: nothing, they lie at their height; whatever is highest; or only what rises above their height. */
    public enum Lands {
        LEVEL,
        ANYTHING,
        TOPS
    }

    /**
     * @param reach  the highest top that is landed on, above Z
     * @param clear  whether copies keep out of what stands, and of one another
     * @param around what stands there, micrometres; told when it is laid, not kept
     */
    public record Landing(Lands lands, Length reach, boolean clear, List<Box> around) {

        public static final Landing LEVEL = new Landing(Lands.LEVEL, Length.ZERO, false, List.of());

        public Landing {
            around = List.copyOf(around);
            if (reach.um() < 0) {
                throw new Refused("reachMm", "A height to land on is not below 0.");
            }
        }

        /** Whether it depends on what stands there. */
        public boolean looks() {
            return lands != Lands.LEVEL || clear;
        }
    }

    /**
     * One touch of a brush.
     *
     * @param radius   above 0
     * @param strength percent of full density that it adds in its middle, less toward its rim; below 0 it rubs out
     */
    public record Dab(long x, long y, Length radius, int strength) {

        public Dab {
            if (!radius.isPositive()) {
                throw new Refused("brushedMm", "A brush has a radius above 0.");
            }
            if (strength < -100 || strength > 100) {
                throw new Refused("brushedMm", "A brush's strength is from -100 to 100 %.");
            }
        }

        private double at(long px, long py) {
            var far = ((double) (px - x) * (px - x) + (double) (py - y) * (py - y))
                    / ((double) radius.um() * radius.um());
            return far >= 1 ? 0 : (1 - far) * strength / 100;
        }
    }

    public Scatter {
        brushed = List.copyOf(brushed);
        weights = List.copyOf(weights);
        if (area.isEmpty()) {
            throw new Refused("areaMm", "What is strewn needs an area.");
        }
        if (number < 1 || number > MOST) {
            throw new Refused("count", "From 1 to " + MOST + " copies can be strewn.");
        }
        if (!(perM2 >= 0 && perM2 <= MOST)) {
            throw new Refused("perM2", "A density is from 0 to " + MOST + " for each square metre.");
        }
        if (least.um() < 0) {
            throw new Refused("leastMm", "A distance is not below 0.");
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
        var wanted = perM2 == 0
                ? number
                : (int) Math.min(MOST, Math.round(perM2 * sum / UM2_PER_M2 * share(rects, upTo, sum)));
        var thrown = new Thrown(area.extent(), least.um(), Math.max(1, wanted));
        var ground = landing.looks() ? new Occupied(landing, area.extent(), bodies) : null;
        // Where little of the ground will do, more darts find it.
        var darts =
                Math.max((long) DARTS * wanted, ground == null ? 0 : Math.min((long) SEEKING * wanted, MOST_SEEKING));
        var all = weights.size() == bodies.size()
                ? weights.stream().mapToInt(w -> Math.max(0, w)).sum()
                : 0;
        for (long dart = 0; dart < darts && thrown.count < wanted; dart++) {
            var found = Arrays.binarySearch(upTo, random.nextDouble() * sum);
            var rect = rects.get(Math.min(rects.size() - 1, found < 0 ? -found - 1 : found));
            var x = rect.x0() + (long) (random.nextDouble() * rect.width());
            var y = rect.y0() + (long) (random.nextDouble() * rect.depth());
            var stays = random.nextDouble();
            var degrees = Math.round((2 * random.nextDouble() - 1) * jitter.turn * 10) / 10.0;
            var pick = pick(random.nextDouble(), bodies.size(), all);
            var lean = lean(random);
            if (thin.edge.um() != 0 && stays * thin.edge.um() >= edge(x, y)
                    || !thin.paths.isEmpty() && stays >= thin.beside(x, y)
                    || !brushed.isEmpty() && random.nextDouble() >= density(x, y)) {
                continue;
            }
            if (ground == null) {
                if (thrown.takes(x, y)) {
                    spots.at(dart, 0, pick, x, y, z - lowest(bodies.get(pick), lean), 0, degrees, false, lean);
                }
                continue;
            }
            var own = bounds(bodies.get(pick), degrees, lean).movedBy(new Vec(x, y, 0));
            var on = ground.under(own, z);
            if (on.isPresent() && thrown.isClear(x, y)) {
                var lies = own.movedBy(new Vec(0, 0, on.getAsLong() - own.min().z()));
                if (!landing.clear || ground.takes(lies)) {
                    thrown.keep(x, y);
                    spots.at(dart, 0, pick, x, y, lies.min().z() - own.min().z(), 0, degrees, false, lean);
                }
            }
        }
    }

    private Lean lean(SplittableRandom random) {
        if (jitter.tilt == 0 && jitter.smallest == 100 && jitter.largest == 100) {
            return Lean.NONE;
        }
        var tilt = Math.round((2 * random.nextDouble() - 1) * jitter.tilt * 10) / 10.0;
        var roll = Math.round((2 * random.nextDouble() - 1) * jitter.tilt * 10) / 10.0;
        return new Lean(
                tilt,
                roll,
                (jitter.smallest + Math.round(random.nextDouble() * (jitter.largest - jitter.smallest))) / 100.0);
    }

    private static long lowest(Box body, Lean lean) {
        return lean.upright() ? body.min().z() : bounds(body, 0, lean).min().z();
    }

    /** What a body takes about its spot when it stands so, rounded outward. */
    private static Box bounds(Box body, double degrees, Lean lean) {
        var m = lean.matrix(degrees);
        var own = new double[][] {
            {body.min().x(), body.max().x()},
            {body.min().y(), body.max().y()},
            {body.min().z(), body.max().z()}
        };
        var low = new long[3];
        var high = new long[3];
        for (var row = 0; row < 3; row++) {
            var least = 0.0;
            var most = 0.0;
            for (var k = 0; k < 3; k++) {
                least += Math.min(m[3 * row + k] * own[k][0], m[3 * row + k] * own[k][1]);
                most += Math.max(m[3 * row + k] * own[k][0], m[3 * row + k] * own[k][1]);
            }
            // Upward, what rounding adds is not lifted off the ground.
            var slack = row == 2 ? 1e-4 : 0;
            low[row] = (long) Math.floor(least + slack);
            high[row] = (long) Math.ceil(most - slack);
        }
        return Box.of(low[0], low[1], low[2], high[0], high[1], high[2]);
    }

    /** How dense it is brushed at a point, 0 to 1: one touch after the other. */
    private double density(long x, long y) {
        var density = 0.0;
        for (var dab : brushed) {
            density = Math.max(0, Math.min(1, density + dab.at(x, y)));
        }
        return density;
    }

    /** The share of full density over the whole area, by a lattice of points. */
    private double share(List<Rect> rects, double[] upTo, double sum) {
        if (brushed.isEmpty()) {
            return 1;
        }
        var points = 4096;
        var share = 0.0;
        for (var i = 0; i < points; i++) {
            // Roberts' R2 sequence (2018): spreads evenly without a grid.
            var u = (0.5 + 0.7548776662466927 * i) % 1;
            var v = (0.5 + 0.5698402909980532 * i) % 1;
            var found = Arrays.binarySearch(upTo, (i + 0.5) / points * sum);
            var rect = rects.get(Math.min(rects.size() - 1, found < 0 ? -found - 1 : found));
            share += density(rect.x0() + (long) (u * rect.width()), rect.y0() + (long) (v * rect.depth()));
        }
        return share / points;
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
        var high = thin.edge.um();
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
            var may = isClear(x, y);
            if (may) {
                keep(x, y);
            }
            return may;
        }

        boolean isClear(long x, long y) {
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
            return true;
        }

        void keep(long x, long y) {
            var column = (int) ((x - extent.x0()) / cell);
            var row = (int) ((y - extent.y0()) / cell);
            xs[count] = x;
            ys[count] = y;
            next[count] = first[row * columns + column];
            first[row * columns + column] = count++;
        }
    }

    /** The same over another area. */
    public Scatter over(Region other) {
        return new Scatter(other, z, number, perM2, least, jitter, thin, keepOut, brushed, landing, weights, seed);
    }

    /** The same among what stands there. */
    public Scatter among(List<Box> around) {
        return new Scatter(
                area,
                z,
                number,
                perM2,
                least,
                jitter,
                thin,
                keepOut,
                brushed,
                new Landing(landing.lands, landing.reach, landing.clear, around),
                weights,
                seed);
    }

    /** Where what stands there matters. */
    public Box reach() {
        var e = area.extent();
        return Box.of(e.x0(), e.y0(), z - REACH_UM, e.x1(), e.y1(), z + landing.reach.um() + REACH_UM)
                .grownBy(REACH_UM);
    }

    @Override
    public Scatter movedBy(Vec by) {
        return new Scatter(
                area.movedBy(by.x(), by.y()),
                z + by.z(),
                number,
                perM2,
                least,
                jitter,
                thin.movedBy(by),
                keepOut.isEmpty() ? keepOut : keepOut.movedBy(by.x(), by.y()),
                brushed.stream()
                        .map(d -> new Dab(d.x + by.x(), d.y + by.y(), d.radius, d.strength))
                        .toList(),
                landing,
                weights,
                seed);
    }

    @Override
    public String label() {
        return "Scatter";
    }
}
