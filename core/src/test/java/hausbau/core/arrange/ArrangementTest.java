package hausbau.core.arrange;

import static hausbau.core.TestSets.block;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.standing;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class ArrangementTest {

    private static final Piece BLOCK = block(1000, 400, 500);
    /** A door to the left of its panel's middle, its pivot at its face's start: alike to nothing it could be confused with. */
    private static final Piece LEFT_DOOR = new Piece(
            "DOR",
            "door",
            Role.DOOR,
            new Recipe.OpeningPanel(
                    Vec.ofMillimetres(2000, 200, 3000), Box.of(200_000, 0, 0, 1_000_000, 200_000, 2_100_000)),
            Pivot.FACE_START);

    private static List<Standing> restood(List<Standing> standing, List<Stance> stances) {
        var after = new ArrayList<Standing>();
        for (var i = 0; i < standing.size(); i++) {
            var s = standing.get(i);
            after.add(new Standing(s.place(), s.kind(), stances.get(i), s.free(), s.departed(), s.lost()));
        }
        return after;
    }

    private static List<Stance> apply(List<Standing> standing, int turns, double free, boolean mirror) {
        return new Arrangement(Vec.ZERO, turns, free, mirror).apply(standing, mm(100));
    }

    @Test
    void aMoveMovesEachByTheSame() {
        var stances = new Arrangement(Vec.ofMillimetres(100, -200, 50), 0, false)
                .apply(List.of(standing(1, BLOCK, 0, 0, 0), standing(2, BLOCK, 3000, 0, 0)), mm(100));
        assertThat(stances)
                .extracting(Stance::at)
                .containsExactly(Vec.ofMillimetres(100, -200, 50), Vec.ofMillimetres(3100, -200, 50));
    }

    @Test
    void oneTurnsAboutItsOwnPivot() {
        assertThat(apply(List.of(standing(1, BLOCK, 700, 300, 0)), 1, 0, false))
                .containsExactly(Stance.at(Vec.ofMillimetres(700, 300, 0), new Turn(1)));
        assertThat(apply(List.of(standing(1, BLOCK, 700, 300, 0)), 0, 30, false))
                .containsExactly(new Stance(Vec.ofMillimetres(700, 300, 0), Turn.NONE, false, 30));
    }

    /** Two blocks from X 0 to 4 m and Y 0 to 0.4 m turn about (2, 0.2): the row of them then runs from Y -1.8 to 2.2. */
    @Test
    void severalTurnTogetherAboutTheirMiddle() {
        var standing = List.of(standing(1, BLOCK, 0, 0, 0), standing(2, BLOCK, 3000, 0, 0));
        var extent = restood(standing, apply(standing, 1, 0, false)).stream()
                .map(Standing::box)
                .reduce(Box::union)
                .orElseThrow();
        assertThat(extent).isEqualTo(new Box(Vec.ofMillimetres(1800, -1800, 0), Vec.ofMillimetres(2200, 2200, 500)));
    }

    /** The same by 90 degrees freely: as one body it comes to the same places, to a rounded micrometre. */
    @Test
    void aFreeTurnOfSeveralKeepsThemOneBody() {
        var standing = List.of(standing(1, BLOCK, 0, 0, 0), standing(2, BLOCK, 3000, 0, 0));
        var extent = restood(standing, apply(standing, 0, 90, false)).stream()
                .map(Standing::box)
                .reduce(Box::union)
                .orElseThrow();
        assertThat((double) extent.min().y()).isCloseTo(-1_800_000, within(2.0));
        assertThat((double) extent.max().x()).isCloseTo(2_200_000, within(2.0));
        var apart = apply(standing, 0, 37, false);
        var distance = apart.get(1).at().minus(apart.get(0).at());
        assertThat(Math.hypot(distance.x(), distance.y())).isCloseTo(3_000_000, within(2.0));
    }

    /** The bodies of a set of pieces, each a box, whatever piece it belongs to. */
    private static List<Box> bodies(List<Standing> standing) {
        return standing.stream()
                .flatMap(s -> s.solids().stream())
                .sorted(Comparator.comparing(Box::toString))
                .toList();
    }

    /**
     * Mirrored as one body, every solid is where plain reflection of that solid puts it; a door that was to the left in its
     * panel is to the right of it afterwards, on the other side of the group.
     */
    @RepeatedTest(30)
    void mirroringSeveralReflectsEverySolidAcrossTheirMiddle(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var standing = new ArrayList<Standing>();
        for (var i = 0; i < 2 + random.nextInt(4); i++) {
            standing.add(Standing.byHand(byHand(
                    i,
                    random.nextBoolean() ? LEFT_DOOR : BLOCK,
                    new Stance(
                            Vec.ofMillimetres(random.nextInt(60) * 100L, random.nextInt(60) * 100L, 0),
                            Turn.of(random.nextInt(4)),
                            random.nextBoolean(),
                            0))));
        }
        var extent = standing.stream().map(Standing::box).reduce(Box::union).orElseThrow();
        var sum = extent.min().x() + extent.max().x();
        var reflected = bodies(standing).stream()
                .map(b -> Box.of(
                        sum - b.max().x(),
                        b.min().y(),
                        b.min().z(),
                        sum - b.min().x(),
                        b.max().y(),
                        b.max().z()))
                .sorted(Comparator.comparing(Box::toString))
                .toList();
        assertThat(bodies(restood(standing, apply(standing, 0, 0, true)))).isEqualTo(reflected);
    }

    @Test
    void oneIsMirroredWhereItStands() {
        var one =
                List.of(Standing.byHand(byHand(1, LEFT_DOOR, Stance.at(Vec.ofMillimetres(500, 700, 0), new Turn(1)))));
        assertThat(restood(one, apply(one, 0, 0, true)).get(0).box())
                .isEqualTo(one.get(0).box());
        assertThat(apply(one, 0, 0, true).get(0))
                .isEqualTo(new Stance(Vec.ofMillimetres(500, 700, 0), new Turn(1), true, 0));
    }

    @RepeatedTest(20)
    void fourQuarterTurnsAndTwoMirroringsBringEverythingBack(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var standing = new ArrayList<Standing>();
        Kind kind = LEFT_DOOR.kind();
        for (var i = 0; i < 1 + random.nextInt(6); i++) {
            // Off the step by an odd amount: the middle is rounded, and still everything comes back.
            standing.add(new Standing(
                    new Place.ByHand(i),
                    kind,
                    Stance.at(
                            Vec.ofMillimetres(random.nextInt(200) * 25L, random.nextInt(200) * 50L, 0),
                            Turn.of(random.nextInt(4))),
                    false,
                    false,
                    false));
        }
        var back = standing.stream().map(Standing::stance).toList();
        assertThat(apply(standing, 4, 0, false)).isEqualTo(back);
        assertThat(apply(restood(standing, apply(standing, 0, 0, true)), 0, 0, true))
                .isEqualTo(back);
    }

    @Test
    void itNamesWhatItDoes() {
        assertThat(new Arrangement(Vec.ZERO, -1, false).verb()).isEqualTo("Turn");
        assertThat(new Arrangement(Vec.ZERO, 0, 12, false).verb()).isEqualTo("Turn");
        assertThat(new Arrangement(Vec.ZERO, 0, true).verb()).isEqualTo("Mirror");
        assertThat(new Arrangement(Vec.ofMillimetres(1, 0, 0), 0, false).verb()).isEqualTo("Move");
    }
}
