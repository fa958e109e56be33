package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;

/** Answers a {@link KitQuestion}: the fewest placements for each number of kinds. */
public final class KitPlanner {

    /** Makes what is asked now and then whether to stop, from the number of kinds searched for and the most there will be. */
    private interface Patience {
        BooleanSupplier stopFor(int kinds, int maxKinds);
    }

    private final Patience patience;

    private KitPlanner(Patience patience) {
        this.patience = patience;
    }

    /**
     * @param patience  how long to search in all; what is found by then is given, marked as not proven
     * @param cancelled asked now and then whether nobody wants the answer any more
     */
    public KitPlanner(Duration patience, BooleanSupplier cancelled) {
        this(byTheClock(System.nanoTime() + patience.toNanos(), cancelled));
    }

    public KitPlanner(Duration patience) {
        this(patience, () -> false);
    }

    /** A planner that gives up after so many looks in place of a time, so that the same question always has the same answer. */
    public static KitPlanner looking(long looks) {
        var left = new long[] {looks};
        return new KitPlanner((kinds, maxKinds) -> () -> --left[0] < 0);
    }

    /** Each further number of kinds may use half of the time that is left, the last one all of it. */
    private static Patience byTheClock(long deadline, BooleanSupplier cancelled) {
        return (kinds, maxKinds) -> {
            var now = System.nanoTime();
            var left = Math.max(0, deadline - now);
            var until = kinds == maxKinds ? deadline : now + left / 2;
            return () -> System.nanoTime() - until >= 0 || cancelled.getAsBoolean();
        };
    }

    public KitPlan plan(KitQuestion question) {
        var unfillable = unfillable(question);
        if (!unfillable.isEmpty()) {
            return new KitPlan(List.of(), KitPlan.recommend(List.of()), unfillable);
        }
        var options = options(question);
        return new KitPlan(options, KitPlan.recommend(options), List.of());
    }

    private List<KitPlan.Option> options(KitQuestion question) {
        var counts = new TreeMap<Integer, Long>();
        for (var run : question.runs()) {
            for (var span : run.spans()) {
                counts.merge(
                        Math.toIntExact(span.length().um() / question.step().um()), 1L, Long::sum);
            }
        }
        if (counts.isEmpty()) {
            return List.of(new KitPlan.Option(List.of(), 0, true));
        }
        var stretches = counts.keySet().stream().map(Stretch::of).toList();
        var weights = counts.values().stream().mapToLong(Long::longValue).toArray();
        // Nothing longer than the longest span is of use.
        var allowed = AllowedLengths.between(
                Math.toIntExact(Math.min(question.leastSteps(), counts.lastKey() + 1L)),
                Math.toIntExact(Math.min(question.greatestSteps(), counts.lastKey())));
        var options = new ArrayList<KitPlan.Option>();
        var known = new KindSearch.Found(List.of(), KindSearch.NONE, true);
        for (var kinds = 1; kinds <= question.maxKinds(); kinds++) {
            var before = known.placements();
            var search = new KindSearch(
                    stretches, weights, allowed, new int[0], patience.stopFor(kinds, question.maxKinds()));
            known = search.search(kinds, known);
            if (known.placements() < before) {
                var lengths = known.kinds().stream()
                        .map(k -> question.step().times(k))
                        .toList();
                options.add(new KitPlan.Option(lengths, known.placements(), known.proven()));
            }
        }
        return options;
    }

    /** The spans that no allowed piece or pieces can fill. */
    private static List<KitPlan.Unfillable> unfillable(KitQuestion question) {
        var found = new ArrayList<KitPlan.Unfillable>();
        for (var run : question.runs()) {
            for (var span : run.spans()) {
                if (!canBeFilled(question, span.length())) {
                    found.add(new KitPlan.Unfillable(
                            run.name(),
                            span,
                            nearest(question, span.length().floorTo(question.step()), -1),
                            nearest(question, span.length().ceilTo(question.step()), 1)));
                }
            }
        }
        return found;
    }

    /**
     * Whether some number n of allowed pieces comes to the length: n × least ≤ length ≤ n × greatest, on the step. All
     * sums in between can be had, since any piece may be a step longer.
     */
    public static boolean canBeFilled(KitQuestion question, Length span) {
        var least = question.leastSteps();
        var greatest = question.greatestSteps();
        if (least > greatest || !span.isMultipleOf(question.step())) {
            return false;
        }
        var steps = span.um() / question.step().um();
        var n = (steps + greatest - 1) / greatest;
        return n > 0 && n * least <= steps;
    }

    /** The nearest length in that direction that can be filled, or zero if there is none. */
    private static Length nearest(KitQuestion question, Length from, int direction) {
        var least = question.leastSteps();
        var greatest = question.greatestSteps();
        var steps = from.um() / question.step().um();
        if (least > greatest) {
            return Length.ZERO;
        }
        var n = Math.max(1, (steps + greatest - 1) / greatest);
        if (steps > 0 && n * least <= steps) {
            return from;
        }
        // The lengths that can be filled lie in bands [m·least, m·greatest]; steps lies in the hole below band n.
        var answer = direction > 0 ? n * least : (n - 1) * greatest;
        return question.step().times(answer);
    }
}
