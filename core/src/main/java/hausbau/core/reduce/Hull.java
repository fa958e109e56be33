package hausbau.core.reduce;

import com.github.quickhull3d.QuickHull3D;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.MeshBuilder;
import hausbau.core.shape.Point;
import hausbau.core.shape.Swatch;
import java.util.Comparator;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/** Bodies that hold a mesh: its convex hull (by quickhull) and its box. */
public final class Hull {

    /** Corners by bits: 1 is east, 2 north, 4 up; counter-clockwise from outside. */
    private static final int[][] SIDES = {
        {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
    };

    private static final double LEAST_MM = 1;

    private final Finish finish;

    /** @param finish gives the UV density */
    public Hull(Finish finish) {
        this.finish = finish;
    }

    /** The least convex body that holds the mesh; its box where all of it lies in one plane. */
    public Mesh about(Mesh mesh) {
        QuickHull3D hull;
        try {
            hull = new QuickHull3D(mesh.positions());
        } catch (IllegalArgumentException e) {
            return box(mesh);
        }
        var corners = hull.getVertices();
        var built = new MeshBuilder(finish);
        var faces = built.of(swatch(mesh));
        for (var face : hull.getFaces()) {
            faces.face(IntStream.of(face)
                    .mapToObj(c -> new Point(corners[c].x, corners[c].y, corners[c].z))
                    .toArray(Point[]::new));
        }
        return built.build();
    }

    /** The box that holds the mesh, at least 1 mm thick. */
    public Mesh box(Mesh mesh) {
        var low = new double[3];
        var high = new double[3];
        for (var axis = 0; axis < 3; axis++) {
            low[axis] = along(mesh, axis).min().orElse(0);
            high[axis] = Math.max(along(mesh, axis).max().orElse(0), low[axis] + LEAST_MM);
        }
        var built = new MeshBuilder(finish);
        var faces = built.of(swatch(mesh));
        for (var side : SIDES) {
            faces.face(IntStream.of(side)
                    .mapToObj(c -> new Point(
                            ((c & 1) == 0 ? low : high)[0],
                            ((c & 2) == 0 ? low : high)[1],
                            ((c & 4) == 0 ? low : high)[2]))
                    .toArray(Point[]::new));
        }
        return built.build();
    }

    private static DoubleStream along(Mesh mesh, int axis) {
        return IntStream.range(0, mesh.vertices()).mapToDouble(v -> mesh.positions()[3 * v + axis]);
    }

    /** What most of its triangles are of. */
    private static Swatch swatch(Mesh mesh) {
        return mesh.parts().stream()
                .max(Comparator.comparingInt(p -> p.indices().length))
                .map(Mesh.Part::swatch)
                .orElse(Swatch.PLASTER);
    }
}
