package hausbau.core.reduce;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.kit.Form;
import hausbau.core.kit.Part;
import hausbau.core.kit.Recipe;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ReducedTest {

    private static final Finish FINISH = Finish.ofDensity(256);

    /** Turned finely: a baluster of 40 stations and 64 sides. */
    private Mesh baluster() {
        var stations = IntStream.rangeClosed(0, 40)
                .mapToObj(i -> Form.Turned.Station.ofMillimetres(60 + 25 * Math.sin(i / 40.0 * 9), 20 * i))
                .toList();
        return new Recipe.Made(1, List.of(Part.of(Swatch.STONE, new Form.Turned(stations, 64), Vec.ZERO))).mesh(FINISH);
    }

    /** What is of two materials still meets where they do: each is reduced by itself, and its rim stays. */
    @ParameterizedTest
    @ValueSource(ints = {60, 30})
    void materialsStillMeetWhereTheyDid(int percent) {
        var whole = baluster();
        var split = new ArrayList<List<Integer>>(List.of(new ArrayList<>(), new ArrayList<>()));
        var all = whole.parts().get(0).indices();
        for (var t = 0; t < all.length; t += 3) {
            // Wavy, so that a rim that gives way shows.
            var middle = whole.position(all[t])
                    .plus(whole.position(all[t + 1]))
                    .plus(whole.position(all[t + 2]))
                    .times(1 / 3.0);
            split.get(middle.z() > 400 + 60 * Math.sin(3 * Math.atan2(middle.y(), middle.x())) ? 1 : 0)
                    .addAll(List.of(all[t], all[t + 1], all[t + 2]));
        }
        var two = new Mesh(
                whole.positions(),
                whole.normals(),
                whole.uvs(),
                List.of(
                        new Mesh.Part(
                                Swatch.STONE,
                                split.get(0).stream().mapToInt(i -> i).toArray()),
                        new Mesh.Part(
                                Swatch.METAL,
                                split.get(1).stream().mapToInt(i -> i).toArray())));
        assertThat(two.openEdges()).isEmpty();
        var reduced = Reduced.of(two, percent / 100.0, FINISH).mesh();
        assertThat(reduced.triangles()).isLessThan(two.triangles() * 8 / 10);
        assertThat(reduced.openEdges()).isEmpty();
    }

    private static List<Point[]> triangles(Mesh mesh) {
        var all = new ArrayList<Point[]>();
        for (var part : mesh.parts()) {
            for (var i = 0; i < part.indices().length; i += 3) {
                all.add(new Point[] {
                    mesh.position(part.indices()[i]),
                    mesh.position(part.indices()[i + 1]),
                    mesh.position(part.indices()[i + 2])
                });
            }
        }
        return all;
    }

    /** To the nearest point of a triangle, by the regions that its corners and edges part the plane into (Ericson, Real-Time Collision Detection, 5.1.5; from memory). */
    private static double distance(Point p, Point[] t) {
        var ab = t[1].minus(t[0]);
        var ac = t[2].minus(t[0]);
        var ap = p.minus(t[0]);
        var d1 = ab.dot(ap);
        var d2 = ac.dot(ap);
        if (d1 <= 0 && d2 <= 0) {
            return ap.length();
        }
        var bp = p.minus(t[1]);
        var d3 = ab.dot(bp);
        var d4 = ac.dot(bp);
        if (d3 >= 0 && d4 <= d3) {
            return bp.length();
        }
        var cp = p.minus(t[2]);
        var d5 = ab.dot(cp);
        var d6 = ac.dot(cp);
        if (d6 >= 0 && d5 <= d6) {
            return cp.length();
        }
        var vc = d1 * d4 - d3 * d2;
        if (vc <= 0 && d1 >= 0 && d3 <= 0) {
            return ap.minus(ab.times(d1 / (d1 - d3))).length();
        }
        var vb = d5 * d2 - d1 * d6;
        if (vb <= 0 && d2 >= 0 && d6 <= 0) {
            return ap.minus(ac.times(d2 / (d2 - d6))).length();
        }
        var va = d3 * d6 - d5 * d4;
        if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
            return bp.minus(t[2].minus(t[1]).times((d4 - d3) / (d4 - d3 + (d5 - d6))))
                    .length();
        }
        var n = ab.cross(ac).unit();
        return Math.abs(ap.dot(n));
    }

    /** The greatest of the distances of points strewn over one surface from the other. */
    private static double oneWay(Mesh from, Mesh to, Random random) {
        var on = triangles(from);
        var other = triangles(to);
        var most = 0.0;
        for (var i = 0; i < 3000; i++) {
            var t = on.get(random.nextInt(on.size()));
            var u = random.nextDouble();
            var v = random.nextDouble();
            var at = u + v > 1 ? new double[] {1 - u, 1 - v} : new double[] {u, v};
            var p = t[0].plus(t[1].minus(t[0]).times(at[0]))
                    .plus(t[2].minus(t[0]).times(at[1]));
            most = Math.max(
                    most, other.stream().mapToDouble(o -> distance(p, o)).min().orElseThrow());
        }
        return most;
    }

    /** The error that is told, against a Hausdorff distance sampled at 6000 points. The library reckons by squared distances from planes, which tells it to about a half. */
    @ParameterizedTest
    @ValueSource(ints = {50, 20, 8})
    void theErrorIsWhatItLiesOff(int percent) {
        var whole = baluster();
        var reduced = Reduced.of(whole, percent / 100.0, FINISH);
        assertThat(reduced.mesh().triangles())
                .isLessThanOrEqualTo(whole.triangles() * percent / 100 + 1)
                .isGreaterThan(whole.triangles() * percent / 150);
        var random = new Random(5);
        var sampled = Math.max(oneWay(whole, reduced.mesh(), random), oneWay(reduced.mesh(), whole, random));
        assertThat(sampled).isBetween(reduced.error() / 4, 2 * reduced.error() + 0.01);
        assertThat(reduced.mesh().openEdges()).isEmpty();
        assertThat(reduced.mesh().volume()).isCloseTo(whole.volume(), within(0.06 * whole.volume()));
    }

    /** Materials stay apart: each keeps its place. */
    @Test
    void materialsStayWithTheirFaces() {
        var pillar = new Recipe.Lamp().mesh(FINISH);
        var reduced = Reduced.of(pillar, 0.5, FINISH).mesh();
        assertThat(reduced.parts().stream().map(Mesh.Part::swatch))
                .containsExactlyElementsOf(
                        pillar.parts().stream().map(Mesh.Part::swatch).toList());
        for (var part : reduced.parts()) {
            var own = pillar.parts().stream()
                    .filter(p -> p.swatch() == part.swatch())
                    .findFirst()
                    .orElseThrow();
            var corners = IntStream.of(own.indices()).mapToObj(pillar::position).toList();
            assertThat(IntStream.of(part.indices()).mapToObj(reduced::position)).allMatch(corners::contains);
        }
    }

    @Test
    void levelsFallAndEndInABox() {
        var levels = Detail.levels(baluster(), List.of(50, 20, 5), FINISH);
        assertThat(levels).extracting(Detail::percent).containsExactly(50, 20, 5, 0);
        assertThat(levels).extracting(d -> d.mesh().triangles()).isSortedAccordingTo((a, b) -> b - a);
        assertThat(levels).extracting(Detail::error).isSorted();
        assertThat(levels.get(3).mesh().triangles()).isEqualTo(12);
        // A plain block has nothing to save: its box is all there is.
        var block = new Recipe.StandIn(Vec.ofMillimetres(1000, 500, 300)).mesh(FINISH);
        var last = Detail.levels(block, List.of(50), FINISH);
        assertThat(last.get(last.size() - 1).mesh().volume()).isCloseTo(1000 * 500 * 300.0, within(1e-6));
        for (var wrong : List.of(List.of(100), List.of(0), List.of(20, 50), List.of(9, 8, 7, 6, 5, 4, 3))) {
            assertThatThrownBy(() -> Detail.levels(block, wrong, FINISH)).isInstanceOf(Refused.class);
        }
    }

    /** An L's hull by hand: the square less half of what it leaves out; a turned body's is that of its sides. */
    @Test
    void hullsHoldTheirMeshes() {
        var l = new Recipe.CornerPiece(Vec.ofMillimetres(1000, 1000, 300), Length.ofMillimetres(600))
                .mesh(new Finish(0.001, 256));
        var hull = new Hull(FINISH).about(l);
        assertThat(hull.openEdges()).isEmpty();
        assertThat(hull.volume()).isCloseTo((1000 * 1000 - 600 * 600 / 2.0) * 300, within(1e-4 * 1e9 * 0.3));
        for (var mesh : List.of(l, baluster(), new Recipe.Bench().mesh(FINISH))) {
            var about = triangles(new Hull(FINISH).about(mesh));
            for (var v = 0; v < mesh.vertices(); v++) {
                var p = mesh.position(v);
                assertThat(about)
                        .allMatch(t -> p.minus(t[0])
                                        .dot(t[1].minus(t[0])
                                                .cross(t[2].minus(t[0]))
                                                .unit())
                                < 1e-6);
            }
        }
        var flat = new Mesh(
                new double[] {0, 0, 0, 100, 0, 0, 0, 0, 100},
                new double[] {0, -1, 0, 0, -1, 0, 0, -1, 0},
                new double[6],
                List.of(new Mesh.Part(Swatch.TILE, new int[] {0, 1, 2})));
        assertThat(new Hull(FINISH).about(flat).volume()).isCloseTo(100 * 100, within(1e-6));
    }
}
