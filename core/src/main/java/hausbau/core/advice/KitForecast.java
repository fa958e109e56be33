package hausbau.core.advice;

import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.PlanMemory;
import hausbau.core.standing.StandingSet;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;

/**
 * What changes of one site would do to its kit, one after the other, as while a wall is dragged: what is worked out for one is
 * remembered for the next. For several threads.
 *
 * <p>Memory: that of a {@link PlanMemory}, and the set that was asked about last.
 */
public final class KitForecast {

    /**
     * @param kinds      every derived kind that stands
     * @param placements every derived placement
     * @param fewest     every derived kind that would stand if the kit of the fewest were chosen; empty where there is none, or it
     *                   was not found in time
     */
    public record Count(int kinds, long placements, OptionalInt fewest) {}

    /** A kit as it is and as it would be. */
    public record Change(Count before, Count after) {}

    private final KitRules rules;
    private final PlanMemory memory;
    private @Nullable StandingSet last;
    private @Nullable Count lastCount;

    /** For a set, its rules and its step. */
    public KitForecast(StandingSet set, KitRules rules) {
        this.rules = rules;
        memory = PlanMemory.of(set, rules);
    }

    /** Whether what is remembered holds for a set too. */
    public boolean fits(StandingSet set, KitRules others) {
        return rules.equals(others) && memory.fits(set, rules);
    }

    /** @param stop asked now and then whether to give up looking for the fewest kinds */
    public synchronized Change of(StandingSet before, StandingSet after, BooleanSupplier stop) {
        if (last != before || lastCount == null || lastCount.fewest().isEmpty()) {
            lastCount = count(before, stop);
            last = before;
        }
        return new Change(Objects.requireNonNull(lastCount), count(after, stop));
    }

    private Count count(StandingSet set, BooleanSupplier stop) {
        var counts = set.derivedCounts();
        return new Count(
                counts.size(),
                counts.values().stream().mapToLong(Long::longValue).sum(),
                fewest(set, stop));
    }

    private OptionalInt fewest(StandingSet set, BooleanSupplier stop) {
        var massing = set.decisions().massing();
        if (!memory.fits(set, rules)) {
            return OptionalInt.empty();
        }
        var options = KitOptions.of(massing, memory, stop);
        if (options.isEmpty() || !options.get(0).proven() && stop.getAsBoolean()) {
            return OptionalInt.empty();
        }
        return OptionalInt.of(set.next(set.decisions().with(options.get(0).choice()))
                .derivedCounts()
                .size());
    }
}
