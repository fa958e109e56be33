package hausbau.core.finish;

import hausbau.core.finish.Coat.Bond;
import hausbau.core.finish.Coat.Grain;
import hausbau.core.shape.Swatch;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/** One set of finishes for a kit: a coat for swatches that have a sheet of their own; what is not told is as usual. */
public record Colourway(Map<Swatch, Coat> coats) {

    private static final Map<Swatch, Coat> USUAL = Map.of(
            Swatch.PLASTER,
                    new Coat(
                            Grain.PLASTER,
                            "#e2ddcf",
                            "#b9ae97",
                            1_000_000,
                            1_000_000,
                            0,
                            Bond.STACKED,
                            5,
                            800,
                            92,
                            0,
                            0,
                            1),
            Swatch.STONE,
                    new Coat(
                            Grain.STONE,
                            "#b9b3a6",
                            "#8b8579",
                            1_000_000,
                            1_000_000,
                            0,
                            Bond.STACKED,
                            12,
                            500,
                            80,
                            0,
                            0,
                            2),
            Swatch.TILE,
                    new Coat(
                            Grain.TILES,
                            "#c9d6cd",
                            "#8f8c80",
                            125_000,
                            125_000,
                            4_000,
                            Bond.STACKED,
                            5,
                            1_500,
                            22,
                            0,
                            0,
                            3),
            Swatch.TERRAZZO,
                    new Coat(
                            Grain.TERRAZZO,
                            "#c8bfae",
                            "#6f6358",
                            40_000,
                            40_000,
                            0,
                            Bond.STACKED,
                            30,
                            100,
                            38,
                            0,
                            0,
                            4),
            Swatch.TIMBER,
                    new Coat(
                            Grain.BOARDS,
                            "#9a6b42",
                            "#5b3b22",
                            2_000_000,
                            125_000,
                            3_000,
                            Bond.HALF,
                            14,
                            1_200,
                            62,
                            0,
                            0,
                            5),
            Swatch.PAINT,
                    new Coat(
                            Grain.PLAIN,
                            "#3f6b63",
                            "#2c2a26",
                            1_000_000,
                            1_000_000,
                            0,
                            Bond.STACKED,
                            4,
                            200,
                            45,
                            0,
                            0,
                            6),
            Swatch.METAL,
                    new Coat(
                            Grain.METAL,
                            "#6d7173",
                            "#7a4a2b",
                            1_000_000,
                            1_000_000,
                            0,
                            Bond.STACKED,
                            8,
                            200,
                            46,
                            90,
                            0,
                            7),
            Swatch.OPAL,
                    new Coat(
                            Grain.GLASS,
                            "#f3efe2",
                            "#d8cfb4",
                            1_000_000,
                            1_000_000,
                            0,
                            Bond.STACKED,
                            3,
                            0,
                            18,
                            0,
                            0,
                            8));
    private static final Coat OWN =
            new Coat(Grain.PLAIN, "#d8d4ca", "#b9ae97", 1_000_000, 1_000_000, 0, Bond.STACKED, 0, 0, 80, 0, 0, 9);

    public Colourway {
        coats = Collections.unmodifiableMap(new TreeMap<>(coats));
        coats.keySet().forEach(Colourway::requireCoated);
    }

    /** What a site has before anything was told. Looks to begin from; common practice, no source. */
    public static Colourway usual() {
        return new Colourway(Map.of());
    }

    /** @throws IllegalArgumentException if it has no sheet of its own */
    public Coat coat(Swatch swatch) {
        requireCoated(swatch);
        return coats.getOrDefault(swatch, USUAL.getOrDefault(swatch, OWN));
    }

    private static void requireCoated(Swatch swatch) {
        if (!swatch.isCoated()) {
            throw new IllegalArgumentException(swatch + " has no coat");
        }
    }
}
