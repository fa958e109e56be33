package hausbau.core.budget;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.finish.TextureMemory;
import hausbau.core.kit.Recipe;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class TallyTest {

    /** A chamfered box has 6 faces, 12 edge strips and 8 corners: 12 + 24 + 8 = 44 triangles, one material. */
    @Test
    void itCountsWhatIsDrawnAndWhatInstancesSave() {
        var mesh = new Recipe.CornerPost(Vec.ofMillimetres(200, 200, 3000)).mesh(Finish.ofDensity(256));
        var tally = Tally.of(List.of(new Tally.Use("POS-200", mesh, 10), new Tally.Use("none", mesh, 0)), Sheets.USUAL);
        assertThat(tally.kinds()).isEqualTo(1);
        assertThat(tally.placements()).isEqualTo(10);
        assertThat(tally.drawCalls()).isEqualTo(1);
        assertThat(tally.triangles()).isEqualTo(440);
        // A matrix of sixteen 4-byte numbers for each placement.
        assertThat(tally.instancedBytes()).isEqualTo(mesh.bytes() + 10 * 64);
        assertThat(tally.flatBytes()).isEqualTo(10 * mesh.bytes());
    }

    @Test
    void aPieceOfTwoMaterialsTakesTwoDrawCalls() {
        var lamp = new Recipe.Lamp().mesh(Finish.ofDensity(256));
        assertThat(Tally.of(List.of(new Tally.Use("LMP", lamp, 1000)), Sheets.USUAL)
                        .drawCalls())
                .isEqualTo(2);
    }

    /** Each material has a sheet of three pictures; what draws most is named, three at most. */
    @Test
    void itNamesWhatCostsMost() {
        var post = new Recipe.CornerPost(Vec.ofMillimetres(200, 200, 3000)).mesh(Finish.ofDensity(256));
        var tally = Tally.of(
                List.of(
                        new Tally.Use("a", post, 1),
                        new Tally.Use("b", post, 3),
                        new Tally.Use("c", post, 2),
                        new Tally.Use("d", post, 1),
                        new Tally.Use("none", post, 0)),
                Sheets.USUAL);
        assertThat(tally.heaviest())
                .containsExactly(new Tally.Share("b", 132), new Tally.Share("c", 88), new Tally.Share("a", 44));
        assertThat(tally.textures()).isEqualTo(TextureMemory.of(1024, 3));
    }

    /** A sheet of twice the side takes four times as much, but for the last level; the largest is named first. */
    @Test
    void largerSheetsTakeMore() {
        var lamp = new Recipe.Lamp().mesh(Finish.ofDensity(256));
        var tally = Tally.of(
                List.of(new Tally.Use("LMP", lamp, 2), new Tally.Use("LMP", lamp, 1, 7)),
                new Sheets(Map.of(Swatch.OPAL, 2048), Map.of()));
        assertThat(tally.materials()).isEqualTo(4);
        assertThat(tally.textures()).isEqualTo(TextureMemory.of(2048, 6).plus(TextureMemory.of(1024, 6)));
        assertThat(tally.largest()).hasSize(3);
        assertThat(tally.largest().get(0)).isEqualTo(new Tally.Sheet(Swatch.OPAL, 0, 2048, TextureMemory.of(2048, 3)));
        assertThat(tally.largest().get(1)).isEqualTo(new Tally.Sheet(Swatch.OPAL, 7, 2048, TextureMemory.of(2048, 3)));
        assertThat(TextureMemory.of(2048, 1).plain())
                .isEqualTo(4 * TextureMemory.of(1024, 1).plain() + 4);
    }

    @Test
    void nothingCostsNothing() {
        assertThat(Tally.of(List.of(), Sheets.USUAL))
                .isEqualTo(new Tally(0, 0, 0, 0, 0, 0, 0, TextureMemory.NONE, List.of(), List.of(), 0, 0));
    }
}
