package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The job done once in a real browser, with mouse, keyboard and typed values, and looked at as a person would. */
@ExtendWith(SharedApplication.class)
class FirstRoomTest {

    @Test
    void aTypedRoomIsBuiltPlacedInAndUndone() {
        var desk = SharedApplication.desk().builtRoom("Browser hall");
        // 5 + 4 m twice from the recommended kit, four posts, and tiles above and below: at least 4 + 4 + 2.
        var before = desk.placements();
        assertThat(before).isGreaterThanOrEqualTo(10);
        desk.page.getByLabel("Take PRP-BENCH").click();
        desk.clickPlan(2_530, 2_020);
        desk.placements(before + 1);
        desk.press("n");
        desk.placements(before + 2);
        desk.press("Escape");
        assertThat(desk.page.getByText("set down by hand")).isVisible();
        desk.press("Control+z");
        desk.placements(before + 1);
        desk.page.reload();
        desk.placements(before + 1);
        desk.press("Control+z");
        desk.placements(before);
        desk.press("Control+Shift+z");
        desk.placements(before + 1);
    }

    @Test
    void whatNoPieceFillsNamesTheNearestLengths() {
        var desk = SharedApplication.desk().hall("Odd hall").stage("Massing");
        desk.type("Clear width", "5.05m");
        assertThat(desk.field("Clear width")).hasValue("5.05 m");
        desk.stage("Kit");
        assertThat(desk.page.getByText("It would do at 5 m or 5.1 m").first()).isVisible();
    }

    @Test
    void anOptionIsChosenInTheChartAndItsRunsAreDrawn() {
        var desk = SharedApplication.desk().builtRoom("Choosing hall").stage("Kit");
        desk.waitFor("td .good");
        var one = desk.page.locator("[role=button][aria-label^='4 kinds']");
        one.press("Enter");
        assertThat(one).hasAttribute("aria-pressed", "true");
        assertThat(desk.page.locator("svg[aria-label*='north: wall']")).isVisible();
        desk.button("Build from 4 kinds").click();
        assertThat(desk.page.getByRole(
                        AriaRole.TAB, new Page.GetByRoleOptions().setName("All").setExact(true)))
                .isVisible();
        var lengths = new ArrayList<Integer>();
        desk.get(desk.site() + "/pieces").forEach(p -> {
            if (p.get("role").asString().equals("WALL")) {
                lengths.add(p.get("sizeMm").get("x").asInt());
            }
        });
        // 5 m and 4 m share the metre, and no longer length on the step divides both.
        assertThat(lengths).containsExactly(1_000);
    }

    @Test
    void drawCallsDoNotGrowWithPlacements() {
        var desk = SharedApplication.desk().hall("Many");
        var ids = new ArrayList<String>();
        var placed = desk.post(
                desk.site() + "/placements",
                "{\"pieceId\":" + desk.piece("PRP-LAMP") + ",\"atMm\":{\"x\":2000,\"y\":2000,\"z\":0}}");
        assertThat(placed.status()).isEqualTo(201);
        ids.add(desk.lastPlacement().get("id").asString());
        var calls = new ArrayList<Integer>();
        for (var instances : List.of(100, 10_000)) {
            while (ids.size() < instances) {
                var some = ids.subList(0, Math.min(ids.size(), instances - ids.size()));
                var answer = desk.post(
                        desk.site() + "/placements/copies",
                        "{\"ids\":[\"" + String.join("\",\"", some) + "\"],\"byMm\":{\"x\":400,\"y\":0,\"z\":0}}");
                assertThat(answer.status()).as(answer.text()).isEqualTo(201);
                ids.addAll(List.of(answer.text().replaceAll("[\\[\\]\"\\s]", "").split(",")));
            }
            desk.page.reload();
            // A lamp has two materials, so each lamp counts two instances.
            desk.page.waitForFunction(
                    "n => Number(document.querySelector('[data-testid=space]')?.dataset.instances) >= n",
                    2 * instances,
                    new Page.WaitForFunctionOptions().setTimeout(120_000));
            calls.add(Integer.parseInt(desk.page.getByTestId("space").getAttribute("data-draw-calls")));
        }
        assertThat(calls.get(0)).isPositive();
        assertThat(calls.get(1)).isEqualTo(calls.get(0));
    }

    @Test
    void theStartPageAndTheStagesPassTheAccessibilityChecks() {
        var desk = SharedApplication.desk().hall("Plain hall");
        for (var stage : new String[] {"massing", "kit", "build", "survey", "handover"}) {
            desk.page.navigate(desk.page.url().replaceAll("(/sites/\\d+).*", "$1/" + stage));
            desk.waitFor("[data-testid=tally-kinds]");
            if (stage.equals("kit")) {
                desk.waitFor("td .good");
            }
            passesAxe(desk, stage);
        }
        desk.page.navigate(desk.application.url("/"));
        desk.waitForWord("Plain hall");
        passesAxe(desk, "start");
    }

    static void passesAxe(Desk desk, String what) {
        var result = new AxeBuilder(desk.page)
                .withTags(List.of("wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"))
                .analyze();
        assertThat(result.getViolations())
                .as(what + ": "
                        + result.getViolations().stream()
                                .map(v -> v.getId() + " " + v.getNodes().get(0).getHtml())
                                .toList())
                .isEmpty();
    }
}
