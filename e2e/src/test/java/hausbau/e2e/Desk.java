package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.MouseButton;
import com.microsoft.playwright.options.RequestOptions;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A person at the table: one page, and what a hand and an eye do there. */
final class Desk {

    static final double SLOW = 180_000;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    final Application application;
    final Page page;

    private Desk(Application application, Page page) {
        this.application = application;
        this.page = page;
        page.setDefaultTimeout(SLOW);
        // No test may depend on how fast the machine is.
        PlaywrightAssertions.setDefaultAssertionTimeout(SLOW);
    }

    /** Where nobody looks at the pixels of Space. */
    static Desk at(Application application) {
        return new Desk(application, application.page(false));
    }

    /** Where Space is drawn in all its pixels. */
    static Desk drawn(Application application) {
        return new Desk(application, application.page(true));
    }

    /** The same window with another tab. */
    Desk anotherTab() {
        var desk = new Desk(application, page.context().newPage());
        desk.page.navigate(page.url());
        return desk;
    }

    Desk newSite(String name) {
        page.navigate(application.url("/"));
        button("New site").click();
        page.getByLabel("Site name").fill(name);
        page.getByLabel("Begin with a few plain props").click();
        button("Make the site").click();
        assertThat(page.getByText("The first room", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        return this;
    }

    /** A room of 5 × 4 m, typed, built from the recommended kit; the page is left in Build. */
    Desk builtRoom(String name) {
        newSite(name);
        type("New width", "5m");
        type("New depth", "400 cm");
        button("Add room").click();
        assertThat(page.getByLabel("Clear width")).hasValue("5 m");
        press("Escape");
        stage("Kit");
        button("Work out the kit").click();
        button("Build from").click();
        assertThat(page.getByRole(
                        AriaRole.TAB, new Page.GetByRoleOptions().setName("All").setExact(true)))
                .isVisible();
        waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        return this;
    }

    /** Opens a group of the line over the views: See, Light or Pick. */
    Desk group(String name) {
        var opener = page.locator("[data-group='" + name + "'] > button");
        if (!"true".equals(opener.getAttribute("aria-expanded"))) {
            opener.click();
        }
        return this;
    }

    /** Sees the set in a mood; the group of light is open. */
    Desk mood(String name) {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
        waitFor("[data-testid=space][data-mood='" + name + "']");
        return this;
    }

    /** One of the site's lists, whatever is selected. */
    Desk list(String title) {
        var tab = page.getByRole(
                AriaRole.TAB, new Page.GetByRoleOptions().setName(title).setExact(true));
        var back = page.locator("button:visible").getByText("‹ Lists");
        tab.or(back).first().waitFor();
        if (back.isVisible()) {
            back.click();
        }
        tab.click();
        return this;
    }

    /** Closes the groups of the line, so that nothing lies over the views. */
    void closeGroups() {
        page.locator("[data-group] > button[aria-expanded=true]").all().forEach(Locator::click);
    }

    /** Back from the lists to what is chosen. */
    Desk chosen() {
        var back = page.locator("aside .back:visible");
        back.waitFor();
        if (!back.textContent().contains("Lists")) {
            back.click();
        }
        return this;
    }

    /** What folds away under a heading. */
    Desk unfold(String heading) {
        page.locator("details:not([open]) > summary:visible").getByText(heading).click();
        return this;
    }

    /** What stands, row by row, by its code or name. */
    Locator standing(String word) {
        list("All");
        page.getByLabel("Find placements").fill(word);
        return page.locator("section[aria-label='What stands'] li button");
    }

    /** The same room in no time, from pieces of a metre, through the API. */
    Desk hall(String name) {
        page.navigate(application.url("/"));
        var site = "/api/sites/"
                + JSON.readTree(post("/api/sites", "{\"name\":\"" + name + "\"}")
                                .text())
                        .get("id")
                        .asLong();
        post(
                site + "/rooms",
                "{\"name\":\"Room\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":5000,\"depthMm\":4000}");
        page.request()
                .put(
                        application.url(site + "/kit"),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData("{\"kindsMm\":[1000],\"minPieceMm\":200,\"maxPieceMm\":4000}"));
        page.navigate(application.url(site.substring("/api".length()) + "/build"));
        waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        waitFor("[data-testid=tally-placements]");
        return this;
    }

    /** Takes a piece from the line-up, sets it down in the plan, and lets go; it stays selected. */
    Desk setDown(String code, double x, double y) {
        var before = placements();
        page.getByLabel("Take " + code).click();
        clickPlan(x, y);
        placements(before + 1);
        press("Escape");
        return this;
    }

    Desk stage(String title) {
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Stages"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(title))
                .click();
        return this;
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .first();
    }

    Locator button(String name, boolean exactly) {
        return page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(exactly))
                .first();
    }

    /** Where the figure stands on the plan, millimetres. */
    double[] figure() {
        return numbers(page.getByTestId("plan").getAttribute("data-figure"));
    }

    Locator field(String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    void type(String label, String text) {
        field(label).fill(text);
        press("Tab");
    }

    void press(String... keys) {
        for (var key : keys) {
            page.keyboard().press(key);
        }
    }

    /** Takes the focus off every field, so that keys are the table's. */
    void handsOff() {
        page.evaluate("document.activeElement instanceof HTMLElement && document.activeElement.blur()");
    }

    void waitFor(String selector) {
        page.waitForSelector(selector, new Page.WaitForSelectorOptions().setTimeout(SLOW));
    }

    /** Until what is asked for, a promise of true or false, holds. The browser driver's own waiting takes a promise for true. */
    void until(String asked, Object of) {
        var deadline = System.nanoTime() + (long) (SLOW * 1e6);
        while (!Boolean.TRUE.equals(page.evaluate(asked, of))) {
            if (System.nanoTime() > deadline) {
                throw new AssertionError("not so within three minutes: " + asked + " of " + of);
            }
            page.waitForTimeout(100);
        }
    }

    void waitForWord(String word) {
        assertThat(page.getByText(word).first()).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(SLOW));
    }

    int placements() {
        return Integer.parseInt(
                page.getByTestId("tally-placements").textContent().replaceAll("\\D", ""));
    }

    void placements(int count) {
        page.waitForFunction(
                "n => document.querySelector('[data-testid=tally-placements]')?.textContent.replace(/\\D/g, '') === String(n)",
                count,
                new Page.WaitForFunctionOptions().setTimeout(SLOW));
    }

    /** A pixel of the plan for a place of the site, in millimetres. */
    private double[] planPixel(double x, double y) {
        var plan = page.getByTestId("plan");
        var origin = numbers(plan.getAttribute("data-origin"));
        var scale = Double.parseDouble(plan.getAttribute("data-scale"));
        var box = plan.boundingBox();
        return new double[] {box.x + origin[0] + x * scale, box.y + origin[1] - y * scale};
    }

    void clickPlan(double x, double y) {
        var at = planPixel(x, y);
        page.mouse().click(at[0], at[1]);
    }

    void rightClickPlan(double x, double y) {
        var at = planPixel(x, y);
        page.mouse().click(at[0], at[1], new Mouse.ClickOptions().setButton(MouseButton.RIGHT));
    }

    void doubleClickPlan(double x, double y) {
        var at = planPixel(x, y);
        page.mouse().dblclick(at[0], at[1]);
    }

    void dragPlan(double x0, double y0, double x1, double y1) {
        var from = planPixel(x0, y0);
        var to = planPixel(x1, y1);
        drag(from, to);
    }

    void movePlan(double x, double y) {
        var at = planPixel(x, y);
        page.mouse().move(at[0], at[1]);
    }

    /** Drags without letting go. */
    void pressPlan(double x0, double y0, double x1, double y1) {
        var from = planPixel(x0, y0);
        var to = planPixel(x1, y1);
        page.mouse().move(from[0], from[1]);
        page.mouse().down();
        page.mouse().move(to[0], to[1]);
    }

    private void drag(double[] from, double[] to) {
        page.mouse().move(from[0], from[1]);
        page.mouse().down();
        page.mouse().move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2);
        page.mouse().move(to[0], to[1]);
        page.mouse().up();
    }

