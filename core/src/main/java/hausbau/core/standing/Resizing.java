package hausbau.core.standing;

import hausbau.core.fit.Filling;
import hausbau.core.fit.KindFronts;
import hausbau.core.fit.Span;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Recipe;
import hausbau.core.massing.Massing;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A kit in which one kind of wall piece has another length or another height, while all others are kept. Where they no longer fill a
 * stretch, the fewest further lengths are added that do. Another height moves the joints at its tops, or at its feet where all its
 * tops are ceilings; where it stands from floor to ceiling it stays as high as the room.
 *
 * @param choice the kit
 * @param unfit  stretches that the kept lengths with the new one do not fill
 * @param added  what is added so that they are filled
 */
public record Resizing(KitChoice choice, List<Stretch> unfit, List<Size> added) {

    /** A length along a run, in a tier of this height. */
    public record Stretch(String run, Length at, Length length, Length height) {}

    public record Size(Length length, Length height) {}

    /**
     * @param kind of the kit
     * @param stop asked now and then whether to give up looking for fewer further lengths
     * @throws Refused if the kind is no length of the kit, or its new size cannot be had
     */
    public static Resizing of(
            Massing massing, KitChoice choice, Kind kind, Length length, Length height, BooleanSupplier stop) {
        return new Work(massing, choice, kind, stop).to(length, height);
    }

    private static final class Work {

        private final Massing massing;
        private final KitChoice choice;
        private final KitRules rules;
        private final Length step;
        private final Unit unit;
        private final BooleanSupplier stop;
        private final List<WallRun> runs;
        private final Tiers.Size was;
        private final Length wasLength;

        Work(Massing massing, KitChoice choice, Kind kind, BooleanSupplier stop) {
            this.massing = massing;
            this.choice = choice;
            this.rules = choice.rules();
            this.step = choice.step();
            this.unit = massing.settings().unit();
            this.stop = stop;
            runs = massing.runs().stream().map(choice::fit).toList();
            was = Tiers.Size.of(kind);
            wasLength = new Length(kind.size().x());
            if (!(kind.recipe() instanceof Recipe.WallPanel)
                    || !choice.fits(massing)
                    || !choice.lengths(was).contains(wasLength)) {
                throw new Refused(
                        "pieceId",
                        "Only pieces of wall whose length the kit chose have a size of their own: others follow the massing.");
            }
        }

        Resizing to(Length length, Length height) {
            check("lengthMm", length, rules.lengths());
            var lengths = new HashMap<>(choice.tiers().lengths());
            lengths.put(
                    was,
                    Stream.concat(choice.lengths(was).stream().filter(l -> !l.equals(wasLength)), Stream.of(length))
                            .distinct()
                            .sorted(Comparator.reverseOrder())
                            .toList());
            var tiers = new Tiers(choice.tiers().joints(), lengths);
            return filled(height.equals(was.height()) ? tiers : stacked(tiers, height), length);
        }

        private void check(String field, Length size, KitRules.Sizes allowed) {
            if (!size.isMultipleOf(step)) {
                throw new Refused(
                        field, unit.format(size) + " is not a whole number of steps of " + unit.format(step) + ".");
            }
            if (!allowed.allows(size)) {
                throw new Refused(
                        field,
                        "The kit's rules allow " + unit.format(allowed.least()) + " to "
                                + unit.format(allowed.greatest())
                                + (allowed.only().isEmpty() && allowed.never().isEmpty()
                                        ? "."
                                        : ", and not " + unit.format(size) + "."));
            }
        }

        /** With the joints moved so that the kind's tier has this height, each new tier with the lengths of the one it comes from. */
        private Tiers stacked(Tiers tiers, Length height) {
            check("heightMm", height, rules.heights());
            var layers = layersOfKind();
            var joints = new HashSet<>(tiers.joints());
            var by = height.um() - was.height().um();
            var moved = new HashMap<Long, Long>();
            layers.stream().map(Tiers.Layer::top).filter(joints::contains).forEach(z -> moved.put(z, z + by));
            if (moved.isEmpty()) {
                layers.stream().map(Tiers.Layer::foot).filter(joints::contains).forEach(z -> moved.put(z, z - by));
            }
            if (moved.isEmpty()) {
                throw new Refused(
                        "heightMm",
                        "This piece stands from floor to ceiling, so its height is the room's: change that under Massing.");
            }
            var next = tiers.joints().stream()
                    .map(j -> moved.getOrDefault(j, j))
                    .sorted()
                    .toList();
            var then = new Tiers(next, tiers.lengths());
            var lengths = new HashMap<>(tiers.lengths());
            for (var run : runs) {
                var before = tiers.layers(run);
                var after = then.layers(run);
                if (before.size() != after.size()) {
                    throw new Refused(
                            "heightMm", "With this height a joint would pass a floor or a ceiling. Try one nearer.");
                }
                for (var i = 0; i < after.size(); i++) {
                    var least = rules.heights().least();
                    if (after.size() > 1 && after.get(i).height().compareTo(least) < 0) {
                        throw new Refused(
                                "heightMm",
                                "With this height a strip of "
                                        + unit.format(after.get(i).height()) + " would be left on “" + run.name()
                                        + "”; the least tier is " + unit.format(least) + ".");
                    }
                    lengths.putIfAbsent(
                            Tiers.Size.of(run, after.get(i)), choice.lengths(Tiers.Size.of(run, before.get(i))));
                }
            }
            return new Tiers(next, lengths);
        }

