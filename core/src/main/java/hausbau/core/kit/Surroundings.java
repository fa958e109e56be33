package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How pieces look that close no side of a room, at any size, µm: floors, ceilings, stairs and guards. Empty is as the recipe has it. */
public record Surroundings(
        Optional<Slab> floor, Optional<Slab> ceiling, Optional<Tread> stairs, Optional<Railing> guards) {

    public static final Surroundings NONE =
            new Surroundings(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    private static final long PROUD = 500_000;

    /**
     * A field with a border along a piece's edges.
     *
     * @param width of the border; 0 for none, and none where it leaves no field
     * @param proud how far the border hangs below a ceiling, 0 to 500 mm; a floor's is level
     */
    public record Slab(Swatch field, Swatch border, long width, long proud) {

        public Slab {
            require(width >= 0 && proud >= 0 && proud <= PROUD, "A border is 0 or wider, and hangs by 0 to 500 mm.");
        }

        private List<Part> dress(Vec size, boolean isCeiling) {
            var whole = new Box(Vec.ZERO, size);
            if (width < 100 || 2 * width + 100 > Math.min(size.x(), size.y())) {
                return List.of(Part.block(field, whole).named("field"));
            }
            var ring = new Form.Prism(
                    Outline.rectangle(0, 0, size.x(), size.y()),
                    List.of(Outline.rectangle(width, width, size.x() - width, size.y() - width)),
                    isCeiling && proud >= 100 ? proud : size.z());
            if (isCeiling && proud >= 100) {
                return List.of(
                        Part.block(field, whole).named("field"),
                        Part.of(border, ring, new Vec(0, 0, -proud)).named("border"));
            }
            return List.of(
                    Part.block(field, Box.of(width, width, 0, size.x() - width, size.y() - width, size.z()))
                            .named("field"),
                    Part.of(border, ring, Vec.ZERO).named("border"));
        }
    }

    /** @param thickness of what one steps on, 0 for none; @param nosing how far that stands out over the riser below, 0 to 500 mm */
    public record Tread(Swatch body, Swatch tread, long thickness, long nosing) {

        public Tread {
            require(
                    thickness >= 0 && nosing >= 0 && nosing <= PROUD,
                    "A tread is 0 or thicker, and stands out by 0 to 500 mm.");
        }

        private List<Part> dress(Recipe recipe) {
            if (recipe instanceof Recipe.Flight f) {
                return flight(f);
            }
            if (recipe instanceof Recipe.Landing landing
                    && thickness >= 100
                    && thickness + 100 < landing.size().z()) {
                var size = landing.size();
                return List.of(
                        Part.block(body, Box.of(0, 0, 0, size.x(), size.y(), size.z() - thickness))
                                .named("landing"),
                        Part.block(tread, Box.of(0, 0, size.z() - thickness, size.x(), size.y(), size.z()))
                                .named("tread"));
            }
            return recipe.parts().stream().map(p -> p.of(body)).toList();
        }

        /** The steps set lower by as much as a tread is thick, and the treads on them. */
        private List<Part> flight(Recipe.Flight f) {
            var size = f.size();
            var foot = f.foot().um();
            var waist = Math.max(Recipe.Flight.WAIST.um(), foot);
            var rise = (size.z() - foot) / f.treads();
            if (thickness < 100 || thickness > foot || thickness + 100 > rise) {
                return f.parts().stream().map(p -> p.of(body)).toList();
            }
            var parts = new ArrayList<Part>();
            parts.add(Part.of(
                            body,
                            new Form.Steps(
                                    new Vec(size.x(), size.y(), size.z() - thickness),
                                    f.treads(),
                                    foot - thickness,
                                    waist - thickness),
                            Vec.ZERO)
                    .named("steps"));
            for (var i = 0; i < f.treads(); i++) {
                var top = foot + (size.z() - foot) * (i + 1) / f.treads();
                parts.add(Part.block(
                                tread,
                                Box.of(
                                        size.x() * i / f.treads() - nosing,
                                        0,
                                        top - thickness,
                                        size.x() * (i + 1) / f.treads(),
                                        size.y(),
                                        top))
                        .named("tread"));
            }
            return parts;
        }
    }

    /**
     * Upright bars under a rail.
     *
     * @param pitch  from one to the next at most, @param bar how thick one is
     * @param width  of the rail, @param height of it
     */
    public record Railing(Swatch bars, long pitch, long bar, Swatch rail, long width, long height) {

        public Railing {
            require(
                    bar >= 1_000
                            && pitch >= bar
                            && width >= 1_000
                            && height >= 1_000
                            && width <= PROUD
                            && height <= PROUD,
                    "Bars and rails are from 1 mm, a rail up to 500 mm; bars stand apart.");
        }

        private List<Part> dress(Vec size, long rise, int treads) {
            var top = size.z() - rise;
            if (bar > Math.min(size.x(), size.y()) || size.x() / pitch > 2000 || height + 100 > top) {
                return List.of();
            }
            return List.of(
                    Part.of(
                                    bars,
                                    new Form.Bars(
                                            new Vec(size.x(), size.y(), size.z() - height / 2),
                                            rise,
                                            treads,
                                            pitch,
                                            bar),
                                    Vec.ZERO)
                            .named("bars"),
                    Part.of(
                                    rail,
                                    new Form.Sloped(size.x(), width, top - height, top, size.z() - height, size.z()),
                                    new Vec(0, (size.y() - width) / 2, 0))
                            .named("rail"));
        }
    }

    private static void require(boolean holds, String message) {
        if (!holds) {
            throw new Refused("around", message);
        }
    }

    /** As the recipe has it where nothing is said of such pieces. */
    List<Part> dress(Role role, Recipe recipe) {
        if (recipe instanceof Recipe.Tile tile) {
            var isCeiling = role == Role.CEILING;
            return (isCeiling ? ceiling : floor)
                    .map(s -> s.dress(tile.size(), isCeiling))
                    .orElseGet(recipe::parts);
        }
        if (role == Role.STAIR) {
            return stairs.map(s -> s.dress(recipe)).orElseGet(recipe::parts);
        }
        if (recipe instanceof Recipe.Guard guard) {
            return guards.map(g -> g.dress(guard.size(), 0, 0))
                    .filter(p -> !p.isEmpty())
                    .orElseGet(recipe::parts);
        }
        if (recipe instanceof Recipe.SlopedGuard guard) {
            return guards.map(g -> g.dress(guard.size(), guard.rise().um(), guard.treads()))
                    .filter(p -> !p.isEmpty())
                    .orElseGet(recipe::parts);
        }
        return recipe.parts();
    }
}
