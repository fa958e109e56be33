package hausbau.core.bring;

import hausbau.core.measure.Vec;

/**
 * What was found about one thing from a file.
 *
 * @param size      as it is brought in, µm
 * @param open      edges that only one face has
 * @param tangled   edges that more than two faces have
 * @param inward    faces that look inward, or unlike those around them
 * @param doubled   faces that are there more than once
 * @param flat      faces without area
 * @param stray     points that no face uses
 * @param uneven    whether its file scales it unlike in different directions, or mirrors it; that is baked in
 * @param off       by how much it misses whole steps, or the piece that it takes the place of; µm, as large as half a step at most
 *                  for the first
 * @param below     how far its lowest point lies below the file's ground, µm; negative is above
 */
public record Report(
        int triangles,
        int vertices,
        Vec size,
        int open,
        int tangled,
        int inward,
        int doubled,
        int flat,
        int stray,
        boolean uneven,
        Vec off,
        long below) {

    public boolean isClosed() {
        return open == 0;
    }

    public boolean fits() {
        return off.equals(Vec.ZERO);
    }
}
