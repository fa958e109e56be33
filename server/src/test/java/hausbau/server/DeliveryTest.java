package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.server.standing.Sets;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Meshes that were made elsewhere, over HTTP: handed over, looked at, brought in. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class DeliveryTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    @Autowired
    JdbcTemplate jdbc;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Deliveries");
    }

    /** Boxes as OBJ, Y up: name, material, then x0 y0 z0 x1 y1 z1 of each. */
    private static byte[] obj(double scale, Object... boxes) {
        var text = new StringBuilder();
        for (var b = 0; b < boxes.length; b += 3) {
            var box = (double[]) boxes[b + 2];
            text.append("o ")
                    .append(boxes[b])
                    .append("\nusemtl ")
                    .append(boxes[b + 1])
                    .append('\n');
            for (var i = 0; i < 8; i++) {
                text.append(String.format(
                        Locale.ROOT,
                        "v %f %f %f%n",
                        scale * box[(i & 1) == 0 ? 0 : 3],
                        scale * box[(i & 2) == 0 ? 1 : 4],
                        scale * box[(i & 4) == 0 ? 2 : 5]));
            }
            var first = 8 * (b / 3) + 1;
            for (var face :
                    new int[][] {{0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}}) {
                text.append("f ")
                        .append(String.join(
                                " ",
                                IntStream.of(face)
                                        .mapToObj(i -> String.valueOf(first + i))
                                        .toList()))
                        .append('\n');
            }
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static double[] box(double... sides) {
        return sides;
    }

    private JsonNode delivered(String name, byte[] file, String query) {
        var answer = in.caller.files(in.site + "/deliveries" + query, Map.of(name, file));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get(0);
    }

    private String bringing(JsonNode delivery, String things, String swatches) {
        return "{\"choices\":" + delivery.get("choices") + ",\"swatches\":{" + swatches
                + "},\"laidOut\":false,\"things\":[" + things + "]}";
    }

    private JsonNode bench(long id) {
        return in.caller.get(in.site + "/pieces/" + id + "/bench").json();
    }

    private static double mm(JsonNode size, String axis) {
        return size.get(axis).asDouble();
    }

    /** Squares of 2 m, standing beside one another, each with a picture taken onto it once: OBJ has V up. */
    private JsonNode pictured(int materials, String query) {
        var obj = new StringBuilder("mtllib screen.mtl\nvt 0 0\nvt 1 0\nvt 1 1\nvt 0 1\n");
        var mtl = new StringBuilder();
        for (var m = 0; m < materials; m++) {
            mtl.append("newmtl face").append(m).append("\nmap_Kd flag.png\n");
            obj.append("v %1$d 0 0\nv %2$d 0 0\nv %2$d 2 0\nv %1$d 2 0\n".formatted(3 * m, 3 * m + 2))
                    .append("usemtl face")
                    .append(m)
                    .append("\nf");
            for (var k = 1; k <= 4; k++) {
                obj.append(' ').append(4 * m + k).append('/').append(k);
            }
            obj.append('\n');
        }
        var answer = in.caller.files(
                in.site + "/deliveries" + query,
                Map.of(
                        "screen.obj",
                        obj.toString().getBytes(StandardCharsets.UTF_8),
                        "screen.mtl",
                        mtl.toString().getBytes(StandardCharsets.UTF_8),
                        "flag.png",
                        Pictures.file(Pictures.flag(256, 256), "png")));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get(0);
    }

    private static String withPictures(JsonNode delivery, String things) {
        return "{\"choices\":" + delivery.get("choices")
                + ",\"swatches\":{},\"laidOut\":true,\"pictures\":true,\"things\":[" + things + "]}";
    }

    /** Its picture lies on the piece as its UVs have it, on a swatch of its own; brought in again it keeps that; one step back takes all of it back. */
    @Test
    void picturesOfAFileLieOnSheetsOfTheirOwn() throws IOException {
        var delivery = pictured(1, "");
        assertThat(delivery.get("pictured").get(0).asString()).isEqualTo("face0");
        var id = in.made(
                        "/deliveries/" + delivery.get("id").asString() + "/pieces",
                        withPictures(delivery, "{\"number\":0,\"name\":\"screen\"}"))
                .get(0)
                .asLong();
        assertThat(bench(id).get("parts").get(0).get("words").get("swatch").asString())
                .isEqualTo("OWN1");
        // A picture of 256 pixels, hence a sheet of as many, on 2 m of it, whatever the site has.
        assertThat(bench(id).get("density").get("least").asDouble()).isCloseTo(128, within(0.01));
        assertThat(bench(id).get("density").get("greatest").asDouble()).isCloseTo(128, within(0.01));
        var colourway = in.caller
                .get(in.site + "/colourways")
                .json()
                .valueStream()
                .filter(c -> c.get("used").asBoolean())
                .findFirst()
                .orElseThrow();
        assertThat(colourway.get("name").asString()).isEqualTo("own pictures");
        var sheet = ImageIO.read(new ByteArrayInputStream(in.caller
                .get(in.site + "/colourways/" + colourway.get("id").asLong() + "/OWN1/COLOUR.png?side=256")
                .bytes()));
        assertThat(sheet.getRGB(64, 200) & 0xFFFFFF).as("below, to the left").isEqualTo(0xFF0000);
        assertThat(sheet.getRGB(192, 200) & 0xFFFFFF).isEqualTo(0x0000FF);
        assertThat(sheet.getRGB(64, 20) & 0xFFFFFF).as("above").isEqualTo(0x00FF00);
        assertThat(called("OWN1")).as("as in its file").isEqualTo("face0");
        var again = pictured(1, "?pieceId=" + id);
        in.made(
                "/deliveries/" + again.get("id").asString() + "/pieces",
                withPictures(again, "{\"number\":0,\"pieceId\":" + id + "}"));
        assertThat(bench(id).get("parts").get(0).get("words").get("swatch").asString())
                .isEqualTo("OWN1");
        var more = pictured(7, "");
        var many = in.made("/deliveries/" + more.get("id").asString() + "/pieces", withPictures(more, "{\"number\":0}"))
                .get(0)
                .asLong();
        assertThat(bench(many)
                        .get("parts")
                        .valueStream()
                        .map(p -> p.get("words").get("swatch").asString())
                        .distinct())
                .as("each on a sheet of its own, beside the one that was there")
                .hasSize(7)
                .doesNotContain("OWN1");
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        assertThat(in.caller.get(in.site + "/colourways").json()).hasSize(1);
        assertThat(in.caller.get(in.site + "/materials").json().valueStream().map(m -> m.get("swatch")
                        .asString()))
                .noneMatch(s -> s.startsWith("OWN"));
    }

    /** Ten materials of ten colours come in as ten, in their colours; one that the site knows by its name is that, and one that a person chose another for is the other. */
    @Test
    void coloursOfAFileAreMaterialsOfTheSitesOwn() {
        var obj = new StringBuilder("mtllib ten.mtl\n");
        var mtl = new StringBuilder();
        for (var m = 0; m < 10; m++) {
            mtl.append("newmtl paint %d\nKd 0.%d 0.2 0.4\nPr 0.%d\n".formatted(m, m, m));
            obj.append("v %1$d 0 0\nv %1$d 2 0\nv %2$d 0 0\nusemtl paint %3$d\nf -3 -2 -1\n"
                    .formatted(3 * m, 3 * m + 2, m));
        }
        mtl.append("newmtl stone\nKd 1 0 0\n");
        obj.append("v 40 0 0\nv 40 2 0\nv 42 0 0\nusemtl stone\nf -3 -2 -1\n");
        var delivery = in.caller
                .files(
                        in.site + "/deliveries",
                        Map.of(
                                "ten.obj",
                                obj.toString().getBytes(StandardCharsets.UTF_8),
                                "ten.mtl",
                                mtl.toString().getBytes(StandardCharsets.UTF_8)))
                .json()
                .get(0);
        assertThat(delivery.get("materials").get(6).get("colour").asString())
                .as("0.6, 0.2 and 0.4 of 255")
                .isEqualTo("#993366");
        assertThat(delivery.get("materials").get(10).get("colour").isNull()).isTrue();
        var id = in.made(
                        "/deliveries/" + delivery.get("id").asString() + "/pieces",
                        bringing(delivery, "{\"number\":0}", "\"paint 3\":\"TIMBER\""))
                .get(0)
                .asLong();
        var swatches = bench(id)
                .get("parts")
                .valueStream()
                .map(p -> p.get("words").get("swatch").asString())
                .distinct()
                .toList();
        assertThat(swatches).hasSize(11).contains("TIMBER", "STONE");
        assertThat(swatches.stream().filter(s -> s.startsWith("OWN")).map(this::called))
                .containsExactlyInAnyOrder(
                        "paint 0", "paint 1", "paint 2", "paint 4", "paint 5", "paint 6", "paint 7", "paint 8",
                        "paint 9");
        var used = in.caller
                .get(in.site + "/colourways")
                .json()
                .valueStream()
                .filter(c -> c.get("used").asBoolean())
                .findFirst()
                .orElseThrow();
        var sixth = used.get("coats")
                .valueStream()
                .filter(c -> called(c.get("swatch").asString()).equals("paint 6"))
                .findFirst()
                .orElseThrow()
                .get("words");
        assertThat(sixth.get("colour").asString()).isEqualTo("#993366");
        assertThat(sixth.get("roughness").asInt()).isEqualTo(60);
        var back = in.caller
                .files(
                        in.site + "/deliveries",
                        Map.of(
                                "ten.obj",
                                obj.toString().getBytes(StandardCharsets.UTF_8),
                                "ten.mtl",
                                mtl.toString().getBytes(StandardCharsets.UTF_8)))
                .json()
                .get(0);
        assertThat(back.get("materials").get(7).get("colour").isNull())
                .as("known by its name now")
                .isTrue();
        in.caller.post(in.site + "/undo", null);
        assertThat(in.caller.get(in.site + "/materials").json().valueStream().map(m -> m.get("swatch")
                        .asString()))
                .noneMatch(s -> s.startsWith("OWN"));
    }

    private String called(String swatch) {
        return in.caller
                .get(in.site + "/materials")
                .json()
                .valueStream()
                .filter(m -> m.get("swatch").asString().equals(swatch))
                .findFirst()
                .orElseThrow()
                .get("name")
                .asString();
    }

    /** A stand-in's place is taken everywhere it stands by one edit; it is gone back to by one step, and by its own button. */
    @Test
    void aMeshTakesThePlaceOfAStandIn() {
        var till = standIn();
        in.made("/placements", "{\"pieceId\":" + till + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":0},\"snap\":false}");
        in.made("/placements", "{\"pieceId\":" + till + ",\"atMm\":{\"x\":3000,\"y\":1000,\"z\":0},\"snap\":false}");
        var file =
                obj(1, "body", "oak", box(0, 0, 0, 0.62, 0.3, 0.4), "top", "brass", box(0.1, 0.3, 0.1, 0.5, 0.5, 0.3));
        var delivery = delivered("till.obj", file, "?pieceId=" + till);
        assertThat(delivery.get("choices").get("whole").asBoolean())
                .as("in place of one piece it is one")
                .isTrue();
        assertThat(delivery.get("things").get(0).get("came").get("triangles").asInt())
                .isEqualTo(24);
        var before = bench(till);
        var tag = piece(till).get("mesh").asString();
        var ids = in.made(
                "/deliveries/" + delivery.get("id").asString() + "/pieces",
                bringing(delivery, "{\"number\":0,\"pieceId\":" + till + "}", ""));
        assertThat(ids.get(0).asLong()).isEqualTo(till);
        var after = bench(till);
        assertThat(mm(after.get("sizeMm"), "x")).isEqualTo(620);
        assertThat(after.get("volumeM3").asDouble()).isCloseTo(0.62 * 0.3 * 0.4 + 0.4 * 0.2 * 0.2, within(1e-6));
        assertThat(after.get("parts")
                        .valueStream()
                        .map(p -> p.get("words").get("swatch").asString()))
                .containsExactly("TIMBER", "METAL");
        assertThat(after.get("uses").get(0).get("count").asInt()).isEqualTo(2);
        assertThat(piece(till).get("mesh").asString()).isNotEqualTo(tag);
        sets.forget(in.id());
        assertThat(bench(till).get("triangles").asInt()).isEqualTo(24);
        in.caller.post(in.site + "/undo", null);
        assertThat(bench(till)).isEqualTo(before);
        in.caller.post(in.site + "/redo", null);
        assertThat(in.caller
                        .call("DELETE", in.site + "/pieces/" + till + "/parts", null, null)
                        .status())
                .isEqualTo(200);
        assertThat(bench(till).get("parts")).isEqualTo(before.get("parts"));
    }

    /** By hand: a stand-in stands twice, so that a mesh of 24 triangles in its place changes the set by twice the difference; a new piece of a box by 12. */
    @Test
    void whatItTakesOfTheBudgetIsTold() {
        var till = standIn();
        in.made("/placements", "{\"pieceId\":" + till + ",\"atMm\":{\"x\":1000,\"y\":1000,\"z\":0},\"snap\":false}");
        in.made("/placements", "{\"pieceId\":" + till + ",\"atMm\":{\"x\":3000,\"y\":1000,\"z\":0},\"snap\":false}");
        var spent = in.caller.get(in.site + "/tally").json().get("triangles").asLong();
        var file =
                obj(1, "body", "oak", box(0, 0, 0, 0.62, 0.3, 0.4), "top", "brass", box(0.1, 0.3, 0.1, 0.5, 0.5, 0.3));
        assertThat(line(delivered("till.obj", file, "?pieceId=" + till))
                        .get("allowed")
                        .asLong())
                .as("no limit")
                .isZero();
        var allowed = spent + 11;
        assertThat(in.caller
                        .call("PATCH", in.site + "/brief", "{\"budget\":{\"triangles\":" + allowed + "}}", null)
                        .status())
                .isLessThan(300);
        // A stand-in has 44.
        var instead = line(delivered("till.obj", file, "?pieceId=" + till));
        assertThat(instead.get("spent").asLong()).isEqualTo(spent + 2 * (24 - 44));
        assertThat(instead.get("over").asBoolean()).isFalse();
        var beside = line(delivered("box.obj", obj(1, "body", "oak", box(0, 0, 0, 0.62, 0.3, 0.4)), ""));
        assertThat(beside.get("spent").asLong()).isEqualTo(spent + 12);
        assertThat(beside.get("over").asBoolean()).isTrue();
        assertThat(beside.get("allowed").asLong()).isEqualTo(allowed);
    }

    private static JsonNode line(JsonNode delivery) {
        return delivery.get("things").get(0).get("triangles");
    }

    private long standIn() {
        in.made(
                "/piece-list",
                "{\"code\":\"PRP-TILL\",\"name\":\"till\",\"role\":\"PROP\",\"widthMm\":600,\"depthMm\":400,\"heightMm\":500,\"count\":1}");
        var listed = in.caller.get(in.site + "/piece-list").json();
        var id = listed.findValue("id").asLong();
        var answer = in.caller.post(in.site + "/piece-list/stand-ins", "{\"ids\":[" + id + "]}");
        assertThat(answer.status()).as(answer.text()).isLessThan(300);
        return in.piece("PRP-TILL");
    }

    private JsonNode piece(long id) {
        return in.caller
                .get(in.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asLong() == id)
                .findFirst()
                .orElseThrow();
    }

    /** Each object its own piece, in centimetres; brought in again, the mesh is another and what was told about parts stays. */
    @Test
    void broughtInAgainItKeepsWhatWasToldAboutIt() {
        var delivery = delivered(
                "set.obj",
                obj(100, "urn", "slate", box(0, 0, 0, 0.4, 0.9, 0.4), "stool", "beech", box(1, 0, 0, 1.4, 0.5, 0.4)),
                "");
        assertThat(delivery.get("choices").get("millimetres").asDouble()).isEqualTo(10);
        assertThat(delivery.get("things").size()).isEqualTo(2);
        var ids = in.made(
                "/deliveries/" + delivery.get("id").asString() + "/pieces",
                bringing(delivery, "{\"number\":0},{\"number\":1,\"name\":\"low stool\"}", "\"slate\":\"TERRAZZO\""));
        var urn = ids.get(0).asLong();
        assertThat(bench(urn).get("code").asString()).isEqualTo("PRP-URN");
        assertThat(bench(ids.get(1).asLong()).get("name").asString()).isEqualTo("low stool");
        assertThat(mm(bench(urn).get("sizeMm"), "z")).isEqualTo(900);
        assertThat(in.caller
                        .call(
                                "PATCH",
                                in.site + "/pieces/" + urn + "/parts/0",
                                "{\"swatch\":\"PAINT\",\"turn\":{\"x\":0,\"y\":0,\"z\":90}}",
                                null)
                        .status())
                .isEqualTo(200);
        assertThat(in.caller
                        .post(in.site + "/pieces/" + urn + "/parts", "{\"form\":\"BLOCK\"}")
                        .status())
                .isEqualTo(201);
        var again = delivered(
                "set.obj",
                obj(100, "urn", "slate", box(0, 0, 0, 0.5, 1.2, 0.4), "stool", "beech", box(1, 0, 0, 1.4, 0.5, 0.4)),
                "?pieceId=" + urn);
        assertThat(again.get("choices").get("whole").asBoolean())
                .as("as it was brought in before")
                .isFalse();
        in.made(
                "/deliveries/" + again.get("id").asString() + "/pieces",
                bringing(again, "{\"number\":" + again.get("thing").asInt() + ",\"pieceId\":" + urn + "}", ""));
        var parts = bench(urn).get("parts");
        assertThat(parts.size()).isEqualTo(2);
        assertThat(parts.get(0).get("words").get("swatch").asString()).isEqualTo("PAINT");
        assertThat(parts.get(0).get("words").get("turn").get("z").asInt()).isEqualTo(90);
        assertThat(mm(bench(urn).get("boxMm").get("max"), "z")).isEqualTo(1200);
    }

    /** A wall taken out, and brought in again as it was, lies where it lay; one that misses its size says by how much and is stretched to it. */
    @Test
    void aWallIsReplacedByAMeshThatFitsIt() {
        var wall = in.piece("WAL-1000");
        var was = in.caller.get(in.site + "/pieces/" + wall + "/mesh.glb").bytes();
        var size = bench(wall).get("sizeMm");
        var delivery = delivered("wall.glb", was, "?pieceId=" + wall);
        assertThat(delivery.get("things").get(0).get("came").get("fits").asBoolean())
                .isTrue();
        assertThat(delivery.get("things").get(0).get("boxMm"))
                .isEqualTo(piece(wall).get("boxMm"));
        var proud = obj(1, "w", "tile", box(0, 0, -0.2, 0.996, 3, 0.03));
        var other = delivered("proud.obj", proud, "?pieceId=" + wall);
        var came = other.get("things").get(0).get("came");
        assertThat(mm(came.get("offMm"), "x")).isEqualTo(-4);
        assertThat(mm(came.get("offMm"), "y")).isCloseTo(230 - mm(size, "y"), within(1e-9));
        // It keeps its own origin for the pivot: 30 mm stand proud of the face.
        assertThat(mm(other.get("things").get(0).get("boxMm").get("min"), "y")).isEqualTo(-30);
        var stretched = in.caller
                .get(in.site + "/deliveries/" + other.get("id").asString()
                        + "?millimetres=1000&up=Y&whole=true&fixes=FIT&pieceId=" + wall)
                .json();
        assertThat(stretched.get("things").get(0).get("left").get("sizeMm")).isEqualTo(size);
        assertThat(stretched.get("things").get(0).get("boxMm"))
                .isEqualTo(piece(wall).get("boxMm"));
        var placed = in.placements("WALL").count();
        in.made(
                "/deliveries/" + other.get("id").asString() + "/pieces",
                bringing(stretched, "{\"number\":0,\"pieceId\":" + wall + "}", ""));
        assertThat(in.placements("WALL").count()).isEqualTo(placed);
        assertThat(bench(wall).get("sizeMm")).isEqualTo(size);
        assertThat(bench(wall).get("parts").get(0).get("words").get("mesh").asString())
                .hasSize(64);
    }

    @Test
    void whatCannotBeReadIsRefusedAndNothingIsLeftBehind() {
        for (var faulty : Stream.of(
                        "v 0 0 0\nf 1 1 9\n", "mtllib ../../secret.mtl\nv 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n", "")
                .toList()) {
            var answer =
                    in.caller.files(in.site + "/deliveries", Map.of("a.obj", faulty.getBytes(StandardCharsets.UTF_8)));
            assertThat(answer.status()).as(answer.text()).isEqualTo(400);
            assertThat(answer.json().get("errors").get(0).get("field").asString())
                    .isEqualTo("file");
        }
        assertThat(in.caller
                        .files(in.site + "/deliveries", Map.of("a.txt", new byte[2]))
                        .status())
                .isEqualTo(400);
        assertThat(in.caller
                        .files("/api/sites/999999/deliveries", Map.of("a.obj", obj(1, "a", "b", box(0, 0, 0, 1, 1, 1))))
                        .status())
                .isEqualTo(404);
        assertThat(jdbc.queryForObject("select count(*) from bundle where site_id = ?", Integer.class, in.id()))
                .isZero();
        var delivery = delivered("a.obj", obj(1, "a", "b", box(0, 0, 0, 1, 1, 1)), "");
        var at = in.site + "/deliveries/" + delivery.get("id").asString();
        assertThat(in.caller
                        .post(at + "/pieces", bringing(delivery, "{\"number\":7}", ""))
                        .status())
                .isEqualTo(400);
        assertThat(in.caller
                        .post(at + "/pieces", bringing(delivery, "{\"number\":0,\"role\":\"WALL\"}", ""))
                        .status())
                .isEqualTo(400);
        assertThat(in.caller
                        .post(at + "/pieces", bringing(delivery, "{\"number\":0,\"pieceId\":99}", ""))
                        .status())
                .isEqualTo(404);
        assertThat(in.caller.get(at + "?millimetres=1e9&up=Y&whole=true").status())
                .isEqualTo(400);
        assertThat(in.caller.get(at + "?millimetres=1000").status()).isEqualTo(400);
        assertThat(in.caller.get(at + "?millimetres=1000000&up=Y&whole=true").status())
                .isEqualTo(400);
        assertThat(jdbc.queryForObject("select count(*) from shell where site_id = ?", Integer.class, in.id()))
                .isZero();
        assertThat(in.caller.call("DELETE", at, null, null).status()).isEqualTo(204);
        assertThat(in.caller.get(at).status()).isEqualTo(404);
        assertThat(in.caller.get(in.site + "/deliveries/17").status()).isEqualTo(404);
        assertThat(in.caller
                        .post(in.site + "/pieces/" + in.piece("WAL-1000") + "/parts", "{\"form\":\"BROUGHT\"}")
                        .status())
                .isEqualTo(400);
        assertThat(in.caller
                        .post(
                                in.site + "/pieces/" + in.piece("WAL-1000") + "/parts",
                                "{\"form\":\"BROUGHT\",\"mesh\":\"" + "0".repeat(64) + "\"}")
                        .status())
                .isIn(400, 404);
    }

    /** A copy of the site has its own meshes. */
    @Test
    void aCopyOfTheSiteKeepsItsMeshes() {
        var delivery = delivered("urn.obj", obj(1, "urn", "slate", box(0, 0, 0, 0.4, 0.9, 0.4)), "");
        var urn = in.made(
                        "/deliveries/" + delivery.get("id").asString() + "/pieces",
                        bringing(delivery, "{\"number\":0}", ""))
                .get(0)
                .asLong();
        assertThat(urn).isPositive();
        var copy = in.caller.post(in.site + "/copies", "{\"name\":\"Deliveries too\"}");
        assertThat(copy.status()).as(copy.text()).isEqualTo(201);
        var to = "/api/sites/" + copy.json().get("id").asLong();
        in.caller.call("DELETE", in.site, null, null);
        var there = in.caller
                .get(to + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals("PRP-URN"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        assertThat(in.caller
                        .get(to + "/pieces/" + there + "/bench")
                        .json()
                        .get("triangles")
                        .asInt())
                .isEqualTo(12);
    }

    /** Laid out in its file with one side four times as fine as the other, it is told once it stands; laid out anew it is as the site. */
    @Test
    void whatLiesFinerThanTheSiteIsListed() {
        var text =
                "v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nv 2 0 0\nv 2 1 0\nvt 0 0\nvt 0.2 0\nvt 0.2 0.2\nvt 0 0.2\nvt 0 0\nvt 0.8 0\nvt 0.8 0.8\nvt 0 0.8\no screen\nf 1/1 2/2 3/3 4/4\nf 2/5 5/6 6/7 3/8\n";
        var delivery = delivered("screen.obj", text.getBytes(StandardCharsets.UTF_8), "");
        assertThat(delivery.get("things").get(0).get("laidOut").asBoolean()).isTrue();
        var at = in.site + "/deliveries/" + delivery.get("id").asString() + "/pieces";
        var screen = in.caller
                .post(at, bringing(delivery, "{\"number\":0}", "").replace("\"laidOut\":false", "\"laidOut\":true"))
                .json()
                .get(0)
                .asLong();
        assertThat(in.caller.get(in.site + "/densities").json().get("otherwise"))
                .as("it stands nowhere")
                .isEmpty();
        in.made("/placements", "{\"pieceId\":" + screen + ",\"atMm\":{\"x\":2000,\"y\":2000,\"z\":0},\"snap\":false}");
        var listed = in.caller.get(in.site + "/densities").json().get("otherwise");
        assertThat(listed).hasSize(1);
        assertThat(listed.get(0).get("greatest").asDouble())
                .isCloseTo(4 * listed.get(0).get("least").asDouble(), within(0.01));
        // As large as makes the whole as the site: a side of a quarter, 2 / (1 + 16) of the squares each.
        assertThat(listed.get(0).get("least").asDouble()).isCloseTo(256 * Math.sqrt(2 / 17.0), within(0.1));
        assertThat(in.caller
                        .call("PATCH", in.site + "/pieces/" + screen + "/parts/0", "{\"laidOut\":false}", null)
                        .status())
                .isEqualTo(200);
        assertThat(in.caller.get(in.site + "/densities").json().get("otherwise"))
                .isEmpty();
    }

    /** Two models of one zip share its bytes, which go with the second of them. */
    @Test
    void filesAreKeptOnceAndGoWithTheirLastModel() throws IOException {
        var out = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(out)) {
            for (var name : List.of("a.obj", "b.obj")) {
                zip.putNextEntry(new ZipEntry("set/" + name));
                zip.write(obj(1, name, "slate", box(0, 0, 0, 0.4, 0.9, 0.4)));
            }
        }
        var both = in.caller
                .files(in.site + "/deliveries", Map.of("set.zip", out.toByteArray()))
                .json();
        assertThat(both.valueStream().map(d -> d.get("name").asString())).containsExactly("a", "b");
        var files = "select count(*) from bundle_file f join bundle b on b.id = f.bundle_id where b.site_id = ?";
        assertThat(jdbc.queryForObject(files, Integer.class, in.id())).isEqualTo(1);
        in.caller.call(
                "DELETE", in.site + "/deliveries/" + both.get(0).get("id").asString(), null, null);
        assertThat(in.caller
                        .get(in.site + "/deliveries/" + both.get(1).get("id").asString())
                        .status())
                .isEqualTo(200);
        in.caller.call(
                "DELETE", in.site + "/deliveries/" + both.get(1).get("id").asString(), null, null);
        assertThat(jdbc.queryForObject(files, Integer.class, in.id())).isZero();
        var many = new LinkedHashMap<String, byte[]>();
        for (var i = 0; i < 41; i++) {
            many.put(i + ".obj", obj(1, "a", "slate", box(0, 0, 0, 1, 1, 1)));
        }
        assertThat(in.caller.files(in.site + "/deliveries", many).text()).contains("at most 40");
    }

    /** Whole steps are the site's, whatever they were when it was looked at first. */
    @Test
    void whatIsOffStepsFollowsTheStep() {
        var delivery = delivered("urn.obj", obj(1, "urn", "slate", box(0, 0, 0, 0.4, 0.9, 0.4)), "");
        assertThat(delivery.get("things").get(0).get("came").get("fits").asBoolean())
                .isTrue();
        var site = in.caller.get(in.site).json();
        var step = in.caller.call("PATCH", in.site, "{\"name\":\"Deliveries\",\"stepMm\":250}", null);
        assertThat(step.status()).as(step.text() + site).isEqualTo(200);
        var off = in.caller
                .get(in.site + "/deliveries/" + delivery.get("id").asString())
                .json()
                .get("things")
                .get(0)
                .get("came")
                .get("offMm");
        assertThat(mm(off, "x")).isEqualTo(-100);
        assertThat(mm(off, "z")).isEqualTo(-100);
    }
}
