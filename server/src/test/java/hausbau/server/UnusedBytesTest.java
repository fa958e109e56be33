package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** Pictures are kept while something names them, be it only a step that can be taken back. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class UnusedBytesTest {

    /** Every so many revisions the server looks for what it may forget. */
    private static final int EVERY = 200;

    @LocalServerPort
    int port;

    @Autowired
    JdbcTemplate jdbc;

    private long site;
    private Caller caller;

    /** @return the number of the thing on the board, and of its picture */
    private long[] upload(String name) throws IOException {
        var answer = caller.upload(
                "/api/sites/" + site + "/board/pictures?name=" + name + "&x=0&y=0",
                "application/octet-stream",
                BodyPublishers.ofByteArray(Pictures.file(Pictures.flag(64, 64), "png")));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return new long[] {
            answer.json().get("id").asLong(), answer.json().get("mediaId").asLong()
        };
    }

    private int kept(long media) {
        return caller.get("/api/sites/" + site + "/media/" + media + "/original")
                .status();
    }

    /** Goes on until the server has looked. */
    private void goOn() {
        jdbc.update("update media set made_at = now() - interval '2 days' where site_id = ?", site);
        for (var i = 0; i <= EVERY; i++) {
            var answer = caller.call("PATCH", "/api/sites/" + site, "{\"name\":\"Pictures " + i + "\"}", null);
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        }
    }

    @Test
    void aPictureThatNothingNamesAnyMoreIsForgotten() throws IOException {
        caller = new Caller(port);
        site = caller.post("/api/sites", "{\"name\":\"Pictures\"}")
                .json()
                .get("id")
                .asLong();
        var stays = upload("stays")[1];
        var removed = upload("removed");
        assertThat(caller.post("/api/sites/" + site + "/board/removals", "{\"ids\":[" + removed[0] + "]}")
                        .status())
                .isLessThan(300);
        goOn();
        assertThat(kept(stays)).isEqualTo(200);
        assertThat(kept(removed[1])).as("its removal can be taken back").isEqualTo(200);

        jdbc.update("delete from journal where site_id = ?", site);
        goOn();
        assertThat(kept(stays)).isEqualTo(200);
        assertThat(kept(removed[1])).isEqualTo(404);
    }
}
