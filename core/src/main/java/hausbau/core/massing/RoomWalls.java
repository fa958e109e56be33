package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * What is left round one room: its stretches of wall and the posts between them. It hangs on nothing but the room and what
 * lies within a few wall thicknesses of it, so that an edit elsewhere leaves it as it is.
 *
 * <p>The mass round the voids is the voids grown by the wall's thickness, less the voids themselves. Where that is no thicker
 * than twice the wall, and at least as long as thick, it is a stretch of wall: the columns of the mass, as wide as what lies south
 * and north of them stays the same, and its rows likewise. All else is posts. Stretches and posts partition the mass.
 *
 * <p>Two rooms at most two walls apart share what is between them. As skins each has the half on its side; else the room
 * with the lesser id builds the whole.
 */
public record RoomWalls(List<WallRun> runs, List<Post> posts) {

    /** @param around the other rooms within {@link #reach}, at whatever height */
    static RoomWalls of(SiteSettings settings, Length step, Room room, List<Room> around, List<Opening> openings) {
        return new Finding(settings, step, room, around, openings).walls();
    }

    /** How far what stands round one of some rooms can reach. */
    static long reach(SiteSettings settings, List<Room> rooms) {
        return 4 * thickest(settings, rooms);
    }

    private static long thickest(SiteSettings settings, List<Room> rooms) {
        return Math.max(
                settings.wall().um(),
                rooms.stream().mapToLong(r -> r.outline().thickestWall()).max().orElse(0));
    }

    private static final class Finding {

        private final SiteSettings settings;
        private final long wall;
        private final Length step;
        private final Room room;
        private final List<Room> around;
        /** Those of the rooms around that lie beside this one. */
        private final List<Room> near;

        private final List<Opening> openings;
        /** Those that meet, together. */
        private final List<List<Rect>> posts;
        /** What takes the place of posts. */
        private final WallCorners corners;

        private final List<Rect> lying;
        private final List<Rect> upright;

        Finding(SiteSettings settings, Length step, Room room, List<Room> around, List<Opening> openings) {
            this.settings = settings;
            this.wall = settings.wall().um();
            this.step = step;
            this.room = room;
            this.around = around;
            this.near = around.stream().filter(room::sharesHeightWith).toList();
            this.openings = openings;
            var thickest = thickest(settings, beside().toList());
            var window = Region.of(room.outline().extent().grown(8 * thickest));
            var voids =
                    Region.union(beside().map(r -> r.region().shared(window)).toList());
            var grown = thickest == wall && beside().allMatch(r -> r.outline().thickestWall() == 0)
                    ? voids.grown(wall)
                    : Region.union(beside().map(r -> r.outline().grown(wall).shared(window))
                            .toList());
            var mass = grown.minus(voids);
            var edges = beside().flatMap(r -> r.outline().edges().stream()).toList();
            var columns = mass.columns().stream()
                    .filter(r -> r.depth() <= 2 * thickest
                            && r.depth() <= r.width()
                            && edges.stream().anyMatch(e -> e.side().runsEastWest() && faces(e, r)))
                    .toList();
            var rows = mass.rows().stream()
                    .filter(r -> r.width() <= 2 * thickest
                            && r.width() <= r.depth()
                            && edges.stream().anyMatch(e -> !e.side().runsEastWest() && faces(e, r)))
                    .toList();
            var both = Region.of(columns).shared(Region.of(rows));
            posts = parts(mass.minus(Region.of(columns))
                    .minus(Region.of(rows))
                    .plus(both)
                    .rects());
            var free = less(columns, both);
            var freeUpright = less(rows, both);
            corners = WallCorners.of(
                    settings.corners(),
                    posts.stream().flatMap(List::stream).toList(),
                    free,
                    freeUpright,
                    this::meetsEvenly,
                    this::lyingLaps);
            lying = corners.shortened(free, true);
            upright = corners.shortened(freeUpright, false);
        }

        /** This room and those beside it. */
        private Stream<Room> beside() {
            return Stream.concat(Stream.of(room), near.stream());
        }

