package hausbau.core.bring;

import java.util.Arrays;
import java.util.HashMap;

/** Moves points that lie near to one another to one place. */
final class Welding {

    /** µm. */
    static final int NEAR = 100;

    private Welding() {}

    /** @param places three a point, µm; written over */
    static void weld(int[] places) {
        var count = places.length / 3;
        var last = new HashMap<Cell, Integer>();
        var before = new int[count];
        Arrays.fill(before, -1);
        for (var p = 0; p < count; p++) {
            var cell = new Cell(
                    Math.floorDiv(places[3 * p], NEAR),
                    Math.floorDiv(places[3 * p + 1], NEAR),
                    Math.floorDiv(places[3 * p + 2], NEAR));
            var near = find(places, p, cell, last, before);
            if (near >= 0) {
                System.arraycopy(places, 3 * near, places, 3 * p, 3);
            } else {
                before[p] = last.getOrDefault(cell, -1);
                last.put(cell, p);
            }
        }
    }

    private record Cell(int x, int y, int z) {}

    private static int find(int[] places, int p, Cell cell, HashMap<Cell, Integer> last, int[] before) {
        for (var x = -1; x <= 1; x++) {
            for (var y = -1; y <= 1; y++) {
                for (var z = -1; z <= 1; z++) {
                    for (var q = last.getOrDefault(new Cell(cell.x + x, cell.y + y, cell.z + z), -1);
                            q >= 0;
                            q = before[q]) {
                        if (isNear(places, p, q)) {
                            return q;
                        }
                    }
                }
            }
        }
        return -1;
    }

    private static boolean isNear(int[] places, int p, int q) {
        var sum = 0L;
        for (var axis = 0; axis < 3; axis++) {
            var d = (long) places[3 * p + axis] - places[3 * q + axis];
            sum += d * d;
        }
        return sum <= (long) NEAR * NEAR;
    }
}
