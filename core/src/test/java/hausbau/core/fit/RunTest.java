package hausbau.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.measure.Length;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The sums that are done in the head; common practice, no source. */
class RunTest {

    private static Length mm(long mm) {
        return Length.ofMillimetres(mm);
    }

    private static List<Length> fill(long span, long... kinds) {
        var lengths = Arrays.stream(kinds).mapToObj(RunTest::mm).toList();
        return new Filling(mm(100), lengths, mm(span)).fill(mm(span)).orElseThrow();
    }

    @Test
    void aWallOfTwoMetresIsFourHalves() {
        assertThat(fill(2000, 500)).containsExactly(mm(500), mm(500), mm(500), mm(500));
    }

    @Test
    void aDoorSplitsARunInTwo() {
        var run = new Run("north", mm(11_000), List.of(new FixedItem("door", mm(4000), mm(1200))));
        assertThat(run.spans()).containsExactly(new Span(mm(0), mm(4000)), new Span(mm(5200), mm(5800)));
    }

    /** A wall of 2000 with a door of 300 leaves 1700: 500 + 500 + 500 + 200. */
    @Test
    void whatADoorLeavesIsFilledFromHalvesAndOneShortPiece() {
        var run = new Run("wall", mm(2000), List.of(new FixedItem("door", mm(0), mm(300))));
        assertThat(run.spans()).containsExactly(new Span(mm(300), mm(1700)));
        assertThat(fill(1700, 500, 200)).containsExactly(mm(500), mm(500), mm(500), mm(200));
    }

    /** One side reads 200 + 500 + 400 = 1100, so the other must come to 1100 too: 500 + 500 + 100. */
    @Test
    void theOtherSideComesToTheSameSum() {
        assertThat(fill(1100, 500, 100)).containsExactly(mm(500), mm(500), mm(100));
    }

    @Test
    void theFewestPiecesAreTakenEvenWhereTheLongestFirstWouldFail() {
        assertThat(fill(600, 400, 300)).containsExactly(mm(300), mm(300));
    }

    @Test
    void fixedItemsFromEndToEndLeaveNothingToFill() {
        assertThat(new Run("bay", mm(900), List.of(new FixedItem("window", mm(0), mm(900)))).spans())
                .isEmpty();
    }

    @Test
    void aLaidOutRunHasNoGap() {
        var run = new Run("north", mm(11_000), List.of(new FixedItem("door", mm(4000), mm(1200))));
        var items = FilledRun.of(mm(100), run, List.of(mm(4000), mm(1800)))
                .orElseThrow()
                .items();
        assertThat(items).extracting(FilledRun.Item::at).containsExactly(mm(0), mm(4000), mm(5200), mm(9200));
        assertThat(items).extracting(FilledRun.Item::piece).containsExactly("wall", "door", "wall", "wall");
    }

    /** Nearest by hand: from 1100 and 400, 300 mm cannot be had; 400 and, below it, nothing. */
    @Test
    void theNearestLengthsThatKindsComeToAreNamed() {
        var step = Length.ofMillimetres(100);
        var kinds = List.of(Length.ofMillimetres(1100), Length.ofMillimetres(400));
        assertThat(Filling.nearest(step, kinds, Length.ofMillimetres(300))).containsExactly(Length.ofMillimetres(400));
        assertThat(Filling.nearest(step, kinds, Length.ofMillimetres(1300)))
                .containsExactly(Length.ofMillimetres(1200), Length.ofMillimetres(1500));
        assertThat(Filling.nearest(step, kinds, new Length(1_150_000)))
                .containsExactly(Length.ofMillimetres(1100), Length.ofMillimetres(1200));
    }
}
