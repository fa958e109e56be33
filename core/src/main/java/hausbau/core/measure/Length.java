package hausbau.core.measure;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * A length or a coordinate: a whole number of micrometres, at most 1000 km either way.
 *
 * @param um micrometres
 */
public record Length(long um) implements Comparable<Length> {

    public static final Length ZERO = new Length(0);
    /** The greatest length, 1000 km. */
    public static final long LIMIT_UM = 1_000_000_000_000L;

    public Length {
        if (um > LIMIT_UM || um < -LIMIT_UM) {
            throw new OutOfBounds("a length must stay within 1000 km");
        }
    }

    public static Length ofMillimetres(long mm) {
        if (mm > LIMIT_UM / 1000 || mm < -LIMIT_UM / 1000) {
            throw new OutOfBounds("a length must stay within 1000 km");
        }
        return new Length(mm * 1000);
    }

    /**
     * @param mm millimetres, at most three decimal places
     * @throws IllegalArgumentException if it has more places or lies beyond 1000 km
     */
    public static Length ofMillimetres(BigDecimal mm) {
        if (mm.signum() != 0 && (long) mm.precision() - mm.scale() > 10) {
            throw new OutOfBounds("a length must stay within 1000 km");
        }
        if (mm.scale() > 20 || mm.stripTrailingZeros().scale() > 3) {
            throw new IllegalArgumentException("millimetres take at most three decimal places");
        }
        return new Length(
                mm.movePointRight(3).setScale(0, RoundingMode.UNNECESSARY).longValueExact());
    }

    public BigDecimal toMillimetres() {
        var mm = BigDecimal.valueOf(um, 3).stripTrailingZeros();
        return mm.scale() < 0 ? mm.setScale(0) : mm;
    }

    public Length plus(Length other) {
        return new Length(um + other.um);
    }

    public Length minus(Length other) {
        return new Length(um - other.um);
    }

    public Length times(long factor) {
        if (factor != 0 && Math.abs(um) > LIMIT_UM / Math.abs(factor)) {
            throw new OutOfBounds("a length must stay within 1000 km");
        }
        return new Length(um * factor);
    }

    public boolean isPositive() {
        return um > 0;
    }

    public boolean isMultipleOf(Length step) {
        return um % step.um == 0;
    }

    /** The greatest multiple of the step that is not above this. */
    public Length floorTo(Length step) {
        return new Length(Math.floorDiv(um, step.um) * step.um);
    }

    /** The least multiple of the step that is not below this. */
    public Length ceilTo(Length step) {
        return new Length(-Math.floorDiv(-um, step.um) * step.um);
    }

    /** The nearest multiple of the step; halfway goes up. */
    public Length roundTo(Length step) {
        return new Length(um + step.um / 2).floorTo(step);
    }

    public static Length min(Length a, Length b) {
        return a.um <= b.um ? a : b;
    }

    public static Length max(Length a, Length b) {
        return a.um >= b.um ? a : b;
    }

    @Override
    public int compareTo(Length other) {
        return Long.compare(um, other.um);
    }

    @Override
    public String toString() {
        return toMillimetres().toPlainString() + " mm";
    }
}
