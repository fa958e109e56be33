package hausbau.core.exchange.in;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.bring.Choices;
import hausbau.core.bring.Choices.Up;
import hausbau.core.bring.ImportedObject;
import hausbau.core.bring.MeshRepair;
import hausbau.core.bring.RepairedMesh;
import hausbau.core.exchange.GltfScene;
import hausbau.core.exchange.ObjPiece;
import hausbau.core.kit.Form;
import hausbau.core.kit.Part;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Files of other programs' and of our own writers, and such as are faulty or meant to do harm. */
class IncomingTest {

    private static final Finish FINISH = Finish.ofDensity(256);

    private static Incoming read(String name, byte[] file) {
        return Incoming.read(new Bundle(Map.of(name, file)), name, share -> true);
    }

    private static Incoming read(String name, String file) {
        return read(name, file.getBytes(StandardCharsets.UTF_8));
    }

    private static byte[] three(String name) {
        try (var in = Objects.requireNonNull(IncomingTest.class.getResourceAsStream("/three/" + name))) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static RepairedMesh settled(Incoming file, Choices choices) {
        return new MeshRepair(choices, Length.ofMillimetres(100))
                .repair(MeshRepair.things(file.name(), file.things(), true).get(0), Optional.empty());
    }

    private Mesh mesh(RepairedMesh settled) {
        return new Recipe.Made(
                        1,
                        settled.shells().values().stream()
                                .map(s -> Part.of(Swatch.STONE, new Form.Brought(s, false), Vec.ZERO))
                                .toList())
                .mesh(FINISH);
    }

    /**
     * What three.js r187's own exporters wrote (three/make.mjs): a twelve-sided frustum 2 m high, 200 mm to 250 mm, on a plate. Its
     * volume by the frustum's formula, h/3 (A + a + √(Aa)), a regular twelve-sided polygon being 3 r².
     */
    @ParameterizedTest
    @ValueSource(strings = {"column.glb", "column.obj", "column.stl"})
    void filesOfThreeJsAreRead(String name) {
        var file = read(name, three(name));
        var column = settled(file, new Choices(file.usual().millimetres(), Up.Y, true, Set.of()));
        assertThat(file.usual().millimetres()).isEqualTo(1000);
        assertThat(column.came().size()).isEqualTo(Vec.ofMillimetres(600, 800, 2100));
        assertThat(column.came().isClosed()).isTrue();
        assertThat(column.came().inward()).isZero();
        var volume = 2.0 / 3 * 3 * (0.04 + 0.0625 + Math.sqrt(0.04 * 0.0625)) + 0.6 * 0.8 * 0.1;
        assertThat(mesh(column).volume() / 1e9).isCloseTo(volume, within(1e-5));
    }

    @Test
    void nodesGroupsAndMaterialsAreKeptApart() {
        for (var name : List.of("column.glb", "column.obj")) {
            var file = read(name, three(name));
            assertThat(file.things()).extracting(ImportedObject::name).containsExactly("column", "plate");
            assertThat(file.materials())
                    .containsExactlyInAnyOrderEntriesOf(Map.of("cast iron", Swatch.METAL, "oak", Swatch.TIMBER));
            assertThat(file.missing()).isEmpty();
        }
        assertThat(read("column.glb", three("column.glb")).things())
                .extracting(ImportedObject::uneven)
                .containsExactly(false, true);
        assertThat(read("column.stl", three("column.stl")).usual().up()).isEqualTo(Up.Z);
    }

    /** What is taken out here comes back as it was: size, enclosed volume, materials and where its origin lies. */
    @Test
    void whatWeWriteIsRead() {
        var piece = new Piece(
                "PIL-1",
                "pillar",
                Role.PILLAR,
                new Recipe.Pillar(Vec.ofMillimetres(600, 600, 3000)),
                Pivot.BASE_CENTRE);
        var was = piece.mesh(FINISH);
        var obj = ObjPiece.of(piece, FINISH, MaterialNames.USUAL);
        var glb = read("p.glb", GltfScene.ofPiece(piece, FINISH));
        var text = Incoming.read(
                new Bundle(Map.of("PIL-1.obj", obj.obj(), "PIL-1.mtl", obj.mtl())), "PIL-1.obj", share -> true);
        for (var file : List.of(glb, text)) {
            assertThat(file.usual().millimetres()).isEqualTo(1000);
            assertThat(file.materials()).containsValue(Swatch.STONE);
            assertThat(file.missing()).isEmpty();
            var back = settled(file, file.usual());
            assertThat(back.came().size()).isEqualTo(piece.size());
            assertThat(back.origin()).isEqualTo(Vec.ofMillimetres(300, 300, 0));
            assertThat(back.came().isClosed()).isTrue();
            assertThat(mesh(back).volume()).isCloseTo(was.volume(), within(1e-5 * was.volume()));
            assertThat(mesh(back).triangles()).isEqualTo(was.triangles());
        }
    }

    /** What the site calls a material is meant by its name, in whichever colourway; what it only resembles comes after that. */
    @Test
    void namesOfTheSiteAreRecognised() {
        var names = MaterialNames.USUAL.with(Swatch.own(1), "Cast Iron").with(Swatch.PLASTER, "oak");
        for (var file : new String[] {"column.obj", "column.glb"}) {
            assertThat(read(file, three(file)).recognising(names).materials())
                    .containsExactlyInAnyOrderEntriesOf(Map.of("cast iron", Swatch.own(1), "oak", Swatch.PLASTER));
        }
        var dressed = read("s.obj", SQUARE + "usemtl oak, closed 1974\nf 1 2 3 4\n");
        assertThat(dressed.materials()).containsEntry("oak, closed 1974", Swatch.TIMBER);
        assertThat(dressed.recognising(names).materials()).containsEntry("oak, closed 1974", Swatch.PLASTER);
        var nameless = new Incoming(
                "s",
                dressed.things(),
                dressed.usual(),
                Map.of(", ", Swatch.TILE, "", Swatch.STONE),
                Set.of(),
                Set.of(),
                List.of(),
                Map.of(),
                Map.of());
        assertThat(nameless.recognising(names).materials()).isEqualTo(nameless.materials());
    }

    /** The colours of its materials by hand: 255 · 0.2 = 51 = 0x33; Ns 98 is α² = 0.02, whose fourth root is 0.376; of three, one is known to the site. */
    @Test
    void whatAFileTellsOfItsMaterialsIsKept() {
        var mtl =
                "newmtl rose\nKd 1 0.2 0\nNs 98\nnewmtl slate blue\nKd 0 0 0.5\nPr 0.25\nPm 1\nnewmtl bare\nnewmtl plaster\nKd 1 1 1\n";
        var obj =
                "mtllib s.mtl\nv 0 0 0\nv 1 0 0\nv 1 0 1\nv 0 0 1\nusemtl rose\nf 1 2 3\nusemtl slate blue\nf 1 3 4\nusemtl bare\nf 1 2 4\nusemtl plaster\nf 2 3 4\n";
        var read = Incoming.read(
                new Bundle(Map.of(
                        "s.obj", obj.getBytes(StandardCharsets.UTF_8), "s.mtl", mtl.getBytes(StandardCharsets.UTF_8))),
                "s.obj",
                share -> true);
        assertThat(read.tones())
                .containsOnly(
                        Map.entry("rose", new Tone("#ff3300", 38, 0)),
                        Map.entry("slate blue", new Tone("#000080", 25, 100)),
                        Map.entry("plaster", new Tone("#ffffff", 80, 0)));
        assertThat(read.unknown(MaterialNames.USUAL)).containsExactly("rose", "slate blue");
        assertThat(read.unknown(MaterialNames.USUAL.with(Swatch.own(4), "Rose")))
                .containsExactly("slate blue");
    }

    /** A linear half is 188 of 255 in sRGB (IEC 61966-2-1). */
    @Test
    void linearLightIsWrittenAsSrgb() {
        assertThat(Tone.of(Tone.encoded(0.5), Tone.encoded(0), Tone.encoded(1), 0.5, 0))
                .isEqualTo(new Tone("#bc00ff", 50, 0));
    }

    private static final String SQUARE = "v 0 0 0\nv 1 0 0\nv 1 0 1\nv 0 0 1\n";

    /** A flat L of 3 m² by the shoelace formula, its corner inward: fans would cover more. */
    @Test
    void polygonsThatBendInwardAreCut() {
        var file = read("l.obj", "v 0 0 0\nv 0 0 2\nv 1 0 2\nv 1 0 1\nv 2 0 1\nv 2 0 0\nf 2 3 4 5 6 1\n");
        var l = settled(file, file.usual());
        assertThat(mesh(l).area() / 1e6).isCloseTo(3, within(1e-9));
        assertThat(l.came().triangles()).isEqualTo(4);
        assertThat(mesh(l).normals()[2]).isCloseTo(1, within(1e-6));
    }

    @Test
    void unitsAreGuessedBesideTheFigure() {
        assertThat(read("a.obj", "v 0 0 0\nv 120 0 0\nv 120 0 240\nf 1 2 3\n")
                        .usual()
                        .millimetres())
                .isEqualTo(10);
        assertThat(read("a.obj", "v 0 0 0\nv 3300 0 0\nv 3300 0 3000\nf 1 2 3\n")
                        .usual()
                        .millimetres())
                .isEqualTo(10);
        assertThat(read("a.obj", "v 0 0 0\nv 33000 0 0\nv 3300 0 3000\nf 1 2 3\n")
                        .usual()
                        .millimetres())
                .isEqualTo(1);
        assertThat(read("a.obj", "v 0 0 0\nv 2 0 0\nv 2 0 1\nf 1 2 3\n").usual().millimetres())
                .isEqualTo(1000);
    }

    @Test
    void whatIsMissingIsNamed() {
        var file = read("a.obj", "mtllib a.mtl\n" + SQUARE + "usemtl slate\nf 1 2 3 4\n");
        assertThat(file.missing()).containsExactly("a.mtl");
        assertThat(file.materials()).containsEntry("slate", Swatch.STONE);
        var mtl = "newmtl slate\nmap_Kd textures/slate.png\n".getBytes(StandardCharsets.UTF_8);
        var obj = ("mtllib a.mtl\n" + SQUARE + "usemtl slate\nf 1 2 3 4\n").getBytes(StandardCharsets.UTF_8);
        assertThat(Incoming.read(new Bundle(Map.of("a.obj", obj, "a.mtl", mtl)), "a.obj", s -> true)
                        .missing())
                .containsExactly("textures/slate.png");
        // Chosen one by one, files come without their folders.
        var whole = Incoming.read(
                new Bundle(Map.of("a.obj", obj, "a.mtl", mtl, "slate.png", new byte[1])), "a.obj", s -> true);
        assertThat(whole.missing()).isEmpty();
        assertThat(whole.textures()).containsExactly("textures/slate.png");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "v NaN 0 0\nv 1 0 0\nv 1 0 1\nf 1 2 3\n",
                "v 1e30 0 0\nv 1 0 0\nv 1 0 1\nf 1 2 3\n",
                "v 0 0 0\nv 1 0 0\nv 1 0 1\nf 1 2 4\n",
                "v 0 0 0\nv one 0 0\nf 1 1 1\n",
                "v 0 0 0\nf 1 1\n",
                "",
                "hello",
                "v 0 0 0\nv 1 0 0\nv 1 0 1\n",
                "mtllib ../../etc/passwd\nv 0 0 0\nv 1 0 0\nv 1 0 1\nf 1 2 3\n",
                "mtllib https://example.org/a.mtl\nv 0 0 0\nv 1 0 0\nv 1 0 1\nf 1 2 3\n",
                "mtllib /etc/passwd\nv 0 0 0\nv 1 0 0\nv 1 0 1\nf 1 2 3\n"
            })
    void faultyObjIsRefused(String text) {
        assertThatThrownBy(() -> read("a.obj", text))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("a.obj");
    }

