package hausbau.core.takeoff;

/**
 * A picture's colours.
 *
 * @param rgb one colour a pixel, 0xRRGGBB, row by row from the upper left
 */
public record Raster(int width, int height, int[] rgb) {

    public Raster(int width, int height) {
        this(width, height, new int[width * height]);
    }

    /**
     * The colour at a place between pixels, whose middles lie at halves, from the four nearest.
     *
     * @return the colour, or −1 outside the picture
     */
    int sample(double x, double y) {
        if (!(x >= 0 && y >= 0 && x <= width && y <= height)) {
            return -1;
        }
        var left = Math.min(Math.max(x - 0.5, 0), width - 1.0);
        var top = Math.min(Math.max(y - 0.5, 0), height - 1.0);
        var x0 = (int) left;
        var y0 = (int) top;
        var x1 = Math.min(x0 + 1, width - 1);
        var y1 = Math.min(y0 + 1, height - 1);
        var colour = 0;
        for (var shift = 16; shift >= 0; shift -= 8) {
            var upper = mix(channel(x0, y0, shift), channel(x1, y0, shift), left - x0);
            var lower = mix(channel(x0, y1, shift), channel(x1, y1, shift), left - x0);
            colour |= (int) Math.round(mix(upper, lower, top - y0)) << shift;
        }
        return colour;
    }

    private int channel(int x, int y, int shift) {
        return rgb[y * width + x] >> shift & 0xFF;
    }

    private static double mix(double a, double b, double share) {
        return a + (b - a) * share;
    }
}
