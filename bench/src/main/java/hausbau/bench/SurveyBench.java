package hausbau.bench;

import hausbau.core.build.Derivation;
import hausbau.core.build.KitChoice;
import hausbau.core.build.PlacedPiece;
import hausbau.core.build.Placement;
import hausbau.core.kit.Piece;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.survey.Finding;
import hausbau.core.survey.Survey;
import hausbau.core.survey.SurveyedSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
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

    private Massing massing;
    private final Map<Long, Piece> pieces = new HashMap<>();
    private List<PlacedPiece> placed;
    private List<Box> boxes;

    /** Rooms of 8 × 6 m in rows, built from metres: 28 walls, 4 posts and 96 tiles each. */
    @Setup
    public void build() {
        var rooms = IntStream.range(0, 80).mapToObj(i -> new Room(i + 1, "Room " + i,
                Vec.ofMillimetres(i % 9 * 9000L, i / 9 * 7000L, 0), Length.ofMillimetres(8000), Length.ofMillimetres(6000),
                Length.ofMillimetres(3000))).toList();
        massing = new Massing(SiteSettings.USUAL, rooms, List.of());
        var metre = Length.ofMillimetres(1000);
        var built = new Derivation(massing, new KitChoice(List.of(metre), metre, metre));
        var ids = new HashMap<Piece, Long>();
        for (var piece : built.pieces()) {
            ids.put(piece, ids.size() + 1L);
            pieces.put(ids.get(piece), piece);
        }
        placed = IntStream.range(0, PLACEMENTS).mapToObj(i -> {
            var one = built.placements().get(i);
            return new PlacedPiece(new Placement(i + 1L, ids.get(one.piece()), one.stance(), false,
                    Placement.Origin.MASSING, false, one.source()), one.piece());
        }).toList();
        boxes = placed.stream().map(PlacedPiece::box).toList();
    }

    @Benchmark
    public List<Finding> survey() {
        return Survey.of(new SurveyedSet(massing, pieces, placed, Set.of()));
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
        return new Envelope(box.min().x(), box.max().x(), box.min().y(), box.max().y());
    }
}
