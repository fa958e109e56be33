package hausbau.core.finish;

/**
 * The pictures of one sheet, square, tiling both ways; rows from the top, each pixel {@code 0xRRGGBB}.
 *
 * @param side    pixels
 * @param colour  base colour, sRGB
 * @param normal  in tangent space, green up, as glTF 2.0 has it
 * @param surface occlusion in red, roughness in green, metallic in blue, as glTF 2.0 has it
 */
public record Maps(int side, int[] colour, int[] normal, int[] surface) {

    /** What each is called in files. */
    public enum Kind { COLOUR, NORMAL, SURFACE }

    public int[] of(Kind kind) {
        return switch (kind) {
            case COLOUR -> colour;
            case NORMAL -> normal;
            case SURFACE -> surface;
        };
    }
}
