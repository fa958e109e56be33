package hausbau.core.arrange;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Side;
import hausbau.core.measure.Axis;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** What a hand does with pieces one by one against something else: each comes to stand by itself. */
public final class Lining {

    private Lining() {}

    /** The lesser side, the middle or the greater side along an axis. */
    public enum To {
        LOW,
        MIDDLE,
        HIGH
    }

    /** Each moved along an axis until its side, or its middle, lies where that of a box does. */
    public static List<Stance> align(List<Standing> all, Box with, Axis axis, To to) {
        return all.stream()
                .map(s -> s.stance().movedBy(axis.by(side(with, axis, to) - side(s.box(), axis, to))))
                .toList();
    }

    private static long side(Box b, Axis axis, To to) {
        var low = axis.of(b.min());
        var high = axis.of(b.max());
        return to == To.LOW ? low : to == To.HIGH ? high : Math.floorDiv(low + high, 2);
    }

    /**
     * As much free between each two that follow one another along an axis; the first and the last stay.
     *
     * @throws Refused if there are fewer than three
     */
    public static List<Stance> spread(List<Standing> all, Axis axis) {
        if (all.size() < 3) {
            throw new Refused("ids", "Three or more can be spread evenly: the first and the last stay.");
        }
        var order = IntStream.range(0, all.size())
                .boxed()
                .sorted(Comparator.comparingLong((Integer i) -> side(all.get(i).box(), axis, To.MIDDLE))
                        .thenComparing(i -> i))
                .toList();
        var first = all.get(order.get(0)).box();
        var last = all.get(order.get(order.size() - 1)).box();
        var taken = order.subList(1, order.size() - 1).stream()
                .mapToLong(i -> axis.of(all.get(i).box().size()))
                .sum();
        var free = axis.of(last.min()) - axis.of(first.max()) - taken;
        var stances = new ArrayList<>(all.stream().map(Standing::stance).toList());
        var at = axis.of(first.max());
        for (var n = 1; n < order.size() - 1; n++) {
            var i = order.get(n);
            // Each gap is reckoned from the first, so that what is rounded does not add up.
            var low = at + Math.floorDiv(free * n, order.size() - 1);
            stances.set(
                    i,
                    all.get(i)
                            .stance()
                            .movedBy(axis.by(low - axis.of(all.get(i).box().min()))));
            at += axis.of(all.get(i).box().size());
        }
        return stances;
    }

    /**
     * Each with its back (the side of greater Y) against the wall that it looks away from.
     *
     * @throws Refused if one stands in no room, askew, or with no wall behind it
     */
    public static List<Stance> againstWalls(List<Standing> all, Massing massing) {
        return all.stream()
                .map(s -> {
                    var room = massing.whereabouts()
                            .roomAt(s.stance().at())
                            .orElseThrow(
                                    () -> new Refused("ids", "A piece stands in no room, so that it has no wall."));
                    if (!s.stance().isExact()) {
                        throw new Refused("ids", "A piece stands askew. Turn it along a wall first.");
                    }
                    var back = new Side[] {Side.NORTH, Side.WEST, Side.SOUTH, Side.EAST}
                            [s.stance().turn().quarters()];
                    var box = s.box();
                    var across = back.runsEastWest()
                            ? Math.floorDiv(box.min().x() + box.max().x(), 2)
                            : Math.floorDiv(box.min().y() + box.max().y(), 2);
                    var face = back == Side.NORTH
                            ? box.max().y()
                            : back == Side.EAST
                                    ? box.max().x()
                                    : back == Side.SOUTH
                                            ? -box.min().y()
                                            : -box.min().x();
                    var sign = back == Side.NORTH || back == Side.EAST ? 1 : -1;
                    var middle = back.runsEastWest()
                            ? Math.floorDiv(box.min().y() + box.max().y(), 2)
                            : Math.floorDiv(box.min().x() + box.max().x(), 2);
                    var by = room.outline().edges().stream()
                            .filter(e -> e.side() == back
                                    && e.from() <= across
                                    && across <= e.to()
                                    && sign * e.line() >= sign * middle)
                            .mapToLong(e -> sign * e.line() - face)
                            .min()
                            .orElseThrow(() -> new Refused("ids", "“" + room.name() + "” has no wall behind a piece."));
                    return s.stance()
                            .movedBy(back.runsEastWest() ? new Vec(0, sign * by, 0) : new Vec(sign * by, 0, 0));
                })
                .toList();
    }

    /** Each moved along an axis until it stands just beside a box: below it, before it, or beyond it. */
    public static List<Stance> beside(List<Standing> all, Box with, Axis axis, boolean beyond) {
        return all.stream()
                .map(s -> s.stance()
                        .movedBy(axis.by(
                                beyond
                                        ? axis.of(with.max()) - axis.of(s.box().min())
                                        : axis.of(with.min()) - axis.of(s.box().max()))))
                .toList();
    }

    /**
     * Each with its top against the ceiling of the room that it stands in.
     *
     * @throws Refused if one stands in no room, or in one that is open to the sky
     */
    public static List<Stance> underCeilings(List<Standing> all, Massing massing) {
        return all.stream()
                .map(s -> {
                    var room = massing.whereabouts()
                            .roomAt(s.stance().at())
                            .orElseThrow(
                                    () -> new Refused("ids", "A piece stands in no room, so that it has no ceiling."));
                    if (room.sky()) {
                        throw new Refused("ids", "“" + room.name() + "” is open to the sky: it has no ceiling.");
                    }
                    return s.stance()
                            .movedBy(new Vec(
                                    0,
                                    0,
                                    room.floor()
                                            + room.height().um()
                                            - s.box().max().z()));
                })
                .toList();
    }

    /** Each turned about its pivot until its front (the side of least Y) looks at a point. */
    public static List<Stance> facing(List<Standing> all, Vec point) {
        return all.stream()
                .map(s -> {
                    var dx = point.x() - s.stance().at().x();
                    var dy = point.y() - s.stance().at().y();
                    if (dx == 0 && dy == 0) {
                        return s.stance();
                    }
                    var degrees = Math.round(10 * (Math.toDegrees(Math.atan2(dy, dx)) + 90)) / 10.0;
                    var quarters = degrees / 90;
                    var exact = dx == 0 || dy == 0 || quarters == Math.rint(quarters);
                    return new Stance(
                            s.stance().at(),
                            exact ? Turn.of((int) Math.rint(quarters)) : Turn.NONE,
                            s.stance().mirrored(),
                            exact ? 0 : degrees % 360,
                            s.stance().lean());
                })
                .toList();
    }
}
