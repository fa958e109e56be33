package hausbau.core.exchange;

import hausbau.core.finish.Coat;
import hausbau.core.finish.Glazing;
import hausbau.core.finish.Glow;
import hausbau.core.finish.Maps;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;

/**
 * The pictures of a sheet as files, and the light of what is finished in it.
 *
 * @param isCut whether some of its colour is cut out: that is without loss then
 */
public record SheetFiles(boolean isCut, Map<Maps.Kind, byte[]> files, Glow glow, Glazing glazing) {

    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G'};

    /** Noise hardly compresses without loss: a set's sheets would outweigh its meshes. */
    private static final float QUALITY = 0.9f;

    public SheetFiles {
        files = Collections.unmodifiableMap(new EnumMap<>(files));
    }

    /** Neither glowing nor letting light through. */
    public SheetFiles(boolean isCut, Map<Maps.Kind, byte[]> files) {
        this(isCut, files, Glow.NONE, Glazing.OPAQUE);
    }

    /** The same pictures with the light of a coat. */
    public SheetFiles litAs(Coat coat) {
        return new SheetFiles(isCut, files, coat.glow(), coat.glazing());
    }

    /**
     * Them by the names that they have in a folder, each as its material and what it shows.
     *
     * @param name of the material; what no file system takes becomes a line
     */
    public Map<String, byte[]> named(String name) {
        var all = new LinkedHashMap<String, byte[]>();
        files.forEach((kind, file) -> all.put(
                name.replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", "_") + " "
                        + kind.name().toLowerCase(Locale.ROOT)
                        + (mediaType(kind).equals("image/png") ? ".png" : ".jpg"),
                file));
        return all;
    }

    /** Without loss. */
    public static SheetFiles png(Maps maps) {
        return of(maps, SheetFiles::png);
    }

    public static SheetFiles jpeg(Maps maps) {
        return of(maps, SheetFiles::jpeg);
    }

    private interface Writer {
        void write(BufferedImage picture, ByteArrayOutputStream out) throws IOException;
    }

    private static SheetFiles of(Maps maps, Writer writer) {
        var files = new EnumMap<Maps.Kind, byte[]>(Maps.Kind.class);
        for (var kind : Maps.Kind.values()) {
            var isCut = maps.isCut() && kind == Maps.Kind.COLOUR;
            files.put(
                    kind,
                    file(
                            maps.side(),
                            maps.of(kind),
                            isCut ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB,
                            isCut ? SheetFiles::png : writer));
        }
        return new SheetFiles(maps.isCut(), files);
    }

    /** One square picture without loss. @param pixels rows from the top, each {@code 0xRRGGBB} */
    public static byte[] png(int side, int[] pixels) {
        return file(side, pixels, BufferedImage.TYPE_INT_RGB, SheetFiles::png);
    }

    private static byte[] file(int side, int[] pixels, int type, Writer writer) {
        var picture = new BufferedImage(side, side, type);
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

    public String mediaType(Maps.Kind kind) {
        return Arrays.equals(of(kind), 0, PNG.length, PNG, 0, PNG.length) ? "image/png" : "image/jpeg";
    }

    public byte[] of(Maps.Kind kind) {
        return files.getOrDefault(kind, new byte[0]);
    }
}
