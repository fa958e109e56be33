package hausbau.core.exchange.in;

/**
 * What a file says of a material besides its pictures.
 *
 * @param colour    sRGB, {@code #} and six digits
 * @param roughness percent
 * @param metallic  percent
 */
public record Tone(String colour, int roughness, int metallic) {

    /** @param red to @param blue in sRGB, 0 to 1; what lies beyond is cut, @param roughness 0 to 1, @param metallic 0 to 1 */
    static Tone of(double red, double green, double blue, double roughness, double metallic) {
        return new Tone(
                String.format("#%02x%02x%02x", whole(red, 255), whole(green, 255), whole(blue, 255)),
                whole(roughness, 100),
                whole(metallic, 100));
    }

    private static int whole(double share, int most) {
        return (int) Math.round(Math.max(0, Math.min(1, Double.isNaN(share) ? 0 : share)) * most);
    }

    /** From linear light to sRGB, 0 to 1 (IEC 61966-2-1). */
    static double encoded(double linear) {
        return linear <= 0.0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;
    }
}
