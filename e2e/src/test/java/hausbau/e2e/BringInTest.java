package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Meshes that were made elsewhere, brought in by hand in the browser. */
@ExtendWith(SharedApplication.class)
class BringInTest {

    private static final int[][] SIDES = {
        {1, 3, 4, 2}, {5, 6, 8, 7}, {1, 2, 6, 5}, {3, 7, 8, 4}, {1, 5, 7, 3}, {2, 4, 8, 6}
    };

    /** A box from the ground up, Y up, as OBJ; its sides are numbered from 0: back, front, bottom, top, left, right. */
    private static String box(String name, String material, double width, double height, double depth, int first) {
        var text = new StringBuilder("o " + name + "\nusemtl " + material + "\n");
        for (var i = 0; i < 8; i++) {
            text.append(String.format(
                    Locale.ROOT, "v %f %f %f%n", (i & 1) * width, (i >> 1 & 1) * height, (i >> 2) * depth));
        }
        for (var side : SIDES) {
            text.append(String.format(
                    Locale.ROOT,
                    "f %d %d %d %d%n",
                    side[0] + first,
                    side[1] + first,
                    side[2] + first,
                    side[3] + first));
        }
        return text.toString();
    }

    private static FilePayload file(String name, String text) {
        return new FilePayload(name, "text/plain", text.getBytes(StandardCharsets.UTF_8));
    }

    private static Desk workshop(Desk desk) {
        desk.stage("Kit");
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Workshop"))
                .click();
        return desk;
    }

    private static Locator list(Desk desk) {
        return desk.page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Pieces of the kit"));
    }

    private static Locator side(Desk desk) {
        return desk.page.getByLabel("Bring in", new Page.GetByLabelOptions().setExact(true));
    }

    private static void choose(Desk desk, String button, FilePayload... files) {
        desk.page.waitForFileChooser(() -> desk.button(button).click()).setFiles(files);
    }

    private static int drawn(Desk desk, int before) {
        desk.until(
                "before => { const b = document.querySelector('[data-testid=bench]'); return Number(b?.dataset.triangles) > 0 && Number(b.dataset.triangles) !== before }",
                before);
        return Integer.parseInt(desk.page.getByTestId("bench").getAttribute("data-triangles"));
    }

    /** How many triangles Space draws, once it draws no more than a while ago. */
    private static int drawnInSpace(Desk desk) {
        var last = -1;
        for (var now = 0; now != last || now == 0; ) {
            last = now;
            desk.page.waitForTimeout(2_000);
            now = Integer.parseInt(desk.page.getByTestId("space").getAttribute("data-triangles"));
        }
        return last;
    }

    /** A piece of which two stand, and which only stands in for what is made elsewhere. */
    private static Desk withStandIns(String site) {
        var desk = SharedApplication.desk().builtRoom(site);
        desk.post(
                desk.site() + "/piece-list",
                "{\"code\":\"PRP-TILL\",\"name\":\"till\",\"role\":\"PROP\",\"widthMm\":600,\"depthMm\":400,\"heightMm\":500,\"count\":2}");
        desk.post(
                desk.site() + "/piece-list/stand-ins",
                "{\"ids\":["
                        + desk.get(desk.site() + "/piece-list").findValue("id").asLong() + "]}");
        desk.setDown("PRP-TILL", 1000, 1000).setDown("PRP-TILL", 3000, 1000);
        return desk;
    }

