package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A building on another step: every edge of its rooms and solids, every floor and ceiling, and every thickness of wall is moved to
 * the nearest whole number of steps. Walls stay walls: what lies on both sides of one stays apart by its thickness. Openings keep
 * their size and slide until their panels are on the step; stairs go along with the floors that they join.
 *
 * <p>What persons placed by hand is not part of the building, and stays.
 *
 * @param settings with the step, and the thickness of walls, corner legs and storey as they are then
 * @param building as it is then
 * @param levels   as they are then, the ground level with the site's storey among them
 * @param moved    everything that is not as it was
 */
public record StepChange(SiteSettings settings, Building building, List<Level> levels, List<Moved> moved) {

    /**
     * Something that has to move.
     *
     * @param text   what it is and how it was, in the site's unit
     * @param roomId the room that it is or is in; 0 for what belongs to no room
     * @param edges  how many of its edges move; 0 for what has none
     * @param most   how far the one moves that moves farthest
     */
    public record Moved(String text, long roomId, int edges, Length most) {}

    /** How many edges of rooms, openings and solids move. */
    public int edges() {
        return moved.stream().mapToInt(Moved::edges).sum();
    }

    /** How far anything moves. */
    public Length most() {
        return moved.stream().map(Moved::most).reduce(Length.ZERO, Length::max);
    }

    /**
     * The massing then.
     *
     * @param now as it is
     * @throws Refused if an opening that fits its wall now would fit no wall
     */
    public Massing massing(Massing now) {
        var then = now.next(settings, building);
        var unfit = now.fit().misfits().stream().map(m -> m.opening().id()).toList();
        then.fit().misfits().stream()
                .filter(m -> !unfit.contains(m.opening().id()))
                .findFirst()
                .ifPresent(m -> then.fit().refuseMisfit(m.opening().id()));
        return then;
    }

    /**
     * @param levels of the site, from below
     * @throws Refused if an opening or a stair has no place any more, or a size is out of bounds
     */
    public static StepChange of(SiteSettings settings, Building building, List<Level> levels, Length step) {
        return new Mover(settings.on(step), building, levels).move();
    }

    private static final class Mover {

        private final SiteSettings settings;
        private final Building building;
        private final List<Level> levels;
        private final Length step;
        private final AxisOnStep x;
        private final AxisOnStep y;
        private final AxisOnStep z;
        private final Unit unit;
        private final List<Moved> moved = new ArrayList<>();

        /** @param settings with the new step, all else as it was */
        Mover(SiteSettings settings, Building building, List<Level> levels) {
            this.settings = settings;
            this.building = building;
            this.levels = levels;
            this.step = settings.step();
            this.unit = settings.unit();
            var xs = new HashSet<Long>();
            var ys = new HashSet<Long>();
            var zs = new HashSet<Long>();
            var walls = new HashSet<>(Set.of(settings.wall().um()));
            for (var room : building.rooms()) {
                for (var edge : room.outline().edges()) {
                    xs.add(edge.x0());
                    ys.add(edge.y0());
                    walls.add(edge.wall(settings.wall().um()));
                }
                zs.add(room.floor());
                zs.add(room.ceiling());
            }
            for (var solid : building.solids()) {
                var box = solid.box();
                Stream.of(box.min(), box.max()).forEach(p -> {
                    xs.add(p.x());
                    ys.add(p.y());
                    zs.add(p.z());
                });
            }
            for (var level : levels) {
                zs.add(level.floor());
                zs.add(level.top());
            }
            x = new AxisOnStep(step, xs, walls);
            y = new AxisOnStep(step, ys, walls);
            z = new AxisOnStep(step, zs, Set.of(settings.wall().um()));
        }

