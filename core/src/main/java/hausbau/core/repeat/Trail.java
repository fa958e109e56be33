package hausbau.core.repeat;

import hausbau.core.measure.Box;
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
 */
public record Trail(List<Vec> path, boolean closed, Length bend, Pace pace, Length aside, boolean both, Variation variation) implements Rule {

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
                return new double[] {x + along * StrictMath.cos(way), y + along * StrictMath.sin(way), z + rise * along, way};
            }
            var to = way + along * curve;
            return new double[] {x + (StrictMath.sin(to) - StrictMath.sin(way)) / curve, y - (StrictMath.cos(to) - StrictMath.cos(way)) / curve, z + rise * along, to};
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
            var most = Math.min(flat(points.get((i + n - 1) % n), points.get(i)), flat(points.get(i), points.get(i + 1))) / 2;
            // Straight on and straight back cannot be rounded.
            cut[i] = Math.abs(turn[i]) < 1e-9 || Math.abs(turn[i]) > Math.PI - 1e-9 ? 0 : Math.min(most, bend.um() * StrictMath.tan(Math.abs(turn[i]) / 2));
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
                stretches.add(new Stretch(a.x() + cut[i] * StrictMath.cos(way), a.y() + cut[i] * StrictMath.sin(way), a.z() + rise * cut[i], rise, way, straight, 0));
            }
            if (cut[i + 1] > 0) {
                var radius = cut[i + 1] / StrictMath.tan(Math.abs(turn[i + 1]) / 2);
                var length = radius * Math.abs(turn[i + 1]);
                var from = whole - cut[i + 1];
                var next = points.get((i + 1) % n + 1);
                var height = a.z() + rise * from;
                var on = flat(b, next);
                var end = b.z() + (on == 0 ? 0 : (next.z() - b.z()) / on * cut[i + 1]);
                stretches.add(new Stretch(a.x() + from * StrictMath.cos(way), a.y() + from * StrictMath.sin(way), height, (end - height) / length, way, length, Math.signum(turn[i + 1]) / radius));
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
        var length = Math.round(stretches.stream().mapToDouble(Stretch::length).sum());
        var own = bodies.get(0).size().x();
        var laid = closed ? pace.around(length, own) : pace.along(length, own, false);
        var near = pace.kind() == Pace.Kind.SIDE_BY_SIDE ? own / 2 : 0;
        var stretch = 0;
        var before = 0.0;
        for (var i = 0; i < laid.count(); i++) {
            var at = laid.at(i) + near;
            while (stretch + 1 < stretches.size() && before + stretches.get(stretch).length() < at) {
                before += stretches.get(stretch++).length();
            }
            var p = stretches.get(stretch).at(Math.min(at - before, stretches.get(stretch).length()));
            put(spots, 2L * i, i, bodies, p, aside.um(), variation.mirrors(i), near);
            if (both) {
                put(spots, 2L * i + 1, i, bodies, p, -aside.um(), !variation.mirrors(i), near);
            }
        }
    }

    /** To the right of the path by so much. */
    private void put(Spots spots, long key, int number, List<Box> bodies, double[] p, long right, boolean mirrored, long near) {
        var pick = variation.pick(number, bodies.size());
        var middle = near == 0 ? 0 : (bodies.get(pick).min().x() + bodies.get(pick).max().x()) / 2.0;
        var x = Math.round(p[0] + right * StrictMath.sin(p[3]) - middle * StrictMath.cos(p[3]));
        var y = Math.round(p[1] - right * StrictMath.cos(p[3]) - middle * StrictMath.sin(p[3]));
        var degrees = Math.toDegrees(p[3]);
        var quarters = Math.round(degrees / 90);
        var exact = Math.abs(degrees - 90 * quarters) < 1e-9;
        spots.at(key, 0, pick, x, y, Math.round(p[2]), (int) ((exact ? quarters : 0) + variation.quarters(number) & 3), exact ? 0 : Math.IEEEremainder(degrees, 360), mirrored);
    }

    @Override
    public Trail movedBy(Vec by) {
        return new Trail(path.stream().map(p -> p.plus(by)).toList(), closed, bend, pace, aside, both, variation);
    }

    @Override
    public String label() {
        return "Trail";
    }
}
