package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Bodies of 200 kB that come a few bytes at a time. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class SlowUploadTest {

    private static final int BYTES = 200_000;

    @LocalServerPort
    int port;

    /** @return all that is answered until the server closes the connection */
    private String sent(String path, String type, byte[] first, int bytesAtATime, Duration pause) throws Exception {
        try (var socket = new Socket("127.0.0.1", port)) {
            socket.setSoTimeout(60_000);
            var out = socket.getOutputStream();
            out.write(("POST " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: " + type + "\r\nContent-Length: "
                            + BYTES + "\r\n\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
            out.write(first);
            var answered = new AtomicBoolean();
            var writer = new Thread(() -> {
                try {
                    for (var sent = first.length; sent < BYTES && !answered.get(); sent += bytesAtATime) {
                        out.write(new byte[Math.min(bytesAtATime, BYTES - sent)]);
                        out.flush();
                        Thread.sleep(pause.toMillis());
                    }
                } catch (IOException | InterruptedException e) {
                    // The server has closed the connection.
                }
            });
            writer.start();
            var answer = new StringBuilder();
            try {
                var in = socket.getInputStream();
                for (var b = in.read(); b >= 0; b = in.read()) {
                    answer.append((char) b);
                }
            } catch (IOException e) {
                answer.append(" (").append(e.getMessage()).append(')');
            }
            answered.set(true);
            writer.join();
            return answer.toString();
        }
    }

    private String site() {
        return "/api/sites/"
                + new Caller(port)
                        .post("/api/sites", "{\"name\":\"Slow\"}")
                        .json()
                        .get("id")
                        .asLong();
    }

    @ParameterizedTest
    @ValueSource(strings = {"multipart/form-data; boundary=x", "application/json", "application/octet-stream"})
    void aByteNowAndThenIsGivenUp(String type) throws Exception {
        var path = type.startsWith("multipart")
                ? "/deliveries"
                : type.equals("application/json") ? "/rooms" : "/finish-pictures";
        var first = type.startsWith("multipart")
                ? "--x\r\nContent-Disposition: form-data; name=\"files\"; filename=\"a.obj\"\r\n\r\n"
                : type.equals("application/json") ? "{\"name\":\"" : "";

        var began = System.nanoTime();
        var answer = sent(site() + path, type, first.getBytes(StandardCharsets.US_ASCII), 10, Duration.ofMillis(300));

        // A body that is not looked at to its end is answered for what is wrong with it.
        assertThat(answer).startsWith(type.equals("application/json") ? "HTTP/1.1 400" : "HTTP/1.1 408");
        assertThat(answer).contains(type.equals("application/json") ? "not valid JSON" : "comes too slowly");
        assertThat(Duration.ofNanos(System.nanoTime() - began)).isLessThan(Duration.ofSeconds(40));
    }

    /** Some 40 kB a second for 5 seconds: it is read to its end, and found to be no picture. */
    @Test
    void whatOnlyTakesAWhileIsRead() throws Exception {
        var answer = sent(
                site() + "/finish-pictures",
                "application/octet-stream\r\nConnection: close",
                new byte[0],
                4_000,
                Duration.ofMillis(100));

        assertThat(answer).startsWith("HTTP/1.1 400");
    }
}
