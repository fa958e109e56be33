package hausbau.core.exchange;

import hausbau.core.finish.Maps;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;

/** The pictures of a sheet as files. @param mediaType of all of them */
public record SheetFiles(String mediaType, Map<Maps.Kind, byte[]> files) {

    /** Noise hardly compresses without loss: a set's sheets would outweigh its meshes. */
    private static final float QUALITY = 0.9f;

    public SheetFiles {
        files = Collections.unmodifiableMap(new EnumMap<>(files));
    }

    /** Without loss. */
    public static SheetFiles png(Maps maps) {
        return of(maps, "image/png", SheetFiles::png);
    }

    public static SheetFiles jpeg(Maps maps) {
        return of(maps, "image/jpeg", SheetFiles::jpeg);
    }

    private interface Writer {
        void write(BufferedImage picture, ByteArrayOutputStream out) throws IOException;
    }

    private static SheetFiles of(Maps maps, String mediaType, Writer writer) {
        var files = new EnumMap<Maps.Kind, byte[]>(Maps.Kind.class);
        for (var kind : Maps.Kind.values()) {
            files.put(kind, file(maps.side(), maps.of(kind), writer));
        }
        return new SheetFiles(mediaType, files);
    }

    /** One square picture without loss. @param pixels rows from the top, each {@code 0xRRGGBB} */
    public static byte[] png(int side, int[] pixels) {
        return file(side, pixels, SheetFiles::png);
    }

    private static byte[] file(int side, int[] pixels, Writer writer) {
        var picture = new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB);
        picture.setRGB(0, 0, side, side, pixels, 0, side);
        var out = new ByteArrayOutputStream();
        try {
            writer.write(picture, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void png(BufferedImage picture, ByteArrayOutputStream out) throws IOException {
        ImageIO.write(picture, "png", out);
    }

    private static void jpeg(BufferedImage picture, ByteArrayOutputStream out) throws IOException {
        var writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (var stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            var how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(QUALITY);
            writer.write(null, new IIOImage(picture, null, null), how);
        } finally {
            writer.dispose();
        }
    }

    public byte[] of(Maps.Kind kind) {
        return files.getOrDefault(kind, new byte[0]);
    }
}
