package hausbau.core.massing;

import hausbau.core.measure.BoxIndex;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The rooms of a site and what is cut into their walls. Rooms are voids, and walls are what is left between and around them.
 * It never changes; the next one works out anew only the walls of rooms near which something did.
 */
public final class Massing {

    private static final Length LEAST_ROOM = Length.ofMillimetres(300);
    private static final Length GREATEST_ROOM = Length.ofMillimetres(10_000_000);
    /** Left between a further room and those there are. */
    private static final Length CLEARANCE = Length.ofMillimetres(1000);

    private final SiteSettings settings;
    private final List<Room> rooms;
    private final List<Opening> openings;
    /** Of each room what its walls hang on. */
    private final Map<Long, Inputs> inputs = new HashMap<>();
    private final Map<Length, Map<Long, RoomWalls>> walls = new ConcurrentHashMap<>();

    /**
     * @param around   beside the room, or right above or below it
     * @param openings those of the room and of the rooms around it, by id
     */
    private record Inputs(SiteSettings settings, Room room, List<Room> around, List<Opening> openings) {

        RoomWalls walls(Length step) {
            return RoomWalls.of(settings, step, room, beside(this), openings);
        }
    }

    /** @throws Refused if a room is beyond the limits */
    public Massing(SiteSettings settings, List<Room> rooms, List<Opening> openings) {
        this.settings = settings;
        this.rooms = List.copyOf(rooms);
        this.openings = List.copyOf(openings);
        rooms.forEach(this::check);
        var index = new BoxIndex(rooms.stream().map(r -> r.outer(new Length(RoomWalls.reach(settings))).flat()).toList());
        var of = openings.stream().sorted(Comparator.comparingLong(Opening::id)).collect(Collectors.groupingBy(Opening::roomId));
        for (var room : rooms) {
            var around = new ArrayList<Room>();
            index.touching(room.clear().flat(), i -> {
                if (rooms.get(i) != room && isNear(room, rooms.get(i))) {
                    around.add(rooms.get(i));
                }
            });
            around.sort(Comparator.comparingLong(Room::id));
            var near = new ArrayList<>(of.getOrDefault(room.id(), List.of()));
            around.forEach(r -> near.addAll(of.getOrDefault(r.id(), List.of())));
            inputs.put(room.id(), new Inputs(settings, room, List.copyOf(around), List.copyOf(near)));
        }
    }

    /** Whether anything of a room can hang on another one, as far as heights go: with a slab or two between them, or less. */
    private boolean isNear(Room room, Room other) {
        var slabs = 2 * settings.wall().um();
        return other.floor() <= room.ceiling() + slabs && room.floor() <= other.ceiling() + slabs;
    }

    /** What the walls of two rooms hang on is alike: lower rooms do not matter to them. */
    private static boolean wallsAlike(Inputs was, @Nullable Inputs is) {
        return is != null && was.settings().equals(is.settings()) && was.room().equals(is.room()) && was.openings().equals(is.openings())
                && beside(was).equals(beside(is));
    }

    private static List<Room> beside(Inputs inputs) {
        return inputs.around().stream().filter(r -> r.ceiling() > inputs.room().floor()).toList();
    }

    /** The same site otherwise; walls that hang on nothing that changed are taken over. */
    public Massing next(SiteSettings newSettings, List<Room> newRooms, List<Opening> newOpenings) {
        var next = new Massing(newSettings, newRooms, newOpenings);
        if (next.equals(this)) {
            return this;
        }
        walls.forEach((step, known) -> {
            var kept = new ConcurrentHashMap<Long, RoomWalls>();
            known.forEach((id, of) -> {
                if (wallsAlike(Objects.requireNonNull(inputs.get(id)), next.inputs.get(id))) {
                    kept.put(id, of);
                }
            });
            next.walls.put(step, kept);
        });
        return next;
    }

    public SiteSettings settings() {
        return settings;
    }

    public List<Room> rooms() {
        return rooms;
    }

    public List<Opening> openings() {
        return openings;
    }

    public Optional<Room> room(long id) {
        return Optional.ofNullable(inputs.get(id)).map(Inputs::room);
    }

    /** The walls of a room, opening panels reaching out to this step. */
    public RoomWalls walls(Room room, Length step) {
        return walls.computeIfAbsent(step, s -> new ConcurrentHashMap<>())
                .computeIfAbsent(room.id(), id -> Objects.requireNonNull(inputs.get(id)).walls(step));
    }

    /** All runs, their opening panels reaching out to the site's step. */
    public List<WallRun> runs() {
        return rooms.stream().flatMap(room -> walls(room, settings.step()).runs().stream()).toList();
    }

    /** All posts between them. */
    public List<Post> posts() {
        return rooms.stream().flatMap(room -> walls(room, settings.step()).posts().stream()).toList();
    }

    /** An opening that no wall takes as it is, and why. */
    public record Misfit(Opening opening, Fault fault) {
    }

