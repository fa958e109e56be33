package hausbau.core.ray;

import java.util.Arrays;
import java.util.List;

/**
 * Things in their places: a tree of boxes over them, and in each the tree of its own triangles, which all that are alike share.
 * It never changes, and many threads may cast rays at once.
 */
public final class RayScene {

    /** A thing. @param frame row by row, what takes a place of it to the scene: 12 numbers, metres */
    public record Thing(Triangles triangles, double[] frame) {}

    private final BoxTree tree;
    private final Triangles[] triangles;
    /** From the scene to the frame of each: 12 numbers. */
    private final float[] into;
    /** Nine numbers each: how a normal turns to the scene's. */
    private final float[] normals;

    public RayScene(List<Thing> things) {
        var n = things.size();
        triangles = new Triangles[n];
        into = new float[12 * n];
        normals = new float[9 * n];
        var boxes = new float[6 * n];
        for (var i = 0; i < n; i++) {
            var thing = things.get(i);
            triangles[i] = thing.triangles();
            place(i, thing.frame());
            bound(boxes, i, thing);
        }
        tree = new BoxTree(boxes, 1);
    }

    public int size() {
        return triangles.length;
    }

    private void place(int i, double[] f) {
        // Rows of the inverse by cross products of the columns.
        var a = new double[] {f[0], f[4], f[8]};
        var b = new double[] {f[1], f[5], f[9]};
        var c = new double[] {f[2], f[6], f[10]};
        var rows = new double[][] {cross(b, c), cross(c, a), cross(a, b)};
        var det = a[0] * rows[0][0] + a[1] * rows[0][1] + a[2] * rows[0][2];
        for (var row = 0; row < 3; row++) {
            var moved = 0.0;
            for (var k = 0; k < 3; k++) {
                var v = rows[row][k] / det;
                into[12 * i + 4 * row + k] = (float) v;
                moved -= v * f[4 * k + 3];
                // Normals go by the inverse transposed, which keeps outside out where a thing is mirrored too.
                normals[9 * i + 3 * k + row] = (float) v;
            }
            into[12 * i + 4 * row + 3] = (float) moved;
        }
    }

    private static double[] cross(double[] a, double[] b) {
        return new double[] {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
    }

    private static void bound(float[] boxes, int i, Thing thing) {
        var own = thing.triangles().bounds();
        var f = thing.frame();
        for (var row = 0; row < 3; row++) {
            var low = f[4 * row + 3];
            var high = low;
            for (var k = 0; k < 3 && thing.triangles().size() > 0; k++) {
                var a = f[4 * row + k] * own[k];
                var b = f[4 * row + k] * own[3 + k];
                low += Math.min(a, b);
                high += Math.max(a, b);
            }
            boxes[6 * i + row] = Math.nextDown((float) low);
            boxes[6 * i + 3 + row] = Math.nextUp((float) high);
        }
    }

    /** Least x, y, z, greatest x, y, z; infinite where nothing is. */
    public float[] bounds() {
        return Arrays.copyOf(tree.bounds, 6);
    }

    /** Finds what it meets first. */
    public boolean cast(Ray ray) {
        return cast(ray, false);
    }

    /** Whether it meets anything; which one is not told. */
    public boolean isBlocked(Ray ray) {
        return cast(ray, true);
    }

    private boolean cast(Ray ray, boolean any) {
        if (triangles.length == 0) {
            return false;
        }
        var ix = 1 / ray.dx;
        var iy = 1 / ray.dy;
        var iz = 1 / ray.dz;
        var bounds = tree.bounds;
        var stack = ray.stack;
        var top = 0;
        stack[top++] = 0;
        while (top > 0) {
            var node = stack[--top];
            if (Slabs.enter(bounds, 6 * node, ray.ox, ray.oy, ray.oz, ix, iy, iz, ray.far) == Float.POSITIVE_INFINITY) {
                continue;
            }
            var count = tree.count[node];
            if (count > 0) {
                var from = tree.first[node];
                for (var i = from; i < from + count; i++) {
                    if (meet(ray, tree.order[i], any) && any) {
                        return true;
                    }
                }
                continue;
            }
            var child = tree.first[node];
            var a = Slabs.enter(bounds, 6 * child, ray.ox, ray.oy, ray.oz, ix, iy, iz, ray.far);
            var b = Slabs.enter(bounds, 6 * child + 6, ray.ox, ray.oy, ray.oz, ix, iy, iz, ray.far);
            // The nearer one is looked into first.
            if (a <= b) {
                top = push(stack, top, child + 1, b);
                top = push(stack, top, child, a);
            } else {
                top = push(stack, top, child, a);
                top = push(stack, top, child + 1, b);
            }
        }
        if (ray.thing >= 0 && !any) {
            turn(ray);
        }
        return ray.thing >= 0;
    }

    private static int push(int[] stack, int top, int node, float enter) {
        if (enter == Float.POSITIVE_INFINITY) {
            return top;
        }
        stack[top] = node;
        return top + 1;
    }

    private boolean meet(Ray ray, int thing, boolean any) {
        if (thing == ray.past) {
            return false;
        }
        var m = into;
        var at = 12 * thing;
        ray.lx = m[at] * ray.ox + m[at + 1] * ray.oy + m[at + 2] * ray.oz + m[at + 3];
        ray.ly = m[at + 4] * ray.ox + m[at + 5] * ray.oy + m[at + 6] * ray.oz + m[at + 7];
        ray.lz = m[at + 8] * ray.ox + m[at + 9] * ray.oy + m[at + 10] * ray.oz + m[at + 11];
        ray.ex = m[at] * ray.dx + m[at + 1] * ray.dy + m[at + 2] * ray.dz;
        ray.ey = m[at + 4] * ray.dx + m[at + 5] * ray.dy + m[at + 6] * ray.dz;
        ray.ez = m[at + 8] * ray.dx + m[at + 9] * ray.dy + m[at + 10] * ray.dz;
        if (!triangles[thing].meet(ray, any)) {
            return false;
        }
        ray.thing = thing;
        return true;
    }

    private void turn(Ray ray) {
        var at = 9 * ray.thing;
        var x = ray.nx;
        var y = ray.ny;
        var z = ray.nz;
        ray.nx = normals[at] * x + normals[at + 1] * y + normals[at + 2] * z;
        ray.ny = normals[at + 3] * x + normals[at + 4] * y + normals[at + 5] * z;
        ray.nz = normals[at + 6] * x + normals[at + 7] * y + normals[at + 8] * z;
    }
}
