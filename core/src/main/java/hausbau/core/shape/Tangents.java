package hausbau.core.shape;

import org.jspecify.annotations.Nullable;

/**
 * Which way a mesh's pictures lie at each vertex, so that a normal picture is read alike everywhere: glTF 2.0, 3.7.2.1, with
 * bitangents toward the top of the picture.
 */
public final class Tangents {

    private Tangents() {}

    /** @return four a vertex: along the picture's rows, one long and at a right angle to the normal; and 1 or −1, by which the cross product of normal and tangent looks to the picture's top */
    public static double[] of(Mesh mesh) {
        var vertices = mesh.vertices();
        var along = new Point[vertices];
        var up = new Point[vertices];
        for (var part : mesh.parts()) {
            var of = part.indices();
            for (var i = 0; i < of.length; i += 3) {
                add(mesh, along, up, of[i], of[i + 1], of[i + 2]);
            }
        }
        var tangents = new double[4 * vertices];
        for (var v = 0; v < vertices; v++) {
            var n = new Point(mesh.normals()[3 * v], mesh.normals()[3 * v + 1], mesh.normals()[3 * v + 2]);
            var t = square(along[v], n);
            tangents[4 * v] = t.x();
            tangents[4 * v + 1] = t.y();
            tangents[4 * v + 2] = t.z();
            tangents[4 * v + 3] = up[v] != null && n.cross(t).dot(up[v]) < 0 ? -1 : 1;
        }
        return tangents;
    }

    private static void add(Mesh mesh, @Nullable Point[] along, @Nullable Point[] up, int a, int b, int c) {
        var uv = mesh.uvs();
        var u1 = uv[2 * b] - uv[2 * a];
        var u2 = uv[2 * c] - uv[2 * a];
        // The rows of a picture go down.
        var v1 = uv[2 * a + 1] - uv[2 * b + 1];
        var v2 = uv[2 * a + 1] - uv[2 * c + 1];
        var area = u1 * v2 - u2 * v1;
        if (Math.abs(area) < 1e-18) {
            return;
        }
        var p1 = mesh.position(b).minus(mesh.position(a));
        var p2 = mesh.position(c).minus(mesh.position(a));
        // Not divided by the area but by its sign: greater faces weigh more.
        var sign = Math.signum(area);
        var t = p1.times(v2 * sign).minus(p2.times(v1 * sign));
        var o = p2.times(u1 * sign).minus(p1.times(u2 * sign));
        for (var v : new int[] {a, b, c}) {
            along[v] = along[v] == null ? t : along[v].plus(t);
            up[v] = up[v] == null ? o : up[v].plus(o);
        }
    }

    private static Point square(@Nullable Point along, Point normal) {
        if (along != null) {
            var flat = along.minus(normal.times(along.dot(normal)));
            if (flat.length() > 1e-12) {
                return flat.unit();
            }
        }
        var other = Math.abs(normal.z()) > 0.9 ? new Point(1, 0, 0) : new Point(0, 0, 1);
        return other.minus(normal.times(other.dot(normal))).unit();
    }
}
