package hausbau.core.survey;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.LAMP;
import static hausbau.core.TestSets.block;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.departed;
import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.named;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.set;
import static hausbau.core.TestSets.with;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.kit.Kit;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

/** The checks on a built room of 5 × 4 × 3 m with a door, and on loose blocks in it. */
class SurveyTest {

    private static final Massing ROOM = massing(List.of(room(1, 0, 0, 5000, 4000)), door(1, Side.NORTH, 1100, 900));
    private static final StandingSet BUILT = set(ROOM, kit(ROOM, 1000, 900));

    private static List<Finding> survey(StandingSet set) {
        return Survey.of(set, named(set)).findings();
    }

    private static List<Finding> survey(HandPlacement... more) {
        return survey(with(BUILT, more));
    }

    private static Standing wall(int nth) {
        return BUILT.all().stream()
                .filter(s -> s.kind().role() == Role.WALL)
                .skip(nth)
                .findFirst()
                .orElseThrow();
    }

    private static StandingSet without(Standing gone) {
        return departed(BUILT, new Departure.LeftOut(gone.place()));
    }

    @Test
    void aSetAsBuiltHasNothingWrong() {
        assertThat(survey()).isEmpty();
        assertThat(survey(byHand(901, BENCH, 2000, 2000, 0), byHand(902, LAMP, 4000, 2000, 0)))
                .isEmpty();
    }

