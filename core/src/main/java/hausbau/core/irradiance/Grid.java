package hausbau.core.irradiance;

/**
 * Where light is known: places in rows, {@code x} first.
 *
 * @param x least place, metres, as y and z
 * @param spacing between neighbours, metres
 */
public record Grid(double x, double y, double z, double spacing, int nx, int ny, int nz) {

    /** No volume has more places: with all that is worked out for each of them, some 300 bytes, it stays below 100 MB. */
    static final int MOST = 200_000;

    private static final double COARSER = 1.25;

    /** @param bounds least x, y, z, greatest x, y, z. @param spacing metres; wider where there would be more than {@link #MOST} places */
    public static Grid over(float[] bounds, double spacing) {
        var wide = spacing;
        while (places(bounds, wide) > MOST) {
            wide *= COARSER;
        }
        // Half of the spacing around it, so that what lies on its faces lies between places.
        return new Grid(
                bounds[0] - wide / 2,
                bounds[1] - wide / 2,
                bounds[2] - wide / 2,
                wide,
                along(bounds, 0, wide),
                along(bounds, 1, wide),
                along(bounds, 2, wide));
    }

    private static int along(float[] bounds, int axis, double spacing) {
        return (int) Math.ceil((bounds[3 + axis] - bounds[axis]) / spacing) + 2;
    }

    private static double places(float[] bounds, double spacing) {
        return (double) along(bounds, 0, spacing) * along(bounds, 1, spacing) * along(bounds, 2, spacing);
    }

    public int size() {
        return nx * ny * nz;
    }

    double xOf(int place) {
        return x + place % nx * spacing;
    }

    double yOf(int place) {
        return y + place / nx % ny * spacing;
    }

    double zOf(int place) {
        return z + place / (nx * ny) * spacing;
    }

    /** Neighbours have others. */
    int setOf(int place) {
        return place % nx % 2 + place / nx % ny % 2 * 2 + place / (nx * ny) % 2 * 4;
    }

    /** The neighbour toward one of six sides: less x, more x, less y, more y, less z, more z; -1 where there is none. */
    int beside(int place, int side) {
        var at = side < 2 ? place % nx : side < 4 ? place / nx % ny : place / (nx * ny);
        var most = side < 2 ? nx : side < 4 ? ny : nz;
        var step = side < 2 ? 1 : side < 4 ? nx : nx * ny;
        var to = at + (side % 2 == 0 ? -1 : 1);
        return to < 0 || to >= most ? -1 : place + (side % 2 == 0 ? -step : step);
    }
}
