package hausbau.core.standing;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.roomsAnyhow;
import static hausbau.core.TestSets.window;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import hausbau.core.kit.Profile;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Building;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Moulding;
import hausbau.core.massing.Moulding.Instead;
import hausbau.core.massing.Moulding.Line;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.Solid;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.place.Departure;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.shape.Swatch;
import java.math.BigInteger;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A skirting of 20 × 120 mm with corner pieces of 200 mm, in rooms 3 m high. Expected lengths are worked by hand. */
class MouldingTest {

    private static final long WIDTH = 20_000;
    private static final Profile BAR = Profile.of(Profile.Kind.BAR, WIDTH, 120_000, 0, 0, 0);
    private static final Moulding.Make MAKE = new Moulding.Make(BAR, Swatch.TIMBER, mm(200));
    private static final Moulding SKIRTING =
            new Moulding(50, "Skirting", Instead.NONE, true, MAKE, Line.FLOOR, List.of());

    private static Decisions decided(Massing massing, Moulding... mouldings) {
        var with = new Massing(massing.settings(), massing.building().withMouldings(List.of(mouldings)));
        var kit = new KitChoice(mm(100), List.of(mm(1000), mm(100)), List.of(), mm(100), mm(4000));
        return new Decisions(with, Optional.empty(), Hands.EMPTY, Map.of()).with(kit);
    }

    private static List<Standing> pieces(Decisions decisions) {
        return StandingSet.of(decisions).chunks().stream()
                .flatMap(c -> IntStream.range(0, c.size()).mapToObj(c::standing))
                .filter(s -> s.kind().role() == Role.MOULDING)
                .toList();
    }

    private static List<Standing> pieces(Massing massing, Moulding... mouldings) {
        return pieces(decided(massing, mouldings));
    }

    private static long corners(List<Standing> pieces, boolean outer) {
        return pieces.stream()
                .filter(s -> s.kind().recipe() instanceof Recipe.MouldingCorner c && c.outer() == outer)
                .count();
    }

    private static long straight(List<Standing> pieces) {
        return pieces.stream()
                .filter(s -> s.kind().recipe() instanceof Recipe.Moulding)
                .mapToLong(s -> s.kind().size().x() / 1000)
                .sum();
    }

    @Test
    void aRoomHasACornerPieceInEachCornerAndStraightPiecesBetween() {
        var pieces = pieces(massing(List.of(room(1, 0, 0, 6000, 4000))));

        assertThat(pieces).isEmpty();
        pieces = pieces(massing(List.of(room(1, 0, 0, 6000, 4000))), SKIRTING);
        assertThat(corners(pieces, false)).isEqualTo(4);
        assertThat(corners(pieces, true)).isZero();
        // Two of 6000 - 400 and two of 4000 - 400.
        assertThat(straight(pieces)).isEqualTo(2 * 5600 + 2 * 3600);
        assertThat(pieces).allSatisfy(s -> {
            assertThat(s.box().min().z()).isZero();
            assertThat(s.box().max().z()).isEqualTo(120_000);
        });
    }

    @Test
    void aCorniceHangsUnderTheCeilingAndARailAtItsHeight() {
        var massing = massing(List.of(room(1, 0, 0, 6000, 4000)));
        var cornice = new Moulding(51, "Cornice", Instead.NONE, true, MAKE, Line.CEILING, List.of());
        var rail = new Moulding(52, "Rail", Instead.NONE, true, MAKE, new Line(Moulding.At.HEIGHT, mm(900)), List.of());

        assertThat(pieces(massing, cornice))
                .allSatisfy(s -> assertThat(s.box().max().z()).isEqualTo(3_000_000));
        assertThat(pieces(massing, rail))
                .isNotEmpty()
                .allSatisfy(s -> assertThat(s.box().min().z()).isEqualTo(900_000));
        var tooHigh =
                new Moulding(53, "Rail", Instead.NONE, true, MAKE, new Line(Moulding.At.HEIGHT, mm(2900)), List.of());
        assertThat(pieces(massing, tooHigh)).isEmpty();
    }

