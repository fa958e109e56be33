package hausbau.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Point;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class EmitterTest {

    /** Whatever a lamp is like, all that it gives to all sides is its lumens: the integral of its candela over the sphere. */
    @ParameterizedTest
    @EnumSource(Lamp.Kind.class)
    void whatItGivesToAllSidesIsItsLumens(Lamp.Kind kind) {
        var cosine = Math.cos(Math.toRadians(30));
        var candela = Emitter.candela(kind, 800, cosine);
        var emitter = new Emitter(kind, new Point(0, 0, 0), new Point(0, 0, 1), Rgb.grey(candela), cosine, 10);
        var n = 200_000;
        var sum = 0.0;
        for (var i = 0; i < n; i++) {
            sum += candela * emitter.share(-1 + 2 * (i + 0.5) / n) * 4 * Math.PI / n;
        }
        assertThat(sum).isCloseTo(800, Percentage.withPercentage(0.1));
    }

    /** By inverse squares near it; at its reach nothing (KHR_lights_punctual, “range”). */
    @Test
    void itFallsOffByInverseSquaresAndEndsAtItsReach() {
        var emitter = new Emitter(Lamp.Kind.POINT, new Point(0, 0, 0), new Point(0, 0, -1), Rgb.grey(100), 0, 10);
        assertThat(emitter.onFacing(1)).isCloseTo(1 - 1e-4, within(1e-9));
        assertThat(emitter.onFacing(2)).isCloseTo((1 - 0.0016) / 4, within(1e-9));
        assertThat(emitter.onFacing(10)).isZero();
        assertThat(emitter.onFacing(11)).isZero();
    }

    @Test
    void whatIsOutOfRangeIsRefusedByName() {
        assertThatThrownBy(() -> new Lamp(Lamp.Kind.PANEL, Vec.ZERO, 0, 100, 0, 1000, -1, 100, 90, 5))
                .isInstanceOfSatisfying(Refused.class, e -> assertThat(e.faults())
                        .extracting("field")
                        .containsExactly("tilt", "lengthMm", "lumens", "kelvin"));
        assertThatThrownBy(() -> new Lamps(java.util.List.of(), 101, 0)).hasMessageContaining("percent are lit");
    }

    /** So many percent are lit, others with another seed. */
    @Test
    void theSeedSaysWhichAreLit() {
        var third = new Lamps(java.util.List.of(Lamp.globe(Vec.ZERO, 100, 5)), 33, 1);
        var other = new Lamps(third.all(), 33, 2);
        var lit = 0;
        var alike = 0;
        for (var i = 0; i < 3000; i++) {
            var at = Vec.ofMillimetres(i * 1000L, 500, 0);
            lit += third.areLit(at) ? 1 : 0;
            alike += third.areLit(at) == other.areLit(at) ? 1 : 0;
        }
        assertThat(lit).isBetween(900, 1080);
        assertThat(alike).isBetween(1500, 1900);
        assertThat(new Lamps(third.all(), 0, 1).areLit(Vec.ZERO)).isFalse();
    }
}
