package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.SelectOption;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What is fixed to walls and hangs, and what looks alike, in the room of 5 × 4 m that a desk builds. */
@ExtendWith(SharedApplication.class)
class ClingingTest {

    private static List<JsonNode> of(Desk desk, String code) {
        var id = desk.piece(code);
        return desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("pieceId").asLong() == id)
                .toList();
    }

    /** Until a placement of the piece stands there. */
    private static void stands(Desk desk, String code, double x, double y, double z, int quarters) {
        desk.until(
                "([site, piece, x, y, z, q]) => fetch(site + '/placements').then(r => r.json()).then(p => p.some(a => a.pieceId === piece && a.atMm.x === x && a.atMm.y === y && a.atMm.z === z && a.quarterTurns === q))",
                List.of(desk.site(), (double) desk.piece(code), x, y, z, quarters));
    }

    /** On the plan it turns to the wall that is near; in Space to the point of the wall that is clicked; a typed height is kept; it stays with the wall. */
    @Test
    void aWallLampClingsToWhatItIsPointedAt() {
        var desk = SharedApplication.desk().hall("Lamps");
        desk.page.getByLabel("Take PRP-WALL-LAMP").click();
        desk.movePlan(2_000, 3_600);
        assertThat(desk.page.getByTestId("hold")).containsText("at the wall");
        desk.clickPlan(2_000, 3_600);
        stands(desk, "PRP-WALL-LAMP", 2_000, 3_870, 1_700, 0);
        desk.type("Height of its base", "1,25");
        desk.clickPlan(300, 2_000);
        stands(desk, "PRP-WALL-LAMP", 130, 2_000, 1_250, 1);
        desk.button("As high as it is pointed at", true).click();
        // On the face of the north wall: its base comes to lie where it is clicked, on the step above the floor.
        desk.clickSpace(3_600, 4_000, 1_000);
        stands(desk, "PRP-WALL-LAMP", 3_600, 3_870, 1_000, 0);
        desk.handsOff();
        desk.press("Escape");
        var room =
                desk.get(desk.site() + "/massing").get("rooms").get(0).get("id").asLong();
        desk.patch(desk.site() + "/rooms/" + room, "{\"depthMm\":5000}");
        stands(desk, "PRP-WALL-LAMP", 2_000, 4_870, 1_700, 0);
        stands(desk, "PRP-WALL-LAMP", 130, 2_000, 1_250, 1);
        assertThat(desk.get(desk.site() + "/survey")
                        .get("findings")
                        .valueStream()
                        .filter(f -> f.get("kind").asString().equals("FLOATING")))
                .isEmpty();
    }

    /** A bench told to hang goes up to the ceiling; picked up, it stands again once it is told to. */
    @Test
    void aPieceSaysHowItIsHeld() {
        var desk = SharedApplication.desk().hall("Held").setDown("PRP-BENCH", 2_000, 2_000);
        desk.page.getByText("PRP-BENCH, wherever it stands").click();
        desk.page.getByLabel("How it is held").selectOption(new SelectOption().setLabel("hangs"));
        desk.until(
                "([site, piece]) => fetch(site + '/pieces').then(r => r.json()).then(p => p.find(q => q.id === piece).trait.held === 'HANGS')",
                List.of(desk.site(), (double) desk.piece("PRP-BENCH")));
        desk.page.getByLabel("Take PRP-BENCH").click();
        desk.clickPlan(3_500, 1_000);
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(p => p.some(a => a.origin === 'hand' && a.atMm.z > 2000))",
                desk.site());
        desk.handsOff();
        desk.press("Escape", "Control+z", "Control+z");
        desk.until(
                "([site, piece]) => fetch(site + '/pieces').then(r => r.json()).then(p => p.find(q => q.id === piece).trait.held === 'STANDS')",
                List.of(desk.site(), (double) desk.piece("PRP-BENCH")));
        assertThat(of(desk, "PRP-BENCH")).hasSize(1);
    }

    /** Two looks given out among a row of six; the longest row of equals is six before, and what two of it are after. */
    @Test
    void equalsAreToldApart() {
        var desk = SharedApplication.desk().hall("Looks");
        for (var i = 0; i < 6; i++) {
            desk.post(
                    desk.site() + "/placements",
                    "{\"pieceId\":" + desk.piece("PRP-LAMP") + ",\"atMm\":{\"x\":" + (1_000 + 400 * i)
                            + ",\"y\":2000,\"z\":0},\"snap\":false}");
        }
        var longest = desk.page.getByText("Longest row: ");
        desk.group("See").button("Repetition", true).click();
        assertThat(longest).isVisible();
        desk.standing("LAMP")
                .filter(new Locator.FilterOptions().setHasText("PRP-LAMP"))
                .first()
                .click();
        desk.page.getByText("PRP-LAMP, wherever it stands").click();
        desk.button("Let them differ", true).click();
        desk.until(
                "site => fetch(site + '/looks').then(r => r.json()).then(l => l.dealt.length === 1 && new Set(l.dealt[0].looks).size === 2)",
                desk.site());
        assertThat(desk.page.getByLabel("Tint of look 2")).hasValue("#d8c7a6");
        var dealt = desk.get(desk.site() + "/looks")
                .get("dealt")
                .valueStream()
                .flatMap(d -> d.get("looks").valueStream())
                .map(JsonNode::asInt)
                .toList();
        // One of the two looks is the lamp's own, which has no number.
        assertThat(dealt).hasSize(6).containsOnly(-1, 0);
        for (var i = 1; i < dealt.size(); i++) {
            assertThat(dealt.get(i)).isNotEqualTo(dealt.get(i - 1));
        }
        desk.button("Another look", true).click();
        assertThat(desk.page.getByLabel("Tint of look 3")).isVisible();
        desk.page.getByLabel("Weight of look 3").fill("0");
        desk.press("Enter");
        assertThat(desk.page.getByText("A weight is a whole number from 1 to 1000."))
                .isVisible();
        desk.page.getByLabel("Take look 3 out").click();
        assertThat(desk.page.getByLabel("Tint of look 3")).isHidden();
        // Each in a colour of its own in the panel, and the row can be selected.
        assertThat(desk.page
                        .locator("section[aria-label=Repetition] li")
                        .filter(new Locator.FilterOptions().setHasText("PRP-LAMP")))
                .hasCount(2);
        desk.button("Select it", true).click();
        assertThat(desk.page.getByText("placements").first()).isVisible();
    }

    private static int triangles(Desk desk) {
        return Integer.parseInt(desk.page.getByTestId("space").getAttribute("data-triangles"));
    }

    /** Lamps are heavy: beyond a metre, which is everywhere from outside, they are boxes; and again whole. */
    @Test
    void whatIsHeavyAndFarAwayIsABox() {
        var desk = SharedApplication.desk().hall("Far");
        var bare = triangles(desk);
        desk.post(
                desk.site() + "/placements",
                "{\"pieceId\":" + desk.piece("PRP-LAMP") + ",\"atMm\":{\"x\":1000,\"y\":2000,\"z\":0}}");
        desk.until(
                "bare => Number(document.querySelector('[data-testid=space]').dataset.triangles) > bare + 500", bare);
        var whole = triangles(desk);
        desk.group("See").type("Boxes farther than (0: never)", "1");
        desk.until(
                "before => Number(document.querySelector('[data-testid=space]').dataset.triangles) < before - 500",
                whole);
        desk.clickSpace(1_000, 2_000, 1_000);
        assertThat(desk.page.getByText("set down by hand")).isVisible();
        desk.group("See").type("Boxes farther than (0: never)", "100");
        desk.until(
                "before => Number(document.querySelector('[data-testid=space]').dataset.triangles) === before", whole);
    }

    /** A ring dragged in Space about the room's middle, then made wider by its handle there; a trail up stairs. */
    @Test
    void repeatsAreLaidAndDraggedInSpace() {
        var desk = SharedApplication.desk().hall("Ring");
        desk.page.getByLabel("Take PRP-LAMP").click();
        desk.button("Ring", true).click();
        desk.dragSpace(new double[] {2_520, 2_010, 0}, new double[] {3_500, 2_000, 0});
        desk.until(
                "site => fetch(site + '/repeats').then(r => r.json()).then(r => r.length === 1 && r[0].rule.radiusMm === 1000 && r[0].rule.fromMm.x === 2500 && r[0].rule.fromMm.y === 2000 && r[0].count === 8)",
                desk.site());
        // Its handles are there once it is opened in the panel.
        assertThat(desk.field("Radius")).hasValue("1 m");
        desk.handsOff();
        desk.dragSpace(new double[] {3_500, 2_000, 0}, new double[] {4_000, 2_000, 0});
        desk.until(
                "site => fetch(site + '/repeats').then(r => r.json()).then(r => r[0].rule.radiusMm === 1500)",
                desk.site());
        desk.press("Control+z");
        desk.until(
                "site => fetch(site + '/repeats').then(r => r.json()).then(r => r[0].rule.radiusMm === 1000)",
                desk.site());
    }

    /** Of a lamp and the floor under it only props are taken, by a click in Space and on the plan. */
    @Test
    void onlyWhatIsOfOneRoleIsPicked() {
        var desk = SharedApplication.desk().hall("Picked");
        desk.post(
                desk.site() + "/placements",
                "{\"pieceId\":" + desk.piece("PRP-BENCH") + ",\"atMm\":{\"x\":2000,\"y\":2000,\"z\":0}}");
        desk.placements(desk.placements());
        desk.group("Pick")
                .page
                .getByLabel("What a click selects")
                .selectOption(new SelectOption().setLabel("floors only"));
        desk.clickPlan(2_000, 2_000);
        assertThat(desk.page
                        .getByRole(com.microsoft.playwright.options.AriaRole.HEADING)
                        .filter(new Locator.FilterOptions().setHasText("FLR-")))
                .isVisible();
        desk.handsOff();
        desk.press("Escape");
        desk.group("Pick")
                .page
                .getByLabel("What a click selects")
                .selectOption(new SelectOption().setLabel("props only"));
        desk.clickSpace(2_000, 1_900, 450);
        assertThat(desk.page.getByText("set down by hand")).isVisible();
    }
}
