package hausbau.server.journal;

import hausbau.core.build.StandingSet;
import hausbau.core.measure.Refused;
import hausbau.server.standing.SiteState;
import hausbau.server.standing.Sets;
import hausbau.server.store.Aggregate;
import hausbau.server.store.NotFound;
import hausbau.server.store.Row;
import hausbau.server.store.Stores;
import hausbau.server.store.site.SiteRow;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Makes edits, and walks back and forth among them. */
@Service
public class Journal {

    private static final int SOME = 1000;

    private final Stores stores;
    private final Revisions revisions;
    private final Sets sets;
    private final EntityManager rows;
    private final Snapshots snapshots;

    public Journal(Stores stores, Revisions revisions, Sets sets, EntityManager rows, Snapshots snapshots) {
        this.stores = stores;
        this.revisions = revisions;
        this.sets = sets;
        this.rows = rows;
        this.snapshots = snapshots;
    }

    /**
     * Makes one edit. An edit that changes nothing leaves no trace.
     *
     * <p>The site is locked before anything is read, so that edits follow one another: work must read what it changes
     * within the edit, and the caller nothing before it in the same transaction. What stands afterwards is computed here;
     * whatever is refused in that, rolls the whole edit back.
     *
     * @param work names the edit, and makes its changes
     * @throws StaleRevision if what it touches has changed since its maker saw it
     * @throws AlreadyMade   if it was made before under the same word
     * @throws Trial         if it was only asked for
     */
    @Transactional
    public <T> T edit(long siteId, Seen seen, Function<Edit, T> work) {
        var site = stores.sites().lockedSite(siteId);
        try {
            var edit = new Edit(site, stores, rows, snapshots, sets.within(site));
            var result = work.apply(edit);
            edit.carry();
            finish(edit, seen, site.journalEnd() + 1, true);
            return result;
        } catch (NotFound | Refused | StaleRevision e) {
            // What it names may be gone because it was made already.
            revisions.refuseAgain(siteId, seen.token());
            throw e;
        }
    }

    /** @return what was undone, or empty if there is nothing to undo */
    @Transactional
    public Optional<String> undo(long siteId, Seen seen) {
        var site = stores.sites().lockedSite(siteId);
        revisions.refuseAgain(siteId, seen.token());
        return entry(siteId, site.journalEnd()).map(entry -> {
            var changes = new ArrayList<>(snapshots.read(entry).stream().map(Change::reversed).toList());
            Collections.reverse(changes);
            walk(site, seen, changes, site.journalEnd() - 1);
            return entry.label();
        });
    }

    /** @return what was done again, or empty if there is nothing to redo */
    @Transactional
    public Optional<String> redo(long siteId, Seen seen) {
        var site = stores.sites().lockedSite(siteId);
        revisions.refuseAgain(siteId, seen.token());
        return entry(siteId, site.journalEnd() + 1).map(entry -> {
            walk(site, seen, snapshots.read(entry), site.journalEnd() + 1);
            return entry.label();
        });
    }

    private void walk(SiteRow site, Seen seen, List<Change> changes, long journalEnd) {
        var edit = new Edit(site, stores, rows, snapshots, sets.within(site));
        apply(changes, edit);
        finish(edit, seen, journalEnd, false);
        revisions.walked(site.getId(), seen.token());
    }

    private void finish(Edit edit, Seen seen, long journalEnd, boolean isNew) {
        if (edit.changes().isEmpty()) {
            if (seen.isTrial()) {
                throw new Trial(new StandingSet.Difference(0, 0, 0));
            }
            return;
        }
        var site = edit.site();
        revisions.refuseStale(site, seen, edit.changes());
        var decisions = edit.write();
        var before = edit.before();
        var state = sets.follow(new SiteState(before.siteId(), before.revision(), before.set(), edit.kit()), site.revision() + 1, decisions);
        if (seen.isTrial()) {
            throw new Trial(state.set() == before.set() ? new StandingSet.Difference(0, 0, 0) : StandingSet.Difference.between(before.set(), state.set()));
        }
        var entry = isNew ? Optional.of(new Revisions.Entry(edit.label(), snapshots.write(edit.changes()), seen.token())) : Optional.<Revisions.Entry>empty();
        revisions.advance(site, journalEnd, entry, edit.changes());
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                sets.publish(state);
            }
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

    /** Adds and changes from sites down to placements, then removes from placements up. */
    private void apply(List<Change> changes, Edit edit) {
        var standing = load(changes);
        var downward = changes.stream().sorted(Comparator.comparing(Change::table)).toList();
        for (var change : downward) {
            var type = change.table().type();
            if (type.isEmpty()) {
                edit.again(change, null);
            } else if (change.before().isNull()) {
                var row = snapshots.toRow(change.after(), type.get());
                rows.persist(row);
                edit.again(change, row);
            } else if (!change.after().isNull()) {
                var row = row(standing, change);
                snapshots.restore(change.after(), row);
                edit.again(change, row);
            }
        }
        for (var i = downward.size() - 1; i >= 0; i--) {
            var change = downward.get(i);
            if (change.after().isNull() && change.table().type().isPresent()) {
                var row = row(standing, change);
                rows.remove(row);
                edit.again(change, row);
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
        for (var table : Aggregate.values()) {
            var ids = changes.stream().filter(c -> c.table() == table && !c.before().isNull()).map(Change::id).toList();
            if (table.type().isEmpty()) {
                continue;
            }
            for (var from = 0; from < ids.size(); from += SOME) {
                var some = ids.subList(from, Math.min(ids.size(), from + SOME));
                rows.createQuery("from " + table.type().get().getSimpleName() + " where id in :ids", table.type().get())
                        .setParameter("ids", some).getResultList().forEach(row -> standing.put(row.getId(), row));
            }
        }
        return standing;
    }
}
