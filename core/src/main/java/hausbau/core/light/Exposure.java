package hausbau.core.light;

/**
 * How light becomes a picture. It is held: nothing measures it again while one works.
 *
 * @param ev         at ISO 100, -10 to 22
 * @param contrast   percent, 100 leaves it, 50 to 200, @param saturation percent, 100 leaves it, 0 to 200
 * @param vignette   how much darker the corners are, percent
 * @param grain      how strong the grain of film is, percent, @param bloom how far what is very bright spreads, percent
 * @param white      the temperature of light that is seen as white, 1700 to 20 000 K; {@value #DAYLIGHT} leaves all as it is
 */
public record Exposure(double ev, int contrast, int saturation, int vignette, int grain, int bloom, double white) {

    public static final double DAYLIGHT = 6500;

    /** What meters are calibrated to, by ISO 2720: 10.6 to 13.4, 12.5 in common practice. */
    private static final double K = 12.5;

    private static final double MIDDLE_GREY = 0.18;

    public Exposure {
        var check = new Range("exposure");
        check.within("ev", ev, -10, 22);
        check.within("contrast", contrast, 50, 200);
        check.within("saturation", saturation, 0, 200);
        check.within("vignette", vignette, 0, 100);
        check.within("grain", grain, 0, 100);
        check.within("bloom", bloom, 0, 100);
        check.within("white", white, 1700, 20_000);
        check.refuse();
    }

    /** Without grain and bloom. */
    public Exposure(double ev, int contrast, int saturation, int vignette, double white) {
        this(ev, contrast, saturation, vignette, 0, 0, white);
    }

    /** By how much red, green and blue are multiplied so that light of that temperature is white, as bright as it was (after J. von Kries). */
    public Rgb balance() {
        var from = Rgb.ofKelvin(DAYLIGHT);
        var to = Rgb.ofKelvin(white);
        return new Rgb(from.r() / to.r(), from.g() / to.g(), from.b() / to.b());
    }

    /** The luminance that is seen as middle grey, cd/m². */
    public double middle() {
        return Math.pow(2, ev) * K / 100;
    }

    /** From luminance to the picture's linear values, of which middle grey is 0.18. */
    public double scale() {
        return MIDDLE_GREY / middle();
    }
}
