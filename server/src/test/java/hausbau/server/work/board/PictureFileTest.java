package hausbau.server.work.board;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import org.junit.jupiter.api.Test;

class PictureFileTest {

    private static final int TEXT = 200_000_000;

    /** A PNG of 8 × 8 with a compressed text of 200 million characters (PNG 1.2, 11.3.4.4), which is some 200 KB in the file. */
    private static byte[] withLongText() throws IOException {
        var png = PictureFile.png(new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB));
        var body = new ByteArrayOutputStream();
        body.write("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
        try (var packed = new DeflaterOutputStream(body)) {
            var some = new byte[1_000_000];
            for (var i = 0; i < TEXT / some.length; i++) {
                packed.write(some);
            }
        }
        var text = ByteBuffer.allocate(4 + body.size())
                .put("zTXt".getBytes(StandardCharsets.US_ASCII))
                .put(body.toByteArray())
                .array();
        var sum = new CRC32();
        sum.update(text);
        var out = new ByteArrayOutputStream();
        // After the head of 8 and the first chunk, which has 13 bytes.
        out.write(png, 0, 8 + 25);
        out.write(ByteBuffer.allocate(4).putInt(body.size()).array());
        out.write(text);
        out.write(ByteBuffer.allocate(4).putInt((int) sum.getValue()).array());
        out.write(png, 8 + 25, png.length - 8 - 25);
        return out.toByteArray();
    }

    @Test
    void aTextThatIsPackedInAPictureIsNotUnpacked() throws IOException {
        var file = withLongText();
        var threads = (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
        PictureFile.read(PictureFile.png(new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB)));
        var before = threads.getCurrentThreadAllocatedBytes();
        assertThat(PictureFile.read(file).width()).isEqualTo(8);
        assertThat(threads.getCurrentThreadAllocatedBytes() - before).isLessThan(TEXT / 4);
    }
}
