package hausbau.core.shape;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An outline pushed along a line of straight stretches, mitred where it bends; open with two caps, or closed.
 *
 * <p>The outline's X goes to the right of the line's direction and its Y up, or north where the line begins upright; it is
 * turned no more than the line itself turns. The surface is laid out along the line, without stretch.
 */
public final class Sweep {

    /** Bends less than this are those of an arc: the surface is smooth over them. */
    private static final double SOFT = Math.toRadians(25);

    private static final Point UP = new Point(0, 0, 1);
    private static final Point NORTH = new Point(0, 1, 0);

    /** A corner of a line, rounded by a radius of 0 or more, millimetres. */
    public record Corner(Point at, double radius) {}

    /** The axes of the outline on one stretch. */
    private record Frame(Point along, Point right, Point up) {

        static Frame first(Point along) {
            var reference = Math.abs(along.z()) < 0.999 ? UP : NORTH;
            var up = reference.minus(along.times(reference.dot(along))).unit();
            return new Frame(along, along.cross(up), up);
        }

        /** Turned as little as leads into another direction. */
        Frame into(Point direction) {
            var axis = along.cross(direction);
            var sin = axis.length();
            if (sin < 1e-12) {
                return new Frame(direction, right, up);
            }
            var unit = axis.times(1 / sin);
            var cos = along.dot(direction);
            return new Frame(direction, turned(right, unit, cos, sin), turned(up, unit, cos, sin));
        }

        private static Point turned(Point p, Point axis, double cos, double sin) {
            return p.times(cos).plus(axis.cross(p).times(sin)).plus(axis.times(axis.dot(p) * (1 - cos)));
        }

        Point of(Ring.At at) {
            return right.times(at.x()).plus(up.times(at.y()));
        }
    }

    private final List<Point> line;
    private final List<Frame> frames = new ArrayList<>();
    private final boolean closed;

    private Sweep(List<Point> line, boolean closed) {
        this.line = line;
        this.closed = closed;
        for (var i = 0; i < stretches(); i++) {
            var along = line.get((i + 1) % line.size()).minus(line.get(i)).unit();
            frames.add(i == 0 ? Frame.first(along) : frames.get(i - 1).into(along));
        }
        var last = frames.get(frames.size() - 1);
        if (closed && last.into(frames.get(0).along()).up().dot(frames.get(0).up()) < 1 - 1e-9) {
            throw new IllegalArgumentException("a closed path does not come round to the way that the profile began");
        }
    }

    /**
     * A line with its corners rounded.
     *
     * @param tolerance how far a chord may lie from its arc, millimetres
     * @throws IllegalArgumentException if two arcs need more than the stretch between them, or a corner turns right back
     */
    public static List<Point> line(List<Corner> corners, boolean closed, double tolerance) {
        var n = corners.size();
        var line = new ArrayList<Point>();
        for (var i = 0; i < n; i++) {
            var p = corners.get(i).at();
            var radius = corners.get(i).radius();
            if (!closed && (i == 0 || i == n - 1)) {
                add(line, p);
                continue;
            }
            var before = corners.get((i + n - 1) % n);
            var after = corners.get((i + 1) % n);
            var bend = Fillet.bend(before.at(), p, after.at());
            if (bend > Math.toRadians(175)) {
                throw new IllegalArgumentException("the line turns right back at its corner " + (i + 1));
            }
            if (radius == 0 || bend < 1e-9) {
                add(line, p);
                continue;
            }
            requireRoom(corners, i, closed);
            Fillet.arc(before.at(), p, after.at(), radius, Fillet.segments(radius, bend, tolerance))
                    .forEach(at -> add(line, at));
        }
        if (closed && line.get(line.size() - 1).minus(line.get(0)).length() < 1e-6) {
            line.remove(line.size() - 1);
        }
        return line;
    }

    private static void add(List<Point> line, Point at) {
        if (line.isEmpty() || line.get(line.size() - 1).minus(at).length() > 1e-6) {
            line.add(at);
        }
    }

