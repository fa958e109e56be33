package hausbau.server.store.set;

import hausbau.core.build.HandPlacement;
import hausbau.core.build.Stance;
import hausbau.core.kit.Kit;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;

/** What a hand set down, as it is kept in rows and in the journal. */
public record HandRow(long pieceId, long xUm, long yUm, long zUm, int quarterTurns, boolean mirrored, double freeDegrees, boolean free) {

    public static HandRow of(HandPlacement h, Kit kit) {
        var s = h.stance();
        return new HandRow(kit.id(h.kind()).orElseThrow(), s.at().x(), s.at().y(), s.at().z(), s.turn().quarters(), s.mirrored(), s.freeDegrees(), h.free());
    }

    public HandPlacement toPlacement(long id, Kit kit) {
        return new HandPlacement(id, kit.piece(pieceId).orElseThrow().kind(),
                new Stance(new Vec(xUm, yUm, zUm), new Turn(quarterTurns), mirrored, freeDegrees), free);
    }
}
