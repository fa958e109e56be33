package hausbau.core.exchange;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Moulding;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Whereabouts;
import hausbau.core.measure.Length;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What the nodes of a scene are called: under their level and their room, by what they are and where they stand, such as
 * {@code north wall at 2 m, WAL-2000}.
 */
public final class NodeNames {

    private final Massing massing;
    private final Whereabouts whereabouts;
    private final Map<Long, Room> rooms;
    private final Map<Long, Opening> openings;
    private final Map<Long, String> mouldings;
    /** How often a name was given within its room: what stands twice in one place is told apart. */
    private final Map<List<String>, Integer> given = new HashMap<>();

    public NodeNames(Massing massing) {
        this.massing = massing;
        this.whereabouts = massing.whereabouts();
        this.rooms = massing.rooms().stream().collect(Collectors.toMap(Room::id, Function.identity()));
        this.openings = massing.openings().stream().collect(Collectors.toMap(Opening::id, Function.identity()));
        this.mouldings = massing.mouldings().stream().collect(Collectors.toMap(Moulding::id, Moulding::name));
    }

    /** Level and room of a piece, the level first. */
    public List<String> path(Standing s) {
        var room = room(s);
        var floor = room.map(r -> r.corner().z())
                .orElseGet(() -> whereabouts.floorUnder(s.stance().at()));
        return List.of("floor at " + format(floor), room.map(Room::name).orElse("in no room"));
    }

    private Optional<Room> room(Standing s) {
        return whereabouts.roomOf(s.place().room(), s.box());
    }

    /** What it is and where it stands in its room. */
    public String name(Standing s, String code) {
        var name = place(s) + ", " + code;
        var times = given.merge(List.of(String.valueOf(path(s)), name), 1, Integer::sum);
        return times == 1 ? name : name + ", again " + times;
    }

    private String place(Standing s) {
        var room = rooms.get(s.place().room());
        if (s.place() instanceof Place.InRun p && room != null) {
            return room.outline().edge(p.edge()).map(e -> e.side().label()).orElse("former") + " wall at "
                    + format(p.at());
        }
        if (s.place() instanceof Place.InTier p && room != null) {
            return room.outline().edge(p.edge()).map(e -> e.side().label()).orElse("former") + " wall at "
                    + format(p.at()) + ", up " + format(p.up());
        }
        if (s.place() instanceof Place.Tile p && room != null) {
            return p.layer().label() + " at " + format(p.x()) + " " + format(p.y());
        }
        if (s.place() instanceof Place.AtCorner p) {
            return (p.edge() < 4 ? Place.Corner.values()[p.edge()].label() : "inner") + " corner"
                    + (p.up() == 0 ? "" : ", up " + format(p.up()));
        }
        if (s.place() instanceof Place.OfOpening p && openings.containsKey(p.opening())) {
            var opening = openings.get(p.opening());
            return massing.room(opening.roomId())
                            .flatMap(r -> r.outline().edge(opening.edge()))
                            .map(e -> e.side().label())
                            .orElse("former")
                    + " wall, " + opening.kind().label() + " at "
                    + massing.settings().unit().format(opening.at());
        }
        if (s.place() instanceof Place.OfStairs p) {
            return "stairs, part " + (p.part() + 1);
        }
        if (s.place() instanceof Place.AtDrop p && room != null) {
            return "guard at " + format(p.x()) + " " + format(p.y());
        }
        if (s.place() instanceof Place.OfMoulding p && room != null) {
            return mouldings.getOrDefault(p.rule(), "moulding")
                    + (p.corner() ? " corner " : " wall ")
                    + (p.edge() + 1)
                    + (p.corner() ? "" : " at " + format(p.at()));
        }
        var at = s.stance().at();
        return "at " + format(at.x()) + " " + format(at.y()) + " " + format(at.z());
    }

    private String format(long um) {
        return massing.settings().unit().format(new Length(um));
    }
}
