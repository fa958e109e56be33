package hausbau.core.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.shape.Lathe.Station;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Turned bodies against elementary stereometry: regular pyramids and prisms in place of cones and cylinders. */
class LatheTest {

    private static final Finish FINISH = new Finish(3, 256);

    private Mesh turned(int sides, Station... profile) {
        var mesh = new MeshBuilder(FINISH);
        Lathe.add(mesh.of(Swatch.STONE), new Point(100, 200, 0), List.of(profile), sides);
        return mesh.build();
    }

    private static double volume(Mesh mesh) {
        var sum = 0.0;
        for (var part : mesh.parts()) {
            for (var i = 0; i < part.indices().length; i += 3) {
                var a = mesh.position(part.indices()[i]);
                sum += a.dot(mesh.position(part.indices()[i + 1]).cross(mesh.position(part.indices()[i + 2])));
            }
        }
        return sum / 6;
    }

    /** A square of half-diagonal 100 has an area of 20 000; a pyramid 300 high on it a third of the prism. */
    @Test
    void aConeOfFourSidesIsAPyramid() {
        var pyramid = turned(4, new Station(0, 0), new Station(100, 0), new Station(0, 300));
        assertThat(volume(pyramid)).isCloseTo(2_000_000, within(1e-6));
        assertThat(pyramid.triangles()).isEqualTo(4 + 4);
    }

    @Test
    void aCylinderOfSixSidesIsAPrism() {
        var prism = turned(6, new Station(0, 0), new Station(100, 0), new Station(100, 50), new Station(0, 50));
        // A hexagon of radius 100: 3√3/2 · 100².
        assertThat(volume(prism)).isCloseTo(1.5 * Math.sqrt(3) * 10_000 * 50, within(1e-6));
    }

    @Test
    void itStandsOnItsAxisAndEveryNormalIsOneLong() {
        var mesh = turned(24, new Station(0, 10), new Station(80, 10), new Station(60, 90), new Station(0, 90));
        for (var i = 0; i < mesh.vertices(); i++) {
            var p = mesh.position(i);
            assertThat(Math.hypot(p.x() - 100, p.y() - 200)).isLessThanOrEqualTo(80 + 1e-9);
            assertThat(p.z()).isBetween(10.0, 90.0);
            var n = new Point(mesh.normals()[3 * i], mesh.normals()[3 * i + 1], mesh.normals()[3 * i + 2]);
            assertThat(n.length()).isCloseTo(1, within(1e-9));
        }
    }

    /** A bend of less than 35 degrees is smooth: both sections share the normal between theirs. A sharper one is an edge. */
    @Test
    void softBendsAreSmoothAndSharpOnesAreNot() {
        var soft = turned(
                24,
                new Station(0, 0),
                new Station(100, 0),
                new Station(100, 100),
                new Station(90, 200),
                new Station(0, 200));
        var normals = normalsAt(soft, 100);
        assertThat(normals).isNotEmpty().allMatch(z -> Math.abs(z - normals.get(0)) < 1e-9);
        // The lower section is upright, the upper leans by atan(10 / 100): the mean leans by half of that.
        assertThat(normals.get(0)).isCloseTo(Math.sin(Math.atan(0.1) / 2), within(1e-9));
        var sharp = turned(24, new Station(0, 0), new Station(100, 0), new Station(100, 100), new Station(0, 130));
        assertThat(normalsAt(sharp, 100).stream().map(z -> Math.round(z * 1e6)).distinct())
                .hasSize(2);
    }

    /** The upward part of the normals at a height. */
    private static List<Double> normalsAt(Mesh mesh, double z) {
        return IntStream.range(0, mesh.vertices())
                .filter(i -> Math.abs(mesh.position(i).z() - z) < 1e-9)
                .mapToObj(i -> mesh.normals()[3 * i + 2])
                .toList();
    }
}
