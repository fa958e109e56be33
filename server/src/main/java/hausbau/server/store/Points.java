package hausbau.server.store;

import hausbau.core.measure.Refused;
import hausbau.core.takeoff.Pixel;
import java.util.ArrayList;
import java.util.List;

/** Points of a picture as rows keep them: x and y by turns. */
public final class Points {

    private static final double FARTHEST = 1_000_000;

    private Points() {
    }

    /** @throws Refused if there are not {@code count} points, or one is no place within a million pixels */
    public static List<Pixel> pixels(List<Double> points, int count) {
        if (points.size() != 2 * count) {
            throw new Refused("points", "Pick " + count + (count == 1 ? " point." : " points."));
        }
        return pixels(points);
    }

    public static List<Pixel> pixels(List<Double> points) {
        var pixels = new ArrayList<Pixel>();
        for (var i = 0; i + 1 < points.size(); i += 2) {
            if (!(Math.abs(points.get(i)) <= FARTHEST && Math.abs(points.get(i + 1)) <= FARTHEST)) {
                throw new Refused("points", "A point must lie within a million pixels of the picture.");
            }
            pixels.add(new Pixel(points.get(i), points.get(i + 1)));
        }
        return pixels;
    }
}
