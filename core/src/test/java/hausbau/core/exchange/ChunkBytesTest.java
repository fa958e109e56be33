package hausbau.core.exchange;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.LAMP;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.departed;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.named;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.set;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Side;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.standing.Chunk;
import hausbau.core.standing.StandingSet;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Chunks read back column by column, as their description says, apart from what wrote them. */
class ChunkBytesTest {

    private static ByteBuffer bytes(StandingSet set, Chunk chunk) {
        var ids = named(set);
        return ByteBuffer.wrap(ChunkBytes.of(chunk, k -> ids.id(k).orElseThrow()))
                .order(ByteOrder.LITTLE_ENDIAN);
    }

    private static Chunk chunk(StandingSet set, String name) {
        return set.chunks().stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everyColumnIsWhereItsDescriptionSays() {
        var rooms = massing(List.of(room(7, 0, 0, 5000, 4000)));
        var set = set(rooms, kit(rooms, 1000));
        var chunk = chunk(set, "shell.7.0");
        var b = bytes(set, chunk);
        var n = chunk.size();
        var p = chunk.palette().size();
        assertThat(b.capacity()).isEqualTo(24 + 8 * p + 44 * n);
        assertThat(new String(new byte[] {b.get(0), b.get(1), b.get(2), b.get(3)}))
                .isEqualTo("HCB2");
        assertThat(List.of(b.getInt(4), b.getInt(8), b.getInt(12))).containsExactly(n, p, 0);
        assertThat(b.getDouble(16)).isEqualTo(7);
        var columns = 24 + 8 * p;
        for (var i = 0; i < n; i++) {
            var s = chunk.standing(i);
            assertThat(b.getDouble(columns + 8 * i)).isEqualTo(s.stance().at().x());
            assertThat(b.getDouble(columns + 8 * (n + i)))
                    .isEqualTo(s.stance().at().y());
            assertThat(b.getDouble(columns + 8 * (2 * n + i)))
                    .isEqualTo(s.stance().at().z());
            assertThat(chunk.palette().get(b.getShort(columns + 40 * n + 2 * i)))
                    .isEqualTo(s.kind());
            assertThat(b.get(columns + 42 * n + i) & 3)
                    .isEqualTo(s.stance().turn().quarters());
            if (s.place() instanceof Place.InRun run) {
                assertThat(b.get(columns + 43 * n + i)).isEqualTo((byte) (2 + run.edge()));
                assertThat(b.getDouble(columns + 8 * (3 * n + i))).isEqualTo(run.at());
                assertThat(b.getDouble(columns + 8 * (4 * n + i))).isEqualTo(run.length());
            }
        }
    }

    @Test
    void freeTurnsAndOwnersTakeAColumnOnlyWhereThereAreSome() {
        var rooms = massing(List.of(room(7, 0, 0, 5000, 4000)));
        var askew = byHand(2, LAMP, new Stance(Vec.ofMillimetres(1000, 2000, 0), new Turn(1), true, 12.5));
        var set = departed(
                set(rooms, kit(rooms, 1000), byHand(1, BENCH, 3000, 2000, 0), askew),
                new Departure.Restood(
                        new Place.InRun(99, Side.EAST, 5, 6), BENCH.kind(), Stance.at(Vec.ZERO, Turn.NONE), true));
        var hands = bytes(set, chunk(set, "hands.0.0"));
        assertThat(hands.getInt(12)).isEqualTo(2);
        assertThat(hands.getDouble(24 + 8 * 2 + 80)).isZero();
        assertThat(hands.getDouble(24 + 8 * 2 + 88)).isEqualTo(12.5);
        assertThat(hands.get(24 + 16 + 96 + 4 + 1)).isEqualTo((byte) (1 + 4));
        var lost = bytes(set, chunk(set, "lost.0"));
        assertThat(lost.getInt(12)).isEqualTo(1);
        assertThat(lost.getDouble(24 + 8 + 40)).isEqualTo(99);
        assertThat(lost.get(24 + 8 + 48 + 2)).isEqualTo((byte) (8 + 16 + 32));
    }
}
