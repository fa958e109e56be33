package hausbau.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
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
            new Shots(Desk.drawn(application), Path.of(args[0])).take();
        }
    }

    private void take() {
        desk.page.addInitScript(
                "if (!sessionStorage.arranged) { localStorage['hausbau.table'] = '{}'; sessionStorage.arranged = 'once' }");
        desk.page.navigate(desk.application.url("/"));
        desk.waitForWord("Ottersteg Baths");
        picture("start");
        desk.page.getByText("Ottersteg Baths").click();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        desk.waitFor("[data-testid=tally-kinds]");
        picture("build");
        dressing();
        for (var stage : new String[] {"Massing", "Kit", "Survey", "Handover"}) {
            desk.stage(stage);
            if (stage.equals("Kit")) {
                desk.waitFor("td .good");
            }
            picture(stage.toLowerCase());
            if (stage.equals("Massing")) {
                building();
            } else if (stage.equals("Kit")) {
                advice();
                workshop();
            }
        }
        desk.stage("Brief");
        picture("brief");
        for (var view : new String[] {"Board", "Takeoff", "Piece list"}) {
            desk.page
                    .getByText(view, new Page.GetByTextOptions().setExact(true))
                    .first()
                    .click();
            picture(view.toLowerCase().replace(' ', '-'));
        }
        arcade();
    }

    /** What would make the kit smaller, one of it marked where it applies, and the chart of steps. */
    private void advice() {
        desk.button("Look for advice").click();
        desk.waitFor("section[aria-label=Advice] li");
        desk.button("Compare steps").click();
        desk.waitFor(".trial");
        desk.button("Plan", true).click();
        desk.page.locator("section[aria-label=Steps] .one").scrollIntoViewIfNeeded();
        desk.page.locator("section[aria-label=Advice] li button").nth(2).focus();
        picture("steps");
    }

    /** A piece on the bench with its parts, a pattern on pieces of several lengths, and what runs along the walls. */
    private void workshop() {
        desk.page
                .getByText("Workshop", new Page.GetByTextOptions().setExact(true))
                .click();
        desk.page
                .getByText("PRP-TILL", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        desk.waitFor("[data-testid=bench][data-look=paper]");
        desk.page.waitForTimeout(2_500);
        picture("workshop");
        desk.page.getByText("Tiled halls").click();
        desk.page.waitForTimeout(2_500);
        desk.press("p");
        desk.page.waitForTimeout(1_500);
        picture("pattern");
        desk.page
                .getByText("Mouldings", new Page.GetByTextOptions().setExact(true))
                .click();
        desk.page.waitForTimeout(2_500);
        picture("mouldings");
        desk.page
                .getByText("Sheets", new Page.GetByTextOptions().setExact(true))
                .click();
        desk.page.waitForTimeout(4_000);
        picture("sheets");
        desk.press("p");
    }

    /** A scatter that is brushed, and an assembly that is open; all of it is taken back. */
    private void dressing() {
        enlarge("Plan");
        desk.page.getByLabel("Take PRP-BASKET").click();
        desk.button("Scatter", true).click();
        desk.dragPlan(800, 800, 11_200, 7_200);
        desk.field("For each m²").fill("1.5");
        desk.press("Enter");
        desk.button("Brush", true).click();
        desk.pressPlan(2_000, 1_500, 5_000, 4_600);
        for (var x = 5_500; x <= 10_000; x += 500) {
            desk.movePlan(x, 4_600 - (x - 5_000) / 2.0);
            desk.page.waitForTimeout(150);
        }
        desk.page.mouse().up();
        desk.button("Take away", true).click();
        // Until it is gone, a click on the plan is a dab of the brush.
        desk.button("Take away", true).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        desk.clickPlan(17_700, 15_300);
        desk.button("Open", true).click();
        desk.page.waitForTimeout(2_000);
        picture("assembly");
        desk.button("Leave it by itself", true).click();
        desk.handsOff();
        desk.press("Control+z", "Escape");
        enlarge("Space");
    }

    /** From within the arcade. */
    private void arcade() {
        site("Sperling Arcade");
        enlarge("Plan");
        desk.dragPlan(desk.figure()[0], desk.figure()[1], 2_300, 4_500);
        enlarge("Space");
        desk.group("Light").mood("clear morning");
        desk.closeGroups();
        desk.button("Walk", true).click();
        desk.page.waitForTimeout(4_000);
        picture("arcade");
        desk.press("Escape");
    }

    private void site(String name) {
        desk.page.navigate(desk.application.url("/"));
        desk.page.getByText(name).click();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        desk.waitFor("[data-testid=tally-kinds]");
    }

    /** The section, and the building from within. */
    private void building() {
        desk.button("Section", true).click();
        desk.dragPlan(8_600, -1_500, 8_600, 27_000);
        desk.page.waitForTimeout(1_500);
        picture("section");
        enlarge("Plan");
        desk.dragPlan(desk.figure()[0], desk.figure()[1], 16_000, 16_400);
        desk.group("Light").mood("clear morning");
        desk.button("Finished", true).click();
        desk.closeGroups();
        desk.button("Walk", true).click();
        desk.waitFor("[data-testid=space][data-coats*=tile]");
        desk.page.waitForTimeout(6_000);
        picture("walk");
        desk.press("Escape");
        desk.group("Light").mood("even");
        desk.button("Paper", true).click();
        desk.closeGroups();
    }

    private void enlarge(String view) {
        desk.page
                .getByLabel("The large view")
                .getByText(view, new Locator.GetByTextOptions().setExact(true))
                .click();
        desk.page.waitForTimeout(1_500);
    }

    private void picture(String name) {
        desk.page.mouse().move(640, 2);
        // Line-up portraits and fonts come in after the rest.
        desk.page.waitForTimeout(1_500);
        desk.page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