    /** A pixel of Space for a place of the site: through the camera that the scene says it draws with. */
    private double[] spacePixel(double x, double y, double z) {
        var space = page.getByTestId("space");
        var m = numbers(space.getAttribute("data-view"));
        double[] p = {x / 1000, y / 1000, z / 1000, 1};
        var clip = new double[4];
        for (var row = 0; row < 4; row++) {
            for (var column = 0; column < 4; column++) {
                clip[row] += m[4 * column + row] * p[column];
            }
        }
        var box = space.boundingBox();
        return new double[] {
            box.x + (clip[0] / clip[3] + 1) / 2 * box.width, box.y + (1 - clip[1] / clip[3]) / 2 * box.height
        };
    }

    /** Where Space is looked at from, metres: what the camera takes to no place of the picture, at no depth. */
    double[] eye() {
        var m = numbers(page.getByTestId("space").getAttribute("data-view"));
        var rows = new double[][] {row(m, 0), row(m, 1), row(m, 3)};
        var whole = determinant(rows, -1);
        return new double[] {determinant(rows, 0) / whole, determinant(rows, 1) / whole, determinant(rows, 2) / whole};
    }

    private static double[] row(double[] m, int i) {
        return new double[] {m[i], m[i + 4], m[i + 8], m[i + 12]};
    }

