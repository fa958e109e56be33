package hausbau.core.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SwatchTest {

    /** Columns are lettered so: the 26th is Z, the 27th AA, the 28th AB. */
    @Test
    void eachIsFoundByItsCodeAndIsOne() {
        assertThat(Stream.of(Swatch.sheet(1), Swatch.sheet(2), Swatch.sheet(26), Swatch.sheet(27), Swatch.sheet(28))
                        .map(Swatch::name))
                .containsExactly("SHARED", "SHARED_B", "SHARED_Z", "SHARED_AA", "SHARED_AB");
        var all = Stream.of(
                        Swatch.usual().stream(),
                        IntStream.rangeClosed(1, 300).mapToObj(Swatch::own),
                        IntStream.rangeClosed(1, 99).mapToObj(Swatch::sheet),
                        IntStream.rangeClosed(1, 256).mapToObj(Swatch.sheet(27)::place))
                .flatMap(s -> s)
                .toList();
        assertThat(all.stream().map(Swatch::name)).doesNotHaveDuplicates();
        assertThat(all).allSatisfy(s -> assertThat(Swatch.valueOf(s.name())).isSameAs(s));
    }

    @Test
    void placesAreOfTheirSheetsMaterial() {
        var place = Swatch.valueOf("SHARED_B12");
        assertThat(place.material()).isSameAs(Swatch.SHARED_B);
        assertThat(place).isSameAs(Swatch.SHARED_B.place(12));
        assertThat(Swatch.STONE.material()).isSameAs(Swatch.STONE);
        assertThat(List.of(
                        Swatch.SHARED.isSharedSheet(),
                        place.isSharedSheet(),
                        Swatch.own(7).isOwn(),
                        Swatch.STONE.isOwn()))
                .containsExactly(true, false, true, false);
        assertThat(Stream.of(Swatch.STONE, Swatch.own(7), Swatch.SHARED, place).filter(Swatch::isCoated))
                .containsExactly(Swatch.STONE, Swatch.own(7));
        assertThat(Swatch.SHARED_B.label()).isEqualTo("shared b");
    }

    @Test
    void theyComeInOneOrder() {
        assertThat(Stream.of(
                                Swatch.SHARED_B.place(2),
                                Swatch.SHARED.place(10),
                                Swatch.SHARED.place(9),
                                Swatch.SHARED_B,
                                Swatch.SHARED,
                                Swatch.own(10),
                                Swatch.own(9),
                                Swatch.PAINT,
                                Swatch.PLASTER)
                        .sorted())
                .containsExactly(
                        Swatch.PLASTER,
                        Swatch.PAINT,
                        Swatch.own(9),
                        Swatch.own(10),
                        Swatch.SHARED,
                        Swatch.SHARED_B,
                        Swatch.SHARED.place(9),
                        Swatch.SHARED.place(10),
                        Swatch.SHARED_B.place(2));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "plaster",
                "MARBLE",
                "OWN",
                "OWN0",
                "OWN01",
                "OWN10000",
                "SHARED_",
                "SHARED_A",
                "SHARED_A3",
                "SHARED0",
                "SHARED257",
                "SHARED_ZZ",
                "OWN1 "
            })
    void whatIsNoCodeIsNone(String code) {
        assertThatIllegalArgumentException().isThrownBy(() -> Swatch.valueOf(code));
    }
}
