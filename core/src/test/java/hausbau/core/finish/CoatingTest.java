package hausbau.core.finish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.finish.Coat.Bond;
import hausbau.core.finish.Coat.Grain;
import hausbau.core.finish.Coat.Layer;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Swatch;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class CoatingTest {

    static List<Swatch> coated() {
        return Stream.concat(Swatch.usual().stream(), Stream.of(Swatch.own(1))).toList();
    }

    private static final int SIDE = 256;
    private static final double SHEET = 2_000;

    private static Coat tiles(Bond bond, int wear) {
        return new Coat(Grain.TILES, "#ffffff", "#000000", 250_000, 125_000, 31_250, bond, 0, 2_000, 20, 0, wear, 5);
    }

    private static Coat worn(Coat c, int wear, int seed) {
        return new Coat(
                c.grain(),
                c.colour(),
                c.second(),
                c.unitX(),
                c.unitY(),
                c.joint(),
                c.bond(),
                c.variation(),
                c.relief(),
                c.roughness(),
                c.metallic(),
                wear,
                seed);
    }

    private static int red(int pixel) {
        return pixel >> 16 & 255;
    }

    private static int green(int pixel) {
        return pixel >> 8 & 255;
    }

    private static int blue(int pixel) {
        return pixel & 255;
    }

    /** How unlike two columns are, on the average. */
    private static double unlike(int[] pixels, int a, int b) {
        return IntStream.range(0, SIDE)
                .mapToDouble(y -> Math.abs(green(pixels[y * SIDE + a]) - green(pixels[y * SIDE + b])))
                .average()
                .orElseThrow();
    }

    private static double unlikeRows(int[] pixels, int a, int b) {
        return IntStream.range(0, SIDE)
                .mapToDouble(x -> Math.abs(green(pixels[a * SIDE + x]) - green(pixels[b * SIDE + x])))
                .average()
                .orElseThrow();
    }

    /** The seam is no greater than what lies between neighbours anywhere inside. */
    @ParameterizedTest
    @MethodSource("coated")
    void everyFinishTilesBothWays(Swatch swatch) {
        var maps = Coating.of(worn(Colourway.usual().coat(swatch), 60, 11), SIDE, SHEET);
        for (var kind : Maps.Kind.values()) {
            var p = maps.of(kind);
            assertThat(unlike(p, SIDE - 1, 0))
                    .as("%s to the side", kind)
                    .isLessThanOrEqualTo(IntStream.range(1, SIDE)
                            .mapToDouble(x -> unlike(p, x - 1, x))
                            .max()
                            .orElseThrow());
            assertThat(unlikeRows(p, SIDE - 1, 0))
                    .as("%s upward", kind)
                    .isLessThanOrEqualTo(IntStream.range(1, SIDE)
                            .mapToDouble(y -> unlikeRows(p, y - 1, y))
                            .max()
                            .orElseThrow());
        }
    }

    @ParameterizedTest
    @MethodSource("coated")
    void normalsAreOneLongAndFaceOutward(Swatch swatch) {
        for (var pixel : Coating.of(Colourway.usual().coat(swatch), SIDE, SHEET).normal()) {
            var x = red(pixel) / 127.5 - 1;
            var y = green(pixel) / 127.5 - 1;
            var z = blue(pixel) / 127.5 - 1;
            assertThat(Math.sqrt(x * x + y * y + z * z)).isCloseTo(1, within(0.02));
            assertThat(z).isPositive();
        }
    }

    /** The share of joints is 1 − (a − j)(b − j) / ab, by area. */
    @Test
    void jointsTakeTheirShareOfTheArea() {
        var maps = Coating.of(tiles(Bond.STACKED, 0), 1024, SHEET);
        var joints = Arrays.stream(maps.colour()).filter(p -> red(p) < 128).count() / (1024.0 * 1024);
        assertThat(joints).isCloseTo(1 - (250 - 31.25) * (125 - 31.25) / (250.0 * 125), within(0.005));
    }

    /** Measured along rows of pixels: eight tiles of 250 in 2 m, every other row shifted by half of one. */
    @Test
    void tilesAreAsLargeAsTypedAndShiftedByTheirBond() {
        for (var bond : Bond.values()) {
            var maps = Coating.of(tiles(bond, 0), 1024, SHEET);
            assertThat(joints(maps, 0)).as("%s, first row", bond).hasSize(8);
            var shift = Math.floorMod(joints(maps, 0).get(0) - joints(maps, 1).get(0), 128);
            assertThat((double) shift)
                    .as("%s", bond)
                    .isCloseTo(
                            switch (bond) {
                                case STACKED -> 0;
                                case HALF -> 64;
                                case THIRD -> 128 / 3.0;
                            },
                            within(1.5));
        }
    }

    /** Pixels where a joint ends, along the middle of a row of tiles, counted from the foot. */
    private static java.util.List<Integer> joints(Maps maps, int row) {
        var y = maps.side() - 1 - (int) ((row + 0.5) * 64);
        return IntStream.range(0, maps.side())
                .filter(x -> red(maps.colour()[y * maps.side() + x]) >= 128
                        && red(maps.colour()[y * maps.side() + Math.floorMod(x - 1, maps.side())]) < 128)
                .boxed()
                .toList();
    }

    /** What is typed is fitted to the sheet by whole units, and never to none. */
    @Test
    void unitsAreFittedToTheSheet() {
        var coat = new Coat(Grain.TILES, "#ffffff", "#000000", 150_000, 150_000, 4_000, Bond.THIRD, 0, 0, 20, 0, 0, 5);
        assertThat(coat.across(SHEET)).isEqualTo(13);
        assertThat(coat.rows(SHEET)).isEqualTo(12);
        assertThat(coat.across(10)).isEqualTo(1);
    }

    /** Pictures made for one thing are there once, however wide the sheet lies; what is laid has a size. */
    @Test
    void aWholeSheetIsOneUnitAtAnyWidth() {
        var coat = Coat.ofWholeSheet(Map.of(Coat.Layer.COLOUR, 1L));
        assertThat(coat.across(125)).isEqualTo(1);
        assertThat(coat.rows(64_000)).isEqualTo(1);
        var left = new Picture(2, 1, new int[] {0x102030, 0xf0e0d0});
        for (var sheet : new double[] {1000, 16_000}) {
            var colour = Coating.of(coat, 256, sheet, mark -> left).colour();
            assertThat(colour[64]).isEqualTo(0x102030);
            assertThat(colour[192]).isEqualTo(0xf0e0d0);
        }
        assertThatThrownBy(() -> new Coat(Grain.TILES, "#ffffff", "#000000", 0, 0, 0, Bond.HALF, 0, 0, 0, 0, 0, 5))
                .isInstanceOf(Refused.class);
    }

    /** A joint lies lower: left of it the surface falls to the right, so its normal leans to +X. */
    @Test
    void whatLiesDeeperIsSeenInTheNormals() {
        var maps = Coating.of(tiles(Bond.STACKED, 0), 1024, SHEET);
        var y = 1024 - 1 - 32;
        var leftOfJoint = maps.normal()[y * 1024 + 128 - 9];
        var rightOfJoint = maps.normal()[y * 1024 + 128 + 8];
        assertThat(red(leftOfJoint)).isGreaterThan(140);
        assertThat(red(rightOfJoint)).isLessThan(116);
        var belowJoint = maps.normal()[(1024 - 64 + 9) * 1024 + 64];
        assertThat(green(belowJoint))
                .as("green is up, and below a joint the surface falls upward")
                .isGreaterThan(140);
    }

    @Test
    void theSameSeedMakesTheSamePixelsAndAnotherDoesNot() {
        var coat = worn(Colourway.usual().coat(Swatch.TIMBER), 30, 1);
        assertThat(Coating.of(coat, SIDE, SHEET).colour())
                .isEqualTo(Coating.of(coat, SIDE, SHEET).colour());
        assertThat(Coating.of(worn(coat, 30, 2), SIDE, SHEET).colour())
                .isNotEqualTo(Coating.of(coat, SIDE, SHEET).colour());
    }

    @Test
    void roughnessAndMetalAreAsTyped() {
        var plain =
                new Coat(Grain.PLAIN, "#336699", "#000000", 1_000_000, 1_000_000, 0, Bond.STACKED, 0, 0, 40, 100, 0, 5);
        var maps = Coating.of(plain, 16, SHEET);
        assertThat(maps.colour()).containsOnly(0x336699);
        assertThat(maps.surface()).containsOnly(0xFF << 16 | 102 << 8 | 0xFF);
        assertThat(maps.normal()).containsOnly(0x8080FF);
    }

    @Test
    void wearDarkensMoreTheMoreThereIs() {
        var before = Double.MAX_VALUE;
        for (var wear : new int[] {0, 30, 60, 100}) {
            var mean = Arrays.stream(
                            Coating.of(tiles(Bond.STACKED, wear), SIDE, SHEET).colour())
                    .map(CoatingTest::red)
                    .average()
                    .orElseThrow();
            assertThat(mean).isLessThan(before);
            before = mean;
        }
    }

    @Test
    void whatCannotBeIsRefusedFieldByField() {
        assertThatThrownBy(() -> new Coat(
                        Grain.TILES, "white", "#000000", 0, 150_000, 80_000, Bond.HALF, 101, 60_000, -1, 0, 0, 5))
                .isInstanceOfSatisfying(Refused.class, r -> assertThat(r.faults())
                        .extracting(f -> f.field())
                        .containsExactly("colour", "unitXMm", "jointMm", "reliefMm", "variation", "roughness"));
        assertThatThrownBy(() -> Coating.of(Colourway.usual().coat(Swatch.TILE), 1000, SHEET))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** A full chain of a sheet of 2^k is (4^(k+1) − 1) / 3 pixels; blocks below 4 × 4 still take one. */
    @Test
    void textureMemoryIsTheWholeMipChain() {
        assertThat(TextureMemory.of(1024, 1).plain()).isEqualTo(4 * ((1L << 22) - 1) / 3);
        // 256² + 128² + … + 1 blocks for 1024 … 4, and one each for 2 and 1.
        assertThat(TextureMemory.of(1024, 3).compressed()).isEqualTo(3 * 16 * (((1L << 18) - 1) / 3 + 2));
        assertThat(TextureMemory.of(1024, 1).plus(TextureMemory.NONE)).isEqualTo(TextureMemory.of(1024, 1));
    }

    /** Four quarters of a picture: red and green above, blue and white below; laid four times across a sheet, each pixel where it belongs. */
    @Test
    void picturesOfOnesOwnLieAgainAndAgain() {
        var quarters = new Picture(2, 2, new int[] {0xff0000, 0x00ff00, 0x0000ff, 0xffffff});
        var slope = new Picture(1, 1, new int[] {0xC080DD});
        var grey = new Picture(1, 1, new int[] {0x808080});
        var coat = new Coat(
                Grain.PICTURES,
                "#123456",
                "#000000",
                500_000,
                1_000_000,
                0,
                Bond.STACKED,
                0,
                0,
                50,
                100,
                0,
                5,
                Map.of(
                        Layer.COLOUR,
                        7L,
                        Layer.NORMAL,
                        8L,
                        Layer.ROUGHNESS,
                        9L,
                        Layer.METALLIC,
                        9L,
                        Layer.OCCLUSION,
                        9L));
        var known = Map.of(7L, quarters, 8L, slope, 9L, grey);
        var maps = Coating.of(coat, 64, 2_000, known::get);
        // 16 pixels each way across a quarter of it along, 32 up: the upper left of a picture is red.
        assertThat(maps.colour()[0]).isEqualTo(0xff0000);
        assertThat(maps.colour()[8]).isEqualTo(0x00ff00);
        assertThat(maps.colour()[16]).isEqualTo(0xff0000);
        assertThat(maps.colour()[16 * 64]).isEqualTo(0x0000ff);
        assertThat(maps.colour()[16 * 64 + 8]).isEqualTo(0xffffff);
        assertThat(maps.colour()[32 * 64]).isEqualTo(0xff0000);
        // Occlusion as it is; half of the half that was typed; half of all metal.
        assertThat(maps.surface()).containsOnly(0x80 << 16 | 0x40 << 8 | 0x80);
        var n = maps.normal()[5];
        assertThat(Math.hypot(red(n) / 127.5 - 1, Math.hypot(green(n) / 127.5 - 1, (n & 255) / 127.5 - 1)))
                .isCloseTo(1, within(0.02));
        assertThat((double) (red(n) - 127.5) / ((n & 255) - 127.5))
                .isCloseTo((0xC0 - 127.5) / (0xDD - 127.5), within(0.03));
        // Without a picture for it, its colour is the typed one.
        var bare = new Coat(
                Grain.PICTURES, "#123456", "#000000", 500_000, 1_000_000, 0, Bond.STACKED, 0, 0, 50, 0, 0, 5, Map.of());
        assertThat(Coating.of(bare, 16, 2_000, known::get).colour()).containsOnly(0x123456);
    }

    /** Seen small, a picture of single black and white pixels is grey, and not one of them. */
    @Test
    void aPictureSeenSmallIsTheMeanOfItsPixels() {
        var board = new Picture(
                256,
                256,
                IntStream.range(0, 256 * 256)
                        .map(i -> (i % 256 + i / 256) % 2 == 0 ? 0xffffff : 0)
                        .toArray());
        var coat = new Coat(
                Grain.PICTURES,
                "#000000",
                "#000000",
                1_000_000,
                1_000_000,
                0,
                Bond.STACKED,
                0,
                0,
                50,
                0,
                0,
                5,
                Map.of(Layer.COLOUR, 1L));
        assertThat(Arrays.stream(Coating.of(coat, 64, 1_000, mark -> board).colour())
                        .map(CoatingTest::red))
                .allMatch(v -> Math.abs(v - 128) < 8);
    }

    /** A grille of a picture that is black to the right: there it is cut out, in every unit; without such a picture nothing is. */
    @Test
    void aPictureSaysWhatIsCutOut() {
        var mask = new Picture(2, 1, new int[] {0xffffff, 0x000000});
        var coat = new Coat(
                Grain.PICTURES,
                "#808080",
                "#808080",
                1_000_000,
                1_000_000,
                0,
                Bond.STACKED,
                0,
                0,
                50,
                0,
                0,
                1,
                Map.of(Layer.OPACITY, 1L));
        var maps = Coating.of(coat, SIDE, SHEET, mark -> mask);
        assertThat(maps.isCut()).isTrue();
        // Two units across: 128 pixels each, of which the left 64 are there.
        for (var x = 0; x < SIDE; x++) {
            assertThat(maps.colour()[x]).isEqualTo(x % 128 < 64 ? 0xff808080 : 0x00808080);
        }
        assertThat(Coating.of(tiles(Bond.HALF, 0), SIDE, SHEET).isCut()).isFalse();
    }
}
