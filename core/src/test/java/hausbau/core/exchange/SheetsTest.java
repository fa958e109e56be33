package hausbau.core.exchange;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Level;
import hausbau.core.massing.Section;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import java.io.StringReader;
import java.util.List;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.xml.sax.InputSource;

class SheetsTest {

    private static final Level GROUND = Level.ground(SiteSettings.USUAL);
    private static final Sheet PLAN =
            Sheets.plan(massing(List.of(room(1, 0, 0, 4000, 3000)), door(1, Side.NORTH, 1000, 1000)), GROUND);

    private static Document xml(String text) throws Exception {
        return DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new InputSource(new StringReader(text)));
    }

    private static Element group(Document svg, String id) {
        var groups = svg.getElementsByTagName("g");
        for (var i = 0; i < groups.getLength(); i++) {
            if (((Element) groups.item(i)).getAttribute("id").equals(id)) {
                return (Element) groups.item(i);
            }
        }
        throw new AssertionError("no layer " + id);
    }

    /** Twice the area of each closed loop of a path by the shoelace formula, summed. */
    private static double area(String path) {
        var area = 0.0;
        for (var loop : path.split("Z")) {
            var n = Pattern.compile("-?[\\d.]+")
                    .matcher(loop)
                    .results()
                    .mapToDouble(m -> Double.parseDouble(m.group()))
                    .toArray();
            for (var i = 0; i < n.length; i += 2) {
                var j = (i + 2) % n.length;
                area += n[i] * n[j + 1] - n[j] * n[i + 1];
            }
        }
        return Math.abs(area) / 2;
    }

    /** 4.4 × 3.4 − 4 × 3 m of wall and posts, less the door of 1 × 0.2 m: 2.76 m², by hand. */
    @Test
    void thePlanIsDrawnToScaleWithItsPocheAndItsLayers() throws Exception {
        var svg = xml(SvgSheet.write(PLAN, 50));
        var path = ((Element) group(svg, "cut").getElementsByTagName("path").item(0)).getAttribute("d");
        assertThat(area(path)).isEqualTo(2_760_000.0);
        var box = svg.getDocumentElement().getAttribute("viewBox").split(" ");
        assertThat(svg.getDocumentElement().getAttribute("width"))
                .isEqualTo(new java.math.BigDecimal(box[2])
                                .divide(java.math.BigDecimal.valueOf(50))
                                .stripTrailingZeros()
                                .toPlainString()
                        + "mm");
        assertThat(group(svg, "dimensions").getTextContent()).contains("4 m", "3 m");
        assertThat(group(svg, "names").getTextContent()).contains("Room 1", "12.0 m²");
    }

    @Test
    void namesCannotBreakTheFile() throws Exception {
        var odd = room(1, 0, 0, 4000, 3000).named("A < B & \"Größe\"");
        var svg = xml(SvgSheet.write(Sheets.plan(massing(List.of(odd)), GROUND), 100));
        assertThat(group(svg, "names").getTextContent()).contains("A < B & \"Größe\"");
        assertThat(DxfSheet.write(Sheets.plan(massing(List.of(odd)), GROUND)))
                .contains("Gr\\U+00F6\\U+00DFe")
                .isASCII();
    }

    @Test
    void aSectionHasItsHeightsAndItsLevels() throws Exception {
        var building = massing(List.of(room(1, 0, 0, 4000, 3000)));
        var section =
                Section.of(building, Vec.ofMillimetres(-500, 1500, 0), Vec.ofMillimetres(4500, 1500, 0), List.of());
        var sheet = Sheets.section(section, List.of(GROUND), Unit.METRE);
        var svg = xml(SvgSheet.write(sheet, 20));
        assertThat(area(((Element)
                                group(svg, "cut").getElementsByTagName("path").item(0))
                        .getAttribute("d")))
                .isEqualTo(2_800_000.0);
        assertThat(group(svg, "dimensions").getTextContent()).contains("Ground 0 m", "3 m", "4 m");
        assertThat(DxfSheet.write(sheet))
                .startsWith("  0\nSECTION")
                .endsWith("EOF\n")
                .contains("\nPOLYLINE\n", "\nCUT\n", "\nDIMENSIONS\n");
    }
}
