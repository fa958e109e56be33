package hausbau.core.survey;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.LAMP;
import static hausbau.core.TestSets.block;
import static hausbau.core.TestSets.built;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.build.Derivation;
import hausbau.core.build.PlacedPiece;
import hausbau.core.build.Placement;
import hausbau.core.build.Stance;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Role;
import hausbau.core.massing.Room;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Side;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

/** The checks on a built room of 5 × 4 × 3 m with a door, and on loose blocks in it. */
class SurveyTest {

    private static final Massing ROOM = massing(List.of(room(1, 0, 0, 5000, 4000)), door(1, Side.NORTH, 1100, 900));
    private static final Derivation BUILT = new Derivation(ROOM, kit(1000, 900));

    private static List<Finding> survey(List<PlacedPiece> placed, Set<Long> strays) {
        var pieces = new HashMap<Long, Piece>();
        placed.forEach(p -> pieces.put(p.placement().pieceId(), p.piece()));
        return Survey.of(new SurveyedSet(ROOM, pieces, placed, strays));
    }

    private static List<Finding> survey(PlacedPiece... more) {
        var placed = new ArrayList<>(built(BUILT));
        placed.addAll(List.of(more));
        return survey(placed, Set.of());
    }

    private static PlacedPiece wall(int nth) {
        return built(BUILT).stream().filter(p -> p.piece().role() == Role.WALL).skip(nth).findFirst().orElseThrow();
    }

    private static List<PlacedPiece> without(PlacedPiece gone) {
        return built(BUILT).stream().filter(p -> p.id() != gone.id()).toList();
    }

    @Test
    void aSetAsBuiltHasNothingWrong() {
        assertThat(survey()).isEmpty();
        assertThat(survey(byHand(901, BENCH, 2000, 2000, 0), byHand(902, LAMP, 4000, 2000, 0))).isEmpty();
    }

    @Test
    void aMicrometreOfSharedVolumeIsAnOverlapAndTouchingIsNone() {
        var block = block(1000, 1000, 500);
        var at = Vec.ofMillimetres(1000, 1000, 0);
        var beside = Stance.at(at.plus(Vec.ofMillimetres(1000, 0, 0)), Turn.NONE);
        assertThat(survey(byHand(901, block, Stance.at(at, Turn.NONE)), byHand(902, block, beside))).isEmpty();
        var within = Stance.at(beside.at().minus(new Vec(1, 0, 0)), Turn.NONE);
        assertThat(survey(byHand(901, block, Stance.at(at, Turn.NONE)), byHand(902, block, within)))
                .filteredOn(f -> f.kind() == Finding.Kind.OVERLAP).singleElement().satisfies(f -> {
                    assertThat(f.placements()).containsExactly(901L, 902L);
                    assertThat(f.place().size()).isEqualTo(new Vec(1, 1_000_000, 500_000));
                    assertThat(f.fix()).hasValueSatisfying(fix -> assertThat(((Finding.Fix.Move) fix).by()).isEqualTo(new Vec(1, 0, 0)));
                });
    }

    @Test
    void aLampMayStandInADoorwayButNotInItsWall() {
        // The clear doorway runs from X 1.1 to 2.0 m in a wall from Y 4.0 to 4.2 m.
        assertThat(survey(byHand(901, LAMP, 1600, 4100, 0))).filteredOn(f -> f.kind() == Finding.Kind.OVERLAP).isEmpty();
        assertThat(survey(byHand(901, LAMP, 2100, 4100, 0))).filteredOn(f -> f.kind() == Finding.Kind.OVERLAP).isNotEmpty();
    }

    @Test
    void twoInOnePlaceAreToldAsSuchAndTheSecondGoes() {
        assertThat(survey(byHand(901, BENCH, 2000, 2000, 0), byHand(902, BENCH, 2000, 2000, 0)))
                .filteredOn(f -> f.kind() == Finding.Kind.OVERLAP).singleElement().satisfies(f -> {
                    assertThat(f.title()).contains("PRP-BENCH", "twice");
                    assertThat(f.fix()).hasValueSatisfying(fix -> assertThat(((Finding.Fix.Remove) fix).placementId()).isEqualTo(902));
                });
    }

