package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Undo and redo where several have a site open: each takes back what they did themselves. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class StepsTest {

    @LocalServerPort
    int port;

    private BuiltRoom site;
    private final HttpClient client = HttpClient.newHttpClient();

    @BeforeEach
    void aSite() {
        site = new BuiltRoom(port, "Steps");
    }

    private record Answer(int status, JsonNode json) {}

    private Answer call(String maker, String method, String path, String body, String ifMatch) {
        var request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + site.site + path))
                .header("Content-Type", "application/json")
                .method(
                        method,
                        body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        if (!maker.isEmpty()) {
            request.header("Hausbau-Maker", maker);
        }
        if (ifMatch != null) {
            request.header("If-Match", "\"" + ifMatch + "\"");
        }
        try {
            var answer = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
            return new Answer(
                    answer.statusCode(),
                    answer.body().isEmpty() ? null : JsonMapper.shared().readTree(answer.body()));
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private JsonNode room(String maker, String name, int x) {
        var answer = call(
                maker,
                "POST",
                "/rooms",
                "{\"name\":\"" + name + "\",\"cornerMm\":{\"x\":" + x
                        + ",\"y\":0,\"z\":0},\"widthMm\":2000,\"depthMm\":2000}",
                null);
        assertThat(answer.status()).as(String.valueOf(answer.json())).isEqualTo(201);
        return answer.json();
    }

    private void rename(String maker, JsonNode room, String name) {
        assertThat(call(maker, "PATCH", "/rooms/" + room.get("id"), "{\"name\":\"" + name + "\"}", null)
                        .status())
                .isEqualTo(200);
    }

    private String names() {
        return String.join(
                ",",
                call("", "GET", "/massing", null, null)
                        .json()
                        .get("rooms")
                        .valueStream()
                        .map(r -> r.get("name").asString())
                        .toList());
    }

    private JsonNode as(String maker) {
        return call(maker, "GET", "", null, null).json();
    }

    @Test
    void eachTakesBackTheirOwnLastStep() {
        room("ann", "of Ann", 20_000);
        room("bob", "of Bob", 30_000);
        assertThat(as("ann").get("undo").asString()).contains("of Ann");
        assertThat(as("ann").get("others").asString()).contains("of Bob");
        assertThat(as("bob").get("others").asString()).isEmpty();
        assertThat(call("ann", "POST", "/undo", null, null).status()).isEqualTo(200);
        assertThat(names()).isEqualTo("Room,of Bob");
        assertThat(call("ann", "POST", "/undo", null, null).status())
                .as("the rest is not Ann's")
                .isEqualTo(204);
        assertThat(call("ann", "POST", "/redo", null, null).status()).isEqualTo(200);
        assertThat(names()).contains("of Ann", "of Bob");
        assertThat(call("bob", "POST", "/undo", null, null).status()).isEqualTo(200);
        assertThat(names()).isEqualTo("Room,of Ann");
    }

    @Test
    void anothersStepIsTakenBackOnlyWhenAsked() {
        room("bob", "of Bob", 30_000);
        var answer = call("ann", "POST", "/undo?anyones=true", null, null);
        assertThat(answer.status()).isEqualTo(200);
        assertThat(names()).isEqualTo("Room");
        // It is Bob's still, to be done again.
        assertThat(call("ann", "POST", "/redo", null, null).status()).isEqualTo(204);
        assertThat(call("bob", "POST", "/redo", null, null).status()).isEqualTo(200);
        assertThat(names()).contains("of Bob");
    }

    @Test
    void aStepThatAnotherBuiltOnStaysWithTheReason() {
        var room = room("ann", "of Ann", 20_000);
        rename("bob", room, "of both");
        var answer = call("ann", "POST", "/undo", null, null);
        assertThat(answer.status()).isEqualTo(412);
        assertThat(answer.json().get("detail").asString()).contains("cannot be taken back", "changed since by");
        assertThat(names()).contains("of both");
        // Bob takes his back: then Ann may hers.
        assertThat(call("bob", "POST", "/undo", null, null).status()).isEqualTo(200);
        assertThat(call("ann", "POST", "/undo", null, null).status()).isEqualTo(200);
        assertThat(names()).isEqualTo("Room");
    }

    /** An opening that another cut into a room would be gone with it. */
    @Test
    void whatAnotherMadeInItIsNotLost() {
        var room = room("ann", "of Ann", 20_000);
        var opening = call(
                "bob",
                "POST",
                "/rooms/" + room.get("id") + "/openings",
                "{\"kind\":\"DOOR\",\"side\":\"NORTH\",\"atMm\":500,\"widthMm\":900,\"heightMm\":2100,\"sillMm\":0}",
                null);
        assertThat(opening.status()).as(String.valueOf(opening.json())).isEqualTo(201);
        var answer = call("ann", "POST", "/undo", null, null);
        assertThat(answer.status()).isEqualTo(412);
        assertThat(answer.json().get("detail").asString()).contains("an opening made since");
        assertThat(names()).contains("of Ann");
    }

    /** The fault that undo had: a removal that somebody made since was taken back with it. */
    @Test
    void anUndoOfWhatAnotherRemovedSinceIsRefused() {
        var room = room("", "of nobody", 20_000);
        rename("ann", room, "of Ann");
        assertThat(call("bob", "DELETE", "/rooms/" + room.get("id"), null, null).status())
                .isEqualTo(204);
        assertThat(call("ann", "POST", "/undo", null, null).status()).isEqualTo(412);
        assertThat(names()).isEqualTo("Room");
    }

    @Test
    void whatAnotherChangedSinceIsNotDoneAgain() {
        var room = room("", "of nobody", 20_000);
        rename("ann", room, "of Ann");
        assertThat(call("ann", "POST", "/undo", null, null).status()).isEqualTo(200);
        rename("bob", room, "of Bob");
        var answer = call("ann", "POST", "/redo", null, null);
        assertThat(answer.status()).isEqualTo(412);
        assertThat(answer.json().get("detail").asString()).contains("cannot be done again");
        assertThat(names()).contains("of Bob");
    }

    /** A browser sends edits one after the other, all against what its person saw. */
    @Test
    void onesOwnEarlierEditIsNoReasonToRefuseAnother() {
        var room = room("ann", "first", 20_000);
        var seen = as("ann").get("revision").asString();
        assertThat(call("ann", "PATCH", "/rooms/" + room.get("id"), "{\"name\":\"second\"}", seen)
                        .status())
                .isEqualTo(200);
        assertThat(call("ann", "PATCH", "/rooms/" + room.get("id"), "{\"name\":\"third\"}", seen)
                        .status())
                .isEqualTo(200);
        assertThat(call("bob", "PATCH", "/rooms/" + room.get("id"), "{\"name\":\"fourth\"}", seen)
                        .status())
                .isEqualTo(412);
        assertThat(names()).contains("third");
    }

    @Test
    void anUndoAgainstWhatWasSeenIsRefusedWhereThatIsOld() {
        var room = room("ann", "of Ann", 20_000);
        var seen = as("ann").get("revision").asString();
        rename("bob", room, "of Bob");
        assertThat(call("ann", "POST", "/undo", null, seen).status()).isEqualTo(412);
        assertThat(call("bob", "POST", "/undo", null, seen).status())
                .as("Bob has seen his own")
                .isEqualTo(200);
    }

    @Test
    void anEditForgetsWhatItsMakerHadUndoneAndNobodyElses() {
        room("ann", "of Ann", 20_000);
        room("bob", "of Bob", 30_000);
        call("ann", "POST", "/undo", null, null);
        call("bob", "POST", "/undo", null, null);
        room("ann", "other", 40_000);
        assertThat(call("ann", "POST", "/redo", null, null).status()).isEqualTo(204);
        assertThat(call("bob", "POST", "/redo", null, null).status()).isEqualTo(200);
        assertThat(names().split(",")).containsExactlyInAnyOrder("Room", "of Bob", "other");
    }
}
