package hausbau.core.shape;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

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
    public record Part(Swatch swatch, int[] indices) {}

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
        if (by.x() == 0 && by.y() == 0 && by.z() == 0) {
            return this;
        }
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
                sum += position(of[i + 1])
                                .minus(a)
                                .cross(position(of[i + 2]).minus(a))
                                .length()
                        / 2;
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
        var of = parts.stream().flatMapToInt(p -> Arrays.stream(p.indices())).toArray();
        var place = places();
        var alike = new Alike(of.length) {
            @Override
            protected long hash(int h) {
                var a = place[of[h]];
                var b = place[of[next(h)]];
                return (long) Math.min(a, b) << 32 | Math.max(a, b);
            }

            @Override
            protected boolean same(int g, int h) {
                return hash(g) == hash(h);
            }
        };
        // How much more often each is walked the way that it was first than back.
        var walked = new int[of.length];
        for (var h = 0; h < of.length; h++) {
            var first = alike.first(h);
            walked[first] += place[of[h]] == place[of[first]] ? 1 : -1;
        }
        return IntStream.range(0, of.length)
                .filter(h -> walked[h] != 0 && place[of[h]] != place[of[next(h)]])
                .mapToObj(h -> new Point[] {position(of[h]), position(of[next(h)])})
                .toList();
    }

    private static int next(int halfEdge) {
        return halfEdge % 3 == 2 ? halfEdge - 2 : halfEdge + 1;
    }

    /** The first vertex that lies where each does. */
    int[] places() {
        var alike = new Alike(vertices()) {
            @Override
            protected long hash(int v) {
                return (nanometres(3 * v) * 0x9E3779B97F4A7C15L ^ nanometres(3 * v + 1)) * 0xC2B2AE3D27D4EB4FL
                        ^ nanometres(3 * v + 2);
            }

            @Override
            protected boolean same(int a, int b) {
                return nanometres(3 * a) == nanometres(3 * b)
                        && nanometres(3 * a + 1) == nanometres(3 * b + 1)
                        && nanometres(3 * a + 2) == nanometres(3 * b + 2);
            }
        };
        return IntStream.range(0, vertices()).map(alike::first).toArray();
    }

    private long nanometres(int at) {
        return Math.round(positions[at] * 1e6);
    }
}
