package hausbau.core.finish;

import hausbau.core.finish.Coat.Grain;
import hausbau.core.finish.Coat.Layer;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.function.LongFunction;
import java.util.stream.IntStream;

/** Makes a coat into the pictures of a sheet: height and colour for every place, then what follows from the height. */
public final class Coating {

    /** What time leaves on a surface, sRGB. */
    private static final double[] GRIME = {0x4a / 255.0, 0x40 / 255.0, 0x33 / 255.0};

    private final Coat coat;
    private final int side;
    private final double sheet;
    /** Millimetres. */
    private final float[] height;

    private final int[] colour;
    private final int[] surface;
    private final Noise noise;
    private final Noise other;
    private final double[] first;
    private final double[] second;
    private final Map<Layer, Picture> pictures = new EnumMap<>(Layer.class);

    private Coating(Coat coat, int side, double sheet, LongFunction<Picture> known) {
        this.coat = coat;
        this.side = side;
        this.sheet = sheet;
        height = new float[side * side];
        colour = new int[side * side];
        surface = new int[side * side];
        noise = new Noise(coat.seed());
        other = new Noise(coat.seed() ^ 0x5DEECE66DL);
        first = rgb(coat.colour());
        second = rgb(coat.second());
        if (coat.grain() == Grain.PICTURES) {
            coat.pictures().forEach((layer, mark) -> pictures.put(layer, known.apply(mark)));
        }
    }

    /**
     * @param side  pixels, a power of two from 16 to 4096
     * @param sheet how wide it lies on a piece, millimetres
     * @param known finds pictures of one's own by their marks
     */
    public static Maps of(Coat coat, int side, double sheet, LongFunction<Picture> known) {
        if (side < 16 || side > 4096 || Integer.bitCount(side) != 1) {
            throw new IllegalArgumentException("a sheet of " + side + " pixels");
        }
        return new Coating(coat, side, sheet, known).maps();
    }

    /** Of a coat without pictures of one's own. */
    public static Maps of(Coat coat, int side, double sheet) {
        return of(coat, side, sheet, mark -> {
            throw new IllegalArgumentException("there is no picture " + mark);
        });
    }

    /** One place, before it is written. */
    private final class Spot {
        double h = 1;
        /** 0 is the coat's own colour, 1 its second. */
        double blend;
        /** Lightness, about 1. */
        double light = 1;

        double rough = coat.roughness() / 100.0;
        double metal = coat.metallic() / 100.0;
        double openness = 1;
        double opaque = 1;
        /** Its colour out of a picture; empty where none tells. */
        double[] own = {};

        /** Of its three colours one, 0 to 1. */
        double colour(int k) {
            return clamp((own.length > 0 ? own[k] : Noise.mix(first[k], second[k], clamp(blend))) * light);
        }
    }

    private boolean isCut() {
        return pictures.containsKey(Layer.OPACITY);
    }

    private void lay(int y) {
        for (var x = 0; x < side; x++) {
            var u = (x + 0.5) / side;
            // Rows go from the top; what is laid begins at the foot.
            var v = 1 - (y + 0.5) / side;
            var s = spot(u, v);
            var i = y * side + x;
            var worn = worn(u, v);
            var to = coat.grain() == Grain.METAL ? second : GRIME;
            height[i] = (float) (s.h * coat.relief() / 1000.0);
            colour[i] = pack(
                            Noise.mix(s.colour(0), to[0], worn),
                            Noise.mix(s.colour(1), to[1], worn),
                            Noise.mix(s.colour(2), to[2], worn))
                    | (isCut() ? byteOf(clamp(s.opaque)) << 24 : 0);
            surface[i] = surface(
                    clamp(s.openness),
                    Noise.mix(clamp(s.rough), 0.95, worn),
                    coat.grain() == Grain.METAL ? Noise.mix(clamp(s.metal), 0, worn) : clamp(s.metal));
        }
    }

