package hausbau.server.work.light;

import hausbau.core.light.Mood;
import hausbau.core.measure.Refused;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.light.MoodRow;
import hausbau.server.store.light.MoodWords;
import hausbau.server.work.FreshName;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * The moods of a site. It comes with a few, numbered from -1 downward, which are kept as its own with the first edit; their numbers name them still,
 * so that what is asked for fast finds them.
 */
@Service
public class MoodService {

    private static final int LONGEST_NAME = 80;

    private final Stores stores;
    private final Journal journal;

    MoodService(Stores stores, Journal journal) {
        this.stores = stores;
        this.journal = journal;
    }

    /** A mood of a site. */
    public record Known(long id, String name, boolean isUsed, Mood mood) {}

    /** In the order in which they were made. */
    @Reading
    public List<Known> all(long siteId) {
        stores.sites().site(siteId);
        return known(siteId);
    }

    private List<Known> known(long siteId) {
        var rows = stores.moods().moods(siteId);
        if (!rows.isEmpty()) {
            return rows.stream()
                    .map(r -> new Known(r.getId(), r.name(), r.isUsed(), r.toMood()))
                    .toList();
        }
        var known = new ArrayList<Known>();
        Mood.usual().forEach((name, mood) -> known.add(new Known(-known.size() - 1L, name, known.isEmpty(), mood)));
        return known;
    }

    /** The site's own, made of what it comes with if it has none yet. */
    private List<MoodRow> own(Edit edit) {
        var siteId = edit.site().getId();
        var rows = new ArrayList<>(stores.moods().moods(siteId));
        if (rows.isEmpty()) {
            Mood.usual()
                    .forEach((name, mood) ->
                            rows.add(new MoodRow(stores.nextId(), siteId, name, mood, rows.size() + 1)));
            rows.get(0).use(true);
            rows.forEach(edit::add);
        }
        return rows;
    }

    private static void use(Edit edit, List<MoodRow> rows, @Nullable MoodRow chosen) {
        rows.forEach(row -> edit.change(row, r -> r.use(r == chosen)));
    }

    private static MoodRow used(List<MoodRow> rows) {
        return rows.stream().filter(MoodRow::isUsed).findFirst().orElse(rows.get(0));
    }

    private static MoodRow find(List<MoodRow> among, long id) {
        return among.stream()
                .filter(r -> id < 0 ? r.given() == -id : r.getId() == id)
                .findFirst()
                .orElseThrow(() -> new NotFound("The site has no mood " + id + "."));
    }

    /** @param id of one of the site's, or of those that it comes with */
    @Reading
    public Mood one(long siteId, long id) {
        var rows = stores.moods().moods(siteId);
        return rows.isEmpty()
                ? known(siteId).stream()
                        .filter(k -> k.id() == id)
                        .findFirst()
                        .orElseThrow(() -> new NotFound("The site has no mood " + id + "."))
                        .mood()
                : find(rows, id).toMood();
    }

    /** What a mood would be with some of it told otherwise; nothing is changed. */
    @Reading
    public Mood preview(long siteId, long id, MoodWords words) {
        return words.over(one(siteId, id));
    }

    /** @return the id of a copy of one, or of the one in use, which is put to use */
    public long copy(long siteId, Seen seen, @Nullable Long copyOf) {
        return journal.edit(siteId, seen, edit -> {
            var rows = own(edit);
            var from = copyOf == null ? used(rows) : find(rows, copyOf);
            var name =
                    FreshName.of(from.name(), rows.stream().map(MoodRow::name).toList());
            edit.name("Make the mood “" + name + "”");
            use(edit, rows, null);
            var row = new MoodRow(stores.nextId(), siteId, name, from.toMood(), 0);
            row.use(true);
            edit.add(row);
            return row.getId();
        });
    }

    /** @param name null stays; @param words what is told of it, the rest stays. @return its id */
    public long change(long siteId, long id, Seen seen, @Nullable String name, MoodWords words) {
        if (name != null && (name.isBlank() || name.strip().length() > LONGEST_NAME)) {
            throw new Refused("name", "A mood has a name of 1 to " + LONGEST_NAME + " characters.");
        }
        return journal.edit(siteId, seen, edit -> {
            var rows = own(edit);
            var row = find(rows, id);
            var changed = words.over(row.toMood());
            edit.name("Change the mood “" + row.name() + "”");
            edit.change(row, r -> {
                if (name != null) {
                    r.call(name.strip());
                }
                r.set(changed);
            });
            return row.getId();
        });
    }

    /** The set is seen in it from now on. */
    public void use(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var rows = own(edit);
            var chosen = find(rows, id);
            edit.name("See by the mood “" + chosen.name() + "”");
            use(edit, rows, chosen);
            return null;
        });
    }

    /** The last one stays; where the one in use goes, the first is put to use. */
    public void remove(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var rows = own(edit);
            var row = find(rows, id);
            if (rows.size() == 1) {
                throw new Refused("mood", "“" + row.name() + "” is the only mood. Make another one first.");
            }
            edit.name("Take the mood “" + row.name() + "” away");
            edit.remove(row);
            rows.remove(row);
            if (row.isUsed()) {
                use(edit, rows, rows.get(0));
            }
            return null;
        });
    }
}
