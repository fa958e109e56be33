package hausbau.core.massing;

import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Where a person of the Figure's size gets to from a place.
 *
 * <p>Someone so wide can stand where a square of that side finds room: the ground of all floors of one height, with the openings in between, taken in by half
 * of that on all sides. What hangs together of that is one area; stairs and steps lead from one to another. How wide the narrowest place on the best way to
 * a room is, is the greatest width with which it is still reached, of those that occur in the building; how high likewise.
 *
 * <p>Cost: the widths and heights that occur, times the floors' regions.
 */
public final class Flow {

    /** Of the Figure: common practice, no source. */
    public static final Length FIGURE_WIDTH = Length.ofMillimetres(400);

    public static final Length FIGURE_HEIGHT = Length.ofMillimetres(1800);
    /** What a wheelchair needs (ADA 2010, 404.2.3, from memory: 32 in). */
    public static final Length WHEELED_WIDTH = Length.ofMillimetres(815);
    /** What one steps up without stairs. */
    private static final long STEP = Length.ofMillimetres(200).um();
    /** Wider than this nothing is narrow; likewise high. */
    private static final Length WIDE = Length.ofMillimetres(3000);

    private static final long BY = Length.ofMillimetres(50).um();

    private final Massing massing;

    public Flow(Massing massing) {
        this.massing = massing;
    }

    /**
     * A room that is reached.
     *
     * @param width    of the narrowest place on the best way, at most 3 m
     * @param headroom least on the best way, at most 3 m
     * @param deadEnd  whether one must leave it as one came
     */
    public record Reached(Room room, Length width, Length headroom, boolean deadEnd) {

        /** Whether a wheelchair does not get through. */
        public boolean isNarrow() {
            return width.compareTo(WHEELED_WIDTH) < 0;
        }
    }

    /** @param from where it begins; empty if nobody can stand there */
    public record Result(Optional<Room> from, List<Reached> reached, List<Room> unreached) {}

    public Result from(Vec start) {
        var widths = new TreeSet<Length>();
        var heights = new TreeSet<Length>();
        for (var w = FIGURE_WIDTH; w.compareTo(WIDE) <= 0; w = w.plus(new Length(BY))) {
            widths.add(w);
        }
        massing.openings().forEach(o -> {
            widths.add(o.width());
            heights.add(o.height());
        });
        massing.stairs().forEach(s -> widths.add(s.width()));
        massing.rooms().forEach(r -> heights.add(r.height()));
        heights.addAll(List.of(FIGURE_HEIGHT, WIDE));
        widths.removeIf(w -> w.compareTo(FIGURE_WIDTH) < 0 || w.compareTo(WIDE) > 0);
        heights.removeIf(h -> h.compareTo(FIGURE_HEIGHT) < 0 || h.compareTo(WIDE) > 0);
        var reached = new ArrayList<Reached>();
        var unreached = new ArrayList<Room>();
        // Each size is gone through once, whichever rooms ask for it.
        var byWidth = new HashMap<Length, Set<Long>>();
        var byHeight = new HashMap<Length, Set<Long>>();
        var least = new Ground(FIGURE_WIDTH, FIGURE_HEIGHT).reached(start);
        // What has no floor of its own, as a rooflight, is no place to be.
        for (var room : massing.rooms().stream()
                .filter(r -> !massing.floor(r).isEmpty())
                .toList()) {
            if (!least.contains(room.id())) {
                unreached.add(room);
                continue;
            }
            reached.add(new Reached(
                    room,
                    greatest(new ArrayList<>(widths), w -> byWidth.computeIfAbsent(
                                    w, v -> new Ground(v, FIGURE_HEIGHT).reached(start))
                            .contains(room.id())),
                    greatest(new ArrayList<>(heights), h -> byHeight.computeIfAbsent(
                                    h, v -> new Ground(FIGURE_WIDTH, v).reached(start))
                            .contains(room.id())),
                    ways(room) < 2));
        }
        var from = massing.rooms().stream()
                .filter(r -> least.contains(r.id())
                        && r.region().covers(start.x(), start.y())
                        && r.floor() <= start.z()
                        && start.z() < r.ceiling())
                .findFirst();
        return new Result(from, List.copyOf(reached), List.copyOf(unreached));
    }

    private interface Holds {
        boolean at(Length size);
    }

