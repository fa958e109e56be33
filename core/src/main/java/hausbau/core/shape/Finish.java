package hausbau.core.shape;

import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * How the surfaces of a site's pieces are made.
 *
 * @param bevel          width of the chamfer along hard edges, millimetres; common practice 2 to 3, no source
 * @param pixelsPerMetre texel density; above 0
 * @param patches        where swatches lie on the shared sheet
 */
public record Finish(double bevel, int pixelsPerMetre, Map<Swatch, Patch> patches) {

    /** The width of the shared sheets, pixels. */
    public static final int SHEET_PIXELS = 1024;
    public static final double BEVEL = 3;

    public Finish {
        patches = patches.isEmpty() ? Map.of() : Collections.unmodifiableMap(new EnumMap<>(patches));
        if (bevel <= 0 || pixelsPerMetre <= 0) {
            throw new IllegalArgumentException("bevel and density must be above 0");
        }
    }

    /** Nothing lies on a shared sheet. */
    public Finish(double bevel, int pixelsPerMetre) {
        this(bevel, pixelsPerMetre, Map.of());
    }

    public Finish with(Map<Swatch, Patch> others) {
        return new Finish(bevel, pixelsPerMetre, others);
    }

    /** Of what these swatches need: what another lies on is nothing to them. */
    public Finish of(Collection<Swatch> swatches) {
        return patches.isEmpty() ? this : with(patches.entrySet().stream().filter(e -> swatches.contains(e.getKey())).collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
    }

    public static Finish ofDensity(int pixelsPerMetre) {
        return new Finish(BEVEL, pixelsPerMetre);
    }

    public double sheetsPerMillimetre() {
        return pixelsPerMetre / 1000.0 / SHEET_PIXELS;
    }
}
