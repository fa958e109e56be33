package hausbau.core.fit;

import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import java.util.List;
import java.util.stream.Collectors;

/**
 * One way to divide the lengths.
 *
 * @param newPiece the piece that must be made for it; {@link Length#ZERO} for none
 * @param changes  what must be made longer or shorter for it
 * @param filled   the pieces of each side, longest first
 */
public record Division(Sort sort, Length newPiece, List<Change> changes, List<FilledSide> filled) {

    /** In the order in which answers are preferred. */
    public enum Sort {
        KNOWN,
        ONE_NEW,
        CHANGED
    }

    /**
     * @param fixed the fixed item that changes; empty where the side itself does
     * @param by    how much longer it becomes; below 0 for shorter
     */
    public record Change(String side, String fixed, Length by) {}

    /** @param length the side's length, as changed */
    public record FilledSide(DivisionQuestion.Side side, Length length, List<Length> pieces) {}

    public int pieces() {
        return filled.stream().mapToInt(f -> f.pieces().size()).sum();
    }

    /** The length of all new pieces together. */
    public Length newLength() {
        return newPiece.times(used());
    }

    public int kinds() {
        return (int)
                filled.stream().flatMap(f -> f.pieces().stream()).distinct().count();
    }

    /** Why it is ranked where it is, with lengths in the unit. */
    public String why(Unit unit) {
        var count = pieces() + (pieces() == 1 ? " piece" : " pieces") + " of " + kinds()
                + (kinds() == 1 ? " kind" : " kinds");
        return switch (sort) {
            case KNOWN -> "Exact with pieces already on the list: " + count + ".";
            case ONE_NEW ->
                "Exact with one new piece of " + unit.format(newPiece) + ", used " + used() + "×: " + count + ".";
            case CHANGED ->
                changes.stream()
                                .map(c -> "“" + (c.fixed().isEmpty() ? c.side() : c.fixed()) + "” "
                                        + unit.format(new Length(Math.abs(c.by().um())))
                                        + (c.by().um() > 0 ? " longer" : " shorter"))
                                .collect(Collectors.joining(", "))
                        + ": then " + count + " already on the list.";
        };
    }

    private long used() {
        return filled.stream()
                .flatMap(f -> f.pieces().stream())
                .filter(newPiece::equals)
                .count();
    }

    /** By how much all lengths together change. */
    public Length changed() {
        return changes.stream().map(c -> new Length(Math.abs(c.by().um()))).reduce(Length.ZERO, Length::plus);
    }
}
