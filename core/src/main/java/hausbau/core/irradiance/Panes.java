package hausbau.core.irradiance;

import hausbau.core.light.Rgb;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Colours of panes that rays have passed, a byte a ray. The first is none. */
final class Panes {

    private static final int MOST = 255;
    private static final double STEPS = 64;
    static final Rgb CLEAR = Rgb.grey(1);

    private final Map<List<Long>, Integer> numbers = new HashMap<>();
    private final List<Rgb> colours = new ArrayList<>(List.of(CLEAR));
    /** By ray; beyond its end nothing was passed. */
    private byte[] ofRays = new byte[0];

    void set(int ray, @Nullable Rgb colour) {
        if (colour == null || colour.equals(CLEAR)) {
            return;
        }
        if (ray >= ofRays.length) {
            ofRays = Arrays.copyOf(ofRays, Math.max(ray + 1, 2 * ofRays.length));
        }
        var key = List.of(steps(colour.r()), steps(colour.g()), steps(colour.b()));
        var number = numbers.get(key);
        if (number == null && colours.size() < MOST) {
            number = colours.size();
            numbers.put(key, number);
            colours.add(colour);
        }
        ofRays[ray] = (byte) (number == null ? MOST - 1 : number.intValue());
    }

    private static long steps(double share) {
        return Math.round(share * STEPS);
    }

    Rgb of(int ray) {
        return ray < ofRays.length ? colours.get(ofRays[ray] & 0xff) : CLEAR;
    }

    boolean isNone() {
        return ofRays.length == 0;
    }

    long bytes() {
        return ofRays.length;
    }
}
