package hausbau.core.cut;

import hausbau.core.shape.Faces;
import hausbau.core.shape.Facet;
import hausbau.core.shape.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What parts space in two. @param normal one long, @param at how far along it */
record Plane(Point normal, double at) {

    /** What lies nearer to it lies on it, millimetres. */
    static final double NEAR = 1e-4;

    /** Of a face by Newell's method, which takes corners in one line; none where it has no area to speak of. */
    static Optional<Plane> of(Facet facet) {
        var corners = facet.corners();
        var sum = new Point(0, 0, 0);
        for (var i = 1; i + 1 < corners.length; i++) {
            sum = sum.plus(corners[i].minus(corners[0]).cross(corners[i + 1].minus(corners[0])));
        }
        if (!(sum.length() > 1e-8)) {
            return Optional.empty();
        }
        var normal = sum.unit();
        var at = 0.0;
        for (var corner : corners) {
            at += normal.dot(corner) / corners.length;
        }
        return Optional.of(new Plane(normal, at));
    }

    double above(Point p) {
        return normal.dot(p) - at;
    }

    /** What of a face lies above and what below; one of both where it is not parted, neither where it lies on the plane. */
    record Sides(Optional<Facet> above, Optional<Facet> below) {}

    Sides part(Facet facet) {
        var corners = facet.corners();
        var heights = new double[corners.length];
        var isAbove = false;
        var isBelow = false;
        for (var i = 0; i < corners.length; i++) {
            heights[i] = above(corners[i]);
            isAbove |= heights[i] > NEAR;
            isBelow |= heights[i] < -NEAR;
        }
        if (!isAbove || !isBelow) {
            return new Sides(
                    isAbove ? Optional.of(facet) : Optional.empty(), isBelow ? Optional.of(facet) : Optional.empty());
        }
        var above = new Corners();
        var below = new Corners();
        for (var i = 0; i < corners.length; i++) {
            var next = (i + 1) % corners.length;
            if (heights[i] >= -NEAR) {
                above.take(facet, i);
            }
            if (heights[i] <= NEAR) {
                below.take(facet, i);
            }
            if (heights[i] > NEAR && heights[next] < -NEAR || heights[i] < -NEAR && heights[next] > NEAR) {
                // From the upper to the lower end, so that the neighbour that walks the edge the other way finds the
                // same place.
                var from = heights[i] > 0 ? i : next;
                var to = heights[i] > 0 ? next : i;
                var share = heights[from] / (heights[from] - heights[to]);
                above.between(facet, from, to, share);
                below.between(facet, from, to, share);
            }
        }
        return new Sides(above.facet(facet), below.facet(facet));
    }

    /** Corners with all that they carry. */
    static final class Corners {
        private final List<Point> corners = new ArrayList<>();
        private final List<Point> normals = new ArrayList<>();
        private final List<Faces.Laid> laid = new ArrayList<>();

        void take(Facet of, int i) {
            corners.add(of.corners()[i]);
            normals.add(of.normals()[i]);
            laid.add(of.laid()[i]);
        }

        void between(Facet of, int from, int to, double share) {
            corners.add(of.corners()[from].plus(
                    of.corners()[to].minus(of.corners()[from]).times(share)));
            normals.add(of.normals()[from]
                    .times(1 - share)
                    .plus(of.normals()[to].times(share))
                    .unit());
            var a = of.laid()[from];
            var b = of.laid()[to];
            laid.add(new Faces.Laid(
                    a.along() + (b.along() - a.along()) * share, a.across() + (b.across() - a.across()) * share));
        }

        Optional<Facet> facet(Facet of) {
            return corners.size() < 3
                    ? Optional.empty()
                    : Optional.of(new Facet(
                            of.swatch(),
                            corners.toArray(Point[]::new),
                            normals.toArray(Point[]::new),
                            laid.toArray(Faces.Laid[]::new)));
        }
    }
}
