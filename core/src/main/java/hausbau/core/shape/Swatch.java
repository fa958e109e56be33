package hausbau.core.shape;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * What a surface is made of.
 *
 * <p>The colours are neutral stand-ins in linear light, 0 to 1, until a sheet gives them a texture.
 */
public enum Swatch {
    PLASTER(0.78, 0.76, 0.70, 0.0, 0.9),
    STONE(0.52, 0.50, 0.46, 0.0, 0.8),
    TIMBER(0.30, 0.19, 0.10, 0.0, 0.7),
    METAL(0.35, 0.37, 0.38, 0.9, 0.45),
    OPAL(0.90, 0.87, 0.78, 0.0, 0.3),
    TILE(0.62, 0.70, 0.66, 0.0, 0.25),
    TERRAZZO(0.58, 0.55, 0.50, 0.0, 0.4),
    PAINT(0.20, 0.33, 0.30, 0.0, 0.55),
    /** Of one's own, for pictures that were made for one thing. */
    OWN1(0.68, 0.65, 0.58, 0.0, 0.8), OWN2(0.68, 0.65, 0.58, 0.0, 0.8), OWN3(0.68, 0.65, 0.58, 0.0, 0.8), OWN4(0.68, 0.65, 0.58, 0.0, 0.8), OWN5(0.68, 0.65, 0.58, 0.0, 0.8), OWN6(0.68, 0.65, 0.58, 0.0, 0.8),
    /** The material of all that lies on the site's shared sheet. */
    SHARED(0.68, 0.65, 0.58, 0.0, 0.8),
    /** Places on the shared sheet. */
    SHARED1, SHARED2, SHARED3, SHARED4, SHARED5, SHARED6, SHARED7, SHARED8, SHARED9, SHARED10, SHARED11, SHARED12, SHARED13, SHARED14, SHARED15, SHARED16;

    private static final List<Swatch> COATED = Stream.of(values()).filter(s -> s.ordinal() < SHARED.ordinal()).toList();
    private static final List<Swatch> ON_SHARED = Stream.of(values()).filter(Swatch::isOnShared).toList();


    private final double red;
    private final double green;
    private final double blue;
    private final double metallic;
    private final double roughness;

    Swatch() {
        this(0.68, 0.65, 0.58, 0.0, 0.8);
    }

    Swatch(double red, double green, double blue, double metallic, double roughness) {
        this.red = red;
        this.green = green;
        this.blue = blue;
        this.metallic = metallic;
        this.roughness = roughness;
    }

    public double red() {
        return red;
    }

    public double green() {
        return green;
    }

    public double blue() {
        return blue;
    }

    public double metallic() {
        return metallic;
    }

    public double roughness() {
        return roughness;
    }

    /** Whether it is free for pictures of one's own. */
    public boolean isOwn() {
        return ordinal() >= OWN1.ordinal() && ordinal() <= OWN6.ordinal();
    }

    /** Whether it is a place on the shared sheet. */
    public boolean isOnShared() {
        return ordinal() > SHARED.ordinal();
    }

    /** What triangles of it are drawn in: swatches of one sheet are one material. */
    public Swatch material() {
        return isOnShared() ? SHARED : this;
    }

    /** Those that have a sheet each, finished in a coat. */
    public static List<Swatch> coated() {
        return COATED;
    }

    public static List<Swatch> onShared() {
        return ON_SHARED;
    }

    public String label() {
        return name().toLowerCase(Locale.ROOT);
    }
}
