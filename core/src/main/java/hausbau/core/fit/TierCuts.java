package hausbau.core.fit;

import java.util.Arrays;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;

/** The walls of a question, each so often as it is there, and for each number of kinds the best way of cutting all of them that is known. */
final class TierCuts {

    static final long NONE = KindFronts.NONE;
    /** How often a front asks whether to stop, before the search takes what it has found. */
    private static final int QUICK = 3_000;

    /** A wall that is so many times there, and the ways of cutting it. */
    record Member(TierWall wall, long times, WallStacks cuts) {

        long floor() {
            return times * cuts.fewestPieces();
        }
    }

    /** How every wall is cut, with the total that comes of it. */
    record Found(WallStacks.Stack[] stacks, long pieces) {}

    private final List<Member> walls;
    private final KindFronts fronts;
    private final BooleanSupplier isOver;
    private final Found[] best;

    /** @param maxKinds of which the best are kept @param isOver asked now and then whether to give up */
    TierCuts(List<Member> walls, KindFronts fronts, int maxKinds, BooleanSupplier isOver) {
        this.walls = walls;
        this.fronts = fronts;
        this.isOver = isOver;
        best = new Found[maxKinds + 1];
        Arrays.fill(best, new Found(new WallStacks.Stack[0], NONE));
    }

    List<Member> walls() {
        return walls;
    }

    KindFronts fronts() {
        return fronts;
    }

    int maxKinds() {
        return best.length - 1;
    }

    boolean isOver() {
        return isOver.getAsBoolean();
    }

    Found best(int kinds) {
        return best[kinds];
    }

    /** What fewer kinds can do so many can do as well. */
    void atLeastAsGoodAs(int fewer, int kinds) {
        if (best[fewer].pieces() < best[kinds].pieces()) {
            best[kinds] = best[fewer];
        }
    }

    /** Takes what is better than what is known, for every number of kinds. */
    void keep(WallStacks.Stack[] cut) {
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
    List<KindFronts.Front> fronts(Collection<TreeMap<Integer, Long>> classes, int kinds, BooleanSupplier stop) {
        var most = Math.max(1, kinds - classes.size() + 1);
        return classes.stream().map(c -> fronts.of(c, most, stop)).toList();
    }

    static void add(Map<Integer, TreeMap<Integer, Long>> to, WallStacks.Stack stack, long times) {
        stack.spans().forEach((height, spans) -> {
            var all = new TreeMap<>(to.getOrDefault(height, new TreeMap<>()));
            spans.forEach((span, count) -> all.merge(span, count * times, Long::sum));
            to.put(height, all);
        });
    }
}
