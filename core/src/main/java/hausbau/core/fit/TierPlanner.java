package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/**
 * Answers a {@link TierQuestion}: for each number of kinds the fewest pieces and panels, over all ways of cutting the walls into
 * tiers and the tiers into pieces.
 *
 * <p>Once every wall is cut into tiers, what is left are problems that share nothing: the lengths of each height, each with a
 * front of its own ({@link KindFronts}). The ways of cutting are searched depth first, wall by wall; what the walls cut so far
 * ask for bounds what all of them will, since more spans never need fewer pieces or kinds. Walls that are alike are cut alike:
 * for given kinds, the best way for one is the best for the other.
 *
 * <p>Cost: exponential in the number of unlike walls in the worst case. A local search over ways of cutting supplies the first
 * totals to beat; past the patience its answers stand, and are not marked proven.
 */
public final class TierPlanner {

    private static final long NONE = KindFronts.NONE;
    /** How many ways of cutting are kept for all walls together. */
    private static final int MOST_WAYS = 60_000;
    /** How many of the ways of cutting one wall the local search looks at. */
    private static final int TRIED = 60;
    /** How often a front asks whether to stop, before the local search takes what it has found. */
    private static final int QUICK = 3_000;

    private final long deadline;
    private final BooleanSupplier cancelled;

    /**
     * @param patience  how long to search in all
     * @param cancelled asked now and then whether nobody wants the answer any more
     */
    public TierPlanner(Duration patience, BooleanSupplier cancelled) {
        this.deadline = System.nanoTime() + patience.toNanos();
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
        return new TierPlan(new Search(question, fronts, alike, cuts).options(), List.of());
    }

    private static WallStacks stacks(Map<TierWall, WallStacks> cuts, TierWall wall) {
        return Objects.requireNonNull(cuts.get(new TierWall("", wall.length(), wall.height(), wall.openings())));
    }

    /** A wall that is so many times there, and the ways of cutting it. */
    private record Member(TierWall wall, long times, WallStacks cuts) {

        long floor() {
            return times * cuts.fewestPieces();
        }
    }

    /** How every wall is cut, with the total that comes of it. */
    private record Found(WallStacks.Stack[] stacks, long pieces) {}

    private final class Search {

        private final TierQuestion question;
        private final KindFronts fronts;
        private final List<Member> walls;
        private final Map<TierWall, Integer> numbers = new HashMap<>();
        private final long panels;
        /** The best for each number of kinds, from 1. */
        private final Found[] best;

        private WallStacks.Stack[] chosen = {};
        private boolean stopped;

        Search(TierQuestion question, KindFronts fronts, Map<TierWall, Long> alike, Map<TierWall, WallStacks> cuts) {
            this.question = question;
            this.fronts = fronts;
            walls = alike.entrySet().stream()
                    .map(e -> new Member(e.getKey(), e.getValue(), stacks(cuts, e.getKey())))
                    .sorted(Comparator.comparingLong(Member::floor).reversed())
                    .toList();
            for (var i = 0; i < walls.size(); i++) {
                numbers.put(walls.get(i).wall(), i);
            }
            panels = question.walls().stream()
                    .mapToLong(w -> w.openings().size())
                    .sum();
            best = new Found[question.maxKinds() + 1];
            Arrays.fill(best, new Found(new WallStacks.Stack[0], NONE));
        }

        List<TierPlan.Option> options() {
            start();
            for (var kinds = 1; kinds < best.length; kinds++) {
                improve(kinds);
            }
            var options = new ArrayList<TierPlan.Option>();
            var before = NONE;
            for (var kinds = 1; kinds < best.length; kinds++) {
                if (kinds > 1 && best[kinds - 1].pieces() < best[kinds].pieces()) {
                    best[kinds] = best[kinds - 1];
                }
                var proven = prove(kinds);
                if (best[kinds].pieces() < before) {
                    before = best[kinds].pieces();
                    options.add(option(kinds, proven));
                }
            }
            return options;
        }

        private boolean isOver() {
            return System.nanoTime() - deadline >= 0 || cancelled.getAsBoolean();
        }

