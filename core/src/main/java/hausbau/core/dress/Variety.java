package hausbau.core.dress;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Refused;
import java.util.List;

/**
 * The looks that are given out among pieces of one kind.
 *
 * @param looks none: all look like the piece itself
 */
public record Variety(List<Look> looks, long seed) {

    public static final Variety NONE = new Variety(List.of(), 0);

    private static final int MOST = 20;
    private static final int HEAVIEST = 1000;

    /**
     * One way to look.
     *
     * @param kind   the piece that stands for it, of the same size; the piece itself where only the tint differs
     * @param tint   what its finishes are multiplied by, such as {@code #d8c0a0}; empty for none
     * @param wear   percent: 0 is new
     * @param weight how often it is given out against the others, from 1 to 1000
     */
    public record Look(Kind kind, String tint, int wear, int weight) {

        public Look {
            Dress.requireTint(tint);
            Dress.requireWear(wear);
            if (weight < 1 || weight > HEAVIEST) {
                throw new Refused("weight", "A weight is a whole number from 1 to " + HEAVIEST + ".");
            }
        }

        /** New. */
        public Look(Kind kind, String tint, int weight) {
            this(kind, tint, 0, weight);
        }
    }

    public Variety {
        looks = List.copyOf(looks);
        if (looks.size() > MOST) {
            throw new Refused("looks", "A piece has at most " + MOST + " looks.");
        }
    }

    /** @throws Refused if one of the looks would not fit where the piece stands */
    public Variety fitting(Kind piece) {
        for (var look : looks) {
            if (!look.kind().box().equals(piece.box())) {
                throw new Refused(
                        "pieceId",
                        "A variant takes the place of the piece, so that it must have the same size about the same pivot.");
            }
        }
        return this;
    }
}
