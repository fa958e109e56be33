package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The description in the repository, from which the web's types are generated, is the one that the server serves. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class OpenApiTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @LocalServerPort
    int port;

    @Test
    void theDescriptionInTheRepositoryIsTheOneThatIsServed() throws IOException {
        var served = sorted(new Caller(port).get("/v3/api-docs").json());
        ((ObjectNode) served).remove("servers");
        var text = JSON.writerWithDefaultPrettyPrinter().writeValueAsString(served) + "\n";
        Files.writeString(Path.of("target/openapi.json"), text);
        assertThat(Files.readString(Path.of("openapi.json")))
                .as("the API has changed: cp server/target/openapi.json server/openapi.json")
                .isEqualTo(text);
    }

    /** Fields by name, so that the file changes only where the API does. */
    private static JsonNode sorted(JsonNode node) {
        if (node instanceof ObjectNode object) {
            var fields = new TreeMap<String, JsonNode>();
            object.properties().forEach(e -> fields.put(e.getKey(), sorted(e.getValue())));
            return JSON.createObjectNode().setAll(fields);
        }
        if (node.isArray()) {
            var array = JSON.createArrayNode();
            node.forEach(item -> array.add(sorted(item)));
            return array;
        }
        return node;
    }
}
