package hausbau.server.work.site;

import hausbau.server.store.Aggregate;
import hausbau.server.store.site.SiteRow;
import jakarta.persistence.EntityManager;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.hibernate.Session;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyManager;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Whole sites in a ZIP file: for each table its columns in a line, then its rows as PostgreSQL's COPY has them. Their
 * journals and what can be computed are left out. A file can be read while the
 * tables that it has still have the columns that it names.
 */
@Service
public class SiteFile {

    private static final String LOADED = "loaded_";

    private final EntityManager rows;
    private final JdbcTemplate jdbc;
    private final SiteCopying copying;

    SiteFile(EntityManager rows, JdbcTemplate jdbc, SiteCopying copying) {
        this.rows = rows;
        this.jdbc = jdbc;
        this.copying = copying;
    }

    /** Writes the sites with these ids. */
    @Transactional(readOnly = true)
    public void write(List<Long> sites, OutputStream into) throws IOException {
        var ids = sites.stream().map(String::valueOf).collect(Collectors.joining(", "));
        try (var zip = new ZipOutputStream(into)) {
            for (var aggregate : Aggregate.values()) {
                var columns = String.join(", ", columns(aggregate.table()));
                zip.putNextEntry(new ZipEntry(aggregate.table()));
                zip.write((columns + "\n").getBytes(StandardCharsets.UTF_8));
                var where = (aggregate == Aggregate.SITE ? "id" : "site_id") + " in (" + ids + ")";
                copy(manager -> manager.copyOut(
                        "copy (select " + columns + " from " + aggregate.table() + " where " + where
                                + " order by 1, 2) to stdout",
                        zip));
                zip.closeEntry();
            }
        }
    }

    /**
     * Loads the sites of a file whose names no site has yet, each under an id of its own: all of them or none.
     *
     * @return the ids of those that were loaded
     * @throws IOException if it is no such file
     */
    @Transactional(rollbackFor = Exception.class)
    public List<Long> load(InputStream file) throws IOException {
        // Also for tables that the file does not know yet.
        for (var aggregate : Aggregate.values()) {
            var table = aggregate.table();
            jdbc.execute("create temporary table " + LOADED + table + " (like " + table
                    + " including defaults) on commit drop");
        }
        try (var zip = new ZipInputStream(file)) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                loadTable(entry.getName(), zip);
            }
        }
        List<SiteRow> loaded = rows
                .createNativeQuery(
                        "select * from " + LOADED
                                + "site l where not exists (select 1 from site s where s.name = l.name) order by id",
                        SiteRow.class)
                .getResultList()
                .stream()
                .map(SiteRow.class::cast)
                .toList();
        loaded.forEach(rows::detach);
        var ids = loaded.stream()
                .map(site -> copying.copy(site, site.name(), LOADED))
                .toList();
        for (var aggregate : Aggregate.values()) {
            jdbc.execute("drop table if exists " + LOADED + aggregate.table());
        }
        return ids;
    }

    private void loadTable(String name, ZipInputStream zip) throws IOException {
        var aggregate = Arrays.stream(Aggregate.values())
                .filter(a -> a.table().equals(name))
                .findFirst()
                .orElseThrow(() -> new IOException("“" + name + "” is no table of a site"));
        var columns = List.of(firstLine(zip).split(", "));
        if (!columns(aggregate.table()).containsAll(columns)) {
            throw new IOException("the file was written for other columns of the table " + name + ": " + columns);
        }
        var entry = new FilterInputStream(zip) {
            @Override
            public void close() {
                // The next table follows.
            }
        };
        copy(manager ->
                manager.copyIn("copy " + LOADED + name + " (" + String.join(", ", columns) + ") from stdin", entry));
    }

    private static String firstLine(InputStream in) throws IOException {
        var line = new StringBuilder();
        for (var c = in.read(); c != '\n'; c = in.read()) {
            if (c < 0 || line.length() > 10_000) {
                throw new IOException("a table does not say its columns");
            }
            line.append((char) c);
        }
        return line.toString();
    }

    private List<String> columns(String table) {
        return jdbc.queryForList(
                "select column_name from information_schema.columns where table_schema = current_schema() and table_name = ? order by ordinal_position",
                String.class,
                table);
    }

    private interface Copying {
        void by(CopyManager manager) throws SQLException, IOException;
    }

    private void copy(Copying work) throws IOException {
        try {
            rows.unwrap(Session.class).doWork(connection -> {
                try {
                    work.by(connection.unwrap(PGConnection.class).getCopyAPI());
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }
}
