package hausbau.core.standing;

import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.repeat.Scatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/** What is strewn onto and among what stands. */
class StrewnTest {

    private static final Kind TABLE =
            new Kind(Role.PROP, new Recipe.Mass(Vec.ofMillimetres(1200, 800, 700)), Pivot.BASE_CENTRE);
    private static final Kind CUP =
            new Kind(Role.PROP, new Recipe.Mass(Vec.ofMillimetres(80, 60, 100)), Pivot.BASE_CENTRE);
    private static final Region GROUND = Region.of(new Rect(0, 0, 8_000_000, 6_000_000));

    private static Scatter scatter(
            int number,
            Scatter.Jitter jitter,
            List<Scatter.Dab> brushed,
            double perM2,
            Scatter.Lands lands,
            boolean clear) {
        return new Scatter(
                GROUND,
                0,
                number,
                perM2,
                Length.ZERO,
                jitter,
                Length.ZERO,
                Region.EMPTY,
                brushed,
                new Scatter.Landing(lands, mm(1500), clear, List.of()),
                List.of(),
                3);
    }

    private static Scatter landing(Scatter.Lands lands, boolean clear) {
        return scatter(400, Scatter.Jitter.turned(180), List.of(), 0, lands, clear);
    }

    private static List<HandPlacement> tables(int n) {
        var random = new Random(8);
        var all = new ArrayList<HandPlacement>();
        for (var i = 0; i < n; i++) {
            all.add(new HandPlacement(
                    10 + i,
                    TABLE,
                    Stance.at(
                            Vec.ofMillimetres(800 + 1600 * (i % 4) + random.nextInt(300), 600 + 1200 * (i / 4), 0),
                            new Turn(random.nextInt(2))),
                    false));
        }
        return all;
    }

    private static Decisions decisions(List<HandPlacement> hands, Scatter... scatters) {
        var repeats = new ArrayList<Repeat>();
        for (var s : scatters) {
            repeats.add(new Repeat(5 + repeats.size(), "Scatter", List.of(Body.of(CUP)), s, Optional.empty()));
        }
        return new Decisions(
                massing(List.of(room(1, 0, 0, 8000, 6000))),
                Optional.empty(),
                Hands.EMPTY.with(hands, List.of()),
                repeats,
                Assemblies.NONE,
                List.of(),
                Map.of());
    }

    private static List<Standing> cups(StandingSet set) {
        return set.all().stream()
                .filter(s -> s.place() instanceof Place.InRepeat)
                .toList();
    }

    @Test
    void whatLandsOnTopsLiesWholeOnOne() {
        var hands = tables(8);
        var cups = cups(StandingSet.of(decisions(hands, landing(Scatter.Lands.TOPS, false))));
        assertThat(cups).hasSizeGreaterThan(100).allSatisfy(c -> {
            assertThat(c.box().min().z()).isEqualTo(700_000);
            assertThat(hands).anyMatch(t -> t.stance()
                    .box(TABLE)
                    .grownBy(0)
                    .flat()
                    .contains(c.box().flat()));
        });
        assertThat(cups(StandingSet.of(decisions(hands, landing(Scatter.Lands.LEVEL, false)))))
                .hasSize(400)
                .allSatisfy(c -> assertThat(c.box().min().z()).isZero());
        var anywhere = cups(StandingSet.of(decisions(hands, landing(Scatter.Lands.ANYTHING, false))));
        assertThat(anywhere).extracting(c -> c.box().min().z()).containsOnly(0L, 700_000L);
    }

    /** Kept clear of what stands and of one another: no two boxes share volume, by JTS's STR-tree over all pairs. */
    @Test
    void whatIsKeptClearTouchesNothing() {
        var set = StandingSet.of(decisions(tables(8), landing(Scatter.Lands.LEVEL, true)));
        assertThat(cups(set)).hasSize(400);
        var tree = new STRtree();
        var all = set.all();
        all.forEach(s -> tree.insert(
                new Envelope(
                        s.box().min().x(),
                        s.box().max().x(),
                        s.box().min().y(),
                        s.box().max().y()),
                s));
        for (var one : all) {
            var box = one.box();
            for (var other : tree.query(new Envelope(
                    box.min().x(), box.max().x(), box.min().y(), box.max().y()))) {
                assertThat(other == one || !((Standing) other).box().overlaps(box))
                        .isTrue();
            }
        }
    }

