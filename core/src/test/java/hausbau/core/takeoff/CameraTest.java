package hausbau.core.takeoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.TestSets;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import java.util.List;
import org.junit.jupiter.api.Test;

class CameraTest {

    private static final Camera NORTHWARD =
            new Camera(Vec.ofMillimetres(0, -5000, 1500), Vec.ofMillimetres(0, 0, 1500), 28, 36, 1600, 1000);

    @Test
    void whatItLooksAtIsInTheMiddle() {
        var seen = NORTHWARD.see(Vec.ofMillimetres(0, 0, 1500));
        assertThat(seen.pixel().x()).isCloseTo(800, within(1e-9));
        assertThat(seen.pixel().y()).isCloseTo(500, within(1e-9));
        assertThat(seen.depth()).isCloseTo(5000, within(1e-9));
    }

    /** 28 mm on a 36 mm gate is 65.47°: half the picture is tan(32.74°) = 18/28 of the distance. From the trade's table. */
    @Test
    void theEdgeOfThePictureIsHalfTheFieldOfViewAway() {
        assertThat(2 * Math.toDegrees(Math.atan(36 / (2 * 28.0)))).isCloseTo(65.47, within(0.005));
        var edge = NORTHWARD.see(5000 * 18 / 28.0, 0, 1500);
        assertThat(edge.pixel().x()).isCloseTo(1600, within(1e-9));
    }

    @Test
    void eastIsRightAndUpIsUp() {
        assertThat(NORTHWARD.see(Vec.ofMillimetres(1000, 0, 1500)).pixel().x()).isGreaterThan(800);
        assertThat(NORTHWARD.see(Vec.ofMillimetres(0, 0, 2500)).pixel().y()).isLessThan(500);
        assertThat(NORTHWARD.see(Vec.ofMillimetres(0, -6000, 1500)).depth()).isNegative();
    }

    /** A block of 2 × 1 × 1 m before the camera covers the pixels that its front face projects to, and hides what is behind. */
    @Test
    void aPictureShowsTheNearestSurface() {
        var front = TestSets.standing(1, TestSets.block(2000, 1000, 1000), -1000, 0, 1000);
        var behind = TestSets.standing(2, TestSets.block(200, 200, 3000), -100, 3000, 0);
        var alone = Rendering.of(NORTHWARD, List.of(front), Finish.ofDensity(256));
        var both = Rendering.of(NORTHWARD, List.of(behind, front), Finish.ofDensity(256));
        var sky = alone.rgb()[0];
        // 28/36 · 1600 / 5000 pixels a millimetre at the face: 497.8 × 248.9 pixels about the middle.
        var pixels = 28 / 36.0 * 1600 / 5;
        for (var x = 0; x < 1600; x += 7) {
            var inside = Math.abs(x + 0.5 - 800) < pixels - 2;
            var outside = Math.abs(x + 0.5 - 800) > pixels + 2;
            var colour = alone.rgb()[500 * 1600 + x];
            if (inside || outside) {
                assertThat(colour != sky).as("column %d", x).isEqualTo(inside);
            }
        }
        assertThat(both.rgb()[500 * 1600 + 800]).isEqualTo(alone.rgb()[500 * 1600 + 800]);
        assertThat(both.rgb()[320 * 1600 + 800]).isNotEqualTo(sky);
    }
}
