package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import hausbau.core.shape.Unwrapped;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** The second UV set, looked at by filling its triangles in a raster of our own. */
class UnwrappedTest {

    private static final Finish FINISH = Finish.ofDensity(256);
    /** Finer than the pixels that the margin is counted in. */
    private static final int FINER = 4;

    private static final int SIDE = Unwrapped.SIDE * FINER;

    static Stream<Arguments> pieces() {
        var wall = new Recipe.WallPanel(Vec.ofMillimetres(3300, 200, 3000));
        return Stream.of(
                Arguments.of("wall", new Kind(Role.WALL, wall, Pivot.FACE_START).mesh(wall.parts(), FINISH)),
                Arguments.of(
                        "patterned wall",
                        new Kind(Role.WALL, wall, Pivot.FACE_START)
                                .mesh(Pattern.usual().dress(wall), FINISH)),
                Arguments.of("lamp", new Recipe.Lamp().mesh(FINISH)),
                form("turned", UsualForms.turned()),
                form("panel", UsualForms.panel()),
                form("steps", UsualForms.steps()),
                form("bars", UsualForms.bars()),
                form("prism", UsualForms.prism()),
                form("pushed", UsualForms.pushed(Profile.library().get(0))));
    }

    private static Arguments form(String name, Form form) {
        return Arguments.of(name, new Recipe.Made(1, List.of(Part.of(Swatch.STONE, form, Vec.ZERO))).mesh(FINISH));
    }

    /** More faces than 512 pixels have room for, each in a plane of its own: it takes as many pixels as it needs. A doubled face has a place of its own. */
    @Test
    void whatNeedsMoreRoomHasIt() {
        var profile = IntStream.rangeClosed(0, 190)
                .mapToObj(i -> Form.Turned.Station.ofMillimetres(100 + 30 * Math.sin(i / 9.0), 10 * i))
                .toList();
        var fine =
                new Recipe.Made(1, List.of(Part.of(Swatch.STONE, new Form.Turned(profile, 96), Vec.ZERO))).mesh(FINISH);
        var un = Unwrapped.of(fine);
        assertThat(un.side()).isEqualTo(2 * Unwrapped.SIDE);
        assertThat(Arrays.stream(un.light()).boxed()).allMatch(v -> v > 0 && v < 1);
        assertThat(un.mesh().triangles()).isEqualTo(fine.triangles());
        assertThat(un.mesh().volume()).isCloseTo(fine.volume(), within(1e-3));
        var twice = new Mesh(
                new double[] {0, 0, 0, 100, 0, 0, 0, 0, 100},
                new double[] {0, -1, 0, 0, -1, 0, 0, -1, 0},
                new double[6],
                List.of(new Mesh.Part(Swatch.TILE, new int[] {0, 1, 2, 0, 1, 2})));
        assertThat(Unwrapped.of(twice).mesh().vertices()).isEqualTo(6);
    }

    /** Corner by corner the surface that it was, in the order that it had; what lies on one island is no further vertex. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("pieces")
    void cornersStayWhereTheyWereAndInTheirOrder(String name, Mesh mesh) {
        var un = Unwrapped.of(mesh).mesh();
        assertThat(un.vertices()).isBetween(mesh.vertices(), 3 * mesh.triangles());
        for (var p = 0; p < mesh.parts().size(); p++) {
            var was = mesh.parts().get(p).indices();
            var is = un.parts().get(p).indices();
            assertThat(is).hasSameSizeAs(was);
            for (var i = 0; i < was.length; i++) {
                assertThat(un.position(is[i])).isEqualTo(mesh.position(was[i]));
                for (var k = 0; k < 3; k++) {
                    assertThat(un.normals()[3 * is[i] + k]).isEqualTo(mesh.normals()[3 * was[i] + k]);
                }
                for (var k = 0; k < 2; k++) {
                    assertThat(un.uvs()[2 * is[i] + k]).isEqualTo(mesh.uvs()[2 * was[i] + k]);
                }
            }
        }
    }

    /** Many triangles about one corner, which a search by corners would look through again and again. */
    @Test
    void aFanIsOneIsland() {
        var spokes = 100_000;
        var places = new double[3 * (spokes + 1)];
        var indices = new int[3 * spokes];
        for (var i = 0; i < spokes; i++) {
            places[3 * i + 3] = 1000 * Math.cos(2 * Math.PI * i / spokes);
            places[3 * i + 5] = 1000 * Math.sin(2 * Math.PI * i / spokes);
            indices[3 * i + 1] = 1 + i;
            indices[3 * i + 2] = 1 + (i + 1) % spokes;
        }
        var un = Unwrapped.of(new Mesh(
                places,
                new double[places.length],
                new double[2 * (spokes + 1)],
                List.of(new Mesh.Part(Swatch.TILE, indices))));
        assertThat(un.mesh().vertices()).isEqualTo(spokes + 1);
        assertThat(un.side()).isEqualTo(Unwrapped.SIDE);
    }

