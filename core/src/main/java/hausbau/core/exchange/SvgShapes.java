package hausbau.core.exchange;

import hausbau.core.kit.Outline;
import hausbau.core.kit.Outline.Corner;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Contours;
import hausbau.core.shape.Ring.At;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.PathIterator;
import java.awt.geom.RoundRectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.batik.parser.AWTPathProducer;
import org.apache.batik.parser.ParseException;
import org.apache.batik.parser.PathParser;
import org.w3c.dom.Element;

/**
 * Reads the closed shapes of an SVG file, straight and round, with their holes: what profiles are pushed of, and prisms made.
 * What is no such shape is reported, one by one.
 */
public final class SvgShapes implements SvgTree.Taker {

    private final double millimetres;
    private final double tolerance;
    private final List<Found> found = new ArrayList<>();
    private final List<Report> reports = new ArrayList<>();

    private SvgShapes(double millimetres, double tolerance) {
        this.millimetres = millimetres;
        this.tolerance = tolerance;
    }

    /** @param name its id, or what it is and its number; @param rings the outline, then its holes, its least corner at the origin, up is up */
    public record Found(String name, List<List<Corner>> rings) {}

    /** Something that is no shape to take. @param where in the file, @param what about it */
    public record Report(String where, String what) {}

    public record Reading(List<Found> shapes, List<Report> reports) {}

    /**
     * @param unit      what one user unit of the file is, already scaled
     * @param tolerance how far a chord may lie from its arc; from a hundredth of a millimetre
     * @throws Refused if it is no SVG that can be read
     */
    public static Reading read(String svg, Length unit, Length tolerance) {
        if (!unit.isPositive()) {
            throw new Refused("unitMm", "A unit of the drawing must be longer than nothing.");
        }
        if (tolerance.um() < 10) {
            throw new Refused("toleranceMm", "A chord lies within 0.01 mm of its arc or more.");
        }
        var reading = new SvgShapes(unit.um() / 1000.0, tolerance.um() / 1000.0);
        SvgTree.read(svg, reading);
        return new Reading(List.copyOf(reading.found), List.copyOf(reading.reports));
    }

    @Override
    public void report(Element element, String what) {
        reports.add(new Report(SvgTree.where(element, found.size() + reports.size() + 1), what));
    }

    @Override
    public void shape(Element element, AffineTransform transform) {
        try {
            var drawn = drawn(element);
            if (drawn.isEmpty()) {
                report(element, "not a shape that can be taken");
                return;
            }
            // Up is up.
            var to = AffineTransform.getScaleInstance(millimetres, -millimetres);
            to.concatenate(transform);
            take(element, Contours.of(drawn.get(), to, tolerance));
        } catch (ParseException | NumberFormatException e) {
            report(element, "it cannot be read: " + e.getMessage());
        }
    }

    private static Optional<Shape> drawn(Element element) {
        return switch (SvgTree.name(element)) {
            case "path" -> Optional.of(path(element.getAttribute("d")));
            case "polygon" -> Optional.of(path("M" + element.getAttribute("points") + "z"));
            case "polyline" -> Optional.of(path("M" + element.getAttribute("points")));
            case "circle" -> {
                var r = SvgTree.number(element, "r");
                yield Optional.of(new Ellipse2D.Double(
                        SvgTree.number(element, "cx") - r, SvgTree.number(element, "cy") - r, 2 * r, 2 * r));
            }
            case "ellipse" -> {
                var rx = SvgTree.number(element, "rx");
                var ry = SvgTree.number(element, "ry");
                yield Optional.of(new Ellipse2D.Double(
                        SvgTree.number(element, "cx") - rx, SvgTree.number(element, "cy") - ry, 2 * rx, 2 * ry));
            }
            case "rect" -> {
                // Where only one is told, the other is the same.
                var rx = SvgTree.number(element, element.hasAttribute("rx") ? "rx" : "ry");
                var ry = SvgTree.number(element, element.hasAttribute("ry") ? "ry" : "rx");
                yield Optional.of(new RoundRectangle2D.Double(
                        SvgTree.number(element, "x"),
                        SvgTree.number(element, "y"),
                        SvgTree.number(element, "width"),
                        SvgTree.number(element, "height"),
                        2 * rx,
                        2 * ry));
            }
            default -> Optional.empty();
        };
    }

    private static Shape path(String d) {
        var producer = new Paths();
        producer.setWindingRule(PathIterator.WIND_EVEN_ODD);
        var parser = new PathParser();
        parser.setPathHandler(producer);
        parser.parse(d);
        return producer.getShape();
    }

