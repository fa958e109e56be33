package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Laying;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;
import hausbau.core.shape.Swatch;
import hausbau.core.shape.Unwrapped;
import hausbau.core.shape.WearMask;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import org.junit.jupiter.api.Test;

/** What is painted at places of the surface, against how far they are from edges and foot by their coordinates. */
class WearMaskTest {

    private static final Vec SIZE = Vec.ofMillimetres(400, 300, 1000);

    private static hausbau.core.shape.Mesh sharp(Form form) {
        return bevelled(form, new Part.Edge(Length.ZERO, 1));
    }

    private static hausbau.core.shape.Mesh bevelled(Form form, Part.Edge edge) {
        return Meshes.of(
                new Part(
                        "",
                        Swatch.STONE,
                        Optional.of(edge),
                        form,
                        Vec.ZERO,
                        Part.Turning.NONE,
                        Copies.ONE,
                        Part.Taper.NONE,
                        false,
                        false,
                        Laying.AS_IT_LIES),
                1);
    }

    private static Outline.Corner at(long x, long y) {
        return new Outline.Corner(1000 * x, 1000 * y, 0);
    }

    private interface Painted {
        /** @param edge and @param foot as painted, 0 to 1 */
        void at(Point place, double edge, double foot);
    }

    /** Looks at many places of the surface. */
    private static void look(Mesh mesh, Painted painted) {
        var un = Unwrapped.of(mesh);
        var mask = WearMask.of(un);
        var random = new Random(3);
        for (var i = 0; i < 20_000; i++) {
            var part = un.mesh().parts().get(0);
            var t = 3 * random.nextInt(part.indices().length / 3);
            var b = random.nextDouble();
            var c = (1 - b) * random.nextDouble();
            var place = new Point(0, 0, 0);
            var u = 0.0;
            var v = 0.0;
            var share = new double[] {1 - b - c, b, c};
            for (var k = 0; k < 3; k++) {
                var corner = part.indices()[t + k];
                place = place.plus(un.mesh().position(corner).times(share[k]));
                u += share[k] * un.light()[2 * corner];
                v += share[k] * un.light()[2 * corner + 1];
            }
            var pixel = mask.pixels()[(int) (v * mask.side()) * mask.side() + (int) (u * mask.side())];
            painted.at(place, (pixel >> 16 & 255) / 255.0, (pixel >> 8 & 255) / 255.0);
        }
    }

    private static double share(double away, double reach) {
        return Math.max(0, 1 - away / reach);
    }

    /** Two pixels of some 4 mm, and what a byte rounds off. */
    private static final double NEAR = 9;

    @Test
    void aBlockWearsAtAllItsEdgesAndAtItsFoot() {
        ToDoubleFunction<Point> away = p -> {
            // The least of the three is that of the face which the place lies on; the next is that of the nearest edge.
            var of = new double[] {
                Math.min(p.x(), 400 - p.x()), Math.min(p.y(), 300 - p.y()), Math.min(p.z(), 1000 - p.z())
            };
            Arrays.sort(of);
            return of[1];
        };
        look(sharp(new Form.Block(SIZE)), (place, edge, foot) -> {
            assertThat(edge)
                    .as("edge at %s", place)
                    .isBetween(
                            share(away.applyAsDouble(place) + NEAR, WearMask.EDGE),
                            share(away.applyAsDouble(place) - NEAR, WearMask.EDGE));
            assertThat(foot)
                    .as("foot at %s", place)
                    .isBetween(share(place.z() + NEAR, WearMask.FOOT), share(place.z() - NEAR, WearMask.FOOT));
        });
    }

    /** The corner that an L folds inward at is not knocked: its upright there stays as it is. */
    @Test
    void anInnerCornerDoesNotWear() {
        var ell = new Outline(List.of(at(0, 0), at(400, 0), at(400, 150), at(150, 150), at(150, 400), at(0, 400)));
        var seen = new int[2];
        look(sharp(new Form.Prism(ell, List.of(), 600_000)), (place, edge, foot) -> {
            var isMiddle = place.z() > 100 && place.z() < 500;
            var atInner = Math.hypot(place.x() - 150, place.y() - 150) < 25;
            var atOuter = Math.hypot(place.x(), place.y()) < 8;
            if (isMiddle && atInner) {
                assertThat(edge).as("inside at %s", place).isZero();
                seen[0]++;
            }
            if (isMiddle && atOuter) {
                assertThat(edge).as("outside at %s", place).isGreaterThan(0.5);
                seen[1]++;
            }
        });
        assertThat(seen[0]).isPositive();
        assertThat(seen[1]).isPositive();
    }

    /** A bevel of three segments bends by 22.5 degrees at each: less than a sharp edge, and is one all the same. A column of 24 sides bends by 15 and is none. */
    @Test
    void bevelsWearAndRoundBodiesDoNot() {
        var bevelled = bevelled(new Form.Block(SIZE), new Part.Edge(Length.ofMillimetres(6), 3));
        var worn = new int[1];
        look(bevelled, (place, edge, foot) -> {
            if (Math.abs(place.y() - 0) < 1e-6 && place.z() > 100 && place.z() < 900 && place.x() < 14) {
                assertThat(edge).as("beside a bevel at %s", place).isGreaterThan(0.4);
                worn[0]++;
            }
        });
        assertThat(worn[0]).isPositive();
        var column = new Form.Turned(
                List.of(Form.Turned.Station.ofMillimetres(150, 0), Form.Turned.Station.ofMillimetres(150, 1000)), 24);
        look(sharp(column), (place, edge, foot) -> {
            if (place.z() > 60 && place.z() < 940) {
                assertThat(edge).as("the side of a column at %s", place).isZero();
            }
        });
    }
}