    /** Freely turned blocks against a general geometry library: JTS intersects the same rectangles. */
    @RepeatedTest(60)
    void freelyTurnedBlocksOverlapWhereAGeometryLibrarySaysSo(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var block = block(1000, 300, 500);
        var stances = new ArrayList<Stance>();
        for (var i = 0; i < 2; i++) {
            stances.add(new Stance(new Vec(2_000_000 + random.nextInt(900_000), 2_000_000 + random.nextInt(900_000), 0), Turn.of(random.nextInt(4)), random.nextBoolean(), random.nextDouble() * 90 + 0.1));
        }
        var shared = rectangle(stances.get(0), block).intersection(rectangle(stances.get(1), block)).getArea();
        // Between a mere touch and a true overlap lies the micrometre that is left to rounding.
        org.junit.jupiter.api.Assumptions.assumeTrue(shared == 0 || shared > 1e7);
        var found = survey(byHand(901, block, stances.get(0)), byHand(902, block, stances.get(1))).stream()
                .anyMatch(f -> f.kind() == Finding.Kind.OVERLAP);
        assertThat(found).isEqualTo(shared > 0);
    }

    /** Worked apart from the stance's own arithmetic: corner by corner. */
    private static Polygon rectangle(Stance stance, Piece piece) {
        var angle = Math.toRadians(90 * stance.turn().quarters() + stance.freeDegrees());
        var size = piece.size();
        double[][] corners = {{0, 0}, {size.x(), 0}, {size.x(), size.y()}, {0, size.y()}, {0, 0}};
        var ring = new Coordinate[5];
        for (var i = 0; i < 5; i++) {
            ring[i] = new Coordinate(stance.at().x() + corners[i][0] * Math.cos(angle) - corners[i][1] * Math.sin(angle),
                    stance.at().y() + corners[i][0] * Math.sin(angle) + corners[i][1] * Math.cos(angle));
        }
        return new GeometryFactory().createPolygon(ring);
    }

    @Test
    void aMissingWallIsAGapOfItsLengthAndItsFixFillsIt() {
        var gone = wall(5);
        var gaps = survey(without(gone), Set.of());
        assertThat(gaps).singleElement().satisfies(gap -> {
            assertThat(gap.kind()).isEqualTo(Finding.Kind.GAP);
            assertThat(gap.place()).isEqualTo(gone.box());
            assertThat(gap.title()).contains("1 m");
        });
        var fix = (Finding.Fix.Add) gaps.get(0).fix().orElseThrow();
        var mended = new ArrayList<>(without(gone));
        for (var addition : fix.additions()) {
            mended.add(byHand(900 + addition.pieceId(), gone.piece(), addition.stance()));
        }
        assertThat(survey(mended, Set.of())).isEmpty();
    }

    @Test
    void aMissingPostIsAnOpenCornerThatAPostCloses() {
        var post = built(BUILT).stream().filter(p -> p.piece().role() == Role.POST).findFirst().orElseThrow();
        var others = new ArrayList<>(without(post));
        assertThat(survey(others, Set.of())).singleElement().satisfies(gap -> {
            assertThat(gap.title()).contains("corner");
            assertThat(gap.place()).isEqualTo(post.box());
            var fix = (Finding.Fix.Add) gap.fix().orElseThrow();
            assertThat(fix.additions()).singleElement().satisfies(a -> assertThat(a.stance()).isEqualTo(post.placement().stance()));
        });
    }

    @Test
    void aWallMovedByOneMicrometreLeavesAGapOfOneMicrometre() {
        var moved = wall(5);
        var set = new ArrayList<>(without(moved));
        var along = moved.box().size().x() > moved.box().size().y() ? new Vec(1, 0, 0) : new Vec(0, 1, 0);
        set.add(new PlacedPiece(moved.placement().restoodByHand(moved.placement().stance().movedBy(along), true), moved.piece()));
        var found = survey(set, Set.of());
        assertThat(found).filteredOn(f -> f.kind() == Finding.Kind.GAP).singleElement()
                .satisfies(gap -> assertThat(Math.min(gap.place().size().x(), gap.place().size().y())).isEqualTo(1));
        assertThat(found).filteredOn(f -> f.kind() == Finding.Kind.OVERLAP).hasSize(1);
    }

