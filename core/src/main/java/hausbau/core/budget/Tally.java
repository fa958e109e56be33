package hausbau.core.budget;

import hausbau.core.finish.Maps;
import hausbau.core.finish.TextureMemory;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import hausbau.core.standing.Use;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What a set costs to draw.
 *
 * @param drawCalls      one for each material of each kind in use, in each colourway
 * @param materials      distinct materials in use; each has a sheet of its own
 * @param textures       what those sheets take
 * @param largest        what of them takes most, three at most, falling
 * @param lamps          that are lit, each of which casts shadows, @param lampsAtOnce the most that light one place
 * @param heaviest       what draws most triangles, three at most, falling
 * @param instancedBytes meshes once, and a matrix for each placement
 * @param flatBytes      what it would be if every placement had a mesh of its own
 */
public record Tally(
        int kinds,
        long placements,
        int drawCalls,
        long triangles,
        long instancedBytes,
        long flatBytes,
        int materials,
        TextureMemory textures,
        List<Sheet> largest,
        List<Share> heaviest,
        int lamps,
        int lampsAtOnce) {

    /** A placement's matrix: sixteen numbers in single precision. */
    private static final long MATRIX_BYTES = 64;

    private static final int NAMED = 3;

    /** @param what its code, @param count how often the mesh is placed; a kind that is not placed costs nothing, @param colourway that it is finished in; 0 for the site's */
    public record Use(String what, Mesh mesh, long count, long colourway) {

        /** In the site's finishes. */
        public Use(String what, Mesh mesh, long count) {
            this(what, mesh, count, 0);
        }

        long triangles() {
            return count * mesh.triangles();
        }
    }

    private record Material(Swatch swatch, long colourway) {}

    /** What one kind draws, all its placements together. */
    public record Share(String what, long triangles) {}

    /** One sheet in use, all its pictures. @param colourway 0 for the site's, @param side pixels */
    public record Sheet(Swatch material, long colourway, int side, TextureMemory memory) {}

    public static Tally of(List<Use> uses, Sheets on) {
        var used = uses.stream().filter(u -> u.count() > 0).toList();
        var placements = used.stream().mapToLong(Use::count).sum();
        var sheets = used.stream()
                .flatMap(u -> u.mesh().parts().stream().map(p -> new Material(p.swatch(), u.colourway())))
                .distinct()
                .map(m -> new Sheet(
                        m.swatch(),
                        m.colourway(),
                        on.side(m.swatch()),
                        TextureMemory.of(on.side(m.swatch()), Maps.Kind.values().length)))
                .toList();
        var meshes = used.stream().collect(Collectors.toMap(Use::what, Use::mesh, (a, b) -> a));
        var drawn = used.stream().collect(Collectors.groupingBy(Use::what, Collectors.summingLong(Use::triangles)));
        return new Tally(
                meshes.size(),
                placements,
                used.stream().mapToInt(u -> u.mesh().parts().size()).sum(),
                used.stream().mapToLong(Use::triangles).sum(),
                meshes.values().stream().mapToLong(Mesh::bytes).sum() + placements * MATRIX_BYTES,
                used.stream().mapToLong(u -> u.count() * u.mesh().bytes()).sum(),
                sheets.size(),
                sheets.stream().map(Sheet::memory).reduce(TextureMemory.NONE, TextureMemory::plus),
                sheets.stream()
                        .sorted(Comparator.comparingInt(Sheet::side)
                                .reversed()
                                .thenComparing(Sheet::material)
                                .thenComparingLong(Sheet::colourway))
                        .limit(NAMED)
                        .toList(),
                drawn.entrySet().stream()
                        .map(e -> new Share(e.getKey(), e.getValue()))
                        .sorted(Comparator.comparingLong(Share::triangles)
                                .reversed()
                                .thenComparing(Share::what))
                        .limit(NAMED)
                        .toList(),
                0,
                0);
    }

    /** The same with lamps. */
    public Tally lit(int count, int atOnce) {
        return new Tally(
                kinds,
                placements,
                drawCalls,
                triangles,
                instancedBytes,
                flatBytes,
                materials,
                textures,
                largest,
                heaviest,
                count,
                atOnce);
    }
}
