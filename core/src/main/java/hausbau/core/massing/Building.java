package hausbau.core.massing;

import java.util.List;

/**
 * What persons decided about a building.
 *
 * @param rooms    voids to stand in
 * @param openings what is cut into their walls
 * @param stairs   ways between floors
 * @param solids   masses that stay
 */
public record Building(List<Room> rooms, List<Opening> openings, List<Stair> stairs, List<Solid> solids) {

    public static final Building NONE = new Building(List.of(), List.of(), List.of(), List.of());

    public Building {
        rooms = List.copyOf(rooms);
        openings = List.copyOf(openings);
        stairs = List.copyOf(stairs);
        solids = List.copyOf(solids);
    }

    /** The same building with other rooms. */
    public Building withRooms(List<Room> others) {
        return new Building(others, openings, stairs, solids);
    }

    /** The same building with other openings. */
    public Building withOpenings(List<Opening> others) {
        return new Building(rooms, others, stairs, solids);
    }

    /** The same building with other stairs. */
    public Building withStairs(List<Stair> others) {
        return new Building(rooms, openings, others, solids);
    }
}
