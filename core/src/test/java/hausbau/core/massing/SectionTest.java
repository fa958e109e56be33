package hausbau.core.massing;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SectionTest {

    private static Vec at(long x, long y) {
        return Vec.ofMillimetres(x, y, 0);
    }

    private static Section section(Massing massing, Vec from, Vec to) {
        return Section.of(massing, from, to, List.of());
    }

    /** Two walls of 0.2 × 3 m, a floor and a ceiling of 4 × 0.2 m: 2.8 m², by hand. */
    @Test
    void aRoomIsCutThroughTwoWallsAndTwoSlabs() {
        var found = section(massing(List.of(room(1, 0, 0, 4000, 3000))), at(-1000, 1500), at(6000, 1500));
        assertThat(found.cut().area()).isEqualTo(BigInteger.valueOf(2_800_000_000_000L));
        assertThat(found.cut().rects()).contains(new Rect(1_000_000, -200_000, 5_000_000, 0));
        assertThat(found.widths(0, 1)).containsExactly(1_000_000L, 5_000_000L);
        assertThat(found.heights()).containsExactly(0L, 3_000_000L);
        // The wall behind fills what the cut leaves open.
        assertThat(found.beyond()).first().satisfies(f -> {
            assertThat(f.distance()).isEqualTo(1_500_000);
            assertThat(f.seen().area()).isEqualTo(BigInteger.valueOf(12_000_000_000_000L));
        });
    }

    @Test
    void itLooksToTheLeftOfTheLineWhicheverWayThatRuns() {
        // A door in the north wall, 1 m from its west end: seen from the south it stands left, from the north nothing
        // is seen of it.
        var building = massing(List.of(room(1, 0, 0, 4000, 3000)), door(1, Side.NORTH, 1000, 1000));
        var north =
                section(building, at(0, 1500), at(4000, 1500)).beyond().get(0).seen();
        assertThat(north.overlaps(Region.of(new Rect(1_000_000, 0, 2_000_000, 2_100_000))))
                .isFalse();
        assertThat(north.contains(Region.of(new Rect(2_000_000, 0, 4_000_000, 3_000_000))))
                .isTrue();
        var south =
                section(building, at(4000, 1500), at(0, 1500)).beyond().get(0).seen();
        assertThat(south.contains(Region.of(new Rect(0, 0, 4_000_000, 3_000_000))))
                .isTrue();
        // Along the east edge going north one looks west: the door lies at the far right, 3 m from the start, in the
        // cut wall's plane.
        var west = section(building, at(1500, 0), at(1500, 3000));
        assertThat(west.cut().overlaps(Region.of(new Rect(3_000_000, 0, 3_200_000, 2_100_000))))
                .isFalse();
        assertThat(west.cut().contains(Region.of(new Rect(3_000_000, 2_100_000, 3_200_000, 3_000_000))))
                .isTrue();
    }

    @Test
    void aNearerThingHidesAFartherOneAndNothingIsDrawnTwice() {
        var building = massing(List.of(room(1, 0, 0, 6000, 5000)));
        var near = Box.of(1_000_000, 2_000_000, 0, 2_000_000, 2_500_000, 1_000_000);
        var far = Box.of(1_500_000, 3_000_000, 0, 3_000_000, 3_500_000, 2_000_000);
        var found = Section.of(building, at(0, 1000), at(6000, 1000), List.of(far, near));
        var seen = found.beyond().stream()
                .filter(f -> f.distance() == 2_000_000)
                .findFirst()
                .orElseThrow()
                .seen();
        // 1.5 × 2 m less the half metre by 1 m that the nearer one hides.
        assertThat(seen.area()).isEqualTo(BigInteger.valueOf(2_500_000_000_000L));
    }

    /** On random buildings: the cut never lies in a void, and cut, voids and what is beyond are one another's rest. Voids are told by asking points, not regions. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void theCutIsWhatNoRoomTakes(long seed) {
        var random = new Random(seed);
        var rooms = new ArrayList<Room>();
        for (var i = 1; i <= 8; i++) {
            var r = new Room(
                    i,
                    "R" + i,
                    Vec.ofMillimetres(
                            100L * random.nextInt(120), 100L * random.nextInt(120), random.nextBoolean() ? 0 : 3200),
                    mm(1000 + 100L * random.nextInt(50)),
                    mm(1000 + 100L * random.nextInt(50)),
                    mm(3000));
            rooms.add(r);
        }
        var building = massing(rooms);
        var y = 4050 + 100L * random.nextInt(50);
        var found = section(building, at(-2000, y), at(20_000, y));
        for (var x = -1950L; x < 20_000; x += 100) {
            for (var z = 50L; z < 6000; z += 100) {
                var spot =
                        Region.of(new Rect((x + 2000) * 1000 - 1, z * 1000 - 1, (x + 2000) * 1000 + 1, z * 1000 + 1));
                var px = x * 1000;
                var pz = z * 1000;
                var inVoid = rooms.stream()
                        .anyMatch(r -> px > r.corner().x()
                                && px < r.clear().max().x()
                                && y * 1000 > r.corner().y()
                                && y * 1000 < r.clear().max().y()
                                && pz > r.floor()
                                && pz < r.ceiling());
                if (inVoid) {
                    assertThat(found.cut().overlaps(spot))
                            .as("seed %s at %s %s", seed, x, z)
                            .isFalse();
                }
                var inWall = rooms.stream()
                        .anyMatch(r -> r.outer(mm(200)).min().x() < px
                                && px < r.outer(mm(200)).max().x()
                                && r.outer(mm(200)).min().y() < y * 1000
                                && y * 1000 < r.outer(mm(200)).max().y()
                                && pz > r.floor()
                                && pz < r.ceiling());
                if (inWall && !inVoid) {
                    assertThat(found.cut().overlaps(spot))
                            .as("seed %s at %s %s", seed, x, z)
                            .isTrue();
                }
            }
        }
        var before = found.cut();
        for (var face : found.beyond()) {
            assertThat(face.seen().overlaps(before)).isFalse();
            before = before.plus(face.seen());
        }
    }

    @Test
    void aLineOfNoLengthIsRefused() {
        assertThatThrownBy(() -> section(massing(List.of(room(1, 0, 0, 4000, 3000))), at(0, 0), at(50, 50)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("0.1 m");
    }
}
