package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Chance;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.List;

/**
 * Upward, each copy resting on the one below; of several bodies one after the other, or by chance.
 *
 * @param turn    each is turned by up to so many degrees either way
 * @param shift   each is shifted by up to so much along both axes
 * @param byChance whether the seed says which of the bodies comes next
 */
public record Stack(Vec at, int count, int turn, Length shift, boolean byChance, long seed) implements Rule {

    private static final int MOST = 1000;

    public Stack {
        if (count < 1 || count > MOST) {
            throw new Refused("count", "A stack is from 1 to " + MOST + " high.");
        }
        if (turn < 0 || turn > 180) {
            throw new Refused("turnDegrees", "A stack is turned by from 0 to 180 degrees.");
        }
    }

    @Override
    public void lay(List<Box> bodies, Spots spots) {
        var z = at.z();
        for (var i = 0; i < count; i++) {
            var pick = byChance ? (int) (Chance.of(seed, i, 0, 0) * bodies.size()) : i % bodies.size();
            var body = bodies.get(pick);
            var degrees = Math.round((2 * Chance.of(seed, i, 0, 1) - 1) * turn * 10) / 10.0;
            spots.at(
                    i,
                    0,
                    pick,
                    at.x() + spread(i, 2),
                    at.y() + spread(i, 3),
                    z - body.min().z(),
                    0,
                    degrees,
                    false);
            z += body.size().z();
        }
    }

    private long spread(int i, int what) {
        return Math.round((2 * Chance.of(seed, i, 0, what) - 1) * shift.um());
    }

    @Override
    public Stack movedBy(Vec by) {
        return new Stack(at.plus(by), count, turn, shift, byChance, seed);
    }

    @Override
    public String label() {
        return "Stack";
    }
}
