package hausbau.core.exchange.in;

import hausbau.core.bring.Choices;
import hausbau.core.bring.Choices.Up;
import hausbau.core.bring.ImportedObject;
import hausbau.core.exchange.in.Incoming.CalledOff;
import hausbau.core.exchange.in.Incoming.Progress;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Swatch;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Reads stereolithography files, both kinds: 80 bytes of header, a count and 50 bytes a triangle; or words. They say neither unit nor axis. */
final class StlIn {

    private static final int HEADER = 84;
    private static final int TRIANGLE = 50;
    private static final int PACE = 1 << 14;

    private StlIn() {}

    static Incoming read(Bundle bundle, String model, Progress progress) {
        var file = bundle.bytes(model);
        var name = Bundle.stem(model);
        var places = isBinary(file) ? binary(file, model, progress) : words(file, model, progress);
        var indices = new int[places.length / 3];
        Arrays.setAll(indices, i -> i);
        var material = "surface";
        var things = List.of(new ImportedObject(
                name,
                List.of(new ImportedObject.Surface(material, places, new float[0], new float[0], indices, List.of())),
                false,
                0));
        return new Incoming(
                name,
                things,
                new Choices(Guess.unit(things, 1, 10, 1000, 25.4), Up.Z, false, Set.of()),
                Map.of(material, Swatch.PLASTER),
                Set.of(),
                Set.of(),
                List.of(),
                Map.of(),
                Map.of());
    }

    /** By its length: a binary one may begin with the word of the other kind. */
    private static boolean isBinary(byte[] file) {
        return file.length >= HEADER && (file.length == HEADER + TRIANGLE * count(file) || !startsWithWord(file));
    }

    private static long count(byte[] file) {
        return Integer.toUnsignedLong(
                ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).getInt(80));
    }

    private static boolean startsWithWord(byte[] file) {
        return new String(file, 0, Math.min(file.length, 5), StandardCharsets.US_ASCII).equals("solid");
    }

    private static double[] binary(byte[] file, String model, Progress progress) {
        var count = count(file);
        if (count == 0 || file.length < HEADER + TRIANGLE * count) {
            throw new Refused(
                    "file",
                    count == 0
                            ? "“" + model + "” has no faces."
                            : "“" + model + "” says that it has " + count + " triangles, but ends after "
                                    + (file.length - HEADER) / TRIANGLE + ". Save or copy it again.");
        }
        var bytes = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
        var places = new double[(int) (9 * count)];
        for (var t = 0; t < count; t++) {
            pace(progress, t, count);
            for (var k = 0; k < 9; k++) {
                places[9 * t + k] = number(bytes.getFloat(HEADER + TRIANGLE * t + 12 + 4 * k), model);
            }
        }
        return places;
    }

    private static double[] words(byte[] file, String model, Progress progress) {
        var words = new String(file, StandardCharsets.US_ASCII).split("\\s+");
        var places = new double[words.length];
        var end = 0;
        for (var i = 0; i < words.length; i++) {
            pace(progress, i, words.length);
            if (words[i].equalsIgnoreCase("vertex")) {
                if (i + 3 >= words.length) {
                    throw new Refused("file", "“" + model + "” ends in the middle of a corner. Save or copy it again.");
                }
                for (var k = 1; k <= 3; k++) {
                    try {
                        places[end++] = number(Float.parseFloat(words[i + k]), model);
                    } catch (NumberFormatException e) {
                        throw new Refused(
                                "file",
                                "“" + model + "” has “" + Bundle.cut(words[i + k]) + "” where a number should be.");
                    }
                }
            }
        }
        if (end == 0 || end % 9 != 0) {
            throw new Refused(
                    "file",
                    end == 0
                            ? "“" + model + "” has no faces."
                            : "“" + model + "” ends in the middle of a triangle. Save or copy it again.");
        }
        return Arrays.copyOf(places, end);
    }

    private static void pace(Progress progress, long at, long of) {
        if (at % PACE == 0 && !progress.at((double) at / of)) {
            throw new CalledOff();
        }
    }

    private static double number(float value, String model) {
        if (!(Math.abs(value) <= 1e9)) {
            throw new Refused("file", "“" + model + "” has a corner whose place is no number, or beyond all bounds.");
        }
        return value;
    }
}
