package hausbau.core.hand;

import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.TestSets;
import hausbau.core.arrange.Snapping;
import hausbau.core.dress.Traits;
import hausbau.core.dress.Variety;
import hausbau.core.kit.Held;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.light.Lamps;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.repeat.Course;
import hausbau.core.repeat.Pace;
import hausbau.core.repeat.Variation;
import hausbau.core.standing.Body;
import hausbau.core.standing.Repeat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is fixed to walls and hangs, worked out by hand in a room of 6 × 4 m, 3 m high, on a step of 0.1 m. */
class ClingingTest {

    private static final Massing ROOM = massing(List.of(room(1, 0, 0, 6000, 4000)));
    /** 180 wide, 260 deep, 340 high. */
    private static final Kind WALL_LAMP = new Kind(Role.PROP, new Recipe.WallLamp(), Pivot.BASE_CENTRE);
    /** 1200 high. */
    private static final Kind HANGING_LAMP = new Kind(Role.PROP, new Recipe.HangingLamp(), Pivot.BASE_CENTRE);

    private static Snapping.Snapped snap(
            Massing massing, Kind kind, Vec at, Clinging.Offset offset, Standing... around) {
        return new Clinging(mm(100), massing, List.of(around))
                .snap(kind, Held.usual(kind), Stance.at(at, Turn.NONE), offset);
    }

    /** The back, the side of greater Y, comes to lie in the nearest wall's face; 130 mm of the lamp are before its pivot. */
    @ParameterizedTest
    @CsvSource({
        "3140, 3500, 0, 3100, 3870",
        "200, 2020, 1, 130, 2000",
        "2980, 300, 2, 3000, 130",
        "5700, 1960, 3, 5870, 2000"
    })
    void turnsToTheNearestWall(long x, long y, int quarters, long atX, long atY) {
        var stance = snap(ROOM, WALL_LAMP, Vec.ofMillimetres(x, y, 0), Clinging.Offset.NONE)
                .stance();
        assertThat(stance).isEqualTo(Stance.at(Vec.ofMillimetres(atX, atY, 1700), Turn.of(quarters)));
    }

    @Test
    void isAsHighAsItIsPointedAtOrToldTo() {
        var pointed = Vec.ofMillimetres(3000, 4000, 2230);
        assertThat(snap(ROOM, WALL_LAMP, pointed, Clinging.Offset.NONE)
                        .stance()
                        .at()
                        .z())
                .isEqualTo(mm(2200).um());
        var told = snap(ROOM, WALL_LAMP, pointed, new Clinging.Offset(Optional.of(mm(1234)), mm(50)))
                .stance();
        assertThat(told.at()).isEqualTo(Vec.ofMillimetres(3000, 3820, 1234));
    }

    /** Nudged by keys, picked up or set down again, it stays where it is: what has been snapped is not snapped elsewhere. */
    @Test
    void whatHasBeenSnappedStays() {
        for (var seed = 0; seed < 300; seed++) {
            var random = new Random(seed);
            var kind = random.nextBoolean() ? WALL_LAMP : HANGING_LAMP;
            var at = Vec.ofMillimetres(random.nextInt(6000), random.nextInt(4000), random.nextInt(3000));
            var once = snap(ROOM, kind, at, Clinging.Offset.NONE).stance();
            assertThat(snap(ROOM, kind, once.at(), Clinging.Offset.NONE).stance())
                    .as("seed %d", seed)
                    .isEqualTo(once);
        }
    }

    /** On a wall 1.7 m above the floor, 1.2 m of lamp under a ceiling of 3 m; elsewhere a rule is laid as it was told. */
    @Test
    void aRuleLaidOnTheFloorIsRaised() {
        var room = room(1, 0, 0, 6000, 4000);
        var course = new Course(
                Vec.ofMillimetres(0, 3870, 0),
                Vec.ofMillimetres(6000, 3870, 0),
                Pace.of(3),
                Length.ZERO,
                true,
                true,
                Variation.NONE);
        assertThat(Clinging.raised(course, Body.of(WALL_LAMP), Held.FIXED, room, Repeat.Hold.WALL))
                .isEqualTo(course.movedBy(Vec.ofMillimetres(0, 0, 1700)));
        assertThat(Clinging.raised(course, Body.of(HANGING_LAMP), Held.HANGS, room, Repeat.Hold.ROOM))
                .isEqualTo(course.movedBy(Vec.ofMillimetres(0, 0, 1800)));
        assertThat(Clinging.raised(course, Body.of(WALL_LAMP), Held.FIXED, room, Repeat.Hold.ROOM))
                .isEqualTo(course);
        assertThat(Clinging.raised(course, Body.of(TestSets.BENCH.kind()), Held.STANDS, room, Repeat.Hold.WALL))
                .isEqualTo(course);
        var higher = course.movedBy(Vec.ofMillimetres(0, 0, 500));
        assertThat(Clinging.raised(higher, Body.of(WALL_LAMP), Held.FIXED, room, Repeat.Hold.WALL))
                .isEqualTo(higher);
    }

    @Test
    void clingsToABodyThatItIsPointedAt() {
        var pillar = Standing.byHand(byHand(7, TestSets.block(400, 400, 3000), 2000, 2000, 0));
        var snapped = snap(ROOM, WALL_LAMP, Vec.ofMillimetres(2200, 1990, 1500), Clinging.Offset.NONE, pillar);
        assertThat(snapped.stance()).isEqualTo(Stance.at(Vec.ofMillimetres(2200, 1870, 1500), Turn.NONE));
        assertThat(snapped.holds().get(0))
                .isEqualTo(new Snapping.Hold('Y', Snapping.To.FACE, Optional.of(pillar.place())));
    }

