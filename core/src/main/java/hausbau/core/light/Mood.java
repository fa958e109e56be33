package hausbau.core.light;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A setting of light under which a set is judged.
 *
 * @param lamps how bright the lamps of its pieces are, percent: 0 is off, 200 at most
 */
public record Mood(Sky sky, Sunlight sun, Air air, Exposure exposure, int lamps) {

    public Mood {
        var check = new Range("mood");
        check.within("lamps", lamps, 0, 200);
        check.refuse();
    }

    private static final String SEEN_WHITE = "#e7ecee";

    /** What a site has before it has its own, under their names. */
    public static Map<String, Mood> usual() {
        var clear = new Air(0, 0, SEEN_WHITE);
        var clearSky = new Sky(Sky.Kind.CLEAR, 4.5, 15_000, "#8fb3d1", "#dfe8ea", "#8d867a");
        var moods = new LinkedHashMap<String, Mood>();
        moods.put(
                "even",
                new Mood(
                        new Sky(Sky.Kind.EVEN, 2.5, 10_000, "#8fb3d1", "#dfe8ea", "#8d867a"),
                        sun(Sunlight.Kind.NONE, 10, 0, 45, 0, 5500),
                        clear,
                        new Exposure(13, 100, 100, 0, Exposure.DAYLIGHT),
                        0));
        moods.put(
                "clear morning",
                new Mood(clearSky, sun(Sunlight.Kind.BY_TIME, 10, 0, 45, 0, 5500), clear, seen(14.6), 0));
        moods.put(
                "overcast",
                new Mood(
                        new Sky(Sky.Kind.OVERCAST, 6, 12_000, "#b9c0c4", "#d8dbda", "#8d867a"),
                        sun(Sunlight.Kind.NONE, 12, 0, 45, 0, 6500),
                        new Air(2_000, 0, "#d3d8da"),
                        seen(11.5),
                        100));
        moods.put(
                "low and warm",
                new Mood(
                        new Sky(Sky.Kind.CLEAR, 5, 8_000, "#8fb3d1", "#f0d2a8", "#8a7a66"),
                        sun(Sunlight.Kind.SET, 19, 285, 11, 32_000, 3000),
                        new Air(1_500, 0, "#efcfa6", 30, 100),
                        seen(13),
                        100));
        moods.put(
                "night with lamps",
                new Mood(
                        new Sky(Sky.Kind.GRADIENT, 2.5, 12, "#1d2c4a", "#41506a", "#55575c"),
                        sun(Sunlight.Kind.SET, 0, 215, 38, 6, 4600),
                        new Air(900, 0, "#3a4760"),
                        seen(6, 3200),
                        100));
        moods.put(
                "three lights",
                new Mood(
                        new Sky(Sky.Kind.GRADIENT, 2.5, 400, "#c9ced2", "#b9b6b0", "#777570"),
                        sun(Sunlight.Kind.THREE_LIGHTS, 12, 225, 40, 4_000, 4800),
                        clear,
                        seen(9.5),
                        0));
        return moods;
    }

    private static Exposure seen(double ev) {
        return seen(ev, Exposure.DAYLIGHT);
    }

    private static Exposure seen(double ev, double white) {
        return new Exposure(ev, 100, 100, 12, 0, 10, white);
    }

    /** At 48° north on the summer solstice. */
    private static Sunlight sun(
            Sunlight.Kind kind, double hour, double bearing, double altitude, double lux, double kelvin) {
        return new Sunlight(kind, 48, 172, hour, 0, bearing, altitude, lux, kelvin, 0.53);
    }

    /**
     * What it comes to, scaled by its exposure so that middle grey is 0.18.
     *
     * @param beams  parallel light, the first of which casts shadows
     * @param above  what the sky gives on what faces up, @param below what the ground throws on what faces down
     * @param dome   the sky from the horizon to the zenith in {@value #UP} rows of {@value #AROUND}, counter-clockwise from east
     * @param ground how bright it is, @param haze and the air
     */
    public record Lit(List<Sunlight.Beam> beams, Rgb above, Rgb below, List<Rgb> dome, Rgb ground, Rgb haze) {}

    public static final int AROUND = 48;
    public static final int UP = 16;

    /** Whether it is for judging shape alone. */
    public boolean isEven() {
        return sky.kind() == Sky.Kind.EVEN;
    }

    public Lit lit() {
        var scale = exposure.scale();
        var around = around();
        var dome = around.dome();
        var beams = around.beams();
        var above = onLevelGround(dome);
        var whole = onLevelGround(beams, dome);
        var below = whole.times(Rgb.of(sky.ground()));
        return new Lit(
                beams.stream()
                        .map(b -> new Sunlight.Beam(b.toward(), b.lux().times(scale)))
                        .toList(),
                above.times(scale),
                below.times(scale),
                seen(dome, scale),
                below.times(scale / Math.PI),
                // Air in its colour is as bright as what lights it all around.
                Rgb.of(air.colour()).times(whole.luminance() * scale / Math.PI));
    }

    /**
     * What it comes to as it is, whatever the exposure: lux and cd/m².
     *
     * @param dome   the sky above the horizon, @param ground and how bright what lies below it is
     */
    public record Around(List<Sunlight.Beam> beams, Sky.Dome dome, Rgb ground) {

        /** How bright it is that way, one long, where nothing is in between. */
        public Rgb from(double x, double y, double z) {
            return z < 0 ? ground : dome.at(x, y, z);
        }
    }

    public Around around() {
        var dome = sky.dome(sun.sun());
        var beams = isEven() ? List.<Sunlight.Beam>of() : sun.beams();
        return new Around(
                beams,
                dome,
                onLevelGround(beams, dome).times(Rgb.of(sky.ground())).times(1 / Math.PI));
    }

    private static Rgb onLevelGround(List<Sunlight.Beam> beams, Sky.Dome dome) {
        var whole = onLevelGround(dome);
        for (var beam : beams) {
            whole = whole.plus(beam.lux().times(Math.max(0, beam.toward().z())));
        }
        return whole;
    }

    private static List<Rgb> seen(Sky.Dome dome, double scale) {
        var seen = new ArrayList<Rgb>();
        for (var row = 0; row < UP; row++) {
            var altitude = Math.PI / 2 * row / (UP - 1);
            for (var i = 0; i < AROUND; i++) {
                var turn = 2 * Math.PI * i / AROUND;
                seen.add(dome.at(
                                Math.cos(altitude) * Math.cos(turn),
                                Math.cos(altitude) * Math.sin(turn),
                                Math.sin(altitude))
                        .times(scale));
            }
        }
        return seen;
    }

    /** What a sky gives on what faces up, lux: by the rule of midpoints over bands of equal sine squared, so that each counts the same. */
    static Rgb onLevelGround(Sky.Dome dome) {
        var bands = 64;
        var sectors = 96;
        var sum = Rgb.NONE;
        for (var i = 0; i < bands; i++) {
            var flat = Math.sqrt((i + 0.5) / bands);
            for (var j = 0; j < sectors; j++) {
                var turn = 2 * Math.PI * (j + 0.5) / sectors;
                sum = sum.plus(dome.at(flat * Math.cos(turn), flat * Math.sin(turn), Math.sqrt(1 - flat * flat)));
            }
        }
        return sum.times(Math.PI / (bands * sectors));
    }
}
