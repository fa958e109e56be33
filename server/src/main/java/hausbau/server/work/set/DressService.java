package hausbau.server.work.set;

import hausbau.core.dress.Dress;
import hausbau.core.measure.Refused;
import hausbau.core.place.Place;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.set.DressRow;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Tint, wear, colourway and lamps of placements and rooms, by hand. */
@Service
public class DressService {

    private final Stores stores;
    private final Journal journal;

    DressService(Stores stores, Journal journal) {
        this.stores = stores;
        this.journal = journal;
    }

    /** What is dressed alike. */
    public record Dressed(List<Place> pieces, List<Long> rooms, Dress dress) {}

    @Reading
    public List<Dressed> all(long siteId) {
        return stores.sets().dressRows(siteId).stream()
                .map(r -> new Dressed(r.pieces(), r.rooms(), r.dress()))
                .toList();
    }

    /** Only what is told changes; {@link Dress} has the words for what is not told any more. */
    public record Change(
            @Nullable String tint, @Nullable Integer wear, @Nullable Long colourway, @Nullable Integer lamps) {

        Dress of(Dress was) {
            return new Dress(
                    tint == null ? was.tint() : tint,
                    wear == null ? was.wear() : wear,
                    colourway == null ? was.colourway() : colourway,
                    lamps == null ? was.lamps() : lamps);
        }
    }

    public void change(long siteId, Seen seen, List<Place> pieces, List<Long> rooms, Change change) {
        if (pieces.isEmpty() && rooms.isEmpty() || pieces.size() + rooms.size() > PlacementService.MOST_AT_ONCE) {
            throw new Refused("ids", "Name from 1 to " + PlacementService.MOST_AT_ONCE + " placements or rooms.");
        }
        journal.edit(siteId, seen, edit -> {
            pieces.forEach(p -> PlacementService.standing(edit.before(), p));
            rooms.forEach(r -> Stores.find(stores.massing().rooms(siteId), r, "room"));
            if (change.colourway() != null && change.colourway() != 0) {
                Stores.find(stores.kits().colourways(siteId), change.colourway(), "colourway");
            }
            var words = new TreeSet<String>();
            pieces.forEach(p -> words.add(DressRow.word(p)));
            rooms.forEach(r -> words.add(DressRow.word(r)));
            edit.name(
                    rooms.isEmpty()
                            ? words.size() == 1 ? "Dress a placement" : "Dress " + words.size() + " placements"
                            : "Dress a room");
            put(edit, siteId, words, change::of);
            return null;
        });
    }

    private void put(Edit edit, long siteId, Collection<String> words, UnaryOperator<Dress> change) {
        var rows = stores.sets().dressRows(siteId);
        var all = dressed(rows);
        words.forEach(w -> all.put(w, change.apply(all.getOrDefault(w, Dress.NONE))));
        write(edit, siteId, rows, all);
    }

    private static TreeMap<String, Dress> dressed(List<DressRow> rows) {
        var all = new TreeMap<String, Dress>();
        rows.forEach(r -> r.words().forEach(w -> all.put(w, r.dress())));
        return all;
    }

    /** What is copied is dressed as what it is a copy of. @param copies by what they are copies of, as {@link DressRow} has their words */
    public void copy(Edit edit, long siteId, Map<String, String> copies) {
        var rows = stores.sets().dressRows(siteId);
        if (rows.isEmpty()) {
            return;
        }
        var all = dressed(rows);
        var more = new TreeMap<>(all);
        copies.forEach((of, copy) -> more.put(copy, all.getOrDefault(of, Dress.NONE)));
        write(edit, siteId, rows, more);
    }

    /** One row for each dress; nothing is written of what is not dressed. */
    private void write(Edit edit, long siteId, List<DressRow> rows, Map<String, Dress> all) {
        var alike = new HashMap<Dress, TreeSet<String>>();
        all.forEach((word, dress) ->
                alike.computeIfAbsent(dress, d -> new TreeSet<>()).add(word));
        alike.remove(Dress.NONE);
        for (var row : rows) {
            var words = alike.remove(row.dress());
            if (words == null) {
                edit.remove(row);
            } else if (!List.copyOf(words).equals(row.words())) {
                edit.change(row, r -> r.set(words));
            }
        }
        alike.forEach((dress, words) -> edit.add(new DressRow(stores.nextId(), siteId, dress, words)));
    }
}
