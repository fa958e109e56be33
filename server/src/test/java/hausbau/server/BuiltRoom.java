package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collection;
import java.util.List;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/** A site with a room of 5 × 4 m, built from pieces of a metre, over HTTP. */
final class BuiltRoom {

    final Caller caller;
    final String site;
    final long room;

    BuiltRoom(int port, String name) {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"" + name + "\"}")
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
    }

    long id() {
        return Long.parseLong(site.substring(site.lastIndexOf('/') + 1));
    }

    JsonNode made(String path, String body) {
        var answer = caller.post(site + path, body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    /** Does what answers nothing. */
    void done(String path, String body) {
        var answer = caller.post(site + path, body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
    }

    /** @return the fields that are told at fault */
    List<String> refused(String method, String path, String body) {
        var answer = caller.call(method, site + path, body, null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        return answer.json()
                .get("errors")
                .valueStream()
                .map(f -> f.get("field").asString())
                .toList();
    }

    long piece(String code) {
        return caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
    }

    String place(String code, int x, int y) {
        return made(
                        "/placements",
                        "{\"pieceId\":" + piece(code) + ",\"atMm\":{\"x\":" + x + ",\"y\":" + y
                                + ",\"z\":0},\"snap\":false}")
                .get("id")
                .asString();
    }

    static Stream<JsonNode> placements(Caller caller, String site, String origin) {
        return caller.get(site + "/placements").json().valueStream().filter(p -> p.get("origin")
                .asString()
                .equals(origin));
    }

    Stream<JsonNode> placements(String origin) {
        return placements(caller, site, origin);
    }

    JsonNode placement(String id) {
        return caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    static String ids(Collection<String> ids) {
        return "[\"" + String.join("\",\"", ids) + "\"]";
    }
}
