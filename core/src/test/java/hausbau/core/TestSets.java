package hausbau.core;

import hausbau.core.kit.Kit;
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
import hausbau.core.place.Departure;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Hands;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.plane.Rect;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/** Small rooms and sets for the tests; everything in millimetres. */
public final class TestSets {

    public static final Piece BENCH = new Piece("PRP-BENCH", "bench", Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);
    public static final Piece LAMP = new Piece("PRP-LAMP", "lamp", Role.PROP, new Recipe.Lamp(), Pivot.BASE_CENTRE);

    private TestSets() {}

    public static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }

    /** Unnamed sizes of 3 m height, its south-west corner at the place given. */
    public static Room room(long id, long x, long y, long width, long depth) {
        return new Room(id, "Room " + id, Vec.ofMillimetres(x, y, 0), mm(width), mm(depth), mm(3000));
    }

    /** Up to so many rooms on the step: apart, one wall apart, touching, overlapping, some of them no rectangles. */
    public static List<Room> roomsAnyhow(Random random, int most) {
        var rooms = new ArrayList<Room>();
        for (var id = 1L; id <= 1 + random.nextInt(most); id++) {
            var room = room(
                    id,
                    100 * random.nextInt(60),
                    100 * random.nextInt(60),
                    300 + 100 * random.nextInt(40),
                    300 + 100 * random.nextInt(40));
            var corner = room.corner();
            var more = new Rect(
                    corner.x(),
                    corner.y(),
                    corner.x() + 100_000L * (4 + random.nextInt(30)),
                    corner.y() + 100_000L * (4 + random.nextInt(30)));
            rooms.add(random.nextBoolean() ? room.over(room.outline().joined(more)) : room);
        }
        return rooms;
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

    /** These wall lengths, with the tiles that go with the rooms. */
    public static KitChoice kit(Massing massing, long... kinds) {
        return new KitChoice(
                massing.settings().step(),
                Arrays.stream(kinds).mapToObj(Length::ofMillimetres).toList(),
                KitChoice.tiles(massing, mm(200), mm(4000)),
                mm(200),
                mm(4000));
    }

    public static Decisions decisions(Massing massing, KitChoice kit, HandPlacement... hands) {
        return new Decisions(massing, Optional.of(kit), Hands.EMPTY.with(List.of(hands), List.of()), Map.of());
    }

    /** What is built from a kit, and what hands set down in it. */
    public static StandingSet set(Massing massing, KitChoice kit, HandPlacement... hands) {
        return StandingSet.of(decisions(massing, kit, hands));
    }

    /** The same set with departures in it. */
    public static StandingSet departed(StandingSet set, Departure... departures) {
        var d = set.decisions();
        return set.next(new Decisions(d.massing(), d.kit(), d.hands(), Decisions.bySource(List.of(departures))));
    }

    public static StandingSet with(StandingSet set, HandPlacement... hands) {
        return set.next(set.decisions().with(set.decisions().hands().with(List.of(hands), List.of())));
    }

    /** Codes for all kinds of a set, by what they suggest. */
    public static Kit named(StandingSet set) {
        var settings = set.decisions().massing().settings();
        return Kit.named(set.kinds(), settings.storey(), settings.unit());
    }

    public static HandPlacement byHand(long id, Piece piece, Stance stance) {
        return new HandPlacement(id, piece.kind(), stance, false);
    }

    public static HandPlacement byHand(long id, Piece piece, long x, long y, long z) {
        return byHand(id, piece, Stance.at(Vec.ofMillimetres(x, y, z), Turn.NONE));
    }

    public static Standing standing(long id, Piece piece, long x, long y, long z) {
        return Standing.byHand(byHand(id, piece, x, y, z));
    }

    /** A block of no symmetry but its own: its pivot is its least corner. */
    public static Piece block(long x, long y, long z) {
        return new Piece(
                "BLK", "block", Role.PROP, new Recipe.CornerPost(Vec.ofMillimetres(x, y, z)), Pivot.BASE_CORNER);
    }
}
