package hausbau.core.takeoff;

/** A point of a plane, or a direction in it: millimetres right and up. */
public record PlanePoint(double x, double y) {

    PlanePoint minus(PlanePoint other) {
        return new PlanePoint(x - other.x, y - other.y);
    }

    PlanePoint times(double factor) {
        return new PlanePoint(x * factor, y * factor);
    }

    /** A quarter turn to the left. */
    PlanePoint turned() {
        return new PlanePoint(-y, x);
    }

    double length() {
        return Math.hypot(x, y);
    }
}