    private Spot spot(double u, double v) {
        var s = new Spot();
        var vary = coat.variation() / 100.0;
        switch (coat.grain()) {
            case PLAIN -> {
                s.light = 1 + vary * (noise.clouds(u, v, 4, 4, 4) - 0.5);
                s.h = noise.clouds(u, v, 32, 32, 3);
            }
            case PLASTER -> {
                s.h = 0.6 * noise.clouds(u, v, 12, 12, 5) + 0.4 * other.clouds(u, v, 64, 64, 3);
                s.light = 1 + 2 * vary * (noise.clouds(u, v, 3, 3, 5) - 0.5);
                s.blend = 0.35 * Noise.step(0.6, 0.9, other.clouds(u, v, 5, 5, 4));
            }
            case TILES, BOARDS -> laid(s, u, v, vary);
            case STONE -> {
                // Beds that lie nearly level, grains of a few millimetres, here and there a vein or a pit.
                var bed = noise.clouds(u, v, 4, 14, 5);
                var grain = other.smooth(u, v, 320, 320);
                var vein = Math.abs(noise.clouds(u + 0.37, v + 0.11, 3, 3, 6) - 0.5) * 2;
                var isVein = (1 - Noise.step(0.0, 0.035, vein)) * Noise.step(0.5, 0.62, other.clouds(u, v, 2, 2, 3));
                var pit = Noise.step(0.9, 0.96, other.smooth(u, v, 110, 110));
                s.blend = 0.3 * isVein + 0.45 * pit + 0.22 * Noise.step(0.6, 0.9, grain) + 0.25 * (bed - 0.35);
                s.light = 1
                        + vary * (1.1 * (bed - 0.5) + 0.5 * (other.clouds(u, v, 3, 3, 4) - 0.5) + 0.35 * (grain - 0.5));
                s.h = (0.55 + 0.25 * bed + 0.2 * grain) * (1 - pit);
            }
            case TERRAZZO -> chips(s, u, v, vary);
            case METAL -> {
                s.light = 1 + vary * (other.clouds(u, v, 6, 6, 4) - 0.5);
                s.h = noise.clouds(u, v, 96, 96, 2);
                s.rough += 0.12 * (noise.clouds(u, v, 8, 8, 4) - 0.5);
            }
            case GLASS -> {
                s.blend = 0.5 * noise.clouds(u, v, 3, 3, 3);
                s.light = 1 + vary * (other.clouds(u, v, 4, 4, 2) - 0.5);
            }
            case PICTURES -> {
                s.light = 1 + vary * (noise.clouds(u, v, 4, 4, 4) - 0.5);
                s.own = pictures.containsKey(Layer.COLOUR) ? pictured(Layer.COLOUR, u, v) : s.own;
                s.rough *= pictures.containsKey(Layer.ROUGHNESS) ? pictured(Layer.ROUGHNESS, u, v)[1] : 1;
                s.metal *= pictures.containsKey(Layer.METALLIC) ? pictured(Layer.METALLIC, u, v)[2] : 1;
                s.opaque = pictures.containsKey(Layer.OPACITY) ? pictured(Layer.OPACITY, u, v)[0] : 1;
                s.openness = pictures.containsKey(Layer.OCCLUSION) ? pictured(Layer.OCCLUSION, u, v)[0] : 1;
            }
            default -> throw new IllegalStateException(coat.grain().name());
        }
        return s;
    }

    /** Pictures lie a whole number of times across the sheet, as units do. One that has them in one channel each has occlusion, roughness and metallic in red, green and blue. */
    private double[] pictured(Layer layer, double u, double v) {
        var across = coat.across(sheet);
        var rows = coat.rows(sheet);
        return Objects.requireNonNull(pictures.get(layer))
                .at(u * across, (1 - v) * rows, (double) across / side, (double) rows / side);
    }

    /** Tiles or boards between joints, a whole number of them across the sheet. */
    private void laid(Spot s, double u, double v, double vary) {
        var across = coat.across(sheet);
        var rows = coat.rows(sheet);
        var row = (int) Math.floor(v * rows);
        var x = u * across + (double) (row % coat.bond().rows()) / coat.bond().rows();
        var column = Math.floorMod((int) Math.floor(x), across);
        var unitX = sheet / across;
        var unitY = sheet / rows;
        var inX = (x - Math.floor(x)) * unitX;
        var inY = (v * rows - row) * unitY;
        // From the middle of the joint to here.
        var toJoint = Math.min(Math.min(inX, unitX - inX), Math.min(inY, unitY - inY));
        var half = coat.joint() / 2.0 / 1000.0;
        var pixel = sheet / side;
        var isJoint = 1 - Noise.step(half - pixel * 0.5, half + pixel * 0.5 + 1e-9, toJoint);
        var missing = coat.wear() > 0
                && coat.grain() == Grain.TILES
                && other.at(column + 7, row + 7) < coat.wear() / 100.0 * 0.09;
        var unit = noise.at(column, row);
        s.light = 1 + 2 * vary * (unit - 0.5);
        if (coat.grain() == Grain.BOARDS) {
            // Streaks lie along the board, each board with its own.
            var shift = noise.at(column + 31, row + 17);
            var streak = noise.clouds(u + shift, v + shift, Math.max(2, across * 2), Math.max(8, rows * 12), 4);
            s.blend = 0.75 * Noise.step(0.42, 0.72, streak);
            s.light += 0.12 * (other.clouds(u, v, 6, rows * 24, 2) - 0.5);
            s.rough += 0.15 * (streak - 0.5);
        } else {
            s.light += 0.04 * (noise.clouds(u, v, across * 2, rows * 2, 3) - 0.5);
            s.rough += 0.06 * (unit - 0.5);
        }
        s.h = Noise.mix(0.6 + 0.4 * Noise.step(half, half + 3, toJoint), 0, isJoint);
        if (missing) {
            isJoint = 1;
            s.h = 0.1 * noise.clouds(u, v, 64, 64, 3);
        }
        s.blend = Noise.mix(s.blend, 1, isJoint);
        s.light = Noise.mix(s.light, 0.92 + 0.16 * other.clouds(u, v, 64, 64, 2), isJoint);
        s.rough = Noise.mix(s.rough, 0.92, isJoint);
        s.openness = Noise.mix(1, 0.72, isJoint);
    }

