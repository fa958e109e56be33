package hausbau.bench;

import hausbau.core.kit.Kind;
import hausbau.core.shape.Mesh;
import hausbau.core.standing.StandingSet;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.function.Function;

/**
 * What rays are measured against: all triangles of a set in one tree of boxes over arrays, parted at the median of the longest side, with the
 * same tests of boxes and triangles (M. Pharr and others, Physically Based Rendering, chapter on bounding volume hierarchies).
 */
final class PlainTree {

    private static final int LEAF = 4;

    private final float[] corners;
    private final Integer[] order;
    private final float[] bounds;
    private final int[] first;
    private final int[] count;
    private int nodes = 1;
    private final int[] stack = new int[128];

    private PlainTree(float[] corners) {
        this.corners = corners;
        var n = corners.length / 9;
        order = new Integer[n];
        Arrays.setAll(order, i -> i);
        bounds = new float[12 * n];
        first = new int[2 * n];
        count = new int[2 * n];
        part(0, 0, n);
    }

    static PlainTree of(StandingSet set, Function<Kind, Mesh> meshes) {
        var known = new HashMap<Kind, Mesh>();
        var all = set.all();
        var n = all.stream()
                .mapToInt(s -> known.computeIfAbsent(s.kind(), meshes).triangles())
                .sum();
        var corners = new float[9 * n];
        var at = 0;
        for (var standing : all) {
            var f = standing.stance().frame(standing.kind());
            var mesh = known.get(standing.kind());
            for (var part : mesh.parts()) {
                for (var index : part.indices()) {
                    var p = mesh.position(index);
                    for (var row = 0; row < 3; row++) {
                        corners[at++] = (float)
                                ((f[4 * row] * p.x() + f[4 * row + 1] * p.y() + f[4 * row + 2] * p.z() + f[4 * row + 3])
                                        / 1000);
                    }
                }
            }
        }
        return new PlainTree(corners);
    }

    private void part(int node, int from, int to) {
        for (var k = 0; k < 3; k++) {
            bounds[6 * node + k] = Float.POSITIVE_INFINITY;
            bounds[6 * node + 3 + k] = Float.NEGATIVE_INFINITY;
        }
        for (var i = from; i < to; i++) {
            for (var c = 0; c < 9; c++) {
                var v = corners[9 * order[i] + c];
                bounds[6 * node + c % 3] = Math.min(bounds[6 * node + c % 3], v);
                bounds[6 * node + 3 + c % 3] = Math.max(bounds[6 * node + 3 + c % 3], v);
            }
        }
        if (to - from <= LEAF) {
            first[node] = from;
            count[node] = to - from;
            return;
        }
        var axis = 0;
        for (var k = 1; k < 3; k++) {
            if (side(node, k) > side(node, axis)) {
                axis = k;
            }
        }
        var along = axis;
        Arrays.sort(
                order,
                from,
                to,
                Comparator.comparingDouble(
                        t -> corners[9 * t + along] + corners[9 * t + 3 + along] + corners[9 * t + 6 + along]));
        var child = nodes;
        nodes += 2;
        first[node] = child;
        part(child, from, (from + to) / 2);
        part(child + 1, (from + to) / 2, to);
    }

    private float side(int node, int axis) {
        return bounds[6 * node + 3 + axis] - bounds[6 * node + axis];
    }

    boolean meets(float[] ray, int at) {
        var far = 1e6f;
        var ix = 1 / ray[at + 3];
        var iy = 1 / ray[at + 4];
        var iz = 1 / ray[at + 5];
        var top = 0;
        stack[top++] = 0;
        var met = false;
        while (top > 0) {
            var node = stack[--top];
            if (!enters(node, ray, at, ix, iy, iz, far)) {
                continue;
            }
            if (count[node] == 0) {
                stack[top++] = first[node];
                stack[top++] = first[node] + 1;
                continue;
            }
            for (var i = first[node]; i < first[node] + count[node]; i++) {
                var t = meets(ray, at, 9 * order[i]);
                if (t < far) {
                    far = t;
                    met = true;
                }
            }
        }
        return met;
    }

    private boolean enters(int node, float[] ray, int at, float ix, float iy, float iz, float far) {
        var b = 6 * node;
        var x0 = (bounds[b] - ray[at]) * ix;
        var x1 = (bounds[b + 3] - ray[at]) * ix;
        var y0 = (bounds[b + 1] - ray[at + 1]) * iy;
        var y1 = (bounds[b + 4] - ray[at + 1]) * iy;
        var z0 = (bounds[b + 2] - ray[at + 2]) * iz;
        var z1 = (bounds[b + 5] - ray[at + 2]) * iz;
        var in = Math.max(Math.max(Math.min(x0, x1), Math.min(y0, y1)), Math.max(Math.min(z0, z1), 0));
        var out = Math.min(Math.min(Math.max(x0, x1), Math.max(y0, y1)), Math.min(Math.max(z0, z1), far));
        return in <= out;
    }

    private float meets(float[] ray, int at, int t) {
        var c = corners;
        var ax = c[t + 3] - c[t];
        var ay = c[t + 4] - c[t + 1];
        var az = c[t + 5] - c[t + 2];
        var bx = c[t + 6] - c[t];
        var by = c[t + 7] - c[t + 1];
        var bz = c[t + 8] - c[t + 2];
        var px = ray[at + 4] * bz - ray[at + 5] * by;
        var py = ray[at + 5] * bx - ray[at + 3] * bz;
        var pz = ray[at + 3] * by - ray[at + 4] * bx;
        var det = ax * px + ay * py + az * pz;
        if (Math.abs(det) < 1e-12f) {
            return Float.POSITIVE_INFINITY;
        }
        var tx = ray[at] - c[t];
        var ty = ray[at + 1] - c[t + 1];
        var tz = ray[at + 2] - c[t + 2];
        var u = (tx * px + ty * py + tz * pz) / det;
        var qx = ty * az - tz * ay;
        var qy = tz * ax - tx * az;
        var qz = tx * ay - ty * ax;
        var w = (ray[at + 3] * qx + ray[at + 4] * qy + ray[at + 5] * qz) / det;
        var d = (bx * qx + by * qy + bz * qz) / det;
        return u < 0 || w < 0 || u + w > 1 || d < 1e-4f ? Float.POSITIVE_INFINITY : d;
    }
}
