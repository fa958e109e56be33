package hausbau.server.journal;

import hausbau.core.measure.Refused;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Aggregate;
import hausbau.server.store.NotFound;
import hausbau.server.store.Row;
import hausbau.server.store.Stores;
import hausbau.server.store.site.SiteRow;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
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
            finish(edit, seen, OptionalLong.empty(), false);
            return result;
        } catch (NotFound | Refused | StaleRevision e) {
            // What it names may be gone because it was made already.
            revisions.refuseAgain(siteId, seen.token());
            throw e;
        }
    }

    /**
     * Takes back the last step of its maker that is in force.
     *
     * @param anyones whether the last step of whoever made it is meant
     * @return what was undone, or empty if there is nothing to undo
     * @throws StaleRevision if what it touched was changed by a later step, or something now belongs to what it made
     */
    @Transactional
    public Optional<String> undo(long siteId, Seen seen, boolean anyones) {
        var site = stores.sites().lockedSite(siteId);
        revisions.refuseAgain(siteId, seen.token());
        return (anyones ? lastInForce(siteId) : ownInForce(siteId, seen.maker())).map(entry -> {
            var changes = new ArrayList<>(
                    snapshots.read(entry).stream().map(Change::reversed).toList());
            Collections.reverse(changes);
            refuseChangedLater(site, entry, changes);
            walk(site, seen, changes, entry.seq(), true);
            return entry.label();
        });
    }

    /**
     * Does the step again that its maker undid last.
     *
     * @return what was done again, or empty if there is nothing to redo
     * @throws StaleRevision if what it touches was changed by another since it was undone
     */
    @Transactional
    public Optional<String> redo(long siteId, Seen seen) {
        var site = stores.sites().lockedSite(siteId);
        revisions.refuseAgain(siteId, seen.token());
        return ownUndone(siteId, seen.maker()).map(entry -> {
            var changes = snapshots.read(entry);
            if (!seen.maker().isEmpty()
                    && revisions.isTouchedSince(site, entry.undoneAt(), ids(changes), seen.maker())) {
                throw new StaleRevision(
                        site.revision(),
                        "“" + entry.label()
                                + "” cannot be done again: what it touches was changed by another since. Nothing was done.");
            }
            walk(site, seen, changes, entry.seq(), false);
            return entry.label();
        });
    }

    private static Long[] ids(List<Change> changes) {
        return changes.stream().map(Change::id).distinct().toArray(Long[]::new);
    }

    /** A step can be taken back while all later steps in force touch other rows, and none of them refers to what it would remove. */
    private void refuseChangedLater(SiteRow site, JournalRow entry, List<Change> back) {
        if (entry.seq() == site.journalTop()) {
            return;
        }
        var later = stores.sites().laterStep(site.getId(), entry.seq(), ids(back));
        if (later.isPresent()) {
            throw new StaleRevision(
                    site.revision(),
                    "“" + entry.label() + "” cannot be taken back: what it touched was changed since by “" + later.get()
                            + "”. Nothing was done.");
        }
        var removed = back.stream()
                .filter(c -> c.after().isNull())
                .map(Change::id)
                .distinct()
                .toArray(Long[]::new);
        var user = removed.length == 0
                ? Optional.<Aggregate>empty()
                : Arrays.stream(Aggregate.values())
                        .filter(a -> stores.sites().refersTo(a, site.getId(), removed))
                        .findFirst();
        if (user.isPresent()) {
            throw new StaleRevision(
                    site.revision(),
                    "“" + entry.label() + "” cannot be taken back: "
                            + user.get().label() + " made since belongs to what it made. Nothing was done.");
        }
    }

    private void walk(SiteRow site, Seen seen, List<Change> changes, long seq, boolean undone) {
        var edit = new Edit(site, stores, rows, snapshots, sets.within(site));
        apply(changes, edit);
        finish(edit, seen, OptionalLong.of(seq), undone);
        revisions.walked(site.getId(), seen.token());
    }

    private void finish(Edit edit, Seen seen, OptionalLong walked, boolean undone) {
        if (edit.changes().isEmpty()) {
            if (seen.isTrial()) {
                var now = edit.before();
                throw new Trial(now.siteId(), now.set(), now.set());
            }
            return;
        }
        var site = edit.site();
        revisions.refuseStale(site, seen, edit.changes());
        var decisions = edit.write();
        var before = edit.before();
        var state = sets.follow(
                new SiteState(before.siteId(), before.revision(), before.set(), edit.kit()),
                site.revision() + 1,
                decisions);
        if (seen.isTrial()) {
            throw new Trial(before.siteId(), before.set(), state.set());
        }
        var entry = walked.isPresent()
                ? Revisions.Entry.walked(walked.getAsLong(), undone, seen)
                : Revisions.Entry.added(edit.label(), snapshots.write(edit.changes()), seen);
        revisions.advance(site, entry, edit.changes(), state.set().size());
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                sets.publish(state);
            }
        });
    }

    /**
     * What can be taken back and done again.
     *
     * @param undo   one's own last step, empty if there is none
     * @param redo   one's own step that was undone last, empty if there is none
     * @param others the last step of all, where it is another's; else empty
     */
    public record Steps(String undo, String redo, String others) {

        public static final Steps NONE = new Steps("", "", "");
    }

    public Steps steps(long siteId, Maker maker) {
        var last = lastInForce(siteId);
        var own = last.filter(e -> e.maker().equals(maker.name()))
                .or(() -> last.flatMap(e -> ownInForce(siteId, maker.name())));
        return new Steps(
                own.map(JournalRow::label).orElse(""),
                ownUndone(siteId, maker.name()).map(JournalRow::label).orElse(""),
                last.filter(e -> !e.maker().equals(maker.name()))
                        .map(JournalRow::label)
                        .orElse(""));
    }

    private Optional<JournalRow> lastInForce(long siteId) {
        return first(
                "from JournalRow where key.siteId = :site and undoneAt is null order by key.seq desc",
                siteId,
                Optional.empty());
    }

    private Optional<JournalRow> ownInForce(long siteId, String maker) {
        return first(
                "from JournalRow where key.siteId = :site and maker = :maker and undoneAt is null order by key.seq desc",
                siteId,
                Optional.of(maker));
    }

    private Optional<JournalRow> ownUndone(long siteId, String maker) {
        return first(
                "from JournalRow where key.siteId = :site and maker = :maker and undoneAt is not null order by undoneAt desc, key.seq",
                siteId,
                Optional.of(maker));
    }

    private Optional<JournalRow> first(String question, long siteId, Optional<String> maker) {
        var query = rows.createQuery(question, JournalRow.class)
                .setParameter("site", siteId)
                .setMaxResults(1);
        maker.ifPresent(m -> query.setParameter("maker", m));
        return query.getResultList().stream().findFirst();
    }

    /** Adds and changes from sites down to placements, then removes from placements up. */
    private void apply(List<Change> changes, Edit edit) {
        var standing = load(changes);
        var downward =
                changes.stream().sorted(Comparator.comparing(Change::table)).toList();
        for (var change : downward) {
            var type = change.table().type();
            if (type.isEmpty()) {
                edit.reapply(change, null);
            } else if (change.before().isNull()) {
                var row = snapshots.toRow(change.after(), type.get());
                rows.persist(row);
                edit.reapply(change, row);
            } else if (!change.after().isNull()) {
                var row = row(standing, change);
                snapshots.restore(change.after(), row);
                edit.reapply(change, row);
            }
        }
        for (var i = downward.size() - 1; i >= 0; i--) {
            var change = downward.get(i);
            if (change.after().isNull() && change.table().type().isPresent()) {
                var row = row(standing, change);
                rows.remove(row);
                edit.reapply(change, row);
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
            var ids = changes.stream()
                    .filter(c -> c.table() == table && !c.before().isNull())
                    .map(Change::id)
                    .toList();
            if (table.type().isEmpty()) {
                continue;
            }
            for (var from = 0; from < ids.size(); from += SOME) {
                var some = ids.subList(from, Math.min(ids.size(), from + SOME));
                rows.createQuery(
                                "from " + table.type().get().getSimpleName() + " where id in :ids",
                                table.type().get())
                        .setParameter("ids", some)
                        .getResultList()
                        .forEach(row -> standing.put(row.getId(), row));
            }
        }
        return standing;
    }
}
