package hausbau.core.exchange;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.massing.Level;
import hausbau.core.massing.Outline;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SvgOutlinesTest {

    private static SvgOutlines.Reading read(String inside) {
        return SvgOutlines.read("<svg xmlns=\"http://www.w3.org/2000/svg\">" + inside + "</svg>", mm(1));
    }

    private static Region rect(long x0, long y0, long x1, long y1) {
        return Region.of(new Rect(x0 * 1000, y0 * 1000, x1 * 1000, y1 * 1000));
    }

    @Test
    void shapesOfEveryKindAreRead() {
        var found = read(
                """
                <rect id="hall" x="0" y="-3000" width="4000" height="3000"/>
                <polygon points="0,0 100,0 100,50 0,50"/>
                <polyline points="0 0 100 0 100 -50 0 -50 0 0"/>
                <path d="M0 0H300V-100h-200v-100H0z"/>
                <g transform="translate(1000 -2000) rotate(90) scale(2)"><path d="M0,0 l10,0 0,-20 -10,0 z"/></g>""");
        assertThat(found.reports()).isEmpty();
        assertThat(found.outlines()).extracting(SvgOutlines.Found::name).first().isEqualTo("hall");
        assertThat(found.outlines())
                .extracting(SvgOutlines.Found::region)
                .containsExactly(
                        rect(0, 0, 4000, 3000),
                        rect(0, -50, 100, 0),
                        rect(0, 0, 100, 50),
                        rect(0, 0, 300, 100).plus(rect(0, 0, 100, 200)),
                        // 10 right and 20 up, doubled and turned a quarter clockwise as the page is seen: 40 right and
                        // 20 down.
                        rect(1000, 1980, 1040, 2000));
    }

    @Test
    void aCourtStaysOpen() {
        var found = read("<path d=\"M0 0H10V10H0z M3 3H7V7H3z\"/>");
        assertThat(found.outlines()).singleElement().satisfies(f -> assertThat(f.region())
                .isEqualTo(rect(0, -10, 10, 0).minus(rect(3, -7, 7, -3))));
        assertThat(Outline.of(found.outlines().get(0).region()).loops()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<path d=\"M0 0H10A5 5 0 0 1 10 10H0z\"/> | 1 arc or curve",
                "<path d=\"M0 0C1 1 2 2 3 3Q1 1 0 0z\"/> | 2 arcs or curves",
                "<path d=\"M0 0H10V10\"/> | an open line of 3 points",
                "<polygon points=\"0,0 10,0 5,10\"/> | a slanted line from 10.0, 0.0 to 5.0, -10.0 mm",
                "<circle id=\"sun\" r=\"5\"/> | it is round",
                "<line x1=\"0\" x2=\"5\"/> | a single line is no outline",
                "<rect width=\"10\" height=\"10\" rx=\"2\"/> | its corners are rounded",
                "<image href=\"http://example.invalid/x.png\"/> | not a shape that can be an outline",
                "<path d=\"M0 0 nonsense\"/> | it cannot be read",
                "<rect width=\"abc\" height=\"10\"/> | it cannot be read",
                "<rect width=\"0\" height=\"10\"/> | there is no ground in it",
                "<text>Hall</text> | writing",
                "<use href=\"#hall\"/> | not a shape that can be an outline"
            })
    void whatIsNoOutlineIsTold(String shape, String what) {
        var found = read(shape + "<rect width=\"10\" height=\"10\"/>");
        assertThat(found.outlines()).hasSize(1);
        assertThat(found.reports()).singleElement().satisfies(r -> assertThat(r.what())
                .contains(what));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "no xml",
                "<html/>",
                "<svg xmlns=\"http://www.w3.org/2000/svg\">",
                "<!DOCTYPE svg [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><svg xmlns=\"http://www.w3.org/2000/svg\"><title>&x;</title></svg>"
            })
    void whatIsNoSvgIsRefused(String text) {
        assertThatThrownBy(() -> SvgOutlines.read(text, mm(1)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("This is no SVG");
    }

    @Test
    void unitsScaleExactly() {
        var inch = SvgOutlines.read(
                "<svg xmlns=\"http://www.w3.org/2000/svg\"><rect width=\"12\" height=\"1\"/></svg>",
                new hausbau.core.measure.Length(25_400));
        assertThat(inch.outlines().get(0).region().extent().width()).isEqualTo(304_800);
        assertThatThrownBy(() -> SvgOutlines.read(
                        "<svg xmlns=\"http://www.w3.org/2000/svg\"><rect width=\"1e9\" height=\"1\"/></svg>", mm(1000)))
                .hasMessageContaining("1000 km");
    }

    /** What is taken out as a drawing comes in again as it was: the poché of a plan with an L-shaped room, a court and a door. */
    @Test
    void anExportedPlanReadsBackEqual() {
        var l = room(1, 0, 0, 6000, 5000);
        var hall = l.over(l.outline().without(new Rect(4_000_000, 3_000_000, 6_000_000, 5_000_000)));
        var building = massing(List.of(hall, room(2, 7200, 0, 2500, 3100)), door(1, Side.SOUTH, 1000, 900));
        var level = Level.ground(SiteSettings.USUAL);
        var sheet = Sheets.plan(building, level);
        var back = SvgOutlines.read(SvgSheet.write(sheet, 50), mm(1)).outlines();
        var boxes = building.runs().stream().flatMap(run -> {
            var at = 0L;
            var solid = new java.util.ArrayList<Box>();
            for (var p : run.panels()) {
                solid.add(run.box(at, 0, 0, p.from().um(), run.depth().um(), 1));
                at = p.to().um();
            }
            solid.add(run.box(at, 0, 0, run.length().um(), run.depth().um(), 1));
            return solid.stream();
        });
        var mass = Region.of(
                java.util.stream.Stream.concat(boxes, building.posts().stream().map(p -> p.box()))
                        .filter(b -> b.size().x() > 0 && b.size().y() > 0)
                        .map(b -> new Rect(
                                b.min().x(), b.min().y(), b.max().x(), b.max().y()))
                        .toList());
        assertThat(back).anySatisfy(f -> assertThat(f.region()).isEqualTo(mass));
    }
}
