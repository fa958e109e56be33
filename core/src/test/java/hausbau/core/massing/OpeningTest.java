package hausbau.core.massing;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.measure.Refused;
import hausbau.core.plane.Rect;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

/** Openings alike in a wall of 10 m, on a step of 100 mm. */
class OpeningTest {

    private static final Outline.Edge WALL =
            Outline.rectangle(new Rect(0, 0, 10_000_000, 4_000_000)).edge(0).orElseThrow();
    private final AtomicLong next = new AtomicLong(100);

    private static Opening window(long id, long at) {
        return new Opening(id, 1, Opening.Kind.WINDOW, 0, mm(at), mm(1_000), mm(1_300), mm(900));
    }

    private List<Opening> times(List<Opening> onWall, int count) {
        return onWall.get(0).times(WALL, onWall, count, next::incrementAndGet, mm(100));
    }

    /** Three of 1 m in 10 m leave 7 m: four gaps of 1.75 m; begun at 1.75, 4.5 and 7.25 m, to the step. */
    @Test
    void threeAlikeHaveAsMuchBetweenThemAsBesideThem() {
        var all = times(List.of(window(7, 300)), 3);
        assertThat(all).extracting(o -> o.at().um() / 1000).containsExactly(1_800L, 4_500L, 7_300L);
        assertThat(all).extracting(Opening::id).containsExactly(7L, 101L, 102L);
        assertThat(all).allMatch(o -> o.isAlike(all.get(0)));
    }

    /** The door stays a door and takes part in the spreading; of the windows the one that was asked about is kept. */
    @Test
    void whatIsNotAlikeStaysAndIsSpreadWithThem() {
        var door = new Opening(9, 1, Opening.Kind.DOOR, 0, mm(8_000), mm(1_000), mm(2_100), mm(0));
        var fewer = times(List.of(window(7, 6_000), window(8, 300), door), 1);
        assertThat(fewer).extracting(Opening::id).containsExactly(7L, 9L);
        // Two of 1 m leave 8 m: three gaps of 2.667 m.
        assertThat(fewer).extracting(o -> o.at().um() / 1000).containsExactly(2_700L, 6_300L);
    }

    @Test
    void noneAndTooManyAreRefused() {
        for (var count : new int[] {0, -1, 51}) {
            assertThatThrownBy(() -> times(List.of(window(7, 300)), count))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("1 to 50");
        }
    }
}
