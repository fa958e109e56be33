package hausbau.core.finish;

import hausbau.core.measure.Fault;
import java.util.List;

/**
 * Light that a finish gives of itself, to all sides of its surface alike.
 *
 * @param colour {@code #rrggbb} in sRGB (IEC 61966-2-1)
 * @param nits   how bright it is, cd/m²; 0 to {@value #MOST}, 0 is not at all
 * @param lit    percent of the placements that glow, by their seed
 */
public record Glow(String colour, int nits, int lit) {

    private static final int MOST = 1_000_000;

    public static final Glow NONE = new Glow("#ffffff", 0, 100);

    void check(List<Fault> faults) {
        Coat.colour(faults, "glowColour", colour);
        if (nits < 0 || nits > MOST) {
            faults.add(new Fault("glow", "A glow is from 0 to " + MOST + " cd/m²."));
        }
        Coat.percent(faults, "glowLit", lit);
    }
}
