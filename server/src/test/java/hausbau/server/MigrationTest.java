package hausbau.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import tools.jackson.databind.JsonNode;

/** A database as version 4 left it, filled; this version takes it over and loses nothing that a person did. */
class MigrationTest {

    private static final String URL = System.getenv("HAUSBAU_DB_URL");
    private static final String USER = System.getenv().getOrDefault("HAUSBAU_DB_USER", "hausbau");
    private static final String PASSWORD = System.getenv("SPRING_DATASOURCE_PASSWORD");

    private static DriverManagerDataSource database(String url) {
        return new DriverManagerDataSource(url, USER, PASSWORD);
    }

    /**
     * A room of 4 × 3 m built from metres, as version 4 kept it: derived rows, one of them pinned by a hand 0.3 m up, a post
     * taken away, a bench set down; the journal has these three edits. Only some of the derived rows are written out.
     */
    private static final String FILLED =
            """
            insert into site values (1, 'Old baths', 'METRE', 100000, 200000, 3000000, 256, false, '{1000000}', 200000, 4000000, 9, 3, now(), 3, 6);
            insert into room values (7, 1, 'Hall', 0, 0, 0, 4000000, 3000000, 3000000);
            insert into piece values (11, 1, 'WAL-1000', 'wall 1 m', 'WALL', 'WALL', 'FACE_START', 1000000, 200000, 3000000, 0, 0, 0, 0),
                (12, 1, 'POS-200', 'corner post', 'POST', 'POST', 'BASE_CENTRE', 200000, 200000, 3000000, 0, 0, 0, 0),
                (13, 1, 'PRP-BENCH', 'bench', 'PROP', 'BENCH', 'BASE_CENTRE', 1600000, 450000, 450000, 0, 0, 0, 0),
                (14, 1, 'PRP-TILL', 'till', 'PROP', 'STAND_IN', 'BASE_CENTRE', 900000, 600000, 1200000, 0, 0, 0, 0);
            insert into placement values
                (21, 1, 11, 0, 3000000, 0, 0, false, 0, false, 'MASSING', false, false, 'room/7/north/0', 0, 3000000, 1000000, 3200000),
                (22, 1, 11, 1000000, 3000000, 300000, 0, false, 0, false, 'MASSING', true, false, 'room/7/north/1000000', 1000000, 3000000, 2000000, 3200000),
                (23, 1, 11, 4000000, 0, 0, 2, false, 0, false, 'MASSING', false, false, 'room/7/south/0', 3000000, -200000, 4000000, 0),
                (24, 1, 13, 2000000, 1500000, 0, 1, false, 0, false, 'HAND', false, false, '', 1775000, 700000, 2225000, 2300000);
            insert into omission values (31, 1, 'room/7/post/north-west');
            insert into listed_piece values (41, 1, 'PRP-TILL', 'till', 'PROP', 900000, 600000, 1200000, 1, 'MAKE', 'STAND_IN', 1, 8, true, '', 14, 0, '{}');
            insert into stage_time values (1, 3, 1234);
            insert into journal values (1, 1, 'Set down PRP-BENCH', '[{"table":"PLACEMENT","id":24,"before":null,"after":{"id":24,"siteId":1,"pieceId":13,"xUm":2000000,"yUm":1500000,"zUm":0,"quarterTurns":1,"mirrored":false,"freeDegrees":0.0,"free":false,"origin":"HAND","pinned":false,"stray":false,"source":"","xMin":0,"yMin":0,"xMax":0,"yMax":0}}]', now()),
                (1, 2, 'Move WAL-1000', '[{"table":"PLACEMENT","id":22,"before":{"id":22,"siteId":1,"pieceId":11,"xUm":1000000,"yUm":3000000,"zUm":0,"quarterTurns":0,"mirrored":false,"freeDegrees":0.0,"free":false,"origin":"MASSING","pinned":false,"stray":false,"source":"room/7/north/1000000","xMin":0,"yMin":0,"xMax":0,"yMax":0},"after":{"id":22,"siteId":1,"pieceId":11,"xUm":1000000,"yUm":3000000,"zUm":300000,"quarterTurns":0,"mirrored":false,"freeDegrees":0.0,"free":false,"origin":"MASSING","pinned":true,"stray":false,"source":"room/7/north/1000000","xMin":0,"yMin":0,"xMax":0,"yMax":0}}]', now()),
                (1, 3, 'Take away POS-200', '[{"table":"OMISSION","id":31,"before":null,"after":{"id":31,"siteId":1,"source":"room/7/post/north-west"}},{"table":"PLACEMENT","id":25,"before":{"id":25,"siteId":1,"pieceId":12,"xUm":-100000,"yUm":3100000,"zUm":0,"quarterTurns":0,"mirrored":false,"freeDegrees":0.0,"free":false,"origin":"MASSING","pinned":false,"stray":false,"source":"room/7/post/north-west","xMin":0,"yMin":0,"xMax":0,"yMax":0},"after":null}]', now());
            select setval('hausbau_id', 1001);
            """;

