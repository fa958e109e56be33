package hausbau.core.kit;

import hausbau.core.measure.Vec;

/** The point of a piece that is set down. */
public enum Pivot {
    /** Walls: at the base, where the face toward the room begins. */
    FACE_START,
    /** Posts, solids, pillars, props, ceiling tiles: the centre of the base. */
    BASE_CENTRE,
    /** Ceiling tiles, stairs, guards: the least corner of the base. */
    BASE_CORNER,
    /** Floor tiles: the centre of the surface walked on. */
    TOP_CENTRE,
    /** Floor tiles: the least corner of the surface walked on. */
    TOP_CORNER;

    /** The pivot of a stand-in for a piece of this role: what the piece itself would have. */
    public static Pivot of(Role role) {
        return switch (role) {
            case WALL, DOOR, WINDOW, PASSAGE, MOULDING -> FACE_START;
            case FLOOR -> TOP_CORNER;
            case CEILING, STAIR, GUARD -> BASE_CORNER;
            case POST, SOLID, PILLAR, PROP -> BASE_CENTRE;
        };
    }

    /** Where the pivot lies in a piece of this size, in its natural frame. */
    public Vec in(Vec size) {
        return switch (this) {
            case FACE_START, BASE_CORNER -> Vec.ZERO;
            case BASE_CENTRE -> new Vec(size.x() / 2, size.y() / 2, 0);
            case TOP_CENTRE -> new Vec(size.x() / 2, size.y() / 2, size.z());
            case TOP_CORNER -> new Vec(0, 0, size.z());
        };
    }
}
