package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Dressing a room: what leans, what is strewn and brushed, disorder, what is seen. A click, a drag, a typed value with Enter and a key are one action each. */
@ExtendWith(SharedApplication.class)
class DressingTest {

    private static List<JsonNode> strewn(Desk desk) {
        return desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("origin").asString().equals("repeat"))
                .toList();
    }

    /** Until so many copies stand by rules. */
    private static void strewn(Desk desk, int least, int most) {
        desk.until(
                "([site, least, most]) => fetch(site + '/placements').then(r => r.json()).then(p => p.filter(q => q.origin === 'repeat').length).then(n => n >= least && n <= most)",
                List.of(desk.site(), least, most));
    }

    private static void strewn(Desk desk, int count) {
        strewn(desk, count, count);
    }

    private static void standIn(Desk desk, String code, int x, int y, int z) {
        var line = desk.post(
                desk.site() + "/piece-list",
                "{\"code\":\"" + code + "\",\"name\":\"" + code + "\",\"role\":\"PROP\",\"widthMm\":" + x
                        + ",\"depthMm\":" + y + ",\"heightMm\":" + z + "}");
        assertThat(line.status()).as(line.text()).isEqualTo(201);
        var id = desk.get(desk.site() + "/piece-list").get(0).get("id").asLong();
        desk.post(desk.site() + "/piece-list/stand-ins", "{\"ids\":[" + id + "]}");
        desk.page.reload();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
    }

    /** Five actions: take, Scatter, drag over the benches, type 40, tops only. Every towel lies on a bench, whole. */
    @Test
    void fortyTowelsOnBenches() {
        var desk = SharedApplication.desk().hall("Towels");
        for (var y : new int[] {800, 1_800, 2_800}) {
            desk.post(
                    desk.site() + "/placements",
                    "{\"pieceId\":" + desk.piece("PRP-BENCH") + ",\"atMm\":{\"x\":2000,\"y\":" + y
                            + ",\"z\":0},\"snap\":false}");
        }
        standIn(desk, "PRP-TOWEL", 120, 90, 60);
        desk.page.getByLabel("Take PRP-TOWEL").click();
        desk.button("Scatter", true).click();
        desk.dragPlan(900, 400, 3_100, 3_300);
        assertThat(desk.field("Count")).isFocused();
        desk.page.keyboard().type("40");
        desk.press("Enter");
        desk.button("tops only", true).click();
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(p => { const t = p.filter(q => q.origin === 'repeat'); return t.length > 15 && t.every(q => q.atMm.z > 300) })",
                desk.site());
        assertThat(strewn(desk)).hasSizeBetween(16, 40).allSatisfy(t -> {
            assertThat(t.get("atMm").get("x").asDouble()).isBetween(1_200.0, 2_800.0);
            assertThat(List.of(800, 1_800, 2_800))
                    .anyMatch(y -> Math.abs(t.get("atMm").get("y").asDouble() - y) < 225);
        });
        assertThat(desk.get(desk.site() + "/survey")
                        .get("findings")
                        .valueStream()
                        .map(f -> f.get("kind").asString())
                        .filter("OVERLAP"::equals))
                .isEmpty();
    }

    /** Brushed on the plan, rubbed out in space, an area kept free; even again in one click; undone one by one. */
    @Test
    void lampsAreBrushed() {
        var desk = SharedApplication.desk().hall("Brushed");
        desk.page.getByLabel("Take PRP-LAMP").click();
        desk.button("Scatter", true).click();
        desk.dragPlan(300, 300, 4_700, 3_700);
        strewn(desk, 20);
        desk.field("For each m²").fill("2");
        desk.press("Enter");
        strewn(desk, 26, 400);
        desk.button("Brush", true).click();
        desk.pressPlan(1_000, 1_000, 1_400, 1_000);
        desk.movePlan(2_000, 1_000);
        desk.movePlan(2_600, 1_000);
        assertThat(desk.page.getByText("pieces so far.")).isVisible();
        desk.page.mouse().up();
        strewn(desk, 1, 19);
        var brushed = strewn(desk);
        assertThat(brushed)
                .allSatisfy(p -> assertThat(p.get("atMm").get("y").asDouble()).isLessThan(2_000));
        desk.button("Rub out", true).click();
        desk.field("Its strength, %").fill("100");
        desk.press("Enter");
        desk.dragSpace(new double[] {2_400, 1_000, 0}, new double[] {2_900, 1_000, 0});
        strewn(desk, 0, brushed.size() - 1);
        desk.button("Keep free", true).click();
        desk.dragPlan(400, 400, 1_200, 1_800);
        desk.until(
                "site => fetch(site + '/repeats').then(r => r.json()).then(r => r[0].rule.keepOutMm.length === 1)",
                desk.site());
        assertThat(strewn(desk))
                .noneMatch(p -> p.get("atMm").get("x").asDouble() < 1_200
                        && p.get("atMm").get("y").asDouble() < 1_800);
        desk.button("Even again", true).click();
        strewn(desk, 21, 400);
        desk.handsOff();
        desk.press("Control+z", "Control+z", "Control+z");
        strewn(desk, brushed.size());
    }

    /** Typed: tipped over, sized; out of range it is told beside the field. Space and Plan show it. */
    @Test
    void aBenchIsTippedOver() {
        var desk = SharedApplication.desk().hall("Tipped").setDown("PRP-BENCH", 2_000, 2_000);
        desk.unfold("Lean and size");
        for (var t : new String[][] {{"Tilt, °", "90"}, {"Size, %", "50"}, {"Roll, °", "12,5"}}) {
            desk.field(t[0]).fill(t[1]);
            desk.press("Enter");
        }
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(p => p.some(q => q.tiltDegrees === 90 && q.rollDegrees === 12.5 && q.scale === 0.5))",
                desk.site());
        desk.type("Size, %", "0");
        assertThat(desk.page.getByText("A piece is scaled by from 0.05 to 20.")).isVisible();
        assertThat(desk.field("Size, %")).hasValue("50");
        desk.type("Roll, °", "0");
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(p => p.some(q => q.tiltDegrees === 90 && q.rollDegrees === 0))",
                desk.site());
        // It rests on the floor as it did.
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(p => p.some(q => q.tiltDegrees === 90 && Math.abs(q.atMm.z - 112.5) < 0.01))",
                desk.site());
        desk.handsOff();
        desk.press("Escape");
        // Half a bench of 1.6 × 0.45 m, lying on its front: 0.8 m wide and 0.225 m of its height deep, to the south of
        // its pivot.
        desk.clickSpace(2_000, 1_785, 225);
        assertThat(desk.page.getByText("set down by hand, free")).isVisible();
        desk.press("Escape");
        desk.clickPlan(2_350, 1_900);
        assertThat(desk.page.getByText("set down by hand, free")).isVisible();
    }

    /** Disturbed, otherwise, and in order again: three clicks that a slow answer does not mix up. */
    @Test
    void benchesAreDisturbedAndPutInOrder() {
        var desk = SharedApplication.desk().hall("Disorder");
        var before = desk.placements();
        for (var i = 0; i < 6; i++) {
            desk.post(
                    desk.site() + "/placements",
                    "{\"pieceId\":" + desk.piece("PRP-BENCH") + ",\"atMm\":{\"x\":" + (1_200 + 2_200 * (i % 2))
                            + ",\"y\":" + (700 + 1_100 * (i / 2)) + ",\"z\":0},\"snap\":false}");
        }
        desk.placements(before + 6);
        var first = desk.byHand();
        desk.standing("BENCH").first().click();
        desk.page.getByLabel("Select instead").selectOption(new SelectOption().setLabel("all of this piece"));
        assertThat(desk.page.getByText("6 placements", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        desk.page.locator("summary").getByText("Disorder").click();
        desk.field("Turned, °").fill("40");
        desk.press("Enter");
        desk.button("Disturb", true).click();
        desk.button("Another seed", true).click();
        assertThat(desk.field("Seed")).hasValue("2");
        desk.until(
                "([site, n]) => fetch(site + '/placements').then(r => r.json()).then(p => p.filter(q => q.origin === 'hand' && q.freeDegrees !== 0).length >= n)",
                List.of(desk.site(), 4));
        assertThat(desk.byHand()).isNotEqualTo(first);
        desk.button("Put in order", true).click();
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(p => p.every(q => q.freeDegrees === 0))",
                desk.site());
        assertThat(desk.byHand()).isEqualTo(first);
        desk.button("Put in order", true).click();
        assertThat(desk.page.getByText("Nothing of this is in disorder.")).isVisible();
    }

    /** Hidden, ghosted and shown alone: no hand takes what is not whole. A selection comes back by its name. */
    @Test
    void whatIsOutOfTheWayIsNotTaken() {
        var desk = SharedApplication.desk()
                .hall("Seen")
                .setDown("PRP-BENCH", 2_000, 2_000)
                .setDown("PRP-LAMP", 4_000, 1_000);
        desk.page.getByLabel("Name of the selection").fill("The lamp");
        desk.press("Enter");
        assertThat(desk.list("Selections").button("The lamp", true)).isVisible();
        desk.chosen().button("Hide", true).click();
        assertThat(desk.page.getByText("1 hidden")).isVisible();
        desk.clickPlan(4_000, 1_000);
        assertThat(desk.page
                        .getByText("of the massing")
                        .or(desk.page.getByText("from the massing"))
                        .first())
                .isVisible();
        desk.press("Escape");
        desk.button("Show all", true).click();
        desk.clickPlan(4_000, 1_000);
        assertThat(desk.page
                        .getByText("set down by hand, free")
                        .or(desk.page.getByText("set down by hand"))
                        .first())
                .isVisible();
        desk.press("Escape");
        desk.list("Selections").button("The lamp", true).click();
        desk.button("Show alone", true).click();
        assertThat(desk.page.getByText("1 shown alone")).isVisible();
        desk.press("Escape");
        desk.clickSpace(2_000, 2_000, 440);
        assertThat(desk.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("PRP-BENCH")))
                .hasCount(0);
        desk.button("Show all", true).click();
        desk.clickSpace(2_000, 2_000, 440);
        assertThat(desk.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("PRP-BENCH")))
                .isVisible();
        desk.button("Ghost", true).click();
        desk.clickSpace(2_000, 2_000, 440);
        assertThat(desk.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("PRP-BENCH")))
                .hasCount(0);
        desk.list("Selections").button("Forget The lamp", true).click();
        assertThat(desk.button("The lamp", true)).hasCount(0);
    }

    /** From the floor to a bench's top, both picked in space. */
    @Test
    void aStrutIsSetBetweenTwoPickedPoints() {
        var desk = SharedApplication.desk().hall("Strut").setDown("PRP-BENCH", 2_500, 2_500);
        desk.list("Repeats").unfold("Struts");
        desk.button("Between two points", true).click();
        desk.clickSpace(4_200, 3_200, 0);
        assertThat(desk.page.getByText("Click where it ends.")).isVisible();
        desk.clickSpace(2_500, 2_500, 450);
        assertThat(desk.page.getByText("set down by hand, free")).isVisible();
        var strut = desk.lastPlacement();
        // Half way between, less half of its height.
        assertThat(strut.get("atMm").get("x").asDouble()).isBetween(3_250.0, 3_450.0);
        assertThat(strut.get("atMm").get("z").asDouble()).isBetween(165.0, 205.0);
        assertThat(strut.get("rollDegrees").asDouble()).isBetween(-15.5, -12.0);
        desk.press("Escape");
        assertThat(desk.page.getByText("Click where it begins")).hasCount(0);
    }

    /** Three actions: take, Trail, round the outline. It follows the room. */
    @Test
    void aTrailGoesRoundTheRoom() {
        var desk = SharedApplication.desk().hall("Round");
        desk.page.getByLabel("Take PRP-LAMP").click();
        desk.button("Trail", true).click();
        desk.button("Round the outline of Room", true).click();
        // Lamps of 0.32 m side by side: 15 on 5 m, 12 on 4 m.
        strewn(desk, 54);
        desk.stage("Massing").type("Clear width", "6.5 m");
        strewn(desk, 64);
    }

    /** An assembly taken from the line-up and repeated: opened and saved over, every copy follows. */
    @Test
    void anAssemblyIsRepeated() {
        var desk = SharedApplication.desk()
                .hall("Groups in a row")
                .setDown("PRP-BENCH", 1_000, 1_000)
                .setDown("PRP-LAMP", 2_200, 1_000);
        desk.press("Escape");
        desk.dragPlan(100, 600, 2_500, 1_400);
        desk.button("Save as an assembly", true).click();
        desk.page.getByLabel("Take the assembly Assembly 1").click();
        desk.button("Course", true).click();
        desk.dragPlan(2_000, 2_400, 2_000, 3_600);
        strewn(desk, 10);
        desk.field("Count").fill("2");
        desk.press("Enter");
        strewn(desk, 4);
        desk.handsOff();
        desk.press("Escape");
        desk.clickPlan(1_000, 1_000);
        desk.button("Open", true).click();
        desk.page.waitForFunction(
                "() => [...document.querySelectorAll('[role=status]')].some(s => s.textContent.includes('is open'))");
        desk.clickPlan(2_200, 1_000);
        desk.press("Delete");
        desk.clickPlan(1_000, 1_000);
        desk.button("Save for every use", true).click();
        strewn(desk, 2);
        desk.list("Assemblies").button("Remove Assembly 1", true).click();
        assertThat(desk.page
                        .getByText("is used")
                        .or(desk.page.getByText("repeats “Assembly 1”"))
                        .first())
                .isVisible();
    }
}
