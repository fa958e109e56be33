package hausbau.bench;

import hausbau.core.kit.Kit;
import hausbau.core.measure.Box;
import hausbau.core.place.Standing;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Finding;
import hausbau.core.survey.Survey;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;
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

/** Every check over 10 000 placements, against a bare self-join of their boxes in JTS's STR-tree. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 2)
@Measurement(iterations = 5, time = 2)
public class SurveyBench {

    private static final int PLACEMENTS = 10_000;

    private StandingSet set;
    private Kit kit;
    private List<Box> boxes;

    /** Rooms of 8 × 6 m in rows, built from metres: 28 walls, 4 posts and 96 tiles each. */
    @Setup
    public void build() {
        set = Estate.of(PLACEMENTS, 0);
        kit = Estate.named(set);
        boxes = set.all().stream().map(Standing::box).toList();
    }

    @Benchmark
    public List<Finding> survey() {
        return Survey.of(set, kit).findings();
    }

    @Benchmark
    public long selfJoin() {
        var tree = new STRtree();
        for (var i = 0; i < boxes.size(); i++) {
            tree.insert(envelope(boxes.get(i)), i);
        }
        var pairs = new long[1];
        for (var i = 0; i < boxes.size(); i++) {
            var first = i;
            tree.query(envelope(boxes.get(i)), second -> {
                if (first < (int) second) {
                    pairs[0]++;
                }
            });
        }
        return pairs[0];
    }

    private static Envelope envelope(Box box) {
        return new Envelope(
                box.min().x(), box.max().x(), box.min().y(), box.max().y());
    }
}
