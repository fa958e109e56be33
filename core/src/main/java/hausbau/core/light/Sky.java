package hausbau.core.light;

/**
 * The sky that lights a set.
 *
 * @param turbidity how hazy a clear sky is, 2 to 10: 2 is the clearest, 6 is hazy
 * @param lux       what an overcast sky or a gradient gives on level ground, 0 to 200 000
 * @param zenith    colour of a gradient overhead, #rrggbb, @param horizon and where it ends
 * @param ground    how much of each colour the ground throws back
 */
public record Sky(Kind kind, double turbidity, double lux, String zenith, String horizon, String ground) {

    /** What skies there are. */
    public enum Kind {
        /** For judging shape: light from all around, no sky at all. */
        EVEN,
        /** By Preetham, Shirley and Smits, A Practical Analytic Model for Daylight (1999). */
        CLEAR,
        /** By the CIE: the zenith three times as bright as the horizon. */
        OVERCAST,
        /** From one colour to another. */
        GRADIENT
    }

    public Sky {
        var check = new Range("sky");
        check.within("turbidity", turbidity, 2, 10);
        check.within("lux", lux, 0, 200_000);
        check.colour("zenith", zenith);
        check.colour("horizon", horizon);
        check.colour("ground", ground);
        check.refuse();
    }

    /** Luminances of a sky in all directions above the horizon. */
    public interface Dome {
        /** @param x, y and z toward a place of the sky, of length 1, z not below 0 */
        Rgb at(double x, double y, double z);
    }

    /** @param sun where it stands; a clear sky is brightest about it, and dims as it sinks */
    Dome dome(Sun sun) {
        return switch (kind) {
            case EVEN -> (x, y, z) -> Rgb.NONE;
            case CLEAR -> clear(sun);
            // Of a zenith of 1 it gives 7π/9 on level ground (CIE S 011, ISO 15469).
            case OVERCAST -> (x, y, z) -> Rgb.grey(lux * 9 / (7 * Math.PI) * (1 + 2 * z) / 3);
            case GRADIENT -> gradient();
        };
    }

    private Dome gradient() {
        var from = Rgb.of(horizon);
        var to = Rgb.of(zenith);
        // Level ground gets two thirds of its light, by area and slant, from where the mix is z.
        var mean = from.toward(to, 2.0 / 3).luminance() * Math.PI;
        var factor = mean == 0 ? 0 : lux / mean;
        return (x, y, z) -> from.toward(to, z).times(factor);
    }

    /** The sun's altitude below which a clear sky only dims, degrees: the model is none of twilight. */
    private static final double LOWEST = 1;

    /** In twilight illuminance falls to a tenth with so many degrees: 400 lx at sunset, 3.4 at 6° below; common practice, no source. */
    private static final double TENTH = 2.9;

    private Dome clear(Sun sun) {
        var altitude = Math.toDegrees(Math.asin(cosine(sun.z())));
        var dim = altitude >= LOWEST ? 1 : Math.pow(10, (altitude - LOWEST) / TENTH);
        var fromZenith = Math.toRadians(90 - Math.max(altitude, LOWEST));
        var t = turbidity;
        var luminance = new Perez(
                0.1787 * t - 1.4630,
                -0.3554 * t + 0.4275,
                -0.0227 * t + 5.3251,
                0.1206 * t - 2.5771,
                -0.0670 * t + 0.3703);
        var red = new Perez(
                -0.0193 * t - 0.2592,
                -0.0665 * t + 0.0008,
                -0.0004 * t + 0.2125,
                -0.0641 * t - 0.8989,
                -0.0033 * t + 0.0452);
        var green = new Perez(
                -0.0167 * t - 0.2608,
                -0.0950 * t + 0.0092,
                -0.0079 * t + 0.2102,
                -0.0441 * t - 1.6537,
                -0.0109 * t + 0.0529);
        var zenithLuminance = zenithLuminance(t, fromZenith) * dim;
        var zenithX = zenithX(t, fromZenith);
        var zenithY = zenithY(t, fromZenith);
        var flat = Math.hypot(sun.x(), sun.y());
        var sunX = flat == 0 ? 0 : sun.x() / flat * Math.sin(fromZenith);
        var sunY = flat == 0 ? 0 : sun.y() / flat * Math.sin(fromZenith);
        var sunZ = Math.cos(fromZenith);
        return (x, y, z) -> {
            // At the horizon itself the model has no value.
            var up = Math.max(z, 0.01);
            var angle = Math.acos(cosine(x * sunX + y * sunY + z * sunZ));
            return Rgb.ofChromaticity(
                    zenithX * red.at(up, angle) / red.at(1, fromZenith),
                    zenithY * green.at(up, angle) / green.at(1, fromZenith),
                    zenithLuminance * luminance.at(up, angle) / luminance.at(1, fromZenith));
        };
    }

    private static double cosine(double found) {
        return Math.max(-1, Math.min(1, found));
    }

    /** How a clear sky is spread (Perez, Seals and Michalsky, 1993), with the coefficients of the model above, from memory. */
    private record Perez(double a, double b, double c, double d, double e) {
        /** @param up cosine of the angle from the zenith, @param angle from the sun */
        double at(double up, double angle) {
            var cos = Math.cos(angle);
            return (1 + a * Math.exp(b / up)) * (1 + c * Math.exp(d * angle) + e * cos * cos);
        }
    }

    /** In cd/m². */
    static double zenithLuminance(double t, double fromZenith) {
        var chi = (4.0 / 9 - t / 120) * (Math.PI - 2 * fromZenith);
        return 1000 * Math.max(0.05, (4.0453 * t - 4.9710) * Math.tan(chi) - 0.2155 * t + 2.4192);
    }

    static double zenithX(double t, double s) {
        return cubic(s, 0.00166, -0.00375, 0.00209, 0) * t * t
                + cubic(s, -0.02903, 0.06377, -0.03202, 0.00394) * t
                + cubic(s, 0.11693, -0.21196, 0.06052, 0.25886);
    }

    static double zenithY(double t, double s) {
        return cubic(s, 0.00275, -0.00610, 0.00317, 0) * t * t
                + cubic(s, -0.04214, 0.08970, -0.04153, 0.00516) * t
                + cubic(s, 0.15346, -0.26756, 0.06670, 0.26688);
    }

    private static double cubic(double s, double third, double second, double first, double rest) {
        return ((third * s + second) * s + first) * s + rest;
    }
}
