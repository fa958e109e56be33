package hausbau.core.bring;

import hausbau.core.shape.Alike;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * Triangles looked over as one body: which of their corners meet, which edges they share, which way they look. All of it in
 * plain arrays, since a file may have a million of them.
 */
final class MeshTopology {

    /** Three a corner, µm. */
    private final int[] places;
    /** Three a triangle. */
    private final int[] corners;
    /** The first corner's number that lies where this one does. */
    final int[] point;

    private final int triangles;

    int open;
    int tangled;
    int doubled;
    int flat;
    int inward;
    /** Triangles that are to be turned about. */
    final boolean[] turned;
    /** Triangles that say nothing: without area, or there already. */
    final boolean[] idle;

    MeshTopology(int[] places, int[] corners) {
        this.places = places;
        this.corners = corners;
        triangles = corners.length / 3;
        turned = new boolean[triangles];
        idle = new boolean[triangles];
        point = new int[places.length / 3];
        var alike = new Alike(point.length) {
            @Override
            protected long hash(int v) {
                return (places[3 * v] * 0x9E3779B97F4A7C15L ^ places[3 * v + 1]) * 0xC2B2AE3D27D4EB4FL
                        ^ places[3 * v + 2];
            }

            @Override
            protected boolean same(int a, int b) {
                return places[3 * a] == places[3 * b]
                        && places[3 * a + 1] == places[3 * b + 1]
                        && places[3 * a + 2] == places[3 * b + 2];
            }
        };
        for (var v = 0; v < point.length; v++) {
            point[v] = alike.first(v);
        }
        findIdle();
        lookAbout();
    }

    private int at(int halfEdge) {
        return point[corners[halfEdge]];
    }

    private static int next(int halfEdge) {
        return halfEdge % 3 == 2 ? halfEdge - 2 : halfEdge + 1;
    }

    private void findIdle() {
        var alike = new Alike(triangles) {
            private int[] sorted(int t) {
                int[] three = {at(3 * t), at(3 * t + 1), at(3 * t + 2)};
                Arrays.sort(three);
                return three;
            }

            @Override
            protected long hash(int t) {
                // The same in whatever order.
                long a = at(3 * t);
                long b = at(3 * t + 1);
                long c = at(3 * t + 2);
                return (a + b + c) * 0x9E3779B97F4A7C15L ^ (a * a + b * b + c * c);
            }

            @Override
            protected boolean same(int s, int t) {
                return Arrays.equals(sorted(s), sorted(t));
            }
        };
        for (var t = 0; t < triangles; t++) {
            if (at(3 * t) == at(3 * t + 1)
                    || at(3 * t + 1) == at(3 * t + 2)
                    || at(3 * t) == at(3 * t + 2)
                    || doubleArea(t) < 1) {
                flat++;
                idle[t] = true;
            } else if (alike.first(t) != t) {
                doubled++;
                idle[t] = true;
            }
        }
    }

