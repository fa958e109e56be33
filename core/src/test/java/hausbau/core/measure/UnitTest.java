package hausbau.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Conversions against the legal definition: 1 foot = 0.3048 m and 1 inch = 25.4 mm exactly (international yard and pound
 * agreement, 1959). The old engine unit, 16 to the foot, is common practice, no source.
 */
class UnitTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            4.5m       | METRE           | 4500000
            450 cm     | METRE           | 4500000
            450        | CENTIMETRE      | 4500000
            4500 MM    | METRE           | 4500000
            1 ft       | METRE           | 304800
            1'         | METRE           | 304800
            14' 9"     | METRE           | 4495800
            14'9"      | METRE           | 4495800
            14' 9      | FEET_AND_INCHES | 4495800
            14         | FEET_AND_INCHES | 4267200
            1/2"       | METRE           | 12700
            9 1/2 in   | METRE           | 241300
            14' 9 1/2" | METRE           | 4508500
            14 ft 9 in | METRE           | 4495800
            96u        | METRE           | 1828800
            96         | ENGINE_UNIT     | 1828800
            16 u       | METRE           | 304800
            1/16"      | METRE           | 1588
            -2m 50cm   | METRE           | -2500000
            .5         | METRE           | 500000
            2 km       | METRE           | 2000000000
            """)
    void typedLengthsAreRead(String text, Unit unit, long micrometres) {
        assertThat(unit.parse(text)).isEqualTo(new Length(micrometres));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "  ",
                "m",
                "four",
                "4,,5m",
                "1/0\"",
                "4.5.6",
                "3 4",
                "1e5",
                "NaN",
                "Infinity",
                "9999999999km",
                "12m;",
                "1//2",
                "--3"
            })
    void whatIsNoLengthIsRefusedWithAWord(String text) {
        assertThatThrownBy(() -> Unit.METRE.parse(text))
                .isInstanceOf(Refused.class)
                .message()
                .isNotBlank();
    }

    @Test
    void aVeryLongTextIsRefusedWithoutRepeatingIt() {
        assertThatThrownBy(() -> Unit.METRE.parse("9".repeat(100_000)))
                .isInstanceOf(Refused.class)
                .satisfies(e -> assertThat(e.getMessage().length()).isLessThan(300));
    }

    /** A person of 6 ft is 96 of the old engine's units (common practice, no source). */
    @Test
    void sixFeetAreNinetySixEngineUnits() {
        assertThat(Unit.ENGINE_UNIT.format(Unit.FEET_AND_INCHES.parse("6'"))).isEqualTo("96 u");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            4500000 | METRE           | 4.5 m
            4500000 | CENTIMETRE      | 450 cm
            4500001 | MILLIMETRE      | 4500.001 mm
            4495800 | FEET_AND_INCHES | 14' 9"
            4508500 | FEET_AND_INCHES | 14' 9 1/2"
            304800  | FEET_AND_INCHES | 1'
            1588    | FEET_AND_INCHES | 1/16"
            0       | FEET_AND_INCHES | 0"
            -12700  | FEET_AND_INCHES | -1/2"
            """)
    void lengthsAreWrittenInTheUnit(long micrometres, Unit unit, String text) {
        assertThat(unit.format(new Length(micrometres))).isEqualTo(text);
    }

    /** From a micrometre to 10 km either way, as often short as long. */
    @RepeatedTest(200)
    void whatIsWrittenReadsBackAsTheSameLength(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        for (var i = 0; i < 20; i++) {
            var length =
                    new Length(Math.round(Math.pow(10, random.nextDouble() * 10)) * (random.nextBoolean() ? 1 : -1));
            assertThat(Arrays.stream(Unit.values()))
                    .allSatisfy(unit -> assertThat(Unit.METRE.parse(unit.format(length)))
                            .as(unit.format(length))
                            .isEqualTo(length));
        }
    }

    /** How people type: a decimal comma, a product, a change by an amount. */
    @Test
    void commasProductsAndChangesAreRead() {
        assertThat(Unit.METRE.parse("4,8m")).isEqualTo(Length.ofMillimetres(4800));
        assertThat(Unit.MILLIMETRE.parse("2*300")).isEqualTo(Length.ofMillimetres(600));
        assertThat(Unit.METRE.parse("3 × 1,25 m + 10cm")).isEqualTo(Length.ofMillimetres(3850));
        assertThat(Unit.METRE.parse("4' 6\" * 2")).isEqualTo(new Length(2_743_200));
        assertThat(Unit.MILLIMETRE.parse("+50", Length.ofMillimetres(1200))).isEqualTo(Length.ofMillimetres(1250));
        assertThat(Unit.METRE.parse("+-2cm", Length.ofMillimetres(1200))).isEqualTo(Length.ofMillimetres(1180));
        assertThat(Unit.MILLIMETRE.parse("50", Length.ofMillimetres(1200))).isEqualTo(Length.ofMillimetres(50));
        assertThatThrownBy(() -> Unit.METRE.parse("2m*3m")).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> Unit.METRE.parse("2*")).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> Unit.METRE.parse("999999*999999"))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("1000 km");
        assertThatThrownBy(() -> Unit.METRE.parse("+999km", Length.ofMillimetres(9_000_000)))
                .isInstanceOf(Refused.class);
    }

    /** The trade's own sum: 200 + 500 + 400 = 1100 (common practice, no source). */
    @Test
    void aSumIsReadTermByTerm() {
        assertThat(Unit.MILLIMETRE.parse("200 + 500+400")).isEqualTo(Length.ofMillimetres(1100));
        assertThat(Unit.METRE.parse("1 + 20cm + 1/2 ft")).isEqualTo(new Length(1_352_400));
        assertThatThrownBy(() -> Unit.METRE.parse("1 + ")).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> Unit.METRE.parse("999km + 999km"))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("1000 km");
    }
}
