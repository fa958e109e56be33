package hausbau.core.shape;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

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
    /** Each the material of all that lies on one of the site's shared sheets. */
    SHARED(0.68, 0.65, 0.58, 0.0, 0.8), SHARED_B(0.68, 0.65, 0.58, 0.0, 0.8), SHARED_C(0.68, 0.65, 0.58, 0.0, 0.8), SHARED_D(0.68, 0.65, 0.58, 0.0, 0.8),
    /** Places on them. */
    SHARED1(SHARED), SHARED2(SHARED), SHARED3(SHARED), SHARED4(SHARED), SHARED5(SHARED), SHARED6(SHARED), SHARED7(SHARED), SHARED8(SHARED), SHARED9(SHARED), SHARED10(SHARED), SHARED11(SHARED), SHARED12(SHARED), SHARED13(SHARED), SHARED14(SHARED), SHARED15(SHARED), SHARED16(SHARED),
    SHARED_B1(SHARED_B), SHARED_B2(SHARED_B), SHARED_B3(SHARED_B), SHARED_B4(SHARED_B), SHARED_B5(SHARED_B), SHARED_B6(SHARED_B), SHARED_B7(SHARED_B), SHARED_B8(SHARED_B), SHARED_B9(SHARED_B), SHARED_B10(SHARED_B), SHARED_B11(SHARED_B), SHARED_B12(SHARED_B), SHARED_B13(SHARED_B), SHARED_B14(SHARED_B), SHARED_B15(SHARED_B), SHARED_B16(SHARED_B),
    SHARED_C1(SHARED_C), SHARED_C2(SHARED_C), SHARED_C3(SHARED_C), SHARED_C4(SHARED_C), SHARED_C5(SHARED_C), SHARED_C6(SHARED_C), SHARED_C7(SHARED_C), SHARED_C8(SHARED_C), SHARED_C9(SHARED_C), SHARED_C10(SHARED_C), SHARED_C11(SHARED_C), SHARED_C12(SHARED_C), SHARED_C13(SHARED_C), SHARED_C14(SHARED_C), SHARED_C15(SHARED_C), SHARED_C16(SHARED_C),
    SHARED_D1(SHARED_D), SHARED_D2(SHARED_D), SHARED_D3(SHARED_D), SHARED_D4(SHARED_D), SHARED_D5(SHARED_D), SHARED_D6(SHARED_D), SHARED_D7(SHARED_D), SHARED_D8(SHARED_D), SHARED_D9(SHARED_D), SHARED_D10(SHARED_D), SHARED_D11(SHARED_D), SHARED_D12(SHARED_D), SHARED_D13(SHARED_D), SHARED_D14(SHARED_D), SHARED_D15(SHARED_D), SHARED_D16(SHARED_D);

    private static final List<Swatch> COATED = Stream.of(values()).filter(s -> s.ordinal() < SHARED.ordinal()).toList();
    private static final List<Swatch> SHARED_SHEETS = List.of(SHARED, SHARED_B, SHARED_C, SHARED_D);
    private static final Map<Swatch, List<Swatch>> PLACES = SHARED_SHEETS.stream().collect(Collectors.toMap(s -> s, s -> Stream.of(values()).filter(p -> p.sheet == s).toList()));

    private final double red;
    private final double green;
    private final double blue;
    private final double metallic;
    private final double roughness;
    /** The shared sheet that it is a place on. */
    private final @Nullable Swatch sheet;

    Swatch(Swatch sheet) {
        this(sheet.red, sheet.green, sheet.blue, sheet.metallic, sheet.roughness, sheet);
    }

    Swatch(double red, double green, double blue, double metallic, double roughness) {
        this(red, green, blue, metallic, roughness, null);
    }

    Swatch(double red, double green, double blue, double metallic, double roughness, @Nullable Swatch sheet) {
        this.red = red;
        this.green = green;
        this.blue = blue;
        this.metallic = metallic;
        this.roughness = roughness;
        this.sheet = sheet;
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

    /** Whether it is all of a sheet that several swatches share. */
    public boolean isSharedSheet() {
        return SHARED_SHEETS.contains(this);
    }

    /** What triangles of it are drawn in: swatches of one sheet are one material. */
    public Swatch material() {
        return sheet == null ? this : sheet;
    }

    /** Those that have a sheet each, finished in a coat. */
    public static List<Swatch> coated() {
        return COATED;
    }

    /** Those that are a whole sheet which several share. */
    public static List<Swatch> sharedSheets() {
        return SHARED_SHEETS;
    }

    /** The places on a sheet that several share; none on another. */
    public List<Swatch> places() {
        return PLACES.getOrDefault(this, List.of());
    }

    public String label() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
