package hausbau.core.finish;

/**
 * Smooth noise that tiles: values at lattice points, blended with Perlin's fade curve ("Improving Noise", 2002), summed over octaves.
 * The lattice has whole periods, so the right edge goes on at the left one.
 */
final class Noise {

    private final long seed;

    Noise(long seed) {
        this.seed = seed;
    }

    /** 0 to 1, for a lattice point; the same for the same place. */
    double at(int x, int y) {
        // The finaliser of MurmurHash3, 64 bit.
        var h = seed * 0x9E3779B97F4A7C15L + x * 0xC2B2AE3D27D4EB4FL + y * 0x165667B19E3779F9L;
        h ^= h >>> 33;
        h *= 0xFF51AFD7ED558CCDL;
        h ^= h >>> 33;
        h *= 0xC4CEB9FE1A85EC53L;
        h ^= h >>> 33;
        return (h >>> 11) * 0x1p-53;
    }

    /** @param u and @param v 0 to 1 across the sheet, @param cellsX and @param cellsY lattice cells across it. @return 0 to 1 */
    double smooth(double u, double v, int cellsX, int cellsY) {
        var x = u * cellsX;
        var y = v * cellsY;
        var ix = (int) Math.floor(x);
        var iy = (int) Math.floor(y);
        var fx = fade(x - ix);
        var fy = fade(y - iy);
        var x0 = Math.floorMod(ix, cellsX);
        var x1 = Math.floorMod(ix + 1, cellsX);
        var y0 = Math.floorMod(iy, cellsY);
        var y1 = Math.floorMod(iy + 1, cellsY);
        return mix(mix(at(x0, y0), at(x1, y0), fx), mix(at(x0, y1), at(x1, y1), fx), fy);
    }

    /** Octaves, each twice as fine and half as strong. @return 0 to 1, about a half */
    double clouds(double u, double v, int cellsX, int cellsY, int octaves) {
        var sum = 0.0;
        var weight = 0.0;
        for (var i = 0; i < octaves; i++) {
            var w = 1.0 / (1 << i);
            sum += w * smooth(u, v, cellsX << i, cellsY << i);
            weight += w;
        }
        return sum / weight;
    }

    static double mix(double a, double b, double t) {
        return a + (b - a) * t;
    }

    /** 0 below one edge, 1 above the other, smooth between. */
    static double step(double low, double high, double v) {
        return fade(Math.max(0, Math.min(1, (v - low) / (high - low))));
    }

    private static double fade(double t) {
        return t * t * t * (t * (t * 6 - 15) + 10);
    }
}
