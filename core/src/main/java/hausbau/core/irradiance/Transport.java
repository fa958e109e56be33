package hausbau.core.irradiance;

import hausbau.core.light.Mood;
import hausbau.core.light.Rgb;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.stream.IntStream;

/**
 * How light gets about a set, whatever light it is: what each place of a volume sees in all ways, and what each patch of surface sees before it.
 * Other light needs no more rays than those that ask whether a patch is lit.
 *
 * <p>Patches exchange light as in radiosity (C. Goral and others, 1984), with form factors by rays, until nothing more changes.
 */
public final class Transport {

    /** So many rays a place. */
    static final int RAYS = 64;
    /** So many ways a patch, of which half lie before it. */
    private static final int PATCH_WAYS = 160;
    /** Nothing is there but sky and ground. */
    private static final int SKY = -1;
    /** The back of a surface: nothing comes from there. */
    private static final int BACK = -2;
    /** A place that sees more backs than this is inside something. */
    private static final double INSIDE = 0.25;
    /** So far before a surface a ray begins, metres. */
    private static final double OFF = 0.002;

    private static final double FAR = 1e6;
    private static final int AT_ONCE = 2048;
    private static final int MOST_BOUNCES = 64;
    private static final double ENOUGH = 0.002;

    private static final Ways PLACES = new Ways(RAYS);
    private static final Ways PATCHES = new Ways(PATCH_WAYS);
    private static final ThreadLocal<LitScene.Rays> RAYS_OF_THREAD = ThreadLocal.withInitial(LitScene.Rays::new);

    private final LitScene lit;
    private final Grid grid;
    private final Patches patches;
    /** What each place sees: a patch, or one of the above. */
    private final int[] seen;
    /** Of each place: bits of the sides that are walled off, and one where it is inside something. */
    private final byte[] walls;
    /** What each patch sees before it, {@value #PATCH_WAYS} a patch; what lies behind is not asked. */
    private int[] faced = new int[0];

    private final Panes seenThrough = new Panes();
    private final Panes facedThrough = new Panes();

    static final int INSIDE_BIT = 64;

    private Transport(LitScene lit, Grid grid) {
        this.lit = lit;
        this.grid = grid;
        patches = new Patches(grid.spacing());
        seen = new int[grid.size() * RAYS];
        walls = new byte[grid.size()];
    }

    /** @param reach is told how much is done, 0 to 1, and may throw to end it */
    public static Transport of(LitScene lit, Grid grid, DoubleConsumer reach) {
        var transport = new Transport(lit, grid);
        transport.look(share -> reach.accept(0.75 * share));
        transport.face(share -> reach.accept(0.75 + 0.25 * share));
        return transport;
    }

    public Grid grid() {
        return grid;
    }

    /** Bytes that it holds. */
    public long bytes() {
        return 4L * seen.length
                + walls.length
                + 4L * faced.length
                + 128L * patches.count()
                + seenThrough.bytes()
                + facedThrough.bytes();
    }

    /** What a number of rays met, before patches are told from one another: in the order of their places, so that it is the same however many threads cast. */
    private static final class Met {

        final long[] keys;
        final float[] at;
        final int[] thing;
        final int[] mark;
        /** Of the panes on the way. */
        final Rgb[] through;

        Met(int rays) {
            keys = new long[rays];
            at = new float[6 * rays];
            thing = new int[rays];
            mark = new int[rays];
            through = new Rgb[rays];
        }
    }

    private void look(DoubleConsumer reach) {
        var met = new Met(AT_ONCE * RAYS);
        for (var from = 0; from < grid.size(); from += AT_ONCE) {
            var first = from;
            var n = Math.min(AT_ONCE, grid.size() - from);
            IntStream.range(0, n).parallel().forEach(i -> look(first + i, met, i * RAYS));
            name(met, n * RAYS, seen, from * RAYS, seenThrough);
            reach.accept((from + n) / (double) grid.size());
        }
        for (var place = 0; place < grid.size(); place++) {
            var backs = 0;
            for (var i = 0; i < RAYS; i++) {
                backs += seen[place * RAYS + i] == BACK ? 1 : 0;
            }
            if (backs > INSIDE * RAYS) {
                walls[place] |= INSIDE_BIT;
            }
        }
    }

