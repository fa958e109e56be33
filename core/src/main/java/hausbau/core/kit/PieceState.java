package hausbau.core.kit;

import java.util.Locale;
import java.util.Optional;

/** How far a listed piece is. */
public enum PieceState {
    WANTED,
    STAND_IN,
    MODELLED,
    FINISHED;

    /**
     * The state as the kit shows it: what a person told, held to what is there. A piece that is in the kit stands in or is
     * modelled, whichever it is; only a modelled one can be finished.
     *
     * @param told  what a person told last
     * @param inKit the piece it is linked to, if that is still in the kit
     */
    public static PieceState of(PieceState told, Optional<Piece> inKit) {
        if (inKit.isEmpty()) {
            return told == STAND_IN ? WANTED : told;
        }
        if (inKit.get().isStandIn()) {
            return STAND_IN;
        }
        return told == FINISHED ? FINISHED : MODELLED;
    }

    public String label() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