    /** Whatever hands do around it: the set that follows is the one made from nothing; the second scatter sees the first. */
    @Test
    void itFollowsWhatStandsAroundIt() {
        var random = new Random(2);
        var hands = tables(8);
        var on = landing(Scatter.Lands.ANYTHING, true);
        var set = StandingSet.of(decisions(hands, on, landing(Scatter.Lands.ANYTHING, true)));
        for (var step = 0; step < 30; step++) {
            var i = random.nextInt(hands.size());
            var moved = new ArrayList<>(hands);
            var one = hands.get(i);
            moved.set(
                    i,
                    new HandPlacement(
                            one.id(),
                            TABLE,
                            one.stance()
                                    .movedBy(
                                            Vec.ofMillimetres(random.nextInt(-900, 900), random.nextInt(-900, 900), 0)),
                            true));
            hands = moved;
            var to = decisions(hands, on, landing(Scatter.Lands.ANYTHING, true));
            set = set.next(to);
            assertThat(set.digests()).isEqualTo(StandingSet.of(to).digests());
        }
        assertThat(cups(set)).hasSizeGreaterThan(700);
    }

    @Test
    void sizesAndTiltsKeepToTheirRanges() {
        var jitter = new Scatter.Jitter(180, 30, 50, 150);
        var cups = cups(
                StandingSet.of(decisions(List.of(), scatter(500, jitter, List.of(), 0, Scatter.Lands.LEVEL, false))));
        assertThat(cups).hasSize(500).allSatisfy(c -> {
            assertThat(c.stance().lean().scale()).isBetween(0.5, 1.5);
            assertThat(Math.abs(c.stance().lean().tilt())).isLessThanOrEqualTo(30);
            assertThat(c.box().min().z()).isBetween(-1L, 1L);
        });
        assertThat(cups.stream()
                        .mapToDouble(c -> c.stance().lean().scale())
                        .max()
                        .orElse(0))
                .isGreaterThan(1.4);
        assertThat(cups.stream()
                        .mapToDouble(c -> c.stance().lean().scale())
                        .min()
                        .orElse(2))
                .isLessThan(0.6);
    }

    /** A full touch of radius r holds half its disc: the integral of 1 - (s/r)² over it is πr²/2. */
    @Test
    void aBrushedTouchHoldsHalfItsDisc() {
        var dab = new Scatter.Dab(4_000_000, 3_000_000, mm(2000), 100);
        var cups = cups(StandingSet.of(decisions(
                List.of(), scatter(1, Scatter.Jitter.turned(0), List.of(dab), 100, Scatter.Lands.LEVEL, false))));
        var expected = 100 * Math.PI * 2 * 2 / 2;
        assertThat((double) cups.size()).isCloseTo(expected, within(expected * 0.02));
        assertThat(cups).allSatisfy(c -> assertThat(Math.hypot(
                        c.stance().at().x() - 4_000_000, c.stance().at().y() - 3_000_000))
                .isLessThanOrEqualTo(2_000_000));
        var rubbed = List.of(
                dab,
                new Scatter.Dab(5_000_000, 3_000_000, mm(1000), -100),
                new Scatter.Dab(5_000_000, 3_000_000, mm(1000), -100));
        var left = cups(StandingSet.of(
                decisions(List.of(), scatter(1, Scatter.Jitter.turned(0), rubbed, 100, Scatter.Lands.LEVEL, false))));
        assertThat(left.size()).isLessThan(cups.size() - 50);
        assertThat(left)
                .noneMatch(c -> Math.hypot(
                                c.stance().at().x() - 5_000_000, c.stance().at().y() - 3_000_000)
                        < 400_000);
    }
}
