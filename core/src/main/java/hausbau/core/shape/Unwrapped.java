package hausbau.core.shape;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A mesh with a second set of UVs for baked light: every place of its surface lies on a place of its own, at one density and
 * without stretch. What lies in one plane and hangs together is one island; islands stand on shelves, the highest first.
 *
 * @param mesh  the same surface; its vertices are parted where islands are
 * @param light two a vertex, 0 to 1
 * @param side  pixels across for which the margin holds
 */
public record Unwrapped(Mesh mesh, double[] light, int side) {

    /** Pixels across, where all islands fit; else twice as many, and so on. Common practice for one module, no source. */
    public static final int SIDE = 512;
    /** Pixels between islands, and to the edge: light that is filtered does not run over. Common practice 2 to 4, no source. */
    public static final int MARGIN = 2;

    private static final double FLAT = Math.cos(Math.toRadians(0.5));
    private static final double DONE = 1.005;
    private static final double LEAST = 1e-9;

    /** Triangles that lie in one plane and hang together, by their vertices: a stretch of what {@link Islands} has of all. */
    private static final class Island {
        final int begin;
        final int end;
        double width;
        double height;
        int x;
        int y;

        Island(int begin, int end) {
            this.begin = begin;
            this.end = end;
        }
    }

    /** All islands, and the vertices as they part them: those that there were, then copies for every further island that one is on. */
    private static final class Islands {
        final List<Island> islands = new ArrayList<>();
        /** For each island each of its vertices once. */
        final int[] vertices;

        int end;
        /** Where those lie in the plane of their island: two each, millimetres. */
        final double[] flat;
        /** Of each vertex of the mesh: how many islands there were when one was on it last, and what it is there. */
        final int[] usedBy;

        final int[] usedAs;
        /** What is a copy, and of which vertex. */
        int[] copied = new int[64];

        int copies;
        /** Three a triangle, by part. */
        final List<int[]> indices = new ArrayList<>();

        Islands(Mesh mesh) {
            vertices = new int[3 * mesh.triangles()];
            flat = new double[2 * vertices.length];
            usedBy = new int[mesh.vertices()];
            usedAs = new int[mesh.vertices()];
        }

        int copy(int vertex) {
            if (copies == copied.length) {
                copied = Arrays.copyOf(copied, 2 * copies);
            }
            copied[copies] = vertex;
            return usedBy.length + copies++;
        }

        /** Numbers of the mesh's vertices, then of the copies. @param wide how many a vertex */
        double[] withCopies(double[] numbers, int wide) {
            var all = Arrays.copyOf(numbers, numbers.length + wide * copies);
            for (var i = 0; i < copies; i++) {
                System.arraycopy(numbers, wide * copied[i], all, numbers.length + wide * i, wide);
            }
            return all;
        }

        /** The vertex of the mesh that one is or was copied from. */
        int source(int vertex) {
            return vertex < usedBy.length ? vertex : copied[vertex - usedBy.length];
        }
    }

    public static Unwrapped of(Mesh mesh) {
        var all = new Islands(mesh);
        for (var part : mesh.parts()) {
            new Parting(mesh, part.indices(), all).part();
        }
        var islands = all.islands;
        highestFirst(islands);
        var side = SIDE;
        while (!pack(islands, LEAST, side)) {
            side *= 2;
        }
        // Pixels a millimetre: as many as still fit. More than this, and the islands alone would be larger than the
        // square.
        var fits = LEAST;
        var tooMany = side
                / Math.sqrt(Math.max(
                        LEAST,
                        islands.stream().mapToDouble(i -> i.width * i.height).sum()));
        while (tooMany / fits > DONE) {
            var tried = fits == LEAST ? tooMany / 2 : Math.sqrt(fits * tooMany);
            if (pack(islands, tried, side)) {
                fits = tried;
            } else {
                tooMany = tried;
            }
        }
        pack(islands, fits, side);
        return written(mesh, all, fits, side);
    }

