package hausbau.server.work;

import hausbau.core.build.HandPlacement;
import hausbau.core.massing.Level;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Stores;
import hausbau.server.store.massing.LevelRow;
import hausbau.server.store.massing.OpeningRow;
import hausbau.server.store.massing.RoomRow;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** Rooms and the openings in their walls. Every edit is checked whole by the core, and the set follows it. */
@Service
public class MassingService {

    private final Stores store;
    private final Journal journal;
    private final Sets sets;

    public MassingService(Stores store, Journal journal, Sets sets) {
        this.store = store;
        this.journal = journal;
        this.sets = sets;
    }

    public SiteState find(long siteId) {
        return sets.current(siteId);
    }

    /** Makes a room from its id and the massing as it stands. */
    public interface RoomMaker {
        Room make(long id, Massing massing);
    }

    /** Adds a room between two corners that a hand drew, on a level and as high as that leaves under its slab. */
    public Room drawRoom(long siteId, Seen seen, long level, String name, Vec from, Vec to) {
        return addRoom(siteId, seen, (id, massing) -> {
            var on = level(siteId, level, massing.settings());
            return Room.drawn(id, massing.freshName(name), from, to, on.storey().minus(massing.settings().wall()), massing.settings().step()).on(on);
        });
    }

    /** The ground level and all others, from the lowest up. */
    public List<Level> levels(long siteId, SiteSettings settings) {
        return Stream.concat(Stream.of(Level.ground(settings)), store.massing().levels(siteId).stream().map(LevelRow::toLevel))
                .sorted(Comparator.comparingLong(Level::floor).thenComparing(Level::id)).toList();
    }

    public Level level(long siteId, long level, SiteSettings settings) {
        return levels(siteId, settings).stream().filter(l -> l.id() == level).findFirst().orElseThrow(() -> new NotFound("The site has no level " + level + "."));
    }

    /** Makes a level from its id and the ones there are. */
    public interface LevelMaker {
        Level make(long id, List<Level> standing);
    }

    public Level addLevel(long siteId, Seen seen, LevelMaker maker) {
        return edit(siteId, seen, edit -> {
            var settings = edit.before().settings();
            var made = checked(maker.make(store.nextId(), levels(siteId, settings)), settings);
            edit.name("Add level “" + made.name() + "”");
            edit.add(new LevelRow(siteId, made));
            return made;
        });
    }

    private static Level checked(Level level, SiteSettings settings) {
        return new Level(level.id(), SiteService.checkedName(level.name()), level.floor(), level.storey()).checked(settings.unit());
    }

    /** Changes a level; what is on it goes up and down with its floor. */
    public Level changeLevel(long siteId, long level, Seen seen, UnaryOperator<Level> change) {
        return edit(siteId, seen, edit -> {
            var row = levelRow(siteId, level);
            var was = row.toLevel();
            var is = checked(change.apply(was), edit.before().settings());
            edit.name("Change level “" + is.name() + "”");
            edit.change(row, r -> r.set(is));
            var up = is.floor() - was.floor();
            if (up != 0) {
                store.massing().rooms(siteId).stream().filter(r -> r.toRoom().level() == level)
                        .forEach(r -> edit.change(r, c -> c.set(c.toRoom().copied(c.getId(), c.toRoom().name(), level, up))));
                hands(edit, was).forEach(h -> edit.put(new HandPlacement(h.id(), h.kind(), h.stance().movedBy(new Vec(0, 0, up)).withinReach(), h.free())));
            }
            return is;
        });
    }

    /** Removes a level with the rooms on it; what hands set down stays. */
    public void removeLevel(long siteId, long level, Seen seen) {
        edit(siteId, seen, edit -> {
            var row = levelRow(siteId, level);
            edit.name("Remove level “" + row.toLevel().name() + "”");
            store.massing().rooms(siteId).stream().filter(r -> r.toRoom().level() == level).forEach(room -> {
                store.massing().openings(siteId).stream().filter(o -> o.toOpening().roomId() == room.getId()).forEach(edit::remove);
                edit.remove(room);
            });
            edit.remove(row);
            return null;
        });
    }

