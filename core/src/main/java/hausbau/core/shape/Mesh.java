package hausbau.core.shape;

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
}
