package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.HashSet;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Placing by hand: in Plan, in Space, with keys alone, and by typed values. */
@ExtendWith(SharedApplication.class)
class PlacingTest {

    private static Desk hall(String name) {
        return SharedApplication.desk().hall(name);
    }

    private static double at(Desk desk, String axis) {
        return desk.lastPlacement().get("atMm").get(axis).asDouble();
    }

    @Test
    void thePlacedThingSnapsAndTakesTypedValues() {
        var desk = hall("Typed hall");
        desk.page.getByLabel("Take PRP-LAMP").click();
        desk.clickPlan(2_530, 1_980);
        // Snapped to the step of 100 mm, whatever the pixel said.
        assertThat(desk.field("X")).hasValue("2.5 m");
        assertThat(desk.field("Y")).hasValue("2 m");
        desk.press("Escape");
        desk.type("X", "10'");
        assertThat(desk.field("X")).hasValue("3.048 m");
    }

    @Test
    void theGhostFollowsInSpaceAndTheClickSetsDownWhereItStood() {
        var desk = hall("Space hall");
        var before = desk.placements();
        desk.page.getByLabel("Take PRP-LAMP").click();
        desk.moveInSpace(3_480, 3_010, 0);
        desk.moveInSpace(3_520, 2_990, 0);
        assertThat(desk.page.getByTestId("hold")).containsText("on the step");
        assertThat(desk.page.getByTestId("hold")).containsText("on top of FLR");
        desk.clickSpace(3_520, 2_990, 0);
        desk.placements(before + 1);
        assertThat(at(desk, "x")).isEqualTo(3_500);
        assertThat(at(desk, "y")).isEqualTo(3_000);
        desk.press("Escape", "Escape");
        desk.clickSpace(3_500, 3_000, 1_860);
        assertThat(desk.page.getByText("set down by hand")).isVisible();
    }

