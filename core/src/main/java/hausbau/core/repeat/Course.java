package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.List;

/**
 * Along a straight line.
 *
 * @param inset    kept free at both ends; 0 or more
 * @param halfEnds whether, of so many, the first and the last stand half a pitch from the ends
 * @param along    whether copies turn with the line, their X along it; else they stand as they are
 */
public record Course(Vec from, Vec to, Pace pace, Length inset, boolean halfEnds, boolean along, Variation variation)
        implements Rule {

    @Override
    public void lay(List<Box> bodies, Spots spots) {
        var dx = to.x() - from.x();
        var dy = to.y() - from.y();
        var dz = to.z() - from.z();
        var axis = dx == 0 || dy == 0;
        var whole = axis && dz == 0
                ? Math.abs(dx) + Math.abs(dy)
                : Math.round(Math.sqrt((double) dx * dx + (double) dy * dy + (double) dz * dz));
        var length = whole - 2 * inset.um();
        if (whole == 0 || length < 0) {
            throw new Refused(
                    whole == 0 ? "toMm" : "insetMm",
                    whole == 0
                            ? "A course has a length."
                            : "The course is " + new Length(whole) + " long, so that it can be inset by at most "
                                    + new Length(whole / 2) + ".");
        }
        var body = bodies.get(0);
        var lengthwise = along || dy == 0;
        var own = lengthwise ? body.size().x() : body.size().y();
        var laid = pace.along(length, own, halfEnds);
        // Side by side a copy's near edge, not its pivot, stands at its place.
        var near = pace.kind() != Pace.Kind.SIDE_BY_SIDE
                ? 0
                : along
                        ? -body.min().x()
                        : dy == 0
                                ? dx > 0 ? -body.min().x() : body.max().x()
                                : dy > 0 ? -body.min().y() : body.max().y();
        var degrees = along ? Math.toDegrees(Math.atan2(dy, dx)) : 0;
        var quarters = along && axis ? dx > 0 ? 0 : dx < 0 ? 2 : dy > 0 ? 1 : 3 : 0;
        for (var i = 0; i < laid.count(); i++) {
            var at = inset.um() + laid.at(i) + near;
            spots.at(
                    i,
                    0,
                    variation.pick(i, bodies.size()),
                    from.x() + part(dx, at, whole),
                    from.y() + part(dy, at, whole),
                    from.z() + part(dz, at, whole),
                    quarters + variation.quarters(i) & 3,
                    along && !axis ? degrees : 0,
                    variation.mirrors(i));
        }
    }

    /** Exact along an axis, else to the nearest micrometre. */
    private static long part(long d, long at, long whole) {
        return Math.abs(d) == whole ? d > 0 ? at : -at : d == 0 ? 0 : Math.round((double) d * at / whole);
    }

    @Override
    public Course movedBy(Vec by) {
        return new Course(from.plus(by), to.plus(by), pace, inset, halfEnds, along, variation);
    }

    /** The same along another line. */
    public Course between(Vec newFrom, Vec newTo) {
        return new Course(newFrom, newTo, pace, inset, halfEnds, along, variation);
    }

    @Override
    public String label() {
        return "Course";
    }
}
