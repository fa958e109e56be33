package hausbau.core.shape;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/**
 * A mesh with a second set of UVs for baked light: every place of its surface lies on a place of its own, at one density and
 * without stretch. What lies in one plane and hangs together is one island; islands stand on shelves, the highest first.
 *
 * @param mesh  the same surface; its vertices are parted where islands are
 * @param light two a vertex, 0 to 1
 */
public record Unwrapped(Mesh mesh, double[] light) {

    /** Pixels across, for which the margin holds. Common practice for one module, no source. */
    public static final int SIDE = 512;
    /** Pixels between islands, and to the edge: light that is filtered does not run over. Common practice 2 to 4, no source. */
    public static final int MARGIN = 2;
    private static final double FLAT = Math.cos(Math.toRadians(0.5));
    private static final double DONE = 1.005;

    /** Triangles of one part that lie in one plane and hang together, laid out in it. */
    private static final class Island {
        final int part;
        final List<int[]> triangles = new ArrayList<>();
        final Map<Integer, double[]> flat = new HashMap<>();
        double width;
        double height;
        int x;
        int y;

        Island(int part) {
            this.part = part;
        }
    }

    public static Unwrapped of(Mesh mesh) {
        var islands = islands(mesh);
        islands.forEach(i -> lay(mesh, i));
        islands.sort(Comparator.comparingDouble((Island i) -> -i.height).thenComparingDouble(i -> -i.width));
        // Pixels a millimetre: as many as still fit.
        var fits = 0.0;
        var tooMany = 1.0;
        while (pack(islands, tooMany)) {
            tooMany *= 2;
        }
        while (fits == 0 || tooMany / fits > DONE) {
            var tried = fits == 0 ? tooMany / 2 : Math.sqrt(fits * tooMany);
            if (pack(islands, tried)) {
                fits = tried;
            } else {
                tooMany = tried;
            }
            if (tooMany < 1e-9) {
                throw new IllegalArgumentException(islands.size() + " islands do not fit " + SIDE + " pixels");
            }
        }
        pack(islands, fits);
        return written(mesh, islands, fits);
    }

    private static List<Island> islands(Mesh mesh) {
        var islands = new ArrayList<Island>();
        for (var p = 0; p < mesh.parts().size(); p++) {
            var of = mesh.parts().get(p).indices();
            var across = new HashMap<Long, List<Integer>>();
            for (var t = 0; t < of.length; t += 3) {
                for (var k = 0; k < 3; k++) {
                    across.computeIfAbsent(edge(of[t + k], of[t + (k + 1) % 3]), e -> new ArrayList<>(2)).add(t);
                }
            }
            var taken = new boolean[of.length];
            for (var first = 0; first < of.length; first += 3) {
                if (taken[first]) {
                    continue;
                }
                var island = new Island(p);
                var normal = normal(mesh, of, first);
                var open = new ArrayDeque<>(List.of(first));
                taken[first] = true;
                while (!open.isEmpty()) {
                    var t = open.remove();
                    island.triangles.add(new int[] {of[t], of[t + 1], of[t + 2]});
                    for (var k = 0; k < 3; k++) {
                        for (var next : across.getOrDefault(edge(of[t + k], of[t + (k + 1) % 3]), List.of())) {
                            if (!taken[next] && normal(mesh, of, next).dot(normal) > FLAT) {
                                taken[next] = true;
                                open.add(next);
                            }
                        }
                    }
                }
                islands.add(island);
            }
        }
        return islands;
    }

    private static long edge(int a, int b) {
        return (long) Math.min(a, b) << 32 | Math.max(a, b);
    }

    private static Point normal(Mesh mesh, int[] of, int t) {
        var a = mesh.position(of[t]);
        var n = mesh.position(of[t + 1]).minus(a).cross(mesh.position(of[t + 2]).minus(a));
        return n.length() == 0 ? new Point(0, 0, 1) : n.unit();
    }

