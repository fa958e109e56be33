package hausbau.core.shape;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/** Takes the faces of a body as they are made. */
public interface Faces {

    /** Where a corner lies on the surface as it is laid out flat, millimetres. */
    record Laid(double along, double across) {}

    /**
     * A flat convex face.
     *
     * @param corners counter-clockwise from outside
     * @param normals that the corners carry, one long
     * @param laid    where the corners lie; null lays the face out as it lies in space
     */
    void face(Point[] corners, Point[] normals, Laid @Nullable [] laid);

    default void face(Point[] corners, Point[] normals) {
        face(corners, normals, null);
    }

    /** A flat convex face that carries its own normal. */
    default void face(Point... corners) {
        var normals = new Point[corners.length];
        Arrays.fill(normals, normal(corners));
        face(corners, normals, null);
    }

    /** Of a face, one long. */
    static Point normal(Point[] corners) {
        return corners[1].minus(corners[0]).cross(corners[2].minus(corners[0])).unit();
    }
}
