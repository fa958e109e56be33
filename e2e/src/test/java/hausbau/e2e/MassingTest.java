package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Rooms drawn and typed, doors and windows, and the set that follows them. */
@ExtendWith(SharedApplication.class)
class MassingTest {

    @Test
    void aRoomIsDrawnOnTheGridAndCorrectedByTyping() {
        var desk = SharedApplication.desk().newSite("Drawn hall");
        desk.button("Draw on the plan").click();
        desk.dragPlan(1_033, 968, 5_020, 4_031);
        assertThat(desk.field("Clear width")).hasValue("4 m");
        assertThat(desk.field("Clear depth")).hasValue("3 m");
        assertThat(desk.field("Corner X")).hasValue("1 m");
        desk.type("Clear depth", "3.5 m");
        assertThat(desk.page.getByText("Change “Room 1”")).isVisible();
        assertThat(desk.get(desk.site() + "/massing")
                        .get("rooms")
                        .get(0)
                        .get("depthMm")
                        .asInt())
                .isEqualTo(3_500);
    }

    /** Two actions, one fewer than was to be enough: a click, and a typed number. Then one of them is dragged in the wall's drawing. */
    @Test
    void threeWindowsSpreadTakeTwoActionsAndASillIsDragged() {
        var desk = SharedApplication.desk().newSite("Counted windows");
        desk.dragPlan(0, 0, 8_000, 6_000);
        assertThat(desk.field("Clear width")).hasValue("8 m");
        desk.button("Add window").click();
        assertThat(desk.page.getByTestId("opening-window")).hasCount(1);
        desk.field("How many alike in this wall").fill("3");
        desk.press("Enter");
        assertThat(desk.page.getByTestId("opening-window")).hasCount(3);
        var openings = desk.get(desk.site() + "/massing").get("openings");
        var length = openings.get(0).get("edge").asInt() % 2 == 0 ? 8_000 : 6_000;
        // Three of 1.2 m leave four gaps alike, to the step of 100 mm.
        var free = (length - 3 * 1_200) / 4.0;
        assertThat(openings.valueStream().map(o -> o.get("atMm").asDouble()).sorted())
                .zipSatisfy(List.of(free, 2 * free + 1_200, 3 * free + 2_400), (at, wanted) -> assertThat(at)
                        .isCloseTo(wanted, within(50.0)));
        // The first one's sill, 0.9 m high, is dragged down by 0.4 m; its head stays.
        var drawing = desk.page.getByTestId("wall-drawing");
        var scale = Double.parseDouble(drawing.getAttribute("data-scale"));
        var hole = drawing.locator("rect.chosen").boundingBox();
        desk.page.mouse().move(hole.x + hole.width / 2, hole.y + hole.height - 1);
        desk.page.mouse().down();
        desk.page.mouse().move(hole.x + hole.width / 2, hole.y + hole.height + 10);
        desk.page.mouse().move(hole.x + hole.width / 2, hole.y + hole.height - 1 + 400 * scale);
        desk.page.mouse().up();
        assertThat(desk.field("sill")).hasValue("0.5 m");
        assertThat(desk.field("height")).hasValue("1.7 m");
    }

