package hausbau.demo;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.place.Standing;
import hausbau.server.HausbauServer;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Aggregate;
import hausbau.server.store.Stores;
import hausbau.server.work.site.SiteFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.JdbcTemplate;

/** The file that {@code ./hausbau demo} loads holds the sites that this module makes. */
@SpringBootTest(
        classes = {
            HausbauServer.class,
            DemoSites.class,
            DemoBoard.class,
            DemoDressing.class,
            DemoEstates.class,
            DemoKit.class,
            DemoLight.class
        },
        webEnvironment = SpringBootTest.WebEnvironment.NONE)
class DemoTest {

    @Autowired
    DemoSites demo;

    @Autowired
    SiteFile files;

    @Autowired
    Sets sets;

    @Autowired
    Stores stores;

    @Autowired
    JdbcTemplate jdbc;

    /** The tests of the server may have left sites of these names. */
    @BeforeEach
    @AfterEach
    void noSites() {
        jdbc.update("delete from site where name in ('Ottersteg Baths', 'Sperling Arcade', 'Stress Terrace')");
    }

    @Test
    void theFileHoldsTheSitesThatAreMadeHere() throws IOException {
        var made = demo.make();
        var written = Path.of("target/sites.zip");
        try (var out = Files.newOutputStream(written)) {
            files.write(made, out);
        }
        var kept = Path.of("sites.zip");
        assertThat(kept).as("cp demo/target/sites.zip demo/sites.zip").exists();
        noNames(made);
        List<Long> loaded;
        try (var in = Files.newInputStream(kept)) {
            loaded = files.load(in);
        }
        assertThat(loaded).as("cp demo/target/sites.zip demo/sites.zip").hasSameSizeAs(made);
        for (var i = 0; i < made.size(); i++) {
            var file = sets.current(loaded.get(i));
            var code = sets.current(made.get(i));
            assertThat(rows(file.siteId()))
                    .as("rows in demo/sites.zip against what is made: cp demo/target/sites.zip demo/sites.zip")
                    .isEqualTo(rows(code.siteId()));
            assertThat(stands(file))
                    .as("what stands by demo/sites.zip: cp demo/target/sites.zip demo/sites.zip")
                    .isEqualTo(stands(code));
        }
        jdbc.update("delete from site where id = any (?)", (Object) made.toArray(Long[]::new));
    }

    /** So that those of the file, which have the same names, are loaded beside them. */
    private void noNames(List<Long> sites) {
        sites.forEach(id -> jdbc.update("update site set name = name || ' as made' where id = ?", id));
    }

    private Map<String, Integer> rows(long site) {
        return Arrays.stream(Aggregate.values())
                .filter(a -> a != Aggregate.SITE)
                .collect(Collectors.toMap(
                        Aggregate::table,
                        a -> jdbc.queryForObject(
                                "select count(*) from " + a.table() + " where site_id = ?", Integer.class, site),
                        (a, b) -> a,
                        TreeMap::new));
    }

    /** How often each piece stands as it does; places carry ids, which differ. */
    private static Map<String, Long> stands(SiteState state) {
        return state.set().all().stream()
                .collect(Collectors.groupingBy(s -> standing(state, s), TreeMap::new, Collectors.counting()));
    }

    private static String standing(SiteState state, Standing s) {
        return state.piece(state.id(s.kind())).code() + " " + s.stance();
    }
}
