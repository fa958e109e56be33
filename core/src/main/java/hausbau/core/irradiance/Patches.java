package hausbau.core.irradiance;

import hausbau.core.light.Rgb;
import java.util.Arrays;

/**
 * Surfaces in pieces as large as the spacing, told apart by which cube of space they lie in and which way they face. Each is known by up to
 * {@value #POINTS} points of it that were met first.
 */
final class Patches {

    static final int POINTS = 4;
    private static final int BITS = 20;
    private static final int MIDDLE = 1 << BITS - 1;
    private static final long NONE = -1;

    private final double size;
    private long[] keys = new long[1 << 12];
    private int[] numbers = new int[1 << 12];
    private int count;

    /** Six numbers a point: where it is, and the way it faces. */
    float[] points = new float[6 * POINTS << 10];

    int[] pointsOf = new int[1 << 10];
    /** The sum of what its points throw back, three numbers each. */
    float[] albedo = new float[3 << 10];
    /** The same of what they give of themselves, cd/m². */
    float[] glow = new float[3 << 10];

    Patches(double size) {
        this.size = size;
        Arrays.fill(keys, NONE);
    }

    int count() {
        return count;
    }

    /** @param nx the way it faces, one long, as ny and nz */
    long key(float x, float y, float z, float nx, float ny, float nz) {
        var ax = Math.abs(nx);
        var ay = Math.abs(ny);
        var az = Math.abs(nz);
        var side = ax >= ay && ax >= az ? nx > 0 ? 0 : 1 : ay >= az ? ny > 0 ? 2 : 3 : nz > 0 ? 4 : 5;
        // A little before the surface, so that what lies on the face of a cube is not now in one and now in the other.
        return ((along(x + nx * 0.01) << BITS | along(y + ny * 0.01)) << BITS | along(z + nz * 0.01)) * 6 + side;
    }

    private long along(double at) {
        return (long) Math.floor(at / size) + MIDDLE & (1L << BITS) - 1;
    }

    /** The number of the patch of a key; a new one where there is none. */
    int number(long key) {
        var at = slot(key);
        if (keys[at] == key) {
            return numbers[at];
        }
        if (2 * count > keys.length) {
            widen();
            at = slot(key);
        }
        keys[at] = key;
        numbers[at] = count;
        if (count == pointsOf.length) {
            pointsOf = Arrays.copyOf(pointsOf, 2 * count);
            points = Arrays.copyOf(points, 2 * points.length);
            albedo = Arrays.copyOf(albedo, 2 * albedo.length);
            glow = Arrays.copyOf(glow, 2 * glow.length);
        }
        return count++;
    }

    private int slot(long key) {
        var mask = keys.length - 1;
        var at = (int) ((key * 0x9E3779B97F4A7C15L) >>> 40) & mask;
        while (keys[at] != NONE && keys[at] != key) {
            at = at + 1 & mask;
        }
        return at;
    }

    private void widen() {
        var was = keys;
        var of = numbers;
        keys = new long[2 * was.length];
        numbers = new int[2 * was.length];
        Arrays.fill(keys, NONE);
        for (var i = 0; i < was.length; i++) {
            if (was[i] != NONE) {
                var at = slot(was[i]);
                keys[at] = was[i];
                numbers[at] = of[i];
            }
        }
    }

    boolean isFull(int patch) {
        return pointsOf[patch] == POINTS;
    }

    void add(int patch, float[] at, int from, Shine shine) {
        System.arraycopy(at, from, points, 6 * (POINTS * patch + pointsOf[patch]++), 6);
        sum(albedo, patch, shine.albedo());
        sum(glow, patch, shine.glow());
    }

    private static void sum(float[] of, int patch, Rgb light) {
        of[3 * patch] += (float) light.r();
        of[3 * patch + 1] += (float) light.g();
        of[3 * patch + 2] += (float) light.b();
    }
}
