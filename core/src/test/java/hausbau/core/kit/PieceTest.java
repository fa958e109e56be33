package hausbau.core.kit;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.TestSets;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** A piece's own frame begins at its pivot. */
class PieceTest {

    private static final Vec SIZE = Vec.ofMillimetres(2000, 200, 3000);

    private static Piece with(Pivot pivot) {
        return new Piece("WAL-2000", "wall", Role.WALL, new Recipe.WallPanel(SIZE), pivot);
    }

    /** Where the least corner of a 2000 × 200 × 3000 wall lies, seen from each pivot. */
    @ParameterizedTest
    @CsvSource({
        "FACE_START, 0, 0, 0",
        "BASE_CENTRE, -1000, -100, 0",
        "BASE_CORNER, 0, 0, 0",
        "TOP_CENTRE, -1000, -100, -3000",
        "TOP_CORNER, 0, 0, -3000"
    })
    void theFrameBeginsAtThePivot(Pivot pivot, long x, long y, long z) {
        var box = with(pivot).box();
        assertThat(box.min()).isEqualTo(Vec.ofMillimetres(x, y, z));
        assertThat(box.size()).isEqualTo(SIZE);
    }

    @ParameterizedTest
    @EnumSource
    void solidsAndMeshLieInTheSameFrame(Pivot pivot) {
        var piece = with(pivot);
        assertThat(piece.solids()).singleElement().extracting(Solid::box).isEqualTo(piece.box());
        var mesh = piece.mesh(Finish.ofDensity(256));
        for (var i = 0; i < mesh.vertices(); i++) {
            var p = mesh.position(i);
            assertThat(p.x())
                    .isBetween(
                            piece.box().min().x() / 1000.0 - 1e-6,
                            piece.box().max().x() / 1000.0 + 1e-6);
            assertThat(p.z())
                    .isBetween(
                            piece.box().min().z() / 1000.0 - 1e-6,
                            piece.box().max().z() / 1000.0 + 1e-6);
        }
    }

    @Test
    void aCodeTellsRoleAndSizes() {
        assertThat(Piece.code(Role.WALL, mm(2000))).isEqualTo("WAL-2000");
        assertThat(Piece.code(Role.FLOOR, mm(4000), mm(2500))).isEqualTo("FLR-4000x2500");
        assertThat(Piece.code(Role.POST, new Length(12_500))).isEqualTo("POS-12.5");
    }

    @Test
    void twoPiecesOfOneRecipeAreOneKind() {
        assertThat(new Recipe.WallPanel(SIZE)).isEqualTo(new Recipe.WallPanel(Vec.ofMillimetres(2000, 200, 3000)));
        assertThat(new Recipe.StandIn(SIZE)).isNotEqualTo(new Recipe.WallPanel(SIZE));
        assertThat(TestSets.BENCH.isStandIn()).isFalse();
    }

    /** A doorway of 1000 × 2100 in 1400: legs of 160 beside a frame of 40, and what is above. */
    @Test
    void aDoorwaysSolidsLeaveTheOpeningFree() {
        var panel = new Recipe.OpeningPanel(
                Vec.ofMillimetres(1400, 200, 3000),
                new Box(Vec.ofMillimetres(200, 0, 0), Vec.ofMillimetres(1200, 200, 2100)));
        var clear = panel.clear();
        assertThat(panel.isDoorway()).isTrue();
        assertThat(panel.solids())
                .allSatisfy(s -> assertThat(s.box().overlaps(clear)).isFalse());
        assertThat(panel.solids())
                .anySatisfy(s -> assertThat(s.box().size()).isEqualTo(Vec.ofMillimetres(160, 200, 3000)));
    }
}
