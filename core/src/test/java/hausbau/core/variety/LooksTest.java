package hausbau.core.variety;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.block;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.decisions;
import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.ortools.Loader;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import hausbau.core.dress.Dress;
import hausbau.core.dress.Dresses;
import hausbau.core.dress.Traits;
import hausbau.core.dress.Variety;
import hausbau.core.kit.Held;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Recipe;
import hausbau.core.light.Lamps;
import hausbau.core.massing.Side;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.standing.Assemblies;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Looks given out among a thousand crates, and dealing checked against a constraint solver. */
class LooksTest {

    private static final Kind CRATE = block(500, 400, 300).kind();
    private static final Kind OTHER = new Kind(CRATE.role(), new Recipe.StandIn(CRATE.size()), CRATE.pivot());

    @BeforeAll
    static void natives() {
        Loader.loadNativeLibraries();
    }

    private static StandingSet crates(int columns, int rows, Variety variety) {
        var hands = new ArrayList<HandPlacement>();
        for (var i = 0; i < columns * rows; i++) {
            hands.add(new HandPlacement(
                    100 + i,
                    CRATE,
                    Stance.at(Vec.ofMillimetres(500 * (i % columns), 400 * (i / columns), 0), Turn.NONE),
                    false));
        }
        var massing = massing(List.of(room(1, -5000, -5000, 40_000, 40_000)));
        return StandingSet.of(new Decisions(
                massing,
                Optional.of(kit(massing, 1000)),
                Hands.EMPTY.with(hands, Set.of()),
                List.of(),
                Assemblies.NONE,
                List.of(),
                new Traits(Map.of(CRATE, new Traits.Trait(Held.STANDS, variety, Lamps.NONE))),
                Dresses.NONE,
                Map.of()));
    }

    private static Map<Place, Looks.Guise> looks(StandingSet set) {
        var looks = Looks.of(set);
        var found = new HashMap<Place, Looks.Guise>();
        for (var dealt : looks.dealt()) {
            for (var row = 0; row < dealt.looks().length; row++) {
                var look = looks.look(dealt.chunk(), row);
                if (look != null) {
                    found.put(dealt.chunk().place(row), look);
                }
            }
        }
        return found;
    }

