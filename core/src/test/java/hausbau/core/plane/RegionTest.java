package hausbau.core.plane;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.plane.Loop.Corner;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.union.UnaryUnionOp;

/** Random right-angled regions against the overlay of JTS (org.locationtech.jts), and some worked by hand. */
class RegionTest {

    private static final int PLANS = 1000;
    private static final GeometryFactory GEOMETRY = new GeometryFactory(new PrecisionModel(1));

    static LongStream seeds() {
        return LongStream.range(0, PLANS);
    }

    /** Rectangles on a coarse grid, so that edges, corners and holes coincide often. */
    private static List<Rect> rects(Random random) {
        var rects = new ArrayList<Rect>();
        for (var n = 1 + random.nextInt(9); n > 0; n--) {
            var x = random.nextInt(12);
            var y = random.nextInt(12);
            rects.add(new Rect(x, y, x + 1 + random.nextInt(5), y + 1 + random.nextInt(5)));
        }
        return rects;
    }

    private static Geometry geometry(List<Rect> rects) {
        return UnaryUnionOp.union(rects.stream().map(RegionTest::polygon).toList());
    }

    private static Geometry polygon(Rect r) {
        return GEOMETRY.createPolygon(new Coordinate[] {
            new Coordinate(r.x0(), r.y0()),
            new Coordinate(r.x1(), r.y0()),
            new Coordinate(r.x1(), r.y1()),
            new Coordinate(r.x0(), r.y1()),
            new Coordinate(r.x0(), r.y0())
        });
    }

    /** Areas only: of what meets along a line or in a point nothing is kept. */
    private static Geometry overlay(Geometry a, Geometry b, int operation) {
        var overlay = new OverlayNG(a, b, GEOMETRY.getPrecisionModel(), operation);
        overlay.setStrictMode(true);
        var result = overlay.getResult();
        return result.getDimension() == 2 ? result : GEOMETRY.createEmpty(2);
    }

    private static void isThat(Region region, Geometry wanted) {
        assertThat(region.area()).isEqualTo(BigInteger.valueOf(Math.round(wanted.getArea())));
        var covered = region.isEmpty() ? GEOMETRY.createEmpty(2) : geometry(region.rects());
        assertThat(overlay(covered, wanted, OverlayNG.SYMDIFFERENCE).getArea()).isZero();
        assertThat(region.perimeter()).isEqualTo(BigInteger.valueOf(Math.round(wanted.getLength())));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void unionDifferenceAndWhatIsSharedAreThoseOfJts(long seed) {
        var random = new Random(seed);
        var a = rects(random);
        var b = rects(random);
        var ours = Region.of(a);
        var others = Region.of(b);
        isThat(ours, geometry(a));
        isThat(ours.plus(others), overlay(geometry(a), geometry(b), OverlayNG.UNION));
        isThat(ours.minus(others), overlay(geometry(a), geometry(b), OverlayNG.DIFFERENCE));
        isThat(ours.shared(others), overlay(geometry(a), geometry(b), OverlayNG.INTERSECTION));
        isThat(ours.differing(others), overlay(geometry(a), geometry(b), OverlayNG.SYMDIFFERENCE));
    }

    /** Each part is a clockwise loop, each hole one the other way; JTS counts them in the same union. */
    @ParameterizedTest
    @MethodSource("seeds")
    void theLoopsAreThePartsAndHoles(long seed) {
        var rects = rects(new Random(seed));
        var wanted = geometry(rects);
        var holes = 0;
        for (var i = 0; i < wanted.getNumGeometries(); i++) {
            holes += ((Polygon) wanted.getGeometryN(i)).getNumInteriorRing();
        }
        var loops = Region.of(rects).loops();
        assertThat(loops.stream().filter(l -> twiceArea(l) < 0)).hasSize(wanted.getNumGeometries());
        // A hole that touches the outside or another hole in a corner is a ring of its own to JTS, and one line with it
        // to us.
        assertThat(loops.stream().filter(l -> twiceArea(l) > 0).count()).isLessThanOrEqualTo(holes);
        assertThat(-loops.stream().mapToLong(RegionTest::twiceArea).sum()).isEqualTo(Math.round(2 * wanted.getArea()));
    }

    private static long twiceArea(Loop loop) {
        var sum = 0L;
        for (var i = 0; i < loop.corners().size(); i++) {
            var a = loop.corners().get(i);
            var b = loop.corners().get((i + 1) % loop.corners().size());
            sum += a.x() * b.y() - b.x() * a.y();
        }
        return sum;
    }

    /** The form is unique: however a region came about, it is equal to itself. */
    @ParameterizedTest
    @MethodSource("seeds")
    void equalGroundIsAnEqualRegion(long seed) {
        var random = new Random(seed);
        var a = Region.of(rects(random));
        var b = Region.of(rects(random));
        assertThat(a.minus(b).plus(a.shared(b))).isEqualTo(a);
        assertThat(b.plus(a)).isEqualTo(a.plus(b)).hasSameHashCodeAs(a.plus(b));
        assertThat(Region.of(a.columns())).isEqualTo(a);
        assertThat(a.transposed().transposed()).isEqualTo(a);
        assertThat(a.mirrored().mirrored()).isEqualTo(a);
        assertThat(a.movedBy(7, -3).movedBy(-7, 3)).isEqualTo(a);
    }

    /** By hand: a ring of 5 × 5 round a court of 1 × 1. */
    @Test
    void aRingHasTwoLoops() {
        var ring = Region.of(new Rect(0, 0, 5, 5)).minus(Region.of(new Rect(2, 2, 3, 3)));
        assertThat(ring.area()).isEqualTo(24);
        assertThat(ring.perimeter()).isEqualTo(24);
        assertThat(ring.loops())
                .containsExactly(
                        new Loop(List.of(new Corner(0, 0), new Corner(0, 5), new Corner(5, 5), new Corner(5, 0))),
                        new Loop(List.of(new Corner(2, 3), new Corner(2, 2), new Corner(3, 2), new Corner(3, 3))));
    }

    /** By hand: a cross of 1 thick arms, grown by 1 along both axes. */
    @Test
    void growingFillsTheCorners() {
        var cross = Region.of(List.of(new Rect(0, 4, 9, 5), new Rect(4, 0, 5, 9)));
        assertThat(cross.grown(1)).isEqualTo(Region.of(List.of(new Rect(-1, 3, 10, 6), new Rect(3, -1, 6, 10))));
        assertThat(cross.grown(4).area()).isEqualTo(2 * 17 * 9 - 9 * 9);
    }

    @Test
    void partsThatMeetInACornerHaveALoopEach() {
        var two = Region.of(List.of(new Rect(0, 0, 1, 1), new Rect(1, 1, 2, 2)));
        assertThat(two.loops()).hasSize(2).allSatisfy(loop -> assertThat(loop.corners())
                .hasSize(4));
        assertThat(two.covers(1, 1)).isTrue();
        assertThat(two.covers(0, 2)).isFalse();
    }
}
