package hausbau.core.takeoff;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;

/** A plane seen square on, calibrated by two points a known length apart; its origin is the first of them. */
public final class Flat implements PlaneMap {

    private static final double LEAST_PIXELS = 8;

    private final Pixel from;
    private final double pixels;
    private final double scale;

    /** @throws Refused if the points are less than 8 pixels apart, or the length is not above 0 */
    public Flat(Pixel from, Pixel to, Length length) {
        if (!length.isPositive()) {
            throw new Refused("widthMm", "The known length must be above 0.");
        }
        this.from = from;
        this.pixels = from.distanceTo(to);
        if (!(pixels >= LEAST_PIXELS)) {
            throw new Refused(
                    "points",
                    "The two points are only " + Math.round(pixels)
                            + " pixels apart. Pick two that are at least 8 apart.");
        }
        this.scale = length.um() / 1000.0 / pixels;
    }

    @Override
    public PlanePoint at(Pixel pixel) {
        return new PlanePoint(scale * (pixel.x() - from.x()), scale * (from.y() - pixel.y()));
    }

    @Override
    public Pixel pixelOf(PlanePoint point) {
        return new Pixel(from.x() + point.x() / scale, from.y() - point.y() / scale);
    }

    @Override
    public Jacobian jacobianAt(Pixel pixel) {
        return new Jacobian(scale, 0, 0, -scale);
    }

    /**
     * A pick that lengthens the known stretch by δ shrinks the whole plane by δ over the stretch, and one of its first
     * point moves the origin, which no quantity depends on.
     */
    @Override
    public double calibrationVariance(PlanePoint[] points, PlanePoint[] gradients) {
        var growth = 0.0;
        for (var i = 0; i < points.length; i++) {
            growth += points[i].x() * gradients[i].x() + points[i].y() * gradients[i].y();
        }
        return 2 * growth * growth / (pixels * pixels);
    }
}
