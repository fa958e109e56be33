package hausbau.core.exchange;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.kit.Form;
import hausbau.core.kit.Outline.Corner;
import hausbau.core.kit.Part;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Recipe;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Swatch;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SvgShapesTest {

    private static SvgShapes.Reading read(String inside, double unitMm, double toleranceMm) {
        return SvgShapes.read(
                "<svg xmlns=\"http://www.w3.org/2000/svg\">" + inside + "</svg>",
                new Length(Math.round(unitMm * 1000)),
                new Length(Math.round(toleranceMm * 1000)));
    }

    /** The shoelace formula, mm²; the outline less its holes. */
    private static double area(SvgShapes.Found found) {
        var sum = 0.0;
        for (var ring : found.rings()) {
            var twice = 0.0;
            for (var i = 0; i < ring.size(); i++) {
                var a = ring.get(i);
                var b = ring.get((i + 1) % ring.size());
                twice += (double) a.x() * b.y() - (double) b.x() * a.y();
            }
            sum += (ring == found.rings().get(0) ? 1 : -1) * Math.abs(twice) / 2e6;
        }
        return sum;
    }

    /** Areas in closed form: circle, ellipse, rounded rectangle, half disc by an arc, a quadratic's third and a cubic's three tenths (Archimedes; Bernstein integrals). */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<circle cx='5' cy='5' r='40'/> | 5026.548",
                "<ellipse rx='40' ry='20'/> | 2513.274",
                "<rect width='100' height='60' rx='10'/> | 5914.159",
                "<path d='M0 0 A 30 30 0 0 1 60 0 Z'/> | 1413.717",
                "<path d='M30 0 A 30 30 0 1 1 0 -30 L 0 0 Z'/> | 2120.575",
                "<path d='M0 40 A 20 40 0 1 0 0 -40 A 20 40 0 0 0 0 40 Z'/> | 2513.274",
                "<path d='M0 0 Q 50 100 100 0 Z'/> | 3333.333",
                "<path d='M0 0 C 0 100 100 100 100 0 Z'/> | 6000",
                "<g transform='scale(2) rotate(30)'><circle r='20'/></g> | 5026.548"
            })
    void curvesAreFollowedToTheTolerance(String shape, double area) {
        for (var tolerance : new double[] {0.5, 0.1, 0.01}) {
            var found = read(shape, 1, tolerance).shapes();
            assertThat(found).hasSize(1);
            assertThat(area(found.get(0)))
                    .as("at %s", tolerance)
                    .isCloseTo(area, within(Math.sqrt(area) * 5 * tolerance))
                    .isLessThan(area + 1);
        }
    }

    /** No corner of a circle strays, and no chord's middle lies farther in than the tolerance. */
    @Test
    void chordsLieWithinTheToleranceOfTheirArc() {
        var ring = read("<circle r='500'/>", 1, 0.05).shapes().get(0).rings().get(0);
        for (var i = 0; i < ring.size(); i++) {
            var a = ring.get(i);
            var b = ring.get((i + 1) % ring.size());
            assertThat(Math.hypot(a.x() - 500_000.0, a.y() - 500_000.0)).isCloseTo(500_000, within(150.0));
            assertThat(Math.hypot((a.x() + b.x()) / 2.0 - 500_000, (a.y() + b.y()) / 2.0 - 500_000))
                    .isGreaterThan(500_000 - 60);
        }
        assertThat(ring.size()).isLessThan(300);
    }

    @Test
    void holesLieInTheirOutlineAndUpIsUp() {
        var found = read(
                        "<path id='rail' d='M10 10h50v100h-50z M20 20h10v10h-10z M40 20h10v10h-10z M200 0h10v10h-10z'/>",
                        2,
                        0.1)
                .shapes();
        assertThat(found).extracting(SvgShapes.Found::name).containsExactly("rail, 1", "rail, 2");
        assertThat(found.get(0).rings()).hasSize(3);
        assertThat(area(found.get(0))).isCloseTo(4 * (5000 - 200), within(1e-6));
        // What is above in the file, where Y points down, lies above here.
        assertThat(found.get(0).rings().get(1)).extracting(Corner::y).allSatisfy(y -> assertThat(y)
                .isBetween(160_000L, 180_000L));
    }

    /** A tube of a drawn profile is as heavy as what is between its circles (Pappus: area times the way of its middle). */
    @Test
    void aProfileWithAHoleIsPushed() {
        var rings = read(
                        "<path d='M-50 0 A50 50 0 0 1 50 0 A50 50 0 0 1 -50 0 Z M-40 0 A40 40 0 0 0 40 0 A40 40 0 0 0 -40 0 Z'/>",
                        1,
                        0.02)
                .shapes()
                .get(0)
                .rings();
        var profile = Profile.drawn(rings.get(0), rings.subList(1, rings.size()));
        var form = new Form.Pushed(
                profile,
                List.of(new Form.Pushed.Corner(Vec.ZERO, 0), new Form.Pushed.Corner(Vec.ofMillimetres(1000, 0, 0), 0)),
                false,
                0,
                0,
                false);
        var mesh = new Recipe.Made(1, List.of(Part.of(Swatch.METAL, form, Vec.ZERO))).mesh(Finish.ofDensity(256));
        assertThat(mesh.openEdges()).isEmpty();
        assertThat(mesh.volume()).isCloseTo(Math.PI * (2500 - 1600) * 1000, within(Math.PI * 900 * 1000 * 0.01));
    }

    @Test
    void whatIsNoShapeIsTold() {
        var reading = read(
                "<line x1='0' y1='0' x2='5' y2='5'/><path d='M0 0 L 10 0'/><text>so</text><path d='M0 0 L10 10 L10 0 L0 10 Z'/><path d='M0 0 L nonsense'/>",
                1,
                0.1);
        assertThat(reading.shapes()).isEmpty();
        assertThat(reading.reports()).hasSize(5);
        assertThat(reading.reports())
                .extracting(SvgShapes.Report::what)
                .anyMatch(w -> w.contains("open line"))
                .anyMatch(w -> w.contains("crosses"))
                .anyMatch(w -> w.contains("cannot be read"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"<html/>", "", "<!DOCTYPE svg [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><svg>&x;</svg>"})
    void whatIsNoSvgIsRefused(String svg) {
        assertThatExceptionOfType(Refused.class).isThrownBy(() -> SvgShapes.read(svg, mm(1), mm(1)));
    }

    @Test
    void unitsAndTolerancesAreSound() {
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> read("<circle r='1'/>", 0, 1))
                .withMessageContaining("unit");
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> read("<circle r='1'/>", 1, 0))
                .withMessageContaining("chord");
        assertThat(read("<circle r='1e9'/>", 1000, 1).reports())
                .extracting(SvgShapes.Report::what)
                .anyMatch(w -> w.contains("1 km"));
    }
}
