package hausbau.core.shape;

/**
 * A box whose twelve edges and eight corners are bevelled: 44 triangles with a chamfer. The bevel is narrowed to a quarter
 * of the least side where the box is thinner than that.
 */
public final class BevelledBox {

    /** Where a bevel looks. @param axis that it looks along, or -1 */
    private record Way(Point to, int axis) {}

    /** Along each axis, backward and forward. */
    private static final Way[][] AXES = new Way[3][2];

    static {
        for (var axis = 0; axis < 3; axis++) {
            for (var side = 0; side < 2; side++) {
                AXES[axis][side] = new Way(along(axis, 2 * side - 1), axis);
            }
        }
    }

    private final Faces faces;
    private final Bevel bevel;
    private final double[] lo;
    private final double[] hi;
    /** Where the flats of each corner begin, by axis: most of a box is made of these. */
    private final Point[] flats = new Point[24];

    private BevelledBox(Faces faces, Bevel bevel, Point lo, Point hi) {
        this.faces = faces;
        this.bevel = bevel;
        this.lo = new double[] {lo.x(), lo.y(), lo.z()};
        this.hi = new double[] {hi.x(), hi.y(), hi.z()};
    }

    /** @param lo least corner, @param hi greatest corner, millimetres; every side above 0 */
    public static void add(Faces faces, Bevel bevel, Point lo, Point hi) {
        var fitting = bevel.atMost(Math.min(hi.x() - lo.x(), Math.min(hi.y() - lo.y(), hi.z() - lo.z())) / 4);
        new BevelledBox(faces, fitting, lo, hi).add();
    }

    private void add() {
        for (var axis = 0; axis < 3; axis++) {
            for (var side = -1; side <= 1; side += 2) {
                face(axis, side);
            }
            if (bevel.width() == 0) {
                continue;
            }
            for (var s = -1; s <= 1; s += 2) {
                for (var t = -1; t <= 1; t += 2) {
                    strip(axis, s, t);
                }
            }
        }
        for (var i = 0; i < 8 && bevel.width() > 0; i++) {
            corner((i & 1) * 2 - 1, (i & 2) - 1, (i & 4) / 2 - 1);
        }
    }

    /** What lies this way from the corner with these signs, where its bevel is centred. */
    private Point at(int[] sign, Way way) {
        if (way.axis < 0) {
            return from(sign, way.to);
        }
        var number = 12 * (sign[0] + 1) / 2 + 6 * (sign[1] + 1) / 2 + 3 * (sign[2] + 1) / 2 + way.axis;
        var known = flats[number];
        return known != null ? known : (flats[number] = from(sign, way.to));
    }

    private Point from(int[] sign, Point to) {
        var w = bevel.width();
        return new Point(
                (sign[0] < 0 ? lo[0] + w : hi[0] - w) + w * to.x(),
                (sign[1] < 0 ? lo[1] + w : hi[1] - w) + w * to.y(),
                (sign[2] < 0 ? lo[2] + w : hi[2] - w) + w * to.z());
    }

    private static Way axis(int axis, int side) {
        return AXES[axis][(side + 1) / 2];
    }

    private static Point along(int axis, double length) {
        return new Point(axis == 0 ? length : 0, axis == 1 ? length : 0, axis == 2 ? length : 0);
    }

    private static int[] signs(int axis, int a, int b, int c) {
        var signs = new int[3];
        signs[axis] = a;
        signs[(axis + 1) % 3] = b;
        signs[(axis + 2) % 3] = c;
        return signs;
    }

    private void face(int axis, int side) {
        var n = axis(axis, side);
        faces.face(
                at(signs(axis, side, -side, -1), n),
                at(signs(axis, side, side, -1), n),
                at(signs(axis, side, side, 1), n),
                at(signs(axis, side, -side, 1), n));
    }

    /** The bevel along the edge parallel to {@code axis}, between the faces across the two other axes. */
    private void strip(int axis, int s, int t) {
        var low = signs(axis, -s * t, s, t);
        var high = signs(axis, s * t, s, t);
        for (var k = 0; k < bevel.segments(); k++) {
            var a = quarter(axis, s, t, k);
            var b = quarter(axis, s, t, k + 1);
            faces.face(
                    new Point[] {at(low, a), at(low, b), at(high, b), at(high, a)},
                    new Point[] {a.to, b.to, b.to, a.to});
        }
    }

    private Way quarter(int axis, int s, int t, int k) {
        var first = (axis + 1) % 3;
        var second = (axis + 2) % 3;
        return k == 0
                ? axis(first, s)
                : k == bevel.segments()
                        ? axis(second, t)
                        : new Way(along(first, s * bevel.cos(k)).plus(along(second, t * bevel.sin(k))), -1);
    }

    /** An eighth of a ball, in rows from its pole on the Z axis. */
    private void corner(int x, int y, int z) {
        int[] sign = {x, y, z};
        var outward = x * y * z > 0;
        for (var row = 0; row < bevel.segments(); row++) {
            for (var i = 0; i < bevel.segments(); i++) {
                var a = ball(sign, row, i);
                var b = ball(sign, row + 1, i);
                var c = ball(sign, row + 1, i + 1);
                triangle(sign, outward, a, b, c);
                if (row > 0) {
                    triangle(sign, outward, a, c, ball(sign, row, i + 1));
                }
            }
        }
    }

    private Way ball(int[] sign, int row, int i) {
        var n = bevel.segments();
        if (row == 0) {
            return axis(2, sign[2]);
        }
        if (row == n && (i == 0 || i == n)) {
            return i == 0 ? axis(0, sign[0]) : axis(1, sign[1]);
        }
        return new Way(
                new Point(
                        sign[0] * bevel.sin(row) * bevel.cos(i),
                        sign[1] * bevel.sin(row) * bevel.sin(i),
                        sign[2] * bevel.cos(row)),
                -1);
    }

    private void triangle(int[] sign, boolean outward, Way a, Way b, Way c) {
        var second = outward ? b : c;
        var third = outward ? c : b;
        faces.face(
                new Point[] {at(sign, a), at(sign, second), at(sign, third)}, new Point[] {a.to, second.to, third.to});
    }
}
