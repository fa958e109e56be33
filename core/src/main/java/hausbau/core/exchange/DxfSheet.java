package hausbau.core.exchange;

import hausbau.core.exchange.Sheet.Layer;
import hausbau.core.exchange.Sheet.Mark;
import hausbau.core.exchange.Sheet.Spot;
import java.util.List;
import java.util.Locale;

/** A sheet as DXF, release 12, in millimetres: what is cut as closed polylines, all on layers by name. */
public final class DxfSheet {

    private static final int WHITE = 7;
    private static final int GREY = 8;

    private final StringBuilder dxf = new StringBuilder();

    private DxfSheet() {}

    public static String write(Sheet sheet) {
        var writer = new DxfSheet();
        writer.head();
        writer.group(0, "SECTION").group(2, "ENTITIES");
        sheet.marks().forEach(writer::mark);
        writer.group(0, "ENDSEC").group(0, "EOF");
        return writer.dxf.toString();
    }

    private void head() {
        group(0, "SECTION")
                .group(2, "HEADER")
                .group(9, "$ACADVER")
                .group(1, "AC1009")
                .group(9, "$MEASUREMENT")
                .group(70, "1")
                .group(9, "$INSUNITS")
                .group(70, "4")
                .group(0, "ENDSEC");
        group(0, "SECTION").group(2, "TABLES");
        group(0, "TABLE").group(2, "LTYPE").group(70, "2");
        group(0, "LTYPE")
                .group(2, "CONTINUOUS")
                .group(70, "0")
                .group(3, "solid")
                .group(72, "65")
                .group(73, "0")
                .group(40, "0");
        group(0, "LTYPE")
                .group(2, "DASHED")
                .group(70, "0")
                .group(3, "dashed")
                .group(72, "65")
                .group(73, "2")
                .group(40, "300")
                .group(49, "200")
                .group(49, "-100");
        group(0, "ENDTAB").group(0, "TABLE").group(2, "LAYER").group(70, String.valueOf(Layer.values().length));
        for (var layer : Layer.values()) {
            group(0, "LAYER")
                    .group(2, name(layer))
                    .group(70, "0")
                    .group(62, String.valueOf(layer == Layer.CUT ? WHITE : GREY))
                    .group(6, layer == Layer.ABOVE ? "DASHED" : "CONTINUOUS");
        }
        group(0, "ENDTAB").group(0, "ENDSEC");
    }

    private static String name(Layer layer) {
        return layer.label().toUpperCase(Locale.ROOT);
    }

    private void mark(Mark mark) {
        if (mark instanceof Mark.Area area) {
            area.loops().forEach(loop -> polyline(area.layer(), loop, true));
        } else if (mark instanceof Mark.Stroke stroke) {
            polyline(stroke.layer(), stroke.spots(), false);
        } else if (mark instanceof Mark.Words w) {
            group(0, "TEXT")
                    .group(8, name(w.layer()))
                    .point(10, w.at())
                    .group(40, n(w.height()))
                    .group(1, ascii(w.words()))
                    .group(50, w.upright() ? "90" : "0")
                    .group(72, "1")
                    .point(11, w.at());
        }
    }

    private void polyline(Layer layer, List<Spot> spots, boolean closed) {
        group(0, "POLYLINE")
                .group(8, name(layer))
                .group(66, "1")
                .point(10, new Spot(0, 0))
                .group(70, closed ? "1" : "0");
        spots.forEach(s -> group(0, "VERTEX").group(8, name(layer)).point(10, s));
        group(0, "SEQEND").group(8, name(layer));
    }

    private DxfSheet point(int code, Spot at) {
        return group(code, n(at.x())).group(code + 10, n(at.y())).group(code + 20, "0");
    }

    private DxfSheet group(int code, String value) {
        dxf.append(String.format(Locale.ROOT, "%3d", code))
                .append('\n')
                .append(value)
                .append('\n');
        return this;
    }

    private static String n(double v) {
        return String.format(Locale.ROOT, "%.3f", v);
    }

    /** Letters beyond ASCII are written by number, as the format has it. */
    private static String ascii(String words) {
        var text = new StringBuilder();
        words.replace('\n', ' ')
                .codePoints()
                .forEach(c -> text.append(c < 128 ? Character.toString(c) : String.format(Locale.ROOT, "\\U+%04X", c)));
        return text.toString();
    }
}