    private static String gltf(String buffer, int bytes, String more) {
        return """
                {"asset": {"version": "2.0"}, "scene": 0, "scenes": [{"nodes": [0]}], "nodes": [{"mesh": 0, "name": "leaf"}],
                 "meshes": [{"primitives": [{"attributes": {"POSITION": 0}}]}],
                 "accessors": [{"bufferView": 0, "componentType": 5126, "count": 3, "type": "VEC3", "min": [0, 0, 0], "max": [1, 1, 0]}],
                 "bufferViews": [{"buffer": 0, "byteLength": 36}], "buffers": [{"uri": "%s", "byteLength": %d}] %s}"""
                .formatted(buffer, bytes, more);
    }

    private static byte[] triangle() {
        var bytes = ByteBuffer.allocate(36).order(ByteOrder.LITTLE_ENDIAN);
        for (var f : new float[] {0, 0, 0, 1, 0, 0, 1, 1, 0}) {
            bytes.putFloat(f);
        }
        return bytes.array();
    }

    @Test
    void gltfInSeveralFilesIsRead() {
        var text = gltf("parts/leaf%201.bin", 36, "").getBytes(StandardCharsets.UTF_8);
        var file =
                Incoming.read(new Bundle(Map.of("leaf.gltf", text, "leaf 1.bin", triangle())), "leaf.gltf", s -> true);
        assertThat(file.things()).extracting(ImportedObject::name).containsExactly("leaf");
        assertThat(settled(file, file.usual()).came().size()).isEqualTo(Vec.ofMillimetres(1000, 0, 1000));
        assertThat(settled(file, file.usual()).came().open()).isEqualTo(3);
        var within = read(
                "leaf.gltf",
                gltf(
                        "data:application/octet-stream;base64,"
                                + Base64.getEncoder().encodeToString(triangle()),
                        36,
                        ""));
        assertThat(within.things()).hasSize(1);
    }

