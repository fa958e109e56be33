package hausbau.core.hand;

import hausbau.core.arrange.Snapping;
import hausbau.core.dress.Traits;
import hausbau.core.kit.Held;
import hausbau.core.kit.Kind;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.repeat.Course;
import hausbau.core.repeat.Field;
import hausbau.core.repeat.Ring;
import hausbau.core.repeat.Rule;
import hausbau.core.standing.Body;
import hausbau.core.standing.Repeat;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Sets down what is fixed to a wall or hangs: it turns to the upright face, or goes up to the underside, that it is pointed
 * at; and says where it goes when that moves.
 */
public final class Clinging {

    /** What is fixed or hangs within this of a wall or ceiling belongs to it. Our own choice. */
    private static final long MOST_OFF = 500_000;
    /** Base of what is fixed to a wall, where it is pointed at on the floor. Common practice, no source. */
    static final Length USUAL_HEIGHT = Length.ofMillimetres(1700);
    /** A back that points so belongs to a piece turned by its place in this list, by quarters. */
    private static final List<Side> BACKS = List.of(Side.NORTH, Side.WEST, Side.SOUTH, Side.EAST);

    /**
     * What is kept while a piece is pointed about.
     *
     * @param height of its base above the floor; empty for where it is pointed at
     * @param off    between it and what holds it; 0 or more
     */
    public record Offset(Optional<Length> height, Length off) {

        public static final Offset NONE = new Offset(Optional.empty(), Length.ZERO);
    }

    /**
     * An upright face.
     *
     * @param side which way what holds the face lies from it
     * @param line Y of a face to the north or south, X of the others
     * @param floor what heights at it are counted from
     */
    private record Face(Side side, long line, long from, long to, long floor, @Nullable Place place) {

        long distance(Vec p) {
            var across = Math.abs((side.runsEastWest() ? p.y() : p.x()) - line);
            var along = side.runsEastWest() ? p.x() : p.y();
            return across + Math.max(0, Math.max(from - along, along - to));
        }
    }

    private final Length step;
    private final Massing massing;
    private final List<Standing> around;

    /** @param around what stands near enough to matter; see {@link #reach} */
    public Clinging(Length step, Massing massing, List<Standing> around) {
        this.step = step;
        this.massing = massing;
        this.around = around;
    }

    /** Everything that can hold a piece pointed so touches this box. */
    public static Box reach(Stance stance, Kind kind, Length step) {
        var box = stance.box(kind).grownBy(step.um());
        return new Box(box.min().withZ(-Length.LIMIT_UM), box.max().withZ(Length.LIMIT_UM));
    }

    public Snapping.Snapped snap(Kind kind, Held held, Stance wanted, Offset offset) {
        return held == Held.FIXED ? fixed(kind, wanted, offset) : hung(kind, wanted, offset);
    }

    private Snapping.Snapped fixed(Kind kind, Stance wanted, Offset offset) {
        var nearest = Stream.concat(walls(wanted.at()), bodies(wanted.at()))
                .min(Comparator.comparingLong(f -> f.distance(wanted.at())));
        if (nearest.isEmpty()) {
            return new Snapping(step, massing.whereabouts().floorUnder(wanted.at()), around).snap(kind, wanted);
        }
        var face = nearest.get();
        var turned = new Stance(wanted.at(), Turn.of(BACKS.indexOf(face.side())), wanted.mirrored(), 0, wanted.lean());
        var box = turned.box(kind);
        var back = back(box, face.side());
        var across = face.line() - back - sign(face.side()) * offset.off().um();
        var pointed = face.side().runsEastWest() ? wanted.at().x() : wanted.at().y();
        var along = new Length(pointed).roundTo(step).um() - pointed;
        var up = offset.height()
                .map(h -> face.floor() + h.um() - box.min().z())
                .orElseGet(() -> up(wanted.at().z(), face.floor(), box));
        var by = face.side().runsEastWest() ? new Vec(along, across, up) : new Vec(across, along, up);
        return new Snapping.Snapped(
                turned.movedBy(by),
                List.of(
                        new Snapping.Hold(
                                face.side().runsEastWest() ? 'Y' : 'X',
                                Snapping.To.FACE,
                                Optional.ofNullable(face.place())),
                        new Snapping.Hold(face.side().runsEastWest() ? 'X' : 'Y', Snapping.To.GRID)));
    }

    /** Until its pivot lies a whole number of steps above the floor, so that what has been snapped stays; its base as usual where the floor itself is pointed at. */
    private long up(long pointed, long floor, Box box) {
        var height = new Length(pointed - floor).roundTo(step);
        return height.isPositive()
                ? floor + height.um() - pointed
                : floor + USUAL_HEIGHT.um() - box.min().z();
    }

    /** The walls of the rooms at this height. */
    private Stream<Face> walls(Vec at) {
        return massing.rooms().stream()
                .filter(r -> r.floor() <= at.z() && at.z() <= r.ceiling())
                .flatMap(r -> r.outline().edges().stream()
                        .map(e -> new Face(e.side(), e.line(), e.from(), e.to(), r.floor(), null)));
    }

