package hausbau.core.kit;

import static hausbau.core.kit.Meshes.densities;
import static hausbau.core.kit.Meshes.open;
import static hausbau.core.kit.Meshes.volume;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.kit.Form.Turned;
import hausbau.core.kit.Form.Turned.Station;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class CuttingTest {

    private static final Part.Edge SHARP = new Part.Edge(Length.ZERO, 1);

    private static Part part(Form form, Part.Edge edge, Vec at, Part.Turning turn) {
        return new Part(
                "", Swatch.PLASTER, Optional.of(edge), form, at, turn, Copies.ONE, Part.Taper.NONE, false, false);
    }

    private static Part block(long x, long y, long z, long wide, long deep, long high) {
        return part(
                new Form.Block(Vec.ofMillimetres(wide, deep, high)),
                SHARP,
                Vec.ofMillimetres(x, y, z),
                Part.Turning.NONE);
    }

    private Mesh mesh(Part... parts) {
        return new Cutting(List.of(parts)).mesh(Finish.ofDensity(256));
    }

    private record Case(String what, Part cutter, double taken, int triangles) {
        @Override
        public String toString() {
            return what;
        }
    }

    /** Out of a wall of 2000 × 200 × 3000 mm, in litres by hand; flush faces are those that go wrong. */
    static Stream<Case> cases() {
        return Stream.of(
                new Case("a window right through", block(500, -50, 900, 1000, 300, 1200), 0.2 * 1.0 * 1.2 * 1000, 32),
                new Case(
                        "a hole flush with both faces",
                        block(500, 0, 900, 1000, 200, 1200),
                        0.2 * 1.0 * 1.2 * 1000,
                        32),
                new Case("a doorway flush with the foot", block(500, 0, 0, 900, 200, 2100), 0.2 * 0.9 * 2.1 * 1000, 28),
                new Case("a recess", block(500, -50, 900, 1000, 150, 1200), 0.1 * 1.0 * 1.2 * 1000, 28),
                new Case("a rebate at a corner", block(-10, -10, 2900, 110, 110, 200), 0.1 * 0.1 * 0.1 * 1000, 24),
                new Case("its upper half", block(-1, -1, 1500, 3000, 300, 2000), 0.2 * 2.0 * 1.5 * 1000, 12),
                new Case("a hollow inside", block(500, 50, 900, 1000, 100, 1200), 0.1 * 1.0 * 1.2 * 1000, 24),
                new Case("something beside it", block(2000, 0, 0, 500, 200, 3000), 0, 12),
                new Case("something far from it", block(9000, 0, 0, 500, 200, 3000), 0, 12));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void whatIsLeftClosesAndHasTheVolumeWorkedByHand(Case c) {
        var left = mesh(block(0, 0, 0, 2000, 200, 3000), c.cutter.cutting());
        assertThat(open(left)).isEmpty();
        assertThat(volume(left) / 1e6).isCloseTo(1200 - c.taken, within(1e-6));
        assertThat(left.triangles()).isLessThanOrEqualTo(c.triangles);
        assertThat(densities(left)).allSatisfy(d -> assertThat(d).isCloseTo(1, within(1e-5)));
    }

    /** The area of a regular polygon of n corners is n r² sin(2π/n) / 2. */
    @ParameterizedTest
    @ValueSource(ints = {3, 24, 96})
    void aRoundHoleIsAsLargeAsItsPolygon(int sides) {
        var bore = part(
                new Turned(List.of(new Station(300_000, 0), new Station(300_000, 400_000)), sides),
                SHARP,
                Vec.ofMillimetres(1000, 300, 1500),
                new Part.Turning(90, 0, 0));
        var left = mesh(block(0, 0, 0, 2000, 200, 3000), bore.cutting());
        assertThat(open(left)).isEmpty();
        assertThat(volume(left))
                .isCloseTo(
                        2000.0 * 200 * 3000 - sides * 300 * 300 * Math.sin(2 * Math.PI / sides) / 2 * 200, within(1.0));
        // Two faces with a hole each, the hole's sides, and the wall's own four.
        assertThat(left.triangles()).isLessThanOrEqualTo(2 * (sides + 4) + 2 * sides + 8);
        assertThat(densities(left)).allSatisfy(d -> assertThat(d).isCloseTo(1, within(1e-4)));
    }

    /** Whatever both bodies are: A less B and B less A differ in volume by what A and B do. */
    @Test
    void bodiesThatLieAnyhowClose() {
        var random = new Random(11);
        var forms = FormTest.forms().filter(f -> !(f instanceof Form.Bars)).toList();
        var cut = 0;
        for (var i = 0; i < 120; i++) {
            var edges = List.of(
                    SHARP, new Part.Edge(Length.ofMillimetres(3), 1), new Part.Edge(Length.ofMillimetres(8), 3));
            var a = part(
                    forms.get(random.nextInt(forms.size())),
                    edges.get(random.nextInt(3)),
                    Vec.ofMillimetres(random.nextInt(300), random.nextInt(300), random.nextInt(100)),
                    turning(random));
            var b = part(
                    forms.get(random.nextInt(forms.size())),
                    edges.get(random.nextInt(3)),
                    Vec.ofMillimetres(random.nextInt(300), random.nextInt(300), random.nextInt(100)),
                    turning(random));
            b = about(
                    b,
                    middle(a)
                            .plus(new Vec(
                                    random.nextInt(200_000) - 100_000,
                                    random.nextInt(200_000) - 100_000,
                                    random.nextInt(200_000) - 100_000)));
            var aLess = mesh(a, b.cutting());
            var bLess = mesh(b, a.cutting());
            cut += volume(aLess) < 0.99 * volume(mesh(a)) ? 1 : 0;
            assertThat(open(aLess)).as("%d: %s less %s", i, a, b).isEmpty();
            assertThat(open(bLess)).as("%d: %s less %s", i, b, a).isEmpty();
            assertThat(volume(aLess) - volume(bLess))
                    .as("%d: %s, %s", i, a, b)
                    .isCloseTo(volume(mesh(a)) - volume(mesh(b)), within(2e-5 * (volume(mesh(a)) + volume(mesh(b)))));
        }
        assertThat(cut).as("pairs that meet").isGreaterThan(40);
    }

    private static Vec middle(Part part) {
        var box = part.solids().stream().reduce(Box::union).orElseThrow();
        return new Vec(
                (box.min().x() + box.max().x()) / 2,
                (box.min().y() + box.max().y()) / 2,
                (box.min().z() + box.max().z()) / 2);
    }

    private static Part about(Part part, Vec at) {
        return part(part.form(), part.edge().orElseThrow(), part.at().plus(at).minus(middle(part)), part.turn());
    }

    private static Part.Turning turning(Random random) {
        return random.nextBoolean()
                ? new Part.Turning(90 * random.nextInt(4), 0, 90 * random.nextInt(4))
                : new Part.Turning(random.nextInt(90), random.nextInt(90), random.nextInt(90));
    }

    @Test
    void cutsFollowOneAnotherAndWhatComesAfterStays() {
        var trim = block(480, -20, 0, 20, 20, 2100);
        var parts = new ArrayList<>(List.of(block(0, 0, 0, 2000, 200, 3000)));
        for (var i = 0; i < 4; i++) {
            parts.add(block(200 + 400 * i, -10, 500, 200, 220, 500).cutting());
        }
        parts.add(trim);
        var left = new Cutting(parts).mesh(Finish.ofDensity(256));
        assertThat(open(left)).isEmpty();
        assertThat(volume(left) / 1e6)
                .isCloseTo(1200 - 4 * 0.2 * 0.2 * 0.5 * 1000 + 0.02 * 0.02 * 2.1 * 1000, within(1e-6));
    }

    @Test
    void aRepeatedCutIsTakenAtEachOfItsPlaces() {
        var slot = new Part(
                "",
                Swatch.STONE,
                Optional.of(SHARP),
                new Form.Block(Vec.ofMillimetres(100, 300, 100)),
                Vec.ofMillimetres(100, -50, 100),
                Part.Turning.NONE,
                new Copies.Along(5, Vec.ofMillimetres(300, 0, 0)),
                Part.Taper.NONE,
                false,
                true);
        var left = mesh(block(0, 0, 0, 2000, 200, 3000), slot);
        assertThat(open(left)).isEmpty();
        assertThat(volume(left) / 1e6).isCloseTo(1200 - 5 * 0.1 * 0.2 * 0.1 * 1000, within(1e-6));
        // What a cut lays bare is made of its swatch: four sides of 0.1 by 0.2 m each.
        var bare = left.parts().stream().filter(p -> p.swatch() == Swatch.STONE).toList();
        assertThat(new Mesh(left.positions(), left.normals(), left.uvs(), bare).area() / 1e6)
                .isCloseTo(5 * 4 * 0.1 * 0.2, within(1e-9));
    }

    @Test
    void boxesAreCutWhereTheCutFillsItsOwn() {
        var solids = new Cutting(List.of(
                        block(0, 0, 0, 2000, 200, 3000),
                        block(500, -50, 0, 900, 300, 2100).cutting()))
                .solids();
        assertThat(solids).extracting(Solid::box).allSatisfy(b -> assertThat(
                        b.overlaps(Box.of(500_000, -50_000, 0, 1_400_000, 250_000, 2_100_000)))
                .isFalse());
        assertThat(solids.stream()
                                .mapToDouble(s -> (double) s.box().size().x()
                                        * s.box().size().y()
                                        * s.box().size().z())
                                .sum()
                        / 1e18)
                .isCloseTo(1.2 - 0.9 * 0.2 * 2.1, within(1e-9));
        var turned = part(
                        new Form.Block(Vec.ofMillimetres(900, 300, 2100)),
                        SHARP,
                        Vec.ofMillimetres(500, -50, 0),
                        new Part.Turning(0, 10, 0))
                .cutting();
        assertThat(new Cutting(List.of(block(0, 0, 0, 2000, 200, 3000), turned)).solids())
                .extracting(Solid::box)
                .containsExactly(Box.of(0, 0, 0, 2_000_000, 200_000, 3_000_000));
    }

    @Test
    void nothingIsNoPiece() {
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> new Recipe.Made(
                        1,
                        List.of(
                                block(0, 0, 0, 100, 100, 100),
                                block(-1, -1, -1, 200, 200, 200).cutting())))
                .withMessageContaining("leaves nothing");
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() ->
                        new Recipe.Made(1, List.of(block(0, 0, 0, 100, 100, 100).cutting())))
                .withMessageContaining("neither hidden nor cuts");
    }
}
