package hausbau.bench;

import java.io.IOException;
import java.io.StringReader;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import org.postgresql.PGConnection;

/**
 * Edits at 1 000 and at 100 000 standing pieces, from request to answer, against the same statements by plain JDBC in one
 * transaction over loopback; a kit chosen for some 20 000 against a COPY of as many rows. {@code ./hausbau bench} starts the
 * server and the database and says where they are: {@code HAUSBAU_BENCH_URL}, and the variables of the database.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 3)
@Measurement(iterations = 5, time = 3)
public class PlacementBench {

    private static final Pattern HAND = Pattern.compile("\"(hand\\.\\d+)\"");
    private static final int MANY = 1000;

    @Param({"1000", "100000"})
    public int pieces;

    private final Server server = new Server();
    private String site;
    private String bench;
    private String thousand;
    private String one;
    private Connection database;
    private long next;
    private boolean halves;

    /** A built hall, filled with benches until there are as many pieces; a further thousand of them is moved about. */
    @Setup
    public void fill() throws IOException, InterruptedException, SQLException {
        site = "/api/sites/" + Server.id(server.call("POST", "/api/sites", "{\"name\":\"Bench " + pieces + "\"}"));
        server.call(
                "POST",
                site + "/rooms",
                "{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":100000,\"depthMm\":100000,\"heightMm\":3000}");
        choose(4000);
        bench = server.call("GET", site + "/pieces", null)
                .replaceAll(".*\\{\"id\":(\\d+),\"code\":\"PRP-BENCH\".*", "$1");
        var ids = new ArrayList<>(List.of(first(place(2000, 2000))));
        while (ids.size() < Math.max(MANY, pieces - 1500)) {
            var some =
                    ids.subList(0, Math.min(Math.min(ids.size(), 20_000), Math.max(MANY, pieces - 1500) - ids.size()));
            var by = ids.size() < 32
                    ? "{\"x\":" + ids.size() * 2000 + ",\"y\":0,\"z\":0}"
                    : "{\"x\":0,\"y\":" + ids.size() / 32 * 1000 + ",\"z\":0}";
            var copies = server.call(
                    "POST",
                    site + "/placements/copies",
                    "{\"ids\":[\"" + String.join("\",\"", some) + "\"],\"byMm\":" + by + "}");
            HAND.matcher(copies).results().forEach(m -> ids.add(m.group(1)));
        }
        thousand = "[\"" + String.join("\",\"", ids.subList(0, MANY)) + "\"]";
        one = "[\"" + ids.get(0) + "\"]";
        database = DriverManager.getConnection(
                System.getenv("HAUSBAU_DB_URL"),
                System.getenv("HAUSBAU_DB_USER"),
                System.getenv("SPRING_DATASOURCE_PASSWORD"));
        try (var statement = database.createStatement()) {
            statement.execute("create table if not exists plain_site (id bigint primary key, revision bigint)");
            statement.execute("create table if not exists plain_placement (like placement including all)");
            statement.execute("create table if not exists plain_journal (like journal including all)");
            statement.execute("create table if not exists plain_revision (like revision including all)");
            statement.execute("insert into plain_site values (1, 0) on conflict do nothing");
            statement.execute("truncate plain_placement, plain_journal, plain_revision");
        }
        database.setAutoCommit(false);
    }

    private static String first(String answer) {
        var matcher = HAND.matcher(answer);
        matcher.find();
        return matcher.group(1);
    }

    private void choose(int kind) throws IOException, InterruptedException {
        server.call(
                "PUT", site + "/kit", "{\"kindsMm\":[" + kind + "],\"minPieceMm\":200,\"maxPieceMm\":" + kind + "}");
    }

    @TearDown
    public void close() throws SQLException {
        database.close();
    }

    private String place(long x, long y) throws IOException, InterruptedException {
        return server.call(
                "POST",
                site + "/placements",
                "{\"pieceId\":" + bench + ",\"atMm\":{\"x\":" + x + ",\"y\":" + y + ",\"z\":0}}");
    }

    @Benchmark
    public String place() throws IOException, InterruptedException {
        var i = next++;
        return place(2000 + i % 45 * 2000, 2000 + i / 45 * 7 % 95 * 1000);
    }

    /** The reference: what an edit of one placement writes, statement by statement, in one transaction. */
    @Benchmark
    public int sameStatementsByPlainJdbc() throws SQLException {
        try (var lock = database.prepareStatement("select id, revision from plain_site where id = ? for update")) {
            lock.setLong(1, 1);
            lock.executeQuery().close();
        }
        var id = next++ + System.nanoTime();
        try (var insert = database.prepareStatement(
                "insert into plain_placement (site_id, id, piece_id, x_um, y_um, z_um, quarter_turns, mirrored, free_degrees, free) "
                        + "select ?, * from unnest(?::bigint[], ?::bigint[], ?::bigint[], ?::bigint[], ?::bigint[], ?::smallint[], ?::boolean[], ?::float8[], ?::boolean[])")) {
            insert.setLong(1, 1);
            for (var i = 2; i <= 6; i++) {
                insert.setArray(i, database.createArrayOf("bigint", new Object[] {id}));
            }
            insert.setArray(7, database.createArrayOf("smallint", new Object[] {1}));
            insert.setArray(8, database.createArrayOf("boolean", new Object[] {false}));
            insert.setArray(9, database.createArrayOf("float8", new Object[] {0.0}));
            insert.setArray(10, database.createArrayOf("boolean", new Object[] {false}));
            insert.executeUpdate();
        }
        try (var advance = database.prepareStatement(
                "with entry as (insert into plain_journal (site_id, seq, label, changes, made_at, format, token) values (1, ?, 'Set down', ?, now(), 2, '')), "
                        + "touched as (insert into plain_revision (site_id, revision, touched, parts) values (1, ?, ?, '{SET}')), told as (select pg_notify('plain', ?)) "
                        + "update plain_site set revision = revision + 1 from told where id = 1")) {
            advance.setLong(1, id);
            advance.setString(
                    2,
                    "[{\"table\":\"PLACEMENT\",\"id\":1,\"before\":null,\"after\":{\"pieceId\":1,\"xUm\":1,\"yUm\":1,\"zUm\":1,\"quarterTurns\":0,\"mirrored\":false,\"freeDegrees\":0.0,\"free\":false}}]");
            advance.setLong(3, id);
            advance.setArray(4, database.createArrayOf("bigint", new Object[] {id}));
            advance.setString(5, "1:" + id);
            var updated = advance.executeUpdate();
            database.commit();
            return updated;
        }
    }

    private void move(String ids) throws IOException, InterruptedException {
        server.call(
                "POST",
                site + "/placements/arrange",
                "{\"ids\":" + ids + ",\"byMm\":{\"x\":" + (next++ % 2 == 0 ? 100 : -100) + ",\"y\":0,\"z\":0}}");
    }

    @Benchmark
    public void moveAThousand() throws IOException, InterruptedException {
        move(thousand);
    }

    @Benchmark
    public void moveOne() throws IOException, InterruptedException {
        move(one);
    }

    /** Some 20 000 derived pieces in tiles of a metre, then of two: chosen in turn. */
    @Benchmark
    public void chooseAKit() throws IOException, InterruptedException {
        halves = !halves;
        choose(halves ? 1000 : 2000);
    }

    /** The reference: as many rows into PostgreSQL by COPY. */
    @Benchmark
    public long copyTwentyThousandRows() throws SQLException, IOException {
        var rows = new StringBuilder();
        for (var i = 0; i < 20_000; i++) {
            rows.append(1)
                    .append('\t')
                    .append(next++ + System.nanoTime())
                    .append("\t7\t1000000\t2000000\t0\t0\tf\t0\tf\n");
        }
        var copied = database.unwrap(PGConnection.class)
                .getCopyAPI()
                .copyIn(
                        "copy plain_placement (site_id, id, piece_id, x_um, y_um, z_um, quarter_turns, mirrored, free_degrees, free) from stdin",
                        new StringReader(rows.toString()));
        database.commit();
        return copied;
    }
}
