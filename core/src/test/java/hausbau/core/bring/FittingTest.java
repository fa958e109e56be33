package hausbau.core.bring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.bring.Choices.Up;
import hausbau.core.kit.Form;
import hausbau.core.kit.Part;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.kit.UsualForms;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What is made of a piece when a mesh is brought into it. Faces of one triangle will do. */
class FittingTest {

    private static ImportedObject.Surface face(
            String material, double x0, double y0, double z0, double x1, double y1, double z1) {
        return new ImportedObject.Surface(
                material,
                new double[] {x0, y0, z0, x1, y0, z0, x1, y1, z1},
                new float[0],
                new float[0],
                new int[] {0, 1, 2},
                List.of());
    }

    private static RepairedMesh settled(ImportedObject.Surface... faces) {
        return new MeshRepair(new Choices(1, Up.Z, false, Set.of()), Length.ofMillimetres(100))
                .repair(new ImportedObject("thing", List.of(faces), false, 0), Optional.empty());
    }

    private static List<String> names(List<Part> parts) {
        return parts.stream().map(Part::name).toList();
    }

    @Test
    void eachMaterialIsAPartAndNoneIsLostByItsName() {
        var oak = "oak ".repeat(20);
        var parts = Fitting.parts(
                settled(
                        face(oak + "a", 0, 0, 0, 100, 100, 100),
                        face(oak + "b", 0, 0, 0, 100, 100, 100),
                        face("tin", 0, 0, 0, 50, 50, 50)),
                Map.of("tin", Swatch.METAL),
                false,
                Set.of(),
                Optional.empty());
        assertThat(names(parts))
                .doesNotHaveDuplicates()
                .hasSize(3)
                .allMatch(n -> n.length() <= 60)
                .contains("tin");
        assertThat(parts).extracting(Part::swatch).containsExactly(Swatch.PLASTER, Swatch.PLASTER, Swatch.METAL);
    }

    @Test
    void whatWasToldAboutPartsStays() {
        var first = Fitting.parts(
                settled(face("oak", 0, 0, 0, 100, 100, 100), face("tin", 0, 0, 0, 50, 50, 50)),
                Map.of(),
                false,
                Set.of(),
                Optional.empty());
        var told = new Part(
                "oak",
                Swatch.PAINT,
                Optional.empty(),
                first.get(0).form(),
                Vec.ofMillimetres(5, 0, 0),
                new Part.Turning(0, 0, 90),
                first.get(0).copies(),
                first.get(0).taper(),
                true,
                false);
        var own = Part.of(Swatch.STONE, UsualForms.block(), Vec.ZERO).named("made here");
        var piece = new Piece(
                "PRP-1", "thing", Role.PROP, new Recipe.Made(1, List.of(told, own, first.get(1))), Pivot.BASE_CENTRE);
        var again = settled(face("oak", 0, 0, 0, 200, 100, 100), face("brass", 0, 0, 0, 60, 60, 60));
        var parts = Fitting.parts(again, Map.of(), false, Set.of(), Optional.of(piece));
        assertThat(names(parts)).containsExactly("oak", "made here", "brass");
        assertThat(parts.get(0))
                .isEqualTo(told.of(new Form.Brought(again.shells().get("oak"), false)));
        // A piece that was never brought in is replaced whole.
        var stood = new Piece(
                "PRP-2", "block", Role.PROP, new Recipe.StandIn(Vec.ofMillimetres(100, 100, 100)), Pivot.BASE_CENTRE);
        assertThat(names(Fitting.parts(again, Map.of(), false, Set.of(), Optional.of(stood))))
                .containsExactly("oak", "brass");
    }

    /** A wall of 1000 × 200 × 3000, its pivot at the start of its face: as the file has it where that fits, in the middle where it does not. */
    @Test
    void inPlaceOfAWallItLiesAsItsFileHasItWhereThatFits() {
        var wall = Optional.of(new Piece(
                "WAL-1",
                "wall",
                Role.WALL,
                new Recipe.WallPanel(Vec.ofMillimetres(1000, 200, 3000)),
                Pivot.FACE_START));
        assertThat(Fitting.parts(settled(face("a", 0, -30, 0, 996, 200, 3000)), Map.of(), false, Set.of(), wall)
                        .get(0)
                        .at())
                .isEqualTo(Vec.ofMillimetres(0, -30, 0));
        assertThat(Fitting.parts(settled(face("a", 7000, 5000, 900, 7996, 5230, 3900)), Map.of(), false, Set.of(), wall)
                        .get(0)
                        .at())
                .isEqualTo(Vec.ofMillimetres(2, -15, 0));
        var floor = Optional.of(new Piece(
                "FLR-1", "floor", Role.FLOOR, new Recipe.Tile(Vec.ofMillimetres(1000, 1000, 100)), Pivot.TOP_CORNER));
        assertThat(Fitting.parts(settled(face("a", 4000, 4000, 500, 5000, 5000, 560)), Map.of(), false, Set.of(), floor)
                        .get(0)
                        .at())
                .as("walked on where it was")
                .isEqualTo(Vec.ofMillimetres(0, 0, 40));
    }

    @Test
    void tooManyMaterialsAreRefused() {
        var many = settled(IntStream.range(0, 151)
                .mapToObj(i -> face("m" + i, 0, 0, 0, 100, 100, 100))
                .toArray(ImportedObject.Surface[]::new));
        assertThatThrownBy(() -> Fitting.parts(many, Map.of(), false, Set.of(), Optional.empty()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("151");
    }
}
