package hausbau.core.standing;

import hausbau.core.fit.FilledRun;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.kit.Sides;
import hausbau.core.massing.Massing;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongUnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The kit that was chosen for a site: all that the planner found, so that nothing is searched for again when the set is
 * built from it.
 *
 * @param step     the step it was worked out on; the kinds are whole numbers of it
 * @param kinds    wall lengths, falling
 * @param tiles    sizes of floor and ceiling tiles, falling; empty where no tiles fit
 * @param rules    what it was allowed to be made of
 * @param tiers    how walls are stacked
 */
public record KitChoice(Length step, List<Length> kinds, List<Length> tiles, KitRules rules, Tiers tiers) {

    /** Every piece from floor to ceiling. */
    public KitChoice(Length step, List<Length> kinds, List<Length> tiles, Length minPiece, Length maxPiece) {
        this(step, kinds, tiles, KitRules.between(minPiece, maxPiece), Tiers.NONE);
    }

    private static final int LONGEST_WORD = 20_000;
    private static final String LENGTHS = "(\\.\\d{1,12})";
    /** Height, thickness, and the patterns of both sides where they are not the usual ones. */
    private static final String SIZE = "\\d{1,12}x\\d{1,12}(x\\d{1,18}x(-1|\\d{1,18}))?" + LENGTHS + "+";

    private static final Pattern WORD = Pattern.compile(
            "[\\d.-]+_\\d{1,12}" + LENGTHS + "*_(-?\\d{1,12}(\\.-?\\d{1,12})*)?_(" + SIZE + "(_" + SIZE + ")*)?");

    public KitChoice {
        kinds = falling(kinds);
        tiles = falling(tiles);
    }

    private static List<Length> falling(List<Length> lengths) {
        return lengths.stream().distinct().sorted(Collections.reverseOrder()).toList();
    }

    /**
     * These wall lengths for this massing, with the tile sizes that go with them.
     *
     * @throws Refused if there is no room, a kind is off the step, or the kinds do not fill every run
     */
    public static KitChoice of(Massing massing, List<Length> kinds, Length minPiece, Length maxPiece) {
        var rules = KitRules.between(minPiece, maxPiece).withMaxLengths(Math.max(1, Math.min(8, kinds.size())));
        var question = question(massing, rules);
        if (kinds.isEmpty() || kinds.size() > 8) {
            throw new Refused("kindsMm", "Choose from 1 to 8 kinds.");
        }
        for (var kind : kinds) {
            if (!kind.isPositive() || !kind.isMultipleOf(question.step())) {
                throw new Refused(
                        "kindsMm",
                        "A kind of " + massing.settings().unit().format(kind) + " is not a whole number of steps.");
            }
        }
        for (var run : question.runs()) {
            if (FilledRun.of(question.step(), run, kinds).isEmpty()) {
                throw new Refused("kindsMm", "These kinds do not fill “" + run.name() + "”. Work out the kit again.");
            }
        }
        return new KitChoice(question.step(), kinds, tiles(massing, minPiece, maxPiece), minPiece, maxPiece);
    }

    /** The tile sizes that go with a massing's rooms. */
    public static List<Length> tiles(Massing massing, Length minPiece, Length maxPiece) {
        return Tiling.sizes(massing, minPiece, maxPiece);
    }

    /**
     * What the planner is asked for a massing.
     *
     * @throws Refused if there is no room, or a bound of the question is not kept
     */
    public static KitQuestion question(Massing massing, KitRules rules) {
        if (massing.rooms().isEmpty()) {
            throw new Refused("rooms", "There is no room to build yet. Type or draw one first.");
        }
        var step = massing.settings().step();
        rules.check(step);
        List<Run> runs = massing.runs().stream()
                .map(run -> rules.openings().fit(run, step).run())
                .toList();
        return new KitQuestion(step, rules.minPiece(), rules.maxPiece(), rules.maxLengths(), runs);
    }

    /** A run as this kit fills it: panels take in their jambs, and what is too short for a piece beside them. */
    public WallRun fit(WallRun run) {
        return rules.openings().fit(run, step);
    }

    public Length minPiece() {
        return rules.minPiece();
    }

    public Length maxPiece() {
        return rules.maxPiece();
    }

    /** What fills a tier: the lengths chosen for it, and where nothing was chosen for its like, those of all walls. */
    public List<Length> lengths(Tiers.Size size) {
        return tiers.lengths(size).orElse(kinds);
    }

