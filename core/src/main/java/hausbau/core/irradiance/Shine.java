package hausbau.core.irradiance;

import hausbau.core.finish.Coat;
import hausbau.core.light.Rgb;

/**
 * What a surface does with light.
 *
 * @param albedo  how much of each colour it throws back, to all sides alike, of what does not pass
 * @param glow    what it gives of itself, cd/m²
 * @param passing how much of each colour passes through it; of what is solid, once in and once out
 */
public record Shine(Rgb albedo, Rgb glow, Rgb passing) {

    public static Shine of(Rgb albedo) {
        return new Shine(albedo, Rgb.NONE, Rgb.NONE);
    }

    public static Shine of(Coat coat) {
        var colour = Rgb.of(coat.colour());
        var glow = Rgb.of(coat.glow().colour());
        var through = colour.times(coat.glazing().transparency() / 100.0);
        return new Shine(
                colour,
                glow.times(coat.glow().nits() / Math.max(1e-3, glow.luminance())),
                coat.glazing().twoSided() ? through : through.root());
    }

    Shine tinted(Rgb tint) {
        return new Shine(albedo.times(tint), glow.times(tint), passing.times(tint));
    }

    /** Glowing this much of what it does. */
    Shine dimmed(double share) {
        return new Shine(albedo, glow.times(share), passing);
    }

    /** How likely a ray passes: the greatest of its colours. */
    double passes() {
        return Math.min(1, Math.max(passing.r(), Math.max(passing.g(), passing.b())));
    }
}
