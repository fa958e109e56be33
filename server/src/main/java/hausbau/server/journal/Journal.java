package hausbau.server.journal;

import hausbau.server.store.JournalRow;
import hausbau.server.store.NotFound;
import hausbau.server.store.Row;
import hausbau.server.store.SiteRow;
import hausbau.server.store.SiteStore;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes edits, and walks back and forth among them. */
@Service
public class Journal {

    private static final int CHUNK = 1000;

    private final SiteStore store;
    private final EntityManager rows;
    private final Snapshots snapshots;

    public Journal(SiteStore store, EntityManager rows, Snapshots snapshots) {
        this.store = store;
        this.rows = rows;
        this.snapshots = snapshots;
    }

    /**
     * Makes one edit. An edit that changes nothing leaves no trace.
     *
     * <p>The site is locked before anything is read, so that edits follow one another: work must read what it changes
     * within the edit, and the caller nothing before it in the same transaction.
     *
     * @param seen the revision the person saw, if they told
     * @param work names the edit, and makes its changes
     * @throws StaleRevision if the site has moved on since
     */
    @Transactional
    public <T> T edit(long siteId, OptionalLong seen, Function<Edit, T> work) {
        var site = current(siteId, seen);
        var edit = new Edit(site, store, rows, snapshots);
        var result = work.apply(edit);
        if (!edit.changes().isEmpty()) {
            store.forgetUndone(site);
            var entry = new SiteStore.Entry(shortened(edit.label()), snapshots.write(edit.changes()));
            advance(site, site.journalEnd() + 1, Optional.of(entry), edit.changes());
        }
        return result;
    }

    private static String shortened(String label) {
        return label.length() <= 300 ? label : label.substring(0, 299) + "…";
    }

    /** @return what was undone, or empty if there is nothing to undo */
    @Transactional
    public Optional<String> undo(long siteId, OptionalLong seen) {
        var site = current(siteId, seen);
        return entry(siteId, site.journalEnd()).map(entry -> {
            var changes = new ArrayList<>(snapshots.read(entry.changes()).stream().map(Change::reversed).toList());
            Collections.reverse(changes);
            apply(changes);
            advance(site, site.journalEnd() - 1, Optional.empty(), changes);
            return entry.label();
        });
    }

    /** @return what was done again, or empty if there is nothing to redo */
    @Transactional
    public Optional<String> redo(long siteId, OptionalLong seen) {
        var site = current(siteId, seen);
        return entry(siteId, site.journalEnd() + 1).map(entry -> {
            var changes = snapshots.read(entry.changes());
            apply(changes);
            advance(site, site.journalEnd() + 1, Optional.empty(), changes);
            return entry.label();
        });
    }

    /** What undo would undo. */
    public Optional<String> undoLabel(SiteRow site) {
        return entry(site.getId(), site.journalEnd()).map(JournalRow::label);
    }

    /** What redo would do again. */
    public Optional<String> redoLabel(SiteRow site) {
        return entry(site.getId(), site.journalEnd() + 1).map(JournalRow::label);
    }

    private Optional<JournalRow> entry(long siteId, long seq) {
        return Optional.ofNullable(rows.find(JournalRow.class, new JournalRow.Key(siteId, seq)));
    }

    private SiteRow current(long siteId, OptionalLong seen) {
        var site = store.lockedSite(siteId);
        if (seen.isPresent() && seen.getAsLong() != site.revision()) {
            throw new StaleRevision(site.revision());
        }
        return site;
    }

    private void advance(SiteRow site, long journalEnd, Optional<SiteStore.Entry> entry, List<Change> changes) {
        var tables = changes.stream().map(Change::table).collect(Collectors.toSet());
        var placements = changes.stream().filter(c -> c.table() == Change.Table.PLACEMENT).mapToLong(Change::id).toArray();
        var changedRooms = tables.contains(Change.Table.ROOM) || tables.contains(Change.Table.OPENING) || tables.contains(Change.Table.SITE);
        store.advance(site, journalEnd, entry, new SiteStore.Touched(changedRooms, tables.contains(Change.Table.PIECE),
                changes.stream().anyMatch(Change::isOfTheBoard), placements));
    }

    /** Adds and changes from sites down to placements, then removes from placements up. */
    private void apply(List<Change> changes) {
        var standing = load(changes);
        var downward = changes.stream().sorted(Comparator.comparing(Change::table)).toList();
        for (var change : downward) {
            if (change.before().isNull()) {
                rows.persist(snapshots.toRow(change.after(), change.table().type()));
            } else if (!change.after().isNull()) {
                snapshots.restore(change.after(), row(standing, change));
            }
        }
        for (var i = downward.size() - 1; i >= 0; i--) {
            if (downward.get(i).after().isNull()) {
                rows.remove(row(standing, downward.get(i)));
            }
        }
    }

    private static Row row(Map<Long, Row> standing, Change change) {
        var row = standing.get(change.id());
        if (row == null) {
            throw new NotFound("The journal names a row that is gone: " + change.table() + " " + change.id() + ".");
        }
        return row;
    }

    private Map<Long, Row> load(List<Change> changes) {
        var standing = new HashMap<Long, Row>();
        for (var table : Change.Table.values()) {
            var ids = changes.stream().filter(c -> c.table() == table && !c.before().isNull()).map(Change::id).toList();
            for (var from = 0; from < ids.size(); from += CHUNK) {
                var some = ids.subList(from, Math.min(ids.size(), from + CHUNK));
                rows.createQuery("from " + table.type().getSimpleName() + " where id in :ids", table.type())
                        .setParameter("ids", some).getResultList().forEach(row -> standing.put(row.getId(), row));
            }
        }
        return standing;
    }
}
