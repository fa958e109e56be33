package hausbau.core.bring;

import hausbau.core.bring.Choices.Fix;
import hausbau.core.bring.Choices.Up;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Alike;
import hausbau.core.shape.Shell;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Makes what a file holds into surfaces on whole micrometres: its units and axes become the site's, its lowest point is the ground,
 * what is plain to set right is.
 */
public final class Settling {

    private static final int MOST_TRIANGLES = 4_000_000;
    private static final double MOST_UM = 200e6;
    /** Faces that bend by less look round, where a file has no normals. Common practice, no source. */
    private static final double ROUND = Math.cos(Math.toRadians(30));

    private final Choices choices;
    private final Length step;

    public Settling(Choices choices, Length step) {
        this.choices = choices;
        this.step = step;
    }

    /** Each thing of the file, or all of it as one. */
    public static List<Loose> things(String file, List<Loose> all, boolean isWhole) {
        if (!isWhole || all.size() < 2) {
            return all;
        }
        return List.of(new Loose(file, all.stream().flatMap(l -> l.surfaces().stream()).toList(), all.stream().anyMatch(Loose::uneven), all.stream().mapToInt(Loose::stray).sum()));
    }

    /**
     * @param size of the piece that it takes the place of, where it has to be of that
     * @throws Refused if it has too many faces, or none, or is too large in this unit
     */
    public Settled settle(Loose loose, Optional<Vec> size) {
        if (loose.triangles() > MOST_TRIANGLES) {
            throw new Refused("file", "“" + loose.name() + "” has " + loose.triangles() + " triangles; a piece has at most " + MOST_TRIANGLES + ". Reduce it first.");
        }
        var corners = new int[3 * loose.triangles()];
        var places = places(loose, corners);
        var came = new Tangle(places, corners);
        var extent = extent(places, corners, loose);
        var below = -extent[2];
        var report = report(loose, places, came, size, extent, below);
        if (choices.fixes().contains(Fix.WELD)) {
            Welding.weld(places);
        }
        if (choices.fixes().contains(Fix.FIT)) {
            // Welding may have moved its sides.
            fit(places, extent(places, corners, loose), size);
        }
        var mended = choices.fixes().isEmpty() ? came : new Tangle(places, corners);
        var now = extent(places, corners, loose);
        for (var i = 0; i < places.length; i++) {
            places[i] -= (int) now[i % 3];
        }
        var drops = choices.fixes().contains(Fix.WELD);
        var turns = choices.fixes().contains(Fix.OUTWARD);
        var after = choices.fixes().isEmpty() ? report : left(report(loose, places, mended, size, now, below), drops, turns);
        return new Settled(loose.name(), new Written(loose, places, corners, mended, drops, turns).shells(), report, after, new Vec(-now[0], -now[1], -now[2]));
    }

    /** What the report says once that is done which was asked for. */
    private static Report left(Report r, boolean drops, boolean turns) {
        return new Report(r.triangles() - (drops ? r.doubled() + r.flat() : 0), r.vertices(), r.size(), r.open(), r.tangled(), turns ? 0 : r.inward(), drops ? 0 : r.doubled(), drops ? 0 : r.flat(), drops ? 0 : r.stray(),
                r.uneven(), r.off(), r.below());
    }

    private int[] places(Loose loose, int[] corners) {
        var places = new int[loose.surfaces().stream().mapToInt(s -> s.places().length).sum()];
        var next = 0;
        var corner = 0;
        for (var surface : loose.surfaces()) {
            var first = next / 3;
            for (var v = 0; v < surface.places().length; v += 3) {
                var x = surface.places()[v];
                var y = surface.places()[v + 1];
                var z = surface.places()[v + 2];
                places[next++] = um(x);
                places[next++] = um(choices.up() == Up.Y ? -z : y);
                places[next++] = um(choices.up() == Up.Y ? y : z);
            }
            for (var index : surface.indices()) {
                corners[corner++] = first + index;
            }
        }
        return places;
    }

    private int um(double inFile) {
        var um = inFile * choices.millimetres() * 1000;
        if (!(Math.abs(um) <= MOST_UM)) {
            throw new Refused("unit", "In this unit a corner would lie " + Math.round(Math.abs(um) / 1e6) + " m from its origin; at most 200 m are taken. Is it in another unit?");
        }
        return (int) Math.round(um);
    }

    /** Least and greatest of what faces use. */
    private static long[] extent(int[] places, int[] corners, Loose loose) {
        if (corners.length == 0) {
            throw new Refused("file", "“" + loose.name() + "” has no faces.");
        }
        var extent = new long[] {Long.MAX_VALUE, Long.MAX_VALUE, Long.MAX_VALUE, Long.MIN_VALUE, Long.MIN_VALUE, Long.MIN_VALUE};
        for (var corner : corners) {
            for (var axis = 0; axis < 3; axis++) {
                extent[axis] = Math.min(extent[axis], places[3 * corner + axis]);
                extent[3 + axis] = Math.max(extent[3 + axis], places[3 * corner + axis]);
            }
        }
        return extent;
    }

