package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Stairs, solids, sections, flow and outlines of a building, over HTTP. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class BuildingTest {

    @LocalServerPort
    int port;

    @Autowired
    JdbcTemplate jdbc;

    Caller caller;
    String site;
    long hall;

    @BeforeEach
    void twoStoreys() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Building\",\"storeyMm\":3000}")
                        .json()
                        .get("id")
                        .asLong();
        hall = made(
                        "/rooms",
                        "{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":9000,\"depthMm\":6000}")
                .get("id")
                .asLong();
        made("/levels/0/copies", "{}");
    }

    private JsonNode made(String path, String body) {
        var answer = caller.post(site + path, body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private JsonNode stairs() {
        return made(
                "/stairs/drawn",
                "{\"fromMm\":{\"x\":1000,\"y\":2600,\"z\":0},\"toMm\":{\"x\":6000,\"y\":2700,\"z\":0}}");
    }

    private JsonNode massing() {
        return caller.get(site + "/massing").json();
    }

    private void build() {
        assertThat(caller.call(
                                "PUT",
                                site + "/kit",
                                "{\"kindsMm\":[1000,100],\"minPieceMm\":100,\"maxPieceMm\":4000}",
                                null)
                        .status())
                .isEqualTo(200);
    }

    private List<String> ids(String beginning) {
        return caller.get(site + "/placements")
                .json()
                .valueStream()
                .map(p -> p.get("id").asString())
                .filter(id -> id.startsWith(beginning))
                .toList();
    }

    /** 3.2 m in 19 risers with a going of 295 mm, worked by hand in the core's test. */
    @Test
    void stairsLeadToTheFloorAboveAndTheSetFollowsThem() {
        build();
        var floor = ids("room.").size();
        var made = stairs();
        assertThat(made.get("riseMm").asInt()).isEqualTo(3200);
        assertThat(made.get("risers").asInt()).isEqualTo(19);
        assertThat(made.get("goingMm").asInt()).isEqualTo(295);
        var id = made.get("id").asLong();
        assertThat(ids("stairs." + id)).hasSizeGreaterThanOrEqualTo(3);
        assertThat(ids("room.")).anyMatch(p -> p.contains(".guard."));
        assertThat(caller.get(site + "/survey").json().get("findings")).isEmpty();
        var turned = caller.call(
                "PATCH", site + "/stairs/" + id, "{\"shape\":\"HALF_TURN\",\"right\":true,\"widthMm\":1000}", null);
        assertThat(turned.status()).as(turned.text()).isEqualTo(200);
        assertThat(ids("stairs." + id)).hasSizeGreaterThan(5);
        caller.post(site + "/undo", null);
        caller.post(site + "/undo", null);
        assertThat(ids("stairs.")).isEmpty();
        assertThat(ids("room.")).hasSize(floor);
        caller.post(site + "/redo", null);
        assertThat(caller.call("DELETE", site + "/stairs/" + id, null, null).status())
                .isEqualTo(204);
        assertThat(massing().get("stairs")).isEmpty();
    }

    @Test
    void stepsThatBreakTheRuleAreRefusedAndTheStairsStay() {
        var id = stairs().get("id").asLong();
        var steep = caller.call("PATCH", site + "/stairs/" + id, "{\"risers\":12}", null);
        assertThat(steep.status()).isEqualTo(400);
        assertThat(steep.text()).contains("from 16 to 22 risers", "risers");
        assertThat(caller.call("PATCH", site + "/stairs/" + id, "{\"goingMm\":400}", null)
                        .text())
                .contains("590 to 650");
        assertThat(massing().get("stairs").get(0).get("risers").asInt()).isEqualTo(19);
        assertThat(caller.call("PATCH", site + "/stairs/" + id, "{\"risers\":18}", null)
                        .json()
                        .get("goingMm")
                        .asInt())
                .isEqualTo(275);
    }

    @Test
    void stairsClimbSoMuchMoreWhenTheFloorAboveGoesUp() {
        stairs();
        var level = massing().get("levels").get(1).get("id").asLong();
        assertThat(caller.call("PATCH", site + "/levels/" + level, "{\"floorMm\":3400}", null)
                        .status())
                .isEqualTo(200);
        var stair = massing().get("stairs").get(0);
        assertThat(stair.get("riseMm").asInt()).isEqualTo(3400);
        assertThat(stair.get("risers").asInt()).isEqualTo(20);
        // No steps come to 0.25 m: the whole edit is refused, and nothing moves.
        assertThat(caller.call("PATCH", site + "/levels/" + level, "{\"floorMm\":250}", null)
                        .status())
                .isEqualTo(400);
        assertThat(massing().get("levels").get(1).get("floorMm").asInt()).isEqualTo(3400);
    }

    @Test
    void aSolidStandsIsChangedAndCopiedWithTheSite() {
        build();
        var id = made(
                        "/solids/drawn",
                        "{\"name\":\"Pier\",\"fromMm\":{\"x\":4010,\"y\":3020,\"z\":0},\"toMm\":{\"x\":4480,\"y\":3530,\"z\":0}}")
                .get("id")
                .asLong();
        assertThat(ids("solid.")).containsExactly("solid." + id);
        var thin = caller.call("PATCH", site + "/solids/" + id, "{\"widthMm\":5}", null);
        assertThat(thin.status()).isEqualTo(400);
        assertThat(thin.text()).contains("at least 10 mm");
        assertThat(caller.call("PATCH", site + "/solids/" + id, "{\"heightMm\":1200,\"name\":\"Block\"}", null)
                        .json()
                        .get("boxMm")
                        .get("max")
                        .get("z")
                        .asInt())
                .isEqualTo(1200);
        stairs();
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        var massing = caller.get(copy + "/massing").json();
        assertThat(massing.get("solids").get(0).get("name").asString()).isEqualTo("Block");
        assertThat(massing.get("stairs")).hasSize(1);
        assertThat(caller.call("DELETE", site + "/solids/" + id, null, null).status())
                .isEqualTo(204);
        assertThat(ids("solid.")).isEmpty();
    }

    /** Worked by hand: a passage of 1.2 m in a wall of 6 m, 1 m from the right, keeps that when the wall grows by 2 m; one held in the middle moves by half. */
    @Test
    void openingsKeepTheirDistanceFromWhatTheyHoldTo() {
        var passage = made(
                        "/rooms/" + hall + "/openings",
                        "{\"kind\":\"PASSAGE\",\"edge\":1,\"atMm\":1000,\"widthMm\":1200,\"heightMm\":2200}")
                .get("id")
                .asLong();
        var path = site + "/openings/" + passage;
        assertThat(caller.call("PATCH", path, "{\"fromRightMm\":1000,\"hold\":\"RIGHT\"}", null)
                        .json()
                        .get("atMm")
                        .asInt())
                .isEqualTo(3800);
        caller.call("PATCH", site + "/rooms/" + hall, "{\"depthMm\":8000}", null);
        assertThat(massing().get("openings").get(0).get("atMm").asInt()).isEqualTo(5800);
        caller.call("PATCH", path, "{\"centred\":true,\"hold\":\"MIDDLE\"}", null);
        assertThat(massing().get("openings").get(0).get("atMm").asInt()).isEqualTo(3400);
        caller.call("PATCH", site + "/rooms/" + hall, "{\"depthMm\":6000}", null);
        assertThat(massing().get("openings").get(0).get("atMm").asInt()).isEqualTo(2400);
        made(
                "/rooms/" + hall + "/openings",
                "{\"kind\":\"DOOR\",\"edge\":1,\"atMm\":200,\"widthMm\":900,\"heightMm\":2100}");
        // 6 m less 2.1 m of openings leaves 3.9: three times 1.3.
        var spread = caller.post(site + "/rooms/" + hall + "/edges/1/spread", null);
        assertThat(spread.status()).as(spread.text()).isEqualTo(200);
        assertThat(massing().get("openings").valueStream().map(o -> o.get("atMm")
                        .asInt()))
                .containsExactlyInAnyOrder(1300, 3500);
        build();
        assertThat(caller.get(site + "/pieces").json().valueStream().map(p -> p.get("role")
                        .asString()))
                .contains("PASSAGE");
    }

    @Test
    void theSectionIsCutThroughBothStoreysAndTakenOut() {
        var line = "?fromX=-500&fromY=3000&toX=9500&toY=3000";
        var section = caller.get(site + "/section" + line).json();
        assertThat(section.get("heightsMm").valueStream().map(JsonNode::asInt)).containsExactly(0, 3000, 3200, 6200);
        assertThat(section.get("widthsMm").valueStream().map(JsonNode::asInt)).containsExactly(500, 9500);
        assertThat(caller.get(site + "/handover/section.svg" + line).text())
                .startsWith("<?xml")
                .contains("id=\"cut\"");
        assertThat(caller.get(site + "/handover/plan.dxf").text()).contains("POLYLINE", "DIMENSIONS", "9 m");
        assertThat(caller.get(site + "/section?fromX=0&fromY=0&toX=1&toY=1").status())
                .isEqualTo(400);
        assertThat(caller.get(site + "/handover/plan.pdf").status()).isEqualTo(404);
        assertThat(caller.get(site + "/handover/plan.svg?level=77").status()).isEqualTo(404);
    }

    @Test
    void theFlowReachesUpstairsOnceThereAreStairs() {
        var flow = caller.get(site + "/flow?x=500&y=500").json();
        assertThat(flow.get("reached")).hasSize(1);
        assertThat(flow.get("unreached")).hasSize(1);
        stairs();
        assertThat(caller.get(site + "/flow?x=500&y=500").json().get("unreached"))
                .isEmpty();
        assertThat(caller.get(site + "/flow?x=-5000&y=500").json().get("from").isNull())
                .isTrue();
    }

    @Test
    void outlinesAreReadAndMadeRoomsOfInOneEdit() {
        var svg =
                "<svg xmlns='http://www.w3.org/2000/svg'><path id='Wing' d='M12 0h4v-6h2v-2h-6z'/><circle r='3'/></svg>";
        var read = caller.post("/api/outlines/read", "{\"unitMm\":1000,\"svg\":\"" + svg + "\"}");
        assertThat(read.status()).as(read.text()).isEqualTo(200);
        assertThat(read.json().get("reports").get(0).get("what").asString()).contains("round");
        var made = made("/rooms/outlines", "{\"outlines\":" + read.json().get("outlines") + "}");
        assertThat(made.get(0).get("name").asString()).isEqualTo("Wing");
        // 4 × 8 m and 2 × 2 m.
        assertThat(made.get(0).get("areaM2").asDouble()).isEqualTo(36);
        caller.post(site + "/undo", null);
        assertThat(massing().get("rooms")).hasSize(2);
        assertThat(caller.post("/api/outlines/read", "{\"unitMm\":1,\"svg\":\"<html/>\"}")
                        .status())
                .isEqualTo(400);
        assertThat(caller.post(
                                site + "/rooms/outlines",
                                "{\"outlines\":[{\"name\":\"Odd\",\"loops\":[[{\"x\":0,\"y\":0},{\"x\":5,\"y\":5},{\"x\":0,\"y\":5}]]}]}")
                        .text())
                .contains("slanted");
    }

    @Test
    void theStairsAreScheduled() {
        stairs();
        assertThat(caller.get(site + "/handover/stairs.csv").text().lines())
                .contains("Ground,straight,1200,3200,19,168.421,295,5310,at least 2000");
    }

    @Test
    void levelsChangePlacesWithAllThatIsOnThem() {
        var second = made("/levels/" + massing().get("levels").get(1).get("id").asLong() + "/copies", "{}")
                .get("id")
                .asLong();
        var pier = made(
                        "/solids/drawn",
                        "{\"name\":\"Pier\",\"levelId\":" + second
                                + ",\"fromMm\":{\"x\":0,\"y\":0,\"z\":0},\"toMm\":{\"x\":500,\"y\":500,\"z\":0}}")
                .get("boxMm");
        assertThat(pier.get("min").get("z").asInt()).isEqualTo(6400);
        assertThat(caller.call("PATCH", site + "/levels/" + second, "{\"storeyMm\":4000}", null)
                        .status())
                .isEqualTo(200);
        var moved = caller.post(site + "/levels/" + second + "/move", "{\"up\":false}");
        assertThat(moved.status()).as(moved.text()).isEqualTo(200);
        // The higher storey of 4 m now lies below the other, which goes up by so much.
        assertThat(massing().get("levels").valueStream().map(l -> l.get("floorMm")
                        .asInt()))
                .containsExactly(0, 3200, 7200);
        assertThat(massing().get("rooms").valueStream().map(r -> r.get("cornerMm")
                        .get("z")
                        .asInt()))
                .containsExactlyInAnyOrder(0, 3200, 7200);
        assertThat(massing()
                        .get("solids")
                        .get(0)
                        .get("boxMm")
                        .get("min")
                        .get("z")
                        .asInt())
                .isEqualTo(3200);
        caller.post(site + "/undo", null);
        assertThat(massing().get("levels").valueStream().map(l -> l.get("floorMm")
                        .asInt()))
                .containsExactly(0, 3200, 6400);
        assertThat(caller.post(site + "/levels/" + second + "/move", "{\"up\":true}")
                        .text())
                .contains("highest");
    }

    @Test
    void theGroundLevelTakesANameAndKeepsItsHeight() {
        assertThat(caller.call("PATCH", site + "/levels/0", "{\"name\":\"Street\"}", null)
                        .status())
                .isEqualTo(200);
        assertThat(massing().get("levels").get(0).get("name").asString()).isEqualTo("Street");
        assertThat(caller.call("PATCH", site + "/levels/0", "{\"floorMm\":100}", null)
                        .text())
                .contains("stays at height 0", "floorMm");
        var copy = caller.post(site + "/copies", "{\"name\":\"Copy of it\"}")
                .json()
                .get("id")
                .asLong();
        assertThat(caller.get("/api/sites/" + copy + "/massing")
                        .json()
                        .get("levels")
                        .get(0)
                        .get("name")
                        .asString())
                .isEqualTo("Street");
        caller.post(site + "/undo", null);
        assertThat(massing().get("levels").get(0).get("name").asString()).isEqualTo("Ground");
    }

    @Test
    void aCornerMovesWithBothItsWalls() {
        // Edge 1, the east wall, begins in the north-east corner.
        var moved =
                caller.post(site + "/rooms/" + hall + "/edges/1/corner", "{\"byMm\":{\"x\":1000,\"y\":-500,\"z\":0}}");
        assertThat(moved.status()).as(moved.text()).isEqualTo(200);
        assertThat(moved.json().get("widthMm").asInt()).isEqualTo(10_000);
        assertThat(moved.json().get("depthMm").asInt()).isEqualTo(5_500);
        assertThat(caller.post(site + "/rooms/" + hall + "/edges/77/corner", "{\"byMm\":{\"x\":1,\"y\":1,\"z\":0}}")
                        .status())
                .isEqualTo(400);
    }

    /** What the version before wrote had no ends that openings hold to, and named no ground level; it is undone as it was done. */
    @Test
    void editsOfTheVersionBeforeAreUndone() {
        var door = made(
                        "/rooms/" + hall + "/openings",
                        "{\"kind\":\"DOOR\",\"edge\":1,\"atMm\":1000,\"widthMm\":900,\"heightMm\":2100}")
                .get("id")
                .asLong();
        caller.call("PATCH", site + "/openings/" + door, "{\"atMm\":2000,\"hold\":\"RIGHT\"}", null);
        caller.call("PATCH", site, "{\"name\":\"Building\",\"wallMm\":300}", null);
        var id = Long.parseLong(site.substring("/api/sites/".length()));
        jdbc.update(
                "update journal set format = 3, changes = regexp_replace(regexp_replace(changes::text, ',?\"hold\": ?\"[A-Z]+\"', '', 'g'), ',?\"(guardDropUm|groundName|corners|cornerLegUm)\": ?(\"[^\"]*\"|[0-9]+)', '', 'g') "
                        + "where site_id = ?",
                id);
        assertThat(jdbc.queryForObject(
                        "select count(*) from journal where site_id = ? and changes::text like '%hold%'",
                        Long.class, id))
                .isZero();
        caller.post(site + "/undo", null);
        assertThat(caller.get(site).json().get("wallMm").asInt()).isEqualTo(200);
        assertThat(caller.get(site).json().get("guardDropMm").asInt()).isEqualTo(750);
        caller.post(site + "/undo", null);
        var undone = massing().get("openings").get(0);
        assertThat(undone.get("atMm").asInt()).isEqualTo(1000);
        assertThat(undone.get("hold").asString()).isEqualTo("LEFT");
        caller.post(site + "/undo", null);
        assertThat(massing().get("openings")).isEmpty();
        caller.post(site + "/redo", null);
        assertThat(massing().get("openings").get(0).get("hold").asString()).isEqualTo("LEFT");
    }
}
