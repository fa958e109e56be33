package hausbau.server.store.kit;

import hausbau.core.finish.Coat;
import hausbau.core.finish.Colourway;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Millimetres;
import hausbau.server.store.NamedRow;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.TreeMap;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.node.ObjectNode;

/** A named set of finishes. */
@Entity
@Table(name = "colourway")
public class ColourwayRow extends NamedRow {

    private static final int VERSION = 1;

    protected ColourwayRow() {}

    public ColourwayRow(long id, long siteId, String name, Colourway colourway) {
        super(id, siteId, name, write(colourway));
    }

    public void set(Colourway colourway) {
        words = write(colourway);
    }

    /** A coat for each swatch. */
    private static String write(Colourway colourway) {
        var coats = new TreeMap<Swatch, CoatWords>();
        colourway.coats().forEach((swatch, coat) -> coats.put(swatch, CoatWords.of(coat)));
        return Millimetres.JSON.writeValueAsString(Millimetres.JSON
                .createObjectNode()
                .put("version", VERSION)
                .set("coats", Millimetres.JSON.valueToTree(coats)));
    }

    public Colourway toColourway() {
        var json = (ObjectNode) Millimetres.JSON.readTree(words);
        var version = json.get("version").asInt();
        if (version != VERSION) {
            throw new IllegalArgumentException("a colourway of version " + version + " cannot be read");
        }
        var usual = Colourway.usual();
        var coats = new TreeMap<Swatch, Coat>();
        Millimetres.JSON
                .treeToValue(json.get("coats"), new TypeReference<TreeMap<Swatch, CoatWords>>() {})
                .forEach((swatch, told) -> coats.put(swatch, told.over(usual.coat(swatch))));
        return new Colourway(coats);
    }
}
