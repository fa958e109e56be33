package hausbau.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class KitPlannerTest {

    private static final Duration LONG = Duration.ofMinutes(2);

    private static Length mm(long mm) {
        return Length.ofMillimetres(mm);
    }

    private static Run plain(long lengthMm) {
        return new Run("run " + lengthMm, mm(lengthMm), List.of());
    }

    private static KitPlan plan(long step, long least, long most, int kinds, Run... runs) {
        return new KitPlanner(LONG).plan(new KitQuestion(mm(step), mm(least), mm(most), kinds, List.of(runs)));
    }

    /** The worked example of the contract: 4000 and 5800 beside a door; 49 pieces of 200, or 4000 + 4000 + 1800. */
    @Test
    void theWorkedExampleComesOut() {
        var run = new Run("north", mm(11_000), List.of(new FixedItem("door", mm(4000), mm(1200))));
        var plan = plan(100, 200, 4000, 4, run);
        assertThat(plan.options())
                .containsExactly(
                        new KitPlan.Option(List.of(mm(200)), 49, true),
                        new KitPlan.Option(List.of(mm(4000), mm(1800)), 3, true));
        assertThat(plan.recommended()).hasValue(1);
    }

    /** By hand: of pieces of 700 and more, 700, 1100 and 1300 need one each; neither one kind nor two fill all of them. */
    @Test
    void tooFewKindsAreNoOption() {
        assertThat(plan(100, 700, 4000, 4, plain(700), plain(1100), plain(1300)).options())
                .containsExactly(new KitPlan.Option(List.of(mm(1300), mm(1100), mm(700)), 3, true));
    }

    /** Against an independent brute force: every set of at most k lengths, every span by plain recursion. */
    @RepeatedTest(60)
    void agreesWithABruteForceOnSmallCases(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var least = 1 + random.nextInt(3);
        var most = least + random.nextInt(7);
        var spans = new ArrayList<Integer>();
        for (var i = 0; i < 1 + random.nextInt(5); i++) {
            spans.add(1 + random.nextInt(30));
        }
        var plan = plan(
                100,
                least * 100L,
                most * 100L,
                3,
                spans.stream().map(s -> plain(s * 100L)).toArray(Run[]::new));
        if (spans.stream().anyMatch(s -> BruteForce.fewest(s, BruteForce.range(least, most)) == BruteForce.NEVER)) {
            assertThat(plan.options()).isEmpty();
            assertThat(plan.unfillable()).isNotEmpty();
            return;
        }
        assertThat(plan.unfillable()).isEmpty();
        var expected = BruteForce.options(spans, least, most, 3);
        assertThat(plan.options().stream().map(KitPlan.Option::placements)).containsExactlyElementsOf(expected);
        assertThat(plan.options()).allSatisfy(option -> {
            assertThat(option.proven()).isTrue();
            var kinds =
                    option.kinds().stream().map(k -> (int) (k.um() / 100_000)).toList();
            assertThat(BruteForce.total(spans, kinds))
                    .as("the kinds named really do it")
                    .isEqualTo(option.placements());
        });
    }

    @Test
    void theTradesLargeCaseIsProven() {
        var random = new Random(1);
        var runs = new ArrayList<Run>();
        for (var i = 0; i < 40; i++) {
            runs.add(plain(2000 + 100L * random.nextInt(221)));
        }
        var plan = new KitPlanner(LONG).plan(new KitQuestion(mm(100), mm(200), mm(4000), 4, runs));
        assertThat(plan.options()).hasSizeGreaterThan(1).allMatch(KitPlan.Option::proven);
        assertThat(plan.options().get(0).kinds().size())
                .isLessThan(plan.options().get(1).kinds().size());
    }

    @Test
    void whatTimeDoesNotAllowToProveIsNotCalledProven() {
        var random = new Random(3);
        var runs = new ArrayList<Run>();
        for (var i = 0; i < 60; i++) {
            runs.add(plain(4000 + 50L * random.nextInt(881)));
        }
        var plan = new KitPlanner(Duration.ofMillis(300)).plan(new KitQuestion(mm(50), mm(200), mm(8000), 5, runs));
        assertThat(plan.options()).anyMatch(option -> !option.proven());
        assertThat(plan.options()).allSatisfy(option -> assertThat(runs)
                .allSatisfy(run ->
                        assertThat(FilledRun.of(mm(50), run, option.kinds())).isPresent()));
    }

    @Test
    void aLengthOffTheStepIsUnfillableAndNamesItsNeighbours() {
        var plan = plan(100, 200, 4000, 2, plain(11_050), plain(3000));
        assertThat(plan.options()).isEmpty();
        assertThat(plan.recommended()).isEmpty();
        assertThat(plan.unfillable())
                .containsExactly(
                        new KitPlan.Unfillable("run 11050", new Span(mm(0), mm(11_050)), mm(11_000), mm(11_100)));
    }

    /** From pieces of 400 to 500: one gives 400 to 500, two give 800 to 1000; 700 lies between. */
    @Test
    void aLengthBetweenTheBandsNamesTheirEnds() {
        assertThat(plan(100, 400, 500, 1, plain(700)).unfillable())
                .containsExactly(new KitPlan.Unfillable("run 700", new Span(mm(0), mm(700)), mm(500), mm(800)));
    }

    @Test
    void aSpanShorterThanEveryPieceHasOnlyALongerNeighbour() {
        assertThat(plan(100, 400, 500, 1, plain(100)).unfillable())
                .containsExactly(new KitPlan.Unfillable("run 100", new Span(mm(0), mm(100)), Length.ZERO, mm(400)));
    }

    @Test
    void whereNoMultipleOfTheStepIsAllowedNothingFills() {
        assertThat(plan(100, 210, 290, 1, plain(1000)).unfillable())
                .containsExactly(
                        new KitPlan.Unfillable("run 1000", new Span(mm(0), mm(1000)), Length.ZERO, Length.ZERO));
    }

    @Test
    void runsThatFixedItemsFillTakeNoKindAtAll() {
        var plan = plan(100, 200, 4000, 3, new Run("bay", mm(900), List.of(new FixedItem("window", mm(0), mm(900)))));
        assertThat(plan.options()).containsExactly(new KitPlan.Option(List.of(), 0, true));
    }

    @Test
    void everyFaultIsNamed() {
        var bad = new Run(
                "x".repeat(201),
                mm(1000),
                List.of(new FixedItem("a", mm(0), mm(600)), new FixedItem("b", mm(500), mm(600))));
        assertThatThrownBy(() -> new KitQuestion(Length.ZERO, mm(500), mm(400), 9, List.of(bad, plain(-5))))
                .isInstanceOfSatisfying(Refused.class, refused -> assertThat(
                                refused.faults().stream().map(f -> f.field()).collect(Collectors.toList()))
                        .containsExactly(
                                "stepMm",
                                "minPieceMm",
                                "maxKinds",
                                "runs[0].name",
                                "runs[0].fixed[1].atMm",
                                "runs[1].lengthMm"));
    }

    @Test
    void theLastOptionThatStillSavesATenthIsRecommended() {
        assertThat(KitPlan.recommend(options(100, 90, 82, 81))).hasValue(1);
        assertThat(KitPlan.recommend(options(100, 91))).hasValue(0);
        assertThat(KitPlan.recommend(options(100, 95, 50))).hasValue(2);
    }

    private static List<KitPlan.Option> options(long... placements) {
        return Arrays.stream(placements)
                .mapToObj(n -> new KitPlan.Option(List.of(), n, true))
                .toList();
    }

    /** Were the time given not kept, this would take most of an hour and the build would be stopped. */
    @Test
    void enormousQuestionsAreAnswered() {
        var runs = new ArrayList<Run>();
        for (var i = 0; i < 2000; i++) {
            runs.add(plain(10_000_000 - i));
        }
        var plan = new KitPlanner(Duration.ofSeconds(3)).plan(new KitQuestion(mm(1), mm(1), mm(10_000_000), 8, runs));
        assertThat(plan.options()).isNotEmpty();
        assertThat(plan.options().get(0).kinds()).containsExactly(mm(1));
    }
}
