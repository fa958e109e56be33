package hausbau.core.exchange;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.LAMP;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import de.javagl.jgltf.model.AccessorFloatData;
import de.javagl.jgltf.model.AccessorShortData;
import de.javagl.jgltf.model.GltfModel;
import de.javagl.jgltf.model.NodeModel;
import de.javagl.jgltf.model.io.GltfModelReader;
import de.javagl.jgltf.model.v2.MaterialModelV2;
import hausbau.core.TestSets;
import hausbau.core.exchange.in.Bundle;
import hausbau.core.exchange.in.Incoming;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Coating;
import hausbau.core.finish.Colourway;
import hausbau.core.finish.Glazing;
import hausbau.core.finish.Glow;
import hausbau.core.finish.Maps;
import hausbau.core.irradiance.StandingLamps;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.shape.Finish;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Swatch;
import hausbau.core.variety.Looks;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import javax.imageio.ImageIO;
import org.apache.commons.math3.geometry.euclidean.threed.Vector3D;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The scene read back by a general reader; where its vertices come to lie is reckoned from the matrices it gives. */
class GltfSceneTest {

    private static final Finish FINISH = Finish.ofDensity(256);
    private static final Piece WALL = new Piece(
            "WAL-2000", "wall", Role.WALL, new Recipe.WallPanel(Vec.ofMillimetres(2000, 200, 3000)), Pivot.FACE_START);

    private static GltfModel read(byte[] glb) throws IOException {
        return new GltfModelReader().readWithoutReferences(new ByteArrayInputStream(glb));
    }

    private static GltfModel one(Piece piece, Stance stance) throws IOException {
        var scene = new GltfScene("scene", FINISH);
        scene.add("node", piece, stance);
        return read(scene.toBytes());
    }

    /** Least and greatest x, y and z over all vertices of a node, in metres with Y up. */
    private static double[] extent(NodeModel node) {
        var matrix = node.computeGlobalTransform(null);
        var box = new double[] {9e9, 9e9, 9e9, -9e9, -9e9, -9e9};
        for (var mesh : node.getMeshModels()) {
            for (var primitive : mesh.getMeshPrimitiveModels()) {
                var positions = (AccessorFloatData)
                        primitive.getAttributes().get("POSITION").getAccessorData();
                for (var i = 0; i < positions.getNumElements(); i++) {
                    for (var row = 0; row < 3; row++) {
                        var value = matrix[12 + row]
                                + matrix[row] * positions.get(i, 0)
                                + matrix[4 + row] * positions.get(i, 1)
                                + matrix[8 + row] * positions.get(i, 2);
                        box[row] = Math.min(box[row], value);
                        box[3 + row] = Math.max(box[3 + row], value);
                    }
                }
            }
        }
        return box;
    }

    private static void standsAt(NodeModel node, double... metres) {
        var box = extent(node);
        for (var i = 0; i < 6; i++) {
            assertThat(box[i]).as("side %d of %s", i, Arrays.toString(box)).isCloseTo(metres[i], within(1e-5));
        }
    }

    @Test
    void aMeshIsSharedByAllPlacementsOfItsPiece() throws IOException {
        var scene = new GltfScene("scene", FINISH);
        for (var i = 0; i < 5; i++) {
            scene.add("bench " + i, BENCH, Stance.at(Vec.ofMillimetres(2000L * i, 0, 0), Turn.NONE));
        }
        scene.add("lamp", LAMP, Stance.at(Vec.ZERO, Turn.NONE));
        var model = read(scene.toBytes());
        assertThat(model.getMeshModels()).hasSize(2);
        assertThat(model.getNodeModels())
                .hasSize(6)
                .extracting(NodeModel::getName)
                .contains("bench 3", "lamp");
        assertThat(model.getMeshModels())
                .extracting(m -> m.getName())
                .containsExactlyInAnyOrder("PRP-BENCH", "PRP-LAMP");
        // Stone and timber, metal and opal.
        assertThat(model.getMaterialModels()).hasSize(4);
    }

