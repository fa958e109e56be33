package hausbau.core.hand;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Struts: their ends lie where they were asked for. */
class StrutTest {

    @Test
    void itsEndsLieOnBothPoints() {
        var random = new Random(6);
        for (var i = 0; i < 300; i++) {
            var from = new Vec(
                    random.nextInt(-5_000_000, 5_000_000),
                    random.nextInt(-5_000_000, 5_000_000),
                    random.nextInt(-2_000_000, 2_000_000));
            var to = new Vec(
                    random.nextInt(-5_000_000, 5_000_000),
                    random.nextInt(-5_000_000, 5_000_000),
                    random.nextInt(-2_000_000, 2_000_000));
            var strut = Strut.between(from, to, mm(80), mm(120));
            // In its own frame the middle line runs at half its height, from one end to the other.
            var half = strut.kind().size().x() / 2;
            for (var end : new Vec[] {from, to}) {
                var own = strut.stance()
                        .direction(end == from ? -half : half, 0, 60_000)
                        .plus(strut.stance().at());
                assertThat(Math.sqrt(Math.pow(own.x() - end.x(), 2)
                                + Math.pow(own.y() - end.y(), 2)
                                + Math.pow(own.z() - end.z(), 2)))
                        .isCloseTo(0, within(4.0));
            }
            // Its sides stay level: no part of its width climbs.
            assertThat(strut.stance().direction(0, 1_000_000, 0).z()).isZero();
        }
    }

    /** Three, four, five; level along an axis it is exact; upright it stands. */
    @Test
    void itIsAsLongAsItsPointsLieApart() {
        var slanted = Strut.between(Vec.ZERO, Vec.ofMillimetres(0, 4000, 3000), mm(80), mm(80));
        assertThat(slanted.kind().size()).isEqualTo(Vec.ofMillimetres(5000, 80, 80));
        var level = Strut.between(Vec.ofMillimetres(0, 1000, 500), Vec.ofMillimetres(0, 3000, 500), mm(80), mm(100));
        assertThat(level.stance()).isEqualTo(Stance.at(Vec.ofMillimetres(0, 2000, 450), Turn.of(1)));
        var upright = Strut.between(Vec.ZERO, Vec.ofMillimetres(0, 0, 2000), mm(80), mm(80));
        var box = upright.stance().box(upright.kind());
        assertThat(box.min()).isEqualTo(Vec.ofMillimetres(-40, -40, 0));
        assertThat(box.max()).isEqualTo(Vec.ofMillimetres(40, 40, 2000));
    }

    @Test
    void whatIsNoStrutIsRefused() {
        assertRefused(() -> Strut.between(Vec.ZERO, Vec.ZERO, mm(80), mm(80)), "toMm");
        assertRefused(() -> Strut.between(Vec.ZERO, Vec.ofMillimetres(200_000, 0, 0), mm(80), mm(80)), "toMm");
        assertRefused(() -> Strut.between(Vec.ZERO, Vec.ofMillimetres(1000, 0, 0), Length.ZERO, mm(80)), "widthMm");
        assertRefused(() -> Strut.between(Vec.ZERO, Vec.ofMillimetres(1000, 0, 0), mm(80), new Length(-1)), "heightMm");
    }

    private static void assertRefused(org.assertj.core.api.ThrowableAssert.ThrowingCallable work, String field) {
        assertThatThrownBy(work).isInstanceOfSatisfying(Refused.class, r -> assertThat(r.faults())
                .extracting(f -> f.field())
                .containsExactly(field));
    }
}
