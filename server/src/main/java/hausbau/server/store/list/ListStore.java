package hausbau.server.store.list;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** The piece list. */
@Repository
public class ListStore {

    private final EntityManager rows;
    private final JdbcTemplate jdbc;

    public ListStore(EntityManager rows, JdbcTemplate jdbc) {
        this.rows = rows;
        this.jdbc = jdbc;
    }

    public List<ListedRow> listed(long siteId) {
        return rows.createQuery("from ListedRow where siteId = :site order by priority, code", ListedRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    /** The pieces of the kit that the list speaks of. */
    public List<Long> linked(long siteId) {
        return jdbc.queryForList(
                "select distinct piece_id from listed_piece where site_id = ? and piece_id <> 0", Long.class, siteId);
    }
}
