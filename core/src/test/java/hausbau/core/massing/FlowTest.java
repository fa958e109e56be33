package hausbau.core.massing;

import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FlowTest {

    private static final Vec START = Vec.ofMillimetres(1000, 1000, 0);

    private static Massing massing(List<Room> rooms, List<Opening> openings, List<Stair> stairs, List<Solid> solids) {
        return new Massing(SiteSettings.USUAL, new Building(rooms, openings, stairs, solids));
    }

    private static Opening door(long id, long room, long at, long width, long height) {
        return new Opening(id, room, Opening.Kind.DOOR, Side.EAST, mm(at), mm(width), mm(height), Length.ZERO);
    }

    private static Flow.Reached reached(Flow.Result result, long id) {
        return result.reached().stream()
                .filter(r -> r.room().id() == id)
                .findFirst()
                .orElseThrow();
    }

    private static Set<Long> ids(Flow.Result result) {
        return result.reached().stream().map(r -> r.room().id()).collect(Collectors.toSet());
    }

    /** Three rooms in a row: a door of 0.9 m by 2.1 m, then one of 0.6 by 2 m; a fourth behind no door. */
    @Test
    void theNarrowestDoorOnTheWayIsToldWithTheLowest() {
        var rooms = List.of(
                room(1, 0, 0, 3000, 3000),
                room(2, 3200, 0, 3000, 3000),
                room(3, 6400, 0, 3000, 3000),
                room(4, 9600, 0, 3000, 3000));
        var result = massing(
                        rooms, List.of(door(1, 1, 1000, 900, 2100), door(2, 2, 1000, 600, 2000)), List.of(), List.of())
                .flow()
                .from(START);
        assertThat(result.from()).contains(rooms.get(0));
        assertThat(ids(result)).containsExactlyInAnyOrder(1L, 2L, 3L);
        assertThat(result.unreached()).containsExactly(rooms.get(3));
        assertThat(reached(result, 1))
                .satisfies(r -> assertThat(List.of(r.width(), r.headroom())).containsExactly(mm(3000), mm(3000)));
        assertThat(reached(result, 2)).satisfies(r -> assertThat(List.of(r.width(), r.headroom(), r.deadEnd()))
                .containsExactly(mm(900), mm(2100), false));
        assertThat(reached(result, 3)).satisfies(r -> assertThat(List.of(r.width(), r.headroom(), r.deadEnd()))
                .containsExactly(mm(600), mm(2000), true));
    }

    /** A person of 0.4 × 1.8 m: 0.39 m wide or 1.79 m high is too little. */
    @Test
    void whereTheFigureDoesNotFitNobodyGets() {
        var rooms = List.of(room(1, 0, 0, 3000, 3000), room(2, 3200, 0, 3000, 3000));
        assertThat(ids(massing(rooms, List.of(door(1, 1, 1000, 400, 1800)), List.of(), List.of())
                        .flow()
                        .from(START)))
                .hasSize(2);
        assertThat(ids(massing(rooms, List.of(door(1, 1, 1000, 390, 1800)), List.of(), List.of())
                        .flow()
                        .from(START)))
                .containsExactly(1L);
        assertThat(ids(massing(rooms, List.of(door(1, 1, 1000, 400, 1790)), List.of(), List.of())
                        .flow()
                        .from(START)))
                .containsExactly(1L);
        var window = new Opening(1, 1, Opening.Kind.WINDOW, Side.EAST, mm(1000), mm(1200), mm(1300), mm(900));
        assertThat(ids(massing(rooms, List.of(window), List.of(), List.of())
                        .flow()
                        .from(START)))
                .containsExactly(1L);
    }

    @Test
    void theWiderOfTwoWaysCounts() {
        // A ring of four rooms: clockwise through 0.7 m, the other way through 1 m.
        var rooms = List.of(
                room(1, 0, 0, 3000, 3000),
                room(2, 3200, 0, 3000, 3000),
                room(3, 3200, 3200, 3000, 3000),
                room(4, 0, 3200, 3000, 3000));
        var openings = List.of(
                door(1, 1, 1000, 700, 2100),
                new Opening(2, 2, Opening.Kind.PASSAGE, Side.NORTH, mm(1000), mm(700), mm(2100), Length.ZERO),
                new Opening(3, 1, Opening.Kind.PASSAGE, Side.NORTH, mm(1000), mm(1000), mm(2100), Length.ZERO),
                door(4, 4, 1000, 1000, 2100));
        var result = massing(rooms, openings, List.of(), List.of()).flow().from(START);
        assertThat(reached(result, 3).width()).isEqualTo(mm(1000));
        assertThat(reached(result, 2).width()).isEqualTo(mm(700));
        assertThat(result.reached()).noneMatch(Flow.Reached::deadEnd);
    }

    @Test
    void aSolidNarrowsTheWayAndCanCloseIt() {
        var rooms = List.of(room(1, 0, 0, 9000, 3000));
        var half = new Solid(1, "Block", 0, Box.of(4_000_000, 0, 0, 5_000_000, 2_450_000, 3_000_000));
        var closed = new Solid(1, "Block", 0, Box.of(4_000_000, 0, 0, 5_000_000, 2_650_000, 3_000_000));
        var beyond = List.of(rooms.get(0), room(2, 9200, 0, 3000, 3000));
        assertThat(reached(
                                massing(beyond, List.of(door(1, 1, 1000, 900, 2100)), List.of(), List.of(half))
                                        .flow()
                                        .from(START),
                                2)
                        .width())
                .isEqualTo(mm(550));
        assertThat(ids(massing(beyond, List.of(door(1, 1, 1000, 900, 2100)), List.of(), List.of(closed))
                        .flow()
                        .from(START)))
                .containsExactly(1L);
    }

    @Test
    void stairsLeadUpAndTheirWidthCounts() {
        var rooms = List.of(
                room(1, 0, 0, 12_000, 6000),
                new Room(2, "Above", Vec.ofMillimetres(0, 0, 3200), mm(12_000), mm(6000), mm(3000)));
        var stair = Stair.usual(
                1,
                0,
                Stair.Shape.STRAIGHT,
                false,
                Vec.ofMillimetres(2000, 3000, 0),
                Turn.NONE,
                mm(1100),
                mm(3200),
                Unit.METRE);
        assertThat(ids(massing(rooms, List.of(), List.of(), List.of()).flow().from(START)))
                .containsExactly(1L);
        var result = massing(rooms, List.of(), List.of(stair), List.of()).flow().from(START);
        assertThat(reached(result, 2).width()).isEqualTo(mm(1100));
        assertThat(reached(result, 2).headroom()).isEqualTo(mm(3000));
        // A metre of floor before the first step is narrower than the steps.
        var near = Stair.usual(
                1,
                0,
                Stair.Shape.STRAIGHT,
                false,
                Vec.ofMillimetres(1000, 3000, 0),
                Turn.NONE,
                mm(1100),
                mm(3200),
                Unit.METRE);
        assertThat(reached(
                                massing(rooms, List.of(), List.of(near), List.of())
                                        .flow()
                                        .from(START),
                                2)
                        .width())
                .isEqualTo(mm(1000));
        var down = massing(rooms, List.of(), List.of(stair), List.of()).flow().from(Vec.ofMillimetres(500, 5500, 3200));
        assertThat(ids(down)).containsExactlyInAnyOrder(1L, 2L);
    }

    @Test
    void aBasinIsAsHighAsTheHallOverItAndReachedByItsSteps() {
        var rooms = List.of(
                room(1, 0, 0, 9000, 6000),
                new Room(2, "Basin", Vec.ofMillimetres(3000, 1500, -1400), mm(5000), mm(3000), mm(1400)));
        var steps = Stair.usual(
                1,
                0,
                Stair.Shape.STRAIGHT,
                false,
                Vec.ofMillimetres(4960, 3500, -1400),
                new Turn(2),
                mm(1000),
                mm(1400),
                Unit.METRE);
        assertThat(ids(massing(rooms, List.of(), List.of(), List.of()).flow().from(START)))
                .containsExactly(1L);
        assertThat(ids(massing(rooms, List.of(), List.of(steps), List.of())
                        .flow()
                        .from(START)))
                .containsExactlyInAnyOrder(1L, 2L);
    }

    /** Against a flood over a fine grid that knows nothing of regions: rooms in a lattice, doors by chance. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void itReachesWhatAFloodReaches(long seed) {
        var random = new Random(seed);
        var rooms = new ArrayList<Room>();
        var openings = new ArrayList<Opening>();
        for (var i = 0; i < 12; i++) {
            rooms.add(room(i + 1, 2200L * (i % 4), 2200L * (i / 4), 2000, 2000));
        }
        for (var i = 1; i <= 12; i++) {
            if (random.nextBoolean() && i % 4 != 0) {
                openings.add(new Opening(
                        openings.size() + 1,
                        i,
                        Opening.Kind.DOOR,
                        Side.EAST,
                        mm(200 + 100L * random.nextInt(8)),
                        mm(300 + 100L * random.nextInt(5)),
                        mm(2000),
                        Length.ZERO));
            }
            if (random.nextBoolean() && i <= 8) {
                openings.add(new Opening(
                        openings.size() + 1,
                        i,
                        Opening.Kind.PASSAGE,
                        Side.NORTH,
                        mm(200 + 100L * random.nextInt(8)),
                        mm(300 + 100L * random.nextInt(5)),
                        mm(2000),
                        Length.ZERO));
            }
        }
        var building = massing(rooms, openings, List.of(), List.of());
        assertThat(ids(building.flow().from(START))).as("seed %s", seed).isEqualTo(flooded(rooms, openings));
    }

    /** Someone of 0.4 m by their middle, on a grid of 50 mm: each of their cells must be in a room or in a door. */
    private static Set<Long> flooded(List<Room> rooms, List<Opening> openings) {
        var free = new boolean[180][140];
        for (var x = 0; x < 180; x++) {
            for (var y = 0; y < 140; y++) {
                long px = 50L * x + 25;
                long py = 50L * y + 25;
                free[x][y] = rooms.stream()
                                .anyMatch(r -> in(px, r.corner().x(), 2000)
                                        && in(py, r.corner().y(), 2000))
                        || openings.stream().anyMatch(o -> {
                            var r = rooms.get((int) o.roomId() - 1);
                            var at = o.at().um() / 1000;
                            var width = o.width().um() / 1000;
                            // Seen from inside, the east wall's left end is its north one.
                            return o.edge() == Side.EAST.ordinal()
                                    ? px > r.corner().x() / 1000 + 2000
                                            && px < r.corner().x() / 1000 + 2200
                                            && py > r.corner().y() / 1000 + 2000 - at - width
                                            && py < r.corner().y() / 1000 + 2000 - at
                                    : py > r.corner().y() / 1000 + 2000
                                            && py < r.corner().y() / 1000 + 2200
                                            && px > r.corner().x() / 1000 + at
                                            && px < r.corner().x() / 1000 + at + width;
                        });
            }
        }
        var seen = new HashSet<Integer>();
        var next = new ArrayList<>(List.of(20 * 1000 + 20));
        var reached = new HashSet<Long>();
        while (!next.isEmpty()) {
            var at = next.remove(next.size() - 1);
            var x = at / 1000;
            var y = at % 1000;
            if (!seen.add(at) || !stands(free, x, y)) {
                continue;
            }
            rooms.stream()
                    .filter(r -> in(50L * x, r.corner().x(), 2000)
                            && in(50L * y, r.corner().y(), 2000))
                    .forEach(r -> reached.add(r.id()));
            next.addAll(List.of(at + 1, at - 1, at + 1000, at - 1000));
        }
        return reached;
    }

    private static boolean in(long mm, long fromUm, long size) {
        return mm > fromUm / 1000 && mm < fromUm / 1000 + size;
    }

    /** The eight by eight cells about a corner of the grid. */
    private static boolean stands(boolean[][] free, int x, int y) {
        for (var i = x - 4; i < x + 4; i++) {
            for (var j = y - 4; j < y + 4; j++) {
                if (i < 0 || j < 0 || i >= 180 || j >= 140 || !free[i][j]) {
                    return false;
                }
            }
        }
        return true;
    }
}
