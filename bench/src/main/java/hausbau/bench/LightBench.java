package hausbau.bench;

import hausbau.core.finish.Coat;
import hausbau.core.irradiance.Grid;
import hausbau.core.irradiance.LitKind;
import hausbau.core.irradiance.LitScene;
import hausbau.core.irradiance.SetLight;
import hausbau.core.irradiance.Transport;
import hausbau.core.irradiance.Volume;
import hausbau.core.kit.Kind;
import hausbau.core.light.Mood;
import hausbau.core.ray.Ray;
import hausbau.core.ray.RayScene;
import hausbau.core.shape.Finish;
import hausbau.core.variety.Looks;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
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
 * The light that bounces about six rooms of 8 by 6 m: its volume at 0.5 m, the same in other light, so many rays as it casts from its places
 * alone, and a million rays against the same through a {@link PlainTree}.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3)
@Measurement(iterations = 5)
public class LightBench {

    private static final int RAYS = 1_000_000;

    private LitScene lit;
    private Grid grid;
    private Transport transport;
    private PlainTree plain;
    private float[] rays;
    private final Mood.Around light = Mood.usual().get("clear morning").around();

    @Setup
    public void build() {
        var set = Estate.of(768, 0);
        var finish = Finish.ofDensity(512);
        Map<Kind, LitKind> kinds = new HashMap<>();
        lit = SetLight.of(
                set,
                Looks.of(set),
                kind -> kinds.computeIfAbsent(kind, k -> LitKind.of(k.mesh(finish))),
                (swatch, colourway) -> Optional.of(Coat.plain("#cccccc", 80, 0)));
        var bounds = lit.scene().bounds();
        grid = Grid.over(bounds, 0.5);
        transport = whole();
        plain = PlainTree.of(set, kind -> kind.mesh(finish));
        var random = new Random(1);
        rays = new float[6 * RAYS];
        for (var i = 0; i < RAYS; i++) {
            for (var k = 0; k < 3; k++) {
                rays[6 * i + k] = bounds[k] + random.nextFloat() * (bounds[3 + k] - bounds[k]);
                rays[6 * i + 3 + k] = (float) random.nextGaussian();
            }
        }
    }

    private Transport whole() {
        return Transport.of(lit, grid, share -> {});
    }

    @Benchmark
    public Volume volume() {
        return whole().in(light, 1);
    }

    @Benchmark
    public Volume inOtherLight() {
        return transport.in(light, 1);
    }

    @Benchmark
    public int raysAlone() {
        return cast(lit.scene());
    }

    private int cast(RayScene scene) {
        var ray = new Ray();
        var met = 0;
        for (var i = 0; i < RAYS; i++) {
            var at = 6 * i;
            ray.from(rays[at], rays[at + 1], rays[at + 2], rays[at + 3], rays[at + 4], rays[at + 5], 1e6);
            met += scene.cast(ray) ? 1 : 0;
        }
        return met;
    }

    @Benchmark
    public int raysThroughAPlainTree() {
        var met = 0;
        for (var i = 0; i < RAYS; i++) {
            met += plain.meets(rays, 6 * i) ? 1 : 0;
        }
        return met;
    }

    /** So many rays as the volume casts, and nothing else: places by 64, on one thread. */
    @Benchmark
    public int raysOfTheVolume() {
        var ray = new Ray();
        var met = 0;
        var n = grid.size() * 64;
        for (var i = 0; i < n; i++) {
            var at = 6 * (i % RAYS);
            ray.from(rays[at], rays[at + 1], rays[at + 2], rays[at + 3], rays[at + 4], rays[at + 5], 1e6);
            met += lit.scene().cast(ray) ? 1 : 0;
        }
        return met;
    }
}
