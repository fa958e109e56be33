package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;

/**
 * The plan of a massing, measured: what is cut is filled (poché), and each side has its chain of dimensions.
 *
 * @param walls    the wall that stands at eye height or below a sill, as boxes
 * @param openings the gaps in it
 * @param chains   outside each wall, from left to right seen from inside
 */
public record Drawing(List<Box> walls, List<Gap> openings, List<Chain> chains) {

    /** An opening as the plan shows it: through the whole wall. */
    public record Gap(Opening opening, Box box) {
    }

    /**
     * @param from  where the run begins, on the wall's face
     * @param to    where it ends
     * @param ticks distances from the start at which the chain is cut, first 0, last the whole length
     */
    public record Chain(long roomId, Side side, Vec from, Vec to, List<Length> ticks) {
    }

    public static Drawing of(Massing massing) {
        var walls = new ArrayList<Box>();
        var gaps = new ArrayList<Gap>();
        var chains = new ArrayList<Chain>();
        var wall = massing.settings().wall().um();
        for (var run : massing.runs()) {
            var height = run.room().height().um();
            var ticks = new ArrayList<>(List.of(Length.ZERO));
            // The wall runs on into the corner before it, so that every corner is drawn once.
            var at = -wall;
            for (var panel : run.panels()) {
                var opening = panel.opening();
                walls.add(run.box(at, 0, 0, opening.at().um(), wall, height));
                gaps.add(new Gap(opening, run.box(opening.at().um(), 0, opening.sill().um(),
                        opening.end().um(), wall, opening.head().um())));
                ticks.add(opening.at());
                ticks.add(opening.end());
                at = opening.end().um();
            }
            walls.add(run.box(at, 0, 0, run.length().um(), wall, height));
            ticks.add(run.length());
            chains.add(new Chain(run.room().id(), run.side(), run.at(Length.ZERO), run.at(run.length()), ticks));
        }
        return new Drawing(walls, gaps, chains);
    }
}
