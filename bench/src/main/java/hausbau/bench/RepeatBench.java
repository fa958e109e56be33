package hausbau.bench;

import hausbau.core.exchange.ChunkBytes;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Hands;
import hausbau.core.place.Stance;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.repeat.Field;
import hausbau.core.repeat.Scatter;
import hausbau.core.standing.Assemblies;
import hausbau.core.standing.Assembly;
import hausbau.core.standing.Body;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.Repeat;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
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

/** A field of 100 000 whose pitch is changed, 50 000 strewn with a least distance, and nested assemblies tallied. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
public class RepeatBench {

    private static final Kind LAMP = new Kind(Role.PROP, new Recipe.Lamp(), Pivot.BASE_CENTRE);
    private static final long SIDE = 160_000_000;
    private static final int STREWN = 50_000;
    private static final long LEAST = 400_000;

    private Massing massing;
    private StandingSet set;
    private final Assemblies five = nested(5);
    private final Assemblies three = nested(3);
    private long turn;

    @Setup
    public void lay() {
        massing = new Massing(SiteSettings.USUAL, List.of(), List.of());
        set = StandingSet.of(decisions(500_000));
    }

    private Decisions decisions(long pitch) {
        var side = 316 * pitch;
        var field = new Field(
                Region.of(new Rect(0, 0, side, side)),
                0,
                new Length(pitch),
                new Length(pitch),
                false,
                10,
                Length.ZERO,
                0,
                Length.ZERO,
                1,
                0,
                1);
        return new Decisions(
                massing,
                Optional.empty(),
                Hands.EMPTY,
                List.of(new Repeat(1, "Field", List.of(Body.of(LAMP)), field, Optional.empty())),
                Assemblies.NONE,
                List.of(),
                Map.of());
    }

    /** Of ten uses of the next each, a lamp at the bottom. */
    private static Assemblies nested(int deep) {
        var all = new ArrayList<Assembly>();
        for (var level = 1; level <= deep; level++) {
            var parts = new ArrayList<Assembly.Part>();
            for (var n = 1; n <= 10; n++) {
                var content = level == 1 ? new Assembly.OfPiece(LAMP) : new Assembly.OfAssembly(level - 1L);
                parts.add(new Assembly.Part(n, content, Stance.at(Vec.ofMillimetres(1000L * n, 0, 0), Turn.NONE)));
            }
            all.add(new Assembly(level, "A" + level, parts));
        }
        return new Assemblies(all, List.of());
    }

    /** 100 000 pieces, five deep. */
    @Benchmark
    public Map<Kind, Long> talliedFiveDeep() {
        return five.counts(5);
    }

    /** 1000 pieces, three deep. */
    @Benchmark
    public Map<Kind, Long> talliedThreeDeep() {
        return three.counts(3);
    }

    /** Some 99 900 copies: computed, indexed, and written as they are sent. */
    @Benchmark
    public long pitchChanged() {
        var next = set.next(decisions(500_000 + 1000 * (++turn % 100)));
        next.touching(Box.of(0, 0, 0, 1, 1, 1), (chunk, row) -> {});
        var bytes = 0L;
        for (var chunk : next.since().added()) {
            bytes += ChunkBytes.of(chunk, kind -> 7L).length;
        }
        return bytes;
    }

    /** A part of that: computed, with the digests by which chunks are told apart. */
    @Benchmark
    public StandingSet pitchComputed() {
        return set.next(decisions(500_000 + 1000 * (++turn % 100)));
    }

    /** A part of that: the stances alone, told to nobody. */
    @Benchmark
    public long pitchLaid() {
        var sum = new long[1];
        decisions(500_000 + 1000 * (++turn % 100))
                .repeats()
                .get(0)
                .rule()
                .lay(
                        List.of(LAMP.box()),
                        (key, level, pick, x, y, z, quarters, degrees, mirrored, lean) -> sum[0] += x ^ y);
        return sum[0];
    }

    /** A part of that: what is laid, written as it is sent. */
    @Benchmark
    public long fieldWritten() {
        var bytes = 0L;
        for (var chunk : set.chunks()) {
            bytes += ChunkBytes.of(chunk, kind -> 7L).length;
        }
        return bytes;
    }

    /** As many stances computed and stored into arrays, their boxes too. */
    @Benchmark
    public long[][] stancesIntoArrays() {
        var pitch = 500_000 + 1000 * (++turn % 100);
        var n = 316 * 316;
        var columns = new long[9][n];
        var box = LAMP.box();
        for (var j = 0; j < 316; j++) {
            for (var i = 0; i < 316; i++) {
                var k = j * 316 + i;
                var x = i * pitch;
                var y = j * pitch;
                columns[0][k] = x;
                columns[1][k] = y;
                columns[2][k] = 0;
                columns[3][k] = x + box.min().x();
                columns[4][k] = y + box.min().y();
                columns[5][k] = box.min().z();
                columns[6][k] = x + box.max().x();
                columns[7][k] = y + box.max().y();
                columns[8][k] = box.max().z();
            }
        }
        return columns;
    }

    @Benchmark
    public long strewn() {
        var sum = new long[1];
        new Scatter(
                        Region.of(new Rect(0, 0, SIDE, SIDE)),
                        0,
                        STREWN,
                        0,
                        new Length(LEAST),
                        Scatter.Jitter.turned(180),
                        Length.ZERO,
                        Region.EMPTY,
                        List.of(),
                        Scatter.Landing.LEVEL,
                        List.of(),
                        7)
                .lay(
                        List.of(LAMP.box()),
                        (key, level, pick, x, y, z, quarters, degrees, mirrored, lean) -> sum[0] += x + y);
        return sum[0];
    }

    /** Darts into a grid whose cells are as wide as the least distance. */
    @Benchmark
    public long dartsIntoAGrid() {
        var random = new SplittableRandom(7);
        var cells = (int) (SIDE / LEAST) + 1;
        var heads = new int[cells * cells];
        var next = new int[STREWN + 1];
        var xs = new long[STREWN + 1];
        var ys = new long[STREWN + 1];
        var count = 0;
        var sum = 0L;
        while (count < STREWN) {
            var x = random.nextLong(SIDE);
            var y = random.nextLong(SIDE);
            var c = (int) (x / LEAST);
            var r = (int) (y / LEAST);
            var free = true;
            for (var b = Math.max(0, r - 1); free && b <= Math.min(cells - 1, r + 1); b++) {
                for (var a = Math.max(0, c - 1); free && a <= Math.min(cells - 1, c + 1); a++) {
                    for (var i = heads[b * cells + a]; free && i != 0; i = next[i]) {
                        var dx = (double) (xs[i] - x);
                        var dy = (double) (ys[i] - y);
                        free = dx * dx + dy * dy >= (double) LEAST * LEAST;
                    }
                }
            }
            if (free) {
                count++;
                xs[count] = x;
                ys[count] = y;
                next[count] = heads[r * cells + c];
                heads[r * cells + c] = count;
                sum += x + y;
            }
        }
        return sum;
    }
}
