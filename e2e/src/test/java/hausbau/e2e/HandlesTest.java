package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInfo;
import org.junit.jupiter.api.extension.ExtendWith;

/** What is selected, taken hold of in Space by its handles, on a step of 100 mm. */
@ExtendWith(SharedApplication.class)
class HandlesTest {

    private static final double[] LAMP = {2_500, 2_000, 0};
    private Desk desk;

    @BeforeEach
    void aLampIsSelected(TestInfo test) {
        desk = SharedApplication.desk().hall(test.getDisplayName());
        desk.setDown("PRP-LAMP", LAMP[0], LAMP[1]);
        desk.clickPlan(LAMP[0], LAMP[1]);
        assertThat(desk.field("X")).hasValue("2.5 m");
        desk.handsOff();
    }

    /** What the handle says once it has come to rest, millimetres; a pixel is seen to be more or less, as the perspective has it. */
    private double movedBy() {
        desk.page.waitForTimeout(500);
        var said = desk.page.getByTestId("moved-by").textContent();
        assertThat(said).matches("\\+\\d+(\\.\\d)? m");
        return Double.parseDouble(said.substring(1, said.length() - 2)) * 1000;
    }

    @Test
    void anAxisMovesAlongItselfAloneAndByWholeSteps() {
        desk.pressHandle("Move east or west", LAMP, new double[] {830, 0, 0});
        var by = movedBy();
        assertThat(by).isBetween(700.0, 1_000.0);
        desk.page.mouse().up();
        var x = Desk.metres(LAMP[0] + by) + " m";
        assertThat(desk.field("X")).hasValue(x);
        assertThat(desk.field("Y")).hasValue("2 m");
        desk.pressHandle("Raise or lower", new double[] {LAMP[0] + by, LAMP[1], 0}, new double[] {0, 0, 520});
        var up = movedBy();
        assertThat(up).isBetween(400.0, 600.0);
        desk.page.mouse().up();
        assertThat(desk.field("Z")).hasValue(Desk.metres(up) + " m");
        assertThat(desk.field("X")).hasValue(x);
        assertThat(desk.page.getByText("Move PRP-LAMP").first()).isVisible();
        desk.button("undo").click();
        assertThat(desk.field("Z")).hasValue("0 m");
    }

    /** The room is 5 m wide inside, and the lamp's foot 0.4 m across: from its side to the wall's face. */
    @Test
    void whatIsNextToItIsMeasuredMeanwhile() {
        var foot = desk.sizeOf("PRP-LAMP", "x") / 2;
        desk.pressHandle("Move east or west", LAMP, new double[] {1_000, 0, 0});
        var x = LAMP[0] + movedBy();
        assertThat(desk.page.getByTestId("handles")).containsText(Desk.metres(5_000 - x - foot) + " m");
        assertThat(desk.page.getByTestId("handles")).containsText(Desk.metres(x - foot) + " m");
        desk.press("Escape");
        desk.page.mouse().up();
        assertThat(desk.field("X")).hasValue("2.5 m");
    }

    @Test
    void aDigitWhileDraggingBeginsToTypeTheValue() {
        desk.pressHandle("Move north or south", LAMP, new double[] {0, 600, 0});
        desk.press("1", ".", "2", "3", "4", "Enter");
        desk.page.mouse().up();
        assertThat(desk.field("Y")).hasValue("3.234 m");
        assertThat(desk.field("X")).hasValue("2.5 m");
    }

    @Test
    void byTheKeyboardAHandleTakesAValue() {
        desk.button("Turn", true).focus();
        desk.press("Enter");
        desk.field("Degrees to turn by").fill("90");
        desk.press("Enter");
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(all => all.some(p => p.origin === 'hand' && p.quarterTurns === 1 && p.freeDegrees === 0))",
                desk.site());
        desk.button("Move east or west").focus();
        desk.press("Enter");
        desk.field("Move east or west by").fill("-10 cm");
        desk.press("Enter");
        assertThat(desk.field("X")).hasValue("2.4 m");
    }

    @Test
    void aWallThatTheRoomsMadeHasNone() {
        assertThat(desk.page.getByTestId("handles")).isVisible();
        desk.clickPlan(2_500, -100);
        assertThat(desk.page.getByText("from the massing").first()).isVisible();
        assertThat(desk.page.getByTestId("handles")).hasCount(0);
        assertThat(desk.lastPlacement().get("atMm").get("x").asDouble()).isEqualTo(2_500);
    }
}
