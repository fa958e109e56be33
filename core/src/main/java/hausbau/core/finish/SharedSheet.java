package hausbau.core.finish;

import hausbau.core.finish.Coat.Layer;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.LongFunction;

/**
 * One sheet that several swatches share, put together of pictures on a grid.
 *
 * @param material which of the site's it is
 * @param side     pixels
 * @param cells    to a side: 4, 8, 16, 32 or 64
 */
public record SharedSheet(Swatch material, int side, int cells, List<Placed> placed) {

    private static final int LONGEST = 60;
    /** Where nothing lies: a neutral grey, flat and dull. */
    private static final int FREE_COLOUR = 0xd8d4ca;

    private static final int SOLID = 0xff000000;
    private static final int FREE_NORMAL = 0x8080ff;

    /**
     * A swatch on the sheet, in cells from its left and its top.
     *
     * @param roughness percent, times what its picture tells
     * @param metallic  percent, times what its picture tells
     */
    public record Placed(
            Swatch swatch,
            String name,
            Patch.Kind kind,
            int x,
            int y,
            int width,
            int height,
            Map<Layer, Long> pictures,
            int roughness,
            int metallic) {

        public Placed {
            pictures = Map.copyOf(pictures);
        }

        public Placed at(int newX, int newY) {
            return new Placed(swatch, name, kind, newX, newY, width, height, pictures, roughness, metallic);
        }

        private boolean meets(int ox, int oy, int w, int h) {
            return x < ox + w && ox < x + width && y < oy + h && oy < y + height;
        }
    }

    /** With nothing on it. */
    public static SharedSheet empty(Swatch material) {
        return new SharedSheet(material, Sheets.USUAL_SIDE, 16, List.of());
    }

    private SharedSheet of(List<Placed> others) {
        return new SharedSheet(material, side, cells, others);
    }

