package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import de.javagl.jgltf.model.GltfModel;
import hausbau.server.standing.Sets;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** The sheet that several swatches share, over HTTP. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class SharedSheetTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Shared sheets");
    }

    private JsonNode sheet() {
        return in.caller.get(in.site + "/shared-sheets").json().get(0);
    }

    private long picture(int width, int height, Color colour) throws IOException {
        var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var g = image.createGraphics();
        g.setColor(colour);
        g.fillRect(0, 0, width, height);
        g.dispose();
        return in.caller
                .upload(
                        in.site + "/finish-pictures",
                        "application/octet-stream",
                        BodyPublishers.ofByteArray(Pictures.file(image, "png")))
                .json()
                .get("mediaId")
                .asLong();
    }

    private String added(String told) {
        return in.made("/shared-sheets/SHARED/swatches", told).get("swatch").asString();
    }

    private void change(String swatch, String told) {
        var answer = in.caller.call("PATCH", in.site + "/shared-sheets/swatches/" + swatch, told, null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
    }

    private JsonNode placed(String swatch) {
        return sheet().get("placed")
                .valueStream()
                .filter(p -> p.get("swatch").asString().equals(swatch))
                .findFirst()
                .orElseThrow();
    }

    /** A piece of one block of the swatch. */
    private long pieceOf(String swatch) {
        var id = in.made("/pieces", "{\"code\":\"OWN\",\"name\":\"own\",\"role\":\"PROP\"}")
                .get("id")
                .asLong();
        var answer = in.caller.call(
                "PATCH", in.site + "/pieces/" + id + "/parts/0", "{\"swatch\":\"" + swatch + "\"}", null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return id;
    }

    private float[] uvs(long piece) throws IOException {
        return uvs(piece, "shared");
    }

    private float[] uvs(long piece, String material) throws IOException {
        GltfModel model =
                in.caller.get(in.site + "/pieces/" + piece + "/mesh.glb").glb();
        assertThat(model.getMaterialModels()).singleElement().satisfies(m -> assertThat(m.getName())
                .isEqualTo(material));
        var data = model.getMeshModels()
                .get(0)
                .getMeshPrimitiveModels()
                .get(0)
                .getAttributes()
                .get("TEXCOORD_0")
                .getAccessorData()
                .createByteBuffer()
                .asFloatBuffer();
        var uvs = new float[data.remaining()];
        data.get(uvs);
        return uvs;
    }

    private String tag(long piece) {
        return in.caller
                .get(in.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asLong() == piece)
                .findFirst()
                .orElseThrow()
                .get("mesh")
                .asString();
    }

    /** Put where there is room, as large as it is; moved, what is made of it follows, and nothing else is another mesh; one step back. */
    @Test
    void whatLiesOnItFollows() throws IOException {
        assertThat(sheet().get("placed")).isEmpty();
        var red = added("{\"name\":\"red\",\"pictures\":{\"COLOUR\":" + picture(128, 64, Color.RED) + "}}");
        var blue = added("{\"name\":\"blue\",\"kind\":\"STRIP\",\"height\":2,\"pictures\":{\"COLOUR\":"
                + picture(64, 64, Color.BLUE) + "}}");
        assertThat(placed(red).toString()).contains("\"x\":0,\"y\":0,\"width\":2,\"height\":1");
        assertThat(placed(blue).toString()).contains("\"x\":0,\"y\":1,\"width\":16,\"height\":2");
        assertThat(sheet().get("free").asInt()).isEqualTo(256 - 2 - 32);
        var piece = pieceOf(red);
        var other = pieceOf(blue);
        var before = uvs(piece);
        for (var i = 0; i < before.length; i += 2) {
            assertThat(before[i]).isBetween(0f, 0.125f);
            assertThat(before[i + 1]).isBetween(0f, 0.0625f);
        }
        var tags = new String[] {tag(piece), tag(other), tag(in.piece("WAL-1000"))};
        change(red, "{\"x\":8,\"y\":8}");
        var after = uvs(piece);
        for (var i = 0; i < before.length; i += 2) {
            assertThat(after[i] - before[i]).isCloseTo(0.5f, within(1e-6f));
            assertThat(after[i + 1] - before[i + 1]).isCloseTo(0.5f, within(1e-6f));
        }
        assertThat(tag(piece)).isNotEqualTo(tags[0]);
        assertThat(tag(other)).isEqualTo(tags[1]);
        assertThat(tag(in.piece("WAL-1000"))).isEqualTo(tags[2]);
        assertThat(pixel("COLOUR", 8 * 64 + 32, 8 * 64 + 32)).isEqualTo(0xff0000);
        assertThat(pixel("COLOUR", 500, 100)).isEqualTo(0x0000ff);
        sets.forget(in.id());
        assertThat(uvs(piece)).isEqualTo(after);
        in.caller.post(in.site + "/undo", null);
        assertThat(uvs(piece)).isEqualTo(before);
        assertThat(tag(piece)).isEqualTo(tags[0]);
    }

    private int pixel(String which, int x, int y) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(in.caller
                                .get(in.site + "/shared-sheets/SHARED/" + which + ".png")
                                .bytes()))
                        .getRGB(x, y)
                & 0xffffff;
    }

    /** What becomes a strip goes where a strip has room; packed, none is lost; a finer grid leaves all where it is. */
    @Test
    void itIsPackedAndItsGridChanges() throws IOException {
        var one = added("{\"width\":4,\"height\":4,\"x\":0,\"y\":0}");
        var two = added("{\"width\":3,\"height\":2}");
        assertThat(placed(two).toString()).contains("\"x\":4,\"y\":0");
        change(two, "{\"kind\":\"STRIP\"}");
        assertThat(placed(two).toString()).contains("\"x\":0,\"y\":4,\"width\":16,\"height\":2");
        change(one, "{\"x\":9,\"y\":11}");
        in.done("/shared-sheets/SHARED/pack", "{}");
        assertThat(placed(two).toString()).contains("\"x\":0,\"y\":0,\"width\":16");
        assertThat(placed(one).toString()).contains("\"x\":0,\"y\":2,\"width\":4");
        assertThat(in.caller
                        .call("PATCH", in.site + "/shared-sheets/SHARED", "{\"cells\":32}", null)
                        .status())
                .isEqualTo(204);
        assertThat(placed(one).toString()).contains("\"x\":0,\"y\":4,\"width\":8,\"height\":8");
    }

    /** Handed over with its pictures, once for all that lies on it; a copy of the site has its own. */
    @Test
    void itIsHandedOverAndCopied() throws IOException {
        var red = added("{\"name\":\"red\",\"pictures\":{\"COLOUR\":" + picture(128, 64, Color.RED) + "}}");
        var piece = pieceOf(red);
        in.made("/placements", "{\"pieceId\":" + piece + ",\"atMm\":{\"x\":2000,\"y\":2000,\"z\":0},\"snap\":false}");
        var scene = in.caller.get(in.site + "/handover/scene.glb").glb();
        assertThat(scene.getMaterialModels().stream().map(m -> m.getName())).contains("shared");
        assertThat(scene.getImageModels().stream().map(i -> i.getName()))
                .contains("shared colour", "shared normal", "shared surface");
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Shared sheets too\"}")
                        .json()
                        .get("id")
                        .asLong();
        in.caller.call("DELETE", in.site, null, null);
        var picture = ImageIO.read(new ByteArrayInputStream(
                in.caller.get(copy + "/shared-sheets/SHARED/COLOUR.png").bytes()));
        assertThat(picture.getRGB(60, 30) & 0xffffff).isEqualTo(0xff0000);
        in.caller.call("DELETE", copy, null, null);
    }

    /** Another sheet has places and a material of its own; twice the pixels are twice the width on a piece, at one density; one step back each. */
    @Test
    void thereIsAnotherOfASizeOfItsOwn() throws IOException {
        var second = in.made("/shared-sheets", "{}").get("material").asString();
        assertThat(second).isEqualTo("SHARED_B");
        var green = in.made(
                        "/shared-sheets/SHARED_B/swatches",
                        "{\"name\":\"green\",\"width\":8,\"height\":8,\"pictures\":{\"COLOUR\":"
                                + picture(512, 512, Color.GREEN) + "}}")
                .get("swatch")
                .asString();
        assertThat(green).isEqualTo("SHARED_B1");
        var piece = pieceOf(green);
        var before = uvs(piece, "shared b");
        var tags = new String[] {tag(piece), tag(in.piece("WAL-1000"))};
        assertThat(in.caller
                        .call("PATCH", in.site + "/shared-sheets/SHARED_B", "{\"pixels\":2048}", null)
                        .status())
                .isEqualTo(204);
        var sheet = in.caller.get(in.site + "/shared-sheets").json().get(1);
        assertThat(sheet.get("pixels").asInt()).isEqualTo(2048);
        // At 256 pixels a metre.
        assertThat(sheet.get("widthMm").asDouble()).isEqualTo(8000);
        var after = uvs(piece, "shared b");
        assertThat(span(after)).isCloseTo(span(before) / 2, within(1e-5f));
        assertThat(tag(piece)).isNotEqualTo(tags[0]);
        assertThat(tag(in.piece("WAL-1000"))).isEqualTo(tags[1]);
        var density =
                in.caller.get(in.site + "/pieces/" + piece + "/bench").json().get("density");
        assertThat(density.get("least").asDouble()).isCloseTo(256, within(0.256));
        in.made("/placements", "{\"pieceId\":" + piece + ",\"atMm\":{\"x\":2000,\"y\":2000,\"z\":0},\"snap\":false}");
        var scene = in.caller.get(in.site + "/handover/scene.glb").glb();
        var image = scene.getImageModels().stream()
                .filter(i -> i.getName().equals("shared b colour"))
                .findFirst()
                .orElseThrow();
        var bytes = new byte[image.getImageData().remaining()];
        image.getImageData().get(bytes);
        assertThat(ImageIO.read(new ByteArrayInputStream(bytes)).getWidth()).isEqualTo(2048);
        assertThat(scene.getImageModels()).noneMatch(i -> i.getName().equals("shared colour"));
        assertThat(in.caller
                        .get(in.site + "/tally")
                        .json()
                        .get("largest")
                        .get(0)
                        .toString())
                .contains("\"material\":\"SHARED_B\"", "\"pixels\":2048");
        assertThat(in.refused("DELETE", "/shared-sheets/SHARED_B", "")).containsExactly("swatch");
        assertThat(in.refused("PATCH", "/shared-sheets/SHARED_B", "{\"pixels\":1000}"))
                .containsExactly("pixels");
        assertThat(in.caller
                        .call("PATCH", in.site + "/shared-sheets/SHARED_C", "{\"pixels\":512}", null)
                        .status())
                .isEqualTo(404);
        sets.forget(in.id());
        assertThat(uvs(piece, "shared b")).isEqualTo(after);
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        assertThat(uvs(piece, "shared b")).isEqualTo(before);
        // Called otherwise; the next one that is begun in its place is not called so.
        in.caller.call("PATCH", in.site + "/materials/SHARED_B", "{\"name\":\"signage\"}", null);
        assertThat(in.caller
                        .get(in.site + "/pieces/" + piece + "/piece.glb")
                        .glb()
                        .getMaterialModels()
                        .get(0)
                        .getName())
                .isEqualTo("signage");
        assertThat(in.refused("PATCH", "/materials/SHARED_B", "{\"pixels\":2048}"))
                .containsExactly("swatch");
        in.caller.call("PATCH", in.site + "/pieces/" + piece + "/parts/0", "{\"swatch\":\"STONE\"}", null);
        assertThat(in.caller
                        .call("DELETE", in.site + "/shared-sheets/SHARED_B", null, null)
                        .status())
                .isEqualTo(204);
        in.made("/shared-sheets", "{}");
        assertThat(in.caller.get(in.site + "/materials").text())
                .contains("\"name\":\"shared b\"")
                .doesNotContain("signage");
    }

    private static float span(float[] uvs) {
        var least = Float.MAX_VALUE;
        var greatest = -Float.MAX_VALUE;
        for (var i = 0; i < uvs.length; i += 2) {
            least = Math.min(least, uvs[i]);
            greatest = Math.max(greatest, uvs[i]);
        }
        return greatest - least;
    }

    /** As many as one likes; an empty one is taken away again, and its letter is free. */
    @Test
    void sheetsAreBegunAndTakenAway() {
        for (var letter : new String[] {"B", "C", "D", "E", "F"}) {
            assertThat(in.made("/shared-sheets", "{}").get("material").asString())
                    .isEqualTo("SHARED_" + letter);
        }
        assertThat(in.caller
                        .call("DELETE", in.site + "/shared-sheets/SHARED_C", null, null)
                        .status())
                .isEqualTo(204);
        assertThat(in.caller.get(in.site + "/shared-sheets").json()).hasSize(5);
        assertThat(in.made("/shared-sheets", "{}").get("material").asString()).isEqualTo("SHARED_C");
    }

    @Test
    void whatCannotBeIsRefusedAndStaysAsItWas() throws IOException {
        var one = added("{\"width\":4,\"height\":4}");
        var two = added("{\"width\":4,\"height\":4}");
        var before = sheet().toString();
        assertThat(in.refused("PATCH", "/shared-sheets/swatches/" + two, "{\"x\":2}"))
                .containsExactly("x");
        assertThat(in.refused("PATCH", "/shared-sheets/swatches/" + two, "{\"width\":40}"))
                .containsExactly("width");
        assertThat(in.refused("PATCH", "/shared-sheets/swatches/" + two, "{\"name\":\" \"}"))
                .containsExactly("name");
        assertThat(in.refused("PATCH", "/shared-sheets/swatches/" + two, "{\"pictures\":{\"COLOUR\":999999}}"))
                .containsExactly("pictures");
        assertThat(in.refused("POST", "/shared-sheets/SHARED/swatches", "{\"width\":16,\"height\":14}"))
                .containsExactly("placed");
        assertThat(in.refused("PATCH", "/shared-sheets/SHARED", "{\"cells\":5}"))
                .contains("cells");
        assertThat(in.caller
                        .call("DELETE", in.site + "/shared-sheets/swatches/SHARED9", null, null)
                        .status())
                .isEqualTo(404);
        var piece = pieceOf(one);
        assertThat(in.refused("DELETE", "/shared-sheets/swatches/" + one, "")).containsExactly("swatch");
        assertThat(sheet().toString()).isEqualTo(before);
        assertThat(in.caller
                        .call("PATCH", in.site + "/pieces/" + piece + "/parts/0", "{\"swatch\":\"STONE\"}", null)
                        .status())
                .isEqualTo(200);
        assertThat(in.caller
                        .call("DELETE", in.site + "/shared-sheets/swatches/" + one, null, null)
                        .status())
                .isEqualTo(204);
        assertThat(sheet().get("placed")).hasSize(1);
    }
}
