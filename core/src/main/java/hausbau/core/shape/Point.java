package hausbau.core.shape;

/** A point or a direction in double precision; millimetres where it is a place. */
public record Point(double x, double y, double z) {

    public Point plus(Point o) {
        return new Point(x + o.x, y + o.y, z + o.z);
    }

    public Point minus(Point o) {
        return new Point(x - o.x, y - o.y, z - o.z);
    }

    public Point times(double f) {
        return new Point(x * f, y * f, z * f);
    }

    public double dot(Point o) {
        return x * o.x + y * o.y + z * o.z;
    }

    public Point cross(Point o) {
        return new Point(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
    }

    public double length() {
        return Math.sqrt(dot(this));
    }

    /** The direction of this, one long. */
    public Point unit() {
        return times(1 / length());
    }
}
