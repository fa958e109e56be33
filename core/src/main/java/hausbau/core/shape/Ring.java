package hausbau.core.shape;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;

/**
 * A closed line in a plane, its arcs flattened; it knows where it is round. Material lies to its left.
 *
 * @param points  no two alike beside one another
 * @param before  of each point, the outward normal that the edge before it carries there
 * @param after   the same of the edge after it
 */
public record Ring(List<At> points, List<At> before, List<At> after) {

    private static final GeometryFactory GEOMETRY = new GeometryFactory();
    /** A sharp corner that bends by less is seen as round. Common practice 15 to 30 degrees, no source. */
    private static final double ROUND = Math.toRadians(16);

    /** A point or a direction of the plane, millimetres. */
    public record At(double x, double y) {

        At minus(At o) {
            return new At(x - o.x, y - o.y);
        }

        double dot(At o) {
            return x * o.x + y * o.y;
        }

        double length() {
            return Math.hypot(x, y);
        }
    }

    /** A corner of an outline, rounded by a radius of 0 or more, millimetres. */
    public record Corner(double x, double y, double radius) {

        public Corner(double x, double y) {
            this(x, y, 0);
        }

        private Point point() {
            return new Point(x, y, 0);
        }
    }

    /**
     * @param corners   3 or more in either direction
     * @param isHole    whether material lies outside
     * @param tolerance how far a chord may lie from its arc, millimetres
     * @throws IllegalArgumentException if two rounded corners need more than the side between them
     */
    public static Ring of(List<Corner> corners, boolean isHole, double tolerance) {
        return of(corners, isHole, Bevel.chamfer(0), tolerance);
    }

    /** The same with its sharp corners cut by a bevel, where there is room. */
    public static Ring of(List<Corner> corners, boolean isHole, Bevel bevel, double tolerance) {
        var ring = new ArrayList<>(corners);
        if (area(ring) > 0 == isHole) {
            Collections.reverse(ring);
        }
        var n = ring.size();
        var points = new ArrayList<At>();
        var before = new ArrayList<At>();
        var after = new ArrayList<At>();
        for (var i = 0; i < n; i++) {
            var a = ring.get((i + n - 1) % n);
            var p = ring.get(i);
            var b = ring.get((i + 1) % n);
            var bend = Fillet.bend(a.point(), p.point(), b.point());
            var in = outward(a, p);
            var out = outward(p, b);
            if (p.radius() == 0 && bend > 1e-9 && bend < ROUND) {
                // A chord of something round that came as corners.
                var normal = turned(in, Math.signum(in.x() * out.y() - in.y() * out.x()) * bend / 2);
                points.add(new At(p.x(), p.y()));
                before.add(normal);
                after.add(normal);
                continue;
            }
            var radius = p.radius() > 0 ? p.radius() : width(bevel, a, p, b) / Math.tan(bend / 2);
            if (bend < 1e-9 || !(radius > 0)) {
                points.add(new At(p.x(), p.y()));
                before.add(in);
                after.add(out);
                continue;
            }
            if (p.radius() > 0) {
                requireRoom(ring, i);
            }
            var segments = p.radius() > 0 ? Fillet.segments(radius, bend, tolerance) : bevel.segments();
            var arc = Fillet.arc(a.point(), p.point(), b.point(), radius, segments);
            var turn = Math.signum(in.x() * out.y() - in.y() * out.x());
            for (var k = 0; k <= segments; k++) {
                var at = new At(arc.get(k).x(), arc.get(k).y());
                var normal = k == 0 ? in : k == segments ? out : turned(in, turn * bend * k / segments);
                if (!points.isEmpty() && points.get(points.size() - 1).minus(at).length() < 1e-6) {
                    after.set(after.size() - 1, normal);
                    continue;
                }
                points.add(at);
                before.add(normal);
                after.add(normal);
            }
        }
        var last = points.size() - 1;
        if (points.get(last).minus(points.get(0)).length() < 1e-6) {
            before.set(0, before.get(last));
            points.remove(last);
            before.remove(last);
            after.remove(last);
        }
        return new Ring(points, before, after);
    }

    private static double width(Bevel bevel, Corner a, Corner p, Corner b) {
        return Math.min(
                bevel.width(),
                Math.min(Math.hypot(a.x() - p.x(), a.y() - p.y()), Math.hypot(b.x() - p.x(), b.y() - p.y())) / 4);
    }

    private static void requireRoom(List<Corner> ring, int at) {
        var n = ring.size();
        var next = (at + 1) % n;
        var reach = Fillet.reach(
                        ring.get((at + n - 1) % n).point(),
                        ring.get(at).point(),
                        ring.get(next).point(),
                        ring.get(at).radius())
                + Fillet.reach(
                        ring.get(at).point(),
                        ring.get(next).point(),
                        ring.get((at + 2) % n).point(),
                        ring.get(next).radius());
        if (reach > ring.get(next).point().minus(ring.get(at).point()).length() + 1e-6) {
            throw new IllegalArgumentException("the corners " + (at + 1) + " and " + (next + 1)
                    + " are rounded by more than the side between them");
        }
    }

    private static double area(List<Corner> ring) {
        var area = 0.0;
        for (var i = 0; i < ring.size(); i++) {
            var a = ring.get(i);
            var b = ring.get((i + 1) % ring.size());
            area += a.x() * b.y() - b.x() * a.y();
        }
        return area / 2;
    }

    private static At turned(At d, double angle) {
        return new At(
                d.x() * Math.cos(angle) - d.y() * Math.sin(angle), d.x() * Math.sin(angle) + d.y() * Math.cos(angle));
    }

    private static At outward(Corner a, Corner b) {
        var length = Math.hypot(b.x() - a.x(), b.y() - a.y());
        return new At((b.y() - a.y()) / length, -(b.x() - a.x()) / length);
    }

    public int size() {
        return points.size();
    }

    At point(int i) {
        return points.get(i % size());
    }

    /** The outward normals that the edge after this point carries at its two ends. */
    At[] normals(int i) {
        return new At[] {after.get(i), before.get((i + 1) % size())};
    }

    /** The flat normal of the edge after this point. */
    private At flat(int i) {
        var a = point(i);
        var b = point(i + 1);
        return outward(new Corner(a.x(), a.y()), new Corner(b.x(), b.y()));
    }

    /** Every edge moved into the material by the distance, mitred. */
    Ring inset(double by) {
        if (by == 0) {
            return this;
        }
        var moved = new ArrayList<At>();
        for (var i = 0; i < size(); i++) {
            var n1 = flat((i + size() - 1) % size());
            var n2 = flat(i);
            var scale = by / (1 + n1.dot(n2));
            moved.add(new At(point(i).x() - (n1.x() + n2.x()) * scale, point(i).y() - (n1.y() + n2.y()) * scale));
        }
        return new Ring(moved, before, after);
    }

    /** Whether its edges still point the way of the other's, which it is an inset of. */
    boolean runsAlong(Ring other) {
        for (var i = 0; i < size(); i++) {
            if (point(i + 1).minus(point(i)).dot(other.point(i + 1).minus(other.point(i))) <= 0) {
                return false;
            }
        }
        return true;
    }

    /** For the reference library's use. */
    public LinearRing toJts() {
        var coordinates = new Coordinate[size() + 1];
        for (var i = 0; i <= size(); i++) {
            coordinates[i] = new Coordinate(point(i).x(), point(i).y());
        }
        return GEOMETRY.createLinearRing(coordinates);
    }
}
