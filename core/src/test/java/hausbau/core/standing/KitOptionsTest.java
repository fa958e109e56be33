package hausbau.core.standing;

import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.named;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.TestSets;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Corners;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.survey.Survey;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class KitOptionsTest {

    private static final KitRules RULES = KitRules.between(mm(200), mm(4000));

    private static final Set<Role> STACKED = Set.of(Role.WALL, Role.POST, Role.DOOR, Role.WINDOW, Role.PASSAGE);

    static LongStream seeds() {
        return LongStream.range(0, 70);
    }

    private static Room room(long id, long x, long y, long z, long width, long depth, long height) {
        return new Room(id, "Room " + id, Vec.ofMillimetres(x, y, z), mm(width), mm(depth), mm(height));
    }

    /** A high hall beside two storeys of other rooms, with a door and windows. */
    private static Massing building(long seed) {
        var random = new Random(seed);
        var width = 2000 + 100 * random.nextInt(30);
        var depth = 2000 + 100 * random.nextInt(30);
        var low = 2600 + 100 * random.nextInt(8);
        var rooms = List.of(
                room(1, 0, 0, 0, width, depth, low + 2800),
                room(2, width + 200, 0, 0, 2000 + 100 * random.nextInt(20), depth, low),
                room(3, width + 200, 0, low + 200, 2000 + 100 * random.nextInt(20), depth, 2600));
        var openings = List.of(
                new Opening(10, 1, Opening.Kind.DOOR, Side.SOUTH, mm(400), mm(900), mm(2100), Length.ZERO),
                new Opening(11, 1, Opening.Kind.WINDOW, Side.WEST, mm(500), mm(800), mm(1200), mm(900)),
                new Opening(12, 3, Opening.Kind.WINDOW, Side.EAST, mm(500), mm(800), mm(1000), mm(1000)));
        var settings = SiteSettings.USUAL.with(new Corners(Corners.Kind.values()[(int) (seed % 3)], mm(100)));
        if (seed < 40) {
            return new Massing(settings, rooms, openings);
        }
        // Under patterns of their own, dressed on one side or on both; from 60 on some are of whole walls.
        return new Massing(
                settings.with(new SiteSettings.Facing(seed % 4 > 0, seed % 3)),
                rooms.stream()
                        .map(r -> r.looking(random.nextInt(3)).ofWholeWalls(seed >= 60 && random.nextBoolean()))
                        .toList(),
                openings);
    }

    private static List<KitOptions.Option> options(Massing massing) {
        return KitOptions.of(massing, RULES, Set.of(), () -> false);
    }

    /** Kinds and placements of walls, posts and panels. */
    private static long[] stacked(StandingSet set) {
        var kinds = 0L;
        var placements = 0L;
        for (var of : set.derivedCounts().entrySet()) {
            if (STACKED.contains(of.getKey().role())) {
                kinds++;
                placements += of.getValue();
            }
        }
        return new long[] {kinds, placements};
    }

    /** What an option promises is what stands; nothing overlaps, nothing gapes, and every place can be named and found. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whatAnOptionPromisesStands(long seed) {
        var massing = building(seed);
        var found = options(massing);
        assertThat(found).as("seed %d", seed).isNotEmpty();
        var volumes = new ArrayList<BigInteger>();
        for (var option : found) {
            var set = TestSets.set(massing, option.choice());
            assertThat(stacked(set)).as("seed %d", seed).containsExactly(option.kinds(), option.placements());
            assertThat(set.unfilled()).isEmpty();
            assertThat(Survey.of(set, named(set)).findings())
                    .as("seed %d, joints %s", seed, option.choice().tiers().joints())
                    .noneMatch(f -> Set.of("GAP", "OVERLAP").contains(f.check().name()));
            var places = set.all().stream().map(s -> s.place().toString()).toList();
            assertThat(places).doesNotHaveDuplicates();
            set.all().forEach(s -> assertThat(set.find(Place.parse(s.place().toString())))
                    .contains(s));
            volumes.add(set.all().stream()
                    .filter(s -> STACKED.contains(s.kind().role()))
                    .flatMap(s -> s.kind().recipe() instanceof Recipe.CornerPiece
                            ? s.kind().solids().stream().map(b -> b.box().size())
                            : Stream.of(s.box().size()))
                    .map(v -> BigInteger.valueOf(v.x())
                            .multiply(BigInteger.valueOf(v.y()))
                            .multiply(BigInteger.valueOf(v.z())))
                    .reduce(BigInteger.ZERO, BigInteger::add));
        }
        // However it is cut, the walls take the same room.
        assertThat(volumes).as("seed %d", seed).containsOnly(volumes.get(0));
    }

    /** By hand: a hall of 6 m beside rooms of 2.8 m over one another is cut at their floors and ceilings, unless its walls are to be whole. */
    @Test
    void aRoomOfWholeWallsIsNotCut() {
        var rooms = List.of(
                room(1, 0, 0, 0, 4000, 4000, 6000),
                room(2, 9000, 0, 0, 4000, 4000, 2800),
                room(3, 9000, 0, 3200, 4000, 4000, 2800));
        assertThat(heights(rooms, 1)).doesNotContain(mm(6000));
        var whole = List.of(rooms.get(0).ofWholeWalls(true), rooms.get(1), rooms.get(2));
        assertThat(heights(whole, 1)).containsOnly(mm(6000));
        assertThat(heights(whole, 2)).containsExactlyElementsOf(heights(rooms, 2));
    }

    /** Of what stands round a room in the kit of the fewest kinds. */
    private static Set<Length> heights(List<Room> rooms, long room) {
        var massing = new Massing(SiteSettings.USUAL, rooms, List.of());
        var fewest = options(massing).get(0);
        assertThat(fewest.proven()).isTrue();
        return TestSets.set(massing, fewest.choice()).of(new Source.Shell(room)).stream()
                .map(s -> new Length(s.kind().size().z()))
                .collect(Collectors.toSet());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void moreKindsSavePlacements(long seed) {
        var found = options(building(seed));
        for (var i = 1; i < found.size(); i++) {
            assertThat(found.get(i).kinds()).isGreaterThan(found.get(i - 1).kinds());
            assertThat(found.get(i).placements()).isLessThan(found.get(i - 1).placements());
        }
        assertThat(found).allMatch(KitOptions.Option::proven);
    }

    /** No kit of random joints at floors and ceilings, and of random lengths, has fewer placements with as many kinds. */
    @ParameterizedTest
    @MethodSource("seeds")
    void noRandomKitBeatsTheOptions(long seed) {
        var massing = building(seed);
        var found = options(massing);
        var heights = massing.rooms().stream()
                .flatMap(r -> Stream.of(r.floor(), r.ceiling()))
                .distinct()
                .toList();
        var random = new Random(seed);
        var tried = 0;
        for (var i = 0; i < 60; i++) {
            var joints = heights.stream().filter(h -> random.nextBoolean()).toList();
            var lengths = new HashMap<Tiers.Size, List<Length>>();
            for (var run : massing.runs()) {
                new Tiers(joints, Map.of())
                        .layers(run)
                        .forEach(layer -> lengths.computeIfAbsent(
                                new Tiers.Size(layer.height(), run.depth()),
                                s -> List.of(mm(200), mm(300), mm(100L * (2 + random.nextInt(39))))));
            }
            if (lengths.keySet().stream().anyMatch(s -> s.height().compareTo(mm(400)) < 0)) {
                continue;
            }
            var choice = new KitChoice(
                    mm(100),
                    List.of(mm(300), mm(200)),
                    KitChoice.tiles(massing, mm(200), mm(4000)),
                    RULES,
                    new Tiers(joints, lengths));
            var set = TestSets.set(massing, choice);
            if (set.unfilled().isEmpty()) {
                tried++;
                var counted = stacked(set);
                assertThat(found.stream()
                                .filter(o -> o.kinds() <= counted[0])
                                .mapToLong(KitOptions.Option::placements)
                                .min()
                                .orElse(Long.MAX_VALUE))
                        .as("seed %d: %d kinds from joints %s", seed, counted[0], joints)
                        .isLessThanOrEqualTo(counted[1]);
            }
        }
        assertThat(tried).isPositive();
    }

    /** By hand: walls of 4 × 6.2 m through two storeys of 3 m and the slab between are cut into 3.2 and 3.0 m by a room beside them. */
    @Test
    void wallsAreCutWhereFloorsAndCeilingsLie() {
        var tiers = new Tiers(List.of(3_200_000L), Map.of());
        assertThat(tiers.layers(0, 6_200_000))
                .containsExactly(new Tiers.Layer(0, 3_200_000), new Tiers.Layer(3_200_000, 6_200_000));
        assertThat(tiers.layers(3_200_000, 6_200_000)).hasSize(1);
        assertThat(tiers.layers(-1_000_000, 3_000_000)).hasSize(1);
    }

    /** What is told on the way only gets better, and the last of each number of kinds is what is answered. */
    @Test
    void betterOptionsAreToldAsTheyAreFound() {
        var massing = building(3);
        var told = new ArrayList<KitOptions.Option>();
        var memory = new PlanMemory(massing.settings().step(), KitRules.between(mm(200), mm(4000)), Set.of());
        var options = KitOptions.of(massing, memory, Integer.MAX_VALUE, () -> false, told::add);
        assertThat(told).containsAll(options);
        var least = new HashMap<Integer, Long>();
        for (var option : told) {
            assertThat(option.placements()).isLessThan(least.getOrDefault(option.kinds(), Long.MAX_VALUE));
            least.put(option.kinds(), option.placements());
        }
    }

    /** Stopped at once it still answers with kits that fill every wall, only not proven where they are not. */
    @Test
    void whatIsFoundBeforeOneStopsFillsEveryWall() {
        for (var seed = 1; seed <= 5; seed++) {
            var massing = building(seed);
            var memory = new PlanMemory(massing.settings().step(), KitRules.between(mm(200), mm(4000)), Set.of());
            for (var option : KitOptions.of(massing, memory, Integer.MAX_VALUE, () -> true, better -> {})) {
                assertThat(KitChoice.parse(massing, option.choice().word()))
                        .as("seed %d", seed)
                        .isEqualTo(option.choice());
            }
        }
    }

    @Test
    void aChoiceIsReadFromItsWordAsItWas() {
        var massing = building(3);
        for (var option : options(massing)) {
            assertThat(KitChoice.parse(massing, option.choice().word())).isEqualTo(option.choice());
        }
    }

    @Test
    void aWordThatIsNoneOrFillsNothingIsRefused() {
        var massing = building(3);
        for (var word :
                List.of("", "kit", "200000-4000000_400000_", "200000-4000000_3700000__", "200000-4000000_50000__")) {
            assertThatThrownBy(() -> KitChoice.parse(massing, word)).as(word).isInstanceOf(Refused.class);
        }
    }
}
