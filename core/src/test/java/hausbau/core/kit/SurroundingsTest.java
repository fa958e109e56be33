package hausbau.core.kit;

import static hausbau.core.kit.Meshes.open;
import static hausbau.core.kit.Meshes.volume;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.kit.Surroundings.Railing;
import hausbau.core.kit.Surroundings.Slab;
import hausbau.core.kit.Surroundings.Tread;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SurroundingsTest {

    private static final Surroundings ALL = new Surroundings(
            Optional.of(new Slab(Swatch.TERRAZZO, Swatch.TILE, 150_000, 0)),
            Optional.of(new Slab(Swatch.PLASTER, Swatch.TIMBER, 200_000, 120_000)),
            Optional.of(new Tread(Swatch.STONE, Swatch.TERRAZZO, 40_000, 25_000)),
            Optional.of(new Railing(Swatch.PAINT, 110_000, 16_000, Swatch.TIMBER, 50_000, 45_000)));

    /** Bevels a hundredth of a millimetre wide, so that volumes are those of sharp bodies to within a few ten thousandths. */
    private Mesh mesh(Recipe recipe, List<Part> parts) {
        return recipe.mesh(parts, new Finish(0.01, 256));
    }

    private static double litres(Mesh mesh, Swatch... swatches) {
        return volume(new Mesh(
                        mesh.positions(),
                        mesh.normals(),
                        mesh.uvs(),
                        mesh.parts().stream()
                                .filter(p -> List.of(swatches).contains(p.swatch()))
                                .toList()))
                / 1e6;
    }

    @ParameterizedTest
    @ValueSource(longs = {400, 2000, 4100})
    void aFloorIsAFieldWithABorderAtAnySize(long x) {
        var tile = new Recipe.Tile(Vec.ofMillimetres(x, 2000, 200));
        var mesh = mesh(tile, ALL.dress(Role.FLOOR, tile));
        assertThat(open(mesh)).isEmpty();
        assertThat(litres(mesh, Swatch.TERRAZZO)).isCloseTo((x - 300) * 1700 * 200 / 1e6, within(0.05));
        assertThat(litres(mesh, Swatch.TERRAZZO, Swatch.TILE)).isCloseTo(x * 2000 * 200 / 1e6, within(0.05));
    }

    @Test
    void aCeilingsBorderHangsBelowItAndATooSmallPieceHasNone() {
        var tile = new Recipe.Tile(Vec.ofMillimetres(3000, 2000, 200));
        var mesh = mesh(tile, ALL.dress(Role.CEILING, tile));
        assertThat(open(mesh)).isEmpty();
        assertThat(litres(mesh, Swatch.TIMBER)).isCloseTo((3.0 * 2.0 - 2.6 * 1.6) * 0.12 * 1000, within(0.05));
        assertThat(IntStream.range(0, mesh.vertices())
                        .mapToDouble(v -> mesh.position(v).z())
                        .min()
                        .orElseThrow())
                .isCloseTo(-120, within(1e-6));
        var small = new Recipe.Tile(Vec.ofMillimetres(400, 2000, 200));
        assertThat(ALL.dress(Role.CEILING, small)).extracting(Part::swatch).containsExactly(Swatch.PLASTER);
    }

    /** The steps are where they were: the upper face of each tread lies at its rise, and what is under them is as thick as before. */
    @Test
    void aFlightHasTreadsThatStandOut() {
        var flight = new Recipe.Flight(Vec.ofMillimetres(2800, 1200, 1900), 10, Length.ofMillimetres(200));
        var parts = ALL.dress(Role.STAIR, flight);
        var mesh = mesh(flight, parts);
        assertThat(open(mesh)).isEmpty();
        var plain = mesh(flight, flight.parts());
        assertThat(litres(mesh, Swatch.TERRAZZO)).isCloseTo(10 * 1.2 * (0.28 + 0.025) * 0.04 * 1000, within(0.05));
        assertThat(litres(mesh, Swatch.STONE) + 10 * 1.2 * 0.28 * 0.04 * 1000)
                .isCloseTo(volume(plain) / 1e6, within(0.2));
        assertThat(parts.stream()
                        .filter(p -> p.swatch() == Swatch.TERRAZZO)
                        .flatMap(p -> p.solids().stream())
                        .map(b -> b.max().z()))
                .containsExactly(
                        370_000L,
                        540_000L,
                        710_000L,
                        880_000L,
                        1_050_000L,
                        1_220_000L,
                        1_390_000L,
                        1_560_000L,
                        1_730_000L,
                        1_900_000L);
        var ramp = new Recipe.Ramp(Vec.ofMillimetres(3000, 1200, 300));
        assertThat(ALL.dress(Role.STAIR, ramp)).extracting(Part::swatch).containsExactly(Swatch.STONE);
    }

    @Test
    void guardsFollowLevelAndSlope() {
        var level = new Recipe.Guard(Vec.ofMillimetres(2200, 60, 1100));
        var mesh = mesh(level, ALL.dress(Role.GUARD, level));
        assertThat(open(mesh)).isEmpty();
        assertThat(litres(mesh, Swatch.TIMBER)).isCloseTo(2.2 * 0.05 * 0.045 * 1000, within(0.01));
        // Twenty spaces of 110 mm, and a bar in each.
        assertThat(litres(mesh, Swatch.PAINT)).isCloseTo(20 * 0.016 * 0.016 * (1.1 - 0.0225) * 1000, within(0.05));
        var sloped = new Recipe.SlopedGuard(Vec.ofMillimetres(2800, 60, 2800), Length.ofMillimetres(1700), 10);
        assertThat(open(mesh(sloped, ALL.dress(Role.GUARD, sloped)))).isEmpty();
        var thick = new Surroundings(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(new Railing(Swatch.PAINT, 110_000, 70_000, Swatch.TIMBER, 50_000, 45_000)));
        assertThat(thick.dress(Role.GUARD, level))
                .as("bars thicker than the guard")
                .isEqualTo(level.parts());
    }

    @Test
    void nothingSaidIsAsItWas() {
        var tile = new Recipe.Tile(Vec.ofMillimetres(3000, 2000, 200));
        assertThat(Surroundings.NONE.dress(Role.FLOOR, tile)).isEqualTo(tile.parts());
        assertThat(Pattern.usual().dress(Role.FLOOR, tile)).isEqualTo(tile.parts());
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> new Slab(Swatch.TILE, Swatch.TILE, 100, 600_000))
                .withMessageContaining("500 mm");
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> new Railing(Swatch.TILE, 10, 20, Swatch.TILE, 50_000, 50_000))
                .withMessageContaining("bars stand apart");
    }
}