    /** Those of one height stay in their order. */
    private static void highestFirst(List<Island> islands) {
        var was = islands.toArray(Island[]::new);
        var keys = new long[was.length];
        for (var i = 0; i < was.length; i++) {
            // The bits of a height rise as it does.
            keys[i] = (long) ~Float.floatToRawIntBits((float) was[i].height) << 32 | i;
        }
        Arrays.sort(keys);
        for (var i = 0; i < was.length; i++) {
            islands.set(i, was[(int) keys[i]]);
        }
    }

    /** Parts a part's triangles into islands. */
    private static final class Parting {
        private final Mesh mesh;
        private final int[] of;
        private final int[] as;
        private final Islands all;
        /** Half edges and 1 in chains by what their ends come to: the last of each, 0 where there is none; and of each half edge the one before it. */
        private final int[] last;

        private final int[] before;
        private final double[] normals;

        Parting(Mesh mesh, int[] of, Islands all) {
            this.mesh = mesh;
            this.of = of;
            this.all = all;
            as = new int[of.length];
            last = new int[2 * Integer.highestOneBit(Math.max(1, of.length))];
            before = new int[of.length];
            normals = new double[of.length];
            all.indices.add(as);
        }

        private static int next(int halfEdge) {
            return halfEdge % 3 == 2 ? halfEdge - 2 : halfEdge + 1;
        }

        /** The chain of an edge, whichever way it is walked. */
        private int chain(int a, int b) {
            var ends = (a < b ? (long) a << 32 | b : (long) b << 32 | a) * 0x9E3779B97F4A7C15L;
            return (int) (ends >>> 32) & last.length - 1;
        }

        private void chain() {
            for (var h = 0; h < of.length; h++) {
                var chain = chain(of[h], of[next(h)]);
                before[h] = last[chain];
                last[chain] = h + 1;
            }
        }

        private void normal(int t) {
            var p = mesh.positions();
            var a = 3 * of[t];
            var b = 3 * of[t + 1];
            var c = 3 * of[t + 2];
            var x1 = p[b] - p[a];
            var y1 = p[b + 1] - p[a + 1];
            var z1 = p[b + 2] - p[a + 2];
            var x2 = p[c] - p[a];
            var y2 = p[c + 1] - p[a + 1];
            var z2 = p[c + 2] - p[a + 2];
            var x = y1 * z2 - z1 * y2;
            var y = z1 * x2 - x1 * z2;
            var z = x1 * y2 - y1 * x2;
            var length = Math.sqrt(x * x + y * y + z * z);
            normals[t] = length == 0 ? 0 : x / length;
            normals[t + 1] = length == 0 ? 0 : y / length;
            normals[t + 2] = length == 0 ? 1 : z / length;
        }

        private boolean liesAs(int s, int t) {
            return normals[s] * normals[t] + normals[s + 1] * normals[t + 1] + normals[s + 2] * normals[t + 2] > FLAT;
        }

        void part() {
            chain();
            for (var t = 0; t < of.length; t += 3) {
                normal(t);
            }
            var taken = new boolean[of.length];
            var found = new int[of.length / 3];
            for (var begin = 0; begin < of.length; begin += 3) {
                if (taken[begin]) {
                    continue;
                }
                var count = 0;
                found[count++] = begin;
                taken[begin] = true;
                for (var done = 0; done < count; done++) {
                    for (var g = found[done]; g < found[done] + 3; g++) {
                        var a = of[g];
                        var b = of[next(g)];
                        for (var h = last[chain(a, b)] - 1; h >= 0; h = before[h] - 1) {
                            var t = h - h % 3;
                            // Walked the other way there: a face that lies on this one does not lie beside it.
                            if (of[h] == b && of[next(h)] == a && !taken[t] && liesAs(t, begin)) {
                                taken[t] = true;
                                found[count++] = t;
                            }
                        }
                    }
                }
                lay(found, count);
            }
        }

