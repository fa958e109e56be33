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
 * One side of a room, ready to be filled.
 *
 * @param panels the opening panels in it, in order
 */
public record WallRun(Room room, Side side, List<Panel> panels) {

    /**
     * The stretch of wall that an opening's panel takes: the opening with its jambs, out to the next step.
     *
     * @param at from the start of the run
     */
    public record Panel(Opening opening, Length at, Length length) {

        public Length end() {
            return at.plus(length);
        }
    }

    public String name() {
        return room.name() + ", " + side.label();
    }

    public Length length() {
        return room.lengthOf(side);
    }

    /** The run as the kit plan sees it. */
    public Run run() {
        return new Run(name(), length(),
                panels.stream().map(p -> new FixedItem(p.opening().kind().label(), p.at(), p.length())).toList());
    }

    /** Whether the run goes from the room's least corner along its axis, and not toward it. */
    public boolean isRising() {
        return side == Side.NORTH || side == Side.WEST;
    }

    /** The pieces for a span in the order in which they stand: the longest at the end that growing rooms leave alone. */
    public List<Length> inOrder(List<Length> longestFirst) {
        var order = new ArrayList<>(longestFirst);
        if (!isRising()) {
            Collections.reverse(order);
        }
        return order;
    }

    /** The place on the floor along the wall's face, this far from the start. */
    public Vec at(Length along) {
        return room.startOf(side).plus(side.turn().apply(new Vec(along.um(), 0, 0)));
    }

    /** A box given along the run (X), outward (Y) and up, in the site. */
    public Box box(long x0, long y0, long z0, long x1, long y1, long z1) {
        return side.turn().apply(Box.of(x0, y0, z0, x1, y1, z1)).movedBy(room.startOf(side));
    }
}
