package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * The ways of cutting one wall into tiers, those that may need the fewest pieces first. Ways that ask for the same pieces and
 * panels are one.
 *
 * <p>Found by the number of tiers, since every tier costs pieces: of walls so high that there are too many ways, those of most
 * tiers are left out, and {@link #leftOut} says how few pieces they might have needed.
 */
final class WallStacks {

    private static final long NONE = KindFronts.NONE;

    /**
     * @param tiers  heights from bottom to top, in steps
     * @param spans  what is to be filled in each height: how often each length, in steps
     * @param floor  no kinds need fewer pieces
     */
    record Stack(
            List<Integer> tiers, Map<Integer, TreeMap<Integer, Long>> spans, Set<TierPlan.Panel> panels, long floor) {}

    private final TierWall wall;
    private final TierQuestion question;
    private final KindFronts fronts;
    private final int height;
    private final int most;
    /** The stretches to fill between two heights; empty where no tier can lie there. */
    private final Map<Long, Optional<List<Integer>>> stretches = new HashMap<>();

    private final List<Stack> stacks = new ArrayList<>();
    private final Set<Object> seen = new HashSet<>();
    private long leftOut = NONE;

    private WallStacks(TierWall wall, TierQuestion question, KindFronts fronts, int most) {
        this.wall = wall;
        this.most = most;
        this.question = question;
        this.fronts = fronts;
        this.height = wall.height().isMultipleOf(question.step())
                ? Math.toIntExact(wall.height().um() / question.step().um())
                : -1;
    }

    /** @param most how many ways are looked at, beside those of one or two heights */
    static WallStacks of(TierWall wall, TierQuestion question, KindFronts fronts, int most) {
        var found = new WallStacks(wall, question, fronts, most);
        if (found.height > 0 && question.leastTier() <= question.greatestTier()) {
            found.enumerate();
        }
        return found;
    }

    /** Fewest pieces first; none if the wall cannot be built. */
    List<Stack> all() {
        return stacks;
    }

    long fewestPieces() {
        return stacks.get(0).floor();
    }

    /** The fewest pieces that a way which is left out might need with so many kinds; {@link KindFronts#NONE} if none is left out. */
    long leftOut(int kinds) {
        return kinds < (wall.openings().isEmpty() ? 3 : 2) ? NONE : leftOut;
    }

    private void enumerate() {
        var mostTiers = height / question.leastTier();
        var floors = floorsByTiers(mostTiers);
        for (var tiers = 1; tiers <= mostTiers; tiers++) {
            if (floors[tiers][height] == NONE) {
                continue;
            }
            if (stacks.size() >= most) {
                leftOut = Math.min(leftOut, floors[tiers][height]);
                continue;
            }
            cut(new int[tiers], 0, 0, floors);
        }
        if (leftOut != NONE) {
            ofFewHeights();
        }
        stacks.sort(Comparator.comparingLong(Stack::floor)
                .thenComparingInt(s -> s.spans().size() + s.panels().size()));
    }

    /** All ways of one height; of two, where nothing is open and their order does not matter. */
    private void ofFewHeights() {
        for (var tall = question.leastTier(); tall <= question.greatestTier(); tall++) {
            for (var count = 0; count * tall <= height; count++) {
                var rest = height - count * tall;
                if (rest == 0) {
                    addIfAllowed(tall, count, tall, 0);
                }
                for (var low = question.leastTier();
                        low < tall && low <= rest && wall.openings().isEmpty();
                        low++) {
                    if (rest % low == 0) {
                        addIfAllowed(low, rest / low, tall, count);
                    }
                }
            }
        }
    }

    private void addIfAllowed(int below, int countBelow, int above, int countAbove) {
        var tiers = new int[countBelow + countAbove];
        Arrays.fill(tiers, 0, countBelow, below);
        Arrays.fill(tiers, countBelow, tiers.length, above);
        var foot = 0;
        for (var tier : tiers) {
            if (stretches(foot, foot + tier).isEmpty()) {
                return;
            }
            foot += tier;
        }
        add(tiers);
    }

    /** For each number of tiers and each height above the foot the fewest pieces that so many tiers below it might need. */
    private long[][] floorsByTiers(int most) {
        var floors = new long[most + 1][height + 1];
        for (var row : floors) {
            Arrays.fill(row, NONE);
        }
        floors[0][0] = 0;
        for (var tiers = 1; tiers <= most; tiers++) {
            for (var top = question.leastTier(); top <= height; top++) {
                var lowest = Math.max(0, top - question.greatestTier());
                for (var foot = lowest; foot <= top - question.leastTier(); foot++) {
                    if (floors[tiers - 1][foot] != NONE && stretches(foot, top).isPresent()) {
                        floors[tiers][top] = Math.min(
                                floors[tiers][top],
                                floors[tiers - 1][foot]
                                        + floor(stretches(foot, top).get()));
                    }
                }
            }
        }
        return floors;
    }

    private long floor(List<Integer> spans) {
        return spans.stream().mapToLong(fronts::floor).sum();
    }

    /** Cuts from the top down. Where nothing is open the order of tiers does not matter: the highest is the topmost. */
    private void cut(int[] tiers, int done, int below, long[][] floors) {
        if (done == tiers.length) {
            if (below == height) {
                add(tiers);
            }
            return;
        }
        var top = height - below;
        var left = tiers.length - done;
        var greatest = wall.openings().isEmpty() && done > 0 ? tiers[left] : question.greatestTier();
        for (var tall = Math.min(greatest, top); tall >= question.leastTier() && stacks.size() < most; tall--) {
            if (floors[left - 1][top - tall] != NONE
                    && stretches(top - tall, top).isPresent()) {
                tiers[left - 1] = tall;
                cut(tiers, done + 1, below + tall, floors);
            }
        }
    }

    private Optional<List<Integer>> stretches(int foot, int top) {
        return stretches.computeIfAbsent((long) foot << 32 | top, key -> measure(foot, top));
    }

    /** What is left of the wall's length between two heights beside the panels that take them. */
    private Optional<List<Integer>> measure(int foot, int top) {
        var crossing = wall.openings().stream()
                .filter(o -> o.sill().um() < at(top) && o.head().um() > at(foot))
                .sorted(Comparator.comparing(TierWall.Opening::at))
                .toList();
        var spans = new ArrayList<Integer>();
        var from = Length.ZERO;
        for (var opening : crossing) {
            if (opening.at().compareTo(from) < 0 || !addSpan(spans, opening.at().minus(from))) {
                return Optional.empty();
            }
            from = opening.end();
        }
        return addSpan(spans, wall.length().minus(from)) ? Optional.of(List.copyOf(spans)) : Optional.empty();
    }

    private boolean addSpan(List<Integer> spans, Length span) {
        if (span.um() == 0) {
            return true;
        }
        if (!span.isMultipleOf(question.step())) {
            return false;
        }
        spans.add(Math.toIntExact(span.um() / question.step().um()));
        return fronts.canFill(spans.get(spans.size() - 1));
    }

    private long at(int steps) {
        return steps * question.step().um();
    }

    private void add(int[] tiers) {
        var spans = new HashMap<Integer, TreeMap<Integer, Long>>();
        var joints = new int[tiers.length + 1];
        var floor = 0L;
        for (var i = 0; i < tiers.length; i++) {
            joints[i + 1] = joints[i] + tiers[i];
            for (var span : stretches(joints[i], joints[i + 1]).orElseThrow()) {
                spans.computeIfAbsent(tiers[i], t -> new TreeMap<>()).merge(span, 1L, Long::sum);
                floor += fronts.floor(span);
            }
        }
        var panels = new HashSet<TierPlan.Panel>();
        wall.openings().forEach(o -> panels.add(panel(o, joints)));
        if (seen.add(List.of(spans, panels))) {
            stacks.add(new Stack(Arrays.stream(tiers).boxed().toList(), spans, panels, floor));
        }
    }

    /** The least stack of whole tiers that holds an opening. */
    private TierPlan.Panel panel(TierWall.Opening opening, int[] joints) {
        var foot = Arrays.stream(joints)
                .filter(j -> at(j) <= opening.sill().um())
                .max()
                .orElseThrow();
        var top = Arrays.stream(joints)
                .filter(j -> at(j) >= opening.head().um())
                .min()
                .orElseThrow();
        return new TierPlan.Panel(
                opening.length(),
                opening.height(),
                opening.sill().minus(new Length(at(foot))),
                new Length(at(top - foot)));
    }
}