    /** Of the first three columns; the one that is named is taken for the last one, turned about, as Cramer has it. */
    private static double determinant(double[][] rows, int column) {
        var a = new double[3][3];
        for (var i = 0; i < 3; i++) {
            for (var j = 0; j < 3; j++) {
                a[i][j] = j == column ? -rows[i][3] : rows[i][j];
            }
        }
        return a[0][0] * (a[1][1] * a[2][2] - a[1][2] * a[2][1])
                - a[0][1] * (a[1][0] * a[2][2] - a[1][2] * a[2][0])
                + a[0][2] * (a[1][0] * a[2][1] - a[1][1] * a[2][0]);
    }

    void moveInSpace(double x, double y, double z) {
        var at = spacePixel(x, y, z);
        page.mouse().move(at[0], at[1]);
    }

    void clickSpace(double x, double y, double z) {
        var at = spacePixel(x, y, z);
        page.mouse().click(at[0], at[1]);
    }

    void dragSpace(double[] from, double[] to) {
        drag(spacePixel(from[0], from[1], from[2]), spacePixel(to[0], to[1], to[2]));
    }

    /** Drags a handle in Space by as many pixels as a move of something there is seen to take; the button stays down. */
    void pressHandle(String name, double[] at, double[] by) {
        var from = spacePixel(at[0], at[1], at[2]);
        var to = spacePixel(at[0] + by[0], at[1] + by[1], at[2] + by[2]);
        var tag = button(name).boundingBox();
        var x = tag.x + tag.width / 2;
        var y = tag.y + tag.height / 2;
        page.mouse().move(x, y);
        page.mouse().down();
        page.mouse().move(x + (to[0] - from[0]) / 2, y + (to[1] - from[1]) / 2);
        page.mouse().move(x + to[0] - from[0], y + to[1] - from[1]);
    }

    /** Drags in an elevation of the Workshop's piece, in millimetres of its frame: to the right and up. */
    void dragElevation(String from, double[] start, double[] end) {
        var drawing = page.locator("svg[data-from=" + from + "]");
        var scale = Double.parseDouble(drawing.getAttribute("data-scale"));
        var least = numbers(drawing.getAttribute("data-least"));
        var box = drawing.boundingBox();
        UnaryOperator<double[]> pixel =
                at -> new double[] {box.x + 2 + (at[0] - least[0]) * scale, box.y + 2 + (least[1] - at[1]) * scale};
        drag(pixel.apply(start), pixel.apply(end));
    }

    private static double[] numbers(String text) {
        return Arrays.stream(text.split(" ")).mapToDouble(Double::parseDouble).toArray();
    }

    /** The site's own address below the API. */
    String site() {
        return "/api" + page.url().replaceAll(".*(/sites/\\d+).*", "$1");
    }

    JsonNode get(String path) {
        return JSON.readTree(page.request().get(application.url(path)).text());
    }

    APIResponse post(String path, String body) {
        return page.request()
                .post(
                        application.url(path),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData(body));
    }

    APIResponse patch(String path, String body) {
        return page.request()
                .patch(
                        application.url(path),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData(body));
    }

    long piece(String code) {
        return StreamSupport.stream(get(site() + "/pieces").spliterator(), false)
                .filter(p -> p.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
    }

    /** What a hand set down last. */
    /** Of a piece along an axis of its own, millimetres. */
    double sizeOf(String code, String axis) {
        return get(site() + "/pieces")
                .valueStream()
                .filter(p -> p.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow()
                .get("sizeMm")
                .get(axis)
                .asDouble();
    }

    /** Millimetres in metres, as they are written. */
    static String metres(double mm) {
        return BigDecimal.valueOf(mm).movePointLeft(3).stripTrailingZeros().toPlainString();
    }

    JsonNode lastPlacement() {
        return byHand().get(byHand().size() - 1);
    }

    /** What hands set down, the last one last. */
    List<JsonNode> byHand() {
        return get(site() + "/placements")
                .valueStream()
                .filter(p -> p.get("origin").asString().equals("hand"))
                .sorted((a, b) -> Long.compare(number(a), number(b)))
                .toList();
    }

    private static long number(JsonNode placement) {
        return Long.parseLong(placement.get("id").asString().substring("hand.".length()));
    }

    int findings() {
        return get(site() + "/survey").get("findings").size();
    }
}
