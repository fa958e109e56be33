package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Recipe;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.server.store.kit.RecipeJson;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What is kept of a piece is enough to make it again. */
class RecipeJsonTest {

    private static final Vec SIZE = Vec.ofMillimetres(1400, 200, 3000);
    private static final Box CLEAR = new Box(Vec.ofMillimetres(200, 0, 0), Vec.ofMillimetres(1200, 200, 2100));

    static Stream<Recipe> recipes() {
        return Stream.of(new Recipe.WallPanel(SIZE), new Recipe.OpeningPanel(SIZE, CLEAR), new Recipe.PassagePanel(SIZE, CLEAR), new Recipe.CornerPost(SIZE), new Recipe.CornerPiece(SIZE, Length.ofMillimetres(100)), new Recipe.Tile(SIZE),
                new Recipe.StandIn(SIZE), new Recipe.Pillar(SIZE), new Recipe.Bench(), new Recipe.Cubicle(), new Recipe.Lamp(), new Recipe.WallLamp(), new Recipe.HangingLamp(), new Recipe.Mass(SIZE), new Recipe.Landing(SIZE),
                new Recipe.Flight(SIZE, 9, Length.ofMillimetres(200)), new Recipe.Ramp(SIZE), new Recipe.Guard(SIZE), new Recipe.SlopedGuard(SIZE, Length.ofMillimetres(1530), 9));
    }

    @ParameterizedTest
    @MethodSource("recipes")
    void everyRecipeReadsBackEqual(Recipe recipe) {
        assertThat(RecipeJson.read(RecipeJson.write(recipe))).isEqualTo(recipe);
    }

    @Test
    void everyRecipeThatThereIsIsTried() {
        assertThat(recipes().map(Object::getClass)).containsExactlyInAnyOrder(Recipe.class.getPermittedSubclasses());
    }

    @Test
    void whatALaterVersionWroteIsNotGuessedAt() {
        var later = RecipeJson.write(new Recipe.Bench()).replace("\"version\":1", "\"version\":99");
        assertThatThrownBy(() -> RecipeJson.read(later)).hasMessageContaining("version 99");
    }
}
