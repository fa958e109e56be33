package hausbau.server.work.massing;

import hausbau.core.massing.Building;
import hausbau.core.massing.Level;
import hausbau.server.journal.Edit;
import hausbau.server.store.Stores;
import hausbau.server.store.massing.MouldingRow;
import java.util.HashSet;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Stores what differs between two states of a building. */
@Component
public class BuildingRows {

    private final Stores store;

    BuildingRows(Stores store) {
        this.store = store;
    }

    /** Stores the rooms, openings, stairs and solids that are not as they were, none of which is added or removed, and the mouldings. */
    public void store(Edit edit, Building before, Building after) {
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
        storeMouldings(edit, before, after);
    }

    /** Stores the mouldings that are not as they were, those that are new, and their order; removes those that are gone. */
    public void storeMouldings(Edit edit, Building before, Building afterwards) {
        var after = afterwards.mouldings();
        if (before.mouldings().equals(after)) {
            return;
        }
        var site = edit.site().getId();
        var rows = store.massing().mouldings(site).stream()
                .collect(Collectors.toMap(MouldingRow::getId, Function.identity()));
        for (var place = 0; place < after.size(); place++) {
            var moulding = after.get(place);
            var at = place;
            var row = rows.remove(moulding.id());
            if (row == null) {
                edit.add(new MouldingRow(site, moulding, at));
            } else {
                edit.change(row, r -> r.set(moulding, at));
            }
        }
        rows.values().forEach(edit::remove);
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
