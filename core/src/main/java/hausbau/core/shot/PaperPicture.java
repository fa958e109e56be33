package hausbau.core.shot;

import hausbau.core.shape.Point;

/**
 * Draws what is seen as on paper: pale surfaces lit from one side, outlines in ink, joints between flush pieces thin, and
 * what is cut open in ink. Each pixel of the answer is the mean of {@value #FINER} by {@value #FINER} of what is seen.
 */
public final class PaperPicture {

    /** So many pixels of what is seen, across and down, make one. */
    public static final int FINER = 2;

    private static final int GROUND = 0xF4F1EA;
    private static final int SURFACE = 0xE9E4D8;
    private static final int INK = 0x22303C;
    private static final int CUT = 0x4A5560;
    private static final Point LIGHT = new Point(-0.35, -0.5, 0.79).unit();
    /** Neighbours whose surfaces lie otherwise than this cosine are an edge. */
    private static final double EDGE = 0.85;
    /** One that lies farther away by this part is behind. */
    private static final double BEHIND = 0.03;

    private static final double OUTLINE = 0.8;
    private static final double JOINT = 0.22;

    private final DepthPicture seen;

    private PaperPicture(DepthPicture seen) {
        this.seen = seen;
    }

    /** @return a row after the other, 0xRRGGBB each; a {@value #FINER}th as wide and as high */
    public static int[] of(DepthPicture seen) {
        return new PaperPicture(seen).pixels();
    }

    private int[] pixels() {
        var width = seen.width() / FINER;
        var height = seen.height() / FINER;
        var pixels = new int[width * height];
        for (var y = 0; y < height; y++) {
            for (var x = 0; x < width; x++) {
                pixels[y * width + x] = mean(x * FINER, y * FINER);
            }
        }
        return pixels;
    }

    private int mean(int x0, int y0) {
        var sum = new int[3];
        for (var y = y0; y < y0 + FINER; y++) {
            for (var x = x0; x < x0 + FINER; x++) {
                var colour = colour(x, y);
                for (var i = 0; i < 3; i++) {
                    sum[i] += colour >> 16 - 8 * i & 0xFF;
                }
            }
        }
        var n = FINER * FINER;
        return sum[0] / n << 16 | sum[1] / n << 8 | sum[2] / n;
    }

    private int colour(int x, int y) {
        var ink = Math.max(line(x, y, x + 1, y), line(x, y, x, y + 1));
        return mix(surface(x, y), INK, ink);
    }

    private int surface(int x, int y) {
        if (seen.thing(x, y) == 0) {
            return GROUND;
        }
        if (seen.isFromBehind(x, y)) {
            return CUT;
        }
        var lit = Math.max(0, seen.normal(x, y).dot(LIGHT));
        return mix(INK, SURFACE, Math.min(1, 0.66 + 0.4 * lit));
    }

    /** How much ink lies between two pixels. */
    private double line(int x, int y, int nextX, int nextY) {
        if (nextX >= seen.width()
                || nextY >= seen.height()
                || seen.thing(x, y) == seen.thing(nextX, nextY) && seen.thing(x, y) == 0) {
            return 0;
        }
        var here = seen.depth(x, y);
        var there = seen.depth(nextX, nextY);
        var isFlush = Math.abs(here - there) <= BEHIND * Math.min(here, there)
                && seen.normal(x, y).dot(seen.normal(nextX, nextY)) >= EDGE;
        if (!isFlush) {
            return OUTLINE;
        }
        return seen.thing(x, y) == seen.thing(nextX, nextY) ? 0 : JOINT;
    }

    private static int mix(int from, int to, double part) {
        var mixed = 0;
        for (var shift = 16; shift >= 0; shift -= 8) {
            var a = from >> shift & 0xFF;
            var b = to >> shift & 0xFF;
            mixed |= (int) Math.round(a + (b - a) * part) << shift;
        }
        return mixed;
    }
}
