package hausbau.core.ray;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.apache.commons.geometry.euclidean.threed.Planes;
import org.apache.commons.geometry.euclidean.threed.Vector3D;
import org.apache.commons.geometry.euclidean.threed.line.Lines3D;
import org.apache.commons.numbers.core.Precision;
import org.junit.jupiter.api.Test;

/** What a ray meets, against Apache Commons Geometry asked of each triangle in turn. */
class RaySceneTest {

    private static final double[] STILL = {1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0};
    private static final Precision.DoubleEquivalence EXACT = Precision.doubleEquivalenceOfEpsilon(1e-9);

    private static Triangles anyhow(Random random, int n) {
        var corners = new float[9 * n];
        for (var t = 0; t < n; t++) {
            var x = random.nextFloat() * 10;
            var y = random.nextFloat() * 10;
            var z = random.nextFloat() * 10;
            for (var i = 0; i < 9; i++) {
                corners[9 * t + i] = (i % 3 == 0 ? x : i % 3 == 1 ? y : z) + random.nextFloat() * 2;
            }
        }
        return new Triangles(corners, IntStream.range(0, n).toArray());
    }

    private static double[] anywhere(Random random) {
        var angle = random.nextDouble() * 6;
        var size = 0.5 + random.nextDouble() * (random.nextBoolean() ? 1 : -3);
        return new double[] {
            size * Math.cos(angle),
            -Math.sin(angle),
            0,
            random.nextInt(20),
            size * Math.sin(angle),
            Math.cos(angle),
            0,
            random.nextInt(20),
            0,
            0,
            1,
            random.nextInt(5)
        };
    }

    /** The corners of a triangle in the scene. */
    private static Vector3D[] placed(float[] corners, int t, double[] f) {
        return IntStream.range(0, 3)
                .mapToObj(c -> {
                    var x = corners[9 * t + 3 * c];
                    var y = corners[9 * t + 3 * c + 1];
                    var z = corners[9 * t + 3 * c + 2];
                    return Vector3D.of(
                            f[0] * x + f[1] * y + f[2] * z + f[3],
                            f[4] * x + f[5] * y + f[6] * z + f[7],
                            f[8] * x + f[9] * y + f[10] * z + f[11]);
                })
                .toArray(Vector3D[]::new);
    }

    @Test
    void aRayMeetsWhatAGeometryLibraryFindsNearest() {
        var random = new Random(7);
        var n = 60;
        var corners = new float[9 * n];
        for (var i = 0; i < corners.length; i++) {
            corners[i] = random.nextFloat() * 4 + (i / 9) % 5;
        }
        var triangles = new Triangles(corners, IntStream.range(0, n).toArray());
        var frames = IntStream.range(0, 12).mapToObj(i -> anywhere(random)).toList();
        var scene = new RayScene(
                frames.stream().map(f -> new RayScene.Thing(triangles, f)).toList());
        var all = new ArrayList<Vector3D[]>();
        frames.forEach(f -> IntStream.range(0, n).forEach(t -> all.add(placed(corners, t, f))));
        var met = 0;
        for (var k = 0; k < 400; k++) {
            var from = Vector3D.of(random.nextDouble() * 30 - 5, random.nextDouble() * 30 - 5, random.nextDouble() * 9);
            var way = Vector3D.of(random.nextGaussian(), random.nextGaussian(), random.nextGaussian() / 3)
                    .normalize();
            var ray = new Ray().from(from.getX(), from.getY(), from.getZ(), way.getX(), way.getY(), way.getZ(), 100);
            var line = Lines3D.fromPointAndDirection(from, way, EXACT).rayFrom(from);
            var nearest = all.stream()
                    .flatMap(t -> java.util.Optional.ofNullable(
                            Planes.convexPolygonFromVertices(List.of(t), EXACT).intersection(line))
                            .stream())
                    .mapToDouble(p -> p.distance(from))
                    .min();
            assertThat(scene.cast(ray)).isEqualTo(nearest.isPresent());
            if (nearest.isPresent()) {
                met++;
                assertThat((double) ray.distance()).isCloseTo(nearest.getAsDouble(), within(1e-3));
                var of = all.get(ray.thing() * n + ray.triangle());
                var across = of[1].subtract(of[0]).cross(of[2].subtract(of[0])).normalize();
                var normal =
                        Vector3D.of(ray.normalX(), ray.normalY(), ray.normalZ()).normalize();
                assertThat(Math.abs(normal.dot(across))).isCloseTo(1, within(1e-3));
            }
            assertThat(scene.isBlocked(
                            ray.from(from.getX(), from.getY(), from.getZ(), way.getX(), way.getY(), way.getZ(), 100)))
                    .isEqualTo(nearest.isPresent());
        }
        assertThat(met).isGreaterThan(100);
    }

    /** A square at x = 1 that faces the origin, and the same mirrored. */
    @Test
    void outsideStaysOutsideWhereAThingIsMirrored() {
        var square = new Triangles(
                new float[] {1, -1, -1, 1, -1, 1, 1, 1, 1, 1, -1, -1, 1, 1, 1, 1, 1, -1}, new int[] {3, 4});
        var mirrored = new double[] {-1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0};
        var scene = new RayScene(List.of(new RayScene.Thing(square, STILL), new RayScene.Thing(square, mirrored)));
        for (var way : new int[] {1, -1}) {
            var ray = new Ray().from(0, 0.2, 0.1, way, 0, 0, 10);
            assertThat(scene.cast(ray)).isTrue();
            assertThat(ray.distance()).isCloseTo(1, within(1e-5f));
            assertThat(ray.isFromBehind()).isFalse();
            assertThat(Math.signum(ray.normalX())).isEqualTo(-way);
            var back = new Ray().from(3 * way, 0.2, 0.1, -way, 0, 0, 10);
            scene.cast(back);
            assertThat(back.isFromBehind()).isTrue();
        }
    }

    @Test
    void whatIsPassedThroughIsNotMetAndNothingLiesBeyondFar() {
        var scene = new RayScene(List.of(new RayScene.Thing(anyhow(new Random(1), 300), STILL)));
        var ray = new Ray().from(-1, 5, 5, 1, 0, 0.01, 100);
        assertThat(scene.cast(ray)).isTrue();
        var far = ray.distance();
        assertThat(scene.cast(ray.from(-1, 5, 5, 1, 0, 0.01, far - 0.001))).isFalse();
        assertThat(scene.cast(ray.from(-1, 5, 5, 1, 0, 0.01, 100).past(0))).isFalse();
        assertThat(new RayScene(List.of()).cast(ray.from(0, 0, 0, 1, 0, 0, 9))).isFalse();
    }
}
