package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.server.jobs.Jobs;
import java.net.Socket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.regex.Matcher;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Whatever is sent: a clear word, never a 500, nothing half-done; and edits from many hands follow one another. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class RobustTest {

    @Autowired
    Jobs jobs;

    @LocalServerPort
    int port;

    Caller caller;
    String site;

    @BeforeEach
    void aSite() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Robust\"}")
                        .json()
                        .get("id")
                        .asLong();
    }

    /** Every call that takes a body, with one that is right but for what is put into it. */
    static Stream<String> calls() {
        return Stream.of(
                "POST /rooms {\"name\":\"r\",\"widthMm\":4000,\"depthMm\":3000}",
                "POST /rooms/drawn {\"name\":\"r\",\"fromMm\":{\"x\":0,\"y\":0,\"z\":0},\"toMm\":{\"x\":4000,\"y\":3000,\"z\":0}}",
                "PUT /kit {\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}",
                "POST /placements {\"pieceId\":1,\"atMm\":{\"x\":0,\"y\":0,\"z\":0}}",
                "POST /placements/arrange {\"ids\":[1],\"byMm\":{\"x\":0,\"y\":0,\"z\":0}}",
                "POST /placements/removals {\"ids\":[1]}",
                "POST /survey/fixes {\"key\":\"k\"}",
                "POST /board/items {\"kind\":\"NOTE\",\"text\":\"n\",\"lie\":{\"x\":0,\"y\":0,\"width\":9,\"height\":9,\"turn\":0,\"flipped\":false,\"crop\":[0,0,1,1]}}",
                "PATCH /board/items {\"does\":\"Move\",\"items\":[{\"id\":1}]}",
                "POST /board/order {\"ids\":[1],\"front\":true}",
                "POST /planes {\"pictureId\":1,\"name\":\"p\",\"calibration\":{\"kind\":\"FLAT\",\"points\":[0,0,90,0],\"widthMm\":1000}}",
                "POST /planes/grid {\"pixelsX\":100,\"pixelsY\":100,\"calibration\":{\"kind\":\"FLAT\",\"points\":[0,0,90,0],\"widthMm\":1000}}",
                "POST /measurements {\"planeId\":1,\"quantity\":\"LENGTH\",\"points\":[0,0,9,9]}",
                "POST /tags {\"name\":\"t\",\"role\":\"PROP\"}",
                "POST /marks {\"pictureId\":1,\"tagId\":1,\"kind\":\"POINT\",\"points\":[1,1]}",
                "POST /proposals/accepted {\"tagIds\":[1],\"code\":\"C\",\"name\":\"n\",\"widthMm\":1,\"depthMm\":1,\"heightMm\":1}",
                "POST /piece-list {\"code\":\"C\"}",
                "PATCH /piece-list {\"ids\":[1],\"set\":{\"count\":2}}",
                "PATCH /brief {\"intent\":\"i\"}",
                "POST /brief/spent {\"stage\":1,\"seconds\":5}");
    }

    private Caller.Answer send(String call, String body) {
        var parts = call.split(" ", 3);
        return caller.call(parts[0], site + parts[1], body, null);
    }

    private static void isClear(Caller.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isIn(400, 404);
        assertThat(answer.type()).startsWith("application/problem+json");
        assertThat(answer.json().get("detail").asString())
                .isNotBlank()
                .doesNotContain("hausbau.", "java.", "tools.jackson");
    }

    @ParameterizedTest
    @MethodSource("calls")
    void oddBodiesAreRefusedWithAWord(String call) {
        var right = call.split(" ", 3)[2];
        for (var odd : List.of(
                "",
                "{",
                "[]",
                "null",
                "7",
                "\"text\"",
                right.replaceFirst("\\{", "{\"colour\":1,"),
                right.replaceFirst(":[^,{}\\[\\]]+", ":{}"),
                right.replaceFirst("\"[^\"]*\":", "\"other\":"))) {
            var answer = send(call, odd);
            if (answer.status() >= 300) {
                isClear(answer);
            }
            assertThat(answer.status()).as(odd + " → " + answer.text()).isLessThan(500);
        }
        isClear(send(call, "{\"colour\":1}"));
    }

    @ParameterizedTest
    @MethodSource("calls")
    void hugeAndMissingNumbersAreRefusedOrHarmless(String call) {
        var right = call.split(" ", 3)[2];
        for (var number : List.of(
                "1e308", "-1e308", "1e999999", "99999999999999999999", "-1", "0.0000001", "NaN", "null", "\"9\"")) {
            var answer = send(call, right.replaceAll("(?<=[:\\[,])-?\\d+(?=[,}\\]])", number));
            assertThat(answer.status())
                    .as(number + " in " + call + " → " + answer.text())
                    .isLessThan(500);
        }
    }

    @ParameterizedTest
    @MethodSource("calls")
    void endlessTextsAndCharactersThatNoTextHoldsAreRefused(String call) {
        var right = call.split(" ", 3)[2];
        if (!right.matches(".*:\"[a-zA-Z]\".*")) {
            return;
        }
        for (var text : List.of("n".repeat(100_000), "a\\u0000b")) {
            isClear(send(call, right.replaceFirst(":\"[a-zA-Z]\"", Matcher.quoteReplacement(":\"" + text + "\""))));
        }
        assertThat(caller.get(site).json().get("revision").asInt())
                .as("nothing was done")
                .isZero();
    }

    /** Eight hands at once, none telling the revision it saw: every edit is made, one after the other, and can be undone. */
    @Test
    void editsFromManyHandsFollowOneAnother() throws Exception {
        var work = IntStream.range(0, 40)
                .<Callable<Integer>>mapToObj(i -> () -> new Caller(port)
                        .post(site + "/piece-list", "{\"code\":\"P" + i + "\"}")
                        .status())
                .toList();
        var hands = Executors.newFixedThreadPool(8);
        try {
            for (var done : hands.invokeAll(work)) {
                assertThat(done.get()).isEqualTo(201);
            }
        } finally {
            hands.shutdown();
        }
        assertThat(caller.get(site + "/piece-list").json().size()).isEqualTo(40);
        assertThat(caller.get(site).json().get("revision").asInt()).isEqualTo(40);
        for (var left = 39; left >= 0; left--) {
            assertThat(caller.post(site + "/undo", null).status()).isEqualTo(200);
            assertThat(caller.get(site + "/piece-list").json().size()).isEqualTo(left);
        }
        assertThat(caller.post(site + "/undo", null).status())
                .as("nothing is left to undo")
                .isEqualTo(204);
    }

    /** Of many hands that all saw one thing as it was, one changes it and the others are told. */
    @Test
    void ofManyChangesOfOneThingSeenAlikeOneIsMade() throws Exception {
        caller.post(site + "/piece-list", "{\"code\":\"A\"}");
        var id = caller.get(site + "/piece-list").json().get(0).get("id");
        var work = IntStream.range(0, 12)
                .<Callable<Integer>>mapToObj(i -> () -> new Caller(port)
                        .call(
                                "PATCH",
                                site + "/piece-list",
                                "{\"ids\":[" + id + "],\"set\":{\"count\":" + (i + 2) + "}}",
                                1L)
                        .status())
                .toList();
        assertThat(atOnce(work)).containsOnlyOnce(204).containsOnly(204, 412);
        assertThat(caller.get(site).json().get("revision").asInt()).isEqualTo(2);
    }

    /** Whatever they saw: what touches different things all goes through. */
    @Test
    void editsOfDifferentThingsDoNotRefuseEachOther() throws Exception {
        var work = IntStream.range(0, 12)
                .<Callable<Integer>>mapToObj(i -> () -> new Caller(port)
                        .call("POST", site + "/piece-list", "{\"code\":\"P" + i + "\"}", 0L)
                        .status())
                .toList();
        assertThat(atOnce(work)).containsOnly(201);
        assertThat(caller.get(site + "/piece-list").json().size()).isEqualTo(12);
        assertThat(caller.call("POST", site + "/piece-list", "{\"code\":\"late\"}", 99L)
                        .status())
                .as("a revision that is not there yet")
                .isEqualTo(412);
    }

    private static List<Integer> atOnce(List<Callable<Integer>> work) throws Exception {
        var hands = Executors.newFixedThreadPool(6);
        var statuses = new ArrayList<Integer>();
        try {
            for (var done : hands.invokeAll(work)) {
                statuses.add(done.get());
            }
        } finally {
            hands.shutdown();
        }
        return statuses;
    }

    /** A plan at the limits, which takes as long as it may. */
    static String longPlan(int seed) {
        var runs = IntStream.range(0, 300)
                .mapToObj(i -> "{\"name\":\"r" + i + "\",\"lengthMm\":" + (3000 + seed + i * 37) + "}")
                .collect(Collectors.joining(","));
        return "{\"stepMm\":1,\"minPieceMm\":150,\"maxPieceMm\":9000,\"maxKinds\":8,\"runs\":[" + runs + "]}";
    }

    /** One who closes the connection waits no more: the calculation ends. */
    @Test
    void whatNobodyWaitsForEnds() throws Exception {
        var body = longPlan(1_000).getBytes(StandardCharsets.UTF_8);
        try (var socket = new Socket("127.0.0.1", port)) {
            socket.getOutputStream()
                    .write(
                            ("POST /api/kit-plans?token=leaving HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: "
                                            + body.length + "\r\n\r\n")
                                    .getBytes(StandardCharsets.UTF_8));
            socket.getOutputStream().write(body);
            for (var i = 0; i < 2_000 && !jobs.isUnderWay("leaving"); i++) {
                Thread.sleep(10);
            }
            assertThat(jobs.isUnderWay("leaving")).isTrue();
        }
        for (var i = 0; i < 1_000 && jobs.isUnderWay("leaving"); i++) {
            Thread.sleep(10);
        }
        assertThat(jobs.isUnderWay("leaving")).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "multipart/form-data",
                "multipart/form-data; boundary=",
                "multipart/form-data; boundary=x",
                "application/json; charset=klingon"
            })
    void formsAndTypesThatCannotBeReadAreBadInput(String type) throws Exception {
        var request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + site + "/deliveries"))
                .header("Content-Type", type)
                .POST(BodyPublishers.ofString("--x\r\ncut"))
                .build();
        var answer = HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).as(answer.body()).isIn(400, 415);
        assertThat(answer.body()).doesNotContain("Exception", "de.javagl", "java.");
    }

    /** An edit whose answer was lost is sent again under its word: it is not made twice, whatever became of what it names. */
    @Test
    void anEditThatComesTwiceIsMadeOnce() {
        var body = "{\"code\":\"A\"}";
        assertThat(caller.keyed("POST", site + "/piece-list", body, "word-1").status())
                .isEqualTo(201);
        assertThat(caller.keyed("POST", site + "/piece-list", body, "word-1").status())
                .isEqualTo(208);
        assertThat(caller.get(site + "/piece-list").json().size()).isEqualTo(1);
        var removal =
                "{\"ids\":[" + caller.get(site + "/piece-list").json().get(0).get("id") + "]}";
        assertThat(caller.keyed("POST", site + "/piece-list/removals", removal, "word-2")
                        .status())
                .isEqualTo(204);
        assertThat(caller.keyed("POST", site + "/piece-list/removals", removal, "word-2")
                        .status())
                .isEqualTo(208);
        assertThat(caller.keyed("POST", site + "/piece-list/removals", removal, "word-3")
                        .status())
                .isEqualTo(404);
        assertThat(caller.get(site).json().get("revision").asInt()).isEqualTo(2);
        assertThat(caller.keyed("POST", site + "/piece-list", body, "two words").status())
                .isEqualTo(400);
    }

    /** So is a way back, and the way forth again: sent twice, each goes one step. */
    @Test
    void anUndoThatComesTwiceGoesOneStep() {
        for (var code : List.of("A", "B", "C")) {
            caller.post(site + "/piece-list", "{\"code\":\"" + code + "\"}");
        }
        assertThat(caller.keyed("POST", site + "/undo", null, "back-1").status())
                .isEqualTo(200);
        assertThat(caller.keyed("POST", site + "/undo", null, "back-1").status())
                .isEqualTo(208);
        assertThat(caller.get(site + "/piece-list").json().size()).isEqualTo(2);
        assertThat(caller.keyed("POST", site + "/undo", null, "back-2").status())
                .isEqualTo(200);
        assertThat(caller.keyed("POST", site + "/redo", null, "forth-1").status())
                .isEqualTo(200);
        assertThat(caller.keyed("POST", site + "/redo", null, "forth-1").status())
                .isEqualTo(208);
        assertThat(caller.get(site + "/piece-list").json().size()).isEqualTo(2);
    }

    @Test
    void anIdNamedTwiceIsOneThing() {
        for (var code : List.of("A", "B")) {
            caller.post(site + "/piece-list", "{\"code\":\"" + code + "\"}");
        }
        var a = caller.get(site + "/piece-list").json().get(0).get("id");
        assertThat(caller.post(site + "/piece-list/removals", "{\"ids\":[" + a + "," + a + "]}")
                        .status())
                .isEqualTo(204);
        assertThat(caller.post(site + "/undo", null).status()).isEqualTo(200);
        assertThat(caller.get(site + "/piece-list").json().size()).isEqualTo(2);
    }

    @Test
    void whatWasUndoneIsForgottenOnceSomethingElseIsDone() {
        caller.post(site + "/piece-list", "{\"code\":\"A\"}");
        caller.post(site + "/piece-list", "{\"code\":\"B\"}");
        caller.post(site + "/undo", null);
        assertThat(caller.get(site).json().get("redo").asString()).isEqualTo("List B");
        caller.post(site + "/piece-list", "{\"code\":\"C\"}");
        assertThat(caller.get(site).json().get("redo").asString()).isEmpty();
        assertThat(caller.post(site + "/redo", null).status()).isEqualTo(204);
        assertThat(caller.get(site + "/piece-list").json().valueStream().map(l -> l.get("code")
                        .asString()))
                .containsExactly("A", "C");
    }

    /** What a browser that saw an older revision must fetch again, and no more. */
    @Test
    void newsTellWhatHasChangedSince() {
        caller.post(site + "/rooms", "{\"name\":\"Hall\",\"widthMm\":4000,\"depthMm\":3000,\"heightMm\":3000}");
        caller.call("PUT", site + "/kit", "{\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}", null);
        var built = caller.get(site).json().get("revision").asLong();
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
                .get("id")
                .asString();
        var news = news(built);
        assertThat(news.get("all").asBoolean()).isFalse();
        assertThat(news.get("parts").valueStream().map(JsonNode::asString)).containsExactly("SET");
        var chunk = news.get("chunks").get(0);
        assertThat(news.get("chunks").size()).isEqualTo(1);
        assertThat(chunk.get("name").asString()).startsWith("hands.");
        var sent = caller.get(site + "/chunks/" + chunk.get("digest").asString());
        assertThat(sent.bytes()).startsWith('H', 'C', 'B', '2', 1, 0, 0, 0);
        caller.post(site + "/tags", "{\"name\":\"window\",\"role\":\"WINDOW\"}");
        assertThat(news(built + 1).get("parts").valueStream().map(JsonNode::asString))
                .containsExactly("BOARD");
        assertThat(news(built + 1).get("chunks").isEmpty()).isTrue();
        caller.post(site + "/placements/removals", "{\"ids\":[\"" + placed + "\"]}");
        assertThat(news(built + 1).get("gone").get(0)).isEqualTo(chunk.get("name"));
        assertThat(news(built).get("chunks").isEmpty())
                .as("set down and taken away again")
                .isTrue();
        // A browser on its way from an older state still gets what it was told of.
        assertThat(caller.get(site + "/chunks/" + chunk.get("digest").asString())
                        .bytes())
                .isEqualTo(sent.bytes());
        assertThat(caller.get(site + "/chunks/feedbeef").status()).isEqualTo(404);
        assertThat(caller.get(site + "/news?since=" + (built + 99)).status()).isEqualTo(404);
        assertThat(caller.get(site + "/news?since=x").status()).isEqualTo(400);
    }

    private JsonNode news(long since) {
        return caller.get(site + "/news?since=" + since).json();
    }

    /** A copied site has all of the other, on ids of its own, and nothing of its journal. */
    /** A copy stands at its first revision: one who opens it knows nothing yet, and is told all of it. */
    @Test
    void whoKnowsNothingOfASiteIsToldAllOfIt() {
        caller.post(
                site + "/rooms",
                "{\"name\":\"Room\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":4000,\"depthMm\":3000}");
        assertThat(caller.call(
                                "PUT",
                                site + "/kit",
                                "{\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}",
                                null)
                        .status())
                .isEqualTo(200);
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        var all = caller.get(copy + "/news").json();
        assertThat(all.get("all").asBoolean()).isTrue();
        assertThat(all.get("chunks")
                        .valueStream()
                        .mapToInt(c -> c.get("count").asInt())
                        .sum())
                .isEqualTo(caller.get(copy + "/placements").json().size())
                .isPositive();
        assertThat(caller.get(copy + "/news?since=0").json().get("chunks")).isEmpty();
    }

    @Test
    void aCopyHasEverythingButTheJournal() {
        var picture = caller.upload(
                        site + "/board/pictures?name=wall",
                        "image/png",
                        BodyPublishers.ofByteArray(Pictures.file(Pictures.flag(400, 300), "png")))
                .json()
                .get("id")
                .asLong();
        var plane = caller.post(
                        site + "/planes",
                        "{\"pictureId\":" + picture
                                + ",\"name\":\"p\",\"calibration\":{\"kind\":\"FLAT\",\"points\":[0,0,100,0],\"widthMm\":1000}}")
                .json()
                .get("id")
                .asLong();
        var tag = caller.post(site + "/tags", "{\"name\":\"window\",\"role\":\"WINDOW\"}")
                .json()
                .get("id")
                .asLong();
        caller.post(
                site + "/marks",
                "{\"pictureId\":" + picture + ",\"planeId\":" + plane + ",\"tagId\":" + tag
                        + ",\"kind\":\"RECTANGLE\",\"points\":[10,10,60,90]}");
        caller.post(
                site + "/proposals/accepted",
                "{\"tagIds\":[" + tag
                        + "],\"code\":\"WIN-500\",\"name\":\"window\",\"widthMm\":500,\"depthMm\":200,\"heightMm\":800}");
        caller.post(
                site + "/piece-list/stand-ins",
                "{\"ids\":[" + caller.get(site + "/piece-list").json().get(0).get("id") + "]}");
        caller.call("PATCH", site + "/brief", "{\"intent\":\"Calm\"}", null);
        assertThat(caller.post(site + "/brief/spent", "{\"stage\":2,\"seconds\":95}")
                        .status())
                .isLessThan(300);
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Twin\"}")
                        .json()
                        .get("id")
                        .asLong();
        caller.call("DELETE", site, null, null);
        var board = caller.get(copy + "/board").json();
        assertThat(board.get("marks").get(0).get("width").get("value").asDouble())
                .isEqualTo(500.0);
        assertThat(board.get("marks").get(0).get("planeId"))
                .isEqualTo(board.get("planes").get(0).get("id"));
        var listed = caller.get(copy + "/piece-list").json().get(0);
        assertThat(listed.get("state").asString()).isEqualTo("STAND_IN");
        assertThat(listed.get("tags").get(0).asString()).isEqualTo("A");
        assertThat(listed.get("mediaId")).isEqualTo(board.get("items").get(0).get("mediaId"));
        assertThat(caller.get(copy + "/brief").json().get("intent").asString()).isEqualTo("Calm");
        assertThat(caller.get(copy + "/brief").json().get("spentSeconds").get(2).asInt())
                .isEqualTo(95);
        assertThat(caller.get(copy).json().get("undo").asString()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/api/units", "/api/sites", "/api/sites/0", "/actuator/health", "/v3/api-docs"})
    void everyAnswerCarriesTheSecurityHeaders(String path) {
        var headers = caller.headers(path);
        assertThat(headers.firstValue("Content-Security-Policy").orElse(""))
                .contains("script-src 'self'")
                .contains("frame-ancestors 'none'");
        assertThat(headers.firstValue("X-Content-Type-Options")).hasValue("nosniff");
        assertThat(headers.firstValue("Referrer-Policy")).hasValue("no-referrer");
    }

    @Test
    void theContractsCallsStandInTheOpenApiDescription() {
        var paths = caller.get("/v3/api-docs").json().get("paths");
        for (var path : List.of(
                "/api/sites",
                "/api/sites/{siteId}/pieces",
                "/api/sites/{siteId}/placements",
                "/api/sites/{siteId}/handover/scene.glb",
                "/api/sites/{siteId}/handover/pieces.csv",
                "/api/kit-plans")) {
            assertThat(paths.has(path)).as(path).isTrue();
        }
        assertThat(paths.get("/api/sites/{siteId}/placements").has("post")).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "4.5m:4500",
                "450 cm:4500",
                "14' 9\":4495.8",
                "1/2\":12.7",
                "96u:1828.8",
                "200mm + 500mm + 400mm:1100"
            })
    void lengthsAreReadInAnyUnit(String row) {
        var text = row.substring(0, row.lastIndexOf(':'));
        var answer = caller.get("/api/lengths?unit=METRE&text=" + URLEncoder.encode(text, StandardCharsets.UTF_8));
        assertThat(answer.json().get("mm").asDouble())
                .isEqualTo(Double.parseDouble(row.substring(row.lastIndexOf(':') + 1)));
    }
}
