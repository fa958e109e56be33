package hausbau.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The server killed hard in the middle of a stream of edits: what it acknowledged is there, and can be undone. */
class KillTest {

    private final HttpClient client = HttpClient.newHttpClient();

    @Test
    void everyAcknowledgedEditSurvivesAKill() throws Exception {
        try (var application = new Application()) {
            var sites = get(application, "/api/sites");
            var site = "/api/sites/" + sites.replaceAll(".*?\"id\":(\\d+).*", "$1");
            var bench =
                    get(application, site + "/pieces").replaceAll(".*\\{\"id\":(\\d+),\"code\":\"PRP-BENCH\".*", "$1");
            Set<String> acknowledged = ConcurrentHashMap.newKeySet();
            var ended = new AtomicReference<IOException>();
            var stream = new Thread(() -> {
                try {
                    for (var i = 0; ; i++) {
                        var answer = post(
                                application,
                                site + "/placements",
                                "{\"pieceId\":" + bench + ",\"atMm\":{\"x\":" + i * 100 + ",\"y\":4000,\"z\":0}}");
                        if (answer.statusCode() == 201) {
                            acknowledged.add(answer.body().replaceAll(".*?\"id\":\"(hand\\.\\d+)\".*", "$1"));
                        }
                    }
                } catch (IOException gone) {
                    // The server is gone: that is what the test is about, and nothing else may end the stream.
                    ended.set(gone);
                } catch (Exception e) {
                    throw new IllegalStateException(e);
                }
            });
            stream.start();
            while (acknowledged.size() < 30) {
                Thread.sleep(20);
            }
            application.killServer();
            stream.join();
            assertThat(ended.get())
                    .as("the stream ended because the server was killed")
                    .isNotNull();
            application.start();
            var there = ids(get(application, site + "/placements"));
            assertThat(there).containsAll(acknowledged);
            var before = there.size();
            assertThat(post(application, site + "/undo", "").statusCode()).isEqualTo(200);
            assertThat(ids(get(application, site + "/placements"))).hasSize(before - 1);
        }
    }

    private static Set<String> ids(String placements) {
        var ids = new HashSet<String>();
        var matcher = Pattern.compile("\\{\"id\":\"([\\w.-]+)\",\"pieceId\"").matcher(placements);
        while (matcher.find()) {
            ids.add(matcher.group(1));
        }
        return ids;
    }

    private String get(Application application, String path) throws Exception {
        return client.send(
                        HttpRequest.newBuilder(URI.create(application.url(path)))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private HttpResponse<String> post(Application application, String path, String body) throws Exception {
        return client.send(
                HttpRequest.newBuilder(URI.create(application.url(path)))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }
}
