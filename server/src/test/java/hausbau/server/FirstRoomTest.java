package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** The server over real HTTP against a real PostgreSQL, as an outside check would call it. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class FirstRoomTest {

    @LocalServerPort
    int port;

    Caller caller;
    String site;

    @BeforeEach
    void aSiteWithOneBuiltRoom() {
        caller = new Caller(port);
        var made = caller.post("/api/sites", "{\"name\":\"Test hall\"}");
        assertThat(made.status()).isEqualTo(201);
        site = "/api/sites/" + made.json().get("id").asLong();
    }

    private void build() {
        var room = caller.post(
                site + "/rooms",
                "{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":4000,\"depthMm\":3000,\"heightMm\":3000}");
        assertThat(room.status()).as(room.text()).isEqualTo(201);
        var chosen =
                caller.call("PUT", site + "/kit", "{\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}", null);
        assertThat(chosen.status()).as(chosen.text()).isEqualTo(200);
    }

    private long piece(String code) {
        for (JsonNode p : caller.get(site + "/pieces").json()) {
            if (p.get("code").asString().equals(code)) {
                return p.get("id").asLong();
            }
        }
        throw new AssertionError("no piece " + code);
    }

    private String bench(long x, long y) {
        return "{\"pieceId\":" + piece("PRP-BENCH") + ",\"atMm\":{\"x\":" + x + ",\"y\":" + y + ",\"z\":0}}";
    }

    /** 4 × 3 m from metres: 14 walls, 4 posts; 4 m and 3 m share 1 m tiles: 12 floors and 12 ceilings. */
    @Test
    void aRoomIsBuiltFromItsKitWithoutAFinding() {
        build();
        assertThat(caller.get(site + "/placements").json().size()).isEqualTo(14 + 4 + 12 + 12);
        assertThat(caller.get(site + "/survey").json().get("findings").isEmpty())
                .isTrue();
        assertThat(caller.get(site + "/tally").json().get("kinds").asInt()).isEqualTo(4);
    }

    @Test
    void aPlacementSnapsToTheStepAndUndoTakesItAway() {
        build();
        var placed = caller.post(site + "/placements", bench(2033, 1512));
        assertThat(placed.status()).isEqualTo(201);
        assertThat(placed.json().get("atMm").get("x").asInt()).isEqualTo(2000);
        assertThat(placed.json().get("atMm").get("y").asInt()).isEqualTo(1500);
        assertThat(placed.json().get("origin").asString()).isEqualTo("hand");
        assertThat(caller.get(site).json().get("undo").asString()).contains("PRP-BENCH");
        assertThat(caller.post(site + "/undo", null).status()).isEqualTo(200);
        assertThat(caller.get(site + "/placements").json().size()).isEqualTo(42);
        assertThat(caller.post(site + "/redo", null).status()).isEqualTo(200);
        assertThat(caller.get(site + "/placements").json().size()).isEqualTo(43);
    }

    @Test
    void everythingCanBeUndoneToTheBareSiteAndDoneAgain() {
        build();
        while (caller.post(site + "/undo", null).status() == 200) {}
        assertThat(caller.get(site + "/massing").json().get("rooms").isEmpty()).isTrue();
        assertThat(caller.get(site + "/pieces").json().isEmpty()).isTrue();
        while (caller.post(site + "/redo", null).status() == 200) {}
        assertThat(caller.get(site + "/placements").json().size()).isEqualTo(42);
    }

    @Test
    void aMissingWallIsAGapThatTheFixFills() {
        build();
        var wall = caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("pieceId").asLong() == piece("WAL-1000"))
                .findFirst()
                .orElseThrow();
        caller.post(site + "/placements/removals", "{\"ids\":[" + wall.get("id") + "]}");
        var finding = caller.get(site + "/survey").json().get("findings").get(0);
        assertThat(finding.get("kind").asString()).isEqualTo("GAP");
        caller.post(site + "/survey/fixes", "{\"key\":\"" + finding.get("key").asString() + "\"}");
        assertThat(caller.get(site + "/survey").json().get("findings").isEmpty())
                .isTrue();
        // It is the piece itself that is back: nothing is left out, to be put back over another.
        assertThat(caller.get(site + "/departures").json().isEmpty()).isTrue();
        assertThat(caller.get(site + "/placements").json().size()).isEqualTo(42);
    }

    @Test
    void aCopyStandsOnItsOwn() {
        build();
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(caller.get(copy + "/placements").json().size()).isEqualTo(42);
        var room = caller.get(copy + "/massing")
                .json()
                .get("rooms")
                .get(0)
                .get("id")
                .asLong();
        assertThat(caller.call("PATCH", copy + "/rooms/" + room, "{\"widthMm\":5000}", null)
                        .status())
                .isEqualTo(200);
        assertThat(caller.get(copy + "/survey").json().get("findings").isEmpty())
                .isTrue();
        assertThat(caller.call("DELETE", copy, null, null).status()).isEqualTo(204);
        assertThat(caller.get(site + "/placements").json().size()).isEqualTo(42);
    }

    @Test
    void theSceneIsBinaryGltfAndTheBillCounts() {
        build();
        var glb = caller.get(site + "/handover/scene.glb");
        assertThat(glb.bytes()).startsWith('g', 'l', 'T', 'F');
        assertThat(caller.get(site + "/handover/pieces.csv").text())
                .contains("WAL-1000,wall,wall 1 m,1000,200,3000,14\r\n");
    }

    @Test
    void theContractsKitPlanComesOut() {
        var plan = caller.post(
                        "/api/kit-plans",
                        """
                {"stepMm":100,"minPieceMm":200,"maxPieceMm":4000,"maxKinds":4,"runs":[{"name":"north","lengthMm":11000,
                "fixed":[{"piece":"door","atMm":4000,"lengthMm":1200}]}]}""")
                .json();
        assertThat(plan.get("recommended").asInt()).isEqualTo(1);
        assertThat(plan.get("options").get(1).get("kindsMm").toString()).isEqualTo("[4000,1800]");
        assertThat(plan.get("runs").get(0).get("sequence").size()).isEqualTo(4);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "{",
                "[]",
                "null",
                "{\"name\":null}",
                "{\"name\":\"\"}",
                "{\"name\":5}",
                "{\"name\":\"x\",\"colour\":1}",
                "{\"name\":\"x\",\"stepMm\":NaN}",
                "{\"name\":\"x\",\"stepMm\":1e999999}",
                "{\"name\":\"x\",\"stepMm\":\"100\"}",
                "{\"name\":\"x\",\"stepMm\":0.00001}",
                "{\"name\":\"x\",\"stepMm\":-1}",
                "{\"name\":\"x\\u0000y\"}",
                "{\"name\":\"x\",\"unit\":\"ELL\"}"
            })
    void oddBodiesAreRefusedWithAWord(String body) {
        var answer = caller.post("/api/sites", body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        assertThat(answer.type()).startsWith("application/problem+json");
        assertThat(answer.json().get("detail").asString()).isNotBlank();
    }

    @Test
    void anEndlessNameIsRefused() {
        assertThat(caller.post("/api/sites", "{\"name\":\"" + "n".repeat(100_000) + "\"}")
                        .status())
                .isEqualTo(400);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/sites/0",
                "/api/sites/none",
                "/api/sites/99999999999999999999",
                "/api/sites/0/pieces",
                "/api/sites/0/placements",
                "/api/sites/0/survey",
                "/api/sites/0/tally",
                "/api/sites/0/massing",
                "/api/sites/0/handover/scene.glb",
                "/api/nothing"
            })
    void whatIsNotThereIsNotFound(String path) {
        var answer = caller.get(path);
        assertThat(answer.status()).as(answer.text()).isEqualTo(404);
    }

    @Test
    void aDoorWiderThanItsWallIsRefusedWithWhatWouldDo() {
        build();
        var room = caller.get(site + "/massing")
                .json()
                .get("rooms")
                .get(0)
                .get("id")
                .asLong();
        var answer = caller.post(
                site + "/rooms/" + room + "/openings",
                "{\"kind\":\"DOOR\",\"side\":\"EAST\",\"atMm\":100,\"widthMm\":5000,\"heightMm\":2000}");
        assertThat(answer.status()).isEqualTo(400);
        // The wall is 3 m; 0.1 m of jamb on both sides leaves 2.8 m.
        assertThat(answer.json().get("detail").asString()).contains("2.8 m");
        assertThat(caller.get(site + "/massing").json().get("openings").isEmpty())
                .isTrue();
    }
}
