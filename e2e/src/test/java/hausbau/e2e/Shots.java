package hausbau.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.nio.file.Path;

/** Makes the pictures of the documents again, from the demo, each at 1280 × 800. */
public final class Shots {

    private final Desk desk;
    private final Path folder;

    private Shots(Desk desk, Path folder) {
        this.desk = desk;
        this.folder = folder;
    }

    /** @param args the folder for the pictures */
    public static void main(String[] args) {
        try (var application = new Application()) {
            new Shots(Desk.at(application), Path.of(args[0])).take();
        }
    }

    private void take() {
        desk.page.navigate(desk.application.url("/"));
        desk.waitForWord("Ottersteg Baths");
        picture("start");
        desk.page.getByText("Ottersteg Baths").click();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        desk.waitFor("[data-testid=tally-kinds]");
        picture("build");
        repeats();
        for (var stage : new String[] {"Massing", "Kit", "Survey", "Handover"}) {
            desk.stage(stage);
            if (stage.equals("Kit")) {
                desk.waitFor("td .good");
            }
            picture(stage.toLowerCase());
            if (stage.equals("Massing")) {
                building();
            }
        }
        desk.stage("Brief");
        picture("brief");
        for (var view : new String[] {"Board", "Takeoff", "Piece list", "Divide a length"}) {
            desk.page.getByText(view, new Page.GetByTextOptions().setExact(true)).first().click();
            picture(view.toLowerCase().replace(' ', '-'));
        }
    }

    /** A course that is worked on, with its handles and its rule. */
    private void repeats() {
        desk.button("Course 3").click();
        picture("repeat");
        desk.button("Done", true).click();
    }

    /** A run in elevation, the other level, the section, the building in the sun, and from within. */
    private void building() {
        var runs = desk.page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Runs").setExact(true));
        runs.getByText("south").click();
        desk.page.getByTestId("run").scrollIntoViewIfNeeded();
        picture("run");
        runs.getByText("south").click();
        level("Gallery");
        picture("gallery");
        level("Ground");
        desk.button("Section", true).click();
        desk.dragPlan(8_600, -1_500, 8_600, 27_000);
        widen(0.95);
        picture("section");
        desk.button("Show the plan", true).click();
        widen(0);
        desk.button("Cutaway", true).click();
        desk.button("Ceilings", true).click();
        desk.button("Sun", true).click();
        desk.page.waitForTimeout(4_000);
        picture("sun");
        desk.button("Ceilings", true).click();
        widen(0.4);
        desk.page.waitForTimeout(2_000);
        desk.dragPlan(desk.figure()[0], desk.figure()[1], 16_000, 16_400);
        widen(0);
        desk.button("Walk", true).click();
        desk.page.waitForTimeout(3_000);
        picture("walk");
        desk.press("Escape");
        desk.button("Sun", true).click();
        desk.button("Cutaway", true).click();
        widen(0.5);
    }

    private void level(String label) {
        desk.page.getByLabel("Level", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setLabel(label));
    }

    /** Gives the plan this share of the Table. */
    private void widen(double share) {
        var table = desk.page.locator(".table").first().boundingBox();
        var divider = desk.page.getByRole(AriaRole.SEPARATOR).boundingBox();
        desk.page.mouse().move(divider.x + divider.width / 2, divider.y + 300);
        desk.page.mouse().down();
        desk.page.mouse().move(table.x + table.width * share, table.y + 300);
        desk.page.mouse().up();
        desk.page.waitForTimeout(1_500);
    }

    private void picture(String name) {
        desk.page.mouse().move(640, 2);
        // Line-up portraits and fonts come in after the rest.
        desk.page.waitForTimeout(1_500);
        desk.page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
