package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;

/** More long work than a server takes on. */
@Isolated("others would be told that the server is busy")
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class BusyTest {

    @LocalServerPort
    int port;

    /** Many long questions at once: some wait, the others are told when to ask again, and everybody else is answered meanwhile. */
    @Test
    void pastTheQueueItIsBusyAndOthersAreAnswered() throws Exception {
        var caller = new Caller(port);
        var site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Busy\"}")
                        .json()
                        .get("id")
                        .asLong();
        var hands = Executors.newFixedThreadPool(40);
        try {
            var busy = new AtomicInteger();
            var asked = IntStream.range(0, 40)
                    .mapToObj(i -> hands.submit(() -> {
                        var answer = caller.post("/api/kit-plans?token=flood" + i, RobustTest.longPlan(i));
                        if (answer.status() == 503) {
                            assertThat(answer.text()).contains("busy", "ask again in");
                            busy.incrementAndGet();
                        }
                        return answer.status();
                    }))
                    .toList();
            for (var i = 0; i < 2_000 && busy.get() < 20; i++) {
                Thread.sleep(10);
            }
            assertThat(busy.get())
                    .as("of forty, eight may wait and two are worked on")
                    .isGreaterThanOrEqualTo(20);
            assertThat(caller.get("/api/sites").status()).isEqualTo(200);
            assertThat(caller.post(
                                    site + "/rooms",
                                    "{\"name\":\"Meanwhile\",\"cornerMm\":{\"x\":90000,\"y\":0,\"z\":0},\"widthMm\":2000,\"depthMm\":2000}")
                            .status())
                    .isEqualTo(201);
            for (var i = 0; i < 40; i++) {
                caller.call("DELETE", "/api/kit-plans/flood" + i, null, null);
            }
            for (var one : asked) {
                assertThat(one.get(10, TimeUnit.MINUTES)).isIn(200, 400, 503);
            }
        } finally {
            hands.shutdownNow();
        }
    }
}