    /** Z up becomes Y up: (x, y, z) millimetres come out as (x, z, −y) / 1000. */
    @Test
    void axesAndUnitsChange() throws IOException {
        var model = one(WALL, Stance.at(Vec.ofMillimetres(1000, 5000, 300), Turn.NONE));
        standsAt(model.getNodeModels().get(0), 1, 0.3, -5.2, 3, 3.3, -5);
    }

    /** The wall of 2 × 0.2 m about its pivot at (1, 5): worked by hand for every quarter. */
    @ParameterizedTest
    @CsvSource({"0, 1, -5.2, 3, -5", "1, 0.8, -7, 1, -5", "2, -1, -5, 1, -4.8", "3, 1, -5, 1.2, -3"})
    void quarterTurnsAreTurnsAboutTheVertical(int quarters, double x0, double z0, double x1, double z1)
            throws IOException {
        var model = one(WALL, Stance.at(Vec.ofMillimetres(1000, 5000, 0), new Turn(quarters)));
        standsAt(model.getNodeModels().get(0), x0, 0, z0, x1, 3, z1);
    }

    /** Mirroring keeps the extent and reaches every vertex on the other side of its middle. */
    @ParameterizedTest
    @CsvSource({"0, 0", "1, 0", "3, 0", "0, 30"})
    void mirroredItStandsInTheSamePlace(int quarters, double free) throws IOException {
        var at = Vec.ofMillimetres(1000, 5000, 0);
        var plain = one(WALL, new Stance(at, new Turn(quarters), false, free))
                .getNodeModels()
                .get(0);
        var mirrored = one(WALL, new Stance(at, new Turn(quarters), true, free))
                .getNodeModels()
                .get(0);
        standsAt(mirrored, extent(plain));
        assertThat(mirrored.getScale()[0]).isEqualTo(-1);
    }

    /** A door to the left of its panel's middle: mirrored, every vertex is where reflecting it about that middle puts it. */
    @Test
    void mirroringExchangesLeftAndRight() throws IOException {
        var door = new Piece(
                "DOR",
                "door",
                Role.DOOR,
                new Recipe.OpeningPanel(
                        Vec.ofMillimetres(2000, 200, 3000), Box.of(200_000, 0, 0, 1_000_000, 200_000, 2_100_000)),
                Pivot.FACE_START);
        var plain = vertices(one(door, Stance.at(Vec.ZERO, Turn.NONE)));
        var mirrored = vertices(one(door, new Stance(Vec.ZERO, Turn.NONE, true, 0)));
        assertThat(mirrored).isNotEqualTo(plain);
        var reflected = new TreeSet<String>();
        plain.forEach(v -> reflected.add((2000 - Integer.parseInt(v.split(" ")[0])) + v.substring(v.indexOf(' '))));
        assertThat(mirrored).isEqualTo(reflected);
    }

    /** Every vertex in millimetres. */
    private static TreeSet<String> vertices(GltfModel model) {
        var vertices = new TreeSet<String>();
        for (var node : model.getNodeModels()) {
            var m = node.computeGlobalTransform(null);
            for (var primitive : node.getMeshModels().get(0).getMeshPrimitiveModels()) {
                var p = (AccessorFloatData)
                        primitive.getAttributes().get("POSITION").getAccessorData();
                for (var i = 0; i < p.getNumElements(); i++) {
                    vertices.add(Math.round(1000 * (m[12] + m[0] * p.get(i, 0))) + " "
                            + Math.round(1000 * (m[13] + m[5] * p.get(i, 1))) + " "
                            + Math.round(1000 * (m[14] + m[10] * p.get(i, 2))));
                }
            }
        }
        return vertices;
    }

    @Test
    void aPieceOfItsOwnStandsAtItsPivot() throws IOException {
        var model = read(GltfScene.ofPiece(LAMP, FINISH));
        assertThat(model.getNodeModels()).singleElement().satisfies(node -> {
            assertThat(node.getTranslation()).isNull();
            standsAt(node, -0.16, 0, -0.16, 0.16, 2, 0.16);
        });
    }

