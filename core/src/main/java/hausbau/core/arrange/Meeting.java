package hausbau.core.arrange;

import hausbau.core.measure.Axis;
import hausbau.core.measure.Box;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import java.util.Arrays;
import java.util.Collection;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The nearest side of something beside a box, along an axis, that one of the box's own sides can come to lie at.
 *
 * @param by   how far the box is moved for that, micrometres
 * @param with whose side it is
 */
record Meeting(long by, Place with) {

    /** @param reach micrometres either way. Linear in what stands around; of two that are as near the first counts */
    static Optional<Meeting> nearest(Box box, Axis axis, Collection<Standing> around, long reach) {
        @Nullable Meeting best = null;
        for (var other : around) {
            var o = other.box();
            if (!isBeside(box, o, axis)) {
                continue;
            }
            for (var theirs : new long[] {axis.of(o.min()), axis.of(o.max())}) {
                for (var ours : new long[] {axis.of(box.min()), axis.of(box.max())}) {
                    var by = theirs - ours;
                    if (Math.abs(by) <= reach && (best == null || Math.abs(by) < Math.abs(best.by()))) {
                        best = new Meeting(by, other.place());
                    }
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** Level it is enough that they touch, one beside the other; what only stands on it is not beside it. */
    private static boolean isBeside(Box a, Box b, Axis along) {
        return Arrays.stream(Axis.values()).filter(across -> across != along).allMatch(across -> {
            var free =
                    Math.max(across.of(a.min()), across.of(b.min())) - Math.min(across.of(a.max()), across.of(b.max()));
            return along == Axis.Z || across == Axis.Z ? free < 0 : free <= 0;
        });
    }
}
