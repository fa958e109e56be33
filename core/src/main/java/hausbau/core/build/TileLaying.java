package hausbau.core.build;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Side;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Lays one room's floor and ceiling in tiles: columns from west to east, each from south to north. */
final class TileLaying {

    private final Generator.Tiles of;
    private final List<Length> columns;
    private final List<Length> rows;
    private final Writing writing;

    private record Size(Length x, Length y) {
    }

    TileLaying(Generator.Tiles of) {
        this.of = of;
        var room = of.room();
        var tiling = new Tiling(of.choice().step(), of.choice().tiles());
        var words = "The tiles of “" + room.name() + "”";
        Rows.checkCount(2 * tiling.count(room.lengthOf(Side.NORTH)), "rooms", words);
        Rows.checkCount(2 * tiling.count(room.lengthOf(Side.EAST)), "rooms", words);
        columns = tiling.tiles(room.lengthOf(Side.NORTH));
        rows = tiling.tiles(room.lengthOf(Side.EAST));
        Rows.checkCount(2L * columns.size() * rows.size(), "rooms", words);
        writing = new Writing(of.source(), room.id(), 2 * columns.size() * rows.size(), of.departures());
    }

    Generator.Made run() {
        lay(Role.FLOOR, of.byCentre() ? Pivot.TOP_CENTRE : Pivot.TOP_CORNER, of.room().corner().z(), Chunk.FLOOR);
        lay(Role.CEILING, of.byCentre() ? Pivot.BASE_CENTRE : Pivot.BASE_CORNER, of.room().corner().z() + of.room().height().um(), Chunk.CEILING);
        return writing.made(of, List.of());
    }

    private void lay(Role role, Pivot pivot, long z, byte code) {
        var room = of.room();
        Map<Size, Kind> kinds = new HashMap<>();
        var x = room.corner().x();
        for (var column : columns) {
            var y = room.corner().y();
            for (var row : rows) {
                var kind = kinds.computeIfAbsent(new Size(column, row),
                        size -> new Kind(role, new Recipe.Tile(Vec.of(size.x(), size.y(), of.wall())), pivot));
                var held = pivot.in(kind.size());
                writing.derive(kind, x + held.x(), y + held.y(), z, 0, code, x - room.anchor().x(), y - room.anchor().y());
                y += row.um();
            }
            x += column.um();
        }
    }
}