    /** Every length of it, falling: what fills where the lengths of a tier do not. */
    List<Length> all() {
        return falling(
                Stream.concat(kinds.stream(), tiers.lengths().values().stream().flatMap(List::stream))
                        .toList());
    }

    /** The same where patterns have other ids, in the same order; those below 1 stay. */
    public KitChoice renamed(LongUnaryOperator patterns) {
        var lengths = new HashMap<Tiers.Size, List<Length>>();
        tiers.lengths()
                .forEach((size, of) -> lengths.put(
                        new Tiers.Size(size.height(), size.depth(), size.sides().renamed(patterns)), of));
        return new KitChoice(step, kinds, tiles, rules, new Tiers(tiers.joints(), lengths));
    }

    /** Whether the site's step is still the one this was worked out on. */
    public boolean fits(Massing massing) {
        return step.equals(massing.settings().step());
    }

    /**
     * All of it in one word, by which it can be asked for: its rules, lengths, joints, and of each tier its height,
     * thickness and lengths; µm.
     */
    public String word() {
        var sizes = tiers.lengths().entrySet().stream()
                .sorted(Map.Entry.comparingByKey(Tiers.Size.ORDER))
                .map(e -> word(e.getKey()) + "." + um(e.getValue()))
                .collect(Collectors.joining("_"));
        return rules.word() + "_" + um(kinds) + "_"
                + tiers.joints().stream().map(String::valueOf).collect(Collectors.joining(".")) + "_" + sizes;
    }

    private static String word(Tiers.Size size) {
        var sides = size.sides();
        return size.height().um() + "x" + size.depth().um()
                + (sides.equals(Sides.PLAIN) ? "" : "x" + sides.front() + "x" + sides.back());
    }

    private static Tiers.Size size(String word) {
        var numbers = Stream.of(word.split("x")).mapToLong(Long::parseLong).toArray();
        return new Tiers.Size(
                new Length(numbers[0]),
                new Length(numbers[1]),
                numbers.length == 2 ? Sides.PLAIN : new Sides(numbers[2], numbers[3]));
    }

    private static String um(List<Length> lengths) {
        return lengths.stream().map(l -> String.valueOf(l.um())).collect(Collectors.joining("."));
    }

    /**
     * The choice of this word, for this massing.
     *
     * @throws Refused if it is none, or does not fill every run of the massing as it is now
     */
    public static KitChoice parse(Massing massing, String word) {
        if (word.length() > LONGEST_WORD || !WORD.matcher(word).matches()) {
            throw new Refused("option", "This is no option of a kit plan.");
        }
        var parts = word.split("_", -1);
        var rules = rules(parts[0]);
        var sizes = new HashMap<Tiers.Size, List<Length>>();
        for (var part : List.of(parts).subList(3, parts.length)) {
            if (!part.isEmpty()) {
                var dot = part.indexOf('.');
                sizes.put(size(part.substring(0, dot)), falling(lengths(part.substring(dot + 1))));
            }
        }
        var joints = Stream.of(parts[2].split("\\."))
                .filter(j -> !j.isEmpty())
                .map(Long::valueOf)
                .toList();
        var choice = new KitChoice(
                massing.settings().step(),
                lengths(parts[1]),
                tiles(massing, rules.minPiece(), rules.maxPiece()),
                rules,
                new Tiers(joints, sizes));
        choice.check(massing);
        return choice;
    }

    private static KitRules rules(String word) {
        try {
            return KitRules.parse(word);
        } catch (IllegalArgumentException e) {
            throw new Refused("option", "This is no option of a kit plan.");
        }
    }

    private static List<Length> lengths(String um) {
        return Stream.of(um.split("\\."))
                .map(l -> new Length(Long.parseLong(l)))
                .toList();
    }

    private void check(Massing massing) {
        // The bounds of the question hold for a choice as well.
        question(massing, rules);
        for (var length : all()) {
            if (!length.isPositive() || !length.isMultipleOf(step) || length.compareTo(maxPiece()) > 0) {
                throw new Refused(
                        "option", "This option has pieces that are not allowed here. Work out the kit again.");
            }
        }
        var runs = massing.runs();
        var filler =
                new RunLayout.Filler(this, runs.stream().map(WallRun::length).reduce(Length.ZERO, Length::max));
        for (var run : runs) {
            if (!RunLayout.of(run, filler).unfilled().isEmpty()) {
                throw new Refused("option", "This option does not fill “" + run.name() + "”. Work out the kit again.");
            }
        }
    }
}