    /** The greatest of rising sizes at which something holds that holds at the least one, and at all below one at which it does. */
    private static Length greatest(List<Length> sizes, Holds holds) {
        var low = 0;
        var high = sizes.size() - 1;
        while (low < high) {
            var middle = (low + high + 1) / 2;
            if (holds.at(sizes.get(middle))) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return sizes.get(low);
    }

    /** How many ways lead out of a room: openings that one goes through, rooms that it opens into, and stairs. */
    private long ways(Room room) {
        var wall = massing.settings().wall().um();
        var near = room.region().grown(1);
        var doors = massing.walkThrough().stream()
                .filter(g -> Math.abs(g.box().min().z() - room.floor()) <= STEP
                        && Region.of(ground(g)).overlaps(near))
                .count();
        var open = massing.around(room).stream()
                .filter(o ->
                        Math.abs(o.floor() - room.floor()) <= STEP && o.region().overlaps(near))
                .count();
        var stairs = massing.stairs().stream()
                .filter(s -> s.foot().z() == room.floor() && room.region().overlaps(Region.of(s.departure(wall)))
                        || s.top() == room.floor() && room.region().grown(wall).overlaps(Region.of(s.arrival(wall))))
                .count();
        return doors + open + stairs;
    }

    private static Rect ground(Drawing.Gap gap) {
        var b = gap.box();
        return new Rect(b.min().x(), b.min().y(), b.max().x(), b.max().y());
    }

    /** An area on which someone can go about, at a height. */
    private record Area(long z, Region ground) {}

    /** Where someone so wide and high can stand. */
    private final class Ground {

        private final Length width;
        private final Length height;
        private final List<Area> areas = new ArrayList<>();

        Ground(Length width, Length height) {
            this.width = width;
            this.height = height;
            for (var z : massing.rooms().stream().map(Room::floor).collect(Collectors.toCollection(TreeSet::new))) {
                floor(z, massing.rooms().stream().filter(r -> r.floor() == z).toList());
            }
        }

        /** The floor of a room where it is high enough: by itself, or since it opens into a room above, as a basin does. */
        private Region upright(Room room) {
            var floor = massing.floor(room);
            if (room.sky() || room.height().compareTo(height) >= 0) {
                return floor;
            }
            var above = massing.around(room).stream()
                    .filter(o -> o.floor() <= room.ceiling() && (o.sky() || o.ceiling() >= room.floor() + height.um()))
                    .map(Room::region)
                    .toList();
            return floor.shared(Region.union(above));
        }

        private void floor(long z, List<Room> rooms) {
            var doors = massing.walkThrough().stream()
                    .filter(g -> g.box().min().z() == z && g.opening().height().compareTo(height) >= 0)
                    .map(Flow::ground)
                    .map(Region::of);
            var free = Region.union(
                    Stream.concat(rooms.stream().map(this::upright), doors).toList());
            var solid = massing.solids().stream()
                    .filter(s ->
                            s.box().min().z() < z + height.um() && s.box().max().z() > z)
                    .map(Solid::ground);
            var stairs =
                    massing.stairs().stream().filter(s -> s.foot().z() == z).flatMap(s -> under(s, z));
            free = free.minus(Region.of(Stream.concat(solid, stairs).toList()));
            if (!free.isEmpty()) {
                for (var part : parts(shrunk(free))) {
                    areas.add(new Area(z, part));
                }
            }
        }

        /** Ground under stairs where nobody can stand upright. */
        private Stream<Rect> under(Stair stair, long z) {
            return stair.treads().stream()
                    .filter(t -> t.z() < z + height.um() + Stair.WAIST)
                    .map(Stair.Tread::ground);
        }

        /** Taken in by half the width: where the middle of someone can be. An opening as wide as they leaves a line, so a hair is given. */
        private Region shrunk(Region free) {
            var by = width.um() / 2 - 1;
            var window = Region.of(free.extent().grown(2 * by));
            return free.minus(window.minus(free).grown(by));
        }

        private static List<Region> parts(Region region) {
            var left = new ArrayList<>(region.rects());
            var parts = new ArrayList<Region>();
            while (!left.isEmpty()) {
                var part = new ArrayList<Rect>();
                var next = new ArrayDeque<>(List.of(left.remove(left.size() - 1)));
                while (!next.isEmpty()) {
                    var rect = next.pop();
                    part.add(rect);
                    left.removeIf(o -> meets(rect, o) && next.add(o));
                }
                parts.add(Region.of(part));
            }
            return parts;
        }

        /** Whether they share more than a corner. */
        private static boolean meets(Rect a, Rect b) {
            return a.touches(b) && (a.x0() < b.x1() && b.x0() < a.x1() || a.y0() < b.y1() && b.y0() < a.y1());
        }

        /** The ids of the rooms that are reached from a place. */
        Set<Long> reached(Vec start) {
            var seen = new HashSet<Area>();
            var next = new ArrayDeque<Area>();
            areas.stream()
                    .filter(a -> a.z() <= start.z() + STEP && start.z() < a.z() + height.um() && near(a, start))
                    .forEach(next::add);
            while (!next.isEmpty()) {
                var area = next.pop();
                if (seen.add(area)) {
                    areas.stream()
                            .filter(o -> !seen.contains(o) && leads(area, o))
                            .forEach(next::add);
                }
            }
            return massing.rooms().stream()
                    .filter(r -> seen.stream()
                            .anyMatch(a -> a.z() == r.floor() && a.ground().overlaps(r.region())))
                    .map(Room::id)
                    .collect(Collectors.toSet());
        }

        private boolean near(Area area, Vec start) {
            var half = width.um();
            return area.ground()
                    .overlaps(Region.of(
                            new Rect(start.x() - half, start.y() - half, start.x() + half, start.y() + half)));
        }

        /** Up or down one step where two floors meet, or by stairs. */
        private boolean leads(Area a, Area b) {
            var steps = Math.abs(a.z() - b.z()) <= STEP
                    && a.z() != b.z()
                    && a.ground().grown(width.um() / 2 + 1).overlaps(b.ground().grown(width.um() / 2 + 1));
            return steps
                    || massing.stairs().stream()
                            .anyMatch(s -> s.width().compareTo(width) >= 0
                                    && massing.headroom()
                                                    .least(s)
                                                    .map(Headroom.Tight::clear)
                                                    .orElse(Stair.HEADROOM)
                                                    .compareTo(Length.min(height, Stair.HEADROOM))
                                            >= 0
                                    && (joins(s, a, b) || joins(s, b, a)));
        }

        private boolean joins(Stair stair, Area low, Area high) {
            var deep = width.um() + massing.settings().wall().um();
            return low.z() == stair.foot().z()
                    && high.z() == stair.top()
                    && low.ground().overlaps(Region.of(stair.departure(deep)))
                    && high.ground().overlaps(Region.of(stair.arrival(deep)));
        }
    }
}
