package hausbau.server.store.takeoff;

import hausbau.core.measure.Refused;
import hausbau.core.takeoff.Pixel;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Points of a picture as rows keep them: x and y by turns. */
public final class Points {

    private static final double FARTHEST = 1_000_000;

    private Points() {}

    public static List<Double> flat(List<Pixel> pixels) {
        return pixels.stream().flatMap(p -> Stream.of(p.x(), p.y())).toList();
    }

    /** @throws Refused if the numbers are not pairs, or one is no place within a million pixels */
    public static List<Pixel> pixels(List<Double> points) {
        if (points.size() % 2 != 0) {
            throw new Refused("points", "Points are x and y by turns.");
        }
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
