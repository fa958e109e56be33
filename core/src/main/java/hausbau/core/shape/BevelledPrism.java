package hausbau.core.shape;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.ConstrainedDelaunayTriangulator;

/**
 * An outline in the XZ plane, with or without holes, pushed along Y; the edges of its front (least Y) and back are
 * chamfered, those along Y are sharp.
 *
 * <p>Precondition: rings are simple, have no collinear corners, and stay further than twice the chamfer apart. The
 * chamfer is the outline set inwards along mitres. Cost: that of triangulating the outline (JTS, constrained Delaunay).
 */
public final class BevelledPrism {

    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    private BevelledPrism() {
    }

    /** A corner of an outline, millimetres. */
    public record Corner(double x, double z) {
    }

    /**
     * @param outer the outline; any direction
     * @param holes the outlines of holes; any direction
     * @param y0    front, @param y1 back; further apart than twice the chamfer
     */
    public static void add(MeshBuilder mesh, Finish finish, Swatch swatch, List<Corner> outer, List<List<Corner>> holes,
            double y0, double y1) {
        add(mesh, finish, swatch, outer, holes, y0, y1, UnaryOperator.identity());
    }

    /**
     * The same with the outline in the XY plane, pushed up.
     *
     * @param outer X and Y of its corners; any direction
     * @param z0    foot, @param z1 top; further apart than twice the chamfer
     */
    public static void addUpright(MeshBuilder mesh, Finish finish, Swatch swatch, List<Corner> outer, double z0, double z1) {
        // A quarter turn about X takes Y up and Z to the south.
        var laid = outer.stream().map(c -> new Corner(c.x(), -c.z())).toList();
        add(mesh, finish, swatch, laid, List.of(), z0, z1, p -> new Point(p.x(), -p.z(), p.y()));
    }

    private static void add(MeshBuilder mesh, Finish finish, Swatch swatch, List<Corner> outer, List<List<Corner>> holes,
            double y0, double y1, UnaryOperator<Point> turn) {
        var bevel = finish.bevel();
        var rings = new ArrayList<List<Corner>>();
        rings.add(directed(outer, true));
        holes.forEach(hole -> rings.add(directed(hole, false)));
        var inset = rings.stream().map(ring -> inset(ring, bevel)).toList();
        cap(mesh, swatch, inset, y0, false, turn);
        cap(mesh, swatch, inset, y1, true, turn);
        for (var r = 0; r < rings.size(); r++) {
            sides(mesh, swatch, rings.get(r), inset.get(r), bevel, y0, y1, turn);
        }
    }

    private static List<Corner> directed(List<Corner> ring, boolean counterClockwise) {
        var area = 0.0;
        for (var i = 0; i < ring.size(); i++) {
            var a = ring.get(i);
            var b = ring.get((i + 1) % ring.size());
            area += a.x() * b.z() - b.x() * a.z();
        }
        if (area > 0 == counterClockwise) {
            return ring;
        }
        var reversed = new ArrayList<>(ring);
        Collections.reverse(reversed);
        return reversed;
    }

    /** The ring with every edge moved to its left by the distance: into the material for both kinds of ring. */
    private static List<Corner> inset(List<Corner> ring, double by) {
        var moved = new ArrayList<Corner>();
        for (var i = 0; i < ring.size(); i++) {
            var before = ring.get((i + ring.size() - 1) % ring.size());
            var at = ring.get(i);
            var after = ring.get((i + 1) % ring.size());
            var n1 = left(before, at);
            var n2 = left(at, after);
            var scale = by / (1 + n1.x() * n2.x() + n1.z() * n2.z());
            moved.add(new Corner(at.x() + (n1.x() + n2.x()) * scale, at.z() + (n1.z() + n2.z()) * scale));
        }
        return moved;
    }

    private static Corner left(Corner a, Corner b) {
        var length = Math.hypot(b.x() - a.x(), b.z() - a.z());
        return new Corner(-(b.z() - a.z()) / length, (b.x() - a.x()) / length);
    }

    private static void cap(MeshBuilder mesh, Swatch swatch, List<List<Corner>> rings, double y, boolean back, UnaryOperator<Point> turn) {
        var holes = rings.subList(1, rings.size()).stream().map(BevelledPrism::ring).toArray(LinearRing[]::new);
        Polygon polygon = GEOMETRY.createPolygon(ring(rings.get(0)), holes);
        var triangles = ConstrainedDelaunayTriangulator.triangulate(polygon);
        for (var i = 0; i < triangles.getNumGeometries(); i++) {
            var c = triangles.getGeometryN(i).getCoordinates();
            var counterClockwise = (c[1].x - c[0].x) * (c[2].y - c[0].y) - (c[2].x - c[0].x) * (c[1].y - c[0].y) > 0;
            // Seen from the front (looking along +Y) X runs right and Z up, so counter-clockwise in XZ faces the front.
            var keep = counterClockwise != back;
            mesh.face(swatch, turn.apply(point(c[0], y)), turn.apply(point(c[keep ? 1 : 2], y)), turn.apply(point(c[keep ? 2 : 1], y)));
        }
    }

    private static Point point(Coordinate c, double y) {
        return new Point(c.x, y, c.y);
    }

    private static LinearRing ring(List<Corner> corners) {
        var coordinates = new Coordinate[corners.size() + 1];
        for (var i = 0; i <= corners.size(); i++) {
            var corner = corners.get(i % corners.size());
            coordinates[i] = new Coordinate(corner.x(), corner.z());
        }
        return GEOMETRY.createLinearRing(coordinates);
    }

    private static void sides(MeshBuilder mesh, Swatch swatch, List<Corner> ring, List<Corner> inset, double bevel,
            double y0, double y1, UnaryOperator<Point> turn) {
        var front = turn.apply(new Point(0, -1, 0));
        var back = turn.apply(new Point(0, 1, 0));
        BiFunction<Corner, Double, Point> at = (corner, y) -> turn.apply(new Point(corner.x(), y, corner.z()));
        for (var i = 0; i < ring.size(); i++) {
            var j = (i + 1) % ring.size();
            var left = left(ring.get(i), ring.get(j));
            var outward = turn.apply(new Point(-left.x(), 0, -left.z()));
            var a = ring.get(i);
            var b = ring.get(j);
            var insetA = inset.get(i);
            var insetB = inset.get(j);
            mesh.face(swatch, at.apply(a, y0 + bevel), at.apply(a, y1 - bevel), at.apply(b, y1 - bevel), at.apply(b, y0 + bevel));
            mesh.face(swatch, new Point[] {at.apply(insetA, y0), at.apply(a, y0 + bevel), at.apply(b, y0 + bevel), at.apply(insetB, y0)},
                    new Point[] {front, outward, outward, front});
            mesh.face(swatch, new Point[] {at.apply(a, y1 - bevel), at.apply(insetA, y1), at.apply(insetB, y1), at.apply(b, y1 - bevel)},
                    new Point[] {outward, back, back, outward});
        }
    }
}
