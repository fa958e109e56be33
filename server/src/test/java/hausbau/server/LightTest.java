package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** The lamps of pieces and the light that bounces, over HTTP; the room is 5 × 4 m. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class LightTest {

    @LocalServerPort
    int port;

    BuiltRoom in;
    String lamp;

    @BeforeEach
    void aRoomWithALamp() {
        in = new BuiltRoom(port, "Light");
        lamp = in.place("PRP-LAMP", 2500, 2000);
    }

    private JsonNode emitters() {
        return in.caller.get(in.site + "/light/lamps").json().get("emitters");
    }

    private int change(String lamps) {
        return in.caller
                .call(
                        "PATCH",
                        in.site + "/pieces/" + in.piece("PRP-LAMP") + "/traits",
                        "{\"lamps\":" + lamps + "}",
                        null)
                .status();
    }

    private static double luminance(JsonNode c) {
        return 0.2126 * c.get("r").asDouble()
                + 0.7152 * c.get("g").asDouble()
                + 0.0722 * c.get("b").asDouble();
    }

    /** In the middle of its globe, in all lumens by 4π; what is typed is kept, and taken back. */
    @Test
    void aLampShinesWhereItsPieceStandsAsItIsTold() {
        var is = emitters().get(0);
        assertThat(is.get("id").asString()).isEqualTo(lamp);
        assertThat(is.get("at").get("x").asDouble()).isCloseTo(2.5, within(1e-9));
        assertThat(is.get("at").get("z").asDouble()).isCloseTo(1.86, within(1e-9));
        assertThat(luminance(is.get("candela"))).isCloseTo(2000 / (4 * Math.PI), within(1.0));
        assertThat(
                        change(
                                "{\"all\":[{\"kind\":\"SPOT\",\"xMm\":160,\"yMm\":160,\"zMm\":1700,\"lumens\":500,\"cone\":40},{\"kind\":\"LINE\",\"xMm\":0,\"yMm\":0,\"zMm\":0,\"lengthMm\":1200}],\"lit\":100,\"seed\":0}"))
                .isEqualTo(200);
        // One and, 1200 mm long, two pieces of the other.
        assertThat(emitters().valueStream().map(e -> e.get("kind").asString())).containsExactly("SPOT", "LINE", "LINE");
        assertThat(emitters().get(0).get("way").get("z").asDouble()).isCloseTo(-1, within(1e-9));
        in.caller.post(in.site + "/undo", null);
        assertThat(emitters().size()).isEqualTo(1);
        assertThat(in.refused(
                        "PATCH",
                        "/pieces/" + in.piece("PRP-LAMP") + "/traits",
                        "{\"lamps\":{\"all\":[{},{\"kelvin\":10,\"lumens\":-2}],\"lit\":100,\"seed\":0}}"))
                .containsExactly("lamps[1].lumens", "lamps[1].kelvin");
    }

    /** A finish glows as it is told, in the picture and in the file; by seed and by hand it is dimmed, and what cannot be is refused by its name. */
    @Test
    void finishesGlowAndLetLightThrough() {
        var made =
                in.caller.post(in.site + "/colourways", "{}").json().get("id").asLong();
        var at = "/colourways/" + made;
        in.caller.call("PUT", in.site + "/colourway", "{\"colourwayId\":" + made + "}", null);
        in.caller.call(
                "PATCH",
                in.site + at,
                "{\"coats\":{\"OPAL\":{\"glow\":2000,\"glowColour\":\"#ff8000\",\"transparency\":40,\"thicknessMm\":6}}}",
                null);
        assertThat(dimmed()).isEmpty();
        var glb = new String(in.caller.get(in.site + "/handover/scene.glb").bytes(), StandardCharsets.ISO_8859_1);
        assertThat(glb)
                .contains(
                        "KHR_materials_emissive_strength",
                        "KHR_materials_transmission",
                        "KHR_materials_volume",
                        "KHR_lights_punctual");
        in.caller.call("PATCH", in.site + at, "{\"coats\":{\"OPAL\":{\"glowLit\":0}}}", null);
        assertThat(dimmed()).containsExactly(lamp + " 0.0");
        in.caller.post(in.site + "/undo", null);
        assertThat(dimmed()).isEmpty();
        assertThat(
                        in.refused(
                                "PATCH",
                                at,
                                "{\"coats\":{\"OPAL\":{\"glow\":-1,\"glowLit\":101,\"transparency\":200,\"thicknessMm\":2000}}}"))
                .containsExactlyInAnyOrder(
                        "coats.OPAL.glow", "coats.OPAL.glowLit", "coats.OPAL.transparency", "coats.OPAL.thicknessMm");
    }

    private List<String> dimmed() {
        return in.caller
                .get(in.site + "/light/lamps")
                .json()
                .get("dimmed")
                .valueStream()
                .map(d -> d.get("id").asString() + " " + d.get("share").asDouble())
                .toList();
    }

    @Test
    void lampsAreDimmedByPlacementByRoomAndBySeed() {
        var full = luminance(emitters().get(0).get("candela"));
        assertThat(dress("{\"ids\":[\"" + lamp + "\"],\"lamps\":25}")).isEqualTo(204);
        assertThat(luminance(emitters().get(0).get("candela"))).isCloseTo(full / 4, within(0.01));
        assertThat(dress("{\"ids\":[\"" + lamp + "\"],\"lamps\":-1}")).isEqualTo(204);
        assertThat(dress("{\"roomIds\":[" + in.room + "],\"lamps\":0}")).isEqualTo(204);
        assertThat(emitters().size()).as("the room is dark").isZero();
        in.caller.post(in.site + "/undo", null);
        assertThat(emitters().size()).isEqualTo(1);
        var lamps = in.caller
                .get(in.site + "/pieces")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asLong() == in.piece("PRP-LAMP"))
                .findFirst()
                .orElseThrow()
                .get("trait")
                .get("lamps");
        assertThat(change("{\"all\":" + lamps.get("all") + ",\"lit\":0,\"seed\":0}"))
                .isEqualTo(200);
        assertThat(emitters().size()).as("none is lit").isZero();
    }

    private int dress(String body) {
        return in.caller.call("PATCH", in.site + "/dresses", body, null).status();
    }

    private ByteBuffer volume(long mood, int spacing) {
        var answer = in.caller.get(in.site + "/light/volume?moodId=" + mood + "&spacingMm=" + spacing);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return ByteBuffer.wrap(answer.bytes()).order(ByteOrder.LITTLE_ENDIAN);
    }

    /** The moods that a site comes with, by their numbers: 1 even, 3 overcast, 5 by night with lamps. */
    @Test
    void theLightThatBouncesIsWorkedOutByMood() {
        assertThat(volume(-1, 1000).remaining())
                .as("even light is for judging shape")
                .isZero();
        var night = volume(-5, 1000);
        var n = night.getInt(4) * night.getInt(8) * night.getInt(12);
        // 5 × 4 × 3.2 m and walls of 300 mm, at a metre and a place more on both sides.
        assertThat(n).isBetween(6 * 5 * 4, 9 * 8 * 8);
        assertThat(night.remaining()).isEqualTo(36 + 25 * n);
        assertThat(volume(-5, 1000)).as("kept").isEqualTo(night);
        assertThat(dress("{\"roomIds\":[" + in.room + "],\"lamps\":0}")).isEqualTo(204);
        assertThat(volume(-5, 1000)).as("without its lamp").isNotEqualTo(night);
        in.caller.post(in.site + "/undo", null);
        assertThat(volume(-5, 1000)).isEqualTo(night);
        assertThat(in.caller
                        .get(in.site + "/light/volume?moodId=-5&spacingMm=5")
                        .status())
                .isEqualTo(400);
        assertThat(in.caller.get(in.site + "/light/volume?moodId=77").status()).isEqualTo(404);
    }

    /** A byte for each way of each place that light comes from; the floor, 1.86 m below, is nearer than the lamp's reach of 8 m. */
    @Test
    void shadowsTellHowFarEachLampShines() {
        var answer = in.caller.get(in.site + "/light/shadows");
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.bytes()).hasSize(32 * 32);
        // The corners of the square are straight down.
        assertThat((answer.bytes()[0] & 0xFF) * 8 / 255.0).isCloseTo(1.86, within(0.1));
    }
}
