package hausbau.core.massing;

import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Where openings come to lie when the walls around them were moved onto another step: each slides along its wall so that its panel
 * begins and ends on whole steps, with the opening in the panel's middle. Openings of one size then have one panel. Their sizes stay,
 * unless their wall has become too short or too low for them; two of one wall are slid apart until their panels do not overlap.
 */
final class OpeningsOnStep {

    /** The wall that an opening goes through, whichever of its rooms it belongs to. @param face the lesser of its two faces, µm */
    private record Wall(boolean eastWest, long face) {}

    /**
     * An opening along the axis of its wall, µm.
     *
     * @param before where it began and ended on the old step
     * @param width  of its panel
     */
    private record Along(
            Opening opening, Room room, Wall wall, Outline.Edge edge, Span before, long start, long width) {

        long end() {
            return start + width;
        }

        Along at(long newStart) {
            return new Along(opening, room, wall, edge, before, newStart, width);
        }

        /** Whether the other one lay before it in the same wall, at the same height. */
        boolean follows(Along other) {
            return wall.equals(other.wall) && room.sharesHeightWith(other.room) && other.before.to() <= before.from();
        }
    }

    private record Span(long from, long to) {}

    private final Length step;
    private final SiteSettings settings;
    private final Map<Long, Room> before;
    private final Map<Long, Room> after;

    /**
     * @param settings as they are then
     * @param before   the rooms as they were, by id
     * @param after    the rooms on the step, by id
     */
    OpeningsOnStep(SiteSettings settings, Map<Long, Room> before, Map<Long, Room> after) {
        this.settings = settings;
        this.step = settings.step();
        this.before = before;
        this.after = after;
    }

    /** The openings in their order; what has no wall stays as it is. */
    List<Opening> of(List<Opening> openings) {
        var along = new ArrayList<>(openings.stream()
                .flatMap(o -> along(o).stream())
                .sorted(Comparator.comparingLong((Along a) -> a.before().from())
                        .thenComparingLong(a -> a.opening().id()))
                .toList());
        for (var i = 0; i < along.size(); i++) {
            var one = along.get(i);
            var start = one.start();
            for (var other : along.subList(0, i)) {
                if (follows(one, other)) {
                    start = Math.max(start, other.end());
                }
            }
            along.set(i, one.at(start));
        }
        for (var i = along.size() - 1; i >= 0; i--) {
            var one = along.get(i);
            var start = Math.min(one.start(), one.edge().to() - one.width());
            for (var other : along.subList(i + 1, along.size())) {
                if (follows(other, one)) {
                    start = Math.min(start, other.start() - one.width());
                }
            }
            along.set(i, one.at(start));
        }
        return openings.stream()
                .map(o -> along.stream()
                        .filter(a -> a.opening().id() == o.id())
                        .findFirst()
                        .map(this::opening)
                        .orElse(o))
                .toList();
    }

    /** Whether the other one lay before it in a wall that both go through: of a room as high as both, if not of the same height. */
    private boolean follows(Along one, Along other) {
        return one.wall().equals(other.wall())
                && other.before().to() <= one.before().from()
                && (one.room().sharesHeightWith(other.room())
                        || after.values().stream()
                                .filter(r -> r.sharesHeightWith(one.room()) && r.sharesHeightWith(other.room()))
                                .flatMap(r -> r.outline().edges().stream())
                                .anyMatch(e -> wall(e).equals(one.wall())));
    }

    private Optional<Along> along(Opening opening) {
        var was = before.get(opening.roomId());
        var is = after.get(opening.roomId());
        if (was == null || is == null) {
            return Optional.empty();
        }
        var edge = is.outline().edge(opening.edge());
        return was.outline()
                .edge(opening.edge())
                .flatMap(old -> edge.map(e -> {
                    var moved = opening.following(was.outline(), is.outline());
                    var panel = Math.min(
                            opening.width()
                                    .plus(Panels.JAMB.times(2))
                                    .ceilTo(step)
                                    .um(),
                            e.length());
                    var start = new Length(
                                    from(e, moved.at().um(), opening.width().um())
                                            + opening.width().um() / 2
                                            - panel / 2)
                            .roundTo(step)
                            .um();
                    var from = from(old, opening.at().um(), opening.width().um());
                    return new Along(
                            opening,
                            is,
                            wall(e),
                            e,
                            new Span(from, from + opening.width().um()),
                            Math.max(e.from(), Math.min(start, e.to() - panel)),
                            panel);
                }));
    }

    private Wall wall(Outline.Edge edge) {
        var thick = edge.wall(settings.wall().um());
        var isOutward = edge.side() == Side.NORTH || edge.side() == Side.EAST;
        return new Wall(edge.side().runsEastWest(), isOutward ? edge.line() : edge.line() - thick);
    }

    /** Whether its left end seen from inside is its lesser one. */
    private static boolean rises(Outline.Edge edge) {
        return edge.x1() > edge.x0() || edge.y1() > edge.y0();
    }

    /** Where what begins so far from an edge's left end begins along its axis; and the other way round. */
    private static long from(Outline.Edge edge, long at, long width) {
        return rises(edge) ? edge.from() + at : edge.to() - at - width;
    }

    private Opening opening(Along a) {
        var o = a.opening();
        var width = Length.min(o.width(), Length.max(step, new Length(a.width()).minus(Panels.JAMB.times(2))));
        var start = a.start() + (a.width() - width.um()) / 2;
        var at = rises(a.edge()) ? start - a.edge().from() : a.edge().to() - start - width.um();
        var head = Length.min(o.head(), a.room().height().minus(Panels.JAMB));
        return new Opening(
                o.id(),
                o.roomId(),
                o.kind(),
                o.edge(),
                new Length(at),
                width,
                head.minus(o.sill()),
                o.sill(),
                o.hold());
    }
}
