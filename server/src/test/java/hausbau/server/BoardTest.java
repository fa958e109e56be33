package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;

/** Pictures on the board: what is kept of them, and what is refused. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class BoardTest {

    @LocalServerPort
    int port;

    Caller caller;
    String site;

    @BeforeEach
    void aSite() {
        caller = new Caller(port);
        site = "/api/sites/"
                + caller.post("/api/sites", "{\"name\":\"Board\"}")
                        .json()
                        .get("id")
                        .asLong();
    }

    private Caller.Answer upload(byte[] file) {
        return caller.upload(
                site + "/board/pictures?name=picture&x=10&y=-20",
                "application/octet-stream",
                BodyPublishers.ofByteArray(file));
    }

    private JsonNode items() {
        return caller.get(site + "/board").json().get("items");
    }

    private BufferedImage original(JsonNode item) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(
                caller.get(site + "/media/" + item.get("mediaId").asLong() + "/original")
                        .bytes()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpeg"})
    void aPictureIsKeptInFullWithAPreview(String format) throws IOException {
        var answer = upload(Pictures.file(Pictures.flag(1200, 800), format));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        var item = answer.json();
        assertThat(item.get("pixelsX").asInt()).isEqualTo(1200);
        assertThat(item.get("width").asDouble() / item.get("height").asDouble()).isEqualTo(1.5);
        var kept = original(item);
        assertThat(kept.getRGB(100, 700) >> 16 & 0xFF).isGreaterThan(230);
        assertThat(kept.getRGB(1100, 700) & 0xFF).isGreaterThan(230);
        var preview = caller.get(site + "/media/" + item.get("mediaId").asLong() + "/preview");
        assertThat(preview.type()).isEqualTo("image/jpeg");
        var small = ImageIO.read(new ByteArrayInputStream(preview.bytes()));
        assertThat(small.getWidth()).isEqualTo(512);
        assertThat(small.getHeight()).isEqualTo(341);
    }

    /** A WebP of 4 × 4 pixels, all of one colour, made by a general-purpose encoder. */
    @Test
    void aWebPPictureIsReadToo() throws IOException {
        var webp = Base64.getDecoder()
                .decode("UklGRjwAAABXRUJQVlA4IDAAAADQAQCdASoEAAQAAgA0JaACdLoB+AADsAD+8ut//NgVzXPv9//S4P0uD9Lg/9KQAAA=");
        var answer = upload(webp);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        assertThat(original(answer.json()).getWidth()).isEqualTo(4);
    }

    /** Exif 2.3, table of orientations: where the picture's own upper left corner comes to lie. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void itIsTurnedUprightByItsTagAndFreedOfWhatElseItTells(int orientation) throws IOException {
        // Upright, the flag's green bar is above and red to the left. Stored as a camera held otherwise would have.
        var upright = Pictures.flag(160, 96);
        var stored =
                new BufferedImage(orientation >= 5 ? 96 : 160, orientation >= 5 ? 160 : 96, BufferedImage.TYPE_INT_RGB);
        for (var y = 0; y < 96; y++) {
            for (var x = 0; x < 160; x++) {
                var left = 159 - x;
                var low = 95 - y;
                var at =
                        switch (orientation) {
                            case 1 -> new int[] {x, y};
                            case 2 -> new int[] {left, y};
                            case 3 -> new int[] {left, low};
                            case 4 -> new int[] {x, low};
                            case 5 -> new int[] {y, x};
                            case 6 -> new int[] {y, left};
                            case 7 -> new int[] {low, left};
                            default -> new int[] {low, x};
                        };
                stored.setRGB(at[0], at[1], upright.getRGB(x, y));
            }
        }
        var item = upload(Pictures.withExif(Pictures.file(stored, "jpeg"), orientation))
                .json();
        var kept = original(item);
        assertThat(kept.getWidth()).isEqualTo(160);
        assertThat(kept.getRGB(80, 8) >> 8 & 0xFF).as("green above").isGreaterThan(200);
        assertThat(kept.getRGB(20, 80) >> 16 & 0xFF).as("red to the left").isGreaterThan(200);
        assertThat(kept.getRGB(140, 80) & 0xFF).as("blue to the right").isGreaterThan(200);
        var bytes = caller.get(site + "/media/" + item.get("mediaId").asLong() + "/original")
                .bytes();
        assertThat(new String(bytes, StandardCharsets.ISO_8859_1))
                .doesNotContain("SECRET PLACE")
                .doesNotContain("Exif");
    }

    @Test
    void whatIsNoWholePictureIsRefusedAndNothingIsStored() {
        var jpeg = Pictures.file(Pictures.flag(600, 400), "jpeg");
        var png = Pictures.file(Pictures.flag(600, 400), "png");
        var broken = png.clone();
        Arrays.fill(broken, 60, broken.length - 80, (byte) 7);
        refused("no PNG, JPEG or WebP", "hello".getBytes(StandardCharsets.US_ASCII));
        refused("no PNG, JPEG or WebP", new byte[0]);
        refused("no PNG, JPEG or WebP", Pictures.SVG.getBytes(StandardCharsets.UTF_8));
        refused("ends before the picture does", Arrays.copyOf(jpeg, jpeg.length / 2));
        refused("ends before the picture does", Arrays.copyOf(png, png.length - 30));
        refused("damaged", broken);
        refused("40000 × 40000 pixels", Pictures.bomb());
        assertThat(items().isEmpty()).isTrue();
        assertThat(caller.get(site).json().get("revision").asInt()).isZero();
    }

    private void refused(String word, byte[] file) {
        var answer = upload(file);
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.text()).contains(word);
    }

    /** Half a gigabyte, never held: the sender makes it as it goes, and the server stops at its limit. */
    @Test
    void aFileOfHalfAGigabyteIsRefused() {
        var endless = BodyPublishers.ofInputStream(() -> new InputStream() {
            private long left = 500L * 1024 * 1024;

            @Override
            public int read() {
                return left-- > 0 ? 0xFF : -1;
            }

            @Override
            public int read(byte[] into, int from, int count) {
                var n = (int) Math.min(count, left);
                left -= n;
                return n <= 0 ? -1 : n;
            }
        });
        var answer = caller.upload(site + "/board/pictures?name=huge", "image/png", endless);
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.text()).contains("larger than 64 MiB");
        assertThat(items().isEmpty()).isTrue();
    }

    private long lay() {
        return upload(Pictures.file(Pictures.flag(300, 200), "png"))
                .json()
                .get("id")
                .asLong();
    }

    @Test
    void thingsAreMovedLockedOrderedGroupedAndTakenOffAndAllOfItUndone() {
        var first = lay();
        var second = lay();
        var note = caller.post(
                site + "/board/items",
                "{\"kind\":\"NOTE\",\"text\":\"Look at the tiles\",\"lie\":{\"x\":0,\"y\":0,\"width\":200,\"height\":80,\"turn\":0,\"flipped\":false,\"crop\":[0,0,1,1]}}");
        assertThat(note.status()).as(note.text()).isEqualTo(201);
        var moved = caller.call(
                "PATCH",
                site + "/board/items",
                "{\"does\":\"Move\",\"items\":[{\"id\":" + first
                        + ",\"locked\":true,\"grey\":true,\"lie\":{\"x\":700,\"y\":5,\"width\":240,\"height\":80,\"turn\":15,\"flipped\":true,\"crop\":[0.1,0,0.9,1]}}]}",
                null);
        assertThat(moved.status()).as(moved.text()).isEqualTo(204);
        assertThat(caller.post(site + "/board/order", "{\"ids\":[" + first + "],\"front\":true}")
                        .status())
                .isEqualTo(204);
        assertThat(caller.post(site + "/board/groups", "{\"ids\":[" + first + "," + second + "],\"together\":true}")
                        .status())
                .isEqualTo(204);
        var item = items().valueStream()
                .filter(i -> i.get("id").asLong() == first)
                .findFirst()
                .orElseThrow();
        assertThat(item.get("turn").asDouble()).isEqualTo(15);
        assertThat(item.get("locked").asBoolean()).isTrue();
        assertThat(items().get(2).get("id").asLong()).as("in front").isEqualTo(first);
        assertThat(items().valueStream()
                        .map(i -> i.get("groupId").asLong())
                        .filter(g -> g != 0)
                        .distinct())
                .hasSize(1);
        assertThat(caller.post(site + "/board/removals", "{\"ids\":[" + first + "," + second + "]}")
                        .status())
                .isEqualTo(204);
        assertThat(items().size()).isEqualTo(1);
        for (var i = 0; i < 7; i++) {
            assertThat(caller.post(site + "/undo", null).status()).isEqualTo(200);
        }
        assertThat(items().isEmpty()).isTrue();
        for (var i = 0; i < 6; i++) {
            caller.post(site + "/redo", null);
        }
        assertThat(items().size()).isEqualTo(3);
        assertThat(caller.get(site + "/media/" + item.get("mediaId").asLong() + "/original")
                        .status())
                .isEqualTo(200);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"x\":1e300,\"y\":0,\"width\":1,\"height\":1,\"turn\":0,\"flipped\":false,\"crop\":[0,0,1,1]}",
                "{\"x\":0,\"y\":0,\"width\":0,\"height\":1,\"turn\":0,\"flipped\":false,\"crop\":[0,0,1,1]}",
                "{\"x\":0,\"y\":0,\"width\":9,\"height\":9,\"turn\":0,\"flipped\":false,\"crop\":[0.5,0,0.5,1]}",
                "{\"x\":0,\"y\":0,\"width\":9,\"height\":9,\"turn\":0,\"flipped\":false,\"crop\":[0,0,1]}",
                "{\"x\":\"NaN\",\"y\":0,\"width\":9,\"height\":9,\"turn\":0,\"flipped\":false,\"crop\":[0,0,1,1]}"
            })
    void anOddPlaceIsRefused(String lie) {
        var answer = caller.post(site + "/board/items", "{\"kind\":\"NOTE\",\"text\":\"\",\"lie\":" + lie + "}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
    }

    @Test
    void aCopiedSiteHasItsOwnBoard() {
        var picture = lay();
        var copy = "/api/sites/"
                + caller.post(site + "/copies", "{\"name\":\"Twin\"}")
                        .json()
                        .get("id")
                        .asLong();
        var twin = caller.get(copy + "/board").json().get("items").get(0);
        assertThat(twin.get("id").asLong()).isNotEqualTo(picture);
        assertThat(caller.get(copy + "/media/" + twin.get("mediaId").asLong() + "/preview")
                        .status())
                .isEqualTo(200);
        assertThat(caller.get(copy + "/media/" + items().get(0).get("mediaId").asLong() + "/preview")
                        .status())
                .as("the other site's")
                .isEqualTo(404);
        var path = "/media/" + twin.get("mediaId").asLong() + "/preview";
        assertThat(caller.call("DELETE", copy, null, null).status()).isEqualTo(204);
        assertThat(caller.get(copy + path).status())
                .as("of a site that is gone")
                .isEqualTo(404);
    }
}
