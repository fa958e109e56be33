package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.server.jobs.Jobs;
import hausbau.server.standing.Sets;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** What stands is computed from what was decided: its identity, what hands change about it, and how it is told. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class SetTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    @Autowired
    Jobs jobs;

    @Autowired
    JdbcTemplate jdbc;

    Caller caller;
    String site;
    long siteId;

    /** 4 × 3 m of 3 m height, built from metres: 14 walls, 4 posts, 12 floors, 12 ceilings. */
    @BeforeEach
    void aBuiltRoom() {
        caller = new Caller(port);
        siteId = caller.post("/api/sites", "{\"name\":\"Computed\"}")
                .json()
                .get("id")
                .asLong();
        site = "/api/sites/" + siteId;
        room("Hall", 0, 4000, 3000);
        build(1000);
    }

    private long room(String name, int x, int width, int depth) {
        return made(caller.post(
                        site + "/rooms",
                        "{\"name\":\"" + name + "\",\"cornerMm\":{\"x\":" + x + ",\"y\":0,\"z\":0},\"widthMm\":" + width
                                + ",\"depthMm\":" + depth + ",\"heightMm\":3000}"))
                .get("id")
                .asLong();
    }

    private void build(int kind) {
        var built = caller.call(
                "PUT", site + "/kit", "{\"kindsMm\":[" + kind + "],\"minPieceMm\":200,\"maxPieceMm\":4000}", null);
        assertThat(built.status()).as(built.text()).isEqualTo(200);
    }

    private static JsonNode made(Caller.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private void done(Caller.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isBetween(200, 204);
    }

    private Map<String, JsonNode> standing() {
        return caller.get(site + "/placements")
                .json()
                .valueStream()
                .collect(Collectors.toMap(p -> p.get("id").asString(), Function.identity()));
    }

    private long room() {
        return caller.get(site + "/massing")
                .json()
                .get("rooms")
                .get(0)
                .get("id")
                .asLong();
    }

    private long piece(String code) {
        return caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
    }

    private String north(int at) {
        return "room." + room() + ".north." + at * 1_000_000L + ".1000000";
    }

    private void move(String id, int y) {
        done(caller.post(
                site + "/placements/arrange", "{\"ids\":[\"" + id + "\"],\"byMm\":{\"x\":0,\"y\":" + y + ",\"z\":0}}"));
    }

    private List<JsonNode> departures() {
        return caller.get(site + "/departures").json().valueStream().toList();
    }

    @Test
    void nothingDerivedIsStoredOrJournalled() {
        assertThat(standing()).hasSize(42);
        assertThat(jdbc.queryForObject("select count(*) from placement where site_id = ?", Long.class, siteId))
                .isZero();
        assertThat(jdbc.queryForObject(
                        "select max(length(changes)) from journal where site_id = ?", Integer.class, siteId))
                .isLessThan(2000);
    }

    @Test
    void idsOutliveUndoRenamingAndTheServersForgetting() {
        var before = standing();
        done(caller.call("PATCH", site + "/rooms/" + room(), "{\"name\":\"Renamed\"}", null));
        assertThat(standing()).isEqualTo(before);
        done(caller.call("PATCH", site + "/rooms/" + room(), "{\"widthMm\":6000}", null));
        assertThat(standing()).hasSizeGreaterThan(42);
        assertThat(standing().keySet()).contains(north(0), north(1), north(2), north(3));
        done(caller.post(site + "/undo", null));
        assertThat(standing()).isEqualTo(before);
        sets.forget(siteId);
        assertThat(standing()).isEqualTo(before);
    }

    @Test
    void whatAHandMovedStaysWhereItLeftItWhateverTheRoomDoes() {
        move(north(1), 300);
        var bench = made(caller.post(
                site + "/placements",
                "{\"pieceId\":" + piece("PRP-BENCH") + ",\"atMm\":{\"x\":2000,\"y\":1500,\"z\":0}}"));
        done(caller.call("PATCH", site + "/rooms/" + room(), "{\"widthMm\":6000}", null));
        sets.forget(siteId);
        assertThat(standing().get(north(1)).get("departed").asBoolean()).isTrue();
        assertThat(standing().get(north(1)).get("atMm").get("y").asInt()).isEqualTo(3300);
        assertThat(standing().get(bench.get("id").asString())).isEqualTo(bench);
        done(caller.post(site + "/departures/let-go", "{\"ids\":[\"" + north(1) + "\"]}"));
        assertThat(standing().get(north(1)).get("atMm").get("y").asInt()).isEqualTo(3000);
    }

    @Test
    void aDepartureWhosePlaceIsGoneIsListedWithItsChoices() {
        move(north(1), 300);
        done(caller.post(site + "/placements/removals", "{\"ids\":[\"" + north(2) + "\"]}"));
        build(500);
        assertThat(departures()).hasSize(2).allMatch(d -> d.get("lost").asBoolean());
        assertThat(caller.get(site).json().get("lost").asInt()).isEqualTo(2);
        assertThat(standing().get(north(1)).get("lost").asBoolean()).isTrue();
        assertThat(caller.get(site + "/survey")
                        .json()
                        .get("findings")
                        .valueStream()
                        .map(f -> f.get("kind").asString()))
                .contains("LOST_PLACE");
        // Set down by hand it is a placement of its own, where it stood.
        done(caller.post(site + "/departures/set-down", "{\"ids\":[\"" + north(1) + "\"]}"));
        assertThat(standing().values())
                .filteredOn(p -> p.get("origin").asString().equals("hand"))
                .singleElement()
                .satisfies(p -> assertThat(p.get("atMm").get("y").asInt()).isEqualTo(3300));
        done(caller.post(site + "/departures/let-go", "{\"ids\":[\"" + north(2) + "\"]}"));
        assertThat(departures()).isEmpty();
        for (var i = 0; i < 3; i++) {
            done(caller.post(site + "/undo", null));
        }
        assertThat(departures()).hasSize(2).noneMatch(d -> d.get("lost").asBoolean());
        assertThat(standing()).hasSize(41);
    }

    @Test
    void aSwappedPieceKeepsItsPlaceAndComesBack() {
        assertThat(caller.post(
                                site + "/placements/swaps",
                                "{\"ids\":[\"" + north(1) + "\"],\"pieceId\":" + piece("PRP-LAMP") + "}")
                        .status())
                .isEqualTo(200);
        assertThat(standing().get(north(1)).get("pieceId").asLong()).isEqualTo(piece("PRP-LAMP"));
        done(caller.post(site + "/undo", null));
        assertThat(standing().get(north(1)).get("pieceId").asLong()).isEqualTo(piece("WAL-1000"));
    }

    /** A code is given once: a wall as long in another room's height is another kind, and the first keeps its code. */
    @Test
    void aCodeIsNeverHandedToAnotherKind() {
        var pillar = piece("PIL-400");
        made(caller.post(
                site + "/placements", "{\"pieceId\":" + pillar + ",\"atMm\":{\"x\":2000,\"y\":1500,\"z\":0}}"));
        var wall = piece("WAL-1000");
        done(caller.call("PATCH", site + "/rooms/" + room(), "{\"heightMm\":4000}", null));
        assertThat(piece("WAL-1000x4000")).isNotEqualTo(wall);
        assertThat(piece("PIL-400x4000")).isNotEqualTo(pillar);
        var hand = standing().values().stream()
                .filter(p -> p.get("origin").asString().equals("hand"))
                .findFirst()
                .orElseThrow();
        assertThat(hand.get("pieceId").asLong())
                .as("what a hand placed does not change because the room did")
                .isEqualTo(pillar);
        assertThat(caller.get(site + "/pieces")
                        .json()
                        .valueStream()
                        .filter(p -> p.get("id").asLong() == pillar)
                        .findFirst()
                        .orElseThrow()
                        .get("sizeMm")
                        .get("z")
                        .asInt())
                .isEqualTo(3000);
        done(caller.call("PATCH", site + "/rooms/" + room(), "{\"heightMm\":3000}", null));
        assertThat(piece("WAL-1000")).isEqualTo(wall);
    }

    /** Two windows, one placed by hand from the line-up: taking an opening away leaves the hand's as it is. */
    @Test
    void takingAWindowAwayLeavesTheOneAHandPlacedAlone() {
        var ids = new ArrayList<Long>();
        for (var sill : List.of(900, 1000)) {
            ids.add(made(caller.post(
                            site + "/rooms/" + room() + "/openings",
                            "{\"kind\":\"WINDOW\",\"side\":\"" + (sill == 900 ? "NORTH" : "SOUTH")
                                    + "\",\"atMm\":1400,\"widthMm\":800,\"heightMm\":1000,\"sillMm\":" + sill + "}"))
                    .get("id")
                    .asLong());
        }
        var second = caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().matches("WIN-1[02]00-.*"))
                .findFirst()
                .orElseThrow();
        var placed = made(caller.post(
                site + "/placements",
                "{\"pieceId\":" + second.get("id") + ",\"atMm\":{\"x\":1000,\"y\":1500,\"z\":0},\"snap\":false}"));
        done(caller.call("DELETE", site + "/openings/" + ids.get(0), null, null));
        assertThat(standing().get(placed.get("id").asString()).get("pieceId")).isEqualTo(second.get("id"));
        assertThat(caller.get(site + "/pieces")
                        .json()
                        .valueStream()
                        .filter(p -> p.get("id").equals(second.get("id")))
                        .findFirst())
                .contains(second.deepCopy().asObject().put("count", 2));
    }

    /** The step changes under a kit: the set stays as the kit names it, and the survey says that they do not go together. */
    @Test
    void changingTheStepKeepsTheSetAndIsSaid() {
        var before = standing();
        done(caller.call("PATCH", site, "{\"name\":\"Computed\",\"stepMm\":300}", null));
        assertThat(standing()).isEqualTo(before);
        assertThat(caller.get(site + "/survey")
                        .json()
                        .get("findings")
                        .valueStream()
                        .map(f -> f.get("kind").asString()))
                .containsExactly("KIT");
        assertThat(caller.get(site + "/survey").json().get("faults").asInt()).isEqualTo(1);
    }

    @Test
    void offStepSizesAreRemarkedOnWhereTheyAreTyped() {
        done(caller.call("PATCH", site + "/rooms/" + room(), "{\"widthMm\":4050}", null));
        var remarks = caller.get(site + "/massing").json().get("remarks");
        assertThat(remarks.size()).isEqualTo(1);
        assertThat(remarks.get(0).get("field").asString()).isEqualTo("widthMm");
        assertThat(remarks.get(0).get("message").asString()).contains("4 m or 4.1 m");
    }

    @Test
    void anEditCanBeAskedForBeforeItIsMade() {
        var revision = caller.get(site).json().get("revision");
        var asked = caller.call("PATCH", site + "/rooms/" + room() + "?trial=true", "{\"widthMm\":5000}", null);
        // A metre more: the east wall's three, two posts, and the three northern and southern ones that are added; 6
        // more tiles.
        assertThat(asked.status()).as(asked.text()).isEqualTo(200);
        assertThat(asked.json().get("removed").asInt()).isZero();
        assertThat(asked.json().get("placed").asInt()).isEqualTo(2 + 3 + 2 + 6);
        assertThat(caller.get(site).json().get("revision")).isEqualTo(revision);
        assertThat(standing()).hasSize(42);
    }

    @Test
    void twoPeopleWorkOnOneSite() {
        var seen = caller.get(site).json().get("revision").asLong();
        move(north(1), 300);
        // The other saw the site before that, and changes something else.
        assertThat(caller.call("PATCH", site + "/rooms/" + room(), "{\"name\":\"Theirs\"}", seen)
                        .status())
                .isEqualTo(200);
        assertThat(caller.call(
                                "POST",
                                site + "/placements",
                                "{\"pieceId\":" + piece("PRP-LAMP") + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":0}}",
                                seen)
                        .status())
                .isEqualTo(201);
        // But not the very same.
        var refused = caller.call(
                "POST",
                site + "/placements/arrange",
                "{\"ids\":[\"" + north(1) + "\"],\"byMm\":{\"x\":0,\"y\":100,\"z\":0}}",
                seen);
        assertThat(refused.status()).isEqualTo(412);
        assertThat(refused.json().get("revision").asLong())
                .isEqualTo(caller.get(site).json().get("revision").asLong());
        assertThat(standing().get(north(1)).get("atMm").get("y").asInt()).isEqualTo(3300);
    }

    /** Two lamps of 0.32 m that share 0.12 m: the second is moved by the least number of steps of 0.1 m, and a step back brings it back. */
    @Test
    void whatOverlapsIsMovedClearByWholeSteps() {
        var lamp = piece("PRP-LAMP");
        for (var x : List.of(2000, 2200)) {
            made(caller.post(
                    site + "/placements",
                    "{\"pieceId\":" + lamp + ",\"atMm\":{\"x\":" + x + ",\"y\":1500,\"z\":0},\"snap\":false}"));
        }
        var found = caller.get(site + "/survey").json().get("findings");
        assertThat(found.size()).isEqualTo(1);
        assertThat(found.get(0).get("fix").asString()).isEqualTo("Move PRP-LAMP clear of it");
        done(caller.post(
                site + "/survey/fixes", "{\"key\":\"" + found.get(0).get("key").asString() + "\"}"));
        assertThat(lampsAt(lamp)).containsExactlyInAnyOrder(2000, 2400);
        assertThat(caller.get(site + "/survey").json().get("findings").size()).isZero();
        done(caller.post(site + "/undo", ""));
        assertThat(lampsAt(lamp)).containsExactlyInAnyOrder(2000, 2200);
    }

    private List<Integer> lampsAt(long lamp) {
        return caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("pieceId").asLong() == lamp)
                .map(p -> p.get("atMm").get("x").asInt())
                .toList();
    }

    @Test
    void findingsAlikeAreMendedTogetherAndAcceptedUntilTheyChange() {
        var lamp = piece("PRP-LAMP");
        for (var x : List.of(1000, 2000, 3000)) {
            made(caller.post(
                    site + "/placements",
                    "{\"pieceId\":" + lamp + ",\"atMm\":{\"x\":" + x + ",\"y\":1500,\"z\":700},\"snap\":false}"));
        }
        var cards = caller.get(site + "/survey/cards").json();
        assertThat(cards.size()).isEqualTo(1);
        assertThat(cards.get(0).get("count").asInt()).isEqualTo(3);
        assertThat(cards.get(0).get("room").asString()).isEqualTo("Hall");
        var first = cards.get(0).get("findings").get(0);
        done(caller.post(
                site + "/survey/accepted",
                "{\"key\":\"" + first.get("key").asString() + "\",\"reason\":\"hangs from a wire\"}"));
        assertThat(caller.get(site + "/survey").json().get("cautions").asInt()).isEqualTo(2);
        var accepted = caller.get(site + "/survey")
                .json()
                .get("findings")
                .valueStream()
                .filter(f -> f.get("key").equals(first.get("key")))
                .findFirst()
                .orElseThrow();
        assertThat(accepted.get("accepted").asString()).isEqualTo("hangs from a wire");
        done(caller.post(
                site + "/survey/fixes", "{\"key\":\"" + cards.get(0).get("key").asString() + "\"}"));
        assertThat(caller.get(site + "/survey").json().get("findings").size())
                .as("those that were not accepted")
                .isEqualTo(1);
        // What it is about changes: it is open again.
        done(caller.post(
                site + "/placements/arrange",
                "{\"ids\":[" + first.get("placementIds").get(0) + "],\"byMm\":{\"x\":0,\"y\":0,\"z\":100}}"));
        assertThat(caller.get(site + "/survey").json().get("cautions").asInt()).isEqualTo(1);
        assertThat(caller.post(site + "/survey/fixes", "{\"key\":\"nothing\"}").status())
                .isEqualTo(404);
    }

    /** Reads made while edits go on never fail, and what they tell of one revision fits together. */
    @Test
    void readsDuringEditsAlwaysTellOneState() throws Exception {
        var hands = Executors.newFixedThreadPool(3);
        try {
            var edits = hands.submit(() -> {
                for (var i = 0; i < 12; i++) {
                    build(i % 2 == 0 ? 500 : 1000);
                }
                return null;
            });
            var reads = new ArrayList<Future<Object>>();
            for (var hand = 0; hand < 2; hand++) {
                reads.add(hands.submit(() -> {
                    while (!edits.isDone()) {
                        assertThat(caller.get(site + "/survey")
                                        .json()
                                        .get("findings")
                                        .isEmpty())
                                .isTrue();
                        // 14 walls of a metre or 28 of half a one, with 4 posts and 24 tiles: nothing in between.
                        assertThat(caller.get(site + "/tally")
                                        .json()
                                        .get("placements")
                                        .asInt())
                                .isIn(42, 56);
                        assertThat(caller.get(site + "/handover/scene.glb").status())
                                .isEqualTo(200);
                    }
                    return null;
                }));
            }
            edits.get(10, TimeUnit.MINUTES);
            for (var read : reads) {
                read.get(10, TimeUnit.MINUTES);
            }
        } finally {
            hands.shutdownNow();
        }
    }

    @Test
    void theFeedTellsOfRevisionsAsTheyAreMade() throws Exception {
        var client = HttpClient.newHttpClient();
        var feed = client.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + site + "/feed"))
                        .build(),
                HttpResponse.BodyHandlers.ofLines());
        assertThat(feed.headers().firstValue("Content-Type").orElse("")).startsWith("text/event-stream");
        var lines = feed.body().iterator();
        var revision = caller.get(site).json().get("revision").asLong();
        assertThat(next(lines)).isEqualTo(revision);
        move(north(1), 300);
        assertThat(next(lines)).isEqualTo(revision + 1);
        done(caller.post(site + "/undo", null));
        assertThat(next(lines)).isEqualTo(revision + 2);
        feed.body().close();
    }

    private static long next(Iterator<String> lines) {
        for (var line = lines.next(); ; line = lines.next()) {
            if (line.startsWith("data:") && !line.equals("data:-1")) {
                return Long.parseLong(line.substring("data:".length()).strip());
            }
        }
    }

    @Test
    void onlyTheConfiguredNamesAndPagesOfItsOwnAreServed() throws Exception {
        assertThat(status("GET", "/api/sites", "Host", "evil.example")).isEqualTo(421);
        assertThat(status("GET", "/api/sites", "Host", "localhost:" + port)).isEqualTo(200);
        assertThat(status("POST", "/api/sites", "Origin", "http://evil.example"))
                .isEqualTo(403);
        assertThat(status("GET", "/api/sites", "Origin", "http://127.0.0.1:1"))
                .as("another page on this machine")
                .isEqualTo(403);
        assertThat(status("POST", "/api/sites", "Origin", "http://127.0.0.1:" + port))
                .isEqualTo(201);
        assertThat(status("POST", "/api/sites", "Accept", "image/tiff"))
                .as("the answer has the type it has")
                .isEqualTo(201);
        assertThat(status("POST", "/api/sites", "Sec-Fetch-Site", "cross-site")).isEqualTo(403);
    }

    /** By a socket: the client of the library does not let its caller say whose host it asks for. */
    private int status(String method, String path, String header, String value) throws IOException {
        try (var socket = new Socket("127.0.0.1", port)) {
            var body = method.equals("POST") ? "{\"name\":\"Door\"}" : "";
            var host = header.equals("Host") ? "" : "Host: 127.0.0.1:" + port + "\r\n";
            socket.getOutputStream()
                    .write((method + " " + path + " HTTP/1.1\r\n" + host + header + ": " + value
                                    + "\r\nContent-Type: application/json\r\nContent-Length: " + body.length()
                                    + "\r\nConnection: close\r\n\r\n" + body)
                            .getBytes(StandardCharsets.US_ASCII));
            var answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return Integer.parseInt(answer.split(" ")[1]);
        }
    }

    @Test
    void aCopiedSiteKeepsWhatHandsChangedAtPlacesOfItsOwn() {
        move(north(1), 300);
        done(caller.post(site + "/placements/removals", "{\"ids\":[\"" + north(2) + "\"]}"));
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        var theirs = caller.get(copy + "/departures").json();
        assertThat(theirs.size()).isEqualTo(2);
        assertThat(theirs.valueStream().noneMatch(d -> d.get("lost").asBoolean()))
                .isTrue();
        assertThat(caller.get(copy + "/placements").json().size()).isEqualTo(41);
        assertThat(caller.get(copy + "/tally").json())
                .isEqualTo(caller.get(site + "/tally").json());
    }

    /** A plan that nobody waits for any more is called off, and its desk is free again. */
    @Test
    void aPlanIsCalledOffInTheServerToo() throws Exception {
        var runs = new StringBuilder();
        for (var i = 0; i < 300; i++) {
            runs.append(i == 0 ? "" : ",")
                    .append("{\"name\":\"r")
                    .append(i)
                    .append("\",\"lengthMm\":")
                    .append(3000 + i * 37)
                    .append("}");
        }
        var question = "{\"stepMm\":1,\"minPieceMm\":150,\"maxPieceMm\":9000,\"maxKinds\":8,\"runs\":[" + runs + "]}";
        var hand = Executors.newSingleThreadExecutor();
        try {
            var answer = hand.submit(() -> caller.post("/api/kit-plans?token=mine", question));
            while (!jobs.isUnderWay("mine") && !answer.isDone()) {
                Thread.sleep(20);
            }
            assertThat(caller.call("DELETE", "/api/kit-plans/mine", null, null).status())
                    .isEqualTo(204);
            var told = answer.get(5, TimeUnit.MINUTES);
            assertThat(told.status()).as(told.text()).isEqualTo(400);
            assertThat(told.text()).contains("called off");
            assertThat(jobs.isUnderWay("mine")).isFalse();
        } finally {
            hand.shutdownNow();
        }
    }

    @Test
    void aRefusedProposalStaysRefusedAndAStampMeasuresNothingOfItsOwn() {
        var picture = caller.upload(
                        site + "/board/pictures?name=wall",
                        "image/png",
                        HttpRequest.BodyPublishers.ofByteArray(Pictures.file(Pictures.flag(1000, 800), "png")))
                .json()
                .get("id")
                .asLong();
        var plane = made(caller.post(
                        site + "/planes",
                        "{\"pictureId\":" + picture
                                + ",\"name\":\"p\",\"calibration\":{\"kind\":\"FLAT\",\"points\":[0,0,1000,0],\"widthMm\":5000}}"))
                .get("id")
                .asLong();
        var tag = made(caller.post(site + "/tags", "{\"name\":\"niche\",\"role\":\"PROP\"}"))
                .get("id")
                .asLong();
        var mark = made(caller.post(
                        site + "/marks",
                        "{\"pictureId\":" + picture + ",\"planeId\":" + plane + ",\"tagId\":" + tag
                                + ",\"kind\":\"RECTANGLE\",\"points\":[100,100,220,300]}"))
                .get("id")
                .asLong();
        var deviation = caller.get(site + "/proposals")
                .json()
                .get(0)
                .get("width")
                .get("deviation")
                .asDouble();
        for (var x : List.of(400, 600, 800)) {
            made(caller.post(site + "/marks/" + mark + "/again", "{\"x\":" + x + ",\"y\":300}"));
        }
        var proposal = caller.get(site + "/proposals").json().get(0);
        assertThat(proposal.get("seen").asInt()).isEqualTo(4);
        assertThat(proposal.get("width").get("deviation").asDouble())
                .as("copies are no surer than their original")
                .isEqualTo(deviation);
        done(caller.post(site + "/proposals/declined", "{\"tagIds\":[" + tag + "]}"));
        assertThat(caller.get(site + "/proposals").json().isEmpty()).isTrue();
        done(caller.post(site + "/undo", null));
        assertThat(caller.get(site + "/proposals").json().size()).isEqualTo(1);
        assertThat(caller.post(
                                site + "/marks",
                                "{\"pictureId\":" + picture + ",\"tagId\":" + tag
                                        + ",\"kind\":\"RECTANGLE\",\"points\":[100,100,220,100]}")
                        .text())
                .contains("width and a height");
    }

    @Test
    void theMetricsAndTheHealthOfItsPartsAreTold() {
        assertThat(caller.get("/actuator/health").json().get("status").asString())
                .isEqualTo("UP");
        assertThat(caller.get("/actuator/health/readiness").json().get("status").asString())
                .isEqualTo("UP");
        assertThat(caller.get("/actuator/metrics/http.server.requests")
                        .json()
                        .get("measurements")
                        .isEmpty())
                .isFalse();
    }

    @Test
    void theStartPagesPictureShowsThePlan() {
        var picture = caller.get(site + "/plan.svg");
        assertThat(picture.type()).startsWith("image/svg+xml");
        assertThat(picture.text()).startsWith("<svg").contains("<rect");
    }

    @Test
    void zipAndBillHoldWhatStandsAndTheRestOnlyWhenAskedFor() {
        var plain = caller.get(site + "/handover/pieces.zip").bytes().length;
        assertThat(caller.get(site + "/handover/pieces.zip?unused=true").bytes().length)
                .isGreaterThan(plain);
        assertThat(caller.get(site + "/handover/pieces.csv").text())
                .contains("WAL-1000")
                .doesNotContain("PRP-BENCH");
    }
}
