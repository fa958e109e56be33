package hausbau.core.finish;

/**
 * A picture of one's own, as it is laid on a sheet again and again.
 *
 * @param pixels rows from the top, each {@code 0xRRGGBB}
 */
public record Picture(int width, int height, int[] pixels) {

    /** Of a place that is seen small, so many of its pixels are looked at in each direction at most. */
    private static final int MOST = 8;

    public Picture {
        if (width < 1 || height < 1 || pixels.length != width * height) {
            throw new IllegalArgumentException(
                    "a picture of " + width + " × " + height + " with " + pixels.length + " pixels");
        }
    }

    /**
     * The mean of what lies about a place, red, green and blue from 0 to 1; beyond its edges it begins anew.
     *
     * @param u from the left, 1 is its width, @param v from the top, @param wide of what is looked at, parts of its width, @param high of its height
     */
    double[] at(double u, double v, double wide, double high) {
        var columns = samples(wide * width);
        var rows = samples(high * height);
        var sum = new double[3];
        for (var j = 0; j < rows; j++) {
            var y = Math.floorMod((int) Math.floor((v + high * ((j + 0.5) / rows - 0.5)) * height), height);
            for (var i = 0; i < columns; i++) {
                var x = Math.floorMod((int) Math.floor((u + wide * ((i + 0.5) / columns - 0.5)) * width), width);
                var pixel = pixels[y * width + x];
                sum[0] += pixel >> 16 & 255;
                sum[1] += pixel >> 8 & 255;
                sum[2] += pixel & 255;
            }
        }
        for (var k = 0; k < 3; k++) {
            sum[k] /= 255.0 * rows * columns;
        }
        return sum;
    }

    private static int samples(double pixels) {
        return (int) Math.max(1, Math.min(MOST, Math.round(pixels)));
    }
}