    /** Openings that are not built: their wall has moved away, has become too short, or is taken. */
    public List<Misfit> misfits() {
        var built = runs().stream().flatMap(r -> r.panels().stream()).map(p -> p.opening().id()).collect(Collectors.toSet());
        return openings.stream().filter(o -> !built.contains(o.id())).map(o -> new Misfit(o, fault(o))).toList();
    }

    private Fault fault(Opening opening) {
        var what = opening.kind().label();
        var interval = room(opening.roomId()).flatMap(room -> Panels.Interval.of(opening, room));
        if (interval.isEmpty()) {
            return new Fault("edge", "The wall of this " + what + " is gone.");
        }
        var i = interval.get();
        var run = around(i).stream().max(Comparator.comparingLong(r -> overlap(r, i)));
        if (run.isEmpty()) {
            return new Fault("edge", "No wall is left where this " + what + " was: the rooms on both sides are one.");
        }
        return Panels.fault(settings.unit(), run.get(), i).orElseGet(() -> clash(run.get(), i));
    }

    private Fault clash(WallRun run, Panels.Interval interval) {
        var unit = settings.unit();
        var panel = Panels.panel(settings.step(), run, interval);
        var shift = interval.opening().at().minus(panel.from());
        var other = run.panels().stream().filter(p -> p.at().compareTo(panel.end()) < 0 && panel.at().compareTo(p.end()) < 0).findFirst();
        return new Fault("atMm", "The " + interval.opening().kind().label() + " at " + unit.format(interval.opening().at()) + other.map(o -> " runs into the "
                + o.opening().kind().label() + " beside it, whose panel goes from " + unit.format(o.at().plus(shift)) + " to " + unit.format(o.end().plus(shift))
                + ". It could begin at " + unit.format(o.end().plus(Panels.JAMB).plus(shift)) + ".").orElse(" does not fit."));
    }

    private static long overlap(WallRun run, Panels.Interval i) {
        var along = i.along(run).um();
        return Math.min(run.length().um(), along + i.opening().width().um()) - Math.max(0, along);
    }

    /** The runs of the wall that an opening is in, from its own side or else from behind. */
    private List<WallRun> around(Panels.Interval i) {
        var own = walls(i.room(), settings.step()).runs().stream().filter(r -> r.edge() == i.edge().number()).toList();
        if (!own.isEmpty()) {
            return own;
        }
        return Objects.requireNonNull(inputs.get(i.room().id())).around().stream().flatMap(r -> walls(r, settings.step()).runs().stream())
                .filter(r -> r.side() == i.edge().side().opposite() && Math.abs(back(r) - i.edge().line()) == 0).toList();
    }

    private static long back(WallRun run) {
        var box = run.box();
        return switch (run.side()) {
            case NORTH -> box.max().y();
            case SOUTH -> box.min().y();
            case EAST -> box.max().x();
            case WEST -> box.min().x();
        };
    }

    /** @throws Refused if this opening is one that no wall takes */
    public void refuseMisfit(long opening) {
        misfits().stream().filter(m -> m.opening().id() == opening).findFirst().ifPresent(m -> {
            throw new Refused(List.of(m.fault()));
        });
    }

    private void check(Room room) {
        check("widthMm", "width", room.width(), LEAST_ROOM, GREATEST_ROOM);
        check("depthMm", "depth", room.depth(), LEAST_ROOM, GREATEST_ROOM);
        check("heightMm", "height", room.height(), LEAST_ROOM, Length.ofMillimetres(100_000));
        var far = GREATEST_ROOM.um();
        if (Math.abs(room.corner().x()) > far || Math.abs(room.corner().y()) > far || Math.abs(room.corner().z()) > far) {
            throw new Refused("cornerMm", "A room must lie within 10 km of the origin.");
        }
    }

    private void check(String field, String what, Length value, Length least, Length most) {
        if (value.compareTo(least) < 0 || value.compareTo(most) > 0) {
            throw new Refused(field, "The " + what + " must be from " + settings.unit().format(least) + " to " + settings.unit().format(most) + ".");
        }
    }

    /** Where one more room's south-west corner can lie whatever its size: east of all, a metre clear of their walls. */
    public Vec freeCorner() {
        if (rooms.isEmpty()) {
            return Vec.ZERO;
        }
        var east = rooms.stream().mapToLong(r -> r.outer(settings.wall()).max().x()).max().orElseThrow();
        var x = new Length(east + settings.wall().um()).plus(CLEARANCE).ceilTo(settings.step());
        return new Vec(x.um(), 0, rooms.get(0).corner().z());
    }

