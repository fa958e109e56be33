package hausbau.core.fit;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.fit.Division.Sort;
import hausbau.core.fit.DivisionQuestion.Fixed;
import hausbau.core.fit.DivisionQuestion.Side;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** Lengths that must agree, and the least change of one that need not, against every sum there is. */
class DividerAgreementTest {

    private static final int MOST = 60;

    /** Every sum of the kinds up to {@code MOST} steps, by adding one piece at a time. */
    private static TreeSet<Integer> sums(int[] kinds) {
        var sums = new TreeSet<>(List.of(0));
        for (var grown = true; grown; ) {
            var more = new TreeSet<Integer>();
            sums.forEach(s ->
                    Arrays.stream(kinds).map(k -> s + k).filter(t -> t <= MOST).forEach(more::add));
            grown = sums.addAll(more);
        }
        return sums;
    }

    private static DivisionQuestion question(List<Side> sides, boolean agree, int[] kinds) {
        // No new piece is allowed, so that only sums and changes remain.
        return new DivisionQuestion(
                sides,
                agree,
                Arrays.stream(kinds).mapToObj(k -> mm(k * 100L)).toList(),
                mm(100),
                mm(900_000),
                mm(900_000));
    }

    @RepeatedTest(60)
    void sidesThatMustAgreeChangeByTheLeast(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var kinds = random.ints(1 + random.nextInt(2), 3, 9).distinct().toArray();
        var lengths = new int[] {random.nextInt(8, 25), random.nextInt(8, 25)};
        var fixed = random.nextInt(1, 4);
        var sides = new ArrayList<Side>();
        for (var i = 0; i < 2; i++) {
            sides.add(new Side(
                    "side " + i,
                    mm(lengths[i] * 100L),
                    i == 0 ? List.of(new Fixed("door", mm(fixed * 100L))) : List.of()));
        }
        var sums = sums(kinds);
        var least = Integer.MAX_VALUE;
        for (var total = fixed + 1; total <= MOST - 10; total++) {
            if (sums.contains(total - fixed) && sums.contains(total)) {
                least = Math.min(least, Math.abs(total - lengths[0]) + Math.abs(total - lengths[1]));
            }
        }
        var answers = Divider.divide(question(sides, true, kinds));
        var exactAsTheyAre = lengths[0] == lengths[1] && sums.contains(lengths[0] - fixed) && sums.contains(lengths[1]);
        if (exactAsTheyAre) {
            assertThat(answers.get(0).sort()).isEqualTo(Sort.KNOWN);
        } else if (least < 12) {
            assertThat(answers.get(0).changed()).isEqualTo(mm(least * 100L));
            assertThat(answers.get(0).filled().get(0).length())
                    .isEqualTo(answers.get(0).filled().get(1).length());
        }
    }

    @RepeatedTest(60)
    void aLengthThatDoesNotDivideIsToldTheNearestOnBothSides(RepetitionInfo repetition) {
        var random = new Random(1000 + repetition.getCurrentRepetition());
        var kinds = random.ints(1 + random.nextInt(2), 3, 9).distinct().toArray();
        var length = random.nextInt(5, 30);
        var sums = sums(kinds);
        var answers = Divider.divide(question(List.of(new Side("wall", mm(length * 100L), List.of())), false, kinds));
        if (sums.contains(length)) {
            assertThat(answers).singleElement().extracting(Division::sort).isEqualTo(Sort.KNOWN);
            return;
        }
        var wanted = new TreeSet<Length>();
        wanted.add(mm((sums.higher(length) - length) * 100L));
        if (sums.lower(length) > 0) {
            wanted.add(mm((sums.lower(length) - length) * 100L));
        }
        assertThat(answers).allMatch(a -> a.sort() == Sort.CHANGED);
        assertThat(answers).extracting(a -> a.changes().get(0).by()).containsExactlyInAnyOrderElementsOf(wanted);
        assertThat(answers).extracting(Division::changed).isSorted();
    }

    /** Inches and millimetres together: the coarsest unit they share is a tenth of a millimetre, and the sum is still exact. */
    @Test
    void lengthsOfDifferentMeasureAreDividedExactly() {
        var inch = new Length(25_400);
        var answers = Divider.divide(new DivisionQuestion(
                List.of(new Side("shelf", inch.times(50), List.of())),
                false,
                List.of(inch.times(10), mm(254)),
                mm(1),
                mm(2000),
                mm(2000)));
        assertThat(answers.get(0).sort()).isEqualTo(Sort.KNOWN);
        assertThat(answers.get(0).filled().get(0).pieces()).hasSize(5).containsOnly(mm(254));
    }

    @Test
    void lengthsWithoutAMeasureInCommonAreRefused() {
        var odd = new Side("odd", new Length(999_999_937), List.of());
        assertThatThrownBy(() -> new DivisionQuestion(List.of(odd), false, List.of(mm(500)), mm(1), mm(10), mm(4000)))
                .hasMessageContaining("too fine a measure in common");
    }
}