    /** In its own plane, its longest edge level, so that long strips lie along shelves. */
    private static void lay(Mesh mesh, Island island) {
        var along = new Point(1, 0, 0);
        var longest = 0.0;
        for (var t : island.triangles) {
            for (var k = 0; k < 3; k++) {
                var way = mesh.position(t[(k + 1) % 3]).minus(mesh.position(t[k]));
                if (way.length() > longest) {
                    longest = way.length();
                    along = way.unit();
                }
            }
        }
        var up = normal(mesh, island.triangles.get(0), 0).cross(along);
        var low = new double[] {Double.MAX_VALUE, Double.MAX_VALUE};
        for (var t : island.triangles) {
            for (var v : t) {
                var at = mesh.position(v);
                var spot = new double[] {at.dot(along), at.dot(up)};
                island.flat.put(v, spot);
                low[0] = Math.min(low[0], spot[0]);
                low[1] = Math.min(low[1], spot[1]);
            }
        }
        for (var spot : island.flat.values()) {
            spot[0] -= low[0];
            spot[1] -= low[1];
            island.width = Math.max(island.width, spot[0]);
            island.height = Math.max(island.height, spot[1]);
        }
        if (island.height > island.width) {
            island.flat.replaceAll((v, spot) -> new double[] {spot[1], island.width - spot[0]});
            var width = island.width;
            island.width = island.height;
            island.height = width;
        }
    }

    /** Stands islands on shelves. @return whether there is room for all */
    private static boolean pack(List<Island> islands, double density) {
        var x = MARGIN;
        var y = MARGIN;
        var shelf = OptionalInt.empty();
        for (var i : islands) {
            var w = (int) Math.ceil(i.width * density) + 1;
            var h = (int) Math.ceil(i.height * density) + 1;
            if (shelf.isPresent() && x + w + MARGIN > SIDE) {
                y += shelf.getAsInt() + MARGIN;
                x = MARGIN;
                shelf = OptionalInt.empty();
            }
            if (x + w + MARGIN > SIDE || y + h + MARGIN > SIDE) {
                return false;
            }
            // The first on a shelf is the highest.
            shelf = shelf.isPresent() ? shelf : OptionalInt.of(h);
            i.x = x;
            i.y = y;
            x += w + MARGIN;
        }
        return true;
    }

    private static Unwrapped written(Mesh mesh, List<Island> islands, double density) {
        var count = islands.stream().mapToInt(i -> i.flat.size()).sum();
        var positions = new double[3 * count];
        var normals = new double[3 * count];
        var uvs = new double[2 * count];
        var light = new double[2 * count];
        var indices = new int[mesh.parts().size()][];
        var ends = new int[mesh.parts().size()];
        Arrays.setAll(indices, p -> new int[mesh.parts().get(p).indices().length]);
        var next = 0;
        for (var island : islands) {
            var own = new HashMap<Integer, Integer>();
            for (var t : island.triangles) {
                for (var v : t) {
                    var known = own.get(v);
                    if (known == null) {
                        known = next++;
                        own.put(v, known);
                        System.arraycopy(mesh.positions(), 3 * v, positions, 3 * known, 3);
                        System.arraycopy(mesh.normals(), 3 * v, normals, 3 * known, 3);
                        System.arraycopy(mesh.uvs(), 2 * v, uvs, 2 * known, 2);
                        var spot = island.flat.getOrDefault(v, new double[2]);
                        light[2 * known] = (island.x + 0.5 + spot[0] * density) / SIDE;
                        light[2 * known + 1] = 1 - (island.y + 0.5 + spot[1] * density) / SIDE;
                    }
                    indices[island.part][ends[island.part]++] = known;
                }
            }
        }
        var parts = new ArrayList<Mesh.Part>();
        for (var p = 0; p < indices.length; p++) {
            parts.add(new Mesh.Part(mesh.parts().get(p).swatch(), indices[p]));
        }
        return new Unwrapped(new Mesh(positions, normals, uvs, parts), light);
    }
}
