package hausbau.core.fit;

import java.util.Comparator;

/**
 * A stretch that pieces have to fill.
 *
 * @param steps    its length
 * @param mirrored whether its pieces read the same from both ends, so that at most one of them, in the middle, stands alone
 */
public record Stretch(int steps, boolean mirrored) implements Comparable<Stretch> {

    private static final Comparator<Stretch> ORDER =
            Comparator.comparingInt(Stretch::steps).thenComparing(Stretch::mirrored);

    public static Stretch of(int steps) {
        return new Stretch(steps, false);
    }

    @Override
    public int compareTo(Stretch other) {
        return ORDER.compare(this, other);
    }
}
