package hausbau.core.massing;

import hausbau.core.measure.Length;
import java.util.Collection;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Where the edges of a building come to lie along one axis when each is moved to a whole number of steps: to the nearest, but as
 * far apart as the walls between them are then thick, in the order that they were in, and never onto one another.
 *
 * <p>What lies nearest to zero is placed first and the others outward from there, so that zero stays zero. Cost: n log n.
 */
final class AxisOnStep {

    private final Length step;
    private final SortedSet<Long> walls;
    private final TreeMap<Long, Long> moved = new TreeMap<>();

    /**
     * @param edges where they lie, µm
     * @param walls how thick the walls between them are, µm
     */
    AxisOnStep(Length step, Collection<Long> edges, Set<Long> walls) {
        this.step = step;
        this.walls = new TreeSet<>(walls);
        var all = new TreeSet<>(edges);
        all.tailSet(0L, true).forEach(this::placeAbove);
        all.headSet(0L, false).descendingSet().forEach(this::placeBelow);
    }

    private void placeAbove(long edge) {
        var at = round(edge);
        for (var wall : walls) {
            if (moved.containsKey(edge - wall)) {
                at = at(edge - wall) + thickness(wall);
            }
        }
        moved.put(edge, moved.isEmpty() ? at : Math.max(at, moved.lastEntry().getValue() + step.um()));
    }

    private void placeBelow(long edge) {
        var at = round(edge);
        for (var wall : walls) {
            if (moved.containsKey(edge + wall)) {
                at = at(edge + wall) - thickness(wall);
            }
        }
        moved.put(edge, moved.isEmpty() ? at : Math.min(at, moved.firstEntry().getValue() - step.um()));
    }

    private long round(long v) {
        return new Length(v).roundTo(step).um();
    }

    /** A wall's thickness on the step; at least one. */
    long thickness(long wall) {
        return Math.max(step.um(), round(wall));
    }

    /** Where an edge comes to lie; what is no edge goes along with the one next to it. */
    long at(long v) {
        var below = moved.floorEntry(v);
        var above = moved.ceilingEntry(v);
        if (below == null && above == null) {
            return v;
        }
        var near = below == null || above != null && above.getKey() - v < v - below.getKey() ? above : below;
        return v + near.getValue() - near.getKey();
    }
}
