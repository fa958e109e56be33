package hausbau.core.takeoff;

import java.util.List;

/** Takes the pixels of a picture to a plane in it, and back. */
public sealed interface PlaneMap permits Flat, Perspective {

    PlanePoint at(Pixel pixel);

    Pixel pixelOf(PlanePoint point);

    /** How {@link #at} moves with the pixel. */
    Jacobian jacobianAt(Pixel pixel);

    /** The corners on the picture of the rectangle, upright in the plane, of which two opposite corners were picked. */
    default List<Pixel> rectangle(Pixel a, Pixel b) {
        var from = at(a);
        var to = at(b);
        return List.of(a, pixelOf(new PlanePoint(to.x(), from.y())), b, pixelOf(new PlanePoint(from.x(), to.y())));
    }

    /**
     * The part of a quantity's variance that comes from the picks of the calibration itself, for a deviation of one pixel.
     *
     * @param points    the points of the plane that the quantity depends on
     * @param gradients its gradient in each
     */
    double calibrationVariance(PlanePoint[] points, PlanePoint[] gradients);
}
