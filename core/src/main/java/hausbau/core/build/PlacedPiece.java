package hausbau.core.build;

import hausbau.core.kit.Piece;
import hausbau.core.measure.Box;
import java.util.List;

/** A placement together with the piece it uses. */
public record PlacedPiece(Placement placement, Piece piece) {

    public long id() {
        return placement.id();
    }

    public Box box() {
        return placement.stance().box(piece);
    }

    public List<Box> solids() {
        return placement.stance().solids(piece);
    }
}