        /** Where the kind stands. */
        private Set<Tiers.Layer> layersOfKind() {
            var filler = new RunLayout.Filler(
                    choice, runs.stream().map(WallRun::length).reduce(Length.ZERO, Length::max));
            return massing.runs().stream()
                    .flatMap(r -> RunLayout.of(r, filler).pieces().stream()
                            .filter(i -> i.length().equals(wasLength)
                                    && Tiers.Size.of(r, i.layer()).equals(was)))
                    .map(RunLayout.Item::layer)
                    .collect(Collectors.toSet());
        }

        private record Asked(String run, Span span) {}

        private Resizing filled(Tiers tiers, Length length) {
            var asked = new TreeMap<Tiers.Size, List<Asked>>(Tiers.Size.ORDER);
            for (var run : runs) {
                for (var layer : tiers.layers(run)) {
                    var of = asked.computeIfAbsent(Tiers.Size.of(run, layer), s -> new ArrayList<>());
                    tiers.between(run, layer).spans().stream()
                            .filter(s -> s.length().isMultipleOf(step))
                            .forEach(s -> of.add(new Asked(run.name(), s)));
                }
            }
            var fronts = new KindFronts(rules.lengths().inSteps(step));
            var lengths = new HashMap<Tiers.Size, List<Length>>();
            var unfit = new ArrayList<Stretch>();
            var added = new ArrayList<Size>();
            asked.forEach((size, spans) -> {
                var own = tiers.lengths(size).orElse(choice.kinds());
                var open = open(own, spans);
                if (!open.isEmpty()) {
                    open.forEach(a -> unfit.add(
                            new Stretch(a.run(), a.span().at(), a.span().length(), size.height())));
                    var further = further(fronts, own, length, open);
                    further.forEach(l -> added.add(new Size(l, size.height())));
                    own = Stream.concat(own.stream(), further.stream()).toList();
                }
                lengths.put(size, used(own, spans));
            });
            return new Resizing(
                    new KitChoice(step, choice.kinds(), choice.tiles(), rules, new Tiers(tiers.joints(), lengths)),
                    List.copyOf(unfit),
                    List.copyOf(added));
        }

        private List<Asked> open(List<Length> lengths, List<Asked> spans) {
            var filling = filling(lengths, spans);
            return spans.stream()
                    .filter(a -> filling.fill(a.span().length()).isEmpty())
                    .toList();
        }

        private Filling filling(List<Length> lengths, List<Asked> spans) {
            return new Filling(
                    step, lengths, spans.stream().map(a -> a.span().length()).reduce(Length.ZERO, Length::max));
        }

        /**
         * The fewest lengths that with these fill the open stretches, and of those the ones that need the fewest pieces. The wanted
         * length is laid in each once where it can be: else the best would often be to do without it.
         */
        private List<Length> further(KindFronts fronts, List<Length> own, Length wanted, List<Asked> open) {
            var free = own.stream().map(this::steps).collect(Collectors.toCollection(TreeSet::new));
            var steps = new TreeMap<Integer, Long>();
            for (var a : open) {
                var whole = steps(a.span().length());
                var rest = whole - steps(wanted);
                steps.merge(rest > 0 && fronts.canFill(rest, free) ? rest : whole, 1L, Long::sum);
            }
            for (var kinds = 1; kinds <= rules.maxLengths(); kinds++) {
                var found = fronts.of(steps, free, kinds, stop).lengths(kinds);
                if (!found.isEmpty()) {
                    return found.stream().map(step::times).toList();
                }
            }
            var first = open.get(0);
            throw new Refused(
                    "lengthMm",
                    "Then no " + rules.maxLengths() + " further lengths fill “" + first.run() + "” from "
                            + unit.format(first.span().at()) + " to "
                            + unit.format(first.span().end()) + ".");
        }

        private int steps(Length length) {
            return Math.toIntExact(length.um() / step.um());
        }

        /** Those that are laid somewhere, falling; all if there is nothing to fill. */
        private List<Length> used(List<Length> lengths, List<Asked> spans) {
            var filling = filling(lengths, spans);
            var used = new HashSet<Length>();
            spans.forEach(a -> filling.fill(a.span().length()).ifPresent(used::addAll));
            return lengths.stream()
                    .filter(l -> used.isEmpty() || used.contains(l))
                    .sorted(Comparator.reverseOrder())
                    .toList();
        }
    }
}
