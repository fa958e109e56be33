package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Base64;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** What has changed, told with an edit's own answer. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class NewsTest {

    @LocalServerPort
    int port;

    private BuiltRoom built;

    @BeforeEach
    void build() {
        built = new BuiltRoom(port, "News");
    }

    private String lampAt(int x) {
        return "{\"pieceId\":" + built.piece("PRP-LAMP") + ",\"atMm\":{\"x\":" + x + ",\"y\":1000,\"z\":0}}";
    }

    private long revision() {
        return built.caller.get(built.site).json().get("revision").asLong();
    }

    private JsonNode get(String path) {
        return built.caller.get(built.site + path).json();
    }

    @Test
    void anEditsAnswerTellsWhatItChanged() {
        var before = revision();
        var answer = built.caller.since("POST", built.site + "/placements", lampAt(1000), "" + before);
        assertThat(answer.status()).isEqualTo(201);
        assertThat(answer.json().get("made").get("atMm").get("x").asInt()).isEqualTo(1000);
        var news = answer.json().get("news");
        assertThat(news).isEqualTo(get("/news?since=" + before));
        assertThat(news.get("site").get("revision").asLong()).isEqualTo(before + 1);
        var chunk = news.get("chunks").get(0);
        assertThat(Base64.getDecoder().decode(chunk.get("columns").asString()))
                .isEqualTo(built.caller
                        .get(built.site + "/chunks/" + chunk.get("digest").asString())
                        .bytes());
        assertThat(news.get("pieces")).isEqualTo(get("/pieces"));
        var set = news.get("set");
        for (var part : List.of("massing", "repeats", "assemblies", "twins", "selections", "dresses")) {
            assertThat(set.get(part)).as(part).isEqualTo(get("/" + part));
        }
    }

    /** What has no answer of its own, because there is none, or because it was made before, is answered with the news alone. */
    @Test
    void anEditWithoutAnAnswerTellsTheNewsAlone() {
        var lamp = built.place("PRP-LAMP", 1000, 1000);
        var before = revision();
        var answer = built.caller.since(
                "POST",
                built.site + "/placements/removals",
                "{\"ids\":" + BuiltRoom.ids(List.of(lamp)) + "}",
                "" + before);
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json().get("made").isNull()).isTrue();
        assertThat(answer.json().get("news").get("site").get("revision").asLong())
                .isEqualTo(before + 1);
    }

    @Test
    void whatIsRefusedIsAnsweredAsEver() {
        var refused = built.caller.since("POST", built.site + "/placements", "{\"pieceId\":0}", "" + revision());
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.type()).startsWith("application/problem+json");
        assertThat(refused.json().get("errors").get(0).get("field").asString()).isEqualTo("atMm");
    }

    /** A revision that cannot be read is refused before anything is made; one that is not there yet costs the news alone. */
    @Test
    void aRevisionThatIsNoneLosesNoEdit() {
        var before = revision();
        var bad = built.caller.since("POST", built.site + "/placements", lampAt(1000), "twelve");
        assertThat(bad.status()).isEqualTo(400);
        assertThat(bad.json().get("errors").get(0).get("field").asString()).isEqualTo("Hausbau-Since");
        assertThat(revision()).isEqualTo(before);
        var early = built.caller.since("POST", built.site + "/placements", lampAt(1000), "" + (before + 99));
        assertThat(early.status()).isEqualTo(201);
        assertThat(early.json().get("atMm").get("x").asInt()).isEqualTo(1000);
        assertThat(revision()).isEqualTo(before + 1);
    }

    /** The account is what its four parts answer alone. */
    @Test
    void theAccountIsTallySurveyAndDepartures() {
        built.place("PRP-LAMP", 1000, 1000);
        var account = get("/account");
        assertThat(account.get("tally")).isEqualTo(get("/tally"));
        assertThat(account.get("survey")).isEqualTo(get("/survey"));
        assertThat(account.get("cards")).isEqualTo(get("/survey/cards"));
        assertThat(account.get("departures")).isEqualTo(get("/departures"));
    }
}
