package hausbau.core.kit;

import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.MeshBuilder;
import hausbau.core.shape.Point;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What can be measured on any mesh. */
final class Meshes {

    private Meshes() {}

    static hausbau.core.shape.Mesh of(Part part, double bevel) {
        var mesh = new MeshBuilder(new Finish(bevel, 256));
        part.addTo(mesh, new Finish(bevel, 256));
        return mesh.build();
    }

    /** Places welded to a thousandth of a micrometre. */
    static List<List<Point>> triangles(Mesh mesh) {
        var triangles = new ArrayList<List<Point>>();
        for (var part : mesh.parts()) {
            for (var i = 0; i < part.indices().length; i += 3) {
                triangles.add(List.of(
                        welded(mesh, part.indices()[i]),
                        welded(mesh, part.indices()[i + 1]),
                        welded(mesh, part.indices()[i + 2])));
            }
        }
        return triangles;
    }

    private static Point welded(Mesh mesh, int vertex) {
        var p = mesh.position(vertex);
        return new Point(
                Math.rint(p.x() * 1e6) / 1e6 + 0.0,
                Math.rint(p.y() * 1e6) / 1e6 + 0.0,
                Math.rint(p.z() * 1e6) / 1e6 + 0.0);
    }

    /** By the divergence theorem: a sixth of the triple product of every triangle. */
    static double volume(Mesh mesh) {
        return triangles(mesh).stream()
                        .mapToDouble(t -> t.get(0).dot(t.get(1).cross(t.get(2))))
                        .sum()
                / 6;
    }

    static double area(Mesh mesh) {
        return triangles(mesh).stream()
                .mapToDouble(t ->
                        t.get(1).minus(t.get(0)).cross(t.get(2).minus(t.get(0))).length() / 2)
                .sum();
    }

    /** V − E + F. */
    static int euler(Mesh mesh) {
        var corners = new HashSet<Point>();
        var edges = new HashSet<Set<Point>>();
        var triangles = triangles(mesh);
        for (var t : triangles) {
            corners.addAll(t);
            for (var i = 0; i < 3; i++) {
                edges.add(Set.of(t.get(i), t.get((i + 1) % 3)));
            }
        }
        return corners.size() - edges.size() + triangles.size();
    }

    /** Edges that are not walked once each way as often. */
    static List<List<Point>> open(Mesh mesh) {
        Map<List<Point>, Integer> edges = new HashMap<>();
        triangles(mesh).forEach(t -> {
            for (var i = 0; i < 3; i++) {
                edges.merge(List.of(t.get(i), t.get((i + 1) % 3)), 1, Integer::sum);
            }
        });
        return edges.keySet().stream()
                .filter(e -> !edges.get(e).equals(edges.get(List.of(e.get(1), e.get(0)))))
                .toList();
    }

    /** Of every edge of every triangle, its length on the sheet by its length in space, against what the density asks for: 1 where it is neither stretched nor sheared. */
    static List<Double> densities(Mesh mesh) {
        var ratios = new ArrayList<Double>();
        var perMillimetre = 256 / 1000.0 / 1024;
        for (var part : mesh.parts()) {
            for (var i = 0; i < part.indices().length; i++) {
                var a = part.indices()[i];
                var b = part.indices()[i % 3 == 2 ? i - 2 : i + 1];
                var length = mesh.position(b).minus(mesh.position(a)).length();
                if (length > 0.01) {
                    ratios.add(Math.hypot(
                                    mesh.uvs()[2 * b] - mesh.uvs()[2 * a],
                                    mesh.uvs()[2 * b + 1] - mesh.uvs()[2 * a + 1])
                            / length
                            / perMillimetre);
                }
            }
        }
        return ratios;
    }
}
