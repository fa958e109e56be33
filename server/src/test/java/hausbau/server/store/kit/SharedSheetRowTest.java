package hausbau.server.store.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.finish.Coat.Layer;
import hausbau.core.finish.SharedSheet;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SharedSheetRowTest {

    /** As it was written when a site had one sheet of one size; journals still have it so. */
    @Test
    void theFirstVersionIsRead() {
        var words =
                """
                {"version":1,"sheet":{"cells":8,"placed":[{"swatch":"SHARED2","name":"rail","kind":"STRIP","x":0,"y":1,"width":8,"height":2,"pictures":{"COLOUR":7},"roughness":80,"metallic":0}]}}""";
        var rail = new SharedSheet.Placed(
                Swatch.SHARED.place(2), "rail", Patch.Kind.STRIP, 0, 1, 8, 2, Map.of(Layer.COLOUR, 7L), 80, 0);
        assertThat(SharedSheetRow.read(words)).isEqualTo(new SharedSheet(Swatch.SHARED, 1024, 8, List.of(rail)));
    }

    @Test
    void whatIsWrittenIsReadAgainAndALaterVersionIsNot() {
        var sheet = SharedSheet.empty(Swatch.sheet(3)).ofSide(4096);
        assertThat(new SharedSheetRow(1, 2, sheet).toSheet()).isEqualTo(sheet);
        assertThatThrownBy(() -> SharedSheetRow.read("{\"version\":9}"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("version 9");
    }
}