        // ---- local search

        /** Every wall cut from few heights: each set of up to three that some wall might be cut from. */
        private void start() {
            var ofHeights = walls.stream().map(w -> ofFewHeights(w.cuts())).toList();
            var heights = ofHeights.stream()
                    .flatMap(of -> of.keySet().stream())
                    .flatMap(Set::stream)
                    .collect(Collectors.toSet());
            var until = System.nanoTime() + (deadline - System.nanoTime()) / 3;
            for (var set : upToThree(heights)) {
                if (isOver() || System.nanoTime() - until >= 0) {
                    return;
                }
                var cut = new WallStacks.Stack[walls.size()];
                for (var i = 0; i < cut.length; i++) {
                    var stack = ofHeights.get(i).entrySet().stream()
                            .filter(e -> set.containsAll(e.getKey()))
                            .map(Map.Entry::getValue)
                            .min(Comparator.comparingLong(WallStacks.Stack::floor));
                    if (stack.isEmpty()) {
                        break;
                    }
                    cut[i] = stack.get();
                }
                if (cut[cut.length - 1] != null) {
                    keep(cut);
                }
            }
        }

        /** The best way of cutting for each set of up to three heights. */
        private static Map<Set<Integer>, WallStacks.Stack> ofFewHeights(WallStacks cuts) {
            return cuts.all().stream()
                    .filter(s -> s.spans().size() <= 3)
                    .collect(Collectors.toMap(
                            s -> s.spans().keySet(), s -> s, (first, later) -> first, LinkedHashMap::new));
        }

        private static List<Set<Integer>> upToThree(Set<Integer> heights) {
            var sorted = heights.stream().sorted(Comparator.reverseOrder()).toList();
            var sets = new ArrayList<Set<Integer>>();
            sorted.forEach(a -> sets.add(Set.of(a)));
            for (var i = 0; i < sorted.size(); i++) {
                for (var j = 0; j < i; j++) {
                    sets.add(Set.of(sorted.get(i), sorted.get(j)));
                }
            }
            for (var i = 0; i < sorted.size() && sets.size() < 8_000; i++) {
                for (var j = 0; j < i; j++) {
                    for (var k = 0; k < j; k++) {
                        sets.add(Set.of(sorted.get(i), sorted.get(j), sorted.get(k)));
                    }
                }
            }
            return sets;
        }

        /** Cuts one wall otherwise, as long as that helps. */
        private void improve(int kinds) {
            for (var better = best[kinds].pieces() != NONE; better && !isOver(); ) {
                better = false;
                for (var i = 0; i < walls.size(); i++) {
                    for (var stack :
                            walls.get(i).cuts().all().stream().limit(TRIED).toList()) {
                        var cut = best[kinds].stacks().clone();
                        cut[i] = stack;
                        var before = best[kinds].pieces();
                        keep(cut);
                        better |= best[kinds].pieces() < before;
                    }
                }
            }
        }

        /** Takes what is better than what is known, for every number of kinds. */
        private void keep(WallStacks.Stack[] cut) {
            var panels = new HashSet<TierPlan.Panel>();
            var spans = new TreeMap<Integer, TreeMap<Integer, Long>>();
            for (var i = 0; i < cut.length; i++) {
                panels.addAll(cut[i].panels());
                add(spans, cut[i], walls.get(i).times());
            }
            var least = panels.size() + spans.size();
            if (least >= best.length
                    || best[least].pieces()
                            <= spans.values().stream().mapToLong(fronts::floor).sum()) {
                return;
            }
            var most = Math.max(1, best.length - least);
            var classes = spans.values().stream()
                    .map(c -> {
                        var asked = new int[1];
                        return fronts.of(c, most, () -> ++asked[0] > QUICK || isOver());
                    })
                    .toList();
            for (var kinds = panels.size() + spans.size(); kinds < best.length; kinds++) {
                var dealt = KindFronts.deal(classes, kinds - panels.size());
                if (dealt.placements() < best[kinds].pieces()) {
                    best[kinds] = new Found(cut.clone(), dealt.placements());
                }
            }
        }

