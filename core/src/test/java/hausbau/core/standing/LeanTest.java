package hausbau.core.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.arrange.Arrangement;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Block;
import hausbau.core.place.Stance;
import java.util.ArrayList;
import java.util.Random;
import org.apache.commons.math3.geometry.euclidean.threed.Rotation;
import org.apache.commons.math3.geometry.euclidean.threed.RotationConvention;
import org.apache.commons.math3.geometry.euclidean.threed.RotationOrder;
import org.apache.commons.math3.geometry.euclidean.threed.Vector3D;
import org.apache.commons.math3.optim.MaxIter;
import org.apache.commons.math3.optim.linear.LinearConstraint;
import org.apache.commons.math3.optim.linear.LinearConstraintSet;
import org.apache.commons.math3.optim.linear.LinearObjectiveFunction;
import org.apache.commons.math3.optim.linear.NonNegativeConstraint;
import org.apache.commons.math3.optim.linear.Relationship;
import org.apache.commons.math3.optim.linear.SimplexSolver;
import org.apache.commons.math3.optim.nonlinear.scalar.GoalType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What leans and is sized, against Apache Commons Math: its rotations for the turns, its simplex solver for what bodies share. */
class LeanTest {

    private static final Kind BENCH = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);
    private static final Kind WALL = new Kind(Role.PROP, new Recipe.Bench(), Pivot.FACE_START);

    private static Stance any(Random random, boolean mirrored) {
        var lean = new Lean(random.nextInt(-180, 181), random.nextInt(-180, 181), random.nextInt(5, 300) / 100.0);
        return new Stance(
                new Vec(
                        random.nextInt(-900_000, 900_000),
                        random.nextInt(-900_000, 900_000),
                        random.nextInt(-900_000, 900_000)),
                new Turn(random.nextInt(4)),
                mirrored,
                random.nextInt(-89, 90),
                lean);
    }

    private static Rotation rotation(Stance s) {
        return new Rotation(
                RotationOrder.ZYX,
                RotationConvention.VECTOR_OPERATOR,
                Math.toRadians(s.degrees()),
                Math.toRadians(s.lean().roll()),
                Math.toRadians(s.lean().tilt()));
    }

    @Test
    void turnsAreThoseOfTheReference() {
        var random = new Random(1);
        for (var i = 0; i < 300; i++) {
            var s = any(random, false);
            var wanted = rotation(s)
                    .applyTo(new Vector3D(100_000, -40_000, 70_000))
                    .scalarMultiply(s.lean().scale());
            var got = s.direction(100_000, -40_000, 70_000);
            assertThat(new double[] {got.x(), got.y(), got.z()})
                    .containsExactly(new double[] {wanted.getX(), wanted.getY(), wanted.getZ()}, within(1.0));
            var q = s.rotation();
            var r = rotation(s);
            // A rotation and its negative are one; the reference takes the conjugate for the vector operator.
            var same = Math.abs(q[3] * r.getQ0() - q[0] * r.getQ1() - q[1] * r.getQ2() - q[2] * r.getQ3());
            assertThat(same).isCloseTo(1, within(1e-9));
        }
    }

    /** Mirrored across a plane, every corner lies where the mirror shows it; twice is as it was. */
    @Test
    void aMirrorShowsWhatLeans() {
        var random = new Random(2);
        for (var i = 0; i < 300; i++) {
            var s = any(random, random.nextBoolean());
            var across = random.nextInt(-500_000, 500_000);
            var m = Arrangement.mirrored(s, WALL.box(), across);
            var box = Box.of(100_000, 20_000, 30_000, 400_000, 200_000, 90_000);
            var was = s.block(box, WALL).centre();
            var is = m.block(box, WALL).centre();
            assertThat(is).containsExactly(new double[] {across - was[0], was[1], was[2]}, within(1.0));
            var back = Arrangement.mirrored(m, WALL.box(), across);
            assertThat(back.at().minus(s.at()))
                    .matches(v -> Math.abs(v.x()) <= 1 && Math.abs(v.y()) <= 1 && Math.abs(v.z()) <= 1);
            assertThat(back.mirrored()).isEqualTo(s.mirrored());
        }
    }

    /** What is carried by a frame that leans stands as rotations in turn say. */
    @Test
    void whatIsCarriedLeansWithItsFrame() {
        var random = new Random(3);
        for (var i = 0; i < 300; i++) {
            var frame = any(random, false);
            var own = any(random, false).leaning(new Lean(random.nextInt(-80, 80), random.nextInt(-80, 80), 1));
            var got = own.carriedBy(frame);
            var wanted = rotation(frame)
                    .applyTo(rotation(own)
                            .applyTo(new Vector3D(1000, 2000, 3000))
                            .scalarMultiply(frame.lean().scale()));
            var is = got.direction(1000, 2000, 3000);
            assertThat(new double[] {is.x(), is.y(), is.z()})
                    .containsExactly(new double[] {wanted.getX(), wanted.getY(), wanted.getZ()}, within(1.0));
        }
    }

    @Test
    void aToppledBenchLiesOnItsSide() {
        var stance = Stance.at(Vec.ZERO, Turn.NONE).leaning(new Lean(90, 0, 1));
        var size = BENCH.box().size();
        assertThat(stance.box(BENCH).size()).isEqualTo(new Vec(size.x(), size.z(), size.y()));
        assertThat(Stance.at(Vec.ZERO, Turn.NONE)
                        .leaning(new Lean(0, 0, 2))
                        .box(BENCH)
                        .size())
                .isEqualTo(new Vec(2 * size.x(), 2 * size.y(), 2 * size.z()));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.04, 21, Double.NaN})
    void aSizeOutOfRangeIsRefused(double scale) {
        assertThatThrownBy(() -> new Lean(0, 0, scale))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("0.05 to 20");
    }

    /** Two blocks share volume where a ball fits into both: its greatest radius is a linear programme. */
    @Test
    void blocksShareVolumeWhereABallFitsIntoBoth() {
        var random = new Random(4);
        var shared = 0;
        for (var i = 0; i < 400; i++) {
            var a = any(random, false)
                    .movedTo(Vec.ZERO)
                    .block(Box.of(-400_000, -150_000, -90_000, 400_000, 150_000, 90_000), BENCH);
            var at = new Vec(
                    random.nextInt(-900_000, 900_000),
                    random.nextInt(-900_000, 900_000),
                    random.nextInt(-600_000, 600_000));
            var b = any(random, false)
                    .movedTo(at)
                    .block(Box.of(-300_000, -300_000, -60_000, 300_000, 300_000, 60_000), BENCH);
            var radius = ball(a, b);
            if (Math.abs(radius) > 20) {
                assertThat(Block.shared(a, b) > 0)
                        .as("pair %d, radius %s", i, radius)
                        .isEqualTo(radius > 0);
                shared += radius > 0 ? 1 : 0;
            }
        }
        assertThat(shared).isBetween(60, 340);
    }

    /** The radius of the greatest ball in both, below 0 where they lie apart. */
    private static double ball(Block a, Block b) {
        var constraints = new ArrayList<LinearConstraint>();
        for (var block : new Block[] {a, b}) {
            for (var half : block.half()) {
                var length = Math.sqrt(half[0] * half[0] + half[1] * half[1] + half[2] * half[2]);
                var n = new double[] {half[0] / length, half[1] / length, half[2] / length};
                var middle = n[0] * block.centre()[0] + n[1] * block.centre()[1] + n[2] * block.centre()[2];
                constraints.add(
                        new LinearConstraint(new double[] {n[0], n[1], n[2], 1}, Relationship.LEQ, middle + length));
                constraints.add(
                        new LinearConstraint(new double[] {-n[0], -n[1], -n[2], 1}, Relationship.LEQ, length - middle));
            }
        }
        return new SimplexSolver()
                .optimize(
                        new MaxIter(2000),
                        new LinearObjectiveFunction(new double[] {0, 0, 0, 1}, 0),
                        new LinearConstraintSet(constraints),
                        GoalType.MAXIMIZE,
                        new NonNegativeConstraint(false))
                .getValue();
    }
}