    /** A door of 1.2 m takes a panel of 1.4 m of the wall; a sill of 0.9 m is above the skirting. */
    @Test
    void itIsInterruptedWhereADoorIsAndRunsUnderAWindow() {
        var room = room(1, 0, 0, 6000, 4000);

        var withDoor = pieces(massing(List.of(room), door(7, Side.NORTH, 2000, 1200)), SKIRTING);
        var withWindow = pieces(massing(List.of(room), window(8, Side.NORTH, 2000, 1200, 900, 1200)), SKIRTING);

        var doorPanel = massing(List.of(room), door(7, Side.NORTH, 2000, 1200)).runs().stream()
                .flatMap(r -> r.panels().stream())
                .findFirst()
                .orElseThrow();
        assertThat(straight(withDoor))
                .isEqualTo(2 * 5600 + 2 * 3600 - doorPanel.length().um() / 1000);
        assertThat(straight(withWindow)).isEqualTo(2 * 5600 + 2 * 3600);
    }

    /** An L of 6 by 4 m without 2 by 1 m in one corner: five corners lead in, one juts out. */
    @Test
    void itGoesRoundACornerThatJutsIntoTheRoom() {
        var l = room(1, 0, 0, 6000, 3000);
        var massing = massing(List.of(l.over(l.outline().joined(new Rect(0, 0, 4_000_000, 4_000_000)))));

        var pieces = pieces(massing, SKIRTING);

        assertThat(corners(pieces, false)).isEqualTo(5);
        assertThat(corners(pieces, true)).isEqualTo(1);
        // The walls are 20 m round, six corners take 2 × 200 mm each.
        assertThat(straight(pieces)).isEqualTo(20_000 - 6 * 400);
    }

    @Test
    void aSolidAgainstTheWallIsGoneRoundByNothing() {
        var building = new Building(
                List.of(room(1, 0, 0, 6000, 4000)),
                List.of(),
                List.of(),
                List.of(new Solid(9, "pier", 0, Box.of(2_000_000, 3_500_000, 0, 2_500_000, 4_000_000, 3_000_000))));

        var pieces =
                pieces(new Massing(massing(List.of(room(1, 0, 0, 6000, 4000))).settings(), building), SKIRTING);

        assertThat(straight(pieces)).isEqualTo(2 * 5600 + 2 * 3600 - 500);
    }

    @Test
    void aRoomMayHaveAnotherOneOrNoneInItsPlace() {
        var massing = massing(List.of(room(1, 0, 0, 6000, 4000), room(2, 10_000, 0, 6000, 4000)));
        var off = new Moulding(60, "Skirting", new Instead(50, 2), false, MAKE, Line.FLOOR, List.of());
        var high = new Moulding(
                61,
                "Skirting",
                new Instead(50, 2),
                true,
                new Moulding.Make(Profile.of(Profile.Kind.BAR, WIDTH, 300_000, 0, 0, 0), Swatch.TILE, mm(200)),
                Line.FLOOR,
                List.of());

        assertThat(pieces(massing, SKIRTING, off))
                .extracting(s -> s.place().room())
                .containsOnly(1L);
        var both = pieces(massing, SKIRTING, high);
        assertThat(both)
                .extracting(s -> tuple(s.place().room(), s.kind().size().z()))
                .contains(tuple(1L, 120_000L), tuple(2L, 300_000L))
                .doesNotContain(tuple(2L, 120_000L));
        // Its places are those of the rule that it stands in for: what a hand changed there stays.
        assertThat(both).extracting(s -> ((Place.OfMoulding) s.place()).rule()).containsOnly(50L);
    }

