package hausbau.bench;

import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/**
 * One placement on a site of 10 000, from request to answer, against one committed INSERT of a bare row into the same
 * database. {@code ./hausbau bench} starts both and says where they are: {@code HAUSBAU_BENCH_URL}, and the variables of
 * the database.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 3)
@Measurement(iterations = 5, time = 3)
public class PlacementBench {

    private static final Pattern ID = Pattern.compile("\"id\":(\\d+)");
    private static final int PLACEMENTS = 10_000;

    private final Server server = new Server();
    private String site;
    private String bench;
    private Connection database;
    private PreparedStatement insert;
    private long next;

    /** A built hall of 300 × 300 m, filled with benches until there are 10 000 placements. */
    @Setup
    public void fill() throws IOException, InterruptedException, SQLException {
        site = "/api/sites/" + Server.id(server.call("POST", "/api/sites", "{\"name\":\"Ten thousand\"}"));
        server.call("POST", site + "/rooms", "{\"name\":\"Hall\",\"cornerMm\":{\"x\":0,\"y\":0,\"z\":0},\"widthMm\":300000,\"depthMm\":300000,\"heightMm\":3000}");
        server.call("PUT", site + "/kit", "{\"kindsMm\":[4000],\"minPieceMm\":200,\"maxPieceMm\":4000}");
        var pieces = server.call("GET", site + "/pieces", null);
        bench = pieces.replaceAll(".*\\{\"id\":(\\d+),\"code\":\"PRP-BENCH\".*", "$1");
        var there = ID.matcher(server.call("GET", site + "/placements", null)).results().count();
        var ids = Server.id(place(2000, 2000));
        for (var have = 1L; have + there < PLACEMENTS;) {
            var more = Math.min(have, PLACEMENTS - there - have);
            var some = ids.lines().limit(more).reduce((a, b) -> a + "," + b).orElseThrow();
            // Doubling eastward within a row of 128 benches, then row upon row.
            var by = have < 128 ? "{\"x\":" + have * 2000 + ",\"y\":0,\"z\":0}" : "{\"x\":0,\"y\":" + have / 128 * 1000 + ",\"z\":0}";
            var copies = server.call("POST", site + "/placements/copies", "{\"ids\":[" + some + "],\"byMm\":" + by + "}");
            ids += "\n" + copies.replaceAll("[\\[\\]]", "").replace(',', '\n');
            have += more;
        }
        database = DriverManager.getConnection(System.getenv("HAUSBAU_DB_URL"), System.getenv("HAUSBAU_DB_USER"),
                System.getenv("SPRING_DATASOURCE_PASSWORD"));
        try (var statement = database.createStatement()) {
            statement.execute("create table if not exists bare (id bigint generated always as identity primary key, x bigint, y bigint, z bigint)");
        }
        insert = database.prepareStatement("insert into bare (x, y, z) values (?, ?, ?)");
    }

    @TearDown
    public void close() throws SQLException {
        database.close();
    }

    private String place(long x, long y) throws IOException, InterruptedException {
        return server.call("POST", site + "/placements", "{\"pieceId\":" + bench + ",\"atMm\":{\"x\":" + x + ",\"y\":" + y + ",\"z\":0}}");
    }

    @Benchmark
    public String place() throws IOException, InterruptedException {
        var i = next++;
        return place(2000 + i % 140 * 2000, 2000 + i / 140 * 7 % 280 * 1000);
    }

    @Benchmark
    public int bareInsert() throws SQLException {
        insert.setLong(1, next++);
        insert.setLong(2, 2000);
        insert.setLong(3, 0);
        return insert.executeUpdate();
    }
}
