package hausbau.server.store.kit;

import com.fasterxml.jackson.annotation.JsonInclude;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Coat.Bond;
import hausbau.core.finish.Coat.Grain;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.server.store.Millimetres;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ObjectNode;

/** What a swatch is finished in, in words, as it is kept and as it is told over HTTP; in a change, what is not told stays. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record CoatWords(@Nullable Grain grain, @Nullable String colour, @Nullable String second, @Nullable Length unitXMm, @Nullable Length unitYMm, @Nullable Length jointMm, @Nullable Bond bond,
        @Nullable Integer variation, @Nullable Length reliefMm, @Nullable Integer roughness, @Nullable Integer metallic, @Nullable Integer wear, @Nullable Integer seed) {

    public static CoatWords of(Coat c) {
        return new CoatWords(c.grain(), c.colour(), c.second(), new Length(c.unitX()), new Length(c.unitY()), new Length(c.joint()), c.bond(), c.variation(), new Length(c.relief()), c.roughness(), c.metallic(),
                c.wear(), c.seed());
    }

    /** Tells colours only. */
    public static CoatWords colours(String colour, String second) {
        return new CoatWords(null, colour, second, null, null, null, null, null, null, null, null, null, null);
    }

    /** Tells wear and roughness, percent, besides. */
    public CoatWords worn(int newWear, int newRoughness) {
        return new CoatWords(grain, colour, second, unitXMm, unitYMm, jointMm, bond, variation, reliefMm, newRoughness, metallic, newWear, seed);
    }

    /**
     * A coat with these words in place of its own.
     *
     * @throws Refused if that cannot be
     */
    public Coat over(Coat standing) {
        var merged = Millimetres.JSON.<ObjectNode>valueToTree(of(standing));
        merged.setAll(Millimetres.JSON.<ObjectNode>valueToTree(this));
        return Millimetres.JSON.treeToValue(merged, CoatWords.class).toCoat();
    }

    private Coat toCoat() {
        return new Coat(told(grain, "grain"), told(colour, "colour"), told(second, "second"), told(unitXMm, "unitXMm").um(), told(unitYMm, "unitYMm").um(), told(jointMm, "jointMm").um(), told(bond, "bond"),
                told(variation, "variation"), told(reliefMm, "reliefMm").um(), told(roughness, "roughness"), told(metallic, "metallic"), told(wear, "wear"), told(seed, "seed"));
    }

    private static <T> T told(@Nullable T value, String field) {
        if (value == null) {
            throw new Refused(field, "It is missing.");
        }
        return value;
    }
}
