package hausbau.core.standing;

import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import hausbau.core.plane.Rect;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class TwinTest {

    private static final Kind BENCH = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);
    private static final Kind WALL =
            new Kind(Role.PROP, new Recipe.StandIn(Vec.ofMillimetres(900, 300, 500)), Pivot.FACE_START);

    private static HandPlacement hand(
            long id, Kind kind, long x, long y, int quarters, boolean mirrored, double degrees) {
        return new HandPlacement(
                id, kind, new Stance(Vec.ofMillimetres(x, y, 0), new Turn(quarters), mirrored, degrees), false);
    }

    private static StandingSet set(List<Room> rooms, List<Twin> twins, HandPlacement... hands) {
        return StandingSet.of(new Decisions(
                massing(rooms),
                Optional.empty(),
                Hands.EMPTY.with(List.of(hands), Set.of()),
                List.of(),
                Assemblies.NONE,
                twins,
                Map.of()));
    }

    /** By hand: across X = 2.5 m a bench at 1 m stands at 4 m; across Y = 2 m one at 0.5 m stands at 3.5 m, turned by half. */
    @Test
    void aTwinStandsAcrossTheRoomsMiddle() {
        var rooms = List.of(room(1, 0, 0, 5000, 4000));
        var bench = hand(7, BENCH, 1000, 500, 0, false, 0);
        var east = set(rooms, List.of(new Twin(3, "Twin", List.of(7L), new Twin.Plane(true, 0), 1)), bench);
        assertThat(east.find(Place.InTwin.ofHand(3, 7)).orElseThrow().stance())
                .isEqualTo(new Stance(Vec.ofMillimetres(4000, 500, 0), Turn.NONE, true, 0));
        var north = set(rooms, List.of(new Twin(3, "Twin", List.of(7L), new Twin.Plane(false, 0), 1)), bench);
        assertThat(north.find(Place.parse("twin.3.hand.7")).orElseThrow().stance())
                .isEqualTo(new Stance(Vec.ofMillimetres(1000, 3500, 0), new Turn(2), true, 0));
    }

    /** Reflected twice, everything is where it was; reflected once, its ground is the reflection of its ground. */
    @Test
    void reflectedTwiceItIsItself() {
        for (var seed = 0; seed < 400; seed++) {
            var random = new Random(seed);
            var plane = new Twin.Plane(random.nextBoolean(), 1000L * random.nextInt(9000));
            var one = hand(
                    1,
                    random.nextBoolean() ? BENCH : WALL,
                    random.nextInt(9000),
                    random.nextInt(9000),
                    random.nextInt(4),
                    random.nextBoolean(),
                    0);
            var twin = new HandPlacement(1, one.kind(), plane.mirrored(one.kind(), one.stance()), false);
            assertThat(plane.mirrored(twin.kind(), twin.stance()))
                    .as("seed %d", seed)
                    .isEqualTo(one.stance());
            var was = one.stance().box(one.kind());
            var is = twin.stance().box(one.kind());
            assertThat(
                            plane.eastWest()
                                    ? is.min().x() + was.max().x()
                                    : is.min().y() + was.max().y())
                    .isEqualTo(2 * plane.at());
            assertThat(is.size()).isEqualTo(was.size());
        }
    }

    /** It lives: it follows its original, and the middle of its room; without its room it keeps where it was told. */
    @Test
    void aTwinFollows() {
        var twin = new Twin(3, "Twin", List.of(7L, 8L), new Twin.Plane(true, 2_500_000), 1);
        var rooms = List.of(room(1, 0, 0, 5000, 4000));
        var before = set(
                rooms, List.of(twin), hand(7, BENCH, 1000, 500, 0, false, 0), hand(8, BENCH, 1000, 1500, 0, false, 0));
        var d = before.decisions();
        var moved = before.next(d.with(d.hands().with(List.of(hand(7, BENCH, 1200, 600, 1, false, 0)), List.of(8L))));
        assertThat(moved.of(new Source.Twins(3))).singleElement().satisfies(s -> assertThat(s.stance())
                .isEqualTo(new Stance(Vec.ofMillimetres(3800, 600, 0), new Turn(3), true, 0)));
        var wider = rooms.get(0).over(rooms.get(0).outline().within(new Rect(0, 0, 7_000_000, 4_000_000)));
        assertThat(set(List.of(wider), List.of(twin), hand(7, BENCH, 1000, 500, 0, false, 0))
                        .of(new Source.Twins(3))
                        .get(0)
                        .stance()
                        .at()
                        .x())
                .isEqualTo(6_000_000);
        assertThat(set(List.of(), List.of(twin), hand(7, BENCH, 1000, 500, 0, false, 0))
                        .of(new Source.Twins(3))
                        .get(0)
                        .stance()
                        .at()
                        .x())
                .isEqualTo(4_000_000);
    }

    /** Through the first point, along the nearer axis; on a step of 0.1 m X = 2.52 m is taken to 2.5 m, 2.53 m to the half step of 2.55 m. */
    @Test
    void aPlaneGoesThroughAPickedPoint() {
        var step = Length.ofMillimetres(100);
        assertThat(Twin.Plane.through(Vec.ofMillimetres(2520, 500, 0), Vec.ofMillimetres(2700, 3500, 0), step))
                .isEqualTo(new Twin.Plane(true, 2_500_000));
        assertThat(Twin.Plane.through(Vec.ofMillimetres(2530, 500, 0), Vec.ofMillimetres(2530, 0, 0), step))
                .isEqualTo(new Twin.Plane(true, 2_550_000));
        assertThat(Twin.Plane.through(Vec.ofMillimetres(500, 1990, 0), Vec.ofMillimetres(3000, 2100, 0), step))
                .isEqualTo(new Twin.Plane(false, 2_000_000));
    }

    /** Every place of a twin is read back as it was written, and fits into the 53 bits that a browser keeps exactly. */
    @Test
    void placesOfTwinsAreReadBack() {
        for (var place : List.of(
                Place.InTwin.ofHand(3, 7),
                Place.InTwin.ofUse(3, new Place.InUse(9, (1L << 50) - 1)),
                Place.InTwin.ofRepeat(3, new Place.InRepeat(5, 0, 0)),
                Place.InTwin.ofRepeat(3, new Place.InRepeat(5, 4711, 65_535)),
                Place.InTwin.ofRepeat(3, new Place.InRepeat(5, (1L << 38) + 12, 3)))) {
            assertThat(Place.parse(place.toString())).isEqualTo(place);
            assertThat(Math.abs(place.part())).isLessThan(1L << 53);
        }
        assertThat(Place.InTwin.ofRepeat(3, new Place.InRepeat(5, 12, 3)))
                .isNotEqualTo(Place.InTwin.ofRepeat(3, new Place.InRepeat(5, (1L << 38) + 12, 3)));
        assertThatThrownBy(() -> Place.InTwin.ofRepeat(3, new Place.InRepeat(5, 0, 65_536)))
                .isInstanceOf(Refused.class);
    }

    @Test
    void aTwinFollowsWhatStandsInForItsOriginals() {
        var twin = new Twin(3, "Twin", List.of(7L, 8L), List.of(20L), List.of(30L), new Twin.Plane(true, 0), 1);
        var saved = twin.following(new Twin.Originals(Set.of(7L), Set.of(20L), Set.of()), Twin.Originals.ofUse(21));
        assertThat(saved)
                .isEqualTo(new Twin(3, "Twin", List.of(8L), List.of(21L), List.of(30L), new Twin.Plane(true, 0), 1));
        assertThat(twin.following(Twin.Originals.ofUse(99), Twin.Originals.ofUse(21)))
                .isSameAs(twin);
        assertThat(Twin.Originals.of(List.of(
                        new Place.ByHand(4),
                        new Place.InUse(5, 1),
                        new Place.InUse(5, 2),
                        new Place.InRepeat(6, 0, 0),
                        new Place.OfSolid(1))))
                .isEqualTo(new Twin.Originals(Set.of(4L), Set.of(5L), Set.of(6L)));
    }
}
