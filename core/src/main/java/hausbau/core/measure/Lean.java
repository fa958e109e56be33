package hausbau.core.measure;

/**
 * How a piece is tipped and sized about its pivot before it is turned: scaled, then tipped about its own X axis, then about its own Y axis.
 *
 * @param tilt  about X by the right-hand rule, degrees, within ±180: above 0 the front goes down
 * @param roll  about Y by the right-hand rule, degrees, within ±180: above 0 the right side goes down
 * @param scale from {@link #LEAST} to {@link #MOST}, alike along all axes
 */
public record Lean(double tilt, double roll, double scale) {

    public static final Lean NONE = new Lean(0, 0, 1);

    public static final double LEAST = 0.05;
    public static final double MOST = 20;

    public Lean {
        if (!(tilt >= -180 && tilt <= 180)) {
            throw new Refused("tiltDegrees", "A piece is tilted by from -180 to 180 degrees.");
        }
        if (!(roll >= -180 && roll <= 180)) {
            throw new Refused("rollDegrees", "A piece is rolled by from -180 to 180 degrees.");
        }
        if (!(scale >= LEAST && scale <= MOST)) {
            throw new Refused("scale", "A piece is scaled by from 0.05 to 20.");
        }
    }

    /** Whether it stands upright in its own size. */
    public boolean upright() {
        return tilt == 0 && roll == 0 && scale == 1;
    }

    /** As seen in a mirror that exchanges left and right. */
    public Lean mirrored() {
        return upright() ? this : new Lean(tilt, roll == 0 ? 0 : -roll, scale);
    }

    /** Row by row, what takes a point of the piece's own frame to the site's directions, at last turned about Z by so many degrees. */
    public double[] matrix(double degrees) {
        var a = Math.toRadians(tilt);
        var b = Math.toRadians(roll);
        var c = Math.toRadians(degrees);
        var sa = StrictMath.sin(a) * scale;
        var ca = StrictMath.cos(a) * scale;
        var sb = StrictMath.sin(b);
        var cb = StrictMath.cos(b);
        var sc = StrictMath.sin(c);
        var cc = StrictMath.cos(c);
        return new double[] {
            cc * cb * scale,
            cc * sb * sa - sc * ca,
            cc * sb * ca + sc * sa,
            sc * cb * scale,
            sc * sb * sa + cc * ca,
            sc * sb * ca - cc * sa,
            -sb * scale,
            cb * sa,
            cb * ca
        };
    }
}
