package hausbau.core.arrange;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.List;

/**
 * What a hand does with several pieces as with one body: a move, quarter turns, a free turn, a mirroring, in this order.
 * All but the free turn is exact.
 *
 * <p>One piece turns about its pivot, and is mirrored about its own middle, left against right as it faces. Several turn
 * about the middle of their extent and are mirrored across it, west against east; the middle is taken to where what stood
 * on the step stays on it.
 *
 * @param quarterTurns counter-clockwise; may be negative
 * @param freeDegrees  counter-clockwise; from above -360 to below 360
 */
public record Arrangement(Vec by, int quarterTurns, double freeDegrees, boolean mirror) {

    public Arrangement(Vec by, int quarterTurns, boolean mirror) {
        this(by, quarterTurns, 0, mirror);
    }

    public Arrangement {
        if (!(freeDegrees > -360 && freeDegrees < 360)) {
            throw new IllegalArgumentException("a free turn lies between -360 and 360 degrees");
        }
    }

    /** What it does, as the undo button names it. */
    public String verb() {
        if (quarterTurns != 0 || freeDegrees != 0) {
            return "Turn";
        }
        return mirror ? "Mirror" : "Move";
    }

    /** Where each comes to stand, in the order given. */
    public List<Stance> apply(List<Standing> standing, Length step) {
        if (standing.size() == 1) {
            var from = standing.get(0).stance();
            var stance =
                    spun(turned(from.movedBy(by), from.at().plus(by)), from.at().plus(by));
            return List.of(
                    mirror
                            ? new Stance(
                                    stance.at(), stance.turn(), !stance.mirrored(), stance.freeDegrees(), stance.lean())
                            : stance);
        }
        var extent = standing.stream().map(Standing::box).reduce(Box::union).orElseThrow();
        var middle = middle(extent, step).plus(by);
        var across = evenTo(extent.min().x() + extent.max().x() + 2 * by.x(), step);
        return standing.stream()
                .map(s -> {
                    var stance = spun(turned(s.stance().movedBy(by), middle), middle);
                    return mirror ? mirrored(stance, s.kind().box(), across) : stance;
                })
                .toList();
    }

    /**
     * Where a body comes to stand that is arranged together with others.
     *
     * @param all   all that is arranged
     * @param pivot of the body
     * @param own   what it takes about its pivot
     */
    public Stance carry(List<Standing> all, Stance pivot, Box own, Length step) {
        var extent = all.stream().map(Standing::box).reduce(Box::union).orElseThrow();
        var middle = middle(extent, step).plus(by);
        var stance = spun(turned(pivot.movedBy(by), middle), middle);
        return mirror
                ? mirrored(stance, own, evenTo(extent.min().x() + extent.max().x() + 2 * by.x(), step))
                : stance;
    }

    /** Turned about a point, and then moved. */
    public Stance about(Stance from, Vec point) {
        return spun(turned(from, point), point).movedBy(by);
    }

    private Stance turned(Stance from, Vec about) {
        var turn = from.turn().plus(quarterTurns);
        var spin = turn.plus(-from.turn().quarters());
        var at = about.plus(spin.apply(from.at().minus(about)));
        return new Stance(at, turn, from.mirrored(), from.freeDegrees(), from.lean());
    }

    private Stance spun(Stance from, Vec about) {
        if (freeDegrees == 0) {
            return from;
        }
        var cos = StrictMath.cos(Math.toRadians(freeDegrees));
        var sin = StrictMath.sin(Math.toRadians(freeDegrees));
        var x = from.at().x() - about.x();
        var y = from.at().y() - about.y();
        var at = new Vec(
                about.x() + Math.round(x * cos - y * sin),
                about.y() + Math.round(x * sin + y * cos),
                from.at().z());
        return new Stance(at, from.turn(), from.mirrored(), (from.freeDegrees() + freeDegrees) % 360, from.lean());
    }

    /**
     * Reflected across the upright plane at half of {@code across}: the turns run the other way, and since a piece is
     * mirrored within its own extent, its pivot moves by as much as that extent lies to one side of it.
     */
    public static Stance mirrored(Stance s, Box own, long across) {
        var turn = Turn.of(-s.turn().quarters());
        var free = s.freeDegrees() == 0 ? 0 : -s.freeDegrees();
        var lean = s.lean().mirrored();
        var sum = own.min().x() + own.max().x();
        var by = turn.apply(new Vec(-sum, 0, 0));
        if (!s.isExact()) {
            var m = lean.matrix(turn.quarters() * 90 + free);
            by = new Vec(Math.round(-sum * m[0]), Math.round(-sum * m[3]), Math.round(-sum * m[6]));
        }
        return new Stance(
                new Vec(across - s.at().x(), s.at().y(), s.at().z()).plus(by), turn, !s.mirrored(), free, lean);
    }

    private static Vec middle(Box extent, Length step) {
        var x = new Length((extent.min().x() + extent.max().x()) / 2).roundTo(step);
        var y = new Length((extent.min().y() + extent.max().y()) / 2).roundTo(step);
        return new Vec(x.um(), y.um(), 0);
    }

    /** To the nearest multiple of the step; from halfway to an even one, so that mirroring twice brings everything back. */
    private static long evenTo(long um, Length step) {
        var below = Math.floorDiv(um, step.um());
        var twice = 2 * (um - below * step.um());
        var up = twice > step.um() || twice == step.um() && below % 2 != 0;
        return (up ? below + 1 : below) * step.um();
    }
}
