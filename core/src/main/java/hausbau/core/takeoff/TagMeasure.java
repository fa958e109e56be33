package hausbau.core.takeoff;

import hausbau.core.kit.Role;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What the marks of one tag measure.
 *
 * @param sizes what was measured of each mark that lies on a calibrated plane. A copy that was stamped is as large as its
 *              original because it was made so: it is seen, but no measurement of its own
 * @param seen  how many marks there are, measured or not
 * @param estimated how many there are in all, seen or not; at least {@code seen}
 */
public record TagMeasure(long tagId, String letter, Role role, List<Size> sizes, int seen, int estimated) {

    /** The width and height of a mark, in millimetres. */
    public record Size(Measured width, Measured height) {

        /** As it would measure lying on its side. */
        @SuppressWarnings("ArgumentSelectionDefectChecker")
        public Size turned() {
            return new Size(height, width);
        }

        boolean agreesWith(Size other) {
            return width.agreesWith(other.width) && height.agreesWith(other.height);
        }

        double apart(Size other) {
            return Math.hypot(width.value() - other.width.value(), height.value() - other.height.value());
        }
    }

    /** The mean of all, each weighted by the inverse of its variance. */
    public static Size mean(List<Size> sizes) {
        return new Size(
                mean(sizes.stream().map(Size::width)), mean(sizes.stream().map(Size::height)));
    }

    private static Measured mean(Stream<Measured> values) {
        double[] sums = new double[2];
        values.forEach(m -> {
            var weight = 1 / Math.max(m.deviation() * m.deviation(), 1e-12);
            sums[0] += weight * m.value();
            sums[1] += weight;
        });
        return new Measured(sums[0] / sums[1], Math.sqrt(1 / sums[1]));
    }

    /** The first letter of the alphabet, or pair of letters, that is not taken. */
    public static String freeLetter(Set<String> taken) {
        for (var n = 0; ; n++) {
            var letter = (n < 26 ? "" : String.valueOf((char) ('A' + n / 26 - 1))) + (char) ('A' + n % 26);
            if (!taken.contains(letter)) {
                return letter;
            }
        }
    }
}
