package hausbau.core.shape;

import java.util.List;
import java.util.function.Function;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.triangulate.polygon.ConstrainedDelaunayTriangulator;

/** Closes an outline with its holes by triangles (JTS, constrained Delaunay). */
final class Cap {

    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    private Cap() {
    }

    /**
     * @param rings  the outline, then its holes
     * @param place  where a point of the plane lies
     * @param isBack whether the face looks the way that a point right of another and one above it turn from, that is away
     */
    static void add(Faces faces, List<Ring> rings, Function<Ring.At, Point> place, boolean isBack) {
        var holes = rings.subList(1, rings.size()).stream().map(Ring::toJts).toArray(LinearRing[]::new);
        var triangles = ConstrainedDelaunayTriangulator.triangulate(GEOMETRY.createPolygon(rings.get(0).toJts(), holes));
        for (var i = 0; i < triangles.getNumGeometries(); i++) {
            var c = triangles.getGeometryN(i).getCoordinates();
            var counterClockwise = (c[1].x - c[0].x) * (c[2].y - c[0].y) - (c[2].x - c[0].x) * (c[1].y - c[0].y) > 0;
            var keep = counterClockwise != isBack;
            faces.face(at(c[0], place), at(c[keep ? 1 : 2], place), at(c[keep ? 2 : 1], place));
        }
    }

    private static Point at(Coordinate c, Function<Ring.At, Point> place) {
        return place.apply(new Ring.At(c.x, c.y));
    }
}
