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

/** How pieces are held, and their looks, over HTTP; the room is 5 × 4 m. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class TraitTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Traits");
    }

    private static List<Double> at(JsonNode p) {
        var at = p.get("atMm");
        return List.of(
                at.get("x").asDouble(), at.get("y").asDouble(), at.get("z").asDouble());
    }

    private JsonNode placed(String code, String more) {
        return in.made("/placements", "{\"pieceId\":" + in.piece(code) + "," + more + "}");
    }

    private void changeRoom(String told) {
        assertThat(in.caller
                        .call("PATCH", in.site + "/rooms/" + in.room, told, null)
                        .status())
                .isEqualTo(200);
    }

    /** It goes along with the wall, in the same edit; undone, both are where they were; a restart finds both. */
    @Test
    void aWallLampStaysWithItsWallAndItsCeilingWithItsLamp() {
        var lamp = placed("PRP-WALL-LAMP", "\"atMm\":{\"x\":2010,\"y\":3500,\"z\":0},\"heightMm\":1650");
        assertThat(at(lamp)).containsExactly(2000.0, 3870.0, 1650.0);
        var hanging = placed("PRP-HANGING-LAMP", "\"atMm\":{\"x\":2500,\"y\":2000,\"z\":0},\"offMm\":100");
        var top = at(hanging).get(2);
        changeRoom("{\"depthMm\":4500}");
        assertThat(at(in.placement(lamp.get("id").asString()))).containsExactly(2000.0, 4370.0, 1650.0);
        changeRoom("{\"heightMm\":3900}");
        var height = in.caller
                .get(in.site + "/massing")
                .json()
                .get("rooms")
                .get(0)
                .get("heightMm")
                .asDouble();
        assertThat(height).isEqualTo(3900);
        assertThat(at(in.placement(hanging.get("id").asString())).get(2)).isEqualTo(3900 - 100 - 1200);
        sets.forget(in.id());
        assertThat(at(in.placement(lamp.get("id").asString()))).containsExactly(2000.0, 4370.0, 1650.0);
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        assertThat(at(in.placement(lamp.get("id").asString()))).containsExactly(2000.0, 3870.0, 1650.0);
        assertThat(at(in.placement(hanging.get("id").asString())).get(2)).isEqualTo(top);
    }

    @Test
    void whatNothingHoldsIsFound() {
        var lamp = placed("PRP-WALL-LAMP", "\"atMm\":{\"x\":2000,\"y\":3500,\"z\":0}")
                .get("id")
                .asString();
        placed("PRP-HANGING-LAMP", "\"atMm\":{\"x\":2500,\"y\":2000,\"z\":0}");
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
        assertThat(in.caller
                        .call("PATCH", in.site + "/placements", "{\"ids\":[\"" + lamp + "\"],\"yMm\":3700}", null)
                        .status())
                .isEqualTo(204);
        var found = in.caller.get(in.site + "/survey").json().get("findings");
        assertThat(found.valueStream().map(f -> f.get("title").asString()))
                .containsExactly("PRP-WALL-LAMP is fixed to nothing");
        in.done("/placements/removals", "{\"ids\":[\"" + lamp + "\"]}");
        // A bench told to be fixed that stands in the room's middle.
        placed("PRP-BENCH", "\"atMm\":{\"x\":1000,\"y\":2000,\"z\":0}");
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
        change("PRP-BENCH", "{\"held\":\"FIXED\"}");
        assertThat(in.caller
                        .get(in.site + "/survey")
                        .json()
                        .get("findings")
                        .get(0)
                        .get("title")
                        .asString())
                .isEqualTo("PRP-BENCH is fixed to nothing");
        in.caller.post(in.site + "/undo", null);
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
    }

    private JsonNode change(String code, String told) {
        var answer = in.caller.call("PATCH", in.site + "/pieces/" + in.piece(code) + "/traits", told, null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private String look(String code, String tint, int weight) {
        return "{\"pieceId\":" + in.piece(code) + ",\"tint\":\"" + tint + "\",\"weight\":" + weight + "}";
    }

    /** Told apart in the scene by materials, kept by a copy of the site, undone with one step. */
    @Test
    void looksAreGivenOutShownCopiedAndHandedOver() {
        for (var i = 0; i < 6; i++) {
            in.place("PRP-BENCH", 900 + 1600 * (i % 2), 500 + 1000 * (i / 2));
        }
        change("PRP-BENCH", "{\"looks\":[" + look("PRP-BENCH", "", 1) + "," + look("PRP-BENCH", "#804020", 1) + "]}");
        var numbers = dealt(in.site);
        assertThat(numbers).hasSize(6).containsOnly(-1, 0);
        for (var i = 0; i < 6; i += 2) {
            assertThat(numbers.get(i)).as("side by side in row %d", i / 2).isNotEqualTo(numbers.get(i + 1));
        }
        var scene = scene(in.site);
        var tinted = scene.get("materials")
                .valueStream()
                .filter(m -> m.get("name").asString().endsWith(" #804020"))
                .toList();
        var own = scene.get("materials")
                .valueStream()
                .filter(m -> m.get("name").asString().equals("timber"))
                .findFirst()
                .orElseThrow();
        assertThat(tinted).hasSize(2);
        // 0x80 is 0.2158605 in linear light: IEC 61966-2-1, worked out by hand.
        var timber = tinted.stream()
                .filter(m -> m.get("name").asString().startsWith("timber"))
                .findFirst()
                .orElseThrow();
        assertThat(red(timber) / red(own)).isCloseTo(0.2158605, org.assertj.core.api.Assertions.within(1e-5));
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(dealt(copy)).isEqualTo(numbers);
        assertThat(in.caller
                        .get(copy + "/looks")
                        .json()
                        .get("all")
                        .get(0)
                        .get("tint")
                        .asString())
                .isEqualTo("#804020");
        in.caller.post(in.site + "/undo", null);
        assertThat(in.caller.get(in.site + "/looks").json().get("dealt")).isEmpty();
    }

    /** The looks given out, in the order of the blocks that ids fall in. */
    private List<Integer> dealt(String site) {
        return in.caller
                .get(site + "/looks")
                .json()
                .get("dealt")
                .valueStream()
                .flatMap(d -> d.get("looks").valueStream())
                .map(JsonNode::asInt)
                .toList();
    }

    private static double red(JsonNode material) {
        return material.get("pbrMetallicRoughness")
                .get("baseColorFactor")
                .get(0)
                .asDouble();
    }

    private JsonNode scene(String site) {
        var glb = in.caller.get(site + "/handover/scene.glb").bytes();
        var length = glb[12] & 0xFF | (glb[13] & 0xFF) << 8 | (glb[14] & 0xFF) << 16 | (glb[15] & 0xFF) << 24;
        return JsonMapper.shared().readTree(new String(glb, 20, length, StandardCharsets.UTF_8));
    }

    @Test
    void whatCannotBeIsRefusedWithItsField() {
        var path = "/pieces/" + in.piece("PRP-BENCH") + "/traits";
        assertThat(in.refused("PATCH", path, "{\"looks\":[" + look("PRP-LAMP", "", 1) + "]}"))
                .containsExactly("pieceId");
        assertThat(in.refused("PATCH", path, "{\"looks\":[" + look("PRP-BENCH", "red", 1) + "]}"))
                .containsExactly("tint");
        assertThat(in.refused("PATCH", path, "{\"looks\":[" + look("PRP-BENCH", "", 0) + "]}"))
                .containsExactly("weight");
        assertThat(in.refused("PATCH", "/pieces/" + in.piece("WAL-1000") + "/traits", "{\"held\":\"HANGS\"}"))
                .containsExactly("held");
        assertThat(in.refused(
                        "POST",
                        "/placements",
                        "{\"pieceId\":" + in.piece("PRP-WALL-LAMP")
                                + ",\"atMm\":{\"x\":0,\"y\":0,\"z\":0},\"offMm\":-1}"))
                .containsExactly("offMm");
    }

    /** The room's walls are of a metre: five along its longer sides. */
    @Test
    void repetitionNamesTheLongestRow() {
        for (var i = 0; i < 6; i++) {
            in.place("PRP-LAMP", 1000 + 400 * i, 2000);
        }
        var kept = in.caller
                .get(in.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> List.of("FLOOR", "CEILING").contains(p.get("role").asString()))
                .map(p -> p.get("id").asString())
                .toList();
        var found = in.caller
                .call(
                        "POST",
                        in.site + "/repetition",
                        "{\"lowMm\":-900000,\"highMm\":900000,\"without\":[" + String.join(",", kept) + "]}",
                        null)
                .json();
        assertThat(found.get("longest").get("pieceId").asLong()).isEqualTo(in.piece("PRP-LAMP"));
        assertThat(found.get("longest").get("ids")).hasSize(6);
        assertThat(found.get("longest").get("placeMm").get("max").get("x").asDouble())
                .isEqualTo(3160);
    }

    /** Twenty lamps on a wall need no height told, and hang with their backs in its face. */
    @Test
    void aCourseOfWallLampsIsLaidOnTheWall() {
        var rule =
                "{\"what\":\"COURSE\",\"fromMm\":{\"x\":500,\"y\":3800,\"z\":0},\"toMm\":{\"x\":4500,\"y\":3800,\"z\":0},\"pace\":\"COUNT\",\"count\":4,\"halfEnds\":true,\"along\":true}";
        in.made(
                "/repeats",
                "{\"pieceIds\":[" + in.piece("PRP-WALL-LAMP") + "],\"rule\":" + rule + ",\"following\":{\"roomId\":"
                        + in.room + ",\"hold\":\"WALL\",\"edge\":0}}");
        assertThat(in.placements("repeat").map(TraitTest::at))
                .containsExactly(
                        List.of(625.0, 3870.0, 1700.0),
                        List.of(1875.0, 3870.0, 1700.0),
                        List.of(3125.0, 3870.0, 1700.0),
                        List.of(4375.0, 3870.0, 1700.0));
        assertThat(in.caller.get(in.site + "/survey").json().get("faults").asInt())
                .isZero();
    }

    /** Two lamps a metre apart are swapped for benches of 1.6 m: each reaches into the other, which both are told of. */
    @Test
    void aSwapTellsWhatNoLongerFits() {
        var lamps = List.of(
                in.place("PRP-LAMP", 1500, 2000), in.place("PRP-LAMP", 2500, 2000), in.place("PRP-LAMP", 2500, 3500));
        var misfits = in.caller
                .post(
                        in.site + "/placements/swaps",
                        "{\"ids\":" + BuiltRoom.ids(lamps) + ",\"pieceId\":" + in.piece("PRP-BENCH") + "}")
                .json();
        assertThat(misfits).hasSize(1);
        assertThat(misfits.get(0).get("ids").valueStream().map(JsonNode::asString))
                .containsExactlyInAnyOrder(lamps.get(0), lamps.get(1));
        assertThat(in.caller
                        .post(
                                in.site + "/placements/swaps",
                                "{\"ids\":" + BuiltRoom.ids(lamps) + ",\"pieceId\":" + in.piece("PRP-LAMP") + "}")
                        .json())
                .isEmpty();
    }

    /** A trail up stairs follows them: 16 rails of a metre of slope, each tipped by the stairs' slope. */
    @Test
    void aTrailClimbsStairs() {
        var stair = in.made(
                "/stairs/drawn", "{\"fromMm\":{\"x\":600,\"y\":200,\"z\":0},\"toMm\":{\"x\":600,\"y\":3800,\"z\":0}}");
        var id = stair.get("id").asLong();
        var rule =
                "{\"what\":\"TRAIL\",\"pathMm\":[{\"x\":0,\"y\":0,\"z\":0},{\"x\":1,\"y\":0,\"z\":0}],\"pace\":\"COUNT\",\"count\":3,\"sloped\":true}";
        in.made(
                "/repeats",
                "{\"pieceIds\":[" + in.piece("PRP-BENCH") + "],\"rule\":" + rule + ",\"following\":{\"roomId\":" + id
                        + ",\"hold\":\"STAIR\",\"offMm\":900}}");
        var copies = in.placements("repeat").toList();
        assertThat(copies).hasSize(3);
        var riser = stair.get("riserMm").asDouble();
        var going = stair.get("goingMm").asDouble();
        assertThat(copies).allSatisfy(c -> assertThat(c.get("rollDegrees").asDouble())
                .isCloseTo(-Math.toDegrees(Math.atan2(riser, going)), org.assertj.core.api.Assertions.within(0.01)));
        // The first lies over the first tread, one riser up; the last over the highest.
        assertThat(at(copies.get(0)).get(2)).isCloseTo(riser + 900, org.assertj.core.api.Assertions.within(0.01));
        var climbs = (at(copies.get(2)).get(2) - at(copies.get(0)).get(2))
                / Math.hypot(
                        at(copies.get(2)).get(0) - at(copies.get(0)).get(0),
                        at(copies.get(2)).get(1) - at(copies.get(0)).get(1));
        assertThat(climbs).isCloseTo(riser / going, org.assertj.core.api.Assertions.within(0.001));
        var before = at(copies.get(0));
        assertThat(in.caller
                        .call("PATCH", in.site + "/stairs/" + id, "{\"footMm\":{\"x\":1600,\"y\":200,\"z\":0}}", null)
                        .status())
                .isEqualTo(200);
        assertThat(at(in.placements("repeat").findFirst().orElseThrow()).get(0)).isGreaterThan(before.get(0));
    }
}
