package hausbau.server.store.kit;

import hausbau.core.finish.SharedSheet;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Millimetres;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import tools.jackson.databind.node.ObjectNode;

/** A sheet of a site that several swatches share. */
@Entity
@Table(name = "shared_sheet")
public class SharedSheetRow implements Row {

    private static final int VERSION = 2;

    @Id
    Long id;

    long siteId;
    /** Before version 2 there was this one. */
    String material = Swatch.SHARED.name();
    /** As JSON. */
    String words;

    protected SharedSheetRow() {}

    public SharedSheetRow(long id, long siteId, SharedSheet sheet) {
        this.id = id;
        this.siteId = siteId;
        this.material = sheet.material().name();
        set(sheet);
    }

    private record Words(int version, SharedSheet sheet) {}

    public final void set(SharedSheet sheet) {
        words = Millimetres.JSON.writeValueAsString(new Words(VERSION, sheet));
    }

    public SharedSheet toSheet() {
        return read(words);
    }

    static SharedSheet read(String words) {
        var json = (ObjectNode) Millimetres.JSON.readTree(words);
        var version = json.get("version").asInt();
        if (version == 1 && json.get("sheet") instanceof ObjectNode sheet) {
            sheet.put("material", Swatch.SHARED.name()).put("side", Sheets.USUAL_SIDE);
        } else if (version != VERSION) {
            throw new IllegalArgumentException("a shared sheet of version " + version + " cannot be read");
        }
        return Millimetres.JSON.treeToValue(json, Words.class).sheet();
    }

    @Override
    public Long getId() {
        return id;
    }
}