        /** @param kinds of all classes together, each of which has at least one */
        private List<KindFronts.Front> fronts(
                Collection<TreeMap<Integer, Long>> classes, int kinds, BooleanSupplier stop) {
            var most = Math.max(1, kinds - classes.size() + 1);
            return classes.stream().map(c -> fronts.of(c, most, stop)).toList();
        }

        private static void add(Map<Integer, TreeMap<Integer, Long>> to, WallStacks.Stack stack, long times) {
            stack.spans().forEach((height, spans) -> {
                var all = new TreeMap<>(to.getOrDefault(height, new TreeMap<>()));
                spans.forEach((span, count) -> all.merge(span, count * times, Long::sum));
                to.put(height, all);
            });
        }

        // ---- proof

        /** Searches all that might be better than what is known; whether nothing better is left. */
        private boolean prove(int kinds) {
            stopped = false;
            chosen = new WallStacks.Stack[walls.size()];
            var rest = new long[walls.size() + 1];
            for (var i = walls.size() - 1; i >= 0; i--) {
                rest[i] = rest[i + 1] + walls.get(i).floor();
            }
            branch(0, kinds, new TreeMap<>(), Set.of(), 0, rest);
            return !stopped && leftOutIsNoBetter(kinds, rest[0]);
        }

        /** Ways of cutting that were too many to look at need too many pieces. */
        private boolean leftOutIsNoBetter(int kinds, long floor) {
            return walls.stream()
                    .allMatch(w -> w.cuts().leftOut(kinds) == NONE
                            || floor
                                            + w.times()
                                                    * (w.cuts().leftOut(kinds)
                                                            - w.cuts().fewestPieces())
                                    >= best[kinds].pieces());
        }

        private void branch(
                int depth,
                int kinds,
                Map<Integer, TreeMap<Integer, Long>> spans,
                Set<TierPlan.Panel> panels,
                long floor,
                long[] rest) {
            if (depth == walls.size()) {
                keep(chosen);
                return;
            }
            var wall = walls.get(depth);
            for (var stack : wall.cuts().all()) {
                if (stopped || isOver()) {
                    stopped = true;
                    return;
                }
                var own = floor + wall.times() * stack.floor();
                if (own + rest[depth + 1] >= best[kinds].pieces()) {
                    // Those that follow need no fewer pieces.
                    return;
                }
                var withPanels = new HashSet<>(panels);
                withPanels.addAll(stack.panels());
                var heights = new HashSet<>(spans.keySet());
                heights.addAll(stack.spans().keySet());
                if (withPanels.size() + heights.size() > kinds) {
                    continue;
                }
                var with = new TreeMap<>(spans);
                add(with, stack, wall.times());
                if (bound(with, kinds - withPanels.size()) + rest[depth + 1] < best[kinds].pieces()) {
                    chosen[depth] = stack;
                    branch(depth + 1, kinds, with, withPanels, own, rest);
                }
            }
        }

        /** No kinds fill these spans with fewer pieces. */
        private long bound(Map<Integer, TreeMap<Integer, Long>> spans, int kinds) {
            var classes = fronts(spans.values(), kinds, this::isOver);
            var dealt = KindFronts.deal(classes, kinds);
            if (dealt.proven()) {
                return dealt.placements() == NONE ? NONE / 2 : dealt.placements();
            }
            stopped = true;
            return spans.values().stream().mapToLong(fronts::floor).sum();
        }

        // ---- answer

        private TierPlan.Option option(int kinds, boolean proven) {
            var cut = best[kinds].stacks();
            var panelKinds = new HashSet<TierPlan.Panel>();
            var spans = new TreeMap<Integer, TreeMap<Integer, Long>>(Comparator.reverseOrder());
            for (var i = 0; i < cut.length; i++) {
                panelKinds.addAll(cut[i].panels());
                add(spans, cut[i], walls.get(i).times());
            }
            var classes = fronts(spans.values(), kinds - panelKinds.size(), () -> true);
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
                    best[kinds].pieces() + panels,
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