    /** Arcs as the standard has them (SVG 2, appendix B.2.4): the library's own makes the radius of a half circle larger, and so its rise too small by a half of a hundredth. */
    private static final class Paths extends AWTPathProducer {

        @Override
        public void arcRel(float rx, float ry, float turned, boolean large, boolean sweep, float x, float y) {
            arcAbs(rx, ry, turned, large, sweep, currentX + x, currentY + y);
        }

        @Override
        public void arcAbs(float rx, float ry, float turned, boolean large, boolean sweep, float x, float y) {
            if (rx == 0 || ry == 0) {
                linetoAbs(x, y);
                return;
            }
            var cos = Math.cos(Math.toRadians(turned));
            var sin = Math.sin(Math.toRadians(turned));
            var halfX = (currentX - x) / 2.0;
            var halfY = (currentY - y) / 2.0;
            // In the ellipse's own axes, in units of its radii: the start from the middle between both ends.
            var px = (cos * halfX + sin * halfY) / Math.abs(rx);
            var py = (-sin * halfX + cos * halfY) / Math.abs(ry);
            var apart = Math.hypot(px, py);
            if (apart == 0) {
                return;
            }
            var grown = Math.max(1, apart);
            px /= grown;
            py /= grown;
            var off = Math.sqrt(Math.max(0, 1 / (px * px + py * py) - 1)) * (large == sweep ? -1 : 1);
            var cx = off * py;
            var cy = -off * px;
            var from = Math.atan2(py - cy, px - cx);
            var over = Math.atan2(-py - cy, -px - cx) - from;
            over += sweep && over < 0 ? 2 * Math.PI : !sweep && over > 0 ? -2 * Math.PI : 0;
            var toPlane = new AffineTransform(
                    cos * Math.abs(rx) * grown,
                    sin * Math.abs(rx) * grown,
                    -sin * Math.abs(ry) * grown,
                    cos * Math.abs(ry) * grown,
                    (currentX + x) / 2.0,
                    (currentY + y) / 2.0);
            var pieces = (int) Math.ceil(Math.abs(over) / (Math.PI / 4) - 1e-9);
            var reach = 4.0 / 3 * Math.tan(over / pieces / 4);
            for (var i = 0; i < pieces; i++) {
                var a = from + over * i / pieces;
                var b = from + over * (i + 1) / pieces;
                double[] c = {
                    cx + Math.cos(a) - reach * Math.sin(a),
                    cy + Math.sin(a) + reach * Math.cos(a),
                    cx + Math.cos(b) + reach * Math.sin(b),
                    cy + Math.sin(b) - reach * Math.cos(b),
                    cx + Math.cos(b),
                    cy + Math.sin(b)
                };
                toPlane.transform(c, 0, c, 0, 3);
                var isLast = i == pieces - 1;
                curvetoCubicAbs(
                        (float) c[0],
                        (float) c[1],
                        (float) c[2],
                        (float) c[3],
                        isLast ? x : (float) c[4],
                        isLast ? y : (float) c[5]);
            }
        }
    }

    private void take(Element element, List<Contours.Line> lines) {
        var open = lines.stream().filter(l -> !l.isClosed()).count();
        if (open > 0) {
            report(element, open == 1 ? "an open line" : open + " open lines");
        }
        var loops = lines.stream()
                .filter(l -> l.isClosed() && l.points().size() > 2)
                .map(Contours.Line::points)
                .toList();
        var bodies = Contours.bodies(loops);
        for (var body : bodies) {
            try {
                var rings = rings(body);
                new Outline(rings.get(0))
                        .requireInside(rings.stream().skip(1).map(Outline::new).toList());
                var id = element.getAttribute("id");
                var name = id.isEmpty() ? SvgTree.name(element) + " " + (found.size() + 1) : id;
                found.add(new Found(bodies.size() == 1 ? name : name + ", " + (bodies.indexOf(body) + 1), rings));
            } catch (Refused e) {
                report(element, String.valueOf(e.getMessage()));
            }
        }
    }

    private static List<List<Corner>> rings(List<List<At>> body) {
        var x = body.get(0).stream().mapToDouble(At::x).min().orElseThrow();
        var y = body.get(0).stream().mapToDouble(At::y).min().orElseThrow();
        return body.stream()
                .map(ring -> ring.stream()
                        .map(p -> new Corner(um(p.x() - x), um(p.y() - y), 0))
                        .toList())
                .toList();
    }

    private static long um(double millimetres) {
        if (!(Math.abs(millimetres) <= 1e6)) {
            throw new Refused("unitMm", "With this unit the shape would be wider than 1 km.");
        }
        return Math.round(millimetres * 1000);
    }
}
