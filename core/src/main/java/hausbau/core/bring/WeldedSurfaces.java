package hausbau.core.bring;

import hausbau.core.bring.Choices.Up;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Alike;
import hausbau.core.shape.Shell;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Surfaces as they are written down: one for each material, equal vertices kept once. */
final class WeldedSurfaces {

    /** Faces that bend by less look round, where a file has no normals. Common practice, no source. */
    private static final double ROUND = Math.cos(Math.toRadians(30));

    private final ImportedObject loose;
    private final Up up;
    private final int[] places;
    private final int[] corners;
    private final MeshTopology topology;
    private final boolean drops;
    private final boolean turns;
    /** The triangles at each point, one after the other, and where each point's begin. */
    private int[] around = new int[0];

    private int[] from = new int[0];

    WeldedSurfaces(
            ImportedObject loose,
            Up up,
            int[] places,
            int[] corners,
            MeshTopology topology,
            boolean drops,
            boolean turns) {
        this.loose = loose;
        this.up = up;
        this.places = places;
        this.corners = corners;
        this.topology = topology;
        this.drops = drops;
        this.turns = turns;
    }

    /** What a surface's triangles are in the whole. */
    private record Share(ImportedObject.Surface surface, int firstTriangle, int firstVertex) {}

    Map<String, Shell> shells() {
        var byMaterial = new LinkedHashMap<String, List<Share>>();
        var triangle = 0;
        var vertex = 0;
        for (var surface : loose.surfaces()) {
            byMaterial
                    .computeIfAbsent(surface.material(), m -> new ArrayList<>())
                    .add(new Share(surface, triangle, vertex));
            triangle += surface.triangles();
            vertex += surface.places().length / 3;
        }
        var shells = new LinkedHashMap<String, Shell>();
        byMaterial.forEach((material, shares) -> shell(shares).ifPresent(s -> shells.put(material, s)));
        if (shells.isEmpty()) {
            throw new Refused("file", "“" + loose.name() + "” has no faces with an area.");
        }
        return shells;
    }

    private Optional<Shell> shell(List<Share> shares) {
        var most = shares.stream().mapToInt(s -> 3 * s.surface().triangles()).sum();
        var laidOut = shares.stream().allMatch(s -> s.surface().uvs().length > 0);
        var vertices = new Vertices(most, laidOut);
        for (var share : shares) {
            var given = givenNormals(share);
            for (var t = 0; t < share.surface().triangles(); t++) {
                var all = share.firstTriangle() + t;
                // A face without an area is nowhere to be seen, and has no normal.
                if (topology.idle[all] && (drops || isFlat(all))) {
                    continue;
                }
                var turned = turns && topology.turned[all];
                for (var k : turned ? new int[] {0, 2, 1} : new int[] {0, 1, 2}) {
                    var corner = 3 * all + k;
                    var own = corners[corner] - share.firstVertex();
                    vertices.add(
                            corners[corner],
                            given ? upright(share.surface().normals(), own) : around(corner),
                            share.surface().uvs(),
                            own);
                }
            }
        }
        return vertices.toShell();
    }

    private boolean isFlat(int triangle) {
        return topology.point[corners[3 * triangle]] == topology.point[corners[3 * triangle + 1]]
                || length(topology.normal(triangle)) < 1;
    }

    /** Whether a surface's own normals can be used: they are there, one long, and none of its faces is turned. */
    private boolean givenNormals(Share share) {
        var normals = share.surface().normals();
        if (normals.length == 0) {
            return false;
        }
        for (var t = 0; turns && t < share.surface().triangles(); t++) {
            if (topology.turned[share.firstTriangle() + t]) {
                return false;
            }
        }
        for (var index : share.surface().indices()) {
            var x = normals[3 * index];
            var y = normals[3 * index + 1];
            var z = normals[3 * index + 2];
            if (!(Math.abs(x * x + y * y + z * z - 1) < 0.01)) {
                return false;
            }
        }
        return true;
    }

    private float[] upright(float[] normals, int v) {
        var length = (float) Math.sqrt(normals[3 * v] * normals[3 * v]
                + normals[3 * v + 1] * normals[3 * v + 1]
                + normals[3 * v + 2] * normals[3 * v + 2]);
        var x = normals[3 * v] / length;
        var y = normals[3 * v + 1] / length;
        var z = normals[3 * v + 2] / length;
        return up == Up.Y ? new float[] {x, -z, y} : new float[] {x, y, z};
    }

