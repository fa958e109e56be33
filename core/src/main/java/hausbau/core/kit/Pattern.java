package hausbau.core.kit;

import hausbau.core.kit.Form.Pushed;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * How pieces that close a room's sides look at any size: bands over one another, trims along them and uprights on them, all
 * measured from a piece's edges, µm. Bands and trims run over the whole, so that neighbours meet without a seam.
 *
 * @param least    pieces lower than this are of the middle band alone
 * @param bands    from the foot up, 1 to 12; one has height 0 and takes what is left
 * @param trims    at most 12
 * @param uprights at most 12
 * @param around   how what closes no side looks
 */
public record Pattern(long least, List<Band> bands, List<Trim> trims, List<Upright> uprights, Surroundings around) {

    private static final int MOST = 12;
    /** Nothing stands farther out than this. */
    private static final long PROUD = 500_000;

    /** @param height 0 takes what the others leave, @param proud how far it stands out into the room, 0 to 500 mm */
    public record Band(String name, Swatch swatch, long height, long proud) {

        public Band {
            require(
                    height >= 0 && proud >= 0 && proud <= PROUD,
                    "bands",
                    "A band is 0 or higher, and stands out by 0 to 500 mm.");
        }
    }

    /** Where along a piece something is measured from. */
    public enum From {
        FOOT,
        TOP
    }

    /** A profile along the face, its left edge against it; it stops at openings. @param at from there to the trim's nearer edge */
    public record Trim(String name, Swatch swatch, Profile profile, From from, long at) {

        public Trim {
            require(
                    at >= 0 && profile.width() <= PROUD,
                    "trims",
                    "A trim lies 0 or more from the foot or the top, and stands out by at most 500 mm.");
        }
    }

    /** Where a trim of such a profile lies until it is told otherwise; empty where it may lie anywhere. Common practice, no source. */
    public static Optional<From> usualPlace(Profile.Kind kind) {
        return switch (kind) {
            case SKIRTING -> Optional.of(From.FOOT);
            case CORNICE -> Optional.of(From.TOP);
            default -> Optional.empty();
        };
    }

    /** Where along a piece uprights stand. */
    public enum At {
        START,
        END,
        ENDS,
        MIDDLE,
        PITCH
    }

    /**
     * An upright block on the face, where no opening is.
     *
     * @param pitch from one to the next at most; as many as fit evenly between the ends
     * @param low   from the foot, @param high from the top to where it ends
     */
    public record Upright(String name, Swatch swatch, At at, long width, long proud, long pitch, long low, long high) {

        public Upright {
            require(
                    width > 0
                            && proud > 0
                            && proud <= PROUD
                            && low >= 0
                            && high >= 0
                            && (at != At.PITCH || pitch >= width),
                    "uprights",
                    "An upright is wider than 0, stands out by up to 500 mm, and its pitch is at least its width.");
        }
    }

    private static void require(boolean holds, String field, String message) {
        if (!holds) {
            throw new Refused(field, message);
        }
    }

    public Pattern {
        bands = List.copyOf(bands);
        trims = List.copyOf(trims);
        uprights = List.copyOf(uprights);
        require(least >= 0, "least", "A least height is 0 or more.");
        require(
                bands.size() <= MOST && trims.size() <= MOST && uprights.size() <= MOST,
                "bands",
                "A pattern has at most 12 bands, trims and uprights each.");
        require(
                bands.stream().filter(b -> b.height() == 0).count() == 1,
                "bands",
                "One band, and only one, has no height of its own and takes what is left.");
    }

    /** To begin from: a plinth, a dado with its rail, plaster, a cornice. */
    public static Pattern usual() {
        return new Pattern(
                2_000_000,
                List.of(
                        new Band("plinth", Swatch.STONE, 200_000, 30_000),
                        new Band("dado", Swatch.TILE, 1_300_000, 12_000),
                        new Band("wall", Swatch.PLASTER, 0, 0)),
                List.of(
                        new Trim(
                                "rail",
                                Swatch.TIMBER,
                                Profile.of(Profile.Kind.BAR, 40_000, 60_000, 0, 0, 8_000),
                                From.FOOT,
                                1_500_000),
                        new Trim(
                                "cornice",
                                Swatch.PLASTER,
                                Profile.of(Profile.Kind.CORNICE, 120_000, 120_000, 0, 0, 0),
                                From.TOP,
                                0)),
                List.of());
    }

