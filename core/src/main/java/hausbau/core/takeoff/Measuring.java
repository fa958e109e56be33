package hausbau.core.takeoff;

import hausbau.core.measure.Refused;
import java.util.List;

/**
 * Measures on a calibrated plane of a picture.
 *
 * @param deviation standard deviation of a pick along each axis, in pixels; 0.05 to 50
 */
public record Measuring(PlaneMap plane, double deviation) {

    /** @throws Refused if the deviation is out of its range */
    public Measuring {
        if (!(deviation >= 0.05 && deviation <= 50)) {
            throw new Refused("pickErrorPx", "The picking error must be from 0.05 to 50 pixels.");
        }
    }

    /** The distance between two points, in millimetres. */
    public Measured length(Pixel from, Pixel to) {
        var points = points(List.of(from, to));
        var along = points[1].minus(points[0]);
        var length = along.length();
        var unit = along.times(1 / length);
        return measured(length, List.of(from, to), points, unit.times(-1), unit);
    }

    /** How far two points are apart along the plane's x axis, in millimetres. */
    public Measured width(Pixel from, Pixel to) {
        var points = points(List.of(from, to));
        var sign = Math.signum(points[1].x() - points[0].x());
        return measured(
                Math.abs(points[1].x() - points[0].x()),
                List.of(from, to),
                points,
                new PlanePoint(-sign, 0),
                new PlanePoint(sign, 0));
    }

    /** How far two points are apart along the plane's y axis, in millimetres. */
    public Measured height(Pixel from, Pixel to) {
        var points = points(List.of(from, to));
        var sign = Math.signum(points[1].y() - points[0].y());
        return measured(
                Math.abs(points[1].y() - points[0].y()),
                List.of(from, to),
                points,
                new PlanePoint(0, -sign),
                new PlanePoint(0, sign));
    }

    /** The angle at {@code corner} between two points, from 0 to 180 degrees. */
    public Measured angle(Pixel from, Pixel corner, Pixel to) {
        var pixels = List.of(from, corner, to);
        var points = points(pixels);
        var a = points[0].minus(points[1]);
        var b = points[2].minus(points[1]);
        var angle = Math.atan2(a.x() * b.y() - a.y() * b.x(), a.x() * b.x() + a.y() * b.y());
        var sign = Math.toDegrees(angle < 0 ? -1 : 1);
        var gradA = a.turned().times(-sign / (a.length() * a.length()));
        var gradB = b.turned().times(sign / (b.length() * b.length()));
        var gradCorner = gradA.times(-1).minus(gradB);
        return measured(Math.toDegrees(Math.abs(angle)), pixels, points, gradA, gradCorner, gradB);
    }

    /** The area of a simple polygon, in square millimetres. */
    public Measured area(List<Pixel> outline) {
        var points = points(outline);
        var n = points.length;
        var doubled = 0.0;
        var gradients = new PlanePoint[n];
        for (var i = 0; i < n; i++) {
            var next = points[(i + 1) % n];
            var before = points[(i + n - 1) % n];
            doubled += points[i].x() * next.y() - next.x() * points[i].y();
            gradients[i] = new PlanePoint((next.y() - before.y()) / 2, (before.x() - next.x()) / 2);
        }
        return measured(Math.abs(doubled) / 2, outline, points, gradients);
    }

    private PlanePoint[] points(List<Pixel> pixels) {
        var points = new PlanePoint[pixels.size()];
        for (var i = 0; i < points.length; i++) {
            points[i] = plane.at(pixels.get(i));
        }
        return points;
    }

    private Measured measured(double value, List<Pixel> pixels, PlanePoint[] points, PlanePoint... gradients) {
        var variance = plane.calibrationVariance(points, gradients);
        for (var i = 0; i < gradients.length; i++) {
            variance += plane.jacobianAt(pixels.get(i)).squaredInPicture(gradients[i].x(), gradients[i].y());
        }
        return new Measured(value, deviation * Math.sqrt(variance));
    }
}