    @Test
    void hangsFromTheCeilingOrWhatIsNearerAbove() {
        var at = Vec.ofMillimetres(3020, 2040, 0);
        assertThat(snap(ROOM, HANGING_LAMP, at, Clinging.Offset.NONE).stance().at())
                .isEqualTo(Vec.ofMillimetres(3000, 2000, 1800));
        assertThat(snap(ROOM, HANGING_LAMP, at, new Clinging.Offset(Optional.empty(), mm(300)))
                        .stance()
                        .at()
                        .z())
                .isEqualTo(mm(1500).um());
        var slab = new Piece(
                "FLR", "slab", Role.FLOOR, new Recipe.Tile(Vec.ofMillimetres(2000, 2000, 200)), Pivot.BASE_CORNER);
        var above = TestSets.standing(8, slab, 2500, 1500, 2500);
        assertThat(snap(ROOM, HANGING_LAMP, at, Clinging.Offset.NONE, above)
                        .stance()
                        .at()
                        .z())
                .isEqualTo(mm(1300).um());
        var sky = massing(List.of(room(1, 0, 0, 6000, 4000).under(true)));
        assertThat(snap(sky, HANGING_LAMP, at, Clinging.Offset.NONE)
                        .stance()
                        .at()
                        .z())
                .isZero();
    }

    private static Stance carried(Stance stance, Kind kind, Room is) {
        var hand = new HandPlacement(5, kind, stance, false);
        return Clinging.carried(List.of(hand), Traits.NONE, ROOM, massing(List.of(is))).stream()
                .map(HandPlacement::stance)
                .findFirst()
                .orElse(stance);
    }

    private static final Stance NORTH = Stance.at(Vec.ofMillimetres(2000, 3870, 1700), Turn.NONE);

    @Test
    void goesAlongWithItsWall() {
        var room = room(1, 0, 0, 6000, 4000);
        var farther = room.over(room.outline().moved(Side.NORTH.ordinal(), mm(700).um()));
        assertThat(carried(NORTH, WALL_LAMP, farther).at()).isEqualTo(Vec.ofMillimetres(2000, 4570, 1700));
        var longer = room.over(room.outline().moved(Side.WEST.ordinal(), mm(500).um()));
        assertThat(carried(NORTH, WALL_LAMP, longer)).isEqualTo(NORTH);
        assertThat(carried(NORTH, WALL_LAMP, room.arranged(false, 0, Vec.ofMillimetres(300, -200, 1000)))
                        .at())
                .isEqualTo(Vec.ofMillimetres(2300, 3670, 2700));
        // What stands on the floor is not carried.
        assertThat(carried(NORTH, TestSets.BENCH.kind(), farther)).isEqualTo(NORTH);
    }

    /**
     * A quarter turn of the room about its south-west corner, as its extent stays there: a lamp 2 m from the left end of the north
     * wall stands 2 m from the left end of the west wall, which is its south end.
     */
    @Test
    void turnsAndMirrorsWithItsRoom() {
        var room = room(1, 0, 0, 6000, 4000);
        assertThat(carried(NORTH, WALL_LAMP, room.arranged(false, 1, Vec.ZERO)))
                .isEqualTo(Stance.at(Vec.ofMillimetres(130, 2000, 1700), Turn.of(1)));
        assertThat(carried(NORTH, WALL_LAMP, room.arranged(true, 0, Vec.ZERO)))
                .isEqualTo(Stance.at(Vec.ofMillimetres(4000, 3870, 1700), Turn.NONE));
        var east = Stance.at(Vec.ofMillimetres(5870, 1000, 1700), Turn.of(3));
        assertThat(carried(east, WALL_LAMP, room.arranged(true, 0, Vec.ZERO)))
                .isEqualTo(Stance.at(Vec.ofMillimetres(130, 1000, 1700), Turn.of(1)));
    }

    @Test
    void goesAlongWithItsCeiling() {
        var room = room(1, 0, 0, 6000, 4000);
        var hanging = Stance.at(Vec.ofMillimetres(3000, 2000, 1800), Turn.NONE);
        var higher = room.reshaped("Room 1", Vec.ZERO, mm(6000), mm(4000), mm(3600));
        assertThat(carried(hanging, HANGING_LAMP, higher).at()).isEqualTo(Vec.ofMillimetres(3000, 2000, 2400));
        assertThat(carried(hanging, HANGING_LAMP, room.arranged(false, 0, Vec.ofMillimetres(100, 0, 0)))
                        .at())
                .isEqualTo(Vec.ofMillimetres(3100, 2000, 1800));
        // One that hangs a metre under the ceiling does not belong to it.
        var low = Stance.at(Vec.ofMillimetres(3000, 2000, 800), Turn.NONE);
        assertThat(carried(low, HANGING_LAMP, higher)).isEqualTo(low);
    }

    @Test
    void isHeldAsToldElseAsUsual() {
        var traits = new Traits(Map.of(TestSets.BENCH.kind(), new Traits.Trait(Held.FIXED, Variety.NONE, Lamps.NONE)));
        assertThat(traits.held(TestSets.BENCH.kind())).isEqualTo(Held.FIXED);
        assertThat(traits.held(WALL_LAMP)).isEqualTo(Held.FIXED);
        assertThat(traits.held(HANGING_LAMP)).isEqualTo(Held.HANGS);
        assertThat(Traits.NONE.held(TestSets.BENCH.kind())).isEqualTo(Held.STANDS);
    }
}
