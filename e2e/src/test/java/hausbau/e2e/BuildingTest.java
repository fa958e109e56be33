package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.json.JsonMapper;

/** A building of storeys: stairs, section, light, walking, flow, and drawings in and out. */
@ExtendWith(SharedApplication.class)
class BuildingTest {

    private static final Path MODULES = Path.of("../web/node_modules").toAbsolutePath();

    /** A hall of 9 × 6 m, drawn, with a storey copied onto it; the ground level is looked at. */
    private static Desk storeys(String name) {
        var desk = SharedApplication.desk().newSite(name);
        desk.button("Draw on the plan").click();
        desk.dragPlan(0, 0, 9_000, 6_000);
        assertThat(desk.field("Clear width")).hasValue("9 m");
        desk.list("Levels").button("Copy level up").click();
        assertThat(desk.field("Level name")).hasValue("Level 1");
        return desk;
    }

    private static void level(Desk desk, String label) {
        desk.page
                .getByLabel("Level", new Page.GetByLabelOptions().setExact(true))
                .selectOption(new SelectOption().setLabel(label));
    }

    /** Counted: to the lower level, the tool, and one drag. */
    @Test
    void aStraightStairUpTakesThreeActionsAndIsReshapedByTyping() {
        var desk = storeys("Climbed building");
        level(desk, "Ground");
        desk.button("Draw stairs").click();
        desk.dragPlan(1_000, 2_600, 5_000, 2_700);
        assertThat(desk.field("Risers")).hasValue("19");
        assertThat(desk.field("Going")).hasValue("0.295 m");
        desk.type("Risers", "12");
        assertThat(desk.page.getByText("from 16 to 22 risers")).isVisible();
        assertThat(desk.field("Risers")).hasValue("19");
        desk.page.getByLabel("Shape of the stairs").selectOption("HALF_TURN");
        assertThat(desk.page.getByLabel("Hand", new Page.GetByLabelOptions().setExact(true)))
                .isVisible();
        desk.until(
                "massing => fetch(massing).then((answer) => answer.json()).then((m) => m.stairs[0].shape === 'HALF_TURN')",
                desk.site() + "/massing");
        var stair = desk.get(desk.site() + "/massing").get("stairs").get(0);
        assertThat(stair.get("shape").asString()).isEqualTo("HALF_TURN");
        // Dragged by the hand, it goes by the step.
        var foot = stair.get("footMm");
        var tread = stair.get("treadsMm").get(3);
        var x = (tread.get("min").get("x").asDouble()
                        + tread.get("max").get("x").asDouble())
                / 2;
        var y = (tread.get("min").get("y").asDouble()
                        + tread.get("max").get("y").asDouble())
                / 2;
        desk.dragPlan(x, y, x + 530, y);
        assertThat(desk.page.getByText("Change the stairs").first()).isVisible();
        desk.until(
                "([site, x]) => fetch(site + '/massing').then((r) => r.json()).then((m) => m.stairs[0].footMm.x === x)",
                Arrays.asList(desk.site(), foot.get("x").asDouble() + 500));
        desk.handsOff();
        desk.press("Control+z", "Control+z", "Control+z");
        assertThat(desk.page.getByText("Copy level “Ground”")).isVisible();
        assertThat(desk.get(desk.site() + "/massing").get("stairs")).isEmpty();
    }

    @Test
    void aSectionIsDrawnAndFollowsTheRooms() {
        var desk = storeys("Cut building");
        desk.button("Section").click();
        desk.dragPlan(-900, 3_000, 10_000, 3_050);
        var section = desk.page.getByTestId("section");
        assertThat(section).hasAttribute("data-heights", "0 3000 3200 6200");
        assertThat(section).hasAttribute("aria-label", "The section, through Room 1, Room 2");
        desk.chosen().type("Height", "3.4 m");
        assertThat(section).hasAttribute("data-heights", "0 3000 3200 6600");
        desk.button("Plan", true).click();
        assertThat(section).isHidden();
        desk.stage("Handover");
        var file = desk.page
                .waitForDownload(() -> desk.page
                        .locator("a.file", new Page.LocatorOptions().setHasText("section.dxf"))
                        .click())
                .path();
        assertThat(readDxf(file)).contains("\"CUT\"", "\"DIMENSIONS\"", "3.4 m");
    }

