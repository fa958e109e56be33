package hausbau.core.arrange;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.block;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.standing;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.kit.Piece;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Snapping on a step of 100 mm. The block is 1000 × 400 × 500 mm, its pivot at its least corner. */
class SnappingTest {

    private static final Piece BLOCK = block(1000, 400, 500);

    private static Snapping.Snapped snap(Piece piece, long x, long y, long z, Standing... around) {
        return new Snapping(mm(100), 0, List.of(around))
                .snap(piece.kind(), Stance.at(Vec.ofMillimetres(x, y, z), Turn.NONE));
    }

    private static Vec at(Snapping.Snapped snapped) {
        return snapped.stance().at();
    }

    @Test
    void aloneAPieceComesToTheStepAndTheFloor() {
        var snapped = snap(BLOCK, 1049, -1050, 700);
        // Half a step goes up; common practice, no source.
        assertThat(at(snapped)).isEqualTo(Vec.ofMillimetres(1000, -1000, 0));
        assertThat(snapped.holds())
                .extracting(Snapping.Hold::to)
                .containsExactly(Snapping.To.GRID, Snapping.To.GRID, Snapping.To.FLOOR);
    }

    @Test
    void anEdgeWithinHalfAStepWinsOverTheGrid() {
        // The other ends at X 2030, off the grid.
        var snapped = snap(BLOCK, 2060, 0, 0, standing(7, BLOCK, 1030, 0, 0));
        assertThat(at(snapped)).isEqualTo(Vec.ofMillimetres(2030, 0, 0));
        assertThat(snapped.holds().get(0))
                .isEqualTo(new Snapping.Hold('X', Snapping.To.EDGE, Optional.of(new Place.ByHand(7))));
    }

    @Test
    void anEdgeFartherThanHalfAStepDoesNotHold() {
        assertThat(at(snap(BLOCK, 2081, 0, 0, standing(7, BLOCK, 1030, 0, 0))).x())
                .isEqualTo(2_100_000);
    }

    @Test
    void theNearerOfTwoEdgesHolds() {
        var snapped = snap(BLOCK, 2048, 0, 0, standing(7, BLOCK, 1010, 0, 0), standing(8, BLOCK, 1040, 0, 0));
        assertThat(at(snapped).x()).isEqualTo(2_040_000);
        assertThat(snapped.holds().get(0).place()).contains(new Place.ByHand(8));
    }

    @Test
    void anEdgeInAnotherRowOrAnotherStoreyDoesNotHold() {
        assertThat(at(snap(BLOCK, 2060, 0, 0, standing(7, BLOCK, 1030, 5000, 0)))
                        .x())
                .isEqualTo(2_100_000);
        assertThat(at(snap(BLOCK, 2060, 0, 0, standing(7, BLOCK, 1030, 0, 3000)))
                        .x())
                .isEqualTo(2_100_000);
    }

    @Test
    void itLiesOnTheHighestSurfaceBelowTheHand() {
        var low = standing(7, BLOCK, 0, 0, 0);
        var high = standing(8, BLOCK, 0, 0, 2000);
        var snapped = snap(BLOCK, 0, 0, 600, low, high);
        assertThat(at(snapped).z()).isEqualTo(500_000);
        assertThat(snapped.holds().get(2))
                .isEqualTo(new Snapping.Hold('Z', Snapping.To.SURFACE, Optional.of(new Place.ByHand(7))));
        assertThat(at(snap(BLOCK, 0, 0, 2600, low, high)).z()).isEqualTo(2_500_000);
    }

    @Test
    void aTopUpToHalfAStepAboveTheHandStillCarries() {
        assertThat(at(snap(BLOCK, 0, 0, 450, standing(7, BLOCK, 0, 0, 0))).z()).isEqualTo(500_000);
        assertThat(at(snap(BLOCK, 0, 0, 449, standing(7, BLOCK, 0, 0, 0))).z()).isZero();
    }

    @Test
    void aTurnedPieceSnapsByItsTurnedExtent() {
        var turned = Stance.at(Vec.ofMillimetres(2410, 0, 0), new Turn(1));
        // Turned left, the block reaches 400 mm to the west of its pivot: its west edge at 2010 goes to 2030.
        var snapped = new Snapping(mm(100), 0, List.of(standing(7, BLOCK, 1030, 0, 0))).snap(BLOCK.kind(), turned);
        assertThat(at(snapped)).isEqualTo(Vec.ofMillimetres(2430, 0, 0));
    }

    @Test
    void plumbDropsOntoWhatIsUnderAndNeverLifts() {
        var seat = standing(7, BENCH, 0, 0, 0);
        var snapping = new Snapping(mm(100), 0, List.of(seat));
        assertThat(snapping.plumb(BLOCK.kind(), Stance.at(Vec.ofMillimetres(-200, -100, 900), Turn.NONE))
                        .at()
                        .z())
                .isEqualTo(450_000);
        assertThat(snapping.plumb(BLOCK.kind(), Stance.at(Vec.ofMillimetres(5000, 0, 900), Turn.NONE))
                        .at()
                        .z())
                .isZero();
        assertThat(snapping.plumb(BLOCK.kind(), Stance.at(Vec.ofMillimetres(5000, 0, -300), Turn.NONE))
                        .at()
                        .z())
                .isEqualTo(-300_000);
    }

    @Test
    void itsReachHoldsEverythingThatCanHoldIt() {
        var reach = Snapping.reach(Stance.at(Vec.ofMillimetres(1000, 1000, 0), Turn.NONE), BLOCK.kind(), mm(100));
        assertThat(reach.min().x()).isEqualTo(900_000);
        assertThat(reach.max().y()).isEqualTo(1_500_000);
    }
}
