package hausbau.core.massing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StepChangeTest {

    private static final List<Level> GROUND = List.of(Level.ground(SiteSettings.USUAL));

    private static Length mm(long mm) {
        return Length.ofMillimetres(mm);
    }

    private static Room room(long id, long x, long y, long width, long depth) {
        return new Room(id, "Room " + id, Vec.ofMillimetres(x, y, 0), mm(width), mm(depth), mm(3000));
    }

    private static StepChange onto(Length step, List<Room> rooms, Opening... openings) {
        return StepChange.of(
                SiteSettings.USUAL, new Building(rooms, List.of(openings), List.of(), List.of()), GROUND, step);
    }

    private static List<Long> eastWest(StepChange change) {
        return change.building().rooms().stream()
                .map(Room::clear)
                .flatMap(b -> List.of(b.min().x() / 1000, b.max().x() / 1000).stream())
                .toList();
    }

    @Test
    void aBuildingOnTheStepStaysAsItIs() {
        var door = new Opening(5, 1, Opening.Kind.DOOR, Side.SOUTH, mm(1000), mm(1000), mm(2100), mm(0));
        var change = onto(mm(100), List.of(room(1, 0, 0, 4000, 3000)), door);
        assertThat(change.moved()).isEmpty();
        assertThat(change.edges()).isZero();
        assertThat(change.most()).isEqualTo(Length.ZERO);
        assertThat(change.building().openings()).containsExactly(door);
        assertThat(change.settings()).isEqualTo(SiteSettings.USUAL);
    }

    /** By hand: of 0, 4 m and 3 m only 4 m is no whole number of 300 mm; 3.9 m is the nearest. */
    @Test
    void anEdgeGoesToTheNearestStep() {
        var change = onto(mm(300), List.of(room(1, 0, 0, 4000, 3000)));
        assertThat(eastWest(change)).containsExactly(0L, 3900L);
        assertThat(change.edges()).isEqualTo(1);
        assertThat(change.most()).isEqualTo(mm(100));
        assertThat(change.moved())
                .extracting(StepChange.Moved::text)
                .contains("Room 1: 3.9 m × 3 m × 3 m instead of 4 m × 3 m × 3 m");
    }

    /** By hand: 4 m goes to 3.9 m, and the room beyond the wall begins a wall of 300 mm farther on, not at 4.2 m's own nearest. */
    @Test
    void aWallBetweenTwoRoomsStaysAWall() {
        var change = onto(mm(300), List.of(room(1, 0, 0, 4000, 3000), room(2, 4200, 0, 4000, 3000)));
        assertThat(change.settings().wall()).isEqualTo(mm(300));
        assertThat(eastWest(change)).containsExactly(0L, 3900L, 4200L, 8100L);
    }

    /** By hand: −0.2 m is a wall of then 400 mm from zero, which stays; −4.2 m lies halfway between two steps and goes up. */
    @Test
    void whatLiesBelowZeroIsMovedOutwardFromIt() {
        var change = onto(mm(400), List.of(room(1, -4200, 0, 4000, 3200), room(2, 0, 0, 4000, 3200)));
        assertThat(change.settings().wall()).isEqualTo(mm(400));
        assertThat(eastWest(change)).containsExactly(-4000L, -400L, 0L, 4000L);
    }

    /** By hand: edges 100 mm apart are a step of half a metre apart afterwards. */
    @Test
    void edgesNeverFallTogether() {
        var niche = room(1, 0, 0, 4000, 3000)
                .outline()
                .joined(Room.ground(Vec.ofMillimetres(4000, 1000, 0), Vec.ofMillimetres(4100, 2000, 0), mm(100)));
        var change = onto(mm(500), List.of(room(1, 0, 0, 4000, 3000).over(niche)));
        assertThat(eastWest(change)).containsExactly(0L, 4500L);
        assertThat(change.building().rooms().get(0).outline().edges()).hasSize(8);
    }

    /** By hand: with 100 mm of jamb on both sides a door of 1 m has a panel of 1.2 m; it begins at 1.2 m, so the door at 1.3 m. */
    @Test
    void anOpeningSlidesUntilItsPanelIsOnTheStep() {
        var door = new Opening(5, 1, Opening.Kind.DOOR, Side.SOUTH, mm(1250), mm(1000), mm(2100), mm(0));
        var change = onto(mm(300), List.of(room(1, 0, 0, 4200, 3000)), door);
        assertThat(change.building().openings()).containsExactly(door.at(mm(1300)));
        assertThat(change.moved())
                .filteredOn(m -> m.text().contains("door"))
                .singleElement()
                .satisfies(m -> {
                    assertThat(m.edges()).isEqualTo(2);
                    assertThat(m.most()).isEqualTo(mm(50));
                    assertThat(m.roomId()).isEqualTo(1);
                    assertThat(m.text()).isEqualTo("Room 1, door at 1.25 m to 1.3 m");
                });
    }

    /**
     * By hand: the wall shrinks by 100 mm to 3.9 m. A door at 2.65 m that holds to the right end goes along, and its panel is
     * nearest at 2.4 m; one that holds to the left end stays, and its panel is nearest at 2.7 m.
     */
    @Test
    void anOpeningKeepsToTheEndThatItHoldsTo() {
        for (var hold : List.of(Opening.Hold.LEFT, Opening.Hold.RIGHT)) {
            var door = new Opening(
                    5, 1, Opening.Kind.DOOR, Side.NORTH.ordinal(), mm(2650), mm(1000), mm(2100), mm(0), hold);
            var change = onto(mm(300), List.of(room(1, 0, 0, 4000, 3000)), door);
            assertThat(change.building().openings().get(0).at())
                    .as("%s", hold)
                    .isEqualTo(mm(hold == Opening.Hold.LEFT ? 2800 : 2500));
        }
    }

    /**
     * By hand: panels of 1.5 m at 0.9 and 2.1 m would overlap by 300 mm; the second one slides on. The doors lie in one wall, one
     * of either room, and are counted from opposite ends.
     */
    @Test
    void openingsOfOneWallAreSlidApart() {
        var rooms = List.of(room(1, 0, 0, 6000, 3000), room(2, 0, -3300, 6000, 3000));
        var doors = List.of(
                new Opening(5, 1, Opening.Kind.DOOR, Side.SOUTH, mm(6000 - 1100 - 1100), mm(1100), mm(2100), mm(0)),
                new Opening(6, 2, Opening.Kind.DOOR, Side.NORTH, mm(2300), mm(1100), mm(2100), mm(0)));
        var settings = new SiteSettings(
                SiteSettings.USUAL.unit(),
                mm(300),
                mm(300),
                mm(3000),
                256,
                false,
                false,
                SiteSettings.USUAL.guardDrop(),
                Corners.POSTS);
        var now = new Massing(settings, rooms, doors);
        var change = StepChange.of(settings, now.building(), List.of(Level.ground(settings)), mm(300));
        var is = change.building().openings();
        var first = 6000 - is.get(0).end().um() / 1000;
        var second = is.get(1).at().um() / 1000;
        assertThat(List.of(first - 200, second - 200)).containsExactly(900L, 2400L);
        assertThat(change.massing(now).fit().misfits()).isEmpty();
    }

    /**
     * A hall is as high as a store and the loft over it; the doors of both go through the hall's wall. By hand: their panels of
     * 1.5 m at 1.2 and 2.4 m would overlap, though the doors' own rooms share no height.
     */
    @Test
    void openingsAboveOneAnotherAreSlidApartInTheWallOfARoomAsHighAsBoth() {
        var hall = new Room(1, "Hall", Vec.ofMillimetres(0, 0, 0), mm(6000), mm(3000), mm(6300));
        var store = room(2, 0, -3300, 6000, 3000);
        var loft = new Room(3, "Loft", Vec.ofMillimetres(0, -3300, 3300), mm(6000), mm(3000), mm(3000));
        var now = new Massing(
                SiteSettings.USUAL,
                List.of(hall, store, loft),
                List.of(
                        new Opening(5, 2, Opening.Kind.DOOR, Side.NORTH, mm(1350), mm(1100), mm(2100), mm(0)),
                        new Opening(6, 3, Opening.Kind.DOOR, Side.NORTH, mm(2500), mm(1100), mm(2100), mm(0))));
        var is = onto(mm(300), now.rooms(), now.openings().toArray(Opening[]::new))
                .building()
                .openings();
        assertThat(is.get(0).at()).isEqualTo(mm(1200 + 200));
        assertThat(is.get(1).at()).isEqualTo(mm(2700 + 200));
    }

    /** By hand: floors of 3 m with slabs of 200 mm lie 3.2 m apart, on 300 mm 3.3 m; the stair between them rises as far. */
    @Test
    void levelsStayASlabApartAndStairsReachThem() {
        var upper = new Level(9, "Upper", 3_200_000, mm(3200));
        var stair = Stair.usual(
                7,
                0,
                Stair.Shape.STRAIGHT,
                false,
                Vec.ofMillimetres(600, 600, 0),
                Turn.of(0),
                mm(1200),
                mm(3200),
                SiteSettings.USUAL.unit());
        var above = new Room(2, "Room 2", Vec.ofMillimetres(0, 0, 3200), mm(6000), mm(3000), mm(3000)).on(upper);
        var change = StepChange.of(
                SiteSettings.USUAL,
                new Building(List.of(room(1, 0, 0, 6000, 3000), above), List.of(), List.of(stair), List.of()),
                List.of(GROUND.get(0), upper),
                mm(300));
        assertThat(change.levels()).extracting(Level::floor).containsExactly(0L, 3_300_000L);
        assertThat(change.settings().storey()).isEqualTo(mm(3000));
        assertThat(change.building().rooms().get(1).floor()).isEqualTo(3_300_000);
        assertThat(change.building().stairs().get(0).top()).isEqualTo(3_300_000);
    }

    /** By hand: four panels of a step of 1.5 m do not fit into a wall of 4.5 m. */
    @Test
    void aStepThatLeavesAnOpeningNoWallIsRefused() {
        var doors = IntStream.range(0, 4)
                .mapToObj(i -> new Opening(
                        5 + i, 1, Opening.Kind.DOOR, Side.SOUTH, mm(200 + 900 * i), mm(600), mm(2100), mm(0)))
                .toList();
        var now = new Massing(SiteSettings.USUAL, List.of(room(1, 0, 0, 4000, 3000)), doors);
        assertThat(now.fit().misfits()).isEmpty();
        var change = StepChange.of(SiteSettings.USUAL, now.building(), GROUND, mm(1500));
        assertThatThrownBy(() -> change.massing(now))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("door");
    }

    /** Rooms in rows with walls between them, at places on no step: afterwards all is on the step, and walls are walls. */
    @ParameterizedTest
    @ValueSource(longs = {50_000, 100_000, 300_000, 304_800, 19_050, 400_000, 600_000, 123_457})
    void afterwardsEveryEdgeIsOnTheStep(long stepUm) {
        var step = new Length(stepUm);
        for (var seed = 0; seed < 60; seed++) {
            var random = new Random(seed);
            var rooms = new ArrayList<Room>();
            var x = -(long) random.nextInt(20_000) * 1000 - random.nextInt(1000);
            for (var n = 1; n <= 5; n++) {
                var width = 2_000_000L + random.nextInt(6_000_000);
                rooms.add(new Room(
                        n,
                        "Room " + n,
                        new Vec(x, 0, 0),
                        new Length(width),
                        new Length(2_000_000L + random.nextInt(4_000_000)),
                        new Length(2_500_000L + random.nextInt(2_000_000))));
                x += width + SiteSettings.USUAL.wall().um();
            }
            var change = onto(step, rooms);
            var wall = change.settings().wall();
            assertThat(wall.isMultipleOf(step)).as("seed %d", seed).isTrue();
            for (var i = 0; i < rooms.size(); i++) {
                var is = change.building().rooms().get(i);
                for (var v : List.of(
                        is.clear().min().x(),
                        is.clear().min().y(),
                        is.clear().max().x(),
                        is.clear().max().y(),
                        is.floor(),
                        is.ceiling())) {
                    assertThat(v % step.um()).as("seed %d, room %d", seed, i).isZero();
                }
                if (i > 0) {
                    assertThat(is.clear().min().x())
                            .as("seed %d, room %d", seed, i)
                            .isEqualTo(change.building()
                                            .rooms()
                                            .get(i - 1)
                                            .clear()
                                            .max()
                                            .x()
                                    + wall.um());
                }
            }
            // Done twice nothing moves any more.
            var again = StepChange.of(change.settings(), change.building(), change.levels(), step);
            assertThat(again.moved()).as("seed %d", seed).isEmpty();
        }
    }
}
