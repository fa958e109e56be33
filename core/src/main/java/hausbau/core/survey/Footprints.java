package hausbau.core.survey;

/** Convex outlines in plan, in micrometres: do they share area? By separating axes (Gottschalk, Lin and Manocha 1996). */
final class Footprints {

    /** Outlines that share less depth than this only touch. */
    private static final double TOUCH_UM = 1;

    private Footprints() {
    }

    static boolean overlap(double[][] a, double[][] b) {
        return !separated(a, b) && !separated(b, a);
    }

    /** Whether an edge normal of the first separates the two. */
    private static boolean separated(double[][] a, double[][] b) {
        for (var i = 0; i < a.length; i++) {
            var next = a[(i + 1) % a.length];
            var nx = a[i][1] - next[1];
            var ny = next[0] - a[i][0];
            var length = Math.hypot(nx, ny);
            if (length > 0 && overlapAlong(a, b, nx / length, ny / length) <= TOUCH_UM) {
                return true;
            }
        }
        return false;
    }

    private static double overlapAlong(double[][] a, double[][] b, double nx, double ny) {
        var loA = Double.POSITIVE_INFINITY;
        var hiA = Double.NEGATIVE_INFINITY;
        for (var p : a) {
            loA = Math.min(loA, p[0] * nx + p[1] * ny);
            hiA = Math.max(hiA, p[0] * nx + p[1] * ny);
        }
        var loB = Double.POSITIVE_INFINITY;
        var hiB = Double.NEGATIVE_INFINITY;
        for (var p : b) {
            loB = Math.min(loB, p[0] * nx + p[1] * ny);
            hiB = Math.max(hiB, p[0] * nx + p[1] * ny);
        }
        return Math.min(hiA, hiB) - Math.max(loA, loB);
    }
}
