package hausbau.core.standing;

import java.util.HexFormat;
import java.util.Optional;

/**
 * 128 bits that are equal for equal content. Two lanes of multiply and mix (the finaliser of MurmurHash3, A. Appleby,
 * public domain); against accidents, not against forgers.
 */
public record Digest(long high, long low) {

    /** Raised when the same content would be written otherwise, since what was sent is kept under its digest. */
    private static final long FORMAT = 1;

    /** Takes numbers one by one. */
    static final class Maker {

        private long high = 0x9E3779B97F4A7C15L ^ FORMAT;
        private long low = 0xC2B2AE3D27D4EB4FL;

        void add(long value) {
            high = (high ^ value) * 0x87C37B91114253D5L;
            high ^= high >>> 29;
            low = (low + value) * 0x4CF5AD432745937FL;
            low ^= low >>> 31;
        }

        Digest make() {
            return new Digest(mix(high + low), mix(low ^ Long.rotateLeft(high, 17)));
        }

        private static long mix(long h) {
            var x = (h ^ h >>> 33) * 0xFF51AFD7ED558CCDL;
            x = (x ^ x >>> 33) * 0xC4CEB9FE1A85EC53L;
            return x ^ x >>> 33;
        }
    }

    /** Reads what {@link #toString} writes; empty for any other text. */
    public static Optional<Digest> parse(String text) {
        return text.matches("[0-9a-f]{32}")
                ? Optional.of(new Digest(
                        HexFormat.fromHexDigitsToLong(text.substring(0, 16)),
                        HexFormat.fromHexDigitsToLong(text.substring(16))))
                : Optional.empty();
    }

    @Override
    public String toString() {
        return HexFormat.of().toHexDigits(high) + HexFormat.of().toHexDigits(low);
    }
}
