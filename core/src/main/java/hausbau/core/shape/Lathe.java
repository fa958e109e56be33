package hausbau.core.shape;

import java.util.List;

/**
 * A profile turned about an upright axis. Faces are smooth around the axis and between profile sections that bend less
 * than {@link #SMOOTH_DEGREES}; sharper bends keep a hard edge.
 *
 * <p>Precondition: the profile runs upward on its outer side, from a point on the axis to a point on the axis, with
 * every radius between above 0; it then encloses a closed body.
 */
public final class Lathe {

    static final double SMOOTH_DEGREES = 35;

    private Lathe() {}

    /** @param radius and @param z in millimetres */
    public record Station(double radius, double z) {}

    /** @param axis a point on the axis; its z is added to the profile's, @param sides at least 3 */
    public static void add(Faces faces, Point axis, List<Station> profile, int sides) {
        for (var i = 0; i + 1 < profile.size(); i++) {
            var lower = profile.get(i);
            var upper = profile.get(i + 1);
            var own = slope(lower, upper);
            var below = i == 0 ? own : softened(own, slope(profile.get(i - 1), lower));
            var above = i + 2 == profile.size() ? own : softened(own, slope(upper, profile.get(i + 2)));
            for (var s = 0; s < sides; s++) {
                band(faces, axis, lower, upper, below, above, angle(s, sides), angle((s + 1) % sides, sides));
            }
        }
    }

    private static double angle(int side, int sides) {
        return 2 * Math.PI * side / sides;
    }

    private static void band(
            Faces faces,
            Point axis,
            Station lower,
            Station upper,
            Station below,
            Station above,
            double from,
            double to) {
        var a = at(axis, lower, from);
        var b = at(axis, lower, to);
        var c = at(axis, upper, to);
        var d = at(axis, upper, from);
        var na = turned(below, from);
        var nb = turned(below, to);
        var nc = turned(above, to);
        var nd = turned(above, from);
        if (lower.radius() == 0) {
            faces.face(new Point[] {a, c, d}, new Point[] {na, nc, nd});
        } else if (upper.radius() == 0) {
            faces.face(new Point[] {a, b, c}, new Point[] {na, nb, nc});
        } else {
            faces.face(new Point[] {a, b, c, d}, new Point[] {na, nb, nc, nd});
        }
    }

    private static Point at(Point axis, Station s, double angle) {
        return new Point(
                axis.x() + s.radius() * Math.cos(angle), axis.y() + s.radius() * Math.sin(angle), axis.z() + s.z());
    }

    /** The profile's outward normal: radius and z of the direction. */
    private static Station slope(Station a, Station b) {
        var length = Math.hypot(b.radius() - a.radius(), b.z() - a.z());
        return new Station((b.z() - a.z()) / length, (a.radius() - b.radius()) / length);
    }

    /** The mean of a section's normal and its neighbour's where the bend is soft, else the section's own. */
    private static Station softened(Station own, Station neighbour) {
        var dot = own.radius() * neighbour.radius() + own.z() * neighbour.z();
        if (dot < Math.cos(Math.toRadians(SMOOTH_DEGREES))) {
            return own;
        }
        var radius = own.radius() + neighbour.radius();
        var z = own.z() + neighbour.z();
        var length = Math.hypot(radius, z);
        return new Station(radius / length, z / length);
    }

    private static Point turned(Station normal, double angle) {
        return new Point(normal.radius() * Math.cos(angle), normal.radius() * Math.sin(angle), normal.z());
    }
}
