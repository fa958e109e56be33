package hausbau.core.shape;

import java.util.HashMap;
import java.util.List;

/**
 * Triangles with normals and UVs.
 *
 * @param positions three a vertex, millimetres
 * @param normals   three a vertex, one long
 * @param uvs       two a vertex; 1 is one sheet's width
 * @param parts     the triangles by swatch
 */
public record Mesh(double[] positions, double[] normals, double[] uvs, List<Part> parts) {

    /** @param indices three a triangle, counter-clockwise from outside */
    public record Part(Swatch swatch, int[] indices) {
    }

    public int vertices() {
        return positions.length / 3;
    }

    public int triangles() {
        return parts.stream().mapToInt(p -> p.indices().length / 3).sum();
    }

    public Point position(int vertex) {
        return new Point(positions[3 * vertex], positions[3 * vertex + 1], positions[3 * vertex + 2]);
    }

    /** Bytes in a graphics card's memory: 32 a vertex (position, normal, UV in single precision), 4 an index. */
    public long bytes() {
        return 32L * vertices() + 12L * triangles();
    }

    /** The same mesh moved, in millimetres. */
    public Mesh movedBy(Point by) {
        var moved = positions.clone();
        for (var i = 0; i < moved.length; i += 3) {
            moved[i] += by.x();
            moved[i + 1] += by.y();
            moved[i + 2] += by.z();
        }
        return new Mesh(moved, normals, uvs, parts);
    }

    /** The sum of its triangles, mm². */
    public double area() {
        var sum = 0.0;
        for (var part : parts) {
            var of = part.indices();
            for (var i = 0; i < of.length; i += 3) {
                var a = position(of[i]);
                sum += position(of[i + 1]).minus(a).cross(position(of[i + 2]).minus(a)).length() / 2;
            }
        }
        return sum;
    }

    /** What its faces enclose, mm³, by the divergence theorem; negative where they look inward. */
    public double volume() {
        var sum = 0.0;
        for (var part : parts) {
            var of = part.indices();
            for (var i = 0; i < of.length; i += 3) {
                sum += position(of[i]).dot(position(of[i + 1]).cross(position(of[i + 2])));
            }
        }
        return sum / 6;
    }

    /** The ends of edges that are not walked once each way as often: where it is open, or a face is turned about. Places are welded to a nanometre. */
    public List<Point[]> openEdges() {
        var walked = new HashMap<Edge, Integer>();
        for (var part : parts) {
            var of = part.indices();
            for (var i = 0; i < of.length; i++) {
                var a = Weld.of(position(of[i]));
                var b = Weld.of(position(of[i % 3 == 2 ? i - 2 : i + 1]));
                walked.merge(new Edge(a, b), 1, Integer::sum);
                walked.merge(new Edge(b, a), -1, Integer::sum);
            }
        }
        return walked.entrySet().stream().filter(e -> e.getValue() > 0).map(e -> new Point[] {e.getKey().a().point(), e.getKey().b().point()}).toList();
    }

    private record Edge(Weld a, Weld b) {
    }

    /** A place in whole nanometres. */
    private record Weld(long x, long y, long z) {

        static Weld of(Point p) {
            return new Weld(Math.round(p.x() * 1e6), Math.round(p.y() * 1e6), Math.round(p.z() * 1e6));
        }

        Point point() {
            return new Point(x / 1e6, y / 1e6, z / 1e6);
        }
    }
}