    /** Four actions: the stand-in, Bring in a mesh, the file, in its place. Space shows it wherever it stands; a step takes it back. */
    @Test
    void aMeshOfOnesOwnTakesThePlaceOfAStandIn() {
        var desk = withStandIns("Till hall");
        var before = drawnInSpace(desk);
        workshop(desk);
        list(desk)
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("PRP-TILL"))
                .click();
        var block = drawn(desk, 0);
        choose(
                desk,
                "Bring in a mesh …",
                file("till.obj", box("body", "oak", 0.62, 0.3, 0.4, 0) + box("drawer", "brass", 0.5, 0.45, 0.3, 8)));
        assertThat(side(desk)).containsText("0.62 m × 0.4 m × 0.45 m");
        assertThat(side(desk)).containsText("Off whole steps by X +0.02 m, Z −0.05 m");
        assertThat(desk.field("Finish of oak").locator("option:checked")).hasText("timber");
        assertThat(side(desk)).containsText("Triangles24");
        // A block of 44 triangles beside the figure, then the mesh beside it.
        assertThat(drawn(desk, block)).isEqualTo(block - 44 + 24);
        FirstRoomTest.passesAxe(desk, "bring in");
        desk.button("Put it in place of PRP-TILL").click();
        assertThat(desk.page.getByLabel("Parts of the piece").getByRole(AriaRole.LISTITEM))
                .hasCount(2);
        assertThat(desk.page.getByLabel("The piece", new Page.GetByLabelOptions().setExact(true)))
                .containsText("2 by hand");
        desk.stage("Build");
        var piece = desk.piece("PRP-TILL");
        assertThat(desk.get(desk.site() + "/pieces/" + piece + "/bench")
                        .get("uses")
                        .get(0)
                        .get("count")
                        .asInt())
                .isEqualTo(2);
        // Two blocks with bevels of 44 triangles each became two boxes and two drawers of 12.
        desk.until(
                "t => Number(document.querySelector('[data-testid=space]').dataset.triangles) === t",
                before - 2 * 44 + 2 * 24);
        desk.press("Control+z");
        desk.until("t => Number(document.querySelector('[data-testid=space]').dataset.triangles) === t", before);
        desk.stage("Kit");
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Workshop"))
                .click();
        list(desk)
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("PRP-TILL"))
                .click();
        assertThat(desk.page.getByLabel("The piece", new Page.GetByLabelOptions().setExact(true)))
                .containsText("0.6 m × 0.4 m × 0.5 m");
    }

    /** A file in inches with a face turned, one doubled and a crack: told, set right by ticking, both ticked before the first is answered. */
    @Test
    void whatIsWrongWithAFileIsToldAndSetRight() {
        var desk = workshop(SharedApplication.desk().builtRoom("Faulty files"));
        // A block has twelve; with what is there twice it is two too many.
        var allowed = desk.get(desk.site() + "/tally").get("triangles").asLong() + 12;
        desk.patch(desk.site() + "/brief", "{\"budget\":{\"triangles\":" + allowed + "}}");
        var text = box("stool", "beech", 16, 18, 12, 0).replace("f 5 6 8 7", "f 7 8 6 5") + "f 3 7 8 4\nv 99 99 99\n";
        choose(desk, "Bring in …", file("stool.obj", text));
        assertThat(side(desk)).containsText("2 faces are there twice");
        assertThat(side(desk))
                .containsText("▲ With it the set has "
                        + String.format(Locale.ROOT, "%,d of the %,d triangles", allowed + 2, allowed));
        desk.page.getByLabel("One unit of the file is").selectOption("an inch");
        assertThat(side(desk)).containsText("0.4064 m × 0.3048 m × 0.4572 m");
        assertThat(side(desk)).containsText("2 faces look inward");
        assertThat(side(desk)).containsText("1 point that no face uses");
        desk.page.getByLabel("Turn faces outward").click();
        desk.page.getByLabel("Weld what nearly meets").click();
        assertThat(side(desk)).containsText("✓ 2 faces look inward");
        assertThat(side(desk)).containsText("✓ 2 faces are there twice");
        assertThat(side(desk))
                .containsText("✓ With it the set has "
                        + String.format(Locale.ROOT, "%,d of the %,d triangles", allowed, allowed));
        desk.page.getByLabel("Stretch it to whole steps").click();
        assertThat(side(desk)).containsText("0.4 m × 0.3 m × 0.5 m");
        desk.page.getByLabel("Up is").selectOption("its Z axis");
        assertThat(side(desk)).containsText("0.4 m × 0.5 m × 0.3 m");
        assertThat(side(desk)).containsText("Triangles12");
        desk.field("Name of the piece").fill("low stool");
        desk.page.getByLabel("Finish of beech").selectOption("paint");
        desk.button("Bring it in").click();
        assertThat(desk.page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("low stool");
        assertThat(desk.page.getByText(Pattern.compile("edges are not closed"))).hasCount(0);
        assertThat(desk.page.getByLabel("Parts of the piece")).containsText("paint");
        assertThat(desk.page.getByLabel("The piece", new Page.GetByLabelOptions().setExact(true)))
                .containsText("60 l");
    }

    /** Several files at once; one of them is left, the other is of two things of which one is taken. What cannot be read is refused with its fault. */
    @Test
    void severalFilesAreLookedAtOneByOne() {
        var desk = workshop(SharedApplication.desk().builtRoom("Several files"));
        choose(desk, "Bring in …", file("a.obj", "v 0 0 0\nv 1 0 0\nf 1 2 9\n"));
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("a face whose corners are not in it");
        choose(
                desk,
                "Bring in …",
                file("b.obj", box("urn", "slate", 0.4, 0.9, 0.4, 0)),
                file("c.obj", box("cup", "tile", 0.1, 0.1, 0.1, 0) + box("jug", "tile", 0.2, 0.3, 0.2, 8)));
        assertThat(side(desk).getByRole(AriaRole.HEADING).first()).hasText("b");
        desk.button("Leave it").click();
        assertThat(side(desk).getByRole(AriaRole.HEADING).first()).hasText("c");
        desk.page.getByLabel("Take cup").click();
        desk.button("Bring it in").click();
        assertThat(desk.page.getByLabel("Code", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("PRP-JUG");
        assertThat(list(desk)).not().containsText("PRP-CUP");
        assertThat(list(desk)).not().containsText("PRP-URN");
    }

    /** A file is called off while it is read; nothing of it is kept, and the page goes on. */
    @Test
    void readingIsCalledOff() {
        var desk = workshop(SharedApplication.desk().builtRoom("Called off"));
        // Held back, so that there is time to call it off.
        desk.page.route("**/deliveries?token=*", route -> {});
        choose(desk, "Bring in …", file("urn.obj", box("urn", "slate", 0.4, 0.9, 0.4, 0)));
        assertThat(desk.page.getByLabel("How far it is")).isVisible();
        desk.button("Cancel").click();
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("nothing was brought in");
        desk.page.unroute("**/deliveries?token=*");
        choose(desk, "Bring in …", file("urn.obj", box("urn", "slate", 0.4, 0.9, 0.4, 0)));
        assertThat(side(desk)).containsText("It is closed");
        // Left, the keyboard is where it came from.
        desk.button("Leave it").click();
        assertThat(side(desk)).isHidden();
        assertThat(desk.button("Bring in …")).isFocused();
    }

    /** The picture of a file lies on its piece, on a sheet of its own that is listed with the site's finishes; the piece is seen in it, and where it lies on it. */
    @Test
    void picturesOfAFileComeWithIt() throws IOException {
        var desk = workshop(SharedApplication.desk().builtRoom("Pictured files"));
        var picture = new BufferedImage(64, 64, BufferedImage.TYPE_INT_RGB);
        picture.createGraphics().fillRect(0, 0, 32, 64);
        var png = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", png);
        var obj =
                "mtllib sign.mtl\nv 0 0 0\nv 1 0 0\nv 1 0.5 0\nv 0 0.5 0\nvt 0 0\nvt 1 0\nvt 1 1\nvt 0 1\nusemtl board\nf 1/1 2/2 3/3 4/4\n";
        choose(
                desk,
                "Bring in …",
                file("sign.obj", obj),
                file("sign.mtl", "newmtl board\nmap_Kd board.png\n"),
                new FilePayload("board.png", "image/png", png.toByteArray()));
        assertThat(desk.page.getByLabel("Take its picture")).isChecked();
        desk.button("Bring it in").click();
        assertThat(desk.page.getByLabel("Parts of the piece").getByRole(AriaRole.LISTITEM))
                .containsText("board");
        // A picture of 64 pixels lies on a sheet of 256, those on 1 m, and on half of one.
        assertThat(desk.page.getByLabel("The piece", new Page.GetByLabelOptions().setExact(true)))
                .containsText("256 to 512 a metre");
        desk.button("On sheets").click();
        var sheet = desk.page.getByTestId("sheet-view");
        assertThat(sheet).hasAttribute("data-faces", "2");
        assertThat(sheet).hasAttribute("data-picture", "there");
        FirstRoomTest.passesAxe(desk, "on sheets");
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sheets"))
                .click();
        var finishes = desk.page.getByLabel("Finishes", new Page.GetByLabelOptions().setExact(true));
        assertThat(finishes).containsText("own pictures● in use");
        finishes.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("board"))
                .click();
        assertThat(desk.page.getByText("the whole sheet, whatever its size")).isVisible();
        assertThat(desk.page.getByText("1 m square, 256 pixels")).isVisible();
        // It is called otherwise, but not as another is; what is made of it says so too.
        desk.field("Name of the material").fill("Stone");
        desk.press("Enter");
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("Another material is called “Stone” already");
        assertThat(desk.field("Name of the material")).hasValue("board");
        desk.field("Name of the material").fill("enamel");
        desk.press("Enter");
        assertThat(finishes.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("enamel")))
                .isVisible();
        assertThat(desk.page.getByRole(AriaRole.ALERT)).isHidden();
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Workshop"))
                .click();
        list(desk)
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("PRP-SIGN"))
                .click();
        assertThat(desk.page.getByLabel("Parts of the piece").getByRole(AriaRole.LISTITEM))
                .containsText("enamel");
        desk.page
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sheets"))
                .click();
        assertThat(finishes).containsText("enamel");
        desk.press("Control+z", "Control+z");
        assertThat(finishes).not().containsText("own pictures");
        assertThat(finishes).not().containsText("enamel");
    }
}
