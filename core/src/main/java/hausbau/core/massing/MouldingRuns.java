package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * Finds where a moulding runs in a room: along every wall at its height, except where an opening, stairs or a solid interrupts it,
 * where the room opens into another one, or where a room of lesser id has the same wall.
 *
 * <p>Two stretches that reach the same corner of the room have a corner piece there. A stretch that is too short for the corner
 * pieces at its ends has none: in a corner of the room the stretch that ends there goes through, and the next begins beside it.
 */
final class MouldingRuns {

    private final Massing massing;
    private final Room room;
    private final Moulding moulding;
    private final long low;
    private final long high;
    private final long width;
    private final long leg;
    private final List<Stretch> stretches = new ArrayList<>();

    /** What of an edge is free, from so far to so far seen from inside, µm from the edge's left end. */
    private static final class Stretch {

        private final Outline.Edge edge;
        private final long from;
        private final long to;
        private MouldingRun.Corner left = MouldingRun.Corner.NONE;
        private MouldingRun.Corner right = MouldingRun.Corner.NONE;
        private long cutLeft;

        Stretch(Outline.Edge edge, long from, long to) {
            this.edge = edge;
            this.from = from;
            this.to = to;
        }

        long left(long leg) {
            return left == MouldingRun.Corner.NONE ? cutLeft : leg;
        }

        long right(long leg) {
            return right == MouldingRun.Corner.NONE ? 0 : leg;
        }
    }

    MouldingRuns(Massing massing, Room room, Moulding moulding) {
        this.massing = massing;
        this.room = room;
        this.moulding = moulding;
        low = moulding.foot(room);
        high = low + moulding.make().profile().height();
        width = moulding.make().profile().width();
        leg = moulding.make().leg().um();
    }

    List<MouldingRun> find() {
        if (low < room.floor() || high > room.ceiling()) {
            return List.of();
        }
        room.outline().edges().forEach(this::find);
        turnCorners();
        return stretches.stream()
                .filter(s -> s.to - s.from >= s.left(leg) + s.right(leg))
                .map(this::run)
                .filter(r -> r.length().isPositive() || r.corner() != MouldingRun.Corner.NONE)
                .toList();
    }

    private MouldingRun run(Stretch s) {
        var corner = new Vec(s.edge.x0(), s.edge.y0(), low);
        var begin = s.from + s.left(leg);
        return new MouldingRun(
                s.edge.number(),
                s.edge.side(),
                corner.plus(s.edge.side().turn().apply(new Vec(begin, 0, 0))),
                new Length(s.to - s.right(leg) - begin),
                s.right);
    }

    private void find(Outline.Edge edge) {
        var free = List.of(new long[] {0, edge.length()});
        for (var taken : taken(edge)) {
            free = free.stream()
                    .flatMap(f -> Stream.of(
                            new long[] {f[0], Math.min(f[1], taken[0])}, new long[] {Math.max(f[0], taken[1]), f[1]}))
                    .filter(f -> f[0] < f[1])
                    .toList();
        }
        free.stream()
                .sorted(Comparator.comparingLong(f -> f[0]))
                .forEach(f -> stretches.add(new Stretch(edge, f[0], f[1])));
    }

    /** What interrupts it, from so far to so far along the edge. */
    private List<long[]> taken(Outline.Edge edge) {
        var taken = new ArrayList<long[]>();
        var near = massing.around(room).stream()
                .filter(r -> r.floor() < high && low < r.ceiling())
                .toList();
        var behind = Region.of(beside(edge, 0, 1));
        for (var other : near) {
            other.region().shared(behind).rects().forEach(r -> taken.add(along(edge, r)));
            if (other.id() < room.id()) {
                other.outline().edges().stream()
                        .filter(e -> e.side() == edge.side() && e.line() == edge.line() && edge.shared(e) > 0)
                        .forEach(e -> taken.add(along(edge, e.from(), e.to())));
            }
        }
        Stream.concat(Stream.of(room), near.stream())
                .flatMap(r -> massing.walls(r, massing.settings().step()).runs().stream())
                .filter(run -> run.side().runsEastWest() == edge.side().runsEastWest())
                .forEach(run -> run.panels().forEach(p -> interrupt(edge, panel(run, p), 0, taken)));
        massing.solids().forEach(s -> interrupt(edge, s.box(), width, taken));
        massing.stairs().forEach(s -> s.bodies().forEach(b -> interrupt(edge, b, width, taken)));
        return taken;
    }

