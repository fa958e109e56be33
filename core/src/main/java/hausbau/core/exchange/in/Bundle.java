package hausbau.core.exchange.in;

import hausbau.core.measure.Refused;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;

/** Files that were handed over together, by their names; what one of them refers to is looked for among them, and nowhere else. */
public final class Bundle {

    public static final long MOST_BYTES = 256L * 1024 * 1024;
    private static final int MOST_FILES = 1000;
    private static final List<String> MODELS = List.of("glb", "gltf", "obj", "stl");

    private final Map<String, byte[]> files;

    /**
     * @param files those that end in {@code .zip} are unpacked
     * @throws Refused if they are too large, or too many, or none of them is a model
     */
    public Bundle(Map<String, byte[]> files) {
        this.files = unpacked(files);
        if (models().isEmpty()) {
            throw new Refused(
                    "file",
                    "There is no .glb, .gltf, .obj or .stl among "
                            + (this.files.isEmpty()
                                    ? "them."
                                    : String.join(
                                                    ", ",
                                                    this.files.keySet().stream()
                                                            .limit(5)
                                                            .toList()) + "."));
        }
    }

    private static Map<String, byte[]> unpacked(Map<String, byte[]> files) {
        var all = new LinkedHashMap<String, byte[]>();
        var bytes = 0L;
        for (var file : files.entrySet()) {
            if (extension(file.getKey()).equals("zip")) {
                bytes += unpack(file.getKey(), file.getValue(), all, MOST_BYTES - bytes);
            } else {
                bytes += file.getValue().length;
                all.put(plain(file.getKey()), file.getValue());
            }
            if (bytes > MOST_BYTES || all.size() > MOST_FILES) {
                throw tooLarge();
            }
        }
        return all;
    }

    private static Refused tooLarge() {
        return new Refused(
                "file",
                "Together the files are larger than " + MOST_BYTES / 1024 / 1024 + " MiB, or more than " + MOST_FILES
                        + "; that is the most that is taken at once. Bring them in by parts.");
    }

    /** Counts what comes out, not what the archive says of itself. */
    private static long unpack(String name, byte[] archive, Map<String, byte[]> into, long most) {
        var bytes = 0L;
        try (var zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.isDirectory()) {
                    continue;
                }
                var path = entry.getName().replace('\\', '/');
                if (path.startsWith("/")
                        || path.contains(":")
                        || List.of(path.split("/")).contains("..")) {
                    throw new Refused(
                            "file",
                            "“" + name + "” has a file that leads out of it: “" + entry.getName()
                                    + "”. Nothing of it was taken.");
                }
                var content = zip.readNBytes((int) Math.min(most - bytes + 1, Integer.MAX_VALUE - 8));
                bytes += content.length;
                if (bytes > most || into.size() >= MOST_FILES) {
                    throw tooLarge();
                }
                into.put(plain(path), content);
            }
        } catch (ZipException e) {
            throw new Refused("file", "“" + name + "” is damaged and cannot be unpacked.");
        } catch (IOException | IllegalArgumentException e) {
            throw new Refused("file", "“" + name + "” is damaged or cut short and cannot be unpacked.");
        }
        if (into.isEmpty()) {
            throw new Refused("file", "“" + name + "” is empty, or no zip file.");
        }
        return bytes;
    }

    private static String plain(String path) {
        return path.replace('\\', '/').replaceFirst("^(\\./)+", "");
    }

    static String extension(String name) {
        var dot = name.lastIndexOf('.');
        return dot < 0 ? "" : name.substring(dot + 1).toLowerCase(Locale.ROOT);
    }

    /** Its name without folders and without what tells its format. */
    static String stem(String name) {
        var plain = name.substring(name.lastIndexOf('/') + 1);
        var dot = plain.lastIndexOf('.');
        return dot < 1 ? plain : plain.substring(0, dot);
    }

    /** The names of those that hold shapes. */
    public List<String> models() {
        return files.keySet().stream()
                .filter(name -> MODELS.contains(extension(name)))
                .sorted()
                .toList();
    }

    byte[] bytes(String name) {
        return Optional.ofNullable(files.get(name)).orElseThrow();
    }

    /**
     * What a file of these refers to.
     *
     * @param from that refers to it
     * @return none where it is not among them
     * @throws Refused if it is an address elsewhere, or leads out of the folder
     */
    Optional<byte[]> referred(String from, String reference) {
        if (reference.matches("(?i)[a-z][a-z0-9+.-]*:.*")
                || reference.startsWith("//")
                || reference.startsWith("\\\\")) {
            throw new Refused(
                    "file",
                    "“" + from + "” refers to “" + cut(reference)
                            + "”, which is not among the files. Nothing is fetched from elsewhere: save it with all that belongs to it.");
        }
        var path = plain(decoded(reference));
        var folder = from.contains("/") ? from.substring(0, from.lastIndexOf('/') + 1) : "";
        if (path.startsWith("/") || List.of(path.split("/")).contains("..")) {
            throw new Refused(
                    "file", "“" + from + "” refers to “" + cut(reference) + "”, which leads out of its folder.");
        }
        return Optional.ofNullable(files.get(folder + path))
                .or(() -> Optional.ofNullable(files.get(path)))
                .or(() -> byLastName(path));
    }

    /** Files that are chosen one by one come without their folders. */
    private Optional<byte[]> byLastName(String path) {
        var last = path.substring(path.lastIndexOf('/') + 1);
        return files.entrySet().stream()
                .filter(f -> f.getKey().equalsIgnoreCase(last))
                .map(Map.Entry::getValue)
                .findFirst();
    }

    private static String decoded(String reference) {
        try {
            return URLDecoder.decode(reference.replace("+", "%2B"), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return reference;
        }
    }

    static String cut(String text) {
        return text.length() <= 100 ? text : text.substring(0, 100) + "…";
    }
}
