package hausbau.core.standing;

import hausbau.core.fit.KindFronts;
import hausbau.core.fit.KitPlan;
import hausbau.core.fit.Stretch;
import hausbau.core.kit.Kind;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Post;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The kits that a massing's walls, posts and opening panels can be built from: for each number of kinds the fewest placements, over
 * all choices of joints among the heights that the rules allow, and of lengths for the tiers between them.
 *
 * <p>Once the joints are chosen, posts and panels are what they are, and the lengths of each tier's height are a problem of their
 * own ({@link KindFronts}). So every set of joints is looked at, those of the fewest kinds first, and left out where a kit that is
 * known already has no more kinds and no more placements than it could have at best. How many kinds and placements it could have
 * at best is the sum over groups of walls that the same joints cross, each worked out once for every way of cutting it.
 */
public final class KitOptions {

    /** Beyond this many heights only those at which the most is cut are chosen from. */
    private static final int MOST_JOINTS = 12;

    /**
     * @param kinds      of walls, posts and panels together; without those that are kept
     * @param placements of them
     * @param proven     whether no joints that the rules allow have fewer with as many kinds
     */
    public record Option(KitChoice choice, int kinds, long placements, boolean proven) {}

    /** A set of joints. @param set a bit for each joint @param leastKinds and @param floor which it cannot do without */
    private record Candidate(int set, int fixedKinds, int leastKinds, long fixed, long floor) {}

    /** A wall or a post, by the joints that cross it. @param cut what it asks for, cut at some of them */
    private record Crossed(int mask, Function<List<Long>, PlanMemory.Cut> cut) {}

    private final Massing massing;
    private final PlanMemory memory;
    private final KitRules rules;
    private final Length step;
    private final KindFronts fronts;
    private final BooleanSupplier stop;
    private final Consumer<Option> better;
    private final List<WallRun> runs;
    private final List<Post> posts;
    private final TreeMap<Integer, Option> best = new TreeMap<>();
    private final int mostKinds;
    private final List<Long> joints;
    private final List<Crossed> crossed = new ArrayList<>();
    private @Nullable List<Length> tiles;
    /** Whether every height at which something would be cut is chosen from: else nothing is proven. */
    private boolean areAllJointsTried = true;

    private KitOptions(
            Massing massing, PlanMemory memory, int mostKinds, BooleanSupplier stop, Consumer<Option> better) {
        this.better = better;
        this.mostKinds = mostKinds;
        this.massing = massing;
        this.memory = memory;
        this.rules = memory.rules();
        this.step = memory.step();
        this.fronts = memory.fronts();
        this.stop = stop;
        runs = massing.runs().stream().map(r -> rules.openings().fit(r, step)).toList();
        posts = massing.posts();
        joints = joints();
        for (var run : runs) {
            var foot = run.start().z();
            crossed.add(
                    new Crossed(run.whole() ? 0 : mask(foot, foot + run.height().um()), at -> memory.cut(run, at)));
        }
        for (var post : posts) {
            var box = post.box();
            crossed.add(
                    new Crossed(post.whole() ? 0 : mask(box.min().z(), box.max().z()), at -> memory.cut(post, at)));
        }
    }

    /**
     * Fewest kinds first, each with fewer placements than the one before.
     *
     * @param kept kinds that are there already: they may be used, and are not counted
     * @param stop asked now and then whether to give up; what is found by then is given, not proven
     */
    public static List<Option> of(Massing massing, KitRules rules, Set<Kind> kept, BooleanSupplier stop) {
        return of(massing, new PlanMemory(massing.settings().step(), rules, kept), stop);
    }

    /** The same with what is known from plans before; the massing's step is the memory's. */
    public static List<Option> of(Massing massing, PlanMemory memory, BooleanSupplier stop) {
        return of(massing, memory, Integer.MAX_VALUE, stop);
    }

    /** The options of up to so many kinds. */
    public static List<Option> of(Massing massing, PlanMemory memory, int mostKinds, BooleanSupplier stop) {
        return of(massing, memory, mostKinds, stop, better -> {});
    }

    /** @param better told every option that is better than those of as many kinds before it, as it is found */
    public static List<Option> of(
            Massing massing, PlanMemory memory, int mostKinds, BooleanSupplier stop, Consumer<Option> better) {
        return new KitOptions(massing, memory, mostKinds, stop, better).find();
    }