    private void look(int place, Met met, int at) {
        var rays = RAYS_OF_THREAD.get();
        var ray = rays.ray;
        var ways = PLACES.set(grid.setOf(place));
        var x = grid.xOf(place);
        var y = grid.yOf(place);
        var z = grid.zOf(place);
        for (var i = 0; i < RAYS; i++) {
            ray.from(x, y, z, ways[3 * i], ways[3 * i + 1], ways[3 * i + 2], FAR);
            cast(rays, met, at + i, (long) place * RAYS + i);
        }
        for (var side = 0; side < 6; side++) {
            var to = grid.beside(place, side);
            if (to >= 0
                    && lit.scene()
                            .isBlocked(ray.from(x, y, z, grid.xOf(to) - x, grid.yOf(to) - y, grid.zOf(to) - z, 1))) {
                walls[place] |= (byte) (1 << side);
            }
        }
    }

    private void cast(LitScene.Rays rays, Met met, int at, long number) {
        var crossed = lit.cast(rays, number);
        met.through[at] = crossed.colour();
        if (crossed.thing() < 0) {
            met.keys[at] = SKY;
            return;
        }
        var ray = rays.met;
        var isPane = crossed.thing() >= lit.scene().size();
        if (ray.isFromBehind() && !isPane) {
            met.keys[at] = BACK;
            return;
        }
        // A pane is seen from both sides.
        var length = (float) Math.sqrt(
                        ray.normalX() * ray.normalX() + ray.normalY() * ray.normalY() + ray.normalZ() * ray.normalZ())
                * (ray.isFromBehind() ? -1 : 1);
        var nx = ray.normalX() / length;
        var ny = ray.normalY() / length;
        var nz = ray.normalZ() / length;
        met.keys[at] = patches.key(ray.x(), ray.y(), ray.z(), nx, ny, nz);
        met.at[6 * at] = ray.x();
        met.at[6 * at + 1] = ray.y();
        met.at[6 * at + 2] = ray.z();
        met.at[6 * at + 3] = nx;
        met.at[6 * at + 4] = ny;
        met.at[6 * at + 5] = nz;
        met.thing[at] = crossed.thing();
        met.mark[at] = ray.triangle();
    }

    private void name(Met met, int n, int[] into, int at, Panes through) {
        for (var i = 0; i < n; i++) {
            var key = met.keys[i];
            through.set(at + i, met.through[i]);
            if (key < 0) {
                into[at + i] = (int) key;
                continue;
            }
            var patch = patches.number(key);
            into[at + i] = patch;
            if (!patches.isFull(patch)) {
                patches.add(patch, met.at, 6 * i, lit.surfaces().of(met.thing[i], met.mark[i]));
            }
        }
    }

    /** Patches that others see are asked in turn what they see, until there are no more. */
    private void face(DoubleConsumer reach) {
        var met = new Met(AT_ONCE * PATCH_WAYS);
        for (var from = 0; from < patches.count(); ) {
            var first = from;
            var n = Math.min(AT_ONCE, patches.count() - from);
            faced = Arrays.copyOf(faced, Math.max(faced.length, (from + n) * PATCH_WAYS));
            IntStream.range(0, n).parallel().forEach(i -> face(first + i, met, i * PATCH_WAYS));
            name(met, n * PATCH_WAYS, faced, from * PATCH_WAYS, facedThrough);
            from += n;
            reach.accept(from / (double) patches.count());
        }
    }

