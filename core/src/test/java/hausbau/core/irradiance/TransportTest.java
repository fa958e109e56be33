package hausbau.core.irradiance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.light.Emitter;
import hausbau.core.light.Lamp;
import hausbau.core.light.Mood;
import hausbau.core.light.Rgb;
import hausbau.core.light.Sun;
import hausbau.core.light.Sunlight;
import hausbau.core.ray.RayScene;
import hausbau.core.ray.Triangles;
import hausbau.core.shape.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The light about a set, against the closed forms of radiative transfer. */
class TransportTest {

    private static final double[] STILL = {1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0};
    private static final Mood.Around DARK = new Mood.Around(List.of(), (x, y, z) -> Rgb.NONE, Rgb.NONE);

    /** A sky and a ground of this luminance. */
    private static Mood.Around bright(double luminance) {
        return new Mood.Around(List.of(), (x, y, z) -> Rgb.grey(luminance), Rgb.grey(luminance));
    }

    /** A rectangle by a corner and two sides; it faces along their cross product. */
    private static RayScene.Thing square(double... numbers) {
        var n = numbers;
        var c = new float[18];
        for (var k = 0; k < 3; k++) {
            var a = n[k];
            var u = n[3 + k];
            var v = n[6 + k];
            c[k] = (float) a;
            c[3 + k] = (float) (a + u);
            c[6 + k] = (float) (a + u + v);
            c[9 + k] = (float) a;
            c[12 + k] = (float) (a + u + v);
            c[15 + k] = (float) (a + v);
        }
        return new RayScene.Thing(new Triangles(c, new int[] {0, 0}), STILL);
    }

    /** A room from the origin, seen from inside. */
    private static List<RayScene.Thing> room(double w, double d, double h) {
        return new ArrayList<>(List.of(
                square(0, 0, 0, w, 0, 0, 0, d, 0),
                square(0, 0, h, 0, d, 0, w, 0, 0),
                square(0, 0, 0, 0, d, 0, 0, 0, h),
                square(w, 0, 0, 0, 0, h, 0, d, 0),
                square(0, 0, 0, 0, 0, h, w, 0, 0),
                square(0, d, 0, w, 0, 0, 0, 0, h)));
    }

    private static LitScene lit(List<RayScene.Thing> things, double albedo, Emitter... lamps) {
        return new LitScene(
                new RayScene(things),
                (thing, mark) -> Shine.of(Rgb.grey(albedo)),
                IntStream.range(0, lamps.length)
                        .mapToObj(i -> new LitScene.Shining(lamps[i], -1))
                        .toList());
    }

    private static int nearest(Grid grid, double x, double y, double z) {
        return IntStream.range(0, grid.size())
                .boxed()
                .min((a, b) -> Double.compare(square(grid, a, x, y, z), square(grid, b, x, y, z)))
                .orElseThrow();
    }

    private static double square(Grid g, int p, double x, double y, double z) {
        return Math.pow(g.xOf(p) - x, 2) + Math.pow(g.yOf(p) - y, 2) + Math.pow(g.zOf(p) - z, 2);
    }

    private static Transport of(LitScene lit, double spacing) {
        return Transport.of(lit, Grid.over(lit.scene().bounds(), spacing), share -> {});
    }

    /** A ball seen from inside. */
    private static RayScene.Thing ball(double radius, int rows) {
        var corners = new ArrayList<Point>();
        for (var i = 0; i < rows; i++) {
            for (var j = 0; j < 2 * rows; j++) {
                var a = onBall(radius, rows, i, j);
                var b = onBall(radius, rows, i, j + 1);
                var c = onBall(radius, rows, i + 1, j + 1);
                var d = onBall(radius, rows, i + 1, j);
                corners.addAll(List.of(a, b, c, a, c, d));
            }
        }
        var numbers = new float[3 * corners.size()];
        for (var i = 0; i < corners.size(); i++) {
            numbers[3 * i] = (float) corners.get(i).x();
            numbers[3 * i + 1] = (float) corners.get(i).y();
            numbers[3 * i + 2] = (float) corners.get(i).z();
        }
        return new RayScene.Thing(new Triangles(numbers, new int[corners.size() / 3]), STILL);
    }

