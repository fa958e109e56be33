package hausbau.core.kit;

import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Point;
import hausbau.core.shape.Pose;
import java.util.List;
import java.util.stream.IntStream;

/** How often a part is in its piece; the first is where the part is told to be. */
public sealed interface Copies {

    Copies ONE = new Along(1, Vec.ZERO);

    /** What brings the part to each of its places. */
    List<Pose> poses();

    private static void requireCount(int count) {
        if (count < 1 || count > 500) {
            throw new Refused("count", "A part is there 1 to 500 times.");
        }
    }

    /** @param step from one to the next, µm */
    record Along(int count, Vec step) implements Copies {

        public Along {
            requireCount(count);
        }

        @Override
        public List<Pose> poses() {
            return IntStream.range(0, count)
                    .mapToObj(i ->
                            Pose.at(new Point(step.x() * i / 1000.0, step.y() * i / 1000.0, step.z() * i / 1000.0)))
                    .toList();
        }
    }

    /**
     * About an upright axis.
     *
     * @param x     of the axis, µm, @param y of the axis
     * @param sweep degrees from the first to where a further one would be; a whole turn at most
     */
    record Round(int count, long x, long y, double sweep) implements Copies {

        public Round {
            requireCount(count);
            if (!(sweep > 0 && sweep <= 360)) {
                throw new Refused("sweepDegrees", "Parts stand round by more than 0 and at most 360 degrees.");
            }
        }

        @Override
        public List<Pose> poses() {
            var to = Pose.at(new Point(-x / 1000.0, -y / 1000.0, 0));
            var back = Pose.at(new Point(x / 1000.0, y / 1000.0, 0));
            return IntStream.range(0, count)
                    .mapToObj(i -> to.then(Pose.turned(0, 0, sweep * i / count)).then(back))
                    .toList();
        }
    }

    /**
     * The part and its mirror image.
     *
     * @param acrossX whether in the plane of a given X; else of a given Y
     * @param at      where that is, µm
     */
    record Mirrored(boolean acrossX, long at) implements Copies {

        @Override
        public List<Pose> poses() {
            return List.of(Pose.NONE, Pose.mirrored(acrossX ? 0 : 1, at / 1000.0));
        }
    }
}
