package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;

/** The bodies of a guard: balusters with a rail on them, as steep as what it stands on. */
final class Railing {

    private static final long RAIL = Length.ofMillimetres(60).um();
    private static final long BALUSTER = Length.ofMillimetres(20).um();
    /** From baluster to baluster, so that at most 100 mm stay free. */
    private static final long PITCH = Length.ofMillimetres(120).um();

    private Railing() {
    }

    /**
     * @param rise   from its lower end to its upper one
     * @param treads that its balusters stand on, each in the middle of its share of a tread; 0 for a floor or a ramp
     */
    static List<Part> parts(Vec size, long rise, int treads) {
        var parts = new ArrayList<Part>();
        var each = Math.max(1, treads);
        var count = (size.x() / each + PITCH - 1) / PITCH;
        var y = (size.y() - BALUSTER) / 2;
        var top = size.z() - rise;
        for (var i = 0L; i < each * count; i++) {
            var x = Math.max(0, size.x() * (2 * i + 1) / (2 * each * count) - BALUSTER / 2);
            var foot = treads > 0 ? rise * (i / count) / treads : rise * x / size.x();
            parts.add(new Part.Block(Swatch.METAL, new Box(new Vec(x, y, foot), new Vec(x + BALUSTER, y + BALUSTER, top + rise * x / size.x() - RAIL / 2))));
        }
        parts.add(new Part.Sloped(Swatch.TIMBER, size.x(), 0, size.y(), top - RAIL, top, size.z() - RAIL, size.z(), false));
        return parts;
    }
}