    private static Variety variety(long seed, int... weights) {
        return new Variety(
                IntStream.range(0, weights.length)
                        .mapToObj(i -> new Variety.Look(CRATE, "#00000" + i, weights[i]))
                        .toList(),
                seed);
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 5})
    void noTwoSideBySideAreAlikeInAField(int many) {
        var looks = looks(crates(
                40, 25, variety(7, IntStream.generate(() -> 1).limit(many).toArray())));
        assertThat(looks).hasSize(1000);
        for (var i = 0; i < 1000; i++) {
            var own = looks.get(new Place.ByHand(100 + i));
            if (i % 40 < 39) {
                assertThat(looks.get(new Place.ByHand(101 + i))).isNotEqualTo(own);
            }
            if (i < 960) {
                assertThat(looks.get(new Place.ByHand(140 + i))).isNotEqualTo(own);
            }
        }
    }

    /** Crates far apart draw freely: their shares are the weights', by the binomial distribution's four standard deviations. */
    @Test
    void looksComeByTheirWeights() {
        var keys = LongStream.range(0, 8000).toArray();
        var apart = new Neighbours(
                IntStream.range(0, 8000)
                        .mapToObj(i -> Box.of(10L * i, 0, 0, 10L * i + 1, 1, 1))
                        .toList(),
                2);
        var dealt = Dealing.deal(apart, keys, new int[] {1, 2, 5}, 3);
        var counts = new int[3];
        IntStream.of(dealt).forEach(look -> counts[look]++);
        var shares = new double[] {1 / 8.0, 2 / 8.0, 5 / 8.0};
        for (var look = 0; look < 3; look++) {
            assertThat(Math.abs(counts[look] - 8000 * shares[look]))
                    .isLessThan(4 * Math.sqrt(8000 * shares[look] * (1 - shares[look])));
        }
    }

    @Test
    void sameSeedSameLooksAnotherSeedOthers() {
        assertThat(looks(crates(10, 10, variety(7, 1, 1, 1)))).isEqualTo(looks(crates(10, 10, variety(7, 1, 1, 1))));
        assertThat(looks(crates(10, 10, variety(8, 1, 1, 1)))).isNotEqualTo(looks(crates(10, 10, variety(7, 1, 1, 1))));
    }

    /** Boxes strewn so that they touch in every manner: wherever CP-SAT finds a way without clashes, dealing has none. */
    @ParameterizedTest
    @ValueSource(ints = {2, 3})
    void clashesOnlyWhereASolverSaysItMust(int many) {
        var possible = 0;
        for (var seed = 0; seed < 60; seed++) {
            var random = new Random(seed);
            var boxes = IntStream.range(0, 36)
                    .mapToObj(i -> {
                        var x = 400L * (i % 6) + random.nextInt(150);
                        var y = 300L * (i / 6) + random.nextInt(150);
                        return Box.of(x, y, 0, x + 380 + random.nextInt(200), y + 280 + random.nextInt(200), 100);
                    })
                    .toList();
            var neighbours = new Neighbours(boxes, 120);
            var dealt = Dealing.deal(
                    neighbours,
                    LongStream.range(0, 36).toArray(),
                    IntStream.generate(() -> 1).limit(many).toArray(),
                    seed);
            var clashes = IntStream.range(0, 36)
                    .filter(i -> IntStream.of(neighbours.of(i)).anyMatch(j -> dealt[i] == dealt[j]))
                    .count();
            if (isColourable(neighbours, 36, many)) {
                possible++;
                assertThat(clashes).as("seed %d", seed).isZero();
            } else {
                assertThat(clashes).isPositive();
            }
        }
        assertThat(possible).isBetween(3, 60);
    }

    private static boolean isColourable(Neighbours neighbours, int count, int colours) {
        var model = new CpModel();
        var of = IntStream.range(0, count)
                .mapToObj(i -> model.newIntVar(0, colours - 1, "c" + i))
                .toArray(IntVar[]::new);
        for (var i = 0; i < count; i++) {
            for (var j : neighbours.of(i)) {
                model.addDifferent(of[i], of[j]);
            }
        }
        return new CpSolver().solve(model) != CpSolverStatus.INFEASIBLE;
    }

    @Test
    void variantsAreCountedAsWhatIsSeen() {
        var variety = new Variety(List.of(new Variety.Look(CRATE, "", 1), new Variety.Look(OTHER, "", 1)), 1);
        var set = crates(10, 10, variety);
        var seen = Looks.of(set).counts(set.counts());
        assertThat(seen.get(CRATE)).isEqualTo(50);
        assertThat(seen.get(OTHER)).isEqualTo(50);
        assertThat(seen.values().stream().mapToLong(n -> n).sum()).isEqualTo(set.size());
    }

    @Test
    void aVariantOfAnotherSizeIsRefused() {
        var larger = new Variety(List.of(new Variety.Look(block(600, 400, 300).kind(), "", 1)), 1);
        assertThatThrownBy(() -> larger.fitting(CRATE))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("same size");
        assertThatThrownBy(() -> new Variety.Look(CRATE, "red", 1)).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Variety.Look(CRATE, "", 0)).isInstanceOf(Refused.class);
    }

    private static StandingSet dressed(StandingSet set, Map<Place, Dress> pieces, Map<Long, Dress> rooms) {
        var d = set.decisions();
        return set.next(new Decisions(
                d.massing(),
                d.kit(),
                d.hands(),
                d.repeats(),
                d.assemblies(),
                d.twins(),
                d.traits(),
                new Dresses(pieces, rooms),
                d.departures()));
    }

    /** A hand goes before a room, a room before what was given out; each tells only what it tells. */
    @Test
    void whatIsDressedByHandGoesBeforeItsRoomAndThatBeforeWhatWasGivenOut() {
        var one = new Place.ByHand(100);
        var other = new Place.ByHand(101);
        var set = dressed(
                crates(2, 1, new Variety(List.of(new Variety.Look(CRATE, "#aabbcc", 20, 1)), 1)),
                Map.of(one, new Dress("#112233", Dress.UNTOLD, 7)),
                Map.of(1L, new Dress("", 60, 5)));
        var looks = looks(set);
        assertThat(looks.get(one)).isEqualTo(new Looks.Guise(CRATE, "#112233", 60, true, 7));
        assertThat(looks.get(other)).isEqualTo(new Looks.Guise(CRATE, "#aabbcc", 60, true, 5));
        // All that the room is made of is in it, and nothing is given out there.
        assertThat(looks.size()).isEqualTo((int) set.size());
        assertThat(Looks.of(set).all()).doesNotHaveDuplicates();
        var bare = dressed(set, Map.of(one, new Dress("", 0, 0)), Map.of());
        assertThat(looks(bare).get(one)).isEqualTo(new Looks.Guise(CRATE, "#aabbcc", 0, false, 0));
        assertThat(looks(bare).get(other)).isEqualTo(new Looks.Guise(CRATE, "#aabbcc", 20, true, 0));
        assertThat(Looks.of(bare).counts(bare.counts())).isEqualTo(bare.counts());
    }

    /** Only what is in the room, be it made by it or standing in it; over its door nothing wears at its foot. */
    @Test
    void aRoomDressesAllThatIsInIt() {
        var massing = massing(
                List.of(room(1, 0, 0, 4000, 4000), room(2, 9000, 0, 4000, 4000)), door(5, Side.SOUTH, 1000, 1000));
        var kit = kit(massing, 1000);
        var set = dressed(
                StandingSet.of(
                        decisions(massing, kit, byHand(50, BENCH, 2000, 2000, 0), byHand(51, BENCH, 11_000, 2000, 0))),
                Map.of(),
                Map.of(1L, new Dress("", 40, 0)));
        var looks = looks(set);
        assertThat(looks).containsKey(new Place.ByHand(50)).doesNotContainKey(new Place.ByHand(51));
        assertThat(looks.keySet()).allMatch(p -> p.room() == 1 || p.equals(new Place.ByHand(50)));
        assertThat(looks.keySet())
                .hasSize((int) IntStream.range(0, set.chunks().size())
                                .mapToLong(i -> IntStream.range(
                                                0, set.chunks().get(i).size())
                                        .filter(r ->
                                                set.chunks().get(i).place(r).room() == 1)
                                        .count())
                                .sum()
                        + 1);
        looks.forEach((place, look) -> assertThat(look.onFloor())
                .as("%s", place)
                .isEqualTo(!(place instanceof Place.InRun run && run.tier() == WallRun.Tier.ABOVE)
                        && !(place instanceof Place.Tile)));
    }

    @Test
    void aDressIsWithinItsRanges() {
        assertThatThrownBy(() -> new Dress("red", 0, 0))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("six digits");
        assertThatThrownBy(() -> new Dress("", 101, 0))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("0 to 100");
        assertThatThrownBy(() -> new Dress("", -2, 0)).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Variety.Look(CRATE, "", 101, 1)).isInstanceOf(Refused.class);
    }

    private static Repetition.Sight everything() {
        return new Repetition.Sight(Long.MIN_VALUE, Long.MAX_VALUE, Set.of());
    }

    /** Of a field of 12 by 5 the longest row is 12 long; in two looks no two are alike, and floor tiles are the longest row. */
    @Test
    void theLongestRowOfEqualsIsNamed() {
        var massing = massing(List.of(room(1, 0, 0, 7000, 3000)));
        var bare = StandingSet.of(new Decisions(
                massing,
                Optional.empty(),
                crates(12, 5, Variety.NONE).decisions().hands(),
                Map.of()));
        var found = Repetition.of(bare, Looks.of(bare), everything());
        assertThat(found.alike()).containsExactly(new Repetition.Alike(new Repetition.Look(CRATE, ""), 60));
        var row = found.longest().orElseThrow();
        assertThat(row.places()).hasSize(12).startsWith(new Place.ByHand(100)).endsWith(new Place.ByHand(111));
        assertThat(row.box()).isEqualTo(Box.of(0, 0, 0, 6_000_000, 400_000, 300_000));
        assertThat(Repetition.of(bare, Looks.of(bare), new Repetition.Sight(400_000, Long.MAX_VALUE, Set.of()))
                        .alike())
                .isEmpty();
        assertThat(Repetition.of(
                                bare,
                                Looks.of(bare),
                                new Repetition.Sight(Long.MIN_VALUE, Long.MAX_VALUE, Set.of(CRATE)))
                        .longest())
                .isEmpty();
    }

    @Test
    void inTwoLooksNoTwoEqualsStandSideBySide() {
        var set = crates(12, 5, variety(3, 1, 1));
        var sight = new Repetition.Sight(
                1000,
                200_000,
                Set.copyOf(set.counts().keySet().stream()
                        .filter(k -> !k.equals(CRATE))
                        .toList()));
        var found = Repetition.of(set, Looks.of(set), sight);
        assertThat(found.alike()).extracting(Repetition.Alike::count).containsExactly(30L, 30L);
        assertThat(found.longest()).isEmpty();
    }
}
