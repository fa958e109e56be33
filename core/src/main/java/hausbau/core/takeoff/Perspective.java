package hausbau.core.takeoff;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.List;

/**
 * A plane seen in perspective, calibrated by the four corners of a rectangle of known size in it; its origin is the
 * rectangle's lower left corner.
 *
 * <p>The homography between the unit square and the picked corners has a closed form (P. Heckbert, "Fundamentals of
 * Texture Mapping and Image Warping", 1989, 2.2.3); its inverse takes pixels to the plane. To first order, picks that are
 * off move the plane by the projective field v(s, t) that takes the given values at the square's four corners. That field
 * has a closed form as well: with β the bilinear weights and A the alternating sum over the corners,
 * v<sub>s</sub> = Σβv<sub>s</sub> + (s² − s)·A(v<sub>t</sub>) and v<sub>t</sub> = Σβv<sub>t</sub> + (t² − t)·A(v<sub>s</sub>),
 * since an infinitesimal homography is a + Bx + x(c·x) and eight values fix its eight terms. Cost: constant.
 */
public final class Perspective implements PlaneMap {

    private static final String[] NAMES = {"lower left", "lower right", "upper right", "upper left"};
    /** Corners as (s, t), and the sign of each in the alternating sum. */
    private static final double[][] SQUARE = {{0, 0}, {1, 0}, {1, 1}, {0, 1}};

    private static final double[] SIGN = {1, -1, 1, -1};
    private static final double LEAST_PIXELS = 8;
    /** A corner nearer than this, in pixels, to the line between its neighbours makes no angle. */
    private static final double LEAST_HEIGHT = 3;

    private static final double GREATEST_CONDITION = 400;
    /** A quadrilateral whose area is less than this share of its longest side squared is a sliver. */
    private static final double LEAST_SHARE = 1 / 60.0;

    private final double width;
    private final double height;
    /** Square to picture, row by row, and its adjugate. */
    private final double[] toPicture;

    private final double[] toSquare;
    private final Jacobian[] atCorner = new Jacobian[4];

    /**
     * @param corners lower left, lower right, upper right, upper left, as seen on the picture
     * @throws Refused if they are no picture of a rectangle, or of one too slight to measure by, with the reason
     */
    public Perspective(List<Pixel> corners, Length width, Length height) {
        check(corners, width, height);
        this.width = width.um() / 1000.0;
        this.height = height.um() / 1000.0;
        this.toPicture = squareToPicture(corners.get(0), corners.get(1), corners.get(2), corners.get(3));
        this.toSquare = adjugate(toPicture);
        for (var i = 0; i < 4; i++) {
            atCorner[i] = squareJacobian(corners.get(i));
        }
        if (!(condition() <= GREATEST_CONDITION)) {
            throw new Refused(
                    "points",
                    "The rectangle is seen so much from the side that it cannot be measured by. Pick a larger one, or one seen more from the front.");
        }
    }

    private static void check(List<Pixel> corners, Length width, Length height) {
        if (corners.size() != 4) {
            throw new Refused("points", "Pick the four corners of the rectangle.");
        }
        if (!width.isPositive() || !height.isPositive()) {
            throw new Refused(width.isPositive() ? "heightMm" : "widthMm", "The rectangle's sizes must be above 0.");
        }
        var turnsLeft = 0;
        for (var i = 0; i < 4; i++) {
            var at = corners.get(i);
            var next = corners.get((i + 1) % 4);
            var before = corners.get((i + 3) % 4);
            if (!(at.distanceTo(next) >= LEAST_PIXELS)) {
                throw new Refused(
                        "points", "The " + NAMES[i] + " and the " + NAMES[(i + 1) % 4] + " corner lie on one another.");
            }
            // Pixels run downward, so a rectangle picked in order turns by negative cross products.
            var cross = (at.x() - before.x()) * (next.y() - at.y()) - (at.y() - before.y()) * (next.x() - at.x());
            if (!(Math.abs(cross) >= LEAST_HEIGHT * before.distanceTo(next))) {
                throw new Refused(
                        "points",
                        "Three corners lie in a line: the " + NAMES[i] + " one stands between its neighbours.");
            }
            turnsLeft += cross < 0 ? 1 : 0;
        }
        if (turnsLeft == 0) {
            throw new Refused(
                    "points",
                    "The corners run the wrong way round. Go from the lower left to the lower right, then up.");
        }
        if (turnsLeft < 4) {
            throw new Refused(
                    "points",
                    turnsLeft == 2
                            ? "The sides cross each other. Pick the corners in order, around the rectangle."
                            : "One corner lies inside the others: no rectangle looks like this from anywhere.");
        }
        if (isSliver(corners)) {
            throw new Refused(
                    "points",
                    "On the picture the rectangle is a mere sliver. Pick a larger one, or one seen more from the front.");
        }
    }

