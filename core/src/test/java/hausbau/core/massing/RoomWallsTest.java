package hausbau.core.massing;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.roomsAnyhow;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;
import static org.assertj.core.api.Assertions.tuple;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Walls of 200 mm round rooms 3 m high; random plans against a count on a grid of the step. */
class RoomWallsTest {

    private static final int PLANS = 200;

    static LongStream seeds() {
        return LongStream.range(0, PLANS);
    }

    private static SiteSettings settings(boolean skins) {
        var u = SiteSettings.USUAL;
        return u.withSkins(skins);
    }

    private static Rect rect(long x0, long y0, long x1, long y1) {
        return new Rect(x0 * 1000, y0 * 1000, x1 * 1000, y1 * 1000);
    }

    private static List<Box> bodies(Massing massing) {
        return Stream.concat(
                        massing.runs().stream().map(WallRun::box),
                        massing.posts().stream().flatMap(p -> p.boxes().stream()))
                .toList();
    }

    private static final int CELLS = 300;
    private static final int EDGE = 20;
    /** A skin may end on half a step. */
    private static final long CELL = 50_000;

    /** Every cell of the grid that is no void and lies within a wall of one is in just one body, and no other is in any. */
    private static void partition(Massing massing) {
        var covered = new int[CELLS][CELLS];
        for (var box : bodies(massing)) {
            for (var x = (int) (box.min().x() / CELL) + EDGE; x < box.max().x() / CELL + EDGE; x++) {
                for (var y = (int) (box.min().y() / CELL) + EDGE; y < box.max().y() / CELL + EDGE; y++) {
                    covered[x][y]++;
                }
            }
        }
        var voids = new boolean[CELLS][CELLS];
        var near = new boolean[CELLS][CELLS];
        for (var x = 4; x < CELLS - 4; x++) {
            for (var y = 4; y < CELLS - 4; y++) {
                var px = (x - EDGE) * CELL + CELL / 2;
                var py = (y - EDGE) * CELL + CELL / 2;
                voids[x][y] = massing.rooms().stream().anyMatch(r -> isInside(r, px, py));
                if (voids[x][y]) {
                    for (var dx = -4; dx <= 4; dx++) {
                        Arrays.fill(near[x + dx], y - 4, y + 5, true);
                    }
                }
            }
        }
        for (var x = 0; x < CELLS; x++) {
            for (var y = 0; y < CELLS; y++) {
                if (covered[x][y] != (near[x][y] && !voids[x][y] ? 1 : 0)) {
                    fail("cell %d %d is covered %d times: %s", x - EDGE, y - EDGE, covered[x][y], massing.rooms());
                }
            }
        }
    }

