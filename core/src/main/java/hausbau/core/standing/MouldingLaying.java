package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing.MouldingLine;
import hausbau.core.massing.Moulding;
import hausbau.core.massing.MouldingRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Lays one room's mouldings: straight pieces of the lengths that are planned, one odd piece where they do not come out, and corner pieces. */
final class MouldingLaying {

    private final Generator.Mouldings of;
    private final Writing writing;

    MouldingLaying(Generator.Mouldings of) {
        this.of = of;
        var count = of.lines().stream().mapToLong(this::count).sum();
        Rows.checkCount(count, "rooms", "The mouldings of “" + of.room().name() + "”");
        writing = new Writing(of.source(), of.room().id(), (int) count, of.departures());
    }

    private long count(MouldingLine line) {
        var tiling = tiling(line);
        return line.runs().stream().mapToLong(r -> tiling.count(r.length()) + 1).sum();
    }

    private Tiling tiling(MouldingLine line) {
        return new Tiling(of.step(), line.moulding().lengths(), false);
    }

    Generator.Made run() {
        of.lines().forEach(this::lay);
        return writing.made(of, List.of());
    }

    private void lay(MouldingLine line) {
        var tiling = tiling(line);
        for (var run : line.runs()) {
            if (run.length().isPositive()) {
                lay(line.moulding(), run, tiling);
            }
            if (run.corner() != MouldingRun.Corner.NONE) {
                turn(line.moulding(), run);
            }
        }
    }

    private void lay(Moulding moulding, MouldingRun run, Tiling tiling) {
        var lengths = new ArrayList<>(tiling.tiles(run.length()));
        if (!run.side().isRising()) {
            // The longest at the end that growing rooms leave alone, as in the wall behind it.
            Collections.reverse(lengths);
        }
        var along = Length.ZERO;
        for (var length : lengths) {
            var kind = new Kind(
                    Role.MOULDING,
                    new Recipe.Moulding(
                            moulding.make().profile(), moulding.make().swatch(), length.um()),
                    Pivot.FACE_START);
            set(kind, moulding, run, run.at(along), new Vec(0, kind.size().y(), 0), false);
            along = along.plus(length);
        }
    }

    private void turn(Moulding moulding, MouldingRun run) {
        var recipe = new Recipe.MouldingCorner(
                moulding.make().profile(),
                moulding.make().swatch(),
                moulding.make().leg().um(),
                run.corner() == MouldingRun.Corner.OUTER);
        var wall = run.at(run.length().plus(moulding.make().leg()));
        set(new Kind(Role.MOULDING, recipe, Pivot.FACE_START), moulding, run, wall, recipe.corner(), true);
    }

    /** @param on a point of the wall's face, @param own the same in the piece */
    private void set(Kind kind, Moulding moulding, MouldingRun run, Vec on, Vec own, boolean isCorner) {
        var turn = run.side().turn();
        var at = on.minus(turn.apply(own));
        var anchor = of.room().anchor();
        var along = run.side().runsEastWest() ? at.x() - anchor.x() : at.y() - anchor.y();
        writing.derive(
                kind,
                at.x(),
                at.y(),
                at.z(),
                turn.quarters(),
                Chunk.MOULDING,
                isCorner ? 0 : along,
                Chunk.mouldingColumn(moulding.rule(), run.edge(), isCorner));
    }
}
