package hausbau.core.irradiance;

import hausbau.core.dress.Dress;
import hausbau.core.kit.Kind;
import hausbau.core.light.Emitter;
import hausbau.core.light.Lamp;
import hausbau.core.light.Rgb;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.shape.Point;
import hausbau.core.standing.StandingSet;
import hausbau.core.variety.Looks;
import java.util.ArrayList;
import java.util.List;

/** The lamps of all that stands. */
public final class StandingLamps {

    /** What is longer than this shines from several places, micrometres. */
    private static final long PIECE = 600_000;

    private static final int MOST_ALONG = 8;

    private StandingLamps() {}

    /**
     * A lamp where it shines.
     *
     * @param thing the number of its placement, counted over the chunks of the set
     * @param number which of the piece's lamps, from 0
     * @param light  by which its own is multiplied: its tint, dimmed
     */
    public record Lit(Place place, Kind kind, int thing, int number, Lamp lamp, Rgb light, List<Emitter> emitters) {

        /** Whether it shines where another hangs. */
        boolean reaches(Lit other) {
            var from = emitters.get(0);
            return from.at().minus(other.emitters().get(0).at()).length() < from.reach();
        }

        /** The same in the frame of its piece. */
        public List<Emitter> inItsPiece() {
            return StandingLamps.emitters(lamp, kind, Stance.at(Vec.ZERO, Turn.NONE), light);
        }
    }

    /** Those that are lit, in the order in which the set stands. */
    public static List<Lit> of(StandingSet set, Looks looks) {
        var all = new ArrayList<Lit>();
        var traits = set.decisions().traits();
        var areLookedAt = looks.all().stream()
                .anyMatch(l -> !traits.of(l.kind()).lamps().all().isEmpty());
        var first = 0;
        for (var chunk : set.chunks()) {
            var thing = first;
            first += chunk.size();
            // Most chunks have none, and are passed over.
            if (!areLookedAt
                    && chunk.palette().stream()
                            .allMatch(k -> traits.of(k).lamps().all().isEmpty())) {
                continue;
            }
            for (var row = 0; row < chunk.size(); row++, thing++) {
                var look = looks.look(chunk, row);
                var kind = look == null ? chunk.kind(row) : look.kind();
                var lamps = traits.of(kind).lamps();
                if (lamps.all().isEmpty() || !lamps.areLit(chunk.stance(row).at())) {
                    continue;
                }
                var told = set.decisions()
                        .dresses()
                        .of(chunk.place(row), chunk.box(row), set.decisions().massing());
                var bright = told.lamps() == Dress.UNTOLD ? 1 : told.lamps() / 100.0;
                var tint = look == null || look.tint().isEmpty() ? Rgb.grey(1) : Rgb.of(look.tint());
                for (var i = 0; i < lamps.all().size() && bright > 0; i++) {
                    all.add(new Lit(
                            chunk.place(row),
                            kind,
                            thing,
                            i,
                            lamps.all().get(i),
                            tint.times(bright),
                            emitters(lamps.all().get(i), kind, chunk.stance(row), tint.times(bright))));
                }
            }
        }
        return all;
    }

    /** The most lamps that light one place where one hangs; what is long or wide is one. */
    public static int mostAtOnce(List<Lit> lamps) {
        return lamps.stream()
                .mapToInt(one ->
                        (int) lamps.stream().filter(other -> other.reaches(one)).count())
                .max()
                .orElse(0);
    }

    /** @param light by which its own is multiplied */
    static List<Emitter> emitters(Lamp lamp, Kind kind, Stance stance, Rgb light) {
        var frame = Frames.of(stance, kind);
        var turn = Math.toRadians(lamp.turn());
        var tilt = Math.toRadians(lamp.tilt());
        var forward = new Point(
                StrictMath.cos(tilt) * StrictMath.cos(turn),
                StrictMath.cos(tilt) * StrictMath.sin(turn),
                StrictMath.sin(tilt));
        var along = new Point(-StrictMath.sin(turn), StrictMath.cos(turn), 0);
        var across = forward.cross(along);
        var n = lamp.kind() == Lamp.Kind.LINE || lamp.kind() == Lamp.Kind.PANEL ? pieces(lamp.length()) : 1;
        var m = lamp.kind() == Lamp.Kind.PANEL ? pieces(lamp.width()) : 1;
        var cosine = StrictMath.cos(Math.toRadians(lamp.cone() / 2));
        var candela = Rgb.ofKelvin(lamp.kelvin())
                .times(light)
                .times(Emitter.candela(lamp.kind(), lamp.lumens(), cosine) / (n * m));
        var way = Frames.way(frame, lamp.kind() == Lamp.Kind.LINE ? along : forward);
        var middle = lamp.at().plus(kind.natural());
        var emitters = new ArrayList<Emitter>();
        for (var i = 0; i < n; i++) {
            for (var j = 0; j < m; j++) {
                var at = new Point(middle.x() / 1e6, middle.y() / 1e6, middle.z() / 1e6)
                        .plus(along.times(((i + 0.5) / n - 0.5) * lamp.length() / 1e6))
                        .plus(across.times(((j + 0.5) / m - 0.5) * lamp.width() / 1e6));
                emitters.add(new Emitter(lamp.kind(), Frames.place(frame, at), way, candela, cosine, lamp.reach()));
            }
        }
        return emitters;
    }

    private static int pieces(long length) {
        return (int) Math.min(MOST_ALONG, Math.max(1, (length + PIECE - 1) / PIECE));
    }
}
