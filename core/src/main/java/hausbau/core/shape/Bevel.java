package hausbau.core.shape;

/**
 * How a hard edge is broken.
 *
 * @param width    from the edge to where the flats begin, millimetres, 0 or more; 0 leaves the edge sharp
 * @param segments 1 is a chamfer that carries the normals of the flats; more are a round
 */
public record Bevel(double width, int segments) {

    public Bevel {
        if (width < 0 || segments < 1) {
            throw new IllegalArgumentException("a bevel is 0 or wider, of 1 segment or more");
        }
    }

    public static Bevel chamfer(double width) {
        return new Bevel(width, 1);
    }

    Bevel atMost(double greatest) {
        return width <= greatest ? this : new Bevel(Math.max(0, greatest), segments);
    }

    /** The cosine after so many segments of the quarter round; exact at both ends. */
    double cos(int segment) {
        return segment == 0 ? 1 : segment == segments ? 0 : Math.cos(Math.PI / 2 * segment / segments);
    }

    double sin(int segment) {
        return cos(segments - segment);
    }
}
