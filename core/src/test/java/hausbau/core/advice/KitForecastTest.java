package hausbau.core.advice;

import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.set;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.PlanMemory;
import hausbau.core.standing.StandingSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class KitForecastTest {

    private static final KitRules RULES = KitRules.between(mm(200), mm(4000));

    private static Room room(long id, long x, long width, long height) {
        return new Room(id, "Room " + id, Vec.ofMillimetres(x, 0, 0), mm(width), mm(4000), mm(height));
    }

    private static Massing massing(long step, Room... rooms) {
        var s = SiteSettings.USUAL;
        return new Massing(
                new SiteSettings(
                        s.unit(),
                        Length.ofMillimetres(step),
                        s.wall(),
                        s.storey(),
                        256,
                        false,
                        false,
                        s.guardDrop(),
                        s.corners()),
                List.of(rooms),
                List.of());
    }

    private static StandingSet built(Massing massing) {
        return set(
                massing,
                KitOptions.of(massing, new PlanMemory(massing.settings().step(), RULES, Set.of()), () -> false)
                        .get(0)
                        .choice());
    }

    /** From nothing, with nothing remembered. */
    private static int fewest(Massing massing) {
        return built(massing).derivedCounts().size();
    }

    /** By hand: two rooms a step apart in height have a kind of wall and of post each; made alike, two kinds fall away. */
    @Test
    void aWallThatIsDraggedSaysWhatBecomesOfTheKit() {
        var before = built(massing(100, room(1, 0, 4000, 3000), room(2, 9000, 4000, 3100)));
        var then = massing(100, room(1, 0, 4000, 3000), room(2, 9000, 4000, 3000));
        var after = before.next(before.decisions().with(then));
        var change = new KitForecast(before, RULES).of(before, after, () -> false);
        assertThat(change.before().kinds()).isEqualTo(before.derivedCounts().size());
        assertThat(change.after().kinds()).isEqualTo(after.derivedCounts().size());
        assertThat(change.before().fewest().getAsInt() - change.after().fewest().getAsInt())
                .isEqualTo(2);
    }

    /** What is remembered of one place that a wall was dragged to never shows in what is told of the next. */
    @Test
    void manyPlacesOneAfterTheOtherAreEachAsIfAskedAlone() {
        var before = built(massing(100, room(1, 0, 4000, 3000), room(2, 9000, 5300, 3100)));
        var forecast = new KitForecast(before, RULES);
        var random = new Random(7);
        for (var n = 0; n < 25; n++) {
            var then = massing(
                    100,
                    room(1, 0, 3000 + 100L * random.nextInt(30), 3000),
                    room(2, 9000, 5300, 2800 + 100L * random.nextInt(5)));
            var after = before.next(before.decisions().with(then));
            assertThat(forecast.of(before, after, () -> false).after().fewest())
                    .as("place %d", n)
                    .isEqualTo(OptionalInt.of(fewest(then)));
        }
    }

    /** What is found before one has to give up may be proven already; what is not is not told. */
    @Test
    void whoDoesNotWaitIsToldNothingThatIsNotSo() {
        var before = built(massing(100, room(1, 0, 4000, 3000)));
        var then = massing(100, room(1, 0, 4700, 3000), room(2, 9000, 5300, 3100));
        var change = new KitForecast(before, RULES)
                .of(before, before.next(before.decisions().with(then)), () -> true);
        assertThat(change.after().kinds()).isPositive();
        assertThat(change.after().fewest()).isIn(OptionalInt.empty(), OptionalInt.of(fewest(then)));
    }

    @Test
    void whatIsRememberedHoldsForItsStepAndRulesAlone() {
        var of = built(massing(100, room(1, 0, 4000, 3000)));
        var forecast = new KitForecast(of, RULES);
        assertThat(forecast.fits(of, RULES)).isTrue();
        assertThat(forecast.fits(of, KitRules.between(mm(200), mm(3000)))).isFalse();
        assertThat(forecast.fits(built(massing(200, room(1, 0, 4000, 3000))), RULES))
                .isFalse();
    }
}