        /** Whether a wall stands behind some of an edge. */
        private static boolean faces(Outline.Edge edge, Rect wall) {
            return face(edge.side(), wall) == edge.line()
                    && edge.from() < high(edge.side(), wall)
                    && low(edge.side(), wall) < edge.to();
        }

        private static List<Rect> less(List<Rect> rects, Region both) {
            return both.isEmpty()
                    ? rects
                    : rects.stream()
                            .flatMap(r -> Region.of(r).minus(both).rects().stream())
                            .toList();
        }

        RoomWalls walls() {
            var runs = new ArrayList<WallRun>();
            for (var edge : room.outline().edges()) {
                runs.addAll(runs(edge));
                near.forEach(other -> runs.addAll(steps(edge, other)));
            }
            return new RoomWalls(List.copyOf(runs), posts());
        }

        /** Some of an edge, with the wall behind it. */
        private record Stretch(long from, long to, Rect wall, Optional<Beside> behind) {}

        /** Whether the rooms about a corner are all of one height, and so are its post and the walls that meet in it. */
        private boolean meetsEvenly(WallCorners.Meeting corner) {
            var touching = touching(corner.post());
            return touching.stream()
                                    .map(r -> List.of(r.floor(), r.ceiling()))
                                    .distinct()
                                    .count()
                            == 1
                    && Stream.of(corner.lying(), corner.upright())
                            .allMatch(r -> throughSlab(r, touching.get(0).ceiling())
                                    == throughSlab(
                                            corner.post(), touching.get(0).ceiling()));
        }

        private List<Room> touching(Rect post) {
            return beside().filter(r -> r.region().rects().stream().anyMatch(post::touches))
                    .sorted(Comparator.comparingLong(Room::id))
                    .toList();
        }

        /** Whether it is the lying wall at whose left end a corner is, seen from the first of the rooms there. */
        private boolean lyingLaps(WallCorners.Meeting corner) {
            var first = touching(corner.post()).get(0);
            var isEast = corner.post().x0() >= corner.lying().x1();
            var isNorth = corner.post().y0() >= corner.upright().y1();
            return first.outline().edges().stream()
                    .filter(e -> e.side().runsEastWest() && faces(e, corner.lying()))
                    .findFirst()
                    .map(e -> (e.side() == Side.SOUTH) == isEast)
                    .orElseGet(() -> first.outline().edges().stream()
                            .filter(e -> !e.side().runsEastWest() && faces(e, corner.upright()))
                            .findFirst()
                            .map(e -> (e.side() == Side.EAST) != isNorth)
                            .orElse(true));
        }

        private List<WallRun> runs(Outline.Edge edge) {
            var stretches = new ArrayList<Stretch>();
            for (var rect : edge.side().runsEastWest() ? lying : upright) {
                if (faces(edge, rect)) {
                    stretches.addAll(parted(
                            edge,
                            Math.max(edge.from(), low(edge.side(), rect)),
                            Math.min(edge.to(), high(edge.side(), rect)),
                            rect));
                }
            }
            stretches.sort(Comparator.comparingLong(
                    edge.side() == Side.NORTH || edge.side() == Side.WEST ? Stretch::from : s -> -s.from()));
            var runs = new ArrayList<WallRun>();
            for (var stretch : joined(edge, stretches)) {
                if (settings.skins() || isOurs(edge, stretch)) {
                    runs.add(run(edge, stretch, runs.size()));
                }
            }
            return runs;
        }

        /** Where a room opens into another one: the faces above the other's ceiling and below its floor, beyond its slabs. */
        private List<WallRun> steps(Outline.Edge edge, Room other) {
            var above = other.ceiling() + wall;
            var below = other.floor() - wall;
            if (room.ceiling() <= above && room.floor() >= below) {
                return List.of();
            }
            var steps = new ArrayList<WallRun>();
            var behind = Region.of(behind(edge)).shared(other.region()).minus(room.region());
            for (var rect : edge.side().runsEastWest() ? behind.columns() : behind.rows()) {
                if (face(edge.side(), rect) == edge.line()) {
                    var stretch = new Stretch(low(edge.side(), rect), high(edge.side(), rect), rect, Optional.empty());
                    if (room.ceiling() > above) {
                        steps.add(bare(
                                edge, stretch, WallRun.Tier.ABOVE, above, room.ceiling(), " above " + other.name()));
                    }
                    if (room.floor() < below) {
                        steps.add(
                                bare(edge, stretch, WallRun.Tier.BELOW, room.floor(), below, " below " + other.name()));
                    }
                }
            }
            return steps;
        }

