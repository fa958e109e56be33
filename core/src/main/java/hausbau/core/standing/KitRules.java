package hausbau.core.standing;

import hausbau.core.fit.AllowedLengths;
import hausbau.core.fit.Span;
import hausbau.core.kit.Kind;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What a kit may be made of, as the artist says it.
 *
 * @param lengths    of pieces of wall
 * @param heights    of tiers
 * @param joints     where walls may be cut in height
 * @param openings   what stands beside doors and windows
 * @param maxLengths how many lengths the pieces of one height may have; 1 to 8
 * @param worth      how many placements fewer a further kind must save to be recommended; 0 for a tenth of them
 * @param keeps      whether kinds that stand already are not counted, since they need not be made
 */
public record KitRules(
        Sizes lengths, Sizes heights, Joints joints, Openings openings, int maxLengths, long worth, boolean keeps) {

    /** @param only if not empty, no others @param never none of these */
    public record Sizes(Length least, Length greatest, List<Length> only, List<Length> never) {

        public Sizes {
            only = only.stream().distinct().sorted().toList();
            never = never.stream().distinct().sorted().toList();
        }

        public static Sizes between(Length least, Length greatest) {
            return new Sizes(least, greatest, List.of(), List.of());
        }

        boolean allows(Length size) {
            return size.compareTo(least) >= 0
                    && size.compareTo(greatest) <= 0
                    && (only.isEmpty() || only.contains(size))
                    && !never.contains(size);
        }

        /** In steps; what is off the step is none of them. */
        AllowedLengths inSteps(Length step) {
            return AllowedLengths.between(
                            Math.toIntExact(least.ceilTo(step).um() / step.um()),
                            Math.toIntExact(greatest.floorTo(step).um() / step.um()))
                    .only(inSteps(only, step))
                    .without(inSteps(never, step));
        }

        private static List<Integer> inSteps(List<Length> lengths, Length step) {
            return lengths.stream()
                    .filter(l -> l.isMultipleOf(step))
                    .map(l -> Math.toIntExact(l.um() / step.um()))
                    .toList();
        }
    }

    /**
     * Where walls may be cut: none of these, and every piece reaches from floor to ceiling.
     *
     * @param floors   at floors and ceilings
     * @param openings under sills and over heads, on the step
     * @param above    at these heights above every floor
     */
    public record Joints(boolean floors, boolean openings, List<Length> above) {

        public static final Joints AT_FLOORS = new Joints(true, false, List.of());

        public Joints {
            above = above.stream().distinct().sorted().toList();
        }
    }

    /**
     * @param beside least piece beside an opening: what is shorter goes to its panel
     * @param jamb   wall on either side of an opening that its panel takes in, as far as there is room
     * @param alike  whether what stands on both sides of a wall's middle is laid alike, the longest pieces outermost: what lies about
     *               the middle is then of pieces that read the same from both ends
     */
    public record Openings(Length beside, Length jamb, boolean alike) {

        /** Whether a stretch of a run has to read the same from both ends: it lies about the run's middle. */
        boolean isMirrored(WallRun run, Span span) {
            return alike && span.at().plus(span.end()).equals(run.length());
        }

        WallRun fit(WallRun run, Length step) {
            return run.withJambs(jamb, step).withoutSlivers(beside);
        }
    }

    /** No tier is lower: thinner strips are no pieces. Common practice, no source. */
    public static final Length LEAST_TIER = Length.ofMillimetres(400);

    private static final Length GREATEST_TIER = Length.ofMillimetres(100_000);
    private static final Length GREATEST = Length.ofMillimetres(10_000_000);
    private static final int MOST_LENGTHS = 8;
    private static final int MOST_LISTED = 60;
    private static final int MOST_ABOVE = 8;
    private static final long MOST_WORTH = 1_000_000;
    private static final int FIELDS = 14;
    private static final Pattern WORD = Pattern.compile("\\d{1,12}(\\.\\d{1,12})*(-(\\d{1,12}(\\.\\d{1,12})*)?)*");

    /** The usual rules with these limits of length. */
    public static KitRules between(Length least, Length greatest) {
        return new KitRules(
                Sizes.between(least, greatest),
                Sizes.between(LEAST_TIER, GREATEST_TIER),
                Joints.AT_FLOORS,
                new Openings(least, Length.ZERO, false),
                3,
                0,
                false);
    }

    public KitRules withMaxLengths(int most) {
        return new KitRules(lengths, heights, joints, openings, most, worth, keeps);
    }

    /** Kinds that need not be made: all that stands of a set's kit, where these rules keep it. */
    public Set<Kind> kept(StandingSet set) {
        return keeps ? set.derivedCounts().keySet() : Set.of();
    }

    public Length minPiece() {
        return lengths.least();
    }

    public Length maxPiece() {
        return lengths.greatest();
    }

    /**
     * @param step of the site
     * @throws Refused with every fault named, by the fields of a kit plan's question
     */
    public void check(Length step) {
        var faults = new ArrayList<Fault>();
        if (maxLengths < 1 || maxLengths > MOST_LENGTHS) {
            faults.add(new Fault("maxKinds", "The number of lengths must be from 1 to " + MOST_LENGTHS + "."));
        }
        checkLimits(lengths, "minPieceMm", "maxPieceMm", "piece", faults);
        checkLimits(heights, "minTierMm", "maxTierMm", "tier", faults);
        checkList(lengths.only(), "onlyLengthsMm", step, faults);
        checkList(lengths.never(), "neverLengthsMm", step, faults);
        checkList(heights.only(), "onlyHeightsMm", Length.ofMillimetres(1), faults);
        if (joints.above().size() > MOST_ABOVE
                || joints.above().stream().anyMatch(h -> !h.isPositive() || h.compareTo(GREATEST_TIER) > 0)) {
            faults.add(new Fault(
                    "jointsAboveFloorMm",
                    "Joints lie at up to " + MOST_ABOVE + " heights above the floor, each above 0 and at most 100 m."));
        }
        if (!openings.beside().isPositive() || openings.beside().compareTo(GREATEST) > 0) {
            faults.add(new Fault("besideOpeningMm", "The least piece beside an opening must be above 0."));
        }
        if (openings.jamb().um() < 0 || openings.jamb().compareTo(GREATEST_TIER) > 0) {
            faults.add(new Fault("jambMm", "A jamb must be from 0 to 100 m."));
        }
        if (worth < 0 || worth > MOST_WORTH) {
            faults.add(new Fault("kindWorth", "A kind is worth from 0 to " + MOST_WORTH + " placements."));
        }
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    private static void checkLimits(Sizes sizes, String least, String greatest, String what, List<Fault> faults) {
        for (var limit : List.of(sizes.least(), sizes.greatest())) {
            if (!limit.isPositive() || limit.compareTo(GREATEST) > 0) {
                faults.add(new Fault(
                        limit == sizes.least() ? least : greatest,
                        "The least and the greatest " + what + " must be above 0 and at most 10 km."));
            }
        }
        if (sizes.least().compareTo(sizes.greatest()) > 0) {
            faults.add(new Fault(least, "The least " + what + " must not be greater than the greatest."));
        }
    }

    private static void checkList(List<Length> listed, String field, Length step, List<Fault> faults) {
        if (listed.size() > MOST_LISTED) {
            faults.add(new Fault(field, "At most " + MOST_LISTED + " sizes can be listed."));
        }
        listed.stream()
                .filter(l -> !l.isPositive() || !l.isMultipleOf(step))
                .forEach(l -> faults.add(
                        new Fault(field, l + " is not a whole number of the site's steps of " + step + ".")));
    }

    /** All of it in one word of digits, points and hyphens, µm; limits of length alone where all else is usual. */
    public String word() {
        var limits = minPiece().um() + "-" + maxPiece().um();
        if (equals(between(minPiece(), maxPiece()))) {
            return limits;
        }
        return Stream.of(
                        limits,
                        um(lengths.only()),
                        um(lengths.never()),
                        String.valueOf(heights.least().um()),
                        String.valueOf(heights.greatest().um()),
                        um(heights.only()),
                        um(heights.never()),
                        flag(joints.floors()) + flag(joints.openings()) + flag(openings.alike()) + flag(keeps),
                        um(joints.above()),
                        String.valueOf(openings.beside().um()),
                        String.valueOf(openings.jamb().um()),
                        String.valueOf(maxLengths),
                        String.valueOf(worth))
                .collect(Collectors.joining("-"));
    }

    private static String flag(boolean is) {
        return is ? "1" : "0";
    }

    private static String um(List<Length> lengths) {
        return lengths.stream().map(l -> String.valueOf(l.um())).collect(Collectors.joining("."));
    }

    /** @throws IllegalArgumentException if it is no word of rules */
    public static KitRules parse(String word) {
        var parts = Arrays.stream(word.split("-", -1)).toList();
        if (!WORD.matcher(word).matches() || parts.size() != 2 && parts.size() != FIELDS) {
            throw new IllegalArgumentException(word);
        }
        var least = one(parts.get(0));
        var greatest = one(parts.get(1));
        if (parts.size() == 2) {
            return between(least, greatest);
        }
        var flags = parts.get(8);
        if (flags.length() != 4) {
            throw new IllegalArgumentException(word);
        }
        return new KitRules(
                new Sizes(least, greatest, list(parts.get(2)), list(parts.get(3))),
                new Sizes(one(parts.get(4)), one(parts.get(5)), list(parts.get(6)), list(parts.get(7))),
                new Joints(flags.charAt(0) == '1', flags.charAt(1) == '1', list(parts.get(9))),
                new Openings(one(parts.get(10)), one(parts.get(11)), flags.charAt(2) == '1'),
                Math.toIntExact(one(parts.get(12)).um()),
                one(parts.get(13)).um(),
                flags.charAt(3) == '1');
    }

    private static Length one(String um) {
        return new Length(Long.parseLong(um));
    }

    private static List<Length> list(String um) {
        return um.isEmpty()
                ? List.of()
                : Stream.of(um.split("\\.")).map(KitRules::one).toList();
    }
}
