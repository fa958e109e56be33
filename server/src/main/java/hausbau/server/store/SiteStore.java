package hausbau.server.store;

import hausbau.core.kit.Piece;
import hausbau.core.massing.Massing;
import hausbau.core.measure.Box;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import jakarta.persistence.TypedQuery;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Repository;

/** Reads and writes the rows of sites. Every method runs in the caller's transaction. */
@Repository
public class SiteStore {

    private static final int BLOCK = 100;

    private final EntityManager rows;
    private final Deque<Long> freeIds = new ArrayDeque<>();

    public SiteStore(EntityManager rows) {
        this.rows = rows;
    }

    /** An id that no row has had. */
    public synchronized long nextId() {
        if (freeIds.isEmpty()) {
            var first = ((Number) rows.createNativeQuery("select nextval('hausbau_id')").getSingleResult()).longValue();
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

    public List<RoomRow> rooms(long siteId) {
        return ofSite("from RoomRow where siteId = :site order by id", RoomRow.class, siteId).getResultList();
    }

    public List<OpeningRow> openings(long siteId) {
        return ofSite("from OpeningRow where siteId = :site order by id", OpeningRow.class, siteId).getResultList();
    }

    public List<PieceRow> pieces(long siteId) {
        return ofSite("from PieceRow where siteId = :site order by role, xSize desc, code", PieceRow.class, siteId).getResultList();
    }

    public List<PlacementRow> placements(long siteId) {
        return ofSite("from PlacementRow where siteId = :site order by id", PlacementRow.class, siteId).getResultList();
    }

    private <T> TypedQuery<T> ofSite(String query, Class<T> type, long siteId) {
        return rows.createQuery(query, type).setParameter("site", siteId);
    }

    public Massing massing(SiteRow site) {
        return new Massing(site.settings(), rooms(site.getId()).stream().map(RoomRow::toRoom).toList(),
                openings(site.getId()).stream().map(OpeningRow::toOpening).toList());
    }

    public Map<Long, Piece> kit(long siteId) {
        var kit = new LinkedHashMap<Long, Piece>();
        pieces(siteId).forEach(row -> kit.put(row.getId(), row.toPiece()));
        return kit;
    }

    /** The placements of the site with these ids, in the order of ids; those that do not exist are left out. */
    public List<PlacementRow> placements(long siteId, Collection<Long> ids) {
        return ofSite("from PlacementRow where siteId = :site and id in :ids order by id", PlacementRow.class, siteId)
                .setParameter("ids", ids).getResultList();
    }

    /** The placements whose extent in plan touches the box. */
    @SuppressWarnings("unchecked")
    public List<PlacementRow> placementsNear(long siteId, Box box) {
        return rows.createNativeQuery("""
                select * from placement where site_id = :site
                and box(point(x_min, y_min), point(x_max, y_max)) && box(point(:x0, :y0), point(:x1, :y1))""", PlacementRow.class)
                .setParameter("site", siteId)
                .setParameter("x0", (double) box.min().x()).setParameter("y0", (double) box.min().y())
                .setParameter("x1", (double) box.max().x()).setParameter("y1", (double) box.max().y())
                .getResultList();
    }

    /** How often each piece of the site is placed. */
    public Map<Long, Long> counts(long siteId) {
        var counts = new LinkedHashMap<Long, Long>();
        rows.createQuery("select pieceId, count(*) from PlacementRow where siteId = :site group by pieceId", Object[].class)
                .setParameter("site", siteId).getResultList()
                .forEach(pair -> counts.put((Long) pair[0], (Long) pair[1]));
        return counts;
    }

    public List<RevisionRow> revisionsAfter(long siteId, long revision) {
        return ofSite("from RevisionRow where key.siteId = :site and key.revision > :after", RevisionRow.class, siteId)
                .setParameter("after", revision).getResultList();
    }
}
