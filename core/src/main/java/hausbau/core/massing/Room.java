package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;

/**
 * A void to stand in, upright over its outline.
 *
 * @param level  the storey that it belongs to; 0 for the ground level
 * @param floor  height of its floor, µm; that of its level, or sunk or raised
 * @param height floor to ceiling; above 0
 * @param sky    whether it is open to the sky: nothing is laid over it
 * @param anchor what places in the room are counted from: it goes along when the room is moved, and stays when the room
 *               grows or shrinks, so that a place lasts as long as the same thing stands there
 * @param look   the pattern that its walls are under; 0 for the site's
 * @param whole  whether its walls and posts are of pieces from floor to ceiling, whatever joints the kit has
 */
public record Room(
        long id,
        String name,
        long level,
        Outline outline,
        long floor,
        Length height,
        boolean sky,
        Vec anchor,
        long look,
        boolean whole) {

    /** A new rectangular room: its places are counted from its corner. */
    public Room(long id, String name, Vec corner, Length width, Length depth, Length height) {
        this(id, name, 0, Outline.rectangle(rect(corner, width, depth)), corner.z(), height, false, corner, 0, false);
    }

    private static Rect rect(Vec corner, Length width, Length depth) {
        if (!width.isPositive() || !depth.isPositive()) {
            throw new Refused(
                    width.isPositive() ? "depthMm" : "widthMm", "A room must be at least 0.3 m wide and deep.");
        }
        return new Rect(corner.x(), corner.y(), corner.x() + width.um(), corner.y() + depth.um());
    }

    /** The same room, moved if its size stays, else grown or shrunk: its farthest edges move. */
    public Room reshaped(String newName, Vec newCorner, Length newWidth, Length newDepth, Length newHeight) {
        var by = newCorner.minus(corner());
        var moves = newWidth.equals(width()) && newDepth.equals(depth());
        var shape = moves ? outline.movedBy(by.x(), by.y()) : outline.within(rect(newCorner, newWidth, newDepth));
        return new Room(
                id,
                newName,
                level,
                shape,
                newCorner.z(),
                newHeight,
                sky,
                moves ? anchor.plus(by) : anchor,
                look,
                whole);
    }

    /** The same room over another outline. */
    public Room over(Outline other) {
        return new Room(id, name, level, other, floor, height, sky, anchor, look, whole);
    }

    /** The same room mirrored, then turned by quarters, its extent's south-west corner where it was, then moved. */
    public Room arranged(boolean mirror, int quarters, Vec by) {
        var shape = (mirror ? outline.mirrored(corner().x()) : outline).turned(quarters, corner().x(), corner().y());
        var at = shape.extent();
        var moved = shape.movedBy(corner().x() - at.x0() + by.x(), corner().y() - at.y0() + by.y());
        return new Room(id, name, level, moved, floor + by.z(), height, sky, anchor.plus(by), look, whole);
    }

    /** The same room with this thickness of wall behind one of its edges; 0 for the site's. */
    public Room walled(int edge, Length thickness) {
        return over(outline.walled(edge, thickness.um()));
    }

    /** The same room, open to the sky or under a ceiling. */
    public Room under(boolean openSky) {
        return new Room(id, name, level, outline, floor, height, openSky, anchor, look, whole);
    }

    /** The same room under a pattern of its own. @param pattern 0 for the site's */
    public Room looking(long pattern) {
        return new Room(id, name, level, outline, floor, height, sky, anchor, pattern, whole);
    }

    /** The same room with walls in one piece from floor to ceiling, or cut where the kit has joints. */
    public Room ofWholeWalls(boolean areWhole) {
        return new Room(id, name, level, outline, floor, height, sky, anchor, look, areWhole);
    }

    public Room named(String other) {
        return new Room(id, other, level, outline, floor, height, sky, anchor, look, whole);
    }

    /** The same room on a level, at its height. */
    public Room on(Level on) {
        return new Room(id, name, on.id(), outline, on.floor(), height, sky, anchor, look, whole);
    }

    /** Another room like it. */
    public Room copied(long newId, String newName) {
        return new Room(newId, newName, level, outline, floor, height, sky, anchor, look, whole);
    }

    /** The same room so much higher, on another level. */
    public Room raised(long newLevel, long up) {
        return new Room(id, name, newLevel, outline, floor + up, height, sky, anchor, look, whole);
    }

    /** A room between two corners of its floor as a hand drew them, each taken to the nearest step. */
    public static Room drawn(long id, String name, Vec from, Vec to, Length height, Length step) {
        var r = ground(from, to, step);
        return new Room(
                id, name, new Vec(r.x0(), r.y0(), from.z()), new Length(r.width()), new Length(r.depth()), height);
    }

    /**
     * The ground between two corners as a hand drew them, each taken to the nearest step.
     *
     * @throws Refused if that is no ground at all
     */
    public static Rect ground(Vec from, Vec to, Length step) {
        var a = onStep(from, step);
        var b = onStep(to, step);
        if (a.x() == b.x() || a.y() == b.y()) {
            throw new Refused("toMm", "Drag out at least one step both ways.");
        }
        return new Rect(Math.min(a.x(), b.x()), Math.min(a.y(), b.y()), Math.max(a.x(), b.x()), Math.max(a.y(), b.y()));
    }

    private static Vec onStep(Vec point, Length step) {
        return new Vec(
                new Length(point.x()).roundTo(step).um(),
                new Length(point.y()).roundTo(step).um(),
                point.z());
    }

    public Region region() {
        return outline.region();
    }

    /** The south-west corner of its extent, on the floor. */
    public Vec corner() {
        var e = outline.extent();
        return new Vec(e.x0(), e.y0(), floor);
    }

    /** The greatest clear size along X. */
    public Length width() {
        return new Length(outline.extent().width());
    }

    /** The greatest clear size along Y. */
    public Length depth() {
        return new Length(outline.extent().depth());
    }

    public long ceiling() {
        return floor + height.um();
    }

    /** What the void lies within; of a rectangular room the void itself. */
    public Box clear() {
        return new Box(corner(), corner().plus(Vec.of(width(), depth(), height)));
    }

    /** What the void with the walls around it lies within, where no edge says otherwise this thick. */
    public Box outer(Length wall) {
        var c = clear();
        var most = Math.max(wall.um(), outline.thickestWall());
        return Box.of(
                c.min().x() - most,
                c.min().y() - most,
                c.min().z(),
                c.max().x() + most,
                c.max().y() + most,
                c.max().z());
    }

    /** Whether the box shares volume with the void. */
    public boolean overlaps(Box box) {
        return box.min().z() < ceiling()
                && floor < box.max().z()
                && box.min().x() < box.max().x()
                && box.min().y() < box.max().y()
                && region().overlaps(Region.of(new Rect(
                        box.min().x(), box.min().y(), box.max().x(), box.max().y())));
    }

    /** Whether a point of the plan lies in the room or its walls, where no edge says otherwise this thick. */
    boolean isWithin(long wall, long x, long y) {
        var distance = Math.max(wall, outline.thickestWall());
        return region().rects().stream()
                .anyMatch(r -> r.x0() - distance <= x
                        && x <= r.x1() + distance
                        && r.y0() - distance <= y
                        && y <= r.y1() + distance);
    }

    boolean sharesHeightWith(Room other) {
        return floor < other.ceiling() && other.floor < ceiling();
    }
}