    @Test
    void aMicrometreOfSharedVolumeIsAnOverlapAndTouchingIsNone() {
        var block = block(1000, 1000, 500);
        var at = Vec.ofMillimetres(1000, 1000, 0);
        var beside = Stance.at(at.plus(Vec.ofMillimetres(1000, 0, 0)), Turn.NONE);
        assertThat(survey(byHand(901, block, Stance.at(at, Turn.NONE)), byHand(902, block, beside)))
                .isEmpty();
        var within = Stance.at(beside.at().minus(new Vec(1, 0, 0)), Turn.NONE);
        assertThat(survey(byHand(901, block, Stance.at(at, Turn.NONE)), byHand(902, block, within)))
                .filteredOn(f -> f.check() == Finding.Check.OVERLAP)
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.places()).containsExactly(new Place.ByHand(901), new Place.ByHand(902));
                    assertThat(f.box().size()).isEqualTo(new Vec(1, 1_000_000, 500_000));
                    assertThat(f.fix()).hasValueSatisfying(fix -> assertThat(((Finding.Fix.Move) fix).by())
                            .isEqualTo(new Vec(1, 0, 0)));
                });
    }

    /** Four blocks anyhow on the step, in a room of 5 × 4 m: whatever is offered leads out of everything, by whole steps, and no shorter way along an axis does. */
    @RepeatedTest(60)
    void whatIsMovedClearOverlapsNothingAnyMore(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var block = block(800, 500, 600);
        var blocks = new HandPlacement[4];
        for (var i = 0; i < blocks.length; i++) {
            blocks[i] = byHand(901 + i, block, 100L * (5 + random.nextInt(15)), 100L * (5 + random.nextInt(12)), 0);
        }
        var set = with(BUILT, blocks);
        for (var finding : survey(set)) {
            if (finding.check() != Finding.Check.OVERLAP || finding.fix().isEmpty()) {
                continue;
            }
            if (!(finding.fix().get() instanceof Finding.Fix.MoveClear move)) {
                continue;
            }
            var moved = standing(set, move.place());
            var out =
                    new WayOut(set).of(moved, standing(set, move.from()).box()).orElseThrow();
            var others = set.all().stream()
                    .filter(s -> !s.place().equals(move.place()))
                    .toList();
            var by = Math.abs(out.x()) + Math.abs(out.y());
            assertThat(by % 100_000).isZero();
            assertThat(others).noneMatch(o -> o.box().overlaps(moved.box().movedBy(out)));
            for (var shorter = 100_000L; shorter < by; shorter += 100_000) {
                for (var way : new Vec[] {
                    new Vec(shorter, 0, 0), new Vec(-shorter, 0, 0), new Vec(0, shorter, 0), new Vec(0, -shorter, 0)
                }) {
                    var box = moved.box().movedBy(way);
                    var isClear = others.stream().noneMatch(o -> o.box().overlaps(box));
                    assertThat(isClear)
                            .as("%s clear of %s by %s", move.place(), move.from(), way)
                            .isFalse();
                }
            }
        }
    }

    private static Standing standing(StandingSet set, Place place) {
        return set.all().stream()
                .filter(s -> s.place().equals(place))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aLampMayStandInADoorwayButNotInItsWall() {
        // The clear doorway runs from X 1.1 to 2.0 m in a wall from Y 4.0 to 4.2 m.
        assertThat(survey(byHand(901, LAMP, 1600, 4100, 0)))
                .filteredOn(f -> f.check() == Finding.Check.OVERLAP)
                .isEmpty();
        assertThat(survey(byHand(901, LAMP, 2100, 4100, 0)))
                .filteredOn(f -> f.check() == Finding.Check.OVERLAP)
                .isNotEmpty();
    }

    @Test
    void twoInOnePlaceAreToldAsSuchAndTheSecondGoes() {
        assertThat(survey(byHand(901, BENCH, 2000, 2000, 0), byHand(902, BENCH, 2000, 2000, 0)))
                .filteredOn(f -> f.check() == Finding.Check.OVERLAP)
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.title()).contains("PRP-BENCH", "twice");
                    assertThat(f.fix()).hasValueSatisfying(fix -> assertThat(((Finding.Fix.Remove) fix).place())
                            .isEqualTo(new Place.ByHand(902)));
                });
    }

    /** Freely turned blocks against a general geometry library: JTS intersects the same rectangles. */
    @RepeatedTest(60)
    void freelyTurnedBlocksOverlapWhereAGeometryLibrarySaysSo(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var block = block(1000, 300, 500);
        var stances = new ArrayList<Stance>();
        for (var i = 0; i < 2; i++) {
            stances.add(new Stance(
                    new Vec(2_000_000 + random.nextInt(900_000), 2_000_000 + random.nextInt(900_000), 0),
                    Turn.of(random.nextInt(4)),
                    random.nextBoolean(),
                    random.nextDouble() * 90 + 0.1));
        }
        var shared = rectangle(stances.get(0), block)
                .intersection(rectangle(stances.get(1), block))
                .getArea();
        // Between a mere touch and a true overlap lies the micrometre that is left to rounding.
        org.junit.jupiter.api.Assumptions.assumeTrue(shared == 0 || shared > 1e7);
        var found = survey(byHand(901, block, stances.get(0)), byHand(902, block, stances.get(1))).stream()
                .anyMatch(f -> f.check() == Finding.Check.OVERLAP);
        assertThat(found).isEqualTo(shared > 0);
    }

    /** Worked apart from the stance's own arithmetic: corner by corner. */
    private static Polygon rectangle(Stance stance, Piece piece) {
        var angle = Math.toRadians(90 * stance.turn().quarters() + stance.freeDegrees());
        var size = piece.size();
        double[][] corners = {{0, 0}, {size.x(), 0}, {size.x(), size.y()}, {0, size.y()}, {0, 0}};
        var ring = new Coordinate[5];
        for (var i = 0; i < 5; i++) {
            ring[i] = new Coordinate(
                    stance.at().x() + corners[i][0] * Math.cos(angle) - corners[i][1] * Math.sin(angle),
                    stance.at().y() + corners[i][0] * Math.sin(angle) + corners[i][1] * Math.cos(angle));
        }
        return new GeometryFactory().createPolygon(ring);
    }

    /** Whatever a hand left out of a wall or a corner: the gap is of its box, and what mends it is to put that very piece back. */
    @Test
    void whatAHandLeftOutIsPutBackAndNotFilledWithAnother() {
        for (var gone : BUILT.all()) {
            if (gone.kind().role() != Role.WALL && gone.kind().role() != Role.POST) {
                continue;
            }
            assertThat(survey(without(gone)))
                    .as(gone.place().toString())
                    .singleElement()
                    .satisfies(gap -> {
                        assertThat(gap.check()).isEqualTo(Finding.Check.GAP);
                        assertThat(gap.box()).isEqualTo(gone.box());
                        assertThat(gap.fix())
                                .contains(new Finding.Fix.LetGo("Put the piece back", List.of(gone.place())));
                    });
        }
    }

    /** Two side by side are one gap, and both come back. */
    @Test
    void neighboursLeftOutArePutBackTogether() {
        var one = wall(5);
        var next = BUILT.all().stream()
                .filter(s -> s.kind().role() == Role.WALL && s != one && touch(s.box(), one.box()))
                .findFirst()
                .orElseThrow();
        var set = departed(BUILT, new Departure.LeftOut(one.place()), new Departure.LeftOut(next.place()));
        assertThat(survey(set)).singleElement().satisfies(gap -> assertThat(gap.fix())
                .hasValueSatisfying(fix -> assertThat(((Finding.Fix.LetGo) fix).places())
                        .containsExactlyInAnyOrder(one.place(), next.place())));
    }

    private static boolean touch(Box a, Box b) {
        return a.min().x() <= b.max().x()
                && b.min().x() <= a.max().x()
                && a.min().y() <= b.max().y()
                && b.min().y() <= a.max().y();
    }

    /** Carried away, and not left out: it stands elsewhere, so another one fills its place. */
    private static StandingSet carriedAway(Standing gone) {
        var far = gone.stance().movedBy(new Vec(0, 0, 30_000_000));
        return departed(BUILT, new Departure.Restood(gone.place(), gone.kind(), far, true));
    }

    private static List<Finding> gaps(StandingSet set) {
        return survey(set).stream().filter(f -> f.check() == Finding.Check.GAP).toList();
    }

    @Test
    void aMissingWallIsAGapOfItsLengthAndItsFixFillsIt() {
        var gone = wall(5);
        var gaps = gaps(carriedAway(gone));
        assertThat(gaps).singleElement().satisfies(gap -> {
            assertThat(gap.box()).isEqualTo(gone.box());
            assertThat(gap.title()).contains("1 m");
        });
        var fix = (Finding.Fix.Add) gaps.get(0).fix().orElseThrow();
        var mended = fix.additions().stream()
                .map(a -> new HandPlacement(900, a.kind(), a.stance(), false))
                .toArray(HandPlacement[]::new);
        assertThat(gaps(with(carriedAway(gone), mended))).isEmpty();
    }

    @Test
    void aMissingPostIsAnOpenCornerThatAPostCloses() {
        var post = BUILT.all().stream()
                .filter(s -> s.kind().role() == Role.POST)
                .findFirst()
                .orElseThrow();
        assertThat(gaps(carriedAway(post))).singleElement().satisfies(gap -> {
            assertThat(gap.title()).contains("corner");
            assertThat(gap.box()).isEqualTo(post.box());
            var fix = (Finding.Fix.Add) gap.fix().orElseThrow();
            assertThat(fix.additions()).singleElement().satisfies(a -> assertThat(a.stance())
                    .isEqualTo(post.stance()));
        });
    }

    @Test
    void aWallMovedByOneMicrometreLeavesAGapOfOneMicrometre() {
        var moved = wall(5);
        var along = moved.box().size().x() > moved.box().size().y() ? new Vec(1, 0, 0) : new Vec(0, 1, 0);
        var found = survey(departed(
                BUILT,
                new Departure.Restood(
                        moved.place(), moved.kind(), moved.stance().movedBy(along), true)));
        assertThat(found)
                .filteredOn(f -> f.check() == Finding.Check.GAP)
                .singleElement()
                .satisfies(gap -> assertThat(
                                Math.min(gap.box().size().x(), gap.box().size().y()))
                        .isEqualTo(1));
        assertThat(found).filteredOn(f -> f.check() == Finding.Check.OVERLAP).hasSize(1);
    }

    @Test
    void offTheGridIsToldWithTheWayBack() {
        // The bench reaches 0.8 m to each side of its pivot, so neither edge nor pivot is on the step of 0.1 m.
        assertThat(survey(byHand(901, BENCH, 2030, 2000, 0))).singleElement().satisfies(f -> {
            assertThat(f.check()).isEqualTo(Finding.Check.OFF_GRID);
            assertThat(f.reason()).contains("0.03 m");
            assertThat(f.fix()).hasValueSatisfying(fix -> assertThat(((Finding.Fix.Move) fix).by())
                    .isEqualTo(Vec.ofMillimetres(-30, 0, 0)));
        });
    }

    @Test
    void aPieceSetFreeNeedNotKeepTheGrid() {
        assertThat(survey(new HandPlacement(
                        901, BENCH.kind(), Stance.at(Vec.ofMillimetres(2030, 2000, 0), Turn.NONE), true)))
                .isEmpty();
    }

    @Test
    void whatFloatsIsToldHowFarToDrop() {
        // The bench's seat is 450 mm high; 50 mm are left under the lamp.
        assertThat(survey(byHand(901, BENCH, 2000, 2000, 0), byHand(902, LAMP, 2000, 2000, 500)))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.check()).isEqualTo(Finding.Check.FLOATING);
                    assertThat(f.places()).containsExactly(new Place.ByHand(902));
                    assertThat(f.fix()).hasValueSatisfying(fix -> assertThat(((Finding.Fix.Move) fix).by())
                            .isEqualTo(Vec.ofMillimetres(0, 0, -50)));
                });
        assertThat(survey(byHand(901, BENCH, 2000, 2000, 0), byHand(902, LAMP, 2000, 2000, 450)))
                .isEmpty();
    }

    @Test
    void outsideEveryRoomIsACaution() {
        assertThat(survey(byHand(901, BENCH, 9000, 9000, 0), byHand(902, BENCH, 2000, 2000, 0)))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.check()).isEqualTo(Finding.Check.OUTSIDE);
                    assertThat(f.check().isFault()).isFalse();
                });
    }

    @Test
    void whereMostStandsOutdoorsStandingThereIsNoCaution() {
        assertThat(survey(
                        byHand(901, BENCH, 9000, 9000, 0),
                        byHand(902, BENCH, 12_000, 9000, 0),
                        byHand(903, BENCH, 2000, 2000, 0)))
                .isEmpty();
    }

    @Test
    void whatAHandChangedAndWhosePlaceIsGoneIsToldAndStaysStanding() {
        var gone = new Place.InRun(1, Side.NORTH, 77, 1_000_000);
        var lost = departed(
                BUILT,
                new Departure.Restood(
                        gone, BENCH.kind(), Stance.at(Vec.ofMillimetres(2000, 2000, 0), Turn.NONE), false));
        assertThat(survey(lost))
                .filteredOn(f -> f.check() == Finding.Check.LOST_PLACE)
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.places()).containsExactly(gone);
                    assertThat(f.fix()).containsInstanceOf(Finding.Fix.Remove.class);
                });
    }

    /** Twenty in one place are 190 pairs: of each the first twelve, so 8 × 12 and 11 + 10 + … + 1. */
    @Test
    void aHeapIsFoundWithoutNamingEveryPair() {
        var heap = LongStream.rangeClosed(101, 120)
                .mapToObj(id -> byHand(id, BENCH, 2000, 2000, 0))
                .toArray(HandPlacement[]::new);
        var set = with(BUILT, heap);
        assertThat(survey(set))
                .filteredOn(f -> f.check() == Finding.Check.OVERLAP)
                .hasSize(8 * 12 + 66);
    }

    /** With 0.1 m between them, room 2's floor slab of 0.2 m lies in the upper 0.1 m of room 1. */
    @Test
    void aFloorThatHangsInTheRoomBelowIsSeen() {
        var rooms = massing(List.of(
                room(1, 0, 0, 4000, 4000),
                new Room(2, "Above", Vec.ofMillimetres(0, 0, 3100), mm(4000), mm(4000), mm(3000))));
        assertThat(survey(set(rooms, kit(rooms, 1000))))
                .filteredOn(f -> f.check() == Finding.Check.INTRUSION)
                .isNotEmpty()
                .allSatisfy(f -> assertThat(f.reason()).contains("0.1 m"));
        var apart = massing(List.of(
                room(1, 0, 0, 4000, 4000),
                new Room(2, "Above", Vec.ofMillimetres(0, 0, 3400), mm(4000), mm(4000), mm(3000))));
        assertThat(survey(set(apart, kit(apart, 1000)))).isEmpty();
    }

    /** Two rooms with walls of 0.2 m each and a cavity of 0.1 m between: a door in one alone leads onto the other's wall. */
    @Test
    void aDoorOntoANeighboursWallIsFoundUntilThatHasOneToo() {
        var rooms = List.of(room(1, 0, 0, 4000, 4000), room(2, 4500, 0, 4000, 4000));
        var door = new Opening(1, 1, Opening.Kind.DOOR, Side.EAST, mm(1000), mm(1000), mm(2100), mm(0));
        // Seen from inside room 2 the west wall runs from south to north: 4 − 1 − 1 m.
        var across = new Opening(2, 2, Opening.Kind.DOOR, Side.WEST, mm(2000), mm(1000), mm(2100), mm(0));
        var low = new Opening(2, 2, Opening.Kind.DOOR, Side.WEST, mm(2000), mm(1000), mm(2000), mm(0));
        var blind = massing(rooms, door);
        assertThat(survey(set(blind, kit(blind, 1000, 100)))).singleElement().satisfies(f -> assertThat(f.check())
                .isEqualTo(Finding.Check.BLIND_DOOR));
        var open = massing(rooms, door, across);
        assertThat(survey(set(open, kit(open, 1000, 100)))).isEmpty();
        var narrow = massing(rooms, door, low);
        assertThat(survey(set(narrow, kit(narrow, 1000, 100))))
                .extracting(Finding::check)
                .containsExactly(Finding.Check.BLIND_DOOR);
    }

    @Test
    void aKitOfAnotherStepIsAFaultThatSaysSo() {
        var usual = SiteSettings.USUAL;
        var coarse = new Massing(
                new SiteSettings(
                        usual.unit(),
                        mm(300),
                        usual.wall(),
                        usual.storey(),
                        256,
                        false,
                        false,
                        usual.guardDrop(),
                        usual.corners()),
                ROOM.rooms(),
                ROOM.openings());
        var d = BUILT.decisions();
        assertThat(survey(BUILT.next(new Decisions(coarse, d.kit(), d.hands(), d.departures()))))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.check()).isEqualTo(Finding.Check.KIT);
                    assertThat(f.reason()).contains("0.1 m", "0.3 m");
                });
    }

    /** Whatever is moved, added and taken away: looking again at what changed finds what looking at everything finds. */
    @RepeatedTest(12)
    void lookingAgainFindsWhatLookingAtEverythingFinds(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var set = BUILT;
        var survey = Survey.of(set, named(set));
        for (var i = 0; i < 25; i++) {
            var d = set.decisions();
            if (random.nextInt(3) > 0) {
                var id = 900L + random.nextInt(8);
                var put = random.nextInt(4) == 0
                        ? List.<HandPlacement>of()
                        : List.of(byHand(
                                id,
                                random.nextBoolean() ? BENCH : LAMP,
                                random.nextInt(6) * 800 + random.nextInt(2) * 37,
                                random.nextInt(5) * 800,
                                random.nextInt(3) * 450));
                set = set.next(d.with(d.hands().with(put, put.isEmpty() ? List.of(id) : List.of())));
            } else {
                var one = BUILT.all().get(random.nextInt(BUILT.all().size()));
                var departure = random.nextBoolean()
                        ? new Departure.LeftOut(one.place())
                        : new Departure.Restood(
                                one.place(),
                                one.kind(),
                                one.stance().movedBy(Vec.ofMillimetres(random.nextInt(200), 0, 0)),
                                false);
                var others = d.allDepartures().stream()
                        .filter(o -> !o.place().equals(one.place()) && random.nextInt(4) > 0)
                        .toList();
                var all = new ArrayList<Departure>(others);
                all.add(departure);
                set = set.next(new Decisions(d.massing(), d.kit(), d.hands(), Decisions.bySource(all)));
            }
            survey = survey.next(set, named(set));
            assertThat(survey.findings()).as("step %d", i).isEqualTo(survey(set));
        }
    }

    @Test
    void findingsAlikeShareACardAndAcceptingHoldsUntilSomethingMoves() {
        var found = survey(
                byHand(901, LAMP, 1000, 1000, 500),
                byHand(902, LAMP, 2000, 1000, 300),
                byHand(903, BENCH, 3500, 1000, 300));
        assertThat(found)
                .extracting(f -> f.card().heading())
                .containsExactlyInAnyOrder("PRP-LAMP floats", "PRP-LAMP floats", "PRP-BENCH floats");
        var again = survey(byHand(901, LAMP, 1000, 1000, 500), byHand(902, LAMP, 2000, 1100, 300));
        assertThat(again.get(0).about())
                .isEqualTo(found.stream()
                        .filter(f -> f.key().equals(again.get(0).key()))
                        .findFirst()
                        .orElseThrow()
                        .about());
        assertThat(again.get(1).about())
                .isNotEqualTo(found.stream()
                        .filter(f -> f.key().equals(again.get(1).key()))
                        .findFirst()
                        .orElseThrow()
                        .about());
    }

    @Test
    void everyFindingHasAKeyOfItsOwnAndSaysWhy() {
        var found = survey(
                byHand(901, BENCH, 2030, 2030, 300),
                byHand(902, BENCH, 2030, 2030, 300),
                byHand(903, LAMP, 9000, 9010, 10));
        var keys = new HashSet<String>();
        assertThat(found).hasSizeGreaterThan(4).allSatisfy(f -> {
            assertThat(keys.add(f.key())).isTrue();
            assertThat(f.reason()).contains(f.check().why());
        });
        assertThat(found).extracting(Finding::check).isSorted();
    }

    @RepeatedTest(20)
    void theRoomOfAPointIsTheOneThatTheMassingNames(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var rooms = new ArrayList<Room>();
        for (var i = 0; i < 30; i++) {
            rooms.add(room(
                    i + 1,
                    i % 6 * 5000L,
                    i / 6 * 4000L,
                    3000 + 100 * random.nextInt(16),
                    2500 + 100 * random.nextInt(11)));
        }
        var massing = massing(rooms);
        var site = new Site(StandingSet.of(new Decisions(massing, Optional.empty(), Hands.EMPTY, Map.of())), Kit.EMPTY);
        for (var i = 0; i < 300; i++) {
            var point = Vec.ofMillimetres(
                    random.nextInt(-500, 31_000), random.nextInt(-500, 21_000), random.nextInt(-9_000, 9_000));
            assertThat(site.roomAt(point)).isEqualTo(massing.whereabouts().roomAt(point));
            assertThat(site.floorUnder(point)).isEqualTo(massing.whereabouts().floorUnder(point));
        }
    }

    @Test
    void theRoomOfAPointIsOnItsOwnStorey() {
        var below = room(1, 0, 0, 4000, 4000);
        var above = new Room(2, "Above", Vec.ofMillimetres(0, 0, 3400), mm(4000), mm(4000), mm(3000));
        var massing = massing(List.of(below, above));
        assertThat(massing.whereabouts().roomAt(Vec.ofMillimetres(1000, 1000, 100)))
                .contains(below);
        assertThat(massing.whereabouts().roomAt(Vec.ofMillimetres(1000, 1000, 3500)))
                .contains(above);
        assertThat(massing.whereabouts().roomAt(Vec.ofMillimetres(1000, 1000, 9000)))
                .isEmpty();
        assertThat(massing.whereabouts().floorUnder(Vec.ofMillimetres(1000, 1000, 3399)))
                .isZero();
        assertThat(massing.whereabouts().floorUnder(Vec.ofMillimetres(1000, 1000, 3400)))
                .isEqualTo(3_400_000);
    }
}
