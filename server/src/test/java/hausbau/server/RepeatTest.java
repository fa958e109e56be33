package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.server.standing.Sets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Living repeats over HTTP: laid, changed, undone, copied with their site, dissolved. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class RepeatTest {

    private static final String LINE =
            "\"fromMm\":{\"x\":500,\"y\":500,\"z\":0},\"toMm\":{\"x\":4500,\"y\":500,\"z\":0}";

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    Caller caller;
    String site;
    long room;
    long lamp;
    long bench;

    @BeforeEach
    void builtRoom() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Repeats\"}")
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
        lamp = piece(site, "PRP-LAMP");
        bench = piece(site, "PRP-BENCH");
    }

    @Test
    void aFieldIsAskedForByItsColumnsAndRows() {
        var field = made(
                "/repeats",
                "{\"pieceIds\":[" + lamp
                        + "],\"rule\":{\"what\":\"FIELD\",\"areaMm\":[{\"x0\":0,\"y0\":0,\"x1\":4000,\"y1\":3000}],\"columns\":4,\"aisleXMm\":900}}");
        var path = site + "/repeats/" + field.get("id").asLong();
        var asked =
                caller.call("PATCH", path, "{\"across\":12,\"deep\":10}", null).json();
        assertThat(asked.get("count").asInt()).isEqualTo(120);
        assertThat(asked.get("grid").get("across").asInt()).isEqualTo(12);
        var wider = caller.call("PATCH", path, "{\"across\":13}", null).json();
        assertThat(wider.get("count").asInt()).as("the rows stay").isEqualTo(130);
        var none = caller.call("PATCH", path, "{\"deep\":0}", null);
        assertThat(none.status()).isEqualTo(400);
        assertThat(none.text()).contains("deep", "from 1 to 2000");
        assertThat(caller.get(site + "/repeats").json().get(0).get("count").asInt())
                .isEqualTo(130);
    }

    private long piece(String of, String code) {
        return caller.get(of + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals(code))
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

    private JsonNode course(int count) {
        return made(
                "/repeats",
                "{\"pieceIds\":[" + lamp + "],\"rule\":{\"what\":\"COURSE\"," + LINE + ",\"count\":" + count + "}}");
    }

    private List<JsonNode> copies(String of) {
        return caller.get(of + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("origin").asString().equals("repeat"))
                .toList();
    }

    private void changed(long id, String body) {
        var answer = caller.call("PATCH", site + "/repeats/" + id, body, null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    /** By hand: five over 4 m are a metre apart, three two metres. */
    @Test
    void aRepeatLivesAndIsUndone() {
        var id = course(5).get("id").asLong();
        assertThat(copies(site))
                .extracting(p -> p.get("atMm").get("x").asInt())
                .containsExactly(500, 1500, 2500, 3500, 4500);
        changed(id, "{\"rule\":{\"count\":3},\"name\":\"Lamps\"}");
        assertThat(copies(site)).extracting(p -> p.get("atMm").get("x").asInt()).containsExactly(500, 2500, 4500);
        assertThat(caller.get(site + "/repeats").json().get(0).get("name").asString())
                .isEqualTo("Lamps");
        caller.post(site + "/undo", null);
        assertThat(copies(site)).hasSize(5);
        caller.post(site + "/undo", null);
        assertThat(copies(site)).isEmpty();
        caller.post(site + "/redo", null);
        assertThat(copies(site)).hasSize(5);
    }

    /** What is kept in memory may be lost at any time. */
    @Test
    void whatIsStoredIsEnough() {
        var id = course(5).get("id").asLong();
        changed(id, "{\"rule\":{\"pace\":\"PITCH\",\"pitchMm\":333.333,\"rest\":\"BOTH_ENDS\"}}");
        var before = copies(site);
        sets.forget(Long.parseLong(site.substring(site.lastIndexOf('/') + 1)));
        assertThat(copies(site)).isEqualTo(before).hasSize(13);
    }

    @Test
    void aCopyMovedByHandStaysSoUntilItIsLetGo() {
        var id = course(5).get("id").asLong();
        var third = "repeat." + id + ".2.0";
        assertThat(caller.post(
                                site + "/placements/arrange",
                                "{\"ids\":[\"" + third + "\"],\"byMm\":{\"x\":0,\"y\":300,\"z\":0}}")
                        .status())
                .isEqualTo(204);
        changed(id, "{\"rule\":{\"count\":9}}");
        assertThat(copies(site))
                .filteredOn(p -> p.get("id").asString().equals(third))
                .singleElement()
                .satisfies(p -> {
                    assertThat(p.get("departed").asBoolean()).isTrue();
                    assertThat(p.get("atMm").get("y").asInt()).isEqualTo(800);
                });
        assertThat(caller.post(site + "/departures/let-go", "{\"ids\":[\"" + third + "\"]}")
                        .status())
                .isEqualTo(204);
        assertThat(copies(site))
                .allSatisfy(p -> assertThat(p.get("atMm").get("y").asInt()).isEqualTo(500));
    }

    /** A copied site has repeats of its own, with pieces, rooms and changes by hand of its own. */
    @Test
    void aRepeatIsCopiedWithItsSite() {
        var id = made(
                        "/repeats",
                        "{\"pieceIds\":[" + lamp + "," + bench + "],\"rule\":{\"what\":\"COURSE\"," + LINE
                                + ",\"count\":4,\"otherEvery\":2}," + "\"following\":{\"roomId\":" + room
                                + ",\"hold\":\"WALL\",\"edge\":0}}")
                .get("id")
                .asLong();
        caller.post(site + "/placements/removals", "{\"ids\":[\"repeat." + id + ".1.0\"]}");
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(copies(copy))
                .extracting(p -> p.get("atMm"))
                .isEqualTo(copies(site).stream().map(p -> p.get("atMm")).toList());
        assertThat(copies(copy))
                .hasSize(3)
                .extracting(p -> p.get("pieceId").asLong())
                .containsExactly(piece(copy, "PRP-LAMP"), piece(copy, "PRP-LAMP"), piece(copy, "PRP-BENCH"));
        var theirs = caller.get(copy + "/repeats").json().get(0);
        assertThat(theirs.get("following").get("roomId").asLong()).isNotEqualTo(room);
        var wider = caller.call(
                "PATCH",
                copy + "/rooms/" + theirs.get("following").get("roomId").asLong(),
                "{\"depthMm\":5000}",
                null);
        assertThat(wider.status()).isEqualTo(200);
        assertThat(copies(copy))
                .allSatisfy(p -> assertThat(p.get("atMm").get("y").asInt()).isGreaterThan(4000));
    }

    /** The placements go into the repeat: the first copy stands where they stood. */
    @Test
    void whatStandsIsRepeated() {
        var one = made(
                        "/placements",
                        "{\"pieceId\":" + bench + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":0},\"snap\":false}")
                .get("id")
                .asString();
        var two = made(
                        "/placements",
                        "{\"pieceId\":" + lamp + ",\"atMm\":{\"x\":2000,\"y\":1000,\"z\":0},\"snap\":false}")
                .get("id")
                .asString();
        var repeat = made(
                "/repeats",
                "{\"placementIds\":[\"" + one + "\",\"" + two
                        + "\"],\"rule\":{\"what\":\"COURSE\",\"fromMm\":{\"x\":1000,\"y\":1000,\"z\":0},"
                        + "\"toMm\":{\"x\":1000,\"y\":3000,\"z\":0},\"count\":3}}");
        assertThat(repeat.get("count").asInt()).isEqualTo(6);
        var all = caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> !p.get("origin").asString().equals("massing"))
                .toList();
        assertThat(all).hasSize(6).extracting(p -> p.get("origin").asString()).containsOnly("repeat");
        assertThat(all.get(1).get("atMm").get("x").asInt()).isEqualTo(2000);
        // Dissolved, all stand as they stood, by hand.
        assertThat(caller.post(site + "/repeats/" + repeat.get("id").asLong() + "/dissolve", null)
                        .json())
                .hasSize(6);
        assertThat(caller.get(site + "/placements")
                        .json()
                        .valueStream()
                        .filter(p -> p.get("origin").asString().equals("hand"))
                        .map(p -> p.get("atMm")))
                .containsExactlyElementsOf(all.stream().map(p -> p.get("atMm")).toList());
        caller.post(site + "/undo", null);
        assertThat(copies(site)).hasSize(6);
    }

    /** Taken away, a repeat takes along what hands changed about its copies. */
    @Test
    void nothingIsLeftOfARepeatThatIsTakenAway() {
        var id = course(5).get("id").asLong();
        caller.post(site + "/placements/removals", "{\"ids\":[\"repeat." + id + ".1.0\"]}");
        assertThat(caller.call("DELETE", site + "/repeats/" + id, null, null).status())
                .isEqualTo(204);
        assertThat(caller.get(site + "/departures").json()).isEmpty();
        caller.post(site + "/undo", null);
        assertThat(copies(site)).hasSize(4);
    }

    @Test
    void aPreviewTellsAndKeepsNothing() {
        var told = caller.post(
                        site + "/repeats/preview",
                        "{\"pieceIds\":[" + lamp
                                + "],\"rule\":{\"what\":\"RING\",\"fromMm\":{\"x\":2500,\"y\":2000,\"z\":0},\"radiusMm\":1000,\"count\":12}}")
                .json();
        assertThat(told.get("count").asInt()).isEqualTo(12);
        assertThat(told.get("boxesMm")).hasSize(12);
        var mesh = caller.get(site + "/pieces/" + lamp + "/mesh.glb").glb();
        var ofOne = mesh.getMeshModels().stream()
                .flatMap(m -> m.getMeshPrimitiveModels().stream())
                .mapToLong(m -> m.getIndices().getCount() / 3)
                .sum();
        assertThat(told.get("triangles").asLong()).isEqualTo(12 * ofOne);
        assertThat(copies(site)).isEmpty();
    }

    @Test
    void everyRuleReadsBackAsItWasTold() {
        for (var rule : List.of(
                "{\"what\":\"COURSE\"," + LINE
                        + ",\"pace\":\"PITCH\",\"pitchMm\":700.5,\"rest\":\"BOTH_ENDS\",\"insetMm\":10,\"along\":true,\"mirrorEvery\":2}",
                "{\"what\":\"FIELD\",\"areaMm\":[{\"x0\":0,\"y0\":0,\"x1\":4000,\"y1\":3000}],\"columns\":2,\"aisleXMm\":900,\"countHigh\":3,\"gaps\":10,\"seed\":5,\"staggered\":true}",
                "{\"what\":\"RING\",\"fromMm\":{\"x\":2500,\"y\":2000,\"z\":0},\"radiusMm\":1500,\"count\":7,\"facing\":\"OUT\",\"startDegrees\":12.5,\"sweepDegrees\":200}",
                "{\"what\":\"TRAIL\",\"pathMm\":[{\"x\":0,\"y\":0,\"z\":0},{\"x\":3000,\"y\":0,\"z\":0},{\"x\":3000,\"y\":2000,\"z\":500}],\"bendMm\":400,\"asideMm\":100,\"both\":true}",
                "{\"what\":\"STACK\",\"fromMm\":{\"x\":1000,\"y\":1000,\"z\":0},\"count\":4,\"turnDegrees\":12,\"shiftMm\":15,\"seed\":9}",
                "{\"what\":\"SCATTER\",\"areaMm\":[{\"x0\":0,\"y0\":0,\"x1\":4000,\"y1\":3000}],\"count\":12,\"leastMm\":200,\"fadeMm\":300,\"turnDegrees\":90,\"keepOutMm\":[{\"x0\":0,\"y0\":0,\"x1\":500,\"y1\":500}]}")) {
            var answer = made("/repeats", "{\"pieceIds\":[" + lamp + "],\"rule\":" + rule + "}");
            JsonMapper.shared().readTree(rule).properties().forEach(e -> assertThat(
                            plain(answer.get("rule").get(e.getKey())))
                    .as("%s of %s", e.getKey(), rule)
                    .isEqualTo(plain(e.getValue())));
            assertThat(answer.get("count").asInt()).isPositive();
        }
    }

    private static String plain(JsonNode json) {
        return json.toString().replaceAll("\\.0\\b", "");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"pieceIds\":[LAMP],\"rule\":{\"what\":\"COURSE\",\"fromMm\":{\"x\":0,\"y\":0,\"z\":0}}} | 400 | toMm",
                "{\"pieceIds\":[LAMP],\"rule\":{\"what\":\"COURSE\",\"fromMm\":{\"x\":0,\"y\":0,\"z\":0},\"toMm\":{\"x\":0,\"y\":0,\"z\":0}}} | 400 | has a length",
                "{\"pieceIds\":[LAMP],\"rule\":{\"what\":\"RING\",\"fromMm\":{\"x\":0,\"y\":0,\"z\":0},\"radiusMm\":-5}} | 400 | radius",
                "{\"pieceIds\":[LAMP],\"rule\":{\"what\":\"FIELD\",\"areaMm\":[]}} | 400 | area",
                "{\"pieceIds\":[LAMP],\"rule\":{\"what\":\"FIELD\",\"areaMm\":[{\"x0\":0,\"y0\":0,\"x1\":900000000,\"y1\":900000000}],\"pitchXMm\":1,\"pitchYMm\":1}} | 400 | millions",
                "{\"pieceIds\":[],\"rule\":{\"what\":\"STACK\",\"fromMm\":{\"x\":0,\"y\":0,\"z\":0}}} | 400 | to be repeated",
                "{\"pieceIds\":[99999999],\"rule\":{\"what\":\"STACK\",\"fromMm\":{\"x\":0,\"y\":0,\"z\":0}}} | 404 | no piece",
                "{\"pieceIds\":[LAMP],\"rule\":{\"what\":\"STACK\",\"fromMm\":{\"x\":0,\"y\":0,\"z\":0}},\"following\":{\"roomId\":1,\"hold\":\"ROOM\"}} | 404 | no room",
                "{\"pieceIds\":[LAMP],\"rule\":{}} | 400 | what",
            })
    void whatCannotBeIsRefusedAndNothingIsLeft(String body, int status, String words) {
        var answer = caller.post(site + "/repeats", body.replace("LAMP", String.valueOf(lamp)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.text()).contains(words);
        assertThat(caller.get(site + "/repeats").json()).isEmpty();
    }
}
