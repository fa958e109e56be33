package hausbau.core.shape;

/**
 * How the surfaces of a site's pieces are made.
 *
 * @param bevel          width of the chamfer along hard edges, millimetres; common practice 2 to 3, no source
 * @param pixelsPerMetre texel density; above 0
 */
public record Finish(double bevel, int pixelsPerMetre) {

    /** The width of the shared sheets, pixels. */
    public static final int SHEET_PIXELS = 1024;
    public static final double BEVEL = 3;

    public Finish {
        if (bevel <= 0 || pixelsPerMetre <= 0) {
            throw new IllegalArgumentException("bevel and density must be above 0");
        }
    }

    public static Finish ofDensity(int pixelsPerMetre) {
        return new Finish(BEVEL, pixelsPerMetre);
    }

    public double sheetsPerMillimetre() {
        return pixelsPerMetre / 1000.0 / SHEET_PIXELS;
    }
}
