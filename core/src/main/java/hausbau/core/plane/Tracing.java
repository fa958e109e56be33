package hausbau.core.plane;

import hausbau.core.plane.Loop.Corner;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * Follows the edges of a region with the region at the right hand. Where two parts meet in a corner alone it turns right,
 * so that each part has a loop of its own.
 */
final class Tracing {

    private static final long[] NONE = {};

    /** Edges by where they begin; at most two begin in one corner. */
    private final Map<Corner, List<Corner>> from = new LinkedHashMap<>();

    private Tracing() {}

    static List<Loop> loops(Region region) {
        var tracing = new Tracing();
        for (var i = 0; i < region.bands(); i++) {
            var stretches = region.stretches(i);
            for (var j = 0; j < stretches.length; j += 2) {
                tracing.edge(stretches[j], region.from(i), stretches[j], region.to(i));
                tracing.edge(stretches[j + 1], region.to(i), stretches[j + 1], region.from(i));
            }
            var touchesBelow = i > 0 && region.to(i - 1) == region.from(i);
            tracing.level(region.from(i), touchesBelow ? region.stretches(i - 1) : NONE, stretches);
            if (i + 1 == region.bands() || region.from(i + 1) != region.to(i)) {
                tracing.level(region.to(i), stretches, NONE);
            }
        }
        return tracing.follow();
    }

    /** The edges between what lies below and above a line: eastward where only what is below is ground, else westward. */
    private void level(long y, long[] below, long[] above) {
        var roofs = Region.minus(below, above);
        for (var i = 0; i < roofs.length; i += 2) {
            edge(roofs[i], y, roofs[i + 1], y);
        }
        var floors = Region.minus(above, below);
        for (var i = 0; i < floors.length; i += 2) {
            edge(floors[i + 1], y, floors[i], y);
        }
    }

    private void edge(long x0, long y0, long x1, long y1) {
        from.computeIfAbsent(new Corner(x0, y0), c -> new ArrayList<>(1)).add(new Corner(x1, y1));
    }

    private List<Loop> follow() {
        var loops = new ArrayList<Loop>();
        while (!from.isEmpty()) {
            var start = from.keySet().iterator().next();
            var line = new ArrayList<Corner>();
            var at = start;
            var before = start;
            do {
                line.add(at);
                var next = leave(at, before);
                before = at;
                at = next;
            } while (!at.equals(start) || from.containsKey(start) && continues(before, start, line.get(1)));
            loops.add(new Loop(straightened(line)));
        }
        return loops;
    }

    /** Whether the loop that comes back to where it began goes on from there, since it should have turned another way. */
    private boolean continues(Corner before, Corner start, Corner first) {
        return turn(before, start, ways(start).get(0)) < turn(before, start, first);
    }

    private List<Corner> ways(Corner at) {
        return Objects.requireNonNull(from.get(at));
    }

    private Corner leave(Corner at, Corner before) {
        var ways = ways(at);
        var way = ways.size() > 1 && !at.equals(before) && turn(before, at, ways.get(1)) < turn(before, at, ways.get(0))
                ? 1
                : 0;
        var next = ways.remove(way);
        if (ways.isEmpty()) {
            from.remove(at);
        }
        return next;
    }

    /** −1 for a turn to the right, 0 straight on, 1 to the left. */
    private static int turn(Corner a, Corner b, Corner c) {
        var ax = Long.signum(b.x() - a.x());
        var ay = Long.signum(b.y() - a.y());
        return ax * Long.signum(c.y() - b.y()) - ay * Long.signum(c.x() - b.x());
    }

    private static List<Corner> straightened(List<Corner> line) {
        var corners = new ArrayList<Corner>();
        for (var i = 0; i < line.size(); i++) {
            if (turn(line.get((i + line.size() - 1) % line.size()), line.get(i), line.get((i + 1) % line.size()))
                    != 0) {
                corners.add(line.get(i));
            }
        }
        return corners;
    }
}
