package hausbau.bench;

import hausbau.core.budget.Tally;
import hausbau.core.exchange.ChunkBytes;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Sheets;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Survey;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The standing set of 1 000 and of 100 000 pieces, half of them derived: computed from nothing, and followed by one edit. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
public class SetBench {

    @Param({"1000", "100000"})
    public int pieces;

    private Decisions decisions;
    private StandingSet set;
    private Kit kit;
    private Survey survey;
    private Map<Kind, Mesh> meshes;
    /** What the plain loop reads: nine numbers a piece. */
    private long[][] memory;

    private long next;

    @Setup
    public void build() {
        decisions = Estate.decisions(pieces / 2, pieces / 2);
        set = StandingSet.of(decisions);
        kit = Estate.named(set);
        survey = Survey.of(set, kit);
        meshes = new HashMap<>();
        set.kinds().forEach(kind -> meshes.put(kind, kind.mesh(Finish.ofDensity(256))));
        memory = set.all().stream()
                .map(s -> new long[] {
                    s.stance().at().x(), s.stance().at().y(), s.stance().at().z(), 1, 2, 3, 4, 5, 6
                })
                .toArray(long[][]::new);
        next = 10_000_000;
    }

    /** Computed from nothing, indexed, and every chunk written. */
    @Benchmark
    public List<byte[]> computedIndexedAndWritten() {
        var computed = StandingSet.of(decisions);
        computed.near(new Box(Vec.ZERO, Vec.ZERO));
        var written = new ArrayList<byte[]>();
        computed.chunks()
                .forEach(chunk ->
                        written.add(ChunkBytes.of(chunk, kind -> kit.id(kind).orElseThrow())));
        return written;
    }

    /** The reference: the same arrays (columns, boxes, bytes) filled from memory. */
    @Benchmark
    public Object plainLoop() {
        var n = memory.length;
        var columns = new long[5][n];
        var boxes = new long[6 * n];
        var kinds = new short[n];
        var flags = new byte[2][n];
        var bytes = ByteBuffer.allocate(44 * n).order(ByteOrder.LITTLE_ENDIAN);
        for (var i = 0; i < n; i++) {
            var row = memory[i];
            for (var c = 0; c < 5; c++) {
                columns[c][i] = row[c];
                bytes.putDouble(8 * (c * n + i), row[c]);
            }
            for (var b = 0; b < 6; b++) {
                boxes[6 * i + b] = row[b % 3];
            }
            kinds[i] = (short) row[5];
            flags[0][i] = (byte) row[6];
            flags[1][i] = (byte) row[7];
            bytes.putShort(40 * n + 2 * i, (short) row[5]);
            bytes.put(42 * n + i, (byte) row[6]);
            bytes.put(43 * n + i, (byte) row[7]);
        }
        return new Object[] {columns, boxes, kinds, flags, bytes};
    }

    private StandingSet oneMore() {
        return set.next(decisions.with(
                decisions.hands().with(List.of(Estate.bench(next++ % 100_000 + 10_000_000)), List.of())));
    }

    /** One piece more. */
    @Benchmark
    public StandingSet followed() {
        return oneMore();
    }

    /** One piece more, and what the survey and the tally make of it. */
    @Benchmark
    public Object followedSurveyedAndTallied() {
        var now = oneMore();
        var uses = now.counts().entrySet().stream()
                .map(e -> new Tally.Use(e.getKey().toString(), meshes.get(e.getKey()), e.getValue()))
                .toList();
        return List.of(survey.next(now, kit).findings(), Tally.of(uses, Sheets.USUAL));
    }
}
