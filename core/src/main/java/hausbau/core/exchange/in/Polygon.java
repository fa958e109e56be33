package hausbau.core.exchange.in;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** Cuts flat polygons into triangles. */
final class Polygon {

    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    private Polygon() {}

    /** @param places three a corner, @param first corner of the polygon; the others follow it; @return three indices a triangle, turning as the polygon does */
    static int[] triangles(double[] places, int first, int count) {
        if (count == 3) {
            return new int[] {first, first + 1, first + 2};
        }
        return isConvex(places, first, count) ? fan(first, count) : cut(places, first, count);
    }

    private static int[] fan(int first, int count) {
        var fan = new int[3 * (count - 2)];
        for (var t = 0; t < count - 2; t++) {
            fan[3 * t] = first;
            fan[3 * t + 1] = first + t + 1;
            fan[3 * t + 2] = first + t + 2;
        }
        return fan;
    }

    /** By Newell's method: right for polygons that do not lie quite in one plane, too. */
    private static double[] normal(double[] places, int first, int count) {
        var n = new double[3];
        for (var k = 0; k < count; k++) {
            var a = 3 * (first + k);
            var b = 3 * (first + (k + 1) % count);
            n[0] += (places[a + 1] - places[b + 1]) * (places[a + 2] + places[b + 2]);
            n[1] += (places[a + 2] - places[b + 2]) * (places[a] + places[b]);
            n[2] += (places[a] - places[b]) * (places[a + 1] + places[b + 1]);
        }
        return n;
    }

    private static boolean isConvex(double[] places, int first, int count) {
        var n = normal(places, first, count);
        for (var k = 0; k < count; k++) {
            var a = 3 * (first + k);
            var b = 3 * (first + (k + 1) % count);
            var c = 3 * (first + (k + 2) % count);
            var x = (places[b + 1] - places[a + 1]) * (places[c + 2] - places[b + 2])
                    - (places[b + 2] - places[a + 2]) * (places[c + 1] - places[b + 1]);
            var y = (places[b + 2] - places[a + 2]) * (places[c] - places[b])
                    - (places[b] - places[a]) * (places[c + 2] - places[b + 2]);
            var z = (places[b] - places[a]) * (places[c + 1] - places[b + 1])
                    - (places[b + 1] - places[a + 1]) * (places[c] - places[b]);
            if (x * n[0] + y * n[1] + z * n[2] < 0) {
                return false;
            }
        }
        return true;
    }

    /** Seen along the axis that it faces most, and cut there; a fan where it crosses itself. */
    private static int[] cut(double[] places, int first, int count) {
        var n = normal(places, first, count);
        var away = Math.abs(n[0]) > Math.abs(n[1]) && Math.abs(n[0]) > Math.abs(n[2])
                ? 0
                : Math.abs(n[1]) > Math.abs(n[2]) ? 1 : 2;
        var ring = new ArrayList<Coordinate>();
        for (var k = 0; k < count; k++) {
            var at = 3 * (first + k);
            // Z is kept free by the plane, and tells the corner.
            ring.add(new Coordinate(places[at + (away + 1) % 3], places[at + (away + 2) % 3], k));
        }
        ring.add(ring.get(0).copy());
        var polygon = GEOMETRY.createPolygon(ring.toArray(Coordinate[]::new));
        if (!polygon.isValid()) {
            return fan(first, count);
        }
        var found = PolygonTriangulator.triangulate(polygon);
        var indices = new int[3 * found.getNumGeometries()];
        for (var t = 0; t < found.getNumGeometries(); t++) {
            var c = found.getGeometryN(t).getCoordinates();
            var turnsLeft = (c[1].x - c[0].x) * (c[2].y - c[0].y) - (c[2].x - c[0].x) * (c[1].y - c[0].y) > 0;
            var asSeen = turnsLeft == n[away] > 0;
            indices[3 * t] = first + corner(ring, c[0]);
            indices[3 * t + 1] = first + corner(ring, c[asSeen ? 1 : 2]);
            indices[3 * t + 2] = first + corner(ring, c[asSeen ? 2 : 1]);
        }
        return indices;
    }

    private static int corner(List<Coordinate> ring, Coordinate c) {
        return ring.indexOf(c);
    }
}
