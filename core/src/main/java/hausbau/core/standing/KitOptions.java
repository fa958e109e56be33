package hausbau.core.standing;

import hausbau.core.fit.KindFronts;
import hausbau.core.fit.KitPlan;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Recipe;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Post;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;

/**
 * The kits that a massing's walls, posts and opening panels can be built from: for each number of kinds the fewest placements, over
 * all choices of joints among the heights that the rules allow, and of lengths for the tiers between them.
 *
 * <p>Once the joints are chosen, posts and panels are what they are, and the lengths of each tier's height are a problem of their
 * own ({@link KindFronts}). So every set of joints is looked at, those of the fewest kinds first, and left out where a kit that is
 * known already has no more kinds and no more placements than it could have at best.
 */
public final class KitOptions {

    /** Beyond this many heights only those at which the most is cut are chosen from. */
    private static final int MOST_JOINTS = 10;
    /**
     * @param kinds      of walls, posts and panels together; without those that are kept
     * @param placements of them
     * @param proven     whether no joints that the rules allow have fewer with as many kinds
     */
    public record Option(KitChoice choice, int kinds, long placements, boolean proven) {}

    /**
     * What a set of joints asks for.
     *
     * @param free  lengths in steps that pieces of a size are there in already
     * @param fixed posts and panels, which are what they are
     */
    private record Stacked(
            Tiers tiers,
            Map<Tiers.Size, TreeMap<Integer, Long>> spans,
            Map<Tiers.Size, SortedSet<Integer>> free,
            int leastKinds,
            int fixedKinds,
            long fixed,
            boolean isOneLook) {}

    private record PostLook(Recipe recipe, long look) {}

    private record WallLook(Tiers.Size size, long look) {}

    private final Massing massing;
    private final KitRules rules;
    private final Length step;
    private final KindFronts fronts;
    private final BooleanSupplier stop;
    private final List<WallRun> runs;
    private final List<Post> posts;
    private final Set<Kind> kept;
    private final Map<WallLook, SortedSet<Integer>> keptWalls = new HashMap<>();
    private final Map<PostLook, Kind> postKinds = new HashMap<>();
    private final Map<Long, Long> looks = new HashMap<>();
    private final TreeMap<Integer, Option> best = new TreeMap<>();
    /** Whether every height at which something would be cut is chosen from: else nothing is proven. */
    private boolean areAllJointsTried = true;

    private KitOptions(Massing massing, KitRules rules, Set<Kind> kept, KindFronts fronts, BooleanSupplier stop) {
        this.massing = massing;
        this.rules = rules;
        this.step = massing.settings().step();
        this.stop = stop;
        this.fronts = fronts;
        this.kept = kept;
        runs = massing.runs().stream().map(r -> rules.openings().fit(r, step)).toList();
        posts = massing.posts();
        massing.rooms().forEach(r -> looks.put(r.id(), r.look()));
        kept.stream().filter(k -> k.recipe() instanceof Recipe.WallPanel).forEach(this::keepWall);
    }

    private void keepWall(Kind kind) {
        var size = kind.box().size();
        var length = new Length(size.x());
        if (length.isMultipleOf(step)) {
            keptWalls
                    .computeIfAbsent(
                            new WallLook(new Tiers.Size(new Length(size.z()), new Length(size.y())), kind.look()),
                            s -> new TreeSet<>())
                    .add(Math.toIntExact(length.um() / step.um()));
        }
    }

    /**
     * Fewest kinds first, each with fewer placements than the one before.
     *
     * @param kept kinds that are there already: they may be used, and are not counted
     * @param stop asked now and then whether to give up; what is found by then is given, not proven
     */
    public static List<Option> of(Massing massing, KitRules rules, Set<Kind> kept, BooleanSupplier stop) {
        return of(massing, rules, kept, fronts(massing, rules), stop);
    }

    /** The same with fronts that are known already, of the same rules. */
    public static List<Option> of(
            Massing massing, KitRules rules, Set<Kind> kept, KindFronts fronts, BooleanSupplier stop) {
        return new KitOptions(massing, rules, kept, fronts, stop).find();
    }

