package hausbau.core.survey;

import hausbau.core.build.PlacedPiece;
import hausbau.core.kit.Piece;
import hausbau.core.massing.Massing;
import hausbau.core.measure.Box;
import hausbau.core.measure.BoxIndex;
import java.util.List;
import java.util.Map;
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

    public SurveyedSet(Massing massing, Map<Long, Piece> pieces, List<PlacedPiece> placed, Set<Long> strays) {
        this.massing = massing;
        this.pieces = pieces;
        this.placed = placed;
        this.strays = strays;
        this.boxes = placed.stream().map(PlacedPiece::box).toList();
        this.index = new BoxIndex(boxes);
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

    BoxIndex index() {
        return index;
    }
}
