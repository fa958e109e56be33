package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.shape.Point;
import java.util.Arrays;
import java.util.stream.Stream;

/** Boxes around points. */
final class Extent {

    /** What lies this near to a whole micrometre is meant to lie on it. */
    private static final double MEANT = 1e-3;

    private Extent() {}

    /** The least box of whole micrometres that holds the points, which are in millimetres. */
    static Box of(Stream<Point> points) {
        double[] low = {Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY};
        double[] high = {Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY};
        points.forEach(p -> {
            double[] at = {p.x(), p.y(), p.z()};
            for (var i = 0; i < 3; i++) {
                low[i] = Math.min(low[i], at[i]);
                high[i] = Math.max(high[i], at[i]);
            }
        });
        var lo = Arrays.stream(low)
                .mapToLong(v -> (long) Math.floor(v * 1000 + MEANT))
                .toArray();
        var hi = Arrays.stream(high)
                .mapToLong(v -> (long) Math.ceil(v * 1000 - MEANT))
                .toArray();
        return Box.of(lo[0], lo[1], lo[2], hi[0], hi[1], hi[2]);
    }

    static Stream<Point> corners(Box box) {
        return Stream.of(0, 1, 2, 3, 4, 5, 6, 7)
                .map(i -> new Point(
                        ((i & 1) == 0 ? box.min() : box.max()).x() / 1000.0,
                        ((i & 2) == 0 ? box.min() : box.max()).y() / 1000.0,
                        ((i & 4) == 0 ? box.min() : box.max()).z() / 1000.0));
    }
}
