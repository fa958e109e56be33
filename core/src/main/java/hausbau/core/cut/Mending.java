package hausbau.core.cut;

import hausbau.core.shape.Faces;
import hausbau.core.shape.Facet;
import hausbau.core.shape.Point;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.locationtech.jts.algorithm.Angle;
import org.locationtech.jts.algorithm.Area;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** Makes one closed surface of faces and pieces of faces: those of one flat face are put together, and neighbours share their corners. */
final class Mending {

    /** Corners nearer than this are one, and what lies nearer to an edge lies on it, millimetres. */
    static final double NEAR = 5 * Plane.NEAR;

    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    /** A face, maybe with holes. @param rings the outline, then its holes, without a last corner that is the first again */
    private record Patch(Facet of, List<List<Point>> rings) {

        List<Point> outline() {
            return rings.get(0);
        }
    }

    /** A face of a body and what is left of it. */
    private record Face(Facet of, List<Patch> pieces) {}

    private record Cell(long x, long y, long z) {}

    private final Map<Cell, List<Point>> welded = new HashMap<>();
    private final List<Patch> whole = new ArrayList<>();
    private final List<Face> near = new ArrayList<>();

    /** Takes a face that is whole, and not near to any cut. */
    void know(Facet facet) {
        whole.add(new Patch(facet, List.of(welded(Arrays.asList(facet.corners())))));
    }

    /** Takes what is left of a face that is near to the cut. */
    void add(Facet of, List<Facet> left) {
        var pieces = left.stream()
                .map(f -> new Patch(f, List.of(welded(Arrays.asList(f.corners())))))
                .filter(p -> p.outline().size() > 2 && !isLine(p.outline()))
                .toList();
        near.add(new Face(of, pieces));
    }

    /** Whether all corners lie on the stretch between the two that are farthest apart. */
    private static boolean isLine(List<Point> ring) {
        var a = farthest(ring, ring.get(0));
        var b = farthest(ring, a);
        return ring.stream().allMatch(p -> Carried.isBetween(p, a, b));
    }

    private static Point farthest(List<Point> ring, Point from) {
        return ring.stream()
                .max(Comparator.comparingDouble(p -> p.minus(from).length()))
                .orElseThrow();
    }

    private List<Point> welded(List<Point> ring) {
        var points = new ArrayList<Point>();
        for (var p : ring) {
            var at = welded(p);
            if (points.isEmpty() || points.get(points.size() - 1) != at) {
                points.add(at);
            }
        }
        if (points.size() > 1 && points.get(0) == points.get(points.size() - 1)) {
            points.remove(points.size() - 1);
        }
        return points;
    }

    private Point welded(Point p) {
        var x = (long) Math.floor(p.x() / NEAR);
        var y = (long) Math.floor(p.y() / NEAR);
        var z = (long) Math.floor(p.z() / NEAR);
        for (var i = x - 1; i <= x + 1; i++) {
            for (var j = y - 1; j <= y + 1; j++) {
                for (var k = z - 1; k <= z + 1; k++) {
                    for (var near : welded.getOrDefault(new Cell(i, j, k), List.of())) {
                        if (near.minus(p).length() < NEAR) {
                            return near;
                        }
                    }
                }
            }
        }
        welded.computeIfAbsent(new Cell(x, y, z), c -> new ArrayList<>(1)).add(p);
        return p;
    }

    /** A face's plane with axes in it. */
    private static final class Flat {
        private final Point origin;
        private final Point right;
        private final Point up;

        Flat(Facet facet) {
            var normal = Plane.of(facet).map(Plane::normal).orElseGet(() -> facet.normals()[0]);
            var x = Math.abs(normal.x()) < 0.6 ? new Point(1, 0, 0) : new Point(0, 1, 0);
            right = x.minus(normal.times(normal.dot(x))).unit();
            up = normal.cross(right);
            origin = facet.corners()[0];
        }

        Coordinate flat(Point p) {
            var d = p.minus(origin);
            return new Coordinate(d.dot(right), d.dot(up));
        }

        /** Above 0 where it goes round counter-clockwise. */
        double area(List<Point> loop) {
            return -Area.ofRingSigned(ring(loop).getCoordinates());
        }

