package hausbau.server.work.massing;

import hausbau.core.massing.Building;
import hausbau.core.massing.Level;
import hausbau.server.journal.Edit;
import hausbau.server.store.Stores;
import java.util.HashSet;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.ToLongFunction;
import org.springframework.stereotype.Component;

/** Stores what differs between two states of a building. */
@Component
class BuildingRows {

    private final Stores store;

    BuildingRows(Stores store) {
        this.store = store;
    }

    /** Stores the rooms, openings, stairs and solids that are not as they were; none is added or removed. */
    void store(Edit edit, Building before, Building after) {
        var site = edit.site().getId();
        var massing = store.massing();
        changed(
                before.rooms(),
                after.rooms(),
                (room, id) -> edit.change(Stores.find(massing.rooms(site), id, "room"), r -> r.set(room)),
                r -> r.id());
        changed(
                before.openings(),
                after.openings(),
                (opening, id) -> edit.change(Stores.find(massing.openings(site), id, "opening"), o -> o.set(opening)),
                o -> o.id());
        changed(
                before.stairs(),
                after.stairs(),
                (stair, id) -> edit.change(Stores.find(massing.stairs(site), id, "stair"), s -> s.set(stair)),
                s -> s.id());
        changed(
                before.solids(),
                after.solids(),
                (solid, id) -> edit.change(Stores.find(massing.solids(site), id, "solid"), s -> s.set(solid)),
                s -> s.id());
    }

    /** Stores the levels that are not as they were; the ground level is no row, and its storey is the site's. */
    void store(Edit edit, List<Level> before, List<Level> after) {
        var site = edit.site().getId();
        changed(
                before,
                after,
                (level, id) -> {
                    if (id != 0) {
                        edit.change(Stores.find(store.massing().levels(site), id, "level"), l -> l.set(level));
                    }
                },
                Level::id);
    }

    private static <T> void changed(List<T> before, List<T> after, BiConsumer<T, Long> store, ToLongFunction<T> id) {
        var known = new HashSet<>(before);
        after.stream().filter(t -> !known.contains(t)).forEach(t -> store.accept(t, id.applyAsLong(t)));
    }
}
