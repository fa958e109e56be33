package hausbau.core.repeat;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.List;

/**
 * How copies follow one another along a length.
 *
 * @param kind  so far apart, so many, or side by side
 * @param pitch from pivot to pivot; where that is what is told
 * @param count where that is what is told
 * @param rest  what becomes of a length that the pitch does not divide
 */
public record Pace(Kind kind, Length pitch, int count, Rest rest) {

    public enum Kind {
        PITCH,
        COUNT,
        SIDE_BY_SIDE
    }

    /** Left after the last copy, shared out to both ends, or not borne. */
    public enum Rest {
        AFTER,
        BOTH_ENDS,
        REFUSED
    }

    private static final int MOST = 200_000;

    public Pace {
        if (kind == Kind.PITCH && !pitch.isPositive()) {
            throw new Refused("pitchMm", "The pitch must be above 0.");
        }
        if (kind == Kind.COUNT && (count < 1 || count > MOST)) {
            throw new Refused("count", "A repeat has from 1 to " + MOST + " copies.");
        }
    }

    public static Pace of(int count) {
        return new Pace(Kind.COUNT, Length.ZERO, count, Rest.AFTER);
    }

    public static Pace every(Length pitch, Rest rest) {
        return new Pace(Kind.PITCH, pitch, 0, rest);
    }

    /**
     * Copies along a length.
     *
     * @param first where the first stands, in fractions of {@code of}
     * @param step  from one to the next, in such fractions
     */
    record Laid(int count, long first, long step, long of) {

        /** Where the copy with this number stands, to the nearest micrometre. */
        long at(int number) {
            return Math.floorDiv(2 * (first + step * number) + of, 2 * of);
        }
    }

    /**
     * Along an open length, both ends counting.
     *
     * @param own     what one copy takes of the length; for copies side by side
     * @param halfEnds whether, of so many, the first and the last stand half a pitch from the ends
     */
    Laid along(long length, long own, boolean halfEnds) {
        if (kind == Kind.COUNT) {
            if (halfEnds) {
                return new Laid(count, length, 2 * length, 2L * count);
            }
            return count == 1 ? new Laid(1, length, 0, 2) : new Laid(count, 0, length, count - 1L);
        }
        var each = kind == Kind.PITCH ? pitch.um() : own;
        // Side by side every copy takes its own length, else the last one stands on the end.
        var fit = length / each + (kind == Kind.PITCH ? 1 : 0);
        if (fit > MOST) {
            throw new Refused("pitchMm", "That would be " + fit + " copies; a repeat has at most " + MOST + ".");
        }
        var used = kind == Kind.PITCH ? (fit - 1) * each : fit * each;
        var left = length - used;
        if (left != 0 && rest == Rest.REFUSED) {
            throw new Refused(List.of(new Fault(
                    "rest",
                    "The length leaves " + new Length(left) + " over. It comes out at " + new Length(used) + " or at "
                            + new Length(used + each) + ".")));
        }
        return new Laid((int) fit, rest == Rest.BOTH_ENDS ? left : 0, 2 * each, 2);
    }

    /** Round a closed length: the last copy stands as far from the first as from the one before it. */
    Laid around(long length, long own) {
        if (kind == Kind.COUNT) {
            return new Laid(count, 0, length, count);
        }
        var each = kind == Kind.PITCH ? pitch.um() : own;
        var fit = Math.max(1, (length + each / 2) / each);
        if (fit > MOST) {
            throw new Refused("pitchMm", "That would be " + fit + " copies; a repeat has at most " + MOST + ".");
        }
        return new Laid((int) fit, 0, length, fit);
    }
}
