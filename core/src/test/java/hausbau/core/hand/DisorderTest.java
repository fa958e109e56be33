package hausbau.core.hand;

import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Block;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Hands;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;

/** Disorder: never inside a neighbour, still on what it stood on, the same from the same seed. */
class DisorderTest {

    private static final Kind BENCH = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);
    private static final Kind SLAB =
            new Kind(Role.PROP, new Recipe.Mass(Vec.ofMillimetres(6000, 6000, 900)), Pivot.BASE_CENTRE);

    private static StandingSet set(List<HandPlacement> hands) {
        return StandingSet.of(new Decisions(
                massing(List.of(room(1, 0, 0, 5000, 4000))),
                Optional.empty(),
                Hands.EMPTY.with(hands, List.of()),
                Map.of()));
    }

    /** A bench every 1.7 m by 0.5 m, so that few have room to turn. */
    private static List<HandPlacement> rows(int across, int deep, long z) {
        var all = new ArrayList<HandPlacement>();
        for (var i = 0; i < across * deep; i++) {
            all.add(new HandPlacement(
                    100 + i,
                    BENCH,
                    Stance.at(Vec.ofMillimetres(1700L * (i % across), 500L * (i / across), z), Turn.NONE),
                    false));
        }
        return all;
    }

    private static List<Standing> standing(List<HandPlacement> hands) {
        return hands.stream().map(Standing::byHand).toList();
    }

    private static Geometry footprint(Stance s, Kind kind) {
        var box = kind.box();
        var corners = new Coordinate[5];
        for (var i = 0; i < 5; i++) {
            var x = i % 4 == 0 || i % 4 == 3 ? box.min().x() : box.max().x();
            var y = i % 4 < 2 ? box.min().y() : box.max().y();
            var at = s.at().plus(s.direction(x, y, 0));
            corners[i] = new Coordinate(at.x(), at.y());
        }
        return new GeometryFactory().createPolygon(corners);
    }

    /** Turned and shifted but upright: no two footprints share area, by JTS. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void noneIsLeftInsideItsNeighbour(long seed) {
        var hands = rows(6, 12, 0);
        var all = standing(hands);
        var stances = new Disorder(mm(400), 25, 0, 0, 0, seed).of(set(hands), all);
        var prints =
                stances.stream().map(s -> footprint(s.orElseThrow(), BENCH)).toList();
        for (var i = 0; i < prints.size(); i++) {
            for (var j = 0; j < i; j++) {
                // Less than a micrometre over a bench's length, squared.
                assertThat(prints.get(i).intersection(prints.get(j)).getArea()).isLessThan(4e6);
            }
        }
        var moved = IntStream.range(0, all.size())
                .filter(i -> !stances.get(i).orElseThrow().equals(all.get(i).stance()))
                .count();
        assertThat(moved).isGreaterThan(60);
        assertThat(stances).allSatisfy(s -> assertThat(Math.abs(s.orElseThrow().freeDegrees()))
                .isLessThanOrEqualTo(25));
    }

    /** Tilted and toppled: none shares volume, each rests where it rested, and stays on its slab. */
    @Test
    void whatTopplesRestsOnWhatItStoodOn() {
        var hands = rows(3, 4, 900);
        var slab = new HandPlacement(1, SLAB, Stance.at(Vec.ofMillimetres(1700, 750, 0), Turn.NONE), false);
        var around = new ArrayList<>(hands);
        around.add(slab);
        var stances = new Disorder(mm(900), 180, 20, 40, 0, 7).of(set(around), standing(hands));
        var toppled = 0;
        for (var i = 0; i < hands.size(); i++) {
            var stance = stances.get(i).orElseThrow();
            var box = stance.box(BENCH);
            assertThat(box.min().z()).isEqualTo(900_000);
            var x = (box.min().x() + box.max().x()) / 2;
            var y = (box.min().y() + box.max().y()) / 2;
            assertThat(Math.abs(x - 1_700_000) <= 3_000_000 && Math.abs(y - 750_000) <= 3_000_000)
                    .isTrue();
            toppled += Math.abs(stance.lean().tilt()) == 90
                            || Math.abs(stance.lean().roll()) == 90
                    ? 1
                    : 0;
            for (var j = 0; j < i; j++) {
                for (var mine : BENCH.solids()) {
                    for (var theirs : BENCH.solids()) {
                        assertThat(Block.shared(
                                        stance.block(mine.box(), BENCH),
                                        stances.get(j).orElseThrow().block(theirs.box(), BENCH)))
                                .isZero();
                    }
                }
            }
        }
        assertThat(toppled).isBetween(1, 10);
    }

    /** However they are named: by where they stand, so that a copy of a site comes out alike. */
    @Test
    void theSameSeedDisturbsAlikeInAnyOrder() {
        var hands = rows(5, 8, 0);
        var disorder = new Disorder(mm(300), 40, 10, 10, 20, 3);
        var once = disorder.of(set(hands), standing(hands));
        assertThat(disorder.of(set(hands), standing(hands))).isEqualTo(once);
        var order = new ArrayList<Integer>();
        for (var i = 0; i < hands.size(); i++) {
            order.add(i);
        }
        Collections.shuffle(order, new Random(5));
        var shuffled = disorder.of(
                set(hands),
                order.stream().map(i -> Standing.byHand(hands.get(i))).toList());
        for (var i = 0; i < order.size(); i++) {
            assertThat(shuffled.get(i)).isEqualTo(once.get(order.get(i)));
        }
        assertThat(new Disorder(mm(300), 40, 10, 10, 20, 4).of(set(hands), standing(hands)))
                .isNotEqualTo(once);
        // A fifth of forty: five standard deviations of 2.5 about 8.
        assertThat(once.stream().filter(Optional::isEmpty).count()).isBetween(1L, 20L);
    }

    /** Between two things that stand it has nowhere to go, and stays. */
    @Test
    void whatHasNoRoomStays() {
        var tight = List.of(new HandPlacement(1, BENCH, Stance.at(Vec.ZERO, Turn.NONE), false));
        var walls = new ArrayList<>(tight);
        var size = BENCH.box().size();
        var i = 2;
        for (var side : List.of(
                new Vec(size.x(), 0, 0), new Vec(-size.x(), 0, 0), new Vec(0, size.y(), 0), new Vec(0, -size.y(), 0))) {
            walls.add(new HandPlacement(i++, BENCH, Stance.at(side, Turn.NONE), false));
        }
        assertThat(new Disorder(mm(200), 30, 0, 0, 0, 1).of(set(walls), standing(tight)))
                .containsExactly(Optional.of(tight.get(0).stance()));
        assertThat(new HashSet<>(new Disorder(mm(200), 30, 0, 0, 0, 1).of(set(tight), standing(tight))))
                .doesNotContain(Optional.of(tight.get(0).stance()));
    }

    @Test
    void whatCannotBeIsRefusedWithItsField() {
        assertRefused(() -> new Disorder(new Length(-1), 0, 0, 0, 0, 1), "shiftMm");
        assertRefused(() -> new Disorder(Length.ZERO, 181, 0, 0, 0, 1), "turnDegrees");
        assertRefused(() -> new Disorder(Length.ZERO, 0, 46, 0, 0, 1), "tiltDegrees");
        assertRefused(() -> new Disorder(Length.ZERO, 0, 0, 101, 0, 1), "toppled");
        assertRefused(() -> new Disorder(Length.ZERO, 0, 0, 0, -1, 1), "leftOut");
    }

    private static void assertRefused(org.assertj.core.api.ThrowableAssert.ThrowingCallable work, String field) {
        assertThatThrownBy(work).isInstanceOfSatisfying(Refused.class, r -> assertThat(r.faults())
                .extracting(f -> f.field())
                .containsExactly(field));
    }
}
