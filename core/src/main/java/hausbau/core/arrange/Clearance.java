package hausbau.core.arrange;

import hausbau.core.measure.Axis;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * How far a box is from what stands next to it on one of its sides, straight along an axis.
 *
 * @param from on the box's side, in the middle of what faces the other
 * @param to   on the other, straight across
 * @param next what stands there
 */
public record Clearance(Axis axis, Vec from, Vec to, Place next) {

    /** Micrometres, 0 where they touch. */
    public long um() {
        return Math.abs(axis.of(to) - axis.of(from));
    }

    /**
     * The clearance on each side of a box along some axes, by the bodies of what stands around; none where nothing stands. What
     * overlaps the box is not next to it. Linear in the bodies around.
     *
     * @param reach micrometres; what is farther away is not told
     */
    public static List<Clearance> around(Box box, Collection<Axis> axes, Collection<Standing> around, long reach) {
        var clearances = new ArrayList<Clearance>();
        for (var axis : axes) {
            for (var upward : new boolean[] {false, true}) {
                nearest(box, axis, upward, around, reach).ifPresent(clearances::add);
            }
        }
        return clearances;
    }

    /** What may lie within the reach of a box along an axis. */
    public static Box reach(Box box, Axis axis, long um) {
        return new Box(box.min().plus(axis.by(-um)), box.max().plus(axis.by(um)));
    }

    private static Optional<Clearance> nearest(
            Box box, Axis axis, boolean upward, Collection<Standing> around, long reach) {
        Clearance nearest = null;
        for (var other : around) {
            for (var body : other.solids()) {
                var from = axis.of(upward ? box.max() : box.min());
                var to = axis.of(upward ? body.min() : body.max());
                var far = upward ? to - from : from - to;
                if (far >= 0 && far <= reach && faces(box, body, axis) && (nearest == null || far < nearest.um())) {
                    var middle = middleOfBoth(box, body);
                    nearest = new Clearance(axis, at(middle, axis, from), at(middle, axis, to), other.place());
                }
            }
        }
        return Optional.ofNullable(nearest);
    }

    private static boolean faces(Box a, Box b, Axis along) {
        return Arrays.stream(Axis.values())
                .filter(across -> across != along)
                .allMatch(across -> across.of(a.min()) < across.of(b.max()) && across.of(b.min()) < across.of(a.max()));
    }

    /** Of what they share, seen along any axis. */
    private static Vec middleOfBoth(Box a, Box b) {
        return Arrays.stream(Axis.values())
                .map(axis -> axis.by(
                        (Math.max(axis.of(a.min()), axis.of(b.min())) + Math.min(axis.of(a.max()), axis.of(b.max())))
                                / 2))
                .reduce(Vec.ZERO, Vec::plus);
    }

    private static Vec at(Vec v, Axis axis, long um) {
        return v.plus(axis.by(um - axis.of(v)));
    }
}
