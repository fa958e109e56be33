package hausbau.server.store.site;

import hausbau.server.store.Aggregate;
import hausbau.server.store.NotFound;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Sites themselves, and the ids of everything in them. */
@Repository
public class SiteStore {

    private static final int BLOCK = 100;

    private final EntityManager rows;
    private final JdbcTemplate jdbc;
    private final Deque<Long> freeIds = new ArrayDeque<>();

    public SiteStore(EntityManager rows, JdbcTemplate jdbc) {
        this.rows = rows;
        this.jdbc = jdbc;
    }

    /** An id that no row has had; ids rise, so what is made together has ids together. */
    public synchronized long nextId() {
        if (freeIds.isEmpty()) {
            long first = Objects.requireNonNull(jdbc.queryForObject("select nextval('hausbau_id')", Long.class));
            for (var i = 0; i < BLOCK; i++) {
                freeIds.add(first + i);
            }
        }
        return freeIds.remove();
    }

    public List<SiteRow> sites() {
        return rows.createQuery("from SiteRow order by name, id", SiteRow.class).getResultList();
    }

    /** @throws NotFound if there is no such site */
    public SiteRow site(long id) {
        var site = rows.find(SiteRow.class, id);
        if (site == null) {
            throw new NotFound("There is no site " + id + ".");
        }
        return site;
    }

    /** The site, held until the transaction ends: edits of one site come one after the other. */
    public SiteRow lockedSite(long id) {
        var site = rows.find(SiteRow.class, id, LockModeType.PESSIMISTIC_WRITE);
        if (site == null) {
            throw new NotFound("There is no site " + id + ".");
        }
        return site;
    }

    /** What a step in force after another one is called that touched one of these rows. */
    public Optional<String> laterStep(long siteId, long seq, Long[] ids) {
        return jdbc
                .queryForList(
                        "select label from journal where site_id = ? and seq > ? and undone_at is null and touched && ? order by seq desc limit 1",
                        String.class,
                        siteId,
                        seq,
                        ids)
                .stream()
                .findFirst();
    }

    /** Whether a row of the site refers to one of these and is none of them. */
    public boolean refersTo(Aggregate aggregate, long siteId, Long[] ids) {
        return aggregate.hasIds()
                && aggregate.references().stream()
                        .anyMatch(column -> Boolean.TRUE.equals(jdbc.queryForObject(
                                "select exists (select 1 from " + aggregate.table() + " where site_id = ? and " + column
                                        + " = any (?) and id <> all (?))",
                                Boolean.class,
                                siteId,
                                ids,
                                ids)));
    }

    /** Keeps how many pieces of a site stand, if that is still its revision. */
    public void keepStanding(long siteId, long revision, long standing) {
        jdbc.update("update site set standing = ? where id = ? and revision = ?", standing, siteId, revision);
    }

    public void add(SiteRow site) {
        rows.persist(site);
        rows.flush();
    }

    public void remove(SiteRow site) {
        rows.remove(site);
    }
}
