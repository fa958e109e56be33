package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** A piece of wall gets another size, and the runs it no longer fits are worked out again. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class ResizeTest {

    @LocalServerPort
    int port;

    private Caller caller;
    private String site;

    /** One room of 4 × 4 m from pieces of 2 m. */
    @BeforeEach
    void build() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Resized\"}")
                        .json()
                        .get("id")
                        .asLong();
        caller.post(
                site + "/rooms",
                "{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":4000,\"depthMm\":4000,\"heightMm\":3000}");
        var built =
                caller.call("PUT", site + "/kit", "{\"kindsMm\":[2000],\"minPieceMm\":200,\"maxPieceMm\":4000}", null);
        assertThat(built.status()).as(built.text()).isEqualTo(200);
    }

    private JsonNode piece(String role) {
        return caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p ->
                        p.get("role").asString().equals(role) && p.get("count").asInt() > 0)
                .findFirst()
                .orElseThrow();
    }

    private Caller.Answer resize(String role, int length, int height) {
        return caller.post(
                site + "/pieces/" + piece(role).get("id").asLong() + "/resized",
                "{\"lengthMm\":" + length + ",\"heightMm\":" + height + "}");
    }

    private Set<Double> wallLengths() {
        return caller.get(site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("role").asString().equals("WALL")
                        && p.get("count").asInt() > 0)
                .map(p -> p.get("sizeMm").get("x").asDouble())
                .collect(Collectors.toSet());
    }

    /** By hand: 1.5 m needs 2.5 m beside it on all four walls; eight pieces as before, of two kinds in place of one. */
    @Test
    void whatIsToldIsWhatStands() {
        var answer = resize("WALL", 1_500, 3_000);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        var told = answer.json();
        assertThat(told.get("unfit").size()).isEqualTo(4);
        assertThat(told.get("unfit").get(0).get("lengthMm").asDouble()).isEqualTo(4_000);
        assertThat(told.get("added").size()).isEqualTo(1);
        assertThat(told.get("added").get(0).get("lengthMm").asDouble()).isEqualTo(2_500);
        assertThat(told.get("kinds").asInt()).isEqualTo(told.get("kindsNow").asInt() + 1);
        assertThat(told.get("placements").asInt())
                .isEqualTo(told.get("placementsNow").asInt());
        assertThat(wallLengths()).as("nothing is changed by asking").containsExactly(2_000.0);
        var taken = caller.call(
                "PUT", site + "/kit", "{\"option\":\"" + told.get("option").asString() + "\"}", null);
        assertThat(taken.status()).as(taken.text()).isEqualTo(200);
        assertThat(wallLengths()).containsExactlyInAnyOrder(1_500.0, 2_500.0);
        assertThat(caller.get(site + "/survey").json().get("faults").asInt()).isZero();
        caller.post(site + "/undo", null);
        assertThat(wallLengths()).containsExactly(2_000.0);
    }

    @Test
    void whatHasNoSizeOfItsOwnIsRefusedByItsField() {
        for (var answer : Set.of(resize("POST", 300, 3_000), resize("FLOOR", 500, 3_000))) {
            assertThat(answer.status()).isEqualTo(400);
            assertThat(answer.json().get("errors").get(0).get("field").asString())
                    .isEqualTo("pieceId");
        }
        var high = resize("WALL", 2_000, 3_200);
        assertThat(high.status()).isEqualTo(400);
        assertThat(high.json().get("errors").get(0).get("field").asString()).isEqualTo("heightMm");
        assertThat(high.text()).contains("Massing");
        assertThat(resize("WALL", 2_050, 3_000)
                        .json()
                        .get("errors")
                        .get(0)
                        .get("field")
                        .asString())
                .isEqualTo("lengthMm");
    }
}
