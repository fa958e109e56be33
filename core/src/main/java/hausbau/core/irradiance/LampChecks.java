package hausbau.core.irradiance;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.light.Emitter;
import hausbau.core.massing.Room;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.ray.Ray;
import hausbau.core.ray.RayScene;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Finding;
import hausbau.core.survey.Finding.Check;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What is wrong with the lamps of a set: those that light nothing, those inside of something, and too many that light one place. */
public final class LampChecks {

    /** What is farther away is not looked at one by one, metres. */
    private static final double NEAR = 3;
    /** A lamp whose rays meet more backs than this is inside of something. */
    private static final double INSIDE = 0.6;

    private final StandingSet set;
    private final Kit kit;
    private final Function<Kind, LitKind> kinds;
    private final List<Finding> found = new ArrayList<>();

    private LampChecks(StandingSet set, Kit kit, Function<Kind, LitKind> kinds) {
        this.set = set;
        this.kit = kit;
        this.kinds = kinds;
    }

    /** @param atOnce so many lamps may light one place; 0 for any number */
    public static List<Finding> of(
            StandingSet set, Kit kit, List<StandingLamps.Lit> lamps, Function<Kind, LitKind> kinds, long atOnce) {
        var checks = new LampChecks(set, kit, kinds);
        lamps.forEach(checks::check);
        if (atOnce > 0) {
            checks.crowds(lamps, atOnce);
        }
        return checks.found;
    }

    private void check(StandingLamps.Lit lit) {
        var backs = 0;
        var rays = 0;
        var isLighting = false;
        for (var emitter : lit.emitters()) {
            var near = Math.min(NEAR, emitter.reach());
            var scene = around(lit, emitter, near);
            for (var way : ways()) {
                if (emitter.share(dot(way, emitter)) == 0) {
                    continue;
                }
                rays++;
                var at = emitter.at();
                var ray = new Ray().from(at.x(), at.y(), at.z(), way[0], way[1], way[2], near);
                if (scene.cast(ray)) {
                    backs += ray.isFromBehind() ? 1 : 0;
                    isLighting |= !ray.isFromBehind();
                }
            }
            isLighting |= emitter.reach() > near && isAnythingIn(lit, emitter);
        }
        if (backs > INSIDE * rays) {
            add(lit, Check.LAMP_INSIDE, "is inside of something", "Most of its rays meet the back of a surface.");
        } else if (lit.lamp().lumens() == 0) {
            add(lit, Check.DARK_LAMP, "gives no light", "It has 0 lm.");
        } else if (!isLighting) {
            add(
                    lit,
                    Check.DARK_LAMP,
                    "lights nothing",
                    "Nothing is within its reach of " + inUnit(lit.lamp().reach()) + ".");
        }
    }

    private String inUnit(double metres) {
        return set.decisions().massing().settings().unit().format(new Length(Math.round(metres * 1e6)));
    }

    private static double dot(double[] way, Emitter of) {
        return way[0] * of.way().x() + way[1] * of.way().y() + way[2] * of.way().z();
    }

    /** Toward the faces, edges and corners of a cube, turned a little so that none runs along a wall. */
    private static List<double[]> ways() {
        var ways = new ArrayList<double[]>();
        for (var i = 0; i < 27; i++) {
            var x = i % 3 - 1 + 0.013;
            var y = i / 3 % 3 - 1 + 0.027;
            var z = i / 9 - 1 + 0.019;
            var length = Math.sqrt(x * x + y * y + z * z);
            if (i != 13) {
                ways.add(new double[] {x / length, y / length, z / length});
            }
        }
        return ways;
    }

    private static Box box(Emitter of, double metres) {
        var at = Vec.ofMillimetres(
                Math.round(of.at().x() * 1000),
                Math.round(of.at().y() * 1000),
                Math.round(of.at().z() * 1000));
        return new Box(at, at).grownBy((long) (metres * 1e6));
    }

    private RayScene around(StandingLamps.Lit lit, Emitter of, double metres) {
        var things = new ArrayList<RayScene.Thing>();
        set.touching(box(of, metres), (chunk, row) -> {
            if (!chunk.place(row).equals(lit.place())) {
                var kind = chunk.kind(row);
                things.add(new RayScene.Thing(kinds.apply(kind).triangles(), Frames.of(chunk.stance(row), kind)));
            }
        });
        return new RayScene(things);
    }

    private boolean isAnythingIn(StandingLamps.Lit lit, Emitter of) {
        var any = new boolean[1];
        set.touching(
                box(of, of.reach()), (chunk, row) -> any[0] |= !chunk.place(row).equals(lit.place()));
        return any[0];
    }

    private void crowds(List<StandingLamps.Lit> lamps, long atOnce) {
        for (var lit : lamps) {
            var reached = lamps.stream().filter(other -> other.reaches(lit)).count();
            if (reached > atOnce) {
                add(
                        lit,
                        Check.CROWDED_LAMPS,
                        "stands where more lamps shine than the budget allows",
                        reached + " reach it, " + atOnce + " may. Shorten their reach, or put some out.");
            }
        }
    }

    private void add(StandingLamps.Lit lit, Check check, String what, String reason) {
        var number = lit.number() == 0 ? "Its lamp" : "Its lamp " + (lit.number() + 1);
        var heading = "Lamp of " + kit.code(lit.kind()) + " " + what;
        var box = box(lit.emitters().get(0), 0.2);
        found.add(new Finding(
                check.label().replace(' ', '-') + ":" + lit.place() + ":" + lit.number(),
                Finding.about(check, lit.kind(), lit.emitters().get(0).at(), lit.lamp()),
                check,
                heading,
                number + " " + what + ". " + reason + " " + check.why(),
                new Finding.Card(check, heading, room(lit, box)),
                List.of(lit.place()),
                box,
                Optional.empty()));
    }

    private String room(StandingLamps.Lit lit, Box box) {
        return set.decisions()
                .massing()
                .whereabouts()
                .roomOf(lit.place().room(), box)
                .map(Room::name)
                .orElse("");
    }
}
