package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Placing by hand: in Plan, in Space, with keys alone, and by typed values. */
@ExtendWith(SharedApplication.class)
class PlacingTest {

    private static Desk hall(String name) {
        return SharedApplication.desk().hall(name);
    }

    private static double at(Desk desk, String axis) {
        return desk.lastPlacement().get("atMm").get(axis).asDouble();
    }

    /** On steps that binary fractions do not hold, what is dragged, nudged and laid is taken: 3 × 25.4 is 76.2, and nothing near it. */
    @ParameterizedTest
    @ValueSource(doubles = {25.4, 304.8, 19.05, 33.3})
    void everyStepIsTakenExactly(double step) {
        var desk = SharedApplication.desk().hall("Steps of " + step);
        assertThat(desk.patch(desk.site(), "{\"name\":\"Steps of " + step + "\",\"stepMm\":" + step + "}")
                        .status())
                .isEqualTo(200);
        desk.page.reload();
        desk.waitFor("[data-testid=tally-placements]");
        desk.setDown("PRP-LAMP", 2_000, 2_000);
        var from = desk.lastPlacement().get("atMm").get("x").decimalValue();
        desk.clickPlan(
                from.doubleValue(), desk.lastPlacement().get("atMm").get("y").asDouble());
        desk.handsOff();
        for (var i = 0; i < 7; i++) {
            desk.press("ArrowRight");
        }
        desk.press("ArrowUp", "ArrowUp", "ArrowUp");
        var wanted = from.add(BigDecimal.valueOf(step).multiply(BigDecimal.valueOf(7)));
        desk.until(
                "([site, x]) => fetch(site + '/placements').then(r => r.json()).then(all => all.some(p => p.origin === 'hand' && p.atMm.x === x))",
                List.of(desk.site(), wanted.doubleValue()));
        assertThat(desk.page.getByText("must be")).hasCount(0);
        assertThat(desk.lastPlacement().get("atMm").get("x").decimalValue()).isEqualByComparingTo(wanted);
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

    /** What the edit has changed comes with its answer; what the set costs and what is wrong with it follow in one more. */
    @Test
    void anEditIsOneRequestAndOneAnswer() {
        var desk = hall("One answer");
        desk.page.waitForResponse("**/account", () -> desk.setDown("PRP-LAMP", 2_500, 2_000));
        desk.clickPlan(2_500, 2_000);
        assertThat(desk.field("X")).hasValue("2.5 m");
        desk.handsOff();
        var asked = new ArrayList<String>();
        desk.page.onRequest(r -> asked.add(r.method() + " " + r.url().replaceFirst(".*/api/sites/\\d+", "")));
        desk.page.waitForResponse("**/account", () -> desk.press("ArrowRight"));
        assertThat(desk.field("X")).hasValue("2.6 m");
        assertThat(asked).containsExactly("POST /placements/arrange", "GET /account");
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
        assertThat(desk.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("2 placements")))
                .isVisible();
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
        assertThat(desk.group("See").button("Cutaway")).hasAttribute("aria-pressed", "false");
        desk.press("?");
        assertThat(desk.page.getByRole(AriaRole.DIALOG)).containsText("Quarter turn left");
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
        desk.button("snapping").click();
        desk.setDown("PRP-BENCH", 2_533, 2_017);
        assertThat(desk.page.getByText("set down by hand, free")).isVisible();
        // To the pixel, and off the step.
        assertThat(at(desk, "x")).isCloseTo(2_533, within(30.0)).isNotEqualTo(2_500);
        desk.field("Free turn in degrees").fill("12.5");
        desk.press("Enter");
        assertThat(desk.page.getByText("Set PRP-BENCH")).isVisible();
        assertThat(desk.lastPlacement().get("freeDegrees").asDouble()).isEqualTo(12.5);
        // Free things are no fault of the grid.
        assertThat(desk.findings()).isZero();
    }

