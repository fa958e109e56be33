package hausbau.core.takeoff;

/** A point picked on a picture, in pixels right and down from its upper left corner. */
public record Pixel(double x, double y) {

    double distanceTo(Pixel other) {
        return Math.hypot(other.x - x, other.y - y);
    }
}
