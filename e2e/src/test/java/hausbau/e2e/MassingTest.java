package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
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
        assertThat(desk.get(desk.site() + "/massing").get("rooms").get(0).get("depthMm").asInt()).isEqualTo(3_500);
    }

    @Test
    void aDoorStandsWhereThereIsRoomAndIsRefusedWhereThereIsNone() {
        var desk = SharedApplication.desk().hall("Door hall");
        var before = desk.placements();
        desk.stage("Massing").button("Add door").click();
        var door = desk.page.getByTestId("opening-door");
        assertThat(door.getByLabel("width")).hasValue("1 m");
        assertThat(door.getByLabel("from left")).hasValue("2 m");
        assertThat(desk.page.getByLabel("Take DOR-1200")).isVisible();
        door.getByLabel("width").fill("6 m");
        desk.press("Tab");
        // 5 m less 100 mm of frame and wall on both sides.
        assertThat(door.getByRole(AriaRole.ALERT)).containsText("at most 4.8 m wide");
        assertThat(desk.get(desk.site() + "/massing").get("openings").get(0).get("widthMm").asInt()).isEqualTo(1_000);
        desk.handsOff();
        desk.press("Control+z");
        assertThat(door).isHidden();
        desk.placements(before);
    }

    @Test
    void changingTheUnitChangesNoLength() {
        var desk = SharedApplication.desk().hall("Unit hall");
        var before = desk.get(desk.site() + "/placements");
        desk.page.getByTitle("Site set-up").click();
        desk.field("Unit").selectOption("FEET_AND_INCHES");
        desk.button("Save").click();
        desk.stage("Massing");
        // 5000 mm = 16 ft 4.8504 in; what is no sixteenth of an inch is written in decimals.
        assertThat(desk.field("Clear width")).hasValue("16' 4.850394\"");
        assertThat(desk.get(desk.site() + "/placements")).isEqualTo(before);
        desk.type("Clear width", "18' 1/2\"");
        assertThat(desk.field("Clear width")).hasValue("18' 1/2\"");
        assertThat(desk.page.getByText("Change “Room”")).isVisible();
        assertThat(desk.get(desk.site() + "/massing").get("rooms").get(0).get("widthMm").asDouble()).isEqualTo(18 * 304.8 + 12.7);
    }

    @Test
    void whatAHandPlacedStaysWhereItIsWhenTheRoomGrows() {
        var desk = SharedApplication.desk().hall("Growing hall");
        desk.setDown("PRP-BENCH", 2_500, 2_000);
        var bench = desk.lastPlacement();
        desk.stage("Massing").type("Clear width", "7 m");
        assertThat(desk.page.getByText("Change “Room”")).isVisible();
        desk.page.waitForFunction("() => document.querySelector('[data-testid=plan]') !== null");
        var again = desk.get(desk.site() + "/placements").valueStream().filter(p -> p.get("id").equals(bench.get("id"))).findFirst();
        assertThat(again).hasValueSatisfying(p -> assertThat(p.get("atMm")).isEqualTo(bench.get("atMm")));
        assertThat(desk.findings()).isZero();
    }

    @Test
    void aSecondRoomStandsClearOfTheFirst() {
        var desk = SharedApplication.desk().hall("Double hall").stage("Massing");
        desk.button("Add room").click();
        assertThat(desk.page.getByText("Another room")).isVisible();
        desk.page.waitForFunction("() => document.querySelectorAll('.rooms button').length === 2");
        var rooms = desk.get(desk.site() + "/massing").get("rooms");
        // 5 m of room, two walls of 0.2 m, and a metre between.
        assertThat(rooms.get(1).get("cornerMm").get("x").asInt()).isEqualTo(6_400);
    }
}
