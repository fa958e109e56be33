package hausbau.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class TierPlannerTest {

    private static Length mm(long mm) {
        return Length.ofMillimetres(mm);
    }

    private static TierWall wall(long length, long height, TierWall.Opening... openings) {
        return new TierWall("north", mm(length), mm(height), List.of(openings));
    }

    private static TierWall.Opening opening(long at, long length, long sill, long height) {
        return new TierWall.Opening(mm(at), mm(length), mm(sill), mm(height));
    }

    private static TierPlan plan(int kinds, TierWall... walls) {
        return new TierPlanner(Duration.ofMinutes(10), () -> false)
                .plan(new TierQuestion(mm(100), mm(200), mm(4000), mm(400), mm(4000), kinds, List.of(walls)));
    }

    /** By hand: 6 × 4 m is one tier of two pieces of 3 m; no single piece is longer than 4 m. */
    @Test
    void aWallWithoutOpeningsIsOneTierOfItsGreatestPieces() {
        var options = plan(4, wall(6000, 4000)).options();
        assertThat(options).hasSize(1);
        assertThat(options.get(0).kinds()).isEqualTo(1);
        assertThat(options.get(0).placements()).isEqualTo(2);
        assertThat(options.get(0).proven()).isTrue();
        assertThat(options.get(0).pieces()).containsExactly(new TierPlan.Size(mm(3000), mm(4000)));
        assertThat(options.get(0).tiers()).containsExactly(List.of(mm(4000)));
    }

    /** By hand: 7.6 m over 4.4 and 3.2 m, each 4 m long, shares tiers of 3.8 + 3.8 or of 4.4's own; two kinds are 3.2 × 2 and 1.2. */
    @Test
    void heightsOfSeveralWallsAreStackedFromTheSameTiers() {
        var options =
                plan(8, wall(4000, 7600), wall(4000, 4400), wall(4000, 3200)).options();
        // One height for all three divides 7.6, 4.4 and 3.2 m: 0.4 m, that is 19 + 11 + 8 tiers.
        assertThat(options.get(0).kinds()).isEqualTo(1);
        assertThat(options.get(0).placements()).isEqualTo(38);
        // With 3.2 and 1.2 m: 3.2 + 3.2 + 1.2, 3.2 + 1.2 and 3.2 m.
        assertThat(options.get(1).kinds()).isEqualTo(2);
        assertThat(options.get(1).placements()).isEqualTo(6);
    }

    /** By hand: one panel of the opening's length, as high as the one tier; 2.2 m left of it and 2.2 m right. */
    @Test
    void aPanelTakesTheOpeningsLengthAndTheLeastStackOfTiersThatHoldsIt() {
        var options = plan(2, wall(6000, 3000, opening(2200, 1600, 900, 1500))).options();
        assertThat(options).hasSize(1);
        assertThat(options.get(0).kinds()).isEqualTo(2);
        assertThat(options.get(0).placements()).isEqualTo(3);
        assertThat(options.get(0).panels()).containsExactly(new TierPlan.Panel(mm(1600), mm(1500), mm(900), mm(3000)));
    }

    /** Two windows over one another: no tier may reach from one into the other. */
    @Test
    void noTierLaysTwoPanelsOverOneAnother() {
        var options = plan(8, wall(2000, 3600, opening(500, 1000, 400, 800), opening(500, 1000, 2200, 800)))
                .options();
        assertThat(options).allSatisfy(o -> assertThat(o.tiers().get(0)).hasSizeGreaterThan(1));
    }

    /** A tier is from 0.4 to 4 m high and on the step. */
    @Test
    void aWallThatNoTiersBuildIsNamed() {
        assertThat(plan(4, wall(4000, 300)).unfillable()).hasSize(1);
        assertThat(plan(4, wall(4000, 3050)).unfillable()).hasSize(1);
        assertThat(plan(4, wall(4000, 3000, opening(100, 1000, 0, 2000))).unfillable())
                .extracting(TierWall::name)
                .containsExactly("north");
        // Off the step in height alone, an opening is held by whole tiers all the same.
        assertThat(plan(4, wall(4000, 3000, opening(1000, 1000, 0, 2015))).unfillable())
                .isEmpty();
    }

    @Test
    void openingsThatStickOutOrMeetAreRefused() {
        assertThatThrownBy(() -> plan(4, wall(4000, 3000, opening(3500, 1000, 0, 2000))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("sticks out");
        assertThatThrownBy(() -> plan(4, wall(4000, 3000, opening(0, 1000, 0, 2000), opening(500, 1000, 1000, 500))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("meets");
    }

    static IntStream seeds() {
        return IntStream.range(0, 150);
    }

    /** Small random buildings against OR-Tools CP-SAT: the fewest placements for every number of kinds, all proven. */
    @ParameterizedTest
    @MethodSource("seeds")
    void agreesWithAConstraintSolver(int seed) {
        var random = new Random(seed);
        var walls = new ArrayList<TierModel.Wall>();
        for (var w = 0; w < 1 + random.nextInt(3); w++) {
            var length = 2 + random.nextInt(7);
            var height = 2 + random.nextInt(5);
            var openings = new ArrayList<TierModel.Opening>();
            for (var at = random.nextInt(3); at + 1 < length && openings.size() < 2; at += 2 + random.nextInt(3)) {
                var sill = random.nextInt(height - 1);
                openings.add(new TierModel.Opening(
                        at, 1 + random.nextInt(Math.min(2, length - at)), sill, 1 + random.nextInt(height - sill)));
            }
            walls.add(new TierModel.Wall(length, height, openings));
        }
        var least = 1 + random.nextInt(2);
        var greatest = 3 + random.nextInt(3);
        var leastTier = 1 + random.nextInt(2);
        var greatestTier = 3 + random.nextInt(2);
        var maxKinds = 4;
        var question = new TierQuestion(
                mm(100),
                mm(100L * least),
                mm(100L * greatest),
                mm(100L * leastTier),
                mm(100L * greatestTier),
                maxKinds,
                walls.stream().map(TierPlannerTest::wall).toList());
        var options = new TierPlanner(Duration.ofMinutes(10), () -> false)
                .plan(question)
                .options();
        var before = Long.MAX_VALUE;
        var expected = new ArrayList<List<Long>>();
        for (var kinds = 1; kinds <= maxKinds; kinds++) {
            var fewest = TierModel.fewest(walls, least, greatest, leastTier, greatestTier, kinds);
            if (fewest >= 0 && fewest < before) {
                before = fewest;
                expected.add(List.of((long) kinds, fewest));
            }
        }
        assertThat(options.stream()
                        .map(o -> List.of((long) o.kinds(), o.placements()))
                        .toList())
                .as("seed %d: %s", seed, walls)
                .isEqualTo(expected);
        assertThat(options).as("seed %d", seed).allMatch(TierPlan.Option::proven);
    }

    private static TierWall wall(TierModel.Wall w) {
        return new TierWall(
                "wall",
                mm(100L * w.length()),
                mm(100L * w.height()),
                w.openings().stream()
                        .map(o -> opening(100L * o.at(), 100L * o.length(), 100L * o.sill(), 100L * o.height()))
                        .toList());
    }
}
