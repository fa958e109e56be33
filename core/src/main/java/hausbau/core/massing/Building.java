package hausbau.core.massing;

import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import java.util.ArrayList;
import java.util.List;
import java.util.function.LongSupplier;
import java.util.stream.Stream;

/**
 * What persons decided about a building.
 *
 * @param rooms    voids to stand in
 * @param openings what is cut into their walls
 * @param stairs   ways between floors
 * @param solids   masses that stay
 * @param mouldings what runs along the walls: rules of the whole building, in a person's order, and what single rooms have in their place
 */
public record Building(
        List<Room> rooms, List<Opening> openings, List<Stair> stairs, List<Solid> solids, List<Moulding> mouldings) {

    public static final Building NONE = new Building(List.of(), List.of(), List.of(), List.of());

    public Building {
        rooms = List.copyOf(rooms);
        openings = List.copyOf(openings);
        stairs = List.copyOf(stairs);
        solids = List.copyOf(solids);
        mouldings = List.copyOf(mouldings);
    }

    /** Without mouldings. */
    public Building(List<Room> rooms, List<Opening> openings, List<Stair> stairs, List<Solid> solids) {
        this(rooms, openings, stairs, solids, List.of());
    }

    /** The same building with other rooms. */
    public Building withRooms(List<Room> others) {
        return new Building(others, openings, stairs, solids, mouldings);
    }

    /** The same building with another room in place of the one with its id; its openings keep their distance from what they hold to. */
    public Building changing(Room room) {
        var was = rooms.stream().filter(r -> r.id() == room.id()).findFirst();
        return new Building(
                rooms.stream().map(r -> r.id() == room.id() ? room : r).toList(),
                openings.stream()
                        .map(o -> o.roomId() == room.id() && was.isPresent()
                                ? o.following(was.get().outline(), room.outline())
                                : o)
                        .toList(),
                stairs,
                solids,
                mouldings);
    }

    /** The same building with another opening in place of the one with its id. */
    public Building changing(Opening opening) {
        return withOpenings(
                openings.stream().map(o -> o.id() == opening.id() ? opening : o).toList());
    }

    /** The same building with other openings. */
    public Building withOpenings(List<Opening> others) {
        return new Building(rooms, others, stairs, solids, mouldings);
    }

    /** The same building with other stairs. */
    public Building withStairs(List<Stair> others) {
        return new Building(rooms, openings, others, solids, mouldings);
    }

    /** The same building with another moulding in place of the one with its id. */
    public Building changing(Moulding moulding) {
        return withMouldings(mouldings.stream()
                .map(m -> m.id() == moulding.id() ? moulding : m)
                .toList());
    }

    /** The same building with one more moulding, after the others. */
    public Building adding(Moulding moulding) {
        return withMouldings(
                Stream.concat(mouldings.stream(), Stream.of(moulding)).toList());
    }

    /** The same building without a moulding, and without what single rooms have in its place. */
    public Building withoutMoulding(long id) {
        return withMouldings(
                mouldings.stream().filter(m -> m.id() != id && m.rule() != id).toList());
    }

    /** The same building with a moulding before so many others. */
    public Building ordering(long moulding, int place) {
        var all = new ArrayList<>(mouldings);
        var one = all.stream().filter(m -> m.id() == moulding).findFirst().orElseThrow();
        all.remove(one);
        all.add(Math.max(0, Math.min(place, all.size())), one);
        return withMouldings(all);
    }

    /** The same building without a room, its openings, and what runs along its walls alone. */
    public Building withoutRoom(long id) {
        return new Building(
                rooms.stream().filter(r -> r.id() != id).toList(),
                openings.stream().filter(o -> o.roomId() != id).toList(),
                stairs,
                solids,
                mouldings.stream().filter(m -> m.instead().room() != id).toList());
    }

    /** The same building where a room has, in the place of rules, all that another one has. */
    public Building alike(long room, long asRoom, LongSupplier newId) {
        return withMouldings(Stream.concat(
                        mouldings.stream(),
                        mouldings.stream()
                                .filter(m -> m.instead().room() == asRoom)
                                .map(m -> m.in(newId.getAsLong(), room)))
                .toList());
    }

    /** The same building with other mouldings. */
    public Building withMouldings(List<Moulding> others) {
        return new Building(rooms, openings, stairs, solids, others);
    }

    /**
     * The same building with a level raised: rooms and solids on it go along, stairs that begin there too, and those that arrive
     * there climb so much more; stairs that begin there climb so much less.
     *
     * @param by µm; below 0 to lower it
     * @throws hausbau.core.measure.Refused if a stair could not climb so
     */
    public Building raising(Level level, long by, Unit unit) {
        return new Building(
                rooms.stream()
                        .map(r -> r.level() == level.id() ? r.raised(level.id(), by) : r)
                        .toList(),
                openings,
                stairs.stream().map(s -> following(s, level, by, unit)).toList(),
                solids.stream()
                        .map(s -> s.level() == level.id() ? s.raised(by, level.id()) : s)
                        .toList(),
                mouldings);
    }

    private static Stair following(Stair stair, Level level, long by, Unit unit) {
        if (stair.level() == level.id()) {
            return stair.raised(stair.id(), level.id(), by)
                    .rising(new Length(stair.rise().um() - by), unit);
        }
        return stair.top() == level.floor()
                ? stair.rising(new Length(stair.rise().um() + by), unit)
                : stair;
    }
}
