package hausbau.core.exchange;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.plane.Loop;
import hausbau.core.plane.Region;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.batik.parser.DefaultPathHandler;
import org.apache.batik.parser.ParseException;
import org.apache.batik.parser.PathParser;
import org.w3c.dom.Element;

/**
 * Reads the right-angled outlines of an SVG file: rectangles, polygons, closed polylines and paths, within groups and transforms. What is no outline is reported,
 * one by one, and never dropped in silence.
 */
public final class SvgOutlines implements SvgTree.Taker {

    /** Coordinates are taken to whole steps of this, µm: what a drawing program rounds. */
    private static final long GRAIN = 100;

    private final double micrometres;
    private final List<Found> found = new ArrayList<>();
    private final List<Report> reports = new ArrayList<>();

    private SvgOutlines(double micrometres) {
        this.micrometres = micrometres;
    }

    /** One outline. @param name its id, or what it is and its number */
    public record Found(String name, Region region) {}

    /** Something that is no outline. @param where in the file, @param what about it */
    public record Report(String where, String what) {}

    /** @param outlines in the order of the file, @param reports on everything else that is drawn */
    public record Reading(List<Found> outlines, List<Report> reports) {}

    /**
     * @param unit what one user unit of the file is, already scaled
     * @throws Refused if it is no SVG that can be read
     */
    public static Reading read(String svg, Length unit) {
        if (!unit.isPositive()) {
            throw new Refused("unitMm", "A unit of the drawing must be longer than nothing.");
        }
        var reading = new SvgOutlines(unit.um());
        SvgTree.read(svg, reading);
        return new Reading(List.copyOf(reading.found), List.copyOf(reading.reports));
    }

    @Override
    public void shape(Element element, AffineTransform transform) {
        var drawn = new Drawn(element);
        try {
            switch (SvgTree.name(element)) {
                case "rect" -> {
                    if (SvgTree.number(element, "rx") > 0 || SvgTree.number(element, "ry") > 0) {
                        report(element, "its corners are rounded");
                        return;
                    }
                    var x = SvgTree.number(element, "x");
                    var y = SvgTree.number(element, "y");
                    var width = SvgTree.number(element, "width");
                    var height = SvgTree.number(element, "height");
                    drawn.path("M" + x + " " + y + "h" + width + "v" + height + "h" + -width + "z");
                }
                case "polygon" -> drawn.path("M" + element.getAttribute("points") + "z");
                case "polyline" -> drawn.path("M" + element.getAttribute("points"));
                case "path" -> drawn.path(element.getAttribute("d"));
                case "line" -> report(element, "a single line is no outline");
                case "circle", "ellipse" -> report(element, "it is round, and rooms are right-angled");
                case "text" -> report(element, "writing");
                default -> report(element, "not a shape that can be an outline");
            }
        } catch (ParseException | NumberFormatException e) {
            report(element, "it cannot be read: " + e.getMessage());
            return;
        }
        drawn.take(transform);
    }

    @Override
    public void report(Element element, String what) {
        reports.add(new Report(SvgTree.where(element, found.size() + reports.size() + 1), what));
    }

    /** One shape's lines as they come. */
    private final class Drawn extends DefaultPathHandler {

        private final Element element;
        private final List<List<Point2D>> lines = new ArrayList<>();
        private final List<Boolean> closed = new ArrayList<>();
        private int curves;
        private Point2D at = new Point2D.Double();

        Drawn(Element element) {
            this.element = element;
        }

        void path(String d) {
            var parser = new PathParser();
            parser.setPathHandler(this);
            parser.parse(d);
        }

        /** What turns by right angles is an outline; all else is told. */
        void take(AffineTransform transform) {
            if (curves > 0) {
                report(
                        element,
                        curves + (curves == 1 ? " arc or curve" : " arcs or curves") + ": rooms are right-angled");
                return;
            }
            var loops = new ArrayList<Loop>();
            for (var i = 0; i < lines.size(); i++) {
                loop(lines.get(i), closed.get(i), transform).ifPresent(loops::add);
            }
            if (!loops.isEmpty()) {
                var region = Region.inside(loops);
                if (region.isEmpty()) {
                    report(element, "there is no ground in it");
                } else {
                    var id = element.getAttribute("id");
                    found.add(new Found(id.isEmpty() ? SvgTree.name(element) + " " + (found.size() + 1) : id, region));
                }
            }
        }

