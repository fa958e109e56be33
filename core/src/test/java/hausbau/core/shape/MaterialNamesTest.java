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
        assertThat(names.of(Swatch.sheet(3))).isEqualTo("shared c");
        assertThat(names.with(Swatch.PLASTER, " ").of(Swatch.PLASTER)).isEqualTo("plaster");
        assertThat(names.with(Swatch.PLASTER, "plaster").told()).containsOnlyKeys(Swatch.SHARED_B);
    }

    @Test
    void noTwoAreCalledAlikeInWhateverLetters() {
        var names = MaterialNames.USUAL.with(Swatch.own(1), "oak");
        for (var taken : new String[] {"Oak", "stone", "SHARED D"}) {
            assertThatExceptionOfType(Refused.class)
                    .as(taken)
                    .isThrownBy(() -> names.with(Swatch.own(2), taken))
                    .withMessageContaining(taken);
        }
        assertThat(names.with(Swatch.own(1), "OAK").of(Swatch.own(1)))
                .as("the same otherwise written")
                .isEqualTo("OAK");
        // What one was called is free for another.
        assertThat(names.with(Swatch.own(1), "elm").with(Swatch.own(2), "oak").called("oak"))
                .contains(Swatch.own(2));
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> names.with(Swatch.own(2), "x".repeat(41)))
                .withMessageContaining("40");
    }

    @Test
    void aFreshNameIsTheOneWantedOrHasANumber() {
        var names = MaterialNames.USUAL.with(Swatch.own(1), "oak").with(Swatch.own(2), "oak 2");
        assertThat(names.fresh("elm")).isEqualTo("elm");
        assertThat(names.fresh("Oak")).isEqualTo("Oak 3");
        assertThat(names.with(Swatch.own(3), names.fresh("y".repeat(200))).of(Swatch.own(3)))
                .hasSizeLessThanOrEqualTo(40)
                .startsWith("yyy");
    }
}
