package hausbau.core.bring;

import java.util.List;

/**
 * One thing out of a file, before anything is decided about it: a node or a group, in the file's own units and axes.
 *
 * @param uneven whether it was scaled unlike in different directions, or mirrored, where it stands in its file
 * @param stray  points that no face uses
 */
public record ImportedObject(String name, List<Surface> surfaces, boolean uneven, int stray) {

    /**
     * Triangles of one material.
     *
     * @param places   three a vertex; numbers, of at most 10⁹
     * @param normals  three a vertex, or empty
     * @param uvs      two a vertex, the origin at the upper left, or empty
     * @param indices  three a triangle
     * @param textures what pictures it asks for
     */
    public record Surface(
            String material, double[] places, float[] normals, float[] uvs, int[] indices, List<String> textures) {

        public int triangles() {
            return indices.length / 3;
        }

        /** What its numbers take in memory. */
        public long bytes() {
            return 8L * places.length + 4L * (normals.length + uvs.length + indices.length);
        }
    }

    public int triangles() {
        return surfaces.stream().mapToInt(Surface::triangles).sum();
    }
}
