package hausbau.server.store.light;

import hausbau.core.light.Air;
import hausbau.core.light.Exposure;
import hausbau.core.light.Mood;
import hausbau.core.light.Sky;
import hausbau.core.light.Sunlight;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * A mood in words, as it is kept and as it is told over HTTP; in a change, what is not told stays.
 *
 * @param turbidity    of a clear sky, 2 to 10, @param skyLux of an overcast one or a gradient on level ground
 * @param north        bearing of true north, degrees clockwise from up the sheet, as @param bearing of a light that is set
 * @param sunLux       of a light that is set, on what faces it, @param kelvin and its colour
 * @param sunDegrees   how large the sun looks
 * @param visibilityM  how far one sees, metres; 0: as far as there is
 * @param airHeightM   over which the air thins to 37 %; 0: it does not
 * @param patchiness   of the air, percent, @param shafts how much of the sun's light in it is seen, percent
 * @param ev           at ISO 100, @param white what light is seen as white, kelvin
 * @param contrast     percent, as @param saturation, @param vignette, @param grain and @param bloom, and @param lamps how bright the lamps of pieces are
 */
public record MoodWords(
        Sky.@Nullable Kind sky,
        @Nullable Double turbidity,
        @Nullable Double skyLux,
        @Nullable String zenith,
        @Nullable String horizon,
        @Nullable String ground,
        Sunlight.@Nullable Kind sun,
        @Nullable Double latitude,
        @Nullable Integer dayOfYear,
        @Nullable Double hour,
        @Nullable Double north,
        @Nullable Double bearing,
        @Nullable Double altitude,
        @Nullable Double sunLux,
        @Nullable Double kelvin,
        @Nullable Double sunDegrees,
        @Nullable Double visibilityM,
        @Nullable Double airHeightM,
        @Nullable String air,
        @Nullable Integer patchiness,
        @Nullable Integer shafts,
        @Nullable Double ev,
        @Nullable Integer contrast,
        @Nullable Integer saturation,
        @Nullable Integer vignette,
        @Nullable Integer grain,
        @Nullable Integer bloom,
        @Nullable Double white,
        @Nullable Integer lamps) {

    /** Tells nothing: all stays. */
    public static final MoodWords NOTHING = new MoodWords(
            null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null,
            null, null, null, null, null, null, null, null, null, null, null);

    public static MoodWords of(Mood mood) {
        var sky = mood.sky();
        var sun = mood.sun();
        var air = mood.air();
        var exposure = mood.exposure();
        return new MoodWords(
                sky.kind(),
                sky.turbidity(),
                sky.lux(),
                sky.zenith(),
                sky.horizon(),
                sky.ground(),
                sun.kind(),
                sun.latitude(),
                sun.dayOfYear(),
                sun.hour(),
                sun.north(),
                sun.bearing(),
                sun.altitude(),
                sun.lux(),
                sun.kelvin(),
                sun.degrees(),
                air.visibility(),
                air.height(),
                air.colour(),
                air.patchiness(),
                air.shafts(),
                exposure.ev(),
                exposure.contrast(),
                exposure.saturation(),
                exposure.vignette(),
                exposure.grain(),
                exposure.bloom(),
                exposure.white(),
                mood.lamps());
    }

    /** @throws Refused naming all that is out of range, by the names it has here */
    public Mood over(Mood standing) {
        var faults = new ArrayList<Fault>();
        var was = standing.sky();
        var newSky = part(
                faults,
                "",
                () -> new Sky(
                        or(sky, was.kind()),
                        or(turbidity, was.turbidity()),
                        or(skyLux, was.lux()),
                        or(zenith, was.zenith()),
                        or(horizon, was.horizon()),
                        or(ground, was.ground())));
        var old = standing.sun();
        var newSun = part(
                faults,
                "sun",
                () -> new Sunlight(
                        or(sun, old.kind()),
                        or(latitude, old.latitude()),
                        or(dayOfYear, old.dayOfYear()),
                        or(hour, old.hour()),
                        or(north, old.north()),
                        or(bearing, old.bearing()),
                        or(altitude, old.altitude()),
                        or(sunLux, old.lux()),
                        or(kelvin, old.kelvin()),
                        or(sunDegrees, old.degrees())));
        var before = standing.air();
        var newAir = part(
                faults,
                "air",
                () -> new Air(
                        or(visibilityM, before.visibility()),
                        or(airHeightM, before.height()),
                        or(air, before.colour()),
                        or(patchiness, before.patchiness()),
                        or(shafts, before.shafts())));
        var held = standing.exposure();
        var newExposure = part(
                faults,
                "",
                () -> new Exposure(
                        or(ev, held.ev()),
                        or(contrast, held.contrast()),
                        or(saturation, held.saturation()),
                        or(vignette, held.vignette()),
                        or(grain, held.grain()),
                        or(bloom, held.bloom()),
                        or(white, held.white())));
        if (!faults.isEmpty() || newSky == null || newSun == null || newAir == null || newExposure == null) {
            throw new Refused(faults);
        }
        return new Mood(newSky, newSun, newAir, newExposure, or(lamps, standing.lamps()));
    }

    private static <P> @Nullable P part(List<Fault> faults, String part, Supplier<P> make) {
        try {
            return make.get();
        } catch (Refused e) {
            e.faults().forEach(f -> faults.add(new Fault(wordFor(part, f.field()), f.message())));
            return null;
        }
    }

    /** What a field of a part is called here. */
    private static String wordFor(String part, String field) {
        return switch (part + "." + field) {
            case ".lux" -> "skyLux";
            case "sun.lux" -> "sunLux";
            case "sun.degrees" -> "sunDegrees";
            case "air.visibility" -> "visibilityM";
            case "air.height" -> "airHeightM";
            case "air.colour" -> "air";
            default -> field;
        };
    }

    private static <V> V or(@Nullable V told, V standing) {
        return told == null ? standing : told;
    }
}
