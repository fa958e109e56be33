package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Rooms drawn, typed and opened, and the set that is derived from them, over HTTP. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class RoomsTest {

    @LocalServerPort
    int port;

    Caller caller;
    String site;

    @BeforeEach
    void aSite() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Rooms\",\"storeyMm\":2800}")
                        .json()
                        .get("id")
                        .asLong();
    }

    private JsonNode room(String body) {
        var answer = caller.post(site + "/rooms", body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private void build() {
        build("1000");
    }

    private void build(String kinds) {
        var answer = caller.call(
                "PUT", site + "/kit", "{\"kindsMm\":[" + kinds + "],\"minPieceMm\":100,\"maxPieceMm\":4000}", null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private List<JsonNode> placements() {
        return caller.get(site + "/placements").json().valueStream().toList();
    }

    private int findings() {
        return caller.get(site + "/survey").json().get("findings").size();
    }

    private List<String> idsOf(String code) {
        var piece = caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        return placements().stream()
                .filter(p -> p.get("pieceId").asLong() == piece)
                .map(p -> p.get("id").asString())
                .toList();
    }

    @Test
    void aRoomWithoutAPlaceOrAHeightTakesAFreeOneAndTheStoreys() {
        var first = room("{\"name\":\"First\",\"widthMm\":4000,\"depthMm\":3000}");
        var second = room("{\"name\":\"Second\",\"widthMm\":2000,\"depthMm\":2000}");
        assertThat(first.get("heightMm").asInt()).isEqualTo(2800);
        assertThat(first.get("cornerMm").get("x").asInt()).isZero();
        // 4 m, two walls of 0.2 m, a metre.
        assertThat(second.get("cornerMm").get("x").asInt()).isEqualTo(5400);
        build();
        assertThat(findings()).isZero();
    }

    @Test
    void aDrawnRoomComesToTheStep() {
        var drawn = caller.post(
                site + "/rooms/drawn",
                "{\"name\":\"Drawn\",\"fromMm\":{\"x\":3971.2,\"y\":18,\"z\":0},\"toMm\":{\"x\":-33,\"y\":3049,\"z\":0}}");
        assertThat(drawn.status()).isEqualTo(201);
        assertThat(drawn.json().get("widthMm").asInt()).isEqualTo(4000);
        assertThat(drawn.json().get("depthMm").asInt()).isEqualTo(3000);
        var nothing = caller.post(
                site + "/rooms/drawn",
                "{\"name\":\"Nothing\",\"fromMm\":{\"x\":9000,\"y\":0,\"z\":0},\"toMm\":{\"x\":9020,\"y\":900,\"z\":0}}");
        assertThat(nothing.status()).isEqualTo(400);
        assertThat(nothing.text()).contains("at least one step both ways");
    }

    private String outline(long id) {
        return caller.get(site + "/massing")
                .json()
                .get("rooms")
                .valueStream()
                .filter(r -> r.get("id").asLong() == id)
                .findFirst()
                .orElseThrow()
                .get("outlineMm")
                .toString();
    }

    /** A rectangle is made an L, one of its walls is moved and another one typed; each is undone to just what was there. */
    @Test
    void theGroundOfARoomIsCutJoinedAndMovedAndAllOfItUndone() {
        var id = room("{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":8000,\"depthMm\":6000}")
                .get("id")
                .asLong();
        build("1000,100");
        var states = new ArrayList<>(List.of(outline(id)));
        var edits = List.of(
                "/cut|{\"fromMm\":{\"x\":5000,\"y\":3000,\"z\":0},\"toMm\":{\"x\":8049,\"y\":6049,\"z\":0}}",
                "/edges/1/move|{\"outwardMm\":1000}",
                "/join|{\"fromMm\":{\"x\":-2000,\"y\":0,\"z\":0},\"toMm\":{\"x\":0,\"y\":2000,\"z\":0}}",
                "/edges/0/length|{\"lengthMm\":4500}");
        for (var edit : edits) {
            var answer = caller.post(site + "/rooms/" + id + edit.split("\\|")[0], edit.split("\\|")[1]);
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            assertThat(findings()).as(edit).isZero();
            states.add(outline(id));
        }
        assertThat(new HashSet<>(states)).hasSize(5);
        // 9 × 3 and 4.5 × 3 and 2 × 2.
        assertThat(caller.get(site + "/massing")
                        .json()
                        .get("rooms")
                        .get(0)
                        .get("areaM2")
                        .asDouble())
                .isEqualTo(27 + 13.5 + 4);
        for (var i = 3; i >= 0; i--) {
            caller.post(site + "/undo", null);
            assertThat(outline(id)).isEqualTo(states.get(i));
        }
        var split = caller.post(
                site + "/rooms/" + id + "/cut",
                "{\"fromMm\":{\"x\":3000,\"y\":-100,\"z\":0},\"toMm\":{\"x\":4000,\"y\":7000,\"z\":0}}");
        assertThat(split.status()).isEqualTo(400);
        assertThat(split.text()).contains("2 parts");
        assertThat(outline(id)).isEqualTo(states.get(0));
    }

    /** By hand: the door begins 0.5 m from the left end of the 6 m north wall, so 4.5 m from it once mirrored; turned, that wall lies in the west. */
    @Test
    void aRoomIsMirroredTurnedAndCopiedWithItsOpenings() {
        var id =
                room("{\"name\":\"Hall\",\"cornerMm\":{\"x\":1000,\"y\":2000,\"z\":0},\"widthMm\":6000,\"depthMm\":4000}")
                        .get("id")
                        .asLong();
        caller.post(
                site + "/rooms/" + id + "/openings",
                "{\"kind\":\"DOOR\",\"side\":\"NORTH\",\"atMm\":500,\"widthMm\":1000,\"heightMm\":2100}");
        var before = caller.get(site + "/massing").text();
        assertThat(caller.post(site + "/rooms/" + id + "/arrange", "{\"mirror\":true}")
                        .status())
                .isEqualTo(200);
        assertThat(caller.get(site + "/massing")
                        .json()
                        .get("openings")
                        .get(0)
                        .get("atMm")
                        .asInt())
                .isEqualTo(4500);
        var turned = caller.post(
                        site + "/rooms/" + id + "/arrange", "{\"quarterTurns\":1,\"byMm\":{\"x\":0,\"y\":500,\"z\":0}}")
                .json();
        assertThat(List.of(turned.get("widthMm").asInt(), turned.get("depthMm").asInt()))
                .containsExactly(4000, 6000);
        assertThat(List.of(
                        turned.get("cornerMm").get("x").asInt(),
                        turned.get("cornerMm").get("y").asInt()))
                .containsExactly(1000, 2500);
        var gap = caller.get(site + "/massing").json().get("gaps").get(0);
        assertThat(gap.get("side").asString()).isEqualTo("WEST");
        // From the left end of a west wall, in the south, 4.5 m.
        assertThat(gap.get("box").get("min").get("y").asInt()).isEqualTo(7000);
        var copy = caller.post(
                site + "/rooms/" + id + "/arrange", "{\"copy\":true,\"byMm\":{\"x\":4200,\"y\":0,\"z\":0}}");
        assertThat(copy.json().get("name").asString()).isEqualTo("Hall 2");
        assertThat(caller.get(site + "/massing").json().get("openings")).hasSize(2);
        for (var i = 0; i < 3; i++) {
            caller.post(site + "/undo", null);
        }
        assertThat(caller.get(site + "/massing").text()).isEqualTo(before);
    }

    /** A door that no longer fits since its wall was shortened is kept, told, and built again when the wall is longer. */
    @Test
    void anOpeningThatNoLongerFitsIsKeptAndFound() {
        var id = room("{\"name\":\"Hall\",\"widthMm\":6000,\"depthMm\":4000}")
                .get("id")
                .asLong();
        var door = caller.post(
                site + "/rooms/" + id + "/openings",
                "{\"kind\":\"DOOR\",\"side\":\"NORTH\",\"atMm\":4000,\"widthMm\":1000,\"heightMm\":2100}");
        assertThat(door.status()).as(door.text()).isEqualTo(201);
        build("1000,100");
        assertThat(caller.call("PATCH", site + "/rooms/" + id, "{\"widthMm\":4500}", null)
                        .status())
                .isEqualTo(200);
        var massing = caller.get(site + "/massing").json();
        assertThat(massing.get("openings")).hasSize(1);
        assertThat(massing.get("remarks").valueStream().map(r -> r.get("message")
                        .asString()))
                .anyMatch(m -> m.contains("it can begin from 0.1 m to 3.4 m"));
        assertThat(caller.get(site + "/survey")
                        .json()
                        .get("findings")
                        .valueStream()
                        .map(f -> f.get("kind").asString()))
                .contains("UNBUILT_OPENING");
        caller.call("PATCH", site + "/rooms/" + id, "{\"widthMm\":6000}", null);
        assertThat(findings()).isZero();
        assertThat(caller.call(
                                "PATCH",
                                site + "/openings/" + door.json().get("id").asLong(),
                                "{\"atMm\":5500}",
                                null)
                        .status())
                .isEqualTo(400);
    }

    /** The wall between is 260 mm: told, and mended by moving the second room's wall by 60 mm. */
    @Test
    void aWallThatIsThickerThanItsNeighboursIsMendedByMovingIt() {
        room("{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":4000,\"depthMm\":4000}");
        room("{\"name\":\"Side\",\"cornerMm\":{\"x\":4260,\"y\":0,\"z\":0},\"widthMm\":2940,\"depthMm\":4000}");
        var odd = caller.get(site + "/survey")
                .json()
                .get("findings")
                .valueStream()
                .filter(f -> f.get("kind").asString().equals("ODD_WALL"))
                .toList();
        assertThat(odd).singleElement().satisfies(f -> assertThat(f.get("title").asString())
                .contains("0.26 m"));
        var fixed = caller.post(
                site + "/survey/fixes", "{\"key\":\"" + odd.get(0).get("key").asString() + "\"}");
        assertThat(fixed.status()).as(fixed.text()).isLessThan(300);
        assertThat(caller.get(site + "/massing")
                        .json()
                        .get("rooms")
                        .get(1)
                        .get("cornerMm")
                        .get("x")
                        .asInt())
                .isEqualTo(4200);
        assertThat(findings()).isZero();
    }

    /** A storey copied with its rooms, door and lamp stands a storey of 2.8 m and a slab of 0.2 m higher; moved up, all of it goes along; and away with one undo. */
    @Test
    void aLevelIsCopiedWithEverythingOnIt() {
        var id = room("{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":6000,\"depthMm\":4000}")
                .get("id")
                .asLong();
        caller.post(site + "/rooms/" + id + "/openings/usual", "{\"kind\":\"DOOR\"}");
        build("1000,100");
        var lamp = caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals("PRP-LAMP"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        caller.post(site + "/placements", "{\"pieceId\":" + lamp + ",\"atMm\":{\"x\":2000,\"y\":2000,\"z\":0}}");
        var one = placements().size();
        var copy = caller.post(site + "/levels/0/copies", null);
        assertThat(copy.status()).as(copy.text()).isEqualTo(201);
        assertThat(copy.json().get("floorMm").asInt()).isEqualTo(3000);
        var massing = caller.get(site + "/massing").json();
        assertThat(massing.get("rooms")
                        .valueStream()
                        .map(r -> r.get("name").asString() + " "
                                + r.get("cornerMm").get("z").asInt()))
                .containsExactly("Hall 0", "Hall 2 3000");
        assertThat(massing.get("openings")).hasSize(2);
        // The lower ceiling and the upper floor are one slab, so no ceiling is laid below.
        assertThat(placements().stream().filter(p -> p.get("id").asString().startsWith("room." + id + ".ceiling")))
                .isEmpty();
        assertThat(idsOf("PRP-LAMP")).hasSize(2);
        assertThat(findings()).isZero();
        assertThat(caller.post(site + "/levels/0/copies", null).status()).isEqualTo(400);
        var up = caller.call(
                "PATCH",
                site + "/levels/" + copy.json().get("id").asLong(),
                "{\"floorMm\":3100,\"name\":\"Gallery\"}",
                null);
        assertThat(up.status()).as(up.text()).isEqualTo(200);
        assertThat(caller.get(site + "/massing")
                        .json()
                        .get("rooms")
                        .get(1)
                        .get("cornerMm")
                        .get("z")
                        .asInt())
                .isEqualTo(3100);
        caller.post(site + "/undo", null);
        caller.post(site + "/undo", null);
        assertThat(placements()).hasSize(one);
        assertThat(caller.get(site + "/massing").json().get("levels")).hasSize(1);
        caller.post(site + "/redo", null);
        assertThat(caller.call(
                                "DELETE",
                                site + "/levels/" + copy.json().get("id").asLong(),
                                null,
                                null)
                        .status())
                .isEqualTo(204);
        assertThat(caller.get(site + "/massing").json().get("rooms")).hasSize(1);
    }

    @Test
    void usualOpeningsStandWhereThereIsRoomUntilThereIsNone() {
        var id = room("{\"name\":\"Hall\",\"widthMm\":2400,\"depthMm\":2400}")
                .get("id")
                .asLong();
        var doors = 0;
        var status = 201;
        while (status == 201) {
            status = caller.post(site + "/rooms/" + id + "/openings/usual", "{\"kind\":\"DOOR\"}")
                    .status();
            doors += status == 201 ? 1 : 0;
        }
        assertThat(status).isEqualTo(400);
        // In 2.4 m one door of 1 m stands in the middle, and nothing of 1.2 m with its jambs is left beside it: one a
        // wall.
        assertThat(doors).isEqualTo(4);
        var openings = caller.get(site + "/massing").json().get("openings");
        assertThat(openings.valueStream().map(o -> o.get("edge").asInt())).containsExactlyInAnyOrder(0, 1, 2, 3);
    }

    @Test
    void whatIsTakenAwayStaysAwayUntilItIsPutBack() {
        var id = room("{\"name\":\"Hall\",\"widthMm\":4000,\"depthMm\":3000}")
                .get("id")
                .asLong();
        build();
        var posts = idsOf("POS-200");
        assertThat(posts).hasSize(4);
        caller.post(site + "/placements/removals", "{\"ids\":[\"" + posts.get(0) + "\",\"" + posts.get(2) + "\"]}");
        assertThat(caller.get(site).json().get("leftOut").asInt()).isEqualTo(2);
        caller.call("PATCH", site + "/rooms/" + id, "{\"widthMm\":5000}", null);
        assertThat(idsOf("POS-200")).hasSize(2);
        assertThat(caller.get(site + "/survey")
                        .json()
                        .get("findings")
                        .valueStream()
                        .filter(f -> f.get("kind").asString().equals("GAP")))
                .hasSize(2);
        assertThat(caller.post(
                                site + "/departures/let-go",
                                "{\"ids\":[\"" + posts.get(0) + "\",\"" + posts.get(2) + "\"]}")
                        .status())
                .isEqualTo(204);
        assertThat(idsOf("POS-200")).hasSize(4);
        assertThat(findings()).isZero();
        caller.post(site + "/undo", null);
        assertThat(idsOf("POS-200")).hasSize(2);
        assertThat(caller.get(site).json().get("leftOut").asInt()).isEqualTo(2);
    }

    @Test
    void aHandPlacedThingTakenAwayLeavesNothingToPutBack() {
        room("{\"name\":\"Hall\",\"widthMm\":4000,\"depthMm\":3000}");
        build();
        var bench = caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals("PRP-BENCH"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        var placed = caller.post(
                        site + "/placements", "{\"pieceId\":" + bench + ",\"atMm\":{\"x\":2000,\"y\":1500,\"z\":0}}")
                .json()
                .get("id");
        caller.post(site + "/placements/removals", "{\"ids\":[" + placed + "]}");
        assertThat(caller.get(site).json().get("leftOut").asInt()).isZero();
    }

    @Test
    void kindsThatDoNotFillEveryRunAreRefused() {
        room("{\"name\":\"Hall\",\"widthMm\":4100,\"depthMm\":3000}");
        var refused =
                caller.call("PUT", site + "/kit", "{\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}", null);
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.text()).contains("do not fill “Hall, north”");
        assertThat(caller.get(site + "/pieces").json().isEmpty()).isTrue();
        assertThat(caller.call("PUT", site + "/kit", "{\"kindsMm\":[],\"minPieceMm\":200,\"maxPieceMm\":4000}", null)
                        .status())
                .isEqualTo(400);
        assertThat(caller.call(
                                "PUT",
                                site + "/kit",
                                "{\"kindsMm\":[1050],\"minPieceMm\":200,\"maxPieceMm\":4000}",
                                null)
                        .text())
                .contains("not a whole number of steps");
    }

    @Test
    void aSiteWithoutARoomHasNoKitYet() {
        assertThat(caller.post(site + "/kit-plans", "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":4}")
                        .text())
                .contains("no room to build yet");
        assertThat(caller.get(site + "/tally").json().get("placements").asInt()).isZero();
        assertThat(caller.get(site + "/handover/scene.glb").bytes()).startsWith('g', 'l', 'T', 'F');
        assertThat(findings()).isZero();
    }

    /** Changing the unit is an edit of its own and changes nothing but how lengths are written. */
    @Test
    void theUnitIsOnlyHowLengthsAreWritten() {
        room("{\"name\":\"Hall\",\"widthMm\":4000,\"depthMm\":3000}");
        build();
        var before = placements();
        assertThat(caller.call("PATCH", site, "{\"name\":\"Rooms\",\"unit\":\"FEET_AND_INCHES\"}", null)
                        .status())
                .isEqualTo(200);
        assertThat(placements()).isEqualTo(before);
        assertThat(caller.get(site).json().get("undo").asString()).isEqualTo("Change the site's settings");
        var refused = caller.post(
                site + "/rooms/"
                        + caller.get(site + "/massing")
                                .json()
                                .get("rooms")
                                .get(0)
                                .get("id") + "/openings",
                "{\"kind\":\"DOOR\",\"side\":\"NORTH\",\"atMm\":100,\"widthMm\":5000,\"heightMm\":2000}");
        // 3800 mm, in feet and inches.
        assertThat(refused.text()).contains("12' 5.606299");
    }

    /** Set for the site: neighbours differ, each tile stays where it is under its id, and one step takes it back. */
    @Test
    void tilesAreTurnedByQuartersSoThatNeighboursDiffer() {
        var built = new BuiltRoom(port, "Turned tiles");
        var straight = tiles(built);
        assertThat(straight.values()).containsOnly(0);
        assertThat(built.caller
                        .call("PATCH", built.site, "{\"name\":\"Turned tiles\",\"tilesTurned\":true}", null)
                        .json()
                        .get("tilesTurned")
                        .asBoolean())
                .isTrue();
        var turned = tiles(built);
        assertThat(turned.keySet()).isEqualTo(straight.keySet());
        assertThat(Set.copyOf(turned.values())).hasSizeGreaterThan(2);
        assertThat(built.caller.get(built.site + "/survey").json().get("findings"))
                .isEmpty();
        built.caller.post(built.site + "/undo", null);
        assertThat(tiles(built)).isEqualTo(straight);
    }

    /** A floor of 5 × 3.8 m in tiles of a metre: 0.9, 1, 1 and 0.9 m one way; from one end it was 1, 1, 1 and 0.8. */
    @Test
    void tilesAreLaidAlikeFromTheMiddle() {
        var built = new BuiltRoom(port, "Alike tiles");
        var room = built.caller.get(built.site + "/massing").json().get("rooms").get(0);
        built.caller.call("PATCH", built.site + "/rooms/" + room.get("id").asLong(), "{\"depthMm\":3800}", null);
        assertThat(built.caller
                        .call("PATCH", built.site, "{\"name\":\"Alike tiles\",\"tilesMirrored\":true}", null)
                        .status())
                .isEqualTo(200);

        assertThat(tileSizes(built)).containsExactlyInAnyOrder("1000x1000", "1000x900");
        built.caller.post(built.site + "/undo", null);
        assertThat(tileSizes(built)).contains("1000x800");
    }

    private static Set<String> tileSizes(BuiltRoom built) {
        return built.caller
                .get(built.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("role").asString().equals("FLOOR")
                        && p.get("count").asInt() > 0)
                .map(p -> p.get("sizeMm").get("x").asInt() + "x"
                        + p.get("sizeMm").get("y").asInt())
                .collect(Collectors.toSet());
    }

    /** Of every floor tile its id and by how many quarters it is turned. */
    private static Map<String, Integer> tiles(BuiltRoom built) {
        return built.caller
                .get(built.site + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asString().contains(".floor."))
                .collect(Collectors.toMap(
                        p -> p.get("id").asString(), p -> p.get("quarterTurns").asInt()));
    }

    /** A room keeps its walls in one piece from floor to ceiling, whatever joints a kit has, until it is told otherwise. */
    @Test
    void aRoomsWallsMayBeInOnePiece() {
        var built = new BuiltRoom(port, "Whole walls");
        var low = built.made(
                "/rooms",
                "{\"name\":\"Low\",\"cornerMm\":{\"x\":9000,\"y\":0,\"z\":0},\"widthMm\":4000,\"depthMm\":4000,\"heightMm\":1500}");
        assertThat(low.get("wholeWalls").asBoolean()).isFalse();
        choose(built);
        assertThat(heights(built)).containsExactly(1500);
        var whole = built.caller.call("PATCH", built.site + "/rooms/" + built.room, "{\"wholeWalls\":true}", null);
        assertThat(whole.json().get("wholeWalls").asBoolean()).isTrue();
        choose(built);
        assertThat(heights(built)).containsExactlyInAnyOrder(1500, 3000);
        assertThat(built.caller.get(built.site + "/survey").json().get("findings"))
                .isEmpty();
    }

    /** The kit of the fewest kinds; of two rooms, 3 and 1.5 m high, the higher is two of the other's tiers. */
    private static void choose(BuiltRoom built) {
        var option = built.caller
                .post(built.site + "/kit-plans", "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":4}")
                .json()
                .get("options")
                .get(0)
                .get("id");
        var chosen = built.caller.call("PUT", built.site + "/kit", "{\"option\":" + option + "}", null);
        assertThat(chosen.status()).as(chosen.text()).isEqualTo(200);
    }

    /** Heights of walls that stand, mm. */
    private static List<Integer> heights(BuiltRoom built) {
        return built.caller
                .get(built.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("role").asString().equals("WALL")
                        && p.get("count").asInt() > 0)
                .map(p -> p.get("sizeMm").get("z").asInt())
                .distinct()
                .toList();
    }
}
