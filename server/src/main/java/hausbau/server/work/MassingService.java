package hausbau.server.work;

import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.massing.OpeningRow;
import hausbau.server.store.massing.RoomRow;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.measure.Vec;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.store.Stores;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.function.UnaryOperator;
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

    /** Adds a room between two corners that a hand drew, the height of the storey. */
    public Room drawRoom(long siteId, Seen seen, String name, Vec from, Vec to) {
        return addRoom(siteId, seen, (id, massing) -> Room.drawn(id, massing.freshName(name), from, to, massing.settings().storey(), massing.settings().step()));
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
        return new Room(room.id(), others.freshName(name), room.corner(), room.width(), room.depth(), room.height(), room.anchor());
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
        edit.name("Add a " + made.kind().label() + " to “" + room.name() + "”");
        edit.add(new OpeningRow(edit.site().getId(), made));
        return made;
    }

    /** @param opening makes the opening from its id */
    public Opening addOpening(long siteId, Seen seen, LongFunction<Opening> opening) {
        var made = opening.apply(store.nextId());
        return edit(siteId, seen, edit -> add(edit, room(siteId, made.roomId()).toRoom(), made));
    }

    public Opening changeOpening(long siteId, long openingId, Seen seen, UnaryOperator<Opening> change) {
        return edit(siteId, seen, edit -> {
            var row = opening(siteId, openingId);
            var changed = change.apply(row.toOpening());
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
