package hausbau.core.survey;

import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import hausbau.core.standing.StandingSet;
import java.util.Arrays;
import java.util.Optional;

/**
 * The shortest way sideways, along one axis and by whole steps, that leads a piece out of another one to where nothing else
 * stands, by boxes. It looks as far as {@value #MOST_STEPS} steps beyond the least way, which is why it is worked out when
 * it is wanted and not with each finding. Cost: at most that many looks into the set's index in each of four directions.
 */
public final class WayOut {

    private static final int MOST_STEPS = 40;

    private final StandingSet set;
    private final long step;

    public WayOut(StandingSet set) {
        this.set = set;
        this.step = set.decisions().massing().settings().step().um();
    }

    /** @return by how much it has to be moved; empty where there is no free place near */
    public Optional<Vec> of(Standing movable, Box from) {
        var box = movable.box();
        var ways = new long[] {
            box.max().x() - from.min().x(), from.max().x() - box.min().x(),
            box.max().y() - from.min().y(), from.max().y() - box.min().y()
        };
        var first = (Arrays.stream(ways).min().orElseThrow() + step - 1) / step;
        for (var steps = first; steps < first + MOST_STEPS; steps++) {
            for (var way = 0; way < ways.length; way++) {
                var by = westEastSouthNorth(way, steps * step);
                if (steps * step >= ways[way] && isFree(movable.place(), box.movedBy(by))) {
                    return Optional.of(by);
                }
            }
        }
        return Optional.empty();
    }

    private static Vec westEastSouthNorth(int way, long far) {
        var by = way % 2 == 0 ? -far : far;
        return way < 2 ? new Vec(by, 0, 0) : new Vec(0, by, 0);
    }

    private boolean isFree(Place own, Box box) {
        var free = new boolean[] {true};
        set.touching(box, (chunk, row) -> {
            if (free[0] && box.overlaps(chunk.box(row))) {
                var place = chunk.place(row);
                free[0] = place.equals(own) || place instanceof Place.OfMoulding;
            }
        });
        return free[0];
    }
}
