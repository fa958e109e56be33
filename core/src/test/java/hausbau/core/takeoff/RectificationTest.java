package hausbau.core.takeoff;

import static hausbau.core.TestSets.mm;
import static hausbau.core.takeoff.PerspectiveTest.pixels;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Refused;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RectificationTest {

    private static final int PAPER = 0xF4F1EA;

    /** Four pixels in a row: 0, 100, 200 and 40 of grey. */
    private static Raster row() {
        return new Raster(4, 1, new int[] {0, 100 * 0x010101, 200 * 0x010101, 40 * 0x010101});
    }

    /** Middles of pixels lie at halves; between them the grey is in proportion, beyond the last middle it stays. */
    @ParameterizedTest
    @CsvSource({"0.5, 0", "1.5, 100", "1.0, 50", "2.75, 160", "0.1, 0", "3.9, 40"})
    void betweenTwoPixelsTheColourIsInProportion(double x, int grey) {
        assertThat(row().sample(x, 0.5) & 0xFF).isEqualTo(grey);
    }

    @Test
    void outsideThePictureThereIsNothing() {
        assertThat(row().sample(-0.01, 0.5)).isEqualTo(-1);
        assertThat(row().sample(4.01, 0.5)).isEqualTo(-1);
        assertThat(row().sample(Double.NaN, 0.5)).isEqualTo(-1);
    }

    @Test
    void aPictureTakenSquareOnComesOutAsItIs() {
        var picture = new Raster(8, 6);
        for (var i = 0; i < 48; i++) {
            picture.rgb()[i] = i * 0x030201;
        }
        var plane = new Flat(new Pixel(0, 6), new Pixel(8, 6), mm(8));
        var view = Rectification.of(picture, plane, new PlanePoint(0, 0), new PlanePoint(8, 6), 1);
        assertThat(view.rgb()).isEqualTo(picture.rgb());
    }

    @Test
    void whatLiesBeyondThePictureIsPaper() {
        var plane = new Flat(new Pixel(0, 1), new Pixel(8, 1), mm(8));
        var view = Rectification.of(row(), plane, new PlanePoint(-2, 0), new PlanePoint(6, 1), 1);
        assertThat(view.width()).isEqualTo(8);
        assertThat(view.rgb()[0]).isEqualTo(PAPER);
        assertThat(view.rgb()[3] & 0xFF).isEqualTo(100);
        assertThat(view.rgb()[7]).isEqualTo(PAPER);
    }

    /** Beyond the horizon of a floor there is no picture of it, though the formula would give a pixel. */
    @Test
    void beyondTheHorizonIsPaper() {
        var floor = new Perspective(pixels(100, 300, 300, 300, 230, 200, 170, 200), mm(1000), mm(1000));
        var picture = new Raster(400, 400);
        Arrays.fill(picture.rgb(), 0x112233);
        var view = Rectification.of(picture, floor, new PlanePoint(0, 0), new PlanePoint(1000, 100_000), 500);
        assertThat(view.rgb()[view.rgb().length - 2]).isEqualTo(0x112233);
        assertThat(floor.isBefore(new PlanePoint(500, 0))).isTrue();
        // Seen from above, the plane goes on to its horizon; behind the camera it does not.
        assertThat(floor.isBefore(new PlanePoint(500, -1_000_000))).isFalse();
        var behind =
                Rectification.of(picture, floor, new PlanePoint(0, -1_000_000), new PlanePoint(1000, -999_000), 500);
        assertThat(behind.rgb()).containsOnly(PAPER);
    }

    @Test
    void aViewOfNothingOrOfTooMuchIsRefused() {
        var plane = new Flat(new Pixel(0, 1), new Pixel(8, 1), mm(8));
        assertThatThrownBy(() -> Rectification.of(row(), plane, new PlanePoint(0, 0), new PlanePoint(0.1, 9), 1))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> Rectification.of(row(), plane, new PlanePoint(0, 0), new PlanePoint(9000, 9000), 1))
                .hasMessageContaining("16 million");
    }

    @Test
    void theRectangleOfTwoCornersIsUprightInThePlane() {
        var wall = new Perspective(pixels(210, 860, 1330, 980, 1250, 190, 260, 280), mm(4000), mm(2500));
        var corners = wall.rectangle(new Pixel(500, 700), new Pixel(1000, 400));
        assertThat(corners.get(0)).isEqualTo(new Pixel(500, 700));
        assertThat(wall.at(corners.get(1)).x())
                .isCloseTo(wall.at(corners.get(2)).x(), within(1e-6));
        assertThat(wall.at(corners.get(1)).y())
                .isCloseTo(wall.at(corners.get(0)).y(), within(1e-6));
        assertThat(wall.at(corners.get(3)).x())
                .isCloseTo(wall.at(corners.get(0)).x(), within(1e-6));
        var extent = Rectification.extent(wall, corners);
        assertThat(extent.get(1).x() - extent.get(0).x())
                .isCloseTo(
                        new Measuring(wall, 1)
                                .width(corners.get(0), corners.get(2))
                                .value(),
                        within(1e-6));
    }
}