    private static Point onBall(double radius, int rows, int i, int j) {
        var down = Math.PI * i / rows;
        var turn = Math.PI * j / rows;
        return new Point(Math.sin(down) * Math.cos(turn), Math.sin(down) * Math.sin(turn), Math.cos(down))
                .times(radius);
    }

    /**
     * A white furnace: in a closed room whose surfaces throw back a share a of what they get, a lamp that gives them E makes E / (1 - a)
     * (M. Cohen, J. Wallace, Radiosity and Realistic Image Synthesis, 1993: the sum over all bounces). In a ball about the lamp every place
     * of the surface gets the same.
     */
    @ParameterizedTest
    @ValueSource(doubles = {0.2, 0.5, 0.8})
    void aClosedRoomIsAsBrightAsTheSumOfAllBounces(double albedo) {
        var lumens = 1000;
        var lamp = new Emitter(
                Lamp.Kind.POINT, new Point(0, 0, 0), new Point(0, 0, -1), Rgb.grey(lumens / (4 * Math.PI)), 0, 1e6);
        var transport = of(lit(List.of(ball(2, 16)), albedo, lamp), 0.5);
        var volume = transport.in(DARK, 1);
        var straight = lumens / (4 * Math.PI * 4);
        // Without what comes straight from the lamp, which the volume does not hold.
        var bounced = straight * albedo / (1 - albedo);
        for (var x : new double[] {0, 1, 1.5}) {
            var at = volume.at(nearest(volume.grid(), x, 0, 0), 0, 0, 1);
            assertThat(at.g()).isCloseTo(bounced, Percentage.withPercentage(3));
        }
        assertThat(transport
                        .in(DARK, 0.5)
                        .at(nearest(volume.grid(), 0, 0, 0), 0, 0, 1)
                        .g())
                .isCloseTo(bounced / 2, Percentage.withPercentage(3));
    }

    /** The same furnace, heated by its own glow: surfaces of L make L / (1 - a), and every place gets π times that. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.5, 0.8})
    void aGlowingRoomIsAsBrightAsTheSumOfAllBounces(double albedo) {
        var lit = new LitScene(
                new RayScene(List.of(ball(2, 16))),
                (thing, mark) -> new Shine(Rgb.grey(albedo), new Rgb(100, 50, 0), Rgb.NONE),
                List.of());
        var at = of(lit, 0.5).in(DARK, 1);
        var middle = at.at(nearest(at.grid(), 0, 0, 0), 0, 0, 1);
        assertThat(middle.r()).isCloseTo(Math.PI * 100 / (1 - albedo), Percentage.withPercentage(2));
        assertThat(middle.g()).isCloseTo(middle.r() / 2, Percentage.withPercentage(0.1));
        assertThat(middle.b()).isZero();
    }

    /** Under glass that is black but for what passes, there is as much of each colour of the sky as passes: of one sheet once, of two twice. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void throughGlassComesWhatPasses(int sheets) {
        var passing = new Rgb(0.8, 0.5, 0.2);
        var panes = IntStream.range(0, sheets).mapToObj(i -> ball(2 + i, 16)).toList();
        var lit = new LitScene(
                new RayScene(List.of()),
                new RayScene(panes),
                (thing, mark) -> new Shine(Rgb.NONE, Rgb.NONE, passing),
                List.of());
        var volume = Transport.of(
                        lit, Grid.over(new float[] {-0.5f, -0.5f, -0.5f, 0.5f, 0.5f, 0.5f}, 0.25), share -> {})
                .in(bright(1000), 0);
        var sum = Rgb.NONE;
        for (var place = 0; place < volume.grid().size(); place++) {
            sum = sum.plus(volume.at(place, 0, 0, 1).times(1.0 / volume.grid().size()));
        }
        assertThat(sum.r()).isCloseTo(Math.PI * 1000 * Math.pow(0.8, sheets), Percentage.withPercentage(2));
        assertThat(sum.g()).isCloseTo(Math.PI * 1000 * Math.pow(0.5, sheets), Percentage.withPercentage(2));
        assertThat(sum.b()).isCloseTo(Math.PI * 1000 * Math.pow(0.2, sheets), Percentage.withPercentage(2));
    }

    /** Whatever lies in it, a place under a sky that is alike all around gets π times its luminance. */
    @Test
    void anOpenPlaceGetsPiTimesTheLuminanceOfTheSky() {
        var lit = lit(List.of(square(0, 0, 0, 0.1, 0, 0, 0, 0.1, 0)), 0.5);
        var volume = Transport.of(lit, Grid.over(new float[] {-3, -3, 0.5f, 3, 3, 3}, 1), share -> {})
                .in(bright(1000), 0);
        for (var place = 0; place < volume.grid().size(); place++) {
            assertThat(volume.at(place, 0, 0, 1).r()).isCloseTo(Math.PI * 1000, Percentage.withPercentage(2));
        }
    }

