package hausbau.core.takeoff;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nu.pattern.OpenCV;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.LUDecomposition;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfPoint2f;
import org.opencv.core.Point;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;

/** Planes seen in perspective, against OpenCV, the textbook direct linear transform, and Monte-Carlo runs. */
class PerspectiveTest {

    @BeforeAll
    static void loadOpenCv() {
        OpenCV.loadLocally();
    }

    static List<Pixel> pixels(double... xy) {
        var pixels = new ArrayList<Pixel>();
        for (var i = 0; i < xy.length; i += 2) {
            pixels.add(new Pixel(xy[i], xy[i + 1]));
        }
        return pixels;
    }

    /** A rectangle's corners, each moved by up to 150 pixels of 1000: every kind of view that is still convex. */
    private static List<Pixel> someView(Random random) {
        double[] square = {500, 1500, 1500, 1500, 1500, 500, 500, 500};
        for (var i = 0; i < 8; i++) {
            square[i] += random.nextDouble(-250, 250);
        }
        return pixels(square);
    }

    /**
     * The direct linear transform of R. Hartley and A. Zisserman, "Multiple View Geometry", 2nd ed., 4.1, with h33 = 1:
     * two rows a corner, solved by LU.
     */
    private static double[] directLinearTransform(List<Pixel> from, double w, double h) {
        double[][] to = {{0, 0}, {w, 0}, {w, h}, {0, h}};
        var a = new double[8][];
        var b = new double[8];
        for (var i = 0; i < 4; i++) {
            var x = from.get(i).x();
            var y = from.get(i).y();
            a[2 * i] = new double[] {x, y, 1, 0, 0, 0, -to[i][0] * x, -to[i][0] * y};
            a[2 * i + 1] = new double[] {0, 0, 0, x, y, 1, -to[i][1] * x, -to[i][1] * y};
            b[2 * i] = to[i][0];
            b[2 * i + 1] = to[i][1];
        }
        return new LUDecomposition(new Array2DRowRealMatrix(a))
                .getSolver()
                .solve(new ArrayRealVector(b))
                .toArray();
    }

    @RepeatedTest(40)
    void agreesWithTheDirectLinearTransformAndWithOpenCv(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var corners = someView(random);
        var plane = new Perspective(corners, mm(6500), mm(3000));
        var h = directLinearTransform(corners, 6500, 3000);
        var matrix = Imgproc.getPerspectiveTransform(
                new MatOfPoint2f(
                        corners.stream().map(c -> new Point(c.x(), c.y())).toArray(Point[]::new)),
                new MatOfPoint2f(new Point(0, 0), new Point(6500, 0), new Point(6500, 3000), new Point(0, 3000)));
        for (var i = 0; i < 20; i++) {
            var p = new Pixel(random.nextDouble(700, 1300), random.nextDouble(700, 1300));
            var here = plane.at(p);
            var w = h[6] * p.x() + h[7] * p.y() + 1;
            assertThat(here.x()).isCloseTo((h[0] * p.x() + h[1] * p.y() + h[2]) / w, within(1e-6));
            assertThat(here.y()).isCloseTo((h[3] * p.x() + h[4] * p.y() + h[5]) / w, within(1e-6));
            // OpenCV takes its corners in single precision: a ten-millionth of 2000 pixels, some millimetres wide each.
            var cv = over(matrix, p);
            assertThat(here.x()).isCloseTo(cv.x(), within(0.02));
            assertThat(here.y()).isCloseTo(cv.y(), within(0.02));
            assertThat(plane.pixelOf(here).x()).isCloseTo(p.x(), within(1e-7));
            assertThat(plane.pixelOf(here).y()).isCloseTo(p.y(), within(1e-7));
        }
    }

    private static PlanePoint over(Mat m, Pixel p) {
        var w = m.get(2, 0)[0] * p.x() + m.get(2, 1)[0] * p.y() + m.get(2, 2)[0];
        return new PlanePoint(
                (m.get(0, 0)[0] * p.x() + m.get(0, 1)[0] * p.y() + m.get(0, 2)[0]) / w,
                (m.get(1, 0)[0] * p.x() + m.get(1, 1)[0] * p.y() + m.get(1, 2)[0]) / w);
    }

    @Test
    void theCornersAreTheRectangle() {
        var corners = pixels(100, 900, 1200, 1000, 1100, 200, 150, 300);
        var plane = new Perspective(corners, mm(4000), mm(2500));
        double[][] rectangle = {{0, 0}, {4000, 0}, {4000, 2500}, {0, 2500}};
        for (var i = 0; i < 4; i++) {
            assertThat(plane.at(corners.get(i)).x()).isCloseTo(rectangle[i][0], within(1e-8));
            assertThat(plane.at(corners.get(i)).y()).isCloseTo(rectangle[i][1], within(1e-8));
        }
    }

    @Test
    void seenSquareOnItsConditionIsOneAndItGrowsTowardTheSide() {
        assertThat(new Perspective(pixels(0, 300, 400, 300, 400, 0, 0, 0), mm(4000), mm(3000)).condition())
                .isCloseTo(1, within(1e-9));
        var aside = new Perspective(pixels(0, 300, 100, 230, 100, 70, 0, 0), mm(4000), mm(3000)).condition();
        assertThat(aside).isGreaterThan(4);
    }

