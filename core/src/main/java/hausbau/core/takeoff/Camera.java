package hausbau.core.takeoff;

import hausbau.core.measure.Vec;

/**
 * A pinhole camera with square pixels and no distortion, upright. The horizontal field of view is
 * 2·atan(gate / (2·focal length)).
 *
 * @param eye    where it stands, @param target what its middle looks at; not straight above or below
 * @param focal  focal length in millimetres, @param gate width of the picture in the camera, in millimetres
 * @param width  of the picture in pixels, @param height of the picture in pixels
 */
public record Camera(Vec eye, Vec target, double focal, double gate, int width, int height) {

    /** Right, down and forward, as unit vectors; and the focal length in pixels. */
    private double[][] axes() {
        double[] forward = unit(target.x() - eye.x(), target.y() - eye.y(), target.z() - eye.z());
        double[] right = unit(forward[1], -forward[0], 0);
        double[] down = {
            forward[1] * right[2] - forward[2] * right[1],
            forward[2] * right[0] - forward[0] * right[2],
            forward[0] * right[1] - forward[1] * right[0]
        };
        return new double[][] {right, down, forward};
    }

    private static double[] unit(double x, double y, double z) {
        var length = Math.sqrt(x * x + y * y + z * z);
        return new double[] {x / length, y / length, z / length};
    }

    /** A point before the camera on the picture, with its distance along the line of sight. */
    public record Seen(Pixel pixel, double depth) {}

    /** Where a point shows, in millimetres of the site; one behind the camera has a depth below 0. */
    public Seen see(double x, double y, double z) {
        return see(axes(), x, y, z);
    }

    public Seen see(Vec point) {
        return see(point.x() / 1000.0, point.y() / 1000.0, point.z() / 1000.0);
    }

    private Seen see(double[][] axes, double x, double y, double z) {
        double[] d = {x - eye.x() / 1000.0, y - eye.y() / 1000.0, z - eye.z() / 1000.0};
        var depth = dot(axes[2], d);
        var scale = focal / gate * width / depth;
        return new Seen(
                new Pixel(width / 2.0 + scale * dot(axes[0], d), height / 2.0 + scale * dot(axes[1], d)), depth);
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }
}
