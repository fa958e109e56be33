package hausbau.core.shape;

import hausbau.core.shape.Ring.At;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

/** Lines that are drawn with curves, as corners. */
public final class Contours {

    /** A curve bends by less from chord to chord: {@link Ring} takes such a corner for round. */
    private static final double BEND = Math.toRadians(15);

    private static final int MOST_CHORDS = 256;
    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    private final List<Line> lines = new ArrayList<>();
    private final double tolerance;

    private Contours(double tolerance) {
        this.tolerance = tolerance;
    }

    /** @param isClosed whether it is said to be, or comes back to where it began */
    public record Line(List<At> points, boolean isClosed) {}

    /**
     * @param tolerance how far a chord may lie from its curve, in what the transform makes
     * @return each line's corners, none beside one like it, and without the first one at the end
     */
    public static List<Line> of(Shape shape, AffineTransform transform, double tolerance) {
        var contours = new Contours(tolerance);
        contours.read(shape.getPathIterator(transform));
        return contours.lines;
    }

    private void read(PathIterator path) {
        var c = new double[6];
        List<At> points = new ArrayList<>();
        for (; !path.isDone(); path.next()) {
            switch (path.currentSegment(c)) {
                case PathIterator.SEG_MOVETO -> {
                    end(points, false);
                    points = new ArrayList<>(List.of(new At(c[0], c[1])));
                }
                case PathIterator.SEG_LINETO -> points.add(new At(c[0], c[1]));
                case PathIterator.SEG_QUADTO -> {
                    var a = points.get(points.size() - 1);
                    curve(
                            points,
                            a,
                            new At(a.x() + (c[0] - a.x()) * 2 / 3, a.y() + (c[1] - a.y()) * 2 / 3),
                            new At(c[2] + (c[0] - c[2]) * 2 / 3, c[3] + (c[1] - c[3]) * 2 / 3),
                            new At(c[2], c[3]));
                }
                case PathIterator.SEG_CUBICTO ->
                    curve(
                            points,
                            points.get(points.size() - 1),
                            new At(c[0], c[1]),
                            new At(c[2], c[3]),
                            new At(c[4], c[5]));
                default -> {
                    var first = points.get(0);
                    end(points, true);
                    points = new ArrayList<>(List.of(first));
                }
            }
        }
        end(points, false);
    }

    private void end(List<At> points, boolean isClosed) {
        var corners = new ArrayList<At>();
        for (var p : points) {
            if (corners.isEmpty() || corners.get(corners.size() - 1).minus(p).length() > 1e-4) {
                corners.add(p);
            }
        }
        var returns = corners.size() > 2
                && corners.get(0).minus(corners.get(corners.size() - 1)).length() <= 1e-4;
        if (returns) {
            corners.remove(corners.size() - 1);
        }
        if (corners.size() > 1) {
            lines.add(new Line(corners, isClosed || returns));
        }
    }

    /** As many even chords as keep within the tolerance (the second differences bound how far a chord strays), and bend by little each. */
    private void curve(List<At> points, At a, At b, At c, At d) {
        var bent = Math.max(
                Math.hypot(a.x() - 2 * b.x() + c.x(), a.y() - 2 * b.y() + c.y()),
                Math.hypot(b.x() - 2 * c.x() + d.x(), b.y() - 2 * c.y() + d.y()));
        var turn = angle(a, b, b, c) + angle(b, c, c, d);
        var chords = (int) Math.min(
                MOST_CHORDS, Math.max(1, Math.ceil(Math.max(Math.sqrt(0.75 * bent / tolerance), 1.5 * turn / BEND))));
        for (var i = 1; i <= chords; i++) {
            var t = (double) i / chords;
            var s = 1 - t;
            points.add(new At(
                    s * s * s * a.x() + 3 * s * s * t * b.x() + 3 * s * t * t * c.x() + t * t * t * d.x(),
                    s * s * s * a.y() + 3 * s * s * t * b.y() + 3 * s * t * t * c.y() + t * t * t * d.y()));
        }
    }

    private static double angle(At a, At b, At c, At d) {
        var x = b.minus(a);
        var y = d.minus(c);
        return x.length() == 0 || y.length() == 0
                ? 0
                : Math.acos(Math.max(-1, Math.min(1, x.dot(y) / x.length() / y.length())));
    }

    /** Loops as bodies, by the even-odd rule: each an outline, then the holes right inside it. */
    public static List<List<List<At>>> bodies(List<List<At>> loops) {
        var polygons = loops.stream().map(Contours::polygon).toList();
        var bodies = new ArrayList<List<List<At>>>();
        for (var i = 0; i < loops.size(); i++) {
            if (around(i, polygons).size() % 2 == 0) {
                var body = new ArrayList<>(List.of(loops.get(i)));
                for (var j = 0; j < loops.size(); j++) {
                    var around = around(j, polygons);
                    if (around.size() % 2 == 1
                            && around.stream()
                                            .min(Comparator.comparingDouble(
                                                    k -> polygons.get(k).getArea()))
                                            .orElseThrow()
                                    == i) {
                        body.add(loops.get(j));
                    }
                }
                bodies.add(body);
            }
        }
        return bodies;
    }

    private static List<Integer> around(int loop, List<Polygon> polygons) {
        var around = new ArrayList<Integer>();
        for (var i = 0; i < polygons.size(); i++) {
            if (i != loop
                    && polygons.get(i).getArea() > polygons.get(loop).getArea()
                    && polygons.get(i).contains(polygons.get(loop).getInteriorPoint())) {
                around.add(i);
            }
        }
        return around;
    }

    private static Polygon polygon(List<At> loop) {
        var coordinates = new Coordinate[loop.size() + 1];
        for (var i = 0; i <= loop.size(); i++) {
            coordinates[i] = new Coordinate(
                    loop.get(i % loop.size()).x(), loop.get(i % loop.size()).y());
        }
        return GEOMETRY.createPolygon(coordinates);
    }
}
