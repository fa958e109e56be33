package hausbau.server.work.set;

import hausbau.core.measure.Refused;
import hausbau.core.place.Place;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.store.Stores;
import hausbau.server.store.set.SelectionRow;
import java.util.List;
import org.springframework.stereotype.Service;

/** Selections under a name. */
@Service
public class SelectionService {

    private static final int LONGEST = 200;

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;

    SelectionService(Stores stores, Journal journal, Sets sets) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
    }

    /** @param standing those of its places where something stands */
    public record Named(long id, String name, List<Place> standing) {}

    public List<Named> all(long siteId) {
        var set = sets.current(siteId).set();
        return stores.sets().selections(siteId).stream()
                .map(r -> new Named(
                        r.getId(),
                        r.name(),
                        r.places().stream().filter(p -> set.find(p).isPresent()).toList()))
                .toList();
    }

    /** Keeps a selection; one of the same name is kept over. */
    public long keep(long siteId, Seen seen, String name, List<Place> places) {
        var told = name.strip();
        if (told.isEmpty() || told.length() > LONGEST) {
            throw new Refused("name", "A name has from 1 to " + LONGEST + " characters.");
        }
        if (places.isEmpty() || places.size() > PlacementService.MOST_AT_ONCE) {
            throw new Refused("ids", "Name from 1 to " + PlacementService.MOST_AT_ONCE + " placements.");
        }
        return journal.edit(siteId, seen, edit -> {
            places.forEach(p -> PlacementService.standing(edit.before(), p));
            edit.name("Keep the selection “" + told + "”");
            var same = stores.sets().selections(siteId).stream()
                    .filter(r -> r.name().equals(told))
                    .findFirst();
            if (same.isPresent()) {
                edit.change(same.get(), r -> r.set(told, places));
                return same.get().getId();
            }
            var row = new SelectionRow(siteId, new SelectionRow.Kept(stores.nextId(), told, places));
            edit.add(row);
            return row.getId();
        });
    }

    public void forget(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().selections(siteId), id, "selection");
            edit.name("Forget the selection “" + row.name() + "”");
            edit.remove(row);
            return null;
        });
    }
}
