package hausbau.core.cut;

import hausbau.core.shape.Facet;
import hausbau.core.shape.Point;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** An upright box that faces lie in, millimetres. */
record Reach(Point low, Point high) {

    static Reach of(List<Facet> facets) {
        return facets.stream()
                .map(Reach::of)
                .reduce((a, b) -> new Reach(least(a.low, b.low), greatest(a.high, b.high)))
                .orElseThrow();
    }

    static Reach of(Facet facet) {
        var low = facet.corners()[0];
        var high = low;
        for (var corner : facet.corners()) {
            low = least(low, corner);
            high = greatest(high, corner);
        }
        return new Reach(low, high);
    }

    private static Point least(Point a, Point b) {
        return new Point(Math.min(a.x(), b.x()), Math.min(a.y(), b.y()), Math.min(a.z(), b.z()));
    }

    private static Point greatest(Point a, Point b) {
        return new Point(Math.max(a.x(), b.x()), Math.max(a.y(), b.y()), Math.max(a.z(), b.z()));
    }

    /** What both reach; null where they are apart. */
    @Nullable
    Reach shared(Reach o) {
        var from = greatest(low, o.low);
        var to = least(high, o.high);
        var near = Plane.NEAR;
        return from.x() > to.x() + near || from.y() > to.y() + near || from.z() > to.z() + near
                ? null
                : new Reach(least(from, to), greatest(from, to));
    }

    Reach grown(double by) {
        var d = new Point(by, by, by);
        return new Reach(low.minus(d), high.plus(d));
    }

    Point middle() {
        return low.plus(high).times(0.5);
    }

    /** What of a face lies inside. */
    Optional<Facet> part(Facet facet) {
        var planes = List.of(
                new Plane(new Point(1, 0, 0), high.x()),
                new Plane(new Point(-1, 0, 0), -low.x()),
                new Plane(new Point(0, 1, 0), high.y()),
                new Plane(new Point(0, -1, 0), -low.y()),
                new Plane(new Point(0, 0, 1), high.z()),
                new Plane(new Point(0, 0, -1), -low.z()));
        var left = Optional.of(facet);
        for (var plane : planes) {
            left = left.flatMap(f -> plane.part(f).below());
        }
        return left;
    }
}
