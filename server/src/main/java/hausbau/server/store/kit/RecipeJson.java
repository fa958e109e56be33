package hausbau.server.store.kit;

import hausbau.core.kit.Part;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Recipe;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Millimetres;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** How a piece is made, as JSON with the version it is written in; lengths in whole micrometres. */
public final class RecipeJson {

    private static final int VERSION = 1;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private RecipeJson() {}

    public static String write(Recipe recipe) {
        var json = JSON.createObjectNode().put("version", VERSION).put("made", made(recipe));
        vec(json, "size", recipe.size());
        if (recipe instanceof Recipe.OpeningPanel panel) {
            clear(json, panel.clear());
        } else if (recipe instanceof Recipe.PassagePanel panel) {
            clear(json, panel.clear());
        } else if (recipe instanceof Recipe.Flight flight) {
            json.put("treads", flight.treads()).put("foot", flight.foot().um());
        } else if (recipe instanceof Recipe.SlopedGuard guard) {
            json.put("treads", guard.treads()).put("rise", guard.rise().um());
        } else if (recipe instanceof Recipe.CornerPiece corner) {
            json.put("leg", corner.leg().um());
        } else if (recipe instanceof Recipe.Moulding moulding) {
            profile(json, moulding.profile(), moulding.swatch()).put("length", moulding.length());
        } else if (recipe instanceof Recipe.MouldingCorner corner) {
            profile(json, corner.profile(), corner.swatch())
                    .put("leg", corner.leg())
                    .put("outer", corner.outer());
        } else if (recipe instanceof Recipe.Made made) {
            json.put("mark", made.mark()).set("parts", Millimetres.JSON.valueToTree(PartWords.of(made.parts())));
        }
        return JSON.writeValueAsString(json);
    }

    private static ObjectNode profile(ObjectNode json, Profile profile, Swatch swatch) {
        json.set("profile", Millimetres.JSON.valueToTree(PartWords.Section.of(profile)));
        return json.put("swatch", swatch.name());
    }

    private static Profile profile(JsonNode json) {
        return Millimetres.JSON
                .treeToValue(json.get("profile"), PartWords.Section.class)
                .toProfile();
    }

    private static Swatch swatch(JsonNode json) {
        return Swatch.valueOf(json.get("swatch").asString());
    }

    private static void clear(ObjectNode json, Box clear) {
        vec(json, "clearFrom", clear.min());
        vec(json, "clearTo", clear.max());
    }

    private static Box clear(JsonNode json) {
        return new Box(vec(json.get("clearFrom")), vec(json.get("clearTo")));
    }

    private static Length length(JsonNode json) {
        return new Length(json.asLong());
    }

    private static final Map<Class<? extends Recipe>, String> MADE = Map.ofEntries(
            Map.entry(Recipe.WallPanel.class, "wall"),
            Map.entry(Recipe.OpeningPanel.class, "opening"),
            Map.entry(Recipe.PassagePanel.class, "passage"),
            Map.entry(Recipe.Flight.class, "flight"),
            Map.entry(Recipe.Landing.class, "landing"),
            Map.entry(Recipe.Ramp.class, "ramp"),
            Map.entry(Recipe.Guard.class, "guard"),
            Map.entry(Recipe.SlopedGuard.class, "sloped-guard"),
            Map.entry(Recipe.Mass.class, "mass"),
            Map.entry(Recipe.CornerPost.class, "post"),
            Map.entry(Recipe.CornerPiece.class, "corner"),
            Map.entry(Recipe.Tile.class, "tile"),
            Map.entry(Recipe.Moulding.class, "moulding"),
            Map.entry(Recipe.MouldingCorner.class, "moulding-corner"),
            Map.entry(Recipe.StandIn.class, "stand-in"),
            Map.entry(Recipe.Pillar.class, "pillar"),
            Map.entry(Recipe.Bench.class, "bench"),
            Map.entry(Recipe.Cubicle.class, "cubicle"),
            Map.entry(Recipe.Lamp.class, "lamp"),
            Map.entry(Recipe.WallLamp.class, "wall-lamp"),
            Map.entry(Recipe.HangingLamp.class, "hanging-lamp"),
            Map.entry(Recipe.Made.class, "own"));

    private static String made(Recipe recipe) {
        return Objects.requireNonNull(MADE.get(recipe.getClass()), () -> recipe.getClass() + " is not written yet");
    }

    private static void vec(ObjectNode json, String field, Vec v) {
        json.putArray(field).add(v.x()).add(v.y()).add(v.z());
    }

    /** @throws IllegalArgumentException if it is of a version or a make that is not known */
    public static Recipe read(String text, Shells shells) {
        var json = readVersion(text);
        var size = vec(json.get("size"));
        return switch (json.get("made").asString()) {
            case "wall" -> new Recipe.WallPanel(size);
            case "opening" -> new Recipe.OpeningPanel(size, clear(json));
            case "passage" -> new Recipe.PassagePanel(size, clear(json));
            case "flight" -> new Recipe.Flight(size, json.get("treads").asInt(), length(json.get("foot")));
            case "landing" -> new Recipe.Landing(size);
            case "ramp" -> new Recipe.Ramp(size);
            case "guard" -> new Recipe.Guard(size);
            case "sloped-guard" ->
                new Recipe.SlopedGuard(
                        size, length(json.get("rise")), json.get("treads").asInt());
            case "mass" -> new Recipe.Mass(size);
            case "post" -> new Recipe.CornerPost(size);
            case "corner" -> new Recipe.CornerPiece(size, length(json.get("leg")));
            case "tile" -> new Recipe.Tile(size);
            case "moulding" ->
                new Recipe.Moulding(
                        profile(json), swatch(json), json.get("length").asLong());
            case "moulding-corner" ->
                new Recipe.MouldingCorner(
                        profile(json),
                        swatch(json),
                        json.get("leg").asLong(),
                        json.get("outer").asBoolean());
            case "stand-in" -> new Recipe.StandIn(size);
            case "pillar" -> new Recipe.Pillar(size);
            case "bench" -> new Recipe.Bench();
            case "cubicle" -> new Recipe.Cubicle();
            case "lamp" -> new Recipe.Lamp();
            case "wall-lamp" -> new Recipe.WallLamp();
            case "hanging-lamp" -> new Recipe.HangingLamp();
            case "own" -> new Recipe.Made(json.get("mark").asLong(), parts(json.get("parts"), shells));
            default -> throw new IllegalArgumentException("a recipe made as " + json.get("made") + " is not known");
        };
    }

    static String writeParts(List<Part> parts) {
        return JSON.writeValueAsString(JSON.createObjectNode()
                .put("version", VERSION)
                .set("parts", Millimetres.JSON.valueToTree(PartWords.of(parts))));
    }

    /** @throws IllegalArgumentException if it is of a version that is not known */
    static List<Part> readParts(String text, Shells shells) {
        return parts(readVersion(text).get("parts"), shells);
    }

    private static List<Part> parts(JsonNode json, Shells shells) {
        return PartWords.toParts(Arrays.asList(Millimetres.JSON.treeToValue(json, PartWords[].class)), shells);
    }

    private static JsonNode readVersion(String text) {
        var json = JSON.readTree(text);
        if (json.get("version").asInt() != VERSION) {
            throw new IllegalArgumentException("a recipe of version " + json.get("version") + " cannot be read");
        }
        return json;
    }

    private static Vec vec(JsonNode json) {
        return new Vec(json.get(0).asLong(), json.get(1).asLong(), json.get(2).asLong());
    }
}