    /** The stretches of wall that no pieces which the rules allow, or which are kept, come to. */
    public static List<KitPlan.Unfillable> unfillable(Massing massing, KitRules rules, Set<Kind> kept) {
        var question = KitChoice.question(massing, rules);
        var memory = new PlanMemory(question.step(), rules, kept);
        var step = question.step();
        var free = memory.free();
        var found = new ArrayList<KitPlan.Unfillable>();
        for (var whole : massing.runs()) {
            var run = rules.openings().fit(whole, step);
            for (var span : run.run().spans()) {
                var steps = Math.toIntExact(span.length().um() / step.um());
                var isMirrored = rules.openings().isMirrored(run, span);
                var isOnStep = span.length().isMultipleOf(step);
                if (isOnStep && memory.fronts().canFill(new Stretch(steps, isMirrored), free)) {
                    continue;
                }
                found.add(new KitPlan.Unfillable(
                        run.name(),
                        span,
                        step.times(memory.fronts().below(new Stretch(steps, isMirrored))),
                        step.times(memory.fronts().above(new Stretch(isOnStep ? steps : steps + 1, isMirrored)))));
            }
        }
        return found;
    }

    /**
     * The option beyond which no further kind saves a tenth of the placements before it; where a kind is worth so many placements,
     * the one that comes to the least.
     *
     * @param kinds      of the options, rising
     * @param placements of the options, falling; at least one
     */
    public static int recommended(KitRules rules, List<Integer> kinds, List<Long> placements) {
        var best = 0;
        if (rules.worth() > 0) {
            for (var i = 1; i < kinds.size(); i++) {
                if (rules.worth() * (kinds.get(i) - kinds.get(best)) < placements.get(best) - placements.get(i)) {
                    best = i;
                }
            }
            return best;
        }
        while (best + 1 < placements.size() && placements.get(best + 1) * 10 <= placements.get(best) * 9) {
            best++;
        }
        return best;
    }

    /** The recommended one of options, fewest kinds first; at least one. */
    public static Option recommended(KitRules rules, List<Option> options) {
        return options.get(recommended(
                rules,
                options.stream().map(Option::kinds).toList(),
                options.stream().map(Option::placements).toList()));
    }

    private List<Option> find() {
        candidates().forEach(this::look);
        var options = new ArrayList<Option>();
        for (var option : best.values()) {
            if (options.isEmpty()
                    || option.placements() < options.get(options.size() - 1).placements()) {
                options.add(option);
            }
        }
        return options;
    }

    /** Heights at which something would be cut, µm. */
    private List<Long> joints() {
        var cut = new HashMap<Long, Integer>();
        for (var z : heights()) {
            var crossing = runs.stream()
                            .filter(r -> !r.whole()
                                    && r.start().z() < z
                                    && z < r.start().z() + r.height().um())
                            .count()
                    + posts.stream()
                            .filter(p -> !p.whole()
                                    && p.box().min().z() < z
                                    && z < p.box().max().z())
                            .count();
            if (crossing > 0) {
                cut.put(z, (int) crossing);
            }
        }
        areAllJointsTried = cut.size() <= MOST_JOINTS;
        return cut.entrySet().stream()
                .sorted(Map.Entry.<Long, Integer>comparingByValue()
                        .reversed()
                        .thenComparing(Map.Entry.comparingByKey()))
                .limit(MOST_JOINTS)
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
    }

    /** Where the rules let walls be cut, µm above the site's zero. */
    private Set<Long> heights() {
        var heights = new HashSet<Long>();
        if (rules.joints().floors()) {
            for (var run : runs) {
                heights.add(run.start().z());
                heights.add(run.start().z() + run.height().um());
            }
            for (var post : posts) {
                heights.add(post.box().min().z());
                heights.add(post.box().max().z());
            }
        }
        for (var room : massing.rooms()) {
            if (rules.joints().floors()) {
                heights.add(room.floor());
            }
            rules.joints().above().forEach(h -> heights.add(room.floor() + h.um()));
        }
        if (rules.joints().openings()) {
            for (var run : runs) {
                for (var panel : run.panels()) {
                    heights.add(run.start().z() + panel.highestFoot(step).um());
                    heights.add(run.start().z() + panel.lowestTop(step).um());
                }
            }
        }
        return heights;
    }

    /** The joints strictly between two heights, a bit each. */
    private int mask(long foot, long top) {
        return IntStream.range(0, joints.size())
                .filter(i -> foot < joints.get(i) && joints.get(i) < top)
                .map(i -> 1 << i)
                .sum();
    }

    private List<Long> at(int set) {
        return IntStream.range(0, joints.size())
                .filter(i -> (set >> i & 1) != 0)
                .mapToObj(joints::get)
                .toList();
    }

    /** What the same joints cross. @param cuts by the set of those at which it is cut */
    private record Group(int mask, List<Crossed> members, Map<Integer, PlanMemory.Cut> cuts) {

        PlanMemory.Cut cut(int set, Function<Integer, List<Long>> joints) {
            return cuts.computeIfAbsent(set & mask, at -> {
                var own = joints.apply(at);
                return members.stream()
                        .map(c -> c.cut().apply(own))
                        .reduce(PlanMemory.Cut.NOTHING, PlanMemory.Cut::with);
            });
        }
    }

