package hausbau.core.dress;

import hausbau.core.measure.Refused;
import java.util.regex.Pattern;

/**
 * How a placement is dressed by hand, or all that is in a room.
 *
 * @param tint      what its finishes are multiplied by, such as {@code #d8c0a0}; empty where nothing is told
 * @param wear      percent: 0 is new; {@link #UNTOLD} where nothing is told
 * @param colourway its id; 0 for the site's
 * @param lamps     how bright its lamps are, percent, 0 is off; {@link #UNTOLD} where nothing is told
 */
public record Dress(String tint, int wear, long colourway, int lamps) {

    public static final int UNTOLD = -1;
    private static final int MOST_LAMPS = 200;
    public static final Dress NONE = new Dress("", UNTOLD, 0, UNTOLD);

    private static final Pattern TINT = Pattern.compile("#[0-9a-f]{6}");

    /** @throws Refused if a value is not within its range */
    public Dress {
        requireTint(tint);
        if (wear != UNTOLD) {
            requireWear(wear);
        }
        if (lamps != UNTOLD && (lamps < 0 || lamps > MOST_LAMPS)) {
            throw new Refused("lamps", "Lamps are from 0 (off) to " + MOST_LAMPS + " percent.");
        }
    }

    public Dress(String tint, int wear, long colourway) {
        this(tint, wear, colourway, UNTOLD);
    }

    static void requireTint(String tint) {
        if (!tint.isEmpty() && !TINT.matcher(tint).matches()) {
            throw new Refused("tint", "A tint is written as # and six digits or letters from a to f.");
        }
    }

    static void requireWear(int wear) {
        if (wear < 0 || wear > 100) {
            throw new Refused("wear", "Wear is from 0 to 100 percent.");
        }
    }

    /** What is told here, and of the rest what is told there. */
    public Dress over(Dress under) {
        return new Dress(
                tint.isEmpty() ? under.tint : tint,
                wear == UNTOLD ? under.wear : wear,
                colourway == 0 ? under.colourway : colourway,
                lamps == UNTOLD ? under.lamps : lamps);
    }
}
