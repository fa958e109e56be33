package hausbau.core.fit;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.List;

/**
 * What a kit plan is asked for: the runs to build and the pieces allowed.
 *
 * @param step     every piece is a whole number of steps long; 1 mm to 100 m
 * @param minPiece least piece length; above 0
 * @param maxPiece greatest piece length; not below {@code minPiece}
 * @param maxKinds 1 to 8
 * @param runs     at most 2000; lengths above 0, to 10 km; names to 200 characters
 */
public record KitQuestion(Length step, Length minPiece, Length maxPiece, int maxKinds, List<Run> runs) {

    private static final Length LEAST_STEP = Length.ofMillimetres(1);
    private static final Length GREATEST_STEP = Length.ofMillimetres(100_000);
    private static final Length GREATEST = Length.ofMillimetres(10_000_000);
    private static final int MOST_RUNS = 2000;
    private static final int MOST_KINDS = 8;
    private static final int LONGEST_NAME = 200;

    /** @throws Refused with every fault named, if a bound above is not kept or fixed items overlap or stick out */
    public KitQuestion {
        runs = List.copyOf(runs);
        var faults = new ArrayList<Fault>();
        checkLimits(step, minPiece, maxPiece, maxKinds, faults);
        if (runs.size() > MOST_RUNS) {
            faults.add(new Fault(
                    "runs", "There are " + runs.size() + " runs; at most " + MOST_RUNS + " can be planned at once."));
        } else {
            for (var i = 0; i < runs.size(); i++) {
                checkRun(runs.get(i), "runs[" + i + "]", faults);
            }
        }
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    static void checkLimits(Length step, Length least, Length greatest, int maxKinds, List<Fault> faults) {
        if (step.compareTo(LEAST_STEP) < 0 || step.compareTo(GREATEST_STEP) > 0) {
            faults.add(new Fault("stepMm", "The step must be from 1 to 100000 mm."));
        }
        if (!least.isPositive() || least.compareTo(GREATEST) > 0) {
            faults.add(new Fault("minPieceMm", "The least piece must be above 0 and at most 10 km."));
        }
        if (!greatest.isPositive() || greatest.compareTo(GREATEST) > 0) {
            faults.add(new Fault("maxPieceMm", "The greatest piece must be above 0 and at most 10 km."));
        }
        if (least.compareTo(greatest) > 0) {
            faults.add(new Fault("minPieceMm", "The least piece must not be longer than the greatest."));
        }
        if (maxKinds < 1 || maxKinds > MOST_KINDS) {
            faults.add(new Fault("maxKinds", "The number of kinds must be from 1 to " + MOST_KINDS + "."));
        }
    }

    static void checkName(String name, String field, List<Fault> faults) {
        if (name.length() > LONGEST_NAME) {
            faults.add(new Fault(field, "A name takes at most " + LONGEST_NAME + " characters."));
        }
    }

    private static void checkRun(Run run, String path, List<Fault> faults) {
        checkName(run.name(), path + ".name", faults);
        if (!run.length().isPositive() || run.length().compareTo(GREATEST) > 0) {
            faults.add(new Fault(path + ".lengthMm", "A run's length must be above 0 and at most 10 km."));
            return;
        }
        var end = Length.ZERO;
        for (var j = 0; j < run.fixed().size(); j++) {
            var item = run.fixed().get(j);
            var where = path + ".fixed[" + j + "]";
            checkName(item.piece(), where + ".piece", faults);
            if (!item.length().isPositive()) {
                faults.add(new Fault(where + ".lengthMm", "A fixed item's length must be above 0."));
            } else if (item.at().um() < 0 || item.end().compareTo(run.length()) > 0) {
                faults.add(new Fault(
                        where + ".atMm",
                        "The item from " + item.at() + " to " + item.end() + " sticks out of the run, which is "
                                + run.length() + " long."));
            } else if (item.at().compareTo(end) < 0) {
                faults.add(new Fault(
                        where + ".atMm",
                        "The item begins at " + item.at() + ", before the one in front of it ends at " + end + "."));
            }
            end = Length.max(end, item.end());
        }
    }

    /** Least piece in steps. */
    public long leastSteps() {
        return minPiece.ceilTo(step).um() / step.um();
    }

    /** Greatest piece in steps; below {@link #leastSteps} if no multiple of the step is allowed. */
    public long greatestSteps() {
        return maxPiece.floorTo(step).um() / step.um();
    }
}
