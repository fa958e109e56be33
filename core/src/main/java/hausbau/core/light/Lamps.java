package hausbau.core.light;

import hausbau.core.measure.Chance;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.List;

/**
 * The lamps of a piece.
 *
 * @param lit  of all that stand, so many percent are lit
 * @param seed says which of them
 */
public record Lamps(List<Lamp> all, int lit, long seed) {

    public static final Lamps NONE = new Lamps(List.of(), 100, 0);

    private static final int MOST = 20;

    public Lamps {
        all = List.copyOf(all);
        if (all.size() > MOST) {
            throw new Refused("lamps", "A piece has at most " + MOST + " lamps.");
        }
        if (lit < 0 || lit > 100) {
            throw new Refused("lit", "Of the pieces, 0 to 100 percent are lit.");
        }
    }

    public static Lamps of(Lamp... lamps) {
        return new Lamps(List.of(lamps), 100, 0);
    }

    /** Whether those of a piece are lit that stands there: by its place, so that a copy of the site is lit alike. */
    public boolean areLit(Vec at) {
        return lit == 100 || Chance.of(seed, at.x(), at.y(), at.z()) * 100 < lit;
    }
}
