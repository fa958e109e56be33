package hausbau.core.massing;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.window;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.fit.Span;
import hausbau.core.measure.Length;
import hausbau.core.measure.OutOfBounds;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;

/** A room of 5 × 4 × 3 m in walls of 200 mm; every expected value worked by hand. */
class MassingTest {

    private static final Room ROOM = room(1, 0, 0, 5000, 4000);

    private static void refused(ThrowingCallable work, String field, String... words) {
        assertThatThrownBy(work).isInstanceOfSatisfying(Refused.class, refused -> assertThat(refused.faults())
                .singleElement()
                .satisfies(fault -> {
                    assertThat(fault.field()).isEqualTo(field);
                    assertThat(fault.message()).contains(words);
                }));
    }

    /** An opening that no wall takes is kept, but its maker is told. */
    private static void refused(String field, Opening last, Opening before, String... words) {
        var massing = massing(List.of(ROOM), before, last);
        assertThat(massing.openings()).hasSize(2);
        assertThat(massing.fit().misfits()).extracting(m -> m.opening().id()).containsExactly(last.id());
        refused(() -> massing.fit().refuseMisfit(last.id()), field, words);
    }

    private static void refused(String field, Opening opening, String... words) {
        refused(field, opening, window(99, Side.WEST, 1000, 1000, 900, 1000), words);
    }

    @Test
    void aRoomHasFourRunsOfItsClearSizes() {
        assertThat(massing(List.of(ROOM)).runs())
                .extracting(WallRun::length)
                .containsExactly(mm(5000), mm(4000), mm(5000), mm(4000));
    }

    /** Clockwise in plan: each run begins where the one before it ends. */
    @Test
    void theRunsGoRoundTheRoom() {
        var runs = massing(List.of(ROOM)).runs();
        for (var i = 0; i < 4; i++) {
            var run = runs.get(i);
            assertThat(run.at(run.length())).isEqualTo(runs.get((i + 1) % 4).at(Length.ZERO));
        }
        assertThat(runs.get(0).at(Length.ZERO)).isEqualTo(Vec.ofMillimetres(0, 4000, 0));
    }

    @Test
    void theWallStandsOutsideTheClearRoom() {
        for (var run : massing(List.of(ROOM)).runs()) {
            var wall = run.box(0, 0, 0, run.length().um(), mm(200).um(), mm(3000).um());
            assertThat(wall.overlaps(ROOM.clear())).isFalse();
            assertThat(wall.touches(ROOM.clear())).isTrue();
            assertThat(ROOM.outer(mm(200)).contains(wall)).isTrue();
        }
    }

    /** 1.03 m of door at 1.02 m: 100 mm of jamb each side reaches 0.92 and 2.15 m, so its panel takes 0.9 to 2.2 m. */
    @Test
    void anOpeningsPanelReachesOutToTheStep() {
        var run = massing(List.of(ROOM), door(1, Side.NORTH, 1020, 1030)).runs().get(0);
        assertThat(run.panels()).singleElement().satisfies(panel -> {
            assertThat(panel.at()).isEqualTo(mm(900));
            assertThat(panel.end()).isEqualTo(mm(2200));
        });
        assertThat(run.run().spans()).containsExactly(new Span(Length.ZERO, mm(900)), new Span(mm(2200), mm(2800)));
    }

    @Test
    void aDoorWiderThanItsWallIsToldTheWidest() {
        // 4 m less 100 mm on both sides.
        refused("widthMm", door(1, Side.EAST, 100, 5000), "4 m", "3.8 m");
    }

    @Test
    void anOpeningPastTheEndOfItsWallIsToldWhereItCouldBegin() {
        refused("atMm", door(1, Side.EAST, 3500, 1000), "0.1 m", "2.9 m");
    }

