package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Box;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Swatch;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A bar of 20 × 120 mm round a corner, its legs 200 mm long: as a mitred prism it is its ground times its height. */
class MouldingCornerTest {

    private static final Profile BAR = Profile.of(Profile.Kind.BAR, 20_000, 120_000, 0, 0, 0);
    private static final Finish SHARP = new Finish(0.001, 256);

    private static Recipe.MouldingCorner corner(boolean outer) {
        return new Recipe.MouldingCorner(BAR, Swatch.TIMBER, 200_000, outer);
    }

    @Test
    void inACornerItsLegsShareTheirSquare() {
        var corner = corner(false);

        assertThat(Meshes.volume(corner.mesh(SHARP))).isCloseTo(20 * (200 + 180) * 120, within(20.0));
        assertThat(corner.size().x()).isEqualTo(200_000);
    }

    @Test
    void roundACornerItsLegsReachOverIt() {
        var corner = corner(true);

        assertThat(Meshes.volume(corner.mesh(SHARP))).isCloseTo(20 * (220 + 200) * 120, within(20.0));
        assertThat(corner.size().x()).isEqualTo(220_000);
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void itsBodiesTakeItsBox(boolean outer) {
        var corner = corner(outer);

        assertThat(corner.solids().stream().map(Solid::box).reduce(Box::union)).contains(corner.box());
    }
}
