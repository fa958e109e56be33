package hausbau.core.shape;

import java.util.Collection;

/**
 * How the surfaces of a site's pieces are made.
 *
 * @param bevel          width of the chamfer along hard edges, millimetres; common practice 2 to 3, no source
 * @param pixelsPerMetre texel density; above 0
 */
public record Finish(double bevel, int pixelsPerMetre, Sheets sheets) {

    public static final double BEVEL = 3;

    public Finish {
        if (bevel <= 0 || pixelsPerMetre <= 0) {
            throw new IllegalArgumentException("bevel and density must be above 0");
        }
    }

    /** On sheets of the usual size, of which none is shared. */
    public Finish(double bevel, int pixelsPerMetre) {
        this(bevel, pixelsPerMetre, Sheets.USUAL);
    }

    public Finish on(Sheets others) {
        return new Finish(bevel, pixelsPerMetre, others);
    }

    /** Of what these swatches need. */
    public Finish of(Collection<Swatch> swatches) {
        return on(sheets.of(swatches));
    }

    public static Finish ofDensity(int pixelsPerMetre) {
        return new Finish(BEVEL, pixelsPerMetre);
    }

    /** How much of the sheet that a swatch lies on there is on a millimetre of a piece. */
    public double sheetsPerMillimetre(Swatch swatch) {
        return pixelsPerMetre / 1000.0 / sheets.side(swatch);
    }

    /** How wide the sheet that a swatch lies on is on a piece, millimetres. */
    public double sheetWidth(Swatch swatch) {
        return 1 / sheetsPerMillimetre(swatch);
    }
}
