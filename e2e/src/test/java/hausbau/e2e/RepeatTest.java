package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Repeats laid on the plan. A click, a drag, a typed value with Enter and a key are one action each. */
@ExtendWith(SharedApplication.class)
class RepeatTest {

    private static void count(Desk desk, int count) {
        assertThat(desk.page.getByTestId("repeat-count")).hasText(count + (count == 1 ? " piece" : " pieces"));
    }

    private static Desk take(Desk desk, String code, String rule) {
        desk.page.getByLabel("Take " + code).click();
        desk.button(rule, true).click();
        return desk;
    }

    /** The same hall, made larger before it is worked on. */
    private static Desk hall(String name, int width, int depth) {
        var desk = SharedApplication.desk().hall(name);
        var room =
                desk.get(desk.site() + "/massing").get("rooms").get(0).get("id").asLong();
        desk.page
                .request()
                .patch(
                        desk.application.url(desk.site() + "/rooms/" + room),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData("{\"widthMm\":" + width + ",\"depthMm\":" + depth + "}"));
        desk.page.reload();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        return desk;
    }

    /** Four actions: take, Course, drag along the wall, type 20. Half a pitch is left at both ends, and the lamps follow the wall. */
    @Test
    void twentyLampsAlongAWall() {
        var desk = SharedApplication.desk().hall("Lamps along a wall");
        var before = desk.placements();
        take(desk, "PRP-LAMP", "Course");
        desk.dragPlan(700, 3_700, 4_300, 3_700);
        count(desk, 5);
        desk.page.keyboard().type("20");
        desk.press("Enter");
        count(desk, 20);
        desk.placements(before + 20);
        var lamps = desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("origin").asString().equals("repeat"))
                .toList();
        // 5 m over 20, and half of that before the first.
        assertThat(lamps.get(0).get("atMm").get("x").asDouble()).isEqualTo(125);
        assertThat(lamps.get(19).get("atMm").get("x").asDouble()).isEqualTo(4_875);
        // With its back to the wall: the lamp's foot is 320 mm deep.
        assertThat(lamps.get(0).get("atMm").get("y").asDouble()).isEqualTo(3_840);
        desk.stage("Massing").type("Clear width", "7 m");
        assertThat(desk.page.getByText("Change “Room”")).isVisible();
        var last = desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("id").asString().endsWith(".19.0"))
                .findFirst()
                .orElseThrow();
        assertThat(last.get("atMm").get("x").asDouble()).isEqualTo(6_825);
    }

    /** Five actions: take, Field, drag, type the aisle's place and its width. Thirty columns in tens of three and ten rows. */
    @Test
    void aFieldWithAislesHasMoreColumnsWhenItGrows() {
        var desk = hall("Store", 50_000, 13_000);
        take(desk, "PRP-CUBICLE", "Field");
        desk.dragPlan(200, 200, 44_000, 12_500);
        assertThat(desk.field("Aisle after columns")).isFocused();
        desk.page.keyboard().type("3");
        desk.press("Enter");
        desk.type("Its width", "1.5 m");
        count(desk, 300);
        var id = desk.get(desk.site() + "/repeats").get(0).get("id").asLong();
        var second = "repeat." + id + ".4.0";
        var at = desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("id").asString().equals(second))
                .findFirst()
                .orElseThrow()
                .get("atMm");
        // The area's upper corner is dragged outward: more columns, and those that there were stay.
        desk.dragPlan(44_000, 12_500, 48_600, 12_500);
        count(desk, 330);
        assertThat(desk.get(desk.site() + "/placements")
                        .valueStream()
                        .filter(p -> p.get("id").asString().equals(second))
                        .findFirst()
                        .orElseThrow()
                        .get("atMm"))
                .isEqualTo(at);
    }

    /** Asked for by its numbers: it is as large as they are. */
    @Test
    void aFieldHasAsManyColumnsAndRowsAsAreTyped() {
        var desk = SharedApplication.desk().hall("Field by numbers");
        desk.page.getByLabel("Take PRP-LAMP").click();
        desk.button("Field", true).click();
        desk.dragPlan(500, 500, 3_000, 3_000);
        desk.field("Columns").fill("5");
        desk.press("Tab");
        desk.page.keyboard().type("4");
        desk.press("Enter");
        assertThat(desk.page.getByTestId("repeat-count")).hasText("20 pieces");
        assertThat(desk.field("Columns")).hasValue("5");
        desk.field("Columns").fill("0");
        desk.press("Enter");
        assertThat(desk.page.getByText("from 1 to 2000 columns")).isVisible();
        assertThat(desk.page.getByTestId("repeat-count")).hasText("20 pieces");
    }

    /** Three actions: take, Ring, drag from the middle outward; what is near the room's middle is taken to be it. */
    @Test
    void aRingStandsAboutTheRoomsExactMiddle() {
        var desk = SharedApplication.desk().hall("Ring hall");
        take(desk, "PRP-LAMP", "Ring");
        desk.pressPlan(2_550, 1_960, 3_500, 2_000);
        assertThat(desk.page.getByText("8 pieces,")).isVisible();
        desk.page.mouse().up();
        count(desk, 8);
        var rule = desk.get(desk.site() + "/repeats").get(0).get("rule");
        assertThat(rule.get("fromMm").get("x").asDouble()).isEqualTo(2_500);
        assertThat(rule.get("fromMm").get("y").asDouble()).isEqualTo(2_000);
        assertThat(rule.get("radiusMm").asDouble()).isEqualTo(1_000);
        // Dragged by its rim, then typed three times faster than any answer.
        desk.dragPlan(3_500, 2_000, 3_800, 2_000);
        assertThat(desk.field("Radius")).hasValue("1.3 m");
        for (var n : new String[] {"5", "7", "12"}) {
            desk.field("Count").fill(n);
            desk.press("Enter");
        }
        count(desk, 12);
        desk.type("Count", "rubbish");
        assertThat(desk.field("Count")).hasValue("12");
        desk.type("Count", "0");
        assertThat(desk.page.getByText("A repeat has from 1 to 200000 copies.")).isVisible();
        count(desk, 12);
    }

    /** One copy moved by hand keeps where it is while the rule changes, and goes back when it is let go. */
    @Test
    void aCopyMovedByHandStays() {
        var desk = SharedApplication.desk().hall("Moved copy");
        take(desk, "PRP-LAMP", "Course");
        desk.dragPlan(1_000, 2_000, 4_000, 2_000);
        count(desk, 5);
        desk.press("Escape");
        desk.press("Escape");
        desk.clickPlan(1_750, 2_000);
        assertThat(desk.page.getByText("One of “Course 1”")).isVisible();
        desk.press("ArrowUp");
        assertThat(desk.page.getByText("of a repeat, changed by hand")).isVisible();
        desk.button("Change “Course 1”", true).click();
        desk.type("Count", "9");
        count(desk, 9);
        var moved = desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("id").asString().endsWith(".1.0"))
                .findFirst()
                .orElseThrow();
        assertThat(moved.get("atMm").get("y").asDouble()).isEqualTo(2_100);
        desk.button("Dissolve", true).click();
        assertThat(desk.page.getByText("9 placements", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(desk.get(desk.site() + "/repeats")).isEmpty();
    }

    /** What is selected is repeated as one body; a trail is clicked point by point. */
    @Test
    void aTrailOfAGroupIsClickedPointByPoint() {
        var desk = SharedApplication.desk().hall("Trail hall").setDown("PRP-LAMP", 1_000, 1_000);
        var before = desk.placements();
        desk.button("Trail", true).click();
        for (var p : new int[][] {{1_000, 1_000}, {4_000, 1_000}, {4_000, 3_000}}) {
            desk.clickPlan(p[0], p[1]);
        }
        desk.movePlan(4_000, 3_000);
        desk.press("Enter");
        count(desk, 10);
        // The lamp itself went into the repeat.
        desk.placements(before + 9);
        desk.type("Count", "6");
        count(desk, 6);
        var last = desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("id").asString().endsWith(".10.0"))
                .findFirst()
                .orElseThrow();
        assertThat(last.get("atMm").get("y").asDouble()).isEqualTo(3_000);
        desk.button("Take away", true).click();
        desk.placements(before - 1);
    }

    /** Eight actions: a box drawn about the group, Save, Take, and five clicks. Opened and saved over, all six follow. */
    @Test
    void aGroupIsAnAssemblyAndUsedFiveTimesMore() {
        var desk = hall("Groups", 12_000, 9_000)
                .setDown("PRP-BENCH", 2_000, 2_000)
                .setDown("PRP-LAMP", 1_000, 2_600)
                .setDown("PRP-LAMP", 3_000, 2_600);
        desk.press("Escape");
        var before = desk.placements();
        desk.dragPlan(500, 1_500, 3_600, 3_200);
        desk.button("Save as an assembly", true).click();
        assertThat(desk.page.getByText("One of “Assembly 1”")).isVisible();
        desk.button("Take Assembly 1", true).click();
        for (var at : new int[][] {{6_000, 2_200}, {10_000, 2_200}, {2_000, 6_200}, {6_000, 6_200}, {10_000, 6_200}}) {
            desk.clickPlan(at[0], at[1]);
        }
        desk.placements(before + 15);
        desk.press("Escape");
        assertThat(desk.list("Assemblies").page.getByText("3 × 6")).isVisible();

        desk.clickPlan(2_000, 2_000);
        desk.button("Open", true).click();
        assertThat(desk.page.getByText("“Assembly 1” is open.")).isVisible();
        desk.clickPlan(3_000, 2_600);
        desk.press("Delete");
        desk.dragPlan(500, 1_500, 3_600, 3_200);
        desk.button("Save for every use", true).click();
        desk.placements(before + 15 - 6);
        assertThat(desk.list("Assemblies").page.getByText("2 × 6")).isVisible();

        // Moved as one: no piece of it departs.
        desk.clickPlan(6_000, 6_000);
        desk.button("Select all of it", true).click();
        desk.press("ArrowRight");
        desk.until(
                "(site) => fetch(site + '/assemblies').then((r) => r.json()).then((a) => a.uses.some((u) => u.atMm.x === 6100))",
                desk.site());
        assertThat(desk.get(desk.site() + "/departures")).isEmpty();
        desk.press("Control+z");
        desk.until(
                "(site) => fetch(site + '/assemblies').then((r) => r.json()).then((a) => a.uses.every((u) => u.atMm.x !== 6100))",
                desk.site());
    }

    /** Without the mouse: taken, laid in the room's middle, placed and counted by typing. Space presses a button while something is held. */
    @Test
    void aCourseIsLaidWithKeysAlone() {
        var desk = SharedApplication.desk().hall("Keyed course");
        desk.page.getByLabel("Take PRP-LAMP").focus();
        desk.press("Enter");
        desk.button("Course", true).focus();
        desk.press(" ");
        desk.button("Lay it in the room’s middle", true).focus();
        desk.press("Enter");
        count(desk, 5);
        assertThat(desk.field("Count")).isFocused();
        desk.page.keyboard().type("4");
        desk.press("Enter");
        count(desk, 4);
        desk.type("From Y", "1 m");
        desk.type("To Y", "1 m");
        desk.type("From X", "500 mm");
        desk.type("To X", "3.5 m");
        desk.until(
                "site => fetch(site + '/placements').then(r => r.json()).then(p => p.filter(q => q.origin === 'repeat').map(q => q.atMm.x + ' ' + q.atMm.y).join() === '500 1000,1500 1000,2500 1000,3500 1000')",
                desk.site());
    }

    /** Two actions: a box drawn about the group, and Left for right. It lives: moved, its twin moves the other way. */
    @Test
    void aGroupIsMirroredAcrossTheRoomsMiddle() {
        var desk = SharedApplication.desk()
                .hall("Twin hall")
                .setDown("PRP-LAMP", 1_000, 1_000)
                .setDown("PRP-LAMP", 1_500, 1_400);
        desk.press("Escape");
        var before = desk.placements();
        desk.dragPlan(600, 600, 1_900, 1_800);
        desk.button("left for right", true).click();
        desk.placements(before + 2);
        twins(desk, "4000 1000,3500 1400");
        desk.clickPlan(1_000, 1_000);
        desk.press("ArrowRight");
        twins(desk, "3900 1000,3500 1400");
        desk.list("Repeats").button("Dissolve Twin 1", true).click();
        assertThat(desk.page.getByText("2 placements", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    private static void twins(Desk desk, String places) {
        desk.until(
                "([site, places]) => fetch(site + '/placements').then(r => r.json()).then(p => p.filter(q => q.origin === 'twin').map(q => q.atMm.x + ' ' + q.atMm.y).join() === places)",
                List.of(desk.site(), places));
    }
}
