package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;
import java.util.List;
import java.util.Optional;

/**
 * What makes two pieces the same: what they are for, how they are made, and the point that is set down. Everything that
 * can be reckoned about a piece without knowing its code is reckoned here, once.
 */
public final class Kind {

    private final Role role;
    private final Recipe recipe;
    private final Pivot pivot;
    private final Sides sides;
    /** From the natural frame to the piece's own. */
    private final Vec by;

    private final Box box;
    private final List<Solid> solids;
    private final int hash;

    public Kind(Role role, Recipe recipe, Pivot pivot) {
        this(role, recipe, pivot, Sides.PLAIN);
    }

    /** @param look the pattern that it is under; 0 for the site's */
    public Kind(Role role, Recipe recipe, Pivot pivot, long look) {
        this(role, recipe, pivot, Sides.of(look));
    }

    public Kind(Role role, Recipe recipe, Pivot pivot, Sides sides) {
        this.sides = sides;
        this.role = role;
        this.recipe = recipe;
        this.pivot = pivot;
        var natural = recipe.box();
        by = Vec.ZERO.minus(natural.min()).minus(pivot.in(natural.size()));
        this.box = natural.movedBy(by);
        this.solids = recipe.solids().stream()
                .map(s -> new Solid(s.box().movedBy(by), s.round()))
                .toList();
        this.hash = 31 * (31 * role.ordinal() + recipe.hashCode()) + pivot.ordinal() + 7919 * sides.hashCode();
    }

    public Role role() {
        return role;
    }

    public Recipe recipe() {
        return recipe;
    }

    public Pivot pivot() {
        return pivot;
    }

    /** The pattern that it is under; 0 for the site's. */
    public long look() {
        return sides.front();
    }

    public Sides sides() {
        return sides;
    }

    public Vec size() {
        return box.size();
    }

    /** Whether it only stands in for a piece that is still to be modelled. */
    public boolean isStandIn() {
        return recipe instanceof Recipe.StandIn;
    }

    /** The whole extent in the piece's own frame. */
    public Box box() {
        return box;
    }

    /** From the natural frame, in which parts are told, to its own. */
    public Vec natural() {
        return by;
    }

    /** What holds its bodies, in its own frame. */
    public List<Solid> solids() {
        return solids;
    }

    /** Its surface in its own frame, millimetres. */
    public Mesh mesh(Finish finish) {
        return mesh(recipe.parts(), finish);
    }

    /** The surface of parts that stand in the natural frame of it, in its own. */
    Mesh mesh(List<Part> parts, Finish finish) {
        return recipe.mesh(parts, finish).movedBy(new Point(by.x() / 1000.0, by.y() / 1000.0, by.z() / 1000.0));
    }

    /**
     * A code to begin from, such as {@code WAL-2000} or {@code WAL-3800x3200}: the role, the length, and the height only
     * where it is not the storey's.
     */
    public String suggestedCode(Length storey) {
        var size = size();
        var x = new Length(size.x());
        if (recipe instanceof Recipe.Bench) {
            return "PRP-BENCH";
        }
        if (recipe instanceof Recipe.Cubicle) {
            return "PRP-CUBICLE";
        }
        if (recipe instanceof Recipe.Lamp) {
            return "PRP-LAMP";
        }
        if (recipe instanceof Recipe.WallLamp) {
            return "PRP-WALL-LAMP";
        }
        if (recipe instanceof Recipe.HangingLamp) {
            return "PRP-HANGING-LAMP";
        }
        if (recipe instanceof Recipe.Tile || recipe instanceof Recipe.Landing) {
            return Piece.code(role, x, new Length(size.y()));
        }
        if (recipe instanceof Recipe.CornerPiece) {
            return Piece.code(role, x, new Length(size.y()))
                    + (size.z() == storey.um()
                            ? ""
                            : "x" + new Length(size.z()).toMillimetres().toPlainString());
        }
        if (recipe instanceof Recipe.Moulding) {
            return Piece.code(role, x, new Length(size.z()));
        }
        if (recipe instanceof Recipe.MouldingCorner corner) {
            return Piece.code(role, new Length(corner.leg()), new Length(size.z())) + (corner.outer() ? "-OUT" : "-IN");
        }
        if (recipe instanceof Recipe.Mass) {
            return Piece.code(role, x, new Length(size.y()), new Length(size.z()));
        }
        if (recipe instanceof Recipe.Flight flight) {
            return Piece.code(role, x) + "-S" + flight.treads();
        }
        if (recipe instanceof Recipe.SlopedGuard guard) {
            return Piece.code(role, x) + "-S" + guard.treads();
        }
        if (recipe instanceof Recipe.Guard) {
            return Piece.code(role, x);
        }
        var code = Piece.code(role, x);
        return size.z() == storey.um()
                ? code
                : code + "x" + new Length(size.z()).toMillimetres().toPlainString();
    }

