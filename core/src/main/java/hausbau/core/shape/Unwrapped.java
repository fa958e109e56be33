package hausbau.core.shape;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

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

    /** Triangles of one part that lie in one plane and hang together: stretches of what {@link Islands} has of all of them. */
    private static final class Island {
        final int part;
        final int firstVertex;
        final int endVertex;
        final int firstCorner;
        final int endCorner;
        double width;
        double height;
        int x;
        int y;

        Island(int part, int firstVertex, int endVertex, int firstCorner, int endCorner) {
            this.part = part;
            this.firstVertex = firstVertex;
            this.endVertex = endVertex;
            this.firstCorner = firstCorner;
            this.endCorner = endCorner;
        }
    }

    /** All islands, one after the other. */
    private static final class Islands {
        final List<Island> islands = new ArrayList<>();
        /** The mesh's vertices, for each island each once. */
        final int[] vertices;
        /** Numbers among its island's, three a triangle. */
        final int[] corners;
        /** Where vertices lie in the plane of their island: two each, millimetres. */
        final double[] flat;
        int vertexCount;
        int cornerCount;

        Islands(int triangles) {
            vertices = new int[3 * triangles];
            corners = new int[3 * triangles];
            flat = new double[6 * triangles];
        }
    }

    public static Unwrapped of(Mesh mesh) {
        var all = new Islands(mesh.triangles());
        var numbers = new int[mesh.vertices()];
        for (var part = 0; part < mesh.parts().size(); part++) {
            new Parting(mesh, part, numbers, all).part();
        }
        var islands = all.islands;
        highestFirst(islands);
        var side = SIDE;
        while (!pack(islands, LEAST, side)) {
            side *= 2;
        }
        // Pixels a millimetre: as many as still fit. More than this, and the islands alone would be larger than the square.
        var fits = LEAST;
        var tooMany = side / Math.sqrt(Math.max(LEAST, islands.stream().mapToDouble(i -> i.width * i.height).sum()));
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
        private final int part;
        private final int[] of;
        private final Islands all;
        /** Of each half edge: the first of the same edge, and the one after it. */
        private final int[] first;
        private final int[] after;
        private final double[] normals;
        /** Of each vertex: its number in the island that is being made, and 1; 0 where it has none. */
        private final int[] numbers;

        Parting(Mesh mesh, int part, int[] numbers, Islands all) {
            this.mesh = mesh;
            this.part = part;
            this.all = all;
            of = mesh.parts().get(part).indices();
            first = new int[of.length];
            after = new int[of.length];
            normals = new double[of.length];
            this.numbers = numbers;
        }

        private static int next(int halfEdge) {
            return halfEdge % 3 == 2 ? halfEdge - 2 : halfEdge + 1;
        }

        private void chain() {
            // Its ends, whichever way it is walked.
            var ends = new long[of.length];
            for (var h = 0; h < of.length; h++) {
                var a = of[h];
                var b = of[next(h)];
                ends[h] = a < b ? (long) a << 32 | b : (long) b << 32 | a;
            }
            var alike = new Alike(of.length) {
                @Override
                protected long hash(int h) {
                    return ends[h];
                }

                @Override
                protected boolean same(int g, int h) {
                    return ends[g] == ends[h];
                }
            };
            Arrays.fill(after, -1);
            for (var h = 0; h < of.length; h++) {
                first[h] = alike.first(h);
                if (first[h] != h) {
                    after[h] = after[first[h]];
                    after[first[h]] = h;
                }
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
                    for (var k = 0; k < 3; k++) {
                        for (var h = first[found[done] + k]; h >= 0; h = after[h]) {
                            var t = h - h % 3;
                            // Walked the other way there: a face that lies on this one does not lie beside it.
                            if (!taken[t] && of[h] != of[found[done] + k] && liesAs(t, begin)) {
                                taken[t] = true;
                                found[count++] = t;
                            }
                        }
                    }
                }
                lay(found, count);
            }
        }

        private void lay(int[] triangles, int count) {
            var firstVertex = all.vertexCount;
            var firstCorner = all.cornerCount;
            for (var i = 0; i < 3 * count; i++) {
                var v = of[triangles[i / 3] + i % 3];
                if (numbers[v] == 0) {
                    all.vertices[all.vertexCount++] = v;
                    numbers[v] = all.vertexCount - firstVertex;
                }
                all.corners[all.cornerCount++] = numbers[v] - 1;
            }
            for (var i = firstVertex; i < all.vertexCount; i++) {
                numbers[all.vertices[i]] = 0;
            }
            var island = new Island(part, firstVertex, all.vertexCount, firstCorner, all.cornerCount);
            lay(island, triangles[0]);
            all.islands.add(island);
        }

        /** In its own plane, its longest edge level, so that long strips lie along shelves. */
        private void lay(Island island, int triangle) {
            var p = mesh.positions();
            var longest = 0.0;
            var begin = 0;
            var end = 0;
            // Its first is a multiple of three.
            for (var i = island.firstCorner; i < island.endCorner; i++) {
                var a = all.vertices[island.firstVertex + all.corners[i]];
                var b = all.vertices[island.firstVertex + all.corners[next(i)]];
                var x = p[3 * b] - p[3 * a];
                var y = p[3 * b + 1] - p[3 * a + 1];
                var z = p[3 * b + 2] - p[3 * a + 2];
                var length = x * x + y * y + z * z;
                if (length > longest) {
                    longest = length;
                    begin = a;
                    end = b;
                }
            }
            var along = longest == 0 ? new Point(1, 0, 0) : mesh.position(end).minus(mesh.position(begin)).unit();
            var up = new Point(normals[triangle], normals[triangle + 1], normals[triangle + 2]).cross(along);
            var flat = all.flat;
            var from = 2 * island.firstVertex;
            var to = 2 * island.endVertex;
            var left = Double.MAX_VALUE;
            var low = Double.MAX_VALUE;
            for (var i = from; i < to; i += 2) {
                var at = mesh.position(all.vertices[i / 2]);
                flat[i] = at.dot(along);
                flat[i + 1] = at.dot(up);
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
        var count = all.vertexCount;
        var positions = new double[3 * count];
        var normals = new double[3 * count];
        var uvs = new double[2 * count];
        var light = new double[2 * count];
        var indices = new int[mesh.parts().size()][];
        var ends = new int[mesh.parts().size()];
        Arrays.setAll(indices, p -> new int[mesh.parts().get(p).indices().length]);
        var next = 0;
        for (var island : all.islands) {
            var into = indices[island.part];
            for (var i = island.firstCorner; i < island.endCorner; i++) {
                into[ends[island.part]++] = next + all.corners[i];
            }
            for (var i = island.firstVertex; i < island.endVertex; i++, next++) {
                var v = all.vertices[i];
                for (var k = 0; k < 3; k++) {
                    positions[3 * next + k] = mesh.positions()[3 * v + k];
                    normals[3 * next + k] = mesh.normals()[3 * v + k];
                }
                uvs[2 * next] = mesh.uvs()[2 * v];
                uvs[2 * next + 1] = mesh.uvs()[2 * v + 1];
                light[2 * next] = (island.x + 0.5 + all.flat[2 * i] * density) / side;
                light[2 * next + 1] = 1 - (island.y + 0.5 + all.flat[2 * i + 1] * density) / side;
            }
        }
        var parts = new ArrayList<Mesh.Part>();
        for (var p = 0; p < indices.length; p++) {
            parts.add(new Mesh.Part(mesh.parts().get(p).swatch(), indices[p]));
        }
        return new Unwrapped(new Mesh(positions, normals, uvs, parts), light, side);
    }
}
