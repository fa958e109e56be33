package hausbau.core.kit;

import static hausbau.core.kit.Meshes.area;
import static hausbau.core.kit.Meshes.densities;
import static hausbau.core.kit.Meshes.euler;
import static hausbau.core.kit.Meshes.open;
import static hausbau.core.kit.Meshes.triangles;
import static hausbau.core.kit.Meshes.volume;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Point;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RecipeTest {

    private static final Finish FINISH = new Finish(3, 256);

    static Stream<Recipe> recipes() {
        var size = Vec.ofMillimetres(1400, 200, 3000);
        return Stream.of(
                new Recipe.WallPanel(size),
                new Recipe.CornerPost(Vec.ofMillimetres(200, 200, 3000)),
                new Recipe.OpeningPanel(
                        size, new Box(Vec.ofMillimetres(200, 0, 0), Vec.ofMillimetres(1200, 200, 2100))),
                new Recipe.OpeningPanel(
                        size, new Box(Vec.ofMillimetres(200, 0, 900), Vec.ofMillimetres(1200, 200, 2100))),
                new Recipe.Tile(Vec.ofMillimetres(2000, 1000, 200)),
                new Recipe.Pillar(Vec.ofMillimetres(400, 400, 4200)),
                new Recipe.StandIn(Vec.ofMillimetres(900, 800, 450)),
                new Recipe.Bench(),
                new Recipe.Cubicle(),
                new Recipe.Lamp(),
                new Recipe.WallLamp(),
                new Recipe.HangingLamp());
    }

    /** Those, and what stairs are made of. */
    static Stream<Recipe> all() {
        return Stream.concat(
                recipes(),
                Stream.of(
                        new Recipe.Flight(Vec.ofMillimetres(2900, 1200, 1700), 10, Length.ZERO),
                        new Recipe.Flight(Vec.ofMillimetres(2900, 1200, 1900), 10, Length.ofMillimetres(200)),
                        new Recipe.Flight(Vec.ofMillimetres(290, 1200, 170), 1, Length.ZERO),
                        new Recipe.Moulding(Profile.library().get(9), Swatch.TIMBER, 1_800_000),
                        new Recipe.MouldingCorner(Profile.library().get(9), Swatch.TIMBER, 200_000, false),
                        new Recipe.MouldingCorner(Profile.library().get(10), Swatch.PLASTER, 200_000, true),
                        new Recipe.Landing(Vec.ofMillimetres(1200, 2500, 200)),
                        new Recipe.Ramp(Vec.ofMillimetres(4800, 1200, 400)),
                        new Recipe.Mass(Vec.ofMillimetres(500, 600, 3000)),
                        new Recipe.CornerPiece(Vec.ofMillimetres(300, 400, 3000), Length.ofMillimetres(100)),
                        new Recipe.Guard(Vec.ofMillimetres(2000, 50, 1070)),
                        new Recipe.Guard(Vec.ofMillimetres(50, 50, 1070)),
                        new Recipe.SlopedGuard(Vec.ofMillimetres(2900, 50, 2770), Length.ofMillimetres(1700), 10),
                        new Recipe.SlopedGuard(Vec.ofMillimetres(4800, 50, 1470), Length.ofMillimetres(400), 0)));
    }

    /** Steps less the wedge under the soffit, worked by hand: r·g·n(n+1)/2 − (n·r − w)²·g/2r, as wide as the flight. */
    @Test
    void aFlightHasTheVolumeOfItsStepsLessTheWedgeUnderIt() {
        var mesh = new Recipe.Flight(Vec.ofMillimetres(2900, 1200, 1700), 10, Length.ZERO).mesh(new Finish(0.001, 256));
        var side = 170.0 * 290 * 55 - 1500.0 * 1500 * 290 / (2 * 170);
        assertThat(volume(mesh)).isCloseTo(side * 1200, within(side * 1200 * 1e-5));
        assertThat(euler(mesh)).isEqualTo(2);
    }

    /** By hand: two arms of 300 × 300 and 200 × 100 in plan. */
    @Test
    void aCornerPieceHasTheVolumeOfItsArms() {
        var mesh = new Recipe.CornerPiece(Vec.ofMillimetres(300, 400, 3000), Length.ofMillimetres(100))
                .mesh(new Finish(0.001, 256));
        assertThat(volume(mesh)).isCloseTo((300.0 * 300 + 200 * 100) * 3000, within(1e3));
        assertThat(euler(mesh)).isEqualTo(2);
    }

    /** IBC 1015.4, from memory: no ball of 4 in passes a guard. */
    @Test
    void noBallOfFourInchesPassesAGuard() {
        for (var recipe : List.of(
                new Recipe.Guard(Vec.ofMillimetres(1970, 50, 1070)),
                new Recipe.SlopedGuard(Vec.ofMillimetres(2900, 50, 2770), Length.ofMillimetres(1700), 10))) {
            var posts = recipe.solids().stream()
                    .map(s -> s.box())
                    .filter(b -> b.size().x() == 20_000)
                    .sorted(java.util.Comparator.comparing(b -> b.min().x()))
                    .toList();
            var last = 0L;
            for (var post : posts) {
                assertThat(post.min().x() - last).isLessThan(101_600);
                last = post.max().x();
            }
            assertThat(recipe.size().x() - last).isLessThan(101_600);
        }
    }

    /** Every edge is walked once each way: no hole, no inner face, no face turned inside out beside another. */
    @ParameterizedTest
    @MethodSource("all")
    void everyRecipeIsClosed(Recipe recipe) {
        var mesh = recipe.mesh(FINISH);
        assertThat(mesh.triangles()).isGreaterThanOrEqualTo(12);
        assertThat(open(mesh)).isEmpty();
    }

    /** A wall lamp has 60 mm of air under its plate; a sloped guard's bars begin within its ends. All else reaches to its box. */
    private static double air(Recipe recipe) {
        return recipe instanceof Recipe.WallLamp ? 60.001 : recipe instanceof Recipe.SlopedGuard ? 5 : 1e-3;
    }

    @ParameterizedTest
    @MethodSource("all")
    void everyRecipeFillsItsSizeAndFacesOutward(Recipe recipe) {
        var mesh = recipe.mesh(FINISH);
        var size = recipe.size();
        assertThat(volume(mesh))
                .as("outside in it would be below 0, and it is no larger than its box")
                .isBetween(0.0, size.x() / 1000.0 * size.y() / 1000.0 * size.z() / 1000.0);
        var corners = triangles(mesh).stream().flatMap(List::stream).toList();
        for (var along : List.<ToDoubleFunction<Point>>of(Point::x, Point::y, Point::z)) {
            var of = along.applyAsDouble(new Point(size.x() / 1000.0, size.y() / 1000.0, size.z() / 1000.0));
            assertThat(corners.stream().mapToDouble(along).min()).hasValueCloseTo(0.0, within(air(recipe)));
            assertThat(corners.stream().mapToDouble(along).max()).hasValueCloseTo(of, within(1e-3));
        }
    }

    /**
     * A box a × b × d chamfered by c, its corners cut flat: abd − 2c²(a + b + d) + 16c³/3, by inclusion and exclusion of
     * the prisms cut off; a cube of side 2c comes out as the octahedron, 4c³/3 for c = 1.
     */
    @Test
    void aWallPanelHasTheVolumeOfAChamferedBox() {
        var mesh = new Recipe.WallPanel(Vec.ofMillimetres(1400, 200, 3000)).mesh(FINISH);
        var c = 3.0;
        assertThat(volume(mesh))
                .isCloseTo(1400.0 * 200 * 3000 - 2 * c * c * (1400 + 200 + 3000) + 16 * c * c * c / 3, within(1e-3));
        assertThat(mesh.triangles()).isEqualTo(44);
        assertThat(euler(mesh))
                .as("V − E + F of one closed body without a hole")
                .isEqualTo(2);
    }

    @ParameterizedTest
    @MethodSource("recipes")
    void volumeAndSurfaceOfEveryRecipeAreThoseOfTheFormulas(Recipe recipe) {
        var mesh = recipe.mesh(FINISH);
        var expected = ClosedForms.of(recipe, 3);
        // Corners are welded to 1e-6 mm: over the whole surface that comes on top.
        assertThat(volume(mesh))
                .isCloseTo(expected.volume(), within(expected.volume() * 1e-9 + expected.area() * 1e-6));
        assertThat(area(mesh)).isCloseTo(expected.area(), within(expected.area() * 1e-9 + 1));
    }

    /** Euler: V − E + F is 2 for a closed body without a hole, 0 for one with a hole through it, as a window's panel has. */
    @ParameterizedTest
    @MethodSource("recipes")
    void theWindowIsATrueHoleAndNothingElseHasOne(Recipe recipe) {
        for (var part : recipe.parts()) {
            var pierced = part.form() instanceof Form.Panel panel
                    && panel.openings().get(0).y0() > 0;
            assertThat(euler(Meshes.of(part, 3))).isEqualTo(pierced ? 0 : 2);
        }
    }

    /** UVs lie on the face itself: area in the sheet, over area in the world, is the density squared, everywhere. */
    @ParameterizedTest
    @MethodSource("all")
    void texelDensityIsOneEverywhere(Recipe recipe) {
        assertThat(densities(recipe.mesh(FINISH))).isNotEmpty().allSatisfy(d -> assertThat(d)
                .isCloseTo(1, within(1e-6)));
    }
}
