package hausbau.core.build;

import hausbau.core.finish.Maps;
import hausbau.core.finish.TextureMemory;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import java.util.Comparator;
import java.util.List;

/**
 * What a set costs to draw.
 *
 * @param drawCalls      one for each material of each kind in use
 * @param materials      distinct materials in use; each has a sheet of its own
 * @param textures       what those sheets take
 * @param heaviest       what draws most triangles, three at most, falling
 * @param instancedBytes meshes once, and a matrix for each placement
 * @param flatBytes      what it would be if every placement had a mesh of its own
 */
public record Tally(int kinds, long placements, int drawCalls, long triangles, long instancedBytes, long flatBytes, int materials, TextureMemory textures, List<Share> heaviest) {

    /** A placement's matrix: sixteen numbers in single precision. */
    private static final long MATRIX_BYTES = 64;

    private static final int NAMED = 3;

    /** @param count how often the mesh is placed; a kind that is not placed costs nothing */
    public record Use(String what, Mesh mesh, long count) {

        long triangles() {
            return count * mesh.triangles();
        }
    }

    /** What one kind draws, all its placements together. */
    public record Share(String what, long triangles) {
    }

    public static Tally of(List<Use> uses) {
        var used = uses.stream().filter(u -> u.count() > 0).toList();
        var placements = used.stream().mapToLong(Use::count).sum();
        var materials = (int) used.stream().flatMap(u -> u.mesh().parts().stream()).map(Mesh.Part::swatch).distinct().count();
        return new Tally(used.size(), placements,
                used.stream().mapToInt(u -> u.mesh().parts().size()).sum(),
                used.stream().mapToLong(Use::triangles).sum(),
                used.stream().mapToLong(u -> u.mesh().bytes()).sum() + placements * MATRIX_BYTES,
                used.stream().mapToLong(u -> u.count() * u.mesh().bytes()).sum(),
                materials, TextureMemory.of(Finish.SHEET_PIXELS, materials * Maps.Kind.values().length),
                used.stream().sorted(Comparator.comparingLong(Use::triangles).reversed().thenComparing(Use::what)).limit(NAMED).map(u -> new Share(u.what(), u.triangles())).toList());
    }
}
