package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.server.standing.Sets;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Pieces that lean, disorder and order, what is strewn among what stands, and kept selections, over HTTP. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class DressingTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Dressed");
    }

    private static List<Double> lean(JsonNode p) {
        return List.of(
                p.get("tiltDegrees").asDouble(),
                p.get("rollDegrees").asDouble(),
                p.get("scale").asDouble());
    }

    /** Kept across a restart, undone, copied with the site, and in the exported scene as a rotation and a scale. */
    @Test
    void aLeaningPieceStaysSo() {
        var bench = in.place("PRP-BENCH", 2000, 2000);
        var told = "{\"ids\":[\"" + bench + "\"],\"tiltDegrees\":30,\"rollDegrees\":-12.5,\"scale\":1.5}";
        assertThat(in.caller.call("PATCH", in.site + "/placements", told, null).status())
                .isEqualTo(204);
        assertThat(lean(in.placement(bench))).containsExactly(30.0, -12.5, 1.5);
        // Tipped, it rests on its lowest corner: its pivot is lifted off the floor.
        assertThat(in.placement(bench).get("atMm").get("z").asDouble()).isGreaterThan(100);
        sets.forget(in.id());
        assertThat(lean(in.placement(bench))).containsExactly(30.0, -12.5, 1.5);
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(BuiltRoom.placements(in.caller, copy, "hand").map(DressingTest::lean))
                .containsExactly(List.of(30.0, -12.5, 1.5));
        var node = nodes(in.caller.get(in.site + "/handover/scene.glb").bytes()).stream()
                .filter(n -> n.has("scale"))
                .findFirst()
                .orElseThrow();
        assertThat(node.get("scale").get(0).asDouble()).isEqualTo(1.5);
        // In glTF's axes (Y up) the tilt is about X, the roll about -Z: half angles of 15 and 6.25 degrees, worked out
        // by hand.
        var q = node.get("rotation").valueStream().map(JsonNode::asDouble).toList();
        assertThat(q.get(0)).isCloseTo(Math.sin(Math.toRadians(15)) * Math.cos(Math.toRadians(-6.25)), within(1e-6));
        assertThat(q.get(2)).isCloseTo(-Math.cos(Math.toRadians(15)) * Math.sin(Math.toRadians(-6.25)), within(1e-6));
        assertThat(q.get(3)).isCloseTo(Math.cos(Math.toRadians(15)) * Math.cos(Math.toRadians(-6.25)), within(1e-6));
        in.caller.post(in.site + "/undo", null);
        assertThat(lean(in.placement(bench))).containsExactly(0.0, 0.0, 1.0);
        in.caller.post(in.site + "/redo", null);
        assertThat(lean(in.placement(bench))).containsExactly(30.0, -12.5, 1.5);
    }

    private static List<JsonNode> nodes(byte[] glb) {
        var length = glb[12] & 0xFF | (glb[13] & 0xFF) << 8 | (glb[14] & 0xFF) << 16 | (glb[15] & 0xFF) << 24;
        return JsonMapper.shared()
                .readTree(new String(glb, 20, length, StandardCharsets.UTF_8))
                .get("nodes")
                .valueStream()
                .toList();
    }

    @Test
    void aLeanOutOfRangeIsRefusedWithItsField() {
        var bench = in.place("PRP-BENCH", 2000, 2000);
        assertThat(in.refused("PATCH", "/placements", "{\"ids\":[\"" + bench + "\"],\"tiltDegrees\":181}"))
                .containsExactly("tiltDegrees");
        assertThat(in.refused("PATCH", "/placements", "{\"ids\":[\"" + bench + "\"],\"scale\":0}"))
                .containsExactly("scale");
        assertThat(in.refused("POST", "/placements/disorder", "{\"ids\":[\"" + bench + "\"],\"toppled\":101}"))
                .containsExactly("toppled");
    }

    private List<String> benches() {
        var all = new ArrayList<String>();
        for (var i = 0; i < 8; i++) {
            all.add(in.place("PRP-BENCH", 1000 + 2000 * (i % 2), 500 + 800 * (i / 2)));
        }
        return all;
    }

    private List<JsonNode> hands() {
        return in.placements("hand").toList();
    }

    /** Order comes back in one step, left-out ones with it; another seed begins from the same order; copied, it still can. */
    @Test
    void orderComesBack() {
        var ids = benches();
        var first = hands();
        var all = BuiltRoom.ids(ids);
        in.done(
                "/placements/disorder",
                "{\"ids\":" + all + ",\"shiftMm\":150,\"turnDegrees\":40,\"tiltDegrees\":5,\"leftOut\":40,\"seed\":2}");
        var once = hands();
        assertThat(once).isNotEqualTo(first).hasSizeLessThan(8);
        assertThat(in.caller
                        .get(in.site + "/survey")
                        .json()
                        .get("findings")
                        .valueStream()
                        .map(f -> f.get("kind").asString()))
                .doesNotContain("OVERLAP");
        var standing =
                BuiltRoom.ids(once.stream().map(p -> p.get("id").asString()).toList());
        in.done(
                "/placements/disorder",
                "{\"ids\":" + standing
                        + ",\"shiftMm\":150,\"turnDegrees\":40,\"tiltDegrees\":5,\"leftOut\":40,\"seed\":3}");
        assertThat(hands()).isNotEqualTo(once);
        standing =
                BuiltRoom.ids(hands().stream().map(p -> p.get("id").asString()).toList());
        in.done(
                "/placements/disorder",
                "{\"ids\":" + standing
                        + ",\"shiftMm\":150,\"turnDegrees\":40,\"tiltDegrees\":5,\"leftOut\":40,\"seed\":2}");
        assertThat(hands()).isEqualTo(once);
        sets.forget(in.id());
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        var theirs = BuiltRoom.placements(in.caller, copy, "hand")
                .map(p -> p.get("id").asString())
                .collect(Collectors.toSet());
        assertThat(in.caller
                        .post(copy + "/placements/order", "{\"ids\":" + BuiltRoom.ids(theirs) + "}")
                        .status())
                .isEqualTo(204);
        assertThat(BuiltRoom.placements(in.caller, copy, "hand").map(p -> p.get("atMm")))
                .containsExactlyInAnyOrderElementsOf(
                        first.stream().map(p -> p.get("atMm")).toList());
        in.done(
                "/placements/order",
                "{\"ids\":"
                        + BuiltRoom.ids(
                                once.stream().map(p -> p.get("id").asString()).toList()) + "}");
        assertThat(hands()).isEqualTo(first);
        in.caller.post(in.site + "/undo", null);
        assertThat(hands()).isEqualTo(once);
        in.caller.post(in.site + "/redo", null);
        assertThat(in.refused("POST", "/placements/order", "{\"ids\":" + all + "}"))
                .containsExactly("ids");
    }

    /** What a hand moved since has its own order now. */
    @Test
    void whatWasMovedSinceStays() {
        var ids = benches();
        in.done("/placements/disorder", "{\"ids\":" + BuiltRoom.ids(ids) + ",\"shiftMm\":150,\"seed\":2}");
        in.done("/placements/arrange", "{\"ids\":[\"" + ids.get(0) + "\"],\"byMm\":{\"x\":100,\"y\":0,\"z\":0}}");
        var moved = in.placement(ids.get(0)).get("atMm");
        in.done("/placements/order", "{\"ids\":" + BuiltRoom.ids(ids) + "}");
        assertThat(in.placement(ids.get(0)).get("atMm")).isEqualTo(moved);
        assertThat(in.placement(ids.get(3)).get("atMm").get("x").asInt()).isEqualTo(3000);
    }

    /** What is derived departs, and follows its rule again once it is in order. */
    @Test
    void copiesOfARepeatAreDisturbedAndFollowAgain() {
        in.made(
                "/repeats",
                "{\"pieceIds\":[" + in.piece("PRP-LAMP")
                        + "],\"rule\":{\"what\":\"COURSE\",\"fromMm\":{\"x\":500,\"y\":2000,\"z\":0},\"toMm\":{\"x\":4500,\"y\":2000,\"z\":0},\"pace\":\"COUNT\",\"count\":5}}");
        var first = in.placements("repeat").toList();
        var ids = BuiltRoom.ids(first.stream().map(p -> p.get("id").asString()).toList());
        in.done("/placements/disorder", "{\"ids\":" + ids + ",\"shiftMm\":200,\"seed\":5}");
        assertThat(in.placements("repeat")).hasSize(5).allMatch(p -> p.get("departed")
                .asBoolean());
        in.done("/placements/order", "{\"ids\":" + ids + "}");
        assertThat(in.placements("repeat").toList()).isEqualTo(first);
        assertThat(in.caller.get(in.site + "/departures").json()).isEmpty();
    }

    /** Strewn on a bench: moved, it takes them along; lands, tilts, sizes, brush and keep-outs come back as they were told. */
    @Test
    void whatIsStrewnLandsOnWhatStands() {
        var bench = in.place("PRP-BENCH", 2500, 2000);
        var rule =
                "{\"what\":\"SCATTER\",\"areaMm\":[{\"x0\":0,\"y0\":0,\"x1\":5000,\"y1\":4000}],\"baseMm\":0,\"count\":4,\"leastMm\":300,\"lands\":\"TOPS\",\"clear\":true,\"tiltDegrees\":4,\"turnDegrees\":0,"
                        + "\"smallest\":80,\"largest\":120,\"brushedMm\":[{\"x\":2500,\"y\":2000,\"radius\":3000,\"strength\":90}],\"keepOutMm\":[{\"x0\":0,\"y0\":0,\"x1\":500,\"y1\":500}],\"perM2\":0}";
        var made = in.made("/repeats", "{\"pieceIds\":[" + in.piece("PRP-LAMP") + "],\"rule\":" + rule + "}");
        assertThat(made.get("rule").get("lands").asString()).isEqualTo("TOPS");
        assertThat(made.get("rule").get("brushedMm").get(0).get("strength").asInt())
                .isEqualTo(90);
        assertThat(made.get("rule").get("reachMm").asInt()).isEqualTo(1500);
        var on = in.placements("repeat").toList();
        assertThat(on).hasSizeBetween(1, 4).allSatisfy(p -> {
            assertThat(p.get("atMm").get("z").asDouble()).isGreaterThan(400);
            assertThat(p.get("atMm").get("x").asDouble()).isBetween(1700.0, 3300.0);
            assertThat(p.get("scale").asDouble()).isBetween(0.8, 1.2);
        });
        // Shown as it would be in its own place, it is not in its own way.
        var shown = "{\"pieceIds\":[" + in.piece("PRP-LAMP") + "],\"rule\":" + rule + ",\"insteadOfId\":"
                + made.get("id").asLong() + "}";
        assertThat(in.caller
                        .post(in.site + "/repeats/preview", shown)
                        .json()
                        .get("count")
                        .asInt())
                .isEqualTo(on.size());
        in.done("/placements/arrange", "{\"ids\":[\"" + bench + "\"],\"byMm\":{\"x\":0,\"y\":-1200,\"z\":0}}");
        assertThat(in.placements("repeat"))
                .isNotEmpty()
                .allSatisfy(p -> assertThat(p.get("atMm").get("y").asDouble()).isBetween(500.0, 1100.0));
        in.done("/placements/removals", "{\"ids\":[\"" + bench + "\"]}");
        assertThat(in.placements("repeat")).isEmpty();
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        assertThat(in.placements("repeat").toList()).isEqualTo(on);
        sets.forget(in.id());
        assertThat(in.placements("repeat").toList()).isEqualTo(on);
    }

    /** Three, four, five: it leans by what its tangent says, is a piece of the kit, and stays so. */
    @Test
    void aStrutStandsBetweenTwoPoints() {
        var body =
                "{\"fromMm\":{\"x\":500,\"y\":500,\"z\":0},\"toMm\":{\"x\":4500,\"y\":500,\"z\":3000},\"widthMm\":80,\"heightMm\":100}";
        var strut = in.made("/placements/struts", body);
        assertThat(strut.get("rollDegrees").asDouble()).isCloseTo(-Math.toDegrees(Math.atan2(3, 4)), within(1e-9));
        assertThat(in.piece("PRP-5000x80x100")).isEqualTo(strut.get("pieceId").asLong());
        sets.forget(in.id());
        assertThat(in.placement(strut.get("id").asString())).isEqualTo(strut);
        in.made("/placements/struts", body);
        assertThat(in.caller.get(in.site + "/pieces").json().valueStream().filter(p -> p.get("code")
                        .asString()
                        .startsWith("PRP-5000")))
                .hasSize(1);
        assertThat(in.refused(
                        "POST",
                        "/placements/struts",
                        body.replace("4500", "500").replace("3000", "0")))
                .containsExactly("toMm");
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        assertThat(in.placements("hand")).isEmpty();
    }

    @Test
    void aSelectionIsKeptUnderItsName() {
        var ids = benches();
        in.made("/selections", "{\"name\":\" Front row \",\"ids\":" + BuiltRoom.ids(ids.subList(0, 3)) + "}");
        in.made("/selections", "{\"name\":\"Front row\",\"ids\":" + BuiltRoom.ids(ids.subList(0, 2)) + "}");
        var kept = in.caller.get(in.site + "/selections").json();
        assertThat(kept).hasSize(1);
        assertThat(kept.get(0).get("name").asString()).isEqualTo("Front row");
        assertThat(kept.get(0).get("ids").valueStream().map(JsonNode::asString))
                .containsExactlyElementsOf(ids.subList(0, 2));
        in.done("/placements/removals", "{\"ids\":[\"" + ids.get(0) + "\"]}");
        assertThat(in.caller.get(in.site + "/selections").json().get(0).get("ids"))
                .hasSize(1);
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        var theirs = in.caller
                .get(copy + "/selections")
                .json()
                .get(0)
                .get("ids")
                .get(0)
                .asString();
        assertThat(BuiltRoom.placements(in.caller, copy, "hand")
                        .map(p -> p.get("id").asString()))
                .contains(theirs);
        assertThat(in.refused(
                        "POST", "/selections", "{\"name\":\"  \",\"ids\":" + BuiltRoom.ids(ids.subList(1, 2)) + "}"))
                .containsExactly("name");
        assertThat(in.caller
                        .call(
                                "DELETE",
                                in.site + "/selections/" + kept.get(0).get("id").asLong(),
                                null,
                                null)
                        .status())
                .isEqualTo(204);
        assertThat(in.caller.get(in.site + "/selections").json()).isEmpty();
        in.caller.post(in.site + "/undo", null);
        assertThat(in.caller.get(in.site + "/selections").json()).hasSize(1);
    }
}
