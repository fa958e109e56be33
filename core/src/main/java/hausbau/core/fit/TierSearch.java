package hausbau.core.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/** Finds good ways of cutting all walls without proof: the first totals for {@link TierProof} to beat. */
final class TierSearch {

    /** How many of the ways of cutting one wall are looked at. */
    private static final int TRIED = 60;

    private static final int MOST_SETS = 8_000;

    private final TierCuts cuts;
    private final List<TierCuts.Member> walls;

    TierSearch(TierCuts cuts) {
        this.cuts = cuts;
        walls = cuts.walls();
    }

    /** Every wall cut from few heights: each set of up to three that some wall might be cut from. @param enough whether to stop */
    void start(BooleanSupplier enough) {
        var ofHeights = walls.stream().map(w -> ofFewHeights(w.cuts())).toList();
        var heights = ofHeights.stream()
                .flatMap(of -> of.keySet().stream())
                .flatMap(Set::stream)
                .collect(Collectors.toSet());
        for (var set : upToThree(heights)) {
            if (cuts.isOver() || enough.getAsBoolean()) {
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
                cuts.keep(cut);
            }
        }
    }

    /** The best way of cutting for each set of up to three heights. */
    private static Map<Set<Integer>, WallStacks.Stack> ofFewHeights(WallStacks cuts) {
        return cuts.all().stream()
                .filter(s -> s.spans().size() <= 3)
                .collect(
                        Collectors.toMap(s -> s.spans().keySet(), s -> s, (first, later) -> first, LinkedHashMap::new));
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
        for (var i = 0; i < sorted.size() && sets.size() < MOST_SETS; i++) {
            for (var j = 0; j < i; j++) {
                for (var k = 0; k < j; k++) {
                    sets.add(Set.of(sorted.get(i), sorted.get(j), sorted.get(k)));
                }
            }
        }
        return sets;
    }

    /** Cuts one wall otherwise, as long as that helps. */
    void improve(int kinds) {
        for (var better = cuts.best(kinds).pieces() != TierCuts.NONE; better && !cuts.isOver(); ) {
            better = false;
            for (var i = 0; i < walls.size(); i++) {
                for (var stack : walls.get(i).cuts().all().stream().limit(TRIED).toList()) {
                    var cut = cuts.best(kinds).stacks().clone();
                    cut[i] = stack;
                    var before = cuts.best(kinds).pieces();
                    cuts.keep(cut);
                    better |= cuts.best(kinds).pieces() < before;
                }
            }
        }
    }
}