        private Optional<Loop> loop(List<Point2D> line, boolean isClosed, AffineTransform transform) {
            var corners = new ArrayList<Loop.Corner>();
            for (var point : line) {
                var p = transform.transform(point, new Point2D.Double());
                var corner = new Loop.Corner(grain(p.getX()), -grain(p.getY()));
                if (corners.isEmpty() || !corners.get(corners.size() - 1).equals(corner)) {
                    corners.add(corner);
                }
            }
            var returns = corners.size() > 1 && corners.get(0).equals(corners.get(corners.size() - 1));
            if (returns) {
                corners.remove(corners.size() - 1);
            }
            if (!isClosed && !returns) {
                report(element, "an open line of " + corners.size() + " points");
                return Optional.empty();
            }
            for (var i = 0; i < corners.size(); i++) {
                var a = corners.get(i);
                var b = corners.get((i + 1) % corners.size());
                if (a.x() != b.x() && a.y() != b.y()) {
                    report(
                            element,
                            String.format(
                                    Locale.ROOT,
                                    "a slanted line from %s, %s to %s, %s mm",
                                    a.x() / 1000.0,
                                    a.y() / 1000.0,
                                    b.x() / 1000.0,
                                    b.y() / 1000.0));
                    return Optional.empty();
                }
            }
            if (corners.size() < 4) {
                report(element, "there is no ground in it");
                return Optional.empty();
            }
            return Optional.of(new Loop(corners));
        }

        private long grain(double v) {
            var um = v * micrometres;
            if (!(Math.abs(um) <= Length.LIMIT_UM)) {
                throw new Refused("unitMm", "With this unit the drawing would be wider than 1000 km.");
            }
            return Math.round(um / GRAIN) * GRAIN;
        }

        private void begin(double x, double y) {
            at = new Point2D.Double(x, y);
            lines.add(new ArrayList<>(List.of(at)));
            closed.add(false);
        }

        private void to(double x, double y) {
            if (!closed.isEmpty() && closed.get(closed.size() - 1)) {
                begin(at.getX(), at.getY());
            }
            at = new Point2D.Double(x, y);
            lines.get(lines.size() - 1).add(at);
        }

        @Override
        public void movetoAbs(float x, float y) {
            begin(x, y);
        }

        @Override
        public void movetoRel(float x, float y) {
            begin(at.getX() + x, at.getY() + y);
        }

        @Override
        public void linetoAbs(float x, float y) {
            to(x, y);
        }

        @Override
        public void linetoRel(float x, float y) {
            to(at.getX() + x, at.getY() + y);
        }

        @Override
        public void linetoHorizontalAbs(float x) {
            to(x, at.getY());
        }

        @Override
        public void linetoHorizontalRel(float x) {
            to(at.getX() + x, at.getY());
        }

        @Override
        public void linetoVerticalAbs(float y) {
            to(at.getX(), y);
        }

        @Override
        public void linetoVerticalRel(float y) {
            to(at.getX(), at.getY() + y);
        }

        @Override
        public void closePath() {
            closed.set(closed.size() - 1, true);
            at = lines.get(lines.size() - 1).get(0);
        }

        @Override
        public void curvetoCubicAbs(float x1, float y1, float x2, float y2, float x, float y) {
            curves++;
        }

        @Override
        public void curvetoCubicRel(float x1, float y1, float x2, float y2, float x, float y) {
            curves++;
        }

        @Override
        public void curvetoCubicSmoothAbs(float x2, float y2, float x, float y) {
            curves++;
        }

        @Override
        public void curvetoCubicSmoothRel(float x2, float y2, float x, float y) {
            curves++;
        }

        @Override
        public void curvetoQuadraticAbs(float x1, float y1, float x, float y) {
            curves++;
        }

        @Override
        public void curvetoQuadraticRel(float x1, float y1, float x, float y) {
            curves++;
        }

        @Override
        public void curvetoQuadraticSmoothAbs(float x, float y) {
            curves++;
        }

        @Override
        public void curvetoQuadraticSmoothRel(float x, float y) {
            curves++;
        }

        @Override
        public void arcAbs(float rx, float ry, float turned, boolean large, boolean sweep, float x, float y) {
            curves++;
        }

        @Override
        public void arcRel(float rx, float ry, float turned, boolean large, boolean sweep, float x, float y) {
            curves++;
        }
    }
}
