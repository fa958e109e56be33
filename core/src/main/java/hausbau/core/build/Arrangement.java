package hausbau.core.build;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.List;

/**
 * What a hand does with several placements together: a move, quarter turns, a mirroring, in this order. All of it is
 * exact.
 *
 * <p>One placement turns about its pivot; several turn about the middle of their extent, taken to the nearest step, so
 * that what stood on the grid stays on it. Mirroring exchanges left and right within each piece.
 *
 * @param quarterTurns counter-clockwise; may be negative
 */
public record Arrangement(Vec by, int quarterTurns, boolean mirror) {

    /** What it does, as the undo button names it. */
    public String verb() {
        if (quarterTurns != 0) {
            return "Turn";
        }
        return mirror ? "Mirror" : "Move";
    }

    /** Where each comes to stand, in the order given. */
    public List<Stance> apply(List<PlacedPiece> placed, Length step) {
        var about = placed.size() == 1 ? placed.get(0).placement().stance().at().plus(by) : middle(placed, step).plus(by);
        return placed.stream().map(p -> apply(p.placement().stance(), about)).toList();
    }

    private Stance apply(Stance from, Vec about) {
        var turn = from.turn().plus(quarterTurns);
        var spin = turn.plus(-from.turn().quarters());
        var at = about.plus(spin.apply(from.at().plus(by).minus(about)));
        return new Stance(at, turn, from.mirrored() != mirror, from.freeDegrees());
    }

    private static Vec middle(List<PlacedPiece> placed, Length step) {
        var extent = placed.stream().map(PlacedPiece::box).reduce(Box::union).orElseThrow();
        var x = new Length((extent.min().x() + extent.max().x()) / 2).roundTo(step);
        var y = new Length((extent.min().y() + extent.max().y()) / 2).roundTo(step);
        return new Vec(x.um(), y.um(), 0);
    }
}