    /** Even-odd rule along a ray to the west. */
    private static boolean isInside(Room room, long x, long y) {
        return room.outline().edges().stream()
                                .filter(e -> e.x0() == e.x1()
                                        && e.x0() < x
                                        && Math.min(e.y0(), e.y1()) < y
                                        && y < Math.max(e.y0(), e.y1()))
                                .count()
                        % 2
                == 1;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void stretchesAndPostsPartitionTheMass(long seed) {
        var rooms = roomsAnyhow(new Random(seed), 5);
        partition(new Massing(settings(seed % 2 == 0), rooms, List.of()));
    }

    /** However corners are built: the same mass, parted otherwise. */
    @ParameterizedTest
    @MethodSource("seeds")
    void corneredOtherwiseTheyPartitionTheMassToo(long seed) {
        var rooms = roomsAnyhow(new Random(seed), 5);
        partition(new Massing(
                settings(seed % 4 < 2).with(new Corners(seed % 2 == 0 ? Corners.Kind.LEG : Corners.Kind.LAP, mm(150))),
                rooms,
                List.of()));
    }

    private static Massing square(Corners.Kind kind) {
        return new Massing(
                settings(false).with(new Corners(kind, mm(100))), List.of(room(1, 0, 0, 5000, 4000)), List.of());
    }

    /** TRADE.md: one corner piece with 100 legs both ways; what is left of 5 m and 4 m is 200 mm less. */
    @Test
    void aCornerPieceTakesALegOfBothWalls() {
        assertThat(square(Corners.Kind.LEG).runs())
                .extracting(WallRun::length)
                .containsExactly(mm(4800), mm(3800), mm(4800), mm(3800));
        assertThat(square(Corners.Kind.LEG).posts()).hasSize(4).allSatisfy(p -> assertThat(p.boxes())
                .hasSize(3));
    }

    /** Thickness eats into one side of every corner: each of the four walls runs over the corner at its left end. */
    @Test
    void aLappedWallIsLongerThanItsRoomByTheWallsThickness() {
        var lapped = square(Corners.Kind.LAP);
        assertThat(lapped.posts()).isEmpty();
        assertThat(lapped.runs()).extracting(WallRun::length).containsExactly(mm(5200), mm(4200), mm(5200), mm(4200));
        assertThat(lapped.runs())
                .allSatisfy(r -> assertThat(r.laps()).isEqualTo(new WallRun.Laps(mm(200), Length.ZERO)));
        assertThat(lapped.runs().get(0).start()).isEqualTo(Vec.ofMillimetres(-200, 4000, 0));
    }

    /** By hand: a door 1 m from the room's corner is 1.2 m along the wall that runs 200 mm over it. */
    @Test
    void openingsKeepTheirPlaceInALappedWall() {
        var massing = new Massing(
                settings(false).with(new Corners(Corners.Kind.LAP, mm(100))),
                List.of(room(1, 0, 0, 5000, 4000)),
                List.of(door(9, Side.NORTH, 1000, 900)));
        assertThat(massing.runs().get(0).panels()).singleElement().satisfies(p -> assertThat(p.from())
                .isEqualTo(mm(1200)));
        assertThat(massing.runs()
                        .get(0)
                        .gap(massing.runs().get(0).panels().get(0))
                        .min())
                .isEqualTo(Vec.ofMillimetres(1000, 4000, 0));
        var tight = new Massing(massing.settings(), massing.rooms(), List.of(door(9, Side.NORTH, 50, 900)));
        assertThat(tight.fit().misfits())
                .singleElement()
                .satisfies(m -> assertThat(m.fault().message()).contains("it can begin from 0.1 m to 4 m"));
    }

    /** Where three walls meet, and where a low room ends at a high one, a post stands whatever is chosen. */
    @Test
    void whereMoreThanTwoWallsMeetPostsStay() {
        var rooms = List.of(room(1, 0, 0, 5000, 4000), room(2, 5200, 0, 3000, 4000));
        for (var kind : List.of(Corners.Kind.LEG, Corners.Kind.LAP)) {
            var massing = new Massing(settings(false).with(new Corners(kind, mm(100))), rooms, List.of());
            assertThat(massing.posts().stream().filter(p -> p.legs().isEmpty()))
                    .extracting(p -> p.box().min().x())
                    .containsOnly(5_000_000L)
                    .hasSize(2);
        }
    }

    /** By hand: 300 mm at the east, else 200: the post there is 300 by 200, and the wall as thick as told. */
    @Test
    void oneSideHasAWallOfItsOwn() {
        var room = room(1, 0, 0, 5000, 4000).walled(Side.EAST.ordinal(), mm(300));
        var massing = massing(List.of(room));
        assertThat(massing.runs()).extracting(WallRun::depth).containsExactly(mm(200), mm(300), mm(200), mm(200));
        assertThat(massing.posts())
                .extracting(p -> p.box().size().x())
                .containsExactlyInAnyOrder(mm(200).um(), mm(200).um(), mm(300).um(), mm(300).um());
        assertThat(bodies(massing).stream().reduce(Box::union))
                .contains(new Box(Vec.ofMillimetres(-200, -200, 0), Vec.ofMillimetres(5300, 4200, 3000)));
    }

    /** Rectangles on the step with walls of their own: all of the ground in their walls is in just one body. */
    @ParameterizedTest
    @MethodSource("seeds")
    void wallsOfTheirOwnPartitionTheMass(long seed) {
        var random = new Random(seed);
        var rooms = new ArrayList<Room>();
        var voids = Region.EMPTY;
        var walls = Region.EMPTY;
        for (var id = 1L; id <= 1 + random.nextInt(4); id++) {
            var room = room(
                    id,
                    100 * random.nextInt(60),
                    100 * random.nextInt(60),
                    800 + 100 * random.nextInt(40),
                    800 + 100 * random.nextInt(40));
            var own = random.ints(4, 0, 4)
                    .mapToLong(n -> n == 0 ? 0 : 100_000L * n)
                    .toArray();
            for (var side : Side.values()) {
                room = room.walled(side.ordinal(), new Length(own[side.ordinal()]));
            }
            rooms.add(room);
            var e = room.outline().extent();
            var thick = Arrays.stream(own).map(w -> w == 0 ? 200_000 : w).toArray();
            voids = voids.plus(Region.of(e));
            walls = walls.plus(Region.of(new Rect(
                    e.x0() - thick[Side.WEST.ordinal()],
                    e.y0() - thick[Side.SOUTH.ordinal()],
                    e.x1() + thick[Side.EAST.ordinal()],
                    e.y1() + thick[Side.NORTH.ordinal()])));
        }
        var kinds = Corners.Kind.values();
        var bodies = bodies(new Massing(
                settings(seed % 2 == 0).with(new Corners(kinds[(int) (seed % 3)], mm(100))), rooms, List.of()));
        var grounds = bodies.stream()
                .map(b -> Region.of(
                        new Rect(b.min().x(), b.min().y(), b.max().x(), b.max().y())))
                .toList();
        assertThat(Region.union(grounds)).as("%s", rooms).isEqualTo(walls.minus(voids));
        assertThat(grounds.stream().map(Region::area).reduce(java.math.BigInteger.ZERO, java.math.BigInteger::add))
                .isEqualTo(walls.minus(voids).area());
    }

    /** Two rooms that want 300 mm between them have it, and a survey has nothing against it. */
    @Test
    void aSharedWallIsAsThickAsItsRoomsWant() {
        var rooms =
                List.of(room(1, 0, 0, 5000, 4000).walled(Side.EAST.ordinal(), mm(300)), room(2, 5300, 0, 3000, 4000));
        assertThat(massing(rooms).runs().stream().filter(r -> r.name().equals("Room 1, east")))
                .singleElement()
                .satisfies(r -> assertThat(r.depth()).isEqualTo(mm(300)));
        assertThat(massing(rooms).runs()).noneMatch(r -> r.name().equals("Room 2, west"));
    }

    /** TRADE.md: 1024 outside with walls of 12 is 1000 inside. */
    @Test
    void theHollowBox() {
        var u = SiteSettings.USUAL;
        var thin = new SiteSettings(
                u.unit(), mm(1), mm(12), u.storey(), u.pixelsPerMetre(), false, false, u.guardDrop(), u.corners());
        var massing = new Massing(
                thin,
                List.of(new Room(1, "Box", Vec.ofMillimetres(12, 12, 12), mm(1000), mm(1000), mm(488))),
                List.of());
        assertThat(massing.runs()).extracting(WallRun::length).containsOnly(mm(1000));
        assertThat(bodies(massing).stream().reduce(Box::union))
                .contains(new Box(Vec.ofMillimetres(0, 0, 12), Vec.ofMillimetres(1024, 1024, 500)));
        assertThat(massing.posts())
                .hasSize(4)
                .allSatisfy(p -> assertThat(p.box().size()).isEqualTo(Vec.ofMillimetres(12, 12, 488)));
    }

    /** By hand: 5 m and 3 m side by side with 200 mm between; six posts, and the wall between belongs to the first. */
    @Test
    void roomsOneWallApartShareIt() {
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000), room(2, 5200, 0, 3000, 4000)));
        assertThat(massing.runs())
                .extracting(WallRun::name, r -> r.length(), r -> r.depth())
                .containsExactly(
                        tuple("Room 1, north", mm(5000), mm(200)),
                        tuple("Room 1, east", mm(4000), mm(200)),
                        tuple("Room 1, south", mm(5000), mm(200)),
                        tuple("Room 1, west", mm(4000), mm(200)),
                        tuple("Room 2, north", mm(3000), mm(200)),
                        tuple("Room 2, east", mm(4000), mm(200)),
                        tuple("Room 2, south", mm(3000), mm(200)));
        assertThat(massing.posts()).hasSize(6);
    }

    @Test
    void asSkinsEachHasItsHalf() {
        var massing = new Massing(
                settings(true), List.of(room(1, 0, 0, 5000, 4000), room(2, 5200, 0, 3000, 4000)), List.of());
        assertThat(massing.runs())
                .hasSize(8)
                .filteredOn(r -> r.depth().equals(mm(100)))
                .extracting(WallRun::name)
                .containsExactly("Room 1, east", "Room 2, west");
    }

    /** By hand: the notch of an L takes a wall's thickness from both runs that meet in it. */
    @Test
    void theInnerCornerOfAnLTakesAPost() {
        var l = room(1, 0, 0, 5000, 4000).outline().without(rect(3000, 2000, 5000, 4000));
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000).over(l)));
        // West 4, north 3, east of the stem 2 less a post, north of the foot 2 less a post, east 2, south 5.
        assertThat(massing.runs())
                .extracting(WallRun::length)
                .containsExactlyInAnyOrder(mm(4000), mm(3000), mm(1800), mm(1800), mm(2000), mm(5000));
        assertThat(massing.posts())
                .hasSize(6)
                .allSatisfy(p -> assertThat(p.box().size()).isEqualTo(Vec.ofMillimetres(200, 200, 3000)));
    }

    /** A U whose arms lie one wall apart: the wall between them is built once, though both its faces are the room's own. */
    @Test
    void aRoomSharesAWallWithItself() {
        var u = room(1, 0, 0, 5000, 4000)
                .over(room(1, 0, 0, 5000, 4000).outline().without(rect(2000, 1000, 2200, 4000)));
        var through = massing(List.of(u)).runs().stream()
                .filter(r -> r.box().min().x() == 2_000_000 && r.box().max().x() == 2_200_000)
                .toList();
        assertThat(through).singleElement().satisfies(r -> assertThat(r.length())
                .isEqualTo(mm(3000)));
        var skins = new Massing(settings(true), List.of(u), List.of())
                .runs().stream().filter(r -> r.depth().equals(mm(100))).toList();
        assertThat(skins).hasSize(2);
    }

    @Test
    void roomsThatTouchOrOverlapAreOneSpace() {
        for (var x : List.of(5000, 4000)) {
            var massing = massing(List.of(room(1, 0, 0, 5000, 4000), room(2, x, 0, 3000, 4000)));
            assertThat(massing.runs())
                    .noneMatch(r -> r.side() == Side.EAST && r.room() == 1 || r.side() == Side.WEST && r.room() == 2);
            assertThat(massing.posts()).hasSize(4);
        }
    }

    @Test
    void aDoorGoesThroughBothSkins() {
        var rooms = List.of(room(1, 0, 0, 5000, 4000), room(2, 5200, -1000, 3000, 5000));
        var massing = new Massing(settings(true), rooms, List.of(door(9, Side.EAST, 1000, 900)));
        var panels = massing.runs().stream().filter(r -> !r.panels().isEmpty()).toList();
        assertThat(panels).extracting(WallRun::name).containsExactly("Room 1, east", "Room 2, west, 2");
        // 1 m from the north end at Y 4 m: from Y 3 m down to 2.1 m, seen from both rooms.
        assertThat(panels).allSatisfy(run -> {
            var gap = run.gap(run.panels().get(0));
            assertThat(List.of(gap.min().y(), gap.max().y())).containsExactly(2_100_000L, 3_000_000L);
        });
    }

    /** By hand: 3 m of wall between the two, so a door of 1 m begins 1 m from its left end, seen from the second room's west wall. */
    @Test
    void aUsualDoorLeadsIntoTheNextRoom() {
        var rooms = List.of(room(1, 0, 0, 5000, 4000), room(2, 5200, 500, 3000, 3000));
        var door = massing(rooms).fit().usual(9, rooms.get(1), Opening.Kind.DOOR);
        assertThat(door.edge()).isEqualTo(Side.WEST.ordinal());
        assertThat(door.at()).isEqualTo(mm(1000));
        assertThat(massing(rooms, door).fit().misfits()).isEmpty();
        assertThat(massing(rooms, door)
                        .fit()
                        .usual(10, rooms.get(1), Opening.Kind.DOOR)
                        .edge())
                .isNotEqualTo(Side.WEST.ordinal());
    }

    @Test
    void anOpeningWhoseWallIsGoneIsKeptAndTold() {
        var door = door(9, Side.EAST, 1000, 900);
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000), room(2, 5000, 0, 3000, 4000)), door);
        assertThat(massing.fit().misfits())
                .singleElement()
                .satisfies(m -> assertThat(m.fault().message()).contains("No wall is left"));
    }

    /** By hand: storeys of 3 m with a slab of 200 mm: the lower walls go on through the slab, under which the upper room has no ceiling to lay. */
    @Test
    void storeysShareTheSlabBetweenThem() {
        var below = room(1, 0, 0, 5000, 4000);
        var above = new Room(2, "Above", Vec.ofMillimetres(0, 0, 3200), mm(5000), mm(2000), mm(3000));
        var massing = massing(List.of(below, above));
        assertThat(massing.ceiling(below)).isEqualTo(Region.of(rect(0, 2000, 5000, 4000)));
        assertThat(massing.floor(above)).isEqualTo(above.region());
        assertThat(massing.walls(below, mm(100)).runs())
                .extracting(WallRun::side, WallRun::height)
                .containsExactly(
                        tuple(Side.NORTH, mm(3000)),
                        tuple(Side.EAST, mm(3200)),
                        tuple(Side.SOUTH, mm(3200)),
                        tuple(Side.WEST, mm(3200)));
    }

    @Test
    void underTheSkyNoCeilingIsLaid() {
        var court = room(1, 0, 0, 5000, 4000).under(true);
        assertThat(massing(List.of(court)).ceiling(court).isEmpty()).isTrue();
        assertThat(massing(List.of(court)).floor(court)).isEqualTo(court.region());
    }

    /** A basin sunk into a hall: no floor over it, and its own walls end under the hall's floor. */
    @Test
    void aBasinIsOpenToItsHall() {
        var hall = room(1, 0, 0, 9000, 6000);
        var basin = new Room(2, "Basin", Vec.ofMillimetres(2000, 2000, -1200), mm(4000), mm(2000), mm(1200));
        var massing = massing(List.of(hall, basin));
        assertThat(massing.floor(hall)).isEqualTo(hall.region().minus(basin.region()));
        assertThat(massing.ceiling(basin).isEmpty()).isTrue();
        assertThat(massing.walls(basin, mm(100)).runs()).hasSize(4).allSatisfy(r -> assertThat(r.height())
                .isEqualTo(mm(1000)));
    }

    /** The face over the lower of two joined rooms: from the top of its ceiling's slab to the higher ceiling. */
    @Test
    void theHigherOfTwoJoinedRoomsHasAFaceAboveTheLower() {
        var low = new Room(2, "Low", Vec.ofMillimetres(5000, 1000, 0), mm(3000), mm(2000), mm(2400));
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000), low));
        assertThat(massing.runs())
                .filteredOn(r -> r.tier() == WallRun.Tier.ABOVE)
                .singleElement()
                .satisfies(r -> {
                    assertThat(r.box())
                            .isEqualTo(
                                    new Box(Vec.ofMillimetres(5000, 1000, 2600), Vec.ofMillimetres(5200, 3000, 3000)));
                    assertThat(r.side()).isEqualTo(Side.EAST);
                });
    }

    /** An edit far away takes no wall anew: the very same are in the next massing. */
    @Test
    void wallsHangOnlyOnWhatIsNear() {
        var near = List.of(room(1, 0, 0, 5000, 4000), room(2, 5200, 0, 3000, 4000), room(3, 20_000, 0, 3000, 4000));
        var before = massing(near);
        before.runs();
        var after = before.next(
                before.settings(),
                before.building().withRooms(List.of(near.get(0), near.get(1), room(3, 21_000, 0, 3000, 5000))));
        assertThat(after.walls(near.get(0), Length.ofMillimetres(100)))
                .isSameAs(before.walls(near.get(0), Length.ofMillimetres(100)));
        assertThat(after.walls(after.rooms().get(2), Length.ofMillimetres(100)))
                .isNotEqualTo(before.walls(near.get(2), Length.ofMillimetres(100)));
    }
}
