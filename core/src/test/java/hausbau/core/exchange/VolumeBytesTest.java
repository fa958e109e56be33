package hausbau.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.irradiance.Grid;
import hausbau.core.irradiance.Volume;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VolumeBytesTest {

    /** IEEE 754-2008, binary16: one bit of sign, five of exponent with a bias of 15, ten of the mantissa. */
    @ParameterizedTest
    @CsvSource({
        "0, 0000",
        "1, 3c00",
        "-2, c000",
        "0.5, 3800",
        "0.333251953125, 3555",
        "1.00048828125, 3c00",
        "1.0009765625, 3c01",
        "4096, 6c00",
        "0.00006103515625, 0400",
        "0.00000001, 0000",
        "-0.1, ae66"
    })
    void halvesAreThoseOfTheStandard(float value, String hex) {
        assertThat(String.format("%04x", VolumeBytes.half(value) & 0xFFFF)).isEqualTo(hex);
    }

    @Test
    void theBrightestFitsAndAllIsToldByTheUnit() {
        var light = new float[2 * Volume.NUMBERS];
        light[0] = 100_000;
        light[Volume.NUMBERS + 8] = 50_000;
        var bytes = ByteBuffer.wrap(
                        VolumeBytes.of(new Volume(new Grid(1, 2, 3, 0.5, 2, 1, 1), light, new byte[] {0, 64})))
                .order(ByteOrder.LITTLE_ENDIAN);
        assertThat(bytes.remaining()).isEqualTo(36 + 2 * 25);
        assertThat(bytes.getInt(4)).isEqualTo(2);
        assertThat(bytes.getFloat(28)).isEqualTo(0.5f);
        assertThat(bytes.getFloat(32) * 4096).isEqualTo(100_000);
        assertThat(bytes.getShort(36)).isEqualTo((short) 0x6c00);
        // Blue comes after red and green, 8 bytes a place each.
        assertThat(bytes.getShort(36 + 2 * 16 + 8)).isEqualTo((short) 0x6800);
        assertThat(bytes.get(36 + 2 * 24 + 1)).isEqualTo((byte) 64);
    }
}
