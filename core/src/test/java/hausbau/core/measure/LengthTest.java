package hausbau.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LengthTest {

    @Test
    void millimetresAreThousandsOfMicrometres() {
        assertThat(Length.ofMillimetres(new BigDecimal("1234.567"))).isEqualTo(new Length(1_234_567));
        assertThat(new Length(1_234_567).toMillimetres()).isEqualByComparingTo("1234.567");
    }

    @Test
    void roundTensAreWrittenWithoutAnExponent() {
        assertThat(new Length(4_000_000).toMillimetres().toString()).isEqualTo("4000");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0.0001", "1e-30", "1e12", "1e999999", "-1e400"})
    void whatIsFinerThanAMicrometreOrBeyondAThousandKilometresIsRefused(String millimetres) {
        assertThatThrownBy(() -> Length.ofMillimetres(new BigDecimal(millimetres)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({
        "250, 200, 300, 300",
        "200, 200, 200, 200",
        "249, 200, 300, 200",
        "-50, -100, 0, 0",
        "-51, -100, 0, -100"
    })
    void stepsAreFoundBelowAboveAndNearest(long mm, long below, long above, long nearest) {
        var step = Length.ofMillimetres(100);
        var length = Length.ofMillimetres(mm);
        assertThat(length.floorTo(step)).isEqualTo(Length.ofMillimetres(below));
        assertThat(length.ceilTo(step)).isEqualTo(Length.ofMillimetres(above));
        assertThat(length.roundTo(step)).isEqualTo(Length.ofMillimetres(nearest));
    }
}
