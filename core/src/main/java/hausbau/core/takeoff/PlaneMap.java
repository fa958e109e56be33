package hausbau.core.takeoff;

/** Takes the pixels of a picture to a plane in it, and back. */
public sealed interface PlaneMap permits Flat, Perspective {

    PlanePoint at(Pixel pixel);

    Pixel pixelOf(PlanePoint point);

    /** How {@link #at} moves with the pixel. */
    Jacobian jacobianAt(Pixel pixel);

    /**
     * The part of a quantity's variance that comes from the picks of the calibration itself, for a deviation of one pixel.
     *
     * @param points    the points of the plane that the quantity depends on
     * @param gradients its gradient in each
     */
    double calibrationVariance(PlanePoint[] points, PlanePoint[] gradients);
}
