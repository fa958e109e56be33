package hausbau.server;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.context.WebServerApplicationContext;

/** Writes the OpenAPI description to a file, without a database; the web's types are generated from it. */
public final class WriteOpenApi {

    private WriteOpenApi() {
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        var file = Path.of(args[0]);
        try (var context = new SpringApplicationBuilder(HausbauServer.class).run(
                "--server.port=0", "--spring.flyway.enabled=false",
                "--spring.datasource.hikari.initialization-fail-timeout=-1", "--spring.datasource.hikari.connection-timeout=250",
                "--spring.jpa.properties.hibernate.boot.allow_jdbc_metadata_access=false",
                "--spring.jpa.database-platform=org.hibernate.dialect.PostgreSQLDialect")) {
            var port = Objects.requireNonNull(((WebServerApplicationContext) context).getWebServer()).getPort();
            var request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/v3/api-docs")).build();
            var answer = HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() != 200) {
                throw new IOException("the server answered " + answer.statusCode() + ": " + answer.body());
            }
            var text = answer.body().replaceAll("\"servers\":\\[[^\\]]*\\],?", "");
            if (!Files.exists(file) || !Files.readString(file).equals(text)) {
                Files.writeString(file, text);
            }
        }
    }
}