    /** One plain band, to begin from. */
    public static Pattern plain() {
        return new Pattern(0, List.of(new Band("wall", Swatch.PLASTER, 0, 0)), List.of(), List.of());
    }

    public Pattern(long least, List<Band> bands, List<Trim> trims, List<Upright> uprights) {
        this(least, bands, trims, uprights, Surroundings.NONE);
    }

    /** What a piece is made of under the pattern, by what it is for. */
    public List<Part> dress(Role role, Recipe recipe) {
        return role.closesARun() ? dress(recipe) : around.dress(role, recipe);
    }

    /** What a piece that closes a side is made of under the pattern; as it is for one that the pattern says nothing about. */
    public List<Part> dress(Recipe recipe) {
        if (recipe instanceof Recipe.OpeningPanel
                || recipe instanceof Recipe.PassagePanel
                || recipe instanceof Recipe.WallPanel) {
            var parts = new ArrayList<>(dress(recipe.size(), holes(recipe)));
            parts.addAll(frame(recipe));
            return parts;
        }
        return recipe instanceof Recipe.CornerPost ? bandsOf(recipe.size()) : recipe.parts();
    }

    /** The same with its back under another pattern: each side has half of its depth. A post stands free, and has this pattern all round. */
    public List<Part> dress(Recipe recipe, Pattern back) {
        if (!(recipe instanceof Recipe.OpeningPanel
                || recipe instanceof Recipe.PassagePanel
                || recipe instanceof Recipe.WallPanel)) {
            return dress(recipe);
        }
        var size = recipe.size();
        var half = size.y() / 2;
        var holes = holes(recipe);
        var parts = new ArrayList<>(dress(new Vec(size.x(), size.y() - half, size.z()), holes));
        var mirrored = holes.stream()
                .map(h -> new Rect(size.x() - h.x1(), h.y0(), size.x() - h.x0(), h.y1()))
                .toList();
        back.dress(new Vec(size.x(), half, size.z()), mirrored).forEach(p -> parts.add(p.turnedEndForEnd(size)));
        parts.addAll(frame(recipe));
        return parts;
    }

    /** What is open in a wall's piece, of X and Z. */
    private static List<Rect> holes(Recipe recipe) {
        return recipe instanceof Recipe.WallPanel
                ? List.of()
                : List.of(hole(recipe.parts().get(0)));
    }

    /** What stands in the opening. */
    private static List<Part> frame(Recipe recipe) {
        var parts = recipe.parts();
        return recipe instanceof Recipe.OpeningPanel ? parts.subList(1, parts.size()) : List.of();
    }

    private List<Part> bandsOf(Vec size) {
        return layers(size).stream()
                .map(l -> Part.block(l.band().swatch(), Box.of(0, 0, l.low(), size.x(), size.y(), l.high()))
                        .named(l.band().name()))
                .toList();
    }

    private static Rect hole(Part panel) {
        return ((Form.Panel) panel.form()).openings().get(0);
    }

    private record Layer(Band band, long low, long high) {}

    /** What of each band there is on a piece so high. */
    private List<Layer> layers(Vec size) {
        var middle = bands.stream().filter(b -> b.height() == 0).findFirst().orElseThrow();
        var fixed = bands.stream().mapToLong(Band::height).sum();
        if (size.z() < least || fixed >= size.z()) {
            return List.of(new Layer(middle, 0, size.z()));
        }
        var layers = new ArrayList<Layer>();
        var at = 0L;
        for (var band : bands) {
            var high = at + (band.height() == 0 ? size.z() - fixed : band.height());
            layers.add(new Layer(band, at, high));
            at = high;
        }
        return layers;
    }

    private List<Part> dress(Vec size, List<Rect> holes) {
        var parts = new ArrayList<Part>();
        for (var layer : layers(size)) {
            var within = holes.stream()
                    .filter(h -> h.y0() < layer.high() && h.y1() > layer.low())
                    .map(h -> new Rect(
                            h.x0(),
                            Math.max(h.y0(), layer.low()) - layer.low(),
                            h.x1(),
                            Math.min(h.y1(), layer.high()) - layer.low()))
                    .toList();
            var body = new Vec(size.x(), size.y() + layer.band().proud(), layer.high() - layer.low());
            parts.add(Part.of(
                            layer.band().swatch(),
                            within.isEmpty() ? new Form.Block(body) : new Form.Panel(body, within),
                            new Vec(0, -layer.band().proud(), layer.low()))
                    .named(layer.band().name()));
        }
        if (size.z() >= least) {
            trims.forEach(t -> parts.addAll(along(t, size, holes)));
            uprights.forEach(u -> parts.addAll(standing(u, size, holes)));
        }
        return parts;
    }

