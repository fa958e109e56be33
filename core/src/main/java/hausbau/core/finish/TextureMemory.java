package hausbau.core.finish;

/**
 * What pictures take on a graphics card, with all their mip levels.
 *
 * @param plain      four bytes a pixel (RGBA8)
 * @param compressed in blocks of 4 × 4 pixels of 16 bytes (BC5, BC7; Khronos Data Format Specification 1.3, ch. 20, from memory)
 */
public record TextureMemory(long plain, long compressed) {

    public static final TextureMemory NONE = new TextureMemory(0, 0);

    /** @param side pixels, @param pictures of that size */
    public static TextureMemory of(int side, int pictures) {
        var plain = 0L;
        var compressed = 0L;
        for (var level = side; level > 0; level /= 2) {
            plain += 4L * level * level;
            var blocks = (level + 3L) / 4;
            compressed += 16 * blocks * blocks;
        }
        return new TextureMemory(plain * pictures, compressed * pictures);
    }

    public TextureMemory plus(TextureMemory o) {
        return new TextureMemory(plain + o.plain, compressed + o.compressed);
    }
}
