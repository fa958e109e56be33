package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import java.util.Comparator;

/**
 * A mass that stays: a block or a pier, in a room or outside.
 *
 * @param level the storey that it belongs to
 * @param box   what it takes, µm; at least 10 mm each way
 */
public record Solid(long id, String name, long level, Box box) {

    private static final long PIER = Length.ofMillimetres(500).um();
    private static final long LEAST = Length.ofMillimetres(10).um();

    /** @throws Refused if it is thinner than 10 mm */
    public static Solid of(long id, String name, long level, Vec corner, Vec size) {
        check(size);
        return new Solid(id, name, level, new Box(corner, corner.plus(size)));
    }

    public Solid {
        check(box.size());
    }

    private static void check(Vec size) {
        var field = size.x() < LEAST ? "widthMm" : size.y() < LEAST ? "depthMm" : size.z() < LEAST ? "heightMm" : "";
        if (!field.isEmpty()) {
            throw new Refused(field, "A solid must be at least 10 mm each way.");
        }
    }

    /** A solid over the ground between two corners as a hand drew them, each taken to the nearest step. */
    public static Solid drawn(long id, String name, Level level, Vec from, Vec to, Length height, Length step) {
        var r = Room.ground(from, to, step);
        return new Solid(
                id,
                name,
                level.id(),
                Box.of(r.x0(), r.y0(), level.floor(), r.x1(), r.y1(), level.floor() + height.um()));
    }

    /** A pier of half a metre in the middle of a room, up to its ceiling. */
    public static Solid usual(long id, String name, Room room, Length step) {
        var r = room.region().rects().stream()
                .max(Comparator.comparingDouble(q -> (double) q.width() * q.depth()))
                .orElseThrow();
        var x = new Length((r.x0() + r.x1() - PIER) / 2).roundTo(step).um();
        var y = new Length((r.y0() + r.y1() - PIER) / 2).roundTo(step).um();
        return new Solid(id, name, room.level(), Box.of(x, y, room.floor(), x + PIER, y + PIER, room.ceiling()));
    }

    /** The same solid so much higher, on a level. */
    public Solid raised(long up, long onLevel) {
        return new Solid(id, name, onLevel, box.movedBy(new Vec(0, 0, up)));
    }

    public Rect ground() {
        return new Rect(box.min().x(), box.min().y(), box.max().x(), box.max().y());
    }
}
