package hausbau.core.fit;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.List;

/**
 * What a plan in tiers is asked for: walls to stack, and the pieces allowed.
 *
 * @param step     lengths and heights of pieces are whole numbers of it; 1 mm to 100 m
 * @param minPiece least and
 * @param maxPiece greatest length of a piece; above 0, to 10 km
 * @param minTier  least and
 * @param maxTier  greatest height of a tier; above 0, to 10 km
 * @param maxKinds 1 to 8
 * @param walls    at most 2000; lengths and heights above 0, to 10 km; names to 200 characters
 */
public record TierQuestion(
        Length step,
        Length minPiece,
        Length maxPiece,
        Length minTier,
        Length maxTier,
        int maxKinds,
        List<TierWall> walls) {

    private static final Length GREATEST = Length.ofMillimetres(10_000_000);
    private static final int MOST_WALLS = 2000;
    private static final int MOST_OPENINGS = 200;

    /** @throws Refused with every fault named, if a bound above is not kept or openings overlap or stick out */
    public TierQuestion {
        walls = List.copyOf(walls);
        var faults = new ArrayList<Fault>();
        KitQuestion.checkLimits(step, minPiece, maxPiece, maxKinds, faults);
        checkTier(minTier, "minTierMm", "least", faults);
        checkTier(maxTier, "maxTierMm", "greatest", faults);
        if (minTier.compareTo(maxTier) > 0) {
            faults.add(new Fault("minTierMm", "The least tier must not be higher than the greatest."));
        }
        if (walls.size() > MOST_WALLS) {
            faults.add(new Fault(
                    "walls",
                    "There are " + walls.size() + " walls; at most " + MOST_WALLS + " can be planned at once."));
        } else {
            for (var i = 0; i < walls.size(); i++) {
                checkWall(walls.get(i), "walls[" + i + "]", faults);
            }
        }
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    private static void checkTier(Length height, String field, String which, List<Fault> faults) {
        if (!height.isPositive() || height.compareTo(GREATEST) > 0) {
            faults.add(new Fault(field, "The " + which + " tier must be above 0 and at most 10 km high."));
        }
    }

    private static void checkWall(TierWall wall, String path, List<Fault> faults) {
        KitQuestion.checkName(wall.name(), path + ".name", faults);
        if (!wall.length().isPositive() || wall.length().compareTo(GREATEST) > 0) {
            faults.add(new Fault(path + ".lengthMm", "A wall's length must be above 0 and at most 10 km."));
        }
        if (!wall.height().isPositive() || wall.height().compareTo(GREATEST) > 0) {
            faults.add(new Fault(path + ".heightMm", "A wall's height must be above 0 and at most 10 km."));
        }
        var openings = wall.openings();
        if (openings.size() > MOST_OPENINGS) {
            faults.add(new Fault(path + ".openings", "A wall has at most " + MOST_OPENINGS + " openings."));
            return;
        }
        for (var i = 0; i < openings.size(); i++) {
            checkOpening(wall, i, path + ".openings[" + i + "]", faults);
        }
    }

    private static void checkOpening(TierWall wall, int number, String where, List<Fault> faults) {
        var opening = wall.openings().get(number);
        if (!opening.length().isPositive()) {
            faults.add(new Fault(where + ".lengthMm", "An opening's length must be above 0."));
        }
        if (!opening.height().isPositive()) {
            faults.add(new Fault(where + ".heightMm", "An opening's height must be above 0."));
        }
        if (opening.at().um() < 0 || opening.end().compareTo(wall.length()) > 0) {
            faults.add(new Fault(
                    where + ".atMm",
                    "The opening from " + opening.at() + " to " + opening.end() + " sticks out of the wall, which is "
                            + wall.length() + " long."));
        }
        if (opening.sill().um() < 0 || opening.head().compareTo(wall.height()) > 0) {
            faults.add(new Fault(
                    where + ".sillMm",
                    "The opening from " + opening.sill() + " to " + opening.head()
                            + " sticks out of the wall, which is " + wall.height() + " high."));
        }
        for (var other = 0; other < number; other++) {
            if (opening.overlaps(wall.openings().get(other))) {
                faults.add(new Fault(where, "The opening meets opening " + other + " of the same wall."));
                return;
            }
        }
    }

    /** Least piece in steps. */
    int leastPiece() {
        return steps(minPiece.ceilTo(step));
    }

    /** Greatest piece in steps; below {@link #leastPiece} if no multiple of the step is allowed. */
    int greatestPiece() {
        return steps(maxPiece.floorTo(step));
    }

    int leastTier() {
        return steps(minTier.ceilTo(step));
    }

    int greatestTier() {
        return steps(maxTier.floorTo(step));
    }

    private int steps(Length length) {
        return Math.toIntExact(length.um() / step.um());
    }
}