    private Report report(Loose loose, int[] places, Tangle tangle, Optional<Vec> size, long[] extent, long below) {
        var is = new Vec(extent[3] - extent[0], extent[4] - extent[1], extent[5] - extent[2]);
        var wanted = wanted(is, size);
        return new Report(tangle.turned.length, places.length / 3, is, tangle.open, tangle.tangled, tangle.inward, tangle.doubled, tangle.flat, loose.stray(), loose.uneven(), is.minus(wanted), below);
    }

    private Vec wanted(Vec is, Optional<Vec> size) {
        return size.orElseGet(() -> new Vec(onStep(is.x()), onStep(is.y()), onStep(is.z())));
    }

    /** What is thinner than half a step is not built in steps: it stays. */
    private long onStep(long length) {
        return 2 * length < step.um() ? length : Math.round((double) length / step.um()) * step.um();
    }

    private void fit(int[] places, long[] extent, Optional<Vec> size) {
        var is = new long[] {extent[3] - extent[0], extent[4] - extent[1], extent[5] - extent[2]};
        var wanted = wanted(new Vec(is[0], is[1], is[2]), size);
        var to = new long[] {wanted.x(), wanted.y(), wanted.z()};
        for (var i = 0; i < places.length; i++) {
            var axis = i % 3;
            if (is[axis] > 0) {
                places[i] = (int) Math.round((double) (places[i] - extent[axis]) * to[axis] / is[axis]);
            }
        }
    }

    /** Surfaces as they are written down: one for each material, equal vertices kept once. */
    private final class Written {
        private final Loose loose;
        private final int[] places;
        private final int[] corners;
        private final Tangle tangle;
        private final boolean drops;
        private final boolean turns;
        /** The triangles at each point, one after the other, and where each point's begin. */
        private int[] around = new int[0];
        private int[] from = new int[0];

        Written(Loose loose, int[] places, int[] corners, Tangle tangle, boolean drops, boolean turns) {
            this.loose = loose;
            this.places = places;
            this.corners = corners;
            this.tangle = tangle;
            this.drops = drops;
            this.turns = turns;
        }

        /** What a surface's triangles are in the whole. */
        private record Share(Loose.Surface surface, int firstTriangle, int firstVertex) {
        }

        Map<String, Shell> shells() {
            var byMaterial = new LinkedHashMap<String, List<Share>>();
            var triangle = 0;
            var vertex = 0;
            for (var surface : loose.surfaces()) {
                byMaterial.computeIfAbsent(surface.material(), m -> new ArrayList<>()).add(new Share(surface, triangle, vertex));
                triangle += surface.triangles();
                vertex += surface.places().length / 3;
            }
            var shells = new LinkedHashMap<String, Shell>();
            byMaterial.forEach((material, shares) -> shell(shares).ifPresent(s -> shells.put(material, s)));
            if (shells.isEmpty()) {
                throw new Refused("file", "“" + loose.name() + "” has no faces with an area.");
            }
            return shells;
        }

        private Optional<Shell> shell(List<Share> shares) {
            var most = shares.stream().mapToInt(s -> 3 * s.surface().triangles()).sum();
            var laidOut = shares.stream().allMatch(s -> s.surface().uvs().length > 0);
            var vertices = new Vertices(most, laidOut);
            for (var share : shares) {
                var given = givenNormals(share);
                for (var t = 0; t < share.surface().triangles(); t++) {
                    var all = share.firstTriangle() + t;
                    // A face without an area is nowhere to be seen, and has no normal.
                    if (tangle.idle[all] && (drops || isFlat(all))) {
                        continue;
                    }
                    var turned = turns && tangle.turned[all];
                    for (var k : turned ? new int[] {0, 2, 1} : new int[] {0, 1, 2}) {
                        var corner = 3 * all + k;
                        var own = corners[corner] - share.firstVertex();
                        vertices.add(corners[corner], given ? upright(share.surface().normals(), own) : around(corner), share.surface().uvs(), own);
                    }
                }
            }
            return vertices.toShell();
        }

        private boolean isFlat(int triangle) {
            return tangle.point[corners[3 * triangle]] == tangle.point[corners[3 * triangle + 1]] || length(tangle.normal(triangle)) < 1;
        }

