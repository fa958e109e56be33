package hausbau.core.standing;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.named;
import static hausbau.core.TestSets.set;
import static hausbau.core.TestSets.window;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.survey.Survey;
import java.util.ArrayList;
import java.util.Collections;
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

/** What a kit may be made of: each rule on buildings worked by hand. */
class KitRulesTest {

    private static final KitRules USUAL = KitRules.between(mm(200), mm(4000));

    static LongStream seeds() {
        return LongStream.range(0, 100);
    }

    private static Room room(long id, long x, long z, long width, long height) {
        return new Room(id, "Room " + id, Vec.ofMillimetres(x, 0, z), mm(width), mm(4000), mm(height));
    }

    private static List<KitOptions.Option> options(Massing massing, KitRules rules) {
        return KitOptions.of(massing, rules, Set.of(), () -> false);
    }

    private static KitRules lengths(List<Length> only, List<Length> never) {
        return new KitRules(
                new KitRules.Sizes(mm(200), mm(4000), only, never),
                USUAL.heights(),
                USUAL.joints(),
                USUAL.openings(),
                3,
                0,
                false);
    }

    private static KitRules joints(KitRules.Joints joints) {
        return new KitRules(USUAL.lengths(), USUAL.heights(), joints, USUAL.openings(), 3, 0, false);
    }

    private static KitRules openings(KitRules.Openings openings) {
        return new KitRules(USUAL.lengths(), USUAL.heights(), USUAL.joints(), openings, 3, 0, false);
    }

    private static List<Kind> kinds(StandingSet set, Role role) {
        return set.derivedCounts().keySet().stream()
                .filter(k -> k.role() == role)
                .toList();
    }

    private static Set<Long> heights(StandingSet set, Role role) {
        return kinds(set, role).stream().map(k -> k.size().z() / 1000).collect(Collectors.toSet());
    }

    private static void standsSound(StandingSet set) {
        assertThat(set.unfilled()).isEmpty();
        assertThat(Survey.of(set, named(set)).findings())
                .noneMatch(f -> Set.of("GAP", "OVERLAP").contains(f.check().name()));
    }

