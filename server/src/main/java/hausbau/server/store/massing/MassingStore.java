package hausbau.server.store.massing;

import hausbau.core.massing.Building;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Moulding;
import hausbau.server.store.site.SiteRow;
import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.stereotype.Repository;

/** Levels, rooms and openings, stairs, solids and mouldings. */
@Repository
public class MassingStore {

    private final EntityManager rows;

    public MassingStore(EntityManager rows) {
        this.rows = rows;
    }

    /** Those besides the ground level, from the lowest up. */
    public List<LevelRow> levels(long siteId) {
        return rows.createQuery("from LevelRow where siteId = :site order by floorUm, id", LevelRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<RoomRow> rooms(long siteId) {
        return rows.createQuery("from RoomRow where siteId = :site order by id", RoomRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<OpeningRow> openings(long siteId) {
        return rows.createQuery("from OpeningRow where siteId = :site order by id", OpeningRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<StairRow> stairs(long siteId) {
        return rows.createQuery("from StairRow where siteId = :site order by id", StairRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<SolidRow> solids(long siteId) {
        return rows.createQuery("from SolidRow where siteId = :site order by id", SolidRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    /** In their order. */
    public List<MouldingRow> mouldings(long siteId) {
        return rows.createQuery("from MouldingRow where siteId = :site order by place, id", MouldingRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    private List<Moulding> readMouldings(long siteId) {
        return mouldings(siteId).stream().map(MouldingRow::toMoulding).toList();
    }

    private Building building(long siteId, List<Moulding> mouldings) {
        return new Building(
                rooms(siteId).stream().map(RoomRow::toRoom).toList(),
                openings(siteId).stream().map(OpeningRow::toOpening).toList(),
                stairs(siteId).stream().map(StairRow::toStair).toList(),
                solids(siteId).stream().map(SolidRow::toSolid).toList(),
                mouldings);
    }

    /**
     * The massing as it is decided now; what of it is as in the one before is not worked out again.
     *
     * @param areMouldingsAsBefore whether they need not be read
     */
    public Massing massing(SiteRow site, Massing before, boolean areMouldingsAsBefore) {
        var mouldings = areMouldingsAsBefore ? before.mouldings() : readMouldings(site.getId());
        return before.next(site.settings(), building(site.getId(), mouldings));
    }

    /** @throws hausbau.core.measure.Refused if what stands in the rows is no massing that can be built */
    public Massing massing(SiteRow site) {
        return new Massing(site.settings(), building(site.getId(), readMouldings(site.getId())));
    }
}