    /** Codes that tell more and more about it: that to begin from, then with its height, its thickness, what is open in it. */
    List<String> suggestedCodes(Length storey) {
        var first = suggestedCode(storey);
        var size = size();
        if (recipe instanceof Recipe.Moulding || recipe instanceof Recipe.MouldingCorner) {
            return List.of(
                    first, first + "-W" + new Length(size.y()).toMillimetres().toPlainString());
        }
        if (recipe instanceof Recipe.Tile || recipe instanceof Recipe.Landing || recipe instanceof Recipe.CornerPiece) {
            return List.of(first, Piece.code(role, new Length(size.x()), new Length(size.y()), new Length(size.z())));
        }
        var high = Piece.code(role, new Length(size.x()), new Length(size.z()));
        var thick = Piece.code(role, new Length(size.x()), new Length(size.z()), new Length(size.y()));
        return clear().map(clear -> {
                    var of = "-" + mm(clear.size().x()) + "x" + mm(clear.size().z());
                    return List.of(
                            first,
                            first + of,
                            first + of + "-" + mm(clear.min().x()) + "x"
                                    + mm(clear.min().z()),
                            thick + of + "-" + mm(clear.min().x()) + "x"
                                    + mm(clear.min().z()));
                })
                .orElse(
                        recipe instanceof Recipe.WallPanel || recipe instanceof Recipe.CornerPost
                                ? List.of(first, high, thick)
                                : List.of(first));
    }

    /** What is open in a panel. */
    private Optional<Box> clear() {
        if (recipe instanceof Recipe.OpeningPanel panel) {
            return Optional.of(panel.clear());
        }
        return recipe instanceof Recipe.PassagePanel panel ? Optional.of(panel.clear()) : Optional.empty();
    }

    private static String mm(long um) {
        return new Length(um).toMillimetres().toPlainString();
    }

    /** What a person calls it, its sizes in the unit. */
    public String describe(Unit unit) {
        var size = size();
        var x = unit.format(new Length(size.x()));
        if (recipe instanceof Recipe.OpeningPanel panel) {
            var clear = panel.clear().size();
            return role.label() + " " + unit.format(new Length(clear.x())) + " × " + unit.format(new Length(clear.z()));
        }
        if (recipe instanceof Recipe.PassagePanel panel) {
            var clear = panel.clear().size();
            return "passage " + unit.format(new Length(clear.x())) + " × " + unit.format(new Length(clear.z()));
        }
        if (recipe instanceof Recipe.Tile) {
            return role.label() + " tile " + x + " × " + unit.format(new Length(size.y()));
        }
        if (recipe instanceof Recipe.Pillar) {
            return "pillar " + unit.format(new Length(size.z()));
        }
        if (recipe instanceof Recipe.CornerPost) {
            return "corner post";
        }
        if (recipe instanceof Recipe.CornerPiece) {
            return "corner " + x + " × " + unit.format(new Length(size.y()));
        }
        if (recipe instanceof Recipe.MouldingCorner corner) {
            return (corner.outer() ? "outer" : "inner") + " corner of moulding "
                    + unit.format(new Length(corner.leg()));
        }
        if (recipe instanceof Recipe.Landing) {
            return "landing " + x + " × " + unit.format(new Length(size.y()));
        }
        if (recipe instanceof Recipe.Flight flight) {
            return "flight of " + flight.treads() + (flight.treads() == 1 ? " step" : " steps");
        }
        if (recipe instanceof Recipe.Ramp) {
            return "ramp " + x;
        }
        if (recipe instanceof Recipe.SlopedGuard) {
            return "sloped guard " + x;
        }
        if (recipe instanceof Recipe.Bench) {
            return "bench";
        }
        if (recipe instanceof Recipe.Cubicle) {
            return "changing cubicle";
        }
        if (recipe instanceof Recipe.Lamp) {
            return "standing lamp";
        }
        if (recipe instanceof Recipe.WallLamp) {
            return "wall lamp";
        }
        if (recipe instanceof Recipe.HangingLamp) {
            return "hanging lamp";
        }
        if (recipe instanceof Recipe.Made) {
            return "made " + role.label();
        }
        return role.label() + " " + x;
    }

    @Override
    public boolean equals(Object o) {
        return this == o
                || o instanceof Kind k
                        && hash == k.hash
                        && role == k.role
                        && pivot == k.pivot
                        && sides.equals(k.sides)
                        && recipe.equals(k.recipe);
    }

    @Override
    public int hashCode() {
        return hash;
    }

    @Override
    public String toString() {
        return role + " " + recipe + " " + pivot + (sides.equals(Sides.PLAIN) ? "" : " under " + sides);
    }
}
