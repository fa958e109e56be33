package hausbau.core.measure;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntConsumer;
import org.jspecify.annotations.Nullable;

/**
 * Finds boxes that touch a given box: a packed R-tree over boxes that do not change.
 *
 * <p>Built by sort-tile-recursive packing (Leutenegger, Lopez and Edgington 1997) over X and Y, or in the order given where
 * neighbours in it lie near one another already; a query costs O(log n + found) for boxes that overlap little. Boxes are
 * named by their place in the list given.
 */
public final class BoxIndex {

    private static final int FAN = 8;

    /** Which box each entry is; absent where that is its own number. */
    private final int @Nullable [] items;

    private final int count;
    /** Six bounds an entry: minX, minY, minZ, maxX, maxY, maxZ; the items' first, then level upon level of nodes. */
    private final long[] bounds;
    /** Where each level begins in {@link #bounds}, counted in entries; the last is the end of the root level. */
    private final int[] levels;

    public BoxIndex(List<Box> boxes) {
        this(packed(boxes), boxes);
    }

    private BoxIndex(int[] packed, List<Box> boxes) {
        this(packed, boxes.size());
        for (var i = 0; i < count; i++) {
            put(i, boxes.get(packed[i]));
        }
        encloseAll();
    }

    private BoxIndex(int @Nullable [] items, int count) {
        this.items = items;
        this.count = count;
        levels = levelsFor(count);
        bounds = new long[6 * levels[levels.length - 1]];
    }

    /**
     * An index that keeps the order given: neighbours in it should lie near one another.
     *
     * @param boxes six bounds a box
     * @param count how many
     */
    public static BoxIndex inOrder(long[] boxes, int count) {
        var index = new BoxIndex(null, count);
        System.arraycopy(boxes, 0, index.bounds, 0, 6 * count);
        index.encloseAll();
        return index;
    }

    private static int[] packed(List<Box> boxes) {
        var n = boxes.size();
        var order = new Integer[n];
        Arrays.setAll(order, i -> i);
        Arrays.sort(
                order,
                Comparator.comparingLong(
                        i -> boxes.get(i).min().x() + boxes.get(i).max().x()));
        var slices = Math.max(1, (int) Math.ceil(Math.sqrt((double) n / FAN)));
        var perSlice = Math.max(1, (n + slices - 1) / slices);
        for (var from = 0; from < n; from += perSlice) {
            Arrays.sort(
                    order,
                    from,
                    Math.min(n, from + perSlice),
                    Comparator.comparingLong(
                            i -> boxes.get(i).min().y() + boxes.get(i).max().y()));
        }
        return Arrays.stream(order).mapToInt(Integer::intValue).toArray();
    }

    private void encloseAll() {
        for (var level = 1; level + 1 < levels.length; level++) {
            for (var node = levels[level]; node < levels[level + 1]; node++) {
                var first = levels[level - 1] + (node - levels[level]) * FAN;
                enclose(node, first, Math.min(first + FAN, levels[level]));
            }
        }
    }

    /** What all boxes lie within; only where there is one. */
    public Box extent() {
        return box(levels[levels.length - 2]);
    }

    /** The box of this number; only where the index keeps the order given. */
    public Box box(int entry) {
        var at = 6 * entry;
        return Box.of(bounds[at], bounds[at + 1], bounds[at + 2], bounds[at + 3], bounds[at + 4], bounds[at + 5]);
    }

    private static int[] levelsFor(int n) {
        var levels = new int[] {0, n};
        while (n > 1) {
            n = (n + FAN - 1) / FAN;
            levels = Arrays.copyOf(levels, levels.length + 1);
            levels[levels.length - 1] = levels[levels.length - 2] + n;
        }
        return levels;
    }

    private void put(int entry, Box box) {
        var at = 6 * entry;
        bounds[at] = box.min().x();
        bounds[at + 1] = box.min().y();
        bounds[at + 2] = box.min().z();
        bounds[at + 3] = box.max().x();
        bounds[at + 4] = box.max().y();
        bounds[at + 5] = box.max().z();
    }

    private void enclose(int node, int first, int end) {
        System.arraycopy(bounds, 6 * first, bounds, 6 * node, 6);
        for (var child = first + 1; child < end; child++) {
            for (var i = 0; i < 3; i++) {
                bounds[6 * node + i] = Math.min(bounds[6 * node + i], bounds[6 * child + i]);
                bounds[6 * node + 3 + i] = Math.max(bounds[6 * node + 3 + i], bounds[6 * child + 3 + i]);
            }
        }
    }

    /** Names every box that shares at least a point with this one. */
    public void touching(Box box, IntConsumer found) {
        if (count > 0) {
            visit(levels.length - 2, levels[levels.length - 2], box, found);
        }
    }

    private void visit(int level, int entry, Box box, IntConsumer found) {
        var at = 6 * entry;
        if (bounds[at] > box.max().x()
                || bounds[at + 3] < box.min().x()
                || bounds[at + 1] > box.max().y()
                || bounds[at + 4] < box.min().y()
                || bounds[at + 2] > box.max().z()
                || bounds[at + 5] < box.min().z()) {
            return;
        }
        if (level == 0) {
            found.accept(items == null ? entry : items[entry]);
            return;
        }
        var first = levels[level - 1] + (entry - levels[level]) * FAN;
        var end = Math.min(first + FAN, levels[level]);
        for (var child = first; child < end; child++) {
            visit(level - 1, child, box, found);
        }
    }
}
