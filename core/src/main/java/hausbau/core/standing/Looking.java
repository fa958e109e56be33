package hausbau.core.standing;

import hausbau.core.measure.Box;
import hausbau.core.place.Source;
import hausbau.core.repeat.Rule;
import hausbau.core.repeat.Scatter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Repeats that depend on what stands around them: they are laid after all else, one after the other. */
public final class Looking {

    private Looking() {}

    public static boolean looks(Rule rule) {
        return rule instanceof Scatter scatter && scatter.landing().looks();
    }

    static Generator repeated(Decisions to, Repeat repeat, Rule rule) {
        return new Generator.Repeated(
                repeat.id(),
                repeat.bodies(to.assemblies()),
                rule,
                to.departures().getOrDefault(new Source.Repeats(repeat.id()), List.of()));
    }

    /** Each sees all that was made but those that come after it, so that no circle can arise. */
    static void each(Decisions to, Map<Source, Generator.Made> made, Consumer<Generator> run) {
        var looking = to.repeats().stream().filter(r -> looks(r.rule())).toList();
        var unseen = looking.stream()
                .map(r -> (Source) new Source.Repeats(r.id()))
                .collect(Collectors.toCollection(HashSet::new));
        for (var repeat : looking) {
            run.accept(repeated(to, repeat, among(repeat.rule(to.massing()), made, unseen)));
            unseen.remove(new Source.Repeats(repeat.id()));
        }
    }

    /** A rule that looks, told what stands around it; any other as it is. */
    static Rule among(Rule rule, Map<Source, Generator.Made> made, Set<Source> without) {
        return looks(rule) && rule instanceof Scatter scatter
                ? scatter.among(around(made, scatter.reach(), without))
                : rule;
    }

    /** What has a body within a box, in an order that is always the same. */
    private static List<Box> around(Map<Source, Generator.Made> made, Box reach, Set<Source> without) {
        var found = new ArrayList<Box>();
        made.forEach((source, by) -> {
            if (!without.contains(source)) {
                by.chunks().stream()
                        .filter(c -> c.extent().touches(reach))
                        .forEach(c -> c.touching(
                                reach, row -> found.addAll(c.standing(row).solids())));
            }
        });
        return found;
    }
}
