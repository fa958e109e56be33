package hausbau.core.ray;

import java.util.Arrays;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/** Triangles of one thing, in a tree of boxes. It never changes. 44 bytes a triangle, and some 40 for the tree. */
public final class Triangles {

    private static final int TOGETHER = 4;
    /** A ray passes through where a triangle is seen from its side. */
    private static final float FLAT = 1e-12f;

    private final BoxTree tree;
    /** A corner and two sides of each, in the order of the tree. */
    private final float[] sides;

    private final int[] marks;

    /** @param corners nine numbers a triangle, counter-clockwise from outside. @param marks what each is called */
    public Triangles(float[] corners, int[] marks) {
        var boxes = new float[6 * marks.length];
        for (var t = 0; t < marks.length; t++) {
            for (var k = 0; k < 3; k++) {
                var a = corners[9 * t + k];
                var b = corners[9 * t + 3 + k];
                var c = corners[9 * t + 6 + k];
                boxes[6 * t + k] = Math.min(a, Math.min(b, c));
                boxes[6 * t + 3 + k] = Math.max(a, Math.max(b, c));
            }
        }
        tree = new BoxTree(boxes, TOGETHER);
        sides = new float[9 * marks.length];
        this.marks = new int[marks.length];
        for (var i = 0; i < marks.length; i++) {
            var t = tree.order[i];
            this.marks[i] = marks[t];
            for (var k = 0; k < 3; k++) {
                sides[9 * i + k] = corners[9 * t + k];
                sides[9 * i + 3 + k] = corners[9 * t + 3 + k] - corners[9 * t + k];
                sides[9 * i + 6 + k] = corners[9 * t + 6 + k] - corners[9 * t + k];
            }
        }
    }

    /** Those whose mark is asked for. */
    public Triangles only(IntPredicate isAsked) {
        var chosen = IntStream.range(0, marks.length)
                .filter(i -> isAsked.test(marks[i]))
                .toArray();
        var corners = new float[9 * chosen.length];
        for (var i = 0; i < chosen.length; i++) {
            for (var k = 0; k < 9; k++) {
                var from = sides[9 * chosen[i] + k % 3];
                corners[9 * i + k] = k < 3 ? from : from + sides[9 * chosen[i] + k];
            }
        }
        return new Triangles(corners, IntStream.of(chosen).map(i -> marks[i]).toArray());
    }

    public int size() {
        return marks.length;
    }

    /** Least x, y, z, greatest x, y, z. */
    public float[] bounds() {
        return Arrays.copyOf(tree.bounds, 6);
    }

    /** In the frame of the thing: {@code ray.l} and {@code ray.e}. @param any whether one that is met is enough. @return whether one is met nearer than before */
    boolean meet(Ray ray, boolean any) {
        var ix = 1 / ray.ex;
        var iy = 1 / ray.ey;
        var iz = 1 / ray.ez;
        var bounds = tree.bounds;
        var stack = ray.inner;
        var top = 0;
        var met = false;
        var node = 0;
        if (Slabs.enter(bounds, 0, ray.lx, ray.ly, ray.lz, ix, iy, iz, ray.far) == Float.POSITIVE_INFINITY) {
            return false;
        }
        while (true) {
            var count = tree.count[node];
            if (count == 0) {
                var near = tree.first[node];
                var far = near + 1;
                var a = Slabs.enter(bounds, 6 * near, ray.lx, ray.ly, ray.lz, ix, iy, iz, ray.far);
                var b = Slabs.enter(bounds, 6 * far, ray.lx, ray.ly, ray.lz, ix, iy, iz, ray.far);
                if (b < a) {
                    var swap = near;
                    near = far;
                    far = swap;
                    var s = a;
                    a = b;
                    b = s;
                }
                if (a != Float.POSITIVE_INFINITY) {
                    if (b != Float.POSITIVE_INFINITY) {
                        stack[top++] = far;
                    }
                    node = near;
                    continue;
                }
            } else {
                var from = tree.first[node];
                for (var i = from; i < from + count; i++) {
                    if (meets(ray, i)) {
                        met = true;
                        if (any) {
                            return true;
                        }
                    }
                }
            }
            if (top == 0) {
                return met;
            }
            node = stack[--top];
        }
    }

    /** T. Möller, B. Trumbore, Fast, Minimum Storage Ray/Triangle Intersection, 1997. */
    private boolean meets(Ray ray, int i) {
        var s = sides;
        var at = 9 * i;
        var ax = s[at + 3];
        var ay = s[at + 4];
        var az = s[at + 5];
        var bx = s[at + 6];
        var by = s[at + 7];
        var bz = s[at + 8];
        var px = ray.ey * bz - ray.ez * by;
        var py = ray.ez * bx - ray.ex * bz;
        var pz = ray.ex * by - ray.ey * bx;
        var det = ax * px + ay * py + az * pz;
        if (det < FLAT && det > -FLAT) {
            return false;
        }
        var inv = 1 / det;
        var tx = ray.lx - s[at];
        var ty = ray.ly - s[at + 1];
        var tz = ray.lz - s[at + 2];
        var u = (tx * px + ty * py + tz * pz) * inv;
        if (u < 0 || u > 1) {
            return false;
        }
        var qx = ty * az - tz * ay;
        var qy = tz * ax - tx * az;
        var qz = tx * ay - ty * ax;
        var w = (ray.ex * qx + ray.ey * qy + ray.ez * qz) * inv;
        if (w < 0 || u + w > 1) {
            return false;
        }
        var t = (bx * qx + by * qy + bz * qz) * inv;
        if (t < Ray.NEAR || t >= ray.far) {
            return false;
        }
        ray.far = t;
        ray.triangle = marks[i];
        ray.nx = ay * bz - az * by;
        ray.ny = az * bx - ax * bz;
        ray.nz = ax * by - ay * bx;
        return true;
    }
}
