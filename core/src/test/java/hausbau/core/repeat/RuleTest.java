package hausbau.core.repeat;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.fit.Filling;
import hausbau.core.measure.Box;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.math3.distribution.ChiSquaredDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/** Rules by themselves, about a body of 0.6 × 0.4 × 0.5 m whose pivot is the middle of its base. */
class RuleTest {

    private static final Box BODY = Box.of(-300_000, -200_000, 0, 300_000, 200_000, 500_000);

    record Spot(
            long key,
            int level,
            int pick,
            long x,
            long y,
            long z,
            int quarters,
            double degrees,
            boolean mirrored,
            Lean lean) {}

    static List<Spot> spots(Rule rule, Box... bodies) {
        var spots = new ArrayList<Spot>();
        rule.lay(
                bodies.length == 0 ? List.of(BODY) : List.of(bodies),
                (key, level, pick, x, y, z, q, d, m, lean) ->
                        spots.add(new Spot(key, level, pick, x, y, z, q, d, m, lean)));
        return spots;
    }

    private static Course course(long toMm, Pace pace, long insetMm, boolean half) {
        return new Course(Vec.ZERO, Vec.ofMillimetres(toMm, 0, 0), pace, mm(insetMm), half, false, Variation.NONE);
    }

    private static List<Long> xs(Rule rule) {
        return spots(rule).stream().map(s -> s.x() / 1000).toList();
    }

    /** By hand: five over 4 m stand a metre apart; inset by half a metre, 0.75 m apart; half a pitch from the ends, 0.8 m. */
    @Test
    void soManyAreEvenlyApart() {
        assertThat(xs(course(4000, Pace.of(5), 0, false))).containsExactly(0L, 1000L, 2000L, 3000L, 4000L);
        assertThat(xs(course(4000, Pace.of(5), 500, false))).containsExactly(500L, 1250L, 2000L, 2750L, 3500L);
        assertThat(xs(course(4000, Pace.of(5), 0, true))).containsExactly(400L, 1200L, 2000L, 2800L, 3600L);
        assertThat(xs(course(4000, Pace.of(1), 0, false))).containsExactly(2000L);
    }

    /** Sevenths of a metre in whole micrometres: against BigDecimal, and never further from the true place than half a micrometre. */
    @Test
    void whatDoesNotDivideIsRoundedOnceEach() {
        var exact = spots(course(1000, Pace.of(8), 0, false));
        for (var i = 0; i < 8; i++) {
            assertThat(exact.get(i).x())
                    .isEqualTo(BigDecimal.valueOf(1_000_000L * i)
                            .divide(BigDecimal.valueOf(7), 0, RoundingMode.HALF_UP)
                            .longValueExact());
        }
    }

