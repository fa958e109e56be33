package hausbau.core.irradiance;

import hausbau.core.kit.Kind;
import hausbau.core.place.Stance;
import hausbau.core.shape.Point;

/** From a piece's own frame to the site, row by row, metres. */
final class Frames {

    private Frames() {}

    static double[] of(Stance stance, Kind kind) {
        var frame = stance.frame(kind);
        for (var row = 0; row < 3; row++) {
            frame[4 * row + 3] /= 1000;
        }
        return frame;
    }

    static Point place(double[] f, Point p) {
        return way(f, p, 1);
    }

    /** One long, however the piece is sized. */
    static Point way(double[] f, Point p) {
        return way(f, p, 0).unit();
    }

    private static Point way(double[] f, Point p, int moved) {
        return new Point(
                f[0] * p.x() + f[1] * p.y() + f[2] * p.z() + moved * f[3],
                f[4] * p.x() + f[5] * p.y() + f[6] * p.z() + moved * f[7],
                f[8] * p.x() + f[9] * p.y() + f[10] * p.z() + moved * f[11]);
    }
}
