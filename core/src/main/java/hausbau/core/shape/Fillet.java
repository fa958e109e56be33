package hausbau.core.shape;

import java.util.ArrayList;
import java.util.List;

/** Rounds corners of lines: an arc that touches both sides. */
final class Fillet {

    private Fillet() {}

    /** Segments of an arc so that no chord lies farther from it than the tolerance, and none bends by more than 22.5°. */
    static int segments(double radius, double angle, double tolerance) {
        var each = Math.min(Math.PI / 8, radius > tolerance ? 2 * Math.acos(1 - tolerance / radius) : Math.PI);
        return Math.max(1, (int) Math.ceil(angle / each - 1e-9));
    }

    /** How far from a corner the arc begins; 0 where the line goes straight on. */
    static double reach(Point before, Point corner, Point after, double radius) {
        return radius * Math.tan(bend(before, corner, after) / 2);
    }

    /** By how much a line turns at a corner, 0 to π. */
    static double bend(Point before, Point corner, Point after) {
        var a = corner.minus(before);
        var b = after.minus(corner);
        return Math.atan2(a.cross(b).length(), a.dot(b));
    }

    /** The arc at a corner, from where it leaves the first side to where it joins the second; segments + 1 points. */
    static List<Point> arc(Point before, Point corner, Point after, double radius, int segments) {
        var in = corner.minus(before).unit();
        var out = after.minus(corner).unit();
        var bend = bend(before, corner, after);
        var reach = radius * Math.tan(bend / 2);
        var from = corner.minus(in.times(reach));
        var inward = out.minus(in.times(in.dot(out))).unit();
        var centre = from.plus(inward.times(radius));
        var points = new ArrayList<Point>();
        for (var i = 0; i <= segments; i++) {
            var angle = bend * i / segments;
            points.add(centre.plus(inward.times(-radius * Math.cos(angle))).plus(in.times(radius * Math.sin(angle))));
        }
        points.set(segments, corner.plus(out.times(reach)));
        return points;
    }
}