        StepChange move() {
            var rooms = building.rooms().stream().map(this::room).toList();
            var storeys = levels.stream().map(this::level).toList();
            var then = settings(storeys);
            var openings = new OpeningsOnStep(then, byId(building.rooms()), byId(rooms)).of(building.openings());
            for (var i = 0; i < openings.size(); i++) {
                noteOpening(building.openings().get(i), openings.get(i));
            }
            var solids = building.solids().stream().map(this::solid).toList();
            var stairs = building.stairs().stream().map(this::stair).toList();
            return new StepChange(
                    then,
                    new Building(rooms, openings, stairs, solids, building.mouldings()),
                    storeys,
                    List.copyOf(moved));
        }

        private static Map<Long, Room> byId(List<Room> rooms) {
            return rooms.stream().collect(Collectors.toMap(Room::id, Function.identity()));
        }

        private SiteSettings settings(List<Level> storeys) {
            var wall = new Length(x.thickness(settings.wall().um()));
            if (!wall.equals(settings.wall())) {
                note(
                        "Walls and slabs " + instead(settings.wall(), wall) + " thick",
                        0,
                        0,
                        change(settings.wall(), wall));
            }
            var leg = new Length(x.thickness(settings.corners().leg().um()));
            var ground = storeys.stream().filter(l -> l.id() == 0).findFirst();
            var storey = ground.map(l -> l.storey().minus(wall)).orElse(settings.storey());
            return new SiteSettings(
                    unit,
                    step,
                    wall,
                    storey,
                    settings.pixelsPerMetre(),
                    settings.tiles(),
                    settings.skins(),
                    settings.guardDrop(),
                    new Corners(settings.corners().kind(), leg),
                    settings.facing());
        }

        private Room room(Room room) {
            var was = room.outline();
            var is = new Outline(was.loops().stream()
                    .map(loop -> loop.stream()
                            .map(c -> new Outline.Corner(
                                    c.edge(), x.at(c.x()), y.at(c.y()), c.wall() == 0 ? 0 : x.thickness(c.wall())))
                            .toList())
                    .toList());
            var floor = z.at(room.floor());
            var height = new Length(z.at(room.ceiling()) - floor);
            var farthest = new ArrayList<>(
                    List.of(Math.abs(floor - room.floor()), Math.abs(floor + height.um() - room.ceiling())));
            for (var edge : was.edges()) {
                farthest.add(Math.abs(is.edge(edge.number()).orElseThrow().line() - edge.line()));
            }
            var changed = new Room(
                    room.id(),
                    room.name(),
                    room.level(),
                    is,
                    floor,
                    height,
                    room.sky(),
                    at(room.anchor()),
                    room.look(),
                    room.whole());
            noteAll(
                    room.name() + ": " + sizes(changed.width(), changed.depth(), changed.height())
                            + (sameSize(room, changed)
                                    ? ", moved"
                                    : " instead of " + sizes(room.width(), room.depth(), room.height())),
                    room.id(),
                    farthest);
            return changed;
        }

        private static boolean sameSize(Room a, Room b) {
            return a.width().equals(b.width())
                    && a.depth().equals(b.depth())
                    && a.height().equals(b.height());
        }

        private void noteOpening(Opening was, Opening is) {
            var sized = !is.width().equals(was.width()) || !is.height().equals(was.height());
            building.rooms().stream()
                    .filter(r -> r.id() == was.roomId())
                    .findFirst()
                    .ifPresent(r -> noteAll(
                            r.name() + ", " + was.kind().label() + " at " + unit.format(was.at())
                                    + (is.at().equals(was.at()) ? "" : " to " + unit.format(is.at()))
                                    + (sized
                                            ? ": " + sizes(is.width(), is.height()) + " instead of "
                                                    + sizes(was.width(), was.height())
                                            : ""),
                            r.id(),
                            List.of(
                                    change(is.at(), was.at()).um(),
                                    change(is.end(), was.end()).um(),
                                    change(is.sill(), was.sill()).um(),
                                    change(is.head(), was.head()).um())));
        }

