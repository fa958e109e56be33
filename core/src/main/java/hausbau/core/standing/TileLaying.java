package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;

/** Lays one room's floor and ceiling in tiles, one rectangle of its ground after the other: columns from west to east, each from south to north. */
final class TileLaying {

    private final Generator.Tiles of;
    private final Tiling tiling;
    private final Writing writing;

    private record Size(Length x, Length y) {}

    TileLaying(Generator.Tiles of) {
        this.of = of;
        tiling = new Tiling(of.choice().step(), of.choice().tiles(), of.how().mirrored());
        var count = count(of.floor()) + count(of.ceiling());
        check(count);
        writing = new Writing(of.source(), of.room().id(), (int) count, of.departures());
    }

    private long count(Region ground) {
        var count = 0L;
        for (var rect : ground.rows()) {
            check(tiling.count(new Length(rect.width())));
            check(tiling.count(new Length(rect.depth())));
            count += (long) tiling.tiles(new Length(rect.width())).size()
                    * tiling.tiles(new Length(rect.depth())).size();
            check(count);
        }
        return count;
    }

    private void check(long count) {
        Rows.checkCount(count, "rooms", "The tiles of “" + of.room().name() + "”");
    }

    Generator.Made run() {
        lay(
                of.floor(),
                Role.FLOOR,
                of.how().byCentre() ? Pivot.TOP_CENTRE : Pivot.TOP_CORNER,
                of.room().floor(),
                Chunk.FLOOR);
        lay(
                of.ceiling(),
                Role.CEILING,
                of.how().byCentre() ? Pivot.BASE_CENTRE : Pivot.BASE_CORNER,
                of.room().ceiling(),
                Chunk.CEILING);
        return writing.made(of, List.of());
    }

    private void lay(Region ground, Role role, Pivot pivot, long z, byte code) {
        Map<Size, Kind> kinds = new HashMap<>();
        for (var rect : ground.rows()) {
            lay(rect, kinds, role, pivot, z, code);
        }
    }

    private void lay(Rect rect, Map<Size, Kind> kinds, Role role, Pivot pivot, long z, byte code) {
        var rows = tiling.tiles(new Length(rect.depth()));
        var x = rect.x0();
        for (var column : tiling.tiles(new Length(rect.width()))) {
            var y = rect.y0();
            for (var row : rows) {
                // A tile and the same turned by a quarter are one kind, longer than wide.
                var kind = kinds.computeIfAbsent(
                        new Size(Length.max(column, row), Length.min(column, row)),
                        size -> new Kind(
                                role,
                                new Recipe.Tile(Vec.of(size.x(), size.y(), of.slab())),
                                pivot,
                                of.room().look()));
                set(kind, turn(column, row, x, y), x, y, z, code);
                y += row.um();
            }
            x += column.um();
        }
    }

    private Turn turn(Length column, Length row, long x, long y) {
        var lies = column.compareTo(row) < 0 ? 1 : 0;
        if (!of.how().turned()) {
            return Turn.of(lies);
        }
        var anchor = of.room().anchor();
        var chance = new SplittableRandom(31 * (x - anchor.x()) + 7919 * (y - anchor.y())).nextInt(4);
        return Turn.of(column.equals(row) ? chance : lies + chance / 2 * 2);
    }

    /** Sets a tile down, however it is turned, with its south-west corner there. */
    private void set(Kind kind, Turn turn, long x, long y, long z, byte code) {
        var corner = turn.apply(kind.box()).min();
        var anchor = of.room().anchor();
        writing.derive(kind, x - corner.x(), y - corner.y(), z, turn.quarters(), code, x - anchor.x(), y - anchor.y());
    }
}
