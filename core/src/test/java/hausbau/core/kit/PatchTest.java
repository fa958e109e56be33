package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Vec;
import hausbau.core.shape.Density;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Laying;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What lies on a place of a shared sheet, by the UVs that come of it; a sheet of 1024 pixels is 4 m at 256 a metre. */
class PatchTest {

    private static final Patch SIGN = new Patch(Patch.Kind.SINGLE, 0.25, 0.25, 0.75, 0.5);
    private static final Patch RAIL = new Patch(Patch.Kind.STRIP, 0, 0.75, 1, 0.875);
    private static final Finish FINISH = Finish.ofDensity(256)
            .on(new Sheets(Map.of(), Map.of(Swatch.SHARED.place(1), SIGN, Swatch.SHARED.place(2), RAIL)));

    private static Part part(Swatch swatch, Form form, Laying laying) {
        return new Part(
                "",
                swatch,
                Optional.empty(),
                form,
                Vec.ofMillimetres(700, 30, 200),
                Part.Turning.NONE,
                Copies.ONE,
                Part.Taper.NONE,
                false,
                false,
                laying);
    }

    private static hausbau.core.shape.Mesh mesh(Part... parts) {
        return new Recipe.Made(1, List.of(parts)).mesh(FINISH);
    }

    private static double[] bounds(Mesh mesh, int axis) {
        return new double[] {
            IntStream.range(0, mesh.vertices())
                    .mapToDouble(v -> mesh.uvs()[2 * v + axis])
                    .min()
                    .orElseThrow(),
            IntStream.range(0, mesh.vertices())
                    .mapToDouble(v -> mesh.uvs()[2 * v + axis])
                    .max()
                    .orElseThrow()
        };
    }

    private static void liesWithin(Mesh mesh, double left, double top, double right, double bottom) {
        assertThat(bounds(mesh, 0)[0]).isGreaterThanOrEqualTo(left);
        assertThat(bounds(mesh, 0)[1]).isLessThanOrEqualTo(right);
        assertThat(bounds(mesh, 1)[0]).isGreaterThanOrEqualTo(top);
        assertThat(bounds(mesh, 1)[1]).isLessThanOrEqualTo(bottom);
    }

    /** The place is 2 × 1 m: what is smaller lies at the site's density in its middle. */
    @Test
    void whatFitsLiesAtTheSitesDensity() {
        var mesh =
                mesh(part(Swatch.SHARED.place(1), new Form.Block(Vec.ofMillimetres(1200, 40, 600)), Laying.AS_IT_LIES));
        liesWithin(mesh, 0.25, 0.25, 0.75, 0.5);
        // 1.2 m of 4 m, less the bevels of 3 mm, about the middle at 0.5 and 0.375.
        assertThat(bounds(mesh, 0)[1] - bounds(mesh, 0)[0]).isCloseTo(0.3, within(0.003));
        assertThat(bounds(mesh, 0)[1] + bounds(mesh, 0)[0]).isCloseTo(1, within(1e-3));
        assertThat(bounds(mesh, 1)[1] + bounds(mesh, 1)[0]).isCloseTo(0.75, within(1e-3));
        var density = Density.of(mesh, Sheets.USUAL);
        assertThat(density.least()).isCloseTo(256, within(0.256));
        assertThat(density.greatest()).isCloseTo(256, within(0.256));
    }

    /** 5 m are two and a half times as wide: all of it lies coarser, nothing is stretched. */
    @Test
    void whatIsLargerIsMadeSmallerWithoutStretch() {
        var mesh =
                mesh(part(Swatch.SHARED.place(1), new Form.Block(Vec.ofMillimetres(5000, 40, 600)), Laying.AS_IT_LIES));
        liesWithin(mesh, 0.25, 0.25, 0.75, 0.5);
        assertThat(Density.of(mesh, Sheets.USUAL).isStretched()).isTrue();
        var front = mesh(part(
                Swatch.SHARED.place(1),
                new Form.Prism(Outline.rectangle(0, 0, 5_000_000, 5_000_000), List.of(), 40_000),
                Laying.AS_IT_LIES));
        liesWithin(front, 0.25, 0.25, 0.75, 0.5);
        // 1 m of room for 5 m: a fifth of the density, but for the narrow sides that are 5 m × 40 mm and lie within 2
        // m.
        assertThat(Density.of(front, Sheets.USUAL).least()).isCloseTo(256 / 5.0, within(256 / 5.0 * 0.01));
        assertThat(Density.of(front, Sheets.USUAL).greatest()).isLessThanOrEqualTo(256.3);
    }

    /** A strip runs along the path as far as that goes; across it lies from its foot up. 0.5 m are more than the profile is round. */
    @Test
    void aStripRunsAlongItsPath() {
        var pushed = new Form.Pushed(
                Profile.of(Profile.Kind.BAR, 40_000, 60_000, 0, 0, 0),
                List.of(new Form.Pushed.Corner(Vec.ZERO, 0), new Form.Pushed.Corner(Vec.ofMillimetres(9000, 0, 0), 0)),
                false,
                0,
                0,
                false);
        var mesh = mesh(part(Swatch.SHARED.place(2), pushed, Laying.AS_IT_LIES));
        assertThat(bounds(mesh, 1)[0]).isGreaterThanOrEqualTo(0.75);
        assertThat(bounds(mesh, 1)[1]).isLessThanOrEqualTo(0.875);
        // 9 m are two sheets and a quarter; the ends lie by themselves, some 40 mm beyond.
        assertThat(bounds(mesh, 0)[1] - bounds(mesh, 0)[0]).isCloseTo(9 / 4.0, within(0.02));
        assertThat(Density.of(mesh, Sheets.USUAL).least()).isCloseTo(256, within(0.256));
        assertThat(Density.of(mesh, Sheets.USUAL).greatest()).isCloseTo(256, within(0.256));
    }

