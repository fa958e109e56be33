package hausbau.server.store;

import hausbau.core.kit.Piece;
import hausbau.core.massing.Massing;
import hausbau.core.measure.Box;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import jakarta.persistence.TypedQuery;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Collection;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hibernate.Session;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Reads and writes the rows of sites. Every method runs in the caller's transaction. */
@Repository
public class SiteStore {

    private static final int BLOCK = 100;
    private static final String ADVANCE = """
            with entry as (
                insert into journal (site_id, seq, label, changes, made_at) select ?, ?, ?, ?, ? where ?),
            touched as (
                insert into revision (site_id, revision, rooms, pieces, board, placements) values (?, ?, ?, ?, ?, ?))
            update site set revision = ?, journal_end = ?, journal_top = ?, frame_revision = ?, changed_at = ? where id = ?""";

    private final EntityManager rows;
    /** For what needs no rows made of it. */
    private final JdbcTemplate jdbc;
    private final Deque<Long> freeIds = new ArrayDeque<>();

    public SiteStore(EntityManager rows, JdbcTemplate jdbc) {
        this.rows = rows;
        this.jdbc = jdbc;
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

    public List<OmissionRow> omissions(long siteId) {
        return ofSite("from OmissionRow where siteId = :site order by id", OmissionRow.class, siteId).getResultList();
    }

    public long countOmissions(long siteId) {
        return ofSite("select count(*) from OmissionRow where siteId = :site", Long.class, siteId).getSingleResult();
    }

    public Optional<BriefRow> brief(long siteId) {
        return ofSite("from BriefRow where siteId = :site", BriefRow.class, siteId).getResultStream().findFirst();
    }

    public List<BoardItemRow> boardItems(long siteId) {
        return ofSite("from BoardItemRow where siteId = :site order by rank, id", BoardItemRow.class, siteId).getResultList();
    }

    public List<PlaneRow> planes(long siteId) {
        return ofSite("from PlaneRow where siteId = :site order by id", PlaneRow.class, siteId).getResultList();
    }

    public List<TagRow> tags(long siteId) {
        return ofSite("from TagRow where siteId = :site order by letter", TagRow.class, siteId).getResultList();
    }

    public List<MarkRow> marks(long siteId) {
        return ofSite("from MarkRow where siteId = :site order by id", MarkRow.class, siteId).getResultList();
    }

    public List<ListedRow> listed(long siteId) {
        return ofSite("from ListedRow where siteId = :site order by priority, code", ListedRow.class, siteId).getResultList();
    }

    /** @throws NotFound if the site has no such picture */
    public MediaRow media(long siteId, long id) {
        var media = rows.find(MediaRow.class, id);
        if (media == null || media.siteId() != siteId) {
            throw new NotFound("The site has no picture " + id + ".");
        }
        return media;
    }

    /** @throws NotFound if the site has no such picture */
    public byte[] preview(long siteId, long id) {
        return jdbc.query("select preview from media where site_id = ? and id = ?", (row, n) -> row.getBytes(1), siteId, id)
                .stream().findFirst().orElseThrow(() -> new NotFound("The site has no picture " + id + "."));
    }

    /** A picture's type and size, without its bytes. */
    public record MediaSize(long id, String type, int width, int height) {
    }

    public Map<Long, MediaSize> mediaSizes(long siteId) {
        var sizes = new LinkedHashMap<Long, MediaSize>();
        ofSite("select id, type, width, height from MediaRow where siteId = :site", Object[].class, siteId).getResultList()
                .forEach(m -> sizes.put((Long) m[0], new MediaSize((Long) m[0], (String) m[1], (Integer) m[2], (Integer) m[3])));
        return sizes;
    }

    public void keep(MediaRow media) {
        rows.persist(media);
    }

    /** The row with this id among those of the site. @throws NotFound if there is none */
    public <R extends Row> R find(List<R> among, long id, String what) {
        return among.stream().filter(r -> r.getId() == id).findFirst()
                .orElseThrow(() -> new NotFound("The site has no " + what + " " + id + "."));
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

    /** What an edit adds to the journal: its name, and its changes as JSON. */
    public record Entry(String label, String changes) {
    }

    /** What an edit changed: rooms or settings, pieces, what lies on the board, and which placements. */
    public record Touched(boolean rooms, boolean pieces, boolean board, long[] placements) {
    }

    /**
     * Brings the site to its next revision. One statement writes the site, what the revision touched, and the journal's
     * entry, since each trip to the database makes an edit slower.
     *
     * @param journalEnd   how many journal entries are in force from now on
     * @param entry        the last of these, if it is new; it ends the journal
     */
    public void advance(SiteRow site, long journalEnd, Optional<Entry> entry, Touched touched) {
        site.advance(journalEnd, entry.isPresent(), touched.rooms() || touched.pieces());
        // By JDBC itself: this is most of what an edit costs in the server.
        rows.unwrap(Session.class).doWork(connection -> {
            try (var statement = connection.prepareStatement(ADVANCE)) {
                statement.setLong(1, site.getId());
                statement.setLong(2, journalEnd);
                statement.setString(3, entry.map(Entry::label).orElse(""));
                statement.setString(4, entry.map(Entry::changes).orElse(""));
                statement.setObject(5, site.changedAt().atOffset(ZoneOffset.UTC));
                statement.setBoolean(6, entry.isPresent());
                statement.setLong(7, site.getId());
                statement.setLong(8, site.revision());
                statement.setBoolean(9, touched.rooms());
                statement.setBoolean(10, touched.pieces());
                statement.setBoolean(11, touched.board());
                statement.setArray(12, connection.createArrayOf("bigint", Arrays.stream(touched.placements()).boxed().toArray()));
                statement.setLong(13, site.revision());
                statement.setLong(14, journalEnd);
                statement.setLong(15, site.journalTop());
                statement.setLong(16, site.frameRevision());
                statement.setObject(17, site.changedAt().atOffset(ZoneOffset.UTC));
                statement.setLong(18, site.getId());
                statement.executeUpdate();
            }
        });
    }

    /** Drops what was undone: it can no longer be done again. */
    public void forgetUndone(SiteRow site) {
        if (site.hasUndone()) {
            rows.createQuery("delete from JournalRow where key.siteId = :site and key.seq > :end")
                    .setParameter("site", site.getId()).setParameter("end", site.journalEnd()).executeUpdate();
        }
    }

    public List<RevisionRow> revisionsAfter(long siteId, long revision) {
        return ofSite("from RevisionRow where key.siteId = :site and key.revision > :after", RevisionRow.class, siteId)
                .setParameter("after", revision).getResultList();
    }
}
