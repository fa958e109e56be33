package hausbau.core.fit;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.fit.Division.Sort;
import hausbau.core.fit.DivisionQuestion.Fixed;
import hausbau.core.fit.DivisionQuestion.Side;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** The sums of the trade, and every answer checked against a plain enumeration on small cases. */
class DividerTest {

    private static Side side(String name, long length, long... fixed) {
        return new Side(
                name,
                mm(length),
                Arrays.stream(fixed)
                        .mapToObj(f -> new Fixed("item " + f, mm(f)))
                        .toList());
    }

    private static List<Division> divide(List<Side> sides, boolean agree, long... known) {
        return Divider.divide(new DivisionQuestion(
                sides,
                agree,
                Arrays.stream(known).mapToObj(Length::ofMillimetres).toList(),
                mm(100),
                mm(100),
                mm(4000)));
    }

    private static List<Long> pieces(Division division, int side) {
        return division.filled().get(side).pieces().stream()
                .map(l -> l.um() / 1000)
                .toList();
    }

    /** A wall of 2000 is four 500s (common practice, no source). */
    @Test
    void aWallOfTwoMetresIsFourHalves() {
        var best = divide(List.of(side("wall", 2000)), false, 500).get(0);
        assertThat(best.sort()).isEqualTo(Sort.KNOWN);
        assertThat(pieces(best, 0)).containsExactly(500L, 500L, 500L, 500L);
        assertThat(best.why(Unit.MILLIMETRE)).isEqualTo("Exact with pieces already on the list: 4 pieces of 1 kind.");
    }

    /**
     * With a 300 door 1700 is left: 500 + 500 + 500 + 200; or the wall becomes 1800 or 2300, or the door 500 (common
     * practice, no source).
     */
    @Test
    void aDoorLeavesARestThatOneNewPieceOrAChangeFills() {
        var answers = divide(List.of(side("wall", 2000, 300)), false, 500);
        var withNew = answers.stream().filter(a -> a.sort() == Sort.ONE_NEW).toList();
        assertThat(withNew.get(0).pieces()).isEqualTo(1);
        assertThat(withNew).anySatisfy(a -> assertThat(pieces(a, 0)).containsExactly(500L, 500L, 500L, 200L));
        assertThat(withNew).allSatisfy(a -> assertThat(
                        pieces(a, 0).stream().mapToLong(Long::longValue).sum())
                .isEqualTo(1700));
        var changed = answers.stream().filter(a -> a.sort() == Sort.CHANGED).toList();
        assertThat(changed)
                .extracting(a -> a.why(Unit.MILLIMETRE))
                .containsExactlyInAnyOrder(
                        "“wall” 200 mm shorter: then 3 pieces of 1 kind already on the list.",
                        "“item 300” 200 mm longer: then 3 pieces of 1 kind already on the list.",
                        "“wall” 300 mm longer: then 4 pieces of 1 kind already on the list.");
        assertThat(answers).extracting(Division::sort).isSorted();
    }

    /** Only pieces of up to 200 are allowed anew: then it is the 200 that earns its place. */
    @Test
    void theShortPieceComesOutWhereOnlyShortOnesAreAllowed() {
        var answers = Divider.divide(new DivisionQuestion(
                List.of(side("wall", 2000, 300)), false, List.of(mm(500)), mm(100), mm(100), mm(200)));
        assertThat(pieces(answers.get(0), 0)).containsExactly(500L, 500L, 500L, 200L);
        assertThat(answers.get(0).newPiece()).isEqualTo(mm(200));
    }

    /** One side reads 200 + 500 + 400 = 1100, so the other comes to 1100 too: 500 + 500 + 100 (common practice, no source). */
    @Test
    void theOtherSideComesToTheSameSum() {
        var answers = Divider.divide(new DivisionQuestion(
                List.of(side("one", 1100), side("other", 1100)), true, List.of(mm(500)), mm(100), mm(100), mm(100)));
        assertThat(answers.get(0).sort()).isEqualTo(Sort.ONE_NEW);
        assertThat(pieces(answers.get(0), 1)).containsExactly(500L, 500L, 100L);
    }

    /** Sides of 1100 and 1300 that must agree, from 500s with corners of 100 at both ends: 1200 is nearest to both. */
    @Test
    void sidesThatMustAgreeComeToOneLength() {
        var best = divide(List.of(side("north", 1100, 100, 100), side("south", 1300, 100, 100)), true, 500)
                .get(0);
        assertThat(best.sort()).isEqualTo(Sort.CHANGED);
        assertThat(best.filled()).allSatisfy(f -> assertThat(f.length()).isEqualTo(mm(1200)));
        assertThat(best.changed()).isEqualTo(mm(200));
        // One corner piece with 100 legs, and walls of 500 between (common practice, no source).
        assertThat(pieces(best, 0)).containsExactly(500L, 500L);
    }

