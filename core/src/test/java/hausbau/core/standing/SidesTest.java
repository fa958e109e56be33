package hausbau.core.standing;

import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.TestSets;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.kit.Sides;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Standing;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Walls dressed on each side by what lies there; patterns are numbers, 9 is that of the outside. */
class SidesTest {

    private static final SiteSettings BOTH = SiteSettings.USUAL.with(new SiteSettings.Facing(true, 9));

    private static StandingSet built(SiteSettings settings, List<Room> rooms, Opening... openings) {
        var massing = new Massing(settings, rooms, List.of(openings));
        return TestSets.set(massing, kit(massing, 1000));
    }

    /** Two rooms of 4 × 3 m side by side, a wall of 0.2 m between them. */
    private static List<Room> pair(long west, long east) {
        return List.of(
                room(1, 0, 0, 4000, 3000).looking(west),
                room(2, 4200, 0, 4000, 3000).looking(east));
    }

    private static List<Standing> walls(StandingSet set) {
        return set.all().stream()
                .filter(s -> s.kind().recipe() instanceof Recipe.WallPanel)
                .toList();
    }

    private static Set<Sides> sides(List<Standing> of) {
        return of.stream().map(s -> s.kind().sides()).collect(Collectors.toSet());
    }

    /** Those that stand between the two rooms. */
    private static List<Standing> between(StandingSet set) {
        return walls(set).stream().filter(s -> s.box().min().x() == 4_000_000).toList();
    }

    @Test
    void eachSideIsDressedByWhatLiesThere() {
        var set = built(BOTH, pair(1, 2));
        assertThat(sides(between(set))).containsExactly(new Sides(1, 2));
        assertThat(between(set)).hasSize(3);
        assertThat(sides(walls(set))).containsExactlyInAnyOrder(new Sides(1, 2), new Sides(1, 9), new Sides(2, 9));
        // Four posts at the outer corners and two where the wall between meets the outer ones: all seen from outside
        // alone.
        assertThat(set.all().stream().filter(s -> s.kind().role() == Role.POST).map(s -> s.kind()
                        .look()))
                .hasSize(6)
                .containsOnly(9L);
    }

    @Test
    void onItsRoomsSideAloneAWallIsAsItWas() {
        var set = built(SiteSettings.USUAL, pair(1, 2));
        assertThat(sides(between(set))).containsExactly(Sides.of(1));
        assertThat(sides(walls(set))).containsExactlyInAnyOrder(Sides.of(1), Sides.of(2));
    }

    /** As two skins, each has one side that is seen; outer walls have two. */
    @Test
    void skinsHaveOneSide() {
        var set = built(BOTH.withSkins(true), pair(1, 2));
        assertThat(sides(walls(set)))
                .containsExactlyInAnyOrder(Sides.of(1), Sides.of(2), new Sides(1, 9), new Sides(2, 9));
    }

    /** The room of the lesser id builds the wall; under the greater pattern, its pieces are the other's turned by half, and stand in the same boxes. */
    @Test
    void aPieceTurnedEndForEndIsTheSameKind() {
        var one = built(BOTH, pair(1, 2));
        var other = built(BOTH, pair(2, 1));
        assertThat(kinds(between(other))).isEqualTo(kinds(between(one)));
        assertThat(between(other).stream().map(Standing::box))
                .containsExactlyInAnyOrderElementsOf(
                        between(one).stream().map(Standing::box).toList());
        assertThat(turns(between(one))).containsExactly(3);
        assertThat(turns(between(other))).containsExactly(1);
        assertThat(between(other).stream().map(s -> s.place().toString()))
                .containsExactlyElementsOf(
                        between(one).stream().map(s -> s.place().toString()).toList());
    }

    private static Set<Kind> kinds(List<Standing> of) {
        return of.stream().map(Standing::kind).collect(Collectors.toSet());
    }

    private static Set<Integer> turns(List<Standing> of) {
        return of.stream().map(s -> s.stance().turn().quarters()).collect(Collectors.toSet());
    }

    /** A door off the middle of its panel stays where it is, however its panel is turned. */
    @Test
    void anOpeningStaysWhereItIsInATurnedPanel() {
        for (var looks : List.of(pair(1, 2), pair(2, 1), pair(1, 1))) {
            for (var at : List.of(250, 750)) {
                var door = new Opening(7, 1, Opening.Kind.DOOR, Side.EAST, mm(at), mm(900), mm(2100), Length.ZERO);
                var set = built(BOTH, looks, door);
                var panel = set.all().stream()
                        .filter(s -> s.kind().role() == Role.DOOR)
                        .toList();
                assertThat(panel).hasSize(1);
                var clear = ((Recipe.OpeningPanel) panel.get(0).kind().recipe()).clear();
                var there = panel.get(0)
                        .stance()
                        .turn()
                        .apply(clear.movedBy(panel.get(0).kind().natural()))
                        .movedBy(panel.get(0).stance().at());
                // The east wall's start, seen from inside the west room, is its north end.
                assertThat(there)
                        .as("%s at %s", looks, at)
                        .isEqualTo(new Box(
                                Vec.ofMillimetres(4000, 3000 - at - 900, 0), Vec.ofMillimetres(4200, 3000 - at, 2100)));
            }
        }
    }

    /** A hall of 6 m beside a room of 3: above that room the wall between them looks outside; the post in a corner that juts in is seen from the room. */
    @Test
    void whatRisesAboveItsNeighbourLooksOutside() {
        var hall = new Room(1, "Hall", Vec.ofMillimetres(0, 0, 0), mm(4000), mm(3000), mm(6000)).looking(1);
        var low = room(2, 4200, 0, 4000, 3000).looking(2);
        var massing = new Massing(BOTH, List.of(hall, low), List.of());
        var choice = new KitChoice(
                mm(100),
                List.of(mm(1000)),
                List.of(),
                KitRules.between(mm(200), mm(4000)),
                new Tiers(List.of(3_200_000L), Map.of()));
        var between = between(TestSets.set(massing, choice));
        assertThat(sides(between.stream().filter(s -> s.box().min().z() == 0).toList()))
                .containsExactly(new Sides(1, 2));
        assertThat(sides(between.stream().filter(s -> s.box().min().z() > 0).toList()))
                .containsExactly(new Sides(1, 9));
    }
}
