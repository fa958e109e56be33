package hausbau.server.store.site;

import hausbau.server.store.NotFound;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
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

    public void add(SiteRow site) {
        rows.persist(site);
        rows.flush();
    }

    public void remove(SiteRow site) {
        rows.remove(site);
    }
}
