package hausbau.server.work.massing;

import hausbau.core.advice.Change;
import hausbau.core.massing.Building;
import hausbau.core.massing.Level;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Region;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Stores;
import hausbau.server.store.massing.OpeningRow;
import hausbau.server.store.massing.RoomRow;
import hausbau.server.store.set.DressRow;
import hausbau.server.work.set.DressService;
import hausbau.server.work.site.SiteService;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** Rooms and the openings in their walls. Every edit is checked whole by the core, and the set follows it. */
@Service
public class MassingService {

    private static final int LONGEST_STEP = 120;

    private final Stores store;
    private final Journal journal;
    private final Sets sets;
    private final LevelService levels;
    private final DressService dresses;
    private final BuildingRows rows;

    public MassingService(
            Stores store, Journal journal, Sets sets, LevelService levels, DressService dresses, BuildingRows rows) {
        this.store = store;
        this.journal = journal;
        this.sets = sets;
        this.levels = levels;
        this.dresses = dresses;
        this.rows = rows;
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
            var on = levels.find(siteId, level, massing.settings());
            return Room.drawn(
                            id,
                            massing.freshName(name),
                            from,
                            to,
                            on.storey().minus(massing.settings().wall()),
                            massing.settings().step())
                    .on(on);
        });
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

    /** Ground that a room is to be made of. */
    public record Ground(String name, Region region) {}

    /** Adds a room of each ground on a level, as high as that leaves under its slab, in one edit. */
    public List<Room> bringIn(long siteId, Seen seen, long level, List<Ground> grounds) {
        return edit(siteId, seen, edit -> {
            var massing = edit.before().decisions().massing();
            var on = levels.find(siteId, level, massing.settings());
            var made = new ArrayList<Room>();
            for (var ground : grounds) {
                var names = massing.next(
                        massing.settings(),
                        massing.building()
                                .withRooms(Stream.concat(massing.rooms().stream(), made.stream())
                                        .toList()));
                var outline = Outline.of(ground.region());
                var corner = new Vec(outline.extent().x0(), outline.extent().y0(), on.floor());
                made.add(new Room(
                        store.nextId(),
                        names.freshName(SiteService.checkedName(ground.name())),
                        on.id(),
                        outline,
                        on.floor(),
                        on.storey().minus(massing.settings().wall()),
                        false,
                        corner,
                        0,
                        false));
            }
            edit.name(
                    made.size() == 1 ? "Bring in “" + made.get(0).name() + "”" : "Bring in " + made.size() + " rooms");
            made.forEach(room -> edit.add(new RoomRow(siteId, room)));
            return made;
        });
    }

    public Room changeRoom(long siteId, long roomId, Seen seen, UnaryOperator<Room> change) {
        return edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            var was = row.toRoom();
            var changed = checked(change.apply(was), edit.before().decisions().massing());
            if (changed.look() != was.look() && changed.look() != 0) {
                Stores.find(store.kits().patterns(siteId), changed.look(), "pattern");
            }
            edit.name("Change “" + changed.name() + "”");
            set(edit, row, was, changed);
            return changed;
        });
    }

    /** With a name of its own: runs are told apart by it. */
    private static Room checked(Room room, Massing massing) {
        var name = SiteService.checkedName(room.name());
        var others = new Massing(
                massing.settings(),
                massing.rooms().stream().filter(r -> r.id() != room.id()).toList(),
                massing.openings().stream().filter(o -> o.roomId() != room.id()).toList());
        return room.named(others.freshName(name));
    }

    /** Changes the ground of a room; what cannot be an outline is refused. */
    private Room reshape(
            long siteId, long roomId, Seen seen, String verb, BiFunction<Outline, Length, Outline> change) {
        return edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            var room = row.toRoom();
            var changed = room.over(
                    change.apply(room.outline(), edit.before().settings().step()));
            edit.name(verb + " “" + changed.name() + "”");
            set(edit, row, room, changed);
            return changed;
        });
    }

    /** Changes a room; its openings keep their distance from what they hold to. */
    private void set(Edit edit, RoomRow row, Room was, Room is) {
        edit.change(row, r -> r.set(is));
        var before = edit.before().decisions().massing().building();
        var openings = before.withRooms(List.of(was)).changing(is).openings();
        rows.store(edit, before, before.withOpenings(openings));
    }

    /**
     * Takes a change of several rooms and openings in one step.
     *
     * @param change made from the building as it is
     * @throws Refused if an opening would not fit any more
     */
    public void take(long siteId, Seen seen, BiFunction<Building, List<Level>, Change> change) {
        edit(siteId, seen, edit -> {
            var massing = edit.before().decisions().massing();
            var taken = change.apply(massing.building(), levels.all(siteId, massing.settings()));
            var after = taken.in(massing.building());
            var then = massing.next(massing.settings(), after);
            after.openings().stream()
                    .filter(o -> !massing.openings().contains(o))
                    .forEach(o -> then.fit().refuseMisfit(o.id()));
            edit.name(shortened(taken.describe(massing.settings().unit())));
            rows.store(edit, massing.building(), after);
            for (var part : taken.parts()) {
                if (part instanceof Change.LevelFloor l) {
                    levels.follow(edit, l.level().at(l.level().floor() + l.by()));
                } else if (part instanceof Change.RoomPattern p && p.look() != 0) {
                    Stores.find(store.kits().patterns(siteId), p.look(), "pattern");
                }
            }
            return null;
        });
    }

    private static String shortened(String text) {
        return text.length() <= LONGEST_STEP ? text : text.substring(0, LONGEST_STEP - 1) + "…";
    }

    /** Mirrors, turns and moves a room, or a copy of it; its openings go along in their walls. */
    public Room arrange(long siteId, long roomId, Seen seen, boolean mirror, int quarters, Vec by, boolean copy) {
        return edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            var room = row.toRoom();
            var massing = edit.before().decisions().massing();
            var arranged = room.arranged(mirror, quarters, by);
            var made = copy ? arranged.copied(store.nextId(), massing.freshName(room.name())) : arranged;
            edit.name(
                    (copy ? "Copy “" : mirror ? "Mirror “" : quarters != 0 ? "Turn “" : "Move “") + room.name() + "”");
            if (copy) {
                edit.add(new RoomRow(siteId, made));
                dresses.copy(edit, siteId, Map.of(DressRow.word(roomId), DressRow.word(made.id())));
                var building = massing.building();
                rows.storeMouldings(edit, building, building.alike(made.id(), roomId, store::nextId));
            } else {
                edit.change(row, r -> r.set(made));
            }
            for (var opening : store.massing().openings(siteId)) {
                var was = opening.toOpening();
                if (was.roomId() == roomId && (copy || mirror)) {
                    var length = room.outline()
                            .edge(was.edge())
                            .map(e -> new Length(e.length()))
                            .orElse(was.end());
                    var at = mirror ? length.minus(was.end()) : was.at();
                    if (copy) {
                        var id = store.nextId();
                        edit.add(new OpeningRow(
                                siteId, mirror ? was.mirrored(id, made.id(), at) : was.in(id, made.id(), at)));
                    } else {
                        edit.change(opening, o -> o.set(was.mirrored(was.id(), roomId, at)));
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
        return reshape(
                siteId, roomId, seen, "Cut from", (outline, step) -> outline.without(Room.ground(from, to, step)));
    }

    /** Moves one edge outward, or inward where that is below 0. */
    public Room moveEdge(long siteId, long roomId, Seen seen, int edge, Length outward) {
        return reshape(siteId, roomId, seen, "Move a wall of", (outline, step) -> outline.moved(edge, outward.um()));
    }

    /** Moves the corner in which an edge begins, with both edges that meet there. */
    public Room moveCorner(long siteId, long roomId, Seen seen, int edge, Vec by) {
        return reshape(
                siteId, roomId, seen, "Move a corner of", (outline, step) -> outline.cornerMoved(edge, by.x(), by.y()));
    }

    /** Makes an edge as long as told: the edge that follows it moves. */
    public Room setLength(long siteId, long roomId, Seen seen, int edge, Length length) {
        return reshape(siteId, roomId, seen, "Size", (outline, step) -> outline.sized(edge, length.um()));
    }

    /** Says how thick the wall behind an edge is to be; 0 for as the site's. */
    public Room setWall(long siteId, long roomId, Seen seen, int edge, Length thickness) {
        return reshape(
                siteId,
                roomId,
                seen,
                "Thickness of a wall of",
                (outline, step) -> outline.walled(edge, thickness.um()));
    }

    public void removeRoom(long siteId, long roomId, Seen seen) {
        edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            edit.name("Remove “" + row.toRoom().name() + "”");
            store.massing().openings(siteId).stream()
                    .filter(o -> o.toOpening().roomId() == roomId)
                    .forEach(edit::remove);
            var building = edit.before().decisions().massing().building();
            rows.storeMouldings(edit, building, building.withoutRoom(roomId));
            edit.remove(row);
            return null;
        });
    }

    /**
     * An opening among those of its wall.
     *
     * @param alike how many are like it, itself included
     */
    public record OnWall(Opening opening, int alike) {

        /** @param all openings, those of the same wall among them */
        public static OnWall of(Opening opening, Collection<Opening> all) {
            return new OnWall(opening, opening.countAlike(all));
        }
    }

    /** Adds a door or a window of usual size where the room has a place for it. */
    public OnWall addUsualOpening(long siteId, Seen seen, long roomId, Opening.Kind kind) {
        return edit(siteId, seen, edit -> {
            var room = room(siteId, roomId).toRoom();
            return add(edit, room, edit.before().decisions().massing().fit().usual(store.nextId(), room, kind));
        });
    }

    private static OnWall add(Edit edit, Room room, Opening made) {
        var all = fitting(edit, made);
        edit.name("Add a " + made.kind().label() + " to “" + room.name() + "”");
        edit.add(new OpeningRow(edit.site().getId(), made));
        return OnWall.of(made, all);
    }

    /**
     * All openings with this one among them. What a hand decides about an opening must fit; what no longer fits since a
     * wall moved is kept.
     */
    private static List<Opening> fitting(Edit edit, Opening opening) {
        var massing = edit.before().decisions().massing();
        var all = new ArrayList<>(massing.openings());
        all.removeIf(o -> o.id() == opening.id());
        all.add(opening);
        massing.next(massing.settings(), massing.building().withOpenings(all))
                .fit()
                .refuseMisfit(opening.id());
        return all;
    }

    /** Makes an opening from its id and its room. */
    public interface OpeningMaker {
        Opening make(long id, Room room);
    }

    /** @param opening makes the opening from its id and its room */
    public OnWall addOpening(long siteId, Seen seen, long roomId, OpeningMaker opening) {
        return edit(siteId, seen, edit -> {
            var room = room(siteId, roomId).toRoom();
            return add(edit, room, opening.make(store.nextId(), room));
        });
    }

    public OnWall changeOpening(long siteId, long openingId, Seen seen, BiFunction<Opening, Room, Opening> change) {
        return edit(siteId, seen, edit -> {
            var row = opening(siteId, openingId);
            var opening = row.toOpening();
            var changed = change.apply(opening, room(siteId, opening.roomId()).toRoom());
            var all = fitting(edit, changed);
            edit.name("Change a " + changed.kind().label());
            edit.change(row, r -> r.set(changed));
            return OnWall.of(changed, all);
        });
    }

    /** Spreads the openings of one wall evenly. */
    public List<OnWall> spreadOpenings(long siteId, long roomId, int edge, Seen seen) {
        return edit(siteId, seen, edit -> {
            edit.name("Spread the openings of a wall");
            return openingsOfWall(edit, roomId, edge, (wall, now) -> Opening.spread(wall, now, step(edit)));
        });
    }

    /** So many like an opening in its wall, spread evenly with all others of that wall. */
    public List<OnWall> repeatOpening(long siteId, long openingId, int count, Seen seen) {
        return edit(siteId, seen, edit -> {
            var one = opening(siteId, openingId).toOpening();
            edit.name(count + " times a " + one.kind().label());
            return openingsOfWall(
                    edit,
                    one.roomId(),
                    one.edge(),
                    (wall, now) -> one.times(wall, now, count, store::nextId, step(edit)));
        });
    }

    private static Length step(Edit edit) {
        return edit.before().settings().step();
    }

    /** Makes the openings of one wall others, all of which must fit. */
    private List<OnWall> openingsOfWall(
            Edit edit, long roomId, int edge, BiFunction<Outline.Edge, List<Opening>, List<Opening>> make) {
        var siteId = edit.site().getId();
        var room = room(siteId, roomId).toRoom();
        var wall = room.outline()
                .edge(edge)
                .orElseThrow(() -> new NotFound("“" + room.name() + "” has no wall " + edge + "."));
        var rows = store.massing().openings(siteId).stream()
                .filter(o -> o.toOpening().roomId() == roomId && o.toOpening().edge() == edge)
                .toList();
        var made = make.apply(wall, rows.stream().map(OpeningRow::toOpening).toList());
        var massing = edit.before().decisions().massing();
        var others = massing.openings().stream().filter(o -> o.roomId() != roomId || o.edge() != edge);
        var all = massing.next(
                massing.settings(),
                massing.building()
                        .withOpenings(Stream.concat(others, made.stream()).toList()));
        made.forEach(o -> all.fit().refuseMisfit(o.id()));
        var kept = made.stream().collect(Collectors.toMap(Opening::id, o -> o));
        for (var row : rows) {
            var now = kept.remove(row.getId());
            if (now == null) {
                edit.remove(row);
            } else {
                edit.change(row, r -> r.set(now));
            }
        }
        kept.values().stream()
                .sorted(Comparator.comparing(Opening::id))
                .forEach(o -> edit.add(new OpeningRow(siteId, o)));
        return made.stream().map(o -> OnWall.of(o, made)).toList();
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