    /** The mean of the faces about a corner that bend little from its own, each by its area. */
    private float[] around(int corner) {
        if (from.length == 0) {
            gather();
        }
        var own = facing(corner / 3);
        var sum = new double[3];
        var point = topology.point[corners[corner]];
        for (var i = from[point]; i < from[point + 1]; i++) {
            var n = facing(around[i]);
            if (dot(n, own) > ROUND * length(n) * length(own)) {
                for (var axis = 0; axis < 3; axis++) {
                    sum[axis] += n[axis];
                }
            }
        }
        sum = length(sum) == 0 ? own : sum;
        var length = length(sum);
        return new float[] {(float) (sum[0] / length), (float) (sum[1] / length), (float) (sum[2] / length)};
    }

    private double[] facing(int triangle) {
        var n = topology.normal(triangle);
        return turns && topology.turned[triangle] ? new double[] {-n[0], -n[1], -n[2]} : n;
    }

    private void gather() {
        from = new int[places.length / 3 + 1];
        for (var corner = 0; corner < corners.length; corner++) {
            if (!topology.idle[corner / 3]) {
                from[topology.point[corners[corner]] + 1]++;
            }
        }
        Arrays.parallelPrefix(from, Integer::sum);
        var next = from.clone();
        around = new int[from[from.length - 1]];
        for (var corner = 0; corner < corners.length; corner++) {
            if (!topology.idle[corner / 3]) {
                around[next[topology.point[corners[corner]]]++] = corner / 3;
            }
        }
    }

    /** The vertices of one shell. */
    private final class Vertices {
        private final int[] at;
        private final float[] normals;
        private final float[] uvs;
        private final int[] indices;
        private final Alike alike;
        private int count;
        private int end;

        Vertices(int most, boolean laidOut) {
            at = new int[most];
            normals = new float[3 * most];
            uvs = new float[laidOut ? 2 * most : 0];
            indices = new int[most];
            alike = new Alike(most) {
                @Override
                protected long hash(int v) {
                    var h = (long) topology.point[at[v]];
                    for (var i = 3 * v; i < 3 * v + 3; i++) {
                        h = h * 0xC2B2AE3D27D4EB4FL + Float.floatToRawIntBits(normals[i]);
                    }
                    for (var i = 2 * v; i < 2 * v + 2 && i < uvs.length; i++) {
                        h = h * 0xC2B2AE3D27D4EB4FL + Float.floatToRawIntBits(uvs[i]);
                    }
                    return h;
                }

                @Override
                protected boolean same(int a, int b) {
                    return topology.point[at[a]] == topology.point[at[b]]
                            && Arrays.equals(normals, 3 * a, 3 * a + 3, normals, 3 * b, 3 * b + 3)
                            && (uvs.length == 0 || Arrays.equals(uvs, 2 * a, 2 * a + 2, uvs, 2 * b, 2 * b + 2));
                }
            };
        }

        /** WeldedSurfaces behind the last one; it stays there if there is none like it. */
        void add(int vertex, float[] normal, float[] from, int own) {
            at[count] = vertex;
            System.arraycopy(normal, 0, normals, 3 * count, 3);
            if (uvs.length > 0) {
                System.arraycopy(from, 2 * own, uvs, 2 * count, 2);
            }
            var known = alike.first(count);
            count += known == count ? 1 : 0;
            indices[end++] = known;
        }

        Optional<Shell> toShell() {
            if (end == 0) {
                return Optional.empty();
            }
            var own = new int[3 * count];
            for (var v = 0; v < count; v++) {
                System.arraycopy(places, 3 * at[v], own, 3 * v, 3);
            }
            return Optional.of(new Shell(
                    own,
                    Arrays.copyOf(normals, 3 * count),
                    Arrays.copyOf(uvs, uvs.length == 0 ? 0 : 2 * count),
                    Arrays.copyOf(indices, end)));
        }
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double length(double[] a) {
        return Math.sqrt(dot(a, a));
    }
}