        /** A wall's thickness of ground beyond an edge. */
        private Rect behind(Outline.Edge e) {
            return switch (e.side()) {
                case NORTH -> new Rect(e.from(), e.line(), e.to(), e.line() + wall);
                case SOUTH -> new Rect(e.from(), e.line() - wall, e.to(), e.line());
                case EAST -> new Rect(e.line(), e.from(), e.line() + wall, e.to());
                case WEST -> new Rect(e.line() - wall, e.from(), e.line(), e.to());
            };
        }

        /** Cut where another room begins or ends behind the wall; without what faces a room of lesser id that shares the ground before it. */
        private List<Stretch> parted(Outline.Edge edge, long from, long to, Rect rect) {
            var behind = along(edge.side().opposite(), back(edge.side(), rect), rect);
            var before = along(edge.side(), edge.line(), rect).stream()
                    .filter(b -> b.room().id() < room.id())
                    .toList();
            var cuts = new TreeSet<>(List.of(from, to));
            Stream.concat(behind.stream(), before.stream())
                    .flatMap(b -> Stream.of(b.edge().from(), b.edge().to()))
                    .filter(c -> from < c && c < to)
                    .forEach(cuts::add);
            var stretches = new ArrayList<Stretch>();
            var last = from;
            for (var cut : cuts.tailSet(from, false)) {
                var low = last;
                if (before.stream().noneMatch(b -> b.covers(low, cut))) {
                    stretches.add(new Stretch(
                            low,
                            cut,
                            rect,
                            behind.stream().filter(b -> b.covers(low, cut)).min(Beside.ORDER)));
                }
                last = cut;
            }
            return stretches;
        }

        private record Beside(Room room, Outline.Edge edge) {

            private static final Comparator<Beside> ORDER = Comparator.comparingLong(
                            (Beside b) -> b.room().id())
                    .thenComparingInt(b -> b.edge().number());

            boolean covers(long from, long to) {
                return edge.from() <= from && edge.to() >= to;
            }
        }

        /** The edges that face a wall from a line. */
        private List<Beside> along(Side side, long line, Rect rect) {
            return beside().flatMap(r -> r.outline().edges().stream()
                            .filter(e -> e.side() == side && e.line() == line && faces(e, rect))
                            .map(e -> new Beside(r, e)))
                    .toList();
        }

        /** What is built alike and meets is one run, whoever lives behind it. */
        private List<Stretch> joined(Outline.Edge edge, List<Stretch> stretches) {
            var joined = new ArrayList<Stretch>();
            for (var s : stretches) {
                var last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
                if (last != null
                        && (last.to() == s.from() || s.to() == last.from())
                        && depth(edge, last) == depth(edge, s)
                        && isOurs(edge, last) == isOurs(edge, s)
                        && top(last) == top(s)
                        && foot(last) == foot(s)
                        && dressing(edge, last).equals(dressing(edge, s))) {
                    var wide = new Rect(
                            Math.min(last.wall().x0(), s.wall().x0()),
                            Math.min(last.wall().y0(), s.wall().y0()),
                            Math.max(last.wall().x1(), s.wall().x1()),
                            Math.max(last.wall().y1(), s.wall().y1()));
                    joined.set(
                            joined.size() - 1,
                            new Stretch(
                                    Math.min(last.from(), s.from()), Math.max(last.to(), s.to()), wide, last.behind()));
                } else {
                    joined.add(s);
                }
            }
            return joined;
        }

        /** Of two rooms that share a wall the one with the lesser id builds it; of two edges of one room the lesser. */
        private boolean isOurs(Outline.Edge edge, Stretch s) {
            return s.behind().isEmpty()
                    || Beside.ORDER.compare(new Beside(room, edge), s.behind().get()) < 0;
        }

