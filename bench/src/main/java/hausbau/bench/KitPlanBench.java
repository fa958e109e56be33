package hausbau.bench;

import hausbau.core.fit.ConstraintModel;
import hausbau.core.fit.KitPlan;
import hausbau.core.fit.KitPlanner;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.measure.Length;
import java.time.Duration;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The kit plan against a general constraint model of the same problem, which gives up after a minute. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
public class KitPlanBench {

    private static final int KINDS = 4;

    /** Several sets of runs, since no two cost the same. */
    @Param({"1", "2", "3"})
    public long seed;

    /** Lengths in steps. */
    private static List<Integer> lengths(long seed, int runs, int least, int most) {
        var random = new Random(seed);
        return IntStream.range(0, runs)
                .mapToObj(i -> least + random.nextInt(most - least + 1))
                .toList();
    }

    private static KitPlan plan(int stepMm, List<Integer> lengths, long leastMm, long mostMm) {
        var runs = lengths.stream()
                .map(n -> new Run("run", Length.ofMillimetres((long) n * stepMm), List.of()))
                .toList();
        var plan = new KitPlanner(Duration.ofMinutes(5))
                .plan(new KitQuestion(
                        Length.ofMillimetres(stepMm),
                        Length.ofMillimetres(leastMm),
                        Length.ofMillimetres(mostMm),
                        KINDS,
                        runs));
        if (!plan.options().stream().allMatch(KitPlan.Option::proven)) {
            throw new IllegalStateException("not proven");
        }
        return plan;
    }

    /** 40 runs of 2 to 24 m, step 100 mm, pieces of 0.2 to 4 m: every option up to 4 kinds, proven. */
    @Benchmark
    @Warmup(iterations = 3)
    @Measurement(iterations = 5)
    public KitPlan fortyRuns() {
        return plan(100, lengths(seed, 40, 20, 240), 200, 4000);
    }

    /** The same as a constraint model, the last option alone. */
    @Benchmark
    @Warmup(iterations = 0)
    @Measurement(iterations = 1)
    public ConstraintModel.Answer fortyRunsByConstraintSolver() {
        return new ConstraintModel(lengths(seed, 40, 20, 240), 2, 40, KINDS).solve(Duration.ofMinutes(1));
    }

    /** 60 runs of 4 to 48 m, step 50 mm, pieces of 0.2 to 8 m: proven too. */
    @Benchmark
    @Warmup(iterations = 1)
    @Measurement(iterations = 2)
    public KitPlan sixtyRuns() {
        return plan(50, lengths(seed, 60, 80, 960), 200, 8000);
    }
}