    /**
     * A door or window of usual size in the first wall with room for it, to be corrected by typing: in the wall's middle,
     * or beside what stands in it.
     *
     * @throws Refused if no wall of the room has room for it
     */
    public Opening usualOpening(long id, Room room, Opening.Kind kind) {
        var edges = new ArrayList<>(room.outline().edges());
        if (kind == Opening.Kind.DOOR) {
            // A door leads somewhere: into another room, where there is one behind a wall without a door yet.
            edges.sort(Comparator.comparing(e -> !leadsOn(room, e) || facing(room, e).stream().anyMatch(r -> !r.panels().isEmpty())));
        }
        for (var edge : edges) {
            for (var at : places(room, edge, kind)) {
                var opening = new Opening(id, room.id(), kind, edge.number(), at, kind.usualWidth(), kind.usualHeight(), kind.usualSill());
                var all = new ArrayList<>(openings);
                all.add(opening);
                if (next(settings, rooms, all).misfits().stream().noneMatch(m -> m.opening().id() == id)) {
                    return opening;
                }
            }
        }
        throw new Refused("roomId", "No wall of “" + room.name() + "” has room for a usual " + kind.label() + ", "
                + settings.unit().format(kind.usualWidth()) + " wide and up to " + settings.unit().format(kind.usualSill().plus(kind.usualHeight()))
                + " high, beside what stands in it.");
    }

    /** Whether another room lies behind the wall at an edge, or right behind the edge itself. */
    boolean leadsOn(Room room, Outline.Edge edge) {
        return Objects.requireNonNull(inputs.get(room.id())).around().stream().filter(room::sharesHeightWith)
                .flatMap(r -> r.outline().edges().stream()).anyMatch(e -> e.side() == edge.side().opposite() && e.from() < edge.to() && edge.from() < e.to()
                        && (edge.line() - e.line()) * (edge.side() == Side.NORTH || edge.side() == Side.EAST ? -1 : 1) >= 0
                        && Math.abs(edge.line() - e.line()) <= 2 * settings.wall().um());
    }

    /** The runs of the wall behind an edge, of this room or of the one that builds it from behind. */
    private List<WallRun> facing(Room room, Outline.Edge edge) {
        var own = walls(room, settings.step()).runs().stream().filter(r -> r.edge() == edge.number() && r.tier() == WallRun.Tier.WALL);
        var behind = Objects.requireNonNull(inputs.get(room.id())).around().stream().filter(room::sharesHeightWith).flatMap(r -> walls(r, settings.step()).runs().stream())
                .filter(r -> r.side() == edge.side().opposite() && r.tier() == WallRun.Tier.WALL && back(r) == edge.line());
        return Stream.concat(own, behind).toList();
    }

    /** Seen from the edge's left end: the middle of each of its runs, and beside each panel. */
    private List<Length> places(Room room, Outline.Edge edge, Opening.Kind kind) {
        var places = new ArrayList<Length>();
        var rising = edge.side() == Side.NORTH || edge.side() == Side.WEST;
        for (var run : facing(room, edge)) {
            var box = run.box();
            var from = Math.max(edge.from(), edge.side().runsEastWest() ? box.min().x() : box.min().y());
            var to = Math.min(edge.to(), edge.side().runsEastWest() ? box.max().x() : box.max().y());
            if (from < to) {
                var shift = new Length(rising ? from - edge.from() : edge.to() - to);
                places.add(new Length((to - from - kind.usualWidth().um()) / 2).roundTo(settings.step()).plus(shift));
                for (var panel : run.panels()) {
                    places.add(panel.end().plus(Panels.JAMB).ceilTo(settings.step()).plus(shift));
                    places.add(panel.at().minus(Panels.JAMB).minus(kind.usualWidth()).floorTo(settings.step()).plus(shift));
                }
            }
        }
        return places;
    }

    /** The name wanted for a room, or with a number where a room has it. */
    public String freshName(String wanted) {
        var taken = rooms.stream().map(Room::name).collect(Collectors.toSet());
        var base = wanted.strip();
        var name = base;
        for (var n = 2; taken.contains(name); n++) {
            name = base.replaceFirst(" \\d+$", "") + " " + n;
        }
        return name;
    }

    /** Which room a point belongs to. */
    public Whereabouts whereabouts() {
        return new Whereabouts(settings, rooms);
    }

    /** The ground of a room's floor: where no other room goes through it, or opens up into it from below. */
    public Region floor(Room room) {
        return less(room, r -> r.floor() < room.floor() && room.floor() <= r.ceiling() || r.floor() == room.floor() && r.id() < room.id());
    }

    /**
     * The ground of a room's ceiling: none under the sky, else where no other room goes through it, and no floor of a room above lies on it, since
     * floor and ceiling are the two faces of one slab.
     */
    public Region ceiling(Room room) {
        if (room.sky()) {
            return Region.EMPTY;
        }
        var top = room.ceiling();
        return less(room, r -> r.floor() < top && top < r.ceiling() || r.ceiling() == top && r.id() < room.id() && r.floor() < top
                || r.floor() >= top && r.floor() <= top + settings.wall().um());
    }

    private Region less(Room room, Predicate<Room> others) {
        return Objects.requireNonNull(inputs.get(room.id())).around().stream().filter(others).map(Room::region).reduce(room.region(), Region::minus);
    }

    @Override
    public boolean equals(Object o) {
        return this == o || o instanceof Massing m && settings.equals(m.settings) && rooms.equals(m.rooms) && openings.equals(m.openings);
    }

    @Override
    public int hashCode() {
        return Objects.hash(settings, rooms, openings);
    }
}
