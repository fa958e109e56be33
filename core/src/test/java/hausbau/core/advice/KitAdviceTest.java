package hausbau.core.advice;

import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.set;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Level;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Survey;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class KitAdviceTest {

    private static final KitRules RULES = KitRules.between(mm(200), mm(4000));

    private static Room room(long id, long x, long width, long height) {
        return new Room(id, "Room " + id, Vec.ofMillimetres(x, 0, 0), mm(width), mm(4000), mm(height));
    }

    private static List<KitOptions.Option> options(Massing massing) {
        return KitOptions.of(massing, RULES, Set.of(), () -> false);
    }

    private static StandingSet built(Massing massing) {
        return set(massing, options(massing).get(0).choice());
    }

    private static List<KitAdvice.Advice> advice(Massing massing) {
        return KitAdvice.of(built(massing), List.of(), RULES, Survey::faults, () -> false, share -> assertThat(share)
                .isBetween(0.0, 1.0));
    }

    /** By hand: of two like rooms one is a step higher. Made alike, its kind of wall and its kind of post fall away. */
    @Test
    void aRoomOfAHeightOfItsOwnIsToBeAsHighAsTheOther() {
        var massing =
                new Massing(SiteSettings.USUAL, List.of(room(1, 0, 4000, 3000), room(2, 9000, 4000, 3100)), List.of());
        assertThat(options(massing).get(0).kinds()).isEqualTo(4);
        var found = advice(massing);
        assertThat(found.get(0).kindsSaved()).isEqualTo(2);
        assertThat(found.get(0).kinds()).isEqualTo(2);
        assertThat(found)
                .filteredOn(a -> a.kindsSaved() == 2)
                .extracting(a -> a.change().describe(Unit.METRE))
                .containsExactlyInAnyOrder("Room 2 3 m high instead of 3.1 m", "Room 1 3.1 m high instead of 3 m");
    }

    /** By hand: two windows that differ by a step in width are one panel if they are alike. */
    @Test
    void windowsOfAlmostOneSizeAreToBeOfOne() {
        var massing = new Massing(
                SiteSettings.USUAL,
                List.of(room(1, 0, 8000, 3000)),
                List.of(window(10, Side.NORTH, 1200), window(11, Side.SOUTH, 1300)));
        assertThat(advice(massing)).anySatisfy(a -> assertThat(a.change()).isInstanceOf(Change.OpeningSize.class));
    }

    private static Opening window(long id, Side side, long width) {
        return new Opening(id, 1, Opening.Kind.WINDOW, side, mm(2000), mm(width), mm(1000), mm(900));
    }

    @Test
    void whereNothingSavesThereIsNoAdvice() {
        var massing = new Massing(SiteSettings.USUAL, List.of(room(1, 0, 4000, 3000)), List.of());
        assertThat(advice(massing)).isEmpty();
    }

    /**
     * By hand: two rooms of 3 m and two of 3.2 m. None of them alone brings the two heights together, for two of each stay; the two
     * of 3 m made 3.2 m high do, and so do the others made lower.
     */
    @Test
    void roomsOfOneHeightAreChangedTogether() {
        var massing = new Massing(
                SiteSettings.USUAL,
                List.of(
                        room(1, 0, 4000, 3000),
                        room(2, 9000, 4000, 3000),
                        room(3, 18_000, 4000, 3200),
                        room(4, 27_000, 4000, 3200)),
                List.of());
        assertThat(advice(massing))
                .filteredOn(a -> a.kindsSaved() == 2)
                .extracting(a -> a.change().describe(Unit.METRE))
                .containsExactlyInAnyOrder(
                        "Room 1 and Room 2 3.2 m high instead of 3 m", "Room 3 and Room 4 3 m high instead of 3.2 m");
    }

    /** By hand: walls of 4 m all around but for one of 4.1 m, which needs a length of its own or pieces of 0.1 m. */
    @Test
    void aRoomThatIsAStepTooLongIsMadeShorter() {
        var massing =
                new Massing(SiteSettings.USUAL, List.of(room(1, 0, 4000, 3000), room(2, 9000, 4100, 3000)), List.of());
        assertThat(advice(massing))
                .extracting(a -> a.change().describe(Unit.METRE))
                .contains("Room 2 0.1 m shorter east to west");
    }

    /** By hand: a room of 3.1 × 4.1 m among others of 3 × 4 m: both sides have to be right. */
    @Test
    void changesThatHelpOnlyTogetherArePaired() {
        var massing = new Massing(
                SiteSettings.USUAL,
                List.of(room(1, 0, 4000, 3000), room(2, 9000, 4000, 3100)),
                List.of(
                        new Opening(10, 1, Opening.Kind.WINDOW, Side.NORTH, mm(1000), mm(800), mm(1000), mm(900)),
                        new Opening(11, 2, Opening.Kind.WINDOW, Side.NORTH, mm(1000), mm(800), mm(1000), mm(900))));
        var changes = Changes.of(massing, List.of(), 2);
        assertThat(changes).hasSizeGreaterThan(20);
        var height =
                changes.stream().filter(Change.RoomHeight.class::isInstance).toList();
        assertThat(Changes.areOfDifferentThings(height.get(0), height.get(1))).isFalse();
        var slide = changes.stream()
                .filter(Change.OpeningAt.class::isInstance)
                .findFirst()
                .orElseThrow();
        assertThat(Changes.areOfDifferentThings(height.get(0), slide)).isTrue();
        var both = Change.Together.of(List.of(height.get(0), slide));
        var changed = both.in(massing.building());
        assertThat(changed.rooms().get(0).height())
                .isNotEqualTo(massing.rooms().get(0).height());
        assertThat(changed.openings().get(0).at()).isNotEqualTo(mm(1000));
        assertThat(both.describe(Unit.METRE)).contains("; Slide the window");
    }

    static LongStream seeds() {
        return LongStream.range(0, 15);
    }

    /** Taken on the building itself and planned from nothing, every advice saves what it says, and nothing gapes that did not. */
    @ParameterizedTest
    @MethodSource("seeds")
    void everyAdviceSavesWhatItSays(long seed) {
        var random = new Random(seed);
        var rooms = new ArrayList<Room>();
        var openings = new ArrayList<Opening>();
        for (var i = 0; i < 3; i++) {
            rooms.add(room(1 + i, 7000L * i, 3000 + 100 * random.nextInt(20), 2800 + 100 * random.nextInt(4)));
            openings.add(new Opening(
                    10 + i,
                    1 + i,
                    Opening.Kind.WINDOW,
                    Side.NORTH,
                    mm(500 + 100 * random.nextInt(6)),
                    mm(900 + 100 * random.nextInt(3)),
                    mm(1000),
                    mm(900)));
        }
        var massing = new Massing(SiteSettings.USUAL, rooms, openings);
        var before = options(massing).get(0).kinds();
        for (var advice : advice(massing)) {
            var taken = new Massing(massing.settings(), advice.change().in(massing.building()));
            var after = options(taken).get(0);
            assertThat(after.kinds()).as("seed %d: %s", seed, advice).isEqualTo(advice.kinds());
            assertThat(before - after.kinds()).isEqualTo(advice.kindsSaved());
            assertThat(Survey.faults(set(taken, after.choice())))
                    .as("seed %d: %s", seed, advice)
                    .isLessThanOrEqualTo(Survey.faults(built(massing)));
            assertThat(advice.change().size()).isBetween(1L, mm(200).um());
        }
    }

    /** Called off before it began, it has nothing to say. */
    @Test
    void itIsCalledOff() {
        var massing =
                new Massing(SiteSettings.USUAL, List.of(room(1, 0, 4000, 3000), room(2, 9000, 4000, 3100)), List.of());
        assertThat(KitAdvice.of(built(massing), List.of(), RULES, Survey::faults, () -> true, share -> {}))
                .isEmpty();
    }

    /** By hand: two rooms under two patterns have two kinds of wall and two of post; under one they have one of each. */
    @Test
    void onePatternLessIsAdvised() {
        var massing = new Massing(
                SiteSettings.USUAL,
                List.of(room(1, 0, 4000, 3000), room(2, 9000, 4000, 3000).looking(7)),
                List.of());
        assertThat(options(massing).get(0).kinds()).isEqualTo(4);
        assertThat(advice(massing))
                .filteredOn(a -> a.kindsSaved() == 2)
                .extracting(a -> a.change().describe(Unit.METRE))
                .containsExactlyInAnyOrder("Room 2 under the site’s pattern", "Room 1 under the pattern of “Room 2”");
    }

    /**
     * By hand: two rooms side by side, dressed on both sides, have walls that look outside and one that does not: two kinds and a post.
     * Under the outside's pattern all walls are of one kind.
     */
    @Test
    void theOutsidesPatternIsTriedForRooms() {
        var massing = new Massing(
                SiteSettings.USUAL.with(new SiteSettings.Facing(true, 9)),
                List.of(room(1, 0, 4000, 3000), room(2, 4200, 4000, 3000)),
                List.of());
        assertThat(options(massing).get(0).kinds()).isEqualTo(3);
        var tried = Changes.of(massing, List.of(), 2).stream()
                .filter(c -> c.describe(Unit.METRE).endsWith("under the pattern of the outside"))
                .toList();
        assertThat(tried).singleElement().satisfies(c -> {
            assertThat(c.parts()).hasSize(2);
            assertThat(options(massing.next(massing.settings(), c.in(massing.building())))
                            .get(0)
                            .kinds())
                    .isEqualTo(2);
        });
    }

    /** By hand: a hall is 6.1 m high, the upper of two rooms beside it ends at 6 m: a step higher both end together. */
    @Test
    void aLevelAStepHigherIsAdvisedWithAllThatIsOnIt() {
        var upper = new Room(3, "Upper", Vec.ofMillimetres(4200, 0, 3200), mm(4000), mm(4000), mm(2800)).on(LEVEL);
        var massing = new Massing(
                SiteSettings.USUAL,
                List.of(
                        new Room(1, "Hall", Vec.ofMillimetres(0, 0, 0), mm(4000), mm(4000), mm(6100)),
                        new Room(2, "Lower", Vec.ofMillimetres(4200, 0, 0), mm(4000), mm(4000), mm(2900)),
                        upper),
                List.of());
        var found = KitAdvice.of(built(massing), List.of(LEVEL), RULES, Survey::faults, () -> false, share -> {});
        var changes = Changes.of(massing, List.of(LEVEL), 2);
        assertThat(changes).filteredOn(Change.LevelFloor.class::isInstance).hasSize(4);
        assertThat(found)
                .filteredOn(a -> a.change() instanceof Change.LevelFloor)
                .isNotEmpty()
                .allSatisfy(a -> {
                    var then = new Massing(
                            SiteSettings.USUAL,
                            a.change().in(massing.building()).rooms(),
                            List.of());
                    assertThat(then.rooms().get(2).floor())
                            .isEqualTo(3_200_000 + ((Change.LevelFloor) a.change()).by());
                    assertThat(options(massing).get(0).kinds()
                                    - options(then).get(0).kinds())
                            .isEqualTo(a.kindsSaved());
                });
    }

    private static final Level LEVEL = new Level(30, "Upper", 3_200_000, mm(3000));
}
