package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** How the Table is arranged, what stands over it, and what a click on it takes. The window has 1280 × 800 pixels. */
@ExtendWith(SharedApplication.class)
final class TableTest {

    private static final double WINDOW = 1280.0 * 800;

    /** A hall as a newcomer finds it: no arrangement of the Table is kept yet. */
    private static Desk asAtFirst(String name) {
        var desk = SharedApplication.desk();
        desk.page.addInitScript(
                "if (!sessionStorage.arranged) { localStorage['hausbau.table'] = '{}'; sessionStorage.arranged = 'no' }");
        return desk.hall(name);
    }

    private static BoundingBox box(Desk desk, String view) {
        return desk.page.getByTestId(view).boundingBox();
    }

    private static double share(Desk desk, String view) {
        var box = box(desk, view);
        return box.width * box.height / WINDOW;
    }

    @Test
    void oneViewIsLargeAndTheOtherSmallInItsCorner() {
        var desk = asAtFirst("Large view");
        assertThat(share(desk, "space")).isGreaterThan(0.6);
        assertThat(share(desk, "plan")).isBetween(0.02, 0.12);
        desk.page.getByRole(AriaRole.BUTTON, exactly("Ticket")).click();
        assertThat(share(desk, "space")).isGreaterThan(0.8);
        desk.press("t");
        assertThat(desk.page.getByRole(AriaRole.TAB).first()).isVisible();
        // Swapped, and it stays so for this stage after a reload; another stage has an arrangement of its own.
        desk.button("Make Plan the large view").click();
        assertThat(share(desk, "plan")).isGreaterThan(0.6);
        desk.page.reload();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        assertThat(share(desk, "plan")).isGreaterThan(0.6);
        desk.stage("Survey");
        assertThat(share(desk, "space")).isGreaterThan(0.6);
        desk.button("One view alone").click();
        assertThat(desk.page.getByTestId("plan")).isHidden();
        desk.button("Both side by side").click();
        assertThat(box(desk, "plan").width).isGreaterThan(400);
        assertThat(box(desk, "space").width).isGreaterThan(400);
    }

    /** Begun before the first picture has come, a walk stays where it began: the eye is 1.6 m above the floor, within the room. */
    @Test
    void whoWalksBeforeTheFirstPictureStaysInside() {
        var desk = SharedApplication.desk().hall("Early walk");
        desk.page.reload();
        desk.waitFor("[data-testid=tally-placements]");
        desk.press("w");
        desk.waitFor("[data-testid=space][data-walking=true][data-instances]:not([data-instances='0'])");
        desk.page.waitForTimeout(500);
        var eye = desk.eye();
        assertThat(eye[2]).isBetween(1.4, 1.8);
        assertThat(eye[0]).isBetween(0.0, 5.0);
        assertThat(eye[1]).isBetween(0.0, 4.0);
    }

    /** Each step is done for real, and the next follows. */
    @Test
    void theWalkRoundGoesOnWithWhatIsDone() {
        var desk = SharedApplication.desk().hall("Shown round");
        desk.setDown("PRP-LAMP", 2_500, 2_000);
        desk.press("f");
        desk.page.keyboard().type("show me round");
        desk.press("Enter");
        var note = desk.page.getByLabel("Show me round", new Page.GetByLabelOptions().setExact(true));
        // What was set down is selected still: the first step is done.
        assertThat(note).containsText("2 of 9");
        desk.clickPlan(2_500, 2_000);
        desk.handsOff();
        desk.press("ArrowRight");
        assertThat(note).containsText("3 of 9");
        desk.press("Control+z");
        assertThat(note).containsText("4 of 9");
        note.getByText("Skip").click();
        note.getByText("End").click();
        assertThat(note).hasCount(0);
    }

    @Test
    void whoWalksHasTheWholeWindow() {
        var desk = asAtFirst("Whole window");
        desk.press("w");
        assertThat(desk.button("Stop walking")).isVisible();
        assertThat(box(desk, "space").width).isEqualTo(1280);
        assertThat(box(desk, "space").height).isEqualTo(800);
        desk.press("Escape");
        assertThat(desk.button("Walk", true)).isVisible();
        assertThat(share(desk, "space")).isBetween(0.6, 0.8);
    }

    /** Two actions, by what is seen: the group of light, and what it offers. */
    @Test
    void theHallIsSeenFinishedInTheSunAtEyeHeight() {
        var desk = asAtFirst("Sunny walk");
        desk.group("Light");
        desk.button("Walk in the sun").click();
        desk.waitFor("[data-testid=space][data-walking=true][data-look=finished][data-sun]:not([data-sun=''])");
        assertThat(box(desk, "space").height).isEqualTo(800);
    }

