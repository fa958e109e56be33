package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The line that finds and does, the menu at the pointer, and taking hold of what stands. */
@ExtendWith(SharedApplication.class)
final class CommandsTest {

    private static Locator line(Desk desk) {
        return desk.page.getByLabel("What to find or do");
    }

    private static Locator best(Desk desk) {
        return desk.page.getByRole(AriaRole.OPTION).first();
    }

    @Test
    void aFewLettersFindAndDo() {
        var desk = SharedApplication.desk().hall("Found and done");
        desk.press("f");
        assertThat(line(desk)).isFocused();
        FirstRoomTest.passesAxe(desk, "find and do");
        // A command, by a word that is not in its name; its key stands beside it.
        line(desk).fill("3d");
        assertThat(best(desk)).containsText("Space large");
        line(desk).fill("cutaw");
        assertThat(best(desk)).containsText("Cutaway");
        assertThat(best(desk)).containsText("K");
        desk.press("Enter");
        assertThat(line(desk)).isHidden();
        assertThat(desk.page.locator("[data-group=See]")).containsText("whole");
        // A piece: it is in the hand, whatever other sites are called.
        desk.post("/api/sites", "{\"name\":\"Bench elsewhere\"}");
        desk.press("f");
        line(desk).fill("bench");
        desk.press("Enter");
        assertThat(desk.page.getByTestId("hold")).isVisible();
        desk.press("Escape");
        // A page, and a setting from there.
        desk.press("Control+k");
        line(desk).fill("workshop");
        desk.press("Enter");
        assertThat(desk.page).hasURL(Pattern.compile(".*/kit/workshop"));
        desk.press("Control+k");
        line(desk).fill("wall thick");
        desk.press("Enter");
        assertThat(desk.page.getByLabel("Wall and slab thickness")).isVisible();
        desk.press("Escape");
        desk.press("Control+k");
        line(desk).fill("zzz");
        assertThat(desk.page.getByText("Nothing is called that.")).isVisible();
        desk.press("Escape");
        assertThat(line(desk)).isHidden();
    }

    @Test
    void aRightClickSaysWhatCanBeDoneThere() {
        var desk = SharedApplication.desk().hall("Pointed at").setDown("PRP-BENCH", 2_500, 2_000);
        desk.handsOff();
        desk.press("Escape");
        desk.rightClickPlan(2_500, 2_000);
        var menu = desk.page.getByRole(AriaRole.MENU);
        assertThat(menu).isVisible();
        // It goes for what lies there, which is selected.
        menu.getByText("Quarter turn left").click();
        assertThat(menu).isHidden();
        assertThat(desk.page.getByText("Turn PRP-BENCH")).isVisible();
        assertThat(desk.lastPlacement().get("quarterTurns").asInt()).isEqualTo(1);
        // By keys: opened, gone along, closed.
        desk.handsOff();
        desk.press("Shift+F10");
        assertThat(menu.getByRole(AriaRole.MENUITEM).first()).isFocused();
        desk.press("ArrowDown", "Escape");
        assertThat(menu).isHidden();
        // Where nothing lies, it goes for the place.
        desk.press("Escape");
        desk.rightClickPlan(-700, -700);
        menu.getByText("Stand the Figure here").click();
        assertThat(desk.figure()[0]).isCloseTo(-700, within(40.0));
    }

    /** With one room chosen, a right click in another goes for that one, and beside both for neither. */
    @Test
    void theMenuIsAboutTheRoomUnderThePointer() {
        var desk = SharedApplication.desk().hall("Two rooms pointed at").stage("Massing");
        desk.button("Draw a room").click();
        desk.dragPlan(5_200, 0, 7_000, 4_000);
        assertThat(desk.field("Room name")).hasValue("Room 1");
        var menu = desk.page.getByRole(AriaRole.MENU);
        desk.rightClickPlan(-600, -600);
        assertThat(menu.getByText("Draw a room")).isVisible();
        assertThat(menu.getByText("Remove the room")).isHidden();
        desk.press("Escape");
        assertThat(menu).isHidden();
        desk.rightClickPlan(2_500, 2_000);
        assertThat(desk.field("Room name")).hasValue("Room");
        menu.getByText("Remove the room").click();
        desk.until(
                "site => fetch(site + '/massing').then(r => r.json()).then(m => m.rooms.length === 1 && m.rooms[0].name === 'Room 1')",
                desk.site());
    }

    @Test
    void whatIsSelectedIsDraggedInPlanAndInSpace() {
        var desk = SharedApplication.desk().hall("Dragged bench").setDown("PRP-BENCH", 2_500, 2_000);
        // Taken hold of beside its middle, it keeps its distance from the pointer; the step is 100 mm.
        desk.dragPlan(2_700, 2_100, 3_200, 1_600);
        assertThat(desk.page.getByText("Move PRP-BENCH")).isVisible();
        assertAt(desk, 3_000, 1_500);
        desk.handsOff();
        desk.press("Control+z");
        assertAt(desk, 2_500, 2_000);
        desk.dragSpace(new double[] {2_500, 2_000, 450}, new double[] {3_500, 2_500, 0});
        assertAt(desk, 3_500, 2_500);
        // A click is no drag, and a wall is not dragged away by a careless one: a box is drawn.
        var before = desk.get(desk.site()).get("revision").asInt();
        desk.press("Escape");
        desk.clickPlan(2_500, -100);
        assertThat(desk.page.getByText("from the massing")).isVisible();
        desk.dragPlan(2_500, -100, 3_000, 1_000);
        assertThat(desk.get(desk.site()).get("revision").asInt()).isEqualTo(before);
    }

    private static void assertAt(Desk desk, double x, double y) {
        desk.until(
                "([site, x, y]) => fetch(site + '/placements').then(r => r.json()).then(p => p.some(q => q.origin === 'hand' && q.atMm.x === x && q.atMm.y === y))",
                new Object[] {desk.site(), x, y});
    }

    /** Once, in one line, with what comes next; asked for, it is there again. */
    @Test
    void aStageSaysWhatItIsForOnce() {
        var desk = SharedApplication.desk();
        desk.page.addInitScript(
                "if (!sessionStorage.newcomer) { localStorage.removeItem('hausbau.introduced'); sessionStorage.newcomer = 'no longer' }");
        desk.hall("Introduced");
        var note = desk.page.getByRole(AriaRole.NOTE);
        assertThat(note).containsText("The set stands, built from the kit.");
        desk.button("Close the introduction").click();
        assertThat(note).isHidden();
        desk.page.reload();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        assertThat(note).isHidden();
        desk.press("f");
        line(desk).fill("what this stage");
        desk.press("Enter");
        assertThat(note).isVisible();
        note.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Next: check it"))
                .click();
        assertThat(note).containsText("What is wrong with the set");
    }

    /** Enter pressed twice makes one site, and Enter in the sizes of a room makes the room. */
    @Test
    void enterDoesWhatTheFormIsForOnce() {
        var desk = SharedApplication.desk();
        desk.page.navigate(desk.application.url("/"));
        desk.button("New site").click();
        desk.page.getByLabel("Site name").fill("Entered once");
        desk.press("Enter", "Enter");
        assertThat(desk.page.getByText("The first room", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(desk.get("/api/sites")
                        .valueStream()
                        .filter(s -> s.get("name").asString().equals("Entered once")))
                .hasSize(1);
        desk.field("New width").fill("7 m");
        desk.press("Enter");
        assertThat(desk.field("Clear width")).hasValue("7 m");
        assertThat(desk.page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("New site")))
                .isHidden();
    }
}
