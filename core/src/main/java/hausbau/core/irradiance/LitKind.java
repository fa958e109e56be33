package hausbau.core.irradiance;

import hausbau.core.ray.Triangles;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/**
 * What light meets of a kind, which all that stand of it share.
 *
 * @param swatches that its triangles are of, by their marks
 */
public record LitKind(Triangles triangles, List<Swatch> swatches) {

    private static final Triangles NONE = new Triangles(new float[0], new int[0]);

    /** @param solid what lets no light through, @param panes what does */
    public record Parted(Triangles solid, Triangles panes) {}

    /** @param isPane whether light passes through what has this mark */
    Parted parted(IntPredicate isPane) {
        if (IntStream.range(0, swatches.size()).noneMatch(isPane)) {
            return new Parted(triangles, NONE);
        }
        return new Parted(triangles.only(isPane.negate()), triangles.only(isPane));
    }

    /** @param mesh in the piece's own frame, millimetres */
    public static LitKind of(Mesh mesh) {
        var corners = new float[9 * mesh.triangles()];
        var marks = new int[mesh.triangles()];
        var t = 0;
        for (var part = 0; part < mesh.parts().size(); part++) {
            var of = mesh.parts().get(part).indices();
            for (var i = 0; i < of.length; i++) {
                var at = mesh.position(of[i]);
                corners[9 * t + 3 * (i % 3)] = (float) (at.x() / 1000);
                corners[9 * t + 3 * (i % 3) + 1] = (float) (at.y() / 1000);
                corners[9 * t + 3 * (i % 3) + 2] = (float) (at.z() / 1000);
                if (i % 3 == 2) {
                    marks[t++] = part;
                }
            }
        }
        return new LitKind(
                new Triangles(corners, marks),
                mesh.parts().stream().map(Mesh.Part::swatch).toList());
    }
}
