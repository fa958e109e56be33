package hausbau.core.light;

import java.util.List;
import java.util.stream.Stream;

/**
 * The sun, or what is set up in its place.
 *
 * @param latitude  degrees north, -90 to 90
 * @param dayOfYear 1 to 365
 * @param hour      of the day by mean solar time, 0 to 24
 * @param north     bearing of true north in the plan, degrees clockwise from up the sheet
 * @param bearing   where a light that is set stands, degrees clockwise from up the sheet, @param altitude above the horizon
 * @param lux       what a light that is set gives on a surface that faces it, 0 to 200 000; the three lights together
 * @param kelvin    its colour, 1700 to 20 000
 * @param degrees   how large the sun looks, 0 to 10; it is 0.53 on earth
 */
public record Sunlight(
        Kind kind,
        double latitude,
        int dayOfYear,
        double hour,
        double north,
        double bearing,
        double altitude,
        double lux,
        double kelvin,
        double degrees) {

    /** What there may be. */
    public enum Kind {
        NONE,
        /** As the hour, the day and the latitude have it, through clear air. */
        BY_TIME,
        /** Where and as strong as it is set. */
        SET,
        /** From before and to one side, from the other side, and from behind. */
        THREE_LIGHTS
    }

    public Sunlight {
        var check = new Range("sun");
        check.within("latitude", latitude, -90, 90);
        check.within("dayOfYear", dayOfYear, 1, 365);
        check.within("hour", hour, 0, 24);
        check.within("north", north, -360, 360);
        check.within("bearing", bearing, -360, 360);
        check.within("altitude", altitude, -90, 90);
        check.within("lux", lux, 0, 200_000);
        check.within("kelvin", kelvin, 1700, 20_000);
        check.within("degrees", degrees, 0, 10);
        check.refuse();
    }

    /** Light that comes from so far that it is parallel. @param lux on a surface that faces it */
    public record Beam(Sun toward, Rgb lux) {}

    /** Of the three lights, each one's share of the whole: key, fill and back, common practice, no source. */
    private static final double[] SHARES = {0.5, 0.3, 0.2};

    /** Where the sky takes the sun to stand. */
    Sun sun() {
        return kind == Kind.BY_TIME
                ? Sun.at(latitude, dayOfYear, hour, north)
                : Sun.toward(bearing, kind == Kind.NONE ? 45 : altitude);
    }

    /** The first one casts shadows. */
    List<Beam> beams() {
        return switch (kind) {
            case NONE -> List.of();
            case BY_TIME -> above(sun(), throughClearAir(sun()));
            case SET -> above(sun(), lux);
            case THREE_LIGHTS ->
                Stream.of(
                                beam(Sun.toward(bearing, altitude), lux * SHARES[0]),
                                beam(Sun.toward(bearing + 100, altitude / 2), lux * SHARES[1]),
                                beam(Sun.toward(bearing + 200, altitude), lux * SHARES[2]))
                        .toList();
        };
    }

    private List<Beam> above(Sun sun, double onFacing) {
        return sun.z() > 0 ? List.of(beam(sun, onFacing)) : List.of();
    }

    private Beam beam(Sun toward, double onFacing) {
        return new Beam(toward, Rgb.ofKelvin(kelvin).times(onFacing));
    }

    /** 128 klx outside of the air, less by an extinction of 0.21 for each air mass of a clear sky (IES, Recommended Practice RP-21; from memory). */
    static double throughClearAir(Sun sun) {
        return sun.z() <= 0 ? 0 : 128_000 * Math.exp(-0.21 / sun.z());
    }
}