    @Test
    void offTheGridIsToldWithTheWayBack() {
        // The bench reaches 0.8 m to each side of its pivot, so neither edge nor pivot is on the step of 0.1 m.
        assertThat(survey(byHand(901, BENCH, 2030, 2000, 0))).singleElement().satisfies(f -> {
            assertThat(f.kind()).isEqualTo(Finding.Kind.OFF_GRID);
            assertThat(f.reason()).contains("0.03 m");
            assertThat(f.fix()).hasValueSatisfying(fix -> assertThat(((Finding.Fix.Move) fix).by()).isEqualTo(Vec.ofMillimetres(-30, 0, 0)));
        });
    }

    @Test
    void aPieceSetFreeNeedNotKeepTheGrid() {
        var free = new Placement(901, 1, Stance.at(Vec.ofMillimetres(2030, 2000, 0), Turn.NONE), true, Placement.Origin.HAND, false, "");
        assertThat(survey(new PlacedPiece(free, BENCH))).isEmpty();
    }

    @Test
    void whatFloatsIsToldHowFarToDrop() {
        // The bench's seat is 450 mm high; 50 mm are left under the lamp.
        assertThat(survey(byHand(901, BENCH, 2000, 2000, 0), byHand(902, LAMP, 2000, 2000, 500))).singleElement().satisfies(f -> {
            assertThat(f.kind()).isEqualTo(Finding.Kind.FLOATING);
            assertThat(f.placements()).containsExactly(902L);
            assertThat(f.fix()).hasValueSatisfying(fix -> assertThat(((Finding.Fix.Move) fix).by()).isEqualTo(Vec.ofMillimetres(0, 0, -50)));
        });
        assertThat(survey(byHand(901, BENCH, 2000, 2000, 0), byHand(902, LAMP, 2000, 2000, 450))).isEmpty();
    }

    @Test
    void outsideEveryRoomIsACaution() {
        assertThat(survey(byHand(901, BENCH, 9000, 9000, 0))).singleElement().satisfies(f -> {
            assertThat(f.kind()).isEqualTo(Finding.Kind.OUTSIDE);
            assertThat(f.kind().isFault()).isFalse();
        });
    }

    @Test
    void aPinnedPlacementWithoutItsPlaceIsAStray() {
        assertThat(survey(List.of(byHand(901, BENCH, 2000, 2000, 0)), Set.of(901L)))
                .filteredOn(f -> f.kind() == Finding.Kind.STRAY).singleElement()
                .satisfies(f -> assertThat(f.fix()).containsInstanceOf(Finding.Fix.Remove.class));
    }

    @Test
    void everyFindingHasAKeyOfItsOwnAndSaysWhy() {
        var found = survey(byHand(901, BENCH, 2030, 2030, 300), byHand(902, BENCH, 2030, 2030, 300), byHand(903, LAMP, 9000, 9010, 10));
        var keys = new HashSet<String>();
        assertThat(found).hasSizeGreaterThan(4).allSatisfy(f -> {
            assertThat(keys.add(f.key())).isTrue();
            assertThat(f.reason()).contains(f.kind().why());
        });
        assertThat(found).extracting(Finding::kind).isSorted();
    }

    @RepeatedTest(20)
    void theRoomOfAPointIsTheOneThatTheMassingNames(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var rooms = new ArrayList<Room>();
        for (var i = 0; i < 30; i++) {
            rooms.add(room(i + 1, i % 6 * 5000L, i / 6 * 4000L, 3000 + 100 * random.nextInt(16), 2500 + 100 * random.nextInt(11)));
        }
        var massing = massing(rooms);
        var set = new SurveyedSet(massing, Map.of(), List.of(), Set.of());
        for (var i = 0; i < 300; i++) {
            var point = Vec.ofMillimetres(random.nextInt(-500, 31_000), random.nextInt(-500, 21_000), random.nextInt(-9_000, 9_000));
            assertThat(set.roomAt(point)).isEqualTo(massing.roomAt(point));
        }
    }
}
