package hausbau.bench;

import hausbau.core.kit.Form;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Part;
import hausbau.core.kit.Pattern;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import hausbau.core.shape.Unwrapped;
import java.util.ArrayList;
import java.util.List;
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

/** The mesh of a wall of 40 parts under a pattern, bevelled, against that of 40 plain blocks of the same bevel. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 10, time = 1)
@Measurement(iterations = 5, time = 1)
public class WorkshopBench {

    private static final int PARTS = 40;

    private Piece wall;
    private Piece blocks;
    private final Finish finish = Finish.ofDensity(256);

    @Setup
    public void dress() {
        var bands = List.of(
                new Pattern.Band("plinth", Swatch.STONE, 200_000, 30_000),
                new Pattern.Band("dado", Swatch.TILE, 1_300_000, 12_000),
                new Pattern.Band("wall", Swatch.PLASTER, 0, 0));
        var trims = List.of(
                new Pattern.Trim("rail", Swatch.TIMBER, Profile.library().get(0), Pattern.From.FOOT, 1_500_000),
                new Pattern.Trim(
                        "cornice",
                        Swatch.PLASTER,
                        Profile.of(Profile.Kind.CORNICE, 120_000, 120_000, 0, 0, 0),
                        Pattern.From.TOP,
                        0));
        // As many uprights as make forty parts.
        var length = 16_000_000L;
        var uprights = List.of(new Pattern.Upright(
                "pilaster",
                Swatch.STONE,
                Pattern.At.PITCH,
                200_000,
                60_000,
                (length + PARTS - 6) / (PARTS - 5),
                0,
                120_000));
        var recipe = new Recipe.WallPanel(new Vec(length, 200_000, 3_000_000));
        var kind = new Kind(Role.WALL, recipe, Pivot.FACE_START);
        wall = new Piece("WAL", "wall", kind, new Pattern(0, bands, trims, uprights).dress(recipe));
        if (wall.parts().size() != PARTS) {
            throw new IllegalStateException("it has " + wall.parts().size() + " parts");
        }
        var plain = new ArrayList<Part>();
        for (var i = 0; i < PARTS; i++) {
            var box = new Box(Vec.ofMillimetres(400L * i, 0, 0), Vec.ofMillimetres(400L * i + 300, 200, 3000));
            plain.add(Part.of(Swatch.PLASTER, new Form.Block(box.size()), box.min()));
        }
        blocks = new Piece("BLO", "blocks", kind, plain);
    }

    @Benchmark
    public Mesh patternWall() {
        return wall.mesh(finish);
    }

    /** With the second set of UVs, as it is handed over. */
    @Benchmark
    public Unwrapped patternWallLaidOutForLight() {
        return Unwrapped.of(wall.mesh(finish));
    }

    @Benchmark
    public Mesh plainBlocks() {
        return blocks.mesh(finish);
    }
}