    /**
     * What faces a window gets the configuration factor of an element parallel to a rectangle: J. Howell, A Catalog of Radiation Configuration
     * Factors, B-4 (from memory), for each of the four quarters that it has before the middle. What turns its back to it gets nothing: all else is black.
     */
    @Test
    void aPlaceBeforeAWindowGetsItsConfigurationFactor() {
        // A window of 2 by 2 m in the middle of the wall y = 0 of a room of 6 by 6 by 3 m.
        var things = new ArrayList<>(List.of(
                square(0, 0, 0, 6, 0, 0, 0, 6, 0),
                square(0, 0, 3, 0, 6, 0, 6, 0, 0),
                square(0, 0, 0, 0, 6, 0, 0, 0, 3),
                square(6, 0, 0, 0, 0, 3, 0, 6, 0),
                square(0, 6, 0, 6, 0, 0, 0, 0, 3),
                square(0, 0, 0, 0, 0, 3, 2, 0, 0),
                square(4, 0, 0, 0, 0, 3, 2, 0, 0),
                square(2, 0, 2.5, 0, 0, 0.5, 2, 0, 0),
                square(2, 0, 0, 0, 0, 0.5, 2, 0, 0)));
        var volume = of(lit(things, 0), 0.25).in(bright(1000), 0);
        for (var far : new double[] {1.5, 2.5, 4}) {
            var d = Math.rint(far / 0.25) * 0.25 - 0.125;
            var a = 1 / d;
            var quarter = a / Math.hypot(1, a) * Math.atan(a / Math.hypot(1, a)) / Math.PI;
            var facing =
                    volume.at(nearest(volume.grid(), 3.125, d, 1.625), 0, -1, 0).g();
            assertThat(facing).isCloseTo(4 * quarter * Math.PI * 1000, Percentage.withPercentage(15));
            assertThat(volume.at(nearest(volume.grid(), 3.125, d, 1.625), 0, 1, 0)
                            .g())
                    .isLessThan(facing / 10);
        }
    }

