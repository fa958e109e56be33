package hausbau.core.standing;

import hausbau.core.fit.KindFronts;
import hausbau.core.fit.Stretch;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Recipe;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Post;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Supplier;

/**
 * What was worked out for one plan and holds for the next one of the same step, rules and kept kinds: what each wall and post asks
 * for when it is cut, and the fronts of lengths. A plan after a small change then costs what is new. Not for several threads at once.
 *
 * <p>Memory: some 300 bytes for each wall and way of cutting it; it lives as long as the question that it is made for.
 */
public final class PlanMemory {

    /** A stretch that pieces of a size must fill. */
    record Need(Tiers.Size size, Stretch stretch) {}

    /**
     * What a wall or a post asks for, cut in one way.
     *
     * @param sizes   numbers of the sizes of its tiers for which no piece is kept
     * @param kinds   numbers of the posts and panels in it that are to be made
     * @param fixed   how many posts and panels
     * @param floor   no lengths need fewer pieces for the stretches
     */
    record Cut(boolean isAllowed, BitSet sizes, BitSet kinds, List<Need> needs, long fixed, long floor) {

        static final Cut NOT_ALLOWED = new Cut(false, new BitSet(), new BitSet(), List.of(), 0, 0);
        static final Cut NOTHING = new Cut(true, new BitSet(), new BitSet(), List.of(), 0, 0);

        /** So many kinds it cannot do without. */
        int leastKinds() {
            return kinds.cardinality() + sizes.cardinality();
        }

        /** What both ask for; the needs are left out. */
        Cut with(Cut other) {
            if (!isAllowed || !other.isAllowed) {
                return NOT_ALLOWED;
            }
            var allSizes = (BitSet) sizes.clone();
            allSizes.or(other.sizes);
            var allKinds = (BitSet) kinds.clone();
            allKinds.or(other.kinds);
            return new Cut(true, allSizes, allKinds, List.of(), fixed + other.fixed, floor + other.floor);
        }
    }

    /** What sizes of tiles hang on. */
    private record TilesAsked(List<Length> clear, boolean mirrored) {}

    private record Key(Object of, List<Long> joints) {}

    /** A post's recipe under a pattern. */
    private record Looking(Recipe recipe, long look) {}

    private final Length step;
    private final KitRules rules;
    private final Set<Kind> kept;
    private final KindFronts fronts;
    private final Map<Tiers.Size, SortedSet<Integer>> keptWalls = new HashMap<>();
    private final Map<Key, Cut> cuts = new HashMap<>();
    private final Map<Object, Integer> numbers = new HashMap<>();
    private final Map<Looking, Kind> postKinds = new HashMap<>();
    private final Map<TilesAsked, List<Length>> tiles = new HashMap<>();

    /** @param kept kinds that are there already: they may be used, and are not counted */
    public PlanMemory(Length step, KitRules rules, Set<Kind> kept) {
        this.step = step;
        this.rules = rules;
        this.kept = kept;
        fronts = new KindFronts(rules.lengths().inSteps(step));
        kept.stream().filter(k -> k.recipe() instanceof Recipe.WallPanel).forEach(this::keepWall);
    }

    /** For a set's building: what stands of its kit is kept where the rules keep it. */
    public static PlanMemory of(StandingSet set, KitRules rules) {
        return new PlanMemory(set.decisions().massing().settings().step(), rules, rules.kept(set));
    }

    /** Whether what is remembered holds for a set under these rules: its step is the same, and so are the kinds that are kept. */
    public boolean fits(StandingSet set, KitRules others) {
        return step.equals(set.decisions().massing().settings().step())
                && rules.equals(others)
                && (!others.keeps() || kept.equals(others.kept(set)));
    }

    private void keepWall(Kind kind) {
        var length = new Length(kind.box().size().x());
        if (length.isMultipleOf(step)) {
            keptWalls
                    .computeIfAbsent(Tiers.Size.of(kind), s -> new TreeSet<>())
                    .add(Math.toIntExact(length.um() / step.um()));
        }
    }

