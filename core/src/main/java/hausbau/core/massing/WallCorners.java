package hausbau.core.massing;

import hausbau.core.measure.Turn;
import hausbau.core.plane.Rect;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * The corners in which just two walls meet, each as thick as the post between them is wide: where a site wants something else than
 * a post, a piece with a leg along either wall takes its place, or one of the walls runs over it.
 */
final class WallCorners {

    /** A post, the wall along X and the wall along Y that end at it. */
    record Meeting(Rect post, Rect lying, Rect upright) {

        private boolean isEast() {
            return post.x0() == lying.x1();
        }

        private boolean isNorth() {
            return post.y0() == upright.y1();
        }
    }

    /**
     * The legs of a corner piece.
     *
     * @param turn of a piece whose legs go along X and Y
     */
    record Legs(Turn turn, Rect lying, Rect upright) {}

    private final Corners wanted;
    private final Map<Rect, Meeting> meetings = new HashMap<>();
    /** Of each lapped post whether the wall along X runs over it. */
    private final Map<Rect, Boolean> lapped = new HashMap<>();

    private WallCorners(Corners wanted) {
        this.wanted = wanted;
    }

    /**
     * @param meetsEvenly whether what meets in a corner is of one height
     * @param lyingLaps   whether it is the wall along X that runs over a corner
     */
    static WallCorners of(
            Corners wanted,
            List<Rect> posts,
            List<Rect> lying,
            List<Rect> upright,
            Predicate<Meeting> meetsEvenly,
            Predicate<Meeting> lyingLaps) {
        var corners = new WallCorners(wanted);
        if (wanted.kind() == Corners.Kind.POST) {
            return corners;
        }
        for (var post : posts) {
            var alongX = lying.stream().filter(r -> meets(post, r)).toList();
            var alongY = upright.stream().filter(r -> meets(post, r)).toList();
            var alone = posts.stream().noneMatch(p -> p != post && meets(post, p));
            if (alone && alongX.size() == 1 && alongY.size() == 1) {
                var meeting = new Meeting(post, alongX.get(0), alongY.get(0));
                if (isSquare(meeting) && corners.hasRoom(meeting) && meetsEvenly.test(meeting)) {
                    corners.meetings.put(post, meeting);
                    if (wanted.kind() == Corners.Kind.LAP) {
                        corners.lapped.put(post, lyingLaps.test(meeting));
                    }
                }
            }
        }
        return corners;
    }

    /** Along more than a corner. */
    private static boolean meets(Rect a, Rect b) {
        return a.touches(b) && (a.x0() < b.x1() && b.x0() < a.x1() || a.y0() < b.y1() && b.y0() < a.y1());
    }

    /** Whether both walls are as thick as the post is wide where they meet it. */
    private static boolean isSquare(Meeting m) {
        return m.lying().y0() == m.post().y0()
                && m.lying().y1() == m.post().y1()
                && m.upright().x0() == m.post().x0()
                && m.upright().x1() == m.post().x1();
    }

    /** Whether both walls are long enough for a leg at either end. */
    private boolean hasRoom(Meeting m) {
        var leg = 2 * wanted.leg().um();
        return wanted.kind() != Corners.Kind.LEG
                || m.lying().width() > leg && m.upright().depth() > leg;
    }

    /** Walls less the legs of corner pieces. */
    List<Rect> shortened(List<Rect> walls, boolean alongX) {
        if (wanted.kind() != Corners.Kind.LEG) {
            return walls;
        }
        return walls.stream()
                .map(wall -> {
                    var left = wall;
                    for (var m : meetings.values()) {
                        if (wall.equals(alongX ? m.lying() : m.upright())) {
                            left = less(
                                    left,
                                    alongX ? leg(m.lying(), m.isEast(), true) : leg(m.upright(), m.isNorth(), false),
                                    alongX);
                        }
                    }
                    return left;
                })
                .toList();
    }

    private static Rect less(Rect wall, Rect leg, boolean alongX) {
        if (alongX) {
            return leg.x0() == wall.x0()
                    ? new Rect(leg.x1(), wall.y0(), wall.x1(), wall.y1())
                    : new Rect(wall.x0(), wall.y0(), leg.x0(), wall.y1());
        }
        return leg.y0() == wall.y0()
                ? new Rect(wall.x0(), leg.y1(), wall.x1(), wall.y1())
                : new Rect(wall.x0(), wall.y0(), wall.x1(), leg.y0());
    }

    /** A leg's length of a wall, at its greater end or its lesser. */
    private Rect leg(Rect wall, boolean atGreater, boolean alongX) {
        var leg = wanted.leg().um();
        if (alongX) {
            return atGreater
                    ? new Rect(wall.x1() - leg, wall.y0(), wall.x1(), wall.y1())
                    : new Rect(wall.x0(), wall.y0(), wall.x0() + leg, wall.y1());
        }
        return atGreater
                ? new Rect(wall.x0(), wall.y1() - leg, wall.x1(), wall.y1())
                : new Rect(wall.x0(), wall.y0(), wall.x1(), wall.y0() + leg);
    }

    /** The legs that a post has. */
    Optional<Legs> legs(Rect post) {
        return wanted.kind() != Corners.Kind.LEG
                ? Optional.empty()
                : Optional.ofNullable(meetings.get(post))
                        .map(m -> new Legs(
                                new Turn(m.isEast() ? m.isNorth() ? 2 : 1 : m.isNorth() ? 3 : 0),
                                leg(m.lying(), m.isEast(), true),
                                leg(m.upright(), m.isNorth(), false)));
    }

    /** Whether a wall runs over where this post would be. */
    boolean isLapped(Rect post) {
        return lapped.containsKey(post);
    }

    /** How far a wall runs over the corner before its lesser end. */
    long lapBefore(Rect wall, long from, boolean alongX) {
        return lap(wall, from, alongX, false);
    }

    /** How far a wall runs over the corner after its greater end. */
    long lapAfter(Rect wall, long to, boolean alongX) {
        return lap(wall, to, alongX, true);
    }

    private long lap(Rect wall, long end, boolean alongX, boolean after) {
        for (var e : lapped.entrySet()) {
            var post = e.getKey();
            var near = after ? alongX ? post.x0() : post.y0() : alongX ? post.x1() : post.y1();
            if (e.getValue() == alongX && near == end && meets(post, wall)) {
                return alongX ? post.width() : post.depth();
            }
        }
        return 0;
    }
}
