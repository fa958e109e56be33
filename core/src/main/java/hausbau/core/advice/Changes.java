package hausbau.core.advice;

import hausbau.core.massing.Level;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The small changes of a building that are tried. */
final class Changes {

    private Changes() {}

    /** Of so many patterns at most each is tried in place of every other. */
    private static final int MOST_PATTERNS = 6;

    /**
     * @param levels of the site
     * @param reach  how many steps anything is moved at most
     */
    static List<Change> of(Massing massing, List<Level> levels, int reach) {
        var step = massing.settings().step();
        var by = IntStream.rangeClosed(-reach, reach)
                .filter(n -> n != 0)
                .mapToLong(n -> n * step.um())
                .boxed()
                .toList();
        var changes = new ArrayList<Change>();
        massing.rooms().forEach(room -> ofRoom(room, by, changes));
        alike(massing.rooms(), Room::height)
                .forEach(rooms -> by.forEach(d -> changes.add(new Change.Together(rooms.stream()
                        .<Change.One>map(r -> new Change.RoomHeight(r, plus(r.height(), d)))
                        .toList()))));
        var unit = massing.settings().unit();
        levels.stream()
                .filter(l -> l.id() != 0)
                .forEach(l -> by.forEach(d -> changes.add(new Change.LevelFloor(l, d, unit))));
        patterns(massing).forEach(changes::add);
        var sizes = new ArrayList<Change>();
        for (var opening : massing.openings()) {
            massing.room(opening.roomId()).ifPresent(room -> {
                by.forEach(d -> changes.add(new Change.OpeningAt(opening, room, plus(opening.at(), d))));
                sizes(massing, opening, room, reach * step.um()).forEach(sizes::add);
            });
        }
        changes.addAll(sizes);
        together(sizes).forEach(changes::add);
        return changes;
    }

    private static void ofRoom(Room room, List<Long> by, List<Change> changes) {
        by.forEach(d -> changes.add(new Change.RoomHeight(room, plus(room.height(), d))));
        by.forEach(d -> changes.add(new Change.RoomSize(room, plus(room.width(), d), room.depth())));
        by.forEach(d -> changes.add(new Change.RoomSize(room, room.width(), plus(room.depth(), d))));
    }

    /** All rooms of one pattern under that of others, or under that of walls where they look outside. */
    private static Stream<Change> patterns(Massing massing) {
        var byLook = massing.rooms().stream()
                .collect(Collectors.groupingBy(Room::look, LinkedHashMap::new, Collectors.toList()));
        if (byLook.size() > MOST_PATTERNS) {
            return Stream.empty();
        }
        var asOthers = byLook.values().stream().flatMap(of -> byLook.values().stream()
                .filter(others -> others != of)
                .map(others -> under(
                        of,
                        others.get(0).look(),
                        "the pattern of “" + others.get(0).name() + "”")));
        var facing = massing.settings().facing();
        return !facing.bothSides() || byLook.containsKey(facing.outside())
                ? asOthers
                : Stream.concat(
                        asOthers,
                        byLook.values().stream().map(of -> under(of, facing.outside(), "the pattern of the outside")));
    }

    /** @param of what the pattern is called by, unless it is the site's */
    private static Change under(List<Room> rooms, long look, String of) {
        var as = look == 0 ? "the site’s pattern" : of;
        var parts = rooms.stream()
                .<Change.One>map(r -> new Change.RoomPattern(r, look, as))
                .toList();
        return parts.size() == 1 ? parts.get(0) : new Change.Together(parts);
    }

    private static Length plus(Length length, long by) {
        return new Length(length.um() + by);
    }

    /** The sizes of other openings of its kind that differ by little. */
    private static Stream<Change.OpeningSize> sizes(Massing massing, Opening opening, Room room, long most) {
        return massing.openings().stream()
                .filter(o -> o.kind() == opening.kind())
                .map(o -> new Change.OpeningSize(opening, room, o.width(), o.height(), o.sill()))
                .filter(c -> c.size() > 0 && c.size() <= most)
                .distinct();
    }

    /** All openings of one size, changed alike. */
    private static Stream<Change> together(List<Change> sizes) {
        return alike(sizes, Change::alike).map(Change.Together::of);
    }

    /** Those of which there are several alike. */
    private static <T> Stream<List<T>> alike(Collection<T> all, Function<T, Object> by) {
        Map<Object, List<T>> groups =
                all.stream().collect(Collectors.groupingBy(by, LinkedHashMap::new, Collectors.toList()));
        return groups.values().stream().filter(g -> g.size() > 1);
    }

    static boolean areOfDifferentThings(Change a, Change b) {
        var things = new HashSet<>(things(a));
        return things(b).stream().noneMatch(things::contains);
    }

    /** Whether the first changes all that the second does. */
    static boolean coversAll(Change first, Change second) {
        return new HashSet<>(things(first)).containsAll(things(second));
    }

    /** What it changes. */
    private static List<Long> things(Change change) {
        return change.parts().stream().map(Change.One::thing).toList();
    }
}
