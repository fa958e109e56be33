package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** A site goes over to another step, and back. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class PlanningStepTest {

    private static final String RULES = "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":3}";

    @LocalServerPort
    int port;

    private Caller caller;
    private String site;

    /** Two rooms of 6.1 and 3.5 m with a wall between them, a room above one of them on a level of its own, a door and a pier. */
    @BeforeEach
    void build() {
        caller = new Caller(port);
        site = "/api/sites/" + id(caller.post("/api/sites", "{\"name\":\"Steps\"}"));
        var hall = id(room("Hall", 0, "null"));
        room("Yard", 6_300, "null");
        var level = id(caller.post(site + "/levels", "{\"name\":\"Upper\",\"floorMm\":3200,\"storeyMm\":3200}"));
        room("Loft", 0, String.valueOf(level));
        id(caller.post(site + "/rooms/" + hall + "/openings/usual", "{\"kind\":\"DOOR\"}"));
        id(caller.post(site + "/rooms/" + hall + "/openings/usual", "{\"kind\":\"WINDOW\"}"));
    }

    private Caller.Answer room(String name, int x, String level) {
        var z = level.equals("null") ? 0 : 3_200;
        return caller.post(
                site + "/rooms",
                "{\"name\":\"" + name + "\",\"cornerMm\":{\"x\":" + x + ",\"y\":0,\"z\":" + z + "},\"widthMm\":"
                        + (x == 0 ? 6_100 : 3_500) + ",\"depthMm\":4700,\"heightMm\":3000"
                        + (level.equals("null") ? "" : ",\"levelId\":" + level) + "}");
    }

    private static long id(Caller.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("id").asLong();
    }

    private JsonNode trials(String steps) {
        var answer = caller.post(
                site + "/step-trials", "{\"rules\":" + RULES + (steps.isEmpty() ? "" : ",\"stepsMm\":" + steps) + "}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private Caller.Answer take(JsonNode trial) {
        return caller.call(
                "PUT",
                site + "/step",
                "{\"stepMm\":" + trial.get("stepMm") + ",\"option\":\""
                        + trial.get("kit").get("option").asString() + "\"}",
                null);
    }

    /** All of the site that an edit could have touched, in words. */
    private Map<String, String> state() {
        return List.of("/massing", "/placements", "/pieces", "/survey").stream()
                .collect(Collectors.toMap(
                        v -> v, v -> caller.get(site + v).text().replaceAll("\"revision\":\\d+", "")));
    }

    @Test
    void theUsualStepsAreComparedWithTheSitesOwn() {
        var trials = trials("");
        assertThat(trials.size()).isGreaterThan(6);
        var own = trials.valueStream()
                .filter(t -> t.get("stepMm").asDouble() == 100)
                .findFirst()
                .orElseThrow();
        assertThat(own.get("edges").asInt()).isZero();
        assertThat(own.get("moved").size()).isZero();
        assertThat(trials.valueStream().filter(t -> !t.get("kit").isNull()).count())
                .isGreaterThan(3);
    }

    @Test
    void aStepIsTakenAsItWasTriedAndTakenBackInOne() {
        var option = caller.post(site + "/kit-plans", RULES)
                .json()
                .get("options")
                .get(0)
                .get("id")
                .asString();
        assertThat(caller.call("PUT", site + "/kit", "{\"option\":\"" + option + "\"}", null)
                        .status())
                .isEqualTo(200);
        var before = state();
        for (var step : List.of("[300]", "[304.8]", "[250.4]")) {
            var trial = trials(step).get(0);
            var taken = take(trial);
            assertThat(taken.status()).as(taken.text()).isEqualTo(204);
            var um = Math.round(trial.get("stepMm").asDouble() * 1000);
            var kinds = new HashSet<Long>();
            var placements = caller.get(site + "/placements").json();
            placements.forEach(p -> kinds.add(p.get("pieceId").asLong()));
            assertThat(kinds).hasSize(trial.get("kit").get("kinds").asInt());
            assertThat(placements.size())
                    .isEqualTo(trial.get("kit").get("placements").asInt());
            assertThat(caller.get(site + "/survey").json().get("faults").asInt())
                    .isZero();
            for (var room : caller.get(site + "/massing").json().get("rooms")) {
                assertThat(Math.round(room.get("widthMm").asDouble() * 1000) % um)
                        .isZero();
                assertThat(Math.round(room.get("heightMm").asDouble() * 1000) % um)
                        .isZero();
                assertThat(Math.round(room.get("cornerMm").get("z").asDouble() * 1000) % um)
                        .isZero();
            }
            assertThat(caller.get(site).json().get("undo").asString()).startsWith("Step of ");
            assertThat(caller.post(site + "/undo", null).status()).isEqualTo(200);
            assertThat(state()).as("after %s", step).isEqualTo(before);
        }
    }

    @Test
    void whatCannotBeTakenIsRefusedAndNothingHappens() {
        var before = state();
        var trial = trials("[300]").get(0);
        var bad = caller.call(
                "PUT",
                site + "/step",
                "{\"stepMm\":400,\"option\":\"" + trial.get("kit").get("option").asString() + "\"}",
                null);
        assertThat(bad.status()).as("a kit of 300 mm on a step of 400").isEqualTo(400);
        assertThat(bad.json().get("errors").size()).isPositive();
        for (var step : List.of("0", "-100", "0.5", "200000000")) {
            var refused = caller.call("PUT", site + "/step", "{\"stepMm\":" + step + ",\"option\":\"x\"}", null);
            assertThat(refused.status()).as(step).isEqualTo(400);
        }
        assertThat(caller.post(
                                site + "/step-trials",
                                "{\"rules\":" + RULES
                                        + ",\"stepsMm\":[1,2,3,4,5,6,7,8,9,10,11,12,13,14,15,16,17,18,19,20,21]}")
                        .status())
                .isEqualTo(400);
        assertThat(state()).isEqualTo(before);
    }
}
