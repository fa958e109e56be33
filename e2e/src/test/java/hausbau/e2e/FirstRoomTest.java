package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The job done once in a real browser, with mouse, keyboard and typed values, and looked at as a person would. */
class FirstRoomTest {

    private static final double SLOW = 60_000;
    private static Application application;

    @BeforeAll
    static void start() {
        application = new Application();
    }

    @AfterAll
    static void stop() {
        application.close();
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    /** Makes a site, types a room of 5 × 4 m and builds it; the page is left in Build. */
    private static Page builtRoom(String name) {
        var page = application.page();
        page.setDefaultTimeout(SLOW);
        page.navigate(application.url("/"));
        button(page, "New site").click();
        page.getByLabel("Site name").fill(name);
        button(page, "Make the site").click();
        type(page, "New width", "5m");
        type(page, "New depth", "400 cm");
        button(page, "Add room").click();
        assertThat(page.getByLabel("Clear width")).hasValue("5 m");
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Kit")).click();
        button(page, "Work out the kit").click();
        button(page, "Build from").click();
        assertThat(page.getByText("Set list")).isVisible();
        waitFor(page, "[data-testid=space][data-instances]:not([data-instances='0'])");
        return page;
    }

    private static void type(Page page, String label, String text) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(text);
        page.keyboard().press("Tab");
    }

    private static void waitFor(Page page, String selector) {
        page.waitForSelector(selector, new Page.WaitForSelectorOptions().setTimeout(SLOW));
    }

    private static void placements(Page page, int count) {
        assertThat(page.getByTestId("tally-placements")).hasText(String.valueOf(count), new LocatorAssertions.HasTextOptions().setTimeout(SLOW));
    }

    /** Clicks on the plan at a place of the site, in millimetres. */
    private static void clickPlan(Page page, double x, double y) {
        var plan = page.getByTestId("plan");
        var origin = Arrays.stream(plan.getAttribute("data-origin").split(" ")).mapToDouble(Double::parseDouble).toArray();
        var scale = Double.parseDouble(plan.getAttribute("data-scale"));
        plan.click(new Locator.ClickOptions().setPosition(origin[0] + x * scale, origin[1] - y * scale));
    }

    @Test
    void aTypedRoomIsBuiltPlacedInAndUndone() {
        var page = builtRoom("Browser hall");
        // 5 + 4 m twice from the recommended kit, four posts, and tiles above and below: at least 4 + 4 + 2.
        var before = Integer.parseInt(page.getByTestId("tally-placements").textContent());
        assertThat(before).isGreaterThanOrEqualTo(10);
        page.getByLabel("Take PRP-BENCH").click();
        clickPlan(page, 2_530, 2_020);
        placements(page, before + 1);
        page.keyboard().press("n");
        placements(page, before + 2);
        page.keyboard().press("Escape");
        assertThat(page.getByText("set down by hand")).isVisible();
        page.keyboard().press("Control+z");
        placements(page, before + 1);
        page.reload();
        placements(page, before + 1);
        page.keyboard().press("Control+z");
        placements(page, before);
        page.keyboard().press("Control+Shift+z");
        placements(page, before + 1);
    }

    @Test
    void thePlacedThingSnapsAndTakesTypedValues() {
        var page = builtRoom("Typed hall");
        page.getByLabel("Take PRP-LAMP").click();
        clickPlan(page, 2_530, 1_980);
        // Snapped to the step of 100 mm, whatever the pixel said.
        assertThat(page.getByLabel("X", new Page.GetByLabelOptions().setExact(true))).hasValue("2.5 m");
        assertThat(page.getByLabel("Y", new Page.GetByLabelOptions().setExact(true))).hasValue("2 m");
        page.keyboard().press("Escape");
        type(page, "X", "10'");
        assertThat(page.getByLabel("X", new Page.GetByLabelOptions().setExact(true))).hasValue("3.048 m");
    }

    @Test
    void whatNoPieceFillsNamesTheNearestLengths() {
        var page = builtRoom("Odd hall");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Massing")).click();
        type(page, "Clear width", "5.05m");
        assertThat(page.getByLabel("Clear width")).hasValue("5.05 m");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Kit")).click();
        assertThat(page.getByText("It would do at 5 m or 5.1 m").first()).isVisible();
    }

    @Test
    void drawCallsDoNotGrowWithPlacements() {
        var page = builtRoom("Many");
        var site = "/api" + page.url().replaceAll(".*(/sites/\\d+).*", "$1");
        var pieces = page.request().get(application.url(site + "/pieces")).text();
        var lamp = pieces.replaceAll(".*\\{\"id\":(\\d+),\"code\":\"PRP-LAMP\".*", "$1");
        var first = page.request().post(application.url(site + "/placements"), RequestOptions.create().setHeader("Content-Type", "application/json")
                .setData("{\"pieceId\":" + lamp + ",\"atMm\":{\"x\":2000,\"y\":2000,\"z\":0}}")).text().replaceAll(".*?\"id\":(\\d+).*", "$1");
        var calls = 0;
        var ids = new StringBuilder(first);
        for (var round = 0; round < 2; round++) {
            var instances = round == 0 ? 100 : 1000;
            while (ids.chars().filter(c -> c == ',').count() + 1 < instances) {
                var copies = page.request().post(application.url(site + "/placements/copies"), RequestOptions.create().setHeader("Content-Type", "application/json")
                        .setData("{\"ids\":[" + ids + "],\"byMm\":{\"x\":400,\"y\":0,\"z\":0}}")).text();
                ids.append(',').append(copies.replaceAll("[\\[\\]]", ""));
            }
            page.reload();
            // A lamp has two materials, so each lamp counts two instances.
            page.waitForFunction("n => Number(document.querySelector('[data-testid=space]')?.dataset.instances) >= n", 2 * instances,
                    new Page.WaitForFunctionOptions().setTimeout(SLOW));
            page.waitForTimeout(2_000);
            var now = Integer.parseInt(page.getByTestId("space").getAttribute("data-draw-calls"));
            if (round == 0) {
                calls = now;
            } else {
                assertThat(now).isEqualTo(calls);
            }
        }
    }

    @Test
    void theStartPageAndTheStagesPassTheAccessibilityChecks() {
        var page = builtRoom("Plain hall");
        for (var stage : new String[] {"massing", "kit", "build", "survey", "handover"}) {
            page.navigate(page.url().replaceAll("(/sites/\\d+).*", "$1/" + stage));
            waitFor(page, "[data-testid=tally-kinds]");
            if (stage.equals("kit")) {
                waitFor(page, "td .good");
            }
            var result = new AxeBuilder(page).withTags(List.of("wcag2a", "wcag2aa", "wcag21aa", "wcag22aa")).analyze();
            assertThat(result.getViolations()).as(stage + ": " + result.getViolations().stream().map(v -> v.getId() + " " + v.getNodes().get(0).getHtml()).toList()).isEmpty();
        }
    }
}