    @Test
    void everyVertexHasANormalOfLengthOneAndAPlaceOnTheSheet() throws IOException {
        for (var mesh : one(BENCH, Stance.at(Vec.ZERO, Turn.NONE)).getMeshModels()) {
            for (var primitive : mesh.getMeshPrimitiveModels()) {
                var normals = (AccessorFloatData)
                        primitive.getAttributes().get("NORMAL").getAccessorData();
                var count = primitive.getAttributes().get("POSITION").getCount();
                assertThat(normals.getNumElements()).isEqualTo(count);
                assertThat(primitive.getAttributes().get("TEXCOORD_0").getCount())
                        .isEqualTo(count);
                for (var i = 0; i < count; i++) {
                    assertThat(Math.hypot(Math.hypot(normals.get(i, 0), normals.get(i, 1)), normals.get(i, 2)))
                            .isCloseTo(1, within(1e-5));
                }
            }
        }
    }

    @Test
    void anEmptySetIsStillAScene() throws IOException {
        var model = read(new GltfScene("nothing yet", FINISH).toBytes());
        assertThat(model.getNodeModels()).isEmpty();
        assertThat(model.getSceneModels())
                .singleElement()
                .extracting(s -> s.getName())
                .isEqualTo("nothing yet");
    }

    /** Materials carry their sheet's three pictures, once however many pieces and tints use them; factors then leave them as they are. */
    @Test
    void finishesGoAlongAsPictures() throws IOException {
        var sheet = SheetFiles.jpeg(Coating.of(Colourway.usual().coat(Swatch.PLASTER), 64, 4_000));
        var scene = GltfScene.handedOver("scene", FINISH, MaterialNames.USUAL, Map.of(Swatch.PLASTER, sheet));
        scene.add("plain", WALL, Stance.at(Vec.ZERO, Turn.NONE));
        scene.add(
                List.of(),
                "tinted",
                WALL,
                new GltfScene.Look("#808080", GltfScene.SITE, 0),
                Stance.at(Vec.ZERO, Turn.NONE));
        scene.add("bench", BENCH, Stance.at(Vec.ZERO, Turn.NONE));
        var model = read(scene.toBytes());
        assertThat(model.getImageModels())
                .extracting(i -> i.getName())
                .containsExactlyInAnyOrder("plaster colour", "plaster normal", "plaster surface");
        for (var image : model.getImageModels()) {
            var data = new byte[image.getImageData().remaining()];
            image.getImageData().get(data);
            var picture = ImageIO.read(new ByteArrayInputStream(data));
            assertThat(picture.getWidth()).isEqualTo(64);
        }
        var materials =
                model.getMaterialModels().stream().map(m -> (MaterialModelV2) m).toList();
        var plain = materials.stream()
                .filter(m -> m.getName().equals("plaster"))
                .findFirst()
                .orElseThrow();
        assertThat(plain.getBaseColorFactor()).containsExactly(1, 1, 1, 1);
        assertThat(plain.getMetallicFactor()).isEqualTo(1);
        assertThat(plain.getOcclusionTexture()).isSameAs(plain.getMetallicRoughnessTexture());
        var tinted = materials.stream()
                .filter(m -> m.getName().equals("plaster #808080"))
                .findFirst()
                .orElseThrow();
        assertThat(tinted.getBaseColorTexture()).isSameAs(plain.getBaseColorTexture());
        // sRGB 128 is 0.2159 in linear light (IEC 61966-2-1).
        assertThat(tinted.getBaseColorFactor()[0]).isCloseTo(0.2159f, within(0.0005f));
        assertThat(materials.stream()
                        .filter(m -> m.getName().equals("timber"))
                        .findFirst()
                        .orElseThrow()
                        .getBaseColorTexture())
                .isNull();
    }

