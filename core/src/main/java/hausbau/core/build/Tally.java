package hausbau.core.build;

import hausbau.core.shape.Mesh;
import java.util.List;

/**
 * What a set costs to draw.
 *
 * @param drawCalls      one for each material of each kind in use
 * @param materials      distinct materials in use
 * @param instancedBytes meshes once, and a matrix for each placement
 * @param flatBytes      what it would be if every placement had a mesh of its own
 */
public record Tally(int kinds, long placements, int drawCalls, long triangles, long instancedBytes, long flatBytes, int materials) {

    /** A placement's matrix: sixteen numbers in single precision. */
    private static final long MATRIX_BYTES = 64;

    /** @param count how often the mesh is placed; a kind that is not placed costs nothing */
    public record Use(Mesh mesh, long count) {
    }

    public static Tally of(List<Use> uses) {
        var used = uses.stream().filter(u -> u.count() > 0).toList();
        var placements = used.stream().mapToLong(Use::count).sum();
        return new Tally(used.size(), placements,
                used.stream().mapToInt(u -> u.mesh().parts().size()).sum(),
                used.stream().mapToLong(u -> u.count() * u.mesh().triangles()).sum(),
                used.stream().mapToLong(u -> u.mesh().bytes()).sum() + placements * MATRIX_BYTES,
                used.stream().mapToLong(u -> u.count() * u.mesh().bytes()).sum(),
                (int) used.stream().flatMap(u -> u.mesh().parts().stream()).map(Mesh.Part::swatch).distinct().count());
    }
}