    /** By hand: 4.3 m by 1 m leaves 0.3 m. */
    @Test
    void whatAPitchLeavesIsAtTheEndAtBothOrRefused() {
        assertThat(xs(course(4300, Pace.every(mm(1000), Pace.Rest.AFTER), 0, false)))
                .containsExactly(0L, 1000L, 2000L, 3000L, 4000L);
        assertThat(xs(course(4300, Pace.every(mm(1000), Pace.Rest.BOTH_ENDS), 0, false)))
                .containsExactly(150L, 1150L, 2150L, 3150L, 4150L);
        assertThatThrownBy(() -> spots(course(4300, Pace.every(mm(1000), Pace.Rest.REFUSED), 0, false)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("4000 mm or at 5000 mm");
        assertThat(spots(course(4000, Pace.every(mm(1000), Pace.Rest.REFUSED), 0, false)))
                .hasSize(5);
    }

    /** Against what fills walls: whether a length comes out in pieces of 0.6 m. */
    @ParameterizedTest
    @ValueSource(longs = {600, 1200, 1300, 5400, 5500, 6000, 9999, 12_000})
    void sideBySideComesOutWhereTheDividerSaysSo(long length) {
        var comesOut = new Filling(mm(1), List.of(mm(600)), mm(length))
                .fill(mm(length))
                .isPresent();
        var fitted = new Course(
                Vec.ZERO,
                Vec.ofMillimetres(length, 0, 0),
                new Pace(Pace.Kind.SIDE_BY_SIDE, Length.ZERO, 0, Pace.Rest.REFUSED),
                Length.ZERO,
                false,
                false,
                Variation.NONE);
        if (comesOut) {
            assertThat(spots(fitted)).hasSize((int) (length / 600));
            assertThat(spots(fitted).get(0).x()).isEqualTo(300_000);
        } else {
            assertThatThrownBy(() -> spots(fitted)).isInstanceOf(Refused.class);
        }
    }

    @Test
    void aSlantedCourseTurnsItsCopiesAlong() {
        var slanted = new Course(
                Vec.ZERO, Vec.ofMillimetres(3000, 4000, 0), Pace.of(6), Length.ZERO, false, true, Variation.NONE);
        assertThat(spots(slanted)).allSatisfy(s -> assertThat(s.degrees()).isCloseTo(53.13010235, within(1e-8)));
        assertThat(spots(slanted).get(5)).extracting(Spot::x, Spot::y).containsExactly(3_000_000L, 4_000_000L);
        assertThat(spots(slanted).get(1)).extracting(Spot::x, Spot::y).containsExactly(600_000L, 800_000L);
        var west = new Course(
                Vec.ZERO, Vec.ofMillimetres(-3000, 0, 0), Pace.of(2), Length.ZERO, false, true, Variation.NONE);
        assertThat(spots(west)).allSatisfy(s -> assertThat(s.quarters()).isEqualTo(2));
    }

    @Test
    void everySoManyIsAnother() {
        var varied = new Course(
                Vec.ZERO, Vec.ofMillimetres(5000, 0, 0), Pace.of(6), Length.ZERO, false, false, new Variation(3, 2, 0));
        assertThat(spots(varied, BODY, BODY)).extracting(Spot::pick).containsExactly(0, 0, 1, 0, 0, 1);
        assertThat(spots(varied, BODY, BODY))
                .extracting(Spot::mirrored)
                .containsExactly(false, true, false, true, false, true);
    }

    /** Twelve about a centre, against exact values: cos 30° = √3/2 to 40 places, the rest whole or half. */
    @Test
    void twelveAboutACentreStandExactly() {
        var radius = mm(3333);
        var ring =
                new Ring(Vec.ofMillimetres(7, -5, 0), radius, Pace.of(12), 0, 360_000, Ring.Facing.IN, Variation.NONE);
        var half = new BigDecimal(radius.um()).divide(BigDecimal.valueOf(2));
        var high = half.multiply(BigDecimal.valueOf(3).sqrt(new MathContext(40)));
        var h = half.setScale(0, RoundingMode.HALF_UP).longValueExact();
        var g = high.setScale(0, RoundingMode.HALF_UP).longValueExact();
        var r = radius.um();
        long[][] expected = {
            {r, 0}, {g, h}, {h, g}, {0, r}, {-h, g}, {-g, h}, {-r, 0}, {-g, -h}, {-h, -g}, {0, -r}, {h, -g}, {g, -h}
        };
        var spots = spots(ring);
        for (var i = 0; i < 12; i++) {
            assertThat(List.of(spots.get(i).x() - 7000, spots.get(i).y() + 5000))
                    .as("copy %d", i)
                    .containsExactly(expected[i][0], expected[i][1]);
        }
    }

    /** Whatever the radius and the count: mirrored in both axes a ring with a copy at the right is itself, and for multiples of eight in the diagonals too. */
    @ParameterizedTest
    @ValueSource(ints = {4, 6, 8, 12, 16, 20, 24, 60, 100, 360})
    void ringsAreSymmetricToTheLastMicrometre(int count) {
        for (var radius : new long[] {1_000, 1_234_567, 9_999_999, 77_777_777_777L}) {
            var places = spots(new Ring(
                            Vec.ZERO,
                            new Length(radius),
                            Pace.of(count),
                            0,
                            360_000,
                            Ring.Facing.ALIKE,
                            Variation.NONE))
                    .stream()
                    .map(s -> List.of(s.x(), s.y()))
                    .collect(Collectors.toSet());
            assertThat(places.stream().map(p -> List.of(p.get(0), -p.get(1))).collect(Collectors.toSet()))
                    .isEqualTo(places);
            assertThat(places.stream().map(p -> List.of(-p.get(0), p.get(1))).collect(Collectors.toSet()))
                    .isEqualTo(places);
            if (count % 4 == 0) {
                assertThat(places.stream()
                                .map(p -> List.of(-p.get(1), p.get(0)))
                                .collect(Collectors.toSet()))
                        .isEqualTo(places);
            }
        }
    }

    /** By hand: at the right of the centre what looks in has its front (least Y) to the left: turned by three quarters. */
    @Test
    void ringsFaceAsTold() {
        assertThat(List.of(Ring.Facing.IN, Ring.Facing.OUT, Ring.Facing.ALONG, Ring.Facing.ALIKE).stream()
                        .map(f -> spots(new Ring(Vec.ZERO, mm(1000), Pace.of(4), 0, 360_000, f, Variation.NONE))
                                .get(0)
                                .quarters()))
                .containsExactly(3, 1, 2, 0);
        var eight = spots(new Ring(Vec.ZERO, mm(1000), Pace.of(8), 0, 360_000, Ring.Facing.IN, Variation.NONE));
        assertThat(eight.get(1).degrees()).isEqualTo(315.0);
        assertThat(eight.get(2)).extracting(Spot::quarters, Spot::degrees).containsExactly(0, 0.0);
    }

    @Test
    void anArcHasCopiesAtBothEnds() {
        var arc = spots(new Ring(Vec.ZERO, mm(2000), Pace.of(3), 90_000, 180_000, Ring.Facing.ALIKE, Variation.NONE));
        assertThat(arc)
                .extracting(s -> List.of(s.x(), s.y()))
                .containsExactly(List.of(0L, 2_000_000L), List.of(-2_000_000L, 0L), List.of(0L, -2_000_000L));
    }

    private static Field field(Region area, boolean staggered, int columns, int rows) {
        return new Field(area, 0, Length.ZERO, Length.ZERO, staggered, columns, mm(1200), rows, mm(1000), 1, 0, 1);
    }

    /** TRADE.md, common practice: a store keeps its aisle width and rack pitch when the floor grows; it gets more racks. */
    @Test
    void aLargerFieldHasMoreColumnsNotWiderAisles() {
        var small = spots(field(Region.of(new Rect(0, 0, 6_000_000, 400_000)), false, 3, 0));
        var large = spots(field(Region.of(new Rect(0, 0, 9_500_000, 400_000)), false, 3, 0));
        // By hand: 0.3, 0.9, 1.5, then 1.2 m of aisle: 3.3, 3.9, 4.5; the next would end at 6.6 m.
        assertThat(small).extracting(s -> s.x() / 1000).containsExactly(300L, 900L, 1500L, 3300L, 3900L, 4500L);
        assertThat(large.subList(0, 6)).isEqualTo(small);
        assertThat(large).hasSize(9);
    }

    @Test
    void aFieldKeepsWithinItsGround() {
        var l = Region.of(new Rect(0, 0, 6_000_000, 2_000_000))
                .plus(Region.of(new Rect(0, 2_000_000, 1_200_000, 4_000_000)));
        // By hand: ten columns of five rows, then two columns of five rows.
        assertThat(spots(field(l, false, 0, 0))).hasSize(60);
        assertThat(spots(field(Region.of(new Rect(0, 0, 6_000_000, 2_000_000)), true, 0, 0)))
                .hasSize(10 + 9 + 10 + 9 + 10);
    }

    /** TRADE.md's store: ten columns of three in a block, ten rows; as many as are asked for stand, counted one by one. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void aFieldIsAskedForByItsColumnsAndRows(long seed) {
        var random = new Random(seed);
        var field = field(
                Region.of(new Rect(700_000, -300_000, 9_000_000, 5_000_000)),
                false,
                random.nextInt(0, 5),
                random.nextInt(0, 5));
        var grid = new Field.Grid(random.nextInt(1, 40), random.nextInt(1, 40));
        var asked = field.with(grid, BODY);
        var spots = spots(asked);
        assertThat(spots).as("seed %d", seed).hasSize(grid.columns() * grid.rows());
        assertThat(spots.stream().map(Spot::x).distinct()).hasSize(grid.columns());
        assertThat(asked.grid(BODY)).contains(grid);
        assertThat(asked.area().extent().x0()).as("its least corner stays").isEqualTo(700_000);
        // A micrometre less, and one column and one row fewer fit.
        var e = asked.area().extent();
        var less = asked.over(Region.of(new Rect(e.x0(), e.y0(), e.x1() - 1, e.y1() - 1)));
        assertThat(spots(less)).hasSize((grid.columns() - 1) * (grid.rows() - 1));
    }

    @Test
    void aFieldOnOddGroundHasNoNumberOfItsOwn() {
        var l = Region.of(new Rect(0, 0, 6_000_000, 2_000_000))
                .plus(Region.of(new Rect(0, 2_000_000, 1_200_000, 4_000_000)));
        assertThatThrownBy(() -> field(l, false, 0, 0).with(new Field.Grid(3, 3), BODY))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("no rectangle");
        assertThatThrownBy(() -> new Field.Grid(0, 3))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("across");
        assertThatThrownBy(() -> new Field.Grid(3, 2_001))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("deep");
    }

    /** A place keeps what it drew when the field grows. */
    @Test
    void chanceBelongsToThePlace() {
        var narrow = new Field(
                Region.of(new Rect(0, 0, 12_000_000, 8_000_000)),
                0,
                Length.ZERO,
                Length.ZERO,
                false,
                0,
                Length.ZERO,
                0,
                Length.ZERO,
                4,
                20,
                7);
        var wide = narrow.over(Region.of(new Rect(0, 0, 24_000_000, 8_000_000)));
        assertThat(new HashSet<>(spots(wide)).containsAll(spots(narrow))).isTrue();
        // 400 places, a fifth of them empty, from 1 to 4 high: 800 expected, and four standard deviations of about 28
        // either way.
        assertThat(spots(narrow).size()).isBetween(685, 915);
        assertThat(spots(narrow)).allSatisfy(s -> assertThat(s.z()).isEqualTo(500_000L * s.level()));
    }

    @Test
    void aStackRestsOnWhatIsBelow() {
        var low = Box.of(-100_000, -100_000, 0, 100_000, 100_000, 120_000);
        var stack = spots(new Stack(Vec.ofMillimetres(0, 0, 450), 4, 10, mm(20), false, 3), BODY, low);
        assertThat(stack).extracting(s -> s.z() / 1000).containsExactly(450L, 950L, 1070L, 1570L);
        assertThat(stack)
                .allSatisfy(s -> assertThat(Math.abs(s.degrees())).isLessThanOrEqualTo(10))
                .allSatisfy(s -> assertThat(Math.abs(s.x())).isLessThanOrEqualTo(20_000));
        assertThat(stack.stream().map(Spot::degrees).distinct().count()).isGreaterThan(1);
    }

    /** A square path of 4 m rounded by 2 m is a circle: 2πr. */
    @Test
    void aTrailRoundedToACircleIsAsLongAsOne() {
        var square = List.of(
                Vec.ofMillimetres(2000, -2000, 0),
                Vec.ofMillimetres(2000, 2000, 0),
                Vec.ofMillimetres(-2000, 2000, 0),
                Vec.ofMillimetres(-2000, -2000, 0));
        var trail =
                new Trail(square, true, mm(2000), Pace.of(16), Length.ZERO, false, Trail.Joints.NONE, Variation.NONE);
        assertThat(trail.length()).isCloseTo(2 * Math.PI * 2_000_000, within(1e-3));
        assertThat(spots(trail))
                .allSatisfy(s -> assertThat(Math.hypot(s.x(), s.y())).isCloseTo(2_000_000, within(2.0)));
        // Right of the path is outside of a path that goes counter-clockwise.
        var outside = new Trail(square, true, mm(2000), Pace.of(16), mm(300), true, Trail.Joints.NONE, Variation.NONE);
        assertThat(spots(outside)).hasSize(32).allSatisfy(s -> assertThat(Math.hypot(s.x(), s.y()))
                .isCloseTo(s.key() % 2 == 0 ? 2_300_000 : 1_700_000, within(2.0)));
        assertThat(spots(outside)).allSatisfy(s -> assertThat(s.mirrored()).isEqualTo(s.key() % 2 == 1));
    }

    /** Each side of a basin of 10 × 8 m by itself: tiles of its edge's length fitted between corners of their own, worked out by hand. */
    @Test
    void stretchesArePacedByThemselvesAndCornersHaveTheirOwn() {
        var tile = Box.of(0, -100_000, 0, 500_000, 100_000, 50_000);
        var corner = Box.of(-100_000, -100_000, 0, 100_000, 100_000, 50_000);
        var basin = List.of(
                Vec.ZERO,
                Vec.ofMillimetres(10_000, 0, 0),
                Vec.ofMillimetres(10_000, 8000, 0),
                Vec.ofMillimetres(0, 8000, 0));
        var joints = new Trail.Joints(true, mm(250), false, true, false);
        var trail = new Trail(
                basin,
                true,
                Length.ZERO,
                new Pace(Pace.Kind.SIDE_BY_SIDE, Length.ZERO, 0, Pace.Rest.BOTH_ENDS),
                Length.ZERO,
                false,
                joints,
                Variation.NONE);
        var spots = spots(trail, tile, corner);
        // 9.5 m by 0.5 is 19 a side, 7.5 m is 15: both twice, and four corners.
        assertThat(spots).hasSize(2 * 19 + 2 * 15 + 4);
        assertThat(spots.stream().filter(s -> s.pick() == 1).map(s -> List.of(s.x() / 1000, s.y() / 1000)))
                .containsExactlyInAnyOrder(
                        List.of(0L, 0L), List.of(10_000L, 0L), List.of(10_000L, 8000L), List.of(0L, 8000L));
        var south = spots.stream()
                .filter(s -> s.pick() == 0 && s.y() == 0)
                .map(Spot::x)
                .sorted()
                .toList();
        assertThat(south).hasSize(19).startsWith(250_000L, 750_000L).endsWith(9_250_000L);
        assertThat(spots).allSatisfy(s -> assertThat(s.degrees()).isZero());
        assertThat(spots.stream().map(Spot::key).distinct()).hasSameSizeAs(spots);
        // A quarter of a metre outside, where both sides' lines meet: to the right of a way that goes
        // counter-clockwise.
        var outside = new Trail(
                basin,
                true,
                Length.ZERO,
                new Pace(Pace.Kind.SIDE_BY_SIDE, Length.ZERO, 0, Pace.Rest.AFTER),
                mm(250),
                false,
                joints,
                Variation.NONE);
        assertThat(spots(outside, tile, corner).stream()
                        .filter(s -> s.pick() == 1)
                        .map(s -> List.of(s.x() / 1000, s.y() / 1000)))
                .containsExactlyInAnyOrder(
                        List.of(-250L, -250L), List.of(10_250L, -250L), List.of(10_250L, 8250L), List.of(-250L, 8250L));
        // Open: its ends are no bends, and have the other piece where that is asked for.
        var open = new Trail(
                basin,
                false,
                Length.ZERO,
                Pace.of(9),
                Length.ZERO,
                false,
                new Trail.Joints(false, Length.ZERO, true, false, false),
                Variation.NONE);
        assertThat(spots(open, tile, corner).stream().filter(s -> s.pick() == 1).map(Spot::key))
                .containsExactly(0L, 16L);
    }

    /** An ellipse as a path of 720 points, against Ramanujan's second approximation (1914), good to 1e-5 here. */
    @Test
    void aTrailOfManyPointsIsAsLongAsItsCurve() {
        double a = 5_000_000;
        double b = 3_000_000;
        var path = new ArrayList<Vec>();
        for (var i = 0; i < 720; i++) {
            path.add(new Vec(
                    Math.round(a * Math.cos(Math.PI * i / 360)), Math.round(b * Math.sin(Math.PI * i / 360)), 0));
        }
        var h = Math.pow((a - b) / (a + b), 2);
        var expected = Math.PI * (a + b) * (1 + 3 * h / (10 + Math.sqrt(4 - 3 * h)));
        assertThat(new Trail(
                                path,
                                true,
                                Length.ZERO,
                                Pace.of(10),
                                Length.ZERO,
                                false,
                                Trail.Joints.NONE,
                                Variation.NONE)
                        .length())
                .isCloseTo(expected, within(expected * 1e-5));
    }

    @Test
    void aTrailClimbsWithItsPath() {
        var up = new Trail(
                List.of(Vec.ZERO, Vec.ofMillimetres(4000, 0, 2000)),
                false,
                Length.ZERO,
                Pace.of(5),
                Length.ZERO,
                false,
                Trail.Joints.NONE,
                Variation.NONE);
        assertThat(spots(up)).extracting(s -> s.z() / 1000).containsExactly(0L, 500L, 1000L, 1500L, 2000L);
    }

    private static Scatter scatter(int number, long leastMm, long seed) {
        return new Scatter(
                Region.of(new Rect(0, 0, 20_000_000, 10_000_000)),
                0,
                number,
                0,
                mm(leastMm),
                Scatter.Jitter.turned(180),
                Length.ZERO,
                Region.EMPTY,
                List.of(),
                Scatter.Landing.LEVEL,
                List.of(),
                seed);
    }

    /** No two nearer than the least distance, by JTS's STR-tree over all pairs. */
    @Test
    void whatIsStrewnKeepsItsDistance() {
        var spots = spots(scatter(3000, 150, 5));
        assertThat(spots.size()).isGreaterThan(2900);
        var tree = new STRtree();
        spots.forEach(s -> tree.insert(new Envelope(new Coordinate(s.x(), s.y())), s));
        for (var s : spots) {
            var near = new Envelope(s.x() - 150_000, s.x() + 150_000, s.y() - 150_000, s.y() + 150_000);
            for (var other : tree.query(near)) {
                var o = (Spot) other;
                assertThat(o == s || Math.hypot(o.x() - s.x(), o.y() - s.y()) >= 150_000)
                        .isTrue();
            }
        }
    }

    /** Evenly dense: chi-square over 50 cells of 4 m², at a thousandth. */
    @Test
    void whatIsStrewnIsEvenlyDense() {
        var cells = new int[50];
        spots(scatter(5000, 0, 11)).forEach(s -> cells[(int) (s.x() / 2_000_000) * 5 + (int) (s.y() / 2_000_000)]++);
        var chi = 0.0;
        for (var n : cells) {
            chi += (n - 100.0) * (n - 100.0) / 100;
        }
        assertThat(chi)
                .isLessThan(new ChiSquaredDistribution(49).inverseCumulativeProbability(0.999))
                .isGreaterThan(new ChiSquaredDistribution(49).inverseCumulativeProbability(0.001));
    }

    @Test
    void theSameSeedStrewsTheSame() {
        assertThat(spots(scatter(500, 100, 3)))
                .isEqualTo(spots(scatter(500, 100, 3)))
                .isNotEqualTo(spots(scatter(500, 100, 4)));
        // These very places on every machine: SplittableRandom and whole numbers are specified.
        assertThat(spots(scatter(2, 0, 3)).get(0))
                .isEqualTo(spots(scatter(500, 0, 3)).get(0));
    }

    @Test
    void whatIsKeptOutStaysFreeAndTheEdgeIsThin() {
        var keepOut = Region.of(new Rect(5_000_000, 0, 15_000_000, 10_000_000));
        var faded = new Scatter(
                Region.of(new Rect(0, 0, 20_000_000, 10_000_000)),
                0,
                2000,
                0,
                Length.ZERO,
                Scatter.Jitter.turned(0),
                mm(2000),
                keepOut,
                List.of(),
                Scatter.Landing.LEVEL,
                List.of(3, 1),
                9);
        var spots = spots(faded, BODY, BODY);
        assertThat(spots)
                .allSatisfy(
                        s -> assertThat(s.x() < 5_000_000 || s.x() > 15_000_000).isTrue())
                .allSatisfy(s -> assertThat(s.degrees()).isZero());
        var near = spots.stream().filter(s -> s.y() < 1_000_000).count();
        var middle = spots.stream()
                .filter(s -> s.y() > 4_500_000 && s.y() < 5_500_000)
                .count();
        assertThat(near * 2).isLessThan(middle);
        // Three to one: four standard deviations of about 19 about 500.
        assertThat(spots.stream().filter(s -> s.pick() == 1).count()).isBetween(420L, 580L);
    }

    @Test
    void whatCannotBeIsRefusedWithItsField() {
        assertRefused(() -> spots(course(0, Pace.of(5), 0, false)), "toMm");
        assertRefused(() -> spots(course(1000, Pace.of(5), 600, false)), "insetMm");
        assertRefused(() -> Pace.of(0), "count");
        assertRefused(() -> Pace.every(Length.ZERO, Pace.Rest.AFTER), "pitchMm");
        assertRefused(
                () -> spots(course(100_000_000, Pace.every(new Length(10), Pace.Rest.AFTER), 0, false)), "pitchMm");
        assertRefused(
                () -> spots(field(Region.of(new Rect(0, 0, 9_000_000_000L, 9_000_000_000L)), false, 0, 0)), "pitchXMm");
        assertRefused(
                () -> new Ring(Vec.ZERO, Length.ZERO, Pace.of(3), 0, 360_000, Ring.Facing.IN, Variation.NONE),
                "radiusMm");
        assertRefused(
                () -> new Trail(
                        List.of(Vec.ZERO),
                        false,
                        Length.ZERO,
                        Pace.of(3),
                        Length.ZERO,
                        false,
                        Trail.Joints.NONE,
                        Variation.NONE),
                "pathMm");
    }

    private static void assertRefused(org.assertj.core.api.ThrowableAssert.ThrowingCallable work, String field) {
        assertThatThrownBy(work).isInstanceOfSatisfying(Refused.class, r -> assertThat(r.faults())
                .extracting(f -> f.field())
                .contains(field));
    }

    /** Keys tell copies apart. */
    @Test
    void everyCopyHasAKeyOfItsOwn() {
        var rules = List.<Rule>of(
                course(5000, Pace.of(9), 0, false),
                field(Region.of(new Rect(0, 0, 9_000_000, 9_000_000)), true, 3, 2),
                scatter(300, 0, 1),
                new Ring(Vec.ZERO, mm(500), Pace.of(7), 0, 360_000, Ring.Facing.IN, Variation.NONE));
        for (var rule : rules) {
            Set<List<Long>> keys = spots(rule).stream()
                    .map(s -> List.of(s.key(), (long) s.level()))
                    .collect(Collectors.toSet());
            assertThat(keys).hasSameSizeAs(spots(rule));
        }
    }

    /**
     * Beside a path that runs through the middle of 8 × 4 m it gets thinner over a metre: of the 2 × 8 m² there half stay (the mean of
     * d/1 m), of the other 16 m² all. Within four standard deviations of the binomial.
     */
    @Test
    void aScatterGetsThinnerTowardAPath() {
        var area = Region.of(new Rect(0, 0, 8_000_000, 4_000_000));
        var path = List.of(Vec.ofMillimetres(-1000, 2000, 0), Vec.ofMillimetres(9000, 2000, 0));
        var scatter = new Scatter(
                area,
                0,
                3000,
                0,
                Length.ZERO,
                Scatter.Jitter.turned(0),
                new Scatter.Thin(Length.ZERO, path, mm(1000)),
                Region.EMPTY,
                List.of(),
                Scatter.Landing.LEVEL,
                List.of(),
                9);
        var near = new int[1];
        var at = new int[1];
        scatter.lay(
                List.of(Box.of(0, 0, 0, 1, 1, 1)), (key, level, pick, x, y, z, quarters, degrees, mirrored, lean) -> {
                    near[0] += Math.abs(y - 2_000_000) < 1_000_000 ? 1 : 0;
                    at[0] += Math.abs(y - 2_000_000) < 100_000 ? 1 : 0;
                });
        // 8 m² in 24 m² of what stays; of that within a tenth of the way a hundredth.
        assertThat(near[0])
                .isBetween((int) (1000 - 4 * Math.sqrt(3000 * 2 / 9.0)), (int) (1000 + 4 * Math.sqrt(3000 * 2 / 9.0)));
        assertThat(at[0]).isBetween(0, 10 + (int) (4 * Math.sqrt(10)));
        assertThat(scatter.movedBy(Vec.ofMillimetres(500, 0, 0)).thin().paths().get(0))
                .isEqualTo(Vec.ofMillimetres(-500, 2000, 0));
        assertThatThrownBy(() -> new Scatter.Thin(Length.ZERO, path.subList(0, 1), mm(1000)))
                .isInstanceOf(Refused.class);
    }

    /**
     * Up a slope of 3 to 4 pieces of 1 m lie end to end: each takes 0.8 m of the plan and 0.6 m of height, so that five fill 4 m; they are
     * rolled by -36.87 degrees, and the end of one is the beginning of the next.
     */
    @Test
    void aSlopedTrailLiesEndToEnd() {
        var path = List.of(Vec.ofMillimetres(0, 0, 0), Vec.ofMillimetres(4000, 0, 3000));
        var side = new Pace(Pace.Kind.SIDE_BY_SIDE, Length.ZERO, 0, Pace.Rest.BOTH_ENDS);
        var trail = new Trail(
                path,
                false,
                Length.ZERO,
                side,
                Length.ZERO,
                false,
                new Trail.Joints(true, Length.ZERO, false, false, true),
                Variation.NONE);
        for (var from : new long[] {-500_000, 0}) {
            var starts = new ArrayList<double[]>();
            trail.lay(
                    List.of(Box.of(from, 0, 0, from + 1_000_000, 50_000, 50_000)),
                    (key, level, pick, x, y, z, quarters, degrees, mirrored, lean) -> {
                        assertThat(lean.roll()).isCloseTo(-Math.toDegrees(Math.atan2(3, 4)), within(1e-9));
                        starts.add(new double[] {x + 0.8 * from, y, z + 0.6 * from});
                    });
            assertThat(starts).hasSize(5);
            for (var i = 0; i < 5; i++) {
                assertThat(starts.get(i)).containsExactly(new double[] {800_000 * i, 0, 600_000 * i}, within(1.0));
            }
        }
    }
}
