package hausbau.core.arrange;

import static hausbau.core.TestSets.block;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.standing;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.kit.Piece;
import hausbau.core.measure.Axis;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Handles on a step of 100 mm. The block is 1000 × 400 × 500 mm, its pivot at its least corner; what is moved stands at 0. */
class MovingTest {

    private static final Piece BLOCK = block(1000, 400, 500);
    private static final Box BOX = Box.of(0, 0, 0, 1_000_000, 400_000, 500_000);

    private static Vec moved(long x, long y, long z, Standing... around) {
        return new Moving(mm(100), List.of(around)).snapped(BOX, Vec.ofMillimetres(x, y, z));
    }

    @Test
    void aloneItMovesByWholeSteps() {
        assertThat(moved(1049, -1051, 0)).isEqualTo(Vec.ofMillimetres(1000, -1100, 0));
    }

    @Test
    void aSideWithinHalfAStepOfANeighboursHolds() {
        // Its east side at 1730 meets the neighbour's west side at 1760.
        assertThat(moved(730, 0, 0, standing(7, BLOCK, 1760, 0, 0))).isEqualTo(Vec.ofMillimetres(760, 0, 0));
        assertThat(moved(700, 0, 0, standing(7, BLOCK, 1760, 0, 0)))
                .as("60 mm away: by the step")
                .isEqualTo(Vec.ofMillimetres(700, 0, 0));
    }

    @Test
    void liftedItComesLevelWithATopAndDoesNotDrop() {
        assertThat(moved(0, 0, 480, standing(7, BLOCK, 500, 100, -30)))
                .as("its foot on the other's top, at 470")
                .isEqualTo(Vec.ofMillimetres(0, 0, 470));
        assertThat(moved(0, 0, 1230)).isEqualTo(Vec.ofMillimetres(0, 0, 1200));
    }

    @Test
    void whatIsNotBesideDoesNotHold() {
        assertThat(moved(730, 0, 0, standing(7, BLOCK, 1760, 401, 0))).isEqualTo(Vec.ofMillimetres(700, 0, 0));
        assertThat(moved(730, 0, 0, standing(7, BLOCK, 1760, 0, 500)))
                .as("it only lies as high as its top")
                .isEqualTo(Vec.ofMillimetres(700, 0, 0));
    }

    @Test
    void clearancesAreMeasuredStraightAcross() {
        var clearances = Clearance.around(
                BOX,
                List.of(Axis.X),
                List.of(
                        standing(7, BLOCK, 1300, 200, 0),
                        standing(8, BLOCK, -1200, 0, 100),
                        standing(9, BLOCK, 2000, 0, 0)),
                10_000_000);
        assertThat(clearances)
                .containsExactly(
                        new Clearance(Axis.X, at(0, 200, 300), at(-200, 200, 300), new Place.ByHand(8)),
                        new Clearance(Axis.X, at(1000, 300, 250), at(1300, 300, 250), new Place.ByHand(7)));
        assertThat(clearances).extracting(Clearance::um).containsExactly(200_000L, 300_000L);
    }

    private static Vec at(long x, long y, long z) {
        return Vec.ofMillimetres(x, y, z);
    }

    /** By its meaning: moved by the clearance it touches, by more it overlaps, and nothing that it would meet sooner is passed over. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void movedByTheClearanceItTouches(long seed) {
        var random = new Random(seed);
        var around = random.ints(30, -4000, 4000)
                .mapToObj(x -> standing(x + 5000, BLOCK, x, random.nextInt(-600, 600), random.nextInt(-600, 600)))
                .filter(s -> !s.box().overlaps(BOX))
                .toList();
        for (var clearance : Clearance.around(BOX, List.of(Axis.values()), around, 5_000_000)) {
            var by = clearance.axis().of(clearance.to()) - clearance.axis().of(clearance.from());
            assertThat(around.stream().map(Standing::box))
                    .as("seed %d, %s", seed, clearance)
                    .noneMatch(BOX.movedBy(clearance.axis().by(by))::overlaps);
            assertThat(around.stream().map(Standing::box))
                    .as("seed %d, a micrometre beyond %s", seed, clearance)
                    .anyMatch(
                            BOX.movedBy(clearance.axis().by(by == 0 ? outward(clearance) : by + Long.signum(by)))
                                    ::overlaps);
        }
    }

    private static long outward(Clearance clearance) {
        return clearance.axis().of(clearance.from()) == clearance.axis().of(BOX.max()) ? 1 : -1;
    }
}
