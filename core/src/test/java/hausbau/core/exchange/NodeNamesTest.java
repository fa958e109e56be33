package hausbau.core.exchange;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.named;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.set;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;

class NodeNamesTest {

    @Test
    void everyNodeStandsUnderItsLevelAndRoomAndHasANameOfItsOwnThere() {
        var below = room(1, 0, 0, 5000, 4000);
        var above = new Room(2, "Loft", Vec.ofMillimetres(0, 0, 3400), mm(5000), mm(4000), mm(3000));
        var massing = massing(List.of(below, above), door(1, Side.NORTH, 1100, 900));
        var set = set(
                massing,
                kit(massing, 1000, 900),
                byHand(5, BENCH, 2000, 2000, 0),
                byHand(6, BENCH, 2000, 2000, 0),
                byHand(7, BENCH, 2000, 2000, 3400));
        var names = new NodeNames(massing);
        var kit = named(set);
        var all = new ArrayList<String>();
        set.all().forEach(s -> all.add(String.join("/", names.path(s)) + "/" + names.name(s, kit.code(s.kind()))));
        assertThat(new HashSet<>(all)).hasSameSizeAs(all);
        assertThat(all)
                .contains(
                        "floor at 0 m/Room 1/north wall at 0 m, WAL-1000x3400",
                        "floor at 0 m/Room 1/north wall, door at 1.1 m, DOR-1100x3400",
                        "floor at 0 m/Room 1/south-east corner, POS-200x3400",
                        "floor at 0 m/Room 1/at 2 m 2 m 0 m, PRP-BENCH",
                        "floor at 0 m/Room 1/at 2 m 2 m 0 m, PRP-BENCH, again 2",
                        "floor at 3.4 m/Loft/at 2 m 2 m 3.4 m, PRP-BENCH",
                        "floor at 3.4 m/Loft/west wall at 0 m, WAL-1000");
        assertThat(all).noneMatch(n -> n.matches(".*\\.\\d{3,}$"));
    }
}