    private void face(int patch, Met met, int at) {
        var rays = RAYS_OF_THREAD.get();
        var ray = rays.ray;
        var ways = PATCHES.set(patch % Ways.SETS);
        var p = patches.points;
        for (var i = 0; i < PATCH_WAYS; i++) {
            var from = 6 * (Patches.POINTS * patch + i % patches.pointsOf[patch]);
            var x = ways[3 * i];
            var y = ways[3 * i + 1];
            var z = ways[3 * i + 2];
            if (x * p[from + 3] + y * p[from + 4] + z * p[from + 5] <= 0) {
                met.keys[at + i] = BACK;
                met.through[at + i] = Panes.CLEAR;
                continue;
            }
            ray.from(
                    p[from] + OFF * p[from + 3],
                    p[from + 1] + OFF * p[from + 4],
                    p[from + 2] + OFF * p[from + 5],
                    x,
                    y,
                    z,
                    FAR);
            cast(rays, met, at + i, -(long) (patch + 1) * PATCH_WAYS - i);
        }
    }

    /** The volume in some light. @param lamps how bright the lamps and what glows are, as a share of what is told */
    public Volume in(Mood.Around around, double lamps) {
        var direct = direct(around, lamps);
        var sent = exchange(direct, sky(around, PATCHES), lamps);
        return gather(sent, sky(around, PLACES));
    }

    private static Rgb[][] sky(Mood.Around around, Ways ways) {
        var sky = new Rgb[Ways.SETS][ways.count];
        for (var set = 0; set < Ways.SETS; set++) {
            var of = ways.set(set);
            for (var i = 0; i < ways.count; i++) {
                sky[set][i] = around.from(of[3 * i], of[3 * i + 1], of[3 * i + 2]);
            }
        }
        return sky;
    }

    /** What comes straight from the sun and the lamps, lux by patch. */
    private float[] direct(Mood.Around around, double lamps) {
        var lux = new float[3 * patches.count()];
        IntStream.range(0, patches.count()).parallel().forEach(patch -> {
            var rays = RAYS_OF_THREAD.get();
            var n = patches.pointsOf[patch];
            for (var i = 0; i < n; i++) {
                direct(patch, 6 * (Patches.POINTS * patch + i), around, lamps, rays, lux, 1.0 / n);
            }
        });
        return lux;
    }

    private void direct(
            int patch, int at, Mood.Around around, double lamps, LitScene.Rays rays, float[] lux, double part) {
        var p = patches.points;
        var nx = p[at + 3];
        var ny = p[at + 4];
        var nz = p[at + 5];
        var x = p[at] + OFF * nx;
        var y = p[at + 1] + OFF * ny;
        var z = p[at + 2] + OFF * nz;
        for (var beam : around.beams()) {
            var to = beam.toward();
            var cos = nx * to.x() + ny * to.y() + nz * to.z();
            if (cos > 0) {
                rays.ray.from(x, y, z, to.x(), to.y(), to.z(), FAR);
                add(lux, patch, beam.lux().times(lit.along(rays)), cos * part);
            }
        }
        for (var lamp : lamps > 0 ? lit.lamps() : List.<LitScene.Shining>of()) {
            var from = lamp.emitter();
            var dx = from.at().x() - x;
            var dy = from.at().y() - y;
            var dz = from.at().z() - z;
            var square = dx * dx + dy * dy + dz * dz;
            if (square >= from.reach() * from.reach()) {
                continue;
            }
            var far = Math.sqrt(square);
            var cos = (dx * nx + dy * ny + dz * nz) / far;
            var way = from.way();
            var share = from.share(-(dx * way.x() + dy * way.y() + dz * way.z()) / far);
            if (cos > 0 && share > 0) {
                add(
                        lux,
                        patch,
                        from.candela().times(lit.from(lamp, rays, x, y, z)),
                        cos * share * from.onFacing(far) * part * lamps);
            }
        }
    }

