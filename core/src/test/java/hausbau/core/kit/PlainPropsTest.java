package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Props to begin with; their sizes are common practice, no source. */
class PlainPropsTest {

    private static final Map<String, Vec> SIZES = Map.of(
            "crate", Vec.ofMillimetres(600, 600, 600),
            "table", Vec.ofMillimetres(1200, 700, 750),
            "chair", Vec.ofMillimetres(420, 455, 850),
            "shelf", Vec.ofMillimetres(900, 350, 1800));

    @ParameterizedTest
    @MethodSource("hausbau.core.kit.PlainProps#all")
    void eachIsClosedAndStandsOnItsBase(PlainProps.Prop prop) {
        var made = new Recipe.Made(1, prop.parts());
        var kind = new Kind(Role.PROP, made, Pivot.BASE_CENTRE);
        assertThat(kind.box().min().z()).isZero();
        assertThat(Math.abs(kind.box().min().x() + kind.box().max().x()))
                .as("about its middle")
                .isLessThanOrEqualTo(1);
        assertThat(made.mesh(new Finish(3, 256)).openEdges()).isEmpty();
        assertThat(prop.parts()).allSatisfy(part -> assertThat(part.name()).isNotBlank());
    }

    @Test
    void theyAreAsLargeAsSuchThingsAre() {
        for (var prop : PlainProps.all()) {
            var size = new Recipe.Made(1, prop.parts()).size();
            assertThat(SIZES.getOrDefault(prop.name(), size)).as(prop.name()).isEqualTo(size);
            assertThat(size.z()).as("%s, beside the Figure", prop.name()).isBetween(300_000L, 1_800_000L);
        }
        assertThat(PlainProps.all())
                .extracting(PlainProps.Prop::code)
                .doesNotHaveDuplicates()
                .hasSize(7);
    }
}