    private static double reach(List<Corner> corners, int i, boolean closed) {
        var n = corners.size();
        return !closed && (i == 0 || i == n - 1)
                ? 0
                : Fillet.reach(
                        corners.get((i + n - 1) % n).at(),
                        corners.get(i).at(),
                        corners.get((i + 1) % n).at(),
                        corners.get(i).radius());
    }

    private static void requireRoom(List<Corner> corners, int i, boolean closed) {
        var n = corners.size();
        for (var j : new int[] {(i + n - 1) % n, (i + 1) % n}) {
            if (reach(corners, i, closed) + reach(corners, j, closed)
                    > corners.get(i).at().minus(corners.get(j).at()).length() + 1e-6) {
                throw new IllegalArgumentException(
                        "the corner " + (i + 1) + " is rounded by more than the stretches beside it are long");
            }
        }
    }

    /**
     * @param rings the outline, then its holes
     * @param line  2 points or more, 3 where it is closed; no two alike beside one another
     * @throws IllegalArgumentException if the outline does not come round to itself along a closed line that leaves its plane, or a stretch is too short for the outline's mitres
     */
    public static void add(Faces faces, List<Ring> rings, List<Point> line, boolean closed) {
        new Sweep(line, closed).add(faces, rings);
    }

    private int stretches() {
        return closed ? line.size() : line.size() - 1;
    }

    private void add(Faces faces, List<Ring> rings) {
        for (var ring : rings) {
            var along = 0.0;
            for (var s = 0; s < stretches(); s++) {
                stretch(faces, ring, s, along);
                along += line.get((s + 1) % line.size()).minus(line.get(s)).length();
            }
        }
        if (!closed) {
            var cap = Cap.of(rings);
            cap.add(faces, at -> section(0, frames.get(0), at, null), false);
            var last = frames.get(frames.size() - 1);
            cap.add(faces, at -> section(line.size() - 1, last, at, null), true);
        }
    }

    private void stretch(Faces faces, Ring ring, int s, double along) {
        var frame = frames.get(s);
        var from = joint(s);
        var to = joint(s + 1);
        var next = (s + 1) % line.size();
        var across = 0.0;
        for (var i = 0; i < ring.size(); i++) {
            var a = ring.point(i);
            var b = ring.point(i + 1);
            var corners = new Point[] {
                section(s, frame, a, from),
                section(next, frame, a, to),
                section(next, frame, b, to),
                section(s, frame, b, from)
            };
            if (corners[1].minus(corners[0]).dot(frame.along()) <= 1e-6) {
                throw new IllegalArgumentException(
                        "the profile is too wide for the bends beside stretch " + (s + 1) + " of its path");
            }
            var n = ring.normals(i);
            var width = b.minus(a).length();
            var laid = new Faces.Laid[4];
            for (var k = 0; k < 4; k++) {
                laid[k] = new Faces.Laid(
                        along + corners[k].minus(line.get(s)).dot(frame.along()), k < 2 ? across : across + width);
            }
            faces.face(
                    corners,
                    new Point[] {
                        normal(frame, n[0], from),
                        normal(frame, n[0], to),
                        normal(frame, n[1], to),
                        normal(frame, n[1], from)
                    },
                    laid);
            across += width;
        }
    }

    /** The frames that meet where a stretch begins; null at an open end. */
    private Frame @Nullable [] joint(int at) {
        var i = closed ? at % line.size() : at;
        return !closed && (i == 0 || i == line.size() - 1)
                ? null
                : new Frame[] {frames.get((i + frames.size() - 1) % frames.size()), frames.get(i)};
    }

    /** Where a point of the outline lies on the mitre, or on the cap where there is none. */
    private Point section(int at, Frame frame, Ring.At point, Frame @Nullable [] joint) {
        var off = frame.of(point);
        if (joint != null) {
            var mitre = joint[0].along().plus(joint[1].along()).unit();
            off = off.minus(frame.along().times(off.dot(mitre) / frame.along().dot(mitre)));
        }
        return line.get(at).plus(off);
    }

    private static Point normal(Frame frame, Ring.At normal, Frame @Nullable [] joint) {
        if (joint == null || joint[0].along().dot(joint[1].along()) <= Math.cos(SOFT)) {
            return frame.of(normal);
        }
        return joint[0].of(normal).plus(joint[1].of(normal)).unit();
    }
}
