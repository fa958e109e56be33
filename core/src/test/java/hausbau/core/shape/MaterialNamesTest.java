package hausbau.core.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import hausbau.core.measure.Refused;
import org.junit.jupiter.api.Test;

/** Files tell materials apart by their names, so no two are called alike. */
class MaterialNamesTest {

    @Test
    void eachIsCalledAsItsSwatchUntilToldOtherwise() {
        var names = MaterialNames.USUAL.with(Swatch.PLASTER, "  Limewash ").with(Swatch.SHARED_B, "signage");
        assertThat(names.of(Swatch.PLASTER)).isEqualTo("Limewash");
        assertThat(names.of(Swatch.SHARED_B)).isEqualTo("signage");
        assertThat(names.of(Swatch.SHARED_C)).isEqualTo("shared c");
        assertThat(names.with(Swatch.PLASTER, " ").of(Swatch.PLASTER)).isEqualTo("plaster");
        assertThat(names.with(Swatch.PLASTER, "plaster").told()).containsOnlyKeys(Swatch.SHARED_B);
    }

    @Test
    void noTwoAreCalledAlikeInWhateverLetters() {
        var names = MaterialNames.USUAL.with(Swatch.OWN1, "oak");
        for (var taken : new String[] {"Oak", "stone", "SHARED D"}) {
            assertThatExceptionOfType(Refused.class).as(taken).isThrownBy(() -> names.with(Swatch.OWN2, taken)).withMessageContaining(taken);
        }
        assertThat(names.with(Swatch.OWN1, "OAK").of(Swatch.OWN1)).as("the same otherwise written").isEqualTo("OAK");
        // What one was called is free for another.
        assertThat(names.with(Swatch.OWN1, "elm").with(Swatch.OWN2, "oak").called("oak")).contains(Swatch.OWN2);
        assertThatExceptionOfType(Refused.class).isThrownBy(() -> names.with(Swatch.OWN2, "x".repeat(41))).withMessageContaining("40");
    }

    @Test
    void aFreshNameIsTheOneWantedOrHasANumber() {
        var names = MaterialNames.USUAL.with(Swatch.OWN1, "oak").with(Swatch.OWN2, "oak 2");
        assertThat(names.fresh("elm")).isEqualTo("elm");
        assertThat(names.fresh("Oak")).isEqualTo("Oak 3");
        assertThat(names.with(Swatch.OWN3, names.fresh("y".repeat(200))).of(Swatch.OWN3)).hasSizeLessThanOrEqualTo(40).startsWith("yyy");
    }
}
