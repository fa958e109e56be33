package hausbau.core.build;

import static hausbau.core.TestSets.block;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.kit.Piece;
import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class ArrangementTest {

    private static final Piece BLOCK = block(1000, 400, 500);

    private static List<PlacedPiece> restood(List<PlacedPiece> placed, List<Stance> stances) {
        var after = new ArrayList<PlacedPiece>();
        for (var i = 0; i < placed.size(); i++) {
            after.add(byHand(placed.get(i).id(), placed.get(i).piece(), stances.get(i)));
        }
        return after;
    }

    @Test
    void aMoveMovesEachByTheSame() {
        var stances = new Arrangement(Vec.ofMillimetres(100, -200, 50), 0, false)
                .apply(List.of(byHand(1, BLOCK, 0, 0, 0), byHand(2, BLOCK, 3000, 0, 0)), mm(100));
        assertThat(stances).extracting(Stance::at).containsExactly(Vec.ofMillimetres(100, -200, 50), Vec.ofMillimetres(3100, -200, 50));
    }

    @Test
    void oneTurnsAboutItsOwnPivot() {
        var stances = new Arrangement(Vec.ZERO, 1, false).apply(List.of(byHand(1, BLOCK, 700, 300, 0)), mm(100));
        assertThat(stances).containsExactly(Stance.at(Vec.ofMillimetres(700, 300, 0), new Turn(1)));
    }

    /** Two blocks from X 0 to 4 m and Y 0 to 0.4 m turn about (2, 0.2): the row of them then runs from Y -1.8 to 2.2. */
    @Test
    void severalTurnTogetherAboutTheirMiddle() {
        var placed = List.of(byHand(1, BLOCK, 0, 0, 0), byHand(2, BLOCK, 3000, 0, 0));
        var extent = restood(placed, new Arrangement(Vec.ZERO, 1, false).apply(placed, mm(100))).stream()
                .map(PlacedPiece::box).reduce(Box::union).orElseThrow();
        assertThat(extent).isEqualTo(new Box(Vec.ofMillimetres(1800, -1800, 0), Vec.ofMillimetres(2200, 2200, 500)));
    }

    @RepeatedTest(20)
    void fourQuarterTurnsAndTwoMirroringsBringEverythingBack(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var placed = new ArrayList<PlacedPiece>();
        for (var i = 0; i < 1 + random.nextInt(6); i++) {
            placed.add(byHand(i, BLOCK, Stance.at(Vec.ofMillimetres(random.nextInt(200) * 100L, random.nextInt(200) * 100L, 0), Turn.of(random.nextInt(4)))));
        }
        List<PlacedPiece> turned = placed;
        for (var i = 0; i < 4; i++) {
            turned = restood(turned, new Arrangement(Vec.ZERO, 1, false).apply(turned, mm(100)));
            assertThat(turned).allSatisfy(p -> assertThat(p.placement().stance().at().x() % 100_000).isZero());
        }
        assertThat(new Arrangement(Vec.ZERO, 4, false).apply(placed, mm(100))).isEqualTo(placed.stream().map(p -> p.placement().stance()).toList());
        var mirrored = restood(placed, new Arrangement(Vec.ZERO, 0, true).apply(placed, mm(100)));
        assertThat(new Arrangement(Vec.ZERO, 0, true).apply(mirrored, mm(100))).isEqualTo(placed.stream().map(p -> p.placement().stance()).toList());
    }

    @Test
    void itNamesWhatItDoes() {
        assertThat(new Arrangement(Vec.ZERO, -1, false).verb()).isEqualTo("Turn");
        assertThat(new Arrangement(Vec.ZERO, 0, true).verb()).isEqualTo("Mirror");
        assertThat(new Arrangement(Vec.ofMillimetres(1, 0, 0), 0, false).verb()).isEqualTo("Move");
    }
}
