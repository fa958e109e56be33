package hausbau.core.takeoff;

/**
 * A measured value.
 *
 * @param value     millimetres, square millimetres or degrees
 * @param deviation its standard deviation, in the same unit
 */
public record Measured(double value, double deviation) {

    /** Whether both may be the same size: they differ by at most twice the deviation of their difference. */
    public boolean agreesWith(Measured other) {
        return Math.abs(value - other.value) <= 2 * Math.hypot(deviation, other.deviation);
    }
}