    /** @throws Refused if something does not lie on the sheet, or on something else */
    public SharedSheet {
        placed = List.copyOf(placed);
        if (!material.isSharedSheet()) {
            throw new Refused("sheet", "“" + material.label() + "” is no sheet that several share.");
        }
        Sheets.requireSide(side);
        var faults = new ArrayList<Fault>();
        if (cells < 4 || cells > 64 || Integer.bitCount(cells) != 1) {
            faults.add(new Fault("cells", "A side of the sheet has 4, 8, 16, 32 or 64 cells."));
        }
        var taken = new HashSet<Swatch>();
        for (var p : placed) {
            if (p.swatch() == material || p.swatch().material() != material || !taken.add(p.swatch())) {
                faults.add(new Fault("swatch", "Each swatch is on one shared sheet, once."));
            }
            if (p.name().isBlank() || p.name().length() > LONGEST) {
                faults.add(new Fault("name", "A swatch has a name of 1 to " + LONGEST + " characters."));
            }
            if (p.width() < 1 || p.height() < 1) {
                faults.add(
                        new Fault(p.width() < 1 ? "width" : "height", "A swatch is at least one cell wide and high."));
            } else if (p.x() < 0 || p.x() + p.width() > cells) {
                faults.add(new Fault(
                        p.width() > cells ? "width" : "x",
                        "“" + p.name() + "” does not lie on the sheet: that has " + cells
                                + " cells from left to right."));
            } else if (p.y() < 0 || p.y() + p.height() > cells) {
                faults.add(new Fault(
                        p.height() > cells ? "height" : "y",
                        "“" + p.name() + "” does not lie on the sheet: that has " + cells
                                + " cells from top to foot."));
            }
            if (p.kind() != Patch.Kind.SINGLE && p.width() != cells) {
                faults.add(new Fault(
                        "kind", "A strip goes on to the sides: it is as wide as the sheet, " + cells + " cells."));
            } else if (p.kind() == Patch.Kind.TILING && p.height() != cells) {
                faults.add(new Fault(
                        "kind", "What tiles both ways is the whole sheet, " + cells + " × " + cells + " cells."));
            }
            if (p.roughness() < 0 || p.roughness() > 100 || p.metallic() < 0 || p.metallic() > 100) {
                faults.add(new Fault(
                        p.roughness() < 0 || p.roughness() > 100 ? "roughness" : "metallic",
                        "It is from 0 to 100 percent."));
            }
        }
        for (var i = 0; i < placed.size() && faults.isEmpty(); i++) {
            for (var j = 0; j < i; j++) {
                var p = placed.get(i);
                var q = placed.get(j);
                if (p.meets(q.x(), q.y(), q.width(), q.height())) {
                    faults.add(new Fault(
                            "x",
                            "“" + p.name() + "” would lie on “" + q.name()
                                    + "”. Move one of them, or have the sheet packed."));
                    break;
                }
            }
        }
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    /** With one in place of the one of its swatch, or as another. */
    public SharedSheet with(Placed one) {
        var all = new ArrayList<>(placed);
        var at = all.stream().map(Placed::swatch).toList().indexOf(one.swatch());
        if (at < 0) {
            all.add(one);
        } else {
            all.set(at, one);
        }
        return of(all);
    }

    public SharedSheet without(Swatch swatch) {
        return of(placed.stream().filter(p -> p.swatch() != swatch).toList());
    }

    /** On a finer or coarser grid; everything stays where it is. @throws Refused if something would lie between two cells */
    public SharedSheet on(int newCells) {
        if (newCells < 1) {
            return new SharedSheet(material, side, newCells, placed);
        }
        return new SharedSheet(
                material,
                side,
                newCells,
                placed.stream()
                        .map(p -> new Placed(
                                p.swatch(),
                                p.name(),
                                p.kind(),
                                scaled(p.x(), newCells),
                                scaled(p.y(), newCells),
                                scaled(p.width(), newCells),
                                scaled(p.height(), newCells),
                                p.pictures(),
                                p.roughness(),
                                p.metallic()))
                        .toList());
    }

    /** Of other pixels; everything stays in its cells. */
    public SharedSheet ofSide(int pixels) {
        return new SharedSheet(material, pixels, cells, placed);
    }

    private int scaled(int of, int newCells) {
        if (of * newCells % cells != 0) {
            throw new Refused("cells", "On so coarse a grid something would lie between two cells. Move it first.");
        }
        return of * newCells / cells;
    }

    /** The swatch that is free. @throws Refused if all are taken */
    public Swatch next() {
        return material.places()
                .filter(s -> placed.stream().noneMatch(p -> p.swatch() == s))
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "swatch",
                        "A shared sheet holds at most " + placed.size() + " swatches. Put it on another one."));
    }

    /** How many cells nothing lies on. */
    public int free() {
        return cells * cells
                - placed.stream().mapToInt(p -> p.width() * p.height()).sum();
    }

    /** A place for so many cells. @param x from the left, @param y from the top */
    public record Room(int x, int y) {}

    /** Whether nothing lies there, and all of it is on the sheet. */
    public boolean isFree(int x, int y, int width, int height) {
        return x >= 0
                && y >= 0
                && x + width <= cells
                && y + height <= cells
                && placed.stream().noneMatch(p -> p.meets(x, y, width, height));
    }

    /** The highest place where something of this size lies on nothing, of those the one furthest to the left. */
    public Optional<Room> room(int width, int height) {
        for (var y = 0; y + height <= cells; y++) {
            for (var x = 0; x + width <= cells; x++) {
                if (isFree(x, y, width, height)) {
                    return Optional.of(new Room(x, y));
                }
            }
        }
        return Optional.empty();
    }

    /** What goes on, as wide as the sheet: where it is, or else where there is room beside all others. */
    public Placed across(Placed p) {
        var others = without(p.swatch());
        var height = p.kind() == Patch.Kind.TILING ? cells : p.height();
        var at = others.isFree(0, p.y(), cells, height)
                ? new Room(0, p.y())
                : others.room(cells, height).orElse(new Room(0, p.y()));
        return new Placed(
                p.swatch(),
                p.name(),
                p.kind(),
                at.x(),
                at.y(),
                cells,
                height,
                p.pictures(),
                p.roughness(),
                p.metallic());
    }

    /** How many cells a picture takes at one pixel a pixel, at most the sheet. @param pixels wide or high */
    public int cellsFor(int pixels) {
        var cell = side / cells;
        return Math.max(1, Math.min(cells, (pixels + cell - 1) / cell));
    }

    /**
     * All of them anew, without room between them as far as may be: what is widest and highest first, each at the first place it fits.
     *
     * @throws Refused if they do not fit so
     */
    public SharedSheet packed() {
        var packed = of(List.of());
        var order = placed.stream()
                .sorted(Comparator.comparing((Placed p) -> p.kind())
                        .thenComparing(Comparator.comparingInt(Placed::height).reversed())
                        .thenComparing(Comparator.comparingInt(Placed::width).reversed()))
                .toList();
        for (var p : order) {
            var room = packed.room(p.width(), p.height())
                    .orElseThrow(
                            () -> new Refused("placed", "They do not fit when they are packed. Make one smaller."));
            packed = packed.with(p.at(room.x(), room.y()));
        }
        var places = new HashMap<Swatch, Placed>();
        packed.placed.forEach(p -> places.put(p.swatch(), p));
        return of(placed.stream().map(p -> places.getOrDefault(p.swatch(), p)).toList());
    }

    /** Where swatches lie. */
    public Map<Swatch, Patch> patches() {
        var all = new TreeMap<Swatch, Patch>();
        var cell = 1.0 / cells;
        placed.forEach(p -> all.put(
                p.swatch(),
                new Patch(
                        p.kind(),
                        p.x() * cell,
                        p.y() * cell,
                        (p.x() + p.width()) * cell,
                        (p.y() + p.height()) * cell)));
        return all;
    }

    /**
     * The sheet's pictures. What tiles or is single fills its place; a strip's picture is repeated to the sides, as often as keeps its shape best.
     *
     * @param pixels to a side, a power of two
     * @param known  finds pictures by their marks
     */
    public Maps maps(int pixels, LongFunction<Picture> known) {
        var colour = new int[pixels * pixels];
        var normal = new int[pixels * pixels];
        var surface = new int[pixels * pixels];
        var isCut = placed.stream().anyMatch(p -> p.pictures().containsKey(Layer.OPACITY));
        Arrays.fill(colour, isCut ? SOLID | FREE_COLOUR : FREE_COLOUR);
        Arrays.fill(normal, FREE_NORMAL);
        Arrays.fill(surface, Coating.surface(1, 0.9, 0));
        for (var p : placed) {
            var pictures = new EnumMap<Layer, Picture>(Layer.class);
            p.pictures().forEach((layer, mark) -> pictures.put(layer, known.apply(mark)));
            var x0 = p.x() * pixels / cells;
            var y0 = p.y() * pixels / cells;
            var wide = p.width() * pixels / cells;
            var high = p.height() * pixels / cells;
            for (var y = 0; y < high; y++) {
                for (var x = 0; x < wide; x++) {
                    var at = (y0 + y) * pixels + x0 + x;
                    var read = new Reading(
                            pictures, p.kind() == Patch.Kind.STRIP, (x + 0.5) / wide, (y + 0.5) / high, wide, high);
                    colour[at] = isCut ? read.colour(FREE_COLOUR) | read.opaque() << 24 : read.colour(FREE_COLOUR);
                    normal[at] = read.normal(FREE_NORMAL);
                    surface[at] = read.surface(p.roughness() / 100.0, p.metallic() / 100.0);
                }
            }
        }
        return new Maps(pixels, colour, normal, surface, isCut);
    }

    /** One pixel of a place. @param u from its left and @param v from its top, 0 to 1, @param wide and @param high pixels of it */
    private record Reading(Map<Layer, Picture> pictures, boolean isStrip, double u, double v, int wide, int high) {

        private Optional<double[]> of(Layer layer) {
            return Optional.ofNullable(pictures.get(layer)).map(picture -> {
                var times = isStrip
                        ? Math.max(1, Math.round((double) wide / high * picture.height() / picture.width()))
                        : 1;
                return picture.at(u * times, v, (double) times / wide, 1.0 / high);
            });
        }

        int colour(int none) {
            return of(Layer.COLOUR).map(c -> Coating.pack(c[0], c[1], c[2])).orElse(none);
        }

        /** 0 to 255. */
        int opaque() {
            return of(Layer.OPACITY).map(c -> (int) Math.round(255 * c[0])).orElse(255);
        }

        int normal(int none) {
            return of(Layer.NORMAL).map(Coating::upright).orElse(none);
        }

        int surface(double roughness, double metallic) {
            return Coating.surface(
                    of(Layer.OCCLUSION).map(c -> c[0]).orElse(1.0),
                    roughness * of(Layer.ROUGHNESS).map(c -> c[1]).orElse(1.0),
                    metallic * of(Layer.METALLIC).map(c -> c[2]).orElse(1.0));
        }
    }
}
