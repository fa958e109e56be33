package hausbau.core.plane;

import java.util.List;

/**
 * A closed, right-angled line, in µm.
 *
 * @param corners in order, none on a straight line between its neighbours; the last is followed by the first
 */
public record Loop(List<Corner> corners) {

    /** A point of the plan. */
    public record Corner(long x, long y) {}

    public Loop {
        corners = List.copyOf(corners);
    }

    /** Once round. */
    public long length() {
        var length = 0L;
        for (var i = 0; i < corners.size(); i++) {
            var a = corners.get(i);
            var b = corners.get((i + 1) % corners.size());
            length += Math.abs(b.x() - a.x()) + Math.abs(b.y() - a.y());
        }
        return length;
    }
}
