package hausbau.core.finish;

/**
 * The pictures of one sheet, square, tiling both ways; rows from the top, each pixel {@code 0xRRGGBB}.
 *
 * @param side    pixels
 * @param colour  base colour, sRGB; where it is cut out, how opaque it is above that: {@code 0xAARRGGBB}
 * @param normal  in tangent space, green up, as glTF 2.0 has it
 * @param surface occlusion in red, roughness in green, metallic in blue, as glTF 2.0 has it
 * @param isCut   whether some of it is cut out
 */
public record Maps(int side, int[] colour, int[] normal, int[] surface, boolean isCut) {

    /** All of it is there. */
    public Maps(int side, int[] colour, int[] normal, int[] surface) {
        this(side, colour, normal, surface, false);
    }

    /** What each is called in files. */
    public enum Kind {
        COLOUR,
        NORMAL,
        SURFACE
    }

    public int[] of(Kind kind) {
        return switch (kind) {
            case COLOUR -> colour;
            case NORMAL -> normal;
            case SURFACE -> surface;
        };
    }
}
