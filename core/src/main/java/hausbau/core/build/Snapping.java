package hausbau.core.build;

import hausbau.core.kit.Piece;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;

/**
 * Sets a piece down: on the step, against the edges of pieces beside it, onto the surface beneath it.
 *
 * <p>Along X and Y an edge within half a step wins over the grid, and the nearer edge over the farther. Upward it is the
 * highest top under the footprint that is not more than half a step above where the piece is held; where there is none,
 * the floor.
 */
public final class Snapping {

    /** What held the piece along an axis: X, Y or Z, with the placement it holds to, or 0 for grid and floor. */
    public record Hold(char axis, Kind kind, long placementId) {
    }

    public enum Kind { GRID, EDGE, SURFACE, FLOOR }

    public record Snapped(Stance stance, List<Hold> holds) {
    }

    private record Shift(long by, long placementId) {
    }

    private final Length step;
    private final long floor;
    private final List<PlacedPiece> around;

    /**
     * @param floor  height of the floor where nothing lies
     * @param around placements near enough to matter; see {@link #reach}
     */
    public Snapping(Length step, long floor, List<PlacedPiece> around) {
        this.step = step;
        this.floor = floor;
        this.around = around;
    }

    /** Everything that can hold a piece standing so touches this box. */
    public static Box reach(Stance stance, Piece piece, Length step) {
        var box = stance.box(piece).grownBy(step.um());
        return new Box(box.min().withZ(-Length.LIMIT_UM), box.max());
    }

    public Snapped snap(Piece piece, Stance wanted) {
        var holds = new ArrayList<Hold>();
        var x = along(piece, wanted, 'X', holds);
        var stance = wanted.movedBy(new Vec(x, 0, 0));
        stance = stance.movedBy(new Vec(0, along(piece, stance, 'Y', holds), 0));
        stance = stance.movedBy(new Vec(0, 0, down(piece, stance, step.um() / 2, holds)));
        return new Snapped(stance, holds);
    }

    /** Lets a placement drop straight down onto what is under it, or onto the floor. Nothing under it: it stays. */
    public Stance plumb(Piece piece, Stance from) {
        return from.movedBy(new Vec(0, 0, Math.min(0, down(piece, from, 0, new ArrayList<>()))));
    }

    private long along(Piece piece, Stance stance, char axis, List<Hold> holds) {
        var edge = nearestEdge(stance.box(piece), axis);
        if (edge != null) {
            holds.add(new Hold(axis, Kind.EDGE, edge.placementId()));
            return edge.by();
        }
        holds.add(new Hold(axis, Kind.GRID, 0));
        var pivot = new Length(along(stance.at(), axis));
        return pivot.roundTo(step).minus(pivot).um();
    }

    private Shift nearestEdge(Box box, char axis) {
        var across = axis == 'X' ? 'Y' : 'X';
        Shift best = null;
        for (var other : around) {
            var o = other.box();
            var beside = along(box.min(), across) <= along(o.max(), across) && along(o.min(), across) <= along(box.max(), across)
                    && box.min().z() < o.max().z() && o.min().z() < box.max().z();
            if (!beside) {
                continue;
            }
            for (var theirs : new long[] {along(o.min(), axis), along(o.max(), axis)}) {
                for (var ours : new long[] {along(box.min(), axis), along(box.max(), axis)}) {
                    var by = theirs - ours;
                    if (Math.abs(by) <= step.um() / 2 && (best == null || Math.abs(by) < Math.abs(best.by()))) {
                        best = new Shift(by, other.id());
                    }
                }
            }
        }
        return best;
    }

    private static long along(Vec v, char axis) {
        return axis == 'X' ? v.x() : v.y();
    }

    /** How far up (or, below 0, down) to the highest surface not more than {@code slack} above the base. */
    private long down(Piece piece, Stance stance, long slack, List<Hold> holds) {
        var box = stance.box(piece);
        var base = box.min().z();
        var best = floor;
        var hold = new Hold('Z', Kind.FLOOR, 0);
        for (var other : around) {
            for (var solid : other.solids()) {
                var top = solid.max().z();
                if (solid.overlapsInPlan(box) && top <= base + slack && (top > best || top == best && hold.kind() == Kind.FLOOR)) {
                    best = top;
                    hold = new Hold('Z', Kind.SURFACE, other.id());
                }
            }
        }
        holds.add(hold);
        return best - base;
    }
}
