package hausbau.core.shape;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Where a piece wears first, as a picture on its second UVs: at edges that stick out, where hands and things knock it, and at
 * its foot, where splashes and shoes reach. How far each goes: common practice, no source.
 *
 * @param side   pixels, square
 * @param pixels rows from the top, each {@code 0xRRGGBB}: edges in red, the foot in green; 255 wears first
 */
public record WearMask(int side, int[] pixels) {

    /** From an edge, millimetres. */
    public static final double EDGE = 30;
    /** From the foot, millimetres. */
    public static final double FOOT = 600;
    /** An edge sticks out where two faces bend by so much; by less where one of them is no wider than a bevel. */
    private static final double SHARP = Math.cos(Math.toRadians(30));

    private static final double BLUNT = Math.cos(Math.toRadians(5));
    private static final double BEVEL = 12;

    public static WearMask of(Unwrapped piece) {
        return new Painting(piece).paint();
    }

    /** An edge of a triangle, on the picture. */
    private record Edge(double x0, double y0, double x1, double y1) {

        /** Pixels from here. */
        double away(double x, double y) {
            var dx = x1 - x0;
            var dy = y1 - y0;
            var along = Math.max(0, Math.min(1, ((x - x0) * dx + (y - y0) * dy) / Math.max(1e-12, dx * dx + dy * dy)));
            return Math.hypot(x - x0 - along * dx, y - y0 - along * dy);
        }
    }

    private static final class Painting {
        private final Mesh mesh;
        private final double[] light;
        private final int side;
        private final int[] of;
        private final int[] place;
        private final int[] pixels;
        private final boolean[] isPainted;

        Painting(Unwrapped piece) {
            mesh = piece.mesh();
            light = piece.light();
            side = piece.side();
            of = mesh.parts().stream()
                    .flatMapToInt(p -> Arrays.stream(p.indices()))
                    .toArray();
            place = mesh.places();
            pixels = new int[side * side];
            isPainted = new boolean[side * side];
        }

        WearMask paint() {
            var lowest = Double.MAX_VALUE;
            for (var v = 0; v < mesh.vertices(); v++) {
                lowest = Math.min(lowest, mesh.position(v).z());
            }
            var islands = islands();
            var edges = edgesByIsland(islands);
            for (var t = 0; t < of.length; t += 3) {
                fill(t, lowest, edges.getOrDefault(islands[of[t]], List.of()));
            }
            for (var i = 0; i < Unwrapped.MARGIN; i++) {
                spread();
            }
            return new WearMask(side, pixels);
        }

        private static int next(int halfEdge) {
            return halfEdge % 3 == 2 ? halfEdge - 2 : halfEdge + 1;
        }

        /** Of each vertex the least of those that it hangs together with: islands share none. */
        private int[] islands() {
            var root = new int[mesh.vertices()];
            Arrays.setAll(root, v -> v);
            for (var h = 0; h < of.length; h++) {
                var a = find(root, of[h]);
                var b = find(root, of[next(h)]);
                root[Math.max(a, b)] = Math.min(a, b);
            }
            Arrays.setAll(root, v -> find(root, v));
            return root;
        }

        private static int find(int[] root, int v) {
            var at = v;
            while (root[at] != at) {
                root[at] = root[root[at]];
                at = root[at];
            }
            return at;
        }

        private Map<Integer, List<Edge>> edgesByIsland(int[] islands) {
            var first = new HashMap<Long, Integer>();
            var found = new HashMap<Integer, List<Edge>>();
            for (var h = 0; h < of.length; h++) {
                var a = place[of[h]];
                var b = place[of[next(h)]];
                var other = first.putIfAbsent((long) Math.min(a, b) << 32 | Math.max(a, b), h);
                if (other != null && sticksOut(h, other)) {
                    for (var side : new int[] {h, other}) {
                        found.computeIfAbsent(islands[of[side]], i -> new ArrayList<>())
                                .add(onPicture(side));
                    }
                }
            }
            return found;
        }

        private Edge onPicture(int h) {
            var a = of[h];
            var b = of[next(h)];
            return new Edge(light[2 * a] * side, light[2 * a + 1] * side, light[2 * b] * side, light[2 * b + 1] * side);
        }

