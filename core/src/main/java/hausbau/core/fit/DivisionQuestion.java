package hausbau.core.fit;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.List;

/**
 * One or more lengths to be divided into pieces.
 *
 * @param sides    1 to 20
 * @param agree    whether all sides must come to the same length
 * @param known    pieces already on the list; to 40
 * @param step     a new piece is a whole number of steps long, and a length is changed by whole steps; 1 mm to 100 m
 * @param minPiece least new piece, @param maxPiece greatest new piece
 */
public record DivisionQuestion(
        List<Side> sides, boolean agree, List<Length> known, Length step, Length minPiece, Length maxPiece) {

    /** The finest grid that a sum is reckoned on may have this many lines over the longest side. */
    private static final long MOST_UNITS = 2_000_000;

    private static final Length LONGEST = Length.ofMillimetres(1_000_000);

    /**
     * @param length whole length, to 1 km
     * @param fixed  what stands in it and is no piece; together not longer than it
     */
    public record Side(String name, Length length, List<Fixed> fixed) {

        /** What is left for pieces. */
        public Length rest() {
            return length.minus(fixed.stream().map(Fixed::length).reduce(Length.ZERO, Length::plus));
        }
    }

    public record Fixed(String name, Length length) {}

    /** @throws Refused with every fault named */
    public DivisionQuestion {
        sides = List.copyOf(sides);
        known = known.stream().distinct().sorted().toList();
        var faults = new ArrayList<Fault>();
        if (sides.isEmpty() || sides.size() > 20) {
            faults.add(new Fault("sides", "Give from 1 to 20 lengths to divide."));
        }
        if (step.compareTo(Length.ofMillimetres(1)) < 0 || step.compareTo(Length.ofMillimetres(100_000)) > 0) {
            faults.add(new Fault("stepMm", "The step must be from 1 to 100000 mm."));
        }
        if (!minPiece.isPositive() || minPiece.compareTo(maxPiece) > 0 || maxPiece.compareTo(LONGEST) > 0) {
            faults.add(new Fault(
                    "minPieceMm",
                    "The least piece must be above 0 and not longer than the greatest, which is at most 1 km."));
        }
        if (known.size() > 40 || known.stream().anyMatch(k -> !k.isPositive() || k.compareTo(LONGEST) > 0)) {
            faults.add(new Fault("knownMm", "Give at most 40 pieces, each above 0 and at most 1 km long."));
        }
        for (var i = 0; i < sides.size(); i++) {
            checkSide(sides.get(i), "sides[" + i + "]", faults);
        }
        if (faults.isEmpty() && longest(sides).um() / unit(sides, known, step).um() > MOST_UNITS) {
            faults.add(
                    new Fault(
                            "sides",
                            "These lengths have too fine a measure in common to be divided together: round them to whole steps."));
        }
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    private static void checkSide(Side side, String path, List<Fault> faults) {
        if (!side.length().isPositive() || side.length().compareTo(LONGEST) > 0) {
            faults.add(new Fault(path + ".lengthMm", "A length must be above 0 and at most 1 km."));
        } else if (side.fixed().size() > 50
                || side.fixed().stream()
                        .anyMatch(f -> !f.length().isPositive() || f.length().compareTo(LONGEST) > 0)) {
            faults.add(new Fault(path + ".fixed", "A length takes at most 50 fixed items, each above 0."));
        } else if (side.rest().um() < 0) {
            faults.add(new Fault(
                    path + ".fixed",
                    "The fixed items of “" + side.name() + "” are longer together than the " + side.length()
                            + " they stand in."));
        }
    }

    private static Length longest(List<Side> sides) {
        return sides.stream().map(Side::length).reduce(Length.ZERO, Length::max);
    }

    /** What every length here is a whole number of. */
    Length unit() {
        return unit(sides, known, step);
    }

    private static Length unit(List<Side> sides, List<Length> known, Length step) {
        var unit = step.um();
        for (var side : sides) {
            unit = gcd(unit, side.length().um());
            unit = gcd(unit, side.rest().um());
        }
        for (var piece : known) {
            unit = gcd(unit, piece.um());
        }
        return new Length(unit);
    }

    private static long gcd(long a, long b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}
