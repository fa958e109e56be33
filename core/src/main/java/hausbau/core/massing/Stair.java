package hausbau.core.massing;

import hausbau.core.kit.Recipe;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A way up from one floor to another: flights of steps with a landing where they turn, or a ramp.
 *
 * @param level  the storey that it begins on
 * @param right  whether it turns to the right of whoever goes up
 * @param foot   the corner of its ground at the right hand of whoever sets out, on the floor it begins on
 * @param up     the way it sets out: along X, turned
 * @param width  clear width of every flight
 * @param rise   from floor to floor
 * @param risers steps up; 1 for a ramp
 * @param going  of one step; of a ramp its whole length in plan
 */
public record Stair(
        long id,
        long level,
        Shape shape,
        boolean right,
        Vec foot,
        Turn up,
        Length width,
        Length rise,
        int risers,
        Length going) {

    /** How it lies. */
    public enum Shape {
        STRAIGHT,
        QUARTER_TURN,
        HALF_TURN,
        RAMP;

        public String label() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /** Between the flights of a half turn. */
    private static final long WELL = Length.ofMillimetres(100).um();
    /** Of flights and landings, upright. */
    static final long WAIST = Recipe.Flight.WAIST.um();
    /** Common practice, no source. */
    public static final Length USUAL_WIDTH = Length.ofMillimetres(1200);
    /** A metre of rise for twelve of ramp (ADA 2010, 405.2, from memory). */
    private static final int RAMP_SLOPE = 12;
    /** Clear height over every step (DIN 18065, from memory). */
    public static final Length HEADROOM = Length.ofMillimetres(2000);

    private static final Length LEAST_WIDTH = Length.ofMillimetres(500);
    private static final Length GREATEST = Length.ofMillimetres(100_000);
    /** A ramp is looked at in stretches of this length. */
    private static final long RAMP_STRETCH = Length.ofMillimetres(300).um();

    /**
     * A straight part.
     *
     * @param box    what it takes, its waist included
     * @param up     the way it goes up; of a landing the way one comes onto it
     * @param treads surfaces to step on, the floor it leads to not among them; 0 for a landing or a ramp
     * @param first  the riser up to the first of them, from the stair's foot
     * @param foot   how much of its height hangs below the floor it begins on
     */
    public record Part(Kind kind, Box box, Turn up, int treads, int first, Length foot) {

        /** What it is. */
        public enum Kind {
            FLIGHT,
            LANDING,
            RAMP
        }

        /** The ground this far along it and so far from its right-hand side. */
        Rect ground(long x0, long y0, long x1, long y1) {
            var whole = up.apply(Box.of(0, 0, 0, length(), across(), 0));
            var own = up.apply(Box.of(x0, y0, 0, x1, y1, 0)).movedBy(box.min().minus(whole.min()));
            return new Rect(
                    own.min().x(), own.min().y(), own.max().x(), own.max().y());
        }

        /** Along the way up. */
        public long length() {
            return up.quarters() % 2 == 0 ? box.size().x() : box.size().y();
        }

        /** Across it. */
        public long across() {
            return up.quarters() % 2 == 0 ? box.size().y() : box.size().x();
        }

        public Rect ground() {
            return new Rect(
                    box.min().x(), box.min().y(), box.max().x(), box.max().y());
        }
    }

    /** A level surface to step on, µm. */
    public record Tread(Rect ground, long z) {}

    /** Stairs of a shape as the rule has them, or a ramp. */
    public static Stair usual(
            long id, long level, Shape shape, boolean right, Vec foot, Turn up, Length width, Length rise, Unit unit) {
        if (shape == Shape.RAMP) {
            return new Stair(id, level, shape, right, foot, up, width, rise, 1, rise.times(RAMP_SLOPE)).checked(unit);
        }
        var risers = StairRule.risers(rise).orElse(1);
        return new Stair(id, level, shape, right, foot, up, width, rise, risers, StairRule.going(rise, risers))
                .checked(unit);
    }

    /**
     * Stairs as a hand drew them: from the middle of the first step toward where they lead. They are laid so that they arrive
     * on the step.
     */
    public static Stair drawn(
            long id, Level level, Vec from, Vec to, Length width, Length rise, SiteSettings settings) {
        var x = to.x() - from.x();
        var y = to.y() - from.y();
        if (x == 0 && y == 0) {
            throw new Refused("toMm", "Drag from the first step toward where the stairs lead.");
        }
        var up = Math.abs(x) >= Math.abs(y) ? x > 0 ? Turn.NONE : new Turn(2) : y > 0 ? new Turn(1) : new Turn(3);
        var foot = from.withZ(level.floor()).minus(up.apply(new Vec(0, width.um() / 2, 0)));
        return usual(id, level.id(), Shape.STRAIGHT, false, foot, up, width, rise, settings.unit())
                .onStep(settings.step());
    }

    /** The same, moved so that it arrives on the step: there its floor is cut. */
    public Stair onStep(Length step) {
        var ground = last().ground();
        var quarters = last().up().quarters();
        var x = quarters == 0 ? ground.x1() : ground.x0();
        var y = quarters == 1 ? ground.y1() : ground.y0();
        return movedBy(new Vec(
                new Length(x).roundTo(step).um() - x,
                new Length(y).roundTo(step).um() - y,
                0));
    }

    public Stair movedBy(Vec by) {
        return new Stair(id, level, shape, right, foot.plus(by), up, width, rise, risers, going);
    }

    /** The same with another id, so much higher, on a level. */
    public Stair raised(long newId, long newLevel, long by) {
        return new Stair(newId, newLevel, shape, right, foot.plus(new Vec(0, 0, by)), up, width, rise, risers, going);
    }

    /** The same up another rise, its steps as the rule has them. */
    public Stair rising(Length newRise, Unit unit) {
        return usual(id, level, shape, right, foot, up, width, newRise, unit);
    }

    /** The same way set out in another shape, its steps as the rule has them. */
    public Stair shaped(Shape other, SiteSettings settings) {
        return usual(id, level, other, right, foot, up, width, rise, settings.unit())
                .onStep(settings.step());
    }

    /** The same with so many risers; with the going that goes with them if none is told. */
    public Stair stepped(int newRisers, Optional<Length> newGoing) {
        var other = newGoing.orElseGet(
                () -> newRisers == risers || newRisers < 1 ? going : StairRule.going(rise, newRisers));
        return new Stair(id, level, shape, right, foot, up, width, rise, newRisers, other);
    }

    /** @throws Refused if it is out of bounds or too steep, with what would do */
    public Stair checked(Unit unit) {
        check(unit, "widthMm", "width", width, LEAST_WIDTH);
        check(unit, "riseMm", "rise", rise, Length.ofMillimetres(shape == Shape.RAMP ? 10 : 140));
        if (shape == Shape.RAMP) {
            check(unit, "goingMm", "length of a ramp", going, rise.times(6));
            return this;
        }
        StairRule.check(unit, rise, risers, going);
        if (shape != Shape.STRAIGHT && risers < 3) {
            throw new Refused("shape", "Stairs that turn need at least three steps.");
        }
        return this;
    }

    private static void check(Unit unit, String field, String what, Length value, Length least) {
        var most = Length.max(GREATEST, least.times(2));
        if (value.compareTo(least) < 0 || value.compareTo(most) > 0) {
            throw new Refused(
                    field, "The " + what + " must be from " + unit.format(least) + " to " + unit.format(most) + ".");
        }
    }

    /** Along its parts, in plan. */
    public Length walk() {
        return new Length(parts().stream()
                .mapToLong(p -> p.kind() == Part.Kind.LANDING ? width.um() : p.length())
                .sum());
    }

    /** Where it arrives, µm. */
    public long top() {
        return foot.z() + rise.um();
    }

    /** The height of this riser's upper edge over the foot, exact but for less than 1 µm. */
    private long height(int riser) {
        return rise.um() * riser / risers;
    }

    /** Risers up to the landing. */
    private int toLanding() {
        return (risers + 1) / 2;
    }

    /** Its flights and landings, from below. */
    public List<Part> parts() {
        var w = width.um();
        var parts = new ArrayList<Part>();
        if (shape == Shape.RAMP) {
            parts.add(part(Part.Kind.RAMP, 0, 0, going.um(), w, 0, rise.um(), 0, 0, 0, Length.ZERO));
        } else if (shape == Shape.STRAIGHT) {
            flight(parts, 0, 0, 0, 0, risers);
        } else {
            var first = toLanding();
            var end = going.um() * (first - 1);
            flight(parts, 0, 0, 0, 0, first);
            var half = shape == Shape.HALF_TURN;
            parts.add(part(
                    Part.Kind.LANDING,
                    end,
                    0,
                    end + w,
                    half ? 2 * w + WELL : w,
                    Math.max(0, height(first) - WAIST),
                    height(first),
                    0,
                    0,
                    0,
                    Length.ZERO));
            if (half) {
                flight(parts, end, w + WELL, 2, first, risers);
            } else {
                flight(parts, end, w, 1, first, risers);
            }
        }
        return List.copyOf(parts);
    }

    /** A flight that sets out from x, y, turned, between two risers. */
    private void flight(List<Part> parts, long x, long y, int turned, int from, int to) {
        var treads = to - from - 1;
        if (treads > 0) {
            var run = treads * going.um();
            var w = width.um();
            var foot = from == 0 ? 0 : Math.min(WAIST, height(from));
            var box = turned == 0
                    ? new long[] {x, y, x + run, y + w}
                    : turned == 1 ? new long[] {x, y, x + w, y + run} : new long[] {x - run, y, x, y + w};
            parts.add(part(
                    Part.Kind.FLIGHT,
                    box[0],
                    box[1],
                    box[2],
                    box[3],
                    height(from) - foot,
                    height(to - 1),
                    turned,
                    treads,
                    from + 1,
                    new Length(foot)));
        }
    }

    private Part part(
            Part.Kind kind,
            long x0,
            long y0,
            long x1,
            long y1,
            long z0,
            long z1,
            int turned,
            int treads,
            int first,
            Length foot) {
        return new Part(
                kind, site(x0, y0, x1, y1, z0, z1), up.plus(turned == 1 && right ? 3 : turned), treads, first, foot);
    }

    /** From its own frame, which turns left, into the site. */
    private Box site(long x0, long y0, long x1, long y1, long z0, long z1) {
        var w = width.um();
        return up.apply(right ? Box.of(x0, w - y1, z0, x1, w - y0, z1) : Box.of(x0, y0, z0, x1, y1, z1))
                .movedBy(foot);
    }

    /** Every surface to step on, from below; a ramp in short stretches, each as high as its upper end. */
    public List<Tread> treads() {
        return parts().stream().flatMap(p -> treads(p).stream()).toList();
    }

    private List<Tread> treads(Part part) {
        var treads = new ArrayList<Tread>();
        switch (part.kind()) {
            case FLIGHT -> {
                for (var i = 0; i < part.treads(); i++) {
                    treads.add(new Tread(
                            stretch(part, i * going.um(), (i + 1) * going.um()), foot.z() + height(part.first() + i)));
                }
            }
            case LANDING -> treads.add(new Tread(part.ground(), part.box().max().z()));
            case RAMP -> {
                for (var at = 0L; at < going.um(); at += RAMP_STRETCH) {
                    var end = Math.min(going.um(), at + RAMP_STRETCH);
                    treads.add(new Tread(
                            stretch(part, at, end), foot.z() + Math.round((double) rise.um() * end / going.um())));
                }
            }
        }
        return treads;
    }

    private static Rect stretch(Part part, long from, long to) {
        return part.ground(from, 0, to, part.across());
    }

    /** What its parts take, in boxes: a flight step by step down to its soffit, a ramp in its stretches. */
    public List<Box> bodies() {
        var bodies = new ArrayList<Box>();
        for (var part : parts()) {
            var low = part.box().min().z();
            for (var t : treads(part)) {
                var under = part.kind() == Part.Kind.FLIGHT ? Math.max(low, t.z() - rise.um() / risers - WAIST) : low;
                var g = t.ground();
                bodies.add(Box.of(g.x0(), g.y0(), under, g.x1(), g.y1(), t.z()));
            }
        }
        return bodies;
    }

    /** The line that one walks up, along the middle of every part. */
    public List<Vec> way() {
        var way = new ArrayList<Vec>();
        var treads = treads();
        way.add(middle(departure(2), foot.z()));
        treads.forEach(t -> way.add(middle(t.ground(), t.z())));
        way.add(middle(arrival(2), top()));
        return way;
    }

    /** The line that a rail runs along: over the middle of the treads, a point where it turns or its slope changes. */
    public List<Vec> line() {
        var line = new ArrayList<Vec>();
        var points = treads().stream().map(t -> middle(t.ground(), t.z())).toList();
        for (var i = 0; i < points.size(); i++) {
            if (i == 0 || i == points.size() - 1 || !goesOn(points.get(i - 1), points.get(i), points.get(i + 1))) {
                line.add(points.get(i));
            }
        }
        return line.size() > 1 ? line : List.of(way().get(0), way().get(way().size() - 1));
    }

    /** Whether the way from a to b goes straight on to c; middles are rounded. */
    private static boolean goesOn(Vec a, Vec b, Vec c) {
        return Math.abs(b.x() - a.x() - (c.x() - b.x())) <= 2
                && Math.abs(b.y() - a.y() - (c.y() - b.y())) <= 2
                && Math.abs(b.z() - a.z() - (c.z() - b.z())) <= 2;
    }

    private static Vec middle(Rect r, long z) {
        return new Vec((r.x0() + r.x1()) / 2, (r.y0() + r.y1()) / 2, z);
    }

    /** All ground under it. */
    public Region ground() {
        return Region.of(parts().stream().map(Part::ground).toList());
    }

    /** The last flight, or the ramp. */
    private Part last() {
        var parts = parts();
        return parts.get(parts.size() - 1);
    }

    /** Where one steps off at its upper end, this deep. */
    Rect arrival(long deep) {
        return arrival(deep, 0);
    }

    /** The same, so much wider on both sides. */
    Rect arrival(long deep, long aside) {
        var part = last();
        return part.ground(part.length(), -aside, part.length() + deep, part.across() + aside);
    }

    /** Where one stands before the first step, this deep. */
    Rect departure(long deep) {
        var part = parts().get(0);
        return part.ground(-deep, 0, 0, part.across());
    }

    /**
     * What is cut from a slab so that there is headroom under it: the ground of all steps that lie too near under it, out to
     * the step away from where it arrives.
     *
     * @param low its lower face, @param high its upper one, µm
     */
    Region well(long low, long high, Length step) {
        if (foot.z() >= high || top() <= low) {
            return Region.EMPTY;
        }
        var under = Region.of(treads().stream()
                .filter(t -> t.z() > low - HEADROOM.um())
                .map(Tread::ground)
                .toList());
        if (under.isEmpty()) {
            return under;
        }
        var at = arrival(step.um());
        var rounded = Region.of(under.rows().stream()
                .map(r -> new Rect(down(r.x0(), step), down(r.y0(), step), -down(-r.x1(), step), -down(-r.y1(), step)))
                .toList());
        return rounded.minus(Region.of(at)).plus(under);
    }

    private static long down(long v, Length step) {
        return Math.floorDiv(v, step.um()) * step.um();
    }
}
