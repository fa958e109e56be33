package hausbau.core.repeat;

/** Sine and cosine of fractions of a turn, equal to the last bit wherever symmetry says so. */
final class Turning {

    private Turning() {}

    /**
     * The point that far round a circle, counter-clockwise from its right, to the nearest micrometre.
     *
     * @param part of {@code of} parts of a turn; any sign
     * @return X and Y from the centre
     */
    static long[] onCircle(long radius, long part, long of) {
        // In eighths of a turn: where in which one, counted from the nearer axis.
        var p = Math.floorMod(part, of);
        var eighth = (int) (8 * p / of);
        var rest = 8 * p - eighth * of;
        var fromAxis = eighth % 2 == 0 ? rest : of - rest;
        var angle = fromAxis == 0 ? 0 : Math.PI / 4 * ((double) fromAxis / of);
        var near = Math.round(radius * StrictMath.cos(angle));
        var off = Math.round(radius * StrictMath.sin(angle));
        var swaps = eighth == 1 || eighth == 2 || eighth == 5 || eighth == 6;
        var x = swaps ? off : near;
        var y = swaps ? near : off;
        return new long[] {eighth >= 2 && eighth <= 5 ? -x : x, eighth >= 4 ? -y : y};
    }

    /** Quarters of a turn where it is some exactly, else -1. */
    static int quarters(long part, long of) {
        var p = Math.floorMod(part, of);
        return 4 * p % of == 0 ? (int) (4 * p / of) : -1;
    }
}
