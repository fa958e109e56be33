package hausbau.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Box;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Against the rule of perspective by hand, and against rays that share no code with it (Möller and Trumbore, 1997). */
class DepthPictureTest {

    private static final double[] AS_IT_IS = {1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0};
    private static final double ALL = Double.POSITIVE_INFINITY;

    /** From the origin to the north; 90 degrees upward. */
    private static Viewpoint north() {
        return new Viewpoint(new Point(0, 0, 0), new Point(0, 1000, 0), 90);
    }

    private Mesh mesh(double[] positions) {
        var indices = IntStream.range(0, positions.length / 3).toArray();
        return new Mesh(
                positions,
                new double[positions.length],
                new double[positions.length / 3 * 2],
                List.of(new Mesh.Part(Swatch.STONE, indices)));
    }

    /** Upright at a distance to the north, seen from the front. */
    private Mesh square(double x0, double z0, double x1, double z1, double y) {
        return mesh(new double[] {x0, y, z0, x1, y, z0, x1, y, z1, x0, y, z0, x1, y, z1, x0, y, z1});
    }

    private static long pixels(DepthPicture picture, int id) {
        return IntStream.range(0, picture.width() * picture.height())
                .filter(i -> picture.thing(i % picture.width(), i / picture.width()) == id)
                .count();
    }

    @Test
    void whatIsTwiceAsFarIsHalfAsLarge() {
        var picture = new DepthPicture(north(), 200, 200, ALL);
        // At 90 degrees the picture is as high as twice the distance: a metre at 2 m is a quarter of 200 pixels.
        picture.draw(square(0, 0, 1000, 1000, 2000), AS_IT_IS, 1);
        picture.draw(square(-1000, -1000, 0, 0, 4000), AS_IT_IS, 2);
        assertThat(pixels(picture, 1)).isEqualTo(50 * 50);
        assertThat(pixels(picture, 2)).isEqualTo(25 * 25);
        assertThat(picture.thing(100, 99))
                .as("to the right of the middle and above it")
                .isEqualTo(1);
        assertThat(picture.thing(99, 100)).isEqualTo(2);
        assertThat(picture.depth(110, 90)).isCloseTo(2000, within(0.01));
        assertThat(picture.normal(110, 90)).isEqualTo(new Point(0, -1, 0));
        assertThat(picture.isFromBehind(110, 90)).isFalse();
    }

    @Test
    void aMirroredThingIsSeenFromTheSameSide() {
        var picture = new DepthPicture(north(), 100, 100, ALL);
        picture.draw(square(0, 0, 1000, 1000, 2000), new double[] {-1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0}, 1);
        assertThat(picture.thing(49, 49)).isEqualTo(1);
        assertThat(picture.thing(50, 49)).isZero();
        assertThat(picture.isFromBehind(49, 49)).isFalse();
    }

    @Test
    void nothingAboveTheCutIsThere() {
        var picture = new DepthPicture(north(), 200, 200, 500);
        picture.draw(square(0, 0, 1000, 1000, 2000), AS_IT_IS, 1);
        assertThat(pixels(picture, 1)).isEqualTo(50 * 25);
    }

