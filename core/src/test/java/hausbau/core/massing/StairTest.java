package hausbau.core.massing;

import static hausbau.core.TestSets.named;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Finding;
import hausbau.core.survey.Survey;
import java.math.BigInteger;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class StairTest {

    private static Length mm(long mm) {
        return Length.ofMillimetres(mm);
    }

    private static Stair stair(Stair.Shape shape, boolean right, int quarters, long rise) {
        return Stair.usual(
                1,
                0,
                shape,
                right,
                Vec.ofMillimetres(2000, 3000, 0),
                new Turn(quarters),
                mm(1200),
                mm(rise),
                Unit.METRE);
    }

    /** Rise and going by hand: rise / n nearest to 170, going nearest to 630 − 2 · rise by fives. DIN 18065, from memory: 590 to 650. */
    @ParameterizedTest
    @CsvSource({"3200, 19, 295", "2720, 16, 290", "3000, 18, 295", "4400, 26, 290", "1400, 8, 280", "340, 2, 290"})
    void risersAndGoingFollowFromTheRise(long rise, int risers, long going) {
        var stair = stair(Stair.Shape.STRAIGHT, false, 0, rise);
        assertThat(stair.risers()).isEqualTo(risers);
        assertThat(stair.going()).isEqualTo(mm(going));
    }

    @Test
    void everyRiseThatHasStepsKeepsTheRuleAndBothCodes() {
        for (var rise = 140; rise <= 12_000; rise += 7) {
            var n = StairRule.risers(mm(rise));
            if (n.isEmpty()) {
                // Between one step of at most 200 and two of at least 140 there is nothing, and little between two and
                // three.
                assertThat(rise).satisfiesAnyOf(r -> assertThat(r).isBetween(201, 279), r -> assertThat(r)
                        .isBetween(401, 419));
                continue;
            }
            var each = rise / (double) n.get();
            var going = StairRule.going(mm(rise), n.get()).um() / 1000.0;
            // DIN 18065, from memory.
            assertThat(2 * each + going).as("rise %s", rise).isBetween(590.0, 650.0);
            // IBC 1011.5.2, from memory: risers of 4 to 7 in, goings of 11 in, which an ordinary storey meets with this
            // rule.
            if (rise >= 2500) {
                assertThat(each).as("rise %s", rise).isBetween(101.6, 177.8);
                assertThat(going).as("rise %s", rise).isGreaterThanOrEqualTo(279.4);
            }
        }
    }

    @Test
    void whatBreaksTheRuleIsRefusedWithWhatWouldDo() {
        assertThatThrownBy(() -> stair(Stair.Shape.STRAIGHT, false, 0, 240))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("A ramp would do");
        var s = stair(Stair.Shape.STRAIGHT, false, 0, 3000);
        assertThatThrownBy(() -> new Stair(1, 0, s.shape(), false, s.foot(), s.up(), s.width(), s.rise(), 12, s.going())
                        .checked(Unit.METRE))
                .hasMessageContaining("from 15 to 21 risers");
        assertThatThrownBy(() -> new Stair(1, 0, s.shape(), false, s.foot(), s.up(), s.width(), s.rise(), 18, mm(400))
                        .checked(Unit.METRE))
                .hasMessageContaining("590 to 650");
        assertThatThrownBy(() -> new Stair(1, 0, s.shape(), false, s.foot(), s.up(), mm(300), s.rise(), 18, s.going())
                        .checked(Unit.METRE))
                .hasMessageContaining("width");
    }

    @ParameterizedTest
    @EnumSource(Stair.Shape.class)
    void treadsClimbEvenlyFromFootToFloorAndEachMeetsTheNext(Stair.Shape shape) {
        for (var quarters = 0; quarters < 4; quarters++) {
            for (var right : new boolean[] {false, true}) {
                var s = stair(shape, right, quarters, 3200);
                var z = s.foot().z();
                Rect last = null;
                for (var t : s.treads()) {
                    assertThat(t.z()).isGreaterThan(z);
                    if (shape != Stair.Shape.RAMP) {
                        // 19 risers of 3200 / 19 = 168.421 mm, each exact to 1 µm.
                        assertThat(t.z() - z).isBetween(168_420L, 168_422L);
                    }
                    if (last != null) {
                        assertThat(last.touches(t.ground()))
                                .as("%s turned %s right %s", shape, quarters, right)
                                .isTrue();
                        assertThat(last.overlaps(t.ground())).isFalse();
                    }
                    z = t.z();
                    last = t.ground();
                }
                assertThat(s.arrival(1000).touches(last)).isTrue();
                assertThat(s.arrival(1000).overlaps(last)).isFalse();
                if (shape != Stair.Shape.RAMP) {
                    assertThat(s.top() - z).isBetween(168_420L, 168_422L);
                }
            }
        }
    }

    /** 10 risers a flight: 9 treads of 295, landings of 1200, a well of 100; worked by hand. */
    @Test
    void aHalfTurnComesBackBesideItselfAndAQuarterTurnToItsHand() {
        var half = stair(Stair.Shape.HALF_TURN, false, 0, 3400);
        assertThat(half.risers()).isEqualTo(20);
        assertThat(half.ground().extent())
                .isEqualTo(new Rect(2_000_000, 3_000_000, 2_000_000 + 9 * 290_000 + 1_200_000, 3_000_000 + 2_500_000));
        assertThat(half.arrival(1000)).isEqualTo(new Rect(1_999_000, 4_300_000, 2_000_000, 5_500_000));
        var right = stair(Stair.Shape.QUARTER_TURN, true, 0, 3400);
        assertThat(right.ground().extent())
                .isEqualTo(
                        new Rect(2_000_000, 3_000_000 - 9 * 290_000, 2_000_000 + 9 * 290_000 + 1_200_000, 4_200_000));
        var north = stair(Stair.Shape.QUARTER_TURN, false, 1, 3400);
        // Up north, then to the left: west.
        assertThat(north.ground().extent().x0()).isEqualTo(2_000_000 - 1_200_000 - 9 * 290_000);
    }

    @Test
    void drawnStairsArriveOnTheStep() {
        var random = new Random(11);
        for (var i = 0; i < 200; i++) {
            var from = Vec.ofMillimetres(random.nextInt(9000), random.nextInt(9000), 0);
            var to = from.plus(Vec.ofMillimetres(random.nextInt(4000) - 2000, 2001, 0));
            var s = Stair.drawn(1, Level.ground(SiteSettings.USUAL), from, to, mm(1200), mm(3200), SiteSettings.USUAL);
            assertThat(s.up().quarters()).isEqualTo(1);
            assertThat(s.arrival(1000).y0() % 100_000).as("seed 11, case %s", i).isZero();
            assertThat(s.arrival(1000).x0() % 100_000).isZero();
            assertThat(Math.abs(s.ground().extent().x0() + 600_000 - from.x())).isLessThanOrEqualTo(50_000);
        }
    }

    private static final KitChoice KIT = new KitChoice(
            mm(100), List.of(mm(2000), mm(1000), mm(500), mm(100)), List.of(mm(1000), mm(100)), mm(100), mm(4000));

    private static List<Finding> survey(StandingSet set) {
        return Survey.of(set, named(set)).findings();
    }

    private static StandingSet built(Massing massing) {
        return StandingSet.of(new Decisions(massing, Optional.of(KIT), Hands.EMPTY, Map.of()));
    }

    /** Two storeys of 8 × 6 m, one over the other, a slab between. */
    private static List<Room> storeys() {
        return List.of(
                new Room(1, "Below", Vec.ZERO, mm(8000), mm(6000), mm(3000)),
                new Room(2, "Above", Vec.ofMillimetres(0, 0, 3200), mm(8000), mm(6000), mm(3000)));
    }

    private static Massing with(List<Room> rooms, Stair... stairs) {
        return new Massing(SiteSettings.USUAL, new Building(rooms, List.of(), List.of(stairs), List.of()));
    }

    @ParameterizedTest
    @EnumSource(value = Stair.Shape.class, names = "RAMP", mode = EnumSource.Mode.EXCLUDE)
    void stairsCutTheSlabWithHeadroomAndTheSetIsSound(Stair.Shape shape) {
        for (var quarters = 0; quarters < 4; quarters++) {
            var s = Stair.usual(
                            1,
                            0,
                            shape,
                            quarters % 2 == 1,
                            Vec.ofMillimetres(quarters == 2 ? 7000 : 1000, 2000, 0),
                            new Turn(quarters % 2 == 0 ? quarters : 0),
                            mm(1200),
                            mm(3200),
                            Unit.METRE)
                    .onStep(mm(100));
            var massing = with(storeys(), s);
            if (!Region.of(new Rect(0, 0, 8_000_000, 6_000_000)).contains(s.ground())) {
                continue;
            }
            var set = built(massing);
            assertThat(survey(set)).as("%s turned %s", shape, quarters).isEmpty();
            var above = massing.floor(massing.room(2).orElseThrow());
            // Whoever stands on a step has two metres above, or the slab is open there.
            for (var t : s.treads()) {
                if (t.z() > 1_000_000) {
                    assertThat(above.overlaps(Region.of(t.ground()))).isFalse();
                }
            }
            assertThat(above.contains(Region.of(s.arrival(50_000)))).isTrue();
            assertThat(massing.ceiling(massing.room(1).orElseThrow())).isEqualTo(Region.EMPTY);
            // What is cut lies on the step, where it does not arrive; both floors and wells make up the whole.
            var well = s.well(3_000_000, 3_200_000, mm(100));
            assertThat(above.area()
                            .add(well.shared(massing.room(2).orElseThrow().region())
                                    .area()))
                    .isEqualTo(BigInteger.valueOf(8_000_000L * 6_000_000));
        }
    }

    @Test
    void aDropHasAGuardAllRoundButWhereTheStairsArrive() {
        var s = Stair.usual(
                        1,
                        0,
                        Stair.Shape.STRAIGHT,
                        false,
                        Vec.ofMillimetres(1000, 2000, 0),
                        Turn.NONE,
                        mm(1200),
                        mm(3200),
                        Unit.METRE)
                .onStep(mm(100));
        var massing = with(storeys(), s);
        var guards = massing.guards(massing.room(2).orElseThrow());
        var well = s.well(3_000_000, 3_200_000, mm(100)).extent();
        // Two sides and the end away from the arrival, and two posts where they meet.
        var length = guards.stream()
                .filter(g -> g.length().um() > 50_000)
                .mapToLong(g -> g.length().um())
                .sum();
        assertThat(length).isEqualTo(2 * well.width() + well.depth());
        assertThat(guards).filteredOn(g -> g.length().um() == 50_000).hasSize(2);
        assertThat(guards).noneMatch(g -> g.box()
                .overlapsInPlan(new Box(
                        new Vec(s.arrival(50_000).x0(), s.arrival(50_000).y0(), 0),
                        new Vec(s.arrival(50_000).x1(), s.arrival(50_000).y1(), 1))));
        assertThat(massing.guards(s)).hasSize(2).allMatch(Guard::sloped);
        var stands = built(massing).counts();
        assertThat(stands.entrySet().stream()
                        .filter(e -> e.getKey().role() == Role.GUARD)
                        .mapToLong(Map.Entry::getValue)
                        .sum())
                .isEqualTo(7);
        // No side is longer than the kit's longest piece of 4 m: two sides, an end, two posts, and two on the flight
        // are one piece each.
        assertThat(stands.keySet())
                .filteredOn(k -> k.role() == Role.GUARD)
                .allMatch(k -> k.size().x() <= 4_000_000 || k.recipe() instanceof Recipe.SlopedGuard);
    }

    @Test
    void alongAWallAFlightHasNoGuardAndALowStepNone() {
        var beside = Stair.usual(
                1,
                0,
                Stair.Shape.STRAIGHT,
                false,
                Vec.ofMillimetres(1000, 0, 0),
                Turn.NONE,
                mm(1200),
                mm(3200),
                Unit.METRE);
        assertThat(with(storeys(), beside).guards(beside))
                .hasSize(1)
                .allMatch(g -> g.box().min().y() == 1_150_000);
        var low = Stair.usual(
                1,
                0,
                Stair.Shape.STRAIGHT,
                false,
                Vec.ofMillimetres(1000, 2000, 0),
                Turn.NONE,
                mm(1200),
                mm(600),
                Unit.METRE);
        assertThat(with(storeys(), low).guards(low)).isEmpty();
    }

    /** A gallery 3.2 m over a hall that it opens into; a basin sunk by less and by more than the site lets one fall. */
    @ParameterizedTest
    @ValueSource(longs = {700, 800})
    void floorsThatEndAtLowerOnesHaveGuards(long deep) {
        var hall = new Room(1, "Hall", Vec.ZERO, mm(8000), mm(6000), mm(6200));
        var gallery = new Room(2, "Gallery", Vec.ofMillimetres(0, 6000, 3200), mm(8000), mm(2000), mm(3000));
        var basin = new Room(3, "Basin", Vec.ofMillimetres(2000, 2000, -deep), mm(4000), mm(2000), mm(deep));
        var massing = with(List.of(hall, gallery, basin));
        assertThat(massing.guards(gallery)).singleElement().satisfies(g -> {
            assertThat(g.length()).isEqualTo(mm(8000));
            assertThat(g.box().min()).isEqualTo(Vec.ofMillimetres(0, 6000, 3200));
        });
        var round = massing.guards(hall).stream()
                .filter(g -> g.length().um() > 50_000)
                .mapToLong(g -> g.length().um())
                .sum();
        assertThat(round).isEqualTo(deep > 750 ? 12_000_000 : 0);
        assertThat(survey(built(massing))).isEmpty();
    }

    @Test
    void stairsWithoutHeadroomAreFound() {
        var low = List.of(
                new Room(1, "Below", Vec.ZERO, mm(8000), mm(6000), mm(3000)),
                new Room(2, "Above", Vec.ofMillimetres(5000, 0, 3200), mm(3000), mm(6000), mm(3000)));
        // The upper room begins only where the stairs have all but arrived: before that they run into the ceiling.
        var s = Stair.usual(
                1,
                0,
                Stair.Shape.STRAIGHT,
                false,
                Vec.ofMillimetres(700, 2000, 0),
                Turn.NONE,
                mm(1200),
                mm(3200),
                Unit.METRE);
        var found = survey(built(with(low, s)));
        assertThat(found)
                .filteredOn(f -> f.check() == Finding.Check.HEADROOM)
                .singleElement()
                .satisfies(f -> assertThat(f.reason()).contains("2 m"));
        assertThat(with(storeys(), s).headroom().least(s)).isEmpty();
    }

    @Test
    void aRooflightStandsInTheCeilingThatItOpens() {
        var hall = new Room(1, "Hall", Vec.ZERO, mm(8000), mm(6000), mm(3000));
        var light =
                new Room(2, "Rooflight", Vec.ofMillimetres(2000, 2000, 3000), mm(2000), mm(1000), mm(800)).under(true);
        var massing = with(List.of(hall, light));
        // 8 × 6 m less the void of 2 × 1 m and its walls of 0.2 m all round.
        assertThat(massing.ceiling(hall).area())
                .isEqualTo(BigInteger.valueOf(48_000_000_000_000L - 2_400_000L * 1_400_000L));
        assertThat(massing.floor(light)).isEqualTo(Region.EMPTY);
        assertThat(survey(built(massing))).isEmpty();
    }

    @Test
    void placesOfStairsAndSolidsReadBackAndStayWhenOthersChange() {
        for (var text : List.of("stairs.7.2", "solid.9", "room.3.guard.-50000.1000")) {
            assertThat(Place.parse(text)).hasToString(text);
        }
        var solid = Solid.drawn(
                4,
                "Pier",
                Level.ground(SiteSettings.USUAL),
                Vec.ofMillimetres(5010, 1020, 0),
                Vec.ofMillimetres(5480, 1530, 0),
                mm(3000),
                mm(100));
        assertThat(solid.box().size()).isEqualTo(Vec.ofMillimetres(500, 500, 3000));
        var s = stair(Stair.Shape.HALF_TURN, false, 0, 3200);
        var set =
                built(new Massing(SiteSettings.USUAL, new Building(storeys(), List.of(), List.of(s), List.of(solid))));
        assertThat(set.find(new Place.OfSolid(4)).orElseThrow().box()).isEqualTo(solid.box());
        assertThat(set.find(new Place.OfStairs(1, 1)).orElseThrow().kind().role())
                .isEqualTo(Role.STAIR);
        assertThat(set.all())
                .allSatisfy(standing -> assertThat(set.find(standing.place())).contains(standing));
        var without = set.next(new Decisions(with(storeys()), Optional.of(KIT), Hands.EMPTY, Map.of()));
        assertThat(without.find(new Place.OfSolid(4))).isEmpty();
        assertThat(without.counts().keySet()).noneMatch(k -> k.role() == Role.STAIR || k.role() == Role.GUARD);
    }

    /** What a section cuts is what stands: the same boxes as the solids of the pieces, whichever way and shape. */
    @ParameterizedTest
    @EnumSource(value = Stair.Shape.class, names = "RAMP", mode = EnumSource.Mode.EXCLUDE)
    void bodiesAreTheSolidsOfThePieces(Stair.Shape shape) {
        for (var quarters = 0; quarters < 4; quarters++) {
            var s = stair(shape, quarters % 2 == 0, quarters, 3230);
            var set = built(new Massing(SiteSettings.USUAL, new Building(List.of(), List.of(), List.of(s), List.of())));
            var solids = set.all().stream()
                    .filter(p -> p.kind().role() == Role.STAIR)
                    .flatMap(p -> p.solids().stream())
                    .toList();
            assertThat(solids).hasSameSizeAs(s.bodies());
            // Heights of steps are rounded to the micrometre in the one from their own foot, in the other from the
            // stair's.
            assertThat(s.bodies()).allSatisfy(b -> assertThat(solids).anySatisfy(o -> assertThat(
                            b.grownBy(2).contains(o) && o.grownBy(2).contains(b))
                    .isTrue()));
        }
    }

    /** Along the north wall of 8 m: 5.31 m of flight with 1.2 m to stand at both ends fit; in 5 m only a half turn of 2.655 and 1.2 m does; in 3 m nothing. */
    @Test
    void usualStairsStandAlongAWallWithRoomToStandAtBothEnds() {
        var wide = with(storeys());
        var straight = wide.usualStair(1, wide.rooms().get(0), mm(3200));
        assertThat(straight.shape()).isEqualTo(Stair.Shape.STRAIGHT);
        assertThat(straight.ground().extent()).isEqualTo(new Rect(1_200_000, 4_800_000, 6_510_000, 6_000_000));
        assertThat(survey(built(with(storeys(), straight)))).isEmpty();
        // A second one goes along another wall: the south one, whose left end lies in the east.
        var both = with(storeys(), straight);
        assertThat(both.usualStair(2, both.rooms().get(0), mm(3200)).ground().extent())
                .isEqualTo(new Rect(1_490_000, 0, 6_800_000, 1_200_000));
        var small = with(List.of(
                new Room(1, "Below", Vec.ZERO, mm(5500), mm(5500), mm(3000)),
                new Room(2, "Above", Vec.ofMillimetres(0, 0, 3200), mm(5500), mm(5500), mm(3000))));
        assertThat(small.usualStair(1, small.rooms().get(0), mm(3200)).shape()).isEqualTo(Stair.Shape.HALF_TURN);
        var closet = with(List.of(new Room(1, "Closet", Vec.ZERO, mm(3000), mm(3000), mm(3000))));
        assertThatThrownBy(() -> closet.usualStair(1, closet.rooms().get(0), mm(3200)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("“Closet” has no room");
    }

    @Test
    void aUsualPierStandsInTheMiddleOnTheStepUpToTheCeiling() {
        var pier = Solid.usual(3, "Pier", storeys().get(0), mm(100));
        assertThat(pier.box()).isEqualTo(Box.of(3_800_000, 2_800_000, 0, 4_300_000, 3_300_000, 3_000_000));
    }
}
