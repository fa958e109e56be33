package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The files, as another program would open them: through the Khronos glTF validator (npm's gltf-validator) without an
 * error or a warning, and read by three.js's own loader in the browser.
 */
@ExtendWith(SharedApplication.class)
class HandoverTest {

    private static final Path MODULES =
            Path.of("../web/node_modules").toAbsolutePath().normalize();
    private static final String VALIDATE =
            """
            const fs = require('fs'), v = require(process.argv[1]);
            v.validateBytes(new Uint8Array(fs.readFileSync(process.argv[2])), {maxIssues: 0})
              .then(r => console.log(JSON.stringify(r)), e => { console.error(e); process.exit(1) })""";
    /** Reads the scene back and tells every node's name and world box, in millimetres with Z up. */
    private static final String READ =
            """
            <script type="importmap">{"imports": {"three": "/readback/three/build/three.module.js", "three/addons/": "/readback/three/examples/jsm/"}}</script>
            <script type="module">
              import { Box3 } from 'three'
              import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js'
              new GLTFLoader().loadAsync('SCENE').then((file) => {
                file.scene.updateMatrixWorld(true)
                const geometries = new Set()
                file.scene.traverse((n) => n.isMesh && geometries.add(n.geometry))
                window.read = {
                  geometries: geometries.size,
                  nodes: [...file.parser.associations].filter(([n, a]) => n.isObject3D && a.nodes !== undefined && a.primitives === undefined
                    && file.parser.json.nodes[a.nodes].mesh !== undefined || n.isMesh && a.nodes !== undefined && file.parser.json.nodes[a.nodes].mesh !== undefined).map(([n, a]) => {
                    const b = new Box3().setFromObject(n)
                    return { name: file.parser.json.nodes[a.nodes].name, min: [b.min.x, -b.max.z, b.min.y].map((v) => Math.round(v * 1000)), max: [b.max.x, -b.min.z, b.max.y].map((v) => Math.round(v * 1000)) }
                  }),
                }
              }, (e) => (window.read = { error: String(e) }))
            </script>""";

    private static Desk furnished(String name) {
        var desk = SharedApplication.desk().hall(name);
        var bench = desk.piece("PRP-BENCH");
        desk.post(
                desk.site() + "/placements",
                "{\"pieceId\":" + bench + ",\"atMm\":{\"x\":2000,\"y\":1000,\"z\":0},\"quarterTurns\":1}");
        desk.post(
                desk.site() + "/placements",
                "{\"pieceId\":" + bench + ",\"atMm\":{\"x\":3500,\"y\":3000,\"z\":0},\"mirrored\":true}");
        desk.post(
                desk.site() + "/placements",
                "{\"pieceId\":" + desk.piece("PRP-LAMP")
                        + ",\"atMm\":{\"x\":1000,\"y\":3000,\"z\":0},\"freeDegrees\":30,\"snap\":false}");
        desk.stage("Handover");
        return desk;
    }

    private static Path download(Desk desk, String title) {
        return desk.page
                .waitForDownload(() -> desk.page
                        .locator("a.file", new Page.LocatorOptions().setHasText(title))
                        .click())
                .path();
    }

    private static void passesTheValidator(Path file) throws IOException, InterruptedException {
        var process = new ProcessBuilder(
                        "node",
                        "-e",
                        VALIDATE,
                        MODULES.resolve("gltf-validator").toString(),
                        file.toString())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        var report = JsonMapper.builder()
                .build()
                .readTree(new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8));
        assertThat(process.waitFor()).isZero();
        var issues = report.get("issues");
        assertThat(issues.get("numErrors").asInt()).as(issues.toString()).isZero();
        assertThat(issues.get("numWarnings").asInt()).as(issues.toString()).isZero();
        assertThat(report.get("info").get("totalVertexCount").asInt()).isPositive();
    }

    @Test
    void theSetPassesTheValidatorAndReadsBackWhereItStands() throws Exception {
        var desk = furnished("Handed hall");
        passesTheValidator(download(desk, "scene.glb"));
        var read = readBack(desk);
        assertThat(read.path("error").asString()).isEmpty();
        var placements = desk.get(desk.site() + "/placements");
        assertThat(read.get("nodes")).hasSameSizeAs(placements);
        var used = placements
                .valueStream()
                .map(p -> p.get("pieceId").asLong())
                .distinct()
                .toList();
        var primitives = desk.get(desk.site() + "/tally").get("drawCalls").asInt();
        // A mesh is shared by all placements of its piece: one geometry a piece and material, however many nodes.
        assertThat(read.get("geometries").asInt()).isEqualTo(primitives).isGreaterThanOrEqualTo(used.size());
        assertThat(boxes(read, "PRP-BENCH"))
                .containsExactlyInAnyOrder(
                        // 1600 × 450 × 450 about its base's centre, once turned and once mirrored.
                        List.of(1_775, 200, 0, 2_225, 1_800, 450), List.of(2_700, 2_775, 0, 4_300, 3_225, 450));
        assertThat(boxes(read, "PRP-LAMP").get(0).get(5)).isEqualTo(2_000);
    }

    private static List<List<Integer>> boxes(JsonNode read, String code) {
        return read.get("nodes")
                .valueStream()
                .filter(n -> n.get("name").asString().matches(Pattern.quote(code) + "(_\\d+)?"))
                .map(n -> List.of(
                        n.get("min").get(0).asInt(),
                        n.get("min").get(1).asInt(),
                        n.get("min").get(2).asInt(),
                        n.get("max").get(0).asInt(),
                        n.get("max").get(1).asInt(),
                        n.get("max").get(2).asInt()))
                .toList();
    }

    private static JsonNode readBack(Desk desk) {
        var scene = desk.site() + "/handover/scene.glb";
        var page = desk.page.context().newPage();
        page.route("**/readback/**", route -> {
            var path = route.request().url().replaceAll(".*/readback/", "");
            if (path.equals("index.html")) {
                route.fulfill(
                        new Route.FulfillOptions().setContentType("text/html").setBody(READ.replace("SCENE", scene)));
            } else {
                route.fulfill(new Route.FulfillOptions()
                        .setContentType("text/javascript")
                        .setPath(MODULES.resolve(path)));
            }
        });
        page.navigate(desk.application.url("/readback/index.html"));
        page.waitForFunction("window.read");
        return JsonMapper.builder().build().readTree((String) page.evaluate("JSON.stringify(window.read)"));
    }

    @Test
    void everyPieceIsAFileOfItsOwnAtItsPivot() throws Exception {
        var desk = furnished("Pieced hall");
        desk.page.getByLabel("With the sheets of their materials").click();
        try (var zip = new ZipFile(download(desk, "pieces.zip").toFile())) {
            var sheets = zip.stream()
                    .map(e -> e.getName())
                    .filter(name -> name.startsWith("sheets/"))
                    .toList();
            assertThat(sheets)
                    .contains("sheets/plaster colour.jpg", "sheets/timber normal.jpg")
                    .hasSize(3 * desk.get(desk.site() + "/tally").get("sheets").asInt());
        }
        desk.page.getByLabel("With the sheets of their materials").click();
        try (var zip = new ZipFile(download(desk, "pieces.zip").toFile())) {
            var codes = desk.get(desk.site() + "/pieces")
                    .valueStream()
                    .filter(p -> p.get("count").asInt() > 0)
                    .map(p -> p.get("code").asString() + ".glb")
                    .toList();
            assertThat(zip.stream().map(e -> e.getName())).containsExactlyInAnyOrderElementsOf(codes);
            for (var entry : zip.stream().toList()) {
                var file = Files.createTempFile("piece", ".glb");
                Files.write(file, zip.getInputStream(entry).readAllBytes());
                passesTheValidator(file);
                Files.delete(file);
            }
        }
    }

    /** What is made at length says how far it is; called off there is no file and it can be taken again, named as its site. */
    @Test
    void aFileIsCalledOffAndTakenAgain() {
        var desk = furnished("Long hall");
        desk.page.evaluate(
                "() => Promise.all(['TIMBER', 'OPAL', 'METAL'].map((s) => fetch(location.pathname.replace(/sites.(\\d+).*/, 'api/sites/$1/materials/' + s), { method: 'PATCH', headers: { 'Content-Type': 'application/json' }, body: '{\"pixels\":4096}' })))");
        var taken = new ArrayList<String>();
        desk.page.onDownload(d -> taken.add(d.suggestedFilename()));
        desk.page
                .locator("a.file", new Page.LocatorOptions().setHasText("scene.glb"))
                .click();
        assertThat(desk.page.getByRole(AriaRole.PROGRESSBAR)).isVisible();
        desk.until("() => document.querySelector('progress')?.value > 0", null);
        desk.button("Cancel").click();
        assertThat(desk.page.getByRole(AriaRole.PROGRESSBAR)).hasCount(0);
        assertThat(desk.page.getByRole(AriaRole.ALERT)).hasCount(0);
        assertThat(taken).isEmpty();
        assertThat(desk.page
                        .waitForDownload(() -> desk.page
                                .locator("a.file", new Page.LocatorOptions().setHasText("pieces.zip"))
                                .click())
                        .suggestedFilename())
                .isEqualTo("Long hall pieces.zip");
    }

    @Test
    void theBillCountsEveryPlacement() throws IOException {
        var desk = furnished("Billed hall");
        var lines = Files.readAllLines(download(desk, "pieces.csv"));
        assertThat(lines.get(0)).isEqualTo("code,role,name,width_mm,depth_mm,height_mm,count");
        assertThat(lines).anyMatch(l -> l.startsWith("PRP-BENCH,prop,bench,1600,450,450,2"));
        var sum = lines.stream()
                .skip(1)
                .mapToInt(l -> Integer.parseInt(l.substring(l.lastIndexOf(',') + 1)))
                .sum();
        assertThat(sum).isEqualTo(desk.get(desk.site() + "/placements").size());
    }
}