    /** The sides of what hands set down there, where the point is at one. */
    private Stream<Face> bodies(Vec at) {
        var floor = massing.whereabouts().floorUnder(at);
        return around.stream()
                .filter(s -> s.stance().isExact() && !s.kind().role().isDerived())
                .flatMap(s -> s.solids().stream()
                        .filter(b -> b.min().z() <= at.z() && at.z() <= b.max().z())
                        .flatMap(b -> Stream.of(
                                new Face(
                                                Side.SOUTH,
                                                b.max().y(),
                                                b.min().x(),
                                                b.max().x(),
                                                floor,
                                                s.place()),
                                        new Face(
                                                Side.NORTH,
                                                b.min().y(),
                                                b.min().x(),
                                                b.max().x(),
                                                floor,
                                                s.place()),
                                new Face(
                                                Side.WEST,
                                                b.max().x(),
                                                b.min().y(),
                                                b.max().y(),
                                                floor,
                                                s.place()),
                                        new Face(
                                                Side.EAST,
                                                b.min().x(),
                                                b.min().y(),
                                                b.max().y(),
                                                floor,
                                                s.place()))))
                .filter(f -> f.distance(at) <= step.um());
    }

    private Snapping.Snapped hung(Kind kind, Stance wanted, Offset offset) {
        var flat = new Snapping(step, 0, around).snapFlat(kind, wanted);
        var box = flat.stance().box(kind);
        var holds = new ArrayList<>(flat.holds());
        if (offset.height().isPresent()) {
            var base = massing.whereabouts().floorUnder(wanted.at().plus(new Vec(0, 0, step.um() / 2)))
                    + offset.height().get().um();
            return new Snapping.Snapped(
                    flat.stance().movedBy(new Vec(0, 0, base - box.min().z())), holds);
        }
        var least = wanted.at().z() - step.um() / 2;
        var ceiling = massing.rooms().stream()
                .filter(r -> !r.sky()
                        && r.ceiling() >= least
                        && r.floor() <= wanted.at().z() + step.um() / 2
                        && contains(r, wanted.at()))
                .mapToLong(Room::ceiling)
                .min()
                .orElse(Long.MAX_VALUE);
        @Nullable Place holder = null;
        for (var other : around) {
            if (!other.kind().role().isDerived()) {
                continue;
            }
            for (var solid : other.solids()) {
                if (solid.overlapsInPlan(box)
                        && solid.min().z() >= least
                        && solid.min().z() < ceiling) {
                    ceiling = solid.min().z();
                    holder = other.place();
                }
            }
        }
        if (ceiling == Long.MAX_VALUE) {
            return flat;
        }
        holds.add(new Snapping.Hold('Z', Snapping.To.UNDERSIDE, Optional.ofNullable(holder)));
        return new Snapping.Snapped(
                flat.stance()
                        .movedBy(new Vec(
                                0, 0, ceiling - offset.off().um() - box.max().z())),
                holds);
    }

    /** A rule that is laid on the floor of its room: what is fixed to a wall is meant at its usual height, what hangs under the ceiling. */
    public static Rule raised(Rule rule, Body body, Held held, Room room, Repeat.Hold hold) {
        var z = rule instanceof Course c
                ? c.from().z()
                : rule instanceof Field f
                        ? f.z()
                        : rule instanceof Ring r ? r.centre().z() : Long.MIN_VALUE;
        if (z != room.floor() || held == Held.STANDS || held == Held.FIXED && hold != Repeat.Hold.WALL) {
            return rule;
        }
        return rule.movedBy(new Vec(
                0,
                0,
                held == Held.FIXED
                        ? USUAL_HEIGHT.um() - body.box().min().z()
                        : room.height().um() - body.box().max().z()));
    }

    private static boolean contains(Room room, Vec p) {
        return room.region().rects().stream()
                .anyMatch(r -> r.x0() <= p.x() && p.x() <= r.x1() && r.y0() <= p.y() && p.y() <= r.y1());
    }

    private static long back(Box box, Side side) {
        return switch (side) {
            case NORTH -> box.max().y();
            case EAST -> box.max().x();
            case SOUTH -> box.min().y();
            case WEST -> box.min().x();
        };
    }

    private static int sign(Side side) {
        return side == Side.NORTH || side == Side.EAST ? 1 : -1;
    }

    /** Those of the pieces that go along with a wall or a ceiling that has moved, as they come to stand. */
    public static List<HandPlacement> carried(List<HandPlacement> all, Traits traits, Massing was, Massing is) {
        var carried = new ArrayList<HandPlacement>();
        for (var one : all) {
            var held = traits.held(one.kind());
            var stance = held == Held.FIXED
                    ? onWall(one, was, is)
                    : held == Held.HANGS ? underCeiling(one, was, is) : one.stance();
            if (!stance.equals(one.stance())) {
                carried.add(new HandPlacement(one.id(), one.kind(), stance, one.free()));
            }
        }
        return carried;
    }

    private record On(Room room, Outline.Edge edge, long off) {}

