package hausbau.core.measure;

/**
 * Numbers that look random and follow from a seed and up to three others: the same on every machine, and each by itself, so that
 * one copy keeps what it drew when there are more of them. The finaliser of SplittableRandom (G. Steele and others, 2014).
 */
public final class Chance {

    private Chance() {}

    private static long mixed(long z) {
        var a = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
        var b = (a ^ a >>> 27) * 0x94D049BB133111EBL;
        return b ^ b >>> 31;
    }

    /** From 0 below 1. */
    public static double of(long seed, long a, long b, long what) {
        return (mixed(mixed(mixed(seed + 0x9E3779B97F4A7C15L * (what + 1)) + a) + 0x632BE59BD9B4E019L * (b + 1)) >>> 11)
                * 0x1.0p-53;
    }
}
