package hausbau.core.irradiance;

import hausbau.core.ray.Ray;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.stream.IntStream;

/**
 * How far each lamp shines in every way before something is in the way: {@value #SIDE} by {@value #SIDE} ways over an octahedron unfolded into a
 * square (E. Praun, H. Hoppe, Spherical Parametrization and Remeshing, 2003).
 */
public final class LampShadows {

    public static final int SIDE = 32;
    private static final int AT_ONCE = 16;
    /** Whatever is one with its reach is this. */
    private static final int WHOLE = 255;

    private LampShadows() {}

    /**
     * @param reach is told how much is done, 0 to 1, and may throw to end it
     * @return a byte a way, row by row, lamp by lamp: how far as a share of its reach, of {@value #WHOLE}
     */
    public static byte[] of(LitScene lit, DoubleConsumer reach) {
        var lamps = lit.lamps();
        var bytes = new byte[lamps.size() * SIDE * SIDE];
        for (var from = 0; from < lamps.size(); from += AT_ONCE) {
            var to = Math.min(lamps.size(), from + AT_ONCE);
            IntStream.range(from, to).parallel().forEach(i -> cast(lit, lamps, i, bytes));
            reach.accept((double) to / lamps.size());
        }
        return bytes;
    }

    private static void cast(LitScene lit, List<LitScene.Shining> lamps, int lamp, byte[] bytes) {
        var of = lamps.get(lamp);
        var at = of.emitter().at();
        var ray = new Ray();
        for (var v = 0; v < SIDE; v++) {
            for (var u = 0; u < SIDE; u++) {
                var way = way((u + 0.5) / SIDE, (v + 0.5) / SIDE);
                ray.from(
                                at.x(),
                                at.y(),
                                at.z(),
                                way[0],
                                way[1],
                                way[2],
                                of.emitter().reach())
                        .past(of.thing());
                lit.scene().cast(ray);
                bytes[(lamp * SIDE + v) * SIDE + u] = (byte) Math.round(
                        WHOLE * Math.min(1, ray.distance() / of.emitter().reach()));
            }
        }
    }

    /** The way of a place of the square, one long. @param u and @param v 0 to 1 */
    static double[] way(double u, double v) {
        var x = 2 * u - 1;
        var y = 2 * v - 1;
        var z = 1 - Math.abs(x) - Math.abs(y);
        if (z < 0) {
            var was = x;
            x = Math.copySign(1 - Math.abs(y), was);
            y = Math.copySign(1 - Math.abs(was), y);
        }
        var length = Math.sqrt(x * x + y * y + z * z);
        return new double[] {x / length, y / length, z / length};
    }
}
