package hausbau.server;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;

/** Pictures as people and mischief send them. */
final class Pictures {

    private Pictures() {}

    /** Red to the left, blue to the right, with a green bar along the top. */
    static BufferedImage flag(int width, int height) {
        var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var g = image.createGraphics();
        g.setColor(Color.RED);
        g.fillRect(0, 0, width / 2, height);
        g.setColor(Color.BLUE);
        g.fillRect(width / 2, 0, width - width / 2, height);
        g.setColor(Color.GREEN);
        g.fillRect(0, 0, width, height / 4);
        g.dispose();
        return image;
    }

    static byte[] file(BufferedImage image, String format) {
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** A JPEG with an Exif segment (Exif 2.3, 4.5): orientation, and a place in latitude that must not be kept. */
    static byte[] withExif(byte[] jpeg, int orientation) {
        var tiff = ByteBuffer.allocate(26 + 40);
        tiff.put(new byte[] {'M', 'M', 0, 42, 0, 0, 0, 8, 0, 1});
        tiff.put(new byte[] {0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, (byte) orientation, 0, 0, 0, 0, 0, 0});
        tiff.put("SECRET PLACE 48.1374 N 11.5755 E".getBytes(StandardCharsets.US_ASCII));
        var body = tiff.array();
        var segment = ByteBuffer.allocate(10 + body.length);
        segment.put(new byte[] {(byte) 0xFF, (byte) 0xE1})
                .putShort((short) (8 + body.length))
                .put("Exif".getBytes(StandardCharsets.US_ASCII))
                .put((byte) 0)
                .put((byte) 0)
                .put(body);
        var out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.writeBytes(segment.array());
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    /** A PNG that says it has 40 000 × 40 000 pixels, in a few hundred bytes. */
    static byte[] bomb() {
        var out = new ByteArrayOutputStream();
        out.writeBytes(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'});
        chunk(
                out,
                "IHDR",
                ByteBuffer.allocate(13)
                        .putInt(40_000)
                        .putInt(40_000)
                        .put(new byte[] {8, 2, 0, 0, 0})
                        .array());
        chunk(out, "IDAT", new byte[] {0x78, (byte) 0x9C, 0x63, 0, 0, 0, 1, 0, 1});
        chunk(out, "IEND", new byte[0]);
        return out.toByteArray();
    }

    private static void chunk(ByteArrayOutputStream out, String name, byte[] body) {
        var named = ByteBuffer.allocate(4 + body.length)
                .put(name.getBytes(StandardCharsets.US_ASCII))
                .put(body)
                .array();
        var crc = new CRC32();
        crc.update(named);
        out.writeBytes(ByteBuffer.allocate(4).putInt(body.length).array());
        out.writeBytes(named);
        out.writeBytes(ByteBuffer.allocate(4).putInt((int) crc.getValue()).array());
    }

    static final String SVG =
            "<?xml version=\"1.0\"?><svg xmlns=\"http://www.w3.org/2000/svg\" width=\"9\" height=\"9\"><script>alert(1)</script></svg>";
}