    /** What is set over the views is kept for the site, and another site begins as usual. */
    @Test
    void whatIsSeenStandsAgainAfterAReload() {
        var desk = SharedApplication.desk().hall("Kept sight");
        desk.group("Light").button("Finished", true).click();
        desk.mood("clear morning");
        desk.group("See").type("cut at", "1.5 m");
        assertThat(desk.page.locator("[data-group=See]")).containsText("cut at 1.5 m");
        desk.group("Pick").field("What a click selects").selectOption("STANDING");
        desk.page.reload();
        desk.waitFor("[data-testid=space][data-look=finished][data-sun]:not([data-sun=''])");
        assertThat(desk.page.locator("[data-group=See]")).containsText("cut at 1.5 m");
        assertThat(desk.page.locator("[data-group=Pick]")).containsText("all but floors");
        desk.hall("Other sight");
        assertThat(desk.page.getByTestId("space")).hasAttribute("data-look", "paper");
        assertThat(desk.page.locator("[data-group=See]")).containsText("cut at 2 m");
    }

    /** A floor of the level above hangs over everything on Ground; a click takes what is seen, and again what lies beneath. */
    @Test
    void whatIsPickedIsWhatIsSeen() {
        var desk = SharedApplication.desk().hall("Two storeys");
        var single = desk.placements();
        assertThat(desk.post(desk.site() + "/levels/0/copies", "{}").ok()).isTrue();
        desk.page.waitForCondition(() -> desk.placements() > single);
        desk.setDown("PRP-BENCH", 2_500, 2_000);
        desk.handsOff();
        desk.press("Escape");
        desk.movePlan(2_500, 2_000);
        assertThat(desk.page.getByTestId("would-pick")).hasText("PRP-BENCH");
        desk.clickPlan(2_500, 2_000);
        var ticket = desk.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("PRP-BENCH"));
        assertThat(ticket).isVisible();
        var here = desk.page.getByLabel("What lies here");
        assertThat(here.getByRole(AriaRole.BUTTON)).hasCount(2);
        // The same place again: the floor that it stands on, of Ground.
        desk.clickPlan(2_500, 2_000);
        assertThat(ticket).isHidden();
        assertThat(desk.field("Z")).hasValue("0 m");
        here.getByText("PRP-BENCH").click();
        assertThat(ticket).isVisible();
        desk.handsOff();
        desk.press("Escape");
        assertThat(here).isHidden();
    }

    /** Nothing moves the sheet but a hand: an edit elsewhere on it least of all. */
    @Test
    void thePlanStaysWhereItIsWhenRoomsChange() {
        var desk = SharedApplication.desk().hall("Still plan").stage("Massing");
        assertThat(desk.field("Clear width")).isVisible();
        // The Line-up has gone, and the plan has taken its room.
        desk.page.waitForTimeout(500);
        var plan = desk.page.getByTestId("plan");
        var scale = plan.getAttribute("data-scale");
        var origin = plan.getAttribute("data-origin");
        desk.type("Clear width", "9 m");
        desk.until(
                "site => fetch(site + '/massing').then(r => r.json()).then(m => m.rooms[0].widthMm === 9000)",
                desk.site());
        desk.page.waitForTimeout(300);
        assertThat(plan).hasAttribute("data-scale", scale);
        assertThat(plan).hasAttribute("data-origin", origin);
    }

    /** As few as it can be: of what can be operated, with nothing selected, and nothing is written in less than 13 pixels. */
    @Test
    void littleStandsThereAtOnce() {
        var desk = asAtFirst("Calm table");
        for (var stage : new String[] {"Build", "Massing", "Survey"}) {
            desk.stage(stage);
            assertThat(desk.button("Walk", true)).isVisible();
            desk.handsOff();
            desk.press("Escape");
            assertThat(stops(desk)).as(stage).isLessThanOrEqualTo(30);
            assertThat(smallestText(desk)).as(stage).isGreaterThanOrEqualTo(13);
        }
    }

    /** Where the Tab key stops: a list that arrows go along is one. */
    private static int stops(Desk desk) {
        return ((Number)
                        desk.page.evaluate(
                                """
                        () => [...document.querySelectorAll('a[href], button, input, select, textarea, summary, [tabindex]')]
                          .filter(e => e.tabIndex >= 0 && !e.disabled && e.checkVisibility({ visibilityProperty: true }))
                          .length
                        """))
                .intValue();
    }

    private static double smallestText(Desk desk) {
        return ((Number)
                        desk.page.evaluate(
                                """
                        () => Math.min(...[...document.querySelectorAll('body *')]
                          .filter(e => [...e.childNodes].some(n => n.nodeType === 3 && n.textContent.trim()) && e.checkVisibility())
                          .map(e => parseFloat(getComputedStyle(e).fontSize)))
                        """))
                .doubleValue();
    }

    private static Page.GetByRoleOptions exactly(String name) {
        return new Page.GetByRoleOptions().setName(name).setExact(true);
    }
}