        private long depth(Outline.Edge edge, Stretch s) {
            var whole = edge.side().runsEastWest() ? s.wall().depth() : s.wall().width();
            if (!settings.skins() || s.behind().isEmpty()) {
                return whole;
            }
            return isOurs(edge, s) ? whole - whole / 2 : whole / 2;
        }

        private long foot(Stretch s) {
            return settings.skins() || s.behind().isEmpty()
                    ? room.floor()
                    : Math.min(room.floor(), s.behind().get().room().floor());
        }

        private long top(Stretch s) {
            var top = settings.skins() || s.behind().isEmpty()
                    ? room.ceiling()
                    : Math.max(room.ceiling(), s.behind().get().room().ceiling());
            return throughSlab(s.wall(), top);
        }

        /** Up to the floor above where walls go on there, else the slab's edge would stay open; up to under it where that floor lies on the wall. */
        private long throughSlab(Rect rect, long top) {
            var ground = Region.of(rect);
            var above = around.stream()
                    .filter(r -> r.floor() > top
                            && r.floor() <= top + 2 * wall
                            && r.outline().grown(wall).overlaps(ground))
                    .toList();
            if (around.stream().anyMatch(r -> r.floor() == top && r.region().overlaps(ground))) {
                return top - wall;
            }
            return above.stream().anyMatch(r -> r.region().overlaps(ground))
                    ? top
                    : above.stream().mapToLong(Room::floor).min().orElse(top);
        }

        private WallRun run(Outline.Edge edge, Stretch s, int number) {
            var bare = bare(edge, s, WallRun.Tier.WALL, foot(s), top(s), number == 0 ? "" : ", " + (number + 1));
            var panels = Panels.of(
                    settings,
                    step,
                    bare,
                    interval -> interval.edge().line() == edge.line()
                            || interval.edge().line() == back(edge.side(), s.wall()),
                    beside().toList(),
                    openings);
            return bare.with(panels);
        }

        private WallRun bare(Outline.Edge edge, Stretch s, WallRun.Tier tier, long foot, long top, String suffix) {
            var from = s.from()
                    - (tier == WallRun.Tier.WALL
                            ? corners.lapBefore(s.wall(), s.from(), edge.side().runsEastWest())
                            : 0);
            var to = s.to()
                    + (tier == WallRun.Tier.WALL
                            ? corners.lapAfter(s.wall(), s.to(), edge.side().runsEastWest())
                            : 0);
            var rises = edge.side() == Side.NORTH || edge.side() == Side.WEST;
            var start = edge.side().runsEastWest()
                    ? new Vec(rises ? from : to, edge.line(), foot)
                    : new Vec(edge.line(), rises ? from : to, foot);
            var low = new Length(s.from() - from);
            var high = new Length(to - s.to());
            return new WallRun(
                    room.id(),
                    edge.number(),
                    tier,
                    room.name() + ", " + label(edge) + suffix,
                    edge.side(),
                    start,
                    new Length(to - from),
                    new Length(depth(edge, s)),
                    new Length(top - foot),
                    rises ? new WallRun.Laps(low, high) : new WallRun.Laps(high, low),
                    List.of(),
                    tier == WallRun.Tier.WALL ? dressing(edge, s) : Dressing.of(room.look()),
                    room.whole());
        }

        /** A skin has no other side that is seen. */
        private Dressing dressing(Outline.Edge edge, Stretch s) {
            if (!settings.facing().bothSides() || settings.skins() && s.behind().isPresent()) {
                return Dressing.of(room.look());
            }
            return new Dressing(
                    room.look(),
                    settings.facing(),
                    seen(along(edge.side(), edge.line(), s.wall()).stream(), s),
                    seen(along(edge.side().opposite(), back(edge.side(), s.wall()), s.wall()).stream(), s));
        }

        private static List<Dressing.Seen> seen(Stream<Beside> beside, Stretch s) {
            return beside.filter(
                            b -> b.edge().from() < s.to() && s.from() < b.edge().to())
                    .map(Beside::room)
                    .distinct()
                    .sorted(Comparator.comparingLong(Room::id))
                    .map(r -> new Dressing.Seen(r.look(), r.floor(), r.ceiling()))
                    .toList();
        }