    @Test
    void faultyGltfIsRefused() {
        var inline =
                "data:application/octet-stream;base64," + Base64.getEncoder().encodeToString(triangle());
        for (var text : List.of(
                gltf("leaf.bin", 36, ""),
                gltf("../leaf.bin", 36, ""),
                gltf("https://example.org/leaf.bin", 36, ""),
                gltf("file:///etc/passwd", 36, ""),
                gltf(inline, 2_000_000_000, ""),
                gltf(inline, 36, "").replace("\"count\": 3", "\"count\": 2000000000"),
                gltf(inline, 36, "")
                        .replace("\"bufferView\": 0, ", "")
                        .replace("\"count\": 3", "\"count\": 2000000000"),
                gltf(inline, 36, "").replace("\"count\": 3", "\"count\": 30"),
                gltf(inline, 36, "").replace("\"count\": 3", "\"count\": -3"),
                gltf(inline, 36, ", \"extensionsRequired\": [\"KHR_draco_mesh_compression\"]"),
                gltf(inline, 36, "").replace("\"name\": \"leaf\"", "\"children\": [0]"),
                gltf(inline, 36, "").replace("5126", "5123"),
                gltf(inline, 36, "").replace("2.0", "1.0"),
                gltf(inline, 36, "").substring(0, 200),
                "{}",
                "null",
                "[1]",
                "")) {
            assertThatThrownBy(() -> read("leaf.gltf", text), text)
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("leaf.gltf");
        }
        assertThatThrownBy(() -> read("leaf.gltf", gltf("leaf.bin", 36, "")))
                .hasMessageContaining("leaf.bin")
                .hasMessageContaining("Choose both");
        assertThatThrownBy(() -> read(
                        "leaf.gltf", gltf(inline, 36, ", \"extensionsRequired\": [\"KHR_draco_mesh_compression\"]")))
                .hasMessageContaining("without compression");
    }

