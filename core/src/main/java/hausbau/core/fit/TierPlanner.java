package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;

/**
 * Answers a {@link TierQuestion}: for each number of kinds the fewest pieces and panels, over all ways of cutting the walls into
 * tiers and the tiers into pieces.
 *
 * <p>Once every wall is cut into tiers, what is left are problems that share nothing: the lengths of each height, each with a
 * front of its own ({@link KindFronts}). The ways of cutting are searched by {@link TierProof}. Walls that are alike are cut alike:
 * for given kinds, the best way for one is the best for the other.
 *
 * <p>Cost: exponential in the number of unlike walls in the worst case. A {@link TierSearch} supplies the first totals to beat; past the patience its answers stand, and are not marked proven.
 */
public final class TierPlanner {

    private static final long NONE = KindFronts.NONE;
    /** How many ways of cutting are kept for all walls together. */
    private static final int MOST_WAYS = 60_000;

    private final Patience patience;
    private final BooleanSupplier cancelled;

    /**
     * @param patience  how long to search in all
     * @param cancelled asked now and then whether nobody wants the answer any more
     */
    public TierPlanner(Duration patience, BooleanSupplier cancelled) {
        this.patience = new Patience(patience);
        this.cancelled = cancelled;
    }

    public TierPlan plan(TierQuestion question) {
        if (question.walls().isEmpty()) {
            return new TierPlan(List.of(new TierPlan.Option(0, 0, true, List.of(), List.of(), List.of())), List.of());
        }
        var fronts = new KindFronts(AllowedLengths.between(question.leastPiece(), question.greatestPiece()));
        var alike = new LinkedHashMap<TierWall, Long>();
        question.walls()
                .forEach(w -> alike.merge(new TierWall("", w.length(), w.height(), w.openings()), 1L, Long::sum));
        var cuts = new LinkedHashMap<TierWall, WallStacks>();
        var most = Math.max(300, MOST_WAYS / Math.max(1, alike.size()));
        alike.keySet().forEach(w -> cuts.put(w, WallStacks.of(w, question, fronts, most)));
        var unfillable = question.walls().stream()
                .filter(w -> stacks(cuts, w).all().isEmpty())
                .toList();
        if (!unfillable.isEmpty()) {
            return new TierPlan(List.of(), unfillable);
        }
        return new TierPlan(new Answering(question, fronts, alike, cuts).options(), List.of());
    }

    private static WallStacks stacks(Map<TierWall, WallStacks> cuts, TierWall wall) {
        return Objects.requireNonNull(cuts.get(new TierWall("", wall.length(), wall.height(), wall.openings())));
    }

    /** A question with its walls, those that are alike taken together. */
    private final class Answering {

        private final TierQuestion question;
        private final TierCuts cuts;
        private final Map<TierWall, Integer> numbers = new HashMap<>();
        private final long panels;

        Answering(
                TierQuestion question, KindFronts fronts, Map<TierWall, Long> alike, Map<TierWall, WallStacks> stacks) {
            this.question = question;
            var walls = alike.entrySet().stream()
                    .map(e -> new TierCuts.Member(e.getKey(), e.getValue(), stacks(stacks, e.getKey())))
                    .sorted(Comparator.comparingLong(TierCuts.Member::floor).reversed())
                    .toList();
            for (var i = 0; i < walls.size(); i++) {
                numbers.put(walls.get(i).wall(), i);
            }
            panels = question.walls().stream()
                    .mapToLong(w -> w.openings().size())
                    .sum();
            cuts = new TierCuts(
                    walls, fronts, question.maxKinds(), () -> patience.isOver() || cancelled.getAsBoolean());
        }

        List<TierPlan.Option> options() {
            var search = new TierSearch(cuts);
            search.start(() -> patience.isOver(1.0 / 3));
            for (var kinds = 1; kinds <= cuts.maxKinds(); kinds++) {
                search.improve(kinds);
            }
            var proof = new TierProof(cuts);
            var options = new ArrayList<TierPlan.Option>();
            var before = NONE;
            for (var kinds = 1; kinds <= cuts.maxKinds(); kinds++) {
                cuts.atLeastAsGoodAs(kinds - 1, kinds);
                var proven = proof.prove(kinds);
                if (cuts.best(kinds).pieces() < before) {
                    before = cuts.best(kinds).pieces();
                    options.add(option(kinds, proven));
                }
            }
            return options;
        }

        private TierPlan.Option option(int kinds, boolean proven) {
            var cut = cuts.best(kinds).stacks();
            var panelKinds = new HashSet<TierPlan.Panel>();
            var spans = new TreeMap<Integer, TreeMap<Integer, Long>>(Comparator.reverseOrder());
            for (var i = 0; i < cut.length; i++) {
                panelKinds.addAll(cut[i].panels());
                TierCuts.add(spans, cut[i], cuts.walls().get(i).times());
            }
            var classes = cuts.fronts(spans.values(), kinds - panelKinds.size(), () -> true);
            var dealt = KindFronts.deal(classes, kinds - panelKinds.size());
            var pieces = new ArrayList<TierPlan.Size>();
            var number = 0;
            for (var height : spans.keySet()) {
                var front = classes.get(number);
                front.lengths(dealt.kinds()[number++])
                        .forEach(k -> pieces.add(new TierPlan.Size(length(k), length(height))));
            }
            return new TierPlan.Option(
                    pieces.size() + panelKinds.size(),
                    cuts.best(kinds).pieces() + panels,
                    proven,
                    pieces,
                    panelKinds.stream()
                            .sorted(Comparator.comparing(TierPlan.Panel::length)
                                    .thenComparing(TierPlan.Panel::height)
                                    .thenComparing(TierPlan.Panel::sill))
                            .toList(),
                    question.walls().stream().map(w -> tiers(cut, w)).toList());
        }

        private List<Length> tiers(WallStacks.Stack[] cut, TierWall wall) {
            var number = Optional.ofNullable(
                            numbers.get(new TierWall("", wall.length(), wall.height(), wall.openings())))
                    .orElseThrow();
            return cut[number].tiers().stream().map(this::length).toList();
        }

        private Length length(int steps) {
            return question.step().times(steps);
        }
    }
}
