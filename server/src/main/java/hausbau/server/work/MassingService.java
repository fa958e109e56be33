package hausbau.server.work;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.measure.Vec;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.store.OpeningRow;
import hausbau.server.store.RoomRow;
import hausbau.server.store.SiteStore;
import java.util.OptionalLong;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Rooms and the openings in their walls. Every edit is checked whole by the core, and the set follows it. */
@Service
public class MassingService {

    private final SiteStore store;
    private final Journal journal;
    private final Deriver deriver;

    public MassingService(SiteStore store, Journal journal, Deriver deriver) {
        this.store = store;
        this.journal = journal;
        this.deriver = deriver;
    }

    @Transactional(readOnly = true)
    public Massing find(long siteId) {
        return store.massing(store.site(siteId));
    }

    /** Makes a room from its id and the massing as it stands. */
    public interface RoomMaker {
        Room make(long id, Massing massing);
    }

    /** Adds a room between two corners that a hand drew, the height of the storey. */
    @Transactional
    public Room drawRoom(long siteId, OptionalLong seen, String name, Vec from, Vec to) {
        return addRoom(siteId, seen, (id, massing) -> Room.drawn(id, name, from, to, massing.settings().storey(), massing.settings().step()));
    }

    /** @param room makes the room from its id and the massing as it stands */
    @Transactional
    public Room addRoom(long siteId, OptionalLong seen, RoomMaker room) {
        return edit(siteId, seen, edit -> {
            var made = checked(room.make(store.nextId(), store.massing(edit.site())));
            edit.name("Add “" + made.name() + "”");
            edit.add(new RoomRow(siteId, made));
            return made;
        });
    }

    @Transactional
    public Room changeRoom(long siteId, long roomId, OptionalLong seen, UnaryOperator<Room> change) {
        return edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            var changed = checked(change.apply(row.toRoom()));
            edit.name("Change “" + changed.name() + "”");
            edit.change(row, r -> r.set(changed));
            return changed;
        });
    }

    private static Room checked(Room room) {
        return new Room(room.id(), SiteService.checkedName(room.name()), room.corner(), room.width(), room.depth(), room.height());
    }

    @Transactional
    public void removeRoom(long siteId, long roomId, OptionalLong seen) {
        edit(siteId, seen, edit -> {
            var row = room(siteId, roomId);
            edit.name("Remove “" + row.toRoom().name() + "”");
            store.openings(siteId).stream().filter(o -> o.toOpening().roomId() == roomId).forEach(edit::remove);
            edit.remove(row);
            return null;
        });
    }

    /** Adds a door or a window of usual size where the room has a place for it. */
    @Transactional
    public Opening addUsualOpening(long siteId, OptionalLong seen, long roomId, Opening.Kind kind) {
        return edit(siteId, seen, edit -> {
            var room = room(siteId, roomId).toRoom();
            return add(edit, room, store.massing(edit.site()).usualOpening(store.nextId(), room, kind));
        });
    }

    private static Opening add(Edit edit, Room room, Opening made) {
        edit.name("Add a " + made.kind().label() + " to “" + room.name() + "”");
        edit.add(new OpeningRow(edit.site().getId(), made));
        return made;
    }

    /** @param opening makes the opening from its id */
    @Transactional
    public Opening addOpening(long siteId, OptionalLong seen, LongFunction<Opening> opening) {
        var made = opening.apply(store.nextId());
        return edit(siteId, seen, edit -> add(edit, room(siteId, made.roomId()).toRoom(), made));
    }

    @Transactional
    public Opening changeOpening(long siteId, long openingId, OptionalLong seen, UnaryOperator<Opening> change) {
        return edit(siteId, seen, edit -> {
            var row = opening(siteId, openingId);
            var changed = change.apply(row.toOpening());
            edit.name("Change a " + changed.kind().label());
            edit.change(row, r -> r.set(changed));
            return changed;
        });
    }

    @Transactional
    public void removeOpening(long siteId, long openingId, OptionalLong seen) {
        edit(siteId, seen, edit -> {
            var row = opening(siteId, openingId);
            edit.name("Remove a " + row.toOpening().kind().label());
            edit.remove(row);
            return null;
        });
    }

    private <T> T edit(long siteId, OptionalLong seen, Function<Edit, T> work) {
        return journal.edit(siteId, seen, edit -> {
            var result = work.apply(edit);
            // Reading the massing back checks it; what is wrong rolls the whole edit back.
            store.massing(edit.site());
            deriver.derive(edit);
            return result;
        });
    }

    private RoomRow room(long siteId, long roomId) {
        return store.find(store.rooms(siteId), roomId, "room");
    }

    private OpeningRow opening(long siteId, long openingId) {
        return store.find(store.openings(siteId), openingId, "opening");
    }
}
