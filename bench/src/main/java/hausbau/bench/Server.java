package hausbau.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.regex.Pattern;

/** The running application, as the script says where it is: {@code HAUSBAU_BENCH_URL}. */
final class Server {

    private static final Pattern ID = Pattern.compile("\"id\":(\\d+)");

    private final HttpClient client = HttpClient.newHttpClient();

    static URI uri(String path) {
        return URI.create(System.getenv("HAUSBAU_BENCH_URL") + path);
    }

    String call(String method, String path, String body) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(uri(path))
                .header("Content-Type", "application/json")
                .method(
                        method,
                        body == null
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofString(body)));
    }

    String upload(String path, byte[] file) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(uri(path))
                .header("Content-Type", "application/octet-stream")
                .POST(HttpRequest.BodyPublishers.ofByteArray(file)));
    }

    private String send(HttpRequest.Builder request) throws IOException, InterruptedException {
        var answer = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 400) {
            throw new IllegalStateException(answer.statusCode() + " " + answer.body());
        }
        return answer.body();
    }

    /** The first id in an answer. */
    static String id(String json) {
        var matcher = ID.matcher(json);
        if (!matcher.find()) {
            throw new IllegalStateException(json);
        }
        return matcher.group(1);
    }
}
