package hausbau.core.takeoff;

import hausbau.core.measure.Refused;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One thing marked on a picture.
 *
 * @param shape what was picked: a place, two ends, two opposite corners, or an outline
 */
public record Mark(Shape shape, List<Pixel> picks) {

    /** Nearer than this along an axis, two corners are a slip of the hand and no rectangle, in pixels. */
    private static final double LEAST_SIDE = 1;

    private static final double LONGEST_MM = 1e9;

    public enum Shape {
        POINT(1, 1),
        LINE(2, 2),
        RECTANGLE(2, 2),
        POLYGON(3, 100);

        private final int least;
        private final int most;

        Shape(int least, int most) {
            this.least = least;
            this.most = most;
        }
    }

    /** @throws Refused if the picks are not such a shape */
    public Mark {
        picks = List.copyOf(picks);
        if (picks.size() < shape.least || picks.size() > shape.most) {
            throw new Refused("points", "This mark takes from " + shape.least + " to " + shape.most + " points.");
        }
        if (shape == Shape.RECTANGLE
                        && (Math.abs(picks.get(0).x() - picks.get(1).x()) < LEAST_SIDE
                                || Math.abs(picks.get(0).y() - picks.get(1).y()) < LEAST_SIDE)
                || shape == Shape.LINE && picks.get(0).equals(picks.get(1))) {
            throw new Refused("points", "Two of the points lie on one another: a mark needs a width and a height.");
        }
    }

    /**
     * What a mark measures; empty where its plane or its shape does not tell.
     *
     * @param outline how it shows on the picture
     */
    public record Size(
            Optional<Measured> width,
            Optional<Measured> height,
            Optional<Measured> length,
            Optional<Measured> area,
            List<Pixel> outline) {}

    /** What it measures on no plane: nothing. A rectangle is then upright on the picture itself. */
    public Size unmeasured() {
        var a = picks.get(0);
        var b = picks.get(picks.size() - 1);
        return none(shape == Shape.RECTANGLE ? List.of(a, new Pixel(b.x(), a.y()), b, new Pixel(a.x(), b.y())) : picks);
    }

    private static Size none(List<Pixel> outline) {
        return new Size(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), outline);
    }

    public Size on(Measuring plane) {
        var a = picks.get(0);
        var b = picks.get(picks.size() - 1);
        return switch (shape) {
            case POINT -> none(picks);
            case LINE ->
                new Size(Optional.empty(), Optional.empty(), Optional.of(plane.length(a, b)), Optional.empty(), picks);
            case RECTANGLE ->
                new Size(
                        Optional.of(plane.width(a, b)),
                        Optional.of(plane.height(a, b)),
                        Optional.empty(),
                        Optional.empty(),
                        plane.plane().rectangle(a, b));
            case POLYGON ->
                new Size(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(plane.area(picks)), picks);
        };
    }

    /** @throws Refused if nothing sensible is measured on the plane */
    public void checkOn(Measuring plane) {
        var size = on(plane);
        if (Stream.of(size.width(), size.height(), size.length(), size.area())
                .flatMap(Optional::stream)
                .anyMatch(m -> !isSensible(m))) {
            throw new Refused("points", "Two of the points lie on one another, or beyond the plane's horizon.");
        }
    }

    static boolean isSensible(Measured m) {
        return Double.isFinite(m.value()) && Double.isFinite(m.deviation()) && m.value() <= LONGEST_MM * LONGEST_MM;
    }
}
