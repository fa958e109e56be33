package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpRequest.BodyPublishers;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** From a picture to a piece in the kit: calibrate, mark, group, list, stand in. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class TakeoffTest {

    @LocalServerPort
    int port;

    Caller caller;
    String site;
    long picture;

    @BeforeEach
    void aSiteWithAPicture() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Takeoff\"}")
                        .json()
                        .get("id")
                        .asLong();
        picture = caller.upload(
                        site + "/board/pictures?name=wall",
                        "image/png",
                        BodyPublishers.ofByteArray(Pictures.file(Pictures.flag(1000, 800), "png")))
                .json()
                .get("id")
                .asLong();
    }

    private JsonNode made(Caller.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    /** 4 × 3 m over 800 × 600 pixels: 5 mm a pixel, its lower left corner at 100, 700. */
    private long squareOn() {
        return made(caller.post(
                        site + "/planes",
                        "{\"pictureId\":" + picture
                                + ",\"name\":\"wall\",\"calibration\":{\"kind\":\"PERSPECTIVE\",\"points\":[100,700,900,700,900,100,100,100],\"widthMm\":4000,\"heightMm\":3000}}"))
                .get("id")
                .asLong();
    }

    private long tag(String name, String role) {
        return made(caller.post(site + "/tags", "{\"name\":\"" + name + "\",\"role\":\"" + role + "\"}"))
                .get("id")
                .asLong();
    }

    private void rectangle(long tag, long plane, int x0, int y0, int x1, int y1) {
        made(caller.post(
                site + "/marks",
                "{\"pictureId\":" + picture + ",\"planeId\":" + plane + ",\"tagId\":" + tag
                        + ",\"kind\":\"RECTANGLE\",\"points\":[" + x0 + "," + y0 + "," + x1 + "," + y1 + "]}"));
    }

    private JsonNode board() {
        return caller.get(site + "/board").json();
    }

    @Test
    void aMarkIsMeasuredWithItsUncertainty() {
        var plane = squareOn();
        var tag = tag("window", "WINDOW");
        rectangle(tag, plane, 300, 200, 500, 440);
        var mark = board().get("marks").get(0);
        assertThat(mark.get("width").get("value").asDouble()).isCloseTo(1000, within(1e-6));
        assertThat(mark.get("height").get("value").asDouble()).isCloseTo(1200, within(1e-6));
        // Its own two picks alone are 5 mm · √2; those of the calibration come on top.
        assertThat(mark.get("width").get("deviation").asDouble()).isBetween(7.07, 10.0);
        var length = caller.post(
                        site + "/measurements",
                        "{\"planeId\":" + plane + ",\"quantity\":\"LENGTH\",\"points\":[100,700,500,400]}")
                .json();
        assertThat(length.get("value").asDouble()).isCloseTo(2500, within(1e-6));
        var angle = caller.post(
                        site + "/measurements",
                        "{\"planeId\":" + plane + ",\"quantity\":\"ANGLE\",\"points\":[200,700,100,700,100,400]}")
                .json();
        assertThat(angle.get("value").asDouble()).isCloseTo(90, within(1e-6));
    }

    @Test
    void fromMarksToAListedPieceToAStandInThatFollowsTheKit() {
        var plane = squareOn();
        var a = tag("niche", "PROP");
        var b = tag("niche across", "PROP");
        rectangle(a, plane, 200, 300, 320, 700);
        rectangle(a, plane, 400, 300, 521, 700);
        rectangle(b, plane, 200, 120, 601, 241);
        caller.call("PATCH", site + "/tags/" + a, "{\"estimated\":14}", null);
        var proposals = caller.get(site + "/proposals").json();
        assertThat(proposals.size()).isEqualTo(1);
        var proposal = proposals.get(0);
        assertThat(proposal.get("tags").get(1).get("turned").asBoolean())
                .as("B lies on its side")
                .isTrue();
        assertThat(proposal.get("widthMm").asInt()).isEqualTo(600);
        assertThat(proposal.get("heightMm").asInt()).isEqualTo(2000);
        assertThat(proposal.get("estimated").asInt()).isEqualTo(15);
        assertThat(proposal.get("changesTheLook").asBoolean()).isFalse();
        made(
                caller.post(
                        site + "/proposals/accepted",
                        "{\"tagIds\":[" + a + "," + b
                                + "],\"code\":\"PRP-NICHE\",\"name\":\"niche\",\"widthMm\":600,\"depthMm\":300,\"heightMm\":2000}"));
        var listed = caller.get(site + "/piece-list").json().get(0);
        assertThat(listed.get("count").asInt()).isEqualTo(15);
        assertThat(listed.get("state").asString()).isEqualTo("WANTED");
        assertThat(listed.get("crop").size()).isEqualTo(4);
        assertThat(caller.get(site + "/proposals").json().isEmpty()).isTrue();
        assertThat(caller.post(site + "/piece-list/stand-ins", "{\"ids\":[" + listed.get("id") + "]}")
                        .status())
                .isEqualTo(204);
        var piece = caller.get(site + "/pieces").json().get(0);
        assertThat(piece.get("code").asString()).isEqualTo("PRP-NICHE");
        assertThat(piece.get("sizeMm").get("z").asInt()).isEqualTo(2000);
        made(caller.post(
                site + "/placements",
                "{\"pieceId\":" + piece.get("id") + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":0}}"));
        listed = caller.get(site + "/piece-list").json().get(0);
        assertThat(listed.get("state").asString()).isEqualTo("STAND_IN");
        assertThat(listed.get("placed").asInt()).isEqualTo(1);
        // Taken back, it is wanted again.
        caller.post(site + "/undo", null);
        caller.post(site + "/undo", null);
        assertThat(caller.get(site + "/piece-list").json().get(0).get("state").asString())
                .isEqualTo("WANTED");
        assertThat(caller.get(site + "/pieces").json().isEmpty()).isTrue();
    }

    @Test
    void aStandInStaysWhenTheRoomsAreBuiltFromAKit() {
        caller.post(site + "/rooms", "{\"name\":\"Hall\",\"widthMm\":4000,\"depthMm\":3000,\"heightMm\":3000}");
        made(caller.post(
                site + "/piece-list",
                "{\"code\":\"WAL-700\",\"role\":\"WALL\",\"widthMm\":700,\"depthMm\":200,\"heightMm\":3000}"));
        var id = caller.get(site + "/piece-list").json().get(0).get("id").asLong();
        caller.post(site + "/piece-list/stand-ins", "{\"ids\":[" + id + "]}");
        caller.call("PUT", site + "/kit", "{\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}", null);
        assertThat(caller.get(site + "/pieces").text()).contains("WAL-700");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            [100,700,500,700,900,700,100,100] | Three corners lie in a line
            [100,700,900,100,900,700,100,100] | cross each other
            [100,700,900,700,900,690,100,690] | a mere sliver
            [100,700,900,700,900,100]         | Pick 4 points
            [100,700,900,700,900,100,1e99,2]  | within a million pixels
            """)
    void cornersThatAreNoRectangleAreRefusedWithTheReason(String points, String reason) {
        var body =
                "{\"pictureId\":" + picture + ",\"name\":\"wall\",\"calibration\":{\"kind\":\"PERSPECTIVE\",\"points\":"
                        + points + ",\"widthMm\":4000,\"heightMm\":3000}}";
        var answer = caller.post(site + "/planes", body);
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.text()).contains(reason);
        assertThat(board().get("planes").isEmpty()).isTrue();
    }

    @Test
    void theGridLiesOnTheStep() {
        var grid = caller.post(
                        site + "/planes/grid",
                        "{\"pixelsX\":1000,\"pixelsY\":800,\"calibration\":{\"kind\":\"FLAT\",\"points\":[0,800,1000,800],\"widthMm\":5000}}")
                .json();
        assertThat(grid.get("pitchMm").asInt()).isEqualTo(100);
        // 5 m of picture and 4 m of it up, a line every 100 mm, ends included.
        assertThat(grid.get("lines").size()).isEqualTo(51 + 41);
        assertThat(grid.get("lines").get(1).get(0).asDouble()).isCloseTo(20, within(1e-6));
    }

    @Test
    void thePlaneSquareOnCanBeLaidOnTheBoard() {
        var plane = squareOn();
        var view = caller.get(site + "/planes/" + plane + "/rectified.png");
        assertThat(view.status()).isEqualTo(200);
        assertThat(view.bytes()).startsWith(0x89, 'P', 'N', 'G');
        var item = made(caller.post(site + "/planes/" + plane + "/rectified", null));
        assertThat(item.get("name").asString()).isEqualTo("wall, wall square on");
        assertThat(item.get("pixelsX").asInt()).isEqualTo(1600);
    }

    @Test
    void aPlaneThatGoesLeavesItsMarksUnmeasuredAndAPictureTakesThemAlong() {
        var plane = squareOn();
        var tag = tag("window", "WINDOW");
        rectangle(tag, plane, 300, 200, 500, 440);
        assertThat(caller.call("DELETE", site + "/planes/" + plane, null, null).status())
                .isEqualTo(204);
        assertThat(board().get("marks").get(0).path("width").isNull()).isTrue();
        caller.post(site + "/undo", null);
        assertThat(board().get("marks").get(0).get("width").get("value").asDouble())
                .isCloseTo(1000, within(1e-6));
        caller.post(site + "/board/removals", "{\"ids\":[" + picture + "]}");
        assertThat(board().get("marks").isEmpty()).isTrue();
        caller.post(site + "/undo", null);
        assertThat(board().get("marks").size()).isEqualTo(1);
    }

    @Test
    void oddMarksAreRefused() {
        var plane = squareOn();
        var tag = tag("window", "WINDOW");
        var start = "{\"pictureId\":" + picture + ",\"planeId\":" + plane + ",\"tagId\":" + tag;
        assertThat(caller.post(site + "/marks", start + ",\"kind\":\"LINE\",\"points\":[1,2]}")
                        .text())
                .contains("from 2 to 2 points");
        assertThat(caller.post(site + "/marks", start + ",\"kind\":\"LINE\",\"points\":[5,5,5,5]}")
                        .text())
                .contains("lie on one another");
        assertThat(caller.post(site + "/marks", start + ",\"kind\":\"LINE\",\"points\":[5,5,9,9,9]}")
                        .status())
                .isEqualTo(400);
        assertThat(caller.post(
                                site + "/marks",
                                start.replace("\"tagId\":" + tag, "\"tagId\":99")
                                        + ",\"kind\":\"POINT\",\"points\":[5,5]}")
                        .status())
                .isEqualTo(404);
        assertThat(board().get("marks").isEmpty()).isTrue();
    }

    @Test
    void theListGoesOutAndComesBack() {
        made(caller.post(
                site + "/piece-list",
                "{\"code\":\"PRP-CLOCK\",\"name\":\"hall clock\",\"hours\":6,\"hero\":true,\"priority\":1}"));
        made(caller.post(site + "/piece-list", "{\"code\":\"PRP-RAIL\",\"count\":6,\"source\":\"BUY\"}"));
        assertThat(caller.post(site + "/piece-list", "{\"code\":\"PRP-RAIL\"}").text())
                .contains("already");
        var csv = caller.get(site + "/piece-list.csv").text();
        assertThat(csv.lines().toList())
                .hasSize(3)
                .element(1)
                .isEqualTo("PRP-CLOCK,hall clock,prop,0,0,0,1,make,wanted,1,6,hero,");
        var more = csv.replace(",6,buy", ",9,buy") + "PRP-TILL,till,prop,1800,700,2200,1,make,wanted,1,8,hero,\r\n";
        var read = caller.upload(site + "/piece-list.csv", "text/csv", BodyPublishers.ofString(more));
        assertThat(read.json().get("count").asInt()).isEqualTo(3);
        var list = caller.get(site + "/piece-list").json();
        assertThat(list.size()).isEqualTo(3);
        assertThat(list.valueStream()
                        .filter(l -> l.get("code").asString().equals("PRP-RAIL"))
                        .findFirst()
                        .orElseThrow()
                        .get("count")
                        .asInt())
                .isEqualTo(9);
        var ids = list.valueStream().map(l -> l.get("id").asString()).toList();
        assertThat(caller.call(
                                "PATCH",
                                site + "/piece-list",
                                "{\"ids\":[" + String.join(",", ids)
                                        + "],\"set\":{\"priority\":2,\"state\":\"FINISHED\"}}",
                                null)
                        .status())
                .isEqualTo(204);
        assertThat(caller.get(site + "/piece-list").json().valueStream().map(l -> l.get("state")
                        .asString()))
                .containsOnly("FINISHED");
        assertThat(caller.post(site + "/piece-list/removals", "{\"ids\":[" + ids.get(0) + "]}")
                        .status())
                .isEqualTo(204);
        caller.post(site + "/undo", null);
        assertThat(caller.get(site + "/piece-list").json().size()).isEqualTo(3);
    }

    @Test
    void theBriefIsKeptItsBudgetMeasuredAndTheTimeCorrected() {
        var brief =
                "{\"intent\":\"Calm\",\"focal\":\"clock\",\"target\":\"HEADSET\",\"budget\":{\"triangles\":40,\"drawCalls\":0,\"textureBytes\":0,\"materials\":9,\"sheets\":1},\"plannedMinutes\":[{\"stage\":0,\"amount\":60},{\"stage\":6,\"amount\":30}]";
        assertThat(caller.call("PATCH", site + "/brief", brief + "}", null).status())
                .isEqualTo(204);
        assertThat(caller.post(site + "/brief/spent", "{\"stage\":0,\"seconds\":90}")
                        .status())
                .isEqualTo(204);
        assertThat(caller.post(site + "/brief/spent", "{\"stage\":0,\"seconds\":30}")
                        .status())
                .isEqualTo(204);
        assertThat(caller.get(site + "/brief").json().get("spentSeconds").get(0).asInt())
                .isEqualTo(120);
        // What is not told stays.
        assertThat(caller.call("PATCH", site + "/brief", "{\"spentSeconds\":[{\"stage\":0,\"amount\":600}]}", null)
                        .status())
                .isEqualTo(204);
        assertThat(caller.get(site + "/brief").json().get("intent").asString()).isEqualTo("Calm");
        assertThat(caller.get(site + "/brief")
                        .json()
                        .get("plannedMinutes")
                        .get(6)
                        .asInt())
                .isEqualTo(30);
        caller.post(site + "/brief/spent", "{\"stage\":0,\"seconds\":5}");
        assertThat(caller.get(site + "/brief").json().get("spentSeconds").get(0).asInt())
                .isEqualTo(605);
        caller.post(site + "/undo", null);
        assertThat(caller.get(site + "/brief").json().get("spentSeconds").get(0).asInt())
                .isEqualTo(125);
        made(caller.post(site + "/piece-list", "{\"code\":\"BOX\",\"widthMm\":700,\"depthMm\":200,\"heightMm\":3000}"));
        caller.post(
                site + "/piece-list/stand-ins",
                "{\"ids\":[" + caller.get(site + "/piece-list").json().get(0).get("id") + "]}");
        caller.post(
                site + "/placements",
                "{\"pieceId\":" + caller.get(site + "/pieces").json().get(0).get("id")
                        + ",\"atMm\":{\"x\":0,\"y\":0,\"z\":0}}");
        var budget = caller.get(site + "/tally").json().get("budget");
        // A chamfered block has 44 triangles, four more than allowed.
        assertThat(budget.get(0).get("spent").asInt()).isEqualTo(44);
        assertThat(budget.get(0).get("over").asBoolean()).isTrue();
        assertThat(budget.get(1).get("over").asBoolean()).as("no limit").isFalse();
        assertThat(caller.post(site + "/brief/spent", "{\"stage\":9,\"seconds\":5}")
                        .status())
                .isEqualTo(400);
        assertThat(caller.call("PATCH", site + "/brief", "{\"plannedMinutes\":[{\"stage\":7,\"amount\":1}]}", null)
                        .status())
                .isEqualTo(400);
        assertThat(caller.call("PATCH", site + "/brief", "{\"plannedMinutes\":[{\"stage\":1,\"amount\":-1}]}", null)
                        .status())
                .isEqualTo(400);
    }

    @Test
    void aLengthIsDivided() {
        var answer = caller.post(
                "/api/divisions",
                "{\"sides\":[{\"name\":\"wall\",\"lengthMm\":2000,\"fixed\":[{\"name\":\"door\",\"lengthMm\":300}]}],\"knownMm\":[500],\"stepMm\":100,\"minPieceMm\":100,\"maxPieceMm\":200}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(answer.json().get(0).get("newPieceMm").asInt()).isEqualTo(200);
        assertThat(answer.text()).contains("“door” 200 mm longer");
        var longer = answer.json()
                .valueStream()
                .filter(d -> d.get("why").asString().contains("“door”"))
                .findFirst()
                .orElseThrow();
        assertThat(longer.get("sides")
                        .get(0)
                        .get("fixed")
                        .get(0)
                        .get("lengthMm")
                        .asInt())
                .isEqualTo(500);
        assertThat(caller.post("/api/divisions", "{\"sides\":[],\"stepMm\":0,\"minPieceMm\":1,\"maxPieceMm\":1}")
                        .status())
                .isEqualTo(400);
    }
}
