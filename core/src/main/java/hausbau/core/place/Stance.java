package hausbau.core.place;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.List;

/**
 * Where and how a piece stands: mirrored in itself, then tipped and sized, then turned, then moved.
 *
 * @param at          where the pivot is
 * @param turn        exact quarter turns
 * @param mirrored    left and right exchanged within the piece's own extent (X), before turning
 * @param freeDegrees a further turn about Z, counter-clockwise, from above -360 to 360; 0 where the stance is exact
 * @param lean        how it is tipped and sized
 */
public record Stance(Vec at, Turn turn, boolean mirrored, double freeDegrees, Lean lean) {

    /** Upright, in its own size. */
    public Stance(Vec at, Turn turn, boolean mirrored, double freeDegrees) {
        this(at, turn, mirrored, freeDegrees, Lean.NONE);
    }

    public Stance {
        if (!(freeDegrees > -360 && freeDegrees < 360)) {
            throw new IllegalArgumentException("a free turn lies between -360 and 360 degrees");
        }
    }

    /** No hand sets anything down further out, in micrometres either way: 100 km. */
    public static final long FARTHEST = 100_000_000_000L;

    /**
     * The stance itself.
     *
     * @throws Refused if it lies further out than {@link #FARTHEST}
     */
    public Stance withinReach() {
        if (Math.abs(at.x()) > FARTHEST || Math.abs(at.y()) > FARTHEST || Math.abs(at.z()) > FARTHEST) {
            throw new Refused("atMm", "A place must lie within 100 km of the origin.");
        }
        return this;
    }

    public static Stance at(Vec at, Turn turn) {
        return new Stance(at, turn, false, 0);
    }

    public boolean isExact() {
        return freeDegrees == 0 && lean.upright();
    }

    /** Turned about Z in all, degrees counter-clockwise. */
    public double degrees() {
        return turn.quarters() * 90 + freeDegrees;
    }

    public Stance movedBy(Vec by) {
        return new Stance(at.plus(by), turn, mirrored, freeDegrees, lean);
    }

    public Stance movedTo(Vec to) {
        return new Stance(to, turn, mirrored, freeDegrees, lean);
    }

    public Stance leaning(Lean other) {
        return new Stance(at, turn, mirrored, freeDegrees, other);
    }

    /** Mirrored in place: about the middle of the piece's own extent. */
    private Box mirroredBox(Box box, Box whole) {
        var sum = whole.min().x() + whole.max().x();
        return Box.of(
                sum - box.max().x(),
                box.min().y(),
                box.min().z(),
                sum - box.min().x(),
                box.max().y(),
                box.max().z());
    }

    /** A box of the piece's own frame, mirrored and turned by quarters but neither turned freely nor moved. */
    private Box upright(Box box, Kind kind) {
        return turn.apply(mirrored ? mirroredBox(box, kind.box()) : box);
    }

    private Box placed(Box box, Kind kind) {
        if (!lean.upright()) {
            return block(box, kind).bounds();
        }
        var upright = upright(box, kind);
        return (isExact() ? upright : turnedBounds(upright)).movedBy(at);
    }

    /** Bounds of a freely turned box, rounded outward to whole micrometres. */
    private Box turnedBounds(Box box) {
        var loX = Double.POSITIVE_INFINITY;
        var loY = Double.POSITIVE_INFINITY;
        var hiX = Double.NEGATIVE_INFINITY;
        var hiY = Double.NEGATIVE_INFINITY;
        for (var corner : turnedFootprint(box)) {
            loX = Math.min(loX, corner[0]);
            hiX = Math.max(hiX, corner[0]);
            loY = Math.min(loY, corner[1]);
            hiY = Math.max(hiY, corner[1]);
        }
        return Box.of(
                (long) Math.floor(loX),
                (long) Math.floor(loY),
                box.min().z(),
                (long) Math.ceil(hiX),
                (long) Math.ceil(hiY),
                box.max().z());
    }

    private double[][] turnedFootprint(Box box) {
        var cos = StrictMath.cos(Math.toRadians(freeDegrees));
        var sin = StrictMath.sin(Math.toRadians(freeDegrees));
        long[][] corners = {
            {box.min().x(), box.min().y()},
            {box.max().x(), box.min().y()},
            {box.max().x(), box.max().y()},
            {box.min().x(), box.max().y()}
        };
        var turned = new double[4][];
        for (var i = 0; i < 4; i++) {
            turned[i] =
                    new double[] {corners[i][0] * cos - corners[i][1] * sin, corners[i][0] * sin + corners[i][1] * cos};
        }
        return turned;
    }