    /** A roof of 22 m in panels of 4 m does not divide; a last panel of 2 m does it, or two metres either way. */
    @Test
    void panelsThatDoNotDivideAreToldTheNearestLengths() {
        var answers = divide(List.of(side("roof", 22_000)), false, 4000);
        assertThat(answers)
                .filteredOn(a -> a.sort() == Sort.CHANGED)
                .extracting(a -> a.changes().get(0).by())
                .containsExactlyInAnyOrder(mm(2000), mm(-2000));
        assertThat(answers).filteredOn(a -> a.sort() == Sort.ONE_NEW).anySatisfy(a -> assertThat(a.newPiece())
                .isEqualTo(mm(2000)));
    }

    @Test
    void anExactSumNeedsNoChangeAndANewPieceOnlyIfItSavesSome() {
        assertThat(divide(List.of(side("wall", 4000)), false, 4000))
                .singleElement()
                .extracting(Division::sort)
                .isEqualTo(Sort.KNOWN);
    }

    @Test
    void withNothingKnownOnePieceIsMade() {
        var answers = divide(List.of(side("a", 1500), side("b", 2500)), false);
        assertThat(answers.get(0).newPiece()).isEqualTo(mm(500));
        assertThat(answers).allSatisfy(a -> assertThat(a.sort()).isEqualTo(Sort.ONE_NEW));
    }

    @Test
    void everyFaultIsNamed() {
        assertThatThrownBy(() -> new DivisionQuestion(
                        List.of(side("a", 1000, 800, 300), side("b", -5)), false, List.of(mm(0)), mm(0), mm(5), mm(4)))
                .isInstanceOfSatisfying(Refused.class, r -> assertThat(r.faults())
                        .extracting(f -> f.field())
                        .contains("sides[0].fixed", "sides[1].lengthMm", "knownMm", "stepMm", "minPieceMm"));
    }

    /** The fewest pieces by trying every multiset, longest kind first. */
    private static int fewest(List<Long> kinds, long rest) {
        if (rest == 0) {
            return 0;
        }
        var best = 1_000_000;
        for (var kind : kinds) {
            if (kind <= rest) {
                best = Math.min(
                        best, 1 + fewest(kinds.stream().filter(k -> k <= kind).toList(), rest - kind));
            }
        }
        return best;
    }

    @RepeatedTest(60)
    void agreesWithAPlainEnumeration(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var known = random.longs(1 + random.nextInt(3), 2, 9)
                .map(n -> n * 100)
                .distinct()
                .toArray();
        var sides = List.of(side("a", 100L * random.nextInt(5, 22)), side("b", 100L * random.nextInt(5, 22)));
        var answers = divide(sides, false, known);
        var kinds = Arrays.stream(known).boxed().toList();
        var rests = sides.stream().map(s -> s.rest().um() / 1000).toList();
        var exact = rests.stream().mapToInt(r -> fewest(kinds, r)).sum();
        assertThat(answers.stream()
                        .filter(a -> a.sort() == Sort.KNOWN)
                        .mapToInt(Division::pieces)
                        .findFirst()
                        .orElse(1_000_000))
                .isEqualTo(Math.min(exact, 1_000_000));
        var bestNew = 1_000_000;
        for (var x = 100L; x <= 4000; x += 100) {
            if (!kinds.contains(x)) {
                var with = new ArrayList<>(kinds);
                with.add(x);
                bestNew = Math.min(
                        bestNew, rests.stream().mapToInt(r -> fewest(with, r)).sum());
            }
        }
        if (bestNew < Math.min(exact, 1_000_000)) {
            assertThat(answers.stream()
                            .filter(a -> a.sort() == Sort.ONE_NEW)
                            .findFirst()
                            .orElseThrow()
                            .pieces())
                    .isEqualTo(bestNew);
        }
        assertThat(answers).allSatisfy(a -> a.filled().forEach(f -> assertThat(
                        f.pieces().stream().mapToLong(Length::um).sum())
                .isEqualTo(f.length().um()
                        - f.side().length().um()
                        + f.side().rest().um()
                        - fixedChange(a))));
    }

    private static long fixedChange(Division a) {
        return a.changes().stream()
                .filter(c -> !c.fixed().isEmpty())
                .mapToLong(c -> c.by().um())
                .sum();
    }
}