    @Test
    void whatHandsDidInVersionFourStandsAndCanBeUndone() {
        var admin = new JdbcTemplate(database(URL));
        admin.execute("drop database if exists hausbau_migration with (force)");
        admin.execute("create database hausbau_migration");
        var url = URL.replaceAll("/[^/]+$", "/hausbau_migration");
        Flyway.configure()
                .dataSource(url, USER, PASSWORD)
                .locations("classpath:db/migration")
                .target("4")
                .load()
                .migrate();
        new JdbcTemplate(database(url)).execute(FILLED);
        try (var server = new SpringApplicationBuilder(HausbauServer.class)
                .run("--server.port=0", "--spring.datasource.url=" + url, "--spring.jmx.enabled=false")) {
            check(new Caller(
                    ((WebServerApplicationContext) server).getWebServer().getPort()));
        } finally {
            admin.execute("drop database if exists hausbau_migration with (force)");
        }
    }

    private static Map<String, JsonNode> standing(Caller caller) {
        return caller.get("/api/sites/1/placements")
                .json()
                .valueStream()
                .collect(Collectors.toMap(p -> p.get("id").asString(), Function.identity()));
    }

    private static void check(Caller caller) {
        var moved = "room.7.north.1000000.1000000";
        // 14 walls, 4 posts, 12 + 12 tiles less the post that was taken away, and the bench.
        assertThat(standing(caller)).hasSize(14 + 3 + 24 + 1);
        assertThat(standing(caller).get(moved).get("departed").asBoolean()).isTrue();
        assertThat(standing(caller).get(moved).get("atMm").get("z").asInt()).isEqualTo(300);
        assertThat(standing(caller).get("hand.24").get("quarterTurns").asInt()).isEqualTo(1);
        assertThat(standing(caller)).doesNotContainKey("room.7.post.north-west");
        assertThat(caller.get("/api/sites/1/departures").json().valueStream().noneMatch(d -> d.get("lost")
                        .asBoolean()))
                .isTrue();
        // Codes stay with the pieces that had them; a stand-in is in the kit because the list speaks of it.
        var kit = caller.get("/api/sites/1/pieces")
                .json()
                .valueStream()
                .collect(Collectors.toMap(
                        p -> p.get("code").asString(), p -> p.get("id").asLong()));
        assertThat(kit)
                .containsEntry("WAL-1000", 11L)
                .containsEntry("PRP-BENCH", 13L)
                .containsEntry("PRP-TILL", 14L);
        assertThat(caller.get("/api/sites/1/materials").json().valueStream().map(m -> m.get("name")
                        .asString()))
                .containsExactly("plaster", "stone", "timber", "metal", "opal", "tile", "terrazzo", "paint", "shared");
        assertThat(caller.get("/api/sites/1/brief")
                        .json()
                        .get("spentSeconds")
                        .get(3)
                        .asInt())
                .isEqualTo(1234);
        assertThat(caller.get("/api/sites/1").json().get("undo").asString()).isEqualTo("Take away POS-200");
        assertThat(caller.post("/api/sites/1/undo", null).status()).isEqualTo(200);
        assertThat(standing(caller)).containsKey("room.7.post.north-west");
        assertThat(caller.post("/api/sites/1/undo", null).status()).isEqualTo(200);
        assertThat(standing(caller).get(moved).get("atMm").get("z").asInt()).isZero();
        assertThat(caller.post("/api/sites/1/undo", null).status()).isEqualTo(200);
        assertThat(standing(caller)).hasSize(42).doesNotContainKey("hand.24");
        for (var i = 0; i < 3; i++) {
            assertThat(caller.post("/api/sites/1/redo", null).status()).isEqualTo(200);
        }
        assertThat(standing(caller)).hasSize(42).containsKey("hand.24").doesNotContainKey("room.7.post.north-west");
    }
}
