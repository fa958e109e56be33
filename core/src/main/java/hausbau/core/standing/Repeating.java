package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import java.util.List;

/** Sets down the copies of a repeat. */
final class Repeating {

    /** Of a place's last column, below the level. */
    static final int MEMBER_BITS = 10;

    private Repeating() {}

    /** Is told each piece that stands. */
    interface Pieces {
        void at(Kind kind, Stance stance, long key, long levelAndMember);
    }

    static Generator.Made run(Generator.Repeated of) {
        var writing = new Writing(of.source(), of.repeat(), 1024, of.departures());
        var boxes = of.bodies().stream().map(Body::box).toList();
        var plain = of.bodies().stream().allMatch(Body::isOnePlainPiece);
        var count = new long[1];
        of.rule().lay(boxes, (key, level, pick, x, y, z, quarters, degrees, mirrored, lean) -> {
            var body = of.bodies().get(pick);
            count[0] += body.members().size();
            refuseMany(count[0]);
            if (plain && degrees == 0 && lean.upright()) {
                writing.derive(
                        body.members().get(0).kind(),
                        x,
                        y,
                        z,
                        quarters | (mirrored ? Chunk.MIRRORED : 0),
                        Chunk.REPEAT,
                        key,
                        (long) level << MEMBER_BITS);
                return;
            }
            for (var m = 0; m < body.members().size(); m++) {
                var member = body.members().get(m);
                writing.derive(
                        member.kind(),
                        Body.stance(member, boxes.get(pick), new Vec(x, y, z), quarters, degrees, mirrored, lean),
                        Chunk.REPEAT,
                        key,
                        (long) level << MEMBER_BITS | m);
            }
        });
        return writing.made(of, List.of());
    }

    private static void refuseMany(long count) {
        if (count > StandingSet.MOST) {
            throw new Refused(
                    "count",
                    "That would be more than " + StandingSet.MOST
                            + " placements. Make it smaller, or set its copies further apart.");
        }
    }
}
