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
        var sheets = new Sheets(Map.of(Swatch.SHARED_B, 2048, Swatch.TILE, 512, Swatch.STONE, 1024), Map.of(Swatch.SHARED_B3, PLACE));
        assertThat(sheets.side(Swatch.SHARED_B16)).isEqualTo(2048);
        assertThat(sheets.side(Swatch.SHARED16)).isEqualTo(1024);
        assertThat(sheets.side(Swatch.TILE)).isEqualTo(512);
        assertThat(sheets.sides()).doesNotContainKey(Swatch.STONE);
    }

    @Test
    void whatAPieceDoesNotLieOnIsNothingToIt() {
        var sheets = new Sheets(Map.of(Swatch.SHARED_B, 2048, Swatch.TILE, 512), Map.of(Swatch.SHARED_B3, PLACE, Swatch.SHARED_B4, PLACE));
        assertThat(sheets.of(List.of(Swatch.PLASTER))).isEqualTo(Sheets.USUAL);
        assertThat(sheets.of(List.of(Swatch.SHARED_B3))).isEqualTo(new Sheets(Map.of(Swatch.SHARED_B, 2048), Map.of(Swatch.SHARED_B3, PLACE)));
    }

    @Test
    void aSheetHasAPowerOfTwoOfPixels() {
        assertThatThrownBy(() -> new Sheets(Map.of(Swatch.TILE, 1000), Map.of())).isInstanceOf(Refused.class).hasMessageContaining("pixels to a side");
        assertThat(Sheets.SIDES).allMatch(side -> Integer.bitCount(side) == 1);
        assertThat(List.of(Sheets.sideFor(1), Sheets.sideFor(256), Sheets.sideFor(257), Sheets.sideFor(1500), Sheets.sideFor(9000))).containsExactly(256, 256, 512, 2048, 4096);
    }

    /** Four shared sheets of sixteen places; each place is drawn in the material of its sheet, and named in words. */
    @Test
    void placesAreOfTheirSheetsMaterial() {
        assertThat(Swatch.sharedSheets()).hasSize(4).allSatisfy(sheet -> assertThat(sheet.places()).hasSize(16).allMatch(p -> p.material() == sheet));
        assertThat(Swatch.STONE.places()).isEmpty();
        assertThat(Swatch.STONE.material()).isEqualTo(Swatch.STONE);
        assertThat(Swatch.SHARED_B.label()).isEqualTo("shared b");
        assertThat(Swatch.coated()).doesNotContain(Swatch.SHARED, Swatch.SHARED_D, Swatch.SHARED1).contains(Swatch.OWN6);
    }
}