    /** Chips of stone in a binder: each cell holds the one nearest to its jittered middle (Worley, 1996). */
    private void chips(Spot s, double u, double v, double vary) {
        var cells = coat.across(sheet);
        var rows = coat.rows(sheet);
        var x = u * cells;
        var y = v * rows;
        var nearest = Double.MAX_VALUE;
        var nextNearest = Double.MAX_VALUE;
        var chip = 0.0;
        for (var j = (int) Math.floor(y) - 1; j <= (int) Math.floor(y) + 1; j++) {
            for (var i = (int) Math.floor(x) - 1; i <= (int) Math.floor(x) + 1; i++) {
                var ci = Math.floorMod(i, cells);
                var cj = Math.floorMod(j, rows);
                var away = Math.hypot(x - i - noise.at(ci, cj), y - j - other.at(ci, cj));
                if (away < nearest) {
                    nextNearest = nearest;
                    nearest = away;
                    chip = noise.at(ci + 101, cj + 59);
                } else {
                    nextNearest = Math.min(nextNearest, away);
                }
            }
        }
        var isChip = Noise.step(0.08, 0.16, (nextNearest - nearest) * (0.5 + chip));
        // Some chips are of the binder's colour, some of the second, most between.
        s.blend = isChip * chip * chip;
        s.light = 1 + isChip * vary * (other.at((int) (chip * 1e6), 3) - 0.5);
        s.h = 1 - 0.5 * (1 - isChip);
    }

    /** How far stains from above and rubbed places have gone, 0 to 1; metal rusts in its second colour. */
    private double worn(double u, double v) {
        if (coat.wear() == 0) {
            return 0;
        }
        var much = coat.wear() / 100.0;
        var stain = 0.65 * other.clouds(u, v, 3, 3, 6) + 0.35 * other.clouds(u, v, 24, 3, 3);
        return Noise.step(0.72 - 0.4 * much, 0.86 - 0.3 * much, stain) * (0.35 + 0.5 * much);
    }

    private void bend(int[] normals, int y) {
        // Millimetres between the neighbours on both sides.
        var run = 2 * sheet / side;
        for (var x = 0; x < side; x++) {
            if (pictures.containsKey(Layer.NORMAL)) {
                normals[y * side + x] = upright(pictured(Layer.NORMAL, (x + 0.5) / side, 1 - (y + 0.5) / side));
                continue;
            }
            var dx = (at(x + 1, y) - at(x - 1, y)) / run;
            var dy = (at(x, y - 1) - at(x, y + 1)) / run;
            var length = Math.sqrt(dx * dx + dy * dy + 1);
            normals[y * side + x] = pack(0.5 - 0.5 * dx / length, 0.5 - 0.5 * dy / length, 0.5 + 0.5 / length);
        }
    }

    private Maps maps() {
        IntStream.range(0, side).parallel().forEach(this::lay);
        var normals = new int[side * side];
        IntStream.range(0, side).parallel().forEach(y -> bend(normals, y));
        return new Maps(side, colour, normals, surface, isCut());
    }

    /** One long again, since a mean of directions is shorter. */
    static int upright(double[] normal) {
        var x = 2 * normal[0] - 1;
        var y = 2 * normal[1] - 1;
        var z = Math.max(0.01, 2 * normal[2] - 1);
        var length = Math.sqrt(x * x + y * y + z * z);
        return pack(0.5 + 0.5 * x / length, 0.5 + 0.5 * y / length, 0.5 + 0.5 * z / length);
    }

    private double at(int x, int y) {
        return height[Math.floorMod(y, side) * side + Math.floorMod(x, side)];
    }

    private static double clamp(double v) {
        return Math.max(0, Math.min(1, v));
    }

    private static double[] rgb(String colour) {
        var v = Integer.parseInt(colour.substring(1), 16);
        return new double[] {(v >> 16 & 255) / 255.0, (v >> 8 & 255) / 255.0, (v & 255) / 255.0};
    }

    /** Occlusion, roughness and metallic, 0 to 1. */
    static int surface(double open, double roughness, double metallic) {
        return pack(open, roughness, metallic);
    }

    static int pack(double r, double g, double b) {
        return byteOf(r) << 16 | byteOf(g) << 8 | byteOf(b);
    }

    private static int byteOf(double v) {
        return (int) Math.round(255 * v);
    }
}
