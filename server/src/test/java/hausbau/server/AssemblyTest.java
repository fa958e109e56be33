package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.server.standing.Sets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Assemblies over HTTP: a bench with a lamp beside it, saved, used, opened, changed for all. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class AssemblyTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    Caller caller;
    String site;
    long lamp;
    long bench;

    @BeforeEach
    void builtRoom() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Assemblies\"}")
                        .json()
                        .get("id")
                        .asLong();
        made("/rooms", "{\"name\":\"Room\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":9000,\"depthMm\":9000}");
        assertThat(caller.call(
                                "PUT",
                                site + "/kit",
                                "{\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}",
                                null)
                        .status())
                .isEqualTo(200);
        lamp = piece(site, "PRP-LAMP");
        bench = piece(site, "PRP-BENCH");
    }

    private long piece(String of, String code) {
        return caller.get(of + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
    }

    private JsonNode made(String path, String body) {
        var answer = caller.post(site + path, body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private String set(long piece, int x, int y) {
        return made(
                        "/placements",
                        "{\"pieceId\":" + piece + ",\"atMm\":{\"x\":" + x + ",\"y\":" + y + ",\"z\":0},\"snap\":false}")
                .get("id")
                .asString();
    }

    /** Bench and lamp from 1 200 to 3 160 mm: their middle, on the step, is 2 200. */
    private JsonNode seat() {
        return made(
                "/assemblies",
                "{\"placementIds\":[\"" + set(bench, 2000, 2000) + "\",\"" + set(lamp, 3000, 2000) + "\"]}");
    }

    private List<JsonNode> inUse(String of) {
        return caller.get(of + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asString().startsWith("use."))
                .toList();
    }

    private JsonNode assemblies(String of) {
        return caller.get(of + "/assemblies").json();
    }

    private void use(long assembly, int x, int y, int quarters) {
        made(
                "/assemblies/" + assembly + "/uses",
                "{\"atMm\":{\"x\":" + x + ",\"y\":" + y + ",\"z\":0},\"quarterTurns\":" + quarters + "}");
    }

    private static String ids(List<JsonNode> placements) {
        return placements.stream()
                .map(p -> "\"" + p.get("id").asString() + "\"")
                .reduce((a, b) -> a + "," + b)
                .orElseThrow();
    }

    @Test
    void savedItStandsWhereItStoodAndIsUndone() {
        var first = seat();
        assertThat(inUse(site)).extracting(p -> p.get("atMm").get("x").asInt()).containsExactlyInAnyOrder(2000, 3000);
        assertThat(caller.get(site + "/placements").json().valueStream().filter(p -> p.get("origin")
                        .asString()
                        .equals("hand")))
                .isEmpty();
        use(first.get("assemblyId").asLong(), 5000, 5000, 1);
        assertThat(assemblies(site).get("assemblies").get(0).get("uses").asInt())
                .isEqualTo(2);
        assertThat(inUse(site)).hasSize(4);
        var before = inUse(site);
        sets.forget(Long.parseLong(site.substring(site.lastIndexOf('/') + 1)));
        assertThat(inUse(site)).as("read back from what is stored").isEqualTo(before);
        caller.post(site + "/undo", null);
        caller.post(site + "/undo", null);
        assertThat(inUse(site)).isEmpty();
        assertThat(caller.get(site + "/placements").json().valueStream().filter(p -> p.get("origin")
                        .asString()
                        .equals("hand")))
                .hasSize(2);
        caller.post(site + "/redo", null);
        assertThat(inUse(site)).hasSize(2);
    }

    /** Opened, the lamp moved, and saved over: the other use follows, turned as it is. */
    @Test
    void openedAndSavedOverEveryUseFollows() {
        var first = seat();
        use(first.get("assemblyId").asLong(), 6000, 6000, 1);
        var opened = caller.post(site + "/uses/" + first.get("id").asLong() + "/open", null)
                .json();
        assertThat(opened.get("placementIds")).hasSize(2);
        var lampId = opened.get("placementIds").get(1).asString();
        assertThat(caller.post(
                                site + "/placements/arrange",
                                "{\"ids\":[\"" + lampId + "\"],\"byMm\":{\"x\":500,\"y\":0,\"z\":0}}")
                        .status())
                .isEqualTo(204);
        var over = caller.call(
                "PUT",
                site + "/assemblies/" + opened.get("assemblyId").asLong() + "/parts",
                "{\"placementIds\":" + opened.get("placementIds") + ",\"pivot\":" + opened.get("pivot") + "}",
                null);
        assertThat(over.status()).as(over.text()).isEqualTo(200);
        var lamps = inUse(site).stream()
                .filter(p -> p.get("pieceId").asLong() == lamp)
                .toList();
        assertThat(lamps).hasSize(2);
        // By hand: the lamp was 0.8 m and is 1.3 m to the right of the pivot; turned by a quarter, 1.3 m behind it.
        assertThat(lamps)
                .extracting(p -> List.of(
                        p.get("atMm").get("x").asInt(), p.get("atMm").get("y").asInt()))
                .containsExactlyInAnyOrder(List.of(3500, 2000), List.of(6000, 7300));
    }

    @Test
    void aWholeUseIsMovedCopiedAndTakenAwayAsOne() {
        var first = seat();
        assertThat(caller.post(
                                site + "/placements/arrange",
                                "{\"ids\":[" + ids(inUse(site)) + "],\"byMm\":{\"x\":0,\"y\":1000,\"z\":0}}")
                        .status())
                .isEqualTo(204);
        assertThat(inUse(site)).allSatisfy(p -> {
            assertThat(p.get("departed").asBoolean()).isFalse();
            assertThat(p.get("atMm").get("y").asInt()).isEqualTo(3000);
        });
        var copies = caller.post(
                        site + "/placements/copies",
                        "{\"ids\":[" + ids(inUse(site)) + "],\"byMm\":{\"x\":0,\"y\":2000,\"z\":0}}")
                .json();
        assertThat(copies).hasSize(2);
        assertThat(assemblies(site).get("uses")).hasSize(2);
        assertThat(caller.post(site + "/placements/removals", "{\"ids\":" + copies + "}")
                        .status())
                .isEqualTo(204);
        assertThat(assemblies(site).get("uses")).hasSize(1);
        // One piece of it alone departs.
        caller.post(
                site + "/placements/removals",
                "{\"ids\":[\"" + inUse(site).get(1).get("id").asString() + "\"]}");
        assertThat(caller.get(site + "/departures").json()).hasSize(1);
        assertThat(caller.post(site + "/uses/" + first.get("id").asLong() + "/dissolve", null)
                        .json())
                .as("what a hand took away stays away")
                .hasSize(1);
        assertThat(caller.get(site + "/departures").json()).isEmpty();
    }

    @Test
    void nestedItNeverHoldsItself() {
        var first = seat();
        var inner = first.get("assemblyId").asLong();
        var alone = set(lamp, 7000, 7000);
        var outer = made("/assemblies", "{\"placementIds\":[" + ids(inUse(site)) + ",\"" + alone + "\"]}");
        assertThat(assemblies(site).get("assemblies").get(1).get("pieces").asInt())
                .isEqualTo(3);
        assertThat(inUse(site)).hasSize(3);
        var refused = caller.call(
                "PUT", site + "/assemblies/" + inner + "/parts", "{\"placementIds\":[" + ids(inUse(site)) + "]}", null);
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.text()).contains("would hold itself");
        assertThat(caller.call("DELETE", site + "/assemblies/" + inner, null, null)
                        .text())
                .contains("Assembly 2");
        // Opened, one level deep: the inner one stands as a use of its own.
        var opened = caller.post(site + "/uses/" + outer.get("id").asLong() + "/open", null)
                .json();
        assertThat(opened.get("placementIds")).hasSize(3);
        assertThat(assemblies(site).get("uses")).hasSize(1);
        assertThat(caller.call(
                                "DELETE",
                                site + "/assemblies/" + outer.get("assemblyId").asLong(),
                                null,
                                null)
                        .status())
                .isEqualTo(204);
    }

    @Test
    void oneUseIsMadeItsOwn() {
        var first = seat();
        use(first.get("assemblyId").asLong(), 6000, 6000, 0);
        var own = caller.post(site + "/uses/" + first.get("id").asLong() + "/own", null)
                .json();
        assertThat(own.get("assemblyId").asLong())
                .isNotEqualTo(first.get("assemblyId").asLong());
        assertThat(caller.call(
                                "PATCH",
                                site + "/assemblies/" + own.get("assemblyId").asLong(),
                                "{\"name\":\"Assembly 1\"}",
                                null)
                        .text())
                .contains("already");
        assertThat(caller.call(
                                "PATCH",
                                site + "/assemblies/" + own.get("assemblyId").asLong(),
                                "{\"name\":\"Bench group\"}",
                                null)
                        .status())
                .isEqualTo(204);
        assertThat(caller.call(
                                "PATCH",
                                site + "/uses/" + first.get("id").asLong(),
                                "{\"quarterTurns\":2,\"mirrored\":true}",
                                null)
                        .status())
                .isEqualTo(200);
        assertThat(caller.post(site + "/uses/" + first.get("id").asLong() + "/open", null)
                        .text())
                .contains("cannot be opened");
    }

    @Test
    void aCopiedSiteHasAssembliesOfItsOwn() {
        var first = seat();
        caller.post(
                site + "/placements/removals",
                "{\"ids\":[\"use." + first.get("id").asLong() + ".2\"]}");
        use(first.get("assemblyId").asLong(), 6000, 6000, 3);
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(inUse(copy))
                .extracting(p -> p.get("atMm"))
                .isEqualTo(inUse(site).stream().map(p -> p.get("atMm")).toList())
                .hasSize(3);
        assertThat(inUse(copy))
                .extracting(p -> p.get("pieceId").asLong())
                .containsOnly(piece(copy, "PRP-BENCH"), piece(copy, "PRP-LAMP"));
        assertThat(assemblies(copy).get("assemblies").get(0).get("id").asLong())
                .isNotEqualTo(first.get("assemblyId").asLong());
    }

    @Test
    void whatCannotBeSavedIsRefused() {
        var wall = caller.get(site + "/placements").json().get(0).get("id").asString();
        assertThat(caller.post(site + "/assemblies", "{\"placementIds\":[\"" + wall + "\"]}")
                        .text())
                .contains("Select what hands have set down");
        assertThat(caller.post(site + "/assemblies", "{\"placementIds\":[]}").status())
                .isEqualTo(400);
        assertThat(caller.post(site + "/assemblies/999999/uses", "{\"atMm\":{\"x\":0,\"y\":0,\"z\":0}}")
                        .status())
                .isEqualTo(404);
        assertThat(caller.post(site + "/uses/999999/open", null).status()).isEqualTo(404);
    }

    /**
     * A bench with a course of three lamps behind it, 500 mm apart, used a second time turned by a quarter; opened it is a living
     * course again, and made longer all uses are longer.
     */
    @Test
    void aRepeatLivesInAnAssembly() {
        var table = set(bench, 2000, 2000);
        var rule =
                "{\"what\":\"COURSE\",\"fromMm\":{\"x\":1500,\"y\":2500,\"z\":0},\"toMm\":{\"x\":2500,\"y\":2500,\"z\":0},\"pace\":\"COUNT\",\"count\":3}";
        made("/repeats", "{\"pieceIds\":[" + lamp + "],\"rule\":" + rule + "}");
        var lamps = caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> p.get("origin").asString().equals("repeat"))
                .toList();
        assertThat(lamps).hasSize(3);
        var first = made("/assemblies", "{\"placementIds\":[\"" + table + "\"," + ids(lamps) + "]}");
        assertThat(caller.get(site + "/repeats").json()).isEmpty();
        assertThat(inUse(site))
                .extracting(p -> p.get("atMm").get("x").asInt())
                .containsExactlyInAnyOrder(2000, 1500, 2000, 2500);
        use(first.get("assemblyId").asLong(), 6000, 6000, 1);
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(inUse(copy)).hasSize(8);
        assertThat(caller.get(copy + "/tally").json().get("placements").asLong())
                .isEqualTo(caller.get(site + "/tally").json().get("placements").asLong());
        assertThat(assemblies(site).get("assemblies").get(0).get("pieces").asInt())
                .isEqualTo(4);
        sets.forget(Long.parseLong(site.substring(site.lastIndexOf('/') + 1)));
        var turned = inUse(site).stream()
                .filter(p -> p.get("pieceId").asLong() == lamp
                        && p.get("atMm").get("x").asInt() > 3000)
                .map(p -> p.get("atMm").get("y").asInt())
                .toList();
        assertThat(turned).containsExactlyInAnyOrder(turned.get(0), turned.get(0) + 500, turned.get(0) + 1000);
        var uses = caller.get(site + "/assemblies")
                .json()
                .get("uses")
                .valueStream()
                .toList();
        var second = uses.get(1).get("id").asLong();
        assertThat(caller.post(site + "/uses/" + second + "/open", null).text()).contains("while a repeat is in it");
        var opened = caller.post(site + "/uses/" + first.get("id").asLong() + "/open", null)
                .json();
        assertThat(opened.get("placementIds")).hasSize(4);
        var repeat = caller.get(site + "/repeats").json().get(0);
        assertThat(repeat.get("rule").get("count").asInt()).isEqualTo(3);
        assertThat(caller.call(
                                "PATCH",
                                site + "/repeats/" + repeat.get("id").asLong(),
                                "{\"rule\":{\"count\":5}}",
                                null)
                        .status())
                .isEqualTo(200);
        var now = caller.get(site + "/placements")
                .json()
                .valueStream()
                .filter(p -> java.util.Set.of("repeat", "hand")
                        .contains(p.get("origin").asString()))
                .toList();
        assertThat(now).hasSize(6);
        var pivot = opened.get("pivot").toString();
        assertThat(caller.call(
                                "PUT",
                                site + "/assemblies/" + first.get("assemblyId").asLong() + "/parts",
                                "{\"placementIds\":[" + ids(now) + "],\"pivot\":" + pivot + "}",
                                null)
                        .status())
                .isEqualTo(200);
        assertThat(inUse(site)).hasSize(12);
        // Turned, it becomes single placements.
        assertThat(caller.post(site + "/uses/" + second + "/dissolve", null).json())
                .hasSize(6);
        assertThat(caller.get(site + "/placements").json().valueStream().filter(p -> p.get("origin")
                        .asString()
                        .equals("hand")))
                .hasSize(6);
    }
}
