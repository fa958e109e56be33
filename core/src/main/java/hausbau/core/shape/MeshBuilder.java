package hausbau.core.shape;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Collects faces into a {@link Mesh}; equal vertices (place, normal and UV) are kept once. */
public final class MeshBuilder {

    private record Vertex(Point at, Point normal, double u, double v) {
    }

    private final double sheetsPerMillimetre;
    private final Map<Vertex, Integer> vertices = new HashMap<>();
    private final List<Vertex> order = new ArrayList<>();
    private final Map<Swatch, List<Integer>> indices = new EnumMap<>(Swatch.class);

    /** @param finish gives the UV density */
    public MeshBuilder(Finish finish) {
        this.sheetsPerMillimetre = finish.sheetsPerMillimetre();
    }

    /** Takes faces that are made of a swatch. */
    public Faces of(Swatch swatch) {
        return of(swatch, Pose.NONE);
    }

    /** Takes faces of a body that is posed; they are laid out as they lie before it is turned. */
    public Faces of(Swatch swatch, Pose pose) {
        var mirrored = pose.isMirrored();
        return (corners, normals, laid) -> {
            var flat = Faces.normal(corners);
            var vertices = new int[corners.length];
            for (var i = 0; i < corners.length; i++) {
                var on = laid == null ? laidOut(corners[i].plus(pose.by()), flat) : laid[i];
                vertices[i] = vertex(new Vertex(pose.place(corners[i]), pose.direction(normals[i]), on.along() * sheetsPerMillimetre, 1 - on.across() * sheetsPerMillimetre));
            }
            for (var i = 1; i + 1 < corners.length; i++) {
                triangle(swatch, vertices[0], vertices[mirrored ? i + 1 : i], vertices[mirrored ? i : i + 1]);
            }
        };
    }

    private void triangle(Swatch swatch, int a, int b, int c) {
        indices.computeIfAbsent(swatch, s -> new ArrayList<>()).addAll(List.of(a, b, c));
    }

    /** The axes lie in the face: along is level, across as near to up as the face allows (or north on a level face). */
    private static Faces.Laid laidOut(Point at, Point flat) {
        var u = Math.abs(flat.z()) > 1 - 1e-9 ? new Point(Math.signum(flat.z()), 0, 0) : new Point(-flat.y(), flat.x(), 0).unit();
        return new Faces.Laid(at.dot(u), at.dot(flat.cross(u)));
    }

    private int vertex(Vertex vertex) {
        return vertices.computeIfAbsent(vertex, key -> {
            order.add(key);
            return order.size() - 1;
        });
    }

    public Mesh build() {
        var positions = new double[order.size() * 3];
        var normals = new double[order.size() * 3];
        var uvs = new double[order.size() * 2];
        for (var i = 0; i < order.size(); i++) {
            var v = order.get(i);
            put(positions, 3 * i, v.at());
            put(normals, 3 * i, v.normal());
            uvs[2 * i] = v.u();
            uvs[2 * i + 1] = v.v();
        }
        var parts = indices.entrySet().stream()
                .map(e -> new Mesh.Part(e.getKey(), e.getValue().stream().mapToInt(Integer::intValue).toArray()))
                .toList();
        return new Mesh(positions, normals, uvs, parts);
    }

    private static void put(double[] to, int at, Point p) {
        to[at] = p.x();
        to[at + 1] = p.y();
        to[at + 2] = p.z();
    }
}
