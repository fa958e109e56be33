package hausbau.core.ray;

import java.util.Arrays;

/**
 * Boxes in a tree of boxes, so that a ray passes by most of them unasked. Parted where the surface area heuristic says, over
 * {@value #BINS} bins of an axis (I. Wald, On fast Construction of SAH-based Bounding Volume Hierarchies, 2007).
 */
final class BoxTree {

    private static final int BINS = 12;
    /** No tree is deeper: from here on it is halved. */
    private static final int DEEP = 40;

    static final int STACK = 2 * DEEP;

    /** Least x, y, z, greatest x, y, z of each node. */
    final float[] bounds;
    /** Of a node that parts: its first child, the second lies behind it. Of a leaf: its first place in the order. */
    final int[] first;
    /** Of a leaf: how many; 0 of a node that parts. */
    final int[] count;
    /** The boxes by number, those of one leaf side by side. */
    final int[] order;

    private final float[] boxes;
    private final int leaf;
    private int nodes = 1;

    /** @param boxes least x, y, z, greatest x, y, z of each. @param leaf so many stay together */
    BoxTree(float[] boxes, int leaf) {
        this.boxes = boxes;
        this.leaf = leaf;
        var n = boxes.length / 6;
        order = new int[n];
        Arrays.setAll(order, i -> i);
        var most = Math.max(1, 2 * n);
        bounds = new float[6 * most];
        first = new int[most];
        count = new int[most];
        part(0, 0, n, 0);
    }

    private void part(int node, int from, int to, int depth) {
        bound(node, from, to);
        var middle = to - from <= leaf ? -1 : middle(node, from, to, depth);
        if (middle < 0) {
            first[node] = from;
            count[node] = to - from;
            return;
        }
        var child = nodes;
        nodes += 2;
        first[node] = child;
        part(child, from, middle, depth + 1);
        part(child + 1, middle, to, depth + 1);
    }

    private void bound(int node, int from, int to) {
        Arrays.fill(bounds, 6 * node, 6 * node + 3, Float.POSITIVE_INFINITY);
        Arrays.fill(bounds, 6 * node + 3, 6 * node + 6, Float.NEGATIVE_INFINITY);
        for (var i = from; i < to; i++) {
            widen(bounds, 6 * node, order[i]);
        }
    }

    private void widen(float[] to, int at, int box) {
        for (var k = 0; k < 3; k++) {
            to[at + k] = Math.min(to[at + k], boxes[6 * box + k]);
            to[at + 3 + k] = Math.max(to[at + 3 + k], boxes[6 * box + 3 + k]);
        }
    }

    private float centre(int box, int axis) {
        return (boxes[6 * box + axis] + boxes[6 * box + 3 + axis]) / 2;
    }

    /** Where to part, after what lies before and behind has been put in order; -1 where nothing is gained. */
    private int middle(int node, int from, int to, int depth) {
        var best = Float.POSITIVE_INFINITY;
        var bestAxis = -1;
        var bestBin = 0;
        var low = new float[3];
        var scale = new float[3];
        for (var axis = 0; axis < 3; axis++) {
            var least = Float.POSITIVE_INFINITY;
            var most = Float.NEGATIVE_INFINITY;
            for (var i = from; i < to; i++) {
                var c = centre(order[i], axis);
                least = Math.min(least, c);
                most = Math.max(most, c);
            }
            if (most <= least) {
                continue;
            }
            low[axis] = least;
            scale[axis] = BINS / (most - least);
            var costs = costs(from, to, axis, least, scale[axis]);
            for (var bin = 1; bin < BINS; bin++) {
                if (costs[bin] < best) {
                    best = costs[bin];
                    bestAxis = axis;
                    bestBin = bin;
                }
            }
        }
        if (bestAxis < 0) {
            return to - from <= 4 * leaf ? -1 : (from + to) / 2;
        }
        if (best >= area(bounds, 6 * node) * (to - from) && to - from <= 4 * leaf) {
            return -1;
        }
        if (depth > DEEP) {
            return (from + to) / 2;
        }
        var i = from;
        for (var j = from; j < to; j++) {
            if (bin(order[j], bestAxis, low[bestAxis], scale[bestAxis]) < bestBin) {
                var other = order[i];
                order[i++] = order[j];
                order[j] = other;
            }
        }
        return i;
    }

    private int bin(int box, int axis, float low, float scale) {
        return Math.min(BINS - 1, (int) ((centre(box, axis) - low) * scale));
    }

    /** What it costs to part before each bin: area by number, on both sides. */
    private float[] costs(int from, int to, int axis, float low, float scale) {
        var box = new float[6 * BINS];
        var of = new int[BINS];
        for (var b = 0; b < BINS; b++) {
            Arrays.fill(box, 6 * b, 6 * b + 3, Float.POSITIVE_INFINITY);
            Arrays.fill(box, 6 * b + 3, 6 * b + 6, Float.NEGATIVE_INFINITY);
        }
        for (var i = from; i < to; i++) {
            var b = bin(order[i], axis, low, scale);
            of[b]++;
            widen(box, 6 * b, order[i]);
        }
        var costs = new float[BINS];
        sweep(box, of, costs, false);
        sweep(box, of, costs, true);
        return costs;
    }

    private static void sweep(float[] box, int[] of, float[] costs, boolean backward) {
        var all = new float[6];
        Arrays.fill(all, 0, 3, Float.POSITIVE_INFINITY);
        Arrays.fill(all, 3, 6, Float.NEGATIVE_INFINITY);
        var n = 0;
        for (var i = 0; i < BINS - 1; i++) {
            var b = backward ? BINS - 1 - i : i;
            n += of[b];
            for (var k = 0; k < 3; k++) {
                all[k] = Math.min(all[k], box[6 * b + k]);
                all[3 + k] = Math.max(all[3 + k], box[6 * b + 3 + k]);
            }
            costs[backward ? b : b + 1] += n == 0 ? Float.POSITIVE_INFINITY : area(all, 0) * n;
        }
    }

    private static float area(float[] of, int at) {
        var x = of[at + 3] - of[at];
        var y = of[at + 4] - of[at + 1];
        var z = of[at + 5] - of[at + 2];
        return x * y + y * z + z * x;
    }
}