    Length step() {
        return step;
    }

    KitRules rules() {
        return rules;
    }

    KindFronts fronts() {
        return fronts;
    }

    /** The tile sizes that go with a massing's rooms. */
    List<Length> tiles(Massing massing) {
        return tiles.computeIfAbsent(
                new TilesAsked(Tiling.clear(massing), massing.settings().tiles().mirrored()),
                asked -> Tiling.sizes(step, asked.clear(), asked.mirrored(), rules.minPiece(), rules.maxPiece()));
    }

    /** Lengths in steps that pieces of a size are there in already. */
    SortedSet<Integer> free(Tiers.Size size) {
        return keptWalls.getOrDefault(size, Collections.emptySortedSet());
    }

    /** Lengths in steps that some piece of wall is there in already. */
    SortedSet<Integer> free() {
        var all = new TreeSet<Integer>();
        keptWalls.values().forEach(all::addAll);
        return all;
    }

    /** @param run as the rules fit its panels @param joints those that cross it */
    Cut cut(WallRun run, List<Long> joints) {
        return cut(new Key(run, joints), () -> work(run, new Tiers(joints, Map.of())));
    }

    /** @param joints those that cross it */
    Cut cut(Post post, List<Long> joints) {
        return cut(new Key(post, joints), () -> work(post, new Tiers(joints, Map.of())));
    }

    private Cut cut(Key key, Supplier<Cut> work) {
        var known = cuts.get(key);
        if (known == null) {
            known = work.get();
            cuts.put(key, known);
        }
        return known;
    }

    private Cut work(WallRun run, Tiers tiers) {
        var layers = tiers.layers(run);
        if (!run.whole() && !areAllowed(layers)) {
            return Cut.NOT_ALLOWED;
        }
        var sizes = new BitSet();
        var kinds = new BitSet();
        var needs = new ArrayList<Need>();
        var floor = 0L;
        for (var layer : layers) {
            var size = Tiers.Size.of(run, layer);
            var free = free(size);
            for (var span : tiers.between(run, layer).spans()) {
                var steps = Math.toIntExact(span.length().um() / step.um());
                var stretch = new Stretch(steps, rules.openings().isMirrored(run, span));
                if (!span.length().isMultipleOf(step) || !fronts.canFill(stretch, free)) {
                    return Cut.NOT_ALLOWED;
                }
                needs.add(new Need(size, stretch));
                floor += fronts.floor(steps, free);
                if (free.isEmpty()) {
                    sizes.set(number(size));
                }
            }
        }
        for (var panel : run.panels()) {
            count(ShellBuilding.openingPanel(run, panel, tiers.stack(run, panel)), kinds);
        }
        return new Cut(true, sizes, kinds, List.copyOf(needs), run.panels().size(), floor);
    }

    private Cut work(Post post, Tiers tiers) {
        var layers = tiers.layers(post);
        if (!post.whole() && !areAllowed(layers)) {
            return Cut.NOT_ALLOWED;
        }
        var kinds = new BitSet();
        for (var layer : layers) {
            var recipe = ShellBuilding.recipe(post.between(layer.foot(), layer.top()));
            count(
                    postKinds.computeIfAbsent(
                            new Looking(recipe, post.look()), p -> ShellBuilding.postKind(recipe, post.look())),
                    kinds);
        }
        return new Cut(true, new BitSet(), kinds, List.of(), layers.size(), 0);
    }

    private void count(Kind kind, BitSet kinds) {
        if (!kept.contains(kind)) {
            kinds.set(number(kind));
        }
    }

    private int number(Object of) {
        var next = numbers.size();
        return numbers.computeIfAbsent(of, o -> next);
    }

    private boolean areAllowed(List<Tiers.Layer> layers) {
        // A wall that is not cut may be as low as it is.
        var whole = layers.size() == 1 && rules.heights().only().isEmpty();
        return layers.stream()
                .allMatch(l -> whole
                        ? l.height().compareTo(rules.heights().greatest()) <= 0
                        : rules.heights().allows(l.height()));
    }
}
