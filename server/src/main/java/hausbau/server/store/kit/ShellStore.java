package hausbau.server.store.kit;

import hausbau.core.shape.Shell;
import hausbau.server.store.NotFound;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Surfaces that were made elsewhere. Those asked for last are kept at hand, up to 20 million numbers: none ever changes. */
@Repository
public class ShellStore {

    private static final long MOST = 20_000_000;

    private final JdbcTemplate jdbc;
    private final Map<String, Shell> atHand = new LinkedHashMap<>(16, 0.75f, true);
    private long numbers;

    public ShellStore(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** What a site has. */
    public Shells of(long siteId) {
        return digest -> shell(siteId, digest);
    }

    public void keep(long siteId, Shell shell) {
        jdbc.update(
                "insert into shell (site_id, digest, bytes) values (?, ?, ?) on conflict do nothing",
                siteId,
                shell.digest(),
                shell.write());
    }

    private Shell shell(long siteId, String digest) {
        synchronized (atHand) {
            var known = atHand.get(digest);
            if (known != null) {
                return known;
            }
        }
        var shell = jdbc
                .query(
                        "select bytes from shell where site_id = ? and digest = ?",
                        (row, n) -> Shell.read(row.getBytes(1)),
                        siteId,
                        digest)
                .stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("The site has no mesh " + digest + "."));
        synchronized (atHand) {
            if (atHand.put(digest, shell) == null) {
                numbers += size(shell);
            }
            for (var eldest = atHand.values().iterator(); numbers > MOST && eldest.hasNext(); ) {
                numbers -= size(eldest.next());
                eldest.remove();
            }
        }
        return shell;
    }

    private static long size(Shell shell) {
        return 8L * shell.vertices() + 3L * shell.triangles();
    }
}
