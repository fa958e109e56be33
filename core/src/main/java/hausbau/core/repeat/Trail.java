package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;

/**
 * Along a path of straight stretches, its corners rounded, copies turning with it.
 *
 * @param path    two points or more
 * @param closed  whether it goes back to where it begins
 * @param bend    the radius that corners are rounded with, smaller where a stretch is too short for it; 0 for sharp corners
 * @param aside   how far to the right of the path copies stand, to the left below 0
 * @param both    whether they stand on both sides, mirrored on the left
 * @param joints  what is otherwise at its ends and bends
 */
public record Trail(
        List<Vec> path,
        boolean closed,
        Length bend,
        Pace pace,
        Length aside,
        boolean both,
        Joints joints,
        Variation variation)
        implements Rule {

    /** Of a key: which stretch a copy stands on, where each is paced by itself; and what stands at bends. */
    private static final int LEG_BITS = 20;

    private static final long BENDS = 1L << 38;

    /**
     * @param byStretch whether each straight stretch is paced by itself
     * @param free      kept free where such a stretch begins and ends at a bend; 0 or more
     * @param atEnds    whether the second body stands first and last
     * @param atBends   whether the second body stands at each bend as well
     * @param sloped    whether copies are tipped with the slope of the path
     */
    public record Joints(boolean byStretch, Length free, boolean atEnds, boolean atBends, boolean sloped) {

        public static final Joints NONE = new Joints(false, Length.ZERO, false, false, false);

        public Joints {
            if (free.um() < 0) {
                throw new Refused("freeMm", "What is kept free at bends is not below 0.");
            }
        }
    }

    public Trail {
        path = List.copyOf(path);
        if (path.size() < 2) {
            throw new Refused("pathMm", "A trail has two points or more.");
        }
        for (var i = 0; i + 1 < path.size(); i++) {
            if (path.get(i).equals(path.get(i + 1))) {
                throw new Refused("pathMm", "Two points of a trail that follow one another lie apart.");
            }
        }
    }

    /** A stretch, straight or round: where it begins, its way there, how long it is in plan, and how it turns. */
    private record Stretch(double x, double y, double z, double rise, double way, double length, double curve) {

        double[] at(double along) {
            if (curve == 0) {
                return new double[] {
                    x + along * StrictMath.cos(way), y + along * StrictMath.sin(way), z + rise * along, way, rise
                };
            }
            var to = way + along * curve;
            return new double[] {
                x + (StrictMath.sin(to) - StrictMath.sin(way)) / curve,
                y - (StrictMath.cos(to) - StrictMath.cos(way)) / curve,
                z + rise * along,
                to,
                rise
            };
        }
    }

    /** How long the path is in plan, µm. */
    public double length() {
        return stretches().stream().mapToDouble(Stretch::length).sum();
    }

    private List<Stretch> stretches() {
        var points = new ArrayList<>(path);
        if (closed) {
            points.add(path.get(0));
        }
        var n = points.size() - 1;
        var cut = new double[n + 1];
        var turn = new double[n + 1];
        for (var i = closed ? 0 : 1; i < n; i++) {
            var before = way(points.get((i + n - 1) % n), points.get(i));
            var after = way(points.get(i), points.get(i + 1));
            turn[i] = Math.IEEEremainder(after - before, 2 * Math.PI);
            var most =
                    Math.min(flat(points.get((i + n - 1) % n), points.get(i)), flat(points.get(i), points.get(i + 1)))
                            / 2;
            // Straight on and straight back cannot be rounded.
            cut[i] = Math.abs(turn[i]) < 1e-9 || Math.abs(turn[i]) > Math.PI - 1e-9
                    ? 0
                    : Math.min(most, bend.um() * StrictMath.tan(Math.abs(turn[i]) / 2));
        }
        cut[n] = closed ? cut[0] : 0;
        turn[n] = closed ? turn[0] : 0;
        var stretches = new ArrayList<Stretch>();
        for (var i = 0; i < n; i++) {
            var a = points.get(i);
            var b = points.get(i + 1);
            var whole = flat(a, b);
            var way = way(a, b);
            var rise = whole == 0 ? 0 : (b.z() - a.z()) / whole;
            var straight = whole - cut[i] - cut[i + 1];
            if (straight > 0) {
                stretches.add(new Stretch(
                        a.x() + cut[i] * StrictMath.cos(way),
                        a.y() + cut[i] * StrictMath.sin(way),
                        a.z() + rise * cut[i],
                        rise,
                        way,
                        straight,
                        0));
            }
            if (cut[i + 1] > 0) {
                var radius = cut[i + 1] / StrictMath.tan(Math.abs(turn[i + 1]) / 2);
                var length = radius * Math.abs(turn[i + 1]);
                var from = whole - cut[i + 1];
                var next = points.get((i + 1) % n + 1);
                var height = a.z() + rise * from;
                var on = flat(b, next);
                var end = b.z() + (on == 0 ? 0 : (next.z() - b.z()) / on * cut[i + 1]);
                stretches.add(new Stretch(
                        a.x() + from * StrictMath.cos(way),
                        a.y() + from * StrictMath.sin(way),
                        height,
                        (end - height) / length,
                        way,
                        length,
                        Math.signum(turn[i + 1]) / radius));
            }
        }
        return stretches;
    }

    private static double way(Vec a, Vec b) {
        return StrictMath.atan2(b.y() - a.y(), b.x() - a.x());
    }

    private static double flat(Vec a, Vec b) {
        return Math.hypot(b.x() - a.x(), b.y() - a.y());
    }

    @Override
    public void lay(List<Box> bodies, Spots spots) {
        var stretches = stretches();
        if (joints.byStretch()) {
            for (var leg = 0; leg < stretches.size(); leg++) {
                if (stretches.get(leg).curve() == 0) {
                    var inset = new double[] {
                        !closed && leg == 0 ? 0 : joints.free().um(),
                        !closed && leg == stretches.size() - 1
                                ? 0
                                : joints.free().um()
                    };
                    lay(List.of(stretches.get(leg)), inset, false, (long) leg << LEG_BITS, bodies, spots);
                }
            }
        } else {
            lay(stretches, new double[2], closed, 0, bodies, spots);
        }
        if (joints.atBends() && bodies.size() > 1) {
            layBends(stretches, bodies, spots);
        }
    }

    /** Along some stretches as along one way, so much kept free at its two ends. */
    private void lay(List<Stretch> way, double[] free, boolean round, long firstKey, List<Box> bodies, Spots spots) {
        var length = Math.round(way.stream().mapToDouble(Stretch::length).sum() - free[0] - free[1]);
        if (length < 0) {
            return;
        }
        var slope =
                joints.sloped() && way.size() == 1 ? StrictMath.atan(way.get(0).rise()) : 0;
        var own = slope == 0
                ? bodies.get(0).size().x()
                : Math.round(bodies.get(0).size().x() * StrictMath.cos(slope));
        var laid = round ? pace.around(length, own) : pace.along(length, own, false);
        var near = pace.kind() == Pace.Kind.SIDE_BY_SIDE ? own / 2 : 0;
        var stretch = 0;
        var before = -free[0];
        for (var i = 0; i < laid.count(); i++) {
            var at = laid.at(i) + near;
            while (stretch + 1 < way.size() && before + way.get(stretch).length() < at) {
                before += way.get(stretch++).length();
            }
            var p = way.get(stretch).at(Math.min(at - before, way.get(stretch).length()));
            var isEnd = joints.atEnds() && !round && (i == 0 || i == laid.count() - 1);
            var pick = isEnd && bodies.size() > 1 ? 1 : variation.pick(i, bodies.size());
            put(spots, firstKey + 2L * i, i, pick, bodies, p, aside.um(), variation.mirrors(i), near);
            if (both) {
                put(spots, firstKey + 2L * i + 1, i, pick, bodies, p, -aside.um(), !variation.mirrors(i), near);
            }
        }
    }

    /** The other body where the way turns: in the middle of a round bend, else on the corner, along what comes after it. */
    private void layBends(List<Stretch> stretches, List<Box> bodies, Spots spots) {
        for (var i = 0; i < stretches.size(); i++) {
            var one = stretches.get(i);
            var corner = one.curve() == 0
                    && (closed || i > 0)
                    && stretches.get(Math.floorMod(i - 1, stretches.size())).curve() == 0;
            if (one.curve() != 0 || corner) {
                var turn = corner
                        ? Math.IEEEremainder(
                                one.way()
                                        - stretches
                                                .get(Math.floorMod(i - 1, stretches.size()))
                                                .way(),
                                2 * Math.PI)
                        : 0;
                var p = one.at(corner ? 0 : one.length() / 2);
                bend(spots, BENDS + 2L * i, bodies, p, aside.um(), turn, false);
                if (both) {
                    bend(spots, BENDS + 2L * i + 1, bodies, p, -aside.um(), turn, true);
                }
            }
        }
    }

    /** On a corner it stands where the lines so far aside of both stretches meet. */
    private void bend(Spots spots, long key, List<Box> bodies, double[] p, long right, double turn, boolean mirrored) {
        var along = right * StrictMath.tan(turn / 2);
        put(
                spots,
                key,
                0,
                1,
                bodies,
                new double[] {p[0] - along * StrictMath.cos(p[3]), p[1] - along * StrictMath.sin(p[3]), p[2], p[3], p[4]
                },
                right,
                mirrored,
                0);
    }

    /** To the right of the path by so much. */
    private void put(
            Spots spots,
            long key,
            int number,
            int pick,
            List<Box> bodies,
            double[] p,
            long right,
            boolean mirrored,
            long near) {
        var middle = near == 0
                ? 0
                : (bodies.get(pick).min().x() + bodies.get(pick).max().x()) / 2.0;
        var slope = joints.sloped() ? StrictMath.atan(p[4]) : 0;
        var flat = middle * StrictMath.cos(slope);
        var x = Math.round(p[0] + right * StrictMath.sin(p[3]) - flat * StrictMath.cos(p[3]));
        var y = Math.round(p[1] - right * StrictMath.cos(p[3]) - flat * StrictMath.sin(p[3]));
        var degrees = Math.toDegrees(p[3]);
        var quarters = Math.round(degrees / 90);
        var exact = Math.abs(degrees - 90 * quarters) < 1e-9;
        spots.at(
                key,
                0,
                pick,
                x,
                y,
                Math.round(p[2] - middle * StrictMath.sin(slope)),
                (int) ((exact ? quarters : 0) + variation.quarters(number) & 3),
                exact ? 0 : Math.IEEEremainder(degrees, 360),
                mirrored,
                slope == 0 ? Lean.NONE : new Lean(0, -Math.toDegrees(slope), 1));
    }

    /** The same along another way. */
    public Trail along(List<Vec> other, boolean round) {
        return new Trail(other, round, bend, pace, aside, both, joints, variation);
    }

    @Override
    public Trail movedBy(Vec by) {
        return new Trail(
                path.stream().map(p -> p.plus(by)).toList(), closed, bend, pace, aside, both, joints, variation);
    }

    @Override
    public String label() {
        return "Trail";
    }
}
