package hausbau.core.shape;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** What closes an outline with its holes: triangles (JTS, ear clipping; all lie in one plane, so that thin ones do no harm). */
final class Cap {

    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    /** Three each, counter-clockwise. */
    private final List<Ring.At[]> triangles;

    private Cap(List<Ring.At[]> triangles) {
        this.triangles = triangles;
    }

    /** @param rings the outline, then its holes */
    static Cap of(List<Ring> rings) {
        var found = PolygonTriangulator.triangulate(polygon(rings));
        var triangles = new ArrayList<Ring.At[]>();
        for (var i = 0; i < found.getNumGeometries(); i++) {
            var c = found.getGeometryN(i).getCoordinates();
            var counterClockwise = (c[1].x - c[0].x) * (c[2].y - c[0].y) - (c[2].x - c[0].x) * (c[1].y - c[0].y) > 0;
            triangles.add(new Ring.At[] {at(c[0]), at(c[counterClockwise ? 1 : 2]), at(c[counterClockwise ? 2 : 1])});
        }
        return new Cap(triangles);
    }

    private static Polygon polygon(List<Ring> rings) {
        return GEOMETRY.createPolygon(
                rings.get(0).toJts(),
                rings.subList(1, rings.size()).stream().map(Ring::toJts).toArray(LinearRing[]::new));
    }

    /** Whether these neither cross nor touch, themselves or one another. */
    static boolean isSound(List<Ring> rings) {
        return polygon(rings).isValid();
    }

    private static Ring.At at(Coordinate c) {
        return new Ring.At(c.x, c.y);
    }

    /**
     * @param place  where a point of the plane lies
     * @param isBack whether the face looks the way that a point right of another and one above it turn from, that is away
     */
    void add(Faces faces, Function<Ring.At, Point> place, boolean isBack) {
        for (var t : triangles) {
            faces.face(place.apply(t[0]), place.apply(t[isBack ? 2 : 1]), place.apply(t[isBack ? 1 : 2]));
        }
    }
}
