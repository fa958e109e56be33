package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Sites as wholes, in one tab and in two, with the server and without it. */
@ExtendWith(SharedApplication.class)
class SitesTest {

    @Test
    void aSiteIsRenamedCopiedAndDeleted() {
        var desk = SharedApplication.desk().hall("Paper hall");
        var count = desk.placements();
        desk.page.navigate(desk.application.url("/"));
        desk.page
                .getByLabel("Rename Paper hall", new Page.GetByLabelOptions().setExact(true))
                .click();
        desk.field("Name").fill("Card hall");
        desk.press("Enter");
        desk.page.getByLabel("Copy Card hall").click();
        desk.field("Name").fill("Card hall twin");
        desk.press("Enter");
        desk.page
                .getByLabel("Delete Card hall", new Page.GetByLabelOptions().setExact(true))
                .click();
        desk.page
                .getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Delete"))
                .click();
        assertThat(desk.page.getByLabel("Delete Card hall", new Page.GetByLabelOptions().setExact(true)))
                .isHidden();
        desk.page.getByText("Card hall twin").click();
        desk.placements(count);
        desk.waitFor("[data-testid=space][data-instances='" + count + "']");
        assertThat(desk.findings()).isZero();
    }

    /** Without a kit, a table from the shelf stands in the room that was just drawn. */
    @Test
    void aNewSiteHasPropsToBeginWith() {
        var desk = SharedApplication.desk();
        desk.page.navigate(desk.application.url("/"));
        desk.button("New site").click();
        desk.page.getByLabel("Site name").fill("Props to begin with");
        desk.press("Enter");
        desk.button("Add room").click();
        desk.stage("Build");
        desk.setDown("PRP-CRATE", 2_000, 2_000);
        desk.setDown("PRP-CHAIR", 2_000, 1_200);
        assertThat(desk.placements()).isEqualTo(2);
    }

    @Test
    void theDemoOpensOnItsTicketHall() {
        var desk = SharedApplication.desk();
        desk.page.navigate(desk.application.url("/"));
        desk.page
                .getByText("Ottersteg Baths", new Page.GetByTextOptions().setExact(true))
                .click();
        assertThat(desk.page.getByLabel("Take PRP-CUBICLE, changing cubicle, 12 placed"))
                .isVisible();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        assertThat(desk.page.locator(".spine .count")).isHidden();
    }

    /** Two tabs: what one does shows in the other at once, without being asked for. */
    @Test
    void theOtherTabHearsOfEditsAsTheyAreMade() {
        var desk = SharedApplication.desk().hall("Heard hall");
        var before = desk.placements();
        var other = desk.anotherTab();
        other.placements(before);
        desk.setDown("PRP-LAMP", 2_000, 2_000);
        other.placements(before + 1);
        other.setDown("PRP-BENCH", 3_000, 3_000);
        desk.placements(before + 2);
    }

    /** Each window takes back its own step; another's only when that is asked for and said yes to. */
    @Test
    void aWindowTakesBackItsOwnStepAndAnothersWhenAsked() {
        var desk = SharedApplication.desk().hall("Stepped hall");
        var before = desk.placements();
        desk.setDown("PRP-LAMP", 2_000, 2_000);
        var other = desk.anotherTab();
        other.placements(before + 1);
        other.setDown("PRP-BENCH", 3_000, 3_000);
        desk.placements(before + 2);
        assertThat(desk.page.getByLabel("Undo Set down PRP-LAMP")).isVisible();
        desk.handsOff();
        desk.press("Control+z");
        desk.placements(before + 1);
        assertThat(desk.lastPlacement().get("pieceId").asLong()).isEqualTo(desk.piece("PRP-BENCH"));
        desk.page.getByLabel("Undo another’s step: Set down PRP-BENCH").click();
        desk.page
                .getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take it back"))
                .click();
        desk.placements(before);
        other.placements(before);
        other.handsOff();
        other.press("Shift+Control+z");
        desk.placements(before + 1);
    }

    @Test
    void onlyWhatTouchesTheSameIsRefusedAndTheTabCatchesUp() {
        var desk = SharedApplication.desk().hall("Shared hall");
        desk.setDown("PRP-LAMP", 2_000, 2_000);
        var before = desk.placements();
        var other = desk.anotherTab();
        other.placements(before);
        other.clickPlan(2_000, 2_000);
        assertThat(other.field("X")).hasValue("2 m");
        // The other tab hears of nothing, as if its news were late.
        other.page.route("**/news**", route -> route.abort());
        desk.clickPlan(2_000, 2_000);
        desk.press("ArrowRight");
        assertThat(desk.field("X")).hasValue("2.1 m");
        other.page.unroute("**/news**");
        other.handsOff();
        other.press("ArrowUp");
        assertThat(other.page.getByText("was not done")).isVisible();
        assertThat(other.field("X")).hasValue("2.1 m");
        assertThat(other.field("Y")).hasValue("2 m");
        other.handsOff();
        other.press("ArrowUp");
        assertThat(other.field("Y")).hasValue("2.1 m");
    }

    @Test
    void whatCouldNotBeSentIsKeptAndGoesOutWhenTheServerIsBack() throws Exception {
        try (var application = new Application()) {
            var desk = Desk.at(application).hall("Lost hall");
            var before = desk.placements();
            application.killServer();
            desk.page.getByLabel("Take PRP-LAMP").click();
            desk.clickPlan(2_000, 2_000);
            assertThat(desk.page.getByRole(AriaRole.ALERT).first()).containsText("1 edit is kept");
            application.start();
            desk.placements(before + 1);
            assertThat(desk.page.getByText("The server does not answer")).isHidden();
        }
    }
}
