package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.persistence.EntityManagerFactory;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;

/** How many SQL statements each kind of call prepares: as many in a large site as in a small one. */
@Isolated("the counter is the whole server's")
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class StatementsTest {

    private static final Set<String> HEAVY = Set.of("resize a room", "undo", "redo", "copy a level");

    @LocalServerPort
    int port;

    @Autowired
    EntityManagerFactory entities;

    Statistics statistics;

    @BeforeEach
    void count() {
        statistics = entities.unwrap(SessionFactory.class).getStatistics();
        statistics.setStatisticsEnabled(true);
    }

    private int statements(Runnable call) {
        statistics.clear();
        call.run();
        return (int) statistics.getPrepareStatementCount();
    }

    /** Every call once, in a site of so many rooms, hands and repeats more than the first. */
    private Map<String, Integer> callsAmong(int more) {
        var built = new BuiltRoom(port, "Statements " + more);
        var lamp = built.piece("PRP-LAMP");
        for (var i = 1; i <= more; i++) {
            var room = built.made(
                            "/rooms",
                            "{\"name\":\"R" + i + "\",\"cornerMm\":{\"x\":" + 8000 * i
                                    + ",\"y\":0,\"z\":0},\"widthMm\":5000,\"depthMm\":4000}")
                    .get("id")
                    .asLong();
            built.made("/rooms/" + room + "/openings/usual", "{\"kind\":\"DOOR\"}");
            built.place("PRP-LAMP", 8000 * i + 1000, 1000);
            built.made("/repeats", course(lamp, 8000 * i));
        }
        var first = built.place("PRP-LAMP", 1000, 1000);
        var second = built.place("PRP-LAMP", 2000, 1000);
        var ids = BuiltRoom.ids(List.of(first));
        var repeat = built.made("/repeats", course(lamp, 0)).get("id").asLong();
        var counts = new LinkedHashMap<String, Integer>();
        var call = new Object() {
            void of(String name, String method, String path, String body) {
                counts.put(name, statements(() -> {
                    var answer = built.caller.call(method, built.site + path, body, null);
                    assertThat(answer.status()).as(name + " " + answer.text()).isBetween(200, 204);
                }));
            }
        };
        call.of(
                "set down",
                "POST",
                "/placements",
                "{\"pieceId\":" + lamp + ",\"atMm\":{\"x\":3000,\"y\":3000,\"z\":0}}");
        call.of("move", "POST", "/placements/arrange", "{\"ids\":" + ids + ",\"byMm\":{\"x\":100,\"y\":0,\"z\":0}}");
        call.of("type a value", "PATCH", "/placements", "{\"ids\":" + ids + ",\"yMm\":1200}");
        call.of("copy", "POST", "/placements/copies", "{\"ids\":" + ids + ",\"byMm\":{\"x\":0,\"y\":500,\"z\":0}}");
        call.of(
                "swap",
                "POST",
                "/placements/swaps",
                "{\"ids\":" + ids + ",\"pieceId\":" + built.piece("PRP-BENCH") + "}");
        call.of(
                "disorder",
                "POST",
                "/placements/disorder",
                "{\"ids\":" + BuiltRoom.ids(List.of(second)) + ",\"turnDegrees\":5}");
        call.of("dress", "PATCH", "/dresses", "{\"ids\":" + BuiltRoom.ids(List.of(second)) + ",\"wear\":50}");
        call.of("take away", "POST", "/placements/removals", "{\"ids\":" + ids + "}");
        call.of("change a repeat", "PATCH", "/repeats/" + repeat, "{\"rule\":{\"count\":4}}");
        call.of("save an assembly", "POST", "/assemblies", "{\"placementIds\":" + BuiltRoom.ids(List.of(second)) + "}");
        call.of("open a wall", "POST", "/rooms/" + built.room + "/openings/usual", "{\"kind\":\"DOOR\"}");
        call.of("resize a room", "PATCH", "/rooms/" + built.room, "{\"depthMm\":4500}");
        call.of("undo", "POST", "/undo", null);
        call.of("redo", "POST", "/redo", null);
        call.of("copy a level", "POST", "/levels/0/copies", null);
        call.of("sites", "GET", "", null);
        call.of("massing", "GET", "/massing", null);
        call.of("pieces", "GET", "/pieces", null);
        call.of("placements", "GET", "/placements", null);
        call.of("survey", "GET", "/survey", null);
        call.of("tally", "GET", "/tally", null);
        call.of("news", "GET", "/news?since=1", null);
        call.of("account", "GET", "/account", null);
        return counts;
    }

    private static String course(long piece, int x) {
        return "{\"pieceIds\":[" + piece + "],\"rule\":{\"what\":\"COURSE\",\"fromMm\":{\"x\":" + (x + 500)
                + ",\"y\":2000,\"z\":0},\"toMm\":{\"x\":" + (x + 4000)
                + ",\"y\":2000,\"z\":0},\"pace\":\"COUNT\",\"count\":3}}";
    }

    @Test
    void aLargeSiteAsksTheDatabaseNoMoreOftenThanASmallOne() {
        var few = callsAmong(1);
        var many = callsAmong(9);
        assertThat(many).isEqualTo(few);
        // Hand edits are a row or two; what moves walls asks for what hangs on them too.
        assertThat(few)
                .allSatisfy((call, statements) ->
                        assertThat(statements).as(call).isLessThanOrEqualTo(HEAVY.contains(call) ? 17 : 7));
    }
}
