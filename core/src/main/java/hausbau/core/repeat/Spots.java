package hausbau.core.repeat;

import hausbau.core.measure.Lean;

/** Is told where each copy of a repeat stands. */
@FunctionalInterface
public interface Spots {

    /**
     * One copy, its pivot at a point, turned by quarters and then by degrees about it, counter-clockwise.
     *
     * @param key     lasts while the same copy stands there; from 0 below 2^40
     * @param level   how many copies lie under it
     * @param pick    which of the bodies stands there
     * @param degrees 0 where it stands exactly
     * @param lean    how it is tipped and sized before it is turned
     */
    void at(
            long key,
            int level,
            int pick,
            long x,
            long y,
            long z,
            int quarters,
            double degrees,
            boolean mirrored,
            Lean lean);

    /** One that stands upright, in its own size. */
    default void at(
            long key, int level, int pick, long x, long y, long z, int quarters, double degrees, boolean mirrored) {
        at(key, level, pick, x, y, z, quarters, degrees, mirrored, Lean.NONE);
    }
}
