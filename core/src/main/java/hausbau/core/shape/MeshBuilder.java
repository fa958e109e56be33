package hausbau.core.shape;

import java.util.ArrayList;
import java.util.Arrays;
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

    /** A flat convex face, its corners counter-clockwise from outside. */
    public void face(Swatch swatch, Point... corners) {
        var normal = normalOf(corners[0], corners[1], corners[2]);
        var normals = new Point[corners.length];
        Arrays.fill(normals, normal);
        face(swatch, corners, normals);
    }

    /** A flat convex face whose corners carry the given normals. */
    public void face(Swatch swatch, Point[] corners, Point[] normals) {
        var flat = normalOf(corners[0], corners[1], corners[2]);
        var first = vertex(corners[0], normals[0], flat);
        for (var i = 1; i + 1 < corners.length; i++) {
            triangle(swatch, first, vertex(corners[i], normals[i], flat), vertex(corners[i + 1], normals[i + 1], flat));
        }
    }

    private void triangle(Swatch swatch, int a, int b, int c) {
        indices.computeIfAbsent(swatch, s -> new ArrayList<>()).addAll(List.of(a, b, c));
    }

    static Point normalOf(Point a, Point b, Point c) {
        return b.minus(a).cross(c.minus(a)).unit();
    }

    /** UV axes lie in the face: u level, v as near to up as the face allows (or north on a level face). */
    private int vertex(Point at, Point normal, Point flat) {
        var u = Math.abs(flat.z()) > 1 - 1e-9 ? new Point(Math.signum(flat.z()), 0, 0)
                : new Point(-flat.y(), flat.x(), 0).unit();
        var v = flat.cross(u);
        var vertex = new Vertex(at, normal, at.dot(u) * sheetsPerMillimetre, 1 - at.dot(v) * sheetsPerMillimetre);
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
