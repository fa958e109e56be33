package hausbau.core.takeoff;

import static hausbau.core.TestSets.mm;
import static hausbau.core.takeoff.PerspectiveTest.pixels;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;

class StampTest {

    private static final PlaneMap WALL =
            new Perspective(pixels(210, 860, 1330, 980, 1250, 190, 260, 280), mm(4000), mm(2500));

    @Test
    void farOffItIsSmallerOnThePictureAndAsLargeOnTheWall() {
        var shape = pixels(900, 800, 1100, 500);
        var stamped = Stamp.at(shape, Optional.of(WALL), new Pixel(400, 600));
        var first = new Measuring(WALL, 1);
        assertThat(first.width(stamped.get(0), stamped.get(1)).value())
                .isCloseTo(first.width(shape.get(0), shape.get(1)).value(), within(1e-6));
        assertThat(first.height(stamped.get(0), stamped.get(1)).value())
                .isCloseTo(first.height(shape.get(0), shape.get(1)).value(), within(1e-6));
        assertThat(Math.abs(stamped.get(1).x() - stamped.get(0).x())).isLessThan(200);
        var middle = WALL.at(new Pixel(400, 600));
        assertThat((WALL.at(stamped.get(0)).x() + WALL.at(stamped.get(1)).x()) / 2)
                .isCloseTo(middle.x(), within(1e-6));
    }

    @Test
    void withoutAPlaneItIsAsLargeOnThePicture() {
        assertThat(Stamp.at(pixels(0, 0, 10, 20), Optional.empty(), new Pixel(105, 210)))
                .isEqualTo(pixels(100, 200, 110, 220));
    }

    @Test
    void theGridFollowsThePlaneAndKeepsItsLinesFew() {
        var grid = PlaneGrid.of(WALL, 1600, 1000, mm(10));
        assertThat(grid.pitch().um() % 10_000).isZero();
        assertThat(grid.lines().size()).isBetween(20, 122);
        assertThat(grid.lines()).allSatisfy(line -> {
            // Every line is one of the plane's own: along it, one coordinate is the same whole number of pitches.
            var a = WALL.at(line.from());
            var b = WALL.at(line.to());
            var upright = Math.abs(a.x() - b.x()) < 1e-3;
            var at = (upright ? a.x() : a.y()) / (grid.pitch().um() / 1000.0);
            assertThat(at).isCloseTo(Math.rint(at), within(1e-4));
            assertThat(upright || Math.abs(a.y() - b.y()) < 1e-3).isTrue();
        });
    }
}
