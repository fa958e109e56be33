package hausbau.core.fit;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Searches all ways of cutting the walls, depth first, wall by wall: what the walls cut so far ask for bounds what all of them will,
 * since more spans never need fewer pieces or kinds.
 */
final class TierProof {

    private final TierCuts cuts;
    private final List<TierCuts.Member> walls;
    private WallStacks.Stack[] chosen = {};
    private boolean stopped;

    TierProof(TierCuts cuts) {
        this.cuts = cuts;
        walls = cuts.walls();
    }

    /** Searches all that might be better than what is known; whether nothing better is left. */
    boolean prove(int kinds) {
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
                .allMatch(w -> w.cuts().leftOut(kinds) == TierCuts.NONE
                        || floor
                                        + w.times()
                                                * (w.cuts().leftOut(kinds)
                                                        - w.cuts().fewestPieces())
                                >= cuts.best(kinds).pieces());
    }

    private void branch(
            int depth,
            int kinds,
            Map<Integer, TreeMap<Integer, Long>> spans,
            Set<TierPlan.Panel> panels,
            long floor,
            long[] rest) {
        if (depth == walls.size()) {
            cuts.keep(chosen);
            return;
        }
        var wall = walls.get(depth);
        for (var stack : wall.cuts().all()) {
            if (stopped || cuts.isOver()) {
                stopped = true;
                return;
            }
            var own = floor + wall.times() * stack.floor();
            if (own + rest[depth + 1] >= cuts.best(kinds).pieces()) {
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
            TierCuts.add(with, stack, wall.times());
            if (bound(with, kinds - withPanels.size()) + rest[depth + 1]
                    < cuts.best(kinds).pieces()) {
                chosen[depth] = stack;
                branch(depth + 1, kinds, with, withPanels, own, rest);
            }
        }
    }

    /** No kinds fill these spans with fewer pieces. */
    private long bound(Map<Integer, TreeMap<Integer, Long>> spans, int kinds) {
        var classes = cuts.fronts(spans.values(), kinds, cuts::isOver);
        var dealt = KindFronts.deal(classes, kinds);
        if (dealt.proven()) {
            return dealt.placements() == TierCuts.NONE ? TierCuts.NONE / 2 : dealt.placements();
        }
        stopped = true;
        return spans.values().stream().mapToLong(cuts.fronts()::floor).sum();
    }
}