    private static double cross(double ax, double ay, double bx, double by) {
        return ax * by - ay * bx;
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("pieces")
    void noPlaceOfTheSurfaceSharesItsPlaceWithAnother(String name, Mesh mesh) {
        var un = Unwrapped.of(mesh);
        var owner = new int[SIDE * SIDE];
        var overlaps = 0;
        var triangle = 0;
        for (var part : un.mesh().parts()) {
            for (var i = 0; i < part.indices().length; i += 3) {
                triangle++;
                var x = new double[3];
                var y = new double[3];
                for (var k = 0; k < 3; k++) {
                    x[k] = un.light()[2 * part.indices()[i + k]] * SIDE;
                    y[k] = un.light()[2 * part.indices()[i + k] + 1] * SIDE;
                    assertThat(x[k])
                            .isBetween((double) Unwrapped.MARGIN * FINER, (double) SIDE - Unwrapped.MARGIN * FINER);
                    assertThat(y[k])
                            .isBetween((double) Unwrapped.MARGIN * FINER, (double) SIDE - Unwrapped.MARGIN * FINER);
                }
                var area = cross(x[1] - x[0], y[1] - y[0], x[2] - x[0], y[2] - y[0]);
                for (var py = (int) Math.min(y[0], Math.min(y[1], y[2]));
                        py <= Math.max(y[0], Math.max(y[1], y[2]));
                        py++) {
                    for (var px = (int) Math.min(x[0], Math.min(x[1], x[2]));
                            px <= Math.max(x[0], Math.max(x[1], x[2]));
                            px++) {
                        var inside = true;
                        for (var k = 0; k < 3; k++) {
                            var n = (k + 1) % 3;
                            inside &= cross(x[n] - x[k], y[n] - y[k], px + 0.5 - x[k], py + 0.5 - y[k])
                                            * Math.signum(area)
                                    > 1e-6;
                        }
                        if (inside) {
                            overlaps += owner[py * SIDE + px] == 0 ? 0 : 1;
                            owner[py * SIDE + px] = triangle;
                        }
                    }
                }
            }
        }
        assertThat(overlaps).isZero();
        assertThat(triangle).isEqualTo(mesh.triangles());
    }

    /** What hangs together by its vertices is one island; boxes about any two are apart by the margin, in pixels, in one direction at least. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("pieces")
    void islandsKeepTheirMargin(String name, Mesh mesh) {
        var un = Unwrapped.of(mesh);
        var root = IntStream.range(0, un.mesh().vertices()).toArray();
        for (var part : un.mesh().parts()) {
            for (var i = 0; i < part.indices().length; i++) {
                var a = find(root, part.indices()[i]);
                root[a] = find(root, part.indices()[i - i % 3]);
            }
        }
        var boxes = new HashMap<Integer, double[]>();
        for (var v = 0; v < root.length; v++) {
            var box = boxes.computeIfAbsent(find(root, v), r -> new double[] {9, 9, -9, -9});
            for (var axis = 0; axis < 2; axis++) {
                box[axis] = Math.min(box[axis], un.light()[2 * v + axis]);
                box[2 + axis] = Math.max(box[2 + axis], un.light()[2 * v + axis]);
            }
        }
        var all = List.copyOf(boxes.values());
        assertThat(all.size()).isGreaterThan(1);
        var margin = (double) Unwrapped.MARGIN / Unwrapped.SIDE - 1e-9;
        for (var i = 0; i < all.size(); i++) {
            for (var j = 0; j < i; j++) {
                var a = all.get(i);
                var b = all.get(j);
                assertThat(Math.max(Math.max(a[0] - b[2], b[0] - a[2]), Math.max(a[1] - b[3], b[1] - a[3])))
                        .isGreaterThanOrEqualTo(margin);
            }
        }
    }

    private static int find(int[] root, int v) {
        var at = v;
        while (root[at] != at) {
            at = root[at];
        }
        return at;
    }

    /** Lengths on the light picture are to lengths on the piece as one number, for every edge of every triangle. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("pieces")
    void itLiesAtOneDensityWithoutStretchAndTheSurfaceIsTheSame(String name, Mesh mesh) {
        var un = Unwrapped.of(mesh);
        var first = 0.0;
        for (var part : un.mesh().parts()) {
            var of = part.indices();
            for (var i = 0; i < of.length; i++) {
                var a = of[i];
                var b = of[i % 3 == 2 ? i - 2 : i + 1];
                var far = un.mesh().position(a).minus(un.mesh().position(b)).length();
                if (far < 1) {
                    continue;
                }
                var density =
                        Math.hypot(un.light()[2 * a] - un.light()[2 * b], un.light()[2 * a + 1] - un.light()[2 * b + 1])
                                / far;
                first = first == 0 ? density : first;
                assertThat(density).isCloseTo(first, within(first * 0.001));
            }
        }
        assertThat(un.mesh().area()).isCloseTo(mesh.area(), within(1e-6 * mesh.area()));
        assertThat(un.mesh().volume()).isCloseTo(mesh.volume(), within(1e-6 * mesh.volume()));
        assertThat(un.mesh().openEdges()).isEmpty();
        assertThat(un.mesh().parts())
                .extracting(Mesh.Part::swatch)
                .isEqualTo(mesh.parts().stream().map(Mesh.Part::swatch).toList());
    }
}