        /** How far to the left the second edge goes from where the first comes in, −π to π. */
        double turn(Edge in, Edge out) {
            var a = flat(in.to);
            var from = flat(in.from);
            var to = flat(out.to);
            return Angle.normalize(Math.atan2(to.y - a.y, to.x - a.x) - Math.atan2(a.y - from.y, a.x - from.x));
        }

        LinearRing ring(List<Point> points) {
            var coordinates = new Coordinate[points.size() + 1];
            for (var i = 0; i <= points.size(); i++) {
                coordinates[i] = flat(points.get(i % points.size()));
            }
            return GEOMETRY.createLinearRing(coordinates);
        }

        Polygon polygon(List<List<Point>> rings) {
            return GEOMETRY.createPolygon(
                    ring(rings.get(0)), rings.stream().skip(1).map(this::ring).toArray(LinearRing[]::new));
        }
    }

    /** A face's pieces as one, where it is flat and they can be. */
    private static List<Patch> together(Face face, Point[] candidates) {
        if (face.pieces.size() == 1 || !Carried.isFlatLit(face.of)) {
            return face.pieces;
        }
        var flat = new Flat(face.of);
        var loops = loops(
                flat,
                face.pieces.stream()
                        .map(p -> withCorners(p.outline(), p, candidates))
                        .toList());
        loops.replaceAll(Mending::corners);
        loops.removeIf(loop -> loop.size() < 3 || isLine(loop));
        var outer = new ArrayList<List<List<Point>>>();
        loops.stream().filter(loop -> flat.area(loop) > 0).forEach(loop -> outer.add(new ArrayList<>(List.of(loop))));
        for (var hole : loops) {
            if (flat.area(hole) < 0) {
                var within = flat.polygon(List.of(hole));
                var around = outer.stream()
                        .filter(o -> flat.polygon(List.of(o.get(0))).covers(within))
                        .min(Comparator.comparingDouble(o -> flat.area(o.get(0))));
                if (around.isEmpty()) {
                    return face.pieces;
                }
                around.get().add(hole);
            }
        }
        var patches = outer.stream().map(rings -> new Patch(face.of, rings)).toList();
        return patches.stream().allMatch(p -> flat.polygon(p.rings).isValid()) ? patches : face.pieces;
    }

    private record Edge(Point from, Point to) {}

    /** What is left where edges that are walked both ways are taken out. */
    private static List<List<Point>> loops(Flat flat, List<List<Point>> rings) {
        var edges = new LinkedHashSet<Edge>();
        for (var ring : rings) {
            for (var i = 0; i < ring.size(); i++) {
                var edge = new Edge(ring.get(i), ring.get((i + 1) % ring.size()));
                if (!edges.remove(new Edge(edge.to, edge.from))) {
                    edges.add(edge);
                }
            }
        }
        var from = new HashMap<Point, List<Edge>>();
        edges.forEach(e -> from.computeIfAbsent(e.from, p -> new ArrayList<>()).add(e));
        var loops = new ArrayList<List<Point>>();
        while (!edges.isEmpty()) {
            var edge = edges.iterator().next();
            var loop = new ArrayList<Point>();
            while (edge != null && edges.remove(edge)) {
                loop.add(edge.from);
                var came = edge;
                // Where several loops meet, the one that turns most to the left stays within its own.
                edge = from.getOrDefault(edge.to, List.of()).stream()
                        .filter(edges::contains)
                        .max(Comparator.comparingDouble(e -> flat.turn(came, e)))
                        .orElse(null);
            }
            loops.add(loop);
        }
        return loops;
    }

    /** Those where the line bends. */
    private static List<Point> corners(List<Point> loop) {
        var points = new ArrayList<>(loop);
        for (var i = 0; i < points.size() && points.size() > 2; ) {
            var n = points.size();
            if (Carried.isBetween(points.get(i), points.get((i + n - 1) % n), points.get((i + 1) % n))) {
                points.remove(i);
                i = Math.max(0, i - 1);
            } else {
                i++;
            }
        }
        return points;
    }

    /** All faces, closed where what they were made of closed. */
    List<Facet> facets() {
        var all = sorted(near.stream().flatMap(f -> f.pieces.stream()));
        var patches = near.stream().flatMap(f -> together(f, all).stream()).toList();
        var corners = sorted(patches.stream());
        var facets = new ArrayList<Facet>();
        Stream.concat(whole.stream(), patches.stream()).forEach(patch -> write(patch, corners, facets));
        return facets;
    }

