package hausbau.core.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.measure.Refused;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SheetsTest {

    private static final Patch PLACE = new Patch(Patch.Kind.SINGLE, 0, 0, 0.5, 0.5);

    /** What lies on a shared sheet has the size of that; what nobody told is of the usual. */
    @Test
    void swatchesHaveTheSizeOfTheirSheet() {
        var sheets = new Sheets(
                Map.of(Swatch.SHARED_B, 2048, Swatch.TILE, 512, Swatch.STONE, 1024),
                Map.of(Swatch.sheet(2).place(3), PLACE));
        assertThat(sheets.side(Swatch.sheet(2).place(16))).isEqualTo(2048);
        assertThat(sheets.side(Swatch.SHARED.place(16))).isEqualTo(1024);
        assertThat(sheets.side(Swatch.TILE)).isEqualTo(512);
        assertThat(sheets.sides()).doesNotContainKey(Swatch.STONE);
    }

    @Test
    void whatAPieceDoesNotLieOnIsNothingToIt() {
        var sheets = new Sheets(
                Map.of(Swatch.SHARED_B, 2048, Swatch.TILE, 512),
                Map.of(Swatch.sheet(2).place(3), PLACE, Swatch.sheet(2).place(4), PLACE));
        assertThat(sheets.of(List.of(Swatch.PLASTER))).isEqualTo(Sheets.USUAL);
        assertThat(sheets.of(List.of(Swatch.sheet(2).place(3))))
                .isEqualTo(new Sheets(
                        Map.of(Swatch.SHARED_B, 2048), Map.of(Swatch.sheet(2).place(3), PLACE)));
    }

    @Test
    void aSheetHasAPowerOfTwoOfPixels() {
        assertThatThrownBy(() -> new Sheets(Map.of(Swatch.TILE, 1000), Map.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("pixels to a side");
        assertThat(Sheets.SIDES).allMatch(side -> Integer.bitCount(side) == 1);
        assertThat(List.of(
                        Sheets.sideFor(1),
                        Sheets.sideFor(256),
                        Sheets.sideFor(257),
                        Sheets.sideFor(1500),
                        Sheets.sideFor(9000)))
                .containsExactly(256, 256, 512, 2048, 4096);
    }
}
