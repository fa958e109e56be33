package hausbau.server.store.set;

import hausbau.core.kit.Kit;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Stance;
import org.jspecify.annotations.Nullable;

/**
 * What a hand set down, as it is kept in rows and in the journal.
 *
 * @param lean null where it stands upright in its own size
 */
public record HandRow(
        long pieceId,
        long xUm,
        long yUm,
        long zUm,
        int quarterTurns,
        boolean mirrored,
        double freeDegrees,
        boolean free,
        @Nullable Lean lean) {

    double tilt() {
        return lean == null ? 0 : lean.tilt();
    }

    double roll() {
        return lean == null ? 0 : lean.roll();
    }

    double scale() {
        return lean == null ? 1 : lean.scale();
    }

    public static HandRow of(HandPlacement h, Kit kit) {
        var s = h.stance();
        return new HandRow(
                kit.id(h.kind()).orElseThrow(),
                s.at().x(),
                s.at().y(),
                s.at().z(),
                s.turn().quarters(),
                s.mirrored(),
                s.freeDegrees(),
                h.free(),
                Leans.told(s.lean()));
    }

    public HandPlacement toPlacement(long id, Kit kit) {
        return new HandPlacement(
                id,
                kit.piece(pieceId).orElseThrow().kind(),
                new Stance(new Vec(xUm, yUm, zUm), new Turn(quarterTurns), mirrored, freeDegrees, Leans.read(lean)),
                free);
    }
}