    private static Stance onWall(HandPlacement one, Massing was, Massing is) {
        var stance = one.stance();
        if (stance.freeDegrees() != 0) {
            return stance;
        }
        var side = BACKS.get(stance.turn().quarters());
        var box = stance.box(one.kind());
        var middle = middle(box);
        var along = side.runsEastWest() ? middle.x() : middle.y();
        return was.rooms().stream()
                .filter(r -> r.floor() <= middle.z() && middle.z() <= r.ceiling())
                .flatMap(r -> r.outline().edges().stream()
                        .filter(e -> e.side() == side && e.from() <= along && along <= e.to())
                        .map(e -> new On(r, e, sign(side) * (e.line() - back(box, side)))))
                .filter(on -> 0 <= on.off() && on.off() <= MOST_OFF)
                .min(Comparator.comparingLong(On::off))
                .flatMap(on -> is.room(on.room().id())
                        .flatMap(r -> r.outline().edge(on.edge().number()).map(e -> along(stance, box, on, r, e))))
                .orElse(stance);
    }

    private static Stance along(Stance stance, Box box, On on, Room room, Outline.Edge edge) {
        var was = on.edge();
        var up = room.floor() - on.room().floor();
        var mirrored = isMirrored(on.room().outline(), room.outline(), edge.number());
        if (was.side() == edge.side() && !mirrored) {
            var shift = edge.from() - was.from() == edge.to() - was.to() ? edge.from() - was.from() : 0;
            var across = edge.line() - was.line();
            return stance.movedBy(edge.side().runsEastWest() ? new Vec(shift, across, up) : new Vec(across, shift, up));
        }
        // As far from the wall's left end as it was, or, mirrored, from its right end.
        var middle = middle(box);
        var t = Math.abs(was.side().runsEastWest() ? middle.x() - was.x0() : middle.y() - was.y0());
        var left = mirrored ? edge.length() - t : t;
        var turned = new Stance(stance.at(), Turn.of(BACKS.indexOf(edge.side())), stance.mirrored(), 0, stance.lean());
        return turned.movedBy(standingOn(edge, left, on.off())
                .minus(middleOfBack(box, turned, stance, edge.side()))
                .plus(new Vec(0, 0, up)));
    }

    private static Vec standingOn(Outline.Edge e, long left, long off) {
        var dx = Long.signum(e.x1() - e.x0());
        var dy = Long.signum(e.y1() - e.y0());
        var in = sign(e.side()) * off;
        return new Vec(
                e.x0() + dx * left - (e.side().runsEastWest() ? 0 : in),
                e.y0() + dy * left - (e.side().runsEastWest() ? in : 0),
                0);
    }

    /** The middle of the back of a piece that stood in a box and is turned about its pivot now, without its height. */
    private static Vec middleOfBack(Box box, Stance turned, Stance was, Side side) {
        var quarters = turned.turn().quarters() - was.turn().quarters();
        var about =
                Turn.of(quarters).apply(box.movedBy(Vec.ZERO.minus(was.at()))).movedBy(was.at());
        var m = middle(about);
        return side.runsEastWest() ? new Vec(m.x(), back(about, side), 0) : new Vec(back(about, side), m.y(), 0);
    }

    /** Whether the loop that an edge is in runs the other way round now. */
    private static boolean isMirrored(Outline was, Outline is, int edge) {
        var before = next(was, edge, 1);
        return before != next(is, edge, 1) && before == next(is, edge, -1);
    }

    private static int next(Outline outline, int edge, int by) {
        for (var loop : outline.loops()) {
            for (var i = 0; i < loop.size(); i++) {
                if (loop.get(i).edge() == edge) {
                    return loop.get(Math.floorMod(i + by, loop.size())).edge();
                }
            }
        }
        return -1;
    }

    private static Stance underCeiling(HandPlacement one, Massing was, Massing is) {
        var box = one.stance().box(one.kind());
        var middle = middle(box);
        return was.rooms().stream()
                .filter(r -> contains(r, middle)
                        && r.floor() <= middle.z()
                        && 0 <= r.ceiling() - box.max().z()
                        && r.ceiling() - box.max().z() <= MOST_OFF)
                .min(Comparator.comparingLong(r -> r.ceiling() - box.max().z()))
                .flatMap(r -> is.room(r.id()).map(now -> {
                    var shift = shift(r.outline(), now.outline());
                    return one.stance().movedBy(new Vec(shift.x(), shift.y(), now.ceiling() - r.ceiling()));
                }))
                .orElse(one.stance());
    }

    /** How far an outline was moved as it is; nothing where it has another shape. */
    private static Vec shift(Outline was, Outline is) {
        var by = new Vec(
                is.extent().x0() - was.extent().x0(),
                is.extent().y0() - was.extent().y0(),
                0);
        return was.movedBy(by.x(), by.y()).region().equals(is.region()) ? by : Vec.ZERO;
    }

    private static Vec middle(Box b) {
        return new Vec(
                Math.floorDiv(b.min().x() + b.max().x(), 2),
                Math.floorDiv(b.min().y() + b.max().y(), 2),
                Math.floorDiv(b.min().z() + b.max().z(), 2));
    }
}