    @Test
    void insideABoxOneSeesItAllAroundAndFromBehind() {
        var floor = new double[] {
            -900, -900, -900, 900, -900, -900, 900, 900, -900, -900, -900, -900, 900, 900, -900, -900, 900, -900
        };
        var picture = new DepthPicture(new Viewpoint(new Point(0, 0, 0), new Point(0, 1000, 0), 110), 100, 100, ALL);
        picture.draw(square(-900, -900, 900, 900, 900), AS_IT_IS, 1);
        picture.draw(mesh(floor), AS_IT_IS, 2);
        // The floor runs under the eye and behind it; the wall meets it at 45 degrees, and the picture goes to 55.
        assertThat(picture.thing(50, 99)).isEqualTo(2);
        assertThat(picture.thing(50, 40)).isEqualTo(1);
        var below = new DepthPicture(new Viewpoint(new Point(0, 0, 0), new Point(0, 10, -1000), 60), 100, 100, ALL);
        below.draw(mesh(floor), AS_IT_IS, 2);
        assertThat(pixels(below, 2)).isEqualTo(100 * 100);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void eachPixelIsWhatARayThroughItsMiddleMeetsFirst(long seed) {
        var random = new Random(seed);
        var from = new Viewpoint(
                new Point(random.nextInt(-500, 500), -3000, random.nextInt(-500, 500)), new Point(0, 0, 0), 50);
        var triangles = IntStream.range(0, 60)
                .mapToObj(i -> random.doubles(9, -1500, 1500).toArray())
                .toList();
        var picture = new DepthPicture(from, 90, 60, ALL);
        for (var i = 0; i < triangles.size(); i++) {
            picture.draw(mesh(triangles.get(i)), AS_IT_IS, i + 1);
        }
        var differ = 0;
        for (var y = 0; y < 60; y++) {
            for (var x = 0; x < 90; x++) {
                differ += picture.thing(x, y) == first(from, ray(from, x + 0.5, y + 0.5), triangles) ? 0 : 1;
            }
        }
        // A middle that lies on a side may be counted either way.
        assertThat(differ).as("seed %d", seed).isLessThanOrEqualTo(2);
    }

    private static Point ray(Viewpoint from, double x, double y) {
        var half = Math.tan(Math.toRadians(25));
        return from.forward()
                .plus(from.right().times((x - 45) / 30 * half))
                .plus(from.up().times((30 - y) / 30 * half));
    }

    private static int first(Viewpoint from, Point way, List<double[]> triangles) {
        var nearest = Double.POSITIVE_INFINITY;
        var found = 0;
        for (var i = 0; i < triangles.size(); i++) {
            var t = triangles.get(i);
            var a = new Point(t[0], t[1], t[2]);
            var ab = new Point(t[3], t[4], t[5]).minus(a);
            var ac = new Point(t[6], t[7], t[8]).minus(a);
            var p = way.cross(ac);
            var s = from.eye().minus(a);
            var u = s.dot(p) / ab.dot(p);
            var q = s.cross(ab);
            var v = way.dot(q) / ab.dot(p);
            var far = ac.dot(q) / ab.dot(p);
            if (u >= 0 && v >= 0 && u + v <= 1 && far > 10 && far < nearest) {
                nearest = far;
                found = i + 1;
            }
        }
        return found;
    }

    /** All corners of a box are in the picture, and one touches its margin. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void aViewOntoABoxShowsAllOfItAndNoMoreThanThat(long seed) {
        var random = new Random(seed);
        var box = Box.of(
                -1_000_000,
                2_000_000,
                0,
                random.nextLong(0, 9_000_000),
                random.nextLong(3_000_000, 20_000_000),
                3_000_000);
        var from = Viewpoint.onto(box, new Point(-1, -0.5 - random.nextDouble(), 0.8), 40, 1.5, 0.05);
        var half = Math.tan(Math.toRadians(20));
        var outermost = IntStream.range(0, 8)
                .mapToObj(i -> new Point(
                        (i & 1) == 0 ? box.min().x() / 1000.0 : box.max().x() / 1000.0,
                        (i & 2) == 0 ? box.min().y() / 1000.0 : box.max().y() / 1000.0,
                        (i & 4) == 0 ? box.min().z() / 1000.0 : box.max().z() / 1000.0))
                .map(corner -> corner.minus(from.eye()))
                .mapToDouble(c -> Math.max(
                        Math.abs(c.dot(from.right())) / c.dot(from.forward()) / half / 1.5,
                        Math.abs(c.dot(from.up())) / c.dot(from.forward()) / half))
                .max()
                .orElseThrow();
        assertThat(outermost).as("seed %d", seed).isCloseTo(0.9, within(1e-9));
    }
}
