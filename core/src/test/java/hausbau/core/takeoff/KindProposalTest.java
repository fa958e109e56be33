package hausbau.core.takeoff;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.kit.Role;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class KindProposalTest {

    private static TagMeasure.Size size(double width, double height, double deviation) {
        return new TagMeasure.Size(new Measured(width, deviation), new Measured(height, deviation));
    }

    private static TagMeasure tag(long id, Role role, TagMeasure.Size... sizes) {
        return new TagMeasure(
                id, String.valueOf((char) ('A' + id - 1)), role, List.of(sizes), sizes.length, sizes.length);
    }

    private static List<String> letters(KindProposal proposal) {
        return proposal.tags().stream()
                .map(m -> m.letter() + (m.turned() ? " turned" : ""))
                .toList();
    }

    /** Two readings of ±10 mm and ±20 mm: weights 4 to 1, so 1000 and 1010 come to 1002, ±√80. */
    @Test
    void aSurerReadingWeighsMore() {
        var mean = TagMeasure.mean(List.of(size(1000, 1000, 10), size(1010, 1010, 20)));
        assertThat(mean.width().value()).isCloseTo(1002, within(1e-9));
        assertThat(mean.width().deviation()).isCloseTo(Math.sqrt(80), within(1e-9));
    }

    @Test
    void tagsOfOneSizeAreOnePieceAndAPlainlyOtherSizeIsAnother() {
        var proposals = KindProposal.of(
                List.of(
                        tag(1, Role.PROP, size(1003, 2098, 8)),
                        tag(2, Role.PROP, size(996, 2104, 8)),
                        tag(3, Role.PROP, size(1400, 2100, 8))),
                mm(100));
        assertThat(proposals).hasSize(2);
        assertThat(letters(proposals.get(0))).containsExactly("A", "B");
        assertThat(proposals.get(0).width()).isEqualTo(mm(1000));
        assertThat(proposals.get(0).height()).isEqualTo(mm(2100));
        assertThat(proposals.get(0).seen()).isEqualTo(2);
    }

    @Test
    void oneLyingOnItsSideIsTheSamePiece() {
        var proposals = KindProposal.of(
                List.of(tag(1, Role.PROP, size(1600, 450, 5)), tag(2, Role.PROP, size(452, 1597, 5))), mm(50));
        assertThat(proposals).singleElement().satisfies(p -> {
            assertThat(letters(p)).containsExactly("A", "B turned");
            assertThat(p.width()).isEqualTo(mm(1600));
            assertThat(p.height()).isEqualTo(mm(450));
        });
    }

    @Test
    void anotherRoleIsAnotherPieceHoweverAlike() {
        assertThat(KindProposal.of(
                        List.of(tag(1, Role.DOOR, size(1000, 2100, 5)), tag(2, Role.WINDOW, size(1000, 2100, 5))),
                        mm(100)))
                .hasSize(2);
    }

    /** 1000, 1025 and 1050 at ±10: each agrees with the next (25 ≤ 28.3), the ends do not (50), so no chain joins all three. */
    @Test
    void aChainOfSmallDifferencesDoesNotJoinItsEnds() {
        var proposals = KindProposal.of(
                List.of(
                        tag(1, Role.PROP, size(1000, 500, 10)),
                        tag(2, Role.PROP, size(1025, 500, 10)),
                        tag(3, Role.PROP, size(1050, 500, 10))),
                mm(25));
        assertThat(proposals).hasSize(2);
    }

    @Test
    void roundingThatChangesTheLookIsSaid() {
        var slight = KindProposal.of(List.of(tag(1, Role.PROP, size(1020, 2010, 5))), mm(100))
                .get(0);
        assertThat(slight.widthResidual()).isCloseTo(-20, within(1e-9));
        assertThat(slight.changesTheLook()).isFalse();
        // 340 comes to 300: 12 %.
        assertThat(KindProposal.of(List.of(tag(1, Role.PROP, size(340, 2000, 5))), mm(100))
                        .get(0)
                        .changesTheLook())
                .isTrue();
        // Nothing is rounded away altogether.
        assertThat(KindProposal.of(List.of(tag(1, Role.PROP, size(30, 2000, 5))), mm(100))
                        .get(0)
                        .width())
                .isEqualTo(mm(100));
    }

    @Test
    void aCodeIsSuggestedByWidthOrForAPropByItsName() {
        assertThat(KindProposal.of(List.of(tag(1, Role.WINDOW, size(1593, 2201, 5))), mm(100))
                        .get(0)
                        .suggestedCode("hall window"))
                .isEqualTo("WIN-1600");
        var prop = KindProposal.of(List.of(tag(1, Role.PROP, size(1000, 2100, 5))), mm(100))
                .get(0);
        assertThat(prop.suggestedCode("changing cubicle (tiled)")).isEqualTo("PRP-TILED");
        assertThat(prop.suggestedCode("—")).isEqualTo("PRP-THING");
    }

    /** Readings drawn from two true sizes of one role: the proposal parts them and finds both on the step. */
    @Test
    void manyReadingsOfTwoPiecesComeBackAsTwo() {
        var random = new Random(8);
        double[][] truth = {{1000, 2100}, {1600, 450}};
        var tags = IntStream.range(0, 8)
                .mapToObj(i -> {
                    var t = truth[i % 2];
                    var sizes = IntStream.range(0, 6)
                            .mapToObj(k -> new TagMeasure.Size(
                                    new Measured(t[0] + 6 * random.nextGaussian(), 6),
                                    new Measured(t[1] + 6 * random.nextGaussian(), 6)))
                            .toArray(TagMeasure.Size[]::new);
                    return tag(i + 1, Role.PROP, sizes);
                })
                .toList();
        var proposals = KindProposal.of(tags, mm(50));
        assertThat(proposals).hasSize(2);
        assertThat(proposals.stream().map(p -> Arrays.asList(p.width(), p.height())))
                .containsExactlyInAnyOrder(List.of(mm(1000), mm(2100)), List.of(mm(1600), mm(450)));
    }
}
