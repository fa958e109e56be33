package hausbau.core.place;

import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;

/**
 * A box that may lie at any angle, in the site, micrometres.
 *
 * @param centre X, Y and Z
 * @param half   three vectors from the centre to the middle of a side each, at right angles to one another
 */
public record Block(double[] centre, double[][] half) {

    /** Blocks that share less depth than this only touch. */
    private static final double TOUCH_UM = 1;
    /** Edges at less than this angle run alike, radians. */
    private static final double ALIKE = 1e-9;

    /** @param m row by row, what takes the box's directions to the site's */
    static Block of(Box box, double[] m, Vec at) {
        var own = new double[] {
            (box.min().x() + box.max().x()) / 2.0,
            (box.min().y() + box.max().y()) / 2.0,
            (box.min().z() + box.max().z()) / 2.0
        };
        var size = new double[] {
            box.size().x() / 2.0, box.size().y() / 2.0, box.size().z() / 2.0
        };
        var to = new double[] {at.x(), at.y(), at.z()};
        var centre = new double[3];
        var half = new double[3][3];
        for (var row = 0; row < 3; row++) {
            centre[row] = to[row];
            for (var column = 0; column < 3; column++) {
                centre[row] += m[3 * row + column] * own[column];
                half[column][row] = m[3 * row + column] * size[column];
            }
        }
        return new Block(centre, half);
    }

    /** What it lies within, rounded outward to whole micrometres. */
    public Box bounds() {
        var low = new long[3];
        var high = new long[3];
        for (var i = 0; i < 3; i++) {
            var reach = Math.abs(half[0][i]) + Math.abs(half[1][i]) + Math.abs(half[2][i]);
            // What rounding adds is less than this: what lies on the floor does not lie under it.
            low[i] = (long) Math.floor(centre[i] - reach + 1e-4);
            high[i] = (long) Math.ceil(centre[i] + reach - 1e-4);
        }
        return new Box(new Vec(low[0], low[1], low[2]), new Vec(high[0], high[1], high[2]));
    }

    /**
     * How deep two blocks reach into one another where that is least; 0 where they only touch or lie apart. By separating axes: the
     * normals of both and the cross products of their edges (Gottschalk, Lin and Manocha 1996).
     */
    public static double shared(Block a, Block b) {
        var least = Double.POSITIVE_INFINITY;
        for (var i = 0; i < 3; i++) {
            least = Math.min(least, Math.min(along(a, b, a.half[i], 0), along(a, b, b.half[i], 0)));
            for (var j = 0; j < 3 && least > TOUCH_UM; j++) {
                least = Math.min(
                        least, along(a, b, cross(a.half[i], b.half[j]), ALIKE * length(a.half[i]) * length(b.half[j])));
            }
            if (least <= TOUCH_UM) {
                return 0;
            }
        }
        return least;
    }

    /** How much the two share along an axis longer than so much; without end where it is shorter: edges that run alike have no normal between them. */
    private static double along(Block a, Block b, double[] axis, double least) {
        var length = length(axis);
        if (length <= least) {
            return Double.POSITIVE_INFINITY;
        }
        var between = 0.0;
        var reach = 0.0;
        for (var i = 0; i < 3; i++) {
            between += (b.centre[i] - a.centre[i]) * axis[i];
            reach += Math.abs(dot(a.half[i], axis)) + Math.abs(dot(b.half[i], axis));
        }
        return (reach - Math.abs(between)) / length;
    }

    private static double length(double[] a) {
        return Math.sqrt(dot(a, a));
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double[] cross(double[] a, double[] b) {
        return new double[] {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
    }
}
