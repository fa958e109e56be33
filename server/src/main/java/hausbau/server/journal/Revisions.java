package hausbau.server.journal;

import hausbau.server.store.Aggregate;
import hausbau.server.store.site.SiteRow;
import jakarta.persistence.EntityManager;
import java.sql.SQLException;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
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
    private static final String UNIQUE_VIOLATION = "23505";
    private static final String ADVANCE = """
            with entry as (
                insert into journal (site_id, seq, label, changes, made_at, format, token) select ?, ?, ?, ?, ?, ?, ? where ?),
            touched as (
                insert into revision (site_id, revision, touched, parts) values (?, ?, ?, ?)),
            told as (
                select pg_notify(?, ?))
            update site set revision = ?, journal_end = ?, journal_top = ?, changed_at = ? from told where id = ?""";

    private final EntityManager rows;
    private final JdbcTemplate jdbc;

    Revisions(EntityManager rows, JdbcTemplate jdbc) {
        this.rows = rows;
        this.jdbc = jdbc;
    }

    /** What an edit adds to the journal: its name, its changes as JSON, and its maker's word for it. */
    record Entry(String label, String changes, String token) {

        String shortened() {
            return label.length() <= 300 ? label : label.substring(0, 299) + "…";
        }
    }

    /** @throws StaleRevision if one of these rows has changed since the revision that was seen */
    void refuseStale(SiteRow site, Seen seen, List<Change> changes) {
        if (seen.revision().isEmpty() || seen.revision().getAsLong() == site.revision()) {
            return;
        }
        var since = seen.revision().getAsLong();
        var ids = changes.stream().filter(c -> !c.before().isNull()).map(Change::id).distinct().toArray(Long[]::new);
        var stale = since > site.revision() || since < site.revision() - KEPT || ids.length > 0 && Boolean.TRUE.equals(jdbc.queryForObject(
                "select exists (select 1 from revision where site_id = ? and revision > ? and touched && ?)", Boolean.class, site.getId(), since, ids));
        if (stale) {
            throw new StaleRevision(site.revision());
        }
    }

    /** @throws AlreadyMade if the journal has an entry under this word */
    void refuseAgain(long siteId, String token) {
        if (!token.isEmpty() && Boolean.TRUE.equals(jdbc.queryForObject(
                "select exists (select 1 from journal where site_id = ? and token = ?) or exists (select 1 from walked where site_id = ? and token = ?)", Boolean.class,
                siteId, token, siteId, token))) {
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
     * entry, and tells every server, since each trip to the database makes an edit slower.
     *
     * @param journalEnd how many journal entries are in force from now on
     * @param entry      the last of these, if it is new; it ends the journal, and what was undone can no longer be done again
     */
    void advance(SiteRow site, long journalEnd, Optional<Entry> entry, List<Change> changes) {
        if (entry.isPresent() && site.hasUndone()) {
            jdbc.update("delete from journal where site_id = ? and seq > ?", site.getId(), site.journalEnd());
        }
        site.advance(journalEnd, entry.isPresent());
        var touched = changes.stream().map(Change::id).distinct().toArray(Long[]::new);
        Set<String> parts = changes.stream().map(c -> c.table().part().name()).collect(Collectors.toCollection(TreeSet::new));
        rows.unwrap(Session.class).doWork(connection -> {
            try (var statement = connection.prepareStatement(ADVANCE)) {
                statement.setLong(1, site.getId());
                statement.setLong(2, journalEnd);
                statement.setString(3, entry.map(Entry::shortened).orElse(""));
                statement.setString(4, entry.map(Entry::changes).orElse(""));
                statement.setObject(5, site.changedAt().atOffset(ZoneOffset.UTC));
                statement.setInt(6, Snapshots.FORMAT);
                statement.setString(7, entry.map(Entry::token).orElse(""));
                statement.setBoolean(8, entry.isPresent());
                statement.setLong(9, site.getId());
                statement.setLong(10, site.revision());
                statement.setArray(11, connection.createArrayOf("bigint", touched));
                statement.setArray(12, connection.createArrayOf("varchar", parts.toArray()));
                statement.setString(13, CHANNEL);
                statement.setString(14, site.getId() + ":" + site.revision());
                statement.setLong(15, site.revision());
                statement.setLong(16, journalEnd);
                statement.setLong(17, site.journalTop());
                statement.setObject(18, site.changedAt().atOffset(ZoneOffset.UTC));
                statement.setLong(19, site.getId());
                statement.executeUpdate();
            } catch (SQLException e) {
                if (UNIQUE_VIOLATION.equals(e.getSQLState()) && String.valueOf(e.getMessage()).contains("journal_token")) {
                    throw new AlreadyMade();
                }
                throw e;
            }
        });
        if (site.revision() % EVERY == 0) {
            jdbc.update("delete from revision where site_id = ? and revision <= ?", site.getId(), site.revision() - KEPT);
        }
    }

    /** Which parts of a site have changed since a revision; empty if that is no longer known. */
    public Optional<Set<Aggregate.Part>> partsSince(SiteRow site, long revision) {
        var known = jdbc.query("select parts from revision where site_id = ? and revision > ? and revision <= ?",
                (row, n) -> List.of((String[]) row.getArray(1).getArray()), site.getId(), revision, site.revision());
        if (known.size() < site.revision() - revision) {
            return Optional.empty();
        }
        return Optional.of(known.stream().flatMap(List::stream).map(Aggregate.Part::valueOf).collect(Collectors.toSet()));
    }
}
