package hausbau.bench;

import com.sun.net.httpserver.HttpServer;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
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
 * First sight of a board of 200 pictures: the board itself and all previews, six at a time as a browser does, against the
 * same bytes as plain files from the JDK's own file server.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 3)
@Measurement(iterations = 5, time = 3)
public class BoardBench {

    private static final int PICTURES = 200;
    private static final Pattern MEDIA = Pattern.compile("\"mediaId\":(\\d+)");

    private final HttpClient client = HttpClient.newHttpClient();
    private final ExecutorService hands = Executors.newFixedThreadPool(6);
    private HttpServer files;
    private URI board;
    private List<URI> previews;
    private List<URI> plain;

    @Setup
    public void fill() throws IOException, InterruptedException {
        var server = new Server();
        var site = "/api/sites/" + Server.id(server.call("POST", "/api/sites", "{\"name\":\"Two hundred pictures\"}"));
        for (var i = 0; i < PICTURES; i++) {
            server.upload(
                    site + "/board/pictures?name=p" + i + "&x=" + i % 20 * 520 + "&y=" + i / 20 * 400, picture(i));
        }
        board = Server.uri(site + "/board");
        previews = MEDIA.matcher(server.call("GET", site + "/board", null))
                .results()
                .map(m -> Server.uri(site + "/media/" + m.group(1) + "/preview"))
                .toList();
        servePlainly();
    }

    /** Noise in patches, so that a preview has the bytes of a photograph. */
    private static byte[] picture(int seed) throws IOException {
        var random = new Random(seed);
        var image = new BufferedImage(1024, 768, BufferedImage.TYPE_INT_RGB);
        var g = image.createGraphics();
        for (var i = 0; i < 4000; i++) {
            g.setColor(new Color(random.nextInt(0x1000000)));
            g.fillOval(
                    random.nextInt(1024) - 20,
                    random.nextInt(768) - 20,
                    10 + random.nextInt(60),
                    10 + random.nextInt(60));
        }
        g.dispose();
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        return out.toByteArray();
    }

    private void servePlainly() throws IOException, InterruptedException {
        var folder = Files.createTempDirectory("previews");
        for (var i = 0; i < previews.size(); i++) {
            Files.write(folder.resolve(String.valueOf(i)), fetch(previews.get(i)));
        }
        Files.write(folder.resolve("board"), fetch(board));
        files = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        files.setExecutor(Executors.newFixedThreadPool(6));
        files.createContext("/", exchange -> {
            var bytes = Files.readAllBytes(
                    folder.resolve(Path.of(exchange.getRequestURI().getPath()).getFileName()));
            exchange.sendResponseHeaders(200, bytes.length);
            exchange.getResponseBody().write(bytes);
            exchange.close();
        });
        files.start();
        var base = "http://127.0.0.1:" + files.getAddress().getPort() + "/";
        plain = IntStream.range(0, previews.size())
                .mapToObj(i -> URI.create(base + i))
                .toList();
    }

    @TearDown
    public void close() {
        files.stop(0);
        hands.shutdown();
    }

    private byte[] fetch(URI uri) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(uri).build(), HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    private long fetchAll(URI first, List<URI> rest) throws Exception {
        var bytes = (long) fetch(first).length;
        for (var done : hands.invokeAll(rest.stream()
                .<Callable<Integer>>map(uri -> () -> fetch(uri).length)
                .toList())) {
            bytes += done.get();
        }
        return bytes;
    }

    @Benchmark
    public long openBoard() throws Exception {
        return fetchAll(board, previews);
    }

    @Benchmark
    public long plainFiles() throws Exception {
        return fetchAll(plain.get(0).resolve("board"), plain);
    }
}
