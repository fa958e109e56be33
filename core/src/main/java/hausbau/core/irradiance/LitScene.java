package hausbau.core.irradiance;

import hausbau.core.light.Emitter;
import hausbau.core.light.Rgb;
import hausbau.core.measure.Chance;
import hausbau.core.ray.Ray;
import hausbau.core.ray.RayScene;
import java.util.List;

/**
 * What light meets.
 *
 * @param scene    what it does not pass through
 * @param panes    what lets some of it through
 * @param surfaces of what is met, by thing and by the mark of its triangles; panes are counted after the things of the scene
 * @param lamps    what shines in it
 */
public record LitScene(RayScene scene, RayScene panes, Surfaces surfaces, List<Shining> lamps) {

    /** More panes than these behind each other let nothing through. */
    private static final int MOST_PANES = 16;

    private static final double PAST = 1e-3;
    private static final Crossed NOT_MET = new Crossed(-1, Rgb.grey(1));

    /** Without panes. */
    public LitScene(RayScene scene, Surfaces surfaces, List<Shining> lamps) {
        this(scene, new RayScene(List.of()), surfaces, lamps);
    }

    /** What surfaces do with light. */
    public interface Surfaces {
        Shine of(int thing, int mark);
    }

    /** @param thing it passes through, since it hangs in it; -1: none */
    public record Shining(Emitter emitter, int thing) {}

    /** What a ray has met. @param thing -1 for none, @param colour of the panes that it passed before */
    record Crossed(int thing, Rgb colour) {}

    /** Rays of one thread. */
    static final class Rays {
        final Ray ray = new Ray();
        private final Ray pane = new Ray();
        /** What has met something: one of both. */
        Ray met = ray;
    }

    /**
     * Finds what a ray meets. Panes let it through as often as they let light through.
     *
     * @param number tells one ray from another, for chance
     */
    Crossed cast(Rays rays, long number) {
        var ray = rays.ray;
        rays.met = ray;
        var isMet = scene.cast(ray);
        if (panes.size() == 0) {
            return isMet ? new Crossed(ray.thing(), NOT_MET.colour()) : NOT_MET;
        }
        var colour = Rgb.grey(1);
        var pane = rays.pane;
        var from = 0.0;
        for (var i = 0; panes.cast(pane.along(ray, from)); i++) {
            var thing = scene.size() + pane.thing();
            var surface = surfaces.of(thing, pane.triangle());
            var passes = surface.passes();
            if (i == MOST_PANES || Chance.of(number, i, 0, 0) >= passes) {
                rays.met = pane;
                return new Crossed(thing, colour);
            }
            colour = colour.times(surface.passing().times(1 / passes));
            from += pane.distance() + PAST;
        }
        return new Crossed(isMet ? ray.thing() : -1, colour);
    }

    /** How much light comes along a ray; none where something is in the way. */
    Rgb along(Rays rays) {
        if (scene.isBlocked(rays.ray)) {
            return Rgb.NONE;
        }
        var colour = Rgb.grey(1);
        if (panes.size() == 0) {
            return colour;
        }
        var pane = rays.pane;
        var from = 0.0;
        for (var i = 0; panes.cast(pane.along(rays.ray, from)); i++) {
            if (i == MOST_PANES) {
                return Rgb.NONE;
            }
            colour = colour.times(
                    surfaces.of(scene.size() + pane.thing(), pane.triangle()).passing());
            from += pane.distance() + PAST;
        }
        return colour;
    }

    /** How much light comes from a lamp to a place. */
    Rgb from(Shining lamp, Rays rays, double x, double y, double z) {
        var at = lamp.emitter().at();
        // The way is as long as it is far.
        rays.ray.from(x, y, z, at.x() - x, at.y() - y, at.z() - z, 1).past(lamp.thing());
        return along(rays);
    }
}
