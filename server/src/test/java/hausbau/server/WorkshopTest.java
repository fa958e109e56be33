package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.server.standing.Sets;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Pieces of one's own over HTTP; the room is 5 × 4 m. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class WorkshopTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Workshop");
    }

    private JsonNode bench(long piece) {
        return in.caller.get(in.site + "/pieces/" + piece + "/bench").json();
    }

    private JsonNode change(long piece, int part, String told) {
        var answer = in.caller.call("PATCH", in.site + "/pieces/" + piece + "/parts/" + part, told, null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private long made(String name) {
        return in.made("/pieces", "{\"name\":\"" + name + "\"}").get("id").asLong();
    }

    private static List<Double> size(JsonNode of) {
        return List.of(
                of.get("x").asDouble(), of.get("y").asDouble(), of.get("z").asDouble());
    }

    private JsonNode listed(long piece) {
        return in.caller
                .get(in.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asLong() == piece)
                .findFirst()
                .orElseThrow();
    }

    /** A block of 400 from the start: 0.96 m², 0.064 m³, a little less for its chamfer. */
    @Test
    void aNewPieceIsAtHandAndMeasured() {
        var piece = made("trolley");
        var bench = bench(piece);
        assertThat(bench.get("code").asString()).isEqualTo("PRP-TROLLEY");
        assertThat(size(bench.get("sizeMm"))).containsExactly(400.0, 400.0, 400.0);
        assertThat(bench.get("volumeM3").asDouble())
                .isCloseTo(0.064, within(0.0001))
                .isLessThan(0.064);
        assertThat(bench.get("areaM2").asDouble()).isCloseTo(0.96, within(0.02));
        assertThat(bench.get("triangles").asInt()).isEqualTo(44);
        assertThat(bench.get("openMm")).isEmpty();
        assertThat(listed(piece).get("count").asLong()).isZero();
        in.caller.post(in.site + "/undo", null);
        assertThat(in.caller.get(in.site + "/pieces").json().valueStream().map(p -> p.get("id")
                        .asLong()))
                .doesNotContain(piece);
        in.caller.post(in.site + "/redo", null);
        assertThat(listed(piece).get("name").asString()).isEqualTo("trolley");
    }

    /** What stands follows at once: its size, its mesh, what the survey finds; undone it is as it was; a restart finds the same. */
    @Test
    void theSetFollowsAPart() {
        var piece = made("trolley");
        in.made("/placements", "{\"pieceId\":" + piece + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":0},\"snap\":false}");
        in.made("/placements", "{\"pieceId\":" + piece + ",\"atMm\":{\"x\":1500,\"y\":1000,\"z\":0},\"snap\":false}");
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
        var before = listed(piece).get("mesh").asString();
        var after = change(piece, 0, "{\"sizeMm\":{\"x\":600,\"y\":400,\"z\":900}}");
        assertThat(size(after.get("sizeMm"))).containsExactly(600.0, 400.0, 900.0);
        assertThat(after.get("uses").get(0).get("count").asLong()).isEqualTo(2);
        assertThat(listed(piece).get("mesh").asString()).isNotEqualTo(before);
        assertThat(size(listed(piece).get("sizeMm"))).containsExactly(600.0, 400.0, 900.0);
        assertThat(in.caller
                        .get(in.site + "/survey")
                        .json()
                        .get("findings")
                        .get(0)
                        .get("title")
                        .asString())
                .contains("PRP-TROLLEY");
        assertThat(in.placements("hand").count()).isEqualTo(2);
        sets.forget(in.id());
        assertThat(size(bench(piece).get("sizeMm"))).containsExactly(600.0, 400.0, 900.0);
        assertThat(in.caller
                        .get(in.site + "/survey")
                        .json()
                        .get("findings")
                        .get(0)
                        .get("title")
                        .asString())
                .contains("PRP-TROLLEY");
        in.caller.post(in.site + "/undo", null);
        assertThat(size(bench(piece).get("sizeMm"))).containsExactly(400.0, 400.0, 400.0);
        assertThat(listed(piece).get("mesh").asString())
                .as("the same piece has the same mesh")
                .isEqualTo(before);
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
    }

    /** A built-in piece opens with its parts; told otherwise it is one's own, everywhere; it goes back to what it was. */
    @Test
    void aBuiltInPieceCanBeMadeOnesOwnAndGoBack() {
        var piece = in.piece("PRP-BENCH");
        in.place("PRP-BENCH", 2000, 2000);
        var bench = bench(piece);
        assertThat(bench.get("own").asBoolean()).isFalse();
        assertThat(bench.get("parts").size()).isEqualTo(5);
        var added = in.caller.post(
                in.site + "/pieces/" + piece + "/parts",
                "{\"form\":\"TURNED\",\"atMm\":{\"x\":800,\"y\":225,\"z\":450}}");
        assertThat(added.status()).as(added.text()).isEqualTo(201);
        assertThat(added.json().asInt()).isEqualTo(5);
        assertThat(bench(piece).get("own").asBoolean()).isTrue();
        // The turned part begun with is 680 high.
        assertThat(size(bench(piece).get("sizeMm"))).containsExactly(1600.0, 450.0, 1130.0);
        assertThat(listed(piece).get("count").asLong()).isEqualTo(1);
        // The one that the house offers is the one that a person made.
        assertThat(in.caller
                        .get(in.site + "/pieces")
                        .json()
                        .valueStream()
                        .map(p -> p.get("code").asString())
                        .filter(c -> c.startsWith("PRP-BENCH")))
                .containsExactly("PRP-BENCH");
        in.caller.call("DELETE", in.site + "/pieces/" + piece + "/parts", null, null);
        assertThat(size(bench(piece).get("sizeMm"))).containsExactly(1600.0, 450.0, 450.0);
        assertThat(bench(piece).get("own").asBoolean()).isFalse();
    }

    /** What clings goes on clinging, and keeps its name, when its parts are told. */
    @Test
    void aWallLampOfOnesOwnIsStillFixedToItsWall() {
        var piece = in.piece("PRP-WALL-LAMP");
        change(piece, 1, "{\"swatch\":\"TIMBER\"}");
        assertThat(listed(piece).get("trait").get("held").asString()).isEqualTo("FIXED");
        assertThat(listed(piece).get("name").asString()).isEqualTo("wall lamp");
        var lamp = in.made(
                "/placements",
                "{\"pieceId\":" + piece + ",\"atMm\":{\"x\":2010,\"y\":3500,\"z\":0},\"heightMm\":1650}");
        assertThat(lamp.get("atMm").get("y").asDouble()).isEqualTo(3870);
    }

    /** A wall's look is told, but where it ends is the kit's: it keeps its place and size in the set. */
    @Test
    void aWallMayLookOtherwiseAndKeepsItsPlace() {
        var piece = in.piece("WAL-1000");
        var digests = in.caller.get(in.site + "/placements").text();
        var count = listed(piece).get("count").asLong();
        in.caller.post(
                in.site + "/pieces/" + piece + "/parts",
                "{\"form\":\"PUSHED\",\"swatch\":\"TIMBER\",\"profile\":{\"kind\":\"SKIRTING\",\"widthMm\":20,\"heightMm\":120,\"radiusMm\":12}}");
        var bench = bench(piece);
        assertThat(bench.get("own").asBoolean()).isTrue();
        assertThat(size(bench.get("sizeMm"))).containsExactly(1000.0, 200.0, 3000.0);
        assertThat(bench.get("parts").size()).isEqualTo(2);
        assertThat(listed(piece).get("count").asLong()).isEqualTo(count);
        assertThat(in.caller.get(in.site + "/placements").text()).isEqualTo(digests);
        assertThat(in.caller.get(in.site + "/survey").json().get("findings")).isEmpty();
        assertThat(in.caller.get(in.site + "/tally").json().get("triangles").asLong())
                .isPositive();
    }

    /** Three edits of one part, each telling one thing: none takes another's back. */
    @Test
    void whatIsNotToldStays() {
        var piece = made("post");
        change(piece, 0, "{\"name\":\"shaft\"}");
        change(piece, 0, "{\"swatch\":\"METAL\"}");
        change(
                piece,
                0,
                "{\"bevel\":{\"widthMm\":20,\"segments\":4},\"copies\":{\"how\":\"ALONG\",\"count\":3,\"stepMm\":{\"x\":500,\"y\":0,\"z\":0}}}");
        // More segments alone round the usual bevel of 3 mm; one, alone, is the usual again.
        assertThat(change(piece, 0, "{\"bevel\":{\"segments\":2}}")
                        .get("parts")
                        .get(0)
                        .get("words")
                        .get("bevel")
                        .get("widthMm")
                        .asDouble())
                .isEqualTo(3);
        assertThat(change(piece, 0, "{\"bevel\":{\"segments\":1}}")
                        .get("parts")
                        .get(0)
                        .get("words")
                        .has("bevel"))
                .isFalse();
        var part = bench(piece).get("parts").get(0);
        assertThat(part.get("words").get("name").asString()).isEqualTo("shaft");
        assertThat(part.get("words").get("swatch").asString()).isEqualTo("METAL");
        assertThat(part.get("words").get("sizeMm").get("x").asDouble()).isEqualTo(400);
        assertThat(part.get("boxesMm").size()).isEqualTo(3);
        assertThat(size(bench(piece).get("sizeMm"))).containsExactly(1400.0, 400.0, 400.0);
        in.caller.post(
                in.site + "/pieces/" + piece + "/parts/copies",
                "{\"fromPieceId\":" + in.piece("PRP-LAMP") + ",\"parts\":[1]}");
        assertThat(bench(piece).get("parts").size()).isEqualTo(2);
        assertThat(bench(piece).get("parts").get(1).get("words").get("swatch").asString())
                .isEqualTo("OPAL");
    }

    @Test
    void whatCannotBeMadeIsRefusedAndNothingIsLost() {
        var piece = made("post");
        var at = "/pieces/" + piece + "/parts";
        assertThat(in.refused("PATCH", at + "/0", "{\"sizeMm\":{\"x\":0,\"y\":400,\"z\":400}}"))
                .containsExactly("parts[0].size");
        assertThat(in.refused("PATCH", at + "/0", "{\"hidden\":true}")).containsExactly("parts");
        assertThat(in.refused("PATCH", at + "/7", "{\"hidden\":true}")).containsExactly("part");
        assertThat(
                        in.refused(
                                "POST",
                                at,
                                "{\"form\":\"PRISM\",\"outline\":[{\"x\":0,\"y\":0},{\"x\":9,\"y\":9},{\"x\":9,\"y\":0},{\"x\":0,\"y\":9}]}"))
                .containsExactly("parts[1].outline");
        assertThat(in.refused("POST", at, "{}")).containsExactly("form");
        assertThat(in.refused("DELETE", at + "/0", null)).containsExactly("parts");
        assertThat(in.refused("PATCH", "/pieces/" + piece, "{\"code\":\"PRP-BENCH\"}"))
                .containsExactly("code");
        assertThat(in.refused("POST", "/pieces", "{\"name\":\"wall\",\"role\":\"WALL\"}"))
                .containsExactly("role");
        assertThat(in.refused("PATCH", "/pieces/" + in.piece("WAL-1000"), "{\"pivot\":\"BASE_CENTRE\"}"))
                .containsExactly("pivot");
        in.made("/placements", "{\"pieceId\":" + piece + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":0},\"snap\":false}");
        assertThat(in.refused("DELETE", "/pieces/" + piece, null)).containsExactly("pieceId");
        assertThat(bench(piece).get("parts").size()).isEqualTo(1);
        assertThat(size(bench(piece).get("sizeMm"))).containsExactly(400.0, 400.0, 400.0);
    }

    /** A pivot told of what the house offers, a renaming, and the way back: nothing is doubled, whatever was made meanwhile. */
    @Test
    void pivotsAndCodesAreToldAndTakenBack() {
        var piece = in.piece("PRP-BENCH");
        in.place("PRP-BENCH", 2000, 2000);
        assertThat(in.caller
                        .call(
                                "PATCH",
                                in.site + "/pieces/" + piece,
                                "{\"pivot\":\"BASE_CORNER\",\"code\":\"SEAT\",\"name\":\"seat\"}",
                                null)
                        .status())
                .isEqualTo(200);
        assertThat(listed(piece).get("boxMm").get("min").get("x").asDouble()).isZero();
        assertThat(in.caller.get(in.site + "/pieces").json().valueStream().map(p -> p.get("code")
                        .asString()))
                .contains("SEAT")
                .doesNotContain("PRP-BENCH");
        in.caller.post(in.site + "/undo", null);
        assertThat(listed(piece).get("boxMm").get("min").get("x").asDouble()).isEqualTo(-800);
        var own = made("trolley");
        assertThat(in.caller
                        .call("PATCH", in.site + "/pieces/" + own, "{\"code\":\"CART\"}", null)
                        .status())
                .isEqualTo(200);
        var other = made("trolley");
        assertThat(bench(other).get("code").asString()).isEqualTo("PRP-TROLLEY");
        for (var i = 0; i < 3; i++) {
            assertThat(in.caller.post(in.site + "/undo", null).status()).isEqualTo(200);
        }
        for (var i = 0; i < 3; i++) {
            assertThat(in.caller.post(in.site + "/redo", null).status()).isEqualTo(200);
        }
        assertThat(in.caller.get(in.site + "/pieces").json().valueStream().map(p -> p.get("code")
                        .asString()))
                .contains("CART", "PRP-TROLLEY")
                .doesNotHaveDuplicates();
    }

    /** A mesh asked for by its tag is kept for good; asked for with what is known it is not sent again. */
    @Test
    void aMeshThatIsKnownIsNotSentAgain() {
        var piece = in.piece("PRP-LAMP");
        var url = in.site + "/pieces/" + piece + "/mesh.glb?as="
                + listed(piece).get("mesh").asString();
        var first = in.caller.getWith(url);
        assertThat(first.headers().firstValue("Cache-Control").orElse("")).contains("immutable");
        var again = in.caller.getWith(
                url, "If-None-Match", first.headers().firstValue("ETag").orElseThrow());
        assertThat(again.statusCode()).isEqualTo(304);
        assertThat(again.body()).isEmpty();
    }

    /** Taken out as it is made, a stand-in or a wall under a pattern too: both files, named alike. */
    @Test
    void aPieceIsTakenOutAsObj() {
        var zip = in.caller.get(in.site + "/pieces/" + in.piece("PRP-LAMP") + "/obj.zip");
        assertThat(zip.status()).isEqualTo(200);
        assertThat(zip.unzipped()).containsOnlyKeys("PRP-LAMP.obj", "PRP-LAMP.mtl");
        assertThat(new String(zip.unzipped().get("PRP-LAMP.obj"), StandardCharsets.UTF_8))
                .contains("mtllib PRP-LAMP.mtl")
                .contains("usemtl opal");
        assertThat(in.caller.get(in.site + "/pieces/999999/obj.zip").status()).isEqualTo(404);
    }

    /** A copied site has its own pieces, made alike. */
    @Test
    void aCopiedSiteHasThePiecesToo() {
        var piece = made("trolley");
        change(piece, 0, "{\"sizeMm\":{\"x\":600,\"y\":400,\"z\":900}}");
        in.made("/placements", "{\"pieceId\":" + piece + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":0},\"snap\":false}");
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Copy\"}")
                        .json()
                        .get("id")
                        .asLong();
        var there = in.caller
                .get(copy + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals("PRP-TROLLEY"))
                .findFirst()
                .orElseThrow();
        assertThat(size(there.get("sizeMm"))).containsExactly(600.0, 400.0, 900.0);
        assertThat(there.get("count").asLong()).isEqualTo(1);
    }

    /** The usual levels, then typed ones; each a file; undone with one step; handed over beside the piece under names made from its own. */
    @Test
    void aPieceHasLevelsOfDetailAndAHull() {
        var urn = made("urn");
        in.made("/pieces/" + urn + "/parts", "{\"form\":\"TURNED\",\"sides\":96}");
        change(urn, 0, "{\"hidden\":true}");
        var path = in.site + "/pieces/" + urn;
        var usual = in.caller.get(path + "/details").json();
        assertThat(usual.get("percents").valueStream().map(JsonNode::asInt)).containsExactly(50, 20);
        var whole = bench(urn).get("triangles").asInt();
        assertThat(usual.get("levels").get(0).get("triangles").asInt()).isBetween(whole / 3, whole / 2 + 1);
        assertThat(usual.get("levels").get(2).get("percent").asInt()).isZero();
        assertThat(usual.get("levels").get(2).get("errorMm").asDouble()).isBetween(50.0, 150.0);
        assertThat(in.caller.call("PATCH", path, "{\"details\":[30]}", null).status())
                .isEqualTo(200);
        var typed = in.caller.get(path + "/details").json();
        assertThat(typed.get("levels").valueStream().map(l -> l.get("percent").asInt()))
                .containsExactly(30, 0);
        assertThat(in.caller.get(path + "/details/0.glb").text()).startsWith("glTF");
        assertThat(in.caller.get(path + "/hull.glb").text()).startsWith("glTF");
        assertThat(in.caller.get(path + "/details/2.glb").status()).isEqualTo(404);
        assertThat(in.refused("PATCH", "/pieces/" + urn, "{\"details\":[20,50]}"))
                .containsExactly("details");
        assertThat(in.caller.call("PATCH", path, "{\"details\":[]}", null).status())
                .isEqualTo(200);
        assertThat(in.caller.get(path + "/details").json().get("levels")).hasSize(1);
        in.caller.post(in.site + "/undo", null);
        assertThat(in.caller
                        .get(in.site + "/handover/pieces.zip?unused=true&details=true")
                        .unzipped())
                .containsKeys("PRP-URN.glb", "PRP-URN detail 1.glb", "PRP-URN detail 2.glb", "PRP-URN hull.glb")
                .doesNotContainKey("PRP-URN detail 3.glb");
    }

    /** A cut is taken out of what comes before it, in litres by hand; moved to the front it takes nothing; what would leave nothing is refused and changes nothing. */
    @Test
    void cutsGoByTheirPlace() {
        var piece = in.made("/pieces", "{\"name\":\"niche\"}").get("id").asLong();
        var parts = "/pieces/" + piece + "/parts";
        in.made(
                parts,
                "{\"form\":\"BLOCK\",\"sizeMm\":{\"x\":200,\"y\":200,\"z\":200},\"atMm\":{\"x\":100,\"y\":-100,\"z\":100},\"cuts\":true,\"swatch\":\"TILE\"}");
        var cut = in.caller.get(in.site + "/pieces/" + piece + "/bench").json();
        assertThat(cut.get("volumeM3").asDouble()).isCloseTo(0.064 - 0.004, within(1e-4));
        assertThat(cut.get("open").asInt()).isZero();
        in.caller.call("PUT", in.site + parts + "/1/place", "{\"at\":0}", null);
        assertThat(in.caller
                        .get(in.site + "/pieces/" + piece + "/bench")
                        .json()
                        .get("volumeM3")
                        .asDouble())
                .isCloseTo(0.064, within(1e-4));
        in.caller.post(in.site + "/undo", null);
        assertThat(in.caller.get(in.site + "/pieces/" + piece + "/bench").json().get("parts"))
                .isEqualTo(cut.get("parts"));
        assertThat(in.refused(
                        "PATCH",
                        parts + "/1",
                        "{\"sizeMm\":{\"x\":900,\"y\":900,\"z\":900},\"atMm\":{\"x\":-100,\"y\":-100,\"z\":-100}}"))
                .containsExactly("parts");
        assertThat(in.refused("PUT", parts + "/1/place", "{\"at\":2}")).containsExactly("part");
        assertThat(in.caller.get(in.site + "/pieces/" + piece + "/bench").json())
                .isEqualTo(cut);
    }
}