    /** By hand: 4 m is twice 2 m, or 1.6 and twice 1.2; never of 4, 2 or 1 m it is the latter. */
    @Test
    void lengthsThatAreNotWantedAreNotUsed() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 3000)));
        var only = options(massing, lengths(List.of(mm(1200), mm(1600)), List.of()));
        assertThat(only).singleElement().satisfies(o -> {
            assertThat(o.proven()).isTrue();
            assertThat(o.choice().lengths(new Tiers.Size(mm(3000), mm(200)))).containsExactly(mm(1600), mm(1200));
            // Four walls of three pieces, and four posts.
            assertThat(o.placements()).isEqualTo(16);
        });
        var never = options(massing, lengths(List.of(), List.of(mm(4000), mm(2000), mm(1000))));
        assertThat(never.get(0).choice().lengths(new Tiers.Size(mm(3000), mm(200))))
                .containsExactly(mm(800));
        standsSound(set(massing, only.get(0).choice()));
    }

    /** By hand: a wall of 4 m cannot be made of 1.5 m; it could at 3 or at 4.5 m. */
    @Test
    void whatNoListedLengthFillsIsNamedWithTheNearest() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 3000)));
        var rules = lengths(List.of(mm(1500)), List.of());
        assertThat(options(massing, rules)).isEmpty();
        assertThat(KitOptions.unfillable(massing, rules, Set.of())).hasSize(4).allSatisfy(u -> {
            assertThat(u.below()).isEqualTo(mm(3000));
            assertThat(u.above()).isEqualTo(mm(4500));
        });
    }

    /** A room of 6 m beside one of 3 m: it may be cut at 3 m, unless every piece is to reach from floor to ceiling. */
    @Test
    void withoutJointsEveryPieceReachesFromFloorToCeiling() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 6000), room(2, 5000, 0, 4000, 3000)));
        var cut = options(massing, USUAL).get(0);
        assertThat(heights(set(massing, cut.choice()), Role.WALL)).containsExactly(3000L);
        assertThat(cut.kinds()).isEqualTo(2);
        var whole = options(massing, joints(new KitRules.Joints(false, false, List.of())));
        assertThat(whole).allSatisfy(o -> assertThat(heights(set(massing, o.choice()), Role.WALL))
                .containsExactlyInAnyOrder(3000L, 6000L));
        assertThat(whole.get(0).kinds()).isEqualTo(4);
    }

    /** By hand: cut 1 m above the floors, walls of 3 m stand in tiers of 1 and 2 m, and of 2.2 m with the slab; no others are allowed. */
    @Test
    void wallsAreCutAtTypedHeights() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 3000), room(2, 0, 3200, 4000, 3000)));
        var rules = new KitRules(
                USUAL.lengths(),
                new KitRules.Sizes(mm(400), mm(4000), List.of(mm(1000), mm(2000), mm(2200)), List.of()),
                new KitRules.Joints(false, false, List.of(mm(1000))),
                USUAL.openings(),
                3,
                0,
                false);
        var options = options(massing, rules);
        assertThat(options).isNotEmpty().allSatisfy(o -> {
            assertThat(o.choice().tiers().joints()).containsExactly(1_000_000L, 4_200_000L);
            assertThat(heights(set(massing, o.choice()), Role.WALL)).containsExactlyInAnyOrder(1000L, 2000L, 2200L);
            standsSound(set(massing, o.choice()));
        });
    }

    /**
     * By hand: a window from 1.0 to 2.0 m in a wall of 3 m, with 0.1 m of wall below and above at least: its panel can stand in a tier
     * from 0.9 to 2.1 m, and the walls under and over it run through.
     */
    @Test
    void wallsAreCutUnderSillsAndOverHeads() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 3000)), window(7, Side.SOUTH, 1500, 1000, 1000, 1000));
        var options = options(massing, joints(new KitRules.Joints(false, true, List.of())));
        var heights = options.stream()
                .flatMap(o -> o.choice().tiers().joints().stream())
                .collect(Collectors.toSet());
        assertThat(heights).isSubsetOf(900_000L, 2_100_000L);
        options.forEach(o -> standsSound(set(massing, o.choice())));
        var cut = new KitChoice(
                mm(100),
                List.of(mm(2000), mm(1000)),
                KitChoice.tiles(massing, mm(200), mm(4000)),
                joints(new KitRules.Joints(false, true, List.of())),
                new Tiers(List.of(900_000L, 2_100_000L), Map.of()));
        assertThat(heights(set(massing, cut), Role.WINDOW)).containsExactly(1200L);
    }

    /** By hand: a door of 1 m from 1.5 m on with jambs of 0.3 m takes from 1.2 to 2.8 m; 1.2 m stand on either side. */
    @Test
    void aPanelTakesInItsJambs() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 3000)), door(7, Side.SOUTH, 1500, 1000));
        var rules = openings(new KitRules.Openings(mm(200), mm(300), false));
        var choice = options(massing, rules).get(0).choice();
        var set = set(massing, choice);
        assertThat(kinds(set, Role.DOOR))
                .singleElement()
                .satisfies(k -> assertThat(k.size().x()).isEqualTo(1_600_000L));
        standsSound(set);
        // A jamb that there is no room for ends at the corner.
        var wide = options(massing, openings(new KitRules.Openings(mm(200), mm(9000), false)));
        assertThat(kinds(set(massing, wide.get(0).choice()), Role.DOOR))
                .singleElement()
                .satisfies(k -> assertThat(k.size().x()).isEqualTo(4_000_000L));
    }

    /** By hand: beside a door whose panel takes from 0.8 to 2.0 m of 4, nothing below 1 m may stand: the panel takes the 0.8 m too. */
    @Test
    void nothingShorterThanIsWantedStandsBesideAnOpening() {
        var massing = massing(List.of(room(1, 0, 0, 4000, 3000)), door(7, Side.SOUTH, 900, 1000));
        var choice = options(massing, openings(new KitRules.Openings(mm(1000), Length.ZERO, false)))
                .get(0)
                .choice();
        assertThat(kinds(set(massing, choice), Role.DOOR))
                .singleElement()
                .satisfies(k -> assertThat(k.size().x()).isEqualTo(2_000_000L));
    }

    /** By hand: 3 m of 2 and 1 m on both sides of a door in the middle: 2, 1, door, 1, 2. */
    @Test
    void bothSidesOfADoorAreLaidAlike() {
        var massing = massing(List.of(room(1, 0, 0, 7000, 3000)), door(7, Side.SOUTH, 3100, 800));
        for (var alike : List.of(true, false)) {
            var choice = new KitChoice(
                    mm(100),
                    List.of(mm(2000), mm(1000)),
                    List.of(),
                    openings(new KitRules.Openings(mm(200), Length.ZERO, alike)),
                    Tiers.NONE);
            var run = massing.runs().stream()
                    .filter(r -> !r.panels().isEmpty())
                    .findFirst()
                    .orElseThrow();
            var laid = RunLayout.of(run, new RunLayout.Filler(choice, mm(7000))).pieces().stream()
                    .map(p -> p.length().um() / 1_000_000)
                    .toList();
            assertThat(laid).isEqualTo(alike ? List.of(2L, 1L, 1L, 2L) : List.of(1L, 2L, 1L, 2L));
        }
    }

    /** By hand: 2, 1, 1, 1, 2 about the middle of 7 m, where the odd one stands. */
    @Test
    void aWallWithoutADoorIsLaidAlikeAboutItsMiddle() {
        var massing = massing(List.of(room(1, 0, 0, 7000, 3000)));
        var choice = new KitChoice(
                mm(100),
                List.of(mm(1400), mm(700)),
                List.of(),
                openings(new KitRules.Openings(mm(200), Length.ZERO, true)),
                Tiers.NONE);
        var long7 = massing.runs().stream()
                .filter(r -> r.length().equals(mm(7000)))
                .findFirst()
                .orElseThrow();
        var laid = RunLayout.of(long7, new RunLayout.Filler(choice, mm(7000))).pieces().stream()
                .map(p -> p.length().um() / 1000)
                .toList();
        assertThat(laid).containsExactly(1400L, 1400L, 1400L, 1400L, 1400L);
        var of5 = massing(List.of(room(1, 0, 0, 4900, 3000)));
        var run = of5.runs().stream()
                .filter(r -> r.length().equals(mm(4900)))
                .findFirst()
                .orElseThrow();
        assertThat(RunLayout.of(run, new RunLayout.Filler(choice, mm(4900))).pieces().stream()
                        .map(p -> p.length().um() / 1000)
                        .toList())
                .containsExactly(1400L, 700L, 700L, 700L, 1400L);
    }

    /**
     * A wall with nothing in it, or one opening in its middle, reads the same from both ends in every option, which counts what is laid;
     * that takes no fewer pieces than laying it anyhow.
     */
    @ParameterizedTest
    @MethodSource("seeds")
    void wallsReadTheSameFromBothEnds(long seed) {
        var random = new Random(seed);
        var width = 2000 + 100 * random.nextInt(60);
        var massing = massing(
                List.of(
                        room(1, 0, 0, width, 3000),
                        room(2, 20_000, 0, 1500 + 100 * random.nextInt(40), 2600 + 100 * random.nextInt(8))),
                door(7, Side.SOUTH, width / 2 - 400, 800));
        var alike = options(massing, openings(new KitRules.Openings(mm(200), Length.ZERO, true)));
        var anyhow = options(massing, openings(new KitRules.Openings(mm(200), Length.ZERO, false)));
        assertThat(alike).isNotEmpty().allMatch(KitOptions.Option::proven);
        for (var option : alike) {
            var filler = new RunLayout.Filler(option.choice(), mm(20_000));
            var laid = 0L;
            for (var run : massing.runs()) {
                var layout = RunLayout.of(run, filler);
                assertThat(layout.unfilled()).as("seed %d", seed).isEmpty();
                var tiers = layout.pieces().stream()
                        .collect(Collectors.groupingBy(
                                RunLayout.Item::layer,
                                Collectors.mapping(RunLayout.Item::length, Collectors.toList())));
                // A door that its panel does not lie evenly about parts its wall unevenly.
                var isEven = layout.run().panels().stream()
                        .allMatch(p -> p.at().plus(p.end()).equals(run.length()));
                if (isEven) {
                    assertThat(tiers.values())
                            .as("seed %d, %s", seed, run.name())
                            .allSatisfy(lengths -> {
                                var back = new ArrayList<>(lengths);
                                Collections.reverse(back);
                                assertThat(lengths).isEqualTo(back);
                            });
                }
                laid += layout.pieces().size() + layout.panels().size();
            }
            for (var post : massing.posts()) {
                laid += option.choice().tiers().layers(post).size();
            }
            assertThat(option.placements()).as("seed %d", seed).isEqualTo(laid);
            assertThat(anyhow.stream()
                            .filter(o -> o.kinds() <= option.kinds())
                            .mapToLong(KitOptions.Option::placements)
                            .min()
                            .orElseThrow())
                    .as("seed %d", seed)
                    .isLessThanOrEqualTo(option.placements());
        }
    }

    /** What stands already costs nothing: kept, the kit that stands is the first option, with nothing to be made. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whatIsKeptIsNotCounted(long seed) {
        var random = new Random(seed);
        var massing = massing(
                List.of(
                        room(1, 0, 0, 2000 + 100 * random.nextInt(30), 3000),
                        room(2, 8000, 0, 2000 + 100 * random.nextInt(30), 2600 + 100 * random.nextInt(8))),
                door(7, Side.SOUTH, 400, 900));
        var before = options(massing, USUAL);
        var chosen = before.get(random.nextInt(before.size()));
        var kept = set(massing, chosen.choice()).derivedCounts().keySet();
        var after = KitOptions.of(massing, USUAL, kept, () -> false);
        assertThat(after.get(0).kinds()).as("seed %d", seed).isZero();
        assertThat(after.get(0).placements()).as("seed %d", seed).isLessThanOrEqualTo(chosen.placements());
        for (var option : after) {
            var counts = set(massing, option.choice()).derivedCounts();
            var made = counts.keySet().stream()
                    .filter(k -> !kept.contains(k) && k.role() != Role.FLOOR && k.role() != Role.CEILING)
                    .count();
            assertThat(made).as("seed %d", seed).isEqualTo(option.kinds());
            // With nothing kept as many kinds do no better.
            assertThat(before.stream()
                            .filter(o -> o.kinds() <= option.kinds())
                            .mapToLong(KitOptions.Option::placements)
                            .min()
                            .orElse(Long.MAX_VALUE))
                    .isGreaterThanOrEqualTo(option.placements());
        }
    }

    /** By hand: 10, 6 and 5 pieces of 1, 2 and 3 kinds: the third saves a sixth, and is not worth two pieces. */
    @Test
    void aKindMustBeWorthWhatItSaves() {
        var kinds = List.of(1, 2, 3);
        var placements = List.of(10L, 6L, 5L);
        assertThat(KitOptions.recommended(USUAL, kinds, placements)).isEqualTo(2);
        assertThat(KitOptions.recommended(worth(2), kinds, placements)).isEqualTo(1);
        assertThat(KitOptions.recommended(worth(5), kinds, placements)).isZero();
    }

    private static KitRules worth(long worth) {
        return new KitRules(USUAL.lengths(), USUAL.heights(), USUAL.joints(), USUAL.openings(), 3, worth, false);
    }

    private static KitRules random(Random random) {
        List<Length> listed = random.ints(random.nextInt(4), 2, 40)
                .mapToObj(i -> mm(100L * i))
                .toList();
        List<Length> others = random.ints(random.nextInt(3), 4, 40)
                .mapToObj(i -> mm(100L * i))
                .toList();
        return new KitRules(
                new KitRules.Sizes(mm(200), mm(3000), listed, others),
                new KitRules.Sizes(mm(400), mm(9000), others, listed),
                new KitRules.Joints(random.nextBoolean(), random.nextBoolean(), listed),
                new KitRules.Openings(mm(300), mm(100L * random.nextInt(4)), random.nextBoolean()),
                1 + random.nextInt(8),
                random.nextInt(20),
                random.nextBoolean());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void rulesAreReadFromTheirWord(long seed) {
        var rules = random(new Random(seed));
        assertThat(KitRules.parse(rules.word())).as("seed %d", seed).isEqualTo(rules);
        assertThat(KitRules.parse(USUAL.word())).isEqualTo(USUAL);
    }

    @Test
    void everyRuleThatCannotBeKeptIsNamed() {
        var bad = new KitRules(
                new KitRules.Sizes(mm(500), mm(400), List.of(mm(250)), List.of(mm(350))),
                new KitRules.Sizes(Length.ZERO, mm(4000), List.of(), List.of()),
                new KitRules.Joints(true, true, List.of(mm(-100))),
                new KitRules.Openings(Length.ZERO, mm(-1), false),
                9,
                -1,
                false);
        var refused = catchThrowableOfType(Refused.class, () -> bad.check(mm(100)));
        assertThat(refused.faults().stream().map(Fault::field))
                .contains(
                        "minPieceMm",
                        "onlyLengthsMm",
                        "neverLengthsMm",
                        "minTierMm",
                        "jointsAboveFloorMm",
                        "besideOpeningMm",
                        "jambMm",
                        "maxKinds",
                        "kindWorth");
        USUAL.check(mm(100));
    }

    @Test
    void whatIsNoWordOfRulesIsRefused() {
        Stream.of("", "kit", "1", "1-", "1-2-3", USUAL.word() + "-", "9999999999999-1")
                .forEach(word -> assertThat(
                                catchThrowableOfType(IllegalArgumentException.class, () -> KitRules.parse(word)))
                        .as(word)
                        .isNotNull());
    }
}
