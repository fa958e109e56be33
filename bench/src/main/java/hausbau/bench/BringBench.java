package hausbau.bench;

import de.javagl.obj.Obj;
import de.javagl.obj.ObjReader;
import hausbau.core.bring.MeshRepair;
import hausbau.core.bring.RepairedMesh;
import hausbau.core.exchange.in.Bundle;
import hausbau.core.exchange.in.Incoming;
import hausbau.core.measure.Length;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * An OBJ of a million triangles (a ring that closes, with normals and UVs) read, looked over and made into surfaces, against the
 * reading library alone. Memory: the heap is bounded by ten times the file, which is in it too; what does not fit fails.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgsAppend = "-Xmx" + BringBench.MEGABYTES * 10 + "m")
@Warmup(iterations = 3)
@Measurement(iterations = 6)
public class BringBench {

    /** That the file has at least. */
    static final int MEGABYTES = 90;

    private static final int SIDES = 708;

    private byte[] file;

    @Setup
    public void write() {
        var text = new StringBuilder(100 << 20);
        text.append("o ring\nusemtl stone\n");
        for (var i = 0; i < SIDES; i++) {
            for (var j = 0; j < SIDES; j++) {
                var u = 2 * Math.PI * i / SIDES;
                var v = 2 * Math.PI * j / SIDES;
                var out = 1 + 0.3 * Math.cos(v);
                text.append(String.format(
                        Locale.ROOT,
                        "v %.6f %.6f %.6f%nvt %.5f %.5f%nvn %.5f %.5f %.5f%n",
                        out * Math.cos(u),
                        0.3 * Math.sin(v),
                        out * Math.sin(u),
                        (double) i / SIDES,
                        (double) j / SIDES,
                        Math.cos(v) * Math.cos(u),
                        Math.sin(v),
                        Math.cos(v) * Math.sin(u)));
            }
        }
        for (var i = 0; i < SIDES; i++) {
            for (var j = 0; j < SIDES; j++) {
                var a = i * SIDES + j + 1;
                var b = i * SIDES + (j + 1) % SIDES + 1;
                var c = (i + 1) % SIDES * SIDES + (j + 1) % SIDES + 1;
                var d = (i + 1) % SIDES * SIDES + j + 1;
                for (var t : new int[][] {{a, b, c}, {a, c, d}}) {
                    text.append("f ");
                    for (var k : t) {
                        text.append(k)
                                .append('/')
                                .append(k)
                                .append('/')
                                .append(k)
                                .append(' ');
                    }
                    text.append('\n');
                }
            }
        }
        file = text.toString().getBytes(StandardCharsets.US_ASCII);
        if (file.length < MEGABYTES << 20) {
            throw new IllegalStateException("the file has only " + file.length + " bytes");
        }
    }

    @Benchmark
    public RepairedMesh broughtIn() {
        var incoming = Incoming.read(new Bundle(Map.of("ring.obj", file)), "ring.obj", share -> true);
        return new MeshRepair(incoming.usual(), Length.ofMillimetres(100))
                .repair(incoming.things().get(0), Optional.empty());
    }

    @Benchmark
    public Obj readByTheLibraryAlone() throws IOException {
        return ObjReader.read(new ByteArrayInputStream(file));
    }
}
