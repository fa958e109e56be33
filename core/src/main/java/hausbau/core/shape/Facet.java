package hausbau.core.shape;

import java.util.List;

/**
 * A flat convex face by itself.
 *
 * @param corners counter-clockwise from outside, millimetres
 * @param normals that the corners carry
 * @param laid    where the corners lie on the surface as it is laid out flat
 */
public record Facet(Swatch swatch, Point[] corners, Point[] normals, Faces.Laid[] laid) {

    /** Collects the faces of a body that is posed; they are laid out as they lie before it is turned. */
    public static Faces into(List<Facet> facets, Swatch swatch, Pose pose) {
        return (corners, normals, laid) -> {
            var n = corners.length;
            var axes = MeshBuilder.Axes.of(Faces.normal(corners));
            var facet = new Facet(swatch, new Point[n], new Point[n], new Faces.Laid[n]);
            for (var i = 0; i < n; i++) {
                var to = pose.isMirrored() ? n - 1 - i : i;
                facet.corners[to] = pose.place(corners[i]);
                facet.normals[to] = pose.direction(normals[i]);
                facet.laid[to] = laid == null ? axes.lay(corners[i].plus(pose.by())) : laid[i];
            }
            facets.add(facet);
        };
    }

    /** The same seen from behind. */
    public Facet turned() {
        var n = corners.length;
        var turned = new Facet(swatch, new Point[n], new Point[n], new Faces.Laid[n]);
        for (var i = 0; i < n; i++) {
            turned.corners[i] = corners[n - 1 - i];
            turned.normals[i] = normals[n - 1 - i].times(-1);
            turned.laid[i] = laid[n - 1 - i];
        }
        return turned;
    }
}