    /** Sets of joints at which all can be cut, those of the fewest kinds and then of the fewest placements first. */
    private List<Candidate> candidates() {
        var groups = new TreeMap<Integer, Group>();
        crossed.forEach(c -> groups.computeIfAbsent(c.mask(), m -> new Group(m, new ArrayList<>(), new HashMap<>()))
                .members()
                .add(c));
        var found = new ArrayList<Candidate>();
        branch(List.copyOf(groups.values()), 0, 0, PlanMemory.Cut.NOTHING, found);
        found.sort(Comparator.comparingInt(Candidate::leastKinds).thenComparingLong(Candidate::floor));
        return found;
    }

    /** Decides joint by joint; what only joints decided so far cross is counted, which more joints never make less. */
    private void branch(List<Group> groups, int decided, int set, PlanMemory.Cut before, List<Candidate> found) {
        var all = before;
        for (var group : groups) {
            // Those whose highest joint was the last to be decided.
            if (Integer.SIZE - Integer.numberOfLeadingZeros(group.mask()) == decided) {
                all = all.with(group.cut(set, this::at));
                if (!all.isAllowed() || all.leastKinds() > mostKinds) {
                    return;
                }
            }
        }
        if (decided == joints.size()) {
            found.add(new Candidate(
                    set, all.kinds().cardinality(), all.leastKinds(), all.fixed(), all.fixed() + all.floor()));
            return;
        }
        branch(groups, decided + 1, set, all, found);
        branch(groups, decided + 1, set | 1 << decided, all, found);
    }

    private void look(Candidate candidate) {
        var known = best.floorEntry(candidate.leastKinds());
        if (known != null && known.getValue().placements() <= candidate.floor()) {
            return;
        }
        // Of each size of tier the stretches to be filled, by their lengths.
        var bySize = new TreeMap<Tiers.Size, TreeMap<Stretch, Long>>(Tiers.Size.ORDER);
        for (var c : crossed) {
            for (var need : c.cut().apply(at(candidate.set() & c.mask())).needs()) {
                bySize.computeIfAbsent(need.size(), s -> new TreeMap<>()).merge(need.stretch(), 1L, Long::sum);
            }
        }
        var sizes = List.copyOf(bySize.keySet());
        // What one size can have of the kinds, where the others get no more than they need.
        var mostLengths = (int) Math.min(rules.maxLengths(), (long) mostKinds - candidate.leastKinds() + 1);
        var classes = sizes.stream()
                .map(s -> fronts.ofStretches(Objects.requireNonNull(bySize.get(s)), memory.free(s), mostLengths, stop))
                .toList();
        var least =
                (int) classes.stream().filter(KindFronts.Front::isKindNeeded).count();
        var most = Math.min(sizes.size() * rules.maxLengths(), mostKinds - candidate.fixedKinds());
        for (var kinds = least; kinds <= most; kinds++) {
            var dealt = KindFronts.deal(classes, kinds);
            if (dealt.placements() != KindFronts.NONE) {
                keep(candidate, bySize, sizes, classes, kinds, dealt);
            }
        }
    }

    private List<Length> tiles() {
        if (tiles == null) {
            tiles = memory.tiles(massing);
        }
        return tiles;
    }

    private void keep(
            Candidate candidate,
            Map<Tiers.Size, TreeMap<Stretch, Long>> bySize,
            List<Tiers.Size> sizes,
            List<KindFronts.Front> classes,
            int kinds,
            KindFronts.Dealt dealt) {
        var all = candidate.fixedKinds() + kinds;
        var placements = candidate.fixed() + dealt.placements();
        var known = best.floorEntry(all);
        if (known != null && known.getValue().placements() <= placements) {
            return;
        }
        var lengths = new HashMap<Tiers.Size, List<Length>>();
        for (var i = 0; i < sizes.size(); i++) {
            lengths.put(
                    sizes.get(i),
                    Stream.concat(memory.free(sizes.get(i)).stream(), classes.get(i).lengths(dealt.kinds()[i]).stream())
                            .map(step::times)
                            .sorted(Comparator.reverseOrder())
                            .toList());
        }
        // What belongs to no tier, such as guards, is made of the lengths that fill the most.
        var usual = sizes.stream()
                .max(Comparator.comparingLong(
                        s -> fronts.floorOf(Objects.requireNonNull(bySize.get(s)), new TreeSet<>())))
                .map(lengths::get)
                .orElse(List.of(rules.maxPiece().floorTo(step)));
        var choice = new KitChoice(
                step, Objects.requireNonNull(usual), tiles(), rules, new Tiers(at(candidate.set()), lengths));
        var option = new Option(choice, all, placements, areAllJointsTried && dealt.proven());
        best.put(all, option);
        better.accept(option);
    }
}