    /** Sun on the floor of a room lights what does not see the sun: through a hole of 1 m² in the roof come as many lumens as it gets lux, times the sine. */
    @Test
    void sunOnTheFloorLightsTheCeiling() {
        var things = new ArrayList<>(room(4, 4, 3));
        things.remove(1);
        things.addAll(List.of(
                square(0, 0, 3, 0, 4, 0, 1.5, 0, 0),
                square(2.5, 0, 3, 0, 4, 0, 1.5, 0, 0),
                square(1.5, 0, 3, 0, 1.5, 0, 1, 0, 0),
                square(1.5, 2.5, 3, 0, 1.5, 0, 1, 0, 0)));
        var sun = new Mood.Around(
                List.of(new Sunlight.Beam(new Sun(0, 0, 1), Rgb.grey(50_000))), (x, y, z) -> Rgb.NONE, Rgb.NONE);
        var volume = of(lit(things, 0.5), 0.5).in(sun, 0);
        var ceiling = volume.at(nearest(volume.grid(), 2, 2, 2.75), 0, 0, -1).g();
        // A patch of 1 m² that throws back 25 000 lm, seen from 2.75 m above: at the axis of a disc of the same area
        // (r² = 1/π), E = M r² / (r² + h²).
        var r2 = 1 / Math.PI;
        var once = 25_000 * r2 / (r2 + 2.75 * 2.75);
        assertThat(ceiling).isBetween(once, 2.2 * once);
        assertThat(volume.at(nearest(volume.grid(), 0.25, 0.25, 2.75), 0, 0, -1).g())
                .isLessThan(ceiling);
    }

    /** A dark room beside a bright one stays dark, and its places know that they are walled off. */
    @Test
    void nothingComesThroughAWall() {
        var things = room(3, 3, 3);
        // The same room again, 300 mm further on.
        for (var thing : room(3, 3, 3)) {
            things.add(new RayScene.Thing(thing.triangles(), new double[] {1, 0, 0, 3.3, 0, 1, 0, 0, 0, 0, 1, 0}));
        }
        var lamp = new Emitter(Lamp.Kind.POINT, new Point(1.5, 1.5, 1.5), new Point(0, 0, -1), Rgb.grey(100), 0, 1e6);
        var volume = of(lit(things, 0.6, lamp), 0.5).in(DARK, 1);
        var grid = volume.grid();
        assertThat(volume.at(nearest(grid, 1.5, 1.5, 1.5), 1, 0, 0).g()).isPositive();
        for (var x : new double[] {3.6, 4.8, 6}) {
            assertThat(volume.at(nearest(grid, x, 1.5, 1.5), -1, 0, 0).g()).isZero();
        }
        var walled = IntStream.range(0, grid.size())
                .filter(p -> grid.xOf(p) < 3
                        && grid.xOf(p) + grid.spacing() > 3
                        && grid.yOf(p) > 0
                        && grid.yOf(p) < 3
                        && grid.zOf(p) > 0
                        && grid.zOf(p) < 3)
                .boxed()
                .toList();
        assertThat(walled).isNotEmpty().allMatch(p -> (volume.walls()[p] & 2) != 0);
    }

    @Test
    void theSameIsWorkedOutTwiceAndItCanBeCalledOff() {
        var lamp = new Emitter(Lamp.Kind.SPOT, new Point(1, 2, 2.5), new Point(0, 0, -1), Rgb.grey(100), 0.7, 8);
        var lit = lit(room(3, 4, 3), 0.5, lamp);
        assertThat(of(lit, 0.4).in(bright(3), 1).light())
                .isEqualTo(of(lit, 0.4).in(bright(3), 1).light());
        assertThatThrownBy(() -> Transport.of(lit, Grid.over(lit.scene().bounds(), 0.2), share -> {
                    throw new CancellationException();
                }))
                .isInstanceOf(CancellationException.class);
    }

    @Test
    void aLargeSetHasAsManyPlacesAsAreAllowed() {
        var grid = Grid.over(new float[] {0, 0, 0, 400, 400, 40}, 0.5);
        assertThat(grid.size()).isBetween(Grid.MOST / 3, Grid.MOST);
        assertThat(grid.beside(0, 0)).isEqualTo(-1);
        assertThat(grid.beside(0, 1)).isEqualTo(1);
        assertThat(grid.xOf(grid.nx())).isCloseTo(grid.x(), within(1e-9));
        assertThat(grid.yOf(grid.nx())).isCloseTo(grid.y() + grid.spacing(), within(1e-9));
    }
}
