package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.shape.Faces;
import hausbau.core.shape.Point;
import java.util.List;

/**
 * Makes a body wider or narrower toward its top.
 *
 * @param x middle, millimetres, @param y middle, @param z foot, @param height above 0
 * @param toX what the width is multiplied by at the top, @param toY the depth
 */
record Tapering(double x, double y, double z, double height, double toX, double toY, List<Box> untapered) {

    static Tapering of(Part part) {
        var solids = part.form().solids();
        var box = solids.stream().reduce(Box::union).orElseThrow();
        return new Tapering(
                (box.min().x() + box.max().x()) / 2000.0,
                (box.min().y() + box.max().y()) / 2000.0,
                box.min().z() / 1000.0,
                box.size().z() / 1000.0,
                part.taper().x() / 100,
                part.taper().y() / 100,
                solids);
    }

    private double scale(double to, double at) {
        return 1 + (to - 1) * (at - z) / height;
    }

    private Point place(Point p) {
        return new Point(x + (p.x() - x) * scale(toX, p.z()), y + (p.y() - y) * scale(toY, p.z()), p.z());
    }

    /** The inverse transpose of the map's derivative keeps normals upright on their faces. */
    private Point normal(Point at, Point n) {
        var nx = n.x() / scale(toX, at.z());
        var ny = n.y() / scale(toY, at.z());
        return new Point(
                        nx, ny, n.z() - (at.x() - x) * (toX - 1) / height * nx - (at.y() - y) * (toY - 1) / height * ny)
                .unit();
    }

    /** Each as wide as it is where it is widest. */
    List<Box> solids() {
        return untapered.stream()
                .map(box -> Extent.of(Extent.corners(box).map(this::place)))
                .toList();
    }

    Faces into(Faces faces) {
        return (corners, normals, laid) -> {
            var places = new Point[corners.length];
            var turned = new Point[corners.length];
            for (var i = 0; i < corners.length; i++) {
                places[i] = place(corners[i]);
                turned[i] = normal(corners[i], normals[i]);
            }
            // What was laid out before would be stretched: it is laid out anew, as it lies.
            faces.face(places, turned, null);
        };
    }
}
