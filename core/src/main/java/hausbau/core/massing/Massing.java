package hausbau.core.massing;

import hausbau.core.kit.Recipe;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;

/**
 * The rooms of a site and what is cut into their walls; checked, so that every run can be drawn.
 *
 * @param rooms    their walls do not overlap
 * @param openings each fits its wall
 */
public record Massing(SiteSettings settings, List<Room> rooms, List<Opening> openings) {

    /** Least wall beside and above a clear opening: room for the frame and a leg of wall. Common practice, no source. */
    public static final Length JAMB = Recipe.OpeningPanel.FRAME.plus(Length.ofMillimetres(60));
    private static final Length LEAST_ROOM = Length.ofMillimetres(300);
    private static final Length GREATEST_ROOM = Length.ofMillimetres(10_000_000);
    /** Left between a further room and those there are. */
    private static final Length CLEARANCE = Length.ofMillimetres(1000);
    private static final Length LEAST_OPENING = Length.ofMillimetres(100);

    /** @throws Refused with the reason and the values that would do */
    public Massing {
        rooms = List.copyOf(rooms);
        openings = List.copyOf(openings);
        for (var i = 0; i < rooms.size(); i++) {
            checkRoom(settings, rooms.get(i));
            for (var j = 0; j < i; j++) {
                checkApart(settings, rooms.get(j), rooms.get(i));
            }
        }
        for (var room : rooms) {
            for (var side : Side.values()) {
                checkWall(settings, room, side, on(openings, room, side));
            }
        }
    }

    /** All runs, their opening panels reaching out to the site's step. */
    public List<WallRun> runs() {
        return runs(settings.step());
    }

    /** All runs, their opening panels reaching out to this step. */
    public List<WallRun> runs(Length step) {
        var of = openings.stream().collect(Collectors.groupingBy(Opening::roomId));
        return rooms.stream().flatMap(room -> runs(room, of.getOrDefault(room.id(), List.of()), step).stream()).toList();
    }

    /** The four runs of a room with these openings. */
    public static List<WallRun> runs(Room room, List<Opening> openings, Length step) {
        return Arrays.stream(Side.values())
                .map(side -> new WallRun(room, side, on(openings, room, side).stream().map(o -> panel(step, room, o)).toList())).toList();
    }

    private static List<Opening> on(List<Opening> openings, Room room, Side side) {
        return openings.stream().filter(o -> o.roomId() == room.id() && o.side() == side)
                .sorted(Comparator.comparing(Opening::at)).toList();
    }

    private static WallRun.Panel panel(Length step, Room room, Opening opening) {
        var from = Length.max(Length.ZERO, opening.at().minus(JAMB).floorTo(step));
        var to = Length.min(room.lengthOf(opening.side()), opening.end().plus(JAMB).ceilTo(step));
        return new WallRun.Panel(opening, from, to.minus(from));
    }

    private static void checkRoom(SiteSettings settings, Room room) {
        check(settings, "widthMm", "width", room.width(), LEAST_ROOM, GREATEST_ROOM);
        check(settings, "depthMm", "depth", room.depth(), LEAST_ROOM, GREATEST_ROOM);
        check(settings, "heightMm", "height", room.height(), LEAST_ROOM, Length.ofMillimetres(100_000));
        var far = GREATEST_ROOM.um();
        if (Math.abs(room.corner().x()) > far || Math.abs(room.corner().y()) > far || Math.abs(room.corner().z()) > far) {
            throw new Refused("cornerMm", "A room must lie within 10 km of the origin.");
        }
    }

    private static void check(SiteSettings settings, String field, String what, Length value, Length least, Length most) {
        if (value.compareTo(least) < 0 || value.compareTo(most) > 0) {
            throw new Refused(field, "The " + what + " must be from " + settings.unit().format(least) + " to "
                    + settings.unit().format(most) + ".");
        }
    }

    private static void checkApart(SiteSettings settings, Room a, Room b) {
        var first = a.outer(settings.wall());
        var second = b.outer(settings.wall());
        if (first.overlaps(second)) {
            var east = new Length(first.max().x() + settings.wall().um());
            var north = new Length(first.max().y() + settings.wall().um());
            throw new Refused("cornerMm", "The walls of “" + b.name() + "” would cut into “" + a.name()
                    + "”. Its south-west corner could lie at X " + settings.unit().format(east) + " or at Y "
                    + settings.unit().format(north) + " and beyond.");
        }
    }

