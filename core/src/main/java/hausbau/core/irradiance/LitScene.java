package hausbau.core.irradiance;

import hausbau.core.light.Emitter;
import hausbau.core.light.Rgb;
import hausbau.core.ray.Ray;
import hausbau.core.ray.RayScene;
import java.util.List;

/**
 * What light meets.
 *
 * @param surfaces what the surfaces throw back, by thing and by the mark of its triangles
 * @param lamps    what shines in it
 */
public record LitScene(RayScene scene, Surfaces surfaces, List<Shining> lamps) {

    /** How much of each colour is thrown back, to all sides alike. */
    public interface Surfaces {
        Rgb albedo(int thing, int mark);
    }

    /** @param thing it passes through, since it hangs in it; -1: none */
    public record Shining(Emitter emitter, int thing) {}

    /** Whether nothing is between a place and a lamp. */
    boolean isLitBy(Shining lamp, Ray ray, double x, double y, double z) {
        var at = lamp.emitter().at();
        // The way is as long as it is far.
        ray.from(x, y, z, at.x() - x, at.y() - y, at.z() - z, 1).past(lamp.thing());
        return !scene.isBlocked(ray);
    }
}
