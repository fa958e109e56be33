package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * A building cut open upright along a line, seen to the left of whoever walks along it. Regions lie in the drawing's own plane:
 * X along the line from its start, Y up; µm.
 *
 * <p>What is cut is one region, without joints. Beyond it each face hides what lies behind: from the nearest to the farthest,
 * what is still free of it is seen. Cost: the boxes, times the bands of what is seen.
 *
 * @param cut    the mass that the line goes through
 * @param beyond faces seen behind, from the nearest on
 * @param rooms  the voids that are cut
 * @param extent of all that is drawn
 */
public record Section(Region cut, List<Face> beyond, List<Void> rooms, Rect extent) {

    /** @param distance from the line, µm */
    public record Face(Region seen, long distance) {}

    /** A room as it is cut. */
    public record Void(Room room, Rect cut) {}

    /** Left about the line's ends. */
    private static final long MARGIN = 500_000;

    /**
     * @param from   where the line begins, @param to where it ends: the greater of its two extents says along which axis it runs
     * @param things further boxes that stand in the building
     * @throws Refused if the line is too short
     */
    public static Section of(Massing massing, Vec from, Vec to, List<Box> things) {
        var x = to.x() - from.x();
        var y = to.y() - from.y();
        var length = Math.max(Math.abs(x), Math.abs(y));
        if (length < 100_000) {
            throw new Refused("toMm", "Draw a line of at least 0.1 m.");
        }
        var along = Math.abs(x) >= Math.abs(y) ? x > 0 ? 0 : 2 : y > 0 ? 1 : 3;
        var turn = Turn.of(-along);
        var start = turn.apply(from.withZ(0));
        return new Cutting(turn, start, length).section(massing, things);
    }

    /** Turns everything so that the line runs east from the origin. */
    private record Cutting(Turn turn, Vec start, long length) {

        private Box laid(Box box) {
            return turn.apply(box).movedBy(Vec.ZERO.minus(start));
        }

        private boolean isCut(Box b) {
            return b.min().y() < 0 && b.max().y() > 0;
        }

        /** As the drawing shows it, within the line; empty where it lies beside it. */
        private Region drawn(Box b) {
            var x0 = Math.max(b.min().x(), -MARGIN);
            var x1 = Math.min(b.max().x(), length + MARGIN);
            return x0 < x1 && b.min().z() < b.max().z()
                    ? Region.of(new Rect(x0, b.min().z(), x1, b.max().z()))
                    : Region.EMPTY;
        }

        Section section(Massing massing, List<Box> things) {
            var boxes = new ArrayList<>(boxes(massing));
            boxes.addAll(things);
            var laid = boxes.stream().map(this::laid).toList();
            var cut = Region.union(
                    laid.stream().filter(this::isCut).map(this::drawn).toList());
            var faces = new TreeMap<Long, List<Region>>();
            laid.stream().filter(b -> b.min().y() >= 0).forEach(b -> faces.computeIfAbsent(
                            b.min().y(), d -> new ArrayList<>())
                    .add(drawn(b)));
            var hidden = cut;
            var beyond = new ArrayList<Face>();
            for (var at : faces.entrySet()) {
                var face = Region.union(at.getValue()).minus(hidden);
                if (!face.isEmpty()) {
                    beyond.add(new Face(face, at.getKey()));
                    hidden = hidden.plus(face);
                }
            }
            var rooms = new ArrayList<Void>();
            for (var room : massing.rooms()) {
                for (var r : room.region().rects()) {
                    var b = laid(Box.of(r.x0(), r.y0(), room.floor(), r.x1(), r.y1(), room.ceiling()));
                    if (isCut(b) && !drawn(b).isEmpty()) {
                        rooms.add(new Void(room, drawn(b).extent()));
                    }
                }
            }
            rooms.sort(Comparator.comparingLong((Void v) -> v.cut().y0())
                    .thenComparingLong(v -> v.cut().x0()));
            var extent = hidden.isEmpty() ? new Rect(0, 0, length, 3_000_000) : hidden.extent();
            return new Section(cut, List.copyOf(beyond), List.copyOf(rooms), extent);
        }
    }

    /** All mass of a building: walls, slabs, stairs, guards and solids. */
    private static List<Box> boxes(Massing massing) {
        var drawing = Drawing.of(massing);
        var boxes = new ArrayList<Box>();
        boxes.addAll(drawing.walls());
        boxes.addAll(drawing.over());
        boxes.addAll(drawing.floors());
        var slab = massing.settings().wall().um();
        for (var room : massing.rooms()) {
            massing.ceiling(room)
                    .rows()
                    .forEach(r ->
                            boxes.add(Box.of(r.x0(), r.y0(), room.ceiling(), r.x1(), r.y1(), room.ceiling() + slab)));
        }
        drawing.guards().forEach(g -> boxes.addAll(g.bars()));
        massing.stairs().forEach(s -> boxes.addAll(s.bodies()));
        massing.solids().forEach(s -> boxes.add(s.box()));
        return boxes;
    }

    /** Where rooms that are cut begin and end along the line, for those whose floor lies between two heights, µm. */
    public List<Long> widths(long low, long high) {
        var ticks = new TreeSet<Long>();
        rooms.stream()
                .filter(v -> v.room().floor() >= low && v.room().floor() < high)
                .forEach(v -> {
                    ticks.add(v.cut().x0());
                    ticks.add(v.cut().x1());
                });
        return List.copyOf(ticks);
    }

    /** Floors and ceilings of the rooms that are cut, from below. */
    public List<Long> heights() {
        var ticks = new TreeSet<Long>();
        rooms.forEach(v -> {
            ticks.add(v.cut().y0());
            ticks.add(v.cut().y1());
        });
        return List.copyOf(ticks);
    }
}