    /** µm². */
    private double doubleArea(int t) {
        var n = normal(t);
        return Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]);
    }

    /** Across its face, twice its area long, µm². */
    double[] normal(int t) {
        var a = 3 * at(3 * t);
        var b = 3 * at(3 * t + 1);
        var c = 3 * at(3 * t + 2);
        double x1 = (double) places[b] - places[a];
        double y1 = (double) places[b + 1] - places[a + 1];
        double z1 = (double) places[b + 2] - places[a + 2];
        double x2 = (double) places[c] - places[a];
        double y2 = (double) places[c + 1] - places[a + 1];
        double z2 = (double) places[c + 2] - places[a + 2];
        return new double[] {y1 * z2 - z1 * y2, z1 * x2 - x1 * z2, x1 * y2 - y1 * x2};
    }

    private void lookAbout() {
        var alike = new Alike(3 * triangles) {
            @Override
            protected long hash(int h) {
                var a = at(h);
                var b = at(next(h));
                return ((long) Math.min(a, b) << 32 | Math.max(a, b)) * 0xC2B2AE3D27D4EB4FL;
            }

            @Override
            protected boolean same(int g, int h) {
                return at(g) == at(h) && at(next(g)) == at(next(h)) || at(g) == at(next(h)) && at(next(g)) == at(h);
            }
        };
        // Of the first half of each edge: how many there are, and the second.
        var count = new int[3 * triangles];
        var second = new int[3 * triangles];
        for (var h = 0; h < 3 * triangles; h++) {
            if (!idle[h / 3]) {
                var first = alike.first(h);
                if (++count[first] == 2) {
                    second[first] = h;
                }
            }
        }
        var bodies = new Bodies(triangles);
        for (var h = 0; h < 3 * triangles; h++) {
            if (count[h] == 1) {
                open++;
            } else if (count[h] > 2) {
                tangled++;
            } else if (count[h] == 2) {
                bodies.join(h / 3, second[h] / 3, at(h) == at(second[h]));
            }
        }
        for (var h = 0; h < 3 * triangles; h++) {
            if (count[h] == 1) {
                bodies.isOpen[bodies.root(h / 3)] = true;
            }
        }
        turnOutward(bodies);
    }

    /** Triangles that hang together, and which of them look unlike the first. */
    private static final class Bodies {
        private final int[] above;
        private final boolean[] unlike;
        final boolean[] isOpen;

        Bodies(int count) {
            above = new int[count];
            Arrays.setAll(above, i -> i);
            unlike = new boolean[count];
            isOpen = new boolean[count];
        }

        int root(int t) {
            var root = t;
            var parity = false;
            while (above[root] != root) {
                parity ^= unlike[root];
                root = above[root];
            }
            // All on the way hang on the root then.
            for (var at = t; above[at] != root && at != root; ) {
                var up = above[at];
                var own = unlike[at];
                above[at] = root;
                unlike[at] = parity;
                parity ^= own;
                at = up;
            }
            return root;
        }

        boolean isUnlike(int t) {
            root(t);
            return above[t] != t && unlike[t];
        }

        void join(int a, int b, boolean lookUnlike) {
            var rootA = root(a);
            var rootB = root(b);
            if (rootA != rootB) {
                unlike[rootB] = isUnlike(a) ^ isUnlike(b) ^ lookUnlike;
                above[rootB] = rootA;
            }
        }
    }

    /** What a body encloses, as its first triangle looks. */
    private static final class Enclosed {
        final int first;
        double volume;
        double area;
        int unlike;
        int all;
        final long[] low = {Long.MAX_VALUE, Long.MAX_VALUE, Long.MAX_VALUE};
        final long[] high = {Long.MIN_VALUE, Long.MIN_VALUE, Long.MIN_VALUE};

        Enclosed(int first) {
            this.first = first;
        }

        boolean holds(Enclosed o) {
            for (var axis = 0; axis < 3; axis++) {
                if (o.low[axis] <= low[axis] || o.high[axis] >= high[axis]) {
                    return false;
                }
            }
            return true;
        }
    }

    private static final int MOST_COMPARED = 2000;
    /** Of its area to the power of 3/2: an open body that encloses less is a sheet. Of a cube it is 0.07. Our own bound. */
    private static final double SHEET = 0.003;

    private void turnOutward(Bodies bodies) {
        var found = new @Nullable Enclosed[triangles];
        for (var t = 0; t < triangles; t++) {
            if (idle[t]) {
                continue;
            }
            var root = bodies.root(t);
            var body = found[root];
            if (body == null) {
                body = new Enclosed(root);
                found[root] = body;
            }
            measure(body, t, bodies.isUnlike(t));
        }
        var all = Arrays.stream(found).filter(b -> b != null).toArray(Enclosed[]::new);
        var isTurned = new boolean[triangles];
        for (var body : all) {
            var isOpen = bodies.isOpen[body.first];
            if (isOpen && Math.abs(body.volume) < SHEET * Math.pow(body.area, 1.5)) {
                isTurned[body.first] = 2 * body.unlike > body.all;
            } else {
                isTurned[body.first] = body.volume < 0 && (isOpen || !isHollow(body, all));
            }
        }
        for (var t = 0; t < triangles; t++) {
            if (!idle[t] && isTurned[bodies.root(t)] != bodies.isUnlike(t)) {
                turned[t] = true;
                inward++;
            }
        }
    }

    private void measure(Enclosed body, int t, boolean isUnlike) {
        var o = 3 * at(3 * body.first);
        var a = 3 * at(3 * t);
        var n = normal(t);
        body.volume += (isUnlike ? -1 : 1)
                * (((double) places[a] - places[o]) * n[0]
                        + ((double) places[a + 1] - places[o + 1]) * n[1]
                        + ((double) places[a + 2] - places[o + 2]) * n[2])
                / 6;
        body.area += doubleArea(t) / 2;
        body.all++;
        body.unlike += isUnlike ? 1 : 0;
        for (var k = 0; k < 3; k++) {
            for (var axis = 0; axis < 3; axis++) {
                var c = places[3 * at(3 * t + k) + axis];
                body.low[axis] = Math.min(body.low[axis], c);
                body.high[axis] = Math.max(body.high[axis], c);
            }
        }
    }

    /** Whether it lies within another body and so may be a hollow in it, which looks inward as it should. */
    private static boolean isHollow(Enclosed body, Enclosed[] all) {
        return all.length <= MOST_COMPARED && Arrays.stream(all).anyMatch(o -> o.holds(body));
    }
}