    @Test
    void theListDoesWhatTheDrawingsDo() {
        var desk = hall("Listed hall");
        var posts = desk.standing("post");
        assertThat(posts).hasCount(4);
        posts.nth(0).click();
        assertThat(desk.page.getByText("from the massing")).isVisible();
        desk.list("All");
        posts.nth(2).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        assertThat(desk.button("3 selected")).isVisible();
        posts.nth(1).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        desk.button("2 selected").click();
        assertThat(desk.page.getByText("2 × POS-200")).isVisible();
        desk.handsOff();
        desk.press("Delete");
        assertThat(desk.page.getByText("2 pieces of the massing left out by hand"))
                .isVisible();
        var ids = new HashSet<String>();
        desk.stage("Massing").type("Clear width", "6 m");
        assertThat(desk.field("Clear width")).hasValue("6 m");
        // Derived anew, the set still leaves out what a hand took away.
        StreamSupport.stream(desk.get(desk.site() + "/placements").spliterator(), false)
                .filter(p -> p.get("pieceId").asLong() == desk.piece("POS-200"))
                .forEach(p -> ids.add(p.get("id").asString()));
        assertThat(ids).hasSize(2);
        desk.stage("Build").button("Put back").click();
        assertThat(desk.page.getByText("left out by hand")).not().isVisible();
        assertThat(desk.standing("post")).hasCount(4);
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

    /** The server answers edits half a second late; keys come faster than that, and give what they would give at leisure. */
    private static void slowly(Desk desk) {
        desk.page.route(url -> url.contains("/placements"), route -> {
            desk.page.waitForTimeout(120);
            route.resume();
        });
    }

    @Test
    void keysFasterThanTheServerGiveWhatTheyWouldAtLeisure() {
        var desk = hall("Fast hall");
        var before = desk.placements();
        desk.setDown("PRP-LAMP", 500, 500);
        slowly(desk);
        desk.press("n", "n", "n");
        desk.placements(before + 4);
        // A lamp is 0.32 m wide: each stands as far from the last as it is wide, taken to the step and to the edge
        // beside it.
        var xs = desk.byHand().stream()
                .map(p -> p.get("atMm").get("x").asDouble())
                .toList();
        assertThat(xs).doesNotHaveDuplicates().isSorted().hasSize(4);
        assertThat(xs.get(3) - xs.get(2)).isEqualTo(xs.get(2) - xs.get(1)).isEqualTo(xs.get(1) - xs.get(0));
        desk.press("ArrowUp", "ArrowUp", "ArrowUp", ",", "Control+d", "Control+d");
        desk.placements(before + 6);
        var last = desk.lastPlacement();
        assertThat(last.get("atMm").get("y").asInt()).isEqualTo(800);
        assertThat(last.get("quarterTurns").asInt()).isEqualTo(1);
        assertThat(last.get("atMm").get("x").asDouble()).isEqualTo(xs.get(3) + 200);
        desk.press("Control+z", "Control+z", "Control+z");
        // Two copies and the turn are undone: what would be undone next is the last of the three moves.
        assertThat(desk.page.getByLabel("Undo Move PRP-LAMP")).isVisible();
        desk.placements(before + 4);
        assertThat(desk.lastPlacement().get("quarterTurns").asInt()).isZero();
    }

    @Test
    void aHeldThingIsNudgedAndSetDownFasterThanTheGhostFollows() {
        var desk = hall("Nudged hall");
        var before = desk.placements();
        desk.page.getByLabel("Take PRP-BENCH").focus();
        desk.press("Enter");
        assertThat(desk.page.getByTestId("hold")).containsText("2.5 m");
        slowly(desk);
        desk.press("ArrowRight", "ArrowRight", "ArrowRight", "ArrowUp", "Enter", "Escape");
        desk.placements(before + 1);
        assertThat(at(desk, "x")).isEqualTo(2_800);
        assertThat(at(desk, "y")).isEqualTo(2_100);
        assertThat(desk.page.getByTestId("hold")).isHidden();
    }

    @Test
    void aDerivedPieceIsMovedSwappedAndLetGoAndSaysWhenItsPlaceIsGone() {
        var desk = hall("Departed hall");
        desk.standing("WAL").first().click();
        desk.type("Z", "0.3 m");
        assertThat(desk.page.getByText("from the massing, changed by hand")).isVisible();
        desk.stage("Kit");
        desk.waitFor("td .good");
        desk.page.locator("[role=button][aria-label^='5 kinds']").press("Enter");
        desk.button("Build from 5 kinds").click();
        var lost = desk.page.getByLabel("Changes by hand without a place");
        assertThat(lost).containsText("1 change by hand without a place");
        lost.getByText("Set down here").click();
        assertThat(lost).isHidden();
        assertThat(desk.byHand()).hasSize(1);
        assertThat(desk.lastPlacement().get("atMm").get("z").asInt()).isEqualTo(300);
        desk.handsOff();
        desk.press("Control+z");
        lost.getByText("Let go").click();
        assertThat(lost).isHidden();
        assertThat(desk.byHand()).isEmpty();
        assertThat(desk.findings()).isZero();
    }

    @Test
    void severalAreMirroredAndTurnedAsOneBody() {
        var desk = hall("Mirrored hall");
        desk.setDown("PRP-BENCH", 1_500, 1_000).setDown("PRP-LAMP", 3_000, 1_000);
        desk.press("Escape");
        desk.dragPlan(500, 500, 3_500, 1_500);
        assertThat(desk.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("2 placements")))
                .isVisible();
        desk.handsOff();
        desk.press("/");
        assertThat(desk.page.getByText("Mirror 2 placements")).isVisible();
        // From 0.7 m to 3.16 m: the sum of both ends, 3.86 m, goes to the step as 3.9 m, and 3.9 − 3 m is where the
        // lamp comes to stand.
        assertThat(at(desk, "x")).isEqualTo(900);
        assertThat(desk.byHand().get(0).get("atMm").get("x").asInt()).isEqualTo(2_400);
        desk.field("Free turn in degrees").fill("90");
        desk.press("Enter");
        assertThat(desk.page.getByText("Turn 2 placements")).isVisible();
        var apart = desk.byHand().get(0).get("atMm").get("y").asDouble() - at(desk, "y");
        assertThat(apart).isCloseTo(1_500, within(0.1));
    }

