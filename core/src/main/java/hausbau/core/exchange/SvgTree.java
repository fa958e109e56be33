package hausbau.core.exchange;

import hausbau.core.measure.Refused;
import java.awt.geom.AffineTransform;
import java.io.StringReader;
import java.util.Optional;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.batik.parser.AWTTransformProducer;
import org.apache.batik.parser.ParseException;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.InputSource;

/** Goes over what an SVG file draws, within its groups and transforms. Nothing is fetched, and no entity is followed. */
final class SvgTree {

    /** More than this is no drawing of a set. */
    private static final int MOST_CHARACTERS = 4_000_000;

    private static final int MOST_SHAPES = 2_000;
    private static final Set<String> CONTAINERS = Set.of("svg", "g", "a", "switch");
    private static final Set<String> SILENT = Set.of("title", "desc", "metadata", "style", "defs");

    /** Takes what is drawn. */
    interface Taker {

        void shape(Element element, AffineTransform transform);

        void report(Element element, String what);
    }

    private final Taker taker;
    private int count;

    private SvgTree(Taker taker) {
        this.taker = taker;
    }

    /** @throws Refused if it is no SVG that can be read */
    static void read(String svg, Taker taker) {
        if (svg.length() > MOST_CHARACTERS) {
            throw new Refused("svg", "The file is larger than " + MOST_CHARACTERS / 1_000_000 + " MB.");
        }
        new SvgTree(taker).shapes(root(svg), new AffineTransform());
    }

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
            throw new Refused(
                    "svg",
                    "This is no SVG that can be read: "
                            + Optional.ofNullable(e.getMessage()).orElse("it is broken") + ".");
        }
    }

    static String name(Node node) {
        return Optional.ofNullable(node.getLocalName()).orElse(node.getNodeName());
    }

    /** What a person finds it by. @param number of what was found so far */
    static String where(Element element, int number) {
        var id = element.getAttribute("id");
        return name(element) + (id.isEmpty() ? "" : " “" + id + "”") + " " + number;
    }

    static double number(Element element, String attribute) {
        var text = element.getAttribute(attribute).strip();
        return text.isEmpty() ? 0 : Double.parseDouble(text.replaceFirst("px$", ""));
    }

    private void shapes(Element parent, AffineTransform outer) {
        var transform = new AffineTransform(outer);
        try {
            if (parent.hasAttribute("transform")) {
                transform.concatenate(AWTTransformProducer.createAffineTransform(parent.getAttribute("transform")));
            }
        } catch (ParseException e) {
            taker.report(parent, "its transform cannot be read");
            return;
        }
        if (CONTAINERS.contains(name(parent))) {
            for (var child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
                if (child instanceof Element element && !SILENT.contains(name(element))) {
                    shapes(element, transform);
                }
            }
        } else if (++count <= MOST_SHAPES) {
            taker.shape(parent, transform);
        } else if (count == MOST_SHAPES + 1) {
            taker.report(parent, "more than " + MOST_SHAPES + " shapes: the rest was not looked at");
        }
    }
}
