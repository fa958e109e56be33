package hausbau.core.ray;

/** Where a ray enters a box. */
final class Slabs {

    private Slabs() {}

    /** By three pairs of planes (T. Kay, J. Kajiya, 1986). @param ix one by the way, as iy and iz. @return the distance; infinite where it misses or is farther than {@code far} */
    static float enter(float[] b, int at, float ox, float oy, float oz, float ix, float iy, float iz, float far) {
        var x0 = (b[at] - ox) * ix;
        var x1 = (b[at + 3] - ox) * ix;
        var y0 = (b[at + 1] - oy) * iy;
        var y1 = (b[at + 4] - oy) * iy;
        var z0 = (b[at + 2] - oz) * iz;
        var z1 = (b[at + 5] - oz) * iz;
        var in = Math.max(Math.max(Math.min(x0, x1), Math.min(y0, y1)), Math.max(Math.min(z0, z1), 0));
        var out = Math.min(Math.min(Math.max(x0, x1), Math.max(y0, y1)), Math.min(Math.max(z0, z1), far));
        // Where a ray runs in a plane of the box, no comparison with what is no number holds: it is asked.
        return in > out ? Float.POSITIVE_INFINITY : in;
    }
}
