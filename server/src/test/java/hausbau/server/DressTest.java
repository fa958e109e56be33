package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import de.javagl.jgltf.model.MaterialModel;
import de.javagl.jgltf.model.NodeModel;
import hausbau.server.standing.Sets;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Tint, wear and colourways of placements and rooms, over HTTP; the room is 5 × 4 m. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class DressTest {

    @LocalServerPort
    int port;

    @Autowired
    Sets sets;

    BuiltRoom in;

    @BeforeEach
    void builtRoom() {
        in = new BuiltRoom(port, "Dresses");
    }

    private void dress(String of, String told) {
        var answer = in.caller.call("PATCH", in.site + "/dresses", "{" + of + "," + told + "}", null);
        assertThat(answer.status()).as(answer.text()).isEqualTo(204);
    }

    private String room() {
        return "\"roomIds\":[" + in.room + "]";
    }

    private static String ids(String... ids) {
        return "\"ids\":" + BuiltRoom.ids(List.of(ids));
    }

    private JsonNode dresses() {
        return in.caller.get(in.site + "/dresses").json();
    }

    /** How many placements look so. */
    private long looking(String part) {
        var looks = in.caller.get(in.site + "/looks").json();
        var all = looks.get("all").valueStream().map(JsonNode::toString).toList();
        return looks.get("dealt")
                .valueStream()
                .flatMap(d -> d.get("looks").valueStream())
                .filter(n -> n.asInt() >= 0 && all.get(n.asInt()).contains(part))
                .count();
    }

    private long colourway(String name) {
        var id = in.made("/colourways", "{}").get("id").asLong();
        assertThat(in.caller
                        .call(
                                "PATCH",
                                in.site + "/colourways/" + id,
                                "{\"name\":\"" + name + "\",\"coats\":{\"PLASTER\":{\"colour\":\"#3355aa\"}}}",
                                null)
                        .status())
                .isEqualTo(200);
        return id;
    }

    /** What is dressed alike is one row; one step takes one edit back; a restart finds it. */
    @Test
    void placementsAreDressedAndOneStepTakesItBack() {
        var one = in.place("PRP-BENCH", 1000, 1000);
        var other = in.place("PRP-BENCH", 3000, 1000);
        dress(ids(one, other), "\"tint\":\"#d8c0a0\"");
        dress(ids(other), "\"wear\":30");
        assertThat(dresses()).hasSize(2);
        assertThat(looking("\"tint\":\"#d8c0a0\"")).isEqualTo(2);
        assertThat(looking("\"tint\":\"#d8c0a0\",\"wear\":30,\"onFloor\":true")).isEqualTo(1);
        sets.forget(in.id());
        assertThat(looking("\"wear\":30")).isEqualTo(1);
        dress(ids(one), "\"wear\":30");
        assertThat(dresses()).as("both alike").hasSize(1);
        in.caller.post(in.site + "/undo", null);
        in.caller.post(in.site + "/undo", null);
        assertThat(looking("\"tint\":\"#d8c0a0\",\"wear\":0")).isEqualTo(2);
        in.caller.post(in.site + "/redo", null);
        assertThat(looking("\"wear\":30")).isEqualTo(1);
        dress(ids(one, other), "\"tint\":\"\",\"wear\":-1,\"colourwayId\":0");
        assertThat(dresses()).isEmpty();
        assertThat(looking("")).isZero();
    }

    /** A room tells all that is in it, a hand the rest; another finish costs sheets of its own. */
    @Test
    void aRoomIsInAnotherColourwayAndTheTallyKnows() {
        var bench = in.place("PRP-BENCH", 1000, 1000);
        var placements =
                in.caller.get(in.site + "/tally").json().get("placements").asLong();
        var before = in.caller.get(in.site + "/tally").json();
        var blue = colourway("blue");
        dress(room(), "\"colourwayId\":" + blue + ",\"wear\":60");
        assertThat(looking("\"colourwayId\":" + blue)).isEqualTo(placements);
        dress(ids(bench), "\"wear\":0");
        assertThat(looking("\"wear\":60")).isEqualTo(placements - 1);
        var after = in.caller.get(in.site + "/tally").json();
        assertThat(after.get("kinds")).isEqualTo(before.get("kinds"));
        assertThat(after.get("sheets")).as("all of it is in the other one").isEqualTo(before.get("sheets"));
        dress(
                ids(in.placements("massing").findFirst().orElseThrow().get("id").asString()),
                "\"colourwayId\":" + colourway("red"));
        assertThat(in.caller.get(in.site + "/tally").json().get("sheets").asInt())
                .isGreaterThan(before.get("sheets").asInt());
        // Taken away, the site's is looked at; one step back, and it is there again.
        in.caller.call("DELETE", in.site + "/colourways/" + blue, null, null);
        assertThat(scene().materials.keySet()).noneMatch(m -> m.contains("blue"));
        in.caller.post(in.site + "/undo", null);
        assertThat(scene().materials.keySet()).anyMatch(m -> m.equals("plaster, blue"));
    }

    private record Scene(Map<String, MaterialModel> materials, List<NodeModel> nodes, int bytes) {}

    private Scene scene() {
        var file = in.caller.get(in.site + "/handover/scene.glb");
        var model = file.glb();
        var materials = new HashMap<String, MaterialModel>();
        model.getMaterialModels().forEach(m -> materials.put(m.getName(), m));
        return new Scene(materials, model.getNodeModels(), file.bytes().length);
    }

    /** Materials are named by their colourway, nodes tell how worn they are, and what wears has its mask beside it. */
    @Test
    void whatIsDressedIsHandedOver() throws IOException {
        var bench = in.place("PRP-BENCH", 1000, 1000);
        var blue = colourway("blue");
        dress(room(), "\"colourwayId\":" + blue);
        dress(ids(bench), "\"wear\":45");
        var scene = scene();
        assertThat(scene.materials).containsKey("plaster, blue").doesNotContainKey("plaster");
        assertThat(scene.nodes.stream().filter(n -> n.getExtras() != null).<Object>map(n -> ((Map<?, ?>) n.getExtras())
                        .get("wear")))
                .containsExactly(0.45);
        var files = in.caller.get(in.site + "/handover/pieces.zip").unzipped();
        assertThat(files.keySet().stream().filter(f -> f.endsWith(" wear.png"))).containsExactly("PRP-BENCH wear.png");
        assertThat(ImageIO.read(new ByteArrayInputStream(files.get("PRP-BENCH wear.png")))
                        .getWidth())
                .isGreaterThanOrEqualTo(512);
        var id = in.piece("PRP-BENCH");
        assertThat(in.caller.get(in.site + "/pieces/" + id + "/wear.png").bytes())
                .isEqualTo(files.get("PRP-BENCH wear.png"));
        assertThat(in.caller.get(in.site + "/pieces/" + id + "/unwrapped.glb").bytes())
                .isEqualTo(files.get("PRP-BENCH.glb"));
        var tag = in.caller
                .get(in.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asLong() == id)
                .findFirst()
                .orElseThrow()
                .get("mesh")
                .asString();
        assertThat(in.caller
                        .headers(in.site + "/pieces/" + id + "/wear.png?as=" + tag)
                        .firstValue("cache-control")
                        .orElseThrow())
                .contains("immutable");
        assertThat(in.caller
                        .headers(in.site + "/pieces/" + id + "/wear.png?as=old")
                        .firstValue("cache-control")
                        .orElseThrow())
                .isEqualTo("no-cache");
    }

    /** The same geometry in several tints is there once. */
    @Test
    void whatLooksOtherwiseHasTheSameGeometry() {
        var benches = List.of(
                in.place("PRP-BENCH", 1000, 1000),
                in.place("PRP-BENCH", 3000, 1000),
                in.place("PRP-BENCH", 1000, 3000));
        var plain = scene();
        for (var i = 0; i < 3; i++) {
            dress(ids(benches.get(i)), "\"tint\":\"#a0b0c" + i + "\"");
        }
        var tinted = scene();
        assertThat(tinted.materials.keySet().stream().filter(m -> m.contains("#")))
                .hasSizeGreaterThanOrEqualTo(3);
        assertThat(tinted.bytes - plain.bytes).as("words alone").isLessThan(8_000);
    }

    @Test
    void copiesAreDressedAsWhatTheyAreCopiesOf() {
        var bench = in.place("PRP-BENCH", 1000, 1000);
        dress(room(), "\"wear\":20");
        dress(ids(bench), "\"tint\":\"#112233\"");
        var copies = in.caller.post(
                in.site + "/placements/copies", "{" + ids(bench) + ",\"byMm\":{\"x\":2000,\"y\":0,\"z\":0}}");
        assertThat(copies.status()).as(copies.text()).isLessThan(300);
        assertThat(looking("\"tint\":\"#112233\"")).isEqualTo(2);
        var rooms = in.caller.post(
                in.site + "/rooms/" + in.room + "/arrange", "{\"copy\":true,\"byMm\":{\"x\":5200,\"y\":0,\"z\":0}}");
        assertThat(rooms.status()).as(rooms.text()).isLessThan(300);
        var copied = rooms.json().get("id").asLong();
        assertThat(dresses().toString()).contains("\"roomIds\":[" + in.room + "," + copied + "]");
        // A copy of the site names its own rooms and placements.
        var other = "/api/sites/"
                + in.caller
                        .post(in.site + "/copies", "{\"name\":\"Dresses, again\"}")
                        .json()
                        .get("id")
                        .asLong();
        var own = in.caller
                .get(other + "/massing")
                .json()
                .get("rooms")
                .valueStream()
                .map(r -> r.get("id").asLong())
                .toList();
        var told = in.caller.get(other + "/dresses").json();
        assertThat(told.valueStream()
                        .flatMap(d -> d.get("roomIds").valueStream())
                        .map(JsonNode::asLong))
                .containsExactlyInAnyOrderElementsOf(own);
        assertThat(in.caller.get(other + "/looks").json().get("all").toString()).contains("#112233");
        in.caller.call("DELETE", other, null, null);
    }

    @Test
    void whatCannotBeIsRefused() {
        var bench = in.place("PRP-BENCH", 1000, 1000);
        assertThat(in.refused("PATCH", "/dresses", "{" + ids(bench) + ",\"wear\":101}"))
                .containsExactly("wear");
        assertThat(in.refused("PATCH", "/dresses", "{" + ids(bench) + ",\"tint\":\"red\"}"))
                .containsExactly("tint");
        assertThat(in.refused("PATCH", "/dresses", "{\"wear\":10}")).containsExactly("ids");
        assertThat(in.caller
                        .call("PATCH", in.site + "/dresses", "{" + ids(bench) + ",\"colourwayId\":999999}", null)
                        .status())
                .isEqualTo(404);
        assertThat(in.caller
                        .call("PATCH", in.site + "/dresses", "{\"roomIds\":[999999],\"wear\":10}", null)
                        .status())
                .isEqualTo(404);
        assertThat(in.caller
                        .call("PATCH", in.site + "/dresses", "{" + ids("hand.999999") + ",\"wear\":10}", null)
                        .status())
                .isGreaterThanOrEqualTo(400);
        assertThat(dresses()).isEmpty();
    }
}
