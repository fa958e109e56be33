package hausbau.core.standing;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.TestSets;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TilingTest {

    private static List<Length> sizes(long... clear) {
        return Tiling.sizes(
                mm(300), Arrays.stream(clear).mapToObj(Length::ofMillimetres).toList(), false, mm(400), mm(4000));
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
        assertThat(new Tiling(mm(300), sizes(300, 3600, 6000), false).tiles(mm(300)))
                .containsExactly(mm(300));
    }

    @Test
    void whereNoTwoSizesWillDoForAllTheNarrowestIsLeftOut() {
        var step = mm(100);
        var found = Tiling.sizes(step, List.of(mm(500), mm(700), mm(1100), mm(7000)), false, mm(400), mm(4000));
        // By hand: 0.5, 0.7 and 1.1 m are no sums of one another, so they need three sizes.
        // Without 0.5 m two are enough: 0.7 and 1.1 m.
        assertThat(found).containsExactlyInAnyOrder(mm(1100), mm(700));
    }

    @Test
    void whereThereAreOnlySuchStripsThereIsNoTile() {
        assertThat(sizes(300)).isEmpty();
    }

    private static List<Length> mirrored(long size, long... sizes) {
        return new Tiling(
                        mm(100),
                        Arrays.stream(sizes).mapToObj(Length::ofMillimetres).toList(),
                        true)
                .tiles(mm(size));
    }

    /** By hand: 3.8 m is 1, 0.9, 0.9, 1; of 1 m alone two whole ones with 0.9 at both ends; of 1 and 0.7 m it is 1, then 0.9 twice. */
    @Test
    void tilesAreLaidAlikeFromTheMiddle() {
        assertThat(mirrored(3800, 1000, 900)).containsExactly(mm(1000), mm(900), mm(900), mm(1000));
        assertThat(mirrored(3800, 1000)).containsExactly(mm(900), mm(1000), mm(1000), mm(900));
        assertThat(mirrored(5000, 1000)).containsOnly(mm(1000)).hasSize(5);
        assertThat(mirrored(2700, 1000, 700)).containsExactly(mm(1000), mm(700), mm(1000));
        assertThat(mirrored(800, 1000)).containsExactly(mm(800));
    }

    /** By hand: 2.7 and 3.4 m read the same from both ends of 1 and 0.7 m (1, 0.7, 1 and 1, 0.7, 0.7, 1), and of no single tile from 0.5 m. */
    @Test
    void sizesAreChosenSoThatTheyCanBe() {
        var found = Tiling.sizes(mm(100), List.of(mm(2700), mm(3400)), true, mm(400), mm(4000));
        for (var size : List.of(mm(2700), mm(3400))) {
            var tiles = new Tiling(mm(100), found, true).tiles(size);
            assertThat(found).containsAll(tiles).hasSize(2);
            var back = new ArrayList<>(tiles);
            Collections.reverse(back);
            assertThat(tiles).isEqualTo(back);
        }
    }

    private static StandingSet built(SiteSettings.Tiles tiles) {
        var massing =
                new Massing(SiteSettings.USUAL.with(tiles), List.of(TestSets.room(1, 500, 700, 5000, 3800)), List.of());
        var choice = new KitChoice(mm(100), List.of(mm(1000), mm(200)), List.of(mm(1000), mm(700)), mm(200), mm(4000));
        return TestSets.set(massing, choice);
    }

    private static List<Standing> floor(StandingSet set) {
        return set.all().stream().filter(s -> s.kind().role() == Role.FLOOR).toList();
    }

    /** By hand: 5 m is five tiles of 1 m, 3.8 m one of 1 m and four of 0.7 m: 5 square ones, and 20 of 1 × 0.7 m, of two kinds. */
    @Test
    void aTileAndTheSameTurnedByAQuarterAreOneKind() {
        var massing = new Massing(
                SiteSettings.USUAL,
                List.of(TestSets.room(1, 0, 0, 5000, 3800), TestSets.room(2, 9000, 0, 3800, 5000)),
                List.of());
        var choice = new KitChoice(mm(100), List.of(mm(1000), mm(200)), List.of(mm(1000), mm(700)), mm(200), mm(4000));
        var floor = floor(TestSets.set(massing, choice));
        assertThat(floor).hasSize(50);
        assertThat(floor.stream().map(s -> s.kind().size()).distinct())
                .containsExactlyInAnyOrder(Vec.ofMillimetres(1000, 1000, 200), Vec.ofMillimetres(1000, 700, 200));
        // Every tile lies where its place says: the south-west corner of its box, and none over another.
        assertThat(floor.stream().map(s -> s.box().min()).distinct()).hasSize(50);
        assertThat(floor.stream()
                        .mapToLong(s -> s.box().size().x() * s.box().size().y())
                        .sum())
                .isEqualTo(2L * 5_000_000 * 3_800_000);
        for (var a : floor) {
            assertThat(floor).noneMatch(b -> a != b && a.box().overlaps(b.box()));
        }
    }

    /** However they are turned they lie in the same boxes, at the corner or the middle they are set down by; the same each time, and neighbours differ. */
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void turnedTilesLieWhereTheyLay(boolean byCentre) {
        var straight = floor(built(new SiteSettings.Tiles(byCentre, false, false)));
        var turned = floor(built(new SiteSettings.Tiles(byCentre, true, false)));
        assertThat(turned)
                .extracting(Standing::box)
                .containsExactlyElementsOf(straight.stream().map(Standing::box).toList());
        assertThat(turned)
                .extracting(Standing::place)
                .containsExactlyElementsOf(
                        straight.stream().map(Standing::place).toList());
        assertThat(turned)
                .extracting(Standing::kind)
                .containsExactlyElementsOf(straight.stream().map(Standing::kind).toList());
        assertThat(turned).isEqualTo(floor(built(new SiteSettings.Tiles(byCentre, true, false))));
        var square = turned.stream()
                .filter(s -> s.kind().size().x() == s.kind().size().y())
                .toList();
        assertThat(square.stream().map(s -> s.stance().turn()).distinct()).hasSizeGreaterThan(1);
        assertThat(turned.stream().map(s -> s.stance().turn()).distinct()).hasSizeGreaterThan(2);
    }
}
