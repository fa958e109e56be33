package hausbau.core.survey;

import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.named;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.set;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Corners;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.plane.Rect;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.StandingSet;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Whole buildings of random rooms, built from a kit: nothing overlaps, nothing gapes, and the volumes add up. */
class BuildingTest {

    private static final int BUILDINGS = 60;
    private static final long STOREY = 3_200_000;

    static LongStream seeds() {
        return LongStream.range(0, BUILDINGS);
    }

    private static SiteSettings settings(long seed) {
        return SiteSettings.USUAL
                .withSkins(seed % 2 == 0)
                .with(new Corners(Corners.Kind.values()[(int) (seed % 3)], mm(100)));
    }

    /** Rooms on the step that lie apart, share a wall, touch or overlap; some of them are an L or a U. */
    private static List<Room> rooms(Random random, int most) {
        var rooms = new ArrayList<Room>();
        var count = 1 + random.nextInt(most);
        for (var id = 1L; id <= count; id++) {
            var room = room(
                    id,
                    100 * random.nextInt(50),
                    100 * random.nextInt(50),
                    1000 + 100 * random.nextInt(30),
                    1000 + 100 * random.nextInt(30));
            var e = room.outline().extent();
            var notch = new Rect(
                    e.x0() + 400_000, e.y1() - 500_000, random.nextBoolean() ? e.x1() : e.x1() - 400_000, e.y1());
            rooms.add(
                    random.nextBoolean() && notch.width() < e.width() - 300_000
                            ? room.over(room.outline().without(notch))
                            : room);
        }
        return rooms;
    }

    private static List<Opening> openings(Random random, List<Room> rooms) {
        var openings = new ArrayList<Opening>();
        for (var i = 0; i < 4; i++) {
            var room = rooms.get(random.nextInt(rooms.size()));
            var edge = room.outline()
                    .edges()
                    .get(random.nextInt(room.outline().edges().size()));
            openings.add(new Opening(
                    100 + i,
                    room.id(),
                    Opening.Kind.WINDOW,
                    edge.number(),
                    mm(100 * random.nextInt(20)),
                    mm(400 + 100 * random.nextInt(6)),
                    mm(1000),
                    mm(900)));
        }
        return openings;
    }

    private static StandingSet built(Massing massing) {
        return set(
                massing,
                new KitChoice(
                        massing.settings().step(),
                        List.of(mm(1000), mm(100)),
                        KitChoice.tiles(massing, mm(200), mm(4000)),
                        mm(100),
                        mm(4000)));
    }

    private static List<Finding> amiss(StandingSet set) {
        return Survey.of(set, named(set)).findings().stream()
                .filter(f -> f.check() != Finding.Check.UNBUILT_OPENING
                        && f.check() != Finding.Check.ODD_WALL
                        && f.check() != Finding.Check.BLIND_DOOR)
                .toList();
    }

    /** In µm³, by the boxes of all wall pieces, posts, both arms of corner pieces, and openings' panels as if they had no hole. */
    private static BigInteger volume(StandingSet set, Role... roles) {
        return set.all().stream()
                .filter(s -> List.of(roles).contains(s.kind().role()))
                .flatMap(s -> s.kind().recipe() instanceof Recipe.CornerPiece
                        ? s.kind().solids().stream().map(p -> p.box().size())
                        : Stream.of(s.box().size()))
                .map(v -> BigInteger.valueOf(v.x())
                        .multiply(BigInteger.valueOf(v.y()))
                        .multiply(BigInteger.valueOf(v.z())))
                .reduce(BigInteger.ZERO, BigInteger::add);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aStoreyIsBuiltWithoutOverlapOrGap(long seed) {
        var random = new Random(seed);
        var rooms = rooms(random, 4);
        var massing = new Massing(settings(seed), rooms, openings(random, rooms));
        var set = built(massing);
        assertThat(amiss(set)).as("seed %d: %s", seed, rooms).isEmpty();
        var voids = rooms.stream().map(Room::region).reduce(rooms.get(0).region(), (a, b) -> a.plus(b));
        var mass = voids.grown(massing.settings().wall().um()).minus(voids);
        assertThat(volume(set, Role.WALL, Role.POST, Role.WINDOW))
                .isEqualTo(mass.area().multiply(BigInteger.valueOf(mm(3000).um())));
        // What two rooms share is laid once.
        var slab = BigInteger.valueOf(massing.settings().wall().um());
        assertThat(volume(set, Role.FLOOR)).isEqualTo(voids.area().multiply(slab));
        assertThat(volume(set, Role.CEILING)).isEqualTo(voids.area().multiply(slab));
    }

    /** The same plan on two storeys: the walls of the lower go up through the slab, which is the upper one's floor alone. */
    @ParameterizedTest
    @MethodSource("seeds")
    void twoStoreysAlikeMeetInOneSlab(long seed) {
        var below = rooms(new Random(seed), 3);
        var rooms = new ArrayList<>(below);
        below.forEach(r -> rooms.add(r.copied(r.id() + 50, r.name() + " above").raised(0, STOREY)));
        var massing = new Massing(settings(seed), rooms, List.of());
        var set = built(massing);
        assertThat(amiss(set)).as("seed %d: %s", seed, below).isEmpty();
        var voids = below.stream().map(Room::region).reduce(below.get(0).region(), (a, b) -> a.plus(b));
        var mass = voids.grown(massing.settings().wall().um()).minus(voids).area();
        assertThat(volume(set, Role.WALL, Role.POST)).isEqualTo(mass.multiply(BigInteger.valueOf(mm(6200).um())));
        assertThat(volume(set, Role.CEILING))
                .isEqualTo(voids.area()
                        .multiply(BigInteger.valueOf(massing.settings().wall().um())));
    }

    /** Whatever is dragged, the set that follows is the set from nothing. */
    @ParameterizedTest
    @MethodSource("seeds")
    void aDraggedWallGivesWhatTheNewRoomsGive(long seed) {
        var random = new Random(seed);
        var rooms = new ArrayList<>(rooms(random, 4));
        var massing = new Massing(settings(seed), rooms, List.of());
        var set = built(massing);
        for (var i = 0; i < 4; i++) {
            var n = random.nextInt(rooms.size());
            var room = rooms.get(n);
            var edge = room.outline()
                    .edges()
                    .get(random.nextInt(room.outline().edges().size()));
            rooms.set(n, room.over(room.outline().moved(edge.number(), 100_000L * (1 + random.nextInt(4)))));
            massing = massing.next(massing.settings(), massing.building().withRooms(rooms));
            var d = set.decisions();
            set = set.next(new Decisions(massing, d.kit(), d.hands(), d.departures()));
            var fresh = StandingSet.of(new Decisions(
                    new Massing(massing.settings(), rooms, List.of()), d.kit(), d.hands(), d.departures()));
            assertThat(set.digests()).isEqualTo(fresh.digests());
        }
        assertThat(set.size()).isPositive();
    }
}
