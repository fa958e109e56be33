package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Kits in tiers over HTTP: planned, chosen, built, taken back. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class KitTest {

    private static final String LIMITS = "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":3}";

    @LocalServerPort
    int port;

    Caller caller;

    @BeforeEach
    void call() {
        caller = new Caller(port);
    }

    /** A hall of 6 m beside a room of 2.8 m with another upon it, a door and a window in the hall. */
    private String building(String name) {
        var site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"" + name + "\"}")
                        .json()
                        .get("id")
                        .asLong();
        var hall = room(site, "Hall", 0, 0, 5_000, 4_000, 6_000);
        room(site, "Low", 5_200, 0, 3_000, 4_000, 2_800);
        room(site, "High", 5_200, 3_000, 3_000, 4_000, 3_000);
        caller.post(site + "/rooms/" + hall + "/openings/usual", "{\"kind\":\"DOOR\"}");
        caller.post(site + "/rooms/" + hall + "/openings/usual", "{\"kind\":\"WINDOW\"}");
        return site;
    }

    private long room(String site, String name, int x, int z, int width, int depth, int height) {
        var answer = caller.post(
                site + "/rooms",
                "{\"name\":\"" + name + "\",\"cornerMm\":{\"x\":" + x + ",\"y\":0,\"z\":" + z + "},\"widthMm\":" + width
                        + ",\"depthMm\":" + depth + ",\"heightMm\":" + height + "}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("id").asLong();
    }

    @Test
    void aSiteBeginsWithPlainPropsWhereItIsAskedFor() {
        var site = caller.post("/api/sites?props=true", "{\"name\":\"With props\"}");
        assertThat(site.status()).isEqualTo(201);
        assertThat(site.json().get("undo").asString())
                .as("they are what it begins with, not a step")
                .isEmpty();
        var pieces = "/api/sites/" + site.json().get("id").asLong() + "/pieces";
        assertThat(caller.get(pieces).json().valueStream().map(p -> p.get("code")
                        .asString()))
                .containsExactlyInAnyOrder(
                        "PRP-CRATE", "PRP-TABLE", "PRP-CHAIR", "PRP-SHELF", "PRP-BARREL", "PRP-SIGN", "PRP-TABLE-LAMP");
        var without = caller.post("/api/sites", "{\"name\":\"Without\"}")
                .json()
                .get("id")
                .asLong();
        assertThat(caller.get("/api/sites/" + without + "/pieces").json()).isEmpty();
    }

    private Set<Long> derivedPieces(String site) {
        return caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> !p.get("origin").asString().equals("hand"))
                .map(p -> p.get("pieceId").asLong())
                .collect(Collectors.toSet());
    }

    private JsonNode plan(String site) {
        var answer = caller.post(site + "/kit-plans", LIMITS);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private Caller.Answer choose(String site, String option) {
        return caller.call("PUT", site + "/kit", "{\"option\":\"" + option + "\"}", null);
    }

    @Test
    void everyOptionStandsAsPromised() {
        var site = building("Promised");
        var options = plan(site).get("options");
        assertThat(options.size()).isGreaterThan(1);
        for (var option : options) {
            assertThat(choose(site, option.get("id").asString()).status()).isEqualTo(200);
            assertThat(derivedPieces(site)).hasSize(option.get("kinds").asInt());
            assertThat(option.get("pieces").size())
                    .isEqualTo(option.get("kinds").asInt());
            assertThat(option.get("byRole")
                            .valueStream()
                            .mapToInt(JsonNode::asInt)
                            .sum())
                    .isEqualTo(option.get("kinds").asInt());
            assertThat(caller.get(site + "/placements").json().size())
                    .isEqualTo(option.get("placements").asInt());
            assertThat(caller.get(site + "/survey").json().get("faults").asInt())
                    .isZero();
        }
    }

    /** What an option has that the one before it has not are the kinds that its saving is owed to. */
    @Test
    void everyOptionSaysWhichKindsItAdds() {
        var options = plan(building("Added")).get("options");
        assertThat(options.get(0).get("added").size()).isZero();
        for (var i = 1; i < options.size(); i++) {
            var before = sizes(options.get(i - 1).get("pieces"));
            var expected = sizes(options.get(i).get("pieces"));
            expected.removeAll(before);
            assertThat(sizes(options.get(i).get("added"))).isEqualTo(expected).isNotEmpty();
        }
    }

    private static Set<String> sizes(JsonNode pieces) {
        return pieces.valueStream()
                .map(p -> p.get("role") + " " + p.get("lengthMm") + " " + p.get("heightMm") + " " + p.get("depthMm"))
                .collect(Collectors.toSet());
    }

    /** The hall is cut where the rooms beside it have their floor and their ceiling: it needs no piece of 6 m. */
    @Test
    void highWallsAreStacked() {
        var site = building("Stacked");
        var fewest = plan(site).get("options").get(0);
        assertThat(fewest.get("jointsMm").size()).isPositive();
        choose(site, fewest.get("id").asString());
        assertThat(caller.get(site + "/pieces").json().valueStream().filter(p -> p.get("role")
                        .asString()
                        .equals("WALL")))
                .isNotEmpty()
                .allSatisfy(p -> assertThat(p.get("sizeMm").get("z").asDouble()).isLessThan(6_000));
    }

    /** Undone it stands as before, and a copy of the site stands alike. */
    @Test
    void aChoiceIsUndoneAndCopied() {
        var site = building("Undone");
        var options = plan(site).get("options");
        choose(site, options.get(0).get("id").asString());
        var first = caller.get(site + "/placements").text();
        choose(site, options.get(options.size() - 1).get("id").asString());
        caller.post(site + "/undo", null);
        assertThat(caller.get(site + "/placements").text()).isEqualTo(first);
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Undone, copied\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(caller.get(copy).json().get("kit").get("option").asString())
                .isEqualTo(options.get(0).get("id").asString());
        assertThat(derivedPieces(copy)).hasSameSizeAs(derivedPieces(site));
    }

    /** What a hand changed on an upper tier is kept while that stands, listed when it does not. */
    @Test
    void aDepartureOnAnUpperTierLasts() {
        var site = building("Departed tier");
        var options = plan(site).get("options");
        choose(site, options.get(0).get("id").asString());
        var above = caller.get(site + "/placements")
                .json()
                .valueStream()
                .map(p -> p.get("id").asString())
                .filter(id -> id.contains(".up.") && !id.contains("post"))
                .findFirst()
                .orElseThrow();
        var moved = caller.post(
                site + "/placements/arrange", "{\"ids\":[\"" + above + "\"],\"byMm\":{\"x\":0,\"y\":0,\"z\":100}}");
        assertThat(moved.status()).as(moved.text()).isEqualTo(204);
        assertThat(departed(site)).containsExactly(above);
        caller.call("PATCH", site, "{\"name\":\"Departed tier still\"}", null);
        assertThat(caller.get(site).json().get("lost").asInt()).isZero();
        assertThat(departed(site)).containsExactly(above);
        caller.call("PUT", site + "/kit", "{\"kindsMm\":[1000,100],\"minPieceMm\":100,\"maxPieceMm\":4000}", null);
        assertThat(caller.get(site).json().get("lost").asInt()).isEqualTo(1);
    }

    private List<String> departed(String site) {
        return caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("departed").asBoolean())
                .map(p -> p.get("id").asString())
                .toList();
    }

    @Test
    void whatIsNoOptionIsRefused() {
        var site = building("Refused");
        for (var body : List.of(
                "{\"option\":\"best\"}", "{\"option\":\"200000-4000000_3700000__\"}", "{}", "{\"kindsMm\":[1000]}")) {
            var answer = caller.call("PUT", site + "/kit", body, null);
            assertThat(answer.status()).as(answer.text()).isEqualTo(400);
            assertThat(answer.json().get("errors").size()).isPositive();
        }
        assertThat(caller.get(site).json().get("kit").isNull()).isTrue();
    }

    /** By hand: beside a hall of 6 m, rooms of 2.8 and 3 m one upon the other; the rules hold for a plan, and stay with the kit. */
    @Test
    void rulesArePlannedByAndKept() {
        var site = building("Ruled");
        var rules = "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":3,\"neverLengthsMm\":[4000,1000],"
                + "\"jointsAtFloors\":false,\"jambMm\":300,\"kindWorth\":1}";
        var answer = caller.post(site + "/kit-plans", rules);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        var options = answer.json().get("options");
        var chosen = options.get(answer.json().get("recommended").asInt());
        // A piece more than it saves is never recommended.
        for (var option : options) {
            assertThat(chosen.get("kinds").asInt() + chosen.get("placements").asInt())
                    .isLessThanOrEqualTo(option.get("kinds").asInt()
                            + option.get("placements").asInt());
            assertThat(option.get("jointsMm").size()).isZero();
            assertThat(option.get("pieces").valueStream())
                    .filteredOn(p -> p.get("role").asString().equals("WALL"))
                    .noneMatch(
                            p -> List.of(4000, 1000).contains(p.get("lengthMm").asInt()));
        }
        assertThat(choose(site, chosen.get("id").asString()).status()).isEqualTo(200);
        assertThat(derivedPieces(site)).hasSize(chosen.get("kinds").asInt());
        var kept = caller.get(site).json().get("kit").get("rules");
        assertThat(kept.get("neverLengthsMm").valueStream().map(JsonNode::asInt))
                .containsExactly(1000, 4000);
        assertThat(kept.get("jambMm").asInt()).isEqualTo(300);
        assertThat(kept.get("jointsAtFloors").asBoolean()).isFalse();
        caller.post(site + "/undo", null);
        assertThat(caller.get(site).json().get("kit").isNull()).isTrue();
    }

    /** What stands already is not to be made; what a choice does is said beforehand. */
    @Test
    void kindsThatStandCostNothing() {
        var site = building("Kept");
        choose(site, plan(site).get("options").get(0).get("id").asString());
        var keeping = caller.post(
                        site + "/kit-plans",
                        "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":3,\"keepStanding\":true}")
                .json()
                .get("options");
        assertThat(keeping.get(0).get("made").asInt()).isZero();
        assertThat(keeping.get(0).get("kinds").asInt()).isPositive();
        var last = keeping.get(keeping.size() - 1);
        assertThat(last.get("made").asInt()).isPositive();
        var before = ids(site);
        assertThat(choose(site, last.get("id").asString()).status()).isEqualTo(200);
        var after = ids(site);
        assertThat(last.get("does").get("removed").asLong())
                .isEqualTo(before.stream().filter(id -> !after.contains(id)).count());
        assertThat(last.get("does").get("placed").asLong())
                .isGreaterThanOrEqualTo(
                        after.stream().filter(id -> !before.contains(id)).count());
    }

    private Set<String> ids(String site) {
        return caller.get(site + "/placements")
                .json()
                .valueStream()
                .map(p -> p.get("id").asString())
                .collect(Collectors.toSet());
    }

    @Test
    void rulesThatCannotBeKeptAreNamed() {
        var site = building("Unruly");
        var answer = caller.post(
                site + "/kit-plans",
                "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":3,\"onlyLengthsMm\":[250],\"jambMm\":-1}");
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.json().get("errors").valueStream().map(e -> e.get("field")
                        .asString()))
                .containsExactlyInAnyOrder("onlyLengthsMm", "jambMm");
        var unfillable = caller.post(
                        site + "/kit-plans",
                        "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":3,\"onlyLengthsMm\":[3700]}")
                .json();
        assertThat(unfillable.get("options").size()).isZero();
        assertThat(unfillable.get("unfillable").size()).isPositive();
    }

    /** Advice of several rooms is taken with one step, saves what it says, and is taken back with one. */
    @Test
    void adviceIsTakenInOneStep() {
        var site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Advised\"}")
                        .json()
                        .get("id")
                        .asLong();
        room(site, "Low", 0, 0, 4_000, 4_000, 3_000);
        room(site, "Lower", 8_000, 0, 4_000, 4_000, 3_000);
        room(site, "High", 16_000, 0, 4_000, 4_000, 3_200);
        room(site, "Higher", 24_000, 0, 4_000, 4_000, 3_200);
        var kinds = fewestKinds(site);
        var found = caller.post(site + "/kit-advice", LIMITS);
        assertThat(found.status()).as(found.text()).isEqualTo(200);
        var advice = found.json()
                .valueStream()
                .filter(a -> a.get("changes").size() == 2)
                .findFirst()
                .orElseThrow();
        var taken = caller.call(
                "PUT",
                site + "/kit-advice",
                "{\"changes\":" + advice.get("changes").toString() + "}",
                null);
        assertThat(taken.status()).as(taken.text()).isEqualTo(204);
        assertThat(fewestKinds(site)).isEqualTo(kinds - advice.get("kindsSaved").asInt());
        assertThat(caller.get(site).json().get("undo").asString())
                .isEqualTo(advice.get("text").asString());
        caller.post(site + "/undo", null);
        assertThat(fewestKinds(site)).isEqualTo(kinds);
        for (var bad : List.of("[]", "[{\"roomId\":999999,\"heightMm\":3000}]", "[{\"heightMm\":3000}]")) {
            var refused = caller.call("PUT", site + "/kit-advice", "{\"changes\":" + bad + "}", null);
            assertThat(refused.status()).as(bad).isEqualTo(400);
            assertThat(refused.json().get("errors").size()).isPositive();
        }
    }

    /** Of walls and posts: there is no opening. */
    private int fewestKinds(String site) {
        var byRole = plan(site).get("options").get(0).get("byRole");
        return byRole.get("WALL").asInt() + byRole.get("POST").asInt();
    }

    private static String tiers(String walls) {
        return "{\"stepMm\":100,\"minPieceMm\":200,\"maxPieceMm\":4000,\"minTierMm\":400,\"maxTierMm\":4000,\"maxKinds\":8,\"walls\":["
                + walls + "]}";
    }

    /**
     * The wall of the contract, by hand: 6.0 × 4.4 m takes two tiers; its window from 0.9 to 3.1 m lies in the lower one of 4.0 m, or
     * in both. In both, the panel leaves 1.0 and 3.4 m of each tier.
     */
    @Test
    void aWallIsPlannedInTiers() {
        var answer = caller.post(
                "/api/tier-plans",
                tiers("{\"name\":\"north\",\"lengthMm\":6000,\"heightMm\":4400,"
                        + "\"openings\":[{\"atMm\":1000,\"lengthMm\":1600,\"sillMm\":900,\"heightMm\":2200}]}"));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        var options = answer.json().get("options");
        assertThat(options.size()).isPositive();
        for (var option : options) {
            assertThat(option.get("proven").asBoolean()).isTrue();
            var tiers = option.get("tiersMm").get(0);
            assertThat(tiers.valueStream().mapToDouble(JsonNode::asDouble).sum())
                    .isEqualTo(4_400);
            assertThat(option.get("piecesMm").size() + option.get("panelsMm").size())
                    .isEqualTo(option.get("kinds").asInt());
            assertThat(option.get("panelsMm").get(0).get("lengthMm").asInt()).isEqualTo(1_600);
        }
        // A panel through both tiers, and 1.0 and 3.4 m in each: five placements. Of 2.2 m both, so three kinds.
        var last = options.get(options.size() - 1);
        assertThat(last.get("placements").asInt()).isEqualTo(5);
        assertThat(last.get("kinds").asInt()).isEqualTo(3);
        assertThat(answer.json().get("unfillable").size()).isZero();
    }

    @Test
    void wallsThatCannotBeStackedAreNamedAndBadOnesRefused() {
        var low = caller.post("/api/tier-plans", tiers("{\"name\":\"low\",\"lengthMm\":6000,\"heightMm\":300}"));
        assertThat(low.status()).isEqualTo(200);
        assertThat(low.json().get("options").size()).isZero();
        assertThat(low.json().get("unfillable").get(0).get("wall").asString()).isEqualTo("low");
        var out = caller.post(
                "/api/tier-plans",
                tiers("{\"name\":\"out\",\"lengthMm\":6000,\"heightMm\":3000,"
                        + "\"openings\":[{\"atMm\":5000,\"lengthMm\":1600,\"sillMm\":900,\"heightMm\":2200}]}"));
        assertThat(out.status()).isEqualTo(400);
        assertThat(out.json().get("errors").valueStream().map(e -> e.get("field")
                        .asString()))
                .contains("walls[0].openings[0].atMm", "walls[0].openings[0].sillMm");
    }

    private void taken(String site, String changes) {
        var answer = caller.call("PUT", site + "/kit-advice", "{\"changes\":[" + changes + "]}", null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
    }

    /** A level goes up with its rooms and what hands set down there, in one step; so does what moves a level under Massing. */
    @Test
    void adviceOfALevelTakesAllThatIsOnIt() {
        var built = new BuiltRoom(port, "Levels advised");
        var level = built.made("/levels", "{\"name\":\"Upper\",\"floorMm\":3200,\"storeyMm\":3000}")
                .get("id")
                .asLong();
        var room = built.made(
                        "/rooms",
                        "{\"name\":\"Above\",\"levelId\":" + level
                                + ",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":3200},\"widthMm\":5000,\"depthMm\":4000}")
                .get("id")
                .asLong();
        var lamp = built.made(
                        "/placements",
                        "{\"pieceId\":" + built.piece("PRP-LAMP")
                                + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":3200},\"snap\":false}")
                .get("id")
                .asString();
        taken(built.site, "{\"levelId\":" + level + ",\"floorMm\":3300}");
        assertThat(heights(built, level, room, lamp)).containsExactly(3300, 3300, 3300);
        built.caller.post(built.site + "/undo", null);
        assertThat(heights(built, level, room, lamp)).containsExactly(3200, 3200, 3200);
        built.caller.call("PATCH", built.site + "/levels/" + level, "{\"floorMm\":3500}", null);
        assertThat(heights(built, level, room, lamp)).containsExactly(3500, 3500, 3500);
        assertThat(built.refused("POST", "/levels/" + level + "/move", "{\"up\":false}"))
                .as("the ground level stays where it is")
                .containsExactly("level");
        assertThat(heights(built, level, room, lamp)).containsExactly(3500, 3500, 3500);
        assertThat(built.refused("PUT", "/kit-advice", "{\"changes\":[{\"levelId\":0,\"floorMm\":100}]}"))
                .containsExactly("changes");
    }

    /** Floors of the level and of the room, and where the lamp stands, mm. */
    private static List<Integer> heights(BuiltRoom built, long level, long room, String lamp) {
        var massing = built.caller.get(built.site + "/massing").json();
        return List.of(
                find(massing.get("levels"), level).get("floorMm").asInt(),
                find(massing.get("rooms"), room).get("cornerMm").get("z").asInt(),
                built.caller
                        .get(built.site + "/placements")
                        .json()
                        .valueStream()
                        .filter(p -> p.get("id").asString().equals(lamp))
                        .findFirst()
                        .orElseThrow()
                        .get("atMm")
                        .get("z")
                        .asInt());
    }

    private static JsonNode find(JsonNode all, long id) {
        return all.valueStream()
                .filter(one -> one.get("id").asLong() == id)
                .findFirst()
                .orElseThrow();
    }

    /** A room under another's pattern has the other's pieces. */
    @Test
    void adviceOfAPatternPutsRoomsUnderAnother() {
        var built = new BuiltRoom(port, "Patterns advised");
        built.made("/rooms/" + built.room + "/pattern", "{}");
        var massing = built.caller.get(built.site + "/massing").json();
        assertThat(find(massing.get("rooms"), built.room).get("patternId").asLong())
                .isPositive();
        taken(built.site, "{\"roomId\":" + built.room + ",\"patternId\":0}");
        massing = built.caller.get(built.site + "/massing").json();
        assertThat(find(massing.get("rooms"), built.room).get("patternId").asLong())
                .isZero();
        var gone = built.caller.call(
                "PUT",
                built.site + "/kit-advice",
                "{\"changes\":[{\"roomId\":" + built.room + ",\"patternId\":5}]}",
                null);
        assertThat(gone.status()).isEqualTo(404);
    }
}