    /** Counted: a click, a drag, a typed value with Enter and a key are one action each. */
    @Test
    void anLASecondRoomAndADoorBetweenTakeTwoActionsEach() {
        var desk = SharedApplication.desk().newSite("Counted rooms");
        desk.button("Draw on the plan").click();
        desk.dragPlan(0, 0, 8_000, 6_000);
        assertThat(desk.field("Clear width")).hasValue("8 m");
        // An L: two.
        desk.button("Cut ground").click();
        desk.dragPlan(5_000, 3_000, 8_000, 6_000);
        assertThat(desk.page.getByText("Cut from “Room 1”")).isVisible();
        assertThat(desk.field("north 2")).hasValue("3 m");
        // A second room that shares both walls of the notch: two.
        desk.button("Draw a room").click();
        desk.dragPlan(5_200, 3_200, 8_000, 6_000);
        assertThat(desk.field("Room name")).hasValue("Room 2");
        // A door between them: one, since the room that was drawn is chosen.
        desk.button("Add door").click();
        assertThat(desk.page.getByTestId("opening-door")).isVisible();
        var massing = desk.get(desk.site() + "/massing");
        var door = massing.get("openings").get(0);
        assertThat(door.get("roomId").asLong())
                .isEqualTo(massing.get("rooms").get(1).get("id").asLong());
        var gap = massing.get("gaps").get(0).get("box");
        // In one of the two shared walls, which lie at X 5 to 5.2 m and at Y 3 to 3.2 m.
        assertThat(gap.get("min").get("x").asInt() == 5_000
                                && gap.get("max").get("x").asInt() == 5_200
                        || gap.get("min").get("y").asInt() == 3_000
                                && gap.get("max").get("y").asInt() == 3_200)
                .isTrue();
        // A storey copied from the first: one, on the level's own panel.
        desk.list("Levels").button("Copy level up").click();
        assertThat(desk.field("Level name")).hasValue("Level 1");
        assertThat(desk.get(desk.site() + "/massing").get("rooms").valueStream().map(r -> r.get("cornerMm")
                        .get("z")
                        .asInt()))
                .containsExactly(0, 0, 3_200, 3_200);
        desk.handsOff();
        desk.press("Control+z");
        assertThat(desk.field("Level name")).hasValue("Ground");
        // Before any kit the rooms stand in Space as blocks.
        desk.page.waitForFunction(
                "() => Number(document.querySelector('[data-testid=space]').dataset.triangles) > 200");
    }

    /** By hand: 1 m of door in the middle of 5 m begins at 2 m; a metre on at 3 m; mirrored at 5 − 3 − 1 m. */
    @Test
    void aDoorIsDraggedAndGoesAlongWhenItsRoomIsMirroredTurnedAndCopied() {
        var desk = SharedApplication.desk().newSite("Dragged door");
        desk.button("Draw on the plan").click();
        desk.dragPlan(0, 0, 5_000, 4_000);
        desk.button("Add door").click();
        var from = desk.page.getByTestId("opening-door").getByLabel("from left");
        assertThat(from).hasValue("2 m");
        desk.dragPlan(2_500, 4_100, 3_540, 4_180);
        assertThat(from).hasValue("3 m");
        desk.button("Mirror room").click();
        assertThat(from).hasValue("1 m");
        desk.button("Turn room").click();
        assertThat(desk.field("Clear width")).hasValue("4 m");
        desk.button("Copy room").click();
        assertThat(desk.field("Room name")).hasValue("Room 2");
        // A wall's thickness apart, so that the two share it.
        assertThat(desk.field("Corner X")).hasValue("4.2 m");
        assertThat(desk.page.getByTestId("opening-door")).hasCount(1);
        assertThat(desk.get(desk.site() + "/massing").get("openings")).hasSize(2);
    }

