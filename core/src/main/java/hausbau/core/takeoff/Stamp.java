package hausbau.core.takeoff;

import java.util.List;
import java.util.Optional;

/** The next mark of the same kind: the same shape at another place, as large in the plane as the first, not on the picture. */
public final class Stamp {

    private Stamp() {}

    /**
     * @param shape the picks of the mark that is repeated
     * @param plane the plane it lies on; without one it is repeated as large as on the picture
     * @param at    where the middle of its picks is to come
     */
    public static List<Pixel> at(List<Pixel> shape, Optional<PlaneMap> plane, Pixel at) {
        return plane.map(p -> inPlane(shape, p, at)).orElseGet(() -> onPicture(shape, at));
    }

    private static List<Pixel> onPicture(List<Pixel> shape, Pixel at) {
        var x = at.x() - shape.stream().mapToDouble(Pixel::x).average().orElseThrow();
        var y = at.y() - shape.stream().mapToDouble(Pixel::y).average().orElseThrow();
        return shape.stream().map(p -> new Pixel(p.x() + x, p.y() + y)).toList();
    }

    private static List<Pixel> inPlane(List<Pixel> shape, PlaneMap plane, Pixel at) {
        var points = shape.stream().map(plane::at).toList();
        var to = plane.at(at);
        var x = to.x() - points.stream().mapToDouble(PlanePoint::x).average().orElseThrow();
        var y = to.y() - points.stream().mapToDouble(PlanePoint::y).average().orElseThrow();
        return points.stream()
                .map(p -> plane.pixelOf(new PlanePoint(p.x() + x, p.y() + y)))
                .toList();
    }
}
