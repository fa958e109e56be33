package hausbau.core.exchange;

import hausbau.core.exchange.Sheet.Layer;
import hausbau.core.exchange.Sheet.Mark;
import hausbau.core.exchange.Sheet.Spot;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** A sheet as SVG 1.1: one group a layer, millimetres of the building as user units, the page sized to a scale. */
public final class SvgSheet {

    private static final double MARGIN = 600;

    private SvgSheet() {}

    /** @param scale one to this, such as 50 */
    public static String write(Sheet sheet, int scale) {
        var spots = sheet.marks().stream().flatMap(m -> spots(m).stream()).toList();
        var x0 = spots.stream().mapToDouble(Spot::x).min().orElse(0) - MARGIN;
        var x1 = spots.stream().mapToDouble(Spot::x).max().orElse(1000) + MARGIN;
        var y0 = spots.stream().mapToDouble(Spot::y).min().orElse(0) - MARGIN;
        var y1 = spots.stream().mapToDouble(Spot::y).max().orElse(1000) + MARGIN;
        var svg = new StringBuilder(
                "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\""
                        + n((x1 - x0) / scale) + "mm\" height=\""
                        + n((y1 - y0) / scale) + "mm\" viewBox=\"" + n(x0) + " " + n(-y1) + " " + n(x1 - x0) + " "
                        + n(y1 - y0) + "\">\n<title>" + escaped(sheet.title())
                        + ", 1 : " + scale + "</title>\n");
        for (var layer : Layer.values()) {
            var marks = sheet.marks().stream().filter(m -> m.layer() == layer).toList();
            if (!marks.isEmpty()) {
                svg.append("<g id=\"")
                        .append(layer.label())
                        .append("\" ")
                        .append(style(layer, scale))
                        .append(">\n");
                marks.forEach(m -> svg.append(mark(m)).append('\n'));
                svg.append("</g>\n");
            }
        }
        return svg.append("</svg>\n").toString();
    }

    private static List<Spot> spots(Mark mark) {
        return mark instanceof Mark.Area a
                ? a.loops().stream().flatMap(List::stream).toList()
                : mark instanceof Mark.Stroke s ? s.spots() : List.of(((Mark.Words) mark).at());
    }

    /** Lines are as wide on paper, whatever the scale. */
    private static String style(Layer layer, int scale) {
        var width = n(scale * (layer == Layer.CUT ? 0.35 : 0.18));
        return switch (layer) {
            case CUT -> "fill=\"#22303C\" fill-rule=\"evenodd\" stroke=\"#22303C\" stroke-width=\"" + width + "\"";
            case ABOVE ->
                "fill=\"none\" stroke=\"#22303C\" stroke-width=\"" + width + "\" stroke-dasharray=\"" + n(scale * 2.0)
                        + " " + n(scale * 1.0) + "\"";
            default -> "fill=\"none\" stroke=\"#22303C\" stroke-width=\"" + width + "\" font-family=\"sans-serif\"";
        };
    }

    private static String mark(Mark mark) {
        if (mark instanceof Mark.Area a) {
            return "<path d=\"" + a.loops().stream().map(l -> path(l) + "Z").collect(Collectors.joining()) + "\"/>";
        }
        if (mark instanceof Mark.Stroke s) {
            return "<path d=\"" + path(s.spots()) + "\"/>";
        }
        var w = (Mark.Words) mark;
        var at = n(w.at().x()) + " " + n(-w.at().y());
        return "<text transform=\"translate(" + at + ")" + (w.upright() ? " rotate(-90)" : "") + "\" font-size=\""
                + n(w.height() * 1.4) + "\" text-anchor=\"middle\" fill=\"#22303C\" stroke=\"none\">"
                + escaped(w.words()) + "</text>";
    }

    private static String path(List<Spot> spots) {
        return spots.stream().map(s -> n(s.x()) + " " + n(-s.y())).collect(Collectors.joining("L", "M", ""));
    }

    /** Exact to a micrometre. */
    private static String n(double v) {
        var text = String.format(Locale.ROOT, "%.3f", v == 0 ? 0.0 : v);
        return text.contains(".") ? text.replaceAll("\\.?0+$", "") : text;
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
