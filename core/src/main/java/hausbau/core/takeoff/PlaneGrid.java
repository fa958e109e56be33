package hausbau.core.takeoff;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.List;

/**
 * The planning grid of a plane as it lies over its picture, so that a wrong calibration is seen at once.
 *
 * @param pitch the step, or as many steps as keep the lines few
 * @param lines in pixels; a line that leaves the camera's side of the world ends there
 */
public record PlaneGrid(Length pitch, List<Line> lines) {

    private static final int MOST_LINES = 60;
    /** How far the grid goes beyond the calibration, in sizes of it. */
    private static final double BEYOND = 0.6;

    private static final int[] PITCHES = {1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000};

    public record Line(Pixel from, Pixel to) {}

    /** @param pixelsX the picture's width, @param pixelsY its height; 1 to 100 000 */
    public static PlaneGrid of(PlaneMap plane, int pixelsX, int pixelsY, Length step) {
        if (pixelsX < 1 || pixelsY < 1 || pixelsX > 100_000 || pixelsY > 100_000) {
            throw new Refused("pixelsX", "A picture has from 1 to 100000 pixels a side.");
        }
        var span = plane instanceof Perspective perspective
                ? List.of(new PlanePoint(0, 0), perspective.farCorner())
                : Rectification.extent(plane, List.of(new Pixel(0, pixelsY), new Pixel(pixelsX, 0)));
        var beyond = plane instanceof Perspective ? BEYOND : 0;
        var w = span.get(1).x() - span.get(0).x();
        var h = span.get(1).y() - span.get(0).y();
        var from = new PlanePoint(span.get(0).x() - beyond * w, span.get(0).y() - beyond * h);
        var to = new PlanePoint(span.get(1).x() + beyond * w, span.get(1).y() + beyond * h);
        var pitch = pitch(Math.max(to.x() - from.x(), to.y() - from.y()), step);
        var every = pitch.um() / 1000.0;
        var lines = new ArrayList<Line>();
        for (var x = Math.ceil(from.x() / every) * every; x <= to.x(); x += every) {
            add(lines, plane, new PlanePoint(x, from.y()), new PlanePoint(x, to.y()));
        }
        for (var y = Math.ceil(from.y() / every) * every; y <= to.y(); y += every) {
            add(lines, plane, new PlanePoint(from.x(), y), new PlanePoint(to.x(), y));
        }
        return new PlaneGrid(pitch, lines);
    }

    private static Length pitch(double span, Length step) {
        for (var factor : PITCHES) {
            if (span / (factor * step.um() / 1000.0) <= MOST_LINES) {
                return step.times(factor);
            }
        }
        return new Length(Math.round(span * 1000 / MOST_LINES)).ceilTo(step);
    }

    private static void add(List<Line> lines, PlaneMap plane, PlanePoint a, PlanePoint b) {
        var from = a;
        var to = b;
        if (plane instanceof Perspective perspective) {
            if (!perspective.isBefore(a) && !perspective.isBefore(b)) {
                return;
            }
            from = perspective.isBefore(a) ? a : lastBefore(perspective, b, a);
            to = perspective.isBefore(b) ? b : lastBefore(perspective, a, b);
        }
        lines.add(new Line(plane.pixelOf(from), plane.pixelOf(to)));
    }

    /** The last point before the camera on the way from one that is to one that is not, by halving. */
    private static PlanePoint lastBefore(Perspective plane, PlanePoint inside, PlanePoint outside) {
        var near = 0.0;
        var far = 1.0;
        for (var i = 0; i < 30; i++) {
            var middle = (near + far) / 2;
            if (plane.isBefore(between(inside, outside, middle))) {
                near = middle;
            } else {
                far = middle;
            }
        }
        return between(inside, outside, near * 0.98);
    }

    private static PlanePoint between(PlanePoint a, PlanePoint b, double share) {
        return new PlanePoint(a.x() + share * (b.x() - a.x()), a.y() + share * (b.y() - a.y()));
    }
}
