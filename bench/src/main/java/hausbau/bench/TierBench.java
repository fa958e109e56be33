package hausbau.bench;

import hausbau.core.advice.KitAdvice;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Hands;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

/** The kit of a building of 40 rooms on 4 levels, some 160 runs, in tiers; the same after one wall moved; advice on it against one plan. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class TierBench {

    private static final KitRules RULES = KitRules.between(mm(200), mm(4_000));
    private static final int LEVELS = 4;
    private static final int ROOMS = 10;
    private static final long STOREY = 3_200;

    @Param({"1", "2"})
    public long seed;

    private Massing massing;
    private Massing moved;
    private StandingSet set;

    @Setup
    public void build() {
        massing = massing(0);
        moved = massing(100);
        var kit = plan(massing).get(0).choice();
        set = StandingSet.of(new Decisions(massing, Optional.of(kit), Hands.EMPTY, Map.of()));
    }

    /** Rooms in two rows on each level; a few are lower. @param by how much longer the first is, mm */
    private Massing massing(long by) {
        var random = new Random(seed);
        var rooms = new ArrayList<Room>();
        var openings = new ArrayList<Opening>();
        for (var level = 0; level < LEVELS; level++) {
            for (var n = 0; n < ROOMS; n++) {
                var id = 1L + level * ROOMS + n;
                var height = 3_000 - 100 * random.nextInt(3);
                rooms.add(new Room(
                        id,
                        "Room " + id,
                        Vec.ofMillimetres(n / 2 * 8_200L, n % 2 * 6_200L, level * STOREY),
                        mm(3_000 + 100 * random.nextInt(51) + (id == 1 ? by : 0)),
                        mm(6_000),
                        mm(height)));
                openings.add(new Opening(
                        1_000 + id,
                        id,
                        Opening.Kind.WINDOW,
                        n % 2 == 0 ? Side.SOUTH : Side.NORTH,
                        mm(600 + 100 * random.nextInt(8)),
                        mm(1_200),
                        mm(1_300),
                        mm(900)));
            }
        }
        return new Massing(SiteSettings.USUAL, rooms, openings);
    }

    private static Length mm(long mm) {
        return Length.ofMillimetres(mm);
    }

    private static List<KitOptions.Option> plan(Massing of) {
        return KitOptions.of(of, RULES, Set.of(), () -> false);
    }

    @Benchmark
    public List<KitOptions.Option> planned() {
        return plan(massing);
    }

    /** From nothing, as it is now. */
    @Benchmark
    public List<KitOptions.Option> plannedAfterAWallMoved() {
        return plan(moved);
    }

    /** Every change worked out; what is wrong with the sets is not looked for. */
    @Benchmark
    public List<KitAdvice.Advice> advised() {
        return KitAdvice.of(set, List.of(), RULES, s -> 0, () -> false, share -> {});
    }
}
