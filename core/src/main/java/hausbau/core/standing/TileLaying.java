package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Lays one room's floor and ceiling in tiles, one rectangle of its ground after the other: columns from west to east, each from south to north. */
final class TileLaying {

    private final Generator.Tiles of;
    private final Tiling tiling;
    private final Writing writing;

    private record Size(Length x, Length y) {}

    TileLaying(Generator.Tiles of) {
        this.of = of;
        tiling = new Tiling(of.choice().step(), of.choice().tiles());
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
                of.byCentre() ? Pivot.TOP_CENTRE : Pivot.TOP_CORNER,
                of.room().floor(),
                Chunk.FLOOR);
        lay(
                of.ceiling(),
                Role.CEILING,
                of.byCentre() ? Pivot.BASE_CENTRE : Pivot.BASE_CORNER,
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
        var anchor = of.room().anchor();
        var rows = tiling.tiles(new Length(rect.depth()));
        var x = rect.x0();
        for (var column : tiling.tiles(new Length(rect.width()))) {
            var y = rect.y0();
            for (var row : rows) {
                var kind = kinds.computeIfAbsent(
                        new Size(column, row),
                        size -> new Kind(
                                role,
                                new Recipe.Tile(Vec.of(size.x(), size.y(), of.slab())),
                                pivot,
                                of.room().look()));
                var held = pivot.in(kind.size());
                writing.derive(kind, x + held.x(), y + held.y(), z, 0, code, x - anchor.x(), y - anchor.y());
                y += row.um();
            }
            x += column.um();
        }
    }
}
