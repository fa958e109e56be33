package hausbau.core.place;

import static hausbau.core.TestSets.block;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.util.AffineTransformation;

class StanceTest {

    /** 4 × 1 in plan, its pivot at a corner. */
    private static final Kind LONG = block(4000, 1000, 500).kind();

    /** A wall panel of 2 m whose doorway lies at its left: 0.2 to 1.2 m. */
    private static final Kind LEFT_DOOR = new Kind(
            Role.DOOR,
            new Recipe.OpeningPanel(
                    Vec.ofMillimetres(2000, 200, 3000),
                    new Box(Vec.ofMillimetres(200, 0, 0), Vec.ofMillimetres(1200, 200, 2100))),
            Pivot.FACE_START);

    private static Box mm(long x0, long y0, long z0, long x1, long y1, long z1) {
        return new Box(Vec.ofMillimetres(x0, y0, z0), Vec.ofMillimetres(x1, y1, z1));
    }

    @ParameterizedTest
    @CsvSource({
        "0, 10000, 20000, 14000, 21000",
        "1, 9000, 20000, 10000, 24000",
        "2, 6000, 19000, 10000, 20000",
        "3, 10000, 16000, 11000, 20000"
    })
    void aQuarterTurnGoesAboutThePivotCounterClockwise(int quarters, long x0, long y0, long x1, long y1) {
        var stance = Stance.at(Vec.ofMillimetres(10_000, 20_000, 0), new Turn(quarters));
        assertThat(stance.box(LONG)).isEqualTo(mm(x0, y0, 0, x1, y1, 500));
    }

    @Test
    void mirroringKeepsTheExtentAndMovesTheHole() {
        var at = Vec.ofMillimetres(1000, 0, 0);
        var plain = Stance.at(at, Turn.NONE);
        var mirrored = new Stance(at, Turn.NONE, true, 0);
        assertThat(mirrored.box(LEFT_DOOR)).isEqualTo(plain.box(LEFT_DOOR));
        // The wall beside the door's frame was 0.16 m at the left; mirrored it stands at the right end.
        assertThat(plain.solids(LEFT_DOOR)).contains(mm(1000, 0, 0, 1160, 200, 3000));
        assertThat(mirrored.solids(LEFT_DOOR)).contains(mm(2840, 0, 0, 3000, 200, 3000));
    }

    /** JTS turns the same rectangle by an affine transformation. */
    @ParameterizedTest
    @CsvSource({"30, 0", "-45.5, 1", "123.25, 3"})
    void aFreeTurnBoundsWhatAGeometryLibraryTurns(double degrees, int quarters) {
        var stance = new Stance(Vec.ofMillimetres(500, -700, 0), new Turn(quarters), false, degrees);
        var plan = new GeometryFactory().createPolygon(new Coordinate[] {
            new Coordinate(0, 0),
            new Coordinate(4e6, 0),
            new Coordinate(4e6, 1e6),
            new Coordinate(0, 1e6),
            new Coordinate(0, 0)
        });
        var turned = AffineTransformation.rotationInstance(Math.toRadians(degrees + 90 * quarters))
                .translate(5e5, -7e5)
                .transform(plan)
                .getEnvelopeInternal();
        var box = stance.box(LONG);
        assertThat((double) box.min().x())
                .isCloseTo(turned.getMinX(), within(1.0))
                .isLessThanOrEqualTo(turned.getMinX() + 1e-6);
        assertThat((double) box.max().x()).isCloseTo(turned.getMaxX(), within(1.0));
        assertThat((double) box.min().y()).isCloseTo(turned.getMinY(), within(1.0));
        assertThat((double) box.max().y())
                .isCloseTo(turned.getMaxY(), within(1.0))
                .isGreaterThanOrEqualTo(turned.getMaxY() - 1e-6);
    }

    @Test
    void aTurnPastTheCircleIsRefused() {
        assertThatThrownBy(() -> new Stance(Vec.ZERO, Turn.NONE, false, 360))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Stance(Vec.ZERO, Turn.NONE, false, Double.NaN))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
