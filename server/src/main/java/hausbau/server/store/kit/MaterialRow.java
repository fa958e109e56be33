package hausbau.server.store.kit;

import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** What a site says of a material that is not as usual: what it is called, and how many pixels its sheet has where swatches do not share it. */
@Entity
@Table(name = "material")
public class MaterialRow implements Row {

    @Id
    Long id;
    long siteId;
    @Enumerated(EnumType.STRING)
    Swatch swatch;
    int pixels = Sheets.USUAL_SIDE;
    /** Empty is as its swatch. */
    String name = "";

    protected MaterialRow() {
    }

    public MaterialRow(long id, long siteId, Swatch swatch) {
        this.id = id;
        this.siteId = siteId;
        this.swatch = swatch;
    }

    public void setPixels(int newPixels) {
        pixels = Sheets.requireSide(newPixels);
    }

    public void call(String newName) {
        name = newName;
    }

    public Swatch swatch() {
        return swatch;
    }

    public int pixels() {
        return pixels;
    }

    public String name() {
        return name;
    }

    @Override
    public Long getId() {
        return id;
    }
}
