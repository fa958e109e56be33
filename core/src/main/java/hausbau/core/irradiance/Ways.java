package hausbau.core.irradiance;

/**
 * Ways spread evenly over the sphere along a spiral (R. Swinbank, R. Purser, Fibonacci grids, 2006), in {@value #SETS} sets that lie between
 * one another, so that neighbours that use one each see together with as many ways as all sets have.
 */
final class Ways {

    static final int SETS = 8;
    private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

    final int count;
    private final float[][] ways = new float[SETS][];

    /** @param count of one set */
    Ways(int count) {
        this.count = count;
        for (var set = 0; set < SETS; set++) {
            ways[set] = new float[3 * count];
            for (var i = 0; i < count; i++) {
                var number = SETS * i + set;
                var z = 1 - 2 * (number + 0.5) / (SETS * count);
                var flat = Math.sqrt(1 - z * z);
                var turn = 2 * Math.PI * (number * GOLDEN % 1);
                ways[set][3 * i] = (float) (flat * StrictMath.cos(turn));
                ways[set][3 * i + 1] = (float) (flat * StrictMath.sin(turn));
                ways[set][3 * i + 2] = (float) z;
            }
        }
    }

    /** Three numbers a way. */
    float[] set(int set) {
        return ways[set];
    }
}
