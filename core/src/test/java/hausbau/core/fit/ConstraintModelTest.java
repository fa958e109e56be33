package hausbau.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.measure.Length;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;

/** The kit plan against a general constraint solver (OR-Tools CP-SAT) given the same problem. */
class ConstraintModelTest {

    @RepeatedTest(12)
    void agreesWithAConstraintSolver(RepetitionInfo repetition) {
        var random = new Random(100 + repetition.getCurrentRepetition());
        var spans = new ArrayList<Integer>();
        for (var i = 0; i < 3 + random.nextInt(4); i++) {
            spans.add(8 + random.nextInt(40));
        }
        var kinds = 1 + random.nextInt(3);
        var runs = spans.stream()
                .map(s -> new Run("r", Length.ofMillimetres(s * 100L), List.of()))
                .toList();
        var plan = new KitPlanner(Duration.ofMinutes(1))
                .plan(new KitQuestion(
                        Length.ofMillimetres(100), Length.ofMillimetres(200), Length.ofMillimetres(1600), kinds, runs));
        var solved = new ConstraintModel(spans, 2, 16, kinds).solve(Duration.ofMinutes(1));
        assertThat(solved.proven()).isTrue();
        if (solved.fewest() < 0) {
            assertThat(plan.options()).isEmpty();
        } else {
            assertThat(plan.options().get(plan.options().size() - 1).placements())
                    .isEqualTo(solved.fewest());
        }
    }
}
