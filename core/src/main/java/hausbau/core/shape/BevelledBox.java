package hausbau.core.shape;

/**
 * A box whose twelve edges are chamfered and whose eight corners are cut by a triangle: 44 triangles. The chamfer is
 * narrowed to a quarter of the least side where the box is thinner than that.
 */
public final class BevelledBox {

    private BevelledBox() {
    }

    /** @param lo least corner, @param hi greatest corner, millimetres; every side above 0 */
    public static void add(MeshBuilder mesh, Finish finish, Swatch swatch, Point lo, Point hi) {
        var c = Math.min(finish.bevel(), Math.min(hi.x() - lo.x(), Math.min(hi.y() - lo.y(), hi.z() - lo.z())) / 4);
        var corner = new Corners(lo, hi, c);
        for (var axis = 0; axis < 3; axis++) {
            for (var side = -1; side <= 1; side += 2) {
                face(mesh, swatch, corner, axis, side);
            }
            for (var s = -1; s <= 1; s += 2) {
                for (var t = -1; t <= 1; t += 2) {
                    strip(mesh, swatch, corner, axis, s, t);
                }
            }
        }
        for (var i = 0; i < 8; i++) {
            cut(mesh, swatch, corner, (i & 1) * 2 - 1, (i & 2) - 1, (i & 4) / 2 - 1);
        }
    }

    /** The vertex of the face across {@code axis} at the corner with these signs. */
    private record Corners(Point lo, Point hi, double c) {

        Point at(int axis, int... sign) {
            return new Point(
                    (sign[0] < 0 ? lo.x() : hi.x()) - (axis == 0 ? 0 : sign[0] * c),
                    (sign[1] < 0 ? lo.y() : hi.y()) - (axis == 1 ? 0 : sign[1] * c),
                    (sign[2] < 0 ? lo.z() : hi.z()) - (axis == 2 ? 0 : sign[2] * c));
        }
    }

    private static Point normal(int axis, int side) {
        return new Point(axis == 0 ? side : 0, axis == 1 ? side : 0, axis == 2 ? side : 0);
    }

    private static int[] signs(int axis, int a, int b, int c) {
        var signs = new int[3];
        signs[axis] = a;
        signs[(axis + 1) % 3] = b;
        signs[(axis + 2) % 3] = c;
        return signs;
    }

    private static void face(MeshBuilder mesh, Swatch swatch, Corners corner, int axis, int side) {
        mesh.face(swatch,
                corner.at(axis, signs(axis, side, -side, -1)),
                corner.at(axis, signs(axis, side, side, -1)),
                corner.at(axis, signs(axis, side, side, 1)),
                corner.at(axis, signs(axis, side, -side, 1)));
    }

    /** The chamfer along the edge parallel to {@code axis}, between the faces across the two other axes. */
    private static void strip(MeshBuilder mesh, Swatch swatch, Corners corner, int axis, int s, int t) {
        var first = (axis + 1) % 3;
        var second = (axis + 2) % 3;
        var along = s * t;
        var n1 = normal(first, s);
        var n2 = normal(second, t);
        mesh.face(swatch,
                new Point[] {
                    corner.at(first, signs(axis, -along, s, t)), corner.at(second, signs(axis, -along, s, t)),
                    corner.at(second, signs(axis, along, s, t)), corner.at(first, signs(axis, along, s, t))},
                new Point[] {n1, n2, n2, n1});
    }

    private static void cut(MeshBuilder mesh, Swatch swatch, Corners corner, int x, int y, int z) {
        var outward = x * y * z > 0;
        var second = outward ? 1 : 2;
        var third = outward ? 2 : 1;
        int[] sign = {x, y, z};
        mesh.face(swatch,
                new Point[] {corner.at(0, sign), corner.at(second, sign), corner.at(third, sign)},
                new Point[] {normal(0, x), normal(second, sign[second]), normal(third, sign[third])});
    }
}
