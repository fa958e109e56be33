package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** A skirting along the walls of a room of 5 × 4 m, its corner pieces 200 mm long both ways. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class MouldingTest {

    @LocalServerPort
    int port;

    private BuiltRoom room;
    private long skirting;

    @BeforeEach
    void build() {
        room = new BuiltRoom(port, "Along the walls");
        skirting =
                room.made("/mouldings", "{\"profile\":\"SKIRTING\"}").get("id").asLong();
    }

    private JsonNode moulding(long id) {
        return room.caller
                .get(room.site + "/mouldings")
                .json()
                .valueStream()
                .filter(m -> m.get("id").asLong() == id)
                .findFirst()
                .orElseThrow();
    }

    private List<JsonNode> pieces() {
        return room.caller
                .get(room.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("role").asString().equals("MOULDING")
                        && p.get("count").asInt() > 0)
                .toList();
    }

    private double straight() {
        return pieces().stream()
                .filter(p -> !p.get("code").asString().contains("-IN"))
                .mapToDouble(p ->
                        p.get("sizeMm").get("x").asDouble() * p.get("count").asInt())
                .sum();
    }

    private void change(long id, String body) {
        var answer = room.caller.call("PATCH", room.site + "/mouldings/" + id, body, null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
    }

    private void step(String path) {
        assertThat(room.caller.post(room.site + path, "{}").status()).isEqualTo(200);
    }

    private String words(int width, int height, int leg) {
        return "{\"words\":{\"profile\":{\"kind\":\"BAR\",\"widthMm\":" + width + ",\"heightMm\":" + height
                + "},\"swatch\":\"STONE\",\"legMm\":" + leg + ",\"at\":\"FLOOR\",\"aboveMm\":0}}";
    }

    @Test
    void itStandsAsSoonAsItIsAddedAndIsTakenBackInOneStep() {
        // Two walls of 5000 and two of 4000, less two corner pieces of 200 each.
        assertThat(straight()).isEqualTo(2 * 4600 + 2 * 3600);
        assertThat(moulding(skirting).get("pieces").asInt())
                .isEqualTo(
                        pieces().stream().mapToInt(p -> p.get("count").asInt()).sum());
        assertThat(moulding(skirting).get("pieceIds").valueStream().map(JsonNode::asLong))
                .containsExactlyInAnyOrderElementsOf(
                        pieces().stream().map(p -> p.get("id").asLong()).toList());

        step("/undo");
        assertThat(pieces()).isEmpty();
        assertThat(room.caller.get(room.site + "/mouldings").json()).isEmpty();
        step("/redo");
        assertThat(straight()).isEqualTo(2 * 4600 + 2 * 3600);
    }

    @Test
    void anOptionOfTheKitCountsIt() {
        var plan = room.caller
                .post(room.site + "/kit-plans", "{\"minPieceMm\":200,\"maxPieceMm\":4000,\"maxKinds\":3}")
                .json();
        var option = plan.get("options").get(0);

        assertThat(option.get("byRole").get("MOULDING").asInt()).isEqualTo(pieces().size());
        var taken = room.caller.call(
                "PUT", room.site + "/kit", "{\"option\":\"" + option.get("id").asString() + "\"}", null);
        assertThat(taken.status()).as(taken.text()).isEqualTo(200);
        assertThat(option.get("byRole").get("MOULDING").asInt()).isEqualTo(pieces().size());
        assertThat(straight()).isEqualTo(2 * 4600 + 2 * 3600);
    }

    @Test
    void itIsMadeOtherwiseSwitchedOffAndOn() {
        change(skirting, words(40, 300, 500));

        assertThat(straight()).isEqualTo(2 * 4000 + 2 * 3000);
        assertThat(pieces())
                .allSatisfy(p -> assertThat(p.get("sizeMm").get("z").asDouble()).isEqualTo(300));
        change(skirting, "{\"on\":false}");
        assertThat(pieces()).isEmpty();
        change(skirting, "{\"on\":true,\"name\":\"Plinth\"}");
        assertThat(straight()).isEqualTo(2 * 4000 + 2 * 3000);
        assertThat(moulding(skirting).get("name").asString()).isEqualTo("Plinth");
    }

    @Test
    void aRoomHasItsOwnUntilThatIsTakenAway() {
        var own = room.made("/mouldings/" + skirting + "/rooms/" + room.room, "{}")
                .get("id")
                .asLong();
        change(own, "{\"on\":false}");

        assertThat(pieces()).isEmpty();
        assertThat(room.caller
                        .call("DELETE", room.site + "/mouldings/" + own, "", null)
                        .status())
                .isEqualTo(204);
        assertThat(straight()).isEqualTo(2 * 4600 + 2 * 3600);
    }

    @Test
    void theyAreOrdered() {
        var cornice =
                room.made("/mouldings", "{\"profile\":\"CORNICE\"}").get("id").asLong();
        change(cornice, "{\"place\":0}");

        assertThat(room.caller
                        .get(room.site + "/mouldings")
                        .json()
                        .valueStream()
                        .map(m -> m.get("id").asLong()))
                .containsExactly(cornice, skirting);
    }

    @Test
    void aRemovedRoomTakesItsOwnAlong() {
        var own = room.made("/mouldings/" + skirting + "/rooms/" + room.room, "{}")
                .get("id")
                .asLong();
        assertThat(own).isNotEqualTo(skirting);
        var gone = room.caller.call("DELETE", room.site + "/rooms/" + room.room, "", null);
        assertThat(gone.status()).as(gone.text()).isEqualTo(204);

        assertThat(room.caller
                        .get(room.site + "/mouldings")
                        .json()
                        .valueStream()
                        .map(m -> m.get("id").asLong()))
                .containsExactly(skirting);
    }

    @Test
    void aCopiedLevelHasTheSameAndARemovedOneTakesItsOwnAlong() {
        var own = room.made("/mouldings/" + skirting + "/rooms/" + room.room, "{}")
                .get("id")
                .asLong();
        change(own, words(40, 300, 500));
        var level = room.made("/levels/0/copies", "{}").get("id").asLong();

        assertThat(room.caller.get(room.site + "/mouldings").json()).hasSize(3);
        assertThat(straight()).isEqualTo(2 * (2 * 4000 + 2 * 3000));
        assertThat(room.caller
                        .call("DELETE", room.site + "/levels/" + level, "", null)
                        .status())
                .isEqualTo(204);
        assertThat(room.caller.get(room.site + "/mouldings").json()).hasSize(2);
    }

    @Test
    void aCopyOfTheSiteHasThemToo() {
        var own = room.made("/mouldings/" + skirting + "/rooms/" + room.room, "{}")
                .get("id")
                .asLong();
        change(own, words(40, 300, 500));
        var copied = room.caller.post(room.site + "/copies", "{\"name\":\"Along the walls once more\"}");
        assertThat(copied.status()).as(copied.text()).isEqualTo(201);
        var copy = "/api/sites/" + copied.json().get("id").asLong();

        var all = room.caller.get(copy + "/mouldings").json();
        assertThat(all.get(1).get("ruleId").asLong())
                .isEqualTo(all.get(0).get("id").asLong());
        assertThat(all.get(1).get("pieces").asInt())
                .isEqualTo(moulding(own).get("pieces").asInt())
                .isPositive();
    }

    @Test
    void whatCannotBeIsRefusedAndNothingIsChanged() {
        assertThat(room.refused("PATCH", "/mouldings/" + skirting, words(300, 300, 200)))
                .containsExactly("legMm");
        assertThat(room.refused("PATCH", "/mouldings/" + skirting, "{\"name\":\" \"}"))
                .containsExactly("name");
        assertThat(room.refused("POST", "/mouldings", "{\"profile\":\"DRAWN\"}"))
                .containsExactly("profile");
        assertThat(room.caller
                        .call("PATCH", room.site + "/mouldings/1", "{\"on\":true}", null)
                        .status())
                .isEqualTo(404);
        assertThat(straight()).isEqualTo(2 * 4600 + 2 * 3600);
    }
}
