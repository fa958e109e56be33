package hausbau.core.reduce;

import hausbau.core.measure.Refused;
import hausbau.core.shape.Alike;
import hausbau.core.shape.Faces;
import hausbau.core.shape.Faces.Laid;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.MeshBuilder;
import hausbau.core.shape.Point;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.lwjgl.system.MemoryUtil;
import org.lwjgl.util.meshoptimizer.MeshOptimizer;

/**
 * A mesh with fewer triangles, by meshoptimizer: edges are drawn together where that shows least. Each material by itself, its rim
 * kept, so that materials go on meeting. Where corners are parted by their UVs all over, so that little could be saved, the surface
 * is reduced as it hangs together in space, and laid out anew.
 *
 * @param error how far it lies from the whole one, as the library reckons it, millimetres
 */
public record Reduced(Mesh mesh, double error) {

    /** Of the mesh's size: what would show more is not done, however few triangles are wanted. Our own bound. */
    private static final float MOST_ERROR = 0.1f;
    /** Times the triangles that are wanted: more is worth another try. */
    private static final double TOO_MANY = 1.2;
    /** A corner takes a normal of the whole mesh where that bends from its new face by no more. */
    private static final double NEAR = Math.cos(Math.toRadians(45));

    /**
     * @param share of the triangles that is wanted, above 0 to 1; there may be more left
     * @throws Refused if the share is none
     */
    public static Reduced of(Mesh mesh, double share, Finish finish) {
        if (!(share > 0 && share <= 1)) {
            throw new Refused("details", "A level of detail has above 0 and at most 100 percent of the triangles.");
        }
        var built = new MeshBuilder(finish);
        var error = 0.0;
        for (var part : mesh.parts()) {
            var faces = built.of(part.swatch());
            var wanted = (int) Math.max(1, part.indices().length / 3 * share);
            var left = simplified(mesh, part.indices(), wanted);
            // What shares a sheet has a place on it, which is not found again.
            if (left.indices().length / 3 <= TOO_MANY * wanted || part.swatch().isSharedSheet()) {
                asLaidOut(mesh, left.indices(), faces, finish.sheetsPerMillimetre(part.swatch()));
            } else {
                var places = places(mesh);
                left = simplified(
                        mesh, IntStream.of(part.indices()).map(i -> places[i]).toArray(), wanted);
                laidOutAnew(mesh, part.indices(), places, left.indices(), faces);
            }
            error = Math.max(error, left.error());
        }
        return new Reduced(built.build(), error);
    }

    /** The first vertex that lies where each does, to a nanometre. */
    private static int[] places(Mesh mesh) {
        var p = mesh.positions();
        var alike = new Alike(mesh.vertices()) {
            private long at(int v, int axis) {
                return Math.round(p[3 * v + axis] * 1e6);
            }

            @Override
            protected long hash(int v) {
                return (at(v, 0) * 0x9E3779B97F4A7C15L ^ at(v, 1)) * 0xC2B2AE3D27D4EB4FL ^ at(v, 2);
            }

            @Override
            protected boolean same(int a, int b) {
                return at(a, 0) == at(b, 0) && at(a, 1) == at(b, 1) && at(a, 2) == at(b, 2);
            }
        };
        return IntStream.range(0, mesh.vertices()).map(alike::first).toArray();
    }

    private record Simplified(int[] indices, double error) {}

    /** Memory outside of the heap, as the library wants it: 12 bytes a vertex, 8 an index, while it works. */
    private static Simplified simplified(Mesh mesh, int[] indices, int wanted) {
        // Corners that no face uses would tie down those that lie where they do.
        var used = IntStream.of(indices).distinct().toArray();
        var number = new int[mesh.vertices()];
        for (var i = 0; i < used.length; i++) {
            number[used[i]] = i;
        }
        var positions = MemoryUtil.memAllocFloat(3 * used.length);
        var from = MemoryUtil.memAllocInt(indices.length);
        var to = MemoryUtil.memAllocInt(indices.length);
        var off = MemoryUtil.memAllocFloat(1);
        try {
            for (var v : used) {
                positions
                        .put((float) mesh.positions()[3 * v])
                        .put((float) mesh.positions()[3 * v + 1])
                        .put((float) mesh.positions()[3 * v + 2]);
            }
            positions.flip();
            for (var index : indices) {
                from.put(number[index]);
            }
            from.flip();
            var how = MeshOptimizer.meshopt_SimplifyPrune | MeshOptimizer.meshopt_SimplifyLockBorder;
            var count = MeshOptimizer.meshopt_simplify(
                    to, from, positions, used.length, 12, 3L * wanted, MOST_ERROR, how, off);
            var left = new int[(int) count];
            Arrays.setAll(left, i -> used[to.get(i)]);
            return new Simplified(left, off.get(0) * MeshOptimizer.meshopt_simplifyScale(positions, used.length, 12));
        } finally {
            List.of(positions, from, to, off).forEach(MemoryUtil::memFree);
        }
    }

    private static void asLaidOut(Mesh mesh, int[] indices, Faces faces, double sheetsPerMillimetre) {
        for (var t = 0; t < indices.length; t += 3) {
            var corners = Arrays.copyOfRange(indices, t, t + 3);
            faces.face(
                    points(mesh, corners),
                    normals(mesh, corners),
                    IntStream.of(corners)
                            .mapToObj(v -> new Laid(
                                    mesh.uvs()[2 * v] / sheetsPerMillimetre,
                                    (1 - mesh.uvs()[2 * v + 1]) / sheetsPerMillimetre))
                            .toArray(Laid[]::new));
        }
    }

    private static void laidOutAnew(Mesh mesh, int[] whole, int[] places, int[] indices, Faces faces) {
        // The corners of the whole mesh at each place, one after the other.
        var from = new int[mesh.vertices() + 1];
        IntStream.of(whole).forEach(v -> from[places[v] + 1]++);
        Arrays.parallelPrefix(from, Integer::sum);
        var next = from.clone();
        var there = new int[whole.length];
        IntStream.of(whole).forEach(v -> there[next[places[v]]++] = v);
        for (var t = 0; t < indices.length; t += 3) {
            var corners = points(mesh, Arrays.copyOfRange(indices, t, t + 3));
            var flat = Faces.normal(corners);
            var turned = new Point[3];
            for (var k = 0; k < 3; k++) {
                turned[k] = flat;
                var nearest = NEAR;
                for (var i = from[indices[t + k]]; i < from[indices[t + k] + 1]; i++) {
                    var normal = normal(mesh, there[i]);
                    if (normal.dot(flat) > nearest) {
                        nearest = normal.dot(flat);
                        turned[k] = normal;
                    }
                }
            }
            faces.face(corners, turned);
        }
    }

    private static Point[] points(Mesh mesh, int[] vertices) {
        return IntStream.of(vertices).mapToObj(mesh::position).toArray(Point[]::new);
    }

    private static Point[] normals(Mesh mesh, int[] vertices) {
        return IntStream.of(vertices).mapToObj(v -> normal(mesh, v)).toArray(Point[]::new);
    }

    private static Point normal(Mesh mesh, int v) {
        return new Point(mesh.normals()[3 * v], mesh.normals()[3 * v + 1], mesh.normals()[3 * v + 2]);
    }
}
