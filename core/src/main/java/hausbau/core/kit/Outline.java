package hausbau.core.kit;

import hausbau.core.measure.Refused;
import hausbau.core.plane.Loop;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.shape.Ring;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.valid.IsValidOp;

/**
 * A closed line in a plane, µm, its corners sharp or rounded.
 *
 * @param corners 3 to 500, in either direction
 */
public record Outline(List<Corner> corners) {

    /** How far a chord may lie from its arc. */
    static final double TOLERANCE_MM = 0.5;

    private static final int MOST = 500;
    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    /** @param radius that the corner is rounded by, 0 or more */
    public record Corner(long x, long y, long radius) {

        private Ring.Corner millimetres() {
            return new Ring.Corner(x / 1000.0, y / 1000.0, radius / 1000.0);
        }
    }

    /** @throws Refused if it crosses or touches itself, encloses nothing, or is rounded by more than its sides allow */
    public Outline {
        corners = List.copyOf(corners);
        if (corners.size() < 3 || corners.size() > MOST) {
            throw new Refused("outline", "An outline has 3 to 500 corners.");
        }
        for (var i = 0; i < corners.size(); i++) {
            var a = corners.get(i);
            var b = corners.get((i + 1) % corners.size());
            if (a.x() == b.x() && a.y() == b.y()) {
                throw new Refused(
                        "outline",
                        "Corners " + (i + 1) + " and " + ((i + 1) % corners.size() + 1)
                                + " of the outline are in the same place.");
            }
            if (a.radius() < 0) {
                throw new Refused("outline", "A corner is rounded by 0 or more.");
            }
        }
        polygon(ring(corners, false, TOLERANCE_MM));
    }

    static Outline rectangle(long x0, long y0, long x1, long y1) {
        return new Outline(
                List.of(new Corner(x0, y0, 0), new Corner(x1, y0, 0), new Corner(x1, y1, 0), new Corner(x0, y1, 0)));
    }

    private static Ring ring(List<Corner> corners, boolean isHole, double tolerance) {
        try {
            return Ring.of(corners.stream().map(Corner::millimetres).toList(), isHole, tolerance);
        } catch (IllegalArgumentException e) {
            throw new Refused("outline", "Of the outline, " + e.getMessage() + ".");
        }
    }

    private static org.locationtech.jts.geom.Polygon polygon(Ring ring) {
        var polygon = GEOMETRY.createPolygon(ring.toJts());
        if (polygon.getArea() < 1e-6 || !new IsValidOp(polygon).isValid()) {
            throw new Refused("outline", "The outline crosses or touches itself, or encloses nothing.");
        }
        return polygon;
    }

    Ring ring(boolean isHole) {
        return ring(corners, isHole, TOLERANCE_MM);
    }

    /** @param tolerance how far a chord may lie from its arc, millimetres */
    Ring ring(boolean isHole, double tolerance) {
        return ring(corners, isHole, tolerance);
    }

    List<Ring.Corner> millimetres() {
        return corners.stream().map(Corner::millimetres).toList();
    }

    /** @throws Refused if the holes do not lie inside, apart from one another */
    public void requireInside(List<Outline> holes) {
        var outer = polygon(ring(false));
        var cut = holes.stream().map(h -> polygon(h.ring(false))).toList();
        for (var i = 0; i < cut.size(); i++) {
            if (!outer.contains(cut.get(i)) || cut.get(i).distance(outer.getExteriorRing()) == 0) {
                throw new Refused("holes", "Hole " + (i + 1) + " does not lie inside the outline.");
            }
            for (var j = 0; j < i; j++) {
                if (cut.get(i).distance(cut.get(j)) == 0) {
                    throw new Refused("holes", "Holes " + (j + 1) + " and " + (i + 1) + " touch.");
                }
            }
        }
    }

    Rect extent() {
        var ring = ring(false).points();
        return new Rect(
                Math.round(1000 * ring.stream().mapToDouble(Ring.At::x).min().orElseThrow()),
                Math.round(1000 * ring.stream().mapToDouble(Ring.At::y).min().orElseThrow()),
                Math.round(1000 * ring.stream().mapToDouble(Ring.At::x).max().orElseThrow()),
                Math.round(1000 * ring.stream().mapToDouble(Ring.At::y).max().orElseThrow()));
    }

    /** Rectangles that hold it: exactly those it is made of where it is right-angled, one otherwise. */
    List<Rect> rects() {
        return isRightAngled()
                ? Region.inside(List.of(new Loop(corners.stream()
                                .map(c -> new Loop.Corner(c.x(), c.y()))
                                .toList())))
                        .rects()
                : List.of(extent());
    }

    boolean isRightAngled() {
        var n = corners.size();
        return IntStream.range(0, n).allMatch(i -> {
            var a = corners.get(i);
            var b = corners.get((i + 1) % n);
            return a.radius() == 0 && (a.x() == b.x() || a.y() == b.y());
        });
    }

    /** The outlines of a right-angled region, each followed by nothing but its own holes. */
    static List<List<Outline>> of(Region region) {
        var outer = new ArrayList<List<Outline>>();
        var holes = new ArrayList<Outline>();
        for (var loop : region.loops()) {
            var outline = new Outline(loop.corners().stream()
                    .map(c -> new Corner(c.x(), c.y(), 0))
                    .toList());
            // A region lies to the right of its loops.
            if (outline.twiceArea() < 0) {
                outer.add(new ArrayList<>(List.of(outline)));
            } else {
                holes.add(outline);
            }
        }
        for (var hole : holes) {
            var within = polygon(hole.ring(false));
            outer.stream()
                    .filter(o -> polygon(o.get(0).ring(false)).contains(within))
                    .findFirst()
                    .orElseThrow()
                    .add(hole);
        }
        return outer;
    }

    private long twiceArea() {
        return LongStream.range(0, corners.size())
                .map(i -> {
                    var a = corners.get((int) i);
                    var b = corners.get((int) (i + 1) % corners.size());
                    return a.x() * b.y() - b.x() * a.y();
                })
                .sum();
    }
}
