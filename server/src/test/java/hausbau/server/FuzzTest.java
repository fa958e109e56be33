package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every call of the API's own description with odd values in every leaf of its body and its path: no answer of 500 and
 * above, nothing half-made, every accepted edit undone to exactly the state before, every view readable after.
 *
 * <p>{@code -Dfuzz.cases=N} tries N odd values a leaf in place of a few; {@code -Dfuzz.seed=N} others.
 */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class FuzzTest {

    private static final int CASES = Integer.getInteger("fuzz.cases", 2);
    private static final long SEED = Long.getLong("fuzz.seed", 1);
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final JsonNodeFactory NODE = JsonNodeFactory.instance;
    private static final List<String> VIEWS = List.of(
            "",
            "/massing",
            "/pieces",
            "/placements",
            "/departures",
            "/survey",
            "/survey/cards",
            "/tally",
            "/board",
            "/piece-list",
            "/brief",
            "/proposals",
            "/handover/pieces.csv");

    @LocalServerPort
    int port;

    private Caller caller;
    private JsonNode description;
    private String site;
    private final Map<String, String> ids = new LinkedHashMap<>();
    private final Random random = new Random(SEED);
    /** The views as they were seen last, if nothing has happened since. */
    private Map<String, String> seen;

    private int accepted;

    /** A site that has one of everything. */
    @BeforeEach
    void aFullSite() {
        caller = new Caller(port);
        description = caller.get("/v3/api-docs").json();
        var id = caller.post("/api/sites", "{\"name\":\"Fuzzed\"}")
                .json()
                .get("id")
                .asString();
        site = "/api/sites/" + id;
        ids.put("siteId", id);
        ids.put(
                "roomId",
                made(
                        "/rooms",
                        "{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":4000,\"depthMm\":3000,\"heightMm\":3000}"));
        ids.put(
                "openingId",
                made(
                        "/rooms/" + ids.get("roomId") + "/openings",
                        "{\"kind\":\"DOOR\",\"side\":\"NORTH\",\"atMm\":1100,\"widthMm\":800,\"heightMm\":2000}"));
        caller.call("PUT", site + "/kit", "{\"kindsMm\":[1000,100],\"minPieceMm\":100,\"maxPieceMm\":4000}", null);
        ids.put(
                "pieceId",
                caller.get(site + "/pieces")
                        .json()
                        .valueStream()
                        .filter(p -> p.get("code").asString().equals("PRP-BENCH"))
                        .findFirst()
                        .orElseThrow()
                        .get("id")
                        .asString());
        ids.put(
                "placement",
                made(
                        "/placements",
                        "{\"pieceId\":" + ids.get("pieceId")
                                + ",\"atMm\":{\"x\":2000,\"y\":1500,\"z\":300},\"snap\":false}"));
        ids.put(
                "pictureId",
                caller.upload(
                                site + "/board/pictures?name=wall",
                                "image/png",
                                BodyPublishers.ofByteArray(Pictures.file(Pictures.flag(400, 300), "png")))
                        .json()
                        .get("id")
                        .asString());
        ids.put(
                "planeId",
                made(
                        "/planes",
                        "{\"pictureId\":" + ids.get("pictureId")
                                + ",\"name\":\"p\",\"calibration\":{\"kind\":\"FLAT\",\"points\":[0,0,100,0],\"widthMm\":1000}}"));
        ids.put("tagId", made("/tags", "{\"name\":\"window\",\"role\":\"WINDOW\"}"));
        ids.put(
                "markId",
                made(
                        "/marks",
                        "{\"pictureId\":" + ids.get("pictureId") + ",\"planeId\":" + ids.get("planeId") + ",\"tagId\":"
                                + ids.get("tagId") + ",\"kind\":\"RECTANGLE\",\"points\":[10,10,60,90]}"));
        ids.put(
                "listedId",
                made("/piece-list", "{\"code\":\"PRP-X\",\"widthMm\":100,\"depthMm\":100,\"heightMm\":100}"));
    }

    private String made(String path, String body) {
        var answer = caller.post(site + path, body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("id").asString();
    }

    @Test
    void noOddValueAnywhereBreaksAnything() {
        var tried = 0;
        for (var path : description.get("paths").properties()) {
            for (var call : path.getValue().properties()) {
                var schema = call.getValue().at("/requestBody/content/application~1json/schema");
                if (!schema.isMissingNode() && !path.getKey().equals("/api/sites")) {
                    tried += tryBody(call.getKey().toUpperCase(), path.getKey(), schema);
                }
            }
        }
        assertThat(tried).as("odd values tried").isGreaterThan(150);
        assertThat(accepted).as("edits that were accepted, and undone").isGreaterThan(40);
    }

    private int tryBody(String method, String path, JsonNode schema) {
        var sample = sample(schema, "", path);
        tryCall(method, filled(path), sample.toString());
        var tried = 0;
        for (var leaf : leaves(sample)) {
            for (var i = 0; i < CASES; i++) {
                var odd = sample.deepCopy();
                put(odd, leaf, oddity(random.nextInt(ODD.size())));
                tryCall(method, filled(path), odd.toString());
                tried++;
            }
        }
        return tried;
    }

    private static final List<String> ODD = List.of(
            "null",
            "-1",
            "0",
            "1",
            "1e9",
            "-1e9",
            "1000000000",
            "999999999.999",
            "0.0005",
            "1e300",
            "\"\"",
            "\"x\"",
            "\"\\u0000\"",
            "[]",
            "{}",
            "true",
            "2147483648",
            "9223372036854775807",
            "\"" + "n".repeat(5000) + "\"",
            "[null]",
            "[1,1]",
            "50",
            "3.5",
            "100000000");

    private static JsonNode oddity(int n) {
        return JSON.readTree(ODD.get(n));
    }

    /** What the description calls valid, from what the site has. */
    private JsonNode sample(JsonNode schema, String name, String path) {
        if (schema.has("$ref")) {
            return sample(
                    description.at("/components/schemas/"
                            + schema.get("$ref").asString().replaceAll(".*/", "")),
                    name,
                    path);
        }
        if (schema.has("enum")) {
            return schema.get("enum").get(0);
        }
        if (ids.containsKey(name)) {
            return NODE.numberNode(Long.parseLong(ids.get(name)));
        }
        return switch (schema.path("type").asString("object")) {
            case "array" -> array(schema, name, path);
            case "number", "integer" -> NODE.numberNode(number(name));
            case "boolean" -> NODE.booleanNode(true);
            case "string" ->
                NODE.stringNode(
                        name.equals("key")
                                ? caller.get(site + "/survey")
                                        .json()
                                        .at("/findings/0/key")
                                        .asString("")
                                : "Odd");
            default -> object(schema, path);
        };
    }

    private static long number(String name) {
        return switch (name) {
            case "quarterTurns", "stage", "priority", "maxKinds", "estimated" -> 1;
            case "x", "y", "z" -> 100;
            default -> 1000;
        };
    }

    private ArrayNode array(JsonNode schema, String name, String path) {
        if (name.equals("ids") || name.equals("without")) {
            var id = path.contains("/placements") || path.contains("/departures")
                    ? NODE.stringNode(ids.get("placement"))
                    : NODE.numberNode(Long.parseLong(ids.get(
                            path.contains("/piece-list")
                                    ? "listedId"
                                    : path.contains("/marks") ? "markId" : "pictureId")));
            return NODE.arrayNode().add(id);
        }
        if (name.equals("points")) {
            return NODE.arrayNode().add(10).add(20).add(110).add(140);
        }
        if (name.equals("tagIds")) {
            return NODE.arrayNode().add(Long.parseLong(ids.get("tagId")));
        }
        if (name.equals("crop")) {
            return NODE.arrayNode().add(0).add(0).add(1).add(1);
        }
        return NODE.arrayNode().add(sample(schema.get("items"), name.equals("items") ? "" : name, path));
    }

    private ObjectNode object(JsonNode schema, String path) {
        var object = NODE.objectNode();
        schema.path("properties")
                .properties()
                .forEach(p -> object.set(
                        p.getKey(),
                        p.getKey().equals("id")
                                ? NODE.numberNode(Long.parseLong(ids.get("pictureId")))
                                : sample(p.getValue(), p.getKey(), path)));
        return object;
    }

    private String filled(String path) {
        var of = path.contains("/planes")
                ? "planeId"
                : path.contains("/tags") ? "tagId" : path.contains("/marks") ? "markId" : "siteId";
        var filled = path.replace("{id}", ids.get(of));
        for (var id : ids.entrySet()) {
            filled = filled.replace("{" + id.getKey() + "}", id.getValue());
        }
        return filled.replaceAll("\\{\\w+}", "1");
    }

    private static List<List<Object>> leaves(JsonNode node) {
        var found = new ArrayList<List<Object>>();
        collect(node, List.of(), found);
        return found;
    }

    private static void collect(JsonNode node, List<Object> at, List<List<Object>> found) {
        if (!at.isEmpty()) {
            found.add(at);
        }
        if (node.isObject()) {
            node.properties().forEach(p -> collect(p.getValue(), with(at, p.getKey()), found));
        } else if (node.isArray()) {
            for (var i = 0; i < node.size(); i++) {
                collect(node.get(i), with(at, i), found);
            }
        }
    }

    private static List<Object> with(List<Object> at, Object step) {
        var all = new ArrayList<>(at);
        all.add(step);
        return all;
    }

    private static void put(JsonNode root, List<Object> at, JsonNode value) {
        var holder = root;
        for (var step : at.subList(0, at.size() - 1)) {
            holder = step instanceof String name ? holder.get(name) : holder.get((int) step);
        }
        if (at.get(at.size() - 1) instanceof String name) {
            ((ObjectNode) holder).set(name, value);
        } else {
            ((ArrayNode) holder).set((int) at.get(at.size() - 1), value);
        }
    }

    private void tryCall(String method, String path, String body) {
        var words = method + " " + path + " " + (body.length() > 400 ? body.substring(0, 400) + "…" : body);
        var before = seen == null ? views() : seen;
        seen = null;
        var answer = caller.call(method, path, body, null);
        assertThat(answer.status()).as("%s: %s", words, answer.text()).isLessThan(500);
        if (answer.status() >= 400) {
            assertThat(answer.type()).as(words).startsWith("application/problem+json");
            assertThat(answer.json().path("detail").asString(""))
                    .as(words)
                    .isNotBlank()
                    .doesNotContain("Exception", "java.");
        }
        var after = views();
        after.forEach(
                (view, text) -> assertThat(text).as("%s after %s", view, words).doesNotStartWith("5"));
        var made = revision(after) - revision(before);
        assertThat(made).as(words).isBetween(0L, 1L);
        if (made == 0) {
            if (!path.endsWith("/brief/spent")) {
                assertThat(after)
                        .as("refused, yet something changed: %s", words)
                        .isEqualTo(before);
            }
            seen = after;
        } else {
            accepted++;
            assertThat(answer.status()).as(words).isLessThan(300);
            var undone = caller.post(site + "/undo", null);
            assertThat(undone.status())
                    .as("undo of %s: %s", words, undone.text())
                    .isEqualTo(200);
            var back = views();
            seen = new LinkedHashMap<>(back);
            back.remove("");
            before.remove("");
            assertThat(back).as("undone: %s", words).isEqualTo(before);
        }
    }

    private static long revision(Map<String, String> views) {
        return Long.parseLong(views.get("").replaceAll("(?s).*?\"revision\":(\\d+).*", "$1"));
    }

    private Map<String, String> views() {
        var views = new LinkedHashMap<String, String>();
        for (var view : VIEWS) {
            var answer = caller.get(site + view);
            // The survey tells the revision it is of.
            views.put(
                    view,
                    answer.status() >= 500
                            ? answer.status() + answer.text()
                            : view.equals("/survey")
                                    ? answer.text().replaceAll("\"revision\":\\d+", "")
                                    : answer.text());
        }
        return views;
    }

    @Test
    void oddPathsQueriesAndMethodsAreToldAsProblems() {
        for (var path : List.of(
                "/api/sites/%00",
                "/api/sites/1%2F2",
                "/api/sites/%ff",
                "/error",
                "/api/lengths?unit=METRE&text=%ff",
                "/api/sites/1/news?since=%ff",
                "/api/sites/9999999999999999999999",
                "/api/sites/-1/placements",
                "/api/sites/" + ids.get("siteId") + "/chunks/..%2f..",
                "/api/sites/" + ids.get("siteId") + "/survey/cards?most=x")) {
            var answer = caller.raw("GET", path, "");
            assertThat(answer.status()).as("%s: %s", path, answer.text()).isBetween(400, 499);
            assertThat(answer.type()).as("%s: %s", path, answer.text()).startsWith("application/problem+json");
        }
        for (var method : List.of("BREW", "TRACE", "PROPFIND")) {
            var answer = caller.raw(method, "/api/sites", "");
            assertThat(answer.status()).as("%s: %s", method, answer.text()).isBetween(400, 501);
            assertThat(answer.text()).as(method).doesNotContain("<html", "<!doctype");
        }
        assertThat(caller.raw("POST", "/api/sites", "Transfer-Encoding: chunked\r\n\r\nZZ\r\n")
                        .text())
                .doesNotContain("<html", "<!doctype", "Exception");
    }

    /** Lengths at the limit that once were answered with 500 or 503. */
    @Test
    void lengthsAtTheLimitAreRefusedWithAWord() {
        var at = "{\"x\":1000000000,\"y\":0,\"z\":0}";
        for (var call : List.of(
                "/api/kit-plans {\"stepMm\":100,\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":2,\"runs\":[{\"name\":\"n\",\"lengthMm\":1000,\"fixed\":[{\"piece\":\"d\",\"atMm\":1000000000,\"lengthMm\":1000000000}]}]}",
                site + "/placements {\"pieceId\":" + ids.get("pieceId") + ",\"atMm\":" + at + "}",
                site + "/placements/preview {\"place\":{\"pieceId\":" + ids.get("pieceId") + ",\"atMm\":" + at + "}}",
                site + "/rooms/drawn {\"name\":\"Far\",\"fromMm\":{\"x\":-1000000000,\"y\":0,\"z\":0},\"toMm\":" + at
                        + "}",
                site + "/rooms/" + ids.get("roomId")
                        + "/openings {\"kind\":\"WINDOW\",\"side\":\"SOUTH\",\"atMm\":1000,\"widthMm\":500,\"heightMm\":1000000000,\"sillMm\":1000000000}",
                site + "/placements/arrange {\"ids\":[\"" + ids.get("placement") + "\"],\"byMm\":" + at + "}",
                site + "/placements/copies {\"ids\":[\"" + ids.get("placement") + "\"],\"byMm\":" + at + "}")) {
            var answer = caller.post(call.substring(0, call.indexOf(' ')), call.substring(call.indexOf(' ') + 1));
            assertThat(answer.status()).as("%s: %s", call, answer.text()).isEqualTo(400);
        }
    }

    /** Ten kilometres of tiles are refused beforehand, not laid for a minute. */
    @Test
    void aRoomOfTenKilometresIsRefusedBeforeItIsLaid() {
        var answer = caller.call(
                "PATCH", site + "/rooms/" + ids.get("roomId"), "{\"widthMm\":10000000,\"depthMm\":10000000}", null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        assertThat(answer.json().get("detail").asString()).contains("200000 placements");
    }
}
