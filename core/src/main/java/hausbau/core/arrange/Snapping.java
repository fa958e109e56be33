package hausbau.core.arrange;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Axis;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Sets a piece down: on the step, against the edges of pieces beside it, onto the surface beneath it.
 *
 * <p>Along X and Y an edge within half a step wins over the grid, and the nearer edge over the farther. Upward it is the
 * highest top under the footprint that is not more than half a step above where the piece is held; where there is none,
 * the floor.
 */
public final class Snapping {

    /** What held the piece along an axis: X, Y or Z, with the piece it holds to; none for grid and floor. */
    public record Hold(char axis, To to, Optional<Place> place) {

        public Hold(char axis, To to) {
            this(axis, to, Optional.empty());
        }
    }

    public enum To {
        GRID,
        EDGE,
        SURFACE,
        FLOOR,
        FACE,
        UNDERSIDE
    }

    public record Snapped(Stance stance, List<Hold> holds) {}

    private final Length step;
    private final long floor;
    private final List<Standing> around;

    /**
     * @param floor  height of the floor where nothing lies
     * @param around placements near enough to matter; see {@link #reach}
     */
    public Snapping(Length step, long floor, List<Standing> around) {
        this.step = step;
        this.floor = floor;
        this.around = around;
    }

    /** Everything that can hold a piece standing so touches this box. */
    public static Box reach(Stance stance, Kind kind, Length step) {
        var box = stance.box(kind).grownBy(step.um());
        return new Box(box.min().withZ(-Length.LIMIT_UM), box.max());
    }

    public Snapped snap(Kind kind, Stance wanted) {
        var flat = snapFlat(kind, wanted);
        var holds = new ArrayList<>(flat.holds());
        return new Snapped(
                flat.stance().movedBy(new Vec(0, 0, down(kind, flat.stance(), step.um() / 2, holds))), holds);
    }

    /** Along X and Y alone. */
    public Snapped snapFlat(Kind kind, Stance wanted) {
        var holds = new ArrayList<Hold>();
        var stance = wanted.movedBy(new Vec(along(kind, wanted, Axis.X, holds), 0, 0));
        return new Snapped(stance.movedBy(new Vec(0, along(kind, stance, Axis.Y, holds), 0)), holds);
    }

    /** Lets a placement drop straight down onto what is under it, or onto the floor. Nothing under it: it stays. */
    public Stance plumb(Kind kind, Stance from) {
        return from.movedBy(new Vec(0, 0, Math.min(0, down(kind, from, 0, new ArrayList<>()))));
    }

    private long along(Kind kind, Stance stance, Axis axis, List<Hold> holds) {
        var edge = Meeting.nearest(stance.box(kind), axis, around, step.um() / 2);
        if (edge.isPresent()) {
            holds.add(new Hold(name(axis), To.EDGE, Optional.of(edge.get().with())));
            return edge.get().by();
        }
        holds.add(new Hold(name(axis), To.GRID));
        var pivot = new Length(axis.of(stance.at()));
        return pivot.roundTo(step).minus(pivot).um();
    }

    private static char name(Axis axis) {
        return axis.name().charAt(0);
    }

    /** How far up (or, below 0, down) to the highest surface not more than {@code slack} above the base. */
    private long down(Kind kind, Stance stance, long slack, List<Hold> holds) {
        var box = stance.box(kind);
        var base = box.min().z();
        var best = floor;
        var hold = new Hold('Z', To.FLOOR);
        for (var other : around) {
            for (var solid : other.solids()) {
                var top = solid.max().z();
                if (solid.overlapsInPlan(box)
                        && top <= base + slack
                        && (top > best || top == best && hold.to() == To.FLOOR)) {
                    best = top;
                    hold = new Hold('Z', To.SURFACE, Optional.of(other.place()));
                }
            }
        }
        holds.add(hold);
        return best - base;
    }
}
