package hausbau.server.store.kit;

import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A material of a site: what it is called, how many pixels its sheet has where swatches do not share it, and where it stands in lists. */
@Entity
@Table(name = "material")
public class MaterialRow implements Row {

    @Id
    Long id;

    long siteId;
    String swatch;
    int pixels = Sheets.USUAL_SIDE;
    /** Empty is as its swatch. */
    String name = "";

    int place;

    protected MaterialRow() {}

    public MaterialRow(long id, long siteId, Swatch of, int place) {
        this.id = id;
        this.siteId = siteId;
        this.swatch = of.name();
        this.place = place;
    }

    public void setPixels(int newPixels) {
        pixels = Sheets.requireSide(newPixels);
    }

    public void call(String newName) {
        name = newName;
    }

    public void put(int newPlace) {
        place = newPlace;
    }

    public Swatch swatch() {
        return Swatch.valueOf(swatch);
    }

    public int pixels() {
        return pixels;
    }

    public String name() {
        return name;
    }

    public int place() {
        return place;
    }

    @Override
    public Long getId() {
        return id;
    }
}