    /** On a sheet of twice the pixels the same cells are twice as wide on a piece: what was too large there fits, at the site's density. */
    @Test
    void aLargerSheetHoldsMore() {
        var large = FINISH.on(
                new Sheets(Map.of(Swatch.SHARED, 4096), FINISH.sheets().patches()));
        var front = new Recipe.Made(
                        1,
                        List.of(part(
                                Swatch.SHARED.place(1),
                                new Form.Block(Vec.ofMillimetres(5000, 40, 600)),
                                Laying.AS_IT_LIES)))
                .mesh(large);
        liesWithin(front, 0.25, 0.25, 0.75, 0.5);
        // 5 m of 16 m, less the bevels.
        assertThat(bounds(front, 0)[1] - bounds(front, 0)[0]).isCloseTo(5 / 16.0, within(0.001));
        assertThat(Density.of(front, large.sheets()).least()).isCloseTo(256, within(0.256));
        assertThat(Density.of(front, large.sheets()).greatest()).isCloseTo(256, within(0.256));
    }

    /** A seed shifts a strip along only; a quarter turn stands it on end, and then it does not fit. */
    @Test
    void aStripIsShiftedAlongOnly() {
        var form = new Form.Block(Vec.ofMillimetres(2000, 40, 300));
        var plain = mesh(part(Swatch.SHARED.place(2), form, Laying.AS_IT_LIES));
        var shifted = mesh(part(Swatch.SHARED.place(2), form, new Laying(0, 7)));
        assertThat(bounds(shifted, 1)[0]).isCloseTo(bounds(plain, 1)[0], within(1e-9));
        assertThat(bounds(shifted, 1)[1]).isCloseTo(bounds(plain, 1)[1], within(1e-9));
        assertThat(bounds(shifted, 0)[0]).isNotCloseTo(bounds(plain, 0)[0], within(1e-3));
        var turned = mesh(part(Swatch.SHARED.place(2), form, new Laying(1, 0)));
        assertThat(Density.of(turned, Sheets.USUAL).least()).isCloseTo(256 * 0.5 / 2, within(256 * 0.5 / 2 * 0.02));
        assertThat(bounds(turned, 1)[0]).isGreaterThanOrEqualTo(0.75);
    }

    /** What is cut stays where it lay. Swatches of one sheet are one material. */
    @Test
    void whatIsCutLiesWithinAndOneSheetIsOneMaterial() {
        var board = part(Swatch.SHARED.place(1), new Form.Block(Vec.ofMillimetres(1200, 40, 600)), Laying.AS_IT_LIES);
        var hole = new Part(
                "",
                Swatch.SHARED.place(1),
                Optional.empty(),
                new Form.Block(Vec.ofMillimetres(200, 100, 200)),
                Vec.ofMillimetres(1100, 0, 400),
                Part.Turning.NONE,
                Copies.ONE,
                Part.Taper.NONE,
                false,
                true,
                Laying.AS_IT_LIES);
        var cut = mesh(board, hole);
        liesWithin(cut, 0.25, 0.25, 0.75, 0.5);
        assertThat(cut.volume()).isLessThan(mesh(board).volume() - 1e6);
        var both = mesh(
                board,
                part(Swatch.SHARED.place(2), new Form.Block(Vec.ofMillimetres(1200, 40, 60)), Laying.AS_IT_LIES));
        assertThat(both.parts()).singleElement().satisfies(p -> assertThat(p.swatch())
                .isEqualTo(Swatch.SHARED));
    }

    /** The place is moved: what lies on it moves with it, and nothing else is another mesh. */
    @Test
    void aPlaceThatMovesTakesAlongWhatLiesOnIt() {
        var sign = part(Swatch.SHARED.place(1), new Form.Block(Vec.ofMillimetres(1200, 40, 600)), Laying.AS_IT_LIES);
        var made = new Recipe.Made(1, List.of(sign));
        var moved = FINISH.on(new Sheets(
                Map.of(),
                Map.of(
                        Swatch.SHARED.place(1),
                        new Patch(Patch.Kind.SINGLE, 0.5, 0, 1, 0.25),
                        Swatch.SHARED.place(2),
                        RAIL)));
        var before = made.mesh(FINISH);
        var after = made.mesh(moved);
        for (var v = 0; v < before.vertices(); v++) {
            assertThat(after.uvs()[2 * v] - before.uvs()[2 * v]).isCloseTo(0.25, within(1e-9));
            assertThat(after.uvs()[2 * v + 1] - before.uvs()[2 * v + 1]).isCloseTo(-0.25, within(1e-9));
        }
        assertThat(moved.of(List.of(Swatch.SHARED.place(2)))).isEqualTo(FINISH.of(List.of(Swatch.SHARED.place(2))));
        assertThat(moved.of(List.of(Swatch.SHARED.place(1)))).isNotEqualTo(FINISH.of(List.of(Swatch.SHARED.place(1))));
    }
}