        /** Whether a surface's own normals can be used: they are there, one long, and none of its faces is turned. */
        private boolean givenNormals(Share share) {
            var normals = share.surface().normals();
            if (normals.length == 0) {
                return false;
            }
            for (var t = 0; turns && t < share.surface().triangles(); t++) {
                if (tangle.turned[share.firstTriangle() + t]) {
                    return false;
                }
            }
            for (var index : share.surface().indices()) {
                var x = normals[3 * index];
                var y = normals[3 * index + 1];
                var z = normals[3 * index + 2];
                if (!(Math.abs(x * x + y * y + z * z - 1) < 0.01)) {
                    return false;
                }
            }
            return true;
        }

        private float[] upright(float[] normals, int v) {
            var length = (float) Math.sqrt(normals[3 * v] * normals[3 * v] + normals[3 * v + 1] * normals[3 * v + 1] + normals[3 * v + 2] * normals[3 * v + 2]);
            var x = normals[3 * v] / length;
            var y = normals[3 * v + 1] / length;
            var z = normals[3 * v + 2] / length;
            return choices.up() == Up.Y ? new float[] {x, -z, y} : new float[] {x, y, z};
        }

        /** The mean of the faces about a corner that bend little from its own, each by its area. */
        private float[] around(int corner) {
            if (from.length == 0) {
                gather();
            }
            var own = facing(corner / 3);
            var sum = new double[3];
            var point = tangle.point[corners[corner]];
            for (var i = from[point]; i < from[point + 1]; i++) {
                var n = facing(around[i]);
                if (dot(n, own) > ROUND * length(n) * length(own)) {
                    for (var axis = 0; axis < 3; axis++) {
                        sum[axis] += n[axis];
                    }
                }
            }
            sum = length(sum) == 0 ? own : sum;
            var length = length(sum);
            return new float[] {(float) (sum[0] / length), (float) (sum[1] / length), (float) (sum[2] / length)};
        }

        private double[] facing(int triangle) {
            var n = tangle.normal(triangle);
            return turns && tangle.turned[triangle] ? new double[] {-n[0], -n[1], -n[2]} : n;
        }

        private void gather() {
            from = new int[places.length / 3 + 1];
            for (var corner = 0; corner < corners.length; corner++) {
                if (!tangle.idle[corner / 3]) {
                    from[tangle.point[corners[corner]] + 1]++;
                }
            }
            Arrays.parallelPrefix(from, Integer::sum);
            var next = from.clone();
            around = new int[from[from.length - 1]];
            for (var corner = 0; corner < corners.length; corner++) {
                if (!tangle.idle[corner / 3]) {
                    around[next[tangle.point[corners[corner]]]++] = corner / 3;
                }
            }
        }

        /** The vertices of one shell. */
        private final class Vertices {
            private final int[] at;
            private final float[] normals;
            private final float[] uvs;
            private final int[] indices;
            private final Alike alike;
            private int count;
            private int end;

            Vertices(int most, boolean laidOut) {
                at = new int[most];
                normals = new float[3 * most];
                uvs = new float[laidOut ? 2 * most : 0];
                indices = new int[most];
                alike = new Alike(most) {
                    @Override
                    protected long hash(int v) {
                        var h = (long) tangle.point[at[v]];
                        for (var i = 3 * v; i < 3 * v + 3; i++) {
                            h = h * 0xC2B2AE3D27D4EB4FL + Float.floatToRawIntBits(normals[i]);
                        }
                        for (var i = 2 * v; i < 2 * v + 2 && i < uvs.length; i++) {
                            h = h * 0xC2B2AE3D27D4EB4FL + Float.floatToRawIntBits(uvs[i]);
                        }
                        return h;
                    }

                    @Override
                    protected boolean same(int a, int b) {
                        return tangle.point[at[a]] == tangle.point[at[b]] && Arrays.equals(normals, 3 * a, 3 * a + 3, normals, 3 * b, 3 * b + 3)
                                && (uvs.length == 0 || Arrays.equals(uvs, 2 * a, 2 * a + 2, uvs, 2 * b, 2 * b + 2));
                    }
                };
            }

            /** Written behind the last one; it stays there if there is none like it. */
            void add(int vertex, float[] normal, float[] from, int own) {
                at[count] = vertex;
                System.arraycopy(normal, 0, normals, 3 * count, 3);
                if (uvs.length > 0) {
                    System.arraycopy(from, 2 * own, uvs, 2 * count, 2);
                }
                var known = alike.first(count);
                count += known == count ? 1 : 0;
                indices[end++] = known;
            }

            Optional<Shell> toShell() {
                if (end == 0) {
                    return Optional.empty();
                }
                var own = new int[3 * count];
                for (var v = 0; v < count; v++) {
                    System.arraycopy(places, 3 * at[v], own, 3 * v, 3);
                }
                return Optional.of(new Shell(own, Arrays.copyOf(normals, 3 * count), Arrays.copyOf(uvs, uvs.length == 0 ? 0 : 2 * count), Arrays.copyOf(indices, end)));
            }
        }
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double length(double[] a) {
        return Math.sqrt(dot(a, a));
    }
}
