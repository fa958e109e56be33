package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Small pictures of sites, read by ImageIO. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class SitePictureTest {

    @LocalServerPort
    int port;

    private HttpResponse<byte[]> get(String path, String... headers) throws IOException, InterruptedException {
        var request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    @Test
    void whatStandsIsDrawnAndAskedForOnceARevision() throws Exception {
        var room = new BuiltRoom(port, "Pictured");
        var first = get(room.site + "/picture.png");
        var image = ImageIO.read(new ByteArrayInputStream(first.body()));
        assertThat(image.getWidth()).isEqualTo(480);
        assertThat(image.getHeight()).isEqualTo(320);
        var ground = image.getRGB(2, 2);
        var drawn = IntStream.range(0, 480 * 320)
                .filter(i -> image.getRGB(i % 480, i / 480) != ground)
                .count();
        assertThat(drawn).as("a room fills some of the picture").isBetween(480 * 320 / 6L, 480 * 320 * 5 / 6L);
        var tag = first.headers().firstValue("ETag").orElseThrow();
        assertThat(get(room.site + "/picture.png", "If-None-Match", tag).statusCode())
                .isEqualTo(304);
    }

    @Test
    void ofAnEmptySiteThereIsNone() throws Exception {
        var site = new Caller(port)
                .post("/api/sites", "{\"name\":\"Nothing yet\"}")
                .json()
                .get("id")
                .asLong();
        assertThat(get("/api/sites/" + site + "/picture.png").statusCode()).isEqualTo(204);
        assertThat(get("/api/sites/999999999/picture.png").statusCode()).isEqualTo(404);
    }
}
