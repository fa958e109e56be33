package hausbau.core.shape;

import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;

/** Collects faces into a {@link Mesh}; equal vertices (place, normal and UV) are kept once. */
public final class MeshBuilder {

    private final Finish finish;
    private double[] positions;
    private double[] normals;
    private double[] uvs;
    private int[] hashes;
    private int count;
    /** Numbers of vertices and 1, by hash, with open addressing; 0 is a free place. Always at least half of it is free. */
    private int[] places;

    private final Map<Swatch, Triangles> triangles = new TreeMap<>();

    private static final class Triangles {
        int[] indices = new int[3 * 64];
        int end;

        void add(int a, int b, int c) {
            if (end == indices.length) {
                indices = Arrays.copyOf(indices, 2 * end);
            }
            indices[end++] = a;
            indices[end++] = b;
            indices[end++] = c;
        }
    }

    /** @param finish gives the UV density */
    public MeshBuilder(Finish finish) {
        this(finish, 128);
    }

    /** @param about how many vertices there will be, as far as that is known */
    public MeshBuilder(Finish finish, int about) {
        this.finish = finish;
        positions = new double[3 * about];
        normals = new double[3 * about];
        uvs = new double[2 * about];
        hashes = new int[about];
        places = new int[4 * Integer.highestOneBit(about)];
    }

    /** Takes faces that are made of a swatch. */
    public Faces of(Swatch swatch) {
        return of(swatch, Pose.NONE);
    }

    /** Takes faces of a body that is posed; they are laid out as they lie before it is turned. */
    public Faces of(Swatch swatch, Pose pose) {
        var mirrored = pose.isMirrored();
        var into = triangles.computeIfAbsent(swatch.material(), s -> new Triangles());
        var sheetsPerMillimetre = finish.sheetsPerMillimetre(swatch);
        return (corners, normals, laid) -> {
            var corner = new int[corners.length];
            // Apart, so that what only one of them makes is never an object.
            if (laid == null) {
                var axes = Axes.of(Faces.normal(corners));
                for (var i = 0; i < corners.length; i++) {
                    var on = axes.lay(corners[i].plus(pose.by()));
                    corner[i] = vertex(
                            pose,
                            corners[i],
                            normals[i],
                            on.along() * sheetsPerMillimetre,
                            1 - on.across() * sheetsPerMillimetre);
                }
            } else {
                for (var i = 0; i < corners.length; i++) {
                    corner[i] = vertex(
                            pose,
                            corners[i],
                            normals[i],
                            laid[i].along() * sheetsPerMillimetre,
                            1 - laid[i].across() * sheetsPerMillimetre);
                }
            }
            for (var i = 1; i + 1 < corners.length; i++) {
                into.add(corner[0], corner[mirrored ? i + 1 : i], corner[mirrored ? i : i + 1]);
            }
        };
    }

    /** Takes a face that is posed and laid out already. */
    public void add(Facet facet) {
        of(facet.swatch()).face(facet.corners(), facet.normals(), facet.laid());
    }

    /** How a face is laid out that does not say: along is level, across as near to up as the face allows (or north on a level face). */
    record Axes(Point along, Point across) {

        /** @param flat its normal */
        static Axes of(Point flat) {
            var along = Math.abs(flat.z()) > 1 - 1e-9
                    ? new Point(Math.signum(flat.z()), 0, 0)
                    : new Point(-flat.y(), flat.x(), 0).unit();
            return new Axes(along, flat.cross(along));
        }

        Faces.Laid lay(Point at) {
            return new Faces.Laid(at.dot(along), at.dot(across));
        }
    }

    private int vertex(Pose pose, Point corner, Point direction, double u, double v) {
        if (count == hashes.length) {
            positions = Arrays.copyOf(positions, 2 * positions.length);
            normals = Arrays.copyOf(normals, 2 * normals.length);
            uvs = Arrays.copyOf(uvs, 2 * uvs.length);
            hashes = Arrays.copyOf(hashes, 2 * hashes.length);
        }
        // Written behind the last one; it stays there if there is none like it.
        var at = pose.place(corner);
        var normal = pose.direction(direction);
        put(positions, 3 * count, at);
        put(normals, 3 * count, normal);
        uvs[2 * count] = u;
        uvs[2 * count + 1] = v;
        var hash = hash(at, normal, u, v);
        var place = hash & places.length - 1;
        while (places[place] != 0) {
            var other = places[place] - 1;
            if (hashes[other] == hash && isLast(other)) {
                return other;
            }
            place = place + 1 & places.length - 1;
        }
        hashes[count] = hash;
        places[place] = ++count;
        if (2 * count > places.length) {
            rehash();
        }
        return count - 1;
    }

    /** By odd numbers, one for each number of a vertex, so that none waits for another. */
    private static int hash(Point at, Point normal, double u, double v) {
        var h = bits(at.x()) * 0x9E3779B97F4A7C15L
                + bits(at.y()) * 0xC2B2AE3D27D4EB4FL
                + bits(at.z()) * 0x165667B19E3779F9L
                + bits(normal.x()) * 0xD6E8FEB86659FD93L
                + bits(normal.y()) * 0xA0761D6478BD642FL
                + bits(normal.z()) * 0xE7037ED1A0B428DBL
                + bits(u) * 0x8EBC6AF09C88C6E3L
                + bits(v) * 0x589965CC75374CC3L;
        // The low bits of whole millimetres are alike: the high ones come down.
        h = (h ^ h >>> 32) * 0x9E3779B97F4A7C15L;
        return (int) (h >>> 32);
    }

    private static long bits(double v) {
        return Double.doubleToRawLongBits(v);
    }

    /** Whether a vertex is the one that was written last. */
    private boolean isLast(int other) {
        return same(positions, other, 3) && same(normals, other, 3) && same(uvs, other, 2);
    }

    private boolean same(double[] numbers, int other, int wide) {
        for (var i = 0; i < wide; i++) {
            if (bits(numbers[wide * other + i]) != bits(numbers[wide * count + i])) {
                return false;
            }
        }
        return true;
    }

    private void rehash() {
        places = new int[4 * places.length];
        for (var i = 0; i < count; i++) {
            var place = hashes[i] & places.length - 1;
            while (places[place] != 0) {
                place = place + 1 & places.length - 1;
            }
            places[place] = i + 1;
        }
    }

    public Mesh build() {
        var parts = triangles.entrySet().stream()
                .filter(e -> e.getValue().end > 0)
                .map(e -> new Mesh.Part(e.getKey(), Arrays.copyOf(e.getValue().indices, e.getValue().end)))
                .toList();
        return new Mesh(
                Arrays.copyOf(positions, 3 * count),
                Arrays.copyOf(normals, 3 * count),
                Arrays.copyOf(uvs, 2 * count),
                parts);
    }

    private static void put(double[] to, int at, Point p) {
        to[at] = p.x();
        to[at + 1] = p.y();
        to[at + 2] = p.z();
    }
}