    /** As the site calls it, in the scene and in a folder, where no file system stumbles over it. */
    @Test
    void materialsAndTheirPicturesAreNamedAsTheSiteHasThem() throws IOException {
        var sheet = SheetFiles.jpeg(Coating.of(Colourway.usual().coat(Swatch.PLASTER), 64, 4_000));
        var names = MaterialNames.USUAL.with(Swatch.PLASTER, "lime: a/b");
        var scene = GltfScene.inColourways("scene", FINISH, names, Map.of("dusk", Map.of(Swatch.PLASTER, sheet)));
        scene.add(List.of(), "wall", WALL, new GltfScene.Look("", "dusk", 0), Stance.at(Vec.ZERO, Turn.NONE));
        var model = read(scene.toBytes());
        assertThat(model.getMaterialModels()).extracting(m -> m.getName()).contains("lime: a/b, dusk");
        assertThat(model.getImageModels()).extracting(i -> i.getName()).contains("lime: a/b, dusk normal");
        assertThat(sheet.named(GltfScene.called(names.of(Swatch.PLASTER), "dusk")))
                .containsOnlyKeys(
                        "lime_ a_b, dusk colour.jpg", "lime_ a_b, dusk normal.jpg", "lime_ a_b, dusk surface.jpg");
    }

    /** What is cut out is a picture without loss beside those with loss, and its material says so (glTF 2.0, 3.9.4). */
    @Test
    void whatIsCutOutSaysSo() throws IOException {
        var maps = Coating.of(Colourway.usual().coat(Swatch.PLASTER), 64, 4_000);
        var half = maps.colour().clone();
        for (var i = 0; i < half.length; i++) {
            half[i] |= i % 64 < 32 ? 0xff000000 : 0;
        }
        var scene = GltfScene.handedOver(
                "scene",
                FINISH,
                MaterialNames.USUAL,
                Map.of(
                        Swatch.PLASTER,
                        SheetFiles.jpeg(new Maps(64, half, maps.normal(), maps.surface(), true)),
                        Swatch.TIMBER,
                        SheetFiles.jpeg(maps)));
        scene.add("wall", WALL, Stance.at(Vec.ZERO, Turn.NONE));
        scene.add("bench", BENCH, Stance.at(Vec.ZERO, Turn.NONE));
        var model = read(scene.toBytes());
        var materials =
                model.getMaterialModels().stream().map(m -> (MaterialModelV2) m).toList();
        assertThat(materials.stream()
                        .filter(m -> m.getName().equals("plaster"))
                        .findFirst()
                        .orElseThrow()
                        .getAlphaMode())
                .isEqualTo(MaterialModelV2.AlphaMode.MASK);
        assertThat(materials.stream()
                        .filter(m -> m.getName().equals("timber"))
                        .findFirst()
                        .orElseThrow()
                        .getAlphaMode())
                .isNotEqualTo(MaterialModelV2.AlphaMode.MASK);
        var image = model.getImageModels().stream()
                .filter(i -> i.getName().equals("plaster colour"))
                .findFirst()
                .orElseThrow();
        assertThat(image.getMimeType()).isEqualTo("image/png");
        var data = new byte[image.getImageData().remaining()];
        image.getImageData().get(data);
        var picture = ImageIO.read(new ByteArrayInputStream(data));
        assertThat(picture.getRGB(10, 10) >>> 24).isEqualTo(255);
        assertThat(picture.getRGB(50, 10) >>> 24).isZero();
    }

