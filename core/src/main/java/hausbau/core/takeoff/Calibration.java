package hausbau.core.takeoff;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.List;

/**
 * How a plane of a picture is measured: what was picked on it, and its true size.
 *
 * @param points    pixels of the upright picture: two for a flat plane, the four corners of a rectangle for one in perspective
 * @param width     the known length, or the rectangle's width
 * @param height    the rectangle's height; a flat plane needs none
 * @param pickError standard deviation of a pick along each axis, in pixels; 0.05 to 50
 */
public record Calibration(Kind kind, List<Pixel> points, Length width, Length height, double pickError) {

    public enum Kind {
        FLAT(2),
        PERSPECTIVE(4);

        private final int points;

        Kind(int points) {
            this.points = points;
        }
    }

    /** @throws Refused if there are not as many points as the kind takes */
    public Calibration {
        points = List.copyOf(points);
        if (points.size() != kind.points) {
            throw new Refused("points", "Pick " + kind.points + " points.");
        }
    }

    /** @throws Refused if nothing can be measured by it, with the reason */
    public PlaneMap plane() {
        return kind == Kind.FLAT
                ? new Flat(points.get(0), points.get(1), width)
                : new Perspective(points, width, height);
    }

    /** @throws Refused if nothing can be measured by it, with the reason */
    public Measuring measuring() {
        return new Measuring(plane(), pickError);
    }
}
