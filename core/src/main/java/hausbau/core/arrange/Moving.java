package hausbau.core.arrange;

import hausbau.core.measure.Axis;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Standing;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;

/**
 * A body taken along some of the axes, as a hand does that holds it by a handle: a side that comes within half a step of a
 * side of something beside it comes to lie there, and the nearest wins; else it is moved by whole steps. Along an axis that
 * it is not moved along nothing changes, so that what is lifted stays lifted. On the grid this is exact.
 */
public final class Moving {

    private final Length step;
    private final Collection<Standing> around;

    /** @param around what may hold it, without itself */
    public Moving(Length step, Collection<Standing> around) {
        this.step = step;
        this.around = around;
    }

    /** @return by how much it comes to be moved */
    public Vec snapped(Box box, Vec by) {
        var moved = by;
        for (var axis : axes(by)) {
            moved = moved.plus(axis.by(shift(box.movedBy(moved), axis, axis.of(by))));
        }
        return moved;
    }

    /** The axes that an offset goes along. */
    public static List<Axis> axes(Vec by) {
        return Arrays.stream(Axis.values()).filter(axis -> axis.of(by) != 0).toList();
    }

    private long shift(Box box, Axis axis, long wanted) {
        return Meeting.nearest(box, axis, around, step.um() / 2)
                .map(Meeting::by)
                .orElseGet(() -> new Length(wanted).roundTo(step).um() - wanted);
    }
}