    /** Copies a level with its rooms, openings and what hands set down on it, to stand on top of it. */
    public Level copyLevel(long siteId, long level, Seen seen) {
        return edit(siteId, seen, edit -> {
            var settings = edit.before().settings();
            var all = levels(siteId, settings);
            var from = level(siteId, level, settings);
            var above = all.stream().filter(l -> l.floor() >= from.top() && l.floor() < from.top() + from.storey().um()).findFirst();
            if (above.isPresent()) {
                throw new Refused("level", "“" + above.get().name() + "” lies there already. Copy the topmost level, or move that one first.");
            }
            var copy = checked(new Level(store.nextId(), freshName(all), from.top(), from.storey()), settings);
            edit.name("Copy level “" + from.name() + "”");
            edit.add(new LevelRow(siteId, copy));
            var names = edit.before().decisions().massing();
            for (var row : store.massing().rooms(siteId)) {
                var room = row.toRoom();
                if (room.level() == level) {
                    var made = room.copied(store.nextId(), names.freshName(room.name()), copy.id(), from.storey().um());
                    names = names.next(settings, Stream.concat(names.rooms().stream(), Stream.of(made)).toList(), names.openings());
                    edit.add(new RoomRow(siteId, made));
                    store.massing().openings(siteId).stream().map(OpeningRow::toOpening).filter(o -> o.roomId() == room.id()).forEach(o -> edit.add(new OpeningRow(siteId,
                            new Opening(store.nextId(), made.id(), o.kind(), o.edge(), o.at(), o.width(), o.height(), o.sill()))));
                }
            }
            hands(edit, from).forEach(h -> edit.put(new HandPlacement(store.nextId(), h.kind(), h.stance().movedBy(new Vec(0, 0, from.storey().um())).withinReach(), h.free())));
            return copy;
        });
    }

    private static String freshName(List<Level> levels) {
        var taken = levels.stream().map(Level::name).collect(Collectors.toSet());
        return IntStream.iterate(levels.size(), n -> n + 1).mapToObj(n -> "Level " + n).filter(n -> !taken.contains(n)).findFirst().orElseThrow();
    }

    private static List<HandPlacement> hands(Edit edit, Level level) {
        return edit.before().decisions().hands().all().filter(h -> h.stance().at().z() >= level.floor() && h.stance().at().z() < level.top()).toList();
    }

    private LevelRow levelRow(long siteId, long level) {
        if (level == 0) {
            throw new Refused("level", "The ground level stays as it is. Its storey is the site's.");
        }
        return Stores.find(store.massing().levels(siteId), level, "level");
    }

    /** @param room makes the room from its id and the massing as it stands */
    public Room addRoom(long siteId, Seen seen, RoomMaker room) {
        return edit(siteId, seen, edit -> {
            var massing = edit.before().decisions().massing();
            var made = checked(room.make(store.nextId(), massing), massing);
            edit.name("Add “" + made.name() + "”");
            edit.add(new RoomRow(siteId, made));
            return made;
        });
    }

