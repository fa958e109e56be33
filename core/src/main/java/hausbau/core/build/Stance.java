package hausbau.core.build;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.measure.Refused;
import java.util.List;

/**
 * Where and how a piece stands: mirrored in itself, then turned, then moved.
 *
 * @param at          where the pivot is
 * @param turn        exact quarter turns
 * @param mirrored    left and right exchanged within the piece's own extent (X), before turning
 * @param freeDegrees a further turn about Z, counter-clockwise, from above -360 to 360; 0 where the stance is exact
 */
public record Stance(Vec at, Turn turn, boolean mirrored, double freeDegrees) {

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
        return freeDegrees == 0;
    }

    public Stance movedBy(Vec by) {
        return new Stance(at.plus(by), turn, mirrored, freeDegrees);
    }

    public Stance movedTo(Vec to) {
        return new Stance(to, turn, mirrored, freeDegrees);
    }

    /** Mirrored in place: about the middle of the piece's own extent. */
    private Box mirroredBox(Box box, Box whole) {
        var sum = whole.min().x() + whole.max().x();
        return Box.of(sum - box.max().x(), box.min().y(), box.min().z(), sum - box.min().x(), box.max().y(), box.max().z());
    }

    /** A box of the piece's own frame, mirrored and turned by quarters but neither turned freely nor moved. */
    private Box upright(Box box, Kind kind) {
        return turn.apply(mirrored ? mirroredBox(box, kind.box()) : box);
    }

    private Box placed(Box box, Kind kind) {
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
        return Box.of((long) Math.floor(loX), (long) Math.floor(loY), box.min().z(),
                (long) Math.ceil(hiX), (long) Math.ceil(hiY), box.max().z());
    }

    private double[][] turnedFootprint(Box box) {
        var cos = Math.cos(Math.toRadians(freeDegrees));
        var sin = Math.sin(Math.toRadians(freeDegrees));
        long[][] corners = {{box.min().x(), box.min().y()}, {box.max().x(), box.min().y()},
            {box.max().x(), box.max().y()}, {box.min().x(), box.max().y()}};
        var turned = new double[4][];
        for (var i = 0; i < 4; i++) {
            turned[i] = new double[] {corners[i][0] * cos - corners[i][1] * sin, corners[i][0] * sin + corners[i][1] * cos};
        }
        return turned;
    }

    /** The four corners of a solid's footprint in the site, micrometres, in order. */
    public double[][] footprint(Box solid, Kind kind) {
        var corners = turnedFootprint(upright(solid, kind));
        for (var corner : corners) {
            corner[0] += at.x();
            corner[1] += at.y();
        }
        return corners;
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