    /** In every triangle of the file, u grows along the tangent, and v falls along the bitangent: the picture's top is up there. */
    @Test
    void tangentsSayHowThePicturesLie() throws IOException {
        var sheet = SheetFiles.jpeg(Coating.of(Colourway.usual().coat(Swatch.PLASTER), 64, 4_000));
        var scene = GltfScene.handedOver("scene", FINISH, MaterialNames.USUAL, Map.of(Swatch.PLASTER, sheet));
        scene.add("wall", WALL, Stance.at(Vec.ZERO, Turn.NONE));
        var primitive = read(scene.toBytes())
                .getMeshModels()
                .get(0)
                .getMeshPrimitiveModels()
                .get(0);
        var positions =
                (AccessorFloatData) primitive.getAttributes().get("POSITION").getAccessorData();
        var normals =
                (AccessorFloatData) primitive.getAttributes().get("NORMAL").getAccessorData();
        var tangents =
                (AccessorFloatData) primitive.getAttributes().get("TANGENT").getAccessorData();
        var uvs =
                (AccessorFloatData) primitive.getAttributes().get("TEXCOORD_0").getAccessorData();
        var indices = (AccessorShortData) primitive.getIndices().getAccessorData();
        assertThat(tangents.getNumElements()).isEqualTo(positions.getNumElements());
        for (var i = 0; i < indices.getNumElements(); i += 3) {
            var a = indices.get(i) & 0xFFFF;
            var t = new Vector3D(tangents.get(a, 0), tangents.get(a, 1), tangents.get(a, 2));
            var n = new Vector3D(normals.get(a, 0), normals.get(a, 1), normals.get(a, 2));
            assertThat(t.getNorm()).isCloseTo(1, within(1e-6));
            assertThat(t.dotProduct(n)).isCloseTo(0, within(1e-6));
            var b = n.crossProduct(t).scalarMultiply(tangents.get(a, 3));
            for (var k = 1; k < 3; k++) {
                var other = indices.get(i + k) & 0xFFFF;
                var way = new Vector3D(
                        positions.get(other, 0) - positions.get(a, 0),
                        positions.get(other, 1) - positions.get(a, 1),
                        positions.get(other, 2) - positions.get(a, 2));
                // The density: 256 pixels a metre on sheets of 1024; chamfers bend away from their shared normals.
                var flat = way.subtract(n.scalarMultiply(way.dotProduct(n)));
                if (flat.getNorm() > 0.95 * way.getNorm()) {
                    assertThat((uvs.get(other, 0) - uvs.get(a, 0)) * 4.0).isCloseTo(flat.dotProduct(t), within(0.02));
                    assertThat((uvs.get(a, 1) - uvs.get(other, 1)) * 4.0).isCloseTo(flat.dotProduct(b), within(0.02));
                }
            }
        }
    }

    /** What is handed over has a second set of UVs, one for each vertex; what is only looked at has not. */
    @Test
    void whatIsHandedOverIsLaidOutForLight() throws IOException {
        var primitive = read(GltfScene.handedOver(WALL, FINISH, MaterialNames.USUAL))
                .getMeshModels()
                .get(0)
                .getMeshPrimitiveModels()
                .get(0);
        assertThat(primitive.getAttributes().get("TEXCOORD_1").getCount())
                .isEqualTo(primitive.getAttributes().get("POSITION").getCount());
        assertThat(read(GltfScene.ofPiece(WALL, FINISH))
                        .getMeshModels()
                        .get(0)
                        .getMeshPrimitiveModels()
                        .get(0)
                        .getAttributes())
                .doesNotContainKey("TEXCOORD_1");
    }

    /** Without loss, a picture comes back pixel for pixel. */
    @Test
    void picturesWithoutLossComeBackAsTheyWere() throws IOException {
        var maps = Coating.of(Colourway.usual().coat(Swatch.TILE), 64, 4_000);
        var files = SheetFiles.png(maps);
        for (var kind : Maps.Kind.values()) {
            var picture = ImageIO.read(new ByteArrayInputStream(files.of(kind)));
            assertThat(picture.getRGB(0, 0, 64, 64, null, 0, 64))
                    .isEqualTo(Arrays.stream(maps.of(kind))
                            .map(p -> 0xFF000000 | p)
                            .toArray());
        }
    }

