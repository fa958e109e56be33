package hausbau.core.exchange;

import hausbau.core.irradiance.Volume;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * A volume of light as binary, little-endian, for three textures of half floats.
 *
 * <pre>
 * u32  0x31564248 ("HBV1")
 * u32  nx, ny, nz
 * f32  x, y, z of the first place, spacing, metres
 * f32  by how much each number is to be multiplied to be lux
 * u16  red[4 nx ny nz], green, blue: mean and slope of each place as half floats (IEEE 754), x first
 * u8   walls[nx ny nz]
 * </pre>
 */
public final class VolumeBytes {

    private static final int MAGIC = 0x31564248;
    private static final int HEAD = 36;
    /** Halves end at 65 504: the brightest is brought down to this. */
    private static final float BRIGHTEST = 4096;

    private VolumeBytes() {}

    public static byte[] of(Volume volume) {
        var grid = volume.grid();
        var n = grid.size();
        var light = volume.light();
        var most = 0f;
        for (var v : light) {
            most = Math.max(most, Math.abs(v));
        }
        var unit = most == 0 ? 1 : most / BRIGHTEST;
        var bytes = ByteBuffer.allocate(HEAD + 2 * light.length + n).order(ByteOrder.LITTLE_ENDIAN);
        bytes.putInt(MAGIC).putInt(grid.nx()).putInt(grid.ny()).putInt(grid.nz());
        bytes.putFloat((float) grid.x())
                .putFloat((float) grid.y())
                .putFloat((float) grid.z())
                .putFloat((float) grid.spacing())
                .putFloat(unit);
        for (var channel = 0; channel < 3; channel++) {
            for (var place = 0; place < n; place++) {
                for (var k = 0; k < 4; k++) {
                    bytes.putShort(half(light[Volume.NUMBERS * place + 4 * channel + k] / unit));
                }
            }
        }
        return bytes.put(volume.walls()).array();
    }

    /** The nearest half float; what is too small to have a full one is 0. @param value of at most {@link #BRIGHTEST} either way */
    static short half(float value) {
        var bits = Float.floatToRawIntBits(value);
        var sign = bits >>> 16 & 0x8000;
        // Rounded to even where the mantissa is cut from 23 bits to 10.
        var rounded = (bits & 0x7FFFFFFF) + 0xFFF + (bits >>> 13 & 1);
        var exponent = (rounded >>> 23) - 127 + 15;
        return (short) (exponent <= 0 ? sign : sign | exponent << 10 | rounded >>> 13 & 0x3FF);
    }
}