    /** A way in the piece's own frame, as it lies in the site; exact where the stance is. */
    public Vec direction(long x, long y, long z) {
        if (isExact()) {
            return turn.apply(new Vec(x, y, z));
        }
        var m = lean.matrix(degrees());
        return new Vec(
                Math.round(m[0] * x + m[1] * y + m[2] * z),
                Math.round(m[3] * x + m[4] * y + m[5] * z),
                Math.round(m[6] * x + m[7] * y + m[8] * z));
    }

    /** As it comes to stand with a frame that is itself tipped, sized, turned and moved so; what that mirrors is not this one's matter. */
    public Stance carriedBy(Stance frame) {
        var f = frame.lean.matrix(frame.degrees());
        var m = lean.matrix(degrees());
        var scale = frame.lean.scale() * lean.scale();
        var r = new double[9];
        for (var i = 0; i < 9; i++) {
            for (var k = 0; k < 3; k++) {
                r[i] += f[i / 3 * 3 + k] * m[3 * k + i % 3] / scale;
            }
        }
        var yaw = Math.toDegrees(StrictMath.atan2(r[3], r[0]));
        var roll = Math.toDegrees(-StrictMath.asin(Math.max(-1, Math.min(1, r[6]))));
        var tilt = Math.toDegrees(StrictMath.atan2(r[7], r[8]));
        var sized = new Lean(tilt, roll, Math.max(Lean.LEAST, Math.min(Lean.MOST, scale)));
        return new Stance(
                frame.at.plus(new Vec(
                        Math.round(f[0] * at.x() + f[1] * at.y() + f[2] * at.z()),
                        Math.round(f[3] * at.x() + f[4] * at.y() + f[5] * at.z()),
                        Math.round(f[6] * at.x() + f[7] * at.y() + f[8] * at.z()))),
                Turn.NONE,
                mirrored,
                yaw,
                sized);
    }

    /** How it is turned in all, as a unit quaternion: x, y, z, w. */
    public double[] rotation() {
        var a = Math.toRadians(lean.tilt()) / 2;
        var b = Math.toRadians(lean.roll()) / 2;
        var c = Math.toRadians(degrees()) / 2;
        var x = StrictMath.sin(a) * StrictMath.cos(b);
        var y = StrictMath.cos(a) * StrictMath.sin(b);
        var z = -StrictMath.sin(a) * StrictMath.sin(b);
        var w = StrictMath.cos(a) * StrictMath.cos(b);
        return new double[] {
            StrictMath.cos(c) * x - StrictMath.sin(c) * y,
            StrictMath.cos(c) * y + StrictMath.sin(c) * x,
            StrictMath.cos(c) * z + StrictMath.sin(c) * w,
            StrictMath.cos(c) * w - StrictMath.sin(c) * z
        };
    }

    /** What takes a place of a piece's mesh, in its own frame, to the site: row by row, millimetres. */
    public double[] frame(Kind kind) {
        var m = lean.matrix(degrees());
        var box = kind.box();
        var sum = (box.min().x() + box.max().x()) / 1000.0;
        var frame = new double[12];
        for (var row = 0; row < 3; row++) {
            var x = m[3 * row];
            frame[4 * row] = mirrored ? -x : x;
            frame[4 * row + 1] = m[3 * row + 1];
            frame[4 * row + 2] = m[3 * row + 2];
            frame[4 * row + 3] = (row == 0 ? at.x() : row == 1 ? at.y() : at.z()) / 1000.0 + (mirrored ? x * sum : 0);
        }
        return frame;
    }

    /** A box of the piece's own frame as it lies in the site. */
    public Block block(Box box, Kind kind) {
        return Block.of(mirrored ? mirroredBox(box, kind.box()) : box, lean.matrix(degrees()), at);
    }

    /** The piece's extent in the site; exact unless freely turned, then rounded outward. */
    public Box box(Kind kind) {
        return placed(kind.box(), kind);
    }

    /** The piece's solids in the site; bounds where freely turned. */
    public List<Box> solids(Kind kind) {
        return kind.solids().stream().map(s -> placed(s.box(), kind)).toList();
    }
}
