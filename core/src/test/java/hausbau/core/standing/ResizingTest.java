package hausbau.core.standing;

import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.set;
import static hausbau.core.TestSets.window;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Recipe;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.survey.Survey;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ResizingTest {

    private static final KitRules RULES = KitRules.between(mm(200), mm(4000));
    /** Walls of 3 m, as thick as usual. */
    private static final Tiers.Size STOREY = new Tiers.Size(mm(3000), SiteSettings.USUAL.wall());

    private static KitChoice kit(List<Long> joints, Map<Tiers.Size, List<Length>> lengths, Length... kinds) {
        return new KitChoice(mm(100), List.of(kinds), List.of(mm(1000)), RULES, new Tiers(joints, lengths));
    }

    private static Kind wall(StandingSet set, long length, long height) {
        return set.derivedCounts().keySet().stream()
                .filter(k -> k.recipe() instanceof Recipe.WallPanel)
                .filter(k -> k.size().x() == length * 1000 && k.size().z() == height * 1000)
                .findFirst()
                .orElseThrow();
    }

    private static Resizing resized(Massing massing, KitChoice choice, long from, long height, long to, long toHeight) {
        return Resizing.of(
                massing, choice, wall(set(massing, choice), from, height), mm(to), mm(toHeight), () -> false);
    }

    /** By hand: 4 m from pieces of 2 m; with 1 m in their place all walls are still filled. */
    @Test
    void aLengthThatFillsAsWellIsExchanged() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 4000)));
        var choice = kit(List.of(), Map.of(STOREY, List.of(mm(2000))), mm(2000));
        var is = resized(massing, choice, 2000, 3000, 1000, 3000);
        assertThat(is.unfit()).isEmpty();
        assertThat(is.added()).isEmpty();
        assertThat(is.choice().lengths(new Tiers.Size(mm(3000), mm(200)))).containsExactly(mm(1000));
    }

    /** By hand: 1.5 m does not come to 4 m; one piece of 2.5 m beside each does, with the fewest pieces. */
    @Test
    void whereItFitsNoMoreTheFewestLengthsAreAdded() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 4000)));
        var choice = kit(List.of(), Map.of(STOREY, List.of(mm(2000))), mm(2000));
        var is = resized(massing, choice, 2000, 3000, 1500, 3000);
        assertThat(is.unfit()).hasSize(4).allSatisfy(s -> {
            assertThat(s.length()).isEqualTo(mm(4000));
            assertThat(s.height()).isEqualTo(mm(3000));
        });
        assertThat(is.added()).containsExactly(new Resizing.Size(mm(2500), mm(3000)));
        assertThat(is.choice().lengths(new Tiers.Size(mm(3000), mm(200)))).containsExactly(mm(2500), mm(1500));
    }

    /** By hand: 6 m high, cut at 3 m; with the lower tier 3.5 m high the upper one is left 2.5 m, of the same lengths. */
    @Test
    void anotherHeightMovesTheJointAtItsTop() {
        var hall = new Room(1, "Hall", Vec.ofMillimetres(0, 0, 0), mm(4000), mm(4000), mm(6000));
        var massing = massing(List.of(hall));
        var choice = kit(List.of(3_000_000L), Map.of(STOREY, List.of(mm(2000))), mm(2000));
        var is = resized(massing, choice, 2000, 3000, 2000, 3500);
        assertThat(is.choice().tiers().joints()).containsExactly(3_500_000L);
        assertThat(is.choice().lengths(new Tiers.Size(mm(3500), mm(200)))).containsExactly(mm(2000));
        assertThat(is.choice().lengths(new Tiers.Size(mm(2500), mm(200)))).containsExactly(mm(2000));
        assertThat(is.unfit()).isEmpty();
    }

    @Test
    void whatCannotBeHadIsRefusedInWords() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 4000)), window(5, Side.NORTH, 1000, 1200, 900, 1300));
        var choice = kit(List.of(), Map.of(STOREY, List.of(mm(2000), mm(200))), mm(2000));
        assertThatThrownBy(() -> resized(massing, choice, 2000, 3000, 2000, 3200))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("change that under Massing");
        assertThatThrownBy(() -> resized(massing, choice, 2000, 3000, 2050, 3000))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("whole number of steps");
        assertThatThrownBy(() -> resized(massing, choice, 2000, 3000, 4100, 3000))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("0.2 m to 4 m");
        var set = set(massing, choice);
        var panel = set.derivedCounts().keySet().stream()
                .filter(k -> k.recipe() instanceof Recipe.OpeningPanel)
                .findFirst()
                .orElseThrow();
        assertThatThrownBy(() -> Resizing.of(massing, choice, panel, mm(1600), mm(3000), () -> false))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("follow the massing");
    }

    /** Random buildings, any of their wall kinds made any other length: what comes out fills all, and keeps all other lengths. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void whatComesOutFillsEveryWallAndKeepsTheOthers(long seed) {
        var random = new Random(seed);
        var rooms = new ArrayList<Room>();
        for (var i = 1; i <= 3; i++) {
            rooms.add(new Room(
                    i,
                    "Room " + i,
                    Vec.ofMillimetres(9000L * i, 0, 0),
                    mm(100L * (30 + random.nextInt(40))),
                    mm(100L * (30 + random.nextInt(40))),
                    mm(i == 1 ? 5800 : 2800)));
        }
        var massing =
                massing(rooms, new Opening(9, 2, Opening.Kind.DOOR, Side.SOUTH, mm(800), mm(1000), mm(2100), mm(0)));
        var choice = KitOptions.of(massing, RULES, Set.of(), () -> false).get(0).choice();
        var before = set(massing, choice);
        var kinds = before.derivedCounts().keySet().stream()
                .filter(k -> k.recipe() instanceof Recipe.WallPanel)
                .filter(k -> choice.lengths(Tiers.Size.of(k))
                        .contains(new Length(k.size().x())))
                .sorted(Comparator.comparing(Kind::toString))
                .toList();
        for (var kind : kinds) {
            var height = new Length(kind.size().z());
            var to = mm(100L * (2 + random.nextInt(39)));
            var is = Resizing.of(massing, choice, kind, to, height, () -> false);
            // As an option it is taken by its word, which checks that all runs are filled.
            var taken = KitChoice.parse(massing, is.choice().word());
            var after = set(massing, taken);
            assertThat(Survey.faults(after))
                    .as("seed %d, %s to %s", seed, kind, to)
                    .isEqualTo(Survey.faults(before));
            assertThat(taken.tiers().joints()).isEqualTo(choice.tiers().joints());
            choice.tiers().lengths().forEach((size, lengths) -> {
                if (!size.height().equals(height)) {
                    assertThat(taken.lengths(size))
                            .as("seed %d, %s to %s: %s", seed, kind, to, size)
                            .isEqualTo(lengths);
                }
            });
            assertThat(is.unfit().isEmpty()).isEqualTo(is.added().isEmpty());
        }
    }
}
