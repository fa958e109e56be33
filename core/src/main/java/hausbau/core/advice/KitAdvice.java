package hausbau.core.advice;

import hausbau.core.kit.Kind;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
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
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.function.ToLongFunction;

/**
 * Finds changes of a building that make its kit smaller: rooms up to two steps higher or lower, openings up to two steps to the
 * left or right, openings of a size that there is already. For each the kit is planned again from the whole building; what saves is
 * built and checked, and left out if that finds more faults than there were.
 *
 * <p>Cost: one plan for each room and opening, times four and more; spans that a change leaves alone are not searched again.
 */
public final class KitAdvice {

    private static final int REACH = 2;
    private static final int MOST = 12;

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

    private KitAdvice(Decisions decisions, KitRules rules, Set<Kind> kept, BooleanSupplier stop) {
        this.decisions = decisions;
        this.massing = decisions.massing();
        this.rules = rules;
        this.stop = stop;
        memory = new PlanMemory(massing.settings().step(), rules, kept);
    }

    /**
     * What saves the most kinds first.
     *
     * @param faults  counts what is wrong with a set
     * @param stop    asked now and then whether to give up; what is found by then is given
     * @param reached told how much of the work is done, 0 to 1
     */
    public static List<Advice> of(
            StandingSet set,
            KitRules rules,
            ToLongFunction<StandingSet> faults,
            BooleanSupplier stop,
            DoubleConsumer reached) {
        var kept = rules.keeps() ? set.derivedCounts().keySet() : Set.<Kind>of();
        return new KitAdvice(set.decisions(), rules, kept, stop).find(set, faults, reached);
    }

    private record Worked(Advice advice, Massing massing, KitOptions.Option option) {}

    private List<Advice> find(StandingSet set, ToLongFunction<StandingSet> faults, DoubleConsumer reached) {
        var now = KitOptions.of(massing, memory, stop);
        if (now.isEmpty()) {
            return List.of();
        }
        var changes = changes();
        var worked = new ArrayList<Worked>();
        var done = 0;
        for (var change : changes) {
            if (stop.getAsBoolean()) {
                break;
            }
            reached.accept((double) done++ / changes.size());
            work(change, now).ifPresent(worked::add);
        }
        worked.sort(Comparator.comparingInt((Worked w) -> -w.advice().kindsSaved())
                .thenComparingLong(w -> -w.advice().placementsSaved())
                .thenComparingLong(w -> w.advice().change().size()));
        var usual = faults.applyAsLong(set.next(decisions.with(now.get(0).choice())));
        return worked.stream()
                .filter(w -> faults.applyAsLong(set.next(
                                decisions.with(w.massing()).with(w.option().choice())))
                        <= usual)
                .limit(MOST)
                .map(Worked::advice)
                .toList();
    }

    private List<Change> changes() {
        var changes = new ArrayList<Change>();
        var step = massing.settings().step();
        for (var room : massing.rooms()) {
            for (var by = -REACH; by <= REACH; by++) {
                if (by != 0) {
                    changes.add(
                            new Change.RoomHeight(room, new Length(room.height().um() + by * step.um())));
                }
            }
        }
        for (var opening : massing.openings()) {
            massing.room(opening.roomId()).ifPresent(room -> {
                for (var by = -REACH; by <= REACH; by++) {
                    if (by != 0) {
                        changes.add(new Change.OpeningAt(
                                opening, room, new Length(opening.at().um() + by * step.um())));
                    }
                }
                massing.openings().stream()
                        .filter(o -> o.kind() == opening.kind())
                        .map(o -> new Change.OpeningSize(opening, room, o.width(), o.height(), o.sill()))
                        .filter(c -> c.size() > 0 && c.size() <= REACH * step.um())
                        .distinct()
                        .forEach(changes::add);
            });
        }
        return changes;
    }

    /** Empty where it cannot be done or saves nothing. */
    private Optional<Worked> work(Change change, List<KitOptions.Option> now) {
        try {
            var changed = massing.next(massing.settings(), change.in(massing.building()));
            if (panels(changed) != panels(massing)) {
                return Optional.empty();
            }
            // What has more kinds than the recommended one has now is of no interest.
            var usual = recommended(now).kinds();
            var then = KitOptions.of(changed, memory, usual, stop);
            if (then.isEmpty()) {
                return Optional.empty();
            }
            var kinds = now.get(0).kinds() - then.get(0).kinds();
            var placements = fewest(now, usual) - fewest(then, usual);
            return kinds > 0 || kinds == 0 && placements > 0
                    ? Optional.of(new Worked(
                            new Advice(change, kinds, then.get(0).kinds(), placements), changed, then.get(0)))
                    : Optional.empty();
        } catch (Refused e) {
            return Optional.empty();
        }
    }

    private KitOptions.Option recommended(List<KitOptions.Option> of) {
        return of.get(KitOptions.recommended(
                rules,
                of.stream().map(KitOptions.Option::kinds).toList(),
                of.stream().map(KitOptions.Option::placements).toList()));
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
