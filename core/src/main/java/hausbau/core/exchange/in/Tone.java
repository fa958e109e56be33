package hausbau.core.exchange.in;

import hausbau.core.finish.Glazing;
import hausbau.core.finish.Glow;

/**
 * What a file says of a material besides its pictures.
 *
 * @param colour    sRGB, {@code #} and six digits
 * @param roughness percent
 * @param metallic  percent
 * @param glow      light of its own, @param glazing light through it
 */
public record Tone(String colour, int roughness, int metallic, Glow glow, Glazing glazing) {

    /** Neither glowing nor letting light through. */
    Tone(String colour, int roughness, int metallic) {
        this(colour, roughness, metallic, Glow.NONE, Glazing.OPAQUE);
    }

    /** @param red to @param blue in sRGB, 0 to 1; what lies beyond is cut, @param roughness 0 to 1, @param metallic 0 to 1 */
    static Tone of(double red, double green, double blue, double roughness, double metallic) {
        return new Tone(
                String.format("#%02x%02x%02x", whole(red, 255), whole(green, 255), whole(blue, 255)),
                whole(roughness, 100),
                whole(metallic, 100));
    }

    /** The same with light of its own and through it. */
    Tone lit(Glow light, Glazing through) {
        return new Tone(colour, roughness, metallic, light, through);
    }

    public boolean isLit() {
        return !glow.equals(Glow.NONE) || !glazing.equals(Glazing.OPAQUE);
    }

    private static int whole(double share, int most) {
        return (int) Math.round(Math.max(0, Math.min(1, Double.isNaN(share) ? 0 : share)) * most);
    }

    /** From linear light to sRGB, 0 to 1 (IEC 61966-2-1). */
    static double encoded(double linear) {
        return linear <= 0.0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;
    }
}
