package hausbau.core.exchange;

import hausbau.core.kit.Kind;
import hausbau.core.standing.Chunk;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.DoubleBuffer;
import java.util.function.ToLongFunction;

/**
 * A chunk as binary columns, little-endian, for reading as typed arrays without copying.
 *
 * <pre>
 * u32  0x32424348 ("HCB2")
 * u32  n, pieces standing          u32  p, kinds in the palette
 * u32  what follows further: 1 owners, 2 free turns, 4 what leans
 * u64  the id that places without an owner of their own belong to, as f64
 * f64  palette[p]                  piece ids
 * f64  x[n], y[n], z[n]            where the pivots are, whole micrometres
 * f64  a[n], b[n]                  what makes the places: see the place codes of the description
 * f64  owner[n]                    only with 1
 * f64  degrees[n]                  only with 2: free turns
 * f64  tilt[n], roll[n], scale[n]  only with 4: degrees about a piece's own X and Y
 * u16  kind[n]                     into the palette
 * u8   pose[n]                     quarter turns, +4 mirrored, +8 free, +16 changed by a hand, +32 its place is gone
 * u8   code[n]                     what kind of place it is
 * </pre>
 *
 * 44 bytes a piece, and 8 more where a column is needed that few chunks have.
 */
public final class ChunkBytes {

    private static final int MAGIC = 0x32424348;
    private static final int HEAD = 24;

    private ChunkBytes() {}

    /** @param ids the id of each kind */
    public static byte[] of(Chunk chunk, ToLongFunction<Kind> ids) {
        var rows = chunk.rows();
        var n = chunk.size();
        var p = chunk.palette().size();
        var wide = 5 + (rows.hasOwners() ? 1 : 0) + (rows.hasDegrees() ? 1 : 0) + (rows.hasLeans() ? 3 : 0);
        var bytes = ByteBuffer.allocate(HEAD + 8 * (p + wide * n) + 4 * n).order(ByteOrder.LITTLE_ENDIAN);
        bytes.putInt(MAGIC)
                .putInt(n)
                .putInt(p)
                .putInt((rows.hasOwners() ? 1 : 0) + (rows.hasDegrees() ? 2 : 0) + (rows.hasLeans() ? 4 : 0));
        bytes.putDouble(n == 0 ? 0 : rows.owner(0));
        chunk.palette().forEach(kind -> bytes.putDouble(ids.applyAsLong(kind)));
        DoubleBuffer columns = bytes.asDoubleBuffer();
        for (var i = 0; i < n; i++) {
            columns.put(i, rows.x(i));
            columns.put(n + i, rows.y(i));
            columns.put(2 * n + i, rows.z(i));
            columns.put(3 * n + i, rows.a(i));
            columns.put(4 * n + i, rows.b(i));
        }
        var at = 5 * n;
        if (rows.hasOwners()) {
            for (var i = 0; i < n; i++) {
                columns.put(at++, rows.owner(i));
            }
        }
        if (rows.hasDegrees()) {
            for (var i = 0; i < n; i++) {
                columns.put(at++, rows.degrees(i));
            }
        }
        if (rows.hasLeans()) {
            for (var i = 0; i < n; i++) {
                var lean = rows.lean(i);
                columns.put(at + i, lean.tilt());
                columns.put(at + n + i, lean.roll());
                columns.put(at + 2 * n + i, lean.scale());
            }
        }
        bytes.position(bytes.position() + 8 * wide * n);
        for (var i = 0; i < n; i++) {
            bytes.putShort((short) rows.kind(i));
        }
        for (var i = 0; i < n; i++) {
            bytes.put((byte) rows.pose(i));
        }
        for (var i = 0; i < n; i++) {
            bytes.put(rows.code(i));
        }
        return bytes.array();
    }
}
