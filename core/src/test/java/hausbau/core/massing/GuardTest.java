package hausbau.core.massing;

import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GuardTest {

    private static final Room HALL = new Room(1, "Hall", Vec.ZERO, mm(10_000), mm(8000), mm(6200));

    private static Massing massing(List<Room> rooms, Stair... stairs) {
        return new Massing(SiteSettings.USUAL, new Building(rooms, List.of(), List.of(stairs), List.of()));
    }

    private static Region ground(List<Guard> guards) {
        return Region.of(guards.stream()
                .map(g -> new Rect(
                        g.box().min().x(),
                        g.box().min().y(),
                        g.box().max().x(),
                        g.box().max().y()))
                .toList());
    }

    /** A gallery along two walls of the hall ends at the hall along an L: what stands there is a strip of 50 mm, without a gap in its inner corner and without overlap. */
    @Test
    void alongAnInnerCornerTheGuardsMeetWithoutGapOrOverlap() {
        var gallery = new Room(2, "Gallery", Vec.ofMillimetres(0, 8000, 3200), mm(10_000), mm(2000), mm(3000));
        var wing = gallery.over(gallery.outline().joined(new Rect(10_000_000, 0, 12_000_000, 10_000_000)));
        var guards = massing(List.of(HALL, wing)).guards(wing);
        var expected = Region.of(new Rect(0, 8_000_000, 10_050_000, 8_050_000))
                .plus(Region.of(new Rect(10_000_000, 0, 10_050_000, 8_050_000)));
        assertThat(ground(guards)).isEqualTo(expected);
        assertThat(guards.stream()
                        .mapToLong(g -> g.box().size().x() * (g.box().size().y() / 1000))
                        .sum())
                .isEqualTo(expected.area().longValueExact() / 1000);
        assertThat(guards)
                .allMatch(g -> g.box().min().z() == 3_200_000 && g.box().size().z() == Guard.HEIGHT.um());
    }

    /** Round a basin 1 m deep; where its steps come up, as wide as they are, there is none. */
    @Test
    void whereStepsComeUpTheEdgeIsFree() {
        var basin = new Room(2, "Basin", Vec.ofMillimetres(3000, 2000, -1000), mm(4000), mm(3000), mm(1000));
        var around = ground(massing(List.of(HALL, basin)).guards(HALL));
        assertThat(around.contains(Region.of(new Rect(2_950_000, 1_950_000, 3_000_000, 5_050_000))))
                .isTrue();
        var steps = Stair.usual(
                1,
                0,
                Stair.Shape.STRAIGHT,
                false,
                Vec.ofMillimetres(4475, 3500, -1000),
                new Turn(2),
                mm(1000),
                mm(1000),
                Unit.METRE);
        var mouth = steps.arrival(50_000);
        assertThat(mouth.x1()).isEqualTo(3_000_000);
        var free = ground(massing(List.of(HALL, basin), steps).guards(HALL));
        assertThat(free)
                .isEqualTo(around.minus(
                        Region.of(new Rect(mouth.x0(), mouth.y0() - 50_000, mouth.x1(), mouth.y1() + 50_000))));
    }

    /** By hand: a passage of 1.5 m in the wall between a hall and a room 3.2 m above its floor; the guard stands in the wall, at the face of the upper room. */
    @Test
    void anOpeningThatLeadsToADropHasAGuardAcrossIt() {
        var upper = new Room(2, "Upper", Vec.ofMillimetres(0, 8200, 3200), mm(10_000), mm(2000), mm(3000));
        var passage = new Opening(9, 2, Opening.Kind.PASSAGE, Side.SOUTH, mm(1000), mm(1500), mm(2200), mm(0));
        var guards = new Massing(SiteSettings.USUAL, List.of(HALL, upper), List.of(passage)).guards(upper);
        assertThat(guards).singleElement().satisfies(g -> assertThat(g.box())
                .isEqualTo(new Box(Vec.ofMillimetres(7500, 8150, 3200), Vec.ofMillimetres(9000, 8200, 4270))));
        var window = new Opening(9, 2, Opening.Kind.WINDOW, Side.SOUTH, mm(1000), mm(1500), mm(1300), mm(900));
        assertThat(new Massing(SiteSettings.USUAL, List.of(HALL, upper), List.of(window)).guards(upper))
                .isEmpty();
    }

    @Test
    void aWallOrAnotherFloorOfTheSameHeightNeedsNone() {
        var walled = new Room(2, "Walled", Vec.ofMillimetres(0, 8200, 3200), mm(10_000), mm(2000), mm(3000));
        assertThat(massing(List.of(HALL, walled)).guards(walled)).isEmpty();
        var level = List.of(room(1, 0, 0, 4000, 3000), room(2, 4000, 0, 4000, 3000));
        assertThat(massing(level).guards(level.get(0))).isEmpty();
    }

    /** A half turn in the middle of a hall: both flights on both sides, and the landing on the three that no flight meets. */
    @Test
    void theLandingOfFreeStandingStairsIsGuardedToo() {
        var stair = Stair.usual(
                1,
                0,
                Stair.Shape.HALF_TURN,
                false,
                Vec.ofMillimetres(3000, 3000, 0),
                Turn.NONE,
                mm(1000),
                mm(3400),
                Unit.METRE);
        var guards = massing(List.of(HALL), stair).guards(stair);
        assertThat(guards).filteredOn(Guard::sloped).hasSize(4);
        var landing = stair.parts().get(1).ground();
        var level = guards.stream().filter(g -> !g.sloped()).toList();
        assertThat(Region.of(landing).contains(ground(level))).isTrue();
        // Two ends of 1 m and a long side of 2.1 m, the corners counted once; nothing on the side that the flights
        // meet.
        assertThat(ground(level))
                .isEqualTo(Region.of(landing)
                        .minus(Region.of(new Rect(
                                landing.x0(), landing.y0() + 50_000, landing.x1() - 50_000, landing.y1() - 50_000))));
    }

    /** The rail of a drawing lies at 1.07 m, over posts no more than a metre apart; both stay within the guard. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void aDrawingShowsRailAndPostsWithinTheGuard(int quarters) {
        var along = new Turn(quarters);
        var box =
                along.apply(Box.of(0, 0, 0, 3_500_000, 50_000, 1_070_000)).movedBy(Vec.ofMillimetres(700, -300, 3200));
        var level = new Guard(box, along, 0, false);
        assertThat(level.bars()).allMatch(box::contains);
        assertThat(level.bars())
                .filteredOn(b -> b.size().z() == 60_000)
                .singleElement()
                .satisfies(
                        rail -> assertThat(rail.max().z()).isEqualTo(box.max().z()));
        assertThat(level.bars()).filteredOn(b -> b.size().z() == 1_070_000).hasSize(5);
        var high = new Box(box.min(), box.max().plus(Vec.ofMillimetres(0, 0, 1700)));
        var sloped = new Guard(high, along, 10, true);
        assertThat(sloped.bars()).allMatch(high::contains);
        // It rises the way it runs: the lowest post stands at the end that it begins from.
        var begin = along.apply(Vec.ofMillimetres(1, 0, 0));
        var lowest = sloped.bars().stream()
                .filter(b -> b.size().z() == 1_070_000)
                .min(java.util.Comparator.comparing(b -> b.min().z()))
                .orElseThrow();
        var highest = sloped.bars().stream()
                .filter(b -> b.size().z() == 1_070_000)
                .max(java.util.Comparator.comparing(b -> b.min().z()))
                .orElseThrow();
        var way = highest.min().minus(lowest.min());
        assertThat(way.x() * begin.x() + way.y() * begin.y()).isPositive();
    }
}