    private static boolean isSliver(List<Pixel> corners) {
        var doubled = 0.0;
        var longest = 0.0;
        for (var i = 0; i < 4; i++) {
            var a = corners.get(i);
            var b = corners.get((i + 1) % 4);
            doubled += a.x() * b.y() - b.x() * a.y();
            longest = Math.max(longest, a.distanceTo(b));
        }
        return Math.abs(doubled) / 2 < LEAST_SHARE * longest * longest;
    }

    /** Heckbert's closed form; the last element is 1. */
    private static double[] squareToPicture(Pixel p0, Pixel p1, Pixel p2, Pixel p3) {
        var dx1 = p1.x() - p2.x();
        var dx2 = p3.x() - p2.x();
        var dy1 = p1.y() - p2.y();
        var dy2 = p3.y() - p2.y();
        var sx = p0.x() - p1.x() + p2.x() - p3.x();
        var sy = p0.y() - p1.y() + p2.y() - p3.y();
        var denominator = dx1 * dy2 - dx2 * dy1;
        var g = (sx * dy2 - dx2 * sy) / denominator;
        var h = (dx1 * sy - sx * dy1) / denominator;
        return new double[] {
            p1.x() - p0.x() + g * p1.x(),
            p3.x() - p0.x() + h * p3.x(),
            p0.x(),
            p1.y() - p0.y() + g * p1.y(),
            p3.y() - p0.y() + h * p3.y(),
            p0.y(),
            g,
            h,
            1
        };
    }

    private static double[] adjugate(double[] m) {
        return new double[] {
            m[4] * m[8] - m[5] * m[7], m[2] * m[7] - m[1] * m[8], m[1] * m[5] - m[2] * m[4],
            m[5] * m[6] - m[3] * m[8], m[0] * m[8] - m[2] * m[6], m[2] * m[3] - m[0] * m[5],
            m[3] * m[7] - m[4] * m[6], m[1] * m[6] - m[0] * m[7], m[0] * m[4] - m[1] * m[3]
        };
    }

    private static double over(double[] m, double x, double y, int row) {
        return m[3 * row] * x + m[3 * row + 1] * y + m[3 * row + 2];
    }

    @Override
    public PlanePoint at(Pixel p) {
        var w = over(toSquare, p.x(), p.y(), 2);
        return new PlanePoint(
                width * over(toSquare, p.x(), p.y(), 0) / w, height * over(toSquare, p.x(), p.y(), 1) / w);
    }

    @Override
    public Pixel pixelOf(PlanePoint point) {
        var s = point.x() / width;
        var t = point.y() / height;
        var w = over(toPicture, s, t, 2);
        return new Pixel(over(toPicture, s, t, 0) / w, over(toPicture, s, t, 1) / w);
    }

    /** Whether the point of the plane lies before the camera; {@link #pixelOf} tells nothing of one behind it. */
    public boolean isBefore(PlanePoint point) {
        return over(toPicture, point.x() / width, point.y() / height, 2) > 0;
    }

    /** The upper right corner of the rectangle. */
    PlanePoint farCorner() {
        return new PlanePoint(width, height);
    }

    private Jacobian squareJacobian(Pixel p) {
        var w = over(toSquare, p.x(), p.y(), 2);
        var s = over(toSquare, p.x(), p.y(), 0) / w;
        var t = over(toSquare, p.x(), p.y(), 1) / w;
        return new Jacobian(
                (toSquare[0] - s * toSquare[6]) / w,
                (toSquare[1] - s * toSquare[7]) / w,
                (toSquare[3] - t * toSquare[6]) / w,
                (toSquare[4] - t * toSquare[7]) / w);
    }

    @Override
    public Jacobian jacobianAt(Pixel pixel) {
        var j = squareJacobian(pixel);
        return new Jacobian(width * j.xx(), width * j.xy(), height * j.yx(), height * j.yy());
    }

    /** The greatest over the least millimetres a pixel among the corners: 1 square on, large where seen from the side. */
    public double condition() {
        var greatest = 0.0;
        var least = Double.MAX_VALUE;
        for (var j : atCorner) {
            var scales = new Jacobian(width * j.xx(), width * j.xy(), height * j.yx(), height * j.yy()).scales();
            greatest = Math.max(greatest, scales[0]);
            least = Math.min(least, scales[1]);
        }
        return greatest / least;
    }

    @Override
    public double calibrationVariance(PlanePoint[] points, PlanePoint[] gradients) {
        var sum = 0.0;
        for (var i = 0; i < 4; i++) {
            var gs = 0.0;
            var gt = 0.0;
            for (var k = 0; k < points.length; k++) {
                var s = points[k].x() / width;
                var t = points[k].y() / height;
                var bilinear = (SQUARE[i][0] == 0 ? 1 - s : s) * (SQUARE[i][1] == 0 ? 1 - t : t);
                var alongS = width * gradients[k].x();
                var alongT = height * gradients[k].y();
                gs += bilinear * alongS + SIGN[i] * (t * t - t) * alongT;
                gt += bilinear * alongT + SIGN[i] * (s * s - s) * alongS;
            }
            sum += atCorner[i].squaredInPicture(gs, gt);
        }
        return sum;
    }
}
