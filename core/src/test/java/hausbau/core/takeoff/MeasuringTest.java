package hausbau.core.takeoff;

import static hausbau.core.TestSets.mm;
import static hausbau.core.takeoff.PerspectiveTest.off;
import static hausbau.core.takeoff.PerspectiveTest.pixels;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Refused;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What is measured, by hand calculation; and how sure it is, against 100 000 draws of every pick. */
class MeasuringTest {

    private static final int DRAWS = 100_000;
    private static final List<Pixel> CORNERS = pixels(210, 860, 1330, 980, 1250, 190, 260, 280);

    /** One way to measure, made from the picks of calibration and measurement alike. */
    private record Case(
            String name,
            List<Pixel> calibration,
            Function<List<Pixel>, PlaneMap> plane,
            List<Pixel> picks,
            Function<Measuring, Function<List<Pixel>, Measured>> measure) {

        Measured measured(List<Pixel> calibrationPicks, List<Pixel> ownPicks) {
            return measure.apply(new Measuring(plane.apply(calibrationPicks), 1))
                    .apply(ownPicks);
        }

        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Case> cases() {
        Function<List<Pixel>, PlaneMap> perspective = c -> new Perspective(c, mm(4000), mm(2500));
        Function<List<Pixel>, PlaneMap> flat = c -> new Flat(c.get(0), c.get(1), mm(2000));
        var scale = pixels(100, 500, 620, 470);
        return Stream.of(
                new Case(
                        "length in perspective",
                        CORNERS,
                        perspective,
                        pixels(500, 700, 1000, 400),
                        m -> p -> m.length(p.get(0), p.get(1))),
                new Case(
                        "length beyond the rectangle",
                        CORNERS,
                        perspective,
                        pixels(300, 400, 1700, 300),
                        m -> p -> m.length(p.get(0), p.get(1))),
                new Case(
                        "width in perspective",
                        CORNERS,
                        perspective,
                        pixels(500, 700, 1000, 400),
                        m -> p -> m.width(p.get(0), p.get(1))),
                new Case(
                        "height in perspective",
                        CORNERS,
                        perspective,
                        pixels(500, 700, 1000, 400),
                        m -> p -> m.height(p.get(0), p.get(1))),
                new Case(
                        "angle in perspective",
                        CORNERS,
                        perspective,
                        pixels(1000, 800, 500, 700, 700, 300),
                        m -> p -> m.angle(p.get(0), p.get(1), p.get(2))),
                new Case(
                        "area in perspective",
                        CORNERS,
                        perspective,
                        pixels(400, 700, 900, 800, 1000, 400, 500, 350),
                        m -> m::area),
                new Case(
                        "length on a flat",
                        scale,
                        flat,
                        pixels(150, 100, 700, 650),
                        m -> p -> m.length(p.get(0), p.get(1))),
                new Case(
                        "angle on a flat",
                        scale,
                        flat,
                        pixels(150, 100, 300, 400, 700, 350),
                        m -> p -> m.angle(p.get(0), p.get(1), p.get(2))),
                new Case("area on a flat", scale, flat, pixels(150, 100, 200, 600, 700, 650, 600, 90), m -> m::area));
    }

    /** To first order, so within 2 %: 100 000 draws know a deviation to 0.2 %, and a pixel of 1000 bends the map a little. */
    @ParameterizedTest
    @MethodSource("cases")
    void theDeviationIsThatOfAMonteCarloRun(Case one) {
        var random = new Random(3);
        var sum = 0.0;
        var squares = 0.0;
        var value = one.measured(one.calibration(), one.picks()).value();
        for (var i = 0; i < DRAWS; i++) {
            var drawn = one.measured(
                                    one.calibration().stream()
                                            .map(p -> off(p, random))
                                            .toList(),
                                    one.picks().stream()
                                            .map(p -> off(p, random))
                                            .toList())
                            .value()
                    - value;
            sum += drawn;
            squares += drawn * drawn;
        }
        var deviation = Math.sqrt(squares / DRAWS - sum / DRAWS * sum / DRAWS);
        assertThat(one.measured(one.calibration(), one.picks()).deviation())
                .isCloseTo(deviation, within(deviation * 0.02));
    }

    /** 2000 mm over 400 pixels: 5 mm a pixel. */
    @Test
    void onAFlatEverythingIsOneScale() {
        var measuring = new Measuring(new Flat(new Pixel(100, 100), new Pixel(500, 100), mm(2000)), 1);
        assertThat(measuring.length(new Pixel(0, 0), new Pixel(300, 400)).value())
                .isCloseTo(2500, within(1e-9));
        assertThat(measuring.width(new Pixel(0, 0), new Pixel(300, 400)).value())
                .isCloseTo(1500, within(1e-9));
        assertThat(measuring.height(new Pixel(0, 0), new Pixel(300, 400)).value())
                .isCloseTo(2000, within(1e-9));
        assertThat(measuring
                        .angle(new Pixel(300, 0), new Pixel(0, 0), new Pixel(0, 70))
                        .value())
                .isCloseTo(90, within(1e-9));
        assertThat(measuring.area(pixels(0, 0, 100, 0, 100, 100, 0, 100)).value())
                .isCloseTo(250_000, within(1e-6));
        // Of the known length itself: its own two picks (√2 · 5 mm) and those of the calibration, as much again.
        assertThat(measuring.length(new Pixel(100, 100), new Pixel(500, 100)).deviation())
                .isCloseTo(10, within(1e-9));
    }

    @Test
    void twiceThePickingErrorIsTwiceTheDeviation() {
        var plane = new Perspective(CORNERS, mm(4000), mm(2500));
        var one = new Measuring(plane, 1).length(new Pixel(500, 700), new Pixel(1000, 400));
        var two = new Measuring(plane, 2).length(new Pixel(500, 700), new Pixel(1000, 400));
        assertThat(two.value()).isEqualTo(one.value());
        assertThat(two.deviation()).isCloseTo(2 * one.deviation(), within(1e-12));
    }

    @Test
    void anErrorOutOfRangeAndTwoPointsOnOneAnotherAreRefused() {
        var plane = new Flat(new Pixel(0, 0), new Pixel(100, 0), mm(1000));
        assertThatThrownBy(() -> new Measuring(plane, Double.NaN)).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Measuring(plane, 0)).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Flat(new Pixel(0, 0), new Pixel(7, 0), mm(1000)))
                .hasMessageContaining("at least 8");
        assertThatThrownBy(() -> new Flat(new Pixel(0, 0), new Pixel(70, 0), mm(0)))
                .hasMessageContaining("above 0");
    }
}
