package hausbau.server.work.board;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import hausbau.core.finish.Picture;
import hausbau.core.measure.Refused;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;

/**
 * A picture as a person sends it: checked before it is decoded, turned upright, and written anew, so that nothing but its
 * pixels is kept. Memory: the file, and four bytes a pixel.
 *
 * @param type     of what is kept, {@code image/png} or {@code image/jpeg}
 * @param original all pixels, @param preview a JPEG of at most 512 pixels a side
 */
public record PictureFile(String type, int width, int height, byte[] original, byte[] preview) {

    static final int MOST_BYTES = 64 * 1024 * 1024;
    static final long MOST_PIXELS = 64_000_000;
    private static final int PREVIEW = 512;
    private static final Map<String, String> READERS =
            Map.of("png", "image/png", "jpeg", "image/jpeg", "webp", "image/webp");

    private static final int PNG_HEAD = 8;
    /** Length, name and checksum of a chunk. */
    private static final int PNG_CHUNK = 12;

    private static final Set<String> PNG_COMPRESSED = Set.of("zTXt", "iTXt", "iCCP");

    /** @throws Refused if the file is no whole PNG, JPEG or WebP picture, or too large, with the reason */
    public static PictureFile read(byte[] file) {
        var format = format(file);
        if (isCutShort(format, file)) {
            throw new Refused("file", "The file ends before the picture does. Save or copy it again.");
        }
        try {
            var image = upright(decode(format, file), orientation(file));
            var asPng = format.equals("png") || image.getColorModel().hasAlpha();
            var original = asPng ? png(image) : jpeg(image, 0.95f);
            return new PictureFile(
                    asPng ? "image/png" : "image/jpeg",
                    image.getWidth(),
                    image.getHeight(),
                    original,
                    jpeg(small(image), 0.82f));
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException | NegativeArraySizeException e) {
            throw new Refused("file", "The picture is damaged and cannot be read.");
        }
    }

