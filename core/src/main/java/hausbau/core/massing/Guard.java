package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import java.util.ArrayList;
import java.util.List;

/**
 * What keeps people from falling: level along the edge of a floor, or on the side of a flight and sloped as it is.
 *
 * @param box    what it takes, µm
 * @param along  the way that it runs, upward where it slopes
 * @param treads of the flight that it stands on; 0 for a level one, or one on a ramp
 */
public record Guard(Box box, Turn along, int treads, boolean sloped) {

    /** Height over the floor or the steps' edges (IBC 1015.3, from memory: 42 in). */
    public static final Length HEIGHT = Length.ofMillimetres(1070);

    public static final Length DEPTH = Length.ofMillimetres(50);

    private static final long RAIL = Length.ofMillimetres(60).um();
    private static final long POST = Length.ofMillimetres(1000).um();

    /** Its rail, and a post at least every metre: what a drawing shows of it. A rail that slopes comes in short level stretches. */
    public List<Box> bars() {
        var bars = new ArrayList<Box>();
        var posts = (int) (length().um() / POST) + 1;
        for (var i = 0; i <= posts; i++) {
            var at = (length().um() - DEPTH.um()) * i / posts;
            var up = sloped ? (box.size().z() - HEIGHT.um()) * at / length().um() : 0;
            bars.add(piece(at, at + DEPTH.um(), up, up + HEIGHT.um()));
        }
        var stretches = sloped ? Math.max(12, treads) : 1;
        for (var i = 0; i < stretches; i++) {
            var up = sloped ? (box.size().z() - HEIGHT.um()) * (2 * i + 1) / (2 * stretches) : 0;
            bars.add(piece(
                    length().um() * i / stretches,
                    length().um() * (i + 1) / stretches,
                    up + HEIGHT.um() - RAIL,
                    up + HEIGHT.um()));
        }
        return bars;
    }

    /** Some of it, from so far along to so far, and from so high to so high. */
    private Box piece(long from, long to, long low, long high) {
        var across = along.quarters() % 2 == 0 ? box.size().y() : box.size().x();
        var own = along.apply(Box.of(from, 0, low, to, across, high));
        return own.movedBy(box.min()
                .minus(along.apply(Box.of(0, 0, 0, length().um(), across, 0)).min()));
    }

    /** Along the way that it runs. */
    public Length length() {
        return new Length(
                along.quarters() % 2 == 0 ? box.size().x() : box.size().y());
    }
}
