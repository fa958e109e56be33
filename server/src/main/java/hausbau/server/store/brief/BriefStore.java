package hausbau.server.store.brief;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** The brief, and the time measured on each stage. */
@Repository
public class BriefStore {

    private final EntityManager rows;
    private final JdbcTemplate jdbc;

    public BriefStore(EntityManager rows, JdbcTemplate jdbc) {
        this.rows = rows;
        this.jdbc = jdbc;
    }

    public Optional<BriefRow> brief(long siteId) {
        return rows.createQuery("from BriefRow where siteId = :site", BriefRow.class)
                .setParameter("site", siteId)
                .getResultStream()
                .findFirst();
    }

    /** Seconds of each stage, as measured. */
    public List<Long> spent(long siteId, int stages) {
        var spent = new ArrayList<>(Collections.nCopies(stages, 0L));
        jdbc.query(
                "select stage, spent_seconds from stage_time where site_id = ?",
                row -> {
                    spent.set(row.getInt(1), row.getLong(2));
                },
                siteId);
        return spent;
    }

    public void spend(long siteId, int stage, long seconds) {
        jdbc.update(
                "insert into stage_time (site_id, stage, spent_seconds) values (?, ?, ?) "
                        + "on conflict (site_id, stage) do update set spent_seconds = stage_time.spent_seconds + excluded.spent_seconds",
                siteId,
                stage,
                seconds);
    }
}
