package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.server.standing.Sets;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Sets of finishes, over HTTP. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class ColourwayTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    @Autowired
    JdbcTemplate jdbc;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Colourways");
    }

    private JsonNode all() {
        return in.caller.get(in.site + "/colourways").json();
    }

    private JsonNode used() {
        return all().valueStream()
                .filter(c -> c.get("used").asBoolean())
                .findFirst()
                .orElseThrow();
    }

    private static JsonNode coat(JsonNode colourway, String swatch) {
        return colourway
                .get("coats")
                .valueStream()
                .filter(c -> c.get("swatch").asString().equals(swatch))
                .findFirst()
                .orElseThrow();
    }

    private Caller.Answer change(long id, String told) {
        return in.caller.call("PATCH", in.site + "/colourways/" + id, told, null);
    }

    private void use(long id) {
        assertThat(in.caller
                        .call("PUT", in.site + "/colourway", "{\"colourwayId\":" + id + "}", null)
                        .status())
                .isEqualTo(204);
    }

    /** Another is in use with one edit, no mesh is another by that, one step takes it back, and a restart finds it. */
    @Test
    void oneIsPutInPlaceOfAnotherWithoutTouchingAMesh() {
        assertThat(used().get("id").asLong()).isZero();
        assertThat(coat(used(), "TILE").get("joints").asBoolean()).isTrue();
        assertThat(coat(used(), "TERRAZZO").get("units").asBoolean()).isTrue();
        assertThat(coat(used(), "TERRAZZO").get("joints").asBoolean()).isFalse();
        assertThat(coat(used(), "PLASTER").get("units").asBoolean()).isFalse();
        var meshes = in.caller.get(in.site + "/pieces").text();
        var id = in.made("/colourways", "{}").get("id").asLong();
        assertThat(change(id, "{\"name\":\"blue\",\"coats\":{\"TILE\":{\"colour\":\"#3355aa\"}}}")
                        .status())
                .isEqualTo(200);
        use(id);
        assertThat(used().get("name").asString()).isEqualTo("blue");
        assertThat(coat(used(), "TILE").get("words").get("colour").asString()).isEqualTo("#3355aa");
        assertThat(coat(used(), "TILE").get("words").get("jointMm").asInt())
                .as("what was not told stays")
                .isEqualTo(4);
        assertThat(in.caller.get(in.site + "/pieces").text()).isEqualTo(meshes);
        sets.forget(in.id());
        assertThat(used().get("id").asLong()).isEqualTo(id);
        in.caller.post(in.site + "/undo", null);
        assertThat(used().get("id").asLong()).isZero();
        in.caller.post(in.site + "/undo", null);
        assertThat(all().get(1).get("name").asString()).isEqualTo("colourway");
        in.caller.post(in.site + "/redo", null);
        in.caller.post(in.site + "/redo", null);
        assertThat(used().get("name").asString()).isEqualTo("blue");
    }

    /** One edit sets a number for all; the picture that follows is another, and shows it. */
    @Test
    void aNumberIsSetForAllAtOnceAndSeenInThePictures() throws IOException {
        var id = in.made("/colourways", "{}").get("id").asLong();
        var before = coat(all().get(1), "TILE").get("sheet").asString();
        assertThat(change(
                                id,
                                "{\"coats\":{\"TILE\":{\"roughness\":100,\"variation\":0,\"grain\":\"PLAIN\"},\"OPAL\":{\"roughness\":100}}}")
                        .status())
                .isEqualTo(200);
        assertThat(coat(all().get(1), "OPAL").get("words").get("roughness").asInt())
                .isEqualTo(100);
        var after = coat(all().get(1), "TILE").get("sheet").asString();
        assertThat(after).isNotEqualTo(before);
        var path = in.site + "/colourways/" + id + "/TILE/";
        var picture = in.caller.get(path + "SURFACE.png?side=64&as=" + after);
        assertThat(picture.status()).isEqualTo(200);
        assertThat(in.caller
                        .headers(path + "SURFACE.png?side=64&as=" + after)
                        .firstValue("cache-control")
                        .orElseThrow())
                .contains("immutable");
        var read = ImageIO.read(new ByteArrayInputStream(picture.bytes()));
        assertThat(read.getWidth()).isEqualTo(64);
        assertThat(read.getRGB(10, 10) >> 8 & 255).as("roughness is in green").isEqualTo(255);
        assertThat(in.caller
                        .headers(path + "SURFACE.png?side=64&as=" + before)
                        .firstValue("cache-control")
                        .orElseThrow())
                .isEqualTo("no-cache");
        in.caller.post(in.site + "/undo", null);
        assertThat(coat(all().get(1), "TILE").get("sheet").asString()).isEqualTo(before);
    }

    @Test
    void whatCannotBeIsRefusedAndNamesTheField() {
        var id = in.made("/colourways", "{}").get("id").asLong();
        var before = all().toString();
        assertThat(in.refused(
                        "PATCH",
                        "/colourways/" + id,
                        "{\"coats\":{\"TILE\":{\"jointMm\":90},\"PAINT\":{\"colour\":\"green\"}}}"))
                .containsExactlyInAnyOrder("coats.TILE.jointMm", "coats.PAINT.colour");
        assertThat(in.refused("PATCH", "/colourways/" + id, "{\"name\":\" \"}")).containsExactly("name");
        assertThat(change(0, "{\"name\":\"mine\"}").text()).contains("Make a colourway of your own");
        assertThat(change(id, "{\"coats\":{\"TILE\":null}}").status()).isEqualTo(400);
        assertThat(change(id + 999, "{\"name\":\"mine\"}").status()).isEqualTo(404);
        assertThat(change(id, "{\"coats\":{\"GOLD\":{}}}").status()).isEqualTo(400);
        assertThat(in.caller
                        .get(in.site + "/colourways/" + id + "/TILE/COLOUR.png?side=100")
                        .status())
                .isEqualTo(400);
        assertThat(in.caller
                        .call("PUT", in.site + "/colourway", "{\"colourwayId\":77}", null)
                        .status())
                .isEqualTo(404);
        assertThat(all().toString()).isEqualTo(before);
    }

    /** A copy has the finishes of what it was copied from; taken away, the usual ones are back; a copied site has its own. */
    @Test
    void colourwaysAreCopiedAndTakenAway() {
        var id = in.made("/colourways", "{}").get("id").asLong();
        change(id, "{\"name\":\"red\",\"coats\":{\"PAINT\":{\"colour\":\"#aa2211\"}}}");
        var copy = in.made("/colourways", "{\"copyOfId\":" + id + "}");
        assertThat(copy.get("name").asString()).isEqualTo("red 2");
        assertThat(coat(copy, "PAINT").get("words").get("colour").asString()).isEqualTo("#aa2211");
        use(copy.get("id").asLong());
        var other = in.caller
                .post(in.site + "/copies", "{\"name\":\"Colourways, again\"}")
                .json()
                .get("id")
                .asLong();
        assertThat(in.caller
                        .call(
                                "DELETE",
                                in.site + "/colourways/" + copy.get("id").asLong(),
                                null,
                                null)
                        .status())
                .isEqualTo(204);
        assertThat(used().get("id").asLong()).isZero();
        assertThat(in.caller
                        .get("/api/sites/" + other + "/colourways")
                        .json()
                        .get(2)
                        .get("used")
                        .asBoolean())
                .isTrue();
        in.caller.call("DELETE", "/api/sites/" + other, null, null);
    }

    private String meshOf(String code) {
        return in.caller
                .get(in.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow()
                .get("mesh")
                .asString();
    }

    /** A sheet of twice the pixels is twice as wide in every colourway; only what lies on it is another mesh; kept, copied, and taken back in one step. */
    @Test
    void aSheetHasPixelsOfItsOwn() throws IOException {
        in.made("/colourways", "{}");
        var walls = meshOf("WAL-1000");
        var density = in.caller
                .get(in.site + "/pieces/" + in.piece("WAL-1000") + "/bench")
                .json()
                .get("density")
                .toString();
        assertThat(coat(used(), "TILE").get("pixels").asInt()).isEqualTo(1024);
        assertThat(in.caller
                        .call("PATCH", in.site + "/materials/TILE", "{\"pixels\":512}", null)
                        .status())
                .isEqualTo(204);
        assertThat(meshOf("WAL-1000")).as("of plaster").isEqualTo(walls);
        assertThat(in.caller
                        .call("PATCH", in.site + "/materials/PLASTER", "{\"pixels\":2048}", null)
                        .status())
                .isEqualTo(204);
        assertThat(meshOf("WAL-1000")).isNotEqualTo(walls);
        assertThat(in.caller
                        .get(in.site + "/pieces/" + in.piece("WAL-1000") + "/bench")
                        .json()
                        .get("density")
                        .toString())
                .as("as fine as before")
                .isEqualTo(density);
        for (var colourway : all()) {
            assertThat(coat(colourway, "PLASTER").get("pixels").asInt()).isEqualTo(2048);
            // At 256 pixels a metre.
            assertThat(coat(colourway, "PLASTER").get("widthMm").asDouble()).isEqualTo(8000);
            assertThat(coat(colourway, "TILE").get("widthMm").asDouble()).isEqualTo(2000);
        }
        assertThat(ImageIO.read(new ByteArrayInputStream(in.caller
                                .get(in.site + "/colourways/0/PLASTER/COLOUR.png")
                                .bytes()))
                        .getWidth())
                .isEqualTo(2048);
        assertThat(in.caller
                        .get(in.site + "/tally")
                        .json()
                        .get("largest")
                        .get(0)
                        .toString())
                .contains("\"material\":\"PLASTER\"", "\"pixels\":2048", "\"bytes\":" + 3 * 4 * (((1L << 24) - 1) / 3));
        assertThat(in.refused("PATCH", "/materials/PLASTER", "{\"pixels\":1000}"))
                .containsExactly("pixels");
        assertThat(in.refused("PATCH", "/materials/SHARED1", "{\"pixels\":512}"))
                .containsExactly("swatch");
        sets.forget(in.id());
        assertThat(coat(used(), "PLASTER").get("pixels").asInt()).isEqualTo(2048);
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Sizes too\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(coat(in.caller.get(copy + "/colourways").json().get(0), "TILE")
                        .get("pixels")
                        .asInt())
                .isEqualTo(512);
        in.caller.call("DELETE", copy, null, null);
        in.caller.post(in.site + "/undo", null);
        assertThat(meshOf("WAL-1000")).isEqualTo(walls);
        in.caller.post(in.site + "/undo", null);
        assertThat(coat(used(), "TILE").get("pixels").asInt()).isEqualTo(1024);
    }

    /** What a material is called is in every file that goes out, and is recognised where it comes back; no mesh is another by that. */
    @Test
    void aMaterialIsCalledAsTheSiteSays() {
        var wall = in.piece("WAL-1000");
        var mesh = meshOf("WAL-1000");
        assertThat(in.caller
                        .call("PATCH", in.site + "/materials/PLASTER", "{\"name\":\" Limewash \"}", null)
                        .status())
                .isEqualTo(204);
        assertThat(in.caller.get(in.site + "/materials").json().get(0).toString())
                .isEqualTo(
                        "{\"swatch\":\"PLASTER\",\"name\":\"Limewash\",\"named\":true,\"pixels\":1024,\"shared\":false}");
        assertThat(meshOf("WAL-1000")).isEqualTo(mesh);
        var out = in.caller.get(in.site + "/pieces/" + wall + "/piece.glb");
        assertThat(materials(out)).containsExactly("Limewash");
        assertThat(materials(in.caller.get(in.site + "/handover/scene.glb")))
                .contains("Limewash")
                .doesNotContain("plaster");
        assertThat(new String(
                        in.caller
                                .get(in.site + "/pieces/" + wall + "/obj.zip")
                                .unzipped()
                                .get("WAL-1000.mtl"),
                        StandardCharsets.UTF_8))
                .contains("newmtl Limewash");
        var back = in.caller
                .files(in.site + "/deliveries", Map.of("WAL-1000.glb", out.bytes()))
                .json()
                .get(0);
        assertThat(back.get("materials").get(0).get("swatch").asString()).isEqualTo("PLASTER");
        assertThat(in.refused("PATCH", "/materials/STONE", "{\"name\":\"limewash\"}"))
                .containsExactly("name");
        assertThat(in.refused("PATCH", "/materials/STONE", "{\"name\":\"" + "x".repeat(41) + "\"}"))
                .containsExactly("name");
        assertThat(in.caller
                        .call("PATCH", in.site + "/materials/OWN77", "{\"name\":\"none\"}", null)
                        .status())
                .isEqualTo(404);
        assertThat(in.refused("PATCH", "/materials/SHARED2", "{\"name\":\"sign\"}"))
                .containsExactly("swatch");
        assertThat(in.caller
                        .call("PATCH", in.site + "/materials/PLASTER", "{\"name\":\"\"}", null)
                        .status())
                .isEqualTo(204);
        assertThat(in.caller
                        .get(in.site + "/materials")
                        .json()
                        .get(0)
                        .get("name")
                        .asString())
                .isEqualTo("plaster");
        in.caller.post(in.site + "/undo", null);
        sets.forget(in.id());
        assertThat(in.caller
                        .get(in.site + "/materials")
                        .json()
                        .get(0)
                        .get("name")
                        .asString())
                .isEqualTo("Limewash");
        in.caller.post(in.site + "/undo", null);
    }

    private List<String> materials() {
        return in.caller
                .get(in.site + "/materials")
                .json()
                .valueStream()
                .filter(m -> !m.get("shared").asBoolean())
                .map(m -> m.get("name").asString())
                .toList();
    }

    /** Many more than the six there once were, in the order one likes; what nothing is made of goes, and comes back with one step. */
    @Test
    void materialsAreAddedOrderedAndTakenAway() {
        var before = materials();
        assertThat(before).containsExactly("plaster", "stone", "timber", "metal", "opal", "tile", "terrazzo", "paint");
        var codes = new ArrayList<String>();
        for (var i = 1; i <= 20; i++) {
            codes.add(in.made("/materials", "{\"name\":\"colour " + i + "\"}")
                    .get("swatch")
                    .asString());
        }
        assertThat(codes).doesNotHaveDuplicates();
        assertThat(materials()).hasSize(28).endsWith("colour 19", "colour 20");
        assertThat(in.refused("POST", "/materials", "{\"name\":\"Colour 7\"}")).containsExactly("name");
        assertThat(in.caller
                        .call("PATCH", in.site + "/materials/" + codes.get(19), "{\"place\":1}", null)
                        .status())
                .isEqualTo(204);
        assertThat(materials()).startsWith("plaster", "colour 20", "stone").endsWith("colour 18", "colour 19");
        assertThat(in.refused("DELETE", "/materials/PLASTER", ""))
                .as("walls are made of it")
                .containsExactly("swatch");
        assertThat(in.caller
                        .call("DELETE", in.site + "/materials/" + codes.get(0), null, null)
                        .status())
                .isEqualTo(204);
        assertThat(materials()).doesNotContain("colour 1");
        // Its code is given to no other, so that a step back finds it free.
        assertThat(in.made("/materials", "{}").get("swatch").asString()).isNotIn(codes);
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        assertThat(materials()).contains("colour 1");
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Materials too\"}")
                        .json()
                        .get("id")
                        .asLong();
        assertThat(in.caller.get(copy + "/materials").json().valueStream().map(m -> m.get("name")
                        .asString()))
                .contains("colour 1", "colour 20");
        assertThat(in.caller
                        .post(copy + "/materials", "{}")
                        .json()
                        .get("swatch")
                        .asString())
                .as("as the site that it is a copy of")
                .isNotIn(codes);
        in.caller.call("DELETE", copy, null, null);
        for (var i = 0; i < 21; i++) {
            in.caller.post(in.site + "/undo", null);
        }
    }

    /** What was written before a material had a name, when its row was called by the size of its sheet, is taken back and made again. */
    @Test
    void anEntryFromBeforeTheyHadNamesIsUndone() {
        assertThat(in.caller
                        .call("PATCH", in.site + "/materials/TILE", "{\"pixels\":512}", null)
                        .status())
                .isEqualTo(204);
        var rewritten = jdbc.update(
                "update journal set changes = replace(replace(changes, '\"table\":\"MATERIAL\"', '\"table\":\"SHEET_SIZE\"'), ',\"name\":\"\"', '') where site_id = ? and changes like '%\"MATERIAL\"%'",
                in.id());
        assertThat(rewritten).isEqualTo(1);
        assertThat(jdbc.queryForObject(
                        "select count(*) from journal where site_id = ? and changes like '%SHEET_SIZE%' and changes not like '%name%'",
                        Long.class, in.id()))
                .isEqualTo(1);
        assertThat(in.caller.post(in.site + "/undo", null).status()).isEqualTo(200);
        assertThat(coat(used(), "TILE").get("pixels").asInt()).isEqualTo(1024);
        assertThat(in.caller.post(in.site + "/redo", null).status()).isEqualTo(200);
        assertThat(coat(used(), "TILE").get("pixels").asInt()).isEqualTo(512);
        assertThat(in.caller.get(in.site + "/materials").text()).contains("\"name\":\"tile\"");
    }

    private static List<String> materials(Caller.Answer glb) {
        return glb.glb().getMaterialModels().stream().map(m -> m.getName()).toList();
    }

    /** Pieces name their materials; beside them the sheets of these, each once, in every colourway that is looked at. */
    @Test
    void piecesGoOutWithTheirSheets() throws IOException {
        var blue = in.made("/colourways", "{}").get("id").asLong();
        change(blue, "{\"name\":\"blue / grey\",\"coats\":{\"PLASTER\":{\"colour\":\"#3355aa\"}}}");
        in.caller.call("PATCH", in.site + "/materials/PLASTER", "{\"name\":\"Limewash\",\"pixels\":256}", null);
        var plain = in.caller.get(in.site + "/handover/pieces.zip").unzipped();
        assertThat(plain.keySet()).allMatch(name -> name.endsWith(".glb"));
        var files = in.caller.get(in.site + "/handover/pieces.zip?sheets=true").unzipped();
        assertThat(files).containsAllEntriesOf(plain);
        assertThat(files.keySet().stream().filter(name -> name.startsWith("sheets/Limewash")))
                .containsExactlyInAnyOrder(
                        "sheets/Limewash colour.jpg", "sheets/Limewash normal.jpg", "sheets/Limewash surface.jpg");
        assertThat(ImageIO.read(new ByteArrayInputStream(files.get("sheets/Limewash colour.jpg")))
                        .getWidth())
                .isEqualTo(256);
        var walls = in.caller
                .get(in.site + "/placements")
                .json()
                .valueStream()
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        assertThat(in.caller
                        .call(
                                "PATCH",
                                in.site + "/dresses",
                                "{\"ids\":[\"" + walls + "\"],\"colourwayId\":" + blue + "}",
                                null)
                        .status())
                .isEqualTo(204);
        assertThat(in.caller.get(in.site + "/handover/pieces.zip?sheets=true").unzipped())
                .containsKey("sheets/Limewash, blue _ grey colour.jpg");
    }

    /** It says how far it is; called off it stops, with nothing left under way, and can be asked for again. */
    @Test
    void aHandoverSaysHowFarItIsAndIsCalledOff() throws Exception {
        for (var swatch : new String[] {"STONE", "TIMBER", "METAL", "TERRAZZO"}) {
            assertThat(in.caller
                            .call("PATCH", in.site + "/materials/" + swatch, "{\"pixels\":4096}", null)
                            .status())
                    .isEqualTo(204);
        }
        var scene = in.site + "/handover/scene.glb";
        var asked = CompletableFuture.supplyAsync(() -> in.caller.get(scene + "?token=one"));
        // The first of its sheets is made, and it is not at its end.
        while (share("one") == 0 && !asked.isDone()) {
            Thread.sleep(20);
        }
        assertThat(share("one")).isGreaterThan(0).isLessThan(1);
        assertThat(in.caller.call("DELETE", "/api/under-way/one", null, null).status())
                .isEqualTo(204);
        var answer = asked.get(10, TimeUnit.MINUTES);
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.text()).contains("called off");
        assertThat(share("one")).isZero();
        assertThat(in.caller.get(scene).status()).isEqualTo(200);
    }

    private double share(String token) {
        return in.caller.get("/api/under-way/" + token).json().get("share").asDouble();
    }

    /** Three pictures of 1024 for each material in use. */
    @Test
    void theTallyCountsSheetsAndTheirMemory() {
        var tally = in.caller.get(in.site + "/tally").json();
        var sheets = tally.get("sheets").asInt();
        assertThat(sheets).isPositive();
        assertThat(tally.get("textureBytes").asLong()).isEqualTo(sheets * 3 * 4 * (((1L << 22) - 1) / 3));
        assertThat(tally.get("compressedTextureBytes").asLong())
                .isBetween(
                        tally.get("textureBytes").asLong() / 4,
                        tally.get("textureBytes").asLong() / 4 + 3 * 48L * sheets);
        assertThat(tally.get("heaviest").get(0).get("triangles").asLong())
                .isBetween(1L, tally.get("triangles").asLong());
        assertThat(tally.get("heaviest").get(0).get("what").asString()).contains("-");
    }

    /** A picture of one's own is seen in the sheet, and in that of a copy of the site whose original is gone; taken out, it is gone from the sheet. */
    @Test
    void aFinishIsOfPicturesOfOnesOwn() throws IOException {
        var id = in.made("/colourways", "{}").get("id").asLong();
        var red = new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB);
        for (var i = 0; i < 64; i++) {
            red.setRGB(i % 8, i / 8, 0xc02010);
        }
        var media = picture(in.site + "/finish-pictures", Pictures.file(red, "png"))
                .json()
                .get("mediaId")
                .asLong();
        assertThat(change(
                                id,
                                "{\"coats\":{\"PAINT\":{\"grain\":\"PICTURES\",\"variation\":0,\"pictures\":{\"COLOUR\":"
                                        + media + "}}}}")
                        .status())
                .isEqualTo(200);
        assertThat(change(id, "{\"coats\":{\"PAINT\":{\"pictures\":{\"NORMAL\":" + media + "}}}}")
                        .json()
                        .get("coats")
                        .toString())
                .contains("\"COLOUR\":" + media, "\"NORMAL\":" + media);
        assertThat(middle(in.site, id)).isEqualTo(0xc02010);
        var copy = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Colourways too\"}")
                        .json()
                        .get("id")
                        .asLong();
        in.caller.call("DELETE", in.site, null, null);
        assertThat(middle(
                        copy,
                        in.caller
                                .get(copy + "/colourways")
                                .json()
                                .get(1)
                                .get("id")
                                .asLong()))
                .isEqualTo(0xc02010);
    }

    private int middle(String site, long id) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(in.caller
                                .get(site + "/colourways/" + id + "/PAINT/COLOUR.png?side=64")
                                .bytes()))
                        .getRGB(32, 32)
                & 0xffffff;
    }

    @Test
    void whatIsNoPictureIsRefused() throws IOException {
        var id = in.made("/colourways", "{}").get("id").asLong();
        assertThat(picture(in.site + "/finish-pictures", new byte[] {1, 2, 3}).status())
                .isEqualTo(400);
        assertThat(picture(in.site + "/finish-pictures", Pictures.bomb()).status())
                .isEqualTo(400);
        assertThat(picture("/api/sites/999999/finish-pictures", Pictures.file(Pictures.flag(8, 8), "png"))
                        .status())
                .isEqualTo(404);
        assertThat(in.refused(
                        "PATCH", "/colourways/" + id, "{\"coats\":{\"PAINT\":{\"pictures\":{\"COLOUR\":999999}}}}"))
                .containsExactly("coats.PAINT.pictures");
        assertThat(change(id, "{\"coats\":{\"PAINT\":{\"pictures\":{\"SMELL\":1}}}}")
                        .status())
                .isEqualTo(400);
        var media = picture(in.site + "/finish-pictures", Pictures.file(Pictures.flag(8, 8), "png"))
                .json()
                .get("mediaId")
                .asLong();
        change(id, "{\"coats\":{\"PAINT\":{\"pictures\":{\"COLOUR\":" + media + "}}}}");
        assertThat(change(id, "{\"coats\":{\"PAINT\":{\"pictures\":{\"COLOUR\":0}}}}")
                        .json()
                        .get("coats")
                        .toString())
                .doesNotContain("\"COLOUR\":");
    }

    private Caller.Answer picture(String path, byte[] file) {
        return in.caller.upload(path, "application/octet-stream", BodyPublishers.ofByteArray(file));
    }
}
