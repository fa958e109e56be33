package hausbau.core.survey;

import hausbau.core.build.PlacedPiece;
import hausbau.core.build.Placement.Origin;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Pairs of placements whose solids share volume. Cost: O(n log n) and the pairs whose boxes touch. */
final class Overlaps {

    private final SurveyedSet set;
    private final List<Finding> found = new ArrayList<>();

    private Overlaps(SurveyedSet set) {
        this.set = set;
    }

    static List<Finding> in(SurveyedSet set) {
        var overlaps = new Overlaps(set);
        for (var i = 0; i < set.placed().size(); i++) {
            var first = i;
            set.index().touching(set.boxes().get(i), second -> {
                if (first < second && set.boxes().get(first).overlaps(set.boxes().get(second))) {
                    overlaps.compare(set.placed().get(first), set.placed().get(second));
                }
            });
        }
        return overlaps.found;
    }

    private void compare(PlacedPiece a, PlacedPiece b) {
        var exact = a.placement().stance().isExact() && b.placement().stance().isExact();
        var shared = exact ? sharedExactly(a, b) : sharedFreely(a, b);
        if (shared == null) {
            return;
        }
        var unit = set.massing().settings().unit();
        var size = shared.size();
        var deep = new Length(Math.min(size.x(), Math.min(size.y(), size.z())));
        var same = a.piece().equals(b.piece()) && a.placement().stance().equals(b.placement().stance());
        var title = same ? a.piece().code() + " stands twice in one place"
                : a.piece().code() + " and " + b.piece().code() + " overlap";
        var reason = (same ? "Both stand exactly alike." : "They share " + unit.format(deep) + " where they meet"
                + (exact ? "." : ", by their freely turned outlines.")) + " " + Finding.Kind.OVERLAP.why();
        found.add(new Finding("overlap-" + a.id() + "-" + b.id(), Finding.Kind.OVERLAP, title, reason,
                List.of(a.id(), b.id()), shared, fix(a, b, same)));
    }

    /** The first pair of solids that share volume decides. */
    private static Box sharedExactly(PlacedPiece a, PlacedPiece b) {
        var others = b.solids();
        for (var mine : a.solids()) {
            for (var theirs : others) {
                if (mine.overlaps(theirs)) {
                    return mine.intersection(theirs);
                }
            }
        }
        return null;
    }

    private static Box sharedFreely(PlacedPiece a, PlacedPiece b) {
        var stanceA = a.placement().stance();
        var stanceB = b.placement().stance();
        var pieceSolidsA = a.piece().solids();
        var pieceSolidsB = b.piece().solids();
        var solidsA = a.solids();
        var solidsB = b.solids();
        for (var i = 0; i < solidsA.size(); i++) {
            for (var j = 0; j < solidsB.size(); j++) {
                if (solidsA.get(i).overlaps(solidsB.get(j)) && Footprints.overlap(
                        stanceA.footprint(pieceSolidsA.get(i).box(), a.piece()), stanceB.footprint(pieceSolidsB.get(j).box(), b.piece()))) {
                    return solidsA.get(i).intersection(solidsB.get(j));
                }
            }
        }
        return null;
    }

    /** A doubled placement goes; a hand-set one is moved out sideways if that takes less than a step. */
    private Optional<Finding.Fix> fix(PlacedPiece a, PlacedPiece b, boolean same) {
        var movable = b.placement().origin() == Origin.HAND ? b : a;
        var other = movable == b ? a : b;
        if (movable.placement().origin() != Origin.HAND) {
            return Optional.empty();
        }
        if (same) {
            return Optional.of(new Finding.Fix.Remove("Take the second one away", movable.id()));
        }
        var by = wayOut(movable.box(), other.box());
        if (Math.abs(by.x()) + Math.abs(by.y()) > set.massing().settings().step().um()) {
            return Optional.empty();
        }
        return Optional.of(new Finding.Fix.Move("Move " + movable.piece().code() + " clear of it", movable.id(), by));
    }

    private static Vec wayOut(Box box, Box from) {
        long[] ways = {from.min().x() - box.max().x(), from.max().x() - box.min().x(),
            from.min().y() - box.max().y(), from.max().y() - box.min().y()};
        var best = 0;
        for (var i = 1; i < 4; i++) {
            if (Math.abs(ways[i]) < Math.abs(ways[best])) {
                best = i;
            }
        }
        return best < 2 ? new Vec(ways[best], 0, 0) : new Vec(0, ways[best], 0);
    }
}