    /** The stretches of wall that no pieces which the rules allow, or which are kept, come to. */
    public static List<KitPlan.Unfillable> unfillable(Massing massing, KitRules rules, Set<Kind> kept) {
        var question = KitChoice.question(massing, rules);
        var step = massing.settings().step();
        var fronts = fronts(massing, rules);
        var free = new TreeSet<Integer>();
        new KitOptions(massing, rules, kept, fronts, () -> false)
                .keptWalls
                .values()
                .forEach(free::addAll);
        var found = new ArrayList<KitPlan.Unfillable>();
        for (var run : question.runs()) {
            for (var span : run.spans()) {
                var steps = Math.toIntExact(span.length().um() / step.um());
                if (span.length().isMultipleOf(step) && fronts.canFill(steps, free)) {
                    continue;
                }
                found.add(new KitPlan.Unfillable(
                        run.name(),
                        span,
                        step.times(fronts.below(steps)),
                        step.times(fronts.above(span.length().isMultipleOf(step) ? steps : steps + 1))));
            }
        }
        return found;
    }

    /** Fronts of lengths within these rules, to be kept from one plan to the next. */
    public static KindFronts fronts(Massing massing, KitRules rules) {
        return new KindFronts(rules.lengths().inSteps(massing.settings().step()));
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

    private List<Option> find() {
        var joints = joints();
        var all = new ArrayList<Stacked>();
        for (var set = 0; set < 1 << joints.size(); set++) {
            var chosen = new ArrayList<Long>();
            for (var i = 0; i < joints.size(); i++) {
                if ((set >> i & 1) != 0) {
                    chosen.add(joints.get(i));
                }
            }
            stacked(new Tiers(chosen, Map.of()), all);
        }
        all.sort(Comparator.comparingInt(Stacked::leastKinds).thenComparingLong(this::floor));
        all.forEach(this::look);
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
                            .filter(r -> r.start().z() < z
                                    && z < r.start().z() + r.height().um())
                            .count()
                    + posts.stream()
                            .filter(p ->
                                    p.box().min().z() < z && z < p.box().max().z())
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

    /** Adds what these joints ask for, unless they make a tier that is not allowed or a stretch that no piece fills. */
    private void stacked(Tiers tiers, List<Stacked> all) {
        var spans = new HashMap<Tiers.Size, TreeMap<Integer, Long>>();
        var looksOf = new HashMap<Tiers.Size, Set<Long>>();
        var kinds = new HashSet<Kind>();
        var fixed = 0L;
        for (var run : runs) {
            var look = Objects.requireNonNull(looks.get(run.room()));
            var layers = tiers.layers(run);
            if (!areAllowed(layers)) {
                return;
            }
            for (var layer : layers) {
                var size = new Tiers.Size(layer.height(), run.depth());
                for (var span : tiers.between(run, layer).spans()) {
                    if (!span.length().isMultipleOf(step)) {
                        return;
                    }
                    spans.computeIfAbsent(size, s -> new TreeMap<>())
                            .merge(Math.toIntExact(span.length().um() / step.um()), 1L, Long::sum);
                    looksOf.computeIfAbsent(size, s -> new HashSet<>()).add(look);
                }
            }
            for (var panel : run.panels()) {
                kinds.add(ShellBuilding.openingPanel(run, panel, tiers.stack(run, panel), look));
                fixed++;
            }
        }
        for (var post : posts) {
            var layers = tiers.layers(post.box().min().z(), post.box().max().z());
            if (!areAllowed(layers)) {
                return;
            }
            for (var layer : layers) {
                kinds.add(postKinds.computeIfAbsent(
                        new PostLook(
                                ShellBuilding.recipe(post.between(layer.foot(), layer.top())),
                                Objects.requireNonNull(looks.get(post.room()))),
                        p -> ShellBuilding.postKind(p.recipe(), p.look())));
                fixed++;
            }
        }
        kinds.removeAll(kept);
        add(tiers, spans, looksOf, kinds.size(), fixed, all);
    }

    private void add(
            Tiers tiers,
            Map<Tiers.Size, TreeMap<Integer, Long>> spans,
            Map<Tiers.Size, Set<Long>> looksOf,
            int fixedKinds,
            long fixed,
            List<Stacked> all) {
        var free = new HashMap<Tiers.Size, SortedSet<Integer>>();
        var leastKinds = fixedKinds;
        for (var of : spans.entrySet()) {
            var lengths = free(of.getKey(), Objects.requireNonNull(looksOf.get(of.getKey())));
            if (!of.getValue().keySet().stream().allMatch(span -> fronts.canFill(span, lengths))) {
                return;
            }
            free.put(of.getKey(), lengths);
            if (lengths.isEmpty() || fronts.of(of.getValue(), lengths, 0, stop).isKindNeeded()) {
                leastKinds++;
            }
        }
        all.add(new Stacked(
                tiers,
                spans,
                free,
                leastKinds,
                fixedKinds,
                fixed,
                looksOf.values().stream().allMatch(of -> of.size() == 1)));
    }

    /** Lengths that are there already in all these looks. */
    private SortedSet<Integer> free(Tiers.Size size, Set<Long> looksOf) {
        var common = new TreeSet<Integer>();
        var isFirst = true;
        for (var look : looksOf) {
            var of = keptWalls.getOrDefault(new WallLook(size, look), Collections.emptySortedSet());
            if (isFirst) {
                common.addAll(of);
            } else {
                common.retainAll(of);
            }
            isFirst = false;
        }
        return common;
    }

    private boolean areAllowed(List<Tiers.Layer> layers) {
        // A wall that is not cut may be as low as it is.
        var whole = layers.size() == 1 && rules.heights().only().isEmpty();
        return layers.stream()
                .allMatch(l -> whole
                        ? l.height().compareTo(rules.heights().greatest()) <= 0
                        : rules.heights().allows(l.height()));
    }

    private long floor(Stacked stacked) {
        return stacked.fixed()
                + stacked.spans().entrySet().stream()
                        .mapToLong(s -> fronts.floor(
                                s.getValue(),
                                Objects.requireNonNull(stacked.free().get(s.getKey()))))
                        .sum();
    }

    private void look(Stacked stacked) {
        var known = best.floorEntry(stacked.leastKinds());
        if (known != null && known.getValue().placements() <= floor(stacked)) {
            return;
        }
        var sizes = stacked.spans().keySet().stream()
                .sorted(Comparator.comparing(Tiers.Size::height).thenComparing(Tiers.Size::depth))
                .toList();
        var classes = sizes.stream()
                .map(s -> fronts.of(
                        Objects.requireNonNull(stacked.spans().get(s)),
                        Objects.requireNonNull(stacked.free().get(s)),
                        rules.maxLengths(),
                        stop))
                .toList();
        for (var kinds = stacked.leastKinds() - stacked.fixedKinds();
                kinds <= sizes.size() * rules.maxLengths();
                kinds++) {
            var dealt = KindFronts.deal(classes, kinds);
            if (dealt.placements() != KindFronts.NONE) {
                keep(stacked, sizes, classes, kinds, dealt);
            }
        }
    }

    private void keep(
            Stacked stacked,
            List<Tiers.Size> sizes,
            List<KindFronts.Front> classes,
            int kinds,
            KindFronts.Dealt dealt) {
        var all = stacked.fixedKinds() + kinds;
        var placements = stacked.fixed() + dealt.placements();
        var known = best.floorEntry(all);
        if (known != null && known.getValue().placements() <= placements) {
            return;
        }
        var lengths = new HashMap<Tiers.Size, List<Length>>();
        for (var i = 0; i < sizes.size(); i++) {
            lengths.put(
                    sizes.get(i),
                    Stream.concat(
                                    Objects.requireNonNull(stacked.free().get(sizes.get(i))).stream(),
                                    classes.get(i).lengths(dealt.kinds()[i]).stream())
                            .map(step::times)
                            .sorted(Comparator.reverseOrder())
                            .toList());
        }
        // What belongs to no tier, such as guards, is made of the lengths that fill the most.
        var usual = sizes.stream()
                .max(Comparator.comparingLong(
                        s -> fronts.floor(Objects.requireNonNull(stacked.spans().get(s)))))
                .map(lengths::get)
                .orElse(List.of(rules.maxPiece().floorTo(step)));
        var choice = new KitChoice(
                step,
                Objects.requireNonNull(usual),
                KitChoice.tiles(massing, rules.minPiece(), rules.maxPiece()),
                rules,
                new Tiers(stacked.tiers().joints(), lengths));
        best.put(all, new Option(choice, all, placements, areAllJointsTried && dealt.proven() && stacked.isOneLook()));
    }
}
