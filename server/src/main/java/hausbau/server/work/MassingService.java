package hausbau.server.work;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.store.NotFound;
import hausbau.server.store.OpeningRow;
import hausbau.server.store.RoomRow;
import hausbau.server.store.Row;
import hausbau.server.store.SiteStore;
import java.util.List;
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

    /** The storey height of the site, for a room whose height is not told. */
    @Transactional(readOnly = true)
    public Length storey(long siteId) {
        return store.site(siteId).settings().storey();
    }

    /** @param room makes the room from its id */
    @Transactional
    public Room addRoom(long siteId, OptionalLong seen, LongFunction<Room> room) {
        var made = checked(room.apply(store.nextId()));
        return edit(siteId, seen, "Add “" + made.name() + "”", edit -> {
            edit.add(new RoomRow(siteId, made));
            return made;
        });
    }

    @Transactional
    public Room changeRoom(long siteId, long roomId, OptionalLong seen, UnaryOperator<Room> change) {
        var row = room(siteId, roomId);
        var changed = checked(change.apply(row.toRoom()));
        return edit(siteId, seen, "Change “" + changed.name() + "”", edit -> {
            edit.change(row, r -> r.set(changed));
            return changed;
        });
    }

    private static Room checked(Room room) {
        return new Room(room.id(), SiteService.checkedName(room.name()), room.corner(), room.width(), room.depth(), room.height());
    }

    @Transactional
    public void removeRoom(long siteId, long roomId, OptionalLong seen) {
        var row = room(siteId, roomId);
        edit(siteId, seen, "Remove “" + row.toRoom().name() + "”", edit -> {
            store.openings(siteId).stream().filter(o -> o.toOpening().roomId() == roomId).forEach(edit::remove);
            edit.remove(row);
            return null;
        });
    }

    /** @param opening makes the opening from its id */
    @Transactional
    public Opening addOpening(long siteId, OptionalLong seen, LongFunction<Opening> opening) {
        var made = opening.apply(store.nextId());
        var room = room(siteId, made.roomId()).toRoom();
        return edit(siteId, seen, "Add a " + made.kind().label() + " to “" + room.name() + "”", edit -> {
            edit.add(new OpeningRow(siteId, made));
            return made;
        });
    }

    @Transactional
    public Opening changeOpening(long siteId, long openingId, OptionalLong seen, UnaryOperator<Opening> change) {
        var row = opening(siteId, openingId);
        var changed = change.apply(row.toOpening());
        return edit(siteId, seen, "Change a " + changed.kind().label(), edit -> {
            edit.change(row, r -> r.set(changed));
            return changed;
        });
    }

    @Transactional
    public void removeOpening(long siteId, long openingId, OptionalLong seen) {
        var row = opening(siteId, openingId);
        edit(siteId, seen, "Remove a " + row.toOpening().kind().label(), edit -> {
            edit.remove(row);
            return null;
        });
    }

    private <T> T edit(long siteId, OptionalLong seen, String label, Function<Edit, T> work) {
        return journal.edit(siteId, seen, label, edit -> {
            var result = work.apply(edit);
            // Reading the massing back checks it; what is wrong rolls the whole edit back.
            store.massing(edit.site());
            deriver.derive(edit);
            return result;
        });
    }

    private RoomRow room(long siteId, long roomId) {
        store.site(siteId);
        return find(store.rooms(siteId), roomId, "room");
    }

    private OpeningRow opening(long siteId, long openingId) {
        store.site(siteId);
        return find(store.openings(siteId), openingId, "opening");
    }

    private static <R extends Row> R find(List<R> rows, long id, String what) {
        return rows.stream().filter(r -> r.getId() == id).findFirst()
                .orElseThrow(() -> new NotFound("The site has no " + what + " " + id + "."));
    }
}
