package hausbau.core.cut;

import hausbau.core.shape.Faces;
import hausbau.core.shape.Facet;
import hausbau.core.shape.Point;

/** What a face carries at its places besides its corners. */
final class Carried {

    private Carried() {}

    /** Whether a point lies on a stretch, its ends included. */
    static boolean isBetween(Point p, Point a, Point b) {
        var d = b.minus(a);
        var length = d.length();
        if (length == 0) {
            return p.minus(a).length() < Mending.NEAR;
        }
        var along = p.minus(a).dot(d) / length;
        return along > -Mending.NEAR
                && along < length + Mending.NEAR
                && p.minus(a).minus(d.times(along / length)).length() < Mending.NEAR;
    }

    /** What a place of a face carries: a corner's own, what lies between two on an edge, else that of a face that carries one. */
    static Point normal(Facet facet, Point at) {
        var n = facet.corners().length;
        for (var i = 0; i < n; i++) {
            var a = facet.corners()[i];
            var b = facet.corners()[(i + 1) % n];
            if (isBetween(at, a, b)) {
                var share = Math.max(
                        0, Math.min(1, at.minus(a).dot(b.minus(a)) / b.minus(a).dot(b.minus(a))));
                return facet.normals()[i]
                        .times(1 - share)
                        .plus(facet.normals()[(i + 1) % n].times(share))
                        .unit();
            }
        }
        return facet.normals()[0];
    }

    /** Whether all corners carry one normal. */
    static boolean isFlatLit(Facet facet) {
        for (var normal : facet.normals()) {
            if (normal.minus(facet.normals()[0]).length() > 1e-9) {
                return false;
            }
        }
        return true;
    }

    /** Where a place of a face's plane lies on the surface as it is laid out. */
    static Faces.Laid laid(Facet facet, Point at) {
        var corners = facet.corners();
        // The two edges from one corner that span most.
        var best = 0.0;
        var laid = facet.laid()[0];
        for (var i = 0; i < corners.length; i++) {
            var j = (i + 1) % corners.length;
            var k = (i + corners.length - 1) % corners.length;
            var x = corners[j].minus(corners[i]);
            var y = corners[k].minus(corners[i]);
            var across = x.cross(y);
            var area = across.dot(across);
            if (area > best) {
                best = area;
                var p = at.minus(corners[i]);
                var s = p.cross(y).dot(across) / area;
                var t = x.cross(p).dot(across) / area;
                var o = facet.laid()[i];
                var u = facet.laid()[j];
                var v = facet.laid()[k];
                laid = new Faces.Laid(
                        o.along() + s * (u.along() - o.along()) + t * (v.along() - o.along()),
                        o.across() + s * (u.across() - o.across()) + t * (v.across() - o.across()));
            }
        }
        return laid;
    }
}