    private static void checkWall(SiteSettings settings, Room room, Side side, List<Opening> openings) {
        WallRun.Panel before = null;
        for (var opening : openings) {
            checkOpening(settings, room, side, opening);
            var panel = panel(settings.step(), room, opening);
            if (before != null && panel.at().compareTo(before.end()) < 0) {
                throw new Refused("atMm", "The " + opening.kind().label() + " at " + settings.unit().format(opening.at())
                        + " runs into the " + before.opening().kind().label() + " before it, whose panel ends at "
                        + settings.unit().format(before.end()) + ". It could begin at "
                        + settings.unit().format(before.end().plus(JAMB)) + ".");
            }
            before = panel;
        }
    }

    private static void checkOpening(SiteSettings settings, Room room, Side side, Opening opening) {
        var unit = settings.unit();
        var what = opening.kind().label();
        var wall = room.lengthOf(side);
        var widest = wall.minus(JAMB.times(2));
        if (opening.width().compareTo(LEAST_OPENING) < 0 || opening.height().compareTo(LEAST_OPENING) < 0) {
            var field = opening.width().compareTo(LEAST_OPENING) < 0 ? "widthMm" : "heightMm";
            throw new Refused(field, "A " + what + " must be at least " + unit.format(LEAST_OPENING) + " wide and high.");
        }
        if (opening.width().compareTo(widest) > 0) {
            throw new Refused("widthMm", "The " + side.label() + " wall is " + unit.format(wall) + " long, so a " + what
                    + " in it can be at most " + unit.format(widest) + " wide.");
        }
        var last = wall.minus(JAMB).minus(opening.width());
        if (opening.at().compareTo(JAMB) < 0 || opening.at().compareTo(last) > 0) {
            throw new Refused("atMm", "A " + what + " " + unit.format(opening.width()) + " wide needs "
                    + unit.format(JAMB) + " of wall on both sides: it can begin from " + unit.format(JAMB) + " to "
                    + unit.format(last) + ".");
        }
        if (opening.kind() == Opening.Kind.DOOR && opening.sill().um() != 0) {
            throw new Refused("sillMm", "A door has no sill: it begins at the floor.");
        }
        if (opening.kind() == Opening.Kind.WINDOW && opening.sill().compareTo(JAMB) < 0) {
            throw new Refused("sillMm", "A window's sill must be at least " + unit.format(JAMB) + " high.");
        }
        var highest = room.height().minus(JAMB);
        if (opening.head().compareTo(highest) > 0) {
            throw new Refused("heightMm", "The head would be at " + unit.format(opening.head()) + "; under the ceiling at "
                    + unit.format(room.height()) + " it can be at most at " + unit.format(highest) + ", so the " + what
                    + " at most " + unit.format(highest.minus(opening.sill())) + " high.");
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
        for (var side : Side.values()) {
            for (var at : places(room, side, kind)) {
                var opening = new Opening(id, room.id(), kind, side, at, kind.usualWidth(), kind.usualHeight(), kind.usualSill());
                if (takes(room, side, opening)) {
                    return opening;
                }
            }
        }
        throw new Refused("roomId", "No wall of “" + room.name() + "” has room for a usual " + kind.label() + ", "
                + settings.unit().format(kind.usualWidth()) + " wide and up to " + settings.unit().format(kind.usualSill().plus(kind.usualHeight()))
                + " high, beside what stands in it.");
    }

    private List<Length> places(Room room, Side side, Opening.Kind kind) {
        var places = new ArrayList<Length>();
        places.add(new Length((room.lengthOf(side).um() - kind.usualWidth().um()) / 2).roundTo(settings.step()));
        for (var standing : on(openings, room, side)) {
            var panel = panel(settings.step(), room, standing);
            places.add(panel.end().plus(JAMB).ceilTo(settings.step()));
            places.add(panel.at().minus(JAMB).minus(kind.usualWidth()).floorTo(settings.step()));
        }
        return places;
    }

    private boolean takes(Room room, Side side, Opening opening) {
        var all = new ArrayList<>(on(openings, room, side));
        all.add(opening);
        all.sort(Comparator.comparing(Opening::at));
        try {
            checkWall(settings, room, side, all);
            return true;
        } catch (Refused refused) {
            return false;
        }
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
}
