package hausbau.server.store.kit;

import hausbau.core.finish.Coat;
import hausbau.core.finish.Colourway;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Millimetres;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.EnumMap;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.node.ObjectNode;

/** A named set of finishes. */
@Entity
@Table(name = "colourway")
public class ColourwayRow implements Row {

    private static final int VERSION = 1;

    @Id
    Long id;
    long siteId;
    String name;
    /** A coat for each swatch, as JSON. */
    String words;
    /** At most one of a site's is. */
    boolean used;

    protected ColourwayRow() {
    }

    public ColourwayRow(long id, long siteId, String name, Colourway colourway) {
        this.id = id;
        this.siteId = siteId;
        this.name = name;
        set(colourway);
    }

    public final void set(Colourway colourway) {
        var coats = new EnumMap<Swatch, CoatWords>(Swatch.class);
        colourway.coats().forEach((swatch, coat) -> coats.put(swatch, CoatWords.of(coat)));
        words = Millimetres.JSON.writeValueAsString(Millimetres.JSON.createObjectNode().put("version", VERSION).set("coats", Millimetres.JSON.valueToTree(coats)));
    }

    public Colourway toColourway() {
        var json = (ObjectNode) Millimetres.JSON.readTree(words);
        var version = json.get("version").asInt();
        if (version != VERSION) {
            throw new IllegalArgumentException("a colourway of version " + version + " cannot be read");
        }
        var usual = Colourway.usual();
        var coats = new EnumMap<Swatch, Coat>(Swatch.class);
        Millimetres.JSON.treeToValue(json.get("coats"), new TypeReference<EnumMap<Swatch, CoatWords>>() { }).forEach((swatch, told) -> coats.put(swatch, told.over(usual.coat(swatch))));
        return new Colourway(coats);
    }

    public void call(String newName) {
        name = newName;
    }

    public void use(boolean isUsed) {
        used = isUsed;
    }

    public String name() {
        return name;
    }

    public boolean isUsed() {
        return used;
    }

    @Override
    public Long getId() {
        return id;
    }
}
