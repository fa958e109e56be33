package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;

/**
 * A rectangular void to stand in.
 *
 * @param corner the south-west corner of its floor
 * @param width  clear size along X, @param depth along Y, @param height floor to ceiling; above 0
 * @param anchor what places in the room are counted from: it goes along when the room is moved, and stays when the room
 *               grows or shrinks, so that a place lasts as long as the same thing stands there
 */
public record Room(long id, String name, Vec corner, Length width, Length depth, Length height, Vec anchor) {

    /** A new room: its places are counted from its corner. */
    public Room(long id, String name, Vec corner, Length width, Length depth, Length height) {
        this(id, name, corner, width, depth, height, corner);
    }

    /** The same room, moved if its size stays, else grown or shrunk. */
    public Room reshaped(String newName, Vec newCorner, Length newWidth, Length newDepth, Length newHeight) {
        var moves = newWidth.equals(width) && newDepth.equals(depth);
        return new Room(id, newName, newCorner, newWidth, newDepth, newHeight, moves ? anchor.plus(newCorner.minus(corner)) : anchor);
    }

    /** A room between two corners of its floor as a hand drew them, each taken to the nearest step. */
    public static Room drawn(long id, String name, Vec from, Vec to, Length height, Length step) {
        var a = onStep(from, step);
        var b = onStep(to, step);
        var corner = new Vec(Math.min(a.x(), b.x()), Math.min(a.y(), b.y()), a.z());
        return new Room(id, name, corner, new Length(Math.abs(a.x() - b.x())), new Length(Math.abs(a.y() - b.y())), height);
    }

    private static Vec onStep(Vec point, Length step) {
        return new Vec(new Length(point.x()).roundTo(step).um(), new Length(point.y()).roundTo(step).um(), point.z());
    }

    /** The void itself. */
    public Box clear() {
        return new Box(corner, corner.plus(Vec.of(width, depth, height)));
    }

    /** The void with the walls around it. */
    public Box outer(Length wall) {
        var c = clear();
        return Box.of(c.min().x() - wall.um(), c.min().y() - wall.um(), c.min().z(),
                c.max().x() + wall.um(), c.max().y() + wall.um(), c.max().z());
    }

    public Length lengthOf(Side side) {
        return side.runsEastWest() ? width : depth;
    }

    /** Where the side's run begins: on the floor, at the left end seen from inside. */
    public Vec startOf(Side side) {
        var c = clear();
        return switch (side) {
            case NORTH -> new Vec(c.min().x(), c.max().y(), c.min().z());
            case EAST -> new Vec(c.max().x(), c.max().y(), c.min().z());
            case SOUTH -> new Vec(c.max().x(), c.min().y(), c.min().z());
            case WEST -> c.min();
        };
    }
}
