package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KitTest {

    private static final Length STOREY = Length.ofMillimetres(3000);

    private static Kind wall(long length, long height) {
        return new Kind(Role.WALL, new Recipe.WallPanel(Vec.ofMillimetres(length, 200, height)), Pivot.FACE_START);
    }

    @Test
    void aKindIsRoleRecipeAndPivot() {
        assertThat(wall(2000, 3000))
                .isEqualTo(wall(2000, 3000))
                .hasSameHashCodeAs(wall(2000, 3000))
                .isNotEqualTo(wall(2000, 3001));
        var recipe = new Recipe.Tile(Vec.ofMillimetres(1000, 1000, 200));
        assertThat(new Kind(Role.FLOOR, recipe, Pivot.TOP_CORNER))
                .isNotEqualTo(new Kind(Role.CEILING, recipe, Pivot.TOP_CORNER))
                .isNotEqualTo(new Kind(Role.FLOOR, recipe, Pivot.TOP_CENTRE));
    }

    @Test
    void aCodeThatIsGivenTellsMore() {
        var kit = new Kit(Map.of(1L, new Piece("WAL-2000", "old wall", wall(2000, 3000))));
        var thick = new Kind(Role.WALL, new Recipe.WallPanel(Vec.ofMillimetres(2000, 300, 3000)), Pivot.FACE_START);
        var thicker = new Kind(Role.WALL, new Recipe.WallPanel(Vec.ofMillimetres(2000, 400, 3000)), Pivot.FACE_START);
        assertThat(kit.unnamed(List.of(wall(2000, 3000), thick, thicker, thick)))
                .containsExactly(thick, thicker);
        assertThat(kit.codes(List.of(thick, thicker, wall(1000, 3000)), STOREY, Map.of()))
                .containsExactly("WAL-2000x3000", "WAL-2000x3000x400", "WAL-1000");
        var tiled = new Kind(thick.role(), thick.recipe(), thick.pivot(), 7);
        assertThat(kit.codes(List.of(tiled), STOREY, Map.of(7L, "tiled, green")))
                .containsExactly("WAL-2000-TILED");
        // Nothing tells apart what differs by its pivot alone: it is numbered.
        var centred = new Kind(thick.role(), thick.recipe(), Pivot.BASE_CENTRE);
        var topped = new Kind(thick.role(), thick.recipe(), Pivot.TOP_CORNER);
        assertThat(Kit.EMPTY.codes(List.of(thick, centred, topped, wall(2000, 3000)), STOREY, Map.of()))
                .containsExactly("WAL-2000", "WAL-2000x3000", "WAL-2000x3000x300", "WAL-2000x3000x200");
        assertThat(kit.codeFor("WAL-2000")).isEqualTo("WAL-2000-2");
        assertThat(kit.codeFor("PRP-TILL")).isEqualTo("PRP-TILL");
    }

    /** By hand: two doors of one panel, of 0.9 and 1.0 m clear. */
    @Test
    void panelsAreToldApartByWhatIsOpenInThem() {
        var size = Vec.ofMillimetres(1400, 200, 3000);
        var narrow = new Kind(
                Role.DOOR,
                new Recipe.OpeningPanel(size, Box.of(200_000, 0, 0, 1_100_000, 200_000, 2_100_000)),
                Pivot.FACE_START);
        var wide = new Kind(
                Role.DOOR,
                new Recipe.OpeningPanel(size, Box.of(200_000, 0, 0, 1_200_000, 200_000, 2_100_000)),
                Pivot.FACE_START);
        assertThat(Kit.EMPTY.codes(List.of(narrow, wide), STOREY, Map.of()))
                .containsExactly("DOR-1400", "DOR-1400-1000x2100");
    }

    @Test
    void aPieceIsFoundByIdAndByKind() {
        var kit = new Kit(Map.of(7L, new Piece("WAL-2000", "wall", wall(2000, 3000))))
                .with(Map.of(8L, new Piece("WAL-1000", "wall", wall(1000, 3000))));
        assertThat(kit.id(wall(1000, 3000))).contains(8L);
        assertThat(kit.piece(7)).hasValueSatisfying(p -> assertThat(p.code()).isEqualTo("WAL-2000"));
        assertThat(kit.code(wall(2000, 3000))).isEqualTo("WAL-2000");
        assertThat(kit.code(wall(500, 3000)))
                .as("one without a code is called what it is")
                .isEqualTo("wall");
    }

    @Test
    void kindsAreDescribedInTheUnit() {
        var window = new Kind(
                Role.WINDOW,
                new Recipe.OpeningPanel(
                        Vec.ofMillimetres(1400, 200, 3000), Box.of(100_000, 0, 900_000, 1_300_000, 200_000, 2_200_000)),
                Pivot.FACE_START);
        assertThat(window.describe(Unit.METRE)).isEqualTo("window 1.2 m × 1.3 m");
        assertThat(window.describe(Unit.CENTIMETRE)).isEqualTo("window 120 cm × 130 cm");
        assertThat(wall(2000, 3000).describe(Unit.MILLIMETRE)).isEqualTo("wall 2000 mm");
        assertThat(new Kind(Role.FLOOR, new Recipe.Tile(Vec.ofMillimetres(1000, 500, 200)), Pivot.TOP_CORNER)
                        .describe(Unit.METRE))
                .isEqualTo("floor tile 1 m × 0.5 m");
        assertThat(new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE).describe(Unit.METRE))
                .isEqualTo("bench");
    }

    /** The height is told only where it is not the storey's. */
    @ParameterizedTest
    @CsvSource({"2000, 3000, WAL-2000", "2000, 2500, WAL-2000x2500", "1250, 3000, WAL-1250"})
    void codesAreSuggestedByLengthAndOddHeight(long length, long height, String code) {
        assertThat(wall(length, height).suggestedCode(STOREY)).isEqualTo(code);
    }

    /** What the massing sets down keeps its kind and looks otherwise; what a person sets down is what they made, and answers for what it was. */
    @Test
    void whatIsToldOfAPieceMakesItAnotherKindOnlyWhereAPersonSetsItDown() {
        var lamp = new Kind(Role.PROP, new Recipe.WallLamp(), Pivot.BASE_CENTRE);
        var wall = wall(2000, 3000);
        var block = List.of(Part.of(Swatch.STONE, new Form.Block(Vec.ofMillimetres(300, 200, 100)), Vec.ZERO));
        var kit = Kit.of(
                Map.of(
                        1L,
                        new PieceDescription("LAMP", "", lamp, Optional.empty(), block),
                        2L,
                        new PieceDescription("WAL-2000", "", wall, Optional.empty(), block)),
                Looks.NONE,
                Sheets.USUAL,
                Unit.METRE);
        var made = kit.piece(1).orElseThrow();
        assertThat(made.size()).isEqualTo(Vec.ofMillimetres(300, 200, 100));
        assertThat(made.name()).isEqualTo("wall lamp");
        assertThat(Held.usual(made.kind())).isEqualTo(Held.FIXED);
        assertThat(kit.id(lamp)).contains(1L);
        assertThat(kit.id(made.kind())).contains(1L);
        assertThat(kit.unnamed(List.of(lamp, wall))).isEmpty();
        var dressed = kit.piece(2).orElseThrow();
        assertThat(dressed.kind()).isEqualTo(wall);
        assertThat(dressed.parts()).isEqualTo(block);
        assertThat(dressed.box()).as("what it takes up stays the kit's").isEqualTo(wall.box());
    }

    /** A pivot told makes another kind too; a pattern dresses walls that nobody told anything of, and no prop. */
    @Test
    void pivotsAreToldAndPatternsDressWhatIsNotTold() {
        var bench = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);
        var kit = Kit.of(
                Map.of(
                        1L,
                        new PieceDescription("B", "seat", bench, Optional.of(Pivot.BASE_CORNER), List.of()),
                        2L,
                        new PieceDescription("W", "", wall(2000, 3000), Optional.empty(), List.of())),
                new Looks(Optional.of(Pattern.usual()), Map.of()),
                Sheets.USUAL,
                Unit.METRE);
        assertThat(kit.piece(1).orElseThrow().box().min()).isEqualTo(Vec.ZERO);
        assertThat(kit.piece(1).orElseThrow().model()).isEmpty();
        assertThat(kit.id(bench)).contains(1L);
        assertThat(kit.piece(2).orElseThrow().parts()).hasSize(5);
    }
}
