package hausbau.core.finish;

import hausbau.core.measure.Fault;
import java.util.List;

/**
 * How light passes through a finish.
 *
 * @param transparency percent of the light that passes, in the finish's colour; the finish's roughness says how clearly
 * @param thickness    of what it passes through, micrometres; 0 where it is as thin as paper, to 1 m
 * @param twoSided     whether both sides of a surface are seen, since nothing is behind it
 */
public record Glazing(int transparency, long thickness, boolean twoSided) {

    private static final long MOST = 1_000_000;

    public static final Glazing OPAQUE = new Glazing(0, 0, false);

    void check(List<Fault> faults) {
        Coat.percent(faults, "transparency", transparency);
        if (thickness < 0 || thickness > MOST) {
            faults.add(new Fault("thicknessMm", "A thickness is from 0 to 1 m."));
        }
    }
}
