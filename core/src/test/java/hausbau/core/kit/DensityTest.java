package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Vec;
import hausbau.core.shape.Density;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.math3.linear.MatrixUtils;
import org.apache.commons.math3.linear.SingularValueDecomposition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class DensityTest {

    static Stream<Form> plain() {
        return Stream.of(
                UsualForms.block(),
                UsualForms.panel(),
                UsualForms.prism(),
                UsualForms.steps(),
                UsualForms.bars(),
                UsualForms.pushed(Profile.library().get(0)));
    }

    /** Flat bodies lie at the site's density to a tenth of a percent; chamfers too, within what bends there. */
    @ParameterizedTest
    @MethodSource("plain")
    void whatIsMadeHereLiesAtTheSitesDensity(Form form) {
        for (var pixels : new int[] {128, 512}) {
            var found = Density.of(
                    new Recipe.Made(1, List.of(Part.of(Swatch.STONE, form, Vec.ZERO))).mesh(Finish.ofDensity(pixels)),
                    Sheets.USUAL);
            assertThat(found.least()).isCloseTo(pixels, within(0.001 * pixels));
            assertThat(found.greatest()).isCloseTo(pixels, within(0.001 * pixels));
        }
    }

    /** A block of 1 m takes as many pixels on a sheet of any size; it says nothing to sheets it does not lie on. */
    @ParameterizedTest
    @ValueSource(ints = {256, 512, 1024, 2048, 4096})
    void onASheetOfAnySizeItIsTheSites(int side) {
        var finish = Finish.ofDensity(256).on(new Sheets(Map.of(Swatch.STONE, side), Map.of()));
        var made = new Recipe.Made(
                1, List.of(Part.of(Swatch.STONE, new Form.Block(Vec.ofMillimetres(1000, 1000, 1000)), Vec.ZERO)));
        var mesh = made.mesh(finish);
        // The southern face, at y = 0: what its corners are apart on the sheet, less the bevels of 3 mm.
        var south = IntStream.range(0, mesh.vertices())
                .filter(v -> mesh.normals()[3 * v + 1] < -0.99)
                .mapToDouble(v -> mesh.uvs()[2 * v] * side)
                .summaryStatistics();
        assertThat(south.getMax() - south.getMin()).isCloseTo(256 * 0.994, within(0.26));
        assertThat(Density.of(mesh, finish.sheets()).least()).isCloseTo(256, within(0.256));
        assertThat(finish.of(List.of(Swatch.TILE))).isEqualTo(Finish.ofDensity(256));
        assertThat(finish.sheetWidth(Swatch.STONE)).isCloseTo(side / 0.256, within(1e-6));
    }

    /** One skewed triangle against the singular values of its matrix, by a general library. */
    @Test
    void aStretchedFaceIsFoundInBothDirections() {
        var mesh = new Mesh(
                new double[] {0, 0, 0, 1000, 0, 0, 300, 500, 400},
                new double[] {0, 0, 1, 0, 0, 1, 0, 0, 1},
                new double[] {0, 0, 0.5, 0.1, 0.2, 0.9},
                List.of(new Mesh.Part(Swatch.STONE, new int[] {0, 1, 2})));
        var flat = MatrixUtils.createRealMatrix(new double[][] {{1, 0.3}, {0, Math.hypot(0.5, 0.4)}});
        var laid = MatrixUtils.createRealMatrix(new double[][] {{0.5 * 1024, 0.2 * 1024}, {0.1 * 1024, 0.9 * 1024}});
        var values = new SingularValueDecomposition(laid.multiply(MatrixUtils.inverse(flat))).getSingularValues();
        var found = Density.of(mesh, Sheets.USUAL);
        assertThat(found.greatest()).isCloseTo(values[0], within(1e-6));
        assertThat(found.least()).isCloseTo(values[1], within(1e-6));
        assertThat(found.isStretched()).isTrue();
        assertThat(new Density(256, 280).isStretched()).isFalse();
    }

    @Test
    void nothingHasNoDensity() {
        assertThat(Density.of(new Mesh(new double[0], new double[0], new double[0], List.of()), Sheets.USUAL))
                .isEqualTo(new Density(0, 0));
    }

    /** A face of 1 m² laid over so many pixels of a sheet of 1024, against a site of 256 a metre: a tenth off is seen. */
    @ParameterizedTest
    @CsvSource({"256, false", "240, false", "230, true", "280, false", "284, true", "512, true"})
    void aTenthOffTheSitesIsOtherwise(double pixels, boolean otherwise) {
        var side = pixels / 1024;
        var square = new Mesh(
                new double[] {0, 0, 0, 1000, 0, 0, 1000, 0, 1000, 0, 0, 1000},
                new double[] {0, -1, 0, 0, -1, 0, 0, -1, 0, 0, -1, 0},
                new double[] {0, side, side, side, side, 0, 0, 0},
                List.of(new Mesh.Part(Swatch.TILE, new int[] {0, 1, 2, 0, 2, 3})));
        assertThat(Density.of(square, Sheets.USUAL).least()).isCloseTo(pixels, within(1e-6));
        assertThat(Density.of(square, Sheets.USUAL).liesOtherwise(Finish.ofDensity(256)))
                .isEqualTo(otherwise);
    }
}
