package hausbau.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Refused;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SunTest {

    private static double altitude(Sun sun) {
        return Math.toDegrees(Math.asin(sun.z()));
    }

    private static double bearing(Sun sun) {
        return (Math.toDegrees(Math.atan2(sun.x(), sun.y())) + 360) % 360;
    }

    /**
     * The worked example of Reda and Andreas, Solar Position Algorithm (NREL/TP-560-34302), from memory: 17 October 2003, 12:30:30 at UTC−7, 39.742476° N,
     * 105.1786° W: azimuth 194.34°, zenith 50.11°.
     */
    @Test
    void itStandsWhereThePublishedExampleHasIt() {
        var sun =
                Sun.of(ZonedDateTime.of(2003, 10, 17, 12, 30, 30, 0, ZoneOffset.ofHours(-7)), 39.742476, -105.1786, 0);
        assertThat(bearing(sun)).isCloseTo(194.34, within(0.1));
        assertThat(90 - altitude(sun)).isCloseTo(50.11, within(0.1));
        assertThat(Math.hypot(Math.hypot(sun.x(), sun.y()), sun.z())).isCloseTo(1, within(1e-12));
    }

    /** At noon it stands 90° less the latitude plus its declination high: 0 at the equinox, ±23.44° at the solstices (spherical astronomy, any handbook). */
    @ParameterizedTest
    @CsvSource({"48, 79, 42", "48, 172, 65.44", "48, 355, 18.56", "0, 79, 90", "60, 172, 53.44"})
    void atNoonItStandsAsHighAsTheSeasonHasIt(double latitude, int day, double high) {
        var highest = 0.0;
        for (var hour = 11.0; hour <= 13; hour += 0.01) {
            highest = Math.max(highest, altitude(Sun.at(latitude, day, hour, 0)));
        }
        assertThat(highest).isCloseTo(high, within(0.4));
    }

    @Test
    void itRisesInTheEastAtTheEquinoxAndIsDownAtMidnight() {
        assertThat(bearing(Sun.at(48, 79, 6.1, 0))).isCloseTo(90, within(2.0));
        assertThat(altitude(Sun.at(48, 79, 6.1, 0))).isCloseTo(0, within(1.5));
        assertThat(Sun.at(48, 79, 0, 0).z()).isNegative();
    }

    @Test
    void turningNorthTurnsItAlong() {
        var sun = Sun.at(48, 172, 10, 0);
        var turned = Sun.at(48, 172, 10, 90);
        assertThat((bearing(turned) - bearing(sun) + 360) % 360).isCloseTo(90, within(1e-9));
        assertThat(turned.z()).isEqualTo(sun.z());
    }

    @Test
    void whatIsOutOfRangeIsRefused() {
        assertThatThrownBy(() -> Sun.at(48, 172, 25, 0))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("hour must be from 0 to 24");
        assertThatThrownBy(() -> Sun.at(Double.NaN, 172, 12, 0)).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> Sun.at(48, 0, 12, 0)).isInstanceOf(Refused.class);
    }
}
