package hausbau.core.finish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.finish.Coat.Layer;
import hausbau.core.finish.SharedSheet.Placed;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Patch.Kind;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SharedSheetTest {

    private static Placed at(int number, Kind kind, int x, int y, int width, int height, Map<Layer, Long> pictures) {
        return new Placed(
                Swatch.SHARED.place(number + 1), "swatch " + number, kind, x, y, width, height, pictures, 50, 100);
    }

    private static Placed single(int number, int x, int y, int width, int height) {
        return at(number, Kind.SINGLE, x, y, width, height, Map.of());
    }

    private static SharedSheet sheet(Placed... placed) {
        return new SharedSheet(Swatch.SHARED, 1024, 16, List.of(placed));
    }

    private static Picture plain(int width, int height, int colour) {
        var pixels = new int[width * height];
        Arrays.fill(pixels, colour);
        return new Picture(width, height, pixels);
    }

    /** One fills its place to the pixel; a strip of a picture as high as wide is there as often as it fits; elsewhere the sheet is free. */
    @Test
    void picturesAreWhereTheySay() {
        var sheet = sheet(
                at(0, Kind.SINGLE, 4, 8, 4, 2, Map.of(Layer.COLOUR, 1L, Layer.ROUGHNESS, 3L)),
                at(1, Kind.STRIP, 0, 14, 16, 2, Map.of(Layer.COLOUR, 2L)));
        // The left half of the strip's picture is black, the right white.
        var strip = new Picture(2, 2, new int[] {0x000000, 0xffffff, 0x000000, 0xffffff});
        var maps =
                sheet.maps(256, mark -> mark == 1 ? plain(3, 5, 0xc02010) : mark == 2 ? strip : plain(1, 1, 0x808080));
        // A cell is 16 pixels.
        for (var y = 0; y < 256; y++) {
            for (var x = 0; x < 256; x++) {
                var at = y * 256 + x;
                if (x >= 64 && x < 128 && y >= 128 && y < 160) {
                    assertThat(maps.colour()[at]).isEqualTo(0xc02010);
                    // Half of what the picture tells, which is a half; all metal.
                    assertThat(maps.surface()[at]).isEqualTo(0xff40ff);
                } else if (y >= 224) {
                    // 32 pixels high: 8 times, black for 16, white for 16.
                    assertThat(maps.colour()[at]).isEqualTo(x % 32 < 16 ? 0x000000 : 0xffffff);
                } else {
                    assertThat(maps.colour()[at]).isEqualTo(0xd8d4ca);
                    assertThat(maps.normal()[at]).isEqualTo(0x8080ff);
                }
            }
        }
        assertThat(sheet.patches())
                .containsEntry(Swatch.SHARED.place(1), new Patch(Kind.SINGLE, 0.25, 0.5, 0.5, 0.625))
                .containsEntry(Swatch.SHARED.place(2), new Patch(Kind.STRIP, 0, 0.875, 1, 1));
        assertThat(sheet.free()).isEqualTo(256 - 8 - 32);
    }

    /** Half of a picture is cut out: above the colour of its place stands how opaque it is, and all else is there. */
    @Test
    void whatIsNotOpaqueIsCutOut() {
        var mask = new Picture(2, 1, new int[] {0xffffff, 0x000000});
        var maps = sheet(at(0, Kind.SINGLE, 4, 8, 4, 2, Map.of(Layer.COLOUR, 1L, Layer.OPACITY, 2L)))
                .maps(256, mark -> mark == 1 ? plain(1, 1, 0xc02010) : mask);
        assertThat(maps.isCut()).isTrue();
        assertThat(maps.colour()[130 * 256 + 70]).isEqualTo(0xffc02010);
        assertThat(maps.colour()[130 * 256 + 120]).isEqualTo(0x00c02010);
        assertThat(maps.colour()[0]).isEqualTo(0xffd8d4ca);
    }

    @Test
    void whatCannotBeNamesItsField() {
        assertThatThrownBy(() -> sheet(single(0, 0, 0, 4, 4), single(1, 3, 3, 4, 4)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("would lie on");
        assertThatThrownBy(() -> sheet(single(0, 14, 0, 4, 4)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("does not lie on the sheet");
        assertThatThrownBy(() -> sheet(single(0, 0, -1, 4, 4))).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> sheet(single(0, 0, 0, 0, 4)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("at least one cell");
        assertThatThrownBy(() -> sheet(at(0, Kind.STRIP, 0, 0, 8, 2, Map.of())))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("as wide as the sheet");
        assertThatThrownBy(() -> sheet(at(0, Kind.TILING, 0, 0, 16, 8, Map.of())))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("whole sheet");
        assertThatThrownBy(() -> new SharedSheet(Swatch.SHARED, 1024, 20, List.of()))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> sheet(new Placed(Swatch.STONE, "stone", Kind.SINGLE, 0, 0, 1, 1, Map.of(), 0, 0)))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> sheet(single(0, 1, 0, 1, 1)).on(8))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("between two cells");
        assertThatThrownBy(() -> new SharedSheet(Swatch.SHARED_B, 1024, 16, List.of(single(0, 0, 0, 1, 1))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("on one shared sheet");
        assertThatThrownBy(() -> new SharedSheet(Swatch.STONE, 1024, 16, List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("stone");
        assertThatThrownBy(() -> SharedSheet.empty(Swatch.SHARED).ofSide(1000))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("pixels to a side");
        assertThat(sheet(single(0, 2, 4, 2, 6)).on(8).placed()).containsExactly(single(0, 1, 2, 1, 3));
    }

    /** Strewn where there is room, then packed: the same ones, none on another, and the rows at the foot are free. Looked at in a raster of our own. */
    @Test
    void packedTheyLieOnNothingAndLeaveTheFootFree() {
        for (var seed = 0; seed < 50; seed++) {
            var random = new Random(seed);
            var sheet = SharedSheet.empty(Swatch.SHARED);
            var area = 0;
            for (var i = 0; i < 12; i++) {
                var isStrip = random.nextInt(4) == 0;
                var width = isStrip ? 16 : 1 + random.nextInt(5);
                var height = 1 + random.nextInt(isStrip ? 1 : 3);
                var room = sheet.room(width, height);
                if (room.isPresent()) {
                    sheet = sheet.with(at(
                            i,
                            isStrip ? Kind.STRIP : Kind.SINGLE,
                            room.get().x(),
                            room.get().y(),
                            width,
                            height,
                            Map.of()));
                    area += width * height;
                }
            }
            var packed = sheet.packed();
            var raster = new int[256];
            for (var p : packed.placed()) {
                for (var y = p.y(); y < p.y() + p.height(); y++) {
                    for (var x = p.x(); x < p.x() + p.width(); x++) {
                        raster[16 * y + x]++;
                    }
                }
            }
            assertThat(raster).as("seed %d", seed).doesNotContain(2);
            assertThat(Arrays.stream(raster).sum()).isEqualTo(area);
            assertThat(packed.free()).isEqualTo(256 - area);
            assertThat(names(packed)).isEqualTo(names(sheet));
            var foot = packed.placed().stream()
                    .mapToInt(p -> p.y() + p.height())
                    .max()
                    .orElse(0);
            // Twice what would do if nothing were wasted, and a strip's height: first fit by falling height (Coffman
            // and others, 1980).
            assertThat(foot).isLessThanOrEqualTo((int) Math.ceil(2.0 * area / 16) + 3);
        }
    }

    private static List<String> names(SharedSheet sheet) {
        return new ArrayList<>(sheet.placed().stream().map(Placed::name).toList());
    }

    /** Its row is taken: a strip goes to the first that is free from side to side; one that is free it keeps. */
    @Test
    void whatGoesOnFindsItsRow() {
        var sheet = sheet(single(0, 0, 0, 4, 4), single(1, 4, 1, 3, 2), single(2, 4, 8, 3, 2));
        assertThat(sheet.across(at(1, Kind.STRIP, 4, 1, 3, 2, Map.of())))
                .isEqualTo(at(1, Kind.STRIP, 0, 4, 16, 2, Map.of()));
        assertThat(sheet.across(at(2, Kind.STRIP, 4, 8, 3, 2, Map.of())))
                .isEqualTo(at(2, Kind.STRIP, 0, 8, 16, 2, Map.of()));
    }

    @Test
    void asManyLieOnItAsHaveRoom() {
        var sheet = SharedSheet.empty(Swatch.SHARED);
        for (var i = 0; i < 40; i++) {
            assertThat(sheet.next()).isEqualTo(Swatch.SHARED.place(i + 1));
            sheet = sheet.with(single(i, i % 16, i / 16, 1, 1));
        }
        var full = sheet;
        assertThat(full.without(Swatch.SHARED.place(4)).next()).isEqualTo(Swatch.SHARED.place(4));
        assertThat(full.cellsFor(64)).isEqualTo(1);
        assertThat(full.cellsFor(65)).isEqualTo(2);
        assertThat(full.cellsFor(5000)).isEqualTo(16);
        // Of 2048 a cell has 128.
        assertThat(full.ofSide(2048).cellsFor(128)).isEqualTo(1);
        assertThat(full.ofSide(2048).placed()).isEqualTo(full.placed());
        assertThat(SharedSheet.empty(Swatch.sheet(4)).next())
                .isEqualTo(Swatch.sheet(4).place(1));
    }
}
