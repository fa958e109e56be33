package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.server.standing.Sets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Twins, and pieces lined up, over HTTP, in a room of 5 × 4 m. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class TwinTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    Caller caller;
    String site;
    long room;
    long lamp;

    @BeforeEach
    void builtRoom() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Twins\"}")
                        .json()
                        .get("id")
                        .asLong();
        room = made(
                        "/rooms",
                        "{\"name\":\"Room\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":5000,\"depthMm\":4000}")
                .get("id")
                .asLong();
        assertThat(caller.call(
                                "PUT",
                                site + "/kit",
                                "{\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}",
                                null)
                        .status())
                .isEqualTo(200);
        lamp = caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals("PRP-LAMP"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
    }

    private JsonNode made(String path, String body) {
        var answer = caller.post(site + path, body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private String lampAt(int x, int y) {
        return made(
                        "/placements",
                        "{\"pieceId\":" + lamp + ",\"atMm\":{\"x\":" + x + ",\"y\":" + y + ",\"z\":0},\"snap\":false}")
                .get("id")
                .asString();
    }

    private List<List<Integer>> of(String of, String origin) {
        return caller.get(of + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("origin").asString().equals(origin))
                .map(p -> List.of(
                        p.get("atMm").get("x").asInt(), p.get("atMm").get("y").asInt()))
                .toList();
    }

    @Test
    void aTwinFollowsUndoesAndIsCopiedWithItsSite() {
        var one = lampAt(1000, 1000);
        var twin = made("/twins", "{\"placementIds\":[\"" + one + "\"],\"eastWest\":true}");
        assertThat(twin.get("roomId").asLong()).isEqualTo(room);
        assertThat(of(site, "twin")).containsExactly(List.of(4000, 1000));
        caller.post(site + "/placements/arrange", "{\"ids\":[\"" + one + "\"],\"byMm\":{\"x\":300,\"y\":200,\"z\":0}}");
        assertThat(of(site, "twin")).containsExactly(List.of(3700, 1200));
        sets.forget(Long.parseLong(site.substring(site.lastIndexOf('/') + 1)));
        assertThat(of(site, "twin")).containsExactly(List.of(3700, 1200));
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(of(copy, "twin")).containsExactly(List.of(3700, 1200));
        var theirs = caller.get(copy + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("origin").asString().equals("hand"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        caller.post(copy + "/placements/removals", "{\"ids\":[\"" + theirs + "\"]}");
        assertThat(of(copy, "twin")).isEmpty();
        caller.post(site + "/undo", null);
        caller.post(site + "/undo", null);
        assertThat(of(site, "twin")).isEmpty();
        caller.post(site + "/redo", null);
        assertThat(of(site, "twin")).containsExactly(List.of(4000, 1000));
        assertThat(caller.post(site + "/twins/" + twin.get("id").asLong() + "/dissolve", null)
                        .json())
                .hasSize(1);
        assertThat(of(site, "hand")).containsExactlyInAnyOrder(List.of(1000, 1000), List.of(4000, 1000));
    }

    /** A course of three and a use of an assembly of two, across X = 2.5 m; changed by hand one keeps that; the course made longer has a longer twin. */
    @Test
    void aTwinFollowsARepeatAndAnAssembly() {
        var rule =
                "{\"what\":\"COURSE\",\"fromMm\":{\"x\":400,\"y\":500,\"z\":0},\"toMm\":{\"x\":1600,\"y\":500,\"z\":0},\"pace\":\"COUNT\",\"count\":3}";
        var repeat = made("/repeats", "{\"pieceIds\":[" + lamp + "],\"rule\":" + rule + "}")
                .get("id")
                .asLong();
        var pair = List.of(lampAt(500, 2000), lampAt(1000, 2000));
        var use = made("/assemblies", "{\"placementIds\":[\"" + pair.get(0) + "\",\"" + pair.get(1) + "\"]}");
        var all = caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> java.util.Set.of("repeat", "assembly")
                        .contains(p.get("origin").asString()))
                .map(p -> p.get("id").asString())
                .toList();
        assertThat(all).hasSize(5);
        made("/twins", "{\"placementIds\":[\"" + String.join("\",\"", all) + "\"],\"eastWest\":true}");
        assertThat(of(site, "twin"))
                .containsExactlyInAnyOrder(
                        List.of(4600, 500),
                        List.of(4000, 500),
                        List.of(3400, 500),
                        List.of(4500, 2000),
                        List.of(4000, 2000));
        var one = caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asString().matches("twin\\.\\d+\\.repeat\\..*"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        assertThat(caller.call("PATCH", site + "/placements", "{\"ids\":[\"" + one + "\"],\"yMm\":900}", null)
                        .status())
                .isEqualTo(204);
        assertThat(caller.call("PATCH", site + "/repeats/" + repeat, "{\"rule\":{\"count\":5}}", null)
                        .status())
                .isEqualTo(200);
        assertThat(of(site, "twin")).hasSize(7).contains(List.of(4600, 900));
        sets.forget(Long.parseLong(site.substring(site.lastIndexOf('/') + 1)));
        assertThat(of(site, "twin")).hasSize(7).contains(List.of(4600, 900));
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(of(copy, "twin")).hasSize(7).contains(List.of(4600, 900), List.of(4500, 2000));
        // Opened, the twin follows what stands in its place; saved over, the use that stands in for that.
        var opened = caller.post(site + "/uses/" + use.get("id").asLong() + "/open", null)
                .json();
        assertThat(of(site, "twin")).hasSize(7).contains(List.of(4500, 2000), List.of(4000, 2000));
        var moved = opened.get("placementIds").get(0).asString();
        caller.post(site + "/placements/arrange", "{\"ids\":[\"" + moved + "\"],\"byMm\":{\"x\":0,\"y\":300,\"z\":0}}");
        assertThat(caller.call(
                                "PUT",
                                site + "/assemblies/" + use.get("assemblyId").asLong() + "/parts",
                                "{\"placementIds\":" + opened.get("placementIds") + ",\"pivot\":" + opened.get("pivot")
                                        + "}",
                                null)
                        .status())
                .isEqualTo(200);
        assertThat(of(site, "twin")).hasSize(7);
        assertThat(of(site, "assembly").stream().map(at -> List.of(5000 - at.get(0), at.get(1))))
                .allSatisfy(at -> assertThat(of(site, "twin")).contains(at));
        caller.post(site + "/undo", null);
        caller.post(site + "/undo", null);
        caller.post(site + "/undo", null);
        assertThat(of(site, "twin")).hasSize(7).contains(List.of(4500, 2000), List.of(4000, 2000));
    }

    @Test
    void aPlaneMayBeTyped() {
        var twin =
                made("/twins", "{\"placementIds\":[\"" + lampAt(1000, 1000) + "\"],\"eastWest\":false,\"atMm\":1500}");
        assertThat(of(site, "twin")).containsExactly(List.of(1000, 2000));
        assertThat(caller.call("DELETE", site + "/twins/" + twin.get("id").asLong(), null, null)
                        .status())
                .isEqualTo(204);
        assertThat(of(site, "twin")).isEmpty();
    }

    /** Two points one above the other on the plan: the line between them. A dissolved repeat's twin follows its placements. */
    @Test
    void aLineMayBePickedAndARepeatDissolved() {
        var rule =
                "{\"what\":\"COURSE\",\"fromMm\":{\"x\":400,\"y\":500,\"z\":0},\"toMm\":{\"x\":1600,\"y\":500,\"z\":0},\"pace\":\"COUNT\",\"count\":2}";
        var repeat = made("/repeats", "{\"pieceIds\":[" + lamp + "],\"rule\":" + rule + "}")
                .get("id")
                .asLong();
        var places = caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("origin").asString().equals("repeat"))
                .map(p -> p.get("id").asString())
                .toList();
        made(
                "/twins",
                "{\"placementIds\":[\"" + places.get(0)
                        + "\"],\"fromMm\":{\"x\":2030,\"y\":400,\"z\":0},\"toMm\":{\"x\":2100,\"y\":3000,\"z\":0}}");
        assertThat(of(site, "twin")).containsExactlyInAnyOrder(List.of(3700, 500), List.of(2500, 500));
        assertThat(caller.post(site + "/repeats/" + repeat + "/dissolve", null).json())
                .hasSize(2);
        assertThat(of(site, "twin")).containsExactlyInAnyOrder(List.of(3700, 500), List.of(2500, 500));
        assertThat(caller.post(site + "/twins", "{\"placementIds\":[\"" + lampAt(1000, 1000) + "\"]}")
                        .text())
                .contains("eastWest");
    }

    @Test
    void whatHasNoTwinIsRefused() {
        var wall = caller.get(site + "/placements").json().get(0).get("id").asString();
        assertThat(caller.post(site + "/twins", "{\"placementIds\":[\"" + wall + "\"],\"eastWest\":true}")
                        .text())
                .contains("what hands have set down");
        assertThat(caller.post(site + "/twins", "{\"placementIds\":[\"" + lampAt(90_000, 0) + "\"],\"eastWest\":true}")
                        .text())
                .contains("stands in no room");
        assertThat(caller.post(site + "/twins", "{\"placementIds\":[]}").status())
                .isEqualTo(400);
        assertThat(caller.call("DELETE", site + "/twins/99999", null, null).status())
                .isEqualTo(404);
    }

    /** By hand: a lamp's foot is 320 mm, so with its back to the north wall it stands at 3 840. */
    @Test
    void piecesAreLinedUp() {
        var ids = "[\"" + lampAt(500, 1000) + "\",\"" + lampAt(1000, 2000) + "\",\"" + lampAt(4500, 1500) + "\"]";
        assertThat(caller.post(site + "/placements/line", "{\"ids\":" + ids + ",\"how\":\"SPREAD\",\"axis\":\"X\"}")
                        .status())
                .isEqualTo(204);
        assertThat(of(site, "hand")).containsExactly(List.of(500, 1000), List.of(2500, 2000), List.of(4500, 1500));
        assertThat(caller.post(site + "/placements/line", "{\"ids\":" + ids + ",\"how\":\"WALL\"}")
                        .status())
                .isEqualTo(204);
        assertThat(of(site, "hand")).allSatisfy(at -> assertThat(at.get(1)).isEqualTo(3840));
        assertThat(caller.post(site + "/placements/line", "{\"ids\":" + ids + ",\"how\":\"ALIGN\",\"axis\":\"X\"}")
                        .text())
                .contains("withId");
        assertThat(caller.post(site + "/placements/line", "{\"ids\":" + ids + ",\"how\":\"FACE\"}")
                        .text())
                .contains("pointMm");
        assertThat(caller.get(site + "/rooms/" + room + "/placements")
                        .json()
                        .valueStream()
                        .filter(id -> id.asString().startsWith("hand.")))
                .hasSize(3);
        assertThat(caller.get(site + "/rooms/99999/placements").status()).isEqualTo(404);
    }
}
