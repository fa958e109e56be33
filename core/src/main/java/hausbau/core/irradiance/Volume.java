package hausbau.core.irradiance;

import hausbau.core.light.Rgb;
import java.util.stream.IntStream;

/**
 * The light that arrives in each place of a grid, straight from the sky or from surfaces, but not straight from sun and lamps: as far as a
 * mean and a slope tell it (spherical harmonics of two bands; R. Ramamoorthi, P. Hanrahan, 2001).
 *
 * @param light {@value #NUMBERS} numbers a place: of red, of green and of blue each the mean and the slope along x, y and z. What faces
 *              a way gets about the mean and the slope along it, lux, see {@link #at}
 * @param walls a byte a place: bits of the sides, as {@link Grid#beside} counts them, toward which something is between it and its neighbour;
 *              64 where it is inside of something
 */
public record Volume(Grid grid, float[] light, byte[] walls) {

    public static final int NUMBERS = 12;

    static void add(float[] light, int place, float[] ways, int way, Rgb from, int rays) {
        var mean = Math.PI / rays;
        var slope = 2 * Math.PI / rays;
        var at = NUMBERS * place;
        for (var k = 0; k < 3; k++) {
            var of = k == 0 ? from.r() : k == 1 ? from.g() : from.b();
            light[at + 4 * k] += (float) (mean * of);
            light[at + 4 * k + 1] += (float) (slope * of * ways[3 * way]);
            light[at + 4 * k + 2] += (float) (slope * of * ways[3 * way + 1]);
            light[at + 4 * k + 3] += (float) (slope * of * ways[3 * way + 2]);
        }
    }

    private boolean isInside(int place) {
        return (walls[place] & Transport.INSIDE_BIT) != 0;
    }

    private boolean isOpen(int place, int side) {
        return (walls[place] & 1 << side) == 0;
    }

    /** Places inside of something get what their neighbours have, so that what lies on a surface is not darkened by them. */
    Volume filled() {
        var next = light.clone();
        IntStream.range(0, grid.size()).parallel().filter(this::isInside).forEach(place -> {
            var n = 0;
            var sum = new float[NUMBERS];
            for (var side = 0; side < 6; side++) {
                var to = grid.beside(place, side);
                if (to >= 0 && !isInside(to)) {
                    n++;
                    for (var k = 0; k < NUMBERS; k++) {
                        sum[k] += light[NUMBERS * to + k];
                    }
                }
            }
            for (var k = 0; k < NUMBERS; k++) {
                next[NUMBERS * place + k] = n == 0 ? 0 : sum[k] / n;
            }
        });
        return new Volume(grid, next, walls);
    }

    /** Over neighbours that nothing parts, half of each place and a quarter of both sides, along one axis after the other: so all sets of ways count alike. */
    Volume smoothed() {
        var from = this;
        for (var axis = 0; axis < 3; axis++) {
            from = from.smoothed(axis);
        }
        return from;
    }

    private Volume smoothed(int axis) {
        var next = new float[light.length];
        IntStream.range(0, grid.size()).parallel().forEach(place -> {
            var low = open(place, 2 * axis);
            var high = open(place, 2 * axis + 1);
            for (var k = 0; k < NUMBERS; k++) {
                next[NUMBERS * place + k] =
                        light[NUMBERS * place + k] / 2 + light[NUMBERS * low + k] / 4 + light[NUMBERS * high + k] / 4;
            }
        });
        return new Volume(grid, next, walls);
    }

    /** The neighbour on a side; the place itself where something is between. */
    private int open(int place, int side) {
        var to = grid.beside(place, side);
        return to < 0 || !isOpen(place, side) || isInside(to) || isInside(place) ? place : to;
    }

    /** What a surface in a place of the grid gets that faces this way, one long; lux. */
    public Rgb at(int place, double x, double y, double z) {
        var lux = new double[3];
        for (var k = 0; k < 3; k++) {
            var at = NUMBERS * place + 4 * k;
            lux[k] = facing(light[at], light[at + 1], light[at + 2], light[at + 3], x, y, z);
        }
        return new Rgb(lux[0], lux[1], lux[2]);
    }

    /**
     * What faces a way gets, of a mean and a slope: not along a straight line, which would be below 0 at the back of light from one side, but
     * along the power of a cosine that has the same mean and slope and ends at 0 (C. McTaggart, A Non-Linear Reconstruction of L1, 2012; from memory).
     */
    private static double facing(double mean, double sx, double sy, double sz, double x, double y, double z) {
        var slope = Math.sqrt(sx * sx + sy * sy + sz * sz);
        if (mean <= 0 || slope == 0) {
            return Math.max(0, mean);
        }
        var one = Math.min(1, slope / 2 / mean);
        var toward = (1 + (sx * x + sy * y + sz * z) / slope) / 2;
        var power = 1 + 2 * one;
        var all = (1 - one) / (1 + one);
        return mean * (all + (1 - all) * (power + 1) * Math.pow(Math.max(0, toward), power));
    }
}
