package hausbau.core.standing;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DigestTest {

    /** By hand: −1 is sixteen f's, and small numbers have leading zeros. */
    @Test
    void whatIsWrittenIsRead() {
        assertThat(new Digest(-1, 0x2a)).hasToString("ffffffffffffffff000000000000002a");
        assertThat(Digest.parse("ffffffffffffffff000000000000002a")).contains(new Digest(-1, 0x2a));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "2a",
                "FFFFFFFFFFFFFFFF000000000000002A",
                "gfffffffffffffff000000000000002a",
                "ffffffffffffffff000000000000002a0"
            })
    void otherTextIsNoDigest(String text) {
        assertThat(Digest.parse(text)).isEmpty();
    }
}
