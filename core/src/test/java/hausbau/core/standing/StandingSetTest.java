package hausbau.core.standing;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.LAMP;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.departed;
import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.named;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.set;
import static hausbau.core.TestSets.window;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.union.UnaryUnionOp;

class StandingSetTest {

    private static final GeometryFactory PLANE = new GeometryFactory();

    private static List<Standing> of(StandingSet set, Role role) {
        return set.all().stream().filter(s -> s.kind().role() == role).toList();
    }

    private static Geometry plan(List<Box> boxes) {
        return UnaryUnionOp.union(boxes.stream()
                .map(b -> PLANE.toGeometry(new Envelope(
                        b.min().x(), b.max().x(), b.min().y(), b.max().y())))
                .toList());
    }

    private static StandingSet next(StandingSet set, Massing massing) {
        var d = set.decisions();
        return set.next(new Decisions(massing, d.kit(), d.hands(), d.departures()));
    }

    /** 5 × 4 m from metres with a door of 0.9 m: 18 m of wall less the panel of 1.1 m leaves spans of 1 and 2.9 m. */
    @Test
    void wallsFillWhatTheDoorLeaves() {
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000)), door(1, Side.NORTH, 1100, 900));
        var built = set(massing, kit(massing, 1000, 900));
        assertThat(of(built, Role.DOOR)).hasSize(1);
        // North: 1 + (1 + 1 + 0.9); the others 4, 5 and 4.
        assertThat(of(built, Role.WALL)).hasSize(1 + 3 + 4 + 5 + 4);
        assertThat(of(built, Role.POST)).hasSize(4);
        assertThat(built.unfilled()).isEmpty();
    }

    /** Under a pattern of its own a room's pieces are kinds of their own, in the same places; its neighbour's are not. */
    @Test
    void aRoomsOwnPatternMakesKindsOfItsOwn() {
        var rooms = List.of(room(1, 0, 0, 5000, 4000), room(2, 9000, 0, 5000, 4000));
        var plain = set(massing(rooms), kit(massing(rooms), 1000, 900));
        var own = next(plain, massing(List.of(rooms.get(0).looking(7), rooms.get(1))));
        assertThat(own.all())
                .extracting(Standing::stance)
                .containsExactlyInAnyOrderElementsOf(
                        plain.all().stream().map(Standing::stance).toList());
        assertThat(own.all()).allSatisfy(s -> assertThat(s.kind().look())
                .isEqualTo(s.stance().at().x() < 7_000_000 ? 7 : 0));
        // A wall, a post, a floor and a ceiling tile more.
        assertThat(own.kinds()).hasSize(plain.kinds().size() + 4).containsAll(plain.kinds());
        var wall = of(plain, Role.WALL).get(0).kind();
        assertThat(new Kind(wall.role(), wall.recipe(), wall.pivot(), 7))
                .isNotEqualTo(wall)
                .isNotEqualTo(new Kind(wall.role(), wall.recipe(), wall.pivot(), 8));
    }

    @Test
    void codesTellTheirLengthAndTheHeightOnlyWhereItIsNotTheStoreys() {
        var usual = massing(List.of(room(1, 0, 0, 4000, 4000)));
        var low = massing(List.of(new Room(1, "Low", Vec.ZERO, mm(4000), mm(4000), mm(2500))));
        assertThat(named(set(usual, kit(usual, 2000))).pieces().values())
                .extracting(Piece::code)
                .contains("WAL-2000", "POS-200");
        assertThat(named(set(low, kit(low, 2000))).pieces().values())
                .extracting(Piece::code)
                .contains("WAL-2000x2500", "POS-200x2500");
    }

    @Test
    void twoWindowsOfOneSizeAreOneKindAndAnotherPlaceInItsPanelIsAnother() {
        var rooms = List.of(room(1, 0, 0, 6000, 4000));
        var same = massing(
                rooms, window(1, Side.NORTH, 1000, 1000, 900, 1200), window(2, Side.SOUTH, 3000, 1000, 900, 1200));
        assertThat(of(set(same, kit(same, 1000, 100)), Role.WINDOW))
                .extracting(Standing::kind)
                .containsOnly(
                        of(set(same, kit(same, 1000, 100)), Role.WINDOW).get(0).kind());
        var shifted = massing(
                rooms, window(1, Side.NORTH, 1000, 1000, 900, 1200), window(2, Side.SOUTH, 3000, 1000, 1000, 1200));
        assertThat(named(set(shifted, kit(shifted, 1000, 100))).pieces().values())
                .filteredOn(p -> p.role() == Role.WINDOW)
                .extracting(Piece::code)
                .containsExactlyInAnyOrder("WIN-1200", "WIN-1200-1000x1200");
    }

    @Test
    void aSpanThatTheKindsCannotFillIsLeftOpenAndNamed() {
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000)));
        var built = set(massing, kit(massing, 2000));
        assertThat(built.unfilled()).extracting(u -> u.run().side()).containsExactly(Side.NORTH, Side.SOUTH);
        assertThat(of(built, Role.WALL)).hasSize(4);
        assertThat(Remark.of(built)).hasSize(2).allSatisfy(r -> {
            assertThat(r.field()).isEqualTo("widthMm");
            assertThat(r.message()).contains("4 m or 6 m");
        });
    }

    /** What massing stands up is, in plan, exactly the ring that a geometry library makes of the room; nothing overlaps. */
    @RepeatedTest(15)
    void theSetClosesEveryRoomExactly(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var room = room(
                1,
                random.nextInt(50) * 100,
                random.nextInt(50) * 100,
                3000 + random.nextInt(40) * 100,
                3000 + random.nextInt(40) * 100);
        var massing =
                massing(List.of(room), door(1, Side.values()[random.nextInt(4)], 500 + random.nextInt(1000), 900));
        var built = set(massing, kit(massing, 1000, 300, 200, 100));
        var walls = built.all().stream()
                .filter(p -> p.kind().role().closesARun())
                .map(Standing::box)
                .toList();
        var outer = plan(List.of(room.outer(Length.ofMillimetres(200))));
        var ring = outer.difference(plan(List.of(room.clear())));
        assertThat(plan(walls).symDifference(ring).getArea()).isZero();
        assertThat(walls.stream()
                        .mapToDouble(b -> (double) b.size().x() * b.size().y())
                        .sum())
                .isEqualTo(ring.getArea());
        for (var role : List.of(Role.FLOOR, Role.CEILING)) {
            var tiles = of(built, role).stream().map(Standing::box).toList();
            assertThat(plan(tiles).symDifference(plan(List.of(room.clear()))).getArea())
                    .as("%s", role)
                    .isZero();
            assertThat(tiles.stream()
                            .mapToDouble(b -> (double) b.size().x() * b.size().y())
                            .sum())
                    .isEqualTo(plan(tiles).getArea());
        }
    }

    /** 5.05 m in tiles of a metre: four whole ones, and one of 1.05 m, since 0.05 m alone is less than half a tile. */
    @Test
    void aSizeOffTheStepEndsInOneOddTileAndIsRemarkedOn() {
        var massing = massing(List.of(room(1, 0, 0, 5050, 4000)));
        var kit = new KitChoice(mm(100), List.of(mm(1000)), List.of(mm(1000)), mm(200), mm(4000));
        var sizes = of(set(massing, kit), Role.FLOOR).stream()
                .collect(Collectors.groupingBy(s -> s.kind().size().x(), Collectors.counting()));
        assertThat(sizes).isEqualTo(Map.of(1_000_000L, 16L, 1_050_000L, 4L));
        assertThat(Remark.of(set(massing, kit))).singleElement().satisfies(r -> assertThat(r.message())
                .contains("5 m or 5.1 m"));
    }

    @Test
    void tilesStandWhereTheyStoodWhateverTheirPivot() {
        var rooms = List.of(room(1, 0, 0, 5000, 4000));
        var usual = SiteSettings.USUAL;
        var centred = new Massing(
                new SiteSettings(
                        usual.unit(),
                        usual.step(),
                        usual.wall(),
                        usual.storey(),
                        usual.pixelsPerMetre(),
                        true,
                        false,
                        usual.guardDrop(),
                        usual.corners()),
                rooms,
                List.of());
        var byCorner = massing(rooms);
        assertThat(set(centred, kit(centred, 1000)).all())
                .extracting(Standing::box)
                .isEqualTo(set(byCorner, kit(byCorner, 1000)).all().stream()
                        .map(Standing::box)
                        .toList());
    }

    /** The search for tile sizes is counted, not timed: made twice, and in another process, it is the same to the last bit. */
    @Test
    void aLargeSetIsTheSameHoweverOftenItIsComputed() {
        var rooms = new ArrayList<Room>();
        for (var i = 0; i < 60; i++) {
            rooms.add(room(i + 1, i % 10 * 20_000L, i / 10 * 20_000L, 3100 + 700 * (i % 13), 2900 + 1100 * (i % 11)));
        }
        var massing = massing(rooms);
        var once = set(massing, kit(massing, 1300, 700, 300, 100));
        var twice = set(massing(rooms), kit(massing(rooms), 1300, 700, 300, 100));
        assertThat(once.size()).isGreaterThan(5_000);
        assertThat(twice.digests()).isEqualTo(once.digests());
        assertThat(twice.all()).isEqualTo(once.all());
    }

    private static Map<Place, Standing> byPlace(StandingSet set) {
        return set.all().stream().collect(Collectors.toMap(Standing::place, Function.identity()));
    }

    @Test
    void everyPlaceIsOneOfAKindAndReadsBackFromItsWord() {
        var massing = massing(
                List.of(room(1, 0, 0, 5000, 4000), room(2, -9000, -9000, 3300, 4100)), door(1, Side.NORTH, 1100, 900));
        var set = set(massing, kit(massing, 1000, 300, 100), byHand(77, BENCH, 1000, 1000, 0));
        assertThat(byPlace(set)).hasSize((int) set.size());
        assertThat(set.all()).allSatisfy(s -> {
            assertThat(Place.parse(s.place().toString())).isEqualTo(s.place());
            assertThat(set.find(s.place())).contains(s);
        });
        assertThatThrownBy(() -> Place.parse("room.1.attic.3")).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> Place.parse("hand.99999999999999999999")).isInstanceOf(Refused.class);
    }

    @Test
    void renamingAndMovingARoomKeepsEveryPlace() {
        var rooms = massing(List.of(room(1, 0, 0, 5000, 4000)));
        var built = set(rooms, kit(rooms, 1000));
        var moved = next(
                built,
                massing(List.of(rooms.rooms()
                        .get(0)
                        .reshaped("Elsewhere", Vec.ofMillimetres(3000, -2000, 0), mm(5000), mm(4000), mm(3000)))));
        assertThat(byPlace(moved).keySet()).isEqualTo(byPlace(built).keySet());
        byPlace(moved).forEach((place, s) -> assertThat(s.stance())
                .isEqualTo(byPlace(built).get(place).stance().movedBy(Vec.ofMillimetres(3000, -2000, 0))));
    }

    /** What stands alike before and after has one place, and a place that stands moved to is another's. */
    @Test
    void aRoomThatGrowsAtOneEndKeepsThePlacesAtTheOther() {
        var room = room(1, 0, 0, 5000, 4000);
        var rooms = massing(List.of(room));
        var built = byPlace(set(rooms, kit(rooms, 1000)));
        for (var grown : List.of(
                room.reshaped("East", room.corner(), mm(7000), mm(4000), mm(3000)),
                room.reshaped("West", Vec.ofMillimetres(-2000, 0, 0), mm(7000), mm(4000), mm(3000)))) {
            var after = byPlace(set(massing(List.of(grown)), kit(rooms, 1000)));
            var same = built.values().stream()
                    .filter(s -> !(s.place() instanceof Place.AtCorner))
                    .filter(s -> after.values().stream()
                            .anyMatch(a ->
                                    a.stance().equals(s.stance()) && a.kind().equals(s.kind())))
                    .toList();
            // Five metres of the north and the south wall, one end wall of four, and all tiles.
            assertThat(same).as(grown.name()).hasSize(5 + 5 + 4 + 2 * 20);
            assertThat(same).allSatisfy(s -> assertThat(after.get(s.place())).isEqualTo(s));
        }
    }

    @Test
    void growingASouthWallEastwardKeepsItsWesternPieces() {
        var room = room(1, 0, 0, 5000, 4000);
        var rooms = massing(List.of(room));
        var before = byPlace(set(rooms, kit(rooms, 2000, 1000)));
        var after = byPlace(set(
                massing(List.of(room.reshaped("R", room.corner(), mm(7000), mm(4000), mm(3000)))),
                kit(rooms, 2000, 1000)));
        // 2 + 2 + 1 from the west becomes 2 + 2 + 2 + 1: the two western ones are as they were.
        var kept = before.keySet().stream()
                .filter(p -> p instanceof Place.InRun run && run.edge() == Side.SOUTH.ordinal() && after.containsKey(p))
                .toList();
        assertThat(kept).hasSize(2).allSatisfy(p -> assertThat(after.get(p)).isEqualTo(before.get(p)));
    }

    @Test
    void aDepartureHoldsThroughEverythingAndIsNeverDropped() {
        var rooms = massing(List.of(room(1, 0, 0, 5000, 4000)));
        var built = set(rooms, kit(rooms, 1000));
        var wall = of(built, Role.WALL).get(1);
        var moved = new Departure.Restood(
                wall.place(), wall.kind(), wall.stance().movedBy(Vec.ofMillimetres(0, 300, 0)), false);
        var set = departed(
                built, moved, new Departure.LeftOut(of(built, Role.POST).get(0).place()));
        assertThat(set.size()).isEqualTo(built.size() - 1);
        assertThat(set.find(wall.place())).hasValueSatisfying(s -> {
            assertThat(s.departed()).isTrue();
            assertThat(s.stance()).isEqualTo(moved.stance());
        });
        // The kit changes under it: its place is gone, yet it stands where the hand left it, and both are listed.
        var other = set.next(new Decisions(
                rooms,
                Optional.of(kit(rooms, 500)),
                set.decisions().hands(),
                set.decisions().departures()));
        assertThat(other.lost()).containsExactly(moved);
        assertThat(other.find(wall.place())).hasValueSatisfying(s -> {
            assertThat(s.lost()).isTrue();
            assertThat(s.stance()).isEqualTo(moved.stance());
        });
        // The room goes altogether.
        var gone = next(set, massing(List.of()));
        assertThat(gone.lost()).hasSize(2);
        assertThat(gone.all()).extracting(Standing::place).containsExactly(wall.place());
        assertThat(next(gone, rooms).lost()).isEmpty();
        assertThat(next(gone, rooms).all()).isEqualTo(set.all());
    }

    @Test
    void onlyTheGeneratorsRunWhoseInputsChanged() {
        var rooms = List.of(room(1, 0, 0, 5000, 4000), room(2, 9000, 0, 5000, 4000));
        var massing = massing(rooms);
        var built =
                set(massing, kit(massing, 1000), byHand(1, BENCH, 1000, 1000, 0), byHand(5000, LAMP, 2000, 2000, 0));
        var placed = built.next(built.decisions()
                .with(built.decisions().hands().with(List.of(byHand(5001, LAMP, 3000, 2000, 0)), List.of())));
        assertThat(placed.since().added()).extracting(Chunk::name).containsExactly("hands.4.0");
        var opened = next(built, massing(rooms, door(9, Side.NORTH, 1100, 900)));
        assertThat(opened.since().added()).extracting(Chunk::name).containsExactly("shell.1.0");
        var renamed = next(
                built,
                massing(List.of(
                        rooms.get(0).reshaped("New name", Vec.ZERO, mm(5000), mm(4000), mm(3000)), rooms.get(1))));
        assertThat(renamed.since().added()).isEmpty();
        assertThat(StandingSet.Difference.between(built, placed)).isEqualTo(new StandingSet.Difference(1, 0, 0));
        // A panel of 1.1 m in place of what filled 5 m: in 1 + 1.1 + 2.9 only one metre still fits before it.
        assertThat(StandingSet.Difference.between(built, opened).removed()).isEqualTo(4);
    }

    /** Whatever is decided, in whatever order: following it step by step comes to what computing it from nothing gives. */
    @RepeatedTest(40)
    void followingEditsComesToTheSameAsComputingAnew(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var rooms = new HashMap<Long, Room>();
        rooms.put(1L, room(1, 0, 0, 5000, 4000));
        var first = massing(List.copyOf(rooms.values()));
        var set = set(first, kit(first, 1000, 300, 100));
        for (var i = 0; i < 20; i++) {
            var d = set.decisions();
            switch (random.nextInt(4)) {
                case 0 -> {
                    var id = 1L + random.nextInt(3);
                    if (rooms.size() > 1 && random.nextInt(3) == 0) {
                        rooms.remove(id);
                    } else {
                        rooms.merge(
                                id,
                                room(id, 20_000 * (id - 1), 0, 3000 + 100 * random.nextInt(40), 4000),
                                (was, is) -> was.reshaped(
                                        was.name(),
                                        was.corner().plus(new Vec(-100_000L * random.nextInt(3), 0, 0)),
                                        is.width(),
                                        is.depth(),
                                        is.height()));
                    }
                    set = next(set, massing(List.copyOf(rooms.values())));
                }
                case 1 -> {
                    var some = byHand(
                            1 + random.nextInt(3000),
                            random.nextBoolean() ? BENCH : LAMP,
                            random.nextInt(50) * 100,
                            random.nextInt(40) * 100,
                            0);
                    set = set.next(d.with(d.hands().with(List.of(some), List.of(1L + random.nextInt(3000)))));
                }
                case 2 -> {
                    var derived = set.all().stream().filter(s -> !s.isByHand()).toList();
                    var one = derived.get(random.nextInt(derived.size()));
                    var all = new ArrayList<>(d.allDepartures().stream()
                            .filter(x -> !x.place().equals(one.place()))
                            .toList());
                    all.add(
                            random.nextBoolean()
                                    ? new Departure.LeftOut(one.place())
                                    : new Departure.Restood(
                                            one.place(),
                                            one.kind(),
                                            new Stance(
                                                    one.stance().at(),
                                                    Turn.of(random.nextInt(4)),
                                                    true,
                                                    random.nextInt(2) * 7.5),
                                            true));
                    set = set.next(new Decisions(d.massing(), d.kit(), d.hands(), Decisions.bySource(all)));
                }
                default ->
                    set = set.next(new Decisions(
                            d.massing(),
                            Optional.of(kit(d.massing(), 300 + 100 * random.nextInt(8), 100)),
                            d.hands(),
                            d.departures()));
            }
            var anew = StandingSet.of(set.decisions());
            assertThat(set.digests()).as("step %d", i).isEqualTo(anew.digests());
            assertThat(set.all()).isEqualTo(anew.all());
            assertThat(set.counts()).isEqualTo(anew.counts());
            assertThat(set.lost()).isEqualTo(anew.lost());
        }
    }

    @Test
    void aSetThatWouldBeTooLargeIsRefusedBeforeItIsLaidOut() {
        var vast = massing(List.of(room(1, 0, 0, 10_000_000, 10_000_000)));
        assertThatThrownBy(() -> set(vast, kit(vast, 1000)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("200000 placements");
    }

    /** The index against plain looking: every row whose box touches. */
    @RepeatedTest(10)
    void whatIsNearIsWhatTouches(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var massing = massing(List.of(room(1, 0, 0, 7000, 5000), room(2, 9000, 0, 4000, 4000)));
        var set = set(massing, kit(massing, 1000), byHand(1, BENCH, 1000, 1000, 0), byHand(9000, LAMP, 2000, 2000, 0));
        for (var i = 0; i < 50; i++) {
            var low = Vec.ofMillimetres(
                    random.nextInt(-500, 14_000), random.nextInt(-500, 6000), random.nextInt(-300, 3300));
            var box = new Box(
                    low, low.plus(Vec.ofMillimetres(random.nextInt(1500), random.nextInt(1500), random.nextInt(1500))));
            assertThat(set.near(box))
                    .containsExactlyInAnyOrderElementsOf(
                            set.all().stream().filter(s -> s.box().touches(box)).toList());
        }
    }
}
