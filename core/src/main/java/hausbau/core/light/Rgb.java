package hausbau.core.light;

/** An amount of light in red, green and blue, linear, in the primaries of sRGB (IEC 61966-2-1). */
public record Rgb(double r, double g, double b) {

    public static final Rgb NONE = new Rgb(0, 0, 0);

    public static Rgb grey(double amount) {
        return new Rgb(amount, amount, amount);
    }

    /** @param colour as #rrggbb, with the curve of sRGB */
    public static Rgb of(String colour) {
        return new Rgb(linear(colour, 1), linear(colour, 3), linear(colour, 5));
    }

    private static double linear(String colour, int at) {
        var v = Integer.parseInt(colour.substring(at, at + 2), 16) / 255.0;
        return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }

    /** From chromaticities and luminance of CIE 1931; what lies outside of the primaries is cut off. */
    static Rgb ofChromaticity(double x, double y, double luminance) {
        var bigX = x / y * luminance;
        var bigZ = (1 - x - y) / y * luminance;
        return new Rgb(
                Math.max(0, 3.2406 * bigX - 1.5372 * luminance - 0.4986 * bigZ),
                Math.max(0, -0.9689 * bigX + 1.8758 * luminance + 0.0415 * bigZ),
                Math.max(0, 0.0557 * bigX - 0.2040 * luminance + 1.0570 * bigZ));
    }

    /**
     * A black body of a luminance of 1. Its chromaticities by the cubic splines of Kim et al. (2002, US patent 7024034; from memory), within 0.0001 or
     * so of CIE 1931 from 1667 to 25 000 K.
     */
    public static Rgb ofKelvin(double kelvin) {
        var t = 1000 / kelvin;
        var x = kelvin <= 4000
                ? -0.2661239 * t * t * t - 0.2343589 * t * t + 0.8776956 * t + 0.179910
                : -3.0258469 * t * t * t + 2.1070379 * t * t + 0.2226347 * t + 0.240390;
        var y = kelvin <= 2222
                ? -1.1063814 * x * x * x - 1.34811020 * x * x + 2.18555832 * x - 0.20219683
                : kelvin <= 4000
                        ? -0.9549476 * x * x * x - 1.37418593 * x * x + 2.09137015 * x - 0.16748867
                        : 3.0817580 * x * x * x - 5.87338670 * x * x + 3.75112997 * x - 0.37001483;
        var made = ofChromaticity(x, y, 1);
        return made.times(1 / made.luminance());
    }

    public Rgb times(double factor) {
        return new Rgb(r * factor, g * factor, b * factor);
    }

    public Rgb times(Rgb other) {
        return new Rgb(r * other.r, g * other.g, b * other.b);
    }

    public Rgb plus(Rgb other) {
        return new Rgb(r + other.r, g + other.g, b + other.b);
    }

    /** What makes it, twice one after the other. */
    public Rgb root() {
        return new Rgb(Math.sqrt(r), Math.sqrt(g), Math.sqrt(b));
    }

    Rgb toward(Rgb other, double share) {
        return times(1 - share).plus(other.times(share));
    }

    /** As sRGB's primaries weigh it. */
    public double luminance() {
        return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    }
}
