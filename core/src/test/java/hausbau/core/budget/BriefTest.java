package hausbau.core.budget;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.finish.TextureMemory;
import hausbau.core.measure.Refused;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class BriefTest {

    private static final Tally TALLY =
            new Tally(3, 40, 12, 9_000, 1, 1, 5, new TextureMemory(80, 20), List.of(), List.of(), 30, 9);

    private static Brief brief(List<Long> planned, List<Long> corrected) {
        return new Brief("", "", Budget.Target.OWN, Budget.NONE, planned, corrected);
    }

    private static List<Long> each(long value) {
        return Collections.nCopies(Brief.STAGES, value);
    }

    @Test
    void whatIsSpentIsMeasuredAgainstWhatIsAllowed() {
        var lines = new Budget(8_999, 12, 79, 6, 5, 30, 8).measure(TALLY);
        assertThat(lines)
                .extracting(Budget.Line::what)
                .containsExactly(
                        "triangles",
                        "draw calls",
                        "texture memory",
                        "materials",
                        "sheets",
                        "lamps",
                        "lamps in one place");
        assertThat(lines).extracting(Budget.Line::spent).containsExactly(9_000L, 12L, 80L, 5L, 5L, 30L, 9L);
        assertThat(lines).extracting(Budget.Line::isOver).containsExactly(true, false, true, false, false, false, true);
    }

    @Test
    void noBudgetIsNeverOver() {
        assertThat(Budget.NONE.measure(TALLY)).noneMatch(Budget.Line::isOver);
    }

    /** The presets rise from the phone to film; each is only where a person begins. */
    @ParameterizedTest
    @EnumSource(value = Budget.Target.class, names = "OWN", mode = EnumSource.Mode.EXCLUDE)
    void everyTargetLimitsEverything(Budget.Target target) {
        var b = target.budget();
        assertThat(List.of(
                        b.triangles(),
                        b.drawCalls(),
                        b.textureBytes(),
                        b.materials(),
                        b.sheets(),
                        b.lamps(),
                        b.lampsAtOnce()))
                .allMatch(limit -> limit > 0);
    }

    @Test
    void aBudgetBelowNothingIsRefusedByName() {
        assertThatThrownBy(() -> new Budget(-1, 0, 0, 0, Long.MAX_VALUE, 0, 0))
                .isInstanceOfSatisfying(
                        Refused.class,
                        r -> assertThat(r.faults()).extracting(f -> f.field()).containsExactly("triangles", "sheets"));
    }

    @Test
    void thereIsOneTimeBoxAStage() {
        assertThatThrownBy(() -> brief(List.of(1L, 2L), each(0))).hasMessageContaining("7 stages");
        assertThatThrownBy(() -> brief(each(-1), each(0))).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> brief(each(0), each(Long.MIN_VALUE / 2))).isInstanceOf(Refused.class);
        assertThat(brief(each(90), each(-30)).correctedSeconds()).containsOnly(-30L);
    }

    @Test
    void textsHaveAnEnd() {
        assertThatThrownBy(() -> new Brief("i".repeat(4001), "", Budget.Target.OWN, Budget.NONE, each(0), each(0)))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Brief("", "f".repeat(301), Budget.Target.OWN, Budget.NONE, each(0), each(0)))
                .isInstanceOf(Refused.class);
    }

    /** By hand: three of a piece that gets 16 more are 48 more; one that is nowhere yet is all of its own more. */
    @Test
    void aPieceIsMeasuredAgainstTheTrianglesThatAreLeft() {
        var budget = new Budget(9_050, 0, 0, 0, 0, 0, 0);
        assertThat(budget.triangles(TALLY, 3, 44, 60))
                .isEqualTo(new Budget.Line("triangles", 9_048, 9_050))
                .matches(line -> !line.isOver());
        assertThat(budget.triangles(TALLY, 3, 60, 44).spent()).isEqualTo(8_952);
        assertThat(budget.triangles(TALLY, 0, 44, 60))
                .isEqualTo(new Budget.Line("triangles", 9_060, 9_050))
                .matches(Budget.Line::isOver);
        assertThat(Budget.NONE.triangles(TALLY, 0, 0, 1_000_000).isOver()).isFalse();
    }
}
