package hausbau.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Refused;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MoodTest {

    private static Sky sky(Sky.Kind kind, double turbidity) {
        return new Sky(kind, turbidity, 10_000, "#4060a0", "#c0d0e0", "#808080");
    }

    private static final Sun HIGH = Sun.toward(140, 40);

    /** CIE S 011/E (ISO 15469), the overcast sky: from the horizon to the zenith as 1 to 3; of a zenith of 1 it gives 7π/9 on level ground. */
    @Test
    void theOvercastSkyIsThatOfTheStandard() {
        var dome = sky(Sky.Kind.OVERCAST, 6).dome(HIGH);
        assertThat(dome.at(0, 0, 1).luminance() / dome.at(1, 0, 0).luminance()).isCloseTo(3, within(1e-9));
        assertThat(10_000 / dome.at(0, 0, 1).luminance()).isCloseTo(7 * Math.PI / 9, within(1e-3));
        assertThat(Mood.onLevelGround(dome).luminance()).isCloseTo(10_000, Percentage.withPercentage(0.05));
    }

    /** The integral of (a + b·cos) · cos over the half of a sphere by hand: π·a + 2π/3·b. */
    @Test
    void aGradientGivesWhatItIsToldTo() {
        assertThat(Mood.onLevelGround(sky(Sky.Kind.GRADIENT, 2).dome(HIGH)).luminance())
                .isCloseTo(10_000, Percentage.withPercentage(0.05));
    }

    /**
     * Preetham, Shirley and Smits (1999), the zenith worked out by hand at turbidity 3 and 60° from the zenith: χ = (4/9 − 3/120)·(π − 2π/3) = 0.43924, Y =
     * 7.1649 · tan χ − 0.6465 + 2.4192 = 5.1394 kcd/m².
     */
    @Test
    void theZenithOfAClearSkyIsAsPublished() {
        var sun = Sun.toward(90, 30);
        assertThat(sky(Sky.Kind.CLEAR, 3).dome(sun).at(0, 0, 1).luminance())
                .isCloseTo(5139.4, Percentage.withPercentage(0.1));
    }

    /** A clear sky gives some 5 to 35 klx on level ground by day, more the hazier it is; common practice, no source. */
    @ParameterizedTest
    @CsvSource({"2, 60", "3, 45", "6, 30", "2.5, 15"})
    void aClearSkyIsBrightestAboutTheSunAndDarkestOppositeToIt(double turbidity, double altitude) {
        var sun = Sun.toward(90, altitude);
        var dome = sky(Sky.Kind.CLEAR, turbidity).dome(sun);
        var toSun = dome.at(sun.x(), sun.y(), sun.z()).luminance();
        assertThat(toSun).isGreaterThan(dome.at(0, 0, 1).luminance());
        assertThat(toSun).isGreaterThan(dome.at(-sun.x(), -sun.y(), sun.z()).luminance());
        assertThat(dome.at(0, 0.6, 0.8).luminance())
                .as("alike on both sides of the sun")
                .isCloseTo(dome.at(0, -0.6, 0.8).luminance(), within(1e-6));
        assertThat(Mood.onLevelGround(dome).luminance()).isBetween(3_000.0, 40_000.0);
        var away = dome.at(-sun.z(), 0, sun.x());
        assertThat(away.b()).as("blue away from the sun").isGreaterThan(away.r());
    }

    @Test
    void aClearSkyDimsThroughTwilightWithoutAStep() {
        var sky = sky(Sky.Kind.CLEAR, 3);
        var last = 0.0;
        for (var altitude = 20.0; altitude >= -12; altitude -= 0.5) {
            var now = Mood.onLevelGround(sky.dome(Sun.toward(0, altitude))).luminance();
            if (last > 0) {
                assertThat(now).as("at %s°", altitude).isBetween(last / 3, last);
            }
            last = now;
        }
    }

    /**
     * Chromaticities of black bodies by CIE 15: illuminant A (2856 K) at 0.4476, 0.4074; 6500 K at 0.3135, 0.3237; 4000 K at 0.3805, 0.3768; from memory.
     */
    @ParameterizedTest
    @CsvSource({"2856, 0.4476, 0.4074", "4000, 0.3805, 0.3768", "6500, 0.3135, 0.3237"})
    void blackBodiesHaveTheColoursOfTheCie(double kelvin, double x, double y) {
        var c = Rgb.ofKelvin(kelvin);
        // From linear sRGB to CIE 1931 by IEC 61966-2-1.
        var bigX = 0.4124 * c.r() + 0.3576 * c.g() + 0.1805 * c.b();
        var bigY = 0.2126 * c.r() + 0.7152 * c.g() + 0.0722 * c.b();
        var bigZ = 0.0193 * c.r() + 0.1192 * c.g() + 0.9505 * c.b();
        var sum = bigX + bigY + bigZ;
        assertThat(bigX / sum).isCloseTo(x, within(0.001));
        assertThat(bigY / sum).isCloseTo(y, within(0.001));
        assertThat(c.luminance()).isCloseTo(1, within(1e-9));
    }

    /** EV 0 at ISO 100 is 0.125 cd/m² of middle grey with a meter's constant of 12.5 (ISO 2720), each further EV twice that. */
    @ParameterizedTest
    @CsvSource({"0, 0.125", "3, 1", "15, 4096", "-2, 0.03125"})
    void exposureGoesByItsDefinition(double ev, double middle) {
        var exposure = new Exposure(ev, 100, 100, 0, 6500);
        assertThat(exposure.middle()).isCloseTo(middle, within(1e-9));
        assertThat(exposure.scale() * middle).isCloseTo(0.18, within(1e-9));
    }

    /** Koschmieder: of what is black 2 % of contrast is left at the visibility; Beer and Lambert: twice as far, the square of it. */
    @Test
    void airTakesLightByBeerAndLambert() {
        var air = new Air(800, 0, "#ffffff");
        assertThat(air.left(800)).isCloseTo(0.02, within(1e-9));
        assertThat(air.left(1600)).isCloseTo(0.02 * 0.02, within(1e-9));
        assertThat(new Air(0, 0, "#ffffff").left(1e6)).isEqualTo(1);
    }

    /** RP-21: 128 klx through one air mass of a clear sky. */
    @Test
    void theSunIsWeakerTheLowerItStands() {
        assertThat(Sunlight.throughClearAir(Sun.toward(0, 90))).isCloseTo(128_000 * Math.exp(-0.21), within(0.1));
        assertThat(Sunlight.throughClearAir(Sun.toward(0, 30))).isCloseTo(128_000 * Math.exp(-0.42), within(0.1));
        assertThat(Sunlight.throughClearAir(Sun.toward(0, -1))).isZero();
    }

    @Test
    void threeLightsShareTheWholeAsHalfThreeTenthsAndTwo() {
        var lights = Mood.usual().get("three lights").sun().beams();
        var whole = lights.stream().mapToDouble(b -> b.lux().luminance()).sum();
        assertThat(lights.stream().map(b -> Math.round(100 * b.lux().luminance() / whole)))
                .containsExactly(50L, 30L, 20L);
    }

    /** What faces up and is white throws back (sky + sun · sine of its altitude) / π; seen at an EV, times 0.18 by the luminance that EV is middle grey at. */
    @Test
    void whatItComesToIsScaledByTheExposure() {
        var usual = Mood.usual().get("overcast");
        var lit = usual.lit();
        assertThat(lit.above().luminance())
                .isCloseTo(12_000 * 0.18 / usual.exposure().middle(), Percentage.withPercentage(0.1));
        assertThat(lit.beams()).isEmpty();
        assertThat(lit.dome()).hasSize(Mood.AROUND * Mood.UP);
        var ground = Rgb.of("#8d867a");
        assertThat(lit.below().r() / lit.above().r()).isCloseTo(ground.r(), within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(strings = {"even", "clear morning", "overcast", "low and warm", "night with lamps", "three lights"})
    void everyUsualMoodIsExposedSoThatPlasterIsNeitherBlackNorBurnt(String name) {
        var mood = Mood.usual().get(name);
        if (mood.sky().kind() == Sky.Kind.EVEN) {
            assertThat(mood.lit().beams()).isEmpty();
            return;
        }
        var lit = mood.lit();
        var key = lit.above().luminance()
                + lit.beams().stream()
                        .mapToDouble(b -> b.lux().luminance() * 0.7)
                        .sum();
        assertThat(0.7 * key / Math.PI).isBetween(0.05, 1.6);
    }

    /** Under lamps of 3000 K that are seen as white, what is lit by them is grey; by daylight all stays as it is. */
    @Test
    void whiteIsWhateverLightIsSaidToBeWhite() {
        var balance = new Exposure(5, 100, 100, 0, 3000).balance();
        var lamp = Rgb.ofKelvin(3000).times(balance);
        var day = Rgb.ofKelvin(6500);
        assertThat(lamp.r() / lamp.b()).isCloseTo(day.r() / day.b(), within(1e-9));
        assertThat(lamp.g()).isCloseTo(day.g(), within(1e-9));
        assertThat(new Exposure(5, 100, 100, 0, 6500).balance()).isEqualTo(Rgb.grey(1));
    }

    @Test
    void whatIsOutOfRangeIsRefusedAllOfItAtOnce() {
        assertThatThrownBy(() -> new Sky(Sky.Kind.CLEAR, 1, -5, "blue", "#ffffff", "#ffffff"))
                .isInstanceOfSatisfying(
                        Refused.class,
                        e -> assertThat(e.faults()).extracting("field").containsExactly("turbidity", "lux", "zenith"));
        assertThatThrownBy(() -> new Exposure(40, 100, 100, 0, 6500)).hasMessageContaining("from -10 to 22");
        assertThatThrownBy(() -> new Air(Double.NaN, 0, "#ffffff")).isInstanceOf(Refused.class);
    }
}
