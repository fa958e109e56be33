package hausbau.core.standing;

import hausbau.core.fit.KindFronts;
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
import java.util.function.BooleanSupplier;

/**
 * The kits that a massing's walls, posts and opening panels can be built from: for each number of kinds the fewest placements, over
 * all choices of joints among the floors and ceilings of the building, and of lengths for the tiers between them.
 *
 * <p>Once the joints are chosen, posts and panels are what they are, and the lengths of each tier's height are a problem of their
 * own ({@link KindFronts}). So every set of joints is looked at, those of the fewest kinds first, and left out where a kit that is
 * known already has no more kinds and no more placements than it could have at best.
 */
public final class KitOptions {

    /** Beyond this many heights only those at which the most is cut are chosen from. */
    private static final int MOST_JOINTS = 10;
    /** No tier is lower: thinner strips are no pieces. Common practice, no source. */
    private static final Length LEAST_TIER = Length.ofMillimetres(400);

    /**
     * @param kinds      of walls, posts and panels together
     * @param placements of them
     * @param proven     whether no joints at floors and ceilings with as many kinds have fewer
     */
    public record Option(KitChoice choice, int kinds, long placements, boolean proven) {}

    /** What a set of joints asks for. @param fixed posts and panels, which are what they are */
    private record Stacked(
            Tiers tiers, Map<Tiers.Size, TreeMap<Integer, Long>> spans, int fixedKinds, long fixed, boolean isOneLook) {

        int leastKinds() {
            return fixedKinds + spans.size();
        }
    }

    private final Massing massing;
    private final KitChoice base;
    private final Length step;
    private final int maxLengths;
    private final KindFronts fronts;
    private final BooleanSupplier stop;
    private final List<WallRun> runs;
    private final List<Post> posts;
    private final Map<Long, Long> looks = new HashMap<>();
    private final TreeMap<Integer, Option> best = new TreeMap<>();
    /** Whether every height at which something would be cut is chosen from: else nothing is proven. */
    private boolean areAllJointsTried = true;

    private KitOptions(Massing massing, KitChoice base, int maxLengths, KindFronts fronts, BooleanSupplier stop) {
        this.massing = massing;
        this.base = base;
        this.step = base.step();
        this.maxLengths = maxLengths;
        this.stop = stop;
        this.fronts = fronts;
        runs = massing.runs().stream().map(base::fit).toList();
        posts = massing.posts();
        massing.rooms().forEach(r -> looks.put(r.id(), r.look()));
    }

    /**
     * Fewest kinds first, each with fewer placements than the one before.
     *
     * @param maxLengths how many lengths of one height at most
     * @param stop       asked now and then whether to give up; what is found by then is given, not proven
     */
    public static List<Option> of(
            Massing massing, Length minPiece, Length maxPiece, int maxLengths, BooleanSupplier stop) {
        return of(
                massing,
                minPiece,
                maxPiece,
                maxLengths,
                fronts(massing.settings().step(), minPiece, maxPiece),
                stop);
    }

    /** The same with fronts that are known already, of the same limits. */
    public static List<Option> of(
            Massing massing,
            Length minPiece,
            Length maxPiece,
            int maxLengths,
            KindFronts fronts,
            BooleanSupplier stop) {
        var tiles = KitChoice.tiles(massing, minPiece, maxPiece);
        var base = new KitChoice(massing.settings().step(), List.of(), tiles, minPiece, maxPiece);
        return new KitOptions(massing, base, maxLengths, fronts, stop).find();
    }

    /** Fronts of lengths within these limits, to be kept from one plan to the next. */
    public static KindFronts fronts(Length step, Length minPiece, Length maxPiece) {
        return new KindFronts(
                Math.toIntExact(minPiece.ceilTo(step).um() / step.um()),
                Math.toIntExact(maxPiece.floorTo(step).um() / step.um()));
    }

    /**
     * The option beyond which no further kind saves a tenth of the placements before it.
     *
     * @param placements of the options, falling; at least one
     */
    public static int recommended(List<Long> placements) {
        var best = 0;
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

    /** Floors and ceilings at which something would be cut, µm. */
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

    private Set<Long> heights() {
        var heights = new HashSet<Long>();
        for (var run : runs) {
            heights.add(run.start().z());
            heights.add(run.start().z() + run.height().um());
        }
        for (var post : posts) {
            heights.add(post.box().min().z());
            heights.add(post.box().max().z());
        }
        massing.rooms().forEach(r -> heights.add(r.floor()));
        return heights;
    }

    /** Adds what these joints ask for, unless they make a tier too low or a stretch that no piece fills. */
    private void stacked(Tiers tiers, List<Stacked> all) {
        var spans = new HashMap<Tiers.Size, TreeMap<Integer, Long>>();
        var looksOf = new HashMap<Tiers.Size, Set<Long>>();
        var kinds = new HashSet<Object>();
        var fixed = 0L;
        for (var run : runs) {
            var look = Objects.requireNonNull(looks.get(run.room()));
            var layers = tiers.layers(run);
            if (areTooLow(layers)) {
                return;
            }
            for (var layer : layers) {
                var size = new Tiers.Size(layer.height(), run.depth());
                for (var span : tiers.between(run, layer).spans()) {
                    if (!span.length().isMultipleOf(step)) {
                        return;
                    }
                    var steps = Math.toIntExact(span.length().um() / step.um());
                    if (!fronts.canFill(steps)) {
                        return;
                    }
                    spans.computeIfAbsent(size, s -> new TreeMap<>()).merge(steps, 1L, Long::sum);
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
            if (areTooLow(layers)) {
                return;
            }
            for (var layer : layers) {
                kinds.add(List.of(
                        ShellBuilding.recipe(post.between(layer.foot(), layer.top())),
                        Objects.requireNonNull(looks.get(post.room()))));
                fixed++;
            }
        }
        all.add(new Stacked(
                tiers, spans, kinds.size(), fixed, looksOf.values().stream().allMatch(of -> of.size() == 1)));
    }

    private static boolean areTooLow(List<Tiers.Layer> layers) {
        return layers.size() > 1 && layers.stream().anyMatch(l -> l.height().compareTo(LEAST_TIER) < 0);
    }

    private long floor(Stacked stacked) {
        return stacked.fixed()
                + stacked.spans().values().stream().mapToLong(fronts::floor).sum();
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
                .map(s -> fronts.of(Objects.requireNonNull(stacked.spans().get(s)), maxLengths, stop))
                .toList();
        for (var kinds = sizes.size(); kinds <= sizes.size() * maxLengths; kinds++) {
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
                    classes.get(i).lengths(dealt.kinds()[i]).stream()
                            .map(k -> step.times(k))
                            .toList());
        }
        // What belongs to no tier, such as guards, is made of the lengths that fill the most.
        var usual = sizes.stream()
                .max(Comparator.comparingLong(
                        s -> fronts.floor(Objects.requireNonNull(stacked.spans().get(s)))))
                .map(lengths::get)
                .orElse(List.of(base.maxPiece().floorTo(step)));
        var choice = new KitChoice(
                step,
                Objects.requireNonNull(usual),
                base.tiles(),
                base.minPiece(),
                base.maxPiece(),
                new Tiers(stacked.tiers().joints(), lengths));
        best.put(all, new Option(choice, all, placements, areAllJointsTried && dealt.proven() && stacked.isOneLook()));
    }
}
