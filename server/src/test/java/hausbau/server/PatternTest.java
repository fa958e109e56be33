package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.server.standing.Sets;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One look for walls of every size, over HTTP; the room is 5 × 4 m. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class PatternTest {

    private static final String PLAIN =
            "{\"words\":{\"leastMm\":0,\"bands\":[{\"name\":\"low\",\"swatch\":\"TILE\",\"heightMm\":1000,\"proudMm\":20},{\"name\":\"high\",\"swatch\":\"PAINT\",\"heightMm\":0,\"proudMm\":0}],"
                    + "\"trims\":[],\"uprights\":[%s]}}";

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Patterns");
    }

    private List<String> parts(String code) {
        return in.caller
                .get(in.site + "/pieces/" + in.piece(code) + "/bench")
                .json()
                .get("parts")
                .valueStream()
                .map(p -> p.get("words").get("name").asString())
                .toList();
    }

    private void use(String site, Object id) {
        var answer = in.caller.call("PUT", site + "/pattern", "{\"patternId\":" + id + "}", null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
    }

    private JsonNode changed(long id, String told) {
        var answer = in.caller.call("PATCH", in.site + "/patterns/" + id, told, null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    /** All walls at once, each where it was; undone they are plain; what the kit needs next has the look too; a restart finds it. */
    @Test
    void wallsOfEverySizeLookAlikeAndStayWhereTheyAre() {
        var placements = in.caller.get(in.site + "/placements").text();
        var plain = in.caller.get(in.site + "/tally").json().get("triangles").asLong();
        var id = in.made("/patterns", "{}").get("id").asLong();
        assertThat(parts("WAL-1000")).as("not in use yet").containsExactly("");
        use(in.site, id);
        assertThat(parts("WAL-1000")).containsExactly("plinth", "dado", "wall", "rail", "cornice");
        assertThat(parts("POS-200")).containsExactly("plinth", "dado", "wall");
        assertThat(in.caller.get(in.site + "/placements").text()).isEqualTo(placements);
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
        assertThat(in.caller.get(in.site + "/tally").json().get("triangles").asLong())
                .isGreaterThan(plain);
        in.made(
                "/rooms/" + in.room + "/openings",
                "{\"side\":\"SOUTH\",\"kind\":\"DOOR\",\"widthMm\":1000,\"heightMm\":2100,\"atMm\":2000}");
        var door = in.caller
                .get(in.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("role").asString().equals("DOOR"))
                .findFirst()
                .orElseThrow()
                .get("code")
                .asString();
        assertThat(parts(door)).contains("frame", "dado", "cornice");
        assertThat(in.caller.get(in.site + "/patterns").json().get(0).get("seams"))
                .isEmpty();
        sets.forget(in.id());
        assertThat(parts("WAL-1000")).hasSize(5);
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        assertThat(parts("WAL-1000")).containsExactly("");
        assertThat(in.caller.get(in.site + "/tally").json().get("triangles").asLong())
                .isEqualTo(plain);
    }

    /** What is told of a pattern in use is seen at once; a piece told by itself keeps what it was told; back, it is of the pattern. */
    @Test
    void whatIsToldOfAPatternIsSeenAtOnce() {
        var id = in.made("/patterns", "{}").get("id").asLong();
        use(in.site, id);
        changed(id, PLAIN.formatted(""));
        assertThat(parts("WAL-1000")).containsExactly("low", "high");
        var wall = in.piece("WAL-1000");
        in.caller.call("PATCH", in.site + "/pieces/" + wall + "/parts/0", "{\"swatch\":\"STONE\"}", null);
        changed(id, "{\"name\":\"Pool walls\"}");
        use(in.site, null);
        assertThat(parts("WAL-1000")).as("told by itself").containsExactly("low", "high");
        assertThat(parts("POS-200")).containsExactly("");
        in.caller.call("DELETE", in.site + "/pieces/" + wall + "/parts", null, null);
        assertThat(parts("WAL-1000")).containsExactly("");
        assertThat(in.caller
                        .get(in.site + "/patterns")
                        .json()
                        .get(0)
                        .get("name")
                        .asString())
                .isEqualTo("Pool walls");
    }

    /** It is handed over: the scene has its materials by name, and the copy of the site has its pattern. */
    @Test
    void itIsHandedOverAndCopied() {
        var id = in.made("/patterns", "{}").get("id").asLong();
        changed(id, PLAIN.formatted(""));
        use(in.site, id);
        assertThat(materials(in.site)).contains("tile", "paint");
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(materials(copy)).contains("tile", "paint");
        use(copy, null);
        assertThat(materials(copy)).doesNotContain("tile");
        assertThat(materials(in.site)).contains("tile");
        // Shown before it is used.
        var seen = in.caller.get(copy + "/patterns").json().get(0).get("id").asLong();
        var wall = in.caller
                .get(copy + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals("WAL-1000"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        assertThat(names(in.caller
                        .get(copy + "/patterns/" + seen + "/pieces/" + wall + "/mesh.glb")
                        .bytes()))
                .contains("tile");
    }

    private List<String> materials(String site) {
        return names(in.caller.get(site + "/handover/scene.glb").bytes());
    }

    private static List<String> names(byte[] glb) {
        var length = glb[12] & 0xFF | (glb[13] & 0xFF) << 8 | (glb[14] & 0xFF) << 16 | (glb[15] & 0xFF) << 24;
        return JsonMapper.shared()
                .readTree(new String(glb, 20, length, StandardCharsets.UTF_8))
                .get("materials")
                .valueStream()
                .map(m -> m.get("name").asString())
                .toList();
    }

    /** One room's walls, floor and all are under its own pattern, its neighbour's are not; back by undo, and when the pattern goes; a copy of the site has it too. */
    @Test
    void aRoomHasAPatternOfItsOwn() {
        in.made(
                "/rooms",
                "{\"name\":\"Store\",\"widthMm\":4000,\"depthMm\":3000,\"cornerMm\":{\"x\":20000,\"y\":0,\"z\":0}}");
        var codes = codes(in.site);
        var own = in.made("/rooms/" + in.room + "/pattern", "{}");
        assertThat(own.get("rooms").valueStream().map(JsonNode::asString)).hasSize(1);
        changed(
                own.get("id").asLong(),
                PLAIN.formatted("")
                        .replace(
                                "\"uprights\":[]",
                                "\"uprights\":[],\"floor\":{\"field\":\"TERRAZZO\",\"border\":\"TILE\",\"widthMm\":100,\"proudMm\":0}"));
        var more = codes(in.site);
        assertThat(more)
                .containsAll(
                        codes.stream().filter(c -> c.startsWith("WAL-1000")).toList())
                .hasSizeGreaterThan(codes.size());
        var dressed =
                more.stream().filter(c -> c.startsWith("WAL-1000-")).findFirst().orElseThrow();
        assertThat(parts(dressed)).containsExactly("low", "high");
        assertThat(parts("WAL-1000")).containsExactly("");
        assertThat(more.stream()
                        .filter(c -> c.startsWith("FLR") && !codes.contains(c))
                        .map(this::parts))
                .isNotEmpty()
                .allSatisfy(p -> assertThat(p).containsExactly("field", "border"));
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
        sets.forget(Long.parseLong(in.site.substring(in.site.lastIndexOf('/') + 1)));
        assertThat(codes(in.site)).as("found again in the database").isEqualTo(more);
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(in.caller.get(copy + "/patterns").json().get(0).get("rooms")).hasSize(1);
        assertThat(materials(copy)).contains("tile", "paint");
        in.caller.call("DELETE", in.site + "/patterns/" + own.get("id").asLong(), null, null);
        assertThat(codes(in.site)).isEqualTo(codes);
        in.caller.post(in.site + "/undo", "{}");
        assertThat(codes(in.site)).isEqualTo(more);
        assertThat(in.caller
                        .call("PATCH", in.site + "/rooms/" + in.room, "{\"patternId\":0}", null)
                        .json()
                        .get("patternId")
                        .asLong())
                .isZero();
        assertThat(codes(in.site)).isEqualTo(codes);
        assertThat(in.caller
                        .call("PATCH", in.site + "/rooms/" + in.room, "{\"patternId\":999999}", null)
                        .status())
                .isEqualTo(404);
    }

    private List<String> codes(String site) {
        return in.caller
                .get(site + "/pieces")
                .json()
                .valueStream()
                .map(p -> p.get("code").asString())
                .toList();
    }

    @Test
    void whatCannotBeIsRefusedAndSeamsAreTold() {
        var id = in.made("/patterns", "{}").get("id").asLong();
        assertThat(in.refused(
                        "PATCH",
                        "/patterns/" + id,
                        "{\"words\":{\"leastMm\":0,\"bands\":[],\"trims\":[],\"uprights\":[]}}"))
                .containsExactly("bands");
        assertThat(in.refused("PATCH", "/patterns/" + id, "{\"name\":\" \"}")).containsExactly("name");
        assertThat(in.caller
                        .call("PUT", in.site + "/pattern", "{\"patternId\":999999}", null)
                        .status())
                .isEqualTo(404);
        var lopsided = changed(
                id,
                PLAIN.formatted(
                        "{\"name\":\"pilaster\",\"swatch\":\"STONE\",\"at\":\"START\",\"widthMm\":150,\"proudMm\":60,\"pitchMm\":0,\"lowMm\":0,\"highMm\":0}"));
        assertThat(lopsided.get("seams").valueStream().map(JsonNode::asString)).contains("WAL-1000");
        in.caller.call("DELETE", in.site + "/patterns/" + id, null, null);
        assertThat(in.caller.get(in.site + "/patterns").json()).isEmpty();
    }

    private void face(boolean both, long id) {
        var answer = in.caller.call(
                "PUT", in.site + "/facing", "{\"bothSides\":" + both + ",\"outsidePatternId\":" + id + "}", null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
    }

    private List<String> walls(String site) {
        return in.caller
                .get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("role").asString().equals("WALL")
                        && p.get("count").asInt() > 0)
                .map(p -> p.get("code").asString())
                .toList();
    }

    /** A room beside the first: its walls are of two kinds then, by what lies behind; a plan promises as many as stand, copied too. */
    @Test
    void wallsAreDressedOnBothSidesByWhatLiesThere() {
        var outside = in.made("/patterns", "{}").get("id").asLong();
        assertThat(in.caller
                        .call("PATCH", in.site + "/patterns/" + outside, "{\"name\":\"Brick front\"}", null)
                        .status())
                .isEqualTo(200);
        in.made(
                "/rooms",
                "{\"name\":\"Second\",\"cornerMm\":{\"x\":5200,\"y\":0,\"z\":0},\"widthMm\":4000,\"depthMm\":4000}");
        assertThat(walls(in.site)).containsExactly("WAL-1000");
        face(true, outside);
        assertThat(walls(in.site)).containsExactlyInAnyOrder("WAL-1000-BOTH", "WAL-1000-BRICK");
        assertThat(parts("WAL-1000-BRICK"))
                .as("plain inside, the pattern outside")
                .containsExactly("wall", "plinth", "dado", "wall", "rail", "cornice");
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
        var plan = in.caller
                .post(in.site + "/kit-plans", "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":4}")
                .json();
        var option = plan.get("options").get(0);
        assertThat(option.get("proven").asBoolean()).isTrue();
        var taken = in.caller.call("PUT", in.site + "/kit", "{\"option\":" + option.get("id") + "}", null);
        assertThat(taken.status()).as(taken.text()).isEqualTo(200);
        assertThat(walls(in.site)).hasSize(option.get("byRole").get("WALL").asInt());
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(walls(copy)).containsExactlyElementsOf(walls(in.site));
        assertThat(in.caller.get(copy).json().get("outsidePatternId"))
                .isEqualTo(in.caller.get(copy + "/patterns").json().get(0).get("id"));
        assertThat(in.caller.get(copy).json().get("kit").get("option").asString())
                .as("it names the copy's pattern")
                .contains(
                        "x" + in.caller.get(copy).json().get("outsidePatternId").asLong())
                .doesNotContain("x" + outside + ".");
        in.caller.post(in.site + "/undo", null);
        assertThat(walls(in.site)).containsExactlyInAnyOrder("WAL-1000-BOTH", "WAL-1000-BRICK");
        in.caller.post(in.site + "/undo", null);
        assertThat(walls(in.site)).containsExactly("WAL-1000");
    }

    @Test
    void aPatternThatIsTakenAwayLeavesTheOutsideToTheSites() {
        var outside = in.made("/patterns", "{}").get("id").asLong();
        face(true, outside);
        assertThat(in.caller
                        .call("DELETE", in.site + "/patterns/" + outside, null, null)
                        .status())
                .isEqualTo(204);
        assertThat(in.caller.get(in.site).json().get("outsidePatternId").asLong())
                .isZero();
        assertThat(in.caller.get(in.site).json().get("bothSides").asBoolean()).isTrue();
        assertThat(in.refused("PUT", "/facing", "{\"bothSides\":true}")).containsExactly("outsidePatternId");
        var gone = in.caller.call(
                "PUT", in.site + "/facing", "{\"bothSides\":true,\"outsidePatternId\":" + outside + "}", null);
        assertThat(gone.status()).isEqualTo(404);
    }
}
