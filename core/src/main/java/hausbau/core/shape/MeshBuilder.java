package hausbau.core.shape;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.SplittableRandom;

/** Collects faces into a {@link Mesh}; equal vertices (place, normal and UV) are kept once. */
public final class MeshBuilder {

    /** Numbers of a vertex: place, normal, UV. */
    private static final int WIDE = 8;

    private final Finish finish;
    private double[] vertices;
    private int[] hashes;
    private int count;
    /** Numbers of vertices and 1, by hash, with open addressing; 0 is a free place. Always at least half of it is free. */
    private int[] places;
    private final Map<Swatch, Triangles> triangles = new EnumMap<>(Swatch.class);

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
        vertices = new double[WIDE * about];
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
            var axes = laid == null ? Axes.of(Faces.normal(corners)) : Axes.NONE;
            var corner = new int[corners.length];
            for (var i = 0; i < corners.length; i++) {
                var on = laid == null ? axes.lay(corners[i].plus(pose.by())) : laid[i];
                corner[i] = vertex(pose.place(corners[i]), pose.direction(normals[i]), on.along() * sheetsPerMillimetre, 1 - on.across() * sheetsPerMillimetre);
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

        static final Axes NONE = new Axes(new Point(0, 0, 0), new Point(0, 0, 0));

        /** @param flat its normal */
        static Axes of(Point flat) {
            var along = Math.abs(flat.z()) > 1 - 1e-9 ? new Point(Math.signum(flat.z()), 0, 0) : new Point(-flat.y(), flat.x(), 0).unit();
            return new Axes(along, flat.cross(along));
        }

        Faces.Laid lay(Point at) {
            return new Faces.Laid(at.dot(along), at.dot(across));
        }
    }

    private int vertex(Point at, Point normal, double u, double v) {
        if (WIDE * (count + 1) > vertices.length) {
            vertices = Arrays.copyOf(vertices, 2 * vertices.length);
            hashes = Arrays.copyOf(hashes, 2 * hashes.length);
        }
        // Written behind the last one; it stays there if there is none like it.
        var end = WIDE * count;
        put(vertices, end, at);
        put(vertices, end + 3, normal);
        vertices[end + 6] = u;
        vertices[end + 7] = v;
        var hash = hash(end);
        var place = hash & places.length - 1;
        while (places[place] != 0) {
            var other = places[place] - 1;
            if (hashes[other] == hash && same(WIDE * other, end)) {
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

    /** Odd numbers, one for each number of a vertex, so that none waits for another. */
    private static final long[] ODD = new SplittableRandom(8).longs(WIDE).map(odd -> odd | 1).toArray();

    private int hash(int offset) {
        var h = 0L;
        for (var i = 0; i < WIDE; i++) {
            h += Double.doubleToRawLongBits(vertices[offset + i]) * ODD[i];
        }
        // The low bits of whole millimetres are alike: the high ones come down.
        h = (h ^ h >>> 32) * 0x9E3779B97F4A7C15L;
        return (int) (h >>> 32);
    }

    private boolean same(int a, int b) {
        for (var i = 0; i < WIDE; i++) {
            if (Double.doubleToRawLongBits(vertices[a + i]) != Double.doubleToRawLongBits(vertices[b + i])) {
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
        var positions = new double[count * 3];
        var normals = new double[count * 3];
        var uvs = new double[count * 2];
        for (var i = 0; i < count; i++) {
            for (var k = 0; k < 3; k++) {
                positions[3 * i + k] = vertices[WIDE * i + k];
                normals[3 * i + k] = vertices[WIDE * i + 3 + k];
            }
            uvs[2 * i] = vertices[WIDE * i + 6];
            uvs[2 * i + 1] = vertices[WIDE * i + 7];
        }
        var parts = triangles.entrySet().stream().filter(e -> e.getValue().end > 0).map(e -> new Mesh.Part(e.getKey(), Arrays.copyOf(e.getValue().indices, e.getValue().end))).toList();
        return new Mesh(positions, normals, uvs, parts);
    }

    private static void put(double[] to, int at, Point p) {
        to[at] = p.x();
        to[at + 1] = p.y();
        to[at + 2] = p.z();
    }
}
