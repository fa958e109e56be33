package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Copies;
import hausbau.core.kit.Form;
import hausbau.core.kit.Outline;
import hausbau.core.kit.Part;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.UsualForms;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Laying;
import hausbau.core.shape.Shell;
import hausbau.core.shape.Swatch;
import hausbau.server.store.kit.RecipeJson;
import hausbau.server.store.kit.Shells;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What is kept of a piece is enough to make it again. */
class RecipeJsonTest {

    private static final Vec SIZE = Vec.ofMillimetres(1400, 200, 3000);
    private static final Box CLEAR = new Box(Vec.ofMillimetres(200, 0, 0), Vec.ofMillimetres(1200, 200, 2100));

    private static final Shell LEAF = new Shell(
            new int[] {0, 0, 0, 900_000, 0, 0, 900_000, 0, 450_000},
            new float[] {0, -1, 0, 0, -1, 0, 0, -1, 0},
            new float[0],
            new int[] {0, 1, 2});
    private static final Shells SHELLS = Map.of(LEAF.digest(), LEAF)::get;

    static Stream<Recipe> recipes() {
        return Stream.of(
                new Recipe.WallPanel(SIZE),
                new Recipe.OpeningPanel(SIZE, CLEAR),
                new Recipe.PassagePanel(SIZE, CLEAR),
                new Recipe.CornerPost(SIZE),
                new Recipe.CornerPiece(SIZE, Length.ofMillimetres(100)),
                new Recipe.Tile(SIZE),
                new Recipe.StandIn(SIZE),
                new Recipe.Pillar(SIZE),
                new Recipe.Bench(),
                new Recipe.Cubicle(),
                new Recipe.Lamp(),
                new Recipe.WallLamp(),
                new Recipe.HangingLamp(),
                new Recipe.Mass(SIZE),
                new Recipe.Moulding(Profile.library().get(9), Swatch.TIMBER, 1_800_000),
                new Recipe.MouldingCorner(Profile.library().get(10), Swatch.PLASTER, 200_000, true),
                new Recipe.Landing(SIZE),
                new Recipe.Flight(SIZE, 9, Length.ofMillimetres(200)),
                new Recipe.Ramp(SIZE),
                new Recipe.Guard(SIZE),
                new Recipe.SlopedGuard(SIZE, Length.ofMillimetres(1530), 9),
                new Recipe.Made(77, everyForm()));
    }

    /** Each form once, with everything about a part that can be told. */
    private static List<Part> everyForm() {
        var forms = List.of(
                UsualForms.block(),
                UsualForms.panel(),
                UsualForms.prism(),
                UsualForms.steps(),
                UsualForms.sloped(),
                UsualForms.turned(),
                UsualForms.bars(),
                UsualForms.letters(),
                UsualForms.pushed(Profile.library().get(5)),
                UsualForms.pushed(Profile.drawn(
                        List.of(
                                new Outline.Corner(0, 0, 0),
                                new Outline.Corner(50_000, 0, 0),
                                new Outline.Corner(0, 70_500, 5_000)),
                        List.of(List.of(
                                new Outline.Corner(5_000, 5_000, 0),
                                new Outline.Corner(15_000, 5_000, 0),
                                new Outline.Corner(5_000, 20_000, 0))))),
                new Form.Brought(LEAF, true));
        assertThat(forms.stream().map(Object::getClass).distinct())
                .containsExactlyInAnyOrder(Form.class.getPermittedSubclasses());
        var copies = List.of(
                Copies.ONE,
                new Copies.Along(3, Vec.ofMillimetres(10, 20, 30)),
                new Copies.Round(5, 1_000, 2_000, 270),
                new Copies.Mirrored(true, 300_000),
                new Copies.Mirrored(false, 1_500));
        return IntStream.range(0, forms.size())
                .mapToObj(i -> new Part(
                        "part " + i,
                        Swatch.usual().get(i % 5),
                        i % 2 == 0 ? Optional.empty() : Optional.of(new Part.Edge(Length.ofMillimetres(i), 1 + i % 8)),
                        forms.get(i),
                        Vec.ofMillimetres(i, 2 * i, 3),
                        i % 3 == 0 ? Part.Turning.NONE : new Part.Turning(10, 20, 30.5),
                        copies.get(i % 5),
                        i == 4 ? new Part.Taper(50, 120.5) : Part.Taper.NONE,
                        i == 6,
                        i == 7,
                        new Laying(i % 4, i % 3 * 77)))
                .toList();
    }

    @ParameterizedTest
    @MethodSource("recipes")
    void everyRecipeReadsBackEqual(Recipe recipe) {
        assertThat(RecipeJson.read(RecipeJson.write(recipe), SHELLS)).isEqualTo(recipe);
    }

    @Test
    void everyRecipeThatThereIsIsTried() {
        assertThat(recipes().map(Object::getClass)).containsExactlyInAnyOrder(Recipe.class.getPermittedSubclasses());
    }

    @Test
    void whatALaterVersionWroteIsNotGuessedAt() {
        var later = RecipeJson.write(new Recipe.Bench()).replace("\"version\":1", "\"version\":99");
        assertThatThrownBy(() -> RecipeJson.read(later, Shells.NONE)).hasMessageContaining("version 99");
    }
}
