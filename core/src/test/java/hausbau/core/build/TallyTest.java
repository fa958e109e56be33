package hausbau.core.build;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.finish.TextureMemory;
import hausbau.core.kit.Recipe;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import java.util.List;
import org.junit.jupiter.api.Test;

class TallyTest {

    /** A chamfered box has 6 faces, 12 edge strips and 8 corners: 12 + 24 + 8 = 44 triangles, one material. */
    @Test
    void itCountsWhatIsDrawnAndWhatInstancesSave() {
        var mesh = new Recipe.CornerPost(Vec.ofMillimetres(200, 200, 3000)).mesh(Finish.ofDensity(256));
        var tally = Tally.of(List.of(new Tally.Use("POS-200", mesh, 10), new Tally.Use("none", mesh, 0)));
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
        assertThat(Tally.of(List.of(new Tally.Use("LMP", lamp, 1000))).drawCalls()).isEqualTo(2);
    }

    /** Each material has a sheet of three pictures; what draws most is named, three at most. */
    @Test
    void itNamesWhatCostsMost() {
        var post = new Recipe.CornerPost(Vec.ofMillimetres(200, 200, 3000)).mesh(Finish.ofDensity(256));
        var tally = Tally.of(List.of(new Tally.Use("a", post, 1), new Tally.Use("b", post, 3), new Tally.Use("c", post, 2), new Tally.Use("d", post, 1), new Tally.Use("none", post, 0)));
        assertThat(tally.heaviest()).containsExactly(new Tally.Share("b", 132), new Tally.Share("c", 88), new Tally.Share("a", 44));
        assertThat(tally.textures()).isEqualTo(TextureMemory.of(1024, 3));
    }

    @Test
    void nothingCostsNothing() {
        assertThat(Tally.of(List.of())).isEqualTo(new Tally(0, 0, 0, 0, 0, 0, 0, TextureMemory.NONE, List.of()));
    }
}