    /** 5600 and 3600 are whole multiples of 400: 14 + 14 + 9 + 9 pieces of one length; two lengths do with far fewer. */
    @Test
    void lengthsAreFewAndTheSameInAllRooms() {
        var decisions = decided(massing(List.of(room(1, 0, 0, 6000, 4000), room(2, 10_000, 0, 6000, 4000))), SKIRTING);
        var planned = decisions.massing().mouldings().get(0);

        assertThat(planned.lengths()).hasSizeLessThanOrEqualTo(3).allMatch(l -> l.compareTo(mm(4000)) <= 0);
        assertThat(pieces(decisions).stream()
                        .filter(s -> s.kind().recipe() instanceof Recipe.Moulding)
                        .map(s -> new Length(s.kind().size().x()))
                        .distinct())
                .isSubsetOf(planned.lengths());
        assertThat(pieces(decisions)).hasSizeLessThanOrEqualTo(2 * (4 + 8));
    }

    @Test
    void whatAHandChangedStaysWhereItsPlaceLasts() {
        var massing = massing(List.of(room(1, 0, 0, 6000, 4000)));
        var decisions = decided(massing, SKIRTING);
        var one = pieces(decisions).get(0);
        var gone = new Departure.LeftOut(one.place());
        var with = new Decisions(decisions.massing(), decisions.kit(), Hands.EMPTY, Decisions.bySource(List.of(gone)));

        assertThat(pieces(with)).hasSize(pieces(decisions).size() - 1).noneMatch(s -> s.place()
                .equals(one.place()));
        assertThat(StandingSet.of(with).find(one.place())).isEmpty();
        assertThat(StandingSet.of(decisions).find(one.place())).contains(one);
    }

    @Test
    void placesAreReadBack() {
        assertThat(pieces(massing(List.of(room(1, 0, 0, 6000, 4000))), SKIRTING))
                .extracting(Standing::place)
                .doesNotHaveDuplicates()
                .allSatisfy(p -> assertThat(Place.parse(p.toString())).isEqualTo(p));
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> new Moulding.Make(BAR, Swatch.TIMBER, mm(20)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("farther along the wall than the profile is wide");
        assertThatThrownBy(() -> new Line(Moulding.At.HEIGHT, mm(-1)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("0 to 100 m");
    }

    static LongStream seeds() {
        return LongStream.range(0, 150);
    }

    /**
     * In random plans the pieces lie side by side on the ring of ground along the walls, which is what of the voids lies within the
     * profile's width of no void; of it they leave out no more than a square at each corner that juts out.
     */
    @ParameterizedTest
    @MethodSource("seeds")
    void piecesLieAlongAllWallsOnceAndOnlyOnce(long seed) {
        var rooms = roomsAnyhow(new Random(seed), 4);
        var voids = Region.union(rooms.stream().map(Room::region).toList());
        var around = Region.of(voids.extent().grown(1_000_000)).minus(voids);
        var ring = voids.shared(around.grown(WIDTH));

        var ground = pieces(massing(rooms), SKIRTING).stream()
                .flatMap(s -> s.solids().stream())
                .map(b ->
                        new Rect(b.min().x(), b.min().y(), b.max().x(), b.max().y()))
                .toList();

        var taken = BigInteger.ZERO;
        for (var rect : ground) {
            taken = taken.add(BigInteger.valueOf(rect.width()).multiply(BigInteger.valueOf(rect.depth())));
        }
        var covered = Region.of(ground);
        assertThat(ring.contains(covered)).as("seed %s: beside the walls", seed).isTrue();
        var square = BigInteger.valueOf(WIDTH).pow(2);
        var corners = voids.loops().stream().mapToInt(l -> l.corners().size()).sum();
        // A mitred corner piece has a box for each leg, which share its square.
        assertThat(taken.subtract(covered.area()))
                .as("seed %s: twice", seed)
                .isLessThanOrEqualTo(square.multiply(BigInteger.valueOf(corners)));
        assertThat(ring.area().subtract(covered.area()))
                .as("seed %s: left out", seed)
                .isLessThanOrEqualTo(square.multiply(BigInteger.valueOf(corners)));
    }
}
