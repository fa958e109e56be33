package hausbau.core.advice;

import hausbau.core.massing.Level;
import hausbau.core.massing.SiteSettings;
import hausbau.core.massing.StepChange;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.PlanMemory;
import hausbau.core.standing.StandingSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;

/**
 * What a site would come to on another step: what has to move, and the kit that its rooms are built from then, worked out and built
 * in full.
 *
 * @param change  what moves; empty where the building cannot be moved onto this step
 * @param built   the recommended kit; empty where no kit fills every wall
 * @param refusal why there is no kit; empty if there is one
 */
public record StepTrial(Length step, Optional<StepChange> change, Optional<Built> built, String refusal) {

    /**
     * A kit and what stands of it.
     *
     * @param kinds      every derived kind
     * @param placements every derived placement
     * @param does       to what stands now
     * @param faults     that the survey finds then
     */
    public record Built(
            KitOptions.Option option, int kinds, long placements, StandingSet.Difference does, long faults) {}

    /** Steps of 100 mm up to this many are looked at. */
    private static final int HUNDREDS = 6;

    private static final Length HUNDRED = Length.ofMillimetres(100);
    private static final Length FOOT = new Length(Unit.FEET_AND_INCHES.um());
    private static final Length SIXTEENTH = new Length(Unit.ENGINE_UNIT.um());

    /** The site's step, multiples of 100 mm, half a foot and a foot, and four sixteenths of one; rising. */
    public static List<Length> usual(SiteSettings settings) {
        var steps = new TreeSet<>(Set.of(settings.step(), FOOT, new Length(FOOT.um() / 2), SIXTEENTH.times(4)));
        for (var n = 1; n <= HUNDREDS; n++) {
            steps.add(HUNDRED.times(n));
        }
        return List.copyOf(steps);
    }

    /**
     * @param levels of the site, from below
     * @param rules  what the kit may be made of; kinds that stand are not kept, since they are of another step
     * @param faults counts what is wrong with a set
     * @param stop   asked now and then whether to give up; the kit that is known by then is given, not proven
     */
    public static StepTrial of(
            StandingSet set,
            List<Level> levels,
            KitRules rules,
            Length step,
            ToLongFunction<StandingSet> faults,
            BooleanSupplier stop) {
        var massing = set.decisions().massing();
        Optional<StepChange> change = Optional.empty();
        try {
            change = Optional.of(StepChange.of(massing.settings(), massing.building(), levels, step));
            rules.check(step);
            var then = change.get().massing(massing);
            var options = KitOptions.of(then, new PlanMemory(step, rules, Set.of()), stop);
            if (options.isEmpty()) {
                var open = KitOptions.unfillable(then, rules, Set.of()).size();
                return new StepTrial(
                        step,
                        change,
                        Optional.empty(),
                        open == 0
                                ? "No kit of so few lengths fills every wall."
                                : open == 1
                                        ? "No piece fills one stretch of wall."
                                        : "No pieces fill " + open + " stretches of wall.");
            }
            var option = KitOptions.recommended(rules, options);
            var built = set.next(set.decisions().with(then).with(option.choice()));
            var counts = built.derivedCounts();
            return new StepTrial(
                    step,
                    change,
                    Optional.of(new Built(
                            option,
                            counts.size(),
                            counts.values().stream().mapToLong(Long::longValue).sum(),
                            StandingSet.Difference.between(set, built),
                            faults.applyAsLong(built))),
                    "");
        } catch (Refused e) {
            return new StepTrial(step, change, Optional.empty(), faults(e));
        }
    }

    private static String faults(Refused refused) {
        return refused.faults().stream().map(Fault::message).collect(Collectors.joining(" "));
    }
}
