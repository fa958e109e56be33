package hausbau.core.standing;

import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.repeat.Course;
import hausbau.core.repeat.Field;
import hausbau.core.repeat.Pace;
import hausbau.core.repeat.Ring;
import hausbau.core.repeat.Rule;
import hausbau.core.repeat.Trail;
import hausbau.core.repeat.Variation;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Repeats in the standing set: they live, keep what hands changed, and follow their room. */
class RepeatTest {

    private static final Kind LAMP = new Kind(Role.PROP, new Recipe.Lamp(), Pivot.BASE_CENTRE);
    private static final Kind BENCH = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);
    private static final Room ROOM = room(1, 0, 0, 5000, 4000);

    private static Rule course(int count, long toMm) {
        return new Course(
                Vec.ZERO, Vec.ofMillimetres(toMm, 0, 0), Pace.of(count), Length.ZERO, false, false, Variation.NONE);
    }

    private static Repeat repeat(Rule rule, Kind... kinds) {
        return new Repeat(7, "Repeat", List.of(kinds).stream().map(Body::of).toList(), rule, Optional.empty());
    }

    private static StandingSet set(Massing massing, List<Repeat> repeats, Departure... departures) {
        return StandingSet.of(decisions(massing, repeats, List.of(departures)));
    }

    private static Decisions decisions(Massing massing, List<Repeat> repeats, List<Departure> departures) {
        return new Decisions(
                massing,
                Optional.empty(),
                Hands.EMPTY,
                repeats,
                Assemblies.NONE,
                List.of(),
                Decisions.bySource(departures));
    }

    /** Without a kit: what hands repeat waits for none. */
    @Test
    void aRepeatStandsAndEachCopyHasAPlace() {
        var set = set(massing(List.of(ROOM)), List.of(repeat(course(5, 4000), LAMP)));
        assertThat(set.all())
                .extracting(s -> s.place().toString())
                .containsExactly("repeat.7.0.0", "repeat.7.1.0", "repeat.7.2.0", "repeat.7.3.0", "repeat.7.4.0");
        assertThat(set.all())
                .allSatisfy(s ->
                        assertThat(set.find(Place.parse(s.place().toString()))).contains(s));
        assertThat(set.counts()).containsExactly(Map.entry(LAMP, 5L));
    }

    /** Left out, moved: it stays when the rule changes; where the copy is gone it is listed, and comes back with the copy. */
    @Test
    void whatAHandChangedStaysWhenTheRuleChanges() {
        var third = new Place.InRepeat(7, 2, 0);
        var fifth = new Place.InRepeat(7, 4, 0);
        var departures = List.<Departure>of(
                new Departure.LeftOut(third),
                new Departure.Restood(fifth, BENCH, Stance.at(Vec.ofMillimetres(1, 2, 3), Turn.NONE), true));
        var massing = massing(List.of(ROOM));
        var set = StandingSet.of(decisions(massing, List.of(repeat(course(5, 4000), LAMP)), departures));
        assertThat(set.size()).isEqualTo(4);
        var wider = set.next(decisions(massing, List.of(repeat(course(9, 4000), LAMP)), departures));
        assertThat(wider.size()).isEqualTo(8);
        assertThat(wider.find(third)).isEmpty();
        assertThat(wider.find(fifth))
                .hasValueSatisfying(s -> assertThat(s.kind()).isEqualTo(BENCH));
        var shorter = wider.next(decisions(massing, List.of(repeat(course(3, 4000), LAMP)), departures));
        assertThat(shorter.lost()).extracting(Departure::place).containsExactly(fifth);
        assertThat(shorter.next(decisions(massing, List.of(repeat(course(5, 4000), LAMP)), departures))
                        .digests())
                .isEqualTo(set.digests());
    }

    /** A thousand seeded sequences of rules and of changes by hand: each change holds wherever its copy stands, and is listed wherever it does not. */
    @Test
    void noSequenceOfEditsLosesAChangeByHand() {
        var massing = massing(List.of(ROOM));
        for (var seed = 0; seed < 1000; seed++) {
            var random = new Random(seed);
            var set = set(massing, List.of());
            var departures = new HashMap<Place, Departure>();
            for (var i = 0; i < 6; i++) {
                var count = 1 + random.nextInt(12);
                var rule = random.nextBoolean()
                        ? course(count, 1000 + random.nextInt(5000))
                        : new Ring(
                                Vec.ZERO,
                                mm(1000 + random.nextInt(2000)),
                                Pace.of(count),
                                random.nextInt(360_000),
                                360_000,
                                Ring.Facing.IN,
                                Variation.NONE);
                var place = new Place.InRepeat(7, random.nextInt(12), 0);
                departures.put(
                        place,
                        random.nextBoolean()
                                ? new Departure.LeftOut(place)
                                : new Departure.Restood(
                                        place,
                                        BENCH,
                                        Stance.at(Vec.ofMillimetres(random.nextInt(999), 0, 0), Turn.NONE),
                                        false));
                set = set.next(decisions(massing, List.of(repeat(rule, LAMP)), List.copyOf(departures.values())));
                var lost = new HashSet<>(set.lost());
                for (var d : departures.values()) {
                    var there = ((Place.InRepeat) d.place()).spot() < count;
                    assertThat(lost.contains(d)).isEqualTo(!there);
                    var stands = set.find(d.place());
                    assertThat(stands.isPresent()).isEqualTo(d instanceof Departure.Restood);
                    if (d instanceof Departure.Restood r) {
                        assertThat(stands.orElseThrow().stance()).isEqualTo(r.stance());
                    }
                }
            }
        }
    }

    @Test
    void severalPiecesStandTogetherAtEachSpot() {
        var bench = new Standing(
                new Place.ByHand(1),
                BENCH,
                Stance.at(Vec.ofMillimetres(1000, 1000, 0), Turn.NONE),
                false,
                false,
                false);
        var lamp = new Standing(
                new Place.ByHand(2),
                LAMP,
                Stance.at(Vec.ofMillimetres(2000, 1500, 0), new Turn(1)),
                false,
                false,
                false);
        var group = Body.of(List.of(bench, lamp));
        var ring = new Ring(Vec.ZERO, mm(3000), Pace.of(4), 0, 360_000, Ring.Facing.OUT, Variation.NONE);
        var all = set(massing(List.of(ROOM)), List.of(new Repeat(7, "Group", List.of(group), ring, Optional.empty())))
                .all();
        assertThat(all).hasSize(8);
        // At the right of the centre, turned by a quarter: the lamp, 1 m to the right and 0.5 m behind, comes to stand
        // 1 m behind and 0.5 m to the left.
        assertThat(all.get(1)).satisfies(s -> {
            assertThat(s.place()).isEqualTo(new Place.InRepeat(7, 0, 1));
            assertThat(s.stance().at()).isEqualTo(Vec.ofMillimetres(2500, 1000, 0));
            assertThat(s.stance().turn()).isEqualTo(new Turn(2));
        });
    }

    /** Mirrored, a group keeps the ground that it takes. */
    @Test
    void aMirroredGroupTakesItsOwnGround() {
        var bench = new Standing(new Place.ByHand(1), BENCH, Stance.at(Vec.ZERO, Turn.NONE), false, false, false);
        var lamp = new Standing(
                new Place.ByHand(2), LAMP, Stance.at(Vec.ofMillimetres(1500, 0, 0), Turn.NONE), false, false, false);
        var rule = new Course(
                Vec.ZERO, Vec.ofMillimetres(0, 5000, 0), Pace.of(2), Length.ZERO, false, false, new Variation(0, 2, 0));
        var all = set(
                        massing(List.of(ROOM)),
                        List.of(new Repeat(7, "Pair", List.of(Body.of(List.of(bench, lamp))), rule, Optional.empty())))
                .all();
        var first =
                all.subList(0, 2).stream().map(Standing::box).reduce(Box::union).orElseThrow();
        var second =
                all.subList(2, 4).stream().map(Standing::box).reduce(Box::union).orElseThrow();
        assertThat(second).isEqualTo(first.movedBy(Vec.ofMillimetres(0, 5000, 0)));
        assertThat(all.get(3).stance().at().x())
                .isLessThan(all.get(2).stance().at().x());
    }

    private static Repeat hosted(Rule rule, Repeat.Hold hold, int edge) {
        return new Repeat(
                7,
                "Lamps",
                List.of(Body.of(LAMP)),
                rule,
                Optional.of(new Repeat.Host(1, hold, edge, Repeat.anchor(ROOM), mm(200))));
    }

    private static List<Vec> places(Room room, Repeat repeat) {
        return set(massing(List.of(room)), List.of(repeat)).all().stream()
                .map(s -> s.stance().at())
                .toList();
    }

    /** By hand: along the north wall, 0.2 m inside its face, half a pitch from its ends; when the wall moves and grows the lamps go along. */
    @Test
    void aCourseStaysWithItsWall() {
        var rule = new Course(
                Vec.ZERO, Vec.ofMillimetres(1000, 0, 0), Pace.of(2), Length.ZERO, true, true, Variation.NONE);
        assertThat(places(ROOM, hosted(rule, Repeat.Hold.WALL, Side.NORTH.ordinal())))
                .containsExactly(Vec.ofMillimetres(1250, 3800, 0), Vec.ofMillimetres(3750, 3800, 0));
        var grown = ROOM.over(ROOM.outline().within(new Rect(0, 0, 6_000_000, 5_000_000)));
        assertThat(places(grown, hosted(rule, Repeat.Hold.WALL, Side.NORTH.ordinal())))
                .containsExactly(Vec.ofMillimetres(1500, 4800, 0), Vec.ofMillimetres(4500, 4800, 0));
        // Each with its back to the wall: seen from inside the east wall begins in the north.
        var east = set(massing(List.of(ROOM)), List.of(hosted(rule, Repeat.Hold.WALL, Side.EAST.ordinal())))
                .all();
        assertThat(east)
                .extracting(s -> s.stance().turn().quarters(), s -> s.stance().at())
                .containsExactly(
                        org.assertj.core.api.Assertions.tuple(3, Vec.ofMillimetres(4800, 3000, 0)),
                        org.assertj.core.api.Assertions.tuple(3, Vec.ofMillimetres(4800, 1000, 0)));
    }

    @Test
    void aRepeatGoesAlongWithItsRoom() {
        var ring = new Ring(
                Vec.ofMillimetres(2500, 2000, 0), mm(1000), Pace.of(4), 0, 360_000, Ring.Facing.IN, Variation.NONE);
        var moved = ROOM.arranged(false, 0, Vec.ofMillimetres(700, -300, 400));
        assertThat(places(moved, hosted(ring, Repeat.Hold.ROOM, -1)))
                .isEqualTo(places(ROOM, hosted(ring, Repeat.Hold.ROOM, -1)).stream()
                        .map(p -> p.plus(Vec.ofMillimetres(700, -300, 400)))
                        .toList());
    }

    @Test
    void aFieldFillsAllOfItsRoomsGround() {
        var field = new Field(
                Region.of(new Rect(0, 0, 1000, 1000)),
                0,
                mm(1000),
                mm(1000),
                false,
                0,
                Length.ZERO,
                0,
                Length.ZERO,
                1,
                0,
                1);
        assertThat(places(ROOM, hosted(field, Repeat.Hold.GROUND, -1))).hasSize(20);
        assertThat(places(
                        ROOM.over(ROOM.outline().joined(new Rect(5_000_000, 0, 7_000_000, 2_000_000))),
                        hosted(field, Repeat.Hold.GROUND, -1)))
                .hasSize(24);
    }

    /** The room is gone: the repeat stands where it was told. */
    @Test
    void withoutItsRoomItStaysWhereItWasTold() {
        var repeat = hosted(course(3, 2000), Repeat.Hold.ROOM, -1);
        assertThat(set(massing(List.of()), List.of(repeat)).size()).isEqualTo(3);
    }

    @Test
    void onlyWhatChangedIsRunAgain() {
        var massing = massing(List.of(ROOM));
        var other = new Repeat(8, "Other", List.of(Body.of(BENCH)), course(4, 3000), Optional.empty());
        var before = set(massing, List.of(repeat(course(5, 4000), LAMP), other));
        var after = before.next(decisions(massing, List.of(repeat(course(6, 4000), LAMP), other), List.of()));
        assertThat(after.since().added()).extracting(Chunk::name).containsExactly("repeats.7.0");
        assertThat(after.next(decisions(massing, List.of(other), List.of())).all())
                .hasSize(4);
    }

    @Test
    void tooManyAreRefused() {
        var rule = new Field(
                Region.of(new Rect(0, 0, 400_000_000, 400_000_000)),
                0,
                mm(400),
                mm(400),
                false,
                0,
                Length.ZERO,
                0,
                Length.ZERO,
                1,
                0,
                1);
        assertThatThrownBy(() -> set(massing(List.of(ROOM)), List.of(repeat(rule, LAMP))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("200000");
    }

    /** What is reckoned without setting anything down is what stands. */
    @Test
    void countsAreWhatStands() {
        var two = new Repeat(
                7,
                "Two",
                List.of(Body.of(LAMP), Body.of(BENCH)),
                new Course(
                        Vec.ZERO,
                        Vec.ofMillimetres(5000, 0, 0),
                        Pace.of(7),
                        Length.ZERO,
                        false,
                        false,
                        new Variation(3, 0, 0)),
                Optional.empty());
        var massing = massing(List.of(ROOM));
        assertThat(set(massing, List.of(two)).counts()).isEqualTo(Map.of(LAMP, 5L, BENCH, 2L));
        assertThat(new ArrayList<>(two.standing(set(massing, List.of()))))
                .isEqualTo(set(massing, List.of(two)).all());
    }

    /** An assembly that is repeated is repeated as it is now; one that is gone leaves nothing. */
    @Test
    void aRepeatedAssemblyFollowsWhatItIsMadeOf() {
        var massing = massing(List.of(ROOM));
        var lamp = new Assembly.Part(1, new Assembly.OfPiece(LAMP), Stance.at(Vec.ofMillimetres(100, 0, 0), Turn.NONE));
        var bench =
                new Assembly.Part(2, new Assembly.OfPiece(BENCH), Stance.at(Vec.ofMillimetres(0, 500, 0), Turn.of(1)));
        var repeat = new Repeat(7, "Repeat", List.of(Body.ofAssembly(3)), course(4, 3000), Optional.empty());
        var one =
                decisions(massing, repeat, new Assemblies(List.of(new Assembly(3, "Group", List.of(lamp))), List.of()));
        var two = decisions(
                massing, repeat, new Assemblies(List.of(new Assembly(3, "Group", List.of(lamp, bench))), List.of()));
        var none = decisions(massing, repeat, Assemblies.NONE);
        var set = StandingSet.of(one);
        assertThat(set.counts()).isEqualTo(Map.of(LAMP, 4L));
        assertThat(set.all().get(3).stance().at()).isEqualTo(Vec.ofMillimetres(3100, 0, 0));
        assertThat(set.next(two).counts()).isEqualTo(Map.of(LAMP, 4L, BENCH, 4L));
        assertThat(set.next(two).digests()).isEqualTo(StandingSet.of(two).digests());
        assertThat(set.next(two).all().get(1).stance()).isEqualTo(Stance.at(Vec.ofMillimetres(0, 500, 0), Turn.of(1)));
        assertThat(set.next(none).size()).isZero();
    }

    private static Decisions decisions(Massing massing, Repeat repeat, Assemblies assemblies) {
        return new Decisions(massing, Optional.empty(), Hands.EMPTY, List.of(repeat), assemblies, List.of(), Map.of());
    }

    /** Round a room's outline, whatever that becomes. */
    @Test
    void aTrailRoundAnOutlineFollowsIt() {
        var pace = new Pace(Pace.Kind.PITCH, mm(1000), 0, Pace.Rest.AFTER);
        var trail = new Trail(
                List.of(Vec.ZERO, Vec.ofMillimetres(1, 0, 0)),
                false,
                Length.ZERO,
                pace,
                Length.ZERO,
                false,
                Trail.Joints.NONE,
                Variation.NONE);
        var host = new Repeat.Host(1, Repeat.Hold.OUTLINE, 0, Repeat.anchor(ROOM), Length.ZERO);
        var repeat = new Repeat(7, "Edge", List.of(Body.of(LAMP)), trail, Optional.of(host));
        // 18 m and 22 m about: one a metre.
        assertThat(set(massing(List.of(ROOM)), List.of(repeat)).size()).isEqualTo(18);
        assertThat(set(massing(List.of(room(1, 0, 0, 7000, 4000))), List.of(repeat))
                        .size())
                .isEqualTo(22);
        // Half a metre to the right is outside.
        var outside = repeat.with(
                new Trail(trail.path(), true, Length.ZERO, pace, mm(500), false, Trail.Joints.NONE, Variation.NONE));
        assertThat(set(massing(List.of(ROOM)), List.of(outside)).all())
                .allSatisfy(s -> assertThat(s.stance().at().x() <= 0
                                || s.stance().at().x() >= 5_000_000
                                || s.stance().at().y() <= 0
                                || s.stance().at().y() >= 4_000_000)
                        .isTrue());
        assertThat(set(massing(List.of(room(1, 1000, 0, 5000, 4000))), List.of(repeat))
                        .all())
                .allSatisfy(s -> assertThat(s.stance().at().x()).isBetween(1_000_000L, 6_000_000L));
    }
}