    /** Central differences of the map itself. */
    @RepeatedTest(10)
    void theJacobianIsTheDerivative(RepetitionInfo repetition) {
        var plane = new Perspective(someView(new Random(100 + repetition.getCurrentRepetition())), mm(6500), mm(3000));
        var p = new Pixel(930, 1040);
        var j = plane.jacobianAt(p);
        var e = 1e-4;
        var right = plane.at(new Pixel(p.x() + e, p.y()))
                .minus(plane.at(new Pixel(p.x() - e, p.y())))
                .times(1 / (2 * e));
        var down = plane.at(new Pixel(p.x(), p.y() + e))
                .minus(plane.at(new Pixel(p.x(), p.y() - e)))
                .times(1 / (2 * e));
        assertThat(j.xx()).isCloseTo(right.x(), within(1e-5));
        assertThat(j.yx()).isCloseTo(right.y(), within(1e-5));
        assertThat(j.xy()).isCloseTo(down.x(), within(1e-5));
        assertThat(j.yy()).isCloseTo(down.y(), within(1e-5));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            0 300 400 300 400 0 200 0      | 4000 | 3000 |
            0 300 400 300 400 300 0 0      | 4000 | 3000 | lie on one another
            0 300 200 300 400 300 0 0      | 4000 | 3000 | Three corners lie in a line
            0 300 400 300 0 0 400 0        | 4000 | 3000 | cross each other
            0 300 400 300 100 220 0 0      | 4000 | 3000 | lies inside the others
            0 0 400 0 400 300 0 300        | 4000 | 3000 | the wrong way round
            0 300 900 8 900 0 0 0          | 4000 | 3000 | so much from the side
            100 700 900 700 900 690 100 690 | 4000 | 3000 | a mere sliver
            0 300 400 300 400 0 200 0      | 0    | 3000 | above 0
            """)
    void whatIsNoRectangleIsRefusedWithTheReason(String corners, long width, long height, String reason) {
        var xy = Arrays.stream(corners.strip().split(" "))
                .mapToDouble(Double::parseDouble)
                .toArray();
        if (reason == null) {
            assertThat(new Perspective(pixels(xy), mm(width), mm(height)).condition())
                    .isPositive();
        } else {
            assertThatThrownBy(() -> new Perspective(pixels(xy), mm(width), mm(height)))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining(reason);
        }
    }

    @Test
    void aViewSquareOnIsTheViewThatOpenCvWarps() {
        var random = new Random(5);
        var picture = new Raster(160, 120);
        for (var i = 0; i < picture.rgb().length; i++) {
            // Slow waves: OpenCV reckons its samples in 1/32 of a pixel.
            var x = i % 160;
            var y = i / 160;
            picture.rgb()[i] = (int) (128 + 100 * Math.sin(x / 17.0) * Math.cos(y / 13.0)) * 0x010101;
        }
        var corners = pixels(20 + random.nextDouble(10), 100, 140, 110, 130, 15, 30, 25);
        var plane = new Perspective(corners, mm(100), mm(80));
        var view = Rectification.of(picture, plane, new PlanePoint(0, 0), new PlanePoint(100, 80), 1);
        var source = new Mat(120, 160, CvType.CV_8UC1);
        for (var i = 0; i < picture.rgb().length; i++) {
            source.put(i / 160, i % 160, picture.rgb()[i] & 0xFF);
        }
        // OpenCV counts from the middles of pixels, so every corner is half a pixel less.
        var matrix = Imgproc.getPerspectiveTransform(
                new MatOfPoint2f(corners.stream()
                        .map(c -> new Point(c.x() - 0.5, c.y() - 0.5))
                        .toArray(Point[]::new)),
                new MatOfPoint2f(
                        new Point(-0.5, 79.5), new Point(99.5, 79.5), new Point(99.5, -0.5), new Point(-0.5, -0.5)));
        var warped = new Mat();
        Imgproc.warpPerspective(source, warped, matrix, new Size(100, 80), Imgproc.INTER_LINEAR);
        for (var i = 0; i < view.rgb().length; i++) {
            assertThat((double) (view.rgb()[i] & 0xFF))
                    .as("pixel %d", i)
                    .isCloseTo(warped.get(i / 100, i % 100)[0], within(3.0));
        }
    }

    /** Known sizes through the project's own camera, picked with an error of a pixel: 95 of 100 within twice the deviation. */
    @Test
    void aSetOfKnownSizeMeasuresBackWithinWhatItStates() {
        var camera =
                new Camera(Vec.ofMillimetres(1500, -6000, 1700), Vec.ofMillimetres(4000, 0, 1400), 28, 36, 1600, 1000);
        var exact = Rendering.corners(camera, Vec.ofMillimetres(1000, 0, 0), Vec.ofMillimetres(5000, 0, 0), 3_000_000);
        var a = camera.see(Vec.ofMillimetres(2200, 0, 900)).pixel();
        var b = camera.see(Vec.ofMillimetres(3800, 0, 2100)).pixel();
        var truth = Math.hypot(1600, 1200);
        var random = new Random(11);
        var within = 0;
        for (var i = 0; i < 2000; i++) {
            var plane = new Perspective(exact.stream().map(p -> off(p, random)).toList(), mm(4000), mm(3000));
            var measured = new Measuring(plane, 1).length(off(a, random), off(b, random));
            within += Math.abs(measured.value() - truth) <= 2 * measured.deviation() ? 1 : 0;
        }
        // 95.4 % of a normal distribution lies within two deviations; 2000 draws of that stray by 0.5 %.
        assertThat(within / 2000.0).isBetween(0.935, 0.975);
    }

    static Pixel off(Pixel p, Random random) {
        return new Pixel(p.x() + random.nextGaussian(), p.y() + random.nextGaussian());
    }
}