    @Test
    void aBoxOfTheMouseSelectsInBothDrawings() {
        var desk = hall("Boxed hall");
        desk.setDown("PRP-LAMP", 2_000, 2_000).setDown("PRP-LAMP", 3_000, 2_000);
        desk.press("Escape");
        desk.dragPlan(1_700, 1_700, 3_300, 2_300);
        assertThat(desk.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("2 placements"))).isVisible();
        assertThat(desk.page.getByText("2 × PRP-LAMP")).isVisible();
        desk.type("Z", "0.5 m");
        assertThat(desk.page.getByText("Set 2 placements")).isVisible();
        assertThat(desk.field("Z")).hasValue("0.5 m");
        desk.handsOff();
        desk.press("j");
        assertThat(desk.field("Z")).hasValue("0 m");
        desk.press("Escape");
        // In Space the box takes what lies behind as well: the lamps are among it.
        desk.dragSpace(new double[] {1_500, 2_600, 1_700}, new double[] {3_500, 1_400, 100});
        assertThat(desk.page.getByText("2 × PRP-LAMP")).isVisible();
    }

    /** Take, aim, turn, mirror, set down, move, raise, drop, copy, take away: no mouse. */
    @Test
    void everythingCanBeDoneWithKeysAlone() {
        var desk = hall("Keyed hall");
        var before = desk.placements();
        desk.page.getByLabel("Take PRP-BENCH").focus();
        desk.press("Enter");
        assertThat(desk.page.getByTestId("hold")).isVisible();
        desk.press("ArrowRight", "ArrowUp", ",", "/", "Enter");
        desk.placements(before + 1);
        desk.press("Escape");
        assertThat(desk.lastPlacement().get("quarterTurns").asInt()).isEqualTo(1);
        assertThat(desk.lastPlacement().get("mirrored").asBoolean()).isTrue();
        var x = at(desk, "x");
        desk.press("ArrowLeft");
        assertThat(desk.field("X")).hasValue((x - 100) / 1000 + " m");
        desk.press("Shift+ArrowLeft");
        assertThat(desk.field("X")).hasValue((x - 110) / 1000 + " m");
        desk.press("PageUp");
        assertThat(desk.field("Z")).hasValue("0.1 m");
        desk.press("j");
        assertThat(desk.field("Z")).hasValue("0 m");
        desk.press(".");
        assertThat(desk.page.getByText("Turn PRP-BENCH")).isVisible();
        assertThat(desk.lastPlacement().get("quarterTurns").asInt()).isZero();
        desk.press("Control+d");
        desk.placements(before + 2);
        desk.press("Delete");
        desk.placements(before + 1);
        desk.press("k");
        assertThat(desk.button("Cutaway")).hasAttribute("aria-pressed", "false");
        desk.press("?");
        assertThat(desk.page.getByRole(AriaRole.DIALOG)).containsText("quarter turn");
        desk.press("Escape");
    }

    @Test
    void whatIsPickedUpCanBePutBackOrSetDownElsewhere() {
        var desk = hall("Picked hall");
        desk.setDown("PRP-BENCH", 2_500, 2_000);
        desk.press("y");
        desk.press("ArrowRight");
        assertThat(desk.page.getByTestId("hold")).containsText("2.6 m");
        desk.press("Escape");
        assertThat(at(desk, "x")).isEqualTo(2_500);
        desk.press("y");
        desk.clickPlan(3_000, 2_500);
        assertThat(desk.field("X")).hasValue("3 m");
        assertThat(desk.field("Y")).hasValue("2.5 m");
        var before = desk.placements();
        desk.press("Control+c", "Control+v");
        desk.clickPlan(1_500, 1_000);
        desk.placements(before + 1);
        assertThat(at(desk, "y")).isEqualTo(1_000);
        desk.press("n");
        desk.placements(before + 2);
        // Again by the same offset: 1.5 m west and 1.5 m south of the copy.
        assertThat(at(desk, "x")).isZero();
        assertThat(at(desk, "y")).isEqualTo(-500);
    }

    @Test
    void withSnappingOffAThingStandsAndTurnsFreely() {
        var desk = hall("Free hall");
        desk.page.getByLabel("Snap", new Page.GetByLabelOptions().setExact(true)).click();
        desk.setDown("PRP-BENCH", 2_533, 2_017);
        assertThat(desk.page.getByText("set down by hand, free")).isVisible();
        // To the pixel, and off the step.
        assertThat(at(desk, "x")).isCloseTo(2_533, within(30.0)).isNotEqualTo(2_500);
        desk.field("Free turn in degrees").fill("12.5");
        desk.press("Enter");
        assertThat(desk.page.getByText("Set PRP-BENCH")).isVisible();
        assertThat(desk.lastPlacement().get("freeDegrees").asDouble()).isEqualTo(12.5);
        // Free things are no fault of the grid.
        assertThat(desk.get(desk.site() + "/survey").get("total").asInt()).isZero();
    }

    @Test
    void theListDoesWhatTheDrawingsDo() {
        var desk = hall("Listed hall");
        desk.page.getByLabel("Find placements").fill("post");
        var posts = desk.page.locator("section[aria-label='Set list'] li button");
        assertThat(posts).hasCount(4);
        posts.nth(0).click();
        posts.nth(2).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        assertThat(desk.page.getByText("2 × POS-200")).isVisible();
        desk.handsOff();
        desk.press("Delete");
        assertThat(desk.page.getByText("2 pieces of the massing left out by hand")).isVisible();
        var ids = new HashSet<Long>();
        desk.stage("Massing").type("Clear width", "6 m");
        assertThat(desk.field("Clear width")).hasValue("6 m");
        // Derived anew, the set still leaves out what a hand took away.
        StreamSupport.stream(desk.get(desk.site() + "/placements").spliterator(), false)
                .filter(p -> p.get("pieceId").asLong() == desk.piece("POS-200")).forEach(p -> ids.add(p.get("id").asLong()));
        assertThat(ids).hasSize(2);
        desk.stage("Build").button("Put back").click();
        assertThat(desk.page.getByText("left out by hand")).not().isVisible();
        desk.page.getByLabel("Find placements").fill("post");
        assertThat(posts).hasCount(4);
    }

    @Test
    void theFigureStandsBesideWhatIsLookedAt() {
        var desk = hall("Figure hall");
        desk.setDown("PRP-LAMP", 3_000, 3_000);
        desk.button("Figure beside").click();
        // The lamp is 320 mm wide, and the figure's middle 400 mm from its side.
        assertThat(desk.page.getByTestId("plan")).hasAttribute("data-figure", "3560 3000 0");
        desk.handsOff();
        desk.press("Escape");
        desk.dragPlan(3_560, 3_000, 1_000, 1_000);
        var figure = desk.page.getByTestId("plan").getAttribute("data-figure").split(" ");
        assertThat(Double.parseDouble(figure[0])).isCloseTo(1_000, within(40.0));
    }
}
