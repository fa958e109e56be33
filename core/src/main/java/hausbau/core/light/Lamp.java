package hausbau.core.light;

import hausbau.core.measure.Vec;

/**
 * A light that belongs to a piece.
 *
 * @param at      its middle, in the natural frame of the piece
 * @param turn    about Z where it shines to, degrees counter-clockwise from X, -360 to 360
 * @param tilt    and how far up, -90 (down) to 90 degrees
 * @param length  of a line or a panel, micrometres; 1 mm to 100 m. A line lies across the way that it shines, level; so does a panel's length
 * @param width   of a panel, likewise
 * @param lumens  in all, 0 to 1 000 000
 * @param kelvin  its colour, 1700 to 20 000
 * @param cone    of a spot, from edge to edge, 1 to 170 degrees
 * @param reach   metres, from there on it lights nothing; 0.1 to 200
 */
public record Lamp(
        Kind kind,
        Vec at,
        double turn,
        double tilt,
        long length,
        long width,
        double lumens,
        double kelvin,
        double cone,
        double reach) {

    /** How a lamp shines. */
    public enum Kind {
        /** To all sides alike. */
        POINT,
        /** In a cone. */
        SPOT,
        /** As a tube does: most across it, nothing along it. */
        LINE,
        /** From one side of a rectangle, by Lambert's law. */
        PANEL
    }

    private static final long LEAST = 1_000;
    private static final long MOST = 100_000_000;

    public Lamp {
        var check = new Range("lamp");
        check.within("turn", turn, -360, 360);
        check.within("tilt", tilt, -90, 90);
        if (kind == Kind.LINE || kind == Kind.PANEL) {
            check.millimetres("lengthMm", length, LEAST, MOST);
        }
        if (kind == Kind.PANEL) {
            check.millimetres("widthMm", width, LEAST, MOST);
        }
        check.within("lumens", lumens, 0, 1_000_000);
        check.within("kelvin", kelvin, 1700, 20_000);
        check.within("cone", cone, 1, 170);
        check.within("reach", reach, 0.1, 200);
        check.refuse();
    }

    /** A globe of opal glass. @param millimetres where it is, @param lumens in all, warm, and how far it reaches */
    public static Lamp globe(Vec millimetres, double lumens, double reach) {
        return new Lamp(Kind.POINT, millimetres, 0, -90, LEAST, LEAST, lumens, 2700, 90, reach);
    }
}
