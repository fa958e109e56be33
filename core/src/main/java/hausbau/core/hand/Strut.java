package hausbau.core.hand;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;

/** A piece of a given section between two points: as long as they lie apart, its middle line from one to the other. */
public record Strut(Kind kind, Stance stance) {

    private static final long SHORTEST = 1_000;
    private static final long LONGEST = 100_000_000;

    /**
     * @param width  across, level, 1 mm to 100 m
     * @param height across, upward where it lies level, 1 mm to 100 m
     * @throws Refused if the points lie nearer than 1 mm or farther apart than 100 m
     */
    public static Strut between(Vec from, Vec to, Length width, Length height) {
        section("widthMm", width);
        section("heightMm", height);
        var d = to.minus(from);
        var flat = StrictMath.hypot(d.x(), d.y());
        var length = Math.round(StrictMath.hypot(flat, d.z()));
        if (length < SHORTEST || length > LONGEST) {
            throw new Refused("toMm", "A strut is from 1 mm to 100 m long.");
        }
        var kind = new Kind(Role.PROP, new Recipe.Mass(new Vec(length, width.um(), height.um())), Pivot.BASE_CENTRE);
        var middle = new Vec(
                Math.floorDiv(from.x() + to.x(), 2),
                Math.floorDiv(from.y() + to.y(), 2),
                Math.floorDiv(from.z() + to.z(), 2));
        var stance = turned(d, flat);
        return new Strut(kind, stance.movedTo(middle.plus(stance.direction(0, 0, -height.um() / 2))));
    }

    private static Stance turned(Vec d, double flat) {
        if (d.z() == 0 && (d.x() == 0 || d.y() == 0)) {
            return Stance.at(Vec.ZERO, d.x() > 0 ? Turn.NONE : d.x() < 0 ? Turn.of(2) : Turn.of(d.y() > 0 ? 1 : 3));
        }
        var yaw = flat == 0 ? 0 : Math.toDegrees(StrictMath.atan2(d.y(), d.x()));
        return new Stance(
                Vec.ZERO, Turn.NONE, false, yaw, new Lean(0, Math.toDegrees(-StrictMath.atan2(d.z(), flat)), 1));
    }

    private static void section(String field, Length length) {
        if (length.um() < SHORTEST || length.um() > LONGEST) {
            throw new Refused(field, "A strut's section is from 1 mm to 100 m across.");
        }
    }
}
