package hausbau.core.shot;

import hausbau.core.measure.Box;
import hausbau.core.shape.Point;
import java.util.List;
import java.util.stream.IntStream;

/**
 * From where one looks, and how wide.
 *
 * @param eye     millimetres
 * @param target  what lies in the picture's middle; not the eye, nor straight above or below it
 * @param degrees the angle of view upward, above 0 and below 180
 */
public record Viewpoint(Point eye, Point target, double degrees) {

    private static final Point UP = new Point(0, 0, 1);

    public Viewpoint {
        if (!(degrees > 0 && degrees < 180)) {
            throw new IllegalArgumentException("an angle of view lies between 0 and 180 degrees");
        }
        if (target.minus(eye).cross(UP).length() == 0) {
            throw new IllegalArgumentException("a viewpoint looks neither at itself nor straight up or down");
        }
    }

    /** Into the picture. */
    public Point forward() {
        return target.minus(eye).unit();
    }

    /** To the picture's right; level. */
    public Point right() {
        return forward().cross(UP).unit();
    }

    /** Upward in the picture. */
    public Point up() {
        return right().cross(forward());
    }

    /**
     * As near to a box as shows all of it.
     *
     * @param direction from the box to the eye
     * @param aspect    the picture's width by its height
     * @param margin    of the picture that stays free on each side, 0 to below 0.5
     */
    public static Viewpoint onto(Box box, Point direction, double degrees, double aspect, double margin) {
        var middle =
                corners(box).stream().reduce(new Point(0, 0, 0), Point::plus).times(1 / 8.0);
        var from = new Viewpoint(middle.plus(direction.unit()), middle, degrees);
        var upward = Math.tan(Math.toRadians(degrees) / 2) * (1 - 2 * margin);
        var aside = upward * aspect;
        var corners = corners(box).stream().map(from::seen).toList();
        var far = distance(corners, new Point(0, 0, 0), aside, upward);
        // The nearest corners make the picture lopsided: aim at the middle of what is seen.
        var across = corners.stream().mapToDouble(c -> c.x() / (far - c.z())).summaryStatistics();
        var along = corners.stream().mapToDouble(c -> c.y() / (far - c.z())).summaryStatistics();
        var shift = new Point(
                (across.getMin() + across.getMax()) / 2 * far, (along.getMin() + along.getMax()) / 2 * far, 0);
        var target = middle.plus(from.right().times(shift.x())).plus(from.up().times(shift.y()));
        var away = from.forward().times(-Math.max(1, distance(corners, shift, aside, upward)));
        return new Viewpoint(target.plus(away), target, degrees);
    }

    /** A place from the target: to the right, up, and toward the eye. */
    private Point seen(Point place) {
        var p = place.minus(target);
        return new Point(p.dot(right()), p.dot(up()), -p.dot(forward()));
    }

    /** From which all corners are seen. */
    private static double distance(List<Point> corners, Point shift, double aside, double upward) {
        return corners.stream()
                .mapToDouble(c ->
                        c.z() + Math.max(Math.abs(c.x() - shift.x()) / aside, Math.abs(c.y() - shift.y()) / upward))
                .max()
                .orElseThrow();
    }

    private static List<Point> corners(Box box) {
        return IntStream.range(0, 8)
                .mapToObj(i -> new Point(
                        ((i & 1) == 0 ? box.min() : box.max()).x() / 1000.0,
                        ((i & 2) == 0 ? box.min() : box.max()).y() / 1000.0,
                        ((i & 4) == 0 ? box.min() : box.max()).z() / 1000.0))
                .toList();
    }
}