    @Test
    void stlInWordsIsRead() {
        var text =
                "solid leaf\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 900 0 0\nvertex 900 450 0\nendloop\nendfacet\nendsolid leaf\n";
        var leaf = read("leaf.stl", text);
        assertThat(settled(leaf, leaf.usual()).came().size()).isEqualTo(Vec.ofMillimetres(900, 450, 0));
        for (var faulty : List.of(
                text.replace("900 450 0", "900 450"),
                text.replace("900 450 0", "nan 450 0"),
                text.substring(0, text.indexOf("vertex 900 450")),
                "solid nothing\nendsolid\n",
                "")) {
            assertThatThrownBy(() -> read("leaf.stl", faulty), faulty).isInstanceOf(Refused.class);
        }
        var binary = three("column.stl");
        var absurd = binary.clone();
        ByteBuffer.wrap(absurd).order(ByteOrder.LITTLE_ENDIAN).putInt(80, -1);
        assertThatThrownBy(() -> read("column.stl", absurd))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("4294967295");
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        var out = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(out)) {
            for (var file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
            }
        }
        return out.toByteArray();
    }

    @Test
    void archivesAreUnpackedWithinBounds() throws IOException {
        var good = new Bundle(Map.of(
                "set.zip", zip(Map.of("models/column.obj", three("column.obj"), "models/readme.txt", new byte[3]))));
        assertThat(good.models()).containsExactly("models/column.obj");
        assertThatThrownBy(() -> new Bundle(Map.of("set.zip", zip(Map.of("../column.obj", three("column.obj"))))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("leads out");
        assertThatThrownBy(() -> new Bundle(Map.of("set.zip", zip(Map.of("/etc/column.obj", three("column.obj"))))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("leads out");
        assertThatThrownBy(() -> new Bundle(Map.of("set.zip", new byte[] {'P', 'K', 3, 4, 9})))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Bundle(Map.of("a.txt", new byte[3])))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(".glb");
        // 300 MiB of nothing in some 300 KiB.
        var out = new ByteArrayOutputStream();
        try (var bomb = new ZipOutputStream(out)) {
            bomb.putNextEntry(new ZipEntry("a.obj"));
            for (var i = 0; i < 300; i++) {
                bomb.write(new byte[1 << 20]);
            }
        }
        assertThat(out.size()).isLessThan(1 << 20);
        assertThatThrownBy(() -> new Bundle(Map.of("bomb.zip", out.toByteArray())))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("256 MiB");
    }

    @Test
    void readingCanBeCalledOff() {
        for (var name : List.of("column.glb", "column.obj", "column.stl")) {
            assertThatThrownBy(() -> Incoming.read(new Bundle(Map.of(name, three(name))), name, share -> false))
                    .isInstanceOf(Incoming.CalledOff.class);
        }
    }

    /** Whatever is broken in a file, what comes of it is a reading or a refusal. */
    @ParameterizedTest
    @ValueSource(strings = {"column.glb", "column.obj", "column.stl"})
    void brokenBytesAreReadOrRefused(String name) {
        var random = new Random(11);
        var refused = 0;
        for (var round = 0; round < 300; round++) {
            var file = three(name);
            if (round % 3 == 0) {
                file = java.util.Arrays.copyOf(file, random.nextInt(file.length));
            }
            for (var i = 0; i < 1 + random.nextInt(8) && file.length > 0; i++) {
                file[random.nextInt(file.length)] = (byte) random.nextInt(256);
            }
            try {
                var read = read(name, file);
                settled(read, read.usual());
            } catch (Refused e) {
                assertThat(e.faults().get(0).message()).isNotBlank();
                refused++;
            }
        }
        assertThat(refused).isPositive();
    }
}
