package hausbau.server.store.kit;

import com.fasterxml.jackson.annotation.JsonInclude;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Coat.Bond;
import hausbau.core.finish.Coat.Grain;
import hausbau.core.finish.Coat.Layer;
import hausbau.core.finish.Glazing;
import hausbau.core.finish.Glow;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.server.store.Millimetres;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ObjectNode;

/** What a swatch is finished in, in words, as it is kept and as it is told over HTTP; in a change, what is not told stays, and a picture 0 goes. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record CoatWords(
        @Nullable Grain grain,
        @Nullable String colour,
        @Nullable String second,
        @Nullable Length unitXMm,
        @Nullable Length unitYMm,
        @Nullable Length jointMm,
        @Nullable Bond bond,
        @Nullable Integer variation,
        @Nullable Length reliefMm,
        @Nullable Integer roughness,
        @Nullable Integer metallic,
        @Nullable Integer wear,
        @Nullable Integer seed,
        @Nullable Map<Layer, Long> pictures,
        @Nullable String glowColour,
        @Nullable Integer glow,
        @Nullable Integer glowLit,
        @Nullable Integer transparency,
        @Nullable Length thicknessMm,
        @Nullable Boolean twoSided) {

    public static CoatWords of(Coat c) {
        return new CoatWords(
                c.grain(),
                c.colour(),
                c.second(),
                new Length(c.unitX()),
                new Length(c.unitY()),
                new Length(c.joint()),
                c.bond(),
                c.variation(),
                new Length(c.relief()),
                c.roughness(),
                c.metallic(),
                c.wear(),
                c.seed(),
                c.pictures().isEmpty() ? null : new TreeMap<>(c.pictures()),
                c.glow().colour(),
                c.glow().nits(),
                c.glow().lit(),
                c.glazing().transparency(),
                new Length(c.glazing().thickness()),
                c.glazing().twoSided());
    }

    /** Tells only these of the fields above, by their names. */
    public static CoatWords told(Map<String, Object> fields) {
        return Millimetres.JSON.convertValue(fields, CoatWords.class);
    }

    /**
     * A coat with these words in place of its own.
     *
     * @throws Refused if that cannot be
     */
    public Coat over(Coat standing) {
        var merged = Millimetres.JSON.<ObjectNode>valueToTree(of(standing));
        var told = Millimetres.JSON.<ObjectNode>valueToTree(this);
        if (told.get("pictures") instanceof ObjectNode some && merged.get("pictures") instanceof ObjectNode stays) {
            some.propertyNames().forEach(layer -> stays.set(layer, some.get(layer)));
            told.remove("pictures");
        }
        merged.setAll(told);
        return Millimetres.JSON.treeToValue(merged, CoatWords.class).toCoat();
    }

    private Coat toCoat() {
        return new Coat(
                told(grain, "grain"),
                told(colour, "colour"),
                told(second, "second"),
                told(unitXMm, "unitXMm").um(),
                told(unitYMm, "unitYMm").um(),
                told(jointMm, "jointMm").um(),
                told(bond, "bond"),
                told(variation, "variation"),
                told(reliefMm, "reliefMm").um(),
                told(roughness, "roughness"),
                told(metallic, "metallic"),
                told(wear, "wear"),
                told(seed, "seed"),
                pictures == null
                        ? Map.of()
                        : pictures.entrySet().stream()
                                .filter(p -> p.getValue() != 0)
                                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)),
                new Glow(told(glowColour, "glowColour"), told(glow, "glow"), told(glowLit, "glowLit")),
                new Glazing(
                        told(transparency, "transparency"),
                        told(thicknessMm, "thicknessMm").um(),
                        told(twoSided, "twoSided")));
    }

    private static <T> T told(@Nullable T value, String field) {
        if (value == null) {
            throw new Refused(field, "It is missing.");
        }
        return value;
    }
}