    @Test
    void twoOpeningsThatRunIntoEachOtherAreRefused() {
        // The first panel ends at 2.1 m; the next opening can begin a jamb later.
        refused("atMm", door(2, Side.NORTH, 2100, 1000), door(1, Side.NORTH, 1000, 1000), "2.1 m", "2.2 m");
        assertThat(massing(List.of(ROOM), door(1, Side.NORTH, 1000, 1000), door(2, Side.NORTH, 2200, 1000))
                        .runs()
                        .get(0)
                        .panels())
                .hasSize(2);
    }

    @Test
    void openingsOfDifferentWallsDoNotMeet() {
        assertThat(massing(List.of(ROOM), door(1, Side.NORTH, 1000, 1000), door(2, Side.SOUTH, 1000, 1000))
                        .runs())
                .hasSize(4);
    }

    @Test
    void aHeadAboveTheCeilingIsToldTheHighest() {
        // Under 3 m with 100 mm above it: head at 2.9 m, so 1.9 m above a sill of 1 m.
        refused("heightMm", window(1, Side.NORTH, 1000, 1000, 1000, 2100), "3.1 m", "2.9 m", "1.9 m");
    }

    @Test
    void aDoorHasNoSillAndAWindowHasOne() {
        refused(
                "sillMm",
                new Opening(1, 1, Opening.Kind.DOOR, Side.NORTH, mm(1000), mm(900), mm(2000), mm(100)),
                "no sill");
        refused("sillMm", window(1, Side.NORTH, 1000, 1000, 50, 1000), "0.1 m");
    }

    @Test
    void anOpeningTooSmallToPassIsRefused() {
        refused("widthMm", door(1, Side.NORTH, 1000, 99), "0.1 m");
    }

    @Test
    void aRoomOfNoSizeAndAnEndlessOneAreRefused() {
        refused(() -> massing(List.of(room(1, 0, 0, 0, 4000))), "widthMm", "0.3 m");
        refused(() -> massing(List.of(room(1, 0, 0, 10_000_001, 4000))), "widthMm", "10000 m");
        refused(() -> massing(List.of(room(1, 10_000_001, 0, 4000, 4000))), "cornerMm", "10 km");
    }

    @Test
    void settingsOutOfRangeAreNamedOneByOne() {
        var usual = SiteSettings.USUAL;
        assertThatThrownBy(() -> new SiteSettings(
                        usual.unit(),
                        Length.ZERO,
                        mm(1),
                        usual.storey(),
                        0,
                        false,
                        false,
                        usual.guardDrop(),
                        usual.corners()))
                .isInstanceOfSatisfying(Refused.class, refused -> assertThat(refused.faults())
                        .extracting("field")
                        .containsExactly("stepMm", "wallMm", "pixelsPerMetre"));
    }

    @Test
    void aPointIsInTheRoomOrInItsWalls() {
        var massing = massing(List.of(ROOM));
        assertThat(massing.whereabouts().roomAt(Vec.ofMillimetres(-200, 10, 0))).contains(ROOM);
        assertThat(massing.whereabouts().roomAt(Vec.ofMillimetres(-201, 10, 0))).isEmpty();
    }

    @Test
    void aFurtherRoomIsClearOfAllThereAreWhateverItsSize() {
        assertThat(massing(List.of()).freeCorner()).isEqualTo(Vec.ZERO);
        var standing = List.of(room(1, 0, 0, 5000, 4000), room(2, 8000, -3000, 2050, 3000));
        var corner = massing(standing).freeCorner();
        // 10.05 m of the second, two walls of 0.2 m, a metre: 11.45 m, on to the next step.
        assertThat(corner).isEqualTo(Vec.ofMillimetres(11_500, 0, 0));
        var more = new ArrayList<>(standing);
        more.add(new Room(3, "Huge", corner, mm(50_000), mm(50_000), mm(3000)));
        assertThatCode(() -> massing(more)).doesNotThrowAnyException();
    }

