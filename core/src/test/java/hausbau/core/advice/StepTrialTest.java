package hausbau.core.advice;

import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.set;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Level;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Survey;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StepTrialTest {

    private static final KitRules RULES = KitRules.between(mm(200), mm(4000));

    private static final Massing HOUSE = new Massing(
            SiteSettings.USUAL,
            List.of(
                    new Room(1, "Hall", Vec.ofMillimetres(0, 0, 0), mm(6100), mm(4700), mm(3000)),
                    new Room(2, "Yard", Vec.ofMillimetres(6300, 0, 0), mm(3500), mm(4700), mm(3000))),
            List.of(new Opening(5, 1, Opening.Kind.WINDOW, Side.NORTH, mm(1000), mm(1200), mm(1300), mm(900))));

    private static StandingSet built() {
        return set(
                HOUSE, KitOptions.of(HOUSE, RULES, Set.of(), () -> false).get(0).choice());
    }

    private static StepTrial on(Length step) {
        return StepTrial.of(
                built(), List.of(Level.ground(SiteSettings.USUAL)), RULES, step, Survey::faults, () -> false);
    }

    /** The trial of the step that the site has moves nothing and is the plan itself. */
    @Test
    void onItsOwnStepASiteIsAsItIs() {
        var trial = on(mm(100));
        assertThat(trial.change().orElseThrow().edges()).isZero();
        var plan = KitOptions.recommended(RULES, KitOptions.of(HOUSE, RULES, Set.of(), () -> false));
        assertThat(trial.built().orElseThrow().option().placements()).isEqualTo(plan.placements());
        assertThat(trial.built().orElseThrow().option().kinds()).isEqualTo(plan.kinds());
    }

    /** What is told of a step is what stands once it is taken, and the survey finds no more wrong with it than before. */
    @ParameterizedTest
    @ValueSource(longs = {50_000, 100_000, 200_000, 300_000, 304_800, 152_400, 76_200, 400_000, 500_000})
    void whatIsToldOfAStepIsWhatStandsOnIt(long um) {
        var step = new Length(um);
        var trial = on(step);
        var told = trial.built().orElseThrow(() -> new AssertionError(step + ": " + trial.refusal()));
        var change = trial.change().orElseThrow();
        var massing = new Massing(change.settings(), change.building());
        var stands = set(massing, told.option().choice());
        assertThat(stands.derivedCounts()).hasSize(told.kinds());
        assertThat(stands.derivedCounts().values().stream().mapToLong(n -> n).sum())
                .isEqualTo(told.placements());
        assertThat(told.option().proven()).isTrue();
        assertThat(told.faults()).isEqualTo(Survey.faults(built()));
        var off = massing.runs().stream()
                .flatMap(r -> r.run().spans().stream())
                .filter(s -> !s.length().isMultipleOf(step))
                .collect(Collectors.toList());
        assertThat(off).isEmpty();
    }

    /** By hand: no wall of a room of 4.7 m has whole steps of 7 m. */
    @Test
    void aStepLongerThanARoomIsRefusedInWords() {
        var trial = on(mm(7000));
        assertThat(trial.built()).isEmpty();
        assertThat(trial.refusal()).isNotEmpty();
    }

    @Test
    void theStepsThatAreLookedAtRiseAndHoldTheSitesOwn() {
        var steps = StepTrial.usual(SiteSettings.USUAL);
        assertThat(steps).isSorted().contains(mm(100), mm(600), new Length(304_800), new Length(76_200));
    }
}
