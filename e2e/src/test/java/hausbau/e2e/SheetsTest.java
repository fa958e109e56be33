package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Finishes and colourways, made by hand in the browser and seen in Space. */
@ExtendWith(SharedApplication.class)
class SheetsTest {

    private static final String DRESSED =
            "() => document.querySelector('[data-testid=space]').dataset.coats.includes('plaster')";

    private static void open(Desk desk) {
        desk.stage("Kit");
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sheets"))
                .click();
        assertThat(desk.page.getByTestId("sheet")).isVisible();
    }

    private static Locator finishes(Desk desk) {
        return desk.page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Finishes"));
    }

    /** The middle of the sheet as it is shown, once it is there. */
    private static int[] middle(Desk desk) throws IOException {
        desk.until(
                "() => { const i = document.querySelector('[data-testid=sheet]'); return i.complete && i.naturalWidth === 1024 }",
                null);
        var shot = ImageIO.read(
                new ByteArrayInputStream(desk.page.getByTestId("sheet").screenshot()));
        var rgb = shot.getRGB(shot.getWidth() / 2, shot.getHeight() / 2);
        return new int[] {rgb >> 16 & 255, rgb >> 8 & 255, rgb & 255};
    }

    /** A colourway of one's own, its finishes typed faster than the server answers, seen in the sheet; undone with one step each. */
    @Test
    void aFinishIsTypedAndSeenInItsSheet() throws IOException {
        var desk = SharedApplication.desk().hall("Sheets hall");
        open(desk);
        assertThat(desk.page.getByText("Finishes as they come stay as they are."))
                .isVisible();
        desk.button("Make one of your own").click();
        assertThat(desk.field("Name of the colourway")).hasValue("colourway");
        finishes(desk)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("paint"))
                .click();
        desk.field("Colour").fill("#2040c0");
        desk.page.keyboard().press("Enter");
        desk.field("Variation, %").fill("0");
        desk.page.keyboard().press("Enter");
        desk.field("Roughness, %").fill("30");
        desk.page.keyboard().press("Enter");
        assertThat(desk.field("Roughness, % of paint")).hasValue("30");
        assertThat(desk.field("Variation, % of paint")).hasValue("0");
        assertThat(middle(desk)).containsExactly(0x20, 0x40, 0xc0);
        // What cannot be is refused beside its field, and what stood stands.
        desk.field("Colour").fill("blue");
        desk.page.keyboard().press("Enter");
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("six digits");
        // Everything came out shiny: one edit.
        desk.field("Roughness, % of all").fill("85");
        desk.page.keyboard().press("Enter");
        for (var swatch : new String[] {"plaster", "tile", "opal", "paint"}) {
            assertThat(desk.field("Roughness, % of " + swatch)).hasValue("85");
        }
        desk.page.getByText("what it takes").click();
        desk.press("Control+z");
        assertThat(desk.field("Roughness, % of paint")).hasValue("30");
        assertThat(desk.field("Roughness, % of opal")).hasValue("18");
        FirstRoomTest.passesAxe(desk, "sheets");
    }

    /** Tiles of 150 do not fit a sheet of 4 m: it says what they are laid as. */
    @Test
    void tilesAreFittedToTheSheetAndSaySo() {
        var desk = SharedApplication.desk().hall("Tiles hall");
        open(desk);
        desk.button("Make one of your own").click();
        assertThat(desk.field("Name of the colourway")).isVisible();
        desk.field("Length").fill("150 mm");
        desk.page.keyboard().press("Enter");
        // 4000 / 150 = 26.67: 27 tiles of 148.1.
        assertThat(desk.page.getByText("Laid as 148.1 mm × 125 mm")).isVisible();
        desk.page.getByLabel("Rows shifted").selectOption("by half");
        assertThat(desk.page.getByLabel("Rows shifted").locator("option:checked"))
                .hasText("by half");
    }

    /** A colourway of its own with red plaster, beside the usual one that is in use; Space in its finishes. */
    private static void withRedPlaster(Desk desk) {
        open(desk);
        finishes(desk).getByText("+ new colourway").click();
        assertThat(desk.field("Name of the colourway")).isVisible();
        finishes(desk)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("plaster"))
                .click();
        desk.field("Colour").fill("#c02010");
        desk.page.keyboard().press("Enter");
        assertThat(finishes(desk).getByRole(AriaRole.BUTTON).first()).containsText("in use");
        desk.until("() => document.querySelector('input[aria-label=Colour]')?.value === '#c02010'", null);
        desk.stage("Build");
        desk.press("p");
        desk.until(DRESSED, null);
    }

    /** The other colourway: one action, and Space looks otherwise; one step back, and it looks as before. */
    @Test
    void anotherColourwayIsOneActionAndSeenInSpace() throws IOException {
        var desk = SharedApplication.drawnDesk().hall("Two colourways");
        withRedPlaster(desk);
        var before = reddish(desk);
        var worn = coats(desk);
        desk.group("Light").field("Colourway").selectOption("colourway");
        desk.until(OTHER, worn);
        desk.closeGroups();
        assertThat(reddish(desk)).isGreaterThan(before + 2_000);
        desk.press("Control+z");
        desk.until(SAME, worn);
        assertThat(reddish(desk)).isEqualTo(before);
        assertThat(desk.group("Light").field("Colourway").locator("option:checked"))
                .hasText("default finishes");
        // Squares in place of finishes, and back.
        desk.group("See").button("Checker", true).click();
        desk.until(
                "() => { const c = document.querySelector('[data-testid=space]').dataset.coats; return c.includes('plaster checker') && !c.includes('-') }",
                null);
        desk.group("See").button("Checker", true).click();
        desk.until(SAME, worn);
        assertThat(reddish(desk)).isEqualTo(before);
    }

    /** A room in other finishes than its site, chosen beside its pattern; what stands in it by hand is dressed by hand: worn, and tinted. Each is one step back. */
    @Test
    void aRoomAndWhatStandsInItAreDressedByHand() throws IOException {
        var desk = SharedApplication.drawnDesk().hall("Dressed by hand");
        withRedPlaster(desk);
        var before = reddish(desk);
        var worn = coats(desk);
        desk.stage("Massing");
        desk.clickPlan(2500, 2000);
        assertThat(desk.field("Clear width")).hasValue("5 m");
        desk.unfold("Sky, walls, looks").field("Colourway by hand").selectOption("colourway");
        desk.until(
                "() => fetch(location.pathname.replace(/(sites.\\d+).*/, '$1').replace(/^/, '/api') + '/dresses').then(r => r.json()).then(d => d.length === 1 && d[0].colourwayId > 0)",
                null);
        FirstRoomTest.passesAxe(desk, "room dressed");
        desk.stage("Build");
        desk.until(OTHER, worn);
        desk.closeGroups();
        assertThat(reddish(desk)).isGreaterThan(before + 2_000);
        // All that is in it: two fields before the server has answered one.
        desk.clickPlan(2500, -100);
        desk.field("Select instead").selectOption("all in its room");
        assertThat(desk.page.getByText(Pattern.compile("^\\d+ placements$"))).isVisible();
        desk.field("Wear in percent").fill("95");
        desk.press("Tab");
        desk.page.getByLabel("Tint by hand").fill("#3050ff");
        desk.until("() => document.querySelector('[data-testid=space]').dataset.worn > 0", null);
        desk.until(
                "() => fetch(location.pathname.replace('/sites', '/api/sites').replace(/build.*/, 'looks')).then(r => r.text()).then(t => t.includes('3050ff'))",
                null);
        desk.handsOff();
        desk.press("Escape");
        assertThat(reddish(desk)).as("blue falls on red").isLessThan(before + 500);
        assertThat(desk.get(desk.site() + "/looks").get("all").toString()).contains("\"tint\":\"#3050ff\",\"wear\":95");
        desk.handsOff();
        desk.press("Control+z", "Control+z");
        desk.until("() => !(document.querySelector('[data-testid=space]').dataset.worn > 0)", null);
        var unworn = reddish(desk);
        assertThat(unworn).isGreaterThan(before + 2_000);
        // Worn, its foot is dirty and its edges are bare: that is not red any more, but by far not all of it.
        desk.clickPlan(2500, -100);
        desk.field("Select instead").selectOption("all in its room");
        desk.field("Wear in percent").fill("60");
        desk.press("Tab");
        desk.until("() => document.querySelector('[data-testid=space]').dataset.worn > 0", null);
        desk.handsOff();
        desk.press("Escape");
        // Masks come after what they lie on.
        var red = reddish(desk);
        for (var i = 0; i < 20 && red > unworn * 19 / 20; i++) {
            red = reddish(desk);
        }
        assertThat(red).isBetween(unworn / 4, unworn * 19 / 20);
        // What is not worn is refused beside its field, and stays.
        desk.clickPlan(2500, -100);
        desk.field("Wear in percent").fill("140");
        desk.press("Tab");
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("0 to 100");
    }

    private static final String OTHER =
            "worn => { const c = document.querySelector('[data-testid=space]').dataset.coats; return c.includes('plaster') && c !== worn }";
    private static final String SAME =
            "worn => document.querySelector('[data-testid=space]').dataset.coats.split(', ').sort().join() === worn.split(', ').sort().join()";

    private static String coats(Desk desk) {
        return desk.page.getByTestId("space").getAttribute("data-coats");
    }

    /** Once all that is on its way has been drawn: twice the same within a second. */
    private static String settledCoats(Desk desk) {
        var before = "";
        for (var now = coats(desk); !now.equals(before); now = coats(desk)) {
            before = now;
            desk.page.waitForTimeout(1_000);
        }
        return before;
    }

    /** At ten thousand placements no mesh is asked for again, and nothing of what stands. */
    @Test
    void anotherColourwaySendsNoMesh() {
        var desk = SharedApplication.desk().hall("Ten thousand");
        // What is drawn is drawn by software, and it is not looked at here.
        desk.page.setViewportSize(900, 560);
        var ids = new ArrayList<String>();
        desk.post(
                desk.site() + "/placements",
                "{\"pieceId\":" + desk.piece("WAL-1000") + ",\"atMm\":{\"x\":2000,\"y\":2000,\"z\":0}}");
        ids.add(desk.lastPlacement().get("id").asString());
        while (ids.size() < 10_000) {
            var some = ids.subList(0, Math.min(ids.size(), 10_000 - ids.size()));
            var answer = desk.post(
                    desk.site() + "/placements/copies",
                    "{\"ids\":[\"" + String.join("\",\"", some) + "\"],\"byMm\":{\"x\":1000,\"y\":0,\"z\":0}}");
            ids.addAll(List.of(answer.text().replaceAll("[\\[\\]\"\\s]", "").split(",")));
        }
        desk.page.reload();
        desk.page.waitForFunction(
                "() => Number(document.querySelector('[data-testid=space]')?.dataset.instances) >= 10000",
                null,
                new Page.WaitForFunctionOptions().setTimeout(120_000));
        withRedPlaster(desk);
        var worn = settledCoats(desk);
        var meshes = new ArrayList<String>();
        var sheets = new ArrayList<String>();
        desk.page.onRequest(r -> (r.url().contains("mesh.glb") || r.url().contains("/chunks/")
                        ? meshes
                        : r.url().contains(".png") ? sheets : new ArrayList<String>())
                .add(r.url()));
        desk.group("Light").field("Colourway").selectOption("colourway");
        desk.until(OTHER, worn);
        settledCoats(desk);
        assertThat(meshes).isEmpty();
        assertThat(sheets).hasSize(3);
    }

    /** Pixels of Space that are clearly red. */
    private static int reddish(Desk desk) throws IOException {
        desk.page.waitForTimeout(1_500);
        var shot = ImageIO.read(
                new ByteArrayInputStream(desk.page.getByTestId("space").screenshot()));
        var n = 0;
        for (var y = 0; y < shot.getHeight(); y++) {
            for (var x = 0; x < shot.getWidth(); x++) {
                var rgb = shot.getRGB(x, y);
                if ((rgb >> 16 & 255) > 60 + Math.max(rgb >> 8 & 255, rgb & 255)) {
                    n++;
                }
            }
        }
        return n;
    }

    /** Pictures of one's own for a finish: two put in one after the other, seen in the sheet; what is no picture says so and changes nothing. */
    @Test
    void aFinishIsOfPicturesOfOnesOwn() throws IOException {
        var desk = SharedApplication.desk().hall("Pictures hall");
        open(desk);
        desk.button("Make one of your own").click();
        assertThat(desk.field("Name of the colourway")).isVisible();
        finishes(desk)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("paint"))
                .click();
        desk.page.getByLabel("Made as").selectOption("pictures of your own");
        put(desk, "colour", picture(0x1060c0));
        put(desk, "roughness", picture(0x404040));
        assertThat(desk.page.getByLabel("Another picture for roughness")).isVisible();
        desk.field("Variation, %").fill("0");
        desk.page.keyboard().press("Enter");
        assertThat(desk.field("Variation, % of paint")).hasValue("0");
        assertThat(middle(desk)).containsExactly(0x10, 0x60, 0xc0);
        put(desk, "normal", "no picture".getBytes(StandardCharsets.UTF_8));
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("no PNG, JPEG or WebP");
        assertThat(desk.page.getByLabel("Put in a picture for normal")).isVisible();
        FirstRoomTest.passesAxe(desk, "pictures of one's own");
        desk.page.getByLabel("Take the picture for colour out").click();
        assertThat(desk.page.getByLabel("Put in a picture for colour")).isVisible();
        desk.press("Control+z");
        assertThat(desk.page.getByLabel("Another picture for colour")).isVisible();
    }

    private static Locator onSheet(Desk desk, String name) {
        return desk.page
                .getByLabel("Swatches on the sheet")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    /** A pixel of the shared sheet's picture as the page shows it. */
    private static int onSheet(Desk desk, int x, int y) throws IOException {
        var path = desk.page.getByTestId("shared-sheet").getAttribute("src");
        return ImageIO.read(new ByteArrayInputStream(desk.page
                                .request()
                                .get(desk.page.url().replaceAll("/sites/.*", "") + path)
                                .body()))
                        .getRGB(x, y)
                & 0xffffff;
    }

    /** Two pictures at once become swatches where there is room; moved by keys faster than the server answers, dragged, typed, packed; what is made of one is seen so. */
    @Test
    void aSheetIsPutTogetherAndWhatLiesOnItFollows() throws IOException {
        var desk = SharedApplication.drawnDesk().hall("Shared hall");
        open(desk);
        finishes(desk)
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("shared sheet").setExact(true))
                .click();
        assertThat(desk.page.getByText("Nothing lies here yet.")).isVisible();
        desk.page.getByTestId("shared-pictures").setInputFiles(new FilePayload[] {
            new FilePayload("red.png", "image/png", picture(128, 64, 0xc02010)),
            new FilePayload("blue.png", "image/png", picture(64, 64, 0x1020c0))
        });
        assertThat(onSheet(desk, "red, 2 × 1 cells at 0, 0")).isVisible();
        assertThat(onSheet(desk, "blue, 1 × 1 cells at 2, 0")).isVisible();
        onSheet(desk, "blue").focus();
        desk.press("ArrowRight", "ArrowRight", "ArrowRight");
        assertThat(onSheet(desk, "blue, 1 × 1 cells at 5, 0")).isVisible();
        var box = desk.page.getByLabel("Swatches on the sheet").boundingBox();
        var cell = box.width / 16;
        desk.page.mouse().move(box.x + cell, box.y + cell / 2);
        desk.page.mouse().down();
        desk.page.mouse().move(box.x + 5 * cell, box.y + 5 * cell);
        desk.page.mouse().move(box.x + 9 * cell, box.y + 8.5 * cell);
        desk.page.mouse().up();
        assertThat(onSheet(desk, "red, 2 × 1 cells at 8, 8")).isVisible();
        assertThat(onSheet(desk, 8 * 64 + 64, 8 * 64 + 32)).isEqualTo(0xc02010);
        assertThat(onSheet(desk, 5 * 64 + 32, 32)).isEqualTo(0x1020c0);
        FirstRoomTest.passesAxe(desk, "shared sheet");
        // Onto the other: refused, and it stays.
        desk.field("From left").fill("4");
        desk.press("Tab");
        assertThat(onSheet(desk, "red, 2 × 1 cells at 4, 8")).isVisible();
        desk.field("From top").fill("0");
        desk.press("Tab");
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("would lie on");
        assertThat(onSheet(desk, "red, 2 × 1 cells at 4, 8")).isVisible();
        desk.button("Pack", true).click();
        assertThat(onSheet(desk, "red, 2 × 1 cells at 0, 0")).isVisible();
        assertThat(onSheet(desk, "blue, 1 × 1 cells at 2, 0")).isVisible();
        desk.page.getByLabel("Which way it goes on").selectOption("strip, goes on to the sides");
        assertThat(onSheet(desk, "red, 16 × 1 cells")).isVisible();
        desk.handsOff();
        desk.press("Control+z");
        assertThat(onSheet(desk, "red, 2 × 1 cells at 0, 0")).isVisible();
        // A piece is made of it.
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Workshop"))
                .click();
        desk.button("New piece").click();
        desk.field("Swatch").selectOption("red");
        assertThat(desk.field("Swatch").locator("option:checked")).hasText("red");
        desk.handsOff();
        desk.press("p");
        assertThat(desk.page.getByTestId("bench")).hasAttribute("data-look", "finished");
        // The picture comes when the sheet is drawn, however slow the machine is.
        desk.page.waitForCondition(() -> redOnTheBench(desk) > 5_000);
        // What is made of it holds it: it says who.
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sheets"))
                .click();
        finishes(desk)
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("shared sheet").setExact(true))
                .click();
        onSheet(desk, "red").focus();
        desk.press("Delete");
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("is made of");
        onSheet(desk, "blue").focus();
        desk.press("Delete");
        assertThat(onSheet(desk, "blue")).hasCount(0);
    }

    private static byte[] picture(int colour) throws IOException {
        return picture(16, 16, colour);
    }

    private static byte[] picture(int width, int height, int colour) throws IOException {
        var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (var i = 0; i < width * height; i++) {
            image.setRGB(i % width, i / width, colour);
        }
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static void put(Desk desk, String layer, byte[] file) {
        desk.page
                .waitForFileChooser(() -> desk.page
                        .getByLabel(Pattern.compile("(Put in a|Another) picture for " + layer))
                        .click())
                .setFiles(new FilePayload(layer + ".png", "image/png", file));
    }

    /** How finely pictures lie: all in the colour of the site's density, and it says so. */
    @Test
    void densitiesAreSeenInSpace() throws IOException {
        var desk = SharedApplication.drawnDesk().hall("Densities");
        desk.press("p");
        desk.until(DRESSED, null);
        desk.group("See").button("Density").click();
        var legend = desk.page.getByLabel("Densities", new Page.GetByLabelOptions().setExact(true));
        assertThat(legend).containsText("All that stands lies as the site");
        desk.until("() => document.querySelector('[data-testid=space]').dataset.coats.includes('density')", null);
        var asTheSite = count(desk, (r, g, b) -> g > r + 12 && b > r + 6);
        assertThat(asTheSite).isGreaterThan(20_000);
        // But for single pixels along edges, where faces are smaller than a pixel.
        assertThat(count(desk, (r, g, b) -> r > g + 60))
                .as("nothing is blurred")
                .isLessThan(asTheSite / 50);
        FirstRoomTest.passesAxe(desk, "densities");
        desk.group("See").button("Checker").click();
        desk.until("() => document.querySelector('[data-testid=space]').dataset.coats.includes('checker')", null);
        assertThat(legend).hasCount(0);
    }

    /** Twice the pixels are twice the width at one density, and Space stays as fine; a second shared sheet is begun with a size of its own, and taken away. */
    @Test
    void sheetsHaveSizesOfTheirOwn() throws IOException {
        var desk = SharedApplication.drawnDesk().hall("Sizes of sheets");
        open(desk);
        finishes(desk)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("plaster"))
                .click();
        assertThat(desk.page.getByText("4 m square, 1024 pixels")).isVisible();
        desk.page.getByLabel("Pixels of the sheet").selectOption("4096 pixels");
        desk.page.getByLabel("Pixels of the sheet").selectOption("2048 pixels");
        assertThat(desk.page.getByText("8 m square, 2048 pixels")).isVisible();
        // Three pictures of four bytes a pixel and all their smaller ones: 3 · 4 · (4¹² − 1) / 3.
        assertThat(desk.page.getByLabel("What it takes")).containsText("2048 px, 64.0 MiB");
        finishes(desk).getByText("+ another shared sheet").click();
        var second =
                finishes(desk).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("shared sheet b"));
        assertThat(second).hasAttribute("aria-pressed", "true");
        desk.page.getByLabel("Pixels of the sheet").selectOption("512 pixels");
        desk.button("Add a swatch").click();
        desk.button("Add a swatch").click();
        assertThat(desk.page.getByText("2 m square, 512 pixels")).isVisible();
        assertThat(onSheet(desk, "swatch, 4 × 4 cells at 0, 0")).isVisible();
        assertThat(onSheet(desk, "swatch 2, 4 × 4 cells at 4, 0")).isVisible();
        assertThat(desk.page.getByText("A cell is 0.125 m, 32 pixels.")).isVisible();
        FirstRoomTest.passesAxe(desk, "sizes of sheets");
        desk.stage("Build");
        desk.press("p");
        desk.group("See").button("Density").click();
        desk.until(
                "() => document.querySelector('[data-testid=space]').dataset.coats.includes('plaster density 2048')",
                null);
        assertThat(desk.page.getByLabel("Densities", new Page.GetByLabelOptions().setExact(true)))
                .containsText("All that stands lies as the site");
        var asTheSite = count(desk, (r, g, b) -> g > r + 12 && b > r + 6);
        assertThat(asTheSite).isGreaterThan(20_000);
        assertThat(count(desk, (r, g, b) -> r > g + 60 || r > g + 20 && b > g + 20))
                .as("nothing is blurred, nothing too fine")
                .isLessThan(asTheSite / 50);
        desk.stage("Kit");
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sheets"))
                .click();
        second.click();
        desk.button("Take the sheet away").click();
        assertThat(second).hasCount(0);
        desk.press("Control+z");
        assertThat(second).isVisible();
    }

    private interface Hue {
        boolean has(int red, int green, int blue);
    }

    private static int redOnTheBench(Desk desk) {
        return count(desk, "bench", (r, g, b) -> r > 50 + Math.max(g, b));
    }

    private static int count(Desk desk, Hue hue) {
        return count(desk, "space", hue);
    }

    private static int count(Desk desk, String view, Hue hue) {
        try {
            var shot = ImageIO.read(
                    new ByteArrayInputStream(desk.page.getByTestId(view).screenshot()));
            var found = 0;
            for (var y = 0; y < shot.getHeight(); y++) {
                for (var x = 0; x < shot.getWidth(); x++) {
                    var rgb = shot.getRGB(x, y);
                    found += hue.has(rgb >> 16 & 255, rgb >> 8 & 255, rgb & 255) ? 1 : 0;
                }
            }
            return found;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Counts what WebGL contexts hold that are not lost: buffers and textures made and not given back. */
    private static final String COUNTING =
            """
            window.contexts = [];
            const get = HTMLCanvasElement.prototype.getContext;
            HTMLCanvasElement.prototype.getContext = function (kind, ...rest) {
              const gl = get.call(this, kind, ...rest);
              if (gl && kind === 'webgl2' && !gl.held) {
                gl.held = { buffers: 0, textures: 0 };
                for (const [of, by] of [['buffers', 'Buffer'], ['textures', 'Texture']]) {
                  const [make, drop] = [gl['create' + by], gl['delete' + by]];
                  gl['create' + by] = function () { gl.held[of]++; return make.call(gl); };
                  gl['delete' + by] = function (one) { if (one) gl.held[of]--; drop.call(gl, one); };
                }
                window.contexts.push(gl);
              }
              return gl;
            };
            window.heldNow = () => window.contexts.filter((gl) => !gl.isContextLost())
              .reduce((sum, gl) => ({ contexts: sum.contexts + 1, buffers: sum.buffers + gl.held.buffers, textures: sum.textures + gl.held.textures }),
                { contexts: 0, buffers: 0, textures: 0 });
            """;

    private static Map<String, Integer> held(Desk desk) {
        @SuppressWarnings("unchecked")
        var held = (Map<String, Integer>) desk.page.evaluate("heldNow()");
        return held;
    }

    /** Twenty times from Brief to Build and back: the graphics card holds what it held the first time, and no context is left over. */
    @Test
    void whatBuildTakesOfTheGraphicsCardItGivesBack() {
        var desk = SharedApplication.drawnDesk();
        desk.page.addInitScript(COUNTING);
        desk.hall("Entered hall");
        var first = held(desk);
        assertThat(first.get("buffers")).isPositive();
        for (var i = 0; i < 20; i++) {
            desk.stage("Brief");
            assertThat(desk.page.getByTestId("space")).isHidden();
            desk.stage("Build");
            desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        }
        assertThat(held(desk)).isEqualTo(first);
        // The site left and opened again: what its view held is gone with its context.
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("All sites"))
                .click();
        assertThat(desk.page.getByTestId("space")).hasCount(0);
        desk.until("n => Promise.resolve(heldNow().contexts < n)", first.get("contexts"));
        desk.page.goBack();
        desk.waitFor("[data-testid=space][data-instances]:not([data-instances='0'])");
        assertThat(held(desk).get("contexts")).isEqualTo(first.get("contexts"));
    }
}
