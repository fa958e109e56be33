package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What runs along the walls is added, typed otherwise, left out of a room and taken back in the browser. */
@ExtendWith(SharedApplication.class)
class MouldingsTest {

    private Desk desk;
    private int walls;

    /** A room of 5 × 4 m. */
    @BeforeEach
    void open() {
        desk = SharedApplication.desk().builtRoom("Moulded room");
        walls = desk.placements();
        desk.stage("Kit");
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Mouldings"))
                .click();
        desk.button("+ skirting").click();
        assertThat(desk.page.getByLabel("Pieces of the moulding")).containsText("-IN");
    }

    /** @return how many pieces stand besides the walls, floor and ceiling */
    private int along() {
        return desk.placements() - walls;
    }

    private int perimeterMm() {
        var sum = 0;
        for (var piece : desk.get(desk.site() + "/pieces")) {
            if (piece.get("role").asString().equals("MOULDING")
                    && !piece.get("code").asString().contains("-IN")) {
                sum += piece.get("count").asInt() * piece.get("sizeMm").get("x").asInt();
            }
        }
        return sum;
    }

    /** 18 m round, less two legs in each of four corners. */
    @Test
    void itStandsAtOnceAndIsTakenBackByKey() {
        assertThat(perimeterMm()).isEqualTo(18_000 - 8 * 200);
        var shown = desk.page.getByLabel("Pieces of the moulding").locator("tbody td:last-child");
        assertThat(shown.allTextContents().stream().mapToInt(Integer::parseInt).sum())
                .isEqualTo(along());
        desk.handsOff();
        desk.press("Control+z");
        assertThat(desk.page.getByText("Add one at the left.")).isVisible();
        desk.placements(walls);
        desk.press("Control+Shift+z");
        assertThat(desk.page.getByLabel("Pieces of the moulding")).isVisible();
        assertThat(perimeterMm()).isEqualTo(18_000 - 8 * 200);
    }

    @Test
    void itsSizesAreTypedAndWhatCannotBeIsRefusedWithAReason() {
        desk.type("Length of a corner piece", "0.5 m");
        assertThat(desk.page.getByLabel("Pieces of the moulding")).containsText("MLD-500x120-IN");
        assertThat(perimeterMm()).isEqualTo(18_000 - 8 * 500);

        desk.type("Stands out", "0.6");
        assertThat(desk.page.getByRole(AriaRole.ALERT))
                .containsText("A corner piece reaches farther along the wall than the profile is wide");
        assertThat(desk.field("Stands out")).hasValue("0.02 m");
        assertThat(perimeterMm()).isEqualTo(18_000 - 8 * 500);
    }

    @Test
    void aRoomHasItsOwnOrNone() {
        var room = desk.page.getByLabel("skirting in", new Page.GetByLabelOptions().setExact(false));
        room.selectOption(new SelectOption().setLabel("none"));
        desk.placements(walls);
        room.selectOption(new SelectOption().setLabel("its own"));
        var own = desk.page.locator(".own");
        own.getByLabel("High").fill("0.3 m");
        own.getByLabel("High").press("Enter");
        assertThat(desk.page.getByLabel("Pieces of the moulding")).containsText("MLD-200x300-IN");
        room.selectOption(new SelectOption().setLabel("as the building"));
        assertThat(desk.page.getByLabel("Pieces of the moulding")).containsText("MLD-200x120-IN");
        assertThat(desk.findings()).isZero();
    }

    /** Switched off and on faster than the server answers. */
    @Test
    void itIsSwitchedByKeys() {
        var on = desk.page.getByLabel("skirting is built");
        on.focus();
        desk.press("Space", "Space", "Space");
        desk.placements(walls);
        assertThat(desk.page.getByText("It is switched off.")).isVisible();
        desk.press("Space");
        assertThat(desk.page.getByLabel("Pieces of the moulding")).isVisible();
    }
}