    /** All lamps are selected from one of them, set evenly, then in one line, then with their backs to the wall; each with one choice. */
    @Test
    void piecesAreSelectedByLikenessAndLinedUp() {
        var desk = SharedApplication.desk()
                .hall("Lined up")
                .setDown("PRP-LAMP", 500, 1_000)
                .setDown("PRP-LAMP", 1_000, 2_000)
                .setDown("PRP-LAMP", 4_500, 1_500);
        var before = desk.placements();
        desk.field("Select instead").selectOption("piece");
        assertThat(desk.page.getByText("3 placements", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        desk.field("Line up").selectOption("SPREAD.X");
        awaitLamps(desk, "p => p.map(q => q.atMm.x).join() === '500,2500,4500'");
        desk.field("Line up").selectOption("ALIGN.Y.LOW");
        awaitLamps(desk, "p => p.every(q => q.atMm.y === p[0].atMm.y)");
        desk.field("Line up").selectOption("WALL");
        // 4 m deep; a lamp's foot is 320 mm.
        awaitLamps(desk, "p => p.every(q => q.atMm.y === 3840)");
        desk.field("Select instead").selectOption("room");
        desk.page.waitForFunction(
                "n => document.querySelector('h2')?.textContent === n + ' placements'", String.valueOf(before));
        desk.press("Control+z");
        awaitLamps(desk, "p => p.every(q => q.atMm.y !== 3840)");
    }

    private static void awaitLamps(Desk desk, String holds) {
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(p => (" + holds
                        + ")(p.filter(q => q.origin === 'hand').sort((a, b) => a.atMm.x - b.atMm.x)))",
                desk.site());
    }
}
