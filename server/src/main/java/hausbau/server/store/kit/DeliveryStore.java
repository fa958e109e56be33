package hausbau.server.store.kit;

import hausbau.server.store.NotFound;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Files that were handed over, until they are brought in. They are no part of a site's history. */
@Repository
public class DeliveryStore {

    private final JdbcTemplate jdbc;

    public DeliveryStore(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** @param model the one of the files that is brought in */
    public void keep(UUID id, long siteId, String model, Map<String, byte[]> files) {
        jdbc.update("delete from delivery where made_at < now() - interval '1 day'");
        jdbc.update("insert into delivery (id, site_id, model) values (?, ?, ?)", id, siteId, model);
        files.forEach((name, bytes) -> jdbc.update("insert into delivery_file (delivery_id, name, bytes) values (?, ?, ?)", id, name, bytes));
    }

    /** @throws NotFound if there is no such delivery, or it is gone */
    public String model(long siteId, UUID id) {
        return jdbc.queryForList("select model from delivery where site_id = ? and id = ?", String.class, siteId, id).stream().findFirst()
                .orElseThrow(() -> new NotFound("These files are not here any more. Choose them again."));
    }

    public Map<String, byte[]> files(UUID id) {
        var files = new LinkedHashMap<String, byte[]>();
        jdbc.query("select name, bytes from delivery_file where delivery_id = ? order by name", row -> {
            files.put(row.getString(1), row.getBytes(2));
        }, id);
        return files;
    }

    public void remove(long siteId, UUID id) {
        jdbc.update("delete from delivery where site_id = ? and id = ?", siteId, id);
    }
}
