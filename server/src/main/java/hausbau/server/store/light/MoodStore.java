package hausbau.server.store.light;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.stereotype.Repository;

/** The moods of each site. */
@Repository
public class MoodStore {

    private final EntityManager rows;

    public MoodStore(EntityManager rows) {
        this.rows = rows;
    }

    /** In the order in which they were made. */
    public List<MoodRow> moods(long siteId) {
        return rows.createQuery("from MoodRow where siteId = :site order by id", MoodRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }
}