    /** An independent reader: npm's dxf-parser. */
    private static String readDxf(Path file) {
        try {
            var process = new ProcessBuilder(
                            "node",
                            "-e",
                            """
                    const Parser = require(process.argv[1]); const P = Parser.default ?? Parser
                    const dxf = new P().parseSync(require('fs').readFileSync(process.argv[2], 'utf8'))
                    const cut = dxf.entities.filter((e) => e.type === 'POLYLINE' && e.layer === 'CUT')
                    if (!cut.length || !cut.every((e) => e.shape && e.vertices.length >= 4)) throw new Error('no closed cut')
                    console.log(JSON.stringify({ layers: [...new Set(dxf.entities.map((e) => e.layer))], words: dxf.entities.filter((e) => e.type === 'TEXT').map((e) => e.text) }))
                    """,
                            MODULES.resolve("dxf-parser").toString(),
                            file.toString())
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            var said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(process.waitFor()).isZero();
            JsonMapper.builder().build().readTree(said);
            return said;
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void theSunMovesWithTheHourAndLevelsComeAndGo() {
        var desk = storeys("Lit building");
        var space = desk.page.getByTestId("space");
        desk.group("Light").mood("clear morning");
        desk.page.waitForFunction("() => document.querySelector('[data-testid=space]').dataset.sun !== ''");
        var morning = space.getAttribute("data-sun").split(" ");
        assertThat(Double.parseDouble(morning[0]))
                .as("at ten the sun stands in the east")
                .isPositive();
        desk.button("Set the mood").click();
        desk.type("Sun: hour, typed", "16");
        desk.page.waitForFunction(
                "() => Number(document.querySelector('[data-testid=space]').dataset.sun.split(' ')[0]) < 0");
        desk.group("See").page.getByLabel("Levels that Space shows").selectOption("one");
        desk.button("Ceilings").click();
        assertThat(desk.button("Ceilings")).hasAttribute("aria-pressed", "false");
    }

    @Test
    void oneWalksUpToTheWallAndNotThroughIt() {
        var desk = storeys("Trodden building");
        level(desk, "Ground");
        desk.button("Walk").click();
        assertThat(desk.page.getByText("Arrow keys walk")).isVisible();
        // From 1.5, 1.5 m toward the middle of the room, then on to the far corner's walls.
        desk.page.keyboard().down("ArrowUp");
        desk.page.waitForFunction(
                "() => { const [x, y] = document.querySelector('[data-testid=plan]').dataset.figure.split(' ').map(Number); return x > 8700 || y > 5700 }");
        desk.page.waitForTimeout(1_000);
        desk.page.keyboard().up("ArrowUp");
        var at = Arrays.stream(desk.page
                        .getByTestId("plan")
                        .getAttribute("data-figure")
                        .split(" "))
                .mapToDouble(Double::parseDouble)
                .toArray();
        assertThat(at[0]).isLessThanOrEqualTo(8_801);
        assertThat(at[1]).isLessThanOrEqualTo(5_801);
        assertThat(at[2]).isZero();
        desk.press("Escape");
        assertThat(desk.page.getByText("Arrow keys walk")).isHidden();
    }

    @Test
    void theFlowTellsWhatIsReached() {
        var desk = storeys("Reached building");
        level(desk, "Ground");
        desk.list("Flow").button("From the Figure").click();
        assertThat(desk.page.getByTestId("reached")).hasCount(1);
        assertThat(desk.page.getByTestId("unreached")).containsText("Room 2");
        desk.chosen().button("Draw stairs").click();
        desk.dragPlan(1_000, 4_600, 5_000, 4_600);
        assertThat(desk.field("Risers")).hasValue("19");
        desk.list("Flow");
        assertThat(desk.page.getByText("Every room is reached.")).isVisible();
        assertThat(desk.page.getByTestId("reached")).hasCount(2);
    }

    @Test
    void anSvgIsBroughtInWithItsUnitAndWhatIsNoOutlineIsTold() {
        var desk = SharedApplication.desk().newSite("Brought in");
        var svg =
                "<svg xmlns='http://www.w3.org/2000/svg'><path id='Arcade' d='M0 0h10v-6h-4v-4h-6z'/><circle r='3'/></svg>";
        desk.page
                .getByLabel("An SVG file with outlines")
                .setInputFiles(new FilePayload("plan.svg", "image/svg+xml", svg.getBytes(StandardCharsets.UTF_8)));
        assertThat(desk.page.getByText("it is round")).isVisible();
        desk.page.getByLabel("Unit of the drawing").selectOption(new SelectOption().setLabel("metre"));
        assertThat(desk.page.getByText("10 m wide")).isVisible();
        desk.button("Make 1 room").click();
        assertThat(desk.field("Room name")).hasValue("Arcade");
        assertThat(desk.get(desk.site() + "/massing")
                        .get("rooms")
                        .get(0)
                        .get("areaM2")
                        .asDouble())
                .isEqualTo(84);
    }

    /** How many such requests are under way at once, at most, from now on. */
    private static AtomicInteger mostAtOnce(Desk desk, Predicate<Request> which) {
        var under = new AtomicInteger();
        var most = new AtomicInteger();
        desk.page.onRequest(r -> {
            if (which.test(r)) {
                most.accumulateAndGet(under.incrementAndGet(), Math::max);
            }
        });
        desk.page.onRequestFinished(r -> {
            if (which.test(r)) {
                under.decrementAndGet();
            }
        });
        return most;
    }

    /** The drawing follows the hand, one question and one edit are under way at most, and the last position arrives. */
    @Test
    void aWallIsDraggedThroughManyPlacesAndTheLastOneCounts() {
        var desk = SharedApplication.desk().hall("Dragged far").stage("Massing");
        assertThat(desk.field("Clear width")).hasValue("5 m");
        var edits = mostAtOnce(desk, r -> !r.method().equals("GET") && !r.url().contains("trial=kit"));
        var questions = mostAtOnce(desk, r -> r.url().contains("trial=kit"));
        desk.pressPlan(5_000, 1_200, 5_400, 1_250);
        for (var x = 5_500; x <= 8_000; x += 100) {
            desk.movePlan(x, 1_200);
        }
        desk.movePlan(6_500, 1_300);
        // While the hand holds the wall only what would become of the kit is asked, and nothing has moved.
        assertThat(desk.page.locator(".forecast")).isVisible();
        assertThat(edits).hasValue(0);
        assertThat(desk.field("Clear width")).hasValue("5 m");
        desk.page.mouse().up();
        assertThat(desk.field("Clear width")).hasValue("6.5 m");
        assertThat(edits).hasValue(1);
        assertThat(questions).hasValue(1);
        assertThat(desk.get(desk.site() + "/massing")
                        .get("rooms")
                        .get(0)
                        .get("widthMm")
                        .asInt())
                .isEqualTo(6_500);
    }

    /** Sizes typed while the rectangle is drawn. */
    @Test
    void aRoomIsTypedWhileItIsDrawn() {
        var desk = SharedApplication.desk().newSite("Typed while drawn");
        desk.button("Draw on the plan").click();
        desk.pressPlan(0, 0, 2_000, 1_000);
        desk.page.keyboard().type("7.2m x 450cm");
        desk.press("Enter");
        desk.page.mouse().up();
        assertThat(desk.field("Clear width")).hasValue("7.2 m");
        assertThat(desk.field("Clear depth")).hasValue("4.5 m");
        // The whole room goes along with the hand.
        desk.dragPlan(3_000, 2_000, 4_020, 2_510);
        assertThat(desk.field("Corner X")).hasValue("1 m");
        assertThat(desk.field("Corner Y")).hasValue("0.5 m");
        desk.button("Draw a solid").click();
        desk.dragPlan(3_000, 2_000, 3_400, 2_600);
        assertThat(desk.field("Solid's name")).hasValue("Solid 1");
        desk.type("Height", "1.1 m");
        desk.until(
                "(site) => fetch(site + '/massing').then((r) => r.json()).then((m) => m.solids[0].boxMm.max.z === 1100)",
                desk.site());
    }

    /** In the chain over a wall of 6 m, written 14 px inside or 36 px outside of it: where its length stands, a length is typed. */
    @Test
    void aDimensionIsTypedInTheChainAndACornerDragged() {
        var desk = SharedApplication.desk().newSite("Typed chain");
        desk.button("Draw on the plan").click();
        desk.dragPlan(0, 0, 6_000, 4_000);
        assertThat(desk.field("Clear width")).hasValue("6 m");
        desk.page.waitForTimeout(500);
        var scale = Double.parseDouble(desk.page.getByTestId("plan").getAttribute("data-scale"));
        // The chain of the north wall lies 16 px beyond the wall, which is 200 mm thick.
        desk.doubleClickPlan(3_000, 4_200 + 16 / scale);
        var field = desk.page.getByLabel("Dimension", new Page.GetByLabelOptions().setExact(true));
        assertThat(field).hasValue("6 m");
        field.fill("7.5 m");
        desk.press("Enter");
        assertThat(desk.field("Clear width")).hasValue("7.5 m");
        assertThat(field).isHidden();
        desk.handsOff();
        desk.press("Control+z");
        assertThat(desk.field("Clear width")).hasValue("6 m");
        desk.dragPlan(6_000, 4_000, 7_020, 5_510);
        assertThat(desk.field("Clear width")).hasValue("7 m");
        assertThat(desk.field("Clear depth")).hasValue("5.5 m");
    }

    /** The ground level keeps its height and takes a name; of two storeys above, the upper one is put under the other. */
    @Test
    void levelsAreNamedAndPutInAnotherOrder() {
        var desk = storeys("Ordered building");
        desk.button("Copy level up").click();
        assertThat(desk.field("Level name")).hasValue("Level 2");
        desk.type("Level name", "Attic");
        assertThat(desk.page.getByText("Change level “Attic”")).isVisible();
        desk.button("Move down").click();
        assertThat(desk.page.getByText("Move level “Attic”")).isVisible();
        var levels = desk.get(desk.site() + "/massing").get("levels");
        assertThat(levels.valueStream()
                        .map(l -> l.get("name").asString() + " "
                                + l.get("floorMm").asInt()))
                .containsExactly("Ground 0", "Attic 3200", "Level 1 6400");
        desk.button("Move down").click();
        assertThat(desk.page.getByText("The ground level stays")).isVisible();
        level(desk, "Ground");
        desk.list("Levels").type("Level name", "Street");
        assertThat(desk.page.getByText("Change level “Street”")).isVisible();
    }

    /** A run is listed with its sizes, shown in elevation with its door, and marked on the Table until it is let go. */
    @Test
    void aRunIsShownInElevation() {
        var desk = SharedApplication.desk().newSite("Shown runs");
        desk.button("Draw on the plan").click();
        desk.dragPlan(0, 0, 6_000, 4_000);
        desk.button("Add door").click();
        assertThat(desk.page.getByTestId("opening-door")).isVisible();
        var runs = desk.page.getByLabel("Runs", new Page.GetByLabelOptions().setExact(true));
        assertThat(runs.getByRole(AriaRole.LISTITEM)).hasCount(4);
        var wall = desk.page
                .getByTestId("opening-door")
                .getByLabel("Wall", new Locator.GetByLabelOptions().setExact(true))
                .evaluate("e => e.selectedOptions[0].text")
                .toString();
        runs.getByText(wall).click();
        var drawn = desk.page.getByTestId("run");
        assertThat(drawn)
                .hasAttribute("aria-label", Pattern.compile("Room 1, " + wall + " in elevation, . m long, 1 openings"));
        assertThat(drawn.locator(".hole")).hasCount(1);
        runs.getByText(wall).click();
        assertThat(drawn).isHidden();
    }

    /** Stairs, a solid and a section without the mouse: reached by Tab, pressed by Enter, corrected by typing. */
    @Test
    void stairsASolidAndASectionAreMadeWithKeysAlone() {
        var desk = storeys("Keyed building");
        level(desk, "Ground");
        desk.button("Add stairs").focus();
        desk.press("Enter");
        assertThat(desk.field("Risers")).hasValue("19");
        desk.field("Clear width").focus();
        desk.press("Control+a");
        desk.page.keyboard().type("1 m");
        desk.press("Enter");
        desk.until(
                "(site) => fetch(site + '/massing').then((r) => r.json()).then((m) => m.stairs[0].widthMm === 1000)",
                desk.site());
        desk.button("Back to the room").focus();
        desk.press("Enter");
        desk.button("Add a solid").focus();
        desk.press("Enter");
        assertThat(desk.field("Solid's name")).hasValue("Solid 1");
        desk.button("Back to the room").focus();
        desk.press("Enter");
        desk.button("Cut a section").focus();
        desk.press("Enter");
        // Room 1 below, Room 2 above it: both are cut.
        assertThat(desk.page.getByTestId("section")).hasAttribute("aria-label", "The section, through Room 1, Room 2");
    }
}
