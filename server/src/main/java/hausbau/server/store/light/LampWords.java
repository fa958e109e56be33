package hausbau.server.store.light;

import hausbau.core.light.Lamp;
import hausbau.core.light.Lamps;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The lamps of a piece in words, as they are kept and as they are told over HTTP.
 *
 * @param lit  of all that stand, so many percent are lit, @param seed says which
 */
public record LampWords(List<OneLamp> all, int lit, long seed) {

    /**
     * One of them. Its place is in the frame in which the piece's parts are told; what is not told is as usual.
     *
     * @param turn  about Z where it shines to, degrees from X, @param tilt and how far up
     * @param cone  of a spot, degrees from edge to edge
     */
    public record OneLamp(
            Lamp.@Nullable Kind kind,
            @Nullable Length xMm,
            @Nullable Length yMm,
            @Nullable Length zMm,
            @Nullable Double turn,
            @Nullable Double tilt,
            @Nullable Length lengthMm,
            @Nullable Length widthMm,
            @Nullable Double lumens,
            @Nullable Double kelvin,
            @Nullable Double cone,
            @Nullable Double reachM) {

        static OneLamp of(Lamp l) {
            return new OneLamp(
                    l.kind(),
                    new Length(l.at().x()),
                    new Length(l.at().y()),
                    new Length(l.at().z()),
                    l.turn(),
                    l.tilt(),
                    new Length(l.length()),
                    new Length(l.width()),
                    l.lumens(),
                    l.kelvin(),
                    l.cone(),
                    l.reach());
        }

        private Lamp toLamp() {
            return new Lamp(
                    kind == null ? Lamp.Kind.POINT : kind,
                    new Vec(um(xMm, 0), um(yMm, 0), um(zMm, 0)),
                    or(turn, 0),
                    or(tilt, -90),
                    um(lengthMm, 600_000),
                    um(widthMm, 600_000),
                    or(lumens, 800),
                    or(kelvin, 2700),
                    or(cone, 60),
                    or(reachM, 8));
        }

        private static long um(@Nullable Length told, long usual) {
            return told == null ? usual : told.um();
        }

        private static double or(@Nullable Double told, double usual) {
            return told == null ? usual : told;
        }
    }

    public static LampWords of(Lamps lamps) {
        return new LampWords(lamps.all().stream().map(OneLamp::of).toList(), lamps.lit(), lamps.seed());
    }

    /** @throws Refused naming all that is out of range, each by its lamp */
    public Lamps toLamps() {
        var faults = new ArrayList<Fault>();
        var lamps = new ArrayList<Lamp>();
        IntStream.range(0, all.size()).forEach(i -> {
            try {
                lamps.add(all.get(i).toLamp());
            } catch (Refused e) {
                e.faults().forEach(f -> faults.add(new Fault("lamps[" + i + "]." + wordFor(f.field()), f.message())));
            }
        });
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
        return new Lamps(lamps, lit, seed);
    }

    private static String wordFor(String field) {
        return field.equals("reach") ? "reachM" : field;
    }
}