    private static Point[] sorted(Stream<Patch> patches) {
        return patches.flatMap(p -> p.rings.stream())
                .flatMap(List::stream)
                .distinct()
                .sorted(Comparator.comparingDouble(Point::x))
                .toArray(Point[]::new);
    }

    private static void write(Patch patch, Point[] corners, List<Facet> into) {
        var rings = patch.rings.stream()
                .map(ring -> withCorners(ring, patch, corners))
                .toList();
        if (patch.outline().size() < 3) {
            return;
        }
        if (rings.size() == 1 && isSame(rings.get(0), patch.of.corners())) {
            into.add(new Facet(
                    patch.of.swatch(), rings.get(0).toArray(Point[]::new), patch.of.normals(), patch.of.laid()));
        } else {
            triangles(patch, rings, into);
        }
    }

    private static boolean isSame(List<Point> ring, Point[] corners) {
        return ring.size() == corners.length
                && IntStream.range(0, corners.length)
                        .allMatch(i -> ring.get(i).minus(corners[i]).length() < NEAR);
    }

    private static List<Point> withCorners(List<Point> ring, Patch patch, Point[] sorted) {
        List<Point> with = ring;
        for (var i = 0; i < ring.size(); i++) {
            var a = ring.get(i);
            var b = ring.get((i + 1) % ring.size());
            var on = between(a, b, sorted);
            if (!on.isEmpty()) {
                var own = new HashSet<Point>();
                patch.rings.forEach(own::addAll);
                on.removeIf(own::contains);
            }
            if (!on.isEmpty()) {
                on.sort(Comparator.comparingDouble(p -> p.minus(a).dot(b.minus(a))));
                if (with == ring) {
                    with = new ArrayList<>(ring);
                }
                with.addAll(i + 1 + with.size() - ring.size(), on);
            }
        }
        return with;
    }

    private static List<Point> between(Point a, Point b, Point[] sorted) {
        var on = new ArrayList<Point>();
        var from = Math.min(a.x(), b.x()) - NEAR;
        var to = Math.max(a.x(), b.x()) + NEAR;
        var low = 0;
        var high = sorted.length;
        while (low < high) {
            var middle = (low + high) >>> 1;
            if (sorted[middle].x() < from) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        for (var i = low; i < sorted.length && sorted[i].x() <= to; i++) {
            if (sorted[i] != a && sorted[i] != b && Carried.isBetween(sorted[i], a, b)) {
                on.add(sorted[i]);
            }
        }
        return on;
    }

    /** Empty where corners that were set on its edges make it cross itself, by less than what is near. */
    private static Optional<Geometry> triangulated(Flat flat, List<List<Point>> rings) {
        try {
            return Optional.of(PolygonTriangulator.triangulate(flat.polygon(rings)));
        } catch (IllegalStateException e) {
            return Optional.empty();
        }
    }

    private static void triangles(Patch patch, List<List<Point>> rings, List<Facet> into) {
        var flat = new Flat(patch.of);
        var places = new HashMap<Coordinate, Point>();
        rings.forEach(ring -> ring.forEach(p -> places.put(flat.flat(p), p)));
        Geometry found = triangulated(flat, rings)
                .or(() -> triangulated(flat, patch.rings))
                .orElseGet(GEOMETRY::createGeometryCollection);
        for (var i = 0; i < found.getNumGeometries(); i++) {
            var c = found.getGeometryN(i).getCoordinates();
            // They come clockwise, even where one is so thin that its own corners do not tell.
            var a = places.get(c[0]);
            var b = places.get(c[2]);
            var d = places.get(c[1]);
            if (a == null || b == null || d == null) {
                throw new IllegalStateException("a corner that no ring has");
            }
            into.add(new Facet(
                    patch.of.swatch(),
                    new Point[] {a, b, d},
                    new Point[] {Carried.normal(patch.of, a), Carried.normal(patch.of, b), Carried.normal(patch.of, d)},
                    new Faces.Laid[] {Carried.laid(patch.of, a), Carried.laid(patch.of, b), Carried.laid(patch.of, d)
                    }));
        }
    }
}