    private static void add(float[] lux, int patch, Rgb light, double part) {
        lux[3 * patch] += (float) (light.r() * part);
        lux[3 * patch + 1] += (float) (light.g() * part);
        lux[3 * patch + 2] += (float) (light.b() * part);
    }

    /** How bright each patch comes to be, cd/m². */
    private float[] exchange(float[] direct, Rgb[][] sky, double lamps) {
        var n = patches.count();
        var back = new float[3 * n];
        var glow = new float[3 * n];
        for (var i = 0; i < back.length; i++) {
            back[i] = (float) (patches.albedo[i] / patches.pointsOf[i / 3] / Math.PI);
            glow[i] = (float) (lamps * patches.glow[i] / patches.pointsOf[i / 3]);
        }
        var from = new float[3 * n];
        for (var bounce = 0; bounce < MOST_BOUNCES; bounce++) {
            var was = from;
            var is = new float[3 * n];
            IntStream.range(0, n).parallel().forEach(patch -> exchange(patch, direct, sky, back, glow, was, is));
            from = is;
            var changed = 0.0;
            var all = 0.0;
            for (var i = 0; i < is.length; i++) {
                changed += Math.abs(is[i] - was[i]);
                all += is[i];
            }
            if (changed <= ENOUGH * all) {
                break;
            }
        }
        return from;
    }

    private void exchange(int patch, float[] direct, Rgb[][] sky, float[] back, float[] glow, float[] was, float[] is) {
        var ways = PATCHES.set(patch % Ways.SETS);
        var ofSky = sky[patch % Ways.SETS];
        var p = patches.points;
        var r = 0.0;
        var g = 0.0;
        var b = 0.0;
        var all = 0.0;
        var isClear = facedThrough.isNone();
        for (var i = 0; i < PATCH_WAYS; i++) {
            var at = 6 * (Patches.POINTS * patch + i % patches.pointsOf[patch]);
            var cos = ways[3 * i] * p[at + 3] + ways[3 * i + 1] * p[at + 4] + ways[3 * i + 2] * p[at + 5];
            if (cos <= 0) {
                continue;
            }
            all += cos;
            var sees = faced[patch * PATCH_WAYS + i];
            if (sees == BACK) {
                continue;
            }
            var pane = isClear ? Panes.CLEAR : facedThrough.of(patch * PATCH_WAYS + i);
            if (sees >= 0) {
                r += cos * pane.r() * was[3 * sees];
                g += cos * pane.g() * was[3 * sees + 1];
                b += cos * pane.b() * was[3 * sees + 2];
            } else {
                r += cos * pane.r() * ofSky[i].r();
                g += cos * pane.g() * ofSky[i].g();
                b += cos * pane.b() * ofSky[i].b();
            }
        }
        var part = all == 0 ? 0 : Math.PI / all;
        is[3 * patch] = (float) (glow[3 * patch] + back[3 * patch] * (direct[3 * patch] + part * r));
        is[3 * patch + 1] = (float) (glow[3 * patch + 1] + back[3 * patch + 1] * (direct[3 * patch + 1] + part * g));
        is[3 * patch + 2] = (float) (glow[3 * patch + 2] + back[3 * patch + 2] * (direct[3 * patch + 2] + part * b));
    }

    private Volume gather(float[] sent, Rgb[][] sky) {
        var light = new float[Volume.NUMBERS * grid.size()];
        IntStream.range(0, grid.size()).parallel().forEach(place -> {
            var set = grid.setOf(place);
            var ways = PLACES.set(set);
            for (var i = 0; i < RAYS; i++) {
                var sees = seen[place * RAYS + i];
                if (sees == BACK) {
                    continue;
                }
                var from = sees == SKY ? sky[set][i] : new Rgb(sent[3 * sees], sent[3 * sees + 1], sent[3 * sees + 2]);
                Volume.add(light, place, ways, i, from.times(seenThrough.of(place * RAYS + i)), RAYS);
            }
        });
        return new Volume(grid, light, walls).filled().smoothed();
    }
}
