package hausbau.core.build;

import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.repeat.Rule;
import java.util.List;
import java.util.Map;
import java.util.HashMap;
import hausbau.core.kit.Kind;

/** Sets down the copies of a repeat. */
final class Repeating {

    /** Of a place's last column, below the level. */
    static final int MEMBER_BITS = 10;

    private Repeating() {
    }

    /** Is told each piece that stands. */
    interface Pieces {
        void at(Kind kind, Stance stance, long key, long levelAndMember);
    }

    static Generator.Made run(Generator.Repeated of) {
        var writing = new Writing(of.source(), of.repeat(), 1024, of.departures());
        var boxes = of.bodies().stream().map(Body::box).toList();
        var plain = of.bodies().stream().allMatch(Body::isOnePlainPiece);
        var count = new long[1];
        of.rule().lay(boxes, (key, level, pick, x, y, z, quarters, degrees, mirrored) -> {
            var body = of.bodies().get(pick);
            count[0] += body.members().size();
            refuseMany(count[0]);
            if (plain && degrees == 0) {
                writing.derive(body.members().get(0).kind(), x, y, z, quarters | (mirrored ? Chunk.MIRRORED : 0), Chunk.REPEAT, key, (long) level << MEMBER_BITS);
                return;
            }
            for (var m = 0; m < body.members().size(); m++) {
                var member = body.members().get(m);
                writing.derive(member.kind(), Body.stance(member, boxes.get(pick), new Vec(x, y, z), quarters, degrees, mirrored), Chunk.REPEAT, key, (long) level << MEMBER_BITS | m);
            }
        });
        return writing.made(of, List.of());
    }

    private static void refuseMany(long count) {
        if (count > StandingSet.MOST) {
            throw new Refused("count", "That would be more than " + StandingSet.MOST + " placements. Make it smaller, or set its copies further apart.");
        }
    }

    /** How many pieces of each kind a rule sets down, without setting them down. */
    static Map<Kind, Long> counts(List<Body> bodies, Rule rule) {
        var boxes = bodies.stream().map(Body::box).toList();
        var picks = new long[bodies.size()];
        var count = new long[1];
        rule.lay(boxes, (key, level, pick, x, y, z, quarters, degrees, mirrored) -> {
            picks[pick]++;
            count[0] += bodies.get(pick).members().size();
            refuseMany(count[0]);
        });
        var counts = new HashMap<Kind, Long>();
        for (var i = 0; i < picks.length; i++) {
            for (var member : bodies.get(i).members()) {
                counts.merge(member.kind(), picks[i], Long::sum);
            }
        }
        return counts;
    }
}
