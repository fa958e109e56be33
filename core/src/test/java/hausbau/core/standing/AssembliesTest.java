package hausbau.core.standing;

import static hausbau.core.TestSets.massing;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.arrange.Arrangement;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class AssembliesTest {

    private static final Kind LAMP = new Kind(Role.PROP, new Recipe.Lamp(), Pivot.BASE_CENTRE);
    private static final Kind BENCH = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);

    static LongStream seeds() {
        return LongStream.range(0, 40);
    }

    private static Assembly.Part piece(int number, Kind kind, long xMm, long yMm, int quarters) {
        return new Assembly.Part(
                number, new Assembly.OfPiece(kind), Stance.at(Vec.ofMillimetres(xMm, yMm, 0), new Turn(quarters)));
    }

    private static Assembly.Part inner(int number, long assembly, Stance stance) {
        return new Assembly.Part(number, new Assembly.OfAssembly(assembly), stance);
    }

    private static StandingSet set(Assemblies assemblies, Departure... departures) {
        return StandingSet.of(new Decisions(
                massing(List.of()),
                Optional.empty(),
                Hands.EMPTY,
                List.of(),
                assemblies,
                List.of(),
                Decisions.bySource(List.of(departures))));
    }

    /** By hand: a bench with a lamp 1 m to its right, used once as it is and once turned by a quarter. */
    @Test
    void everyUseStandsAsItsAssemblySays() {
        var group = new Assembly(5, "Seat", List.of(piece(1, BENCH, 0, 0, 0), piece(2, LAMP, 1000, 0, 0)));
        var uses = List.of(
                new Use(10, 5, Stance.at(Vec.ofMillimetres(2000, 3000, 0), Turn.NONE)),
                new Use(11, 5, Stance.at(Vec.ofMillimetres(0, 0, 400), new Turn(1))));
        var set = set(new Assemblies(List.of(group), uses));
        assertThat(set.all())
                .extracting(s -> s.place().toString(), s -> s.stance().at())
                .containsExactly(
                        org.assertj.core.api.Assertions.tuple("use.10.1", Vec.ofMillimetres(2000, 3000, 0)),
                                org.assertj.core.api.Assertions.tuple("use.10.2", Vec.ofMillimetres(3000, 3000, 0)),
                        org.assertj.core.api.Assertions.tuple("use.11.1", Vec.ofMillimetres(0, 0, 400)),
                                org.assertj.core.api.Assertions.tuple("use.11.2", Vec.ofMillimetres(0, 1000, 400)));
        assertThat(set.all())
                .allSatisfy(s ->
                        assertThat(set.find(Place.parse(s.place().toString()))).contains(s));
    }

    /** What a plain recursive walk finds: the kind at the end of each path and the sum of moves and turns on the way; no mirrors. */
    private static void walk(
            Map<Long, Assembly> all, long id, Vec at, int quarters, long path, List<List<Object>> found) {
        for (var part : all.get(id).parts()) {
            var p = part.stance();
            var there = at.plus(new Turn(Math.floorMod(quarters, 4)).apply(p.at()));
            var turn = quarters + p.turn().quarters();
            if (part.content() instanceof Assembly.OfPiece piece) {
                found.add(List.of(piece.kind(), there, Math.floorMod(turn, 4)));
            } else {
                walk(all, ((Assembly.OfAssembly) part.content()).assembly(), there, turn, path, found);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nestedTheyStandAsARecursiveWalkFinds(long seed) {
        var random = new Random(seed);
        var all = new ArrayList<Assembly>();
        for (var id = 1L; id <= Assemblies.DEEPEST; id++) {
            var parts = new ArrayList<Assembly.Part>();
            var count = 1 + random.nextInt(3);
            for (var n = 1; n <= count; n++) {
                var stance = Stance.at(
                        Vec.ofMillimetres(random.nextInt(9000), random.nextInt(9000), random.nextInt(500)),
                        new Turn(random.nextInt(4)));
                parts.add(
                        id > 1 && random.nextInt(3) > 0
                                ? inner(n, 1 + random.nextInt((int) id - 1), stance)
                                : new Assembly.Part(
                                        n, new Assembly.OfPiece(random.nextBoolean() ? LAMP : BENCH), stance));
            }
            all.add(new Assembly(id, "A" + id, parts));
        }
        var use = new Use(9, Assemblies.DEEPEST, Stance.at(Vec.ofMillimetres(500, -700, 0), new Turn(3)));
        var assemblies = new Assemblies(all, List.of(use));
        var expected = new ArrayList<List<Object>>();
        walk(
                all.stream().collect(java.util.stream.Collectors.toMap(Assembly::id, a -> a)),
                use.assembly(),
                use.stance().at(),
                3,
                0,
                expected);
        var set = set(assemblies);
        assertThat(set.all().stream()
                        .map(s -> List.<Object>of(
                                s.kind(), s.stance().at(), s.stance().turn().quarters())))
                .containsExactlyElementsOf(expected);
        assertThat(set.all().stream().map(Standing::place).distinct().count()).isEqualTo(expected.size());
        assertThat(assemblies.size(use.assembly())).isEqualTo(expected.size());
        assertThat(assemblies.counts(use.assembly())).isEqualTo(set.counts());
    }

    /** Mirrored, a use takes the same ground; taken apart, its parts stand where they stood. */
    @ParameterizedTest
    @MethodSource("seeds")
    void mirroredTheyKeepTheirGroundAndApartTheyStandTheSame(long seed) {
        var random = new Random(seed);
        var low = new Assembly(
                1,
                "Low",
                List.of(
                        piece(1, BENCH, random.nextInt(3000), 0, random.nextInt(4)),
                        piece(2, LAMP, 1000, random.nextInt(3000), 0)));
        var high = new Assembly(
                2,
                "High",
                List.of(
                        inner(
                                1,
                                1,
                                new Stance(
                                        Vec.ofMillimetres(random.nextInt(4000), 0, 0),
                                        new Turn(random.nextInt(4)),
                                        random.nextBoolean(),
                                        0)),
                        piece(2, LAMP, 0, 0, 0)));
        var plain = new Use(8, 2, Stance.at(Vec.ofMillimetres(700, 300, 0), new Turn(random.nextInt(4))));
        var mirrored =
                new Use(9, 2, new Stance(plain.stance().at(), plain.stance().turn(), true, 0));
        var assemblies = new Assemblies(List.of(low, high), List.of(plain, mirrored));
        var set = set(assemblies);
        assertThat(extent(set.of(new Source.Uses(9)))).isEqualTo(extent(set.of(new Source.Uses(8))));
        var inner = new Use(20, 1, assemblies.placed(mirrored, high.parts().get(0)));
        var apart = set(new Assemblies(List.of(low, high), List.of(inner))).all();
        assertThat(apart)
                .extracting(s -> s.kind(), s -> s.box())
                .containsExactlyElementsOf(set.of(new Source.Uses(9)).stream()
                        .limit(2)
                        .map(s -> org.assertj.core.api.Assertions.tuple(s.kind(), s.box()))
                        .toList());
    }

    private static Box extent(List<Standing> all) {
        return all.stream().map(Standing::box).reduce(Box::union).orElseThrow();
    }

    @Test
    void oneUseMayDepartAndTheOthersDoNot() {
        var group = new Assembly(5, "Seat", List.of(piece(1, BENCH, 0, 0, 0), piece(2, LAMP, 1000, 0, 0)));
        var uses = List.of(
                new Use(10, 5, Stance.at(Vec.ZERO, Turn.NONE)),
                new Use(11, 5, Stance.at(Vec.ofMillimetres(5000, 0, 0), Turn.NONE)));
        var set = set(new Assemblies(List.of(group), uses), new Departure.LeftOut(new Place.InUse(10, 2)));
        assertThat(set.counts()).isEqualTo(Map.of(BENCH, 2L, LAMP, 1L));
        // The lamp is gone from the assembly: the change by hand has lost its place.
        var less = new Assembly(5, "Seat", List.of(piece(1, BENCH, 0, 0, 0)));
        assertThat(set(new Assemblies(List.of(less), uses), new Departure.LeftOut(new Place.InUse(10, 2)))
                        .lost())
                .hasSize(1);
    }

    @Test
    void onlyTheUsesOfWhatChangedRunAgain() {
        var seat = new Assembly(5, "Seat", List.of(piece(1, BENCH, 0, 0, 0)));
        var light = new Assembly(6, "Light", List.of(piece(1, LAMP, 0, 0, 0)));
        var uses = List.of(
                new Use(10, 5, Stance.at(Vec.ZERO, Turn.NONE)),
                new Use(11, 6, Stance.at(Vec.ofMillimetres(5000, 0, 0), Turn.NONE)));
        var before = set(new Assemblies(List.of(seat, light), uses));
        var moved = new Assembly(6, "Light", List.of(piece(1, LAMP, 100, 0, 0)));
        var d = before.decisions();
        var after = before.next(new Decisions(
                d.massing(),
                d.kit(),
                d.hands(),
                d.repeats(),
                new Assemblies(List.of(seat, moved), uses),
                d.twins(),
                d.departures()));
        assertThat(after.since().added()).extracting(Chunk::name).containsExactly("uses.11.0");
    }

    @Test
    void anAssemblyHoldsNeitherItselfNorNothing() {
        var one = new Assembly(1, "One", List.of(inner(1, 2, Stance.at(Vec.ZERO, Turn.NONE))));
        var two = new Assembly(2, "Two", List.of(inner(1, 1, Stance.at(Vec.ZERO, Turn.NONE))));
        assertThatThrownBy(() -> new Assemblies(List.of(one, two), List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("hold itself");
        assertThatThrownBy(() -> new Assembly(3, "None", List.of())).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Assemblies(List.of(one), List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("no assembly 2");
        var chain = new ArrayList<Assembly>(List.of(new Assembly(1, "A1", List.of(piece(1, LAMP, 0, 0, 0)))));
        for (var id = 2L; id <= Assemblies.DEEPEST + 1; id++) {
            chain.add(new Assembly(id, "A" + id, List.of(inner(1, id - 1, Stance.at(Vec.ZERO, Turn.NONE)))));
        }
        assertThatThrownBy(() -> new Assemblies(chain, List.of())).hasMessageContaining("at most 5 deep");
    }

    /** Carried with others about their middle, a whole use ends where its pieces would. */
    @ParameterizedTest
    @MethodSource("seeds")
    void aUseIsArrangedAsItsPiecesWouldBe(long seed) {
        var random = new Random(seed);
        var group = new Assembly(
                5,
                "Seat",
                List.of(
                        piece(1, BENCH, random.nextInt(900), 0, random.nextInt(4)),
                        piece(2, LAMP, 1000, random.nextInt(2000), 0)));
        var use = new Use(
                10, 5, Stance.at(Vec.ofMillimetres(100 * random.nextInt(50), 0, 0), new Turn(random.nextInt(4))));
        var assemblies = new Assemblies(List.of(group), List.of(use));
        var all = set(assemblies).all();
        var arrangement = new Arrangement(Vec.ofMillimetres(300, -200, 100), random.nextInt(4), random.nextBoolean());
        var step = hausbau.core.measure.Length.ofMillimetres(100);
        var carried = new Use(10, 5, arrangement.carry(all, use.stance(), assemblies.box(5), step));
        var expected = arrangement.apply(all, step);
        var there = set(new Assemblies(List.of(group), List.of(carried))).all();
        for (var i = 0; i < all.size(); i++) {
            assertThat(there.get(i).box())
                    .as("piece %d of seed %d", i, seed)
                    .isEqualTo(expected.get(i).box(all.get(i).kind()));
        }
    }
}
