package hausbau.core.standing;

import hausbau.core.fit.KitPlan;
import hausbau.core.fit.KitPlanner;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Moulding;
import hausbau.core.massing.MouldingRun;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Chooses the lengths of a massing's mouldings. All that are made alike share theirs, over all rooms and levels: up to
 * {@value #KINDS} lengths, of which a further one has to save a tenth of the pieces.
 *
 * <p>What is off the step, or shorter than the least length, has an odd piece whatever is chosen, and is left out.
 */
public final class MouldingPlan {

    private static final int KINDS = 3;
    private static final Length LEAST = Length.ofMillimetres(200);
    /** How far the search may go. Counted, not timed: the same site has the same lengths on every machine. */
    private static final long LOOKS = 2_000;
    /** The most stretches of different lengths that are planned for, the longest first. */
    private static final int MOST_RUNS = 500;

    private MouldingPlan() {}

    /** The massing with lengths chosen anew for all of its mouldings. @param greatest length of a piece */
    public static Massing of(Massing massing, Length greatest) {
        if (massing.mouldings().isEmpty()) {
            return massing;
        }
        var runs = new HashMap<Moulding.Make, List<Length>>();
        massing.rooms().stream()
                .flatMap(room -> massing.mouldings(room).stream())
                .forEach(line -> line.runs().stream().map(MouldingRun::length).forEach(length -> runs.computeIfAbsent(
                                line.moulding().make(), m -> new ArrayList<>())
                        .add(length)));
        var lengths = new HashMap<Moulding.Make, List<Length>>();
        runs.forEach((make, all) -> lengths.put(make, lengths(massing.settings().step(), all, greatest)));
        return massing.next(massing.settings(), massing.building().withMouldings(planned(massing, lengths)));
    }

    private static List<Moulding> planned(Massing massing, Map<Moulding.Make, List<Length>> lengths) {
        return massing.mouldings().stream()
                .map(m -> m.of(lengths.getOrDefault(m.make(), List.of())))
                .toList();
    }

    private static List<Length> lengths(Length step, List<Length> all, Length greatest) {
        var least = Length.max(step, LEAST.ceilTo(step));
        var most = Length.max(least, greatest.floorTo(step));
        var runs = all.stream()
                .filter(l -> l.isMultipleOf(step) && l.compareTo(least) >= 0)
                .sorted(Comparator.reverseOrder())
                .limit(MOST_RUNS)
                .map(l -> new Run("", l, List.of()))
                .toList();
        if (runs.isEmpty()) {
            return List.of();
        }
        var plan = KitPlanner.looking(LOOKS).plan(new KitQuestion(step, least, most, KINDS, runs));
        return plan.options().isEmpty() ? withoutShortest(step, runs, least, most) : recommended(plan);
    }

    /** Where no few lengths come to all stretches, those that come to all but the shortest quarter. */
    private static List<Length> withoutShortest(Length step, List<Run> longestFirst, Length least, Length most) {
        var kept = longestFirst.subList(0, longestFirst.size() - (longestFirst.size() + 3) / 4);
        return kept.isEmpty()
                ? List.of()
                : recommended(KitPlanner.looking(LOOKS).plan(new KitQuestion(step, least, most, KINDS, kept)));
    }

    private static List<Length> recommended(KitPlan plan) {
        return plan.recommended().isPresent()
                ? plan.options().get(plan.recommended().getAsInt()).kinds()
                : List.of();
    }
}
