package hausbau.core;

import hausbau.core.build.Derivation;
import hausbau.core.build.KitChoice;
import hausbau.core.build.PlacedPiece;
import hausbau.core.build.Placement;
import hausbau.core.build.Stance;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Small rooms and sets for the tests; everything in millimetres. */
public final class TestSets {

    public static final Piece BENCH = new Piece("PRP-BENCH", "bench", Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);
    public static final Piece LAMP = new Piece("PRP-LAMP", "lamp", Role.PROP, new Recipe.Lamp(), Pivot.BASE_CENTRE);

    private TestSets() {
    }

    public static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }

    /** Unnamed sizes of 3 m height, its south-west corner at the place given. */
    public static Room room(long id, long x, long y, long width, long depth) {
        return new Room(id, "Room " + id, Vec.ofMillimetres(x, y, 0), mm(width), mm(depth), mm(3000));
    }

    public static Opening door(long id, Side side, long at, long width) {
        return new Opening(id, 1, Opening.Kind.DOOR, side, mm(at), mm(width), mm(2100), Length.ZERO);
    }

    public static Opening window(long id, Side side, long at, long width, long sill, long height) {
        return new Opening(id, 1, Opening.Kind.WINDOW, side, mm(at), mm(width), mm(height), mm(sill));
    }

    public static Massing massing(List<Room> rooms, Opening... openings) {
        return new Massing(SiteSettings.USUAL, rooms, List.of(openings));
    }

    public static KitChoice kit(long... kinds) {
        return new KitChoice(Arrays.stream(kinds).mapToObj(Length::ofMillimetres).toList(), mm(200), mm(4000));
    }

    /** What the massing is built from, with ids from 1 on. */
    public static List<PlacedPiece> built(Derivation derivation) {
        var placed = new ArrayList<PlacedPiece>();
        for (var one : derivation.placements()) {
            var id = placed.size() + 1L;
            placed.add(new PlacedPiece(new Placement(id, derivation.pieces().indexOf(one.piece()) + 1L, one.stance(), false,
                    Placement.Origin.MASSING, false, one.source()), one.piece()));
        }
        return placed;
    }

    public static PlacedPiece byHand(long id, Piece piece, Stance stance) {
        return new PlacedPiece(new Placement(id, 1000 + id, stance, false, Placement.Origin.HAND, false, ""), piece);
    }

    public static PlacedPiece byHand(long id, Piece piece, long x, long y, long z) {
        return byHand(id, piece, Stance.at(Vec.ofMillimetres(x, y, z), Turn.NONE));
    }

    public static Piece block(long x, long y, long z) {
        return new Piece("BLK", "block", Role.PROP, new Recipe.CornerPost(Vec.ofMillimetres(x, y, z)), Pivot.BASE_CORNER);
    }
}
