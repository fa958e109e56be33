package hausbau.core.exchange;

import hausbau.core.massing.Room;
import hausbau.core.massing.Whereabouts;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Standing;
import hausbau.core.standing.Assembly;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.Repeat;
import hausbau.core.standing.Twin;
import hausbau.core.standing.Use;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What the nodes of a scene are called, each by a name of its own: the level, in it the room, in that the repeat, twin or
 * use of an assembly, in that the piece, such as {@code WAL-2000_7}. A name that is taken gets the least number that tells
 * it apart, in the order in which the names are asked for.
 */
public final class NodeNames {

    /** Holds what stands in no room of a level, and the level of what stands on none. */
    private static final String OUTSIDE = "Outside";

    private final Whereabouts whereabouts;
    private final Map<Long, Room> rooms;
    private final Map<Long, String> levels;
    private final Map<Long, Repeat> repeats;
    private final Map<Long, Twin> twins;
    private final Map<Long, String> uses;
    /** Names that are taken, and the last number that a name was given with. */
    private final Set<String> taken = new HashSet<>();

    private final Map<String, Integer> numbers = new HashMap<>();
    private final Map<Object, String> groups = new HashMap<>();
    /** A repeat that goes through several rooms has one node, where its first piece stands. */
    private final Map<Source, List<String>> homes = new HashMap<>();

    /** @param levels the names of the levels, by their ids */
    public NodeNames(Decisions decisions, Map<Long, String> levels) {
        this.levels = Map.copyOf(levels);
        var massing = decisions.massing();
        whereabouts = massing.whereabouts();
        rooms = massing.rooms().stream().collect(Collectors.toMap(Room::id, Function.identity()));
        repeats = decisions.repeats().stream().collect(Collectors.toMap(Repeat::id, Function.identity()));
        twins = decisions.twins().stream().collect(Collectors.toMap(Twin::id, Function.identity()));
        var names = decisions.assemblies().all().stream().collect(Collectors.toMap(Assembly::id, Assembly::name));
        uses = decisions.assemblies().uses().stream()
                .collect(Collectors.toMap(Use::id, use -> names.getOrDefault(use.assembly(), "Assembly")));
    }

    /** The nodes that a piece stands under, the level first. */
    public List<String> path(Standing s) {
        var source = s.place().source();
        var group = groupOf(s.place());
        return group.isEmpty()
                ? roomPath(s)
                : homes.computeIfAbsent(source, of -> {
                    var path = new ArrayList<>(roomPath(s));
                    path.add(unique(of, group.get()));
                    return List.copyOf(path);
                });
    }

    /** Of its piece, with a number where another is called so. */
    public String name(String code) {
        return free(code, "_");
    }

    private List<String> roomPath(Standing s) {
        var room = whereabouts.roomOf(s.place().room(), s.box());
        var level = room.map(Room::level).orElse(0L);
        var of = unique("level " + level, levels.getOrDefault(level, OUTSIDE));
        return List.of(
                of,
                room.map(r -> unique(r, rooms.getOrDefault(r.id(), r).name()))
                        .orElseGet(() -> unique("outside " + level, OUTSIDE)));
    }

    private Optional<String> groupOf(Place place) {
        if (place instanceof Place.InRepeat in) {
            return Optional.ofNullable(repeats.get(in.repeat())).map(Repeat::name);
        }
        if (place instanceof Place.InUse in) {
            return Optional.ofNullable(uses.get(in.use()));
        }
        return place instanceof Place.InTwin in
                ? Optional.ofNullable(twins.get(in.twin())).map(Twin::name)
                : Optional.empty();
    }

    /** The name of one group, the same whenever it is asked for. */
    private String unique(Object group, String name) {
        return groups.computeIfAbsent(group, of -> free(name, " "));
    }

    private String free(String name, String before) {
        var free = name;
        while (!taken.add(free)) {
            free = name + before + numbers.merge(name, 2, (last, second) -> last + 1);
        }
        return free;
    }
}
