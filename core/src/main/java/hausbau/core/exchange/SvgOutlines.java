package hausbau.core.exchange;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.plane.Loop;
import hausbau.core.plane.Region;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.batik.parser.AWTTransformProducer;
import org.apache.batik.parser.DefaultPathHandler;
import org.apache.batik.parser.ParseException;
import org.apache.batik.parser.PathParser;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.InputSource;

/**
 * Reads the right-angled outlines of an SVG file: rectangles, polygons, closed polylines and paths, within groups and transforms. What is no outline is reported,
 * one by one, and never dropped in silence.
 */
public final class SvgOutlines {

    /** More than this is no floor plan. */
    private static final int MOST_CHARACTERS = 4_000_000;
    private static final int MOST_SHAPES = 2_000;
    /** Coordinates are taken to whole steps of this, µm: what a drawing program rounds. */
    private static final long GRAIN = 100;
    private static final Set<String> CONTAINERS = Set.of("svg", "g", "a", "switch");
    private static final Set<String> SILENT = Set.of("title", "desc", "metadata", "style", "defs");

    private final double micrometres;
    private final List<Found> found = new ArrayList<>();
    private final List<Report> reports = new ArrayList<>();

    private SvgOutlines(double micrometres) {
        this.micrometres = micrometres;
    }

    /** One outline. @param name its id, or what it is and its number */
    public record Found(String name, Region region) {
    }

    /** Something that is no outline. @param where in the file, @param what about it */
    public record Report(String where, String what) {
    }

    /** @param outlines in the order of the file, @param reports on everything else that is drawn */
    public record Reading(List<Found> outlines, List<Report> reports) {
    }

    /**
     * @param unit what one user unit of the file is, already scaled
     * @throws Refused if it is no SVG that can be read
     */
    public static Reading read(String svg, Length unit) {
        if (svg.length() > MOST_CHARACTERS) {
            throw new Refused("svg", "The file is larger than " + MOST_CHARACTERS / 1_000_000 + " MB.");
        }
        if (!unit.isPositive()) {
            throw new Refused("unitMm", "A unit of the drawing must be longer than nothing.");
        }
        var reading = new SvgOutlines(unit.um());
        reading.shapes(root(svg), new AffineTransform());
        return new Reading(List.copyOf(reading.found), List.copyOf(reading.reports));
    }

    /** Nothing is fetched, and no entity is followed. */
    private static Element root(String svg) {
        try {
            var factory = DocumentBuilderFactory.newInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setNamespaceAware(true);
            factory.setXIncludeAware(false);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            var root = builder.parse(new InputSource(new StringReader(svg))).getDocumentElement();
            if (!"svg".equals(name(root))) {
                throw new Refused("svg", "This is no SVG: it begins with <" + name(root) + ">.");
            }
            return root;
        } catch (Refused e) {
            throw e;
        } catch (Exception e) {
            throw new Refused("svg", "This is no SVG that can be read: " + Optional.ofNullable(e.getMessage()).orElse("it is broken") + ".");
        }
    }

    private static String name(Node node) {
        return Optional.ofNullable(node.getLocalName()).orElse(node.getNodeName());
    }

    private void shapes(Element parent, AffineTransform outer) {
        var transform = new AffineTransform(outer);
        try {
            if (parent.hasAttribute("transform")) {
                transform.concatenate(AWTTransformProducer.createAffineTransform(parent.getAttribute("transform")));
            }
        } catch (ParseException e) {
            report(parent, "its transform cannot be read");
            return;
        }
        if (CONTAINERS.contains(name(parent))) {
            for (var child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
                if (child instanceof Element element && !SILENT.contains(name(element))) {
                    shapes(element, transform);
                }
            }
        } else if (found.size() + reports.size() < MOST_SHAPES) {
            shape(parent, transform);
        } else if (found.size() + reports.size() == MOST_SHAPES) {
            report(parent, "more than " + MOST_SHAPES + " shapes: the rest was not looked at");
        }
    }

    private void shape(Element element, AffineTransform transform) {
        var drawn = new Drawn(element);
        try {
            switch (name(element)) {
                case "rect" -> {
                    if (number(element, "rx") > 0 || number(element, "ry") > 0) {
                        report(element, "its corners are rounded");
                        return;
                    }
                    var x = number(element, "x");
                    var y = number(element, "y");
                    var width = number(element, "width");
                    var height = number(element, "height");
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

    private static double number(Element element, String attribute) {
        var text = element.getAttribute(attribute).strip();
        return text.isEmpty() ? 0 : Double.parseDouble(text.replaceFirst("px$", ""));
    }

    private void report(Element element, String what) {
        var id = element.getAttribute("id");
        reports.add(new Report(name(element) + (id.isEmpty() ? "" : " “" + id + "”") + " " + (found.size() + reports.size() + 1), what));
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
                report(element, curves + (curves == 1 ? " arc or curve" : " arcs or curves") + ": rooms are right-angled");
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
                    found.add(new Found(id.isEmpty() ? name(element) + " " + (found.size() + 1) : id, region));
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
                    report(element, String.format(Locale.ROOT, "a slanted line from %s, %s to %s, %s mm", a.x() / 1000.0, a.y() / 1000.0, b.x() / 1000.0, b.y() / 1000.0));
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
