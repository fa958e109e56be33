package hausbau.core.takeoff;

import hausbau.core.measure.Refused;
import java.util.List;

/**
 * A plane of a picture as it would look square on: every pixel of the view is looked up in the picture (inverse mapping,
 * bilinear). Cost: the pixels of the view.
 */
public final class Rectification {

    /** What lies outside the picture. */
    private static final int PAPER = 0xF4F1EA;

    private static final int MOST_PIXELS = 16_000_000;

    private Rectification() {}

    /**
     * @param from            the lower left corner of the view, @param to its upper right one, in the plane
     * @param millimetresAPixel the size of a pixel of the view
     * @throws Refused if the view would be empty or have more than 16 million pixels
     */
    public static Raster of(Raster picture, PlaneMap plane, PlanePoint from, PlanePoint to, double millimetresAPixel) {
        var width = Math.round((to.x() - from.x()) / millimetresAPixel);
        var height = Math.round((to.y() - from.y()) / millimetresAPixel);
        if (width < 1 || height < 1 || width * height > MOST_PIXELS) {
            throw new Refused(
                    "plane",
                    "The view would have " + width + " × " + height + " pixels; it can have up to 16 million.");
        }
        var view = new Raster((int) width, (int) height);
        for (var row = 0; row < height; row++) {
            for (var column = 0; column < width; column++) {
                var point = new PlanePoint(
                        from.x() + (column + 0.5) * millimetresAPixel, to.y() - (row + 0.5) * millimetresAPixel);
                var behind = plane instanceof Perspective perspective && !perspective.isBefore(point);
                var pixel = plane.pixelOf(point);
                var colour = behind ? -1 : picture.sample(pixel.x(), pixel.y());
                view.rgb()[(int) (row * width + column)] = colour < 0 ? PAPER : colour;
            }
        }
        return view;
    }

    /** The part of the plane that some pixels span: its lower left and upper right corner. */
    public static List<PlanePoint> extent(PlaneMap plane, List<Pixel> pixels) {
        var points = pixels.stream().map(plane::at).toList();
        return List.of(
                new PlanePoint(
                        points.stream().mapToDouble(PlanePoint::x).min().orElseThrow(),
                        points.stream().mapToDouble(PlanePoint::y).min().orElseThrow()),
                new PlanePoint(
                        points.stream().mapToDouble(PlanePoint::x).max().orElseThrow(),
                        points.stream().mapToDouble(PlanePoint::y).max().orElseThrow()));
    }
}
