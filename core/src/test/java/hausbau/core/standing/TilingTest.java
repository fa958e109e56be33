package hausbau.core.standing;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.measure.Length;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class TilingTest {

    private static List<Length> sizes(long... clear) {
        return Tiling.sizes(
                mm(300), Arrays.stream(clear).mapToObj(Length::ofMillimetres).toList(), mm(400), mm(4000));
    }

    /** By hand: 6, 3.6 and 4.8 m are whole numbers of 1.2 m, and of nothing longer. */
    @Test
    void oneSizeThatDividesAllWillDo() {
        assertThat(sizes(3600, 4800, 6000)).containsExactly(mm(1200));
    }

    /** By hand: no tile of 0.4 m or more is as narrow as 0.3 m; the others are laid as if that strip were not there. */
    @Test
    void aStripNarrowerThanAnyTileTakesNoTilesFromTheOthers() {
        assertThat(sizes(300, 3600, 4800, 6000)).containsExactly(mm(1200));
        assertThat(new Tiling(mm(300), sizes(300, 3600, 6000)).tiles(mm(300))).containsExactly(mm(300));
    }

    @Test
    void whereNoTwoSizesWillDoForAllTheNarrowestIsLeftOut() {
        var step = mm(100);
        var found = Tiling.sizes(step, List.of(mm(500), mm(700), mm(1100), mm(7000)), mm(400), mm(4000));
        // By hand: 0.5, 0.7 and 1.1 m are no sums of one another, so they need three sizes.
        // Without 0.5 m two are enough: 0.7 and 1.1 m.
        assertThat(found).containsExactlyInAnyOrder(mm(1100), mm(700));
    }

    @Test
    void whereThereAreOnlySuchStripsThereIsNoTile() {
        assertThat(sizes(300)).isEmpty();
    }
}
