package hausbau.server.store.kit;

import hausbau.core.finish.SharedSheet;
import hausbau.server.store.Millimetres;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** The sheet of a site that several swatches share. */
@Entity
@Table(name = "shared_sheet")
public class SharedSheetRow implements Row {

    private static final int VERSION = 1;

    @Id
    Long id;
    long siteId;
    /** As JSON. */
    String words;

    protected SharedSheetRow() {
    }

    public SharedSheetRow(long id, long siteId, SharedSheet sheet) {
        this.id = id;
        this.siteId = siteId;
        set(sheet);
    }

    private record Words(int version, SharedSheet sheet) {
    }

    public final void set(SharedSheet sheet) {
        words = Millimetres.JSON.writeValueAsString(new Words(VERSION, sheet));
    }

    public SharedSheet toSheet() {
        return read(words);
    }

    static SharedSheet read(String words) {
        var read = Millimetres.JSON.readValue(words, Words.class);
        if (read.version() != VERSION) {
            throw new IllegalArgumentException("a shared sheet of version " + read.version() + " cannot be read");
        }
        return read.sheet();
    }

    @Override
    public Long getId() {
        return id;
    }
}
