package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Which of some rooms a point belongs to. Cost: each room is asked. */
public record Whereabouts(SiteSettings settings, List<Room> rooms) {

    /** The room in which, or in whose walls or slabs, the point lies; of several the one whose floor is highest. */
    public Optional<Room> roomAt(Vec point) {
        var wall = settings.wall().um();
        return rooms.stream()
                .filter(r -> isOver(r, point)
                        && point.z() >= r.corner().z() - wall
                        && point.z() <= r.corner().z() + r.height().um() + wall)
                .max(Comparator.comparingLong((Room r) -> r.corner().z())
                        .thenComparing(Comparator.comparingLong(Room::id).reversed()));
    }

    /** The room that made something, or in which the middle of its foot lies. @param maker its id, or 0 */
    public Optional<Room> roomOf(long maker, Box box) {
        return rooms.stream()
                .filter(r -> r.id() == maker)
                .findFirst()
                .or(() -> roomAt(new Vec(
                        (box.min().x() + box.max().x()) / 2,
                        (box.min().y() + box.max().y()) / 2,
                        box.min().z())));
    }

    /** Whether the point lies over, in or under the room or its walls. */
    private boolean isOver(Room room, Vec point) {
        return room.isWithin(settings.wall().um(), point.x(), point.y());
    }

    /** The floor that a thing at this point would fall onto: the highest not above it, else the lowest there is, else 0. */
    public long floorUnder(Vec point) {
        var floors = rooms.stream()
                .filter(r -> isOver(r, point))
                .mapToLong(r -> r.corner().z())
                .sorted()
                .toArray();
        var floor = floors.length == 0 ? 0 : floors[0];
        for (var z : floors) {
            floor = z <= point.z() ? z : floor;
        }
        return floor;
    }
}