    /** As high as a panel's opening and as long as the panel: its jambs are the panel's own, and lie on the step. */
    private static Box panel(WallRun run, WallRun.Panel p) {
        return run.box(
                p.at().um(),
                0,
                p.sill().um(),
                p.end().um(),
                run.depth().um(),
                p.head().um());
    }

    /** @param inward how far before the wall a box still is in the way; 0 for one that has to be in the wall itself */
    private void interrupt(Outline.Edge edge, Box box, long inward, List<long[]> taken) {
        var ground =
                new Rect(box.min().x(), box.min().y(), box.max().x(), box.max().y());
        var strip = inward == 0 ? beside(edge, 0, 1) : beside(edge, -inward, 0);
        if (box.min().z() < high && low < box.max().z() && strip.overlaps(ground)) {
            taken.add(along(edge, ground));
        }
    }

    /** The ground along an edge between two distances from it, outward. */
    private static Rect beside(Outline.Edge e, long near, long far) {
        return switch (e.side()) {
            case NORTH -> new Rect(e.from(), e.line() + near, e.to(), e.line() + far);
            case SOUTH -> new Rect(e.from(), e.line() - far, e.to(), e.line() - near);
            case EAST -> new Rect(e.line() + near, e.from(), e.line() + far, e.to());
            case WEST -> new Rect(e.line() - far, e.from(), e.line() - near, e.to());
        };
    }

    private static long[] along(Outline.Edge edge, Rect of) {
        return edge.side().runsEastWest() ? along(edge, of.x0(), of.x1()) : along(edge, of.y0(), of.y1());
    }

    /** From so far to so far along an edge's axis, as it is seen from inside. */
    private static long[] along(Outline.Edge edge, long low, long high) {
        return edge.side().isRising()
                ? new long[] {low - edge.from(), high - edge.from()}
                : new long[] {edge.to() - high, edge.to() - low};
    }

    /** Gives corner pieces to stretches that meet, where both are long enough. */
    private void turnCorners() {
        var corners = new ArrayList<Stretch[]>();
        for (var s : stretches) {
            for (var next : stretches) {
                if (s.to == s.edge.length()
                        && next.from == 0
                        && s.edge.x1() == next.edge.x0()
                        && s.edge.y1() == next.edge.y0()
                        && turn(s, next) != MouldingRun.Corner.NONE) {
                    corners.add(new Stretch[] {s, next});
                }
            }
        }
        corners.forEach(c -> turn(c, turn(c[0], c[1])));
        var tooShort = stretches.stream()
                .filter(s -> s.to - s.from < s.left(leg) + s.right(leg))
                .toList();
        for (var c : corners) {
            if (tooShort.contains(c[0]) || tooShort.contains(c[1])) {
                c[1].cutLeft = c[0].right == MouldingRun.Corner.INNER ? width : 0;
                turn(c, MouldingRun.Corner.NONE);
            }
        }
    }

    private static void turn(Stretch[] corner, MouldingRun.Corner to) {
        corner[0].right = to;
        corner[1].left = to;
    }

    private static MouldingRun.Corner turn(Stretch s, Stretch next) {
        var turned = Turn.of(
                next.edge.side().turn().quarters() - s.edge.side().turn().quarters() + 4);
        return switch (turned.quarters()) {
            case 3 -> MouldingRun.Corner.INNER;
            case 1 -> MouldingRun.Corner.OUTER;
            default -> MouldingRun.Corner.NONE;
        };
    }
}
