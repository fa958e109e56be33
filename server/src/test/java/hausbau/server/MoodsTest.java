package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Settings of light, over HTTP. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class MoodsTest {

    @LocalServerPort
    int port;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Moods");
    }

    private JsonNode all() {
        return in.caller.get(in.site + "/moods").json();
    }

    private List<String> names() {
        return all().valueStream().map(m -> m.get("name").asString()).toList();
    }

    private JsonNode used() {
        return all().valueStream()
                .filter(m -> m.get("used").asBoolean())
                .findFirst()
                .orElseThrow();
    }

    private Caller.Answer change(long id, String told) {
        return in.caller.call("PATCH", in.site + "/moods/" + id, told, null);
    }

    private int use(long id) {
        return in.caller
                .call("PUT", in.site + "/mood", "{\"moodId\":" + id + "}", null)
                .status();
    }

    @Test
    void aSiteBeginsWithAFewInEvenLight() {
        assertThat(names())
                .containsExactly(
                        "even", "clear morning", "overcast", "low and warm", "night with lamps", "three lights");
        assertThat(used().get("light").get("even").asBoolean()).isTrue();
        assertThat(all().get(1).get("light").get("dome").size()).isEqualTo(48 * 16 * 3);
    }

    /** The numbers of those that a site comes with name them also after they have become its own: what is asked for fast finds them. */
    @Test
    void oneIsSeenByAndChangedAndAllOfItIsTakenBack() {
        assertThat(use(-2)).isEqualTo(204);
        assertThat(use(-4)).isEqualTo(204);
        assertThat(used().get("name").asString()).isEqualTo("low and warm");
        var id = used().get("id").asLong();
        assertThat(id).isPositive();
        assertThat(change(id, "{\"words\":{\"ev\":11.5}}").status()).isEqualTo(200);
        assertThat(used().get("words").get("ev").asDouble()).isEqualTo(11.5);
        assertThat(used().get("words").get("kelvin").asDouble())
                .as("what was not told stays")
                .isEqualTo(3000);
        // 2 to the power of 11.5, times 12.5 / 100 (ISO 2720).
        assertThat(used().get("light").get("middle").asDouble()).isEqualTo(Math.pow(2, 11.5) * 0.125);
        in.caller.post(in.site + "/undo", null);
        assertThat(used().get("words").get("ev").asDouble()).isEqualTo(13);
        in.caller.post(in.site + "/undo", null);
        assertThat(used().get("name").asString()).isEqualTo("clear morning");
        in.caller.post(in.site + "/undo", null);
        assertThat(used().get("id").asLong()).as("as it came").isEqualTo(-1);
        in.caller.post(in.site + "/redo", null);
        assertThat(used().get("name").asString()).isEqualTo("clear morning");
    }

    @Test
    void aCopyIsPutToUseNamedChangedByItselfAndTakenAwayAgain() {
        use(-2);
        var copy = in.made("/moods", "{}").get("id").asLong();
        assertThat(used().get("id").asLong()).isEqualTo(copy);
        assertThat(used().get("name").asString()).isEqualTo("clear morning 2");
        change(copy, "{\"name\":\"evening\",\"words\":{\"hour\":19}}");
        assertThat(names())
                .containsExactly(
                        "even",
                        "clear morning",
                        "overcast",
                        "low and warm",
                        "night with lamps",
                        "three lights",
                        "evening");
        assertThat(all().get(1).get("words").get("hour").asDouble()).isEqualTo(10);
        assertThat(used().get("light")
                        .get("beams")
                        .get(0)
                        .get("toward")
                        .get("x")
                        .asDouble())
                .as("in the evening the sun stands in the west")
                .isNegative();
        assertThat(in.caller
                        .call("DELETE", in.site + "/moods/" + copy, null, null)
                        .status())
                .isEqualTo(204);
        assertThat(used().get("name").asString()).isEqualTo("even");
    }

    @Test
    void theOnlyOneStays() {
        use(-1);
        for (var id : all().valueStream().skip(1).map(m -> m.get("id").asLong()).toList()) {
            in.caller.call("DELETE", in.site + "/moods/" + id, null, null);
        }
        var last =
                in.caller.call("DELETE", in.site + "/moods/" + used().get("id").asLong(), null, null);
        assertThat(last.status()).isEqualTo(400);
        assertThat(last.text()).contains("the only mood");
        assertThat(names()).containsExactly("even");
    }

    @Test
    void aPreviewChangesNothing() {
        var before = all();
        var tried = in.caller.call("POST", in.site + "/moods/-2/preview", "{\"hour\":16,\"ev\":10}", null);
        assertThat(tried.status()).isEqualTo(200);
        assertThat(tried.json().get("middle").asDouble()).isEqualTo(128);
        assertThat(all()).isEqualTo(before);
    }

    @Test
    void whatIsOutOfRangeIsRefusedByItsNameAndNothingIsHalfDone() {
        var before = all();
        var refused = change(-2, "{\"words\":{\"ev\":99,\"kelvin\":3,\"air\":\"fog\",\"skyLux\":-1}}");
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.json().get("errors").valueStream().map(f -> f.get("field")
                        .asString()))
                .containsExactlyInAnyOrder("skyLux", "kelvin", "air", "ev");
        assertThat(change(-2, "{\"name\":\"  \"}").status()).isEqualTo(400);
        assertThat(use(-99)).isEqualTo(404);
        assertThat(all()).isEqualTo(before);
    }

    @Test
    void aCopyOfASiteHasItsMoods() {
        use(-5);
        var copy = in.caller
                .post(in.site + "/copies", "{\"name\":\"Copied\"}")
                .json()
                .get("id")
                .asLong();
        var moods = in.caller.get("/api/sites/" + copy + "/moods").json();
        assertThat(moods.valueStream().filter(m -> m.get("used").asBoolean()).map(m -> m.get("name")
                        .asString()))
                .containsExactly("night with lamps");
    }
}