    /** A trim on each stretch that no opening interrupts. */
    private static List<Part> along(Trim trim, Vec size, List<Rect> holes) {
        var height = trim.profile().height();
        var low = trim.from() == From.FOOT ? trim.at() : size.z() - trim.at() - height;
        var parts = new ArrayList<Part>();
        if (low < 0 || low + height > size.z()) {
            return parts;
        }
        var from = 0L;
        for (var hole : holes.stream()
                .filter(h -> h.y0() < low + height && h.y1() > low)
                .sorted(Comparator.comparingLong(Rect::x0))
                .toList()) {
            stretch(trim, from, hole.x0(), low, parts);
            from = hole.x1();
        }
        stretch(trim, from, size.x(), low, parts);
        return parts;
    }

    private static void stretch(Trim trim, long from, long to, long low, List<Part> into) {
        if (to - from > 100) {
            // Eastward the room lies to the right.
            into.add(Part.of(
                            trim.swatch(),
                            new Pushed(
                                    trim.profile(),
                                    List.of(
                                            new Pushed.Corner(new Vec(0, 0, 0), 0),
                                            new Pushed.Corner(new Vec(to - from, 0, 0), 0)),
                                    false,
                                    -1,
                                    -1,
                                    false),
                            new Vec(from, 0, low))
                    .named(trim.name()));
        }
    }

    private static List<Part> standing(Upright u, Vec size, List<Rect> holes) {
        var high = size.z() - u.high();
        var parts = new ArrayList<Part>();
        for (var x : places(u, size.x())) {
            var free = holes.stream()
                    .noneMatch(h -> h.x0() < x + u.width() && h.x1() > x && h.y0() < high && h.y1() > u.low());
            if (x >= 0 && x + u.width() <= size.x() && high > u.low() && free) {
                parts.add(Part.block(u.swatch(), Box.of(x, -u.proud(), u.low(), x + u.width(), 0, high))
                        .named(u.name()));
            }
        }
        return parts;
    }

    private static List<Long> places(Upright u, long length) {
        var last = length - u.width();
        return switch (u.at()) {
            case START -> List.of(0L);
            case END -> List.of(last);
            case ENDS -> last > u.width() ? List.of(0L, last) : List.of();
            case MIDDLE -> List.of(last / 2);
            case PITCH -> {
                // As many spaces as keep the pitch; an upright in the middle of each.
                var spaces = (length + u.pitch() - 1) / u.pitch();
                var places = new ArrayList<Long>();
                for (var i = 0L; i < spaces; i++) {
                    places.add(length * (2 * i + 1) / (2 * spaces) - u.width() / 2);
                }
                yield places;
            }
        };
    }

    /** What of a piece shows at one of its ends: a rectangle of Y and Z, and what that is made of. */
    private record Shown(Swatch swatch, Rect at) {}

    /** Those of these pieces, all equally high, whose ends do not look as those of a plain wall do: beside a neighbour there is a seam. */
    public List<Recipe> seams(List<Recipe> pieces) {
        return pieces.stream()
                .filter(r -> {
                    var plain = new Recipe.WallPanel(new Vec(
                            Math.max(r.size().x(), 4_000_000),
                            r.size().y(),
                            r.size().z()));
                    var start = end(dress(plain), 0);
                    return !end(dress(r), 0).equals(start)
                            || !end(dress(r), r.size().x()).equals(start);
                })
                .toList();
    }

    private static Set<Shown> end(List<Part> parts, long x) {
        var shown = new HashSet<Shown>();
        for (var part : parts) {
            for (var box : part.solids()) {
                if (box.min().x() == x || box.max().x() == x) {
                    shown.add(new Shown(
                            part.swatch(),
                            new Rect(
                                    box.min().y(),
                                    box.min().z(),
                                    box.max().y(),
                                    box.max().z())));
                }
            }
        }
        return shown;
    }
}
