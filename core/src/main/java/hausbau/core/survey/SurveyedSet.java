package hausbau.core.survey;

import hausbau.core.build.PlacedPiece;
import hausbau.core.kit.Piece;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.measure.Box;
import hausbau.core.measure.BoxIndex;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is surveyed.
 *
 * @param pieces the kit, by id
 * @param strays pinned placements whose place in the set is gone
 */
public final class SurveyedSet {

    private final Massing massing;
    private final Map<Long, Piece> pieces;
    private final List<PlacedPiece> placed;
    private final Set<Long> strays;
    private final List<Box> boxes;
    private final BoxIndex index;
    /** The rooms with their walls, as high as anything: in which of them a point lies does not hang on its height. */
    private final BoxIndex rooms;

    public SurveyedSet(Massing massing, Map<Long, Piece> pieces, List<PlacedPiece> placed, Set<Long> strays) {
        this.massing = massing;
        this.pieces = pieces;
        this.placed = placed;
        this.strays = strays;
        this.boxes = placed.stream().map(PlacedPiece::box).toList();
        this.index = new BoxIndex(boxes);
        this.rooms = new BoxIndex(massing.rooms().stream().map(room -> {
            var outer = room.outer(massing.settings().wall());
            return new Box(outer.min().withZ(-Length.LIMIT_UM), outer.max().withZ(Length.LIMIT_UM));
        }).toList());
    }

    Massing massing() {
        return massing;
    }

    Map<Long, Piece> pieces() {
        return pieces;
    }

    List<PlacedPiece> placed() {
        return placed;
    }

    Set<Long> strays() {
        return strays;
    }

    List<Box> boxes() {
        return boxes;
    }

    /** What {@link Massing#roomAt} tells, found without asking every room. */
    Optional<Room> roomAt(Vec point) {
        var first = new int[] {Integer.MAX_VALUE};
        rooms.touching(new Box(point, point), i -> first[0] = Math.min(first[0], i));
        return first[0] == Integer.MAX_VALUE ? Optional.empty() : Optional.of(massing.rooms().get(first[0]));
    }

    BoxIndex index() {
        return index;
    }
}
