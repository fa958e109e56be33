package hausbau.server.store.takeoff;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.stereotype.Repository;

/** Planes, tags, marks, and proposals declined. */
@Repository
public class TakeoffStore {

    private final EntityManager rows;

    public TakeoffStore(EntityManager rows) {
        this.rows = rows;
    }

    private <T> List<T> ofSite(String query, Class<T> type, long siteId) {
        return rows.createQuery(query, type).setParameter("site", siteId).getResultList();
    }

    public List<PlaneRow> planes(long siteId) {
        return ofSite("from PlaneRow where siteId = :site order by id", PlaneRow.class, siteId);
    }

    public List<TagRow> tags(long siteId) {
        return ofSite("from TagRow where siteId = :site order by letter", TagRow.class, siteId);
    }

    public List<MarkRow> marks(long siteId) {
        return ofSite("from MarkRow where siteId = :site order by id", MarkRow.class, siteId);
    }

    public List<DeclinedRow> declined(long siteId) {
        return ofSite("from DeclinedRow where siteId = :site order by id", DeclinedRow.class, siteId);
    }
}
