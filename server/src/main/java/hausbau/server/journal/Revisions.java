package hausbau.server.journal;

import hausbau.server.store.Aggregate;
import hausbau.server.store.site.SiteRow;
import jakarta.persistence.EntityManager;
import java.sql.SQLException;
import java.sql.Types;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.hibernate.Session;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The revisions of sites: what each touched, who was told, and what may still be made against an older one. */
@Component
public class Revisions {

    /** The channel on which every server hears of new revisions, as {@code site:revision}. */
    public static final String CHANNEL = "hausbau_revision";
    /** What older revisions touched is forgotten now and then. */
    private static final int KEPT = 2000;

    private static final int EVERY = 200;
    /** So many steps of a site can be taken back. */
    private static final int KEPT_ENTRIES = 10_000;

    private static final String UNIQUE_VIOLATION = "23505";
    private static final String ADVANCE =
            """
            with entry as (
                insert into journal (site_id, seq, label, changes, made_at, format, token, maker, touched) select ?, ?, ?, ?, ?, ?, ?, ?, ? where ?),
            forgotten as (
                delete from journal where site_id = ? and maker = ? and undone_at is not null and ?),
            walked as (
                update journal set undone_at = ? where site_id = ? and seq = ?),
            touched as (
                insert into revision (site_id, revision, touched, parts, maker) values (?, ?, ?, ?, ?)),
            told as (
                select pg_notify(?, ?))
            update site set revision = ?, journal_top = ?, changed_at = ?, standing = ? from told where id = ?""";

    private final EntityManager rows;
    private final JdbcTemplate jdbc;
    private final UnusedBytes unused;

    Revisions(EntityManager rows, JdbcTemplate jdbc, UnusedBytes unused) {
        this.rows = rows;
        this.jdbc = jdbc;
        this.unused = unused;
    }

    /**
     * What an edit does to the journal.
     *
     * @param walked the entry that is undone or done again; empty where one is added
     * @param undone whether that one is undone
     */
    record Entry(String label, String changes, Seen seen, OptionalLong walked, boolean undone) {

        static Entry added(String label, String changes, Seen seen) {
            return new Entry(
                    label.length() <= 300 ? label : label.substring(0, 299) + "…",
                    changes,
                    seen,
                    OptionalLong.empty(),
                    false);
        }

        static Entry walked(long seq, boolean undone, Seen seen) {
            return new Entry("", "", seen, OptionalLong.of(seq), undone);
        }
    }

    /** @throws StaleRevision if one of these rows was changed by another since the revision that was seen */
    void refuseStale(SiteRow site, Seen seen, List<Change> changes) {
        if (seen.revision().isEmpty() || seen.revision().getAsLong() == site.revision()) {
            return;
        }
        var since = seen.revision().getAsLong();
        var ids = changes.stream()
                .filter(c -> !c.before().isNull())
                .map(Change::id)
                .distinct()
                .toArray(Long[]::new);
        if (since > site.revision() || isTouchedSince(site, since, ids, seen.maker())) {
            throw new StaleRevision(site.revision());
        }
    }

    /**
     * Whether another changed one of these rows since a revision, or that is no longer known. Those who do not say who they
     * are may be several, so their earlier edits count as another's.
     */
    boolean isTouchedSince(SiteRow site, long since, Long[] ids, String maker) {
        return since < site.revision() - KEPT
                || ids.length > 0
                        && Boolean.TRUE.equals(jdbc.queryForObject(
                                "select exists (select 1 from revision where site_id = ? and revision > ? and touched && ? and (maker <> ? or maker = ''))",
                                Boolean.class,
                                site.getId(),
                                since,
                                ids,
                                maker));
    }

    /** @throws AlreadyMade if the journal has an entry under this word */
    void refuseAgain(long siteId, String token) {
        if (!token.isEmpty()
                && Boolean.TRUE.equals(jdbc.queryForObject(
                        "select exists (select 1 from journal where site_id = ? and token = ?) or exists (select 1 from walked where site_id = ? and token = ?)",
                        Boolean.class,
                        siteId,
                        token,
                        siteId,
                        token))) {
            throw new AlreadyMade();
        }
    }

