package hausbau.core.massing;

import hausbau.core.fit.FixedItem;
import hausbau.core.fit.Run;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * One straight stretch of a room's wall, from post to post, ready to be filled.
 *
 * @param room   whose face it is
 * @param edge   the number of the outline's edge that it lies on
 * @param tier   where on that edge
 * @param name   what a person calls it
 * @param start  its left end seen from inside, on the wall's face, at the wall's foot
 * @param depth  how thick its pieces are: the whole wall, or one of its two skins
 * @param height of its pieces
 * @param laps   how much of it lies across the corners at its ends
 * @param panels the opening panels in it, in order
 * @param dressing what it sees on each side
 * @param whole  whether its pieces reach from floor to ceiling, whatever joints the kit has
 */
public record WallRun(
        long room,
        int edge,
        Tier tier,
        String name,
        Side side,
        Vec start,
        Length length,
        Length depth,
        Length height,
        Laps laps,
        List<Panel> panels,
        Dressing dressing,
        boolean whole) {

    /** How much of a run lies across the corner at its start, and at its end. */
    public record Laps(Length start, Length end) {

        public static final Laps NONE = new Laps(Length.ZERO, Length.ZERO);
    }

    /** A wall, or the face above or below a room that this one opens into. */
    public enum Tier {
        WALL,
        ABOVE,
        BELOW
    }

    /**
     * The stretch of wall that an opening's panel takes: the opening with its jambs, out to the next step.
     *
     * @param from   where the clear opening begins, from the start of the run
     * @param sill   the clear opening's lower edge above the foot of the wall
     * @param at     where the panel begins, from the start of the run
     * @param length of the panel
     */
    public record Panel(Opening opening, Length from, Length sill, Length at, Length length) {

        public Length end() {
            return at.plus(length);
        }

        Panel over(Length newAt, Length newEnd) {
            return new Panel(opening, from, sill, newAt, newEnd.minus(newAt));
        }

        /** The clear opening's end. */
        public Length to() {
            return from.plus(opening.width());
        }

        public Length head() {
            return sill.plus(opening.height());
        }

        /** Whether a panel from this far above the wall's foot holds the opening: a threshold lies on it, a sill has wall below. */
        public boolean canBeginAt(Length foot) {
            return opening.kind() != Opening.Kind.WINDOW && foot.equals(sill)
                    || foot.plus(Panels.JAMB).compareTo(sill) <= 0;
        }

        /** The highest foot of a panel that holds the opening, in whole steps above the wall's foot. */
        public Length highestFoot(Length step) {
            return opening.kind() != Opening.Kind.WINDOW && sill.isMultipleOf(step)
                    ? sill
                    : Length.max(Length.ZERO, sill.minus(Panels.JAMB)).floorTo(step);
        }

        /** The lowest top of a panel that holds the opening, in whole steps above the wall's foot. */
        public Length lowestTop(Length step) {
            return head().plus(Panels.JAMB).ceilTo(step);
        }

        /** Whether a panel up to this far above the wall's foot has wall enough over the opening. */
        public boolean canEndAt(Length top) {
            return head().plus(Panels.JAMB).compareTo(top) <= 0;
        }
    }

    /** The run as the kit plan sees it. */
    public Run run() {
        return new Run(
                name,
                length,
                panels.stream()
                        .map(p -> new FixedItem(p.opening().kind().label(), p.at(), p.length()))
                        .toList());
    }

    /** The same with these panels in it. */
    public WallRun with(List<Panel> others) {
        return new WallRun(room, edge, tier, name, side, start, length, depth, height, laps, others, dressing, whole);
    }

    /**
     * The same with panels that take what is too short for a piece beside them: of what lies between two the left one. What lies
     * across a corner stays.
     *
     * @param least length of a piece
     */
    public WallRun withoutSlivers(Length least) {
        var wider = new ArrayList<Panel>();
        for (var i = 0; i < panels.size(); i++) {
            var panel = panels.get(i);
            var isFirst = i == 0;
            var before = isFirst ? Length.ZERO : wider.get(i - 1).end();
            var after = i + 1 == panels.size() ? length : panels.get(i + 1).at();
            var takesBefore = isFirst && !laps.start().isPositive() && isSliver(before, panel.at(), least);
            var takesAfter = (i + 1 < panels.size() || !laps.end().isPositive()) && isSliver(panel.end(), after, least);
            wider.add(panel.over(takesBefore ? before : panel.at(), takesAfter ? after : panel.end()));
        }
        return with(wider);
    }

    /**
     * The same with panels that take in so much wall on either side of the clear opening, out to the next step, as far as the next
     * panel and the corner leave room.
     */
    public WallRun withJambs(Length jamb, Length step) {
        if (!jamb.isPositive()) {
            return this;
        }
        var wider = new ArrayList<Panel>();
        for (var i = 0; i < panels.size(); i++) {
            var panel = panels.get(i);
            var least = i == 0 ? laps.start() : wider.get(i - 1).end();
            var most = i + 1 == panels.size()
                    ? length.minus(laps.end())
                    : panels.get(i + 1).at();
            var from = Length.max(least, panel.from().minus(jamb).floorTo(step));
            var to = Length.min(most, panel.to().plus(jamb).ceilTo(step));
            wider.add(panel.over(Length.min(from, panel.at()), Length.max(to, panel.end())));
        }
        return with(wider);
    }

    private static boolean isSliver(Length from, Length to, Length least) {
        return from.compareTo(to) < 0 && to.minus(from).compareTo(least) < 0;
    }

    /** Whether the run goes along its axis, and not against it. */
    public boolean isRising() {
        return side.isRising();
    }

    /** The pieces for a span in the order in which they stand: the longest at the end that growing rooms leave alone. */
    public List<Length> inOrder(List<Length> longestFirst) {
        var order = new ArrayList<>(longestFirst);
        if (!isRising()) {
            Collections.reverse(order);
        }
        return order;
    }

    /** The place at the wall's foot along its face, this far from the start. */
    public Vec at(Length along) {
        return start.plus(side.turn().apply(new Vec(along.um(), 0, 0)));
    }

    /** A box given along the run (X), outward (Y) and up, in the site. */
    public Box box(long x0, long y0, long z0, long x1, long y1, long z1) {
        return side.turn().apply(Box.of(x0, y0, z0, x1, y1, z1)).movedBy(start);
    }

    /** All of it. */
    public Box box() {
        return box(0, 0, 0, length.um(), depth.um(), height.um());
    }

    /** The clear opening of a panel, through the run's depth. */
    public Box gap(Panel panel) {
        return box(
                panel.from().um(),
                0,
                panel.sill().um(),
                panel.to().um(),
                depth.um(),
                panel.head().um());
    }
}
