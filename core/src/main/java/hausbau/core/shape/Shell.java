package hausbau.core.shape;

import hausbau.core.measure.Box;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

/**
 * A surface of one material that was made elsewhere: triangles, their corners on whole micrometres. Two are the same where
 * all of their numbers are.
 */
public final class Shell {

    private static final int VERSION = 1;

    private final int[] places;
    private final float[] normals;
    private final float[] uvs;
    private final int[] indices;
    private final String digest;
    private final Box box;

    /**
     * @param places  three a vertex, µm
     * @param normals three a vertex, one long
     * @param uvs     two a vertex, 1 is one picture's width, the origin its upper left; empty where it was not laid out
     * @param indices three a triangle, counter-clockwise from outside; at least one triangle
     */
    public Shell(int[] places, float[] normals, float[] uvs, int[] indices) {
        if (indices.length == 0
                || normals.length != places.length
                || uvs.length != 0 && 3 * uvs.length != 2 * places.length) {
            throw new IllegalArgumentException("a shell of " + indices.length + " indices, " + places.length
                    + " places, " + normals.length + " normals and " + uvs.length + " UVs");
        }
        this.places = places;
        this.normals = normals;
        this.uvs = uvs;
        this.indices = indices;
        this.digest = digestOf();
        this.box = boxOf();
    }

    /** What its numbers take in memory. */
    public long bytes() {
        return 4L * (places.length + normals.length + uvs.length + indices.length);
    }

    private Box boxOf() {
        int[] low = {Integer.MAX_VALUE, Integer.MAX_VALUE, Integer.MAX_VALUE};
        int[] high = {Integer.MIN_VALUE, Integer.MIN_VALUE, Integer.MIN_VALUE};
        for (var index : indices) {
            for (var axis = 0; axis < 3; axis++) {
                low[axis] = Math.min(low[axis], places[3 * index + axis]);
                high[axis] = Math.max(high[axis], places[3 * index + axis]);
            }
        }
        return Box.of(low[0], low[1], low[2], high[0], high[1], high[2]);
    }

    private String digestOf() {
        try {
            var sha = MessageDigest.getInstance("SHA-256");
            var bytes = ByteBuffer.allocate(4 * (3 + places.length + normals.length + uvs.length + indices.length));
            bytes.putInt(places.length).putInt(uvs.length).putInt(indices.length);
            put(bytes);
            sha.update(bytes.flip());
            return HexFormat.of().formatHex(sha.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private void put(ByteBuffer to) {
        for (var p : places) {
            to.putInt(p);
        }
        for (var n : normals) {
            to.putFloat(n);
        }
        for (var uv : uvs) {
            to.putFloat(uv);
        }
        for (var i : indices) {
            to.putInt(i);
        }
    }

    /** SHA-256 of all of its numbers, 64 hexadecimal digits. */
    public String digest() {
        return digest;
    }

    public Box box() {
        return box;
    }

    public int triangles() {
        return indices.length / 3;
    }

    public int vertices() {
        return places.length / 3;
    }

    /** Whether it brought UVs of its own. */
    public boolean isLaidOut() {
        return uvs.length > 0;
    }

    Point place(int vertex) {
        return new Point(places[3 * vertex] / 1000.0, places[3 * vertex + 1] / 1000.0, places[3 * vertex + 2] / 1000.0);
    }

    Point normal(int vertex) {
        return new Point(normals[3 * vertex], normals[3 * vertex + 1], normals[3 * vertex + 2]);
    }

    /**
     * @param own whether it lies on its sheet as it was laid out where it was made, as large as makes its density the site's on the
     *            whole; else every face is laid out as it lies
     */
    public void addTo(Faces faces, boolean own) {
        addTo(faces, own && isLaidOut() ? millimetresPerUv() : 0);
    }

    /** Its own UVs as they are. @param sheet how wide a sheet is, millimetres: one picture is one sheet */
    public void addOnSheet(Faces faces, double sheet) {
        addTo(faces, isLaidOut() ? sheet : 0);
    }

    /** @param scale millimetres that its UVs count; 0 lays every face out as it lies */
    private void addTo(Faces faces, double scale) {
        for (var t = 0; t < indices.length; t += 3) {
            var corners = new Point[3];
            var turned = new Point[3];
            var laid = new Faces.Laid[3];
            for (var k = 0; k < 3; k++) {
                var v = indices[t + k];
                corners[k] = place(v);
                turned[k] = normal(v);
                laid[k] = scale == 0
                        ? new Faces.Laid(0, 0)
                        : new Faces.Laid(uvs[2 * v] * scale, (1 - uvs[2 * v + 1]) * scale);
            }
            faces.face(corners, turned, scale == 0 ? null : laid);
        }
    }

    /** So that all faces together have as much of a sheet as they would have laid flat; 0 where they have none. */
    private double millimetresPerUv() {
        var surface = 0.0;
        var sheet = 0.0;
        for (var t = 0; t < indices.length; t += 3) {
            var a = place(indices[t]);
            surface += place(indices[t + 1])
                    .minus(a)
                    .cross(place(indices[t + 2]).minus(a))
                    .length();
            var u = uvs[2 * indices[t]];
            var v = uvs[2 * indices[t] + 1];
            sheet += Math.abs((uvs[2 * indices[t + 1]] - u) * (uvs[2 * indices[t + 2] + 1] - v)
                    - (uvs[2 * indices[t + 2]] - u) * (uvs[2 * indices[t + 1] + 1] - v));
        }
        return sheet < 1e-12 ? 0 : Math.sqrt(surface / sheet);
    }

    /** To be kept, and read again by {@link #read}. */
    public byte[] write() {
        var out = new ByteArrayOutputStream();
        try (var packed =
                new DataOutputStream(new DeflaterOutputStream(out, new Deflater(Deflater.BEST_SPEED), 1 << 16))) {
            packed.writeInt(VERSION);
            packed.writeInt(places.length);
            packed.writeInt(uvs.length);
            packed.writeInt(indices.length);
            var bytes = ByteBuffer.allocate(4 * (places.length + normals.length + uvs.length + indices.length));
            put(bytes);
            packed.write(bytes.array());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** @throws IllegalArgumentException if it was not written by {@link #write}, or in a version that is not known */
    public static Shell read(byte[] written) {
        try (var in = new DataInputStream(new InflaterInputStream(new ByteArrayInputStream(written)))) {
            var version = in.readInt();
            if (version != VERSION) {
                throw new IllegalArgumentException("a shell of version " + version + " cannot be read");
            }
            var places = new int[in.readInt()];
            var normals = new float[places.length];
            var uvs = new float[in.readInt()];
            var indices = new int[in.readInt()];
            var bytes = ByteBuffer.wrap(in.readNBytes(4 * (2 * places.length + uvs.length + indices.length)));
            bytes.asIntBuffer().get(places);
            bytes.position(4 * places.length).asFloatBuffer().get(normals);
            bytes.position(8 * places.length).asFloatBuffer().get(uvs);
            bytes.position(8 * places.length + 4 * uvs.length).asIntBuffer().get(indices);
            return new Shell(places, normals, uvs, indices);
        } catch (IOException e) {
            throw new IllegalArgumentException("a shell that cannot be read", e);
        }
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Shell s && digest.equals(s.digest);
    }

    @Override
    public int hashCode() {
        return digest.hashCode();
    }

    @Override
    public String toString() {
        return digest;
    }
}
