package hausbau.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.function.DoublePredicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The light that a set is judged in. */
@ExtendWith(SharedApplication.class)
class MoodsTest {

    /** How bright the middle of Space is, 0 to 1. */
    private static double brightness(Desk desk) {
        return ((Number)
                        desk.page.evaluate(
                                """
                        () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => {
                            const canvas = document.querySelector('[data-testid=space] canvas')
                            const small = document.createElement('canvas')
                            small.width = small.height = 16
                            const to = small.getContext('2d')
                            to.drawImage(canvas, canvas.width * 0.35, canvas.height * 0.35, canvas.width * 0.3, canvas.height * 0.3, 0, 0, 16, 16)
                            const d = to.getImageData(0, 0, 16, 16).data
                            let sum = 0
                            for (let i = 0; i < d.length; i += 4) sum += d[i] + d[i + 1] + d[i + 2]
                            done(sum / (256 * 3 * 255))
                        })))
                        """))
                .doubleValue();
    }

    /** How bright it is as soon as that is so: a picture takes as long as the machine needs. */
    private static double brightnessOnce(Desk desk, DoublePredicate isSo) {
        var until = System.nanoTime() + (long) (Desk.SLOW * 1e6);
        var now = brightness(desk);
        while (!isSo.test(now)) {
            assertThat(System.nanoTime()).as("it stays %s bright", now).isLessThan(until);
            desk.page.waitForTimeout(200);
            now = brightness(desk);
        }
        return now;
    }

    /** How bright it is once all that it shows has come: light is worked out meanwhile, coarsely and then finely. */
    private static double settled(Desk desk) {
        var now = brightness(desk);
        for (var alike = 0; alike < 4; alike++) {
            desk.page.waitForTimeout(1_500);
            var next = brightness(desk);
            alike = Math.abs(next - now) < 0.002 ? alike : -1;
            now = next;
        }
        return now;
    }

    /** One click, by what is seen: and the picture is another. */
    @Test
    void aHallIsSeenByDayAndByNight() {
        var desk = SharedApplication.drawnDesk().hall("Moody");
        desk.group("Light").button("Finished", true).click();
        desk.mood("clear morning");
        desk.waitFor("[data-testid=space][data-look=finished]");
        desk.page.waitForTimeout(3_000);
        var day = brightness(desk);
        desk.mood("night with lamps");
        var night = brightnessOnce(desk, b -> b < 0.8 * day);
        desk.button("Set the mood").click();
        desk.type("Picture: exposure, typed", "-6");
        brightnessOnce(desk, b -> b > 1.2 * night);
        measured(desk);
    }

    /** The meter tells the light under the pointer, and each band of brightness has its colour. */
    private static void measured(Desk desk) {
        desk.group("Light").button("Meter").click();
        desk.closeGroups();
        var space = desk.page.getByTestId("space").boundingBox();
        desk.page.mouse().move(space.x + space.width / 2, space.y + space.height / 2);
        assertThat(desk.page.getByTestId("meter")).containsText("cd/m²");
        var before = brightness(desk);
        desk.press("b");
        assertThat(desk.page.getByText("EV from middle grey")).isVisible();
        brightnessOnce(desk, b -> Math.abs(b - before) > 0.02);
        desk.press("b");
        assertThat(desk.page.getByText("EV from middle grey")).isHidden();
    }

    /** Three of them before the server has answered one: the last one stands, and each is taken back by itself. */
    @Test
    void moodsAreChosenFastAndTakenBack() {
        var desk = SharedApplication.desk().hall("Fast moods");
        desk.group("Light");
        for (var name : new String[] {"overcast", "night with lamps", "low and warm"}) {
            desk.page
                    .getByRole(
                            AriaRole.RADIO,
                            new Page.GetByRoleOptions().setName(name).setExact(true))
                    .click();
        }
        desk.waitFor("[data-testid=space][data-mood='low and warm']");
        desk.page.reload();
        desk.waitFor("[data-testid=space][data-mood='low and warm']");
        desk.press("Control+z");
        desk.waitFor("[data-testid=space][data-mood='night with lamps']");
        desk.press("Control+z", "Control+z");
        desk.waitFor("[data-testid=space][data-mood=even]");
    }

    @Test
    void whatIsRefusedIsSaidAtItsValueAndACopyIsNamed() {
        var desk = SharedApplication.desk().hall("Set moods");
        desk.group("Light").mood("clear morning");
        desk.button("Set the mood").click();
        desk.type("Sun: day of the year, typed", "400");
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("from 1 to 365");
        desk.button("Copy mood").click();
        desk.waitFor("[data-testid=space][data-mood='clear morning 2']");
        desk.type("Name of the mood", "first frost");
        desk.waitFor("[data-testid=space][data-mood='first frost']");
        desk.button("Take away").click();
        desk.waitFor("[data-testid=space][data-mood=even]");
    }

    /** A lamp lights the hall by night, as it is told in the Workshop, and dimmed by hand it does not. */
    @Test
    void aLampLightsTheHallAndIsDimmed() {
        var desk = SharedApplication.drawnDesk().hall("Lamplit");
        desk.group("Light").button("Finished", true).click();
        desk.mood("night with lamps");
        desk.waitFor("[data-testid=space][data-look=finished][data-bounced='500']");
        desk.closeGroups();
        desk.setDown("PRP-LAMP", 2_500, 2_000);
        desk.waitFor("[data-testid=space][data-lamps='1']");
        desk.type("Lamps in percent", "0");
        desk.waitFor("[data-testid=space][data-lamps='0']");
        var dark = settled(desk);
        desk.handsOff();
        desk.press("Control+z");
        desk.waitFor("[data-testid=space][data-lamps='1']");
        brightnessOnce(desk, b -> b > 1.15 * dark);
        desk.page.navigate(desk.page.url().replaceAll("/build.*", "/kit/workshop/" + desk.piece("PRP-LAMP")));
        var lamp = desk.page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Lamp 1"));
        lamp.getByLabel("Light, lm").fill("20000");
        lamp.getByLabel("Colour, K").fill("4000");
        lamp.getByLabel("Reach, m").fill("12");
        lamp.getByLabel("Reach, m").press("Enter");
        desk.until(
                "() => fetch('" + desk.site()
                        + "/light/lamps').then((a) => a.json()).then((l) => l.emitters[0].reachM === 12 && l.emitters[0].candela.g > 1000)",
                null);
        lamp.getByLabel("Light, lm").fill("-3");
        lamp.getByLabel("Light, lm").press("Enter");
        assertThat(desk.page.getByRole(AriaRole.ALERT)).containsText("from 0 to 1000000");
    }
}