        private Point corner(int h) {
            return mesh.position(of[h]);
        }

        /** The third corner of a half edge's triangle. */
        private Point opposite(int h) {
            return corner(next(next(h)));
        }

        private Point normal(int h) {
            var a = corner(h);
            return corner(next(h)).minus(a).cross(opposite(h).minus(a)).unit();
        }

        /** How wide a half edge's triangle is across it, millimetres. */
        private double width(int h) {
            var a = corner(h);
            var along = corner(next(h)).minus(a);
            return along.cross(opposite(h).minus(a)).length() / Math.max(1e-12, along.length());
        }

        private boolean sticksOut(int g, int h) {
            var bend = normal(g).dot(normal(h));
            var isOut = normal(g).dot(opposite(h).minus(corner(g))) < -1e-6;
            return isOut && (bend < SHARP || bend < BLUNT && Math.min(width(g), width(h)) < BEVEL);
        }

        /** Paints the pixels whose middles are within a triangle. */
        private void fill(int t, double lowest, List<Edge> edges) {
            var x = new double[3];
            var y = new double[3];
            var z = new double[3];
            for (var i = 0; i < 3; i++) {
                x[i] = light[2 * of[t + i]] * side;
                y[i] = light[2 * of[t + i] + 1] * side;
                z[i] = corner(t + i).z() - lowest;
            }
            var twice = (x[1] - x[0]) * (y[2] - y[0]) - (x[2] - x[0]) * (y[1] - y[0]);
            if (Math.abs(twice) < 1e-12) {
                return;
            }
            var millimetres =
                    corner(t + 1).minus(corner(t)).length() / Math.max(1e-12, Math.hypot(x[1] - x[0], y[1] - y[0]));
            // Nothing further than this, pixels, matters.
            var reach = EDGE / millimetres;
            for (var py = from(y); py <= to(y); py++) {
                for (var px = from(x); px <= to(x); px++) {
                    var b = ((px + 0.5 - x[0]) * (y[2] - y[0]) - (x[2] - x[0]) * (py + 0.5 - y[0])) / twice;
                    var c = ((x[1] - x[0]) * (py + 0.5 - y[0]) - (px + 0.5 - x[0]) * (y[1] - y[0])) / twice;
                    if (b < -1e-9 || c < -1e-9 || b + c > 1 + 1e-9) {
                        continue;
                    }
                    var away = reach;
                    for (var edge : edges) {
                        away = Math.min(away, edge.away(px + 0.5, py + 0.5));
                    }
                    var height = z[0] + b * (z[1] - z[0]) + c * (z[2] - z[0]);
                    put(py * side + px, byteOf(1 - away / reach) << 16 | byteOf(1 - height / FOOT) << 8);
                }
            }
        }

        private int from(double[] of3) {
            return Math.max(0, (int) Math.floor(Math.min(of3[0], Math.min(of3[1], of3[2])) - 0.5));
        }

        private int to(double[] of3) {
            return Math.min(side - 1, (int) Math.ceil(Math.max(of3[0], Math.max(of3[1], of3[2])) - 0.5));
        }

        private void put(int at, int pixel) {
            pixels[at] = pixel;
            isPainted[at] = true;
        }

        /** What lies beside an island is as its rim, so that filtering finds nothing else there; narrow islands get their pixel. */
        private void spread() {
            var was = isPainted.clone();
            for (var y = 0; y < side; y++) {
                for (var x = 0; x < side; x++) {
                    for (var n = 0; n < 4 && !isPainted[y * side + x]; n++) {
                        var nx = x + (n == 0 ? 1 : n == 1 ? -1 : 0);
                        var ny = y + (n == 2 ? 1 : n == 3 ? -1 : 0);
                        if (nx >= 0 && ny >= 0 && nx < side && ny < side && was[ny * side + nx]) {
                            put(y * side + x, pixels[ny * side + nx]);
                        }
                    }
                }
            }
        }

        private static int byteOf(double v) {
            return (int) Math.round(255 * Math.max(0, Math.min(1, v)));
        }
    }
}