        /** In its own plane, its longest edge level, so that long strips lie along shelves. */
        private void lay(int[] triangles, int count) {
            var p = mesh.positions();
            var number = all.islands.size() + 1;
            var usedBy = all.usedBy;
            var usedAs = all.usedAs;
            var taken = all.end;
            var longest = 0.0;
            var begin = 0;
            var end = 0;
            for (var i = 0; i < count; i++) {
                var b = of[triangles[i]];
                for (var h = triangles[i] + 2; h >= triangles[i]; h--) {
                    var a = of[h];
                    if (usedBy[a] != number) {
                        usedAs[a] = usedBy[a] == 0 ? a : all.copy(a);
                        usedBy[a] = number;
                        all.vertices[taken++] = usedAs[a];
                    }
                    as[h] = usedAs[a];
                    var x = p[3 * b] - p[3 * a];
                    var y = p[3 * b + 1] - p[3 * a + 1];
                    var z = p[3 * b + 2] - p[3 * a + 2];
                    var length = x * x + y * y + z * z;
                    if (length > longest) {
                        longest = length;
                        begin = a;
                        end = b;
                    }
                    b = a;
                }
            }
            var triangle = triangles[0];
            var island = new Island(all.end, taken);
            all.end = taken;
            all.islands.add(island);
            var along = longest == 0
                    ? new Point(1, 0, 0)
                    : mesh.position(end).minus(mesh.position(begin)).unit();
            var up = new Point(normals[triangle], normals[triangle + 1], normals[triangle + 2]).cross(along);
            var flat = all.flat;
            var from = 2 * island.begin;
            var to = 2 * island.end;
            var left = Double.MAX_VALUE;
            var low = Double.MAX_VALUE;
            for (var i = from; i < to; i += 2) {
                var v = 3 * all.source(all.vertices[i / 2]);
                flat[i] = p[v] * along.x() + p[v + 1] * along.y() + p[v + 2] * along.z();
                flat[i + 1] = p[v] * up.x() + p[v + 1] * up.y() + p[v + 2] * up.z();
                left = Math.min(left, flat[i]);
                low = Math.min(low, flat[i + 1]);
            }
            for (var i = from; i < to; i += 2) {
                flat[i] -= left;
                flat[i + 1] -= low;
                island.width = Math.max(island.width, flat[i]);
                island.height = Math.max(island.height, flat[i + 1]);
            }
            if (island.height > island.width) {
                for (var i = from; i < to; i += 2) {
                    var x = flat[i];
                    flat[i] = flat[i + 1];
                    flat[i + 1] = island.width - x;
                }
                var width = island.width;
                island.width = island.height;
                island.height = width;
            }
        }
    }

    /** Stands islands on shelves. @return whether there is room for all */
    private static boolean pack(List<Island> islands, double density, int side) {
        var x = MARGIN;
        var y = MARGIN;
        // The first on a shelf is the highest.
        var shelf = -1;
        for (var i : islands) {
            var w = (int) Math.ceil(i.width * density) + 1;
            var h = (int) Math.ceil(i.height * density) + 1;
            if (shelf >= 0 && x + w + MARGIN > side) {
                y += shelf + MARGIN;
                x = MARGIN;
                shelf = -1;
            }
            if (x + w + MARGIN > side || y + h + MARGIN > side) {
                return false;
            }
            shelf = shelf < 0 ? h : shelf;
            i.x = x;
            i.y = y;
            x += w + MARGIN;
        }
        return true;
    }

    private static Unwrapped written(Mesh mesh, Islands all, double density, int side) {
        var count = mesh.vertices() + all.copies;
        var light = new double[2 * count];
        var pixel = 1.0 / side;
        for (var island : all.islands) {
            var left = island.x + 0.5;
            var top = island.y + 0.5;
            for (var i = island.begin; i < island.end; i++) {
                var v = all.vertices[i];
                light[2 * v] = (left + all.flat[2 * i] * density) * pixel;
                light[2 * v + 1] = 1 - (top + all.flat[2 * i + 1] * density) * pixel;
            }
        }
        var parts = IntStream.range(0, all.indices.size())
                .mapToObj(i -> new Mesh.Part(mesh.parts().get(i).swatch(), all.indices.get(i)))
                .toList();
        return new Unwrapped(
                new Mesh(
                        all.withCopies(mesh.positions(), 3),
                        all.withCopies(mesh.normals(), 3),
                        all.withCopies(mesh.uvs(), 2),
                        parts),
                light,
                side);
    }
}
