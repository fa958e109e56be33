package hausbau.core.kit;

import static hausbau.core.kit.Meshes.densities;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Laying;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LayingTest {

    private static Part board(Laying laying, int copies, boolean cut) {
        return new Part(
                "",
                Swatch.TIMBER,
                Optional.of(new Part.Edge(Length.ZERO, 1)),
                new Form.Block(Vec.ofMillimetres(1200, 100, 20)),
                Vec.ZERO,
                Part.Turning.NONE,
                new Copies.Along(copies, Vec.ofMillimetres(0, 105, 0)),
                Part.Taper.NONE,
                false,
                cut,
                laying);
    }

    private Mesh mesh(Part... parts) {
        return new Cutting(List.of(parts)).mesh(Finish.ofDensity(256));
    }

    /** How wide the upper face lies on its sheet, in U and V. */
    private static double[] span(Mesh mesh, int copy) {
        var top = IntStream.range(0, mesh.vertices())
                .filter(v -> mesh.normals()[3 * v + 2] > 0.99
                        && mesh.positions()[3 * v + 2] > 19.9
                        && mesh.positions()[3 * v + 1] > 105 * copy - 1
                        && mesh.positions()[3 * v + 1] < 105 * copy + 101)
                .toArray();
        return new double[] {
            IntStream.of(top).mapToDouble(v -> mesh.uvs()[2 * v]).min().orElseThrow(),
            IntStream.of(top).mapToDouble(v -> mesh.uvs()[2 * v]).max().orElseThrow(),
            IntStream.of(top).mapToDouble(v -> mesh.uvs()[2 * v + 1]).min().orElseThrow(),
            IntStream.of(top).mapToDouble(v -> mesh.uvs()[2 * v + 1]).max().orElseThrow()
        };
    }

    @ParameterizedTest
    @CsvSource({"0, false", "1, true", "2, false", "3, true"})
    void quartersTurnItOnTheSheetWithoutStretch(int quarters, boolean turned) {
        var mesh = mesh(board(new Laying(quarters, 0), 1, false));
        var at = span(mesh, 0);
        // 1200 by 100 mm, of a sheet of 4000 mm.
        assertThat(at[1] - at[0]).isCloseTo((turned ? 100 : 1200) / 4000.0, within(1e-9));
        assertThat(at[3] - at[2]).isCloseTo((turned ? 1200 : 100) / 4000.0, within(1e-9));
        assertThat(densities(mesh)).allSatisfy(d -> assertThat(d).isCloseTo(1, within(1e-5)));
    }

    /** Each copy lies elsewhere, and nothing else than where it lies changes; the same seed lays it alike, cut or not. */
    @Test
    void aSeedShiftsEachCopyByItself() {
        var plain = mesh(board(Laying.AS_IT_LIES, 6, false));
        var shifted = mesh(board(new Laying(0, 7), 6, false));
        assertThat(shifted.positions()).isEqualTo(plain.positions());
        assertThat(densities(shifted)).allSatisfy(d -> assertThat(d).isCloseTo(1, within(1e-5)));
        var starts = IntStream.range(0, 6)
                .mapToObj(i -> Math.floorMod(Math.round(1e6 * span(shifted, i)[0]), 1_000_000))
                .toList();
        assertThat(starts).doesNotHaveDuplicates();
        assertThat(mesh(board(new Laying(0, 7), 6, false)).uvs()).isEqualTo(shifted.uvs());
        assertThat(mesh(board(new Laying(0, 8), 6, false)).uvs()).isNotEqualTo(shifted.uvs());
        var far = Part.blockOfMillimetres(Swatch.STONE, 9000, 0, 0, 9100, 100, 100)
                .cutting();
        assertThat(span(mesh(board(new Laying(0, 7), 6, false), far), 3))
                .containsExactly(span(shifted, 3), within(1e-9));
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> new Laying(4, 0))
                .withMessageContaining("quarters");
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> new Laying(0, -1))
                .withMessageContaining("seed");
    }
}
