package hausbau.core.massing;

import hausbau.core.measure.BoxIndex;
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
    private final Building building;
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

    public Massing(SiteSettings settings, List<Room> rooms, List<Opening> openings) {
        this(settings, new Building(rooms, openings, List.of(), List.of()));
    }

    /** @throws Refused if a room is beyond the limits */
    public Massing(SiteSettings settings, Building building) {
        this.settings = settings;
        this.building = building;
        var rooms = building.rooms();
        rooms.forEach(this::check);
        var index = new BoxIndex(rooms.stream()
                .map(r -> r.outer(new Length(RoomWalls.reach(settings, rooms))).flat())
                .toList());
        var of = building.openings().stream()
                .sorted(Comparator.comparingLong(Opening::id))
                .collect(Collectors.groupingBy(Opening::roomId));
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
        return is != null
                && was.settings().equals(is.settings())
                && was.room().equals(is.room())
                && was.openings().equals(is.openings())
                && beside(was).equals(beside(is));
    }

    private static List<Room> beside(Inputs inputs) {
        return inputs.around().stream()
                .filter(r -> r.ceiling() > inputs.room().floor())
                .toList();
    }

    /** The same site otherwise; walls that hang on nothing that changed are taken over. */
    public Massing next(SiteSettings newSettings, Building newBuilding) {
        var next = new Massing(newSettings, newBuilding);
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

    /** What was decided. */
    public Building building() {
        return building;
    }

    public List<Room> rooms() {
        return building.rooms();
    }

    public List<Opening> openings() {
        return building.openings();
    }

    public List<Stair> stairs() {
        return building.stairs();
    }

    public List<Solid> solids() {
        return building.solids();
    }

    public List<Moulding> mouldings() {
        return building.mouldings();
    }

    /** The mouldings that run through a room, each with its stretches. */
    public List<MouldingLine> mouldings(Room room) {
        return Moulding.in(room, mouldings()).stream()
                .map(m -> new MouldingLine(m, new MouldingRuns(this, room, m).find()))
                .toList();
    }

    /** A moulding as it runs through one room. */
    public record MouldingLine(Moulding moulding, List<MouldingRun> runs) {}

    public Optional<Room> room(long id) {
        return Optional.ofNullable(inputs.get(id)).map(Inputs::room);
    }

    /** The walls of a room, opening panels reaching out to this step. */
    public RoomWalls walls(Room room, Length step) {
        return walls.computeIfAbsent(step, s -> new ConcurrentHashMap<>())
                .computeIfAbsent(
                        room.id(), id -> Objects.requireNonNull(inputs.get(id)).walls(step));
    }

    /** All runs, their opening panels reaching out to the site's step. */
    public List<WallRun> runs() {
        return rooms().stream()
                .flatMap(room -> walls(room, settings.step()).runs().stream())
                .toList();
    }

    /** All posts between them. */
    public List<Post> posts() {
        return rooms().stream()
                .flatMap(room -> walls(room, settings.step()).posts().stream())
                .toList();
    }

    /** How its openings fit into its walls. */
    public OpeningFit fit() {
        return new OpeningFit(this);
    }

    /** The rooms beside a room, or right above or below it. */
    List<Room> around(Room room) {
        return Objects.requireNonNull(inputs.get(room.id())).around();
    }

    private void check(Room room) {
        check("widthMm", "width", room.width(), LEAST_ROOM, GREATEST_ROOM);
        check("depthMm", "depth", room.depth(), LEAST_ROOM, GREATEST_ROOM);
        check("heightMm", "height", room.height(), LEAST_ROOM, Length.ofMillimetres(100_000));
        for (var edge : room.outline().edges()) {
            if (edge.wall() != 0) {
                check(
                        "wallMm",
                        "thickness of a wall",
                        new Length(edge.wall()),
                        SiteSettings.LEAST_WALL,
                        SiteSettings.GREATEST_WALL);
            }
        }
        var far = GREATEST_ROOM.um();
        if (Math.abs(room.corner().x()) > far
                || Math.abs(room.corner().y()) > far
                || Math.abs(room.corner().z()) > far) {
            throw new Refused("cornerMm", "A room must lie within 10 km of the origin.");
        }
    }

    private void check(String field, String what, Length value, Length least, Length most) {
        if (value.compareTo(least) < 0 || value.compareTo(most) > 0) {
            throw new Refused(
                    field,
                    "The " + what + " must be from " + settings.unit().format(least) + " to "
                            + settings.unit().format(most) + ".");
        }
    }

    /** Where one more room's south-west corner can lie whatever its size: east of all, a metre clear of their walls. */
    public Vec freeCorner() {
        if (rooms().isEmpty()) {
            return Vec.ZERO;
        }
        var east = rooms().stream()
                .mapToLong(r -> r.outline().grown(settings.wall().um()).extent().x1())
                .max()
                .orElseThrow();
        var x = new Length(east + settings.wall().um()).plus(CLEARANCE).ceilTo(settings.step());
        return new Vec(x.um(), 0, rooms().get(0).corner().z());
    }

    /** Whether another room lies behind the wall at an edge, or right behind the edge itself. */
    boolean leadsOn(Room room, Outline.Edge edge) {
        return around(room).stream()
                .filter(room::sharesHeightWith)
                .flatMap(r -> r.outline().edges().stream())
                .anyMatch(e -> e.side() == edge.side().opposite()
                        && e.from() < edge.to()
                        && edge.from() < e.to()
                        && (edge.line() - e.line()) * (edge.side() == Side.NORTH || edge.side() == Side.EAST ? -1 : 1)
                                >= 0
                        && Math.abs(edge.line() - e.line())
                                <= edge.wall(settings.wall().um())
                                        + e.wall(settings.wall().um()));
    }

    /** The name wanted for a room, or with a number where a room has it. */
    public String freshName(String wanted) {
        var taken = rooms().stream().map(Room::name).collect(Collectors.toSet());
        var base = wanted.strip();
        var name = base;
        for (var n = 2; taken.contains(name); n++) {
            name = base.replaceFirst(" \\d+$", "") + " " + n;
        }
        return name;
    }

    /** Which room a point belongs to. */
    public Whereabouts whereabouts() {
        return new Whereabouts(settings, rooms());
    }

    /** The ground of a room's floor: where no other room goes through it, or opens up into it from below, and no stairs do. */
    public Region floor(Room room) {
        var ground = less(
                room,
                r -> r.floor() < room.floor() && room.floor() <= r.ceiling()
                        || r.floor() == room.floor() && r.id() < room.id());
        return ground.minus(wells(room, room.floor() - settings.wall().um(), room.floor()));
    }

    /** What stairs cut from a slab of the room's. */
    private Region wells(Room room, long low, long high) {
        var wells = Region.EMPTY;
        for (var stair : stairs()) {
            if (stair.foot().z() < high
                    && stair.top() > low
                    && stair.ground()
                            .extent()
                            .grown(settings.step().um())
                            .overlaps(room.outline().extent())) {
                wells = wells.plus(stair.well(low, high, settings.step()));
            }
        }
        return wells;
    }

    /** The guards round a room's floor. */
    public List<Guard> guards(Room room) {
        return new Drops(this).of(room);
    }

    /** The guards on stairs. */
    public List<Guard> guards(Stair stair) {
        return new Drops(this).of(stair);
    }

    /** The gaps of openings that one goes through: what has no sill. */
    List<Drawing.Gap> walkThrough() {
        return runs().stream()
                .flatMap(run -> run.panels().stream()
                        .filter(p -> p.opening().kind() != Opening.Kind.WINDOW)
                        .map(p -> new Drawing.Gap(p.opening(), run.side(), run.gap(p))))
                .toList();
    }

    /**
     * Stairs from a room to the floor above, to be corrected by typing: straight along the first wall that has room for them, else
     * a half turn.
     *
     * @param rise from its floor to that above
     * @throws Refused if the room has room for neither
     */
    public Stair usualStair(long id, Room room, Length rise) {
        var width = Stair.USUAL_WIDTH;
        for (var shape : List.of(Stair.Shape.STRAIGHT, Stair.Shape.HALF_TURN)) {
            for (var edge : room.outline().edges()) {
                // From the wall's left end seen from inside, a step and a person's width into it, with the wall at the
                // left.
                var up = edge.side().turn();
                var inward = up.apply(new Vec(width.um(), -width.um(), 0));
                var stair = Stair.usual(
                        id,
                        room.level(),
                        shape,
                        true,
                        new Vec(edge.x0(), edge.y0(), room.floor()).plus(inward),
                        up,
                        width,
                        rise,
                        settings.unit());
                var landing = Region.of(stair.departure(width.um()))
                        .plus(stair.ground())
                        .plus(Region.of(stair.arrival(width.um())));
                if (room.region().contains(landing)
                        && headroom().least(stair).isEmpty()
                        && solids().stream()
                                .noneMatch(s -> Region.of(s.ground()).overlaps(landing))
                        && stairs().stream()
                                .noneMatch(s -> s.foot().z() == stair.foot().z()
                                        && s.ground().overlaps(landing))) {
                    return stair;
                }
            }
        }
        throw new Refused(
                "roomId",
                "“" + room.name() + "” has no room along its walls for stairs of "
                        + settings.unit().format(rise) + " with headroom, straight or in a half turn. "
                        + "They need a room above that is open over them. Draw them where they are to go.");
    }

    /** Where people get to. */
    public Flow flow() {
        return new Flow(this);
    }

    public Headroom headroom() {
        return new Headroom(this);
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
        var slab = settings.wall().um();
        // Walls that stand in the slab, those of a rooflight, take their ground from it.
        var upstands = Region.union(around(room).stream()
                .filter(r -> r.floor() >= top && r.floor() < top + slab)
                .map(r -> r.region().grown(slab))
                .toList());
        return less(
                        room,
                        r -> r.floor() < top && top < r.ceiling()
                                || r.ceiling() == top && r.id() < room.id() && r.floor() < top
                                || r.floor() >= top && r.floor() <= top + slab)
                .minus(upstands)
                .minus(wells(room, top, top + slab));
    }

    private Region less(Room room, Predicate<Room> others) {
        return around(room).stream().filter(others).map(Room::region).reduce(room.region(), Region::minus);
    }

    @Override
    public boolean equals(Object o) {
        return this == o || o instanceof Massing m && settings.equals(m.settings) && building.equals(m.building);
    }

    @Override
    public int hashCode() {
        return Objects.hash(settings, building);
    }
}
