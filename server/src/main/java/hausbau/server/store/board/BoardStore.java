package hausbau.server.store.board;

import hausbau.server.store.NotFound;
import jakarta.persistence.EntityManager;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** What lies on the board, and the pictures themselves. */
@Repository
public class BoardStore {

    private final EntityManager rows;
    /** For what needs no rows made of it. */
    private final JdbcTemplate jdbc;

    public BoardStore(EntityManager rows, JdbcTemplate jdbc) {
        this.rows = rows;
        this.jdbc = jdbc;
    }

    public List<BoardItemRow> items(long siteId) {
        return rows.createQuery("from BoardItemRow where siteId = :site order by rank, id", BoardItemRow.class)
                .setParameter("site", siteId)
                .getResultList();
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
        return jdbc
                .query(
                        "select preview from media where site_id = ? and id = ?",
                        (row, n) -> row.getBytes(1),
                        siteId,
                        id)
                .stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("The site has no picture " + id + "."));
    }

    /** A picture's bytes, whatever site it is of. @throws NotFound if there is none */
    public byte[] original(long id) {
        return jdbc.query("select original from media where id = ?", (row, n) -> row.getBytes(1), id).stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("There is no picture " + id + "."));
    }

    /** A picture's type and size, without its bytes. */
    public record MediaSize(long id, String type, int width, int height) {}

    public Map<Long, MediaSize> mediaSizes(long siteId) {
        var sizes = new LinkedHashMap<Long, MediaSize>();
        jdbc.query(
                "select id, type, width, height from media where site_id = ?",
                row -> {
                    sizes.put(
                            row.getLong(1),
                            new MediaSize(row.getLong(1), row.getString(2), row.getInt(3), row.getInt(4)));
                },
                siteId);
        return sizes;
    }

    public void keep(MediaRow media) {
        rows.persist(media);
        // What comes next may ask for it past the entities.
        rows.flush();
    }
}
