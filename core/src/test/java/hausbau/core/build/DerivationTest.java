package hausbau.core.build;

import static hausbau.core.TestSets.built;
import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.window;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.kit.Piece;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.union.UnaryUnionOp;

class DerivationTest {

    private static final GeometryFactory PLANE = new GeometryFactory();

    private static long count(Derivation derivation, Role role) {
        return derivation.placements().stream().filter(d -> d.piece().role() == role).count();
    }

    private static Geometry plan(List<Box> boxes) {
        return UnaryUnionOp.union(boxes.stream().map(b -> PLANE.toGeometry(new Envelope(b.min().x(), b.max().x(), b.min().y(), b.max().y()))).toList());
    }

    /** 5 × 4 m from metres with a door of 0.9 m: 18 m of wall less the panel of 1.1 m leaves spans of 1 and 2.9 m. */
    @Test
    void wallsFillWhatTheDoorLeaves() {
        var built = new Derivation(massing(List.of(room(1, 0, 0, 5000, 4000)), door(1, Side.NORTH, 1100, 900)), kit(1000, 900));
        assertThat(count(built, Role.DOOR)).isEqualTo(1);
        // North: 1 + (1 + 1 + 0.9); the others 4, 5 and 4.
        assertThat(count(built, Role.WALL)).isEqualTo(1 + 3 + 4 + 5 + 4);
        assertThat(count(built, Role.POST)).isEqualTo(4);
        assertThat(built.unfilled()).isEmpty();
    }

    @Test
    void codesTellTheirLengthAndTheHeightOnlyWhereItIsNotTheStoreys() {
        var low = new Massing(SiteSettings.USUAL, List.of(new hausbau.core.massing.Room(1, "Low", hausbau.core.measure.Vec.ZERO,
                Length.ofMillimetres(4000), Length.ofMillimetres(4000), Length.ofMillimetres(2500))), List.of());
        assertThat(new Derivation(massing(List.of(room(1, 0, 0, 4000, 4000))), kit(2000)).pieces()).extracting(Piece::code).contains("WAL-2000", "POS-200");
        assertThat(new Derivation(low, kit(2000)).pieces()).extracting(Piece::code).contains("WAL-2000-H2500", "POS-200-H2500");
    }

    @Test
    void twoWindowsOfOneSizeAreOneKindAndAnotherPlaceInItsPanelIsAnother() {
        var same = new Derivation(massing(List.of(room(1, 0, 0, 6000, 4000)), window(1, Side.NORTH, 1000, 1000, 900, 1200),
                window(2, Side.SOUTH, 3000, 1000, 900, 1200)), kit(1000, 100));
        assertThat(same.pieces().stream().filter(p -> p.role() == Role.WINDOW)).hasSize(1);
        var shifted = new Derivation(massing(List.of(room(1, 0, 0, 6000, 4000)), window(1, Side.NORTH, 1000, 1000, 900, 1200),
                window(2, Side.SOUTH, 3000, 1000, 1000, 1200)), kit(1000, 100));
        assertThat(shifted.pieces().stream().filter(p -> p.role() == Role.WINDOW)).extracting(Piece::code).containsExactly("WIN-1200", "WIN-1200-2");
    }

    @Test
    void aSpanThatTheKindsCannotFillIsLeftOpenAndNamed() {
        var built = new Derivation(massing(List.of(room(1, 0, 0, 5000, 4000))), kit(2000));
        assertThat(built.unfilled()).extracting(u -> u.run().side()).containsExactly(Side.NORTH, Side.SOUTH);
        assertThat(count(built, Role.WALL)).isEqualTo(4);
    }

    @Test
    void theSameMassingIsAlwaysBuiltAlike() {
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000), room(2, 6000, 0, 7300, 4100)), door(1, Side.NORTH, 1100, 900));
        assertThat(new Derivation(massing, kit(1000, 300, 200)).placements()).isEqualTo(new Derivation(massing, kit(1000, 300, 200)).placements());
    }

    /** What massing stands up is, in plan, exactly the ring that a geometry library makes of the room; nothing overlaps. */
    @RepeatedTest(15)
    void theSetClosesEveryRoomExactly(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var room = room(1, random.nextInt(50) * 100, random.nextInt(50) * 100, 3000 + random.nextInt(40) * 100, 3000 + random.nextInt(40) * 100);
        var massing = massing(List.of(room), door(1, Side.values()[random.nextInt(4)], 500 + random.nextInt(1000), 900));
        var derivation = new Derivation(massing, kit(1000, 300, 200, 100));
        var placed = built(derivation);
        var walls = placed.stream().filter(p -> p.piece().role().closesARun()).map(PlacedPiece::box).toList();
        var outer = plan(List.of(room.outer(Length.ofMillimetres(200))));
        var ring = outer.difference(plan(List.of(room.clear())));
        assertThat(plan(walls).symDifference(ring).getArea()).isZero();
        assertThat(walls.stream().mapToDouble(b -> (double) b.size().x() * b.size().y()).sum()).isEqualTo(ring.getArea());
        for (var role : List.of(Role.FLOOR, Role.CEILING)) {
            var tiles = placed.stream().filter(p -> p.piece().role() == role).map(PlacedPiece::box).toList();
            assertThat(plan(tiles).symDifference(plan(List.of(room.clear()))).getArea()).as("%s", role).isZero();
            assertThat(tiles.stream().mapToDouble(b -> (double) b.size().x() * b.size().y()).sum()).isEqualTo(plan(tiles).getArea());
        }
    }

    @Test
    void aSizeOffTheStepGetsOneSlab() {
        var built = new Derivation(massing(List.of(room(1, 0, 0, 5050, 4000))), kit(1000));
        var sizes = built.placements().stream().filter(d -> d.piece().role() == Role.FLOOR).map(d -> d.piece().size().x()).collect(Collectors.toSet());
        assertThat(sizes).containsExactly(5_050_000L);
    }

    @Test
    void tilesStandWhereTheyStoodWhateverTheirPivot() {
        var rooms = List.of(room(1, 0, 0, 5000, 4000));
        var usual = SiteSettings.USUAL;
        var centred = new SiteSettings(usual.unit(), usual.step(), usual.wall(), usual.storey(), usual.pixelsPerMetre(), true);
        var byCorner = built(new Derivation(new Massing(usual, rooms, List.of()), kit(1000)));
        var byCentre = built(new Derivation(new Massing(centred, rooms, List.of()), kit(1000)));
        assertThat(byCentre).extracting(PlacedPiece::box).isEqualTo(byCorner.stream().map(PlacedPiece::box).toList());
    }
}
