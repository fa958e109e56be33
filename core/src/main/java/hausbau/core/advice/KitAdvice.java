package hausbau.core.advice;

import hausbau.core.massing.Level;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Refused;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.PlanMemory;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.function.ToLongFunction;

/**
 * Finds changes of a building that make its kit smaller: rooms up to two steps higher, lower, longer or shorter, alone or all of
 * one height; levels up to two steps higher or lower, with all that is on them; rooms of one pattern under another; openings up to
 * two steps to the left or right; openings of a size that there is already, alone or all of one size; and pairs of those that do not help alone. For each the kit is planned again from the whole building; what saves is
 * built and checked, and left out if that finds more faults than there were.
 *
 * <p>Cost: one plan for each room and opening, times four and more; spans that a change leaves alone are not searched again.
 */
public final class KitAdvice {

    private static final int REACH = 2;
    private static final int MOST = 12;
    /** Of so many changes that do not help alone pairs are tried. */
    private static final int PAIRED = 12;
    /** Share of the work that changes of one thing take. */
    private static final double SINGLE = 0.85;

    /**
     * @param kindsSaved      how many kinds fewer the smallest kit has
     * @param kinds           of walls, posts and panels that the smallest kit has then
     * @param placementsSaved how many pieces fewer a kit of as many kinds as the one that is recommended now has; below 0 if more
     */
    public record Advice(Change change, int kindsSaved, int kinds, long placementsSaved) {}

    private final Decisions decisions;
    private final Massing massing;
    private final KitRules rules;
    private final BooleanSupplier stop;
    private final PlanMemory memory;

    private final List<Level> levels;

    private KitAdvice(StandingSet set, List<Level> levels, KitRules rules, BooleanSupplier stop) {
        this.levels = levels;
        this.decisions = set.decisions();
        this.massing = decisions.massing();
        this.rules = rules;
        this.stop = stop;
        memory = PlanMemory.of(set, rules);
    }

    /**
     * What saves the most kinds first, of those that save as many what changes the fewest things.
     *
     * @param levels  of the site
     * @param faults  counts what is wrong with a set
     * @param stop    asked now and then whether to give up; what is found by then is given
     * @param reached told how much of the work is done, 0 to 1
     */
    public static List<Advice> of(
            StandingSet set,
            List<Level> levels,
            KitRules rules,
            ToLongFunction<StandingSet> faults,
            BooleanSupplier stop,
            DoubleConsumer reached) {
        return new KitAdvice(set, levels, rules, stop).find(set, faults, reached);
    }

    private record Worked(Advice advice, Massing massing, KitOptions.Option option) {}

    private List<Advice> find(StandingSet set, ToLongFunction<StandingSet> faults, DoubleConsumer reached) {
        var now = KitOptions.of(massing, memory, stop);
        if (now.isEmpty()) {
            return List.of();
        }
        var worked = new ArrayList<Worked>();
        var changes = Changes.of(massing, levels, REACH);
        var misses = new ArrayList<Worked>();
        var done = 0;
        for (var change : changes) {
            if (stop.getAsBoolean()) {
                break;
            }
            reached.accept(SINGLE * done++ / changes.size());
            work(change, now).ifPresent(w -> (saves(w) ? worked : misses).add(w));
        }
        pairs(misses, now, worked, reached);
        worked.sort(Comparator.comparingInt((Worked w) -> -w.advice().kindsSaved())
                .thenComparingInt(w -> w.advice().change().parts().size())
                .thenComparingLong(w -> -w.advice().placementsSaved())
                .thenComparingLong(w -> w.advice().change().size()));
        var usual = faults.applyAsLong(set.next(decisions.with(now.get(0).choice())));
        var found = new ArrayList<Advice>();
        for (var w : worked) {
            var then = decisions.with(w.massing()).with(w.option().choice());
            if (found.size() < MOST
                    && found.stream().noneMatch(a -> isNoWorse(a, w.advice()))
                    && faults.applyAsLong(set.next(then)) <= usual) {
                found.add(w.advice());
            }
        }
        return found;
    }

    /** Whether one saves as much as another and changes nothing that the other leaves alone. */
    private static boolean isNoWorse(Advice one, Advice other) {
        return one.kindsSaved() >= other.kindsSaved() && Changes.coversAll(other.change(), one.change());
    }

    /** Tries two changes together that do not help alone, those that miss by the least first. */
    private void pairs(List<Worked> misses, List<KitOptions.Option> now, List<Worked> worked, DoubleConsumer reached) {
        var near = misses.stream()
                .sorted(Comparator.comparingInt((Worked w) -> -w.advice().kindsSaved())
                        .thenComparingLong(w -> -w.advice().placementsSaved())
                        .thenComparingLong(w -> w.advice().change().size()))
                .limit(PAIRED)
                .map(w -> w.advice().change())
                .toList();
        for (var i = 0; i < near.size(); i++) {
            reached.accept(SINGLE + (1 - SINGLE) * i / near.size());
            for (var j = 0; j < i && !stop.getAsBoolean(); j++) {
                if (Changes.areOfDifferentThings(near.get(i), near.get(j))) {
                    work(Change.Together.of(List.of(near.get(j), near.get(i))), now)
                            .filter(KitAdvice::saves)
                            .ifPresent(worked::add);
                }
            }
        }
    }

    private static boolean saves(Worked worked) {
        return worked.advice().kindsSaved() > 0
                || worked.advice().kindsSaved() == 0 && worked.advice().placementsSaved() > 0;
    }

    /** Empty where it cannot be done, or needs more kinds than the recommended kit has now. */
    private Optional<Worked> work(Change change, List<KitOptions.Option> now) {
        try {
            var changed = massing.next(massing.settings(), change.in(massing.building()));
            if (panels(changed) != panels(massing)) {
                return Optional.empty();
            }
            // What has more kinds than the recommended one has now is of no interest.
            var usual = KitOptions.recommended(rules, now).kinds();
            var then = KitOptions.of(changed, memory, usual, stop);
            if (then.isEmpty()) {
                return Optional.empty();
            }
            var kinds = now.get(0).kinds() - then.get(0).kinds();
            var placements = fewest(now, usual) - fewest(then, usual);
            return Optional.of(
                    new Worked(new Advice(change, kinds, then.get(0).kinds(), placements), changed, then.get(0)));
        } catch (Refused e) {
            return Optional.empty();
        }
    }

    private static long panels(Massing of) {
        return of.runs().stream()
                .map(WallRun::panels)
                .flatMap(List::stream)
                .map(WallRun.Panel::opening)
                .map(Opening::id)
                .distinct()
                .count();
    }

    private static long fewest(List<KitOptions.Option> options, int kinds) {
        return options.stream()
                .filter(o -> o.kinds() <= kinds)
                .mapToLong(KitOptions.Option::placements)
                .min()
                .orElse(options.get(0).placements());
    }
}
