package hausbau.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.Test;

class PatienceTest {

    private long clock = 5;
    private long work = 7;
    private final Patience patience = new Patience(Duration.ofNanos(100), () -> clock, () -> work);

    private void pass(long byTheClock, long worked) {
        clock += byTheClock;
        work += worked;
    }

    @Test
    void whoWorksAllTheTimeIsOutOfItByTheClock() {
        pass(99, 99);
        assertThat(patience.isOver()).isFalse();
        pass(1, 1);
        assertThat(patience.isOver()).isTrue();
    }

    @Test
    void whatStandsStillOnABusyMachineHasFourTimesAsLong() {
        pass(399, 99);
        assertThat(patience.isOver()).isFalse();
        pass(1, 0);
        assertThat(patience.isOver()).isTrue();
    }

    @Test
    void aShareOfItIsOverSooner() {
        pass(33, 33);
        assertThat(patience.isOver(1.0 / 3)).isTrue();
        assertThat(patience.isOver(0.5)).isFalse();
    }
}
