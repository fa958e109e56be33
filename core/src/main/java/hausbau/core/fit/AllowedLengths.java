package hausbau.core.fit;

import java.util.BitSet;
import java.util.Collection;
import java.util.stream.IntStream;

/**
 * Which lengths a piece may have, in steps: a range, of which some may be left out. It does not change.
 *
 * <p>Memory: one bit a step of the range.
 */
public final class AllowedLengths {

    private final BitSet allowed;
    private final boolean isRange;

    private AllowedLengths(BitSet allowed) {
        this.allowed = allowed;
        isRange = allowed.isEmpty() || allowed.nextClearBit(allowed.nextSetBit(0)) == allowed.length();
    }

    /** Every length from the least, at least 1, to the greatest; none if that is below the least. */
    public static AllowedLengths between(int least, int greatest) {
        var all = new BitSet();
        if (least <= greatest) {
            all.set(least, greatest + 1);
        }
        return new AllowedLengths(all);
    }

    /** Of these only the ones that are among the others; all of them where there are no others. */
    public AllowedLengths only(Collection<Integer> others) {
        if (others.isEmpty()) {
            return this;
        }
        var left = new BitSet();
        others.stream().filter(this::contains).forEach(left::set);
        return new AllowedLengths(left);
    }

    public AllowedLengths without(Collection<Integer> others) {
        var left = (BitSet) allowed.clone();
        others.forEach(left::clear);
        return new AllowedLengths(left);
    }

    public boolean contains(int length) {
        return length > 0 && allowed.get(length);
    }

    public boolean isEmpty() {
        return allowed.isEmpty();
    }

    /** Whether none between the least and the greatest is left out. */
    boolean isRange() {
        return isRange;
    }

    /** 0 if there is none. */
    int least() {
        return Math.max(0, allowed.nextSetBit(0));
    }

    /** 0 if there is none. */
    int greatest() {
        return Math.max(0, allowed.length() - 1);
    }

    /** The greatest that is not above this; 0 if there is none. */
    int upTo(int length) {
        return length < 1 ? 0 : Math.max(0, allowed.previousSetBit(length));
    }

    /** All, rising. */
    IntStream all() {
        return allowed.stream();
    }
}
