package hausbau.core.hand;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.LAMP;
import static hausbau.core.TestSets.block;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.set;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Room;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Place;
import hausbau.core.standing.StandingSet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What drops straight down, in a room of 5 × 4 m whose floor is at 0, and in one above it whose floor is at 3.4 m. */
class PlumbingTest {

    private static StandingSet hall(HandPlacement... hands) {
        var rooms = massing(List.of(
                room(1, 0, 0, 5000, 4000),
                new Room(2, "Above", Vec.ofMillimetres(0, 0, 3400), mm(5000), mm(4000), mm(3000))));
        return set(rooms, kit(rooms, 1000), hands);
    }

    private static long landed(StandingSet set, long id, Long... dropped) {
        var all = List.of(dropped).stream()
                .map(d -> set.find(new Place.ByHand(d)).orElseThrow())
                .toList();
        return Plumbing.of(set, all)
                .get(set.find(new Place.ByHand(id)).orElseThrow())
                .at()
                .z();
    }

    @Test
    void oneDropsOntoWhatIsUnderIt() {
        var set = hall(
                byHand(1, BENCH, 2000, 2000, 0), byHand(2, LAMP, 2000, 2000, 1000), byHand(3, LAMP, 4000, 2000, 1000));
        assertThat(landed(set, 2, 2L)).as("onto the bench").isEqualTo(450_000);
        assertThat(landed(set, 3, 3L)).as("onto the floor").isZero();
    }

    /** Dropped together, the upper lands on where the lower has landed, not on where it hung. */
    @Test
    void severalDropTheLowestFirstOntoOneAnother() {
        var low = block(1000, 1000, 300);
        var set = hall(
                byHand(1, low, 1000, 1000, 600), byHand(2, low, 1000, 1000, 1200), byHand(3, low, 1200, 1200, 2000));
        assertThat(landed(set, 1, 3L, 2L, 1L)).isZero();
        assertThat(landed(set, 2, 3L, 2L, 1L)).isEqualTo(300_000);
        assertThat(landed(set, 3, 3L, 2L, 1L)).isEqualTo(600_000);
    }

    @Test
    void onTheUpperFloorThingsFallOntoTheUpperFloor() {
        var set = hall(byHand(1, BENCH, 2000, 2000, 4000));
        assertThat(landed(set, 1, 1L)).isEqualTo(3_400_000);
    }

    @Test
    void whatStandsAlreadyStays() {
        var set = hall(byHand(1, BENCH, 2000, 2000, 0));
        assertThat(landed(set, 1, 1L)).isZero();
    }
}