        private Solid solid(Solid solid) {
            var was = solid.box();
            var is = new Box(at(was.min()), at(was.max()));
            var by = is.min().minus(was.min());
            var end = is.max().minus(was.max());
            noteAll(
                    solid.name() + ": " + sizes(is)
                            + (sizes(is).equals(sizes(was)) ? ", moved" : " instead of " + sizes(was)),
                    0,
                    Stream.of(by.x(), by.y(), by.z(), end.x(), end.y(), end.z())
                            .map(Math::abs)
                            .toList());
            return new Solid(solid.id(), solid.name(), solid.level(), is);
        }

        private Stair stair(Stair stair) {
            var foot = at(stair.foot());
            var rise = new Length(z.at(stair.top()) - foot.z());
            if (foot.equals(stair.foot()) && rise.equals(stair.rise())) {
                return stair;
            }
            var kept = new Stair(
                    stair.id(),
                    stair.level(),
                    stair.shape(),
                    stair.right(),
                    foot,
                    stair.up(),
                    stair.width(),
                    rise,
                    stair.risers(),
                    stair.going());
            var farthest = Stream.of(
                            foot.x() - stair.foot().x(),
                            foot.y() - stair.foot().y(),
                            foot.z() - stair.foot().z(),
                            z.at(stair.top()) - stair.top())
                    .mapToLong(Math::abs)
                    .max()
                    .orElse(0);
            note(
                    "Stair"
                            + (rise.equals(stair.rise())
                                    ? " moved"
                                    : ": " + unit.format(rise) + " up instead of " + unit.format(stair.rise())),
                    0,
                    0,
                    new Length(farthest));
            return usable(kept);
        }

        /** With as many risers as before if they are still allowed, else with as many as the rule has it. */
        private Stair usable(Stair stair) {
            try {
                return stair.checked(unit);
            } catch (Refused e) {
                var risers = StairRule.risers(stair.rise()).orElse(stair.risers());
                return stair.stepped(risers, Optional.of(StairRule.going(stair.rise(), risers)))
                        .checked(unit);
            }
        }

        private Level level(Level level) {
            var floor = z.at(level.floor());
            var changed = new Level(level.id(), level.name(), floor, new Length(z.at(level.top()) - floor));
            if (!changed.equals(level)) {
                var by = Math.abs(floor - level.floor());
                note(
                        "Level “" + level.name() + "”"
                                + (by == 0
                                        ? ""
                                        : " at " + unit.format(new Length(floor)) + " instead of "
                                                + unit.format(new Length(level.floor())))
                                + (changed.storey().equals(level.storey())
                                        ? ""
                                        : ", storey of " + instead(level.storey(), changed.storey())),
                        0,
                        0,
                        new Length(Math.max(by, Math.abs(changed.top() - level.top()))));
            }
            return changed.checked(unit);
        }

        private Vec at(Vec p) {
            return new Vec(x.at(p.x()), y.at(p.y()), z.at(p.z()));
        }

        private void noteAll(String text, long roomId, List<Long> by) {
            var edges = (int) by.stream().filter(v -> v != 0).count();
            if (edges > 0) {
                note(
                        text,
                        roomId,
                        edges,
                        new Length(by.stream().max(Long::compare).orElseThrow()));
            }
        }

        private void note(String text, long roomId, int edges, Length most) {
            moved.add(new Moved(text, roomId, edges, most));
        }

        private static Length change(Length a, Length b) {
            return new Length(Math.abs(a.um() - b.um()));
        }

        private String instead(Length was, Length is) {
            return unit.format(is) + " instead of " + unit.format(was);
        }

        private String sizes(Box box) {
            var size = box.size();
            return sizes(new Length(size.x()), new Length(size.y()), new Length(size.z()));
        }

        private String sizes(Length... lengths) {
            return String.join(" × ", Stream.of(lengths).map(unit::format).toList());
        }
    }
}
