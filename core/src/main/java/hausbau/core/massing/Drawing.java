package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * The plan of a massing, measured: what is cut is filled (poché), and each edge of a room has its chain of dimensions.
 *
 * @param walls    the wall that stands at eye height or below a sill, as boxes
 * @param openings the gaps in it
 * @param over     the wall above and below openings, as boxes
 * @param floors   the ground of every room's floor, a slab thick, as boxes
 * @param chains   outside each wall, from left to right seen from inside
 * @param guards   along every drop
 */
public record Drawing(
        List<Box> walls, List<Gap> openings, List<Box> over, List<Box> floors, List<Chain> chains, List<Guard> guards) {

    /** Plans are cut this high above the floor: common practice, no source. */
    public static final Length CUT = Length.ofMillimetres(1000);

    /** An opening as the plan shows it: through the run's depth. */
    public record Gap(Opening opening, Side side, Box box) {}

    /**
     * @param edge  the number of the room's edge
     * @param inner whether another room lies behind the wall, so that there is no outside to draw on
     * @param from  where the edge begins
     * @param to    where it ends
     * @param ticks distances from the start at which the chain is cut, first 0, last the whole length
     */
    public record Chain(long roomId, int edge, Side side, boolean inner, Vec from, Vec to, List<Length> ticks) {}

    public static Drawing of(Massing massing) {
        var walls = new ArrayList<Box>();
        var gaps = new ArrayList<Gap>();
        var over = new ArrayList<Box>();
        var floors = new ArrayList<Box>();
        var chains = new ArrayList<Chain>();
        for (var run : massing.runs()) {
            var at = 0L;
            for (var panel : run.panels()) {
                walls.add(run.box(
                        at,
                        0,
                        0,
                        panel.from().um(),
                        run.depth().um(),
                        run.height().um()));
                gaps.add(new Gap(panel.opening(), run.side(), run.gap(panel)));
                if (panel.sill().isPositive()) {
                    over.add(run.box(
                            panel.from().um(),
                            0,
                            0,
                            panel.to().um(),
                            run.depth().um(),
                            panel.sill().um()));
                }
                over.add(run.box(
                        panel.from().um(),
                        0,
                        panel.head().um(),
                        panel.to().um(),
                        run.depth().um(),
                        run.height().um()));
                at = panel.to().um();
            }
            walls.add(run.box(
                    at, 0, 0, run.length().um(), run.depth().um(), run.height().um()));
        }
        massing.posts().forEach(post -> walls.addAll(post.boxes()));
        for (var room : massing.rooms()) {
            massing.floor(room)
                    .rows()
                    .forEach(r -> floors.add(Box.of(
                            r.x0(),
                            r.y0(),
                            room.floor() - massing.settings().wall().um(),
                            r.x1(),
                            r.y1(),
                            room.floor())));
            for (var edge : room.outline().edges()) {
                chains.add(chain(massing, room, edge));
            }
        }
        var guards = new ArrayList<Guard>();
        massing.rooms().forEach(room -> guards.addAll(massing.guards(room)));
        massing.stairs().forEach(stair -> guards.addAll(massing.guards(stair)));
        return new Drawing(walls, gaps, over, floors, chains, guards);
    }

    private static Chain chain(Massing massing, Room room, Outline.Edge edge) {
        var ticks = new TreeSet<>(List.of(Length.ZERO, new Length(edge.length())));
        massing.openings().stream()
                .filter(o -> o.roomId() == room.id()
                        && o.edge() == edge.number()
                        && o.end().um() <= edge.length())
                .forEach(o -> {
                    ticks.add(o.at());
                    ticks.add(o.end());
                });
        return new Chain(
                room.id(),
                edge.number(),
                edge.side(),
                massing.leadsOn(room, edge),
                new Vec(edge.x0(), edge.y0(), room.floor()),
                new Vec(edge.x1(), edge.y1(), room.floor()),
                List.copyOf(ticks));
    }
}
