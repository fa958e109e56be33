package hausbau.demo;

import hausbau.server.journal.Seen;
import hausbau.server.store.Millimetres;
import hausbau.server.store.light.MoodWords;
import hausbau.server.work.light.MoodService;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The light that the demo sites are seen in. */
@Component
class DemoLight {

    private static final Seen NOT_TOLD = Seen.NOT_TOLD;

    private final MoodService moods;

    DemoLight(MoodService moods) {
        this.moods = moods;
    }

    /** By day, when the lamps are lit though the sun is in; at night; and abandoned, dust in the low sun. */
    void baths(long site) {
        add(
                site,
                "clear morning",
                "opened 1926",
                Map.of("hour", 10.5, "turbidity", 4.0, "lamps", 100, "ev", 10.5, "white", 5600));
        add(
                site,
                "night with lamps",
                "the last bathers",
                Map.of("ev", 6.8, "white", 3300, "visibilityM", 260, "air", "#c9c3b4", "bloom", 10));
        add(
                site,
                "low and warm",
                "closed 1974",
                Map.of(
                        "bearing",
                        205,
                        "altitude",
                        24,
                        "kelvin",
                        3600,
                        "visibilityM",
                        500,
                        "patchiness",
                        50,
                        "shafts",
                        160,
                        "lamps",
                        0,
                        "ev",
                        10.5,
                        "saturation",
                        88));
        seeEvenly(site);
    }

    /** Under its glass roof at noon, and in the evening when some of the shops are still lit. */
    void arcade(long site) {
        add(site, "overcast", "noon under glass", Map.of("skyLux", 18_000, "ev", 11, "lamps", 60));
        add(
                site,
                "night with lamps",
                "shops still lit",
                Map.of("ev", 7, "white", 3400, "skyLux", 40, "zenith", "#2c3a5c", "horizon", "#8a7a78", "bloom", 10));
        seeEvenly(site);
    }

    private void add(long site, String from, String name, Map<String, Object> words) {
        var id = moods.copy(site, NOT_TOLD, id(site, from));
        moods.change(site, id, NOT_TOLD, name, Millimetres.JSON.convertValue(words, MoodWords.class));
    }

    private long id(long site, String name) {
        return moods.all(site).stream()
                .filter(m -> m.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private void seeEvenly(long site) {
        moods.use(site, id(site, "even"), NOT_TOLD);
    }
}