    /** What a change of the rooms did to what stands is told; what it would strand is asked about first. */
    @Test
    void aChangeSaysWhatItDidAndAsksBeforeItStrandsWhatHandsChanged() {
        var desk = SharedApplication.desk().hall("Told hall").stage("Massing");
        desk.type("Clear width", "6 m");
        assertThat(desk.page.getByText("The last change:")).containsText("placed");
        var wall = desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("id").asString().contains(".north."))
                .findFirst()
                .orElseThrow();
        desk.post(
                desk.site() + "/placements/arrange",
                "{\"ids\":[" + wall.get("id") + "],\"byMm\":{\"x\":0,\"y\":0,\"z\":500}}");
        desk.button("Remove room").click();
        var asked = desk.page.getByRole(AriaRole.DIALOG);
        assertThat(asked).containsText("1 changed by hand without a place");
        asked.getByText("Cancel").click();
        assertThat(desk.field("Clear width")).hasValue("6 m");
        assertThat(desk.get(desk.site() + "/massing").get("rooms")).hasSize(1);
        desk.button("Remove room").click();
        desk.page
                .getByRole(AriaRole.DIALOG)
                .last()
                .getByText("Remove the room", new Locator.GetByTextOptions().setExact(true))
                .last()
                .click();
        assertThat(desk.page.getByText("The first room", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(desk.get(desk.site() + "/massing").get("rooms")).isEmpty();
    }

    /** The wall follows the hand by the step, keeps its number, and typed lengths move the wall that follows. */
    @Test
    void aWallIsDraggedAndItsLengthTyped() {
        var desk = SharedApplication.desk().newSite("Dragged walls");
        desk.button("Draw on the plan").click();
        desk.dragPlan(0, 0, 5_000, 4_000);
        assertThat(desk.field("Clear width")).hasValue("5 m");
        desk.dragPlan(5_000, 1_500, 6_040, 1_900);
        assertThat(desk.field("Clear width")).hasValue("6 m");
        desk.button("Add ground").click();
        desk.dragPlan(0, 4_000, 2_000, 5_000);
        assertThat(desk.field("west")).hasValue("5 m");
        desk.type("north 1", "2.5 m");
        assertThat(desk.page.getByText("Size “Room 1”")).isVisible();
        var room = desk.get(desk.site() + "/massing").get("rooms").get(0);
        assertThat(room.get("areaM2").asDouble()).isEqualTo(6 * 4 + 2.5);
    }

    @Test
    void aDoorStandsWhereThereIsRoomAndIsRefusedWhereThereIsNone() {
        var desk = SharedApplication.desk().hall("Door hall");
        var before = desk.placements();
        desk.stage("Massing").button("Add door").click();
        var door = desk.page.getByTestId("opening-door");
        assertThat(door.getByLabel("width")).hasValue("1 m");
        assertThat(door.getByLabel("from left")).hasValue("2 m");
        desk.until(
                "site => fetch(site + '/pieces').then(r => r.json()).then(all => all.some(p => p.code === 'DOR-1200'))",
                desk.site());
        door.getByLabel("width").fill("6 m");
        desk.press("Tab");
        // 5 m less 100 mm of frame and wall on both sides.
        assertThat(door.getByRole(AriaRole.ALERT)).containsText("at most 4.8 m wide");
        assertThat(desk.get(desk.site() + "/massing")
                        .get("openings")
                        .get(0)
                        .get("widthMm")
                        .asInt())
                .isEqualTo(1_000);
        desk.handsOff();
        desk.press("Control+z");
        assertThat(door).isHidden();
        desk.placements(before);
    }

    @Test
    void changingTheUnitChangesNoLength() {
        var desk = SharedApplication.desk().hall("Unit hall");
        var before = desk.get(desk.site() + "/placements");
        desk.page.getByTitle("Site settings").click();
        desk.field("Unit").selectOption("FEET_AND_INCHES");
        desk.button("Save").click();
        desk.stage("Massing");
        // 5000 mm = 16 ft 4.8504 in; what is no sixteenth of an inch is written in decimals.
        assertThat(desk.field("Clear width")).hasValue("16' 4.850394\"");
        assertThat(desk.get(desk.site() + "/placements")).isEqualTo(before);
        desk.type("Clear width", "18' 1/2\"");
        assertThat(desk.field("Clear width")).hasValue("18' 1/2\"");
        assertThat(desk.page.getByText("Change “Room”")).isVisible();
        assertThat(desk.get(desk.site() + "/massing")
                        .get("rooms")
                        .get(0)
                        .get("widthMm")
                        .asDouble())
                .isEqualTo(18 * 304.8 + 12.7);
    }

    @Test
    void whatAHandPlacedStaysWhereItIsWhenTheRoomGrows() {
        var desk = SharedApplication.desk().hall("Growing hall");
        desk.setDown("PRP-BENCH", 2_500, 2_000);
        var bench = desk.lastPlacement();
        desk.stage("Massing").type("Clear width", "7 m");
        assertThat(desk.page.getByText("Change “Room”")).isVisible();
        desk.page.waitForFunction("() => document.querySelector('[data-testid=plan]') !== null");
        var again = desk.get(desk.site() + "/placements")
                .valueStream()
                .filter(p -> p.get("id").equals(bench.get("id")))
                .findFirst();
        assertThat(again).hasValueSatisfying(p -> assertThat(p.get("atMm")).isEqualTo(bench.get("atMm")));
        assertThat(desk.findings()).isZero();
    }

    /** A hall of 5 × 4 m with the kit's metre: the wall on one side grows, the set follows, and so it does when corners are built otherwise. */
    @Test
    void aSideHasAWallOfItsOwnAndCornersAreBuiltAsChosen() {
        var desk = SharedApplication.desk().hall("Thick hall").stage("Massing");
        var runs = desk.page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Runs").setExact(true));
        runs.getByText("east").click();
        desk.type("Wall on this side", "rubbish");
        assertThat(desk.field("Wall on this side")).hasValue("0.2 m");
        desk.type("Wall on this side", "40 cm");
        assertThat(desk.button("As the site’s")).isVisible();
        assertThat(depths(desk)).containsExactly(200, 400, 200, 200);
        assertThat(desk.findings()).isZero();
        desk.button("As the site’s").click();
        assertThat(desk.button("As the site’s")).isHidden();
        assertThat(depths(desk)).containsOnly(200);

        desk.page.getByTitle("Site settings").click();
        desk.field("Where two walls meet").selectOption("LEG");
        desk.type("Leg of a corner piece", "0.5 m");
        desk.button("Save").click();
        // 5 m and 4 m less a leg at both ends.
        assertThat(runs.getByText("4 × 3").first()).isVisible();
        assertThat(runs.getByText("3 × 3").first()).isVisible();
        assertThat(desk.get(desk.site() + "/pieces")
                        .valueStream()
                        .filter(p -> p.get("code").asString().equals("POS-700x700")))
                .singleElement()
                .satisfies(p -> assertThat(p.get("count").asInt()).isEqualTo(4));
        assertThat(desk.findings()).isZero();
    }

    private static List<Integer> depths(Desk desk) {
        return desk.get(desk.site() + "/massing")
                .get("runs")
                .valueStream()
                .map(r -> r.get("depthMm").asInt())
                .toList();
    }

    /** Two actions, and a hand that misses the wall by 40 mm: the new room begins on the wall's other side and is as deep as the first. */
    @Test
    void aRoomIsDrawnAgainstAWall() {
        var desk = SharedApplication.desk().hall("Walled off").stage("Massing");
        assertThat(desk.field("Clear width")).hasValue("5 m");
        desk.button("Draw a room").click();
        desk.dragPlan(5_240, 40, 8_000, 3_960);
        assertThat(desk.field("Room name")).hasValue("Room 1");
        var drawn = desk.get(desk.site() + "/massing").get("rooms").get(1);
        assertThat(drawn.get("cornerMm").get("x").asInt()).isEqualTo(5_200);
        assertThat(drawn.get("cornerMm").get("y").asInt()).isZero();
        assertThat(drawn.get("depthMm").asInt()).isEqualTo(4_000);
    }

    @Test
    void aSecondRoomStandsClearOfTheFirst() {
        var desk = SharedApplication.desk().hall("Double hall").stage("Massing");
        desk.list("Rooms")
                .unfold("Another room by its sizes")
                .button("Add room")
                .click();
        assertThat(desk.field("Room name")).hasValue("Room 2");
        desk.list("Rooms");
        assertThat(desk.page.getByLabel("Rooms of this level").getByRole(AriaRole.BUTTON))
                .hasCount(2);
        var rooms = desk.get(desk.site() + "/massing").get("rooms");
        // 5 m of room, two walls of 0.2 m, and a metre between.
        assertThat(rooms.get(1).get("cornerMm").get("x").asInt()).isEqualTo(6_400);
    }
}