    /** The pixels of what was kept. */
    public static Picture pixels(byte[] original) {
        try {
            var image = ImageIO.read(new ByteArrayInputStream(original));
            return new Picture(
                    image.getWidth(),
                    image.getHeight(),
                    image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** By its first bytes, whatever it is called. */
    private static String format(byte[] file) {
        if (startsWith(file, 0, 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n')) {
            return "png";
        } else if (startsWith(file, 0, 0xFF, 0xD8, 0xFF)) {
            return "jpeg";
        } else if (startsWith(file, 0, 'R', 'I', 'F', 'F') && startsWith(file, 8, 'W', 'E', 'B', 'P')) {
            return "webp";
        }
        throw new Refused("file", "This is no PNG, JPEG or WebP picture, whatever its name says.");
    }

    private static boolean startsWith(byte[] file, int at, int... bytes) {
        for (var i = 0; i < bytes.length; i++) {
            if (at + i >= file.length || (file[at + i] & 0xFF) != bytes[i]) {
                return false;
            }
        }
        return true;
    }

    /** Whether the end is missing: PNG's IEND chunk, JPEG's end of image, the length that WebP states. */
    private static boolean isCutShort(String format, byte[] file) {
        var last = file.length;
        while (last > 0 && file[last - 1] == 0) {
            last--;
        }
        return switch (format) {
            case "png" -> indexOf(file, Math.max(0, file.length - 64), 'I', 'E', 'N', 'D') < 0;
            case "jpeg" -> indexOf(file, Math.max(0, last - 4096), 0xFF, 0xD9) < 0;
            default ->
                file.length
                        < 8L
                                + (file[4] & 0xFF
                                        | (file[5] & 0xFF) << 8
                                        | (file[6] & 0xFF) << 16
                                        | (file[7] & 0xFFL) << 24);
        };
    }

    private static int indexOf(byte[] file, int from, int... bytes) {
        for (var i = from; i + bytes.length <= file.length; i++) {
            if (startsWith(file, i, bytes)) {
                return i;
            }
        }
        return -1;
    }

    private static BufferedImage decode(String format, byte[] file) throws IOException {
        try (var input = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            ImageReader reader =
                    ImageIO.getImageReadersByMIMEType(READERS.get(format)).next();
            try {
                reader.setInput(input, true, true);
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                if (pixels > MOST_PIXELS) {
                    throw new Refused(
                            "file",
                            "The picture has " + reader.getWidth(0) + " × " + reader.getHeight(0) + " pixels; at most "
                                    + MOST_PIXELS / 1_000_000 + " million can be kept. Make it smaller first.");
                }
                return plain(reader.read(0));
            } finally {
                reader.dispose();
            }
        }
    }

    /** In plain colours, whatever it was kept in: 8 bits a channel, sRGB. */
    private static BufferedImage plain(BufferedImage image) {
        var type = image.getColorModel().hasAlpha() ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB;
        if (image.getType() == type) {
            return image;
        }
        var plain = new BufferedImage(image.getWidth(), image.getHeight(), type);
        draw(plain, image, new AffineTransform());
        return plain;
    }

    private static void draw(BufferedImage onto, BufferedImage image, AffineTransform place) {
        Graphics2D graphics = onto.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(image, place, null);
        graphics.dispose();
    }

    /** The orientation tag of Exif 2.3 (4.6.4): 1 upright, up to 8. */
    private static int orientation(byte[] file) {
        try {
            var directory = ImageMetadataReader.readMetadata(new ByteArrayInputStream(withoutCompressed(file)))
                    .getFirstDirectoryOfType(ExifIFD0Directory.class);
            return directory == null || !directory.containsTag(ExifIFD0Directory.TAG_ORIENTATION)
                    ? 1
                    : directory.getInt(ExifIFD0Directory.TAG_ORIENTATION);
        } catch (ImageProcessingException | IOException | MetadataException e) {
            return 1;
        }
    }

    /** A PNG without the chunks that are compressed besides its pixels, which may unpack to any size; another file as it is. */
    private static byte[] withoutCompressed(byte[] file) {
        if (!format(file).equals("png")) {
            return file;
        }
        var kept = new ByteArrayOutputStream(file.length);
        kept.write(file, 0, PNG_HEAD);
        var at = PNG_HEAD;
        while (at + PNG_CHUNK <= file.length) {
            var length = ByteBuffer.wrap(file, at, Integer.BYTES).getInt();
            var whole = Math.min((long) file.length - at, PNG_CHUNK + (length & 0xFFFFFFFFL));
            if (!PNG_COMPRESSED.contains(
                    new String(file, at + Integer.BYTES, Integer.BYTES, StandardCharsets.US_ASCII))) {
                kept.write(file, at, (int) whole);
            }
            at += (int) whole;
        }
        return kept.toByteArray();
    }

    private static BufferedImage upright(BufferedImage image, int orientation) {
        if (orientation < 2 || orientation > 8) {
            return image;
        }
        var w = image.getWidth();
        var h = image.getHeight();
        // Rows of x' = ax + cy + e and y' = bx + dy + f, as AffineTransform takes them: a, b, c, d, e, f.
        var place =
                switch (orientation) {
                    case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
                    case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
                    case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
                    case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
                    case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
                    case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
                    default -> new AffineTransform(0, -1, 1, 0, 0, w);
                };
        var turned = new BufferedImage(orientation >= 5 ? h : w, orientation >= 5 ? w : h, image.getType());
        draw(turned, image, place);
        return turned;
    }

    /** At most 512 pixels a side, halved until near, so that nothing is skipped. */
    private static BufferedImage small(BufferedImage image) {
        var flat = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_INT_RGB);
        var graphics = flat.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, flat.getWidth(), flat.getHeight());
        graphics.drawImage(image, 0, 0, null);
        graphics.dispose();
        while (Math.max(flat.getWidth(), flat.getHeight()) > PREVIEW) {
            var share = Math.max(0.5, (double) PREVIEW / Math.max(flat.getWidth(), flat.getHeight()));
            var less = new BufferedImage(
                    Math.max(1, (int) Math.round(flat.getWidth() * share)),
                    Math.max(1, (int) Math.round(flat.getHeight() * share)),
                    BufferedImage.TYPE_INT_RGB);
            draw(
                    less,
                    flat,
                    AffineTransform.getScaleInstance(
                            (double) less.getWidth() / flat.getWidth(), (double) less.getHeight() / flat.getHeight()));
            flat = less;
        }
        return flat;
    }

    public static byte[] png(BufferedImage image) {
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static byte[] jpeg(BufferedImage image, float quality) {
        var out = new ByteArrayOutputStream();
        var writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (var output = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(output);
            var how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(quality);
            writer.write(null, new IIOImage(image, null, null), how);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }
}
