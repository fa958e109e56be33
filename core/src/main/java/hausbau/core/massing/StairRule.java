package hausbau.core.massing;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How steep stairs may be: twice the rise of a step and its going come to 590 to 650 mm, 630 as target, a rise is 140 to 200 mm
 * and a going 230 to 370 mm (DIN 18065, from memory).
 */
final class StairRule {

    private static final long LEAST_PACE = Length.ofMillimetres(590).um();
    private static final long GREATEST_PACE = Length.ofMillimetres(650).um();
    private static final long PACE = Length.ofMillimetres(630).um();
    static final Length LEAST_RISE = Length.ofMillimetres(140);
    static final Length GREATEST_RISE = Length.ofMillimetres(200);
    private static final Length LEAST_GOING = Length.ofMillimetres(230);
    private static final Length GREATEST_GOING = Length.ofMillimetres(370);
    /** The rise that goes with a going of 290 mm: most comfortable to climb (DIN 18065, from memory). */
    private static final long COMFORTABLE = Length.ofMillimetres(170).um();

    private static final Length MILLIMETRE = Length.ofMillimetres(1);
    private static final Length GOINGS = Length.ofMillimetres(5);

    private StairRule() {}

    /** The number of risers of this height, most comfortable to climb; empty where the rule allows none. */
    static Optional<Integer> risers(Length height) {
        var least = ceil(height, GREATEST_RISE);
        var most = (int) (height.um() / LEAST_RISE.um());
        return IntStream.rangeClosed(Math.max(1, least), most)
                .boxed()
                .min(Comparator.comparingLong(n -> Math.abs(height.um() / n - COMFORTABLE)));
    }

    private static int ceil(Length height, Length by) {
        return (int) ((height.um() + by.um() - 1) / by.um());
    }

    /** The going that comes nearest to the target pace. */
    static Length going(Length height, int risers) {
        return Length.max(
                LEAST_GOING, Length.min(GREATEST_GOING, new Length(PACE - 2 * height.um() / risers).roundTo(GOINGS)));
    }

    /** @throws Refused if steps break the rule, with what would do */
    static void check(Unit unit, Length height, int risers, Length going) {
        var best = risers(height);
        if (best.isEmpty()) {
            throw new Refused(
                    "riseMm",
                    "No number of steps comes to a rise of " + unit.format(height) + ": each must rise "
                            + unit.format(LEAST_RISE) + " to " + unit.format(GREATEST_RISE) + ". A ramp would do.");
        }
        var rise = new Length(height.um() / Math.max(1, risers));
        if (risers < 1 || rise.compareTo(LEAST_RISE) < 0 || rise.compareTo(GREATEST_RISE) > 0) {
            throw new Refused(
                    "risers",
                    "With " + risers + " risers each would rise " + unit.format(rise.roundTo(MILLIMETRE))
                            + "; it must be from " + unit.format(LEAST_RISE) + " to " + unit.format(GREATEST_RISE)
                            + ", so from " + ceil(height, GREATEST_RISE) + " to " + height.um() / LEAST_RISE.um()
                            + " risers.");
        }
        var from = Length.max(LEAST_GOING, new Length(LEAST_PACE - 2 * rise.um()));
        var to = Length.min(GREATEST_GOING, new Length(GREATEST_PACE - 2 * rise.um()));
        if (going.compareTo(from) < 0 || going.compareTo(to) > 0) {
            throw new Refused(
                    "goingMm",
                    "With a rise of " + unit.format(rise.roundTo(MILLIMETRE)) + " a step can go "
                            + unit.format(from.ceilTo(MILLIMETRE)) + " to " + unit.format(to.floorTo(MILLIMETRE))
                            + ": twice the rise and the going come to 590 to 650 mm.");
        }
    }
}
