package hausbau.e2e;

import com.microsoft.playwright.Page;
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
        for (var stage : new String[] {"Massing", "Kit", "Survey", "Handover"}) {
            desk.stage(stage);
            if (stage.equals("Kit")) {
                desk.waitFor("td .good");
            }
            picture(stage.toLowerCase());
            if (stage.equals("Massing")) {
                desk.page.getByLabel("Level", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setLabel("Gallery"));
                picture("gallery");
                desk.page.getByLabel("Level", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setLabel("Ground"));
            }
        }
        desk.stage("Brief");
        picture("brief");
        for (var view : new String[] {"Board", "Takeoff", "Piece list", "Divide a length"}) {
            desk.page.getByText(view, new Page.GetByTextOptions().setExact(true)).first().click();
            picture(view.toLowerCase().replace(' ', '-'));
        }
    }

    private void picture(String name) {
        desk.page.mouse().move(640, 2);
        // Line-up portraits and fonts come in after the rest.
        desk.page.waitForTimeout(1_500);
        desk.page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