    @Test
    void aUsualDoorStandsInTheMiddleThenBesideThenInAnotherWall() {
        var room = room(1, 0, 0, 4000, 3000);
        var openings = new ArrayList<Opening>();
        for (var id = 1; id <= 3; id++) {
            openings.add(massing(List.of(room), openings.toArray(Opening[]::new))
                    .fit()
                    .usual(id, room, Opening.Kind.DOOR));
        }
        // 1 m in the middle of 4 m; its panel ends at 2.6 m, and a jamb of 0.1 m later the next begins.
        assertThat(openings).extracting(Opening::edge).containsOnly(Side.NORTH.ordinal());
        assertThat(openings).extracting(o -> o.at().toMillimetres().intValue()).containsExactly(1500, 2700, 300);
        assertThat(massing(List.of(room), openings.toArray(Opening[]::new))
                        .fit()
                        .usual(4, room, Opening.Kind.WINDOW)
                        .edge())
                .isEqualTo(Side.EAST.ordinal());
    }

    @Test
    void whereNoWallHasRoomForADoorItIsSaid() {
        var closet = room(1, 0, 0, 900, 900);
        assertThatThrownBy(() -> massing(List.of(closet)).fit().usual(1, closet, Opening.Kind.DOOR))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("No wall of “Room 1” has room for a usual door, 1 m wide");
    }

    @Test
    void aDrawnRoomTakesTheNearestStepsInWhicheverDirectionItWasDrawn() {
        var drawn = Room.drawn(
                1, "Drawn", Vec.ofMillimetres(4_049, 3_051, 0), Vec.ofMillimetres(-49, 960, 0), mm(3000), mm(100));
        assertThat(drawn.corner()).isEqualTo(Vec.ofMillimetres(0, 1_000, 0));
        assertThat(drawn.width()).isEqualTo(mm(4_000));
        assertThat(drawn.depth()).isEqualTo(mm(2_100));
    }

    @Test
    void everyRoomHasANameOfItsOwn() {
        var massing = massing(List.of(
                new Room(1, "Hall", Vec.ZERO, mm(3000), mm(3000), mm(3000)),
                new Room(2, "Hall 2", Vec.ofMillimetres(5000, 0, 0), mm(3000), mm(3000), mm(3000))));
        assertThat(massing.freshName("Hall")).isEqualTo("Hall 3");
        assertThat(massing.freshName("Hall 2")).isEqualTo("Hall 3");
        assertThat(massing.freshName(" Attic ")).isEqualTo("Attic");
    }

    @Test
    void anAnchorGoesAlongWithAMoveAndStaysWhenTheRoomGrows() {
        var room = new Room(1, "Hall", Vec.ZERO, mm(3000), mm(3000), mm(3000));
        assertThat(room.reshaped("Hall", Vec.ofMillimetres(500, 700, 0), mm(3000), mm(3000), mm(3000))
                        .anchor())
                .isEqualTo(Vec.ofMillimetres(500, 700, 0));
        assertThat(room.reshaped("Hall", Vec.ofMillimetres(-500, 0, 0), mm(3500), mm(3000), mm(3000))
                        .anchor())
                .isEqualTo(Vec.ZERO);
        assertThat(room.reshaped("Hall", Vec.ZERO, mm(3000), mm(3000), mm(4000)).anchor())
                .isEqualTo(Vec.ZERO);
    }

    @Test
    void aPlaceBeyondAThousandKilometresIsNone() {
        assertThatThrownBy(() -> new Vec(Length.LIMIT_UM + 1, 0, 0)).isInstanceOf(OutOfBounds.class);
        assertThatThrownBy(() -> Vec.ofMillimetres(1_000_000_000, 0, 0).plus(new Vec(1, 0, 0)))
                .isInstanceOf(OutOfBounds.class);
        assertThatThrownBy(() -> Length.ofMillimetres(Long.MAX_VALUE)).isInstanceOf(OutOfBounds.class);
        assertThatThrownBy(() -> mm(1_000_000).times(Long.MAX_VALUE)).isInstanceOf(OutOfBounds.class);
    }
}
