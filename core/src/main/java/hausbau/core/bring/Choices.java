package hausbau.core.bring;

import hausbau.core.measure.Refused;
import java.util.Set;

/**
 * What a person decides about a file before it is brought in.
 *
 * @param millimetres that one of its units is long, 10⁻⁶ to 10⁶
 * @param up          which of its axes points up
 * @param isWhole     whether all of it is one piece
 */
public record Choices(double millimetres, Up up, boolean isWhole, Set<Fix> fixes) {

    public enum Up {
        Y,
        Z
    }

    /** What can be set right without asking how. */
    public enum Fix {
        /** Corners nearer than 0.1 mm become one; faces that are there twice, or have no area, go. */
        WELD,
        /** Faces are turned to the outside. */
        OUTWARD,
        /** It is stretched to the nearest whole steps, or to the size of the piece that it takes the place of. */
        FIT
    }

    public Choices {
        fixes = Set.copyOf(fixes);
        if (!(millimetres >= 1e-6 && millimetres <= 1e6)) {
            throw new Refused("unit", "A unit is from a millionth of a millimetre to a kilometre.");
        }
    }
}