    /** What glows and what light passes through, as the ratified extensions have it: factor times strength is cd/m². Read back here it is the same. */
    @Test
    void lightOfFinishesIsToldByExtensionsAndReadBack() throws IOException {
        var coat = Coat.plain("#ffffff", 20, 0).with(new Glow("#ff8000", 2_500, 100), new Glazing(60, 6_000, false));
        var sheet = SheetFiles.png(Coating.of(coat.surface(), 16, 1_000)).litAs(coat);
        var scene = GltfScene.handedOver("scene", FINISH, MaterialNames.USUAL, Map.of(Swatch.OPAL, sheet));
        scene.add(List.of(), "bright", LAMP, Stance.at(Vec.ZERO, Turn.NONE));
        scene.add(
                List.of(),
                "dimmed",
                LAMP,
                GltfScene.Look.PLAIN.glowing(0.5),
                Stance.at(Vec.ofMillimetres(2_000, 0, 0), Turn.NONE));
        var glb = scene.toBytes();
        var opal = read(glb).getMaterialModels().stream()
                .map(MaterialModelV2.class::cast)
                .filter(m -> m.getName().startsWith("opal"))
                .toList();
        assertThat(opal).extracting(MaterialModelV2::getName).containsExactlyInAnyOrder("opal", "opal glowing 50 %");
        for (var material : opal) {
            var strength = (Map<?, ?>) material.getExtensions().get("KHR_materials_emissive_strength");
            var factor = material.getEmissiveFactor();
            // The weights of sRGB's primaries, IEC 61966-2-1.
            var luminance = 0.2126 * factor[0] + 0.7152 * factor[1] + 0.0722 * factor[2];
            assertThat(luminance * ((Number) strength.get("emissiveStrength")).doubleValue())
                    .isCloseTo(material.getName().equals("opal") ? 2_500 : 1_250, within(1.0));
            assertThat(material.getExtensions().get("KHR_materials_transmission"))
                    .isEqualTo(Map.of("transmissionFactor", 0.6));
            assertThat(material.getExtensions().get("KHR_materials_volume"))
                    .isEqualTo(Map.of("thicknessFactor", 0.006));
        }
        var back = Incoming.read(new Bundle(Map.of("scene.glb", glb)), "scene.glb", share -> true)
                .tones()
                .get("opal");
        assertThat(back.glow()).isEqualTo(coat.glow());
        assertThat(back.glazing()).isEqualTo(coat.glazing());
    }

    /** By KHR_lights_punctual: a globe of 800 lm gives 800 / 4π cd to all sides, where its lamp is, turned with what it hangs on. */
    @Test
    void lampsAreHandedOverWhereTheyShine() throws IOException {
        var massing = TestSets.massing(List.of(TestSets.room(1, 0, 0, 4000, 4000)));
        var set = TestSets.set(massing, TestSets.kit(massing, 1000), TestSets.byHand(1, LAMP, 2000, 2000, 0));
        var lit = StandingLamps.of(set, Looks.of(set));
        var scene = new GltfScene("scene", FINISH);
        scene.add(
                List.of(),
                "lamp",
                LAMP,
                GltfScene.Look.PLAIN,
                Stance.at(Vec.ofMillimetres(2_000, 2_000, 0), Turn.NONE),
                lit);
        var model = read(scene.toBytes());
        var lights = (List<?>) ((Map<?, ?>) model.getExtensions().get("KHR_lights_punctual")).get("lights");
        assertThat(lights).hasSize(1);
        var light = (Map<?, ?>) lights.get(0);
        assertThat(light.get("type")).isEqualTo("point");
        var colour = (List<?>) light.get("color");
        var candela = ((Number) light.get("intensity")).doubleValue()
                * (0.2126 * ((Number) colour.get(0)).doubleValue()
                        + 0.7152 * ((Number) colour.get(1)).doubleValue()
                        + 0.0722 * ((Number) colour.get(2)).doubleValue());
        assertThat(candela).isCloseTo(lit.get(0).lamp().lumens() / (4 * Math.PI), within(0.1));
        var node = model.getNodeModels().stream()
                .filter(n -> n.getName().equals("lamp 1 light"))
                .findFirst()
                .orElseThrow();
        var at = node.computeGlobalTransform(null);
        var world = lit.get(0).emitters().get(0).at();
        assertThat(at[12]).isCloseTo((float) world.x(), within(1e-4f));
        assertThat(at[13]).isCloseTo((float) world.z(), within(1e-4f));
        assertThat(at[14]).isCloseTo((float) -world.y(), within(1e-4f));
        // Its own -Z, turned, is the way that it shines: down.
        assertThat(-at[9]).isCloseTo(-1f, within(1e-5f));
    }
}
