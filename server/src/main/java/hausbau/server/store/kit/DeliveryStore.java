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

    /** @param models what each delivery is of, among the files */
    public void keep(long siteId, Map<UUID, String> models, Map<String, byte[]> files) {
        jdbc.update("delete from bundle where made_at < now() - interval '1 day'");
        var bundle = UUID.randomUUID();
        jdbc.update("insert into bundle (id, site_id) values (?, ?)", bundle, siteId);
        files.forEach((name, bytes) ->
                jdbc.update("insert into bundle_file (bundle_id, name, bytes) values (?, ?, ?)", bundle, name, bytes));
        models.forEach((id, model) ->
                jdbc.update("insert into delivery (id, bundle_id, model) values (?, ?, ?)", id, bundle, model));
    }

    /** @throws NotFound if there is no such delivery, or it is gone */
    public String model(long siteId, UUID id) {
        return jdbc
                .queryForList(
                        "select model from delivery d join bundle b on b.id = d.bundle_id where b.site_id = ? and d.id = ?",
                        String.class,
                        siteId,
                        id)
                .stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("These files are not here any more. Choose them again."));
    }

    /** All that was handed over with it. */
    public Map<String, byte[]> files(UUID id) {
        var files = new LinkedHashMap<String, byte[]>();
        jdbc.query(
                "select name, bytes from bundle_file where bundle_id = (select bundle_id from delivery where id = ?) order by name",
                row -> {
                    files.put(row.getString(1), row.getBytes(2));
                },
                id);
        return files;
    }

    /** The files go with the last model of theirs. */
    public void remove(long siteId, UUID id) {
        jdbc.update(
                "delete from delivery using bundle b where b.id = bundle_id and b.site_id = ? and delivery.id = ?",
                siteId,
                id);
        jdbc.update(
                "delete from bundle where site_id = ? and not exists (select from delivery where bundle_id = bundle.id)",
                siteId);
    }
}
