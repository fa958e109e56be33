package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What is wrong is told, shown in both drawings, and mended by its fix. */
@ExtendWith(SharedApplication.class)
class SurveyTest {

    private static Desk hall(String name) {
        return SharedApplication.desk().hall(name);
    }

    private static Locator findings(Desk desk) {
        return desk.page.locator("ul[aria-label=Findings] > li.card");
    }

    @Test
    void aFloatingLampDropsByItsFix() {
        var desk = hall("Floating hall");
        desk.setDown("PRP-LAMP", 2_000, 2_000);
        desk.press("PageUp", "PageUp");
        desk.stage("Survey");
        assertThat(findings(desk)).hasCount(1);
        assertThat(findings(desk)).containsText("Its base is 0.2 m above what is under it.");
        var scale = desk.page.getByTestId("plan").getAttribute("data-scale");
        var view = desk.page.getByTestId("space").getAttribute("data-view");
        findings(desk).locator("button.plain").first().click();
        // Both drawings go there.
        assertThat(desk.page.getByTestId("plan")).not().hasAttribute("data-scale", scale);
        assertThat(desk.page.getByTestId("space")).not().hasAttribute("data-view", view);
        desk.button("Let it drop 0.2 m").click();
        assertThat(desk.page.getByText("Nothing found")).isVisible();
        assertThat(desk.lastPlacement().get("atMm").get("z").asInt()).isZero();
        desk.press("Control+z");
        assertThat(findings(desk)).hasCount(1);
    }

    @Test
    void twoInOnePlaceAndOneInTheWallAreFaults() {
        var desk = hall("Crowded hall");
        desk.setDown("PRP-BENCH", 2_000, 2_000);
        desk.post(
                desk.site() + "/placements/copies",
                "{\"ids\":[" + desk.lastPlacement().get("id") + "],\"byMm\":{\"x\":0,\"y\":0,\"z\":0}}");
        desk.stage("Survey");
        assertThat(findings(desk)).containsText(new String[] {"PRP-BENCH stands twice in one place"});
        desk.button("Take the second one away").click();
        assertThat(desk.page.getByText("Nothing found")).isVisible();
        desk.stage("Build").setDown("PRP-LAMP", -100, 2_000);
        desk.stage("Survey");
        assertThat(findings(desk).first()).containsText("overlap");
        assertThat(findings(desk).first()).containsText("■ fault");
    }

    @Test
    void aWallTakenAwayIsAGapThatItsFixCloses() {
        var desk = hall("Gap hall");
        desk.standing("WAL").first().click();
        desk.handsOff();
        desk.press("Delete");
        desk.stage("Survey");
        assertThat(findings(desk).first()).containsText("Nothing closes the wall");
        findings(desk).first().locator(".ant-btn-primary").click();
        assertThat(desk.page.getByText("Nothing found")).isVisible();
    }

    @Test
    void findingsAlikeAreOneCardMendedTogetherOrAcceptedWithAReason() {
        var desk = hall("Alike hall");
        for (var x : new int[] {1_000, 2_000, 3_000}) {
            desk.post(
                    desk.site() + "/placements",
                    "{\"pieceId\":" + desk.piece("PRP-LAMP") + ",\"atMm\":{\"x\":" + x
                            + ",\"y\":2000,\"z\":400},\"snap\":false}");
        }
        desk.stage("Survey");
        assertThat(findings(desk)).hasCount(1);
        assertThat(findings(desk)).containsText("× 3");
        // The badge counts faults, and these are cautions.
        assertThat(desk.page.locator(".spine .count")).isHidden();
        findings(desk).locator("button.plain").first().click();
        assertThat(findings(desk).locator("ol li")).hasCount(3);
        findings(desk).getByText("Accept …").click();
        desk.field("Why it is accepted").fill("hung from a wire");
        desk.press("Enter");
        assertThat(desk.page.getByText("Accepted: hung from a wire")).isVisible();
        assertThat(findings(desk)).hasCount(0);
        desk.button("Open again").click();
        desk.button("Mend all 3").click();
        assertThat(desk.page.getByText("Nothing found")).isVisible();
        assertThat(desk.byHand())
                .allSatisfy(p -> assertThat(p.get("atMm").get("z").asInt()).isZero());
    }
}
