package hausbau.server.store.kit;

import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** How many pixels the sheet of a swatch has that does not share it. */
@Entity
@Table(name = "sheet_size")
public class SheetSizeRow implements Row {

    @Id
    Long id;
    long siteId;
    @Enumerated(EnumType.STRING)
    Swatch swatch;
    int pixels;

    protected SheetSizeRow() {
    }

    public SheetSizeRow(long id, long siteId, Swatch swatch, int pixels) {
        this.id = id;
        this.siteId = siteId;
        this.swatch = swatch;
        set(pixels);
    }

    public final void set(int newPixels) {
        pixels = Sheets.requireSide(newPixels);
    }

    public Swatch swatch() {
        return swatch;
    }

    public int pixels() {
        return pixels;
    }

    @Override
    public Long getId() {
        return id;
    }
}
