package hausbau.core.shape;

/**
 * How a body stands in a piece: where its axes point, and where its origin is. Lengths stay as they are.
 *
 * @param by millimetres
 */
public record Pose(Point x, Point y, Point z, Point by) {

    public static final Pose NONE = at(new Point(0, 0, 0));

    public static Pose at(Point by) {
        return new Pose(new Point(1, 0, 0), new Point(0, 1, 0), new Point(0, 0, 1), by);
    }

    /** Turned about X, then Y, then Z, in degrees, counter-clockwise seen against the axis; whole quarters are exact. */
    public static Pose turned(double aboutX, double aboutY, double aboutZ) {
        return about(0, aboutX).then(about(1, aboutY)).then(about(2, aboutZ));
    }

    private static Pose about(int axis, double degrees) {
        var c = cos(degrees);
        var s = cos(degrees - 90);
        return switch (axis) {
            case 0 -> new Pose(new Point(1, 0, 0), new Point(0, c, s), new Point(0, -s, c), NONE.by);
            case 1 -> new Pose(new Point(c, 0, -s), new Point(0, 1, 0), new Point(s, 0, c), NONE.by);
            default -> new Pose(new Point(c, s, 0), new Point(-s, c, 0), new Point(0, 0, 1), NONE.by);
        };
    }

    private static double cos(double degrees) {
        var quarters = degrees / 90;
        return quarters == Math.rint(quarters)
                ? new double[] {1, 0, -1, 0}[(int) Math.floorMod((long) quarters, 4L)]
                : Math.cos(Math.toRadians(degrees));
    }

    /** Mirrored across a plane: {@code axis} 0 is the plane of a given X, 1 that of a given Y. */
    public static Pose mirrored(int axis, double at) {
        return axis == 0
                ? new Pose(new Point(-1, 0, 0), NONE.y, NONE.z, new Point(2 * at, 0, 0))
                : new Pose(NONE.x, new Point(0, -1, 0), NONE.z, new Point(0, 2 * at, 0));
    }

    public Point direction(Point d) {
        return new Point(
                x.x() * d.x() + y.x() * d.y() + z.x() * d.z(),
                x.y() * d.x() + y.y() * d.y() + z.y() * d.z(),
                x.z() * d.x() + y.z() * d.y() + z.z() * d.z());
    }

    public Point place(Point p) {
        return direction(p).plus(by);
    }

    public Pose then(Pose o) {
        return new Pose(o.direction(x), o.direction(y), o.direction(z), o.place(by));
    }

    /** Whether it takes axes to axes. */
    public boolean isSquare() {
        return isAxis(x) && isAxis(y) && isAxis(z);
    }

    private static boolean isAxis(Point d) {
        return Math.abs(d.x()) + Math.abs(d.y()) + Math.abs(d.z()) < 1 + 1e-9;
    }

    /** Whether it turns left into right. */
    public boolean isMirrored() {
        return x.cross(y).dot(z) < 0;
    }
}
