package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.List;

/**
 * About an exact centre. Where a count has a symmetry, its places have it to the micrometre.
 *
 * @param start where the first copy stands, thousandths of a degree counter-clockwise from the right
 * @param sweep how far round, thousandths of a degree; 360 000 for all of it
 */
public record Ring(Vec centre, Length radius, Pace pace, long start, long sweep, Facing facing, Variation variation)
        implements Rule {

    /** Which way the front of a copy looks, the side of least Y; or that all stand alike. */
    public enum Facing {
        IN,
        OUT,
        ALONG,
        ALIKE
    }

    private static final long TURN = 360_000;

    public Ring {
        if (!radius.isPositive()) {
            throw new Refused("radiusMm", "A ring has a radius above 0.");
        }
        if (sweep <= 0 || sweep > TURN) {
            throw new Refused("sweepDegrees", "A ring goes round by more than 0 and at most 360 degrees.");
        }
    }

    @Override
    public void lay(List<Box> bodies, Spots spots) {
        var full = sweep == TURN;
        var round = Math.round(2 * Math.PI * radius.um() * sweep / TURN);
        var own = bodies.get(0).size().x();
        var laid = full ? pace.around(round, own) : pace.along(round, own, false);
        var evenly = full || pace.kind() == Pace.Kind.COUNT;
        var between = full ? laid.count() : Math.max(1, laid.count() - 1);
        for (var i = 0; i < laid.count(); i++) {
            // Parts of a turn as a fraction: exact where the copies are evenly apart.
            var of = evenly ? TURN * between : TURN * 1000;
            var part = evenly
                    ? start * between + sweep * i
                    : start * 1000 + Math.round((double) laid.at(i) / round * sweep * 1000);
            var at = Turning.onCircle(radius.um(), part, of);
            // At the right of the centre a front turned by a quarter looks out, by a half along, by three quarters in.
            var face = part
                    + switch (facing) {
                        case OUT -> of / 4;
                        case ALONG -> of / 2;
                        case IN, ALIKE -> 3 * (of / 4);
                    };
            var quarters = facing == Facing.ALIKE ? 0 : Turning.quarters(face, of);
            var degrees = quarters >= 0 ? 0 : 360.0 * Math.floorMod(face, of) / of;
            spots.at(
                    i,
                    0,
                    variation.pick(i, bodies.size()),
                    centre.x() + at[0],
                    centre.y() + at[1],
                    centre.z(),
                    Math.max(0, quarters) + variation.quarters(i) & 3,
                    degrees,
                    variation.mirrors(i));
        }
    }

    @Override
    public Ring movedBy(Vec by) {
        return new Ring(centre.plus(by), radius, pace, start, sweep, facing, variation);
    }

    @Override
    public String label() {
        return "Ring";
    }
}