        /** Of the rooms that a post is seen from the first; outside where no more than an edge of it is. */
        private long look(Rect post) {
            if (!settings.facing().bothSides()) {
                return room.look();
            }
            return touching(post).stream()
                    .filter(r -> r.region().rects().stream().anyMatch(v -> isBeside(v, post)))
                    .min(Comparator.comparing((Room r) -> r.id() != room.id()).thenComparingLong(Room::id))
                    .map(Room::look)
                    .orElse(settings.facing().outside());
        }

        /** Whether they share more than a corner. */
        private static boolean isBeside(Rect a, Rect b) {
            return a.touches(b) && (a.x0() < b.x1() && b.x0() < a.x1() || a.y0() < b.y1() && b.y0() < a.y1());
        }

        private String label(Outline.Edge edge) {
            var alike = room.outline().edges().stream()
                    .filter(e -> e.side() == edge.side())
                    .toList();
            return edge.side().label() + (alike.size() == 1 ? "" : " " + (alike.indexOf(edge) + 1));
        }

        private static long face(Side side, Rect r) {
            return switch (side) {
                case NORTH -> r.y0();
                case SOUTH -> r.y1();
                case EAST -> r.x0();
                case WEST -> r.x1();
            };
        }

        private static long back(Side side, Rect r) {
            return face(side.opposite(), r);
        }

        private static long low(Side side, Rect r) {
            return side.runsEastWest() ? r.x0() : r.y0();
        }

        private static long high(Side side, Rect r) {
            return side.runsEastWest() ? r.x1() : r.y1();
        }

        private List<Post> posts() {
            var built = new ArrayList<Post>();
            var taken = new HashSet<Integer>();
            for (var part : posts) {
                var touching = beside().filter(r -> r.region().rects().stream()
                                .anyMatch(v -> part.stream().anyMatch(v::touches)))
                        .toList();
                if (touching.stream().mapToLong(Room::id).min().orElse(-1) != room.id()) {
                    continue;
                }
                var foot = touching.stream().mapToLong(Room::floor).min().orElseThrow();
                var natural = touching.stream().mapToLong(Room::ceiling).max().orElseThrow();
                for (var rect : part) {
                    if (corners.isLapped(rect)) {
                        continue;
                    }
                    var edge = room.outline().edges().stream()
                            .filter(e -> isCorner(rect, e.x0(), e.y0()) && !taken.contains(e.number()))
                            .mapToInt(Outline.Edge::number)
                            .min()
                            .orElse(-1);
                    taken.add(edge);
                    var top = throughSlab(rect, natural);
                    built.add(new Post(
                            room.id(),
                            edge,
                            box(rect, foot, top),
                            look(rect),
                            room.whole(),
                            corners.legs(rect)
                                    .map(l -> new Post.Legs(
                                            l.turn(),
                                            settings.corners().leg().um(),
                                            box(l.lying(), foot, top),
                                            box(l.upright(), foot, top)))));
                }
            }
            return List.copyOf(built);
        }

        private static Box box(Rect r, long foot, long top) {
            return new Box(new Vec(r.x0(), r.y0(), foot), new Vec(r.x1(), r.y1(), top));
        }

        /** Rectangles that meet along an edge, together; whatever lies at their height elsewhere does not part them. */
        private static List<List<Rect>> parts(List<Rect> rects) {
            var parts = new ArrayList<List<Rect>>();
            for (var rect : rects) {
                var part = new ArrayList<>(List.of(rect));
                parts.removeIf(other -> {
                    var meets = other.stream().anyMatch(r -> isBeside(r, rect));
                    return meets && part.addAll(other);
                });
                parts.add(part);
            }
            return parts.stream().map(part -> Region.of(part).rects()).toList();
        }

        private static boolean isCorner(Rect r, long x, long y) {
            return (x == r.x0() || x == r.x1()) && (y == r.y0() || y == r.y1());
        }
    }
}