    public Room changeRoom(long siteId, long roomId, Seen seen, UnaryOperator<Room> change) {
        return edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            var changed = checked(change.apply(row.toRoom()), edit.before().decisions().massing());
            edit.name("Change “" + changed.name() + "”");
            edit.change(row, r -> r.set(changed));
            return changed;
        });
    }

    /** With a name of its own: runs are told apart by it. */
    private static Room checked(Room room, Massing massing) {
        var name = SiteService.checkedName(room.name());
        var others = new Massing(massing.settings(), massing.rooms().stream().filter(r -> r.id() != room.id()).toList(),
                massing.openings().stream().filter(o -> o.roomId() != room.id()).toList());
        return room.named(others.freshName(name));
    }

    /** Changes the ground of a room; what cannot be an outline is refused. */
    private Room reshape(long siteId, long roomId, Seen seen, String verb, BiFunction<Outline, Length, Outline> change) {
        return edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            var room = row.toRoom();
            var changed = room.over(change.apply(room.outline(), edit.before().settings().step()));
            edit.name(verb + " “" + changed.name() + "”");
            edit.change(row, r -> r.set(changed));
            return changed;
        });
    }

    /** Mirrors, turns and moves a room, or a copy of it; its openings go along in their walls. */
    public Room arrange(long siteId, long roomId, Seen seen, boolean mirror, int quarters, Vec by, boolean copy) {
        return edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            var room = row.toRoom();
            var massing = edit.before().decisions().massing();
            var arranged = room.arranged(mirror, quarters, by);
            var made = copy ? arranged.copied(store.nextId(), massing.freshName(room.name()), room.level(), 0) : arranged;
            edit.name((copy ? "Copy “" : mirror ? "Mirror “" : quarters != 0 ? "Turn “" : "Move “") + room.name() + "”");
            if (copy) {
                edit.add(new RoomRow(siteId, made));
            } else {
                edit.change(row, r -> r.set(made));
            }
            for (var opening : store.massing().openings(siteId)) {
                var was = opening.toOpening();
                if (was.roomId() == roomId && (copy || mirror)) {
                    var length = room.outline().edge(was.edge()).map(e -> new Length(e.length())).orElse(was.end());
                    var at = mirror ? length.minus(was.end()) : was.at();
                    if (copy) {
                        edit.add(new OpeningRow(siteId, was.in(store.nextId(), made.id(), at)));
                    } else {
                        edit.change(opening, o -> o.set(was.in(was.id(), roomId, at)));
                    }
                }
            }
            return made;
        });
    }

    /** Joins a rectangle that a hand drew to a room. */
    public Room join(long siteId, long roomId, Seen seen, Vec from, Vec to) {
        return reshape(siteId, roomId, seen, "Add to", (outline, step) -> outline.joined(Room.ground(from, to, step)));
    }

    /** Cuts a rectangle that a hand drew from a room. */
    public Room cut(long siteId, long roomId, Seen seen, Vec from, Vec to) {
        return reshape(siteId, roomId, seen, "Cut from", (outline, step) -> outline.without(Room.ground(from, to, step)));
    }

    /** Moves one edge outward, or inward where that is below 0. */
    public Room moveEdge(long siteId, long roomId, Seen seen, int edge, Length outward) {
        return reshape(siteId, roomId, seen, "Move a wall of", (outline, step) -> outline.moved(edge, outward.um()));
    }

    /** Makes an edge as long as told: the edge that follows it moves. */
    public Room setLength(long siteId, long roomId, Seen seen, int edge, Length length) {
        return reshape(siteId, roomId, seen, "Size", (outline, step) -> outline.sized(edge, length.um()));
    }

    public void removeRoom(long siteId, long roomId, Seen seen) {
        edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            edit.name("Remove “" + row.toRoom().name() + "”");
            store.massing().openings(siteId).stream().filter(o -> o.toOpening().roomId() == roomId).forEach(edit::remove);
            edit.remove(row);
            return null;
        });
    }

    /** Adds a door or a window of usual size where the room has a place for it. */
    public Opening addUsualOpening(long siteId, Seen seen, long roomId, Opening.Kind kind) {
        return edit(siteId, seen, edit -> {
            var room = room(siteId, roomId).toRoom();
            return add(edit, room, edit.before().decisions().massing().usualOpening(store.nextId(), room, kind));
        });
    }

    private static Opening add(Edit edit, Room room, Opening made) {
        fits(edit, made);
        edit.name("Add a " + made.kind().label() + " to “" + room.name() + "”");
        edit.add(new OpeningRow(edit.site().getId(), made));
        return made;
    }

    /** What a hand decides about an opening must fit; what no longer fits since a wall moved is kept. */
    private static void fits(Edit edit, Opening opening) {
        var massing = edit.before().decisions().massing();
        var all = new ArrayList<>(massing.openings());
        all.removeIf(o -> o.id() == opening.id());
        all.add(opening);
        massing.next(massing.settings(), massing.rooms(), all).refuseMisfit(opening.id());
    }

    /** Makes an opening from its id and its room. */
    public interface OpeningMaker {
        Opening make(long id, Room room);
    }

    /** @param opening makes the opening from its id and its room */
    public Opening addOpening(long siteId, Seen seen, long roomId, OpeningMaker opening) {
        return edit(siteId, seen, edit -> {
            var room = room(siteId, roomId).toRoom();
            return add(edit, room, opening.make(store.nextId(), room));
        });
    }

    public Opening changeOpening(long siteId, long openingId, Seen seen, BiFunction<Opening, Room, Opening> change) {
        return edit(siteId, seen, edit -> {
            var row = opening(siteId, openingId);
            var opening = row.toOpening();
            var changed = change.apply(opening, room(siteId, opening.roomId()).toRoom());
            fits(edit, changed);
            edit.name("Change a " + changed.kind().label());
            edit.change(row, r -> r.set(changed));
            return changed;
        });
    }

    public void removeOpening(long siteId, long openingId, Seen seen) {
        edit(siteId, seen, edit -> {
            var row = opening(siteId, openingId);
            edit.name("Remove a " + row.toOpening().kind().label());
            edit.remove(row);
            return null;
        });
    }

    private <T> T edit(long siteId, Seen seen, Function<Edit, T> work) {
        return journal.edit(siteId, seen, work);
    }

    private RoomRow room(long siteId, long roomId) {
        return Stores.find(store.massing().rooms(siteId), roomId, "room");
    }

    private OpeningRow opening(long siteId, long openingId) {
        return Stores.find(store.massing().openings(siteId), openingId, "opening");
    }
}