    /** Keeps the word under which an undo or a redo was made; those add nothing to the journal. */
    void walked(long siteId, String token) {
        if (!token.isEmpty()) {
            jdbc.update("insert into walked (site_id, token) values (?, ?)", siteId, token);
        }
    }

    /**
     * Brings the site to its next revision. One statement writes the site, what the revision touched, and the journal's
     * entry, and tells every server, since each trip to the database makes an edit slower. With a new entry its maker can no
     * longer do again what they had undone.
     *
     * @param standing how many pieces stand from now on
     */
    void advance(SiteRow site, Entry entry, List<Change> changes, long standing) {
        var isNew = entry.walked().isEmpty();
        site.advance(site.journalTop() + (isNew ? 1 : 0), standing);
        var touched = changes.stream().map(Change::id).distinct().toArray(Long[]::new);
        Set<String> parts =
                changes.stream().map(c -> c.table().part().name()).collect(Collectors.toCollection(TreeSet::new));
        rows.unwrap(Session.class).doWork(connection -> {
            try (var statement = connection.prepareStatement(ADVANCE)) {
                var ids = connection.createArrayOf("bigint", touched);
                var maker = entry.seen().maker();
                var at = site.changedAt().atOffset(ZoneOffset.UTC);
                var values = Arrays.asList(
                        site.getId(),
                        site.journalTop(),
                        entry.label(),
                        entry.changes(),
                        at,
                        Snapshots.FORMAT,
                        entry.seen().token(),
                        maker,
                        ids,
                        isNew,
                        site.getId(),
                        maker,
                        isNew,
                        entry.undone() ? site.revision() : null,
                        site.getId(),
                        entry.walked().orElse(-1),
                        site.getId(),
                        site.revision(),
                        ids,
                        connection.createArrayOf("varchar", parts.toArray()),
                        maker,
                        CHANNEL,
                        site.getId() + ":" + site.revision(),
                        site.revision(),
                        site.journalTop(),
                        at,
                        standing,
                        site.getId());
                for (var i = 0; i < values.size(); i++) {
                    if (values.get(i) == null) {
                        statement.setNull(i + 1, Types.BIGINT);
                    } else {
                        statement.setObject(i + 1, values.get(i));
                    }
                }
                statement.executeUpdate();
            } catch (SQLException e) {
                if (UNIQUE_VIOLATION.equals(e.getSQLState())
                        && String.valueOf(e.getMessage()).contains("journal_token")) {
                    throw new AlreadyMade();
                }
                throw e;
            }
        });
        if (site.revision() % EVERY == 0) {
            forget(site);
        }
    }

    /** What can no longer be asked for: old revisions, old entries, and words of ways back that nobody sends again. */
    private void forget(SiteRow site) {
        jdbc.update("delete from revision where site_id = ? and revision <= ?", site.getId(), site.revision() - KEPT);
        jdbc.update(
                "delete from journal where site_id = ? and seq <= ?", site.getId(), site.journalTop() - KEPT_ENTRIES);
        jdbc.update("delete from walked where site_id = ? and made_at < now() - interval '7 days'", site.getId());
        unused.forget(site.getId());
    }

    /** Which parts of a site have changed since a revision; empty if that is no longer known. */
    public Optional<Set<Aggregate.Part>> partsSince(SiteRow site, long revision) {
        var known = jdbc.query(
                "select parts from revision where site_id = ? and revision > ? and revision <= ?",
                (row, n) -> List.of((String[]) row.getArray(1).getArray()),
                site.getId(),
                revision,
                site.revision());
        if (known.size() < site.revision() - revision) {
            return Optional.empty();
        }
        return Optional.of(known.stream()
                .flatMap(List::stream)
                .map(Aggregate.Part::valueOf)
                .collect(Collectors.toSet()));
    }
}
