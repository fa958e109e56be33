package hausbau.bench;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
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

/**
 * The whole kit of large buildings on 4 levels, all options proven or it fails: some 300 runs on a step of 100 mm, and some 100 on
 * one of 25 mm, in 512 MB. Pieces are 0.2 to 4 m long and high.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgsAppend = "-Xmx512m")
@Warmup(iterations = 1)
@Measurement(iterations = 3)
public class WholeKitBench {

    private static final int LEVELS = 4;

    /** Rooms on each level, and the step in millimetres. */
    @Param({"20x100", "7x25"})
    public String size;

    @Param({"1", "2"})
    public long seed;

    private Massing massing;

    @Setup
    public void build() {
        var perLevel = Integer.parseInt(size.split("x")[0]);
        var step = Integer.parseInt(size.split("x")[1]);
        var random = new Random(seed);
        var rooms = new ArrayList<Room>();
        for (var level = 0; level < LEVELS; level++) {
            for (var n = 0; n < perLevel; n++) {
                rooms.add(new Room(
                        1L + level * perLevel + n,
                        "Room " + level + "." + n,
                        Vec.ofMillimetres(n / 2 * 9_000L, n % 2 * 9_000L, level * 3_200L),
                        on(step, 3_000 + random.nextInt(5_000)),
                        on(step, 3_000 + random.nextInt(5_000)),
                        Length.ofMillimetres(3_000 - 100L * random.nextInt(3))));
            }
        }
        var settings = SiteSettings.USUAL;
        massing = new Massing(
                new SiteSettings(
                        settings.unit(),
                        Length.ofMillimetres(step),
                        settings.wall(),
                        settings.storey(),
                        settings.pixelsPerMetre(),
                        settings.tiles(),
                        settings.skins(),
                        settings.guardDrop(),
                        settings.corners(),
                        settings.facing()),
                rooms,
                List.of());
    }

    private static Length on(int step, long mm) {
        return Length.ofMillimetres(mm / step * step);
    }

    @Benchmark
    public int planned() {
        var rules = KitRules.between(Length.ofMillimetres(200), Length.ofMillimetres(4_000));
        var options = KitOptions.of(massing, rules, Set.of(), () -> false);
        if (options.isEmpty() || !options.stream().allMatch(KitOptions.Option::proven)) {
            throw new IllegalStateException("not all options are proven");
        }
        return massing.runs().size();
    }
}
