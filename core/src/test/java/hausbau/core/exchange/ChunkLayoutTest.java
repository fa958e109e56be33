package hausbau.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.place.Source;
import hausbau.core.standing.Chunk;
import java.io.IOException;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the browser needs for reading chunks is written from the constants here, and held against the file that it reads. */
class ChunkLayoutTest {

    private static final Path READ = Path.of("../web/src/site/layout.ts");
    private static final Path WRITTEN = Path.of("target/layout.ts");

    private static Stream<Field> constants(Class<?> of, Class<?> type) {
        return Arrays.stream(of.getDeclaredFields())
                .filter(f -> f.getType() == type
                        && Modifier.isStatic(f.getModifiers())
                        && Modifier.isFinal(f.getModifiers()))
                .peek(f -> f.setAccessible(true));
    }

    private static int value(Field constant) {
        try {
            return ((Number) constant.get(null)).intValue();
        } catch (IllegalAccessException e) {
            throw new AssertionError(e);
        }
    }

    private static Map<String, Integer> named(Class<?> of, Class<?> type) {
        return constants(of, type)
                .collect(Collectors.toMap(Field::getName, ChunkLayoutTest::value, (a, b) -> a, TreeMap::new));
    }

    private static String object(String comment, String name, Map<String, Integer> values) {
        return "\n/** " + comment + " */\nexport const " + name + " = {\n"
                + values.entrySet().stream()
                        .sorted(Map.Entry.comparingByValue())
                        .map(e -> "  " + e.getKey() + ": " + e.getValue() + ",\n")
                        .collect(Collectors.joining())
                + "} as const\n";
    }

    @Test
    void theBrowserReadsWhatIsWrittenHere() throws IOException {
        var ints = named(Chunk.class, int.class);
        var bits = new TreeMap<>(ints);
        bits.keySet().removeIf(name -> !name.endsWith("_BITS"));
        var poses = new TreeMap<>(ints);
        poses.keySet().removeAll(bits.keySet());
        var bytes = named(ChunkBytes.class, int.class);
        bytes.putAll(named(Source.Hands.class, int.class));
        var written =
                "// Written by core's ChunkLayoutTest. After a change: cp core/target/layout.ts web/src/site/layout.ts\n"
                        + object("How the columns of a row tell its place.", "PLACE", named(Chunk.class, byte.class))
                        + object("Flags of a row's pose, above its quarter turns.", "POSE", poses)
                        + object("How many bits parts of a column take.", "BITS", bits)
                        + object("The head of a chunk, and how many ids of hands a block has.", "CHUNK", bytes);
        Files.createDirectories(WRITTEN.getParent());
        Files.writeString(WRITTEN, written);

        assertThat(READ)
                .as("the layout of chunks has changed: cp core/target/layout.ts web/src/site/layout.ts")
                .hasContent(written);
    }
}
