package hausbau.core.exchange;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.LAMP;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.decisions;
import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.named;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Hands;
import hausbau.core.place.Stance;
import hausbau.core.plane.Rect;
import hausbau.core.repeat.Course;
import hausbau.core.repeat.Pace;
import hausbau.core.repeat.Variation;
import hausbau.core.standing.Assemblies;
import hausbau.core.standing.Assembly;
import hausbau.core.standing.Body;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.Repeat;
import hausbau.core.standing.StandingSet;
import hausbau.core.standing.Use;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class NodeNamesTest {

    @Test
    void everyNodeStandsUnderItsLevelAndRoomAndHasAShortNameOfItsOwn() {
        var below = room(1, 0, 0, 5000, 4000);
        var above = new Room(
                2,
                "Loft",
                1,
                Outline.rectangle(new Rect(0, 0, 5_000_000, 4_000_000)),
                3_400_000,
                mm(3000),
                false,
                Vec.ofMillimetres(0, 0, 3400),
                0,
                false);
        var massing = massing(List.of(below, above), door(1, Side.NORTH, 1100, 900));
        var decisions = decisions(
                massing,
                kit(massing, 1000, 900),
                byHand(5, BENCH, 2000, 2000, 0),
                byHand(6, BENCH, 2000, 2000, 0),
                byHand(7, BENCH, 2000, 2000, 3400));
        var set = StandingSet.of(decisions);
        var all = all(set, new NodeNames(decisions, Map.of(0L, "Ground", 1L, "Loft")));
        var names = all.stream().map(path -> path.substring(path.lastIndexOf('/') + 1));
        assertThat(names).doesNotHaveDuplicates().allMatch(name -> name.matches("[A-Z]{3}-[\\w-]+(_\\d+)?"));
        assertThat(all)
                .contains("Ground/Room 1/PRP-BENCH", "Ground/Room 1/PRP-BENCH_2", "Loft/Loft 2/PRP-BENCH_3")
                .allMatch(path -> path.startsWith("Ground/Room 1/") || path.startsWith("Loft/Loft 2/"));
    }

    /** Three lamps from one room into the next: one node, where the first stands. */
    @Test
    void aRepeatAndAUseOfAnAssemblyAreNodes() {
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000), room(2, 5200, 0, 5000, 4000)));
        var row = new Repeat(
                4,
                "Lamps",
                List.of(Body.of(LAMP.kind())),
                new Course(
                        Vec.ofMillimetres(4000, 1000, 0),
                        Vec.ofMillimetres(8000, 1000, 0),
                        Pace.of(3),
                        Length.ZERO,
                        false,
                        false,
                        Variation.NONE),
                Optional.empty());
        var pair = new Assembly(1, "Pair", List.of(part(1, 0), part(2, 2000)));
        var assemblies = new Assemblies(List.of(pair), List.of(use(8, 1, 1000), use(9, 1, 7000)));
        var decisions = new Decisions(
                massing, Optional.of(kit(massing, 1000)), Hands.EMPTY, List.of(row), assemblies, List.of(), Map.of());
        var all = all(StandingSet.of(decisions), new NodeNames(decisions, Map.of(0L, "Ground")));
        assertThat(all)
                .contains(
                        "Ground/Room 1/Lamps/PRP-LAMP",
                        "Ground/Room 1/Lamps/PRP-LAMP_2",
                        "Ground/Room 1/Lamps/PRP-LAMP_3",
                        "Ground/Room 1/Pair/PRP-BENCH",
                        "Ground/Room 2/Pair 2/PRP-BENCH_3");
    }

    private static Assembly.Part part(int number, long xMm) {
        return new Assembly.Part(
                number, new Assembly.OfPiece(BENCH.kind()), Stance.at(Vec.ofMillimetres(xMm, 0, 0), Turn.NONE));
    }

    private static Use use(long id, long assembly, long xMm) {
        return new Use(id, assembly, Stance.at(Vec.ofMillimetres(xMm, 2500, 0), Turn.NONE));
    }

    private static List<String> all(StandingSet set, NodeNames names) {
        var kit = named(set);
        return set.all().stream()
                .map(s -> String.join("/", names.path(s)) + "/" + names.name(kit.code(s.kind())))
                .toList();
    }
}
