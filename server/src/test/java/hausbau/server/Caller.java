package hausbau.server;

import de.javagl.jgltf.model.GltfModel;
import de.javagl.jgltf.model.io.GltfModelReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpHeaders;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipInputStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Calls the server as an outside program would. */
final class Caller {

    record Answer(int status, String type, String text, byte[] bytes) {

        JsonNode json() {
            return JsonMapper.shared().readTree(text);
        }

        GltfModel glb() {
            try {
                return new GltfModelReader().readWithoutReferences(new ByteArrayInputStream(bytes));
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }

        /** Files of a ZIP, in its order. */
        Map<String, byte[]> unzipped() {
            var files = new LinkedHashMap<String, byte[]>();
            try (var zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
                for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                    files.put(entry.getName(), zip.readAllBytes());
                }
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
            return files;
        }
    }

    private final HttpClient client = HttpClient.newHttpClient();
    private final String base;

    Caller(int port) {
        base = "http://127.0.0.1:" + port;
    }

    Answer get(String path) {
        return call("GET", path, null, null);
    }

    Answer post(String path, String body) {
        return call("POST", path, body, null);
    }

    Answer call(String method, String path, String body, Long revision) {
        var request = HttpRequest.newBuilder(URI.create(base + path));
        if (body != null) {
            request.header("Content-Type", "application/json");
        }
        if (revision != null) {
            request.header("If-Match", "\"" + revision + "\"");
        }
        request.method(
                method, body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        return send(request);
    }

    /** Sends files as a browser's form would (RFC 7578). */
    Answer files(String path, Map<String, byte[]> files) {
        var edge = "-".repeat(20) + "edge";
        var body = new ByteArrayOutputStream();
        files.forEach((name, bytes) -> {
            body.writeBytes(("--" + edge + "\r\nContent-Disposition: form-data; name=\"files\"; filename=\"" + name
                            + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            body.writeBytes(bytes);
            body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
        });
        body.writeBytes(("--" + edge + "--\r\n").getBytes(StandardCharsets.UTF_8));
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "multipart/form-data; boundary=" + edge)
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray())));
    }

    /** An edit under its maker's word for it. */
    Answer keyed(String method, String path, String body, String key) {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", key)
                .method(
                        method,
                        body == null
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofString(body)));
    }

    /** An edit whose maker sees a revision and wants to be told of what has changed since. */
    Answer since(String method, String path, String body, String revision) {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/json")
                .header("Hausbau-Since", revision)
                .method(method, HttpRequest.BodyPublishers.ofString(body)));
    }

    /** What it answers to one who sends a header along; as text, and with the answer's own headers. */
    HttpResponse<String> getWith(String path, String... header) {
        var request = HttpRequest.newBuilder(URI.create(base + path));
        try {
            return client.send(
                    (header.length == 0 ? request : request.headers(header)).build(),
                    HttpResponse.BodyHandlers.ofString());
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    HttpHeaders headers(String path) {
        try {
            return client.send(
                            HttpRequest.newBuilder(URI.create(base + path)).build(),
                            HttpResponse.BodyHandlers.discarding())
                    .headers();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A request as a client that minds no rules would write it. @param rest further headers and what follows them */
    Answer raw(String method, String path, String rest) {
        try (var socket = new Socket("127.0.0.1", URI.create(base).getPort())) {
            socket.setSoTimeout(20_000);
            socket.getOutputStream()
                    .write((method + " " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n" + rest
                                    + "\r\n")
                            .getBytes(StandardCharsets.ISO_8859_1));
            var text = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            var type = Pattern.compile("(?i)content-type: (\\S+)").matcher(text);
            return new Answer(
                    Integer.parseInt(text.split(" ")[1]),
                    type.find() ? type.group(1) : "",
                    text.substring(text.indexOf("\r\n\r\n") + 4),
                    new byte[0]);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Sends a file as it is. */
    Answer upload(String path, String type, HttpRequest.BodyPublisher file) {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", type)
                .POST(file));
    }

    private Answer send(HttpRequest.Builder request) {
        try {
            var answer = client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            return new Answer(
                    answer.statusCode(),
                    answer.headers().firstValue("Content-Type").orElse(""),
                    new String(answer.body(), "UTF-8"),
                    answer.body());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
