package hausbau.core.irradiance;

import hausbau.core.kit.Kind;
import hausbau.core.light.Rgb;
import hausbau.core.ray.RayScene;
import hausbau.core.shape.Swatch;
import hausbau.core.standing.StandingSet;
import hausbau.core.variety.Looks;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.function.Function;

/** A standing set as light meets it. */
public final class SetLight {

    private SetLight() {}

    /** What a swatch throws back of each colour. */
    public interface Finishes {
        /** @param colourway 0 for the site's */
        Rgb albedo(Swatch swatch, long colourway);
    }

    private record Dressed(Kind kind, String tint, long colourway) {}

    public static LitScene of(StandingSet set, Looks looks, Function<Kind, LitKind> kinds, Finishes finishes) {
        var things = new ArrayList<RayScene.Thing>();
        var surfaces = new ArrayList<Rgb[]>();
        var known = new HashMap<Dressed, Rgb[]>();
        for (var chunk : set.chunks()) {
            for (var row = 0; row < chunk.size(); row++) {
                var look = looks.look(chunk, row);
                var kind = look == null ? chunk.kind(row) : look.kind();
                var dressed = new Dressed(kind, look == null ? "" : look.tint(), look == null ? 0 : look.colourway());
                var lit = kinds.apply(kind);
                things.add(new RayScene.Thing(lit.triangles(), Frames.of(chunk.stance(row), kind)));
                surfaces.add(known.computeIfAbsent(dressed, d -> albedos(d, lit, finishes)));
            }
        }
        return new LitScene(
                new RayScene(things),
                (thing, mark) -> surfaces.get(thing)[mark],
                StandingLamps.of(set, looks).stream()
                        .flatMap(l -> l.emitters().stream().map(e -> new LitScene.Shining(e, l.thing())))
                        .toList());
    }

    private static Rgb[] albedos(Dressed as, LitKind lit, Finishes finishes) {
        var tint = as.tint().isEmpty() ? Rgb.grey(1) : Rgb.of(as.tint());
        return lit.swatches().stream()
                .map(s -> finishes.albedo(s, as.colourway()).times(tint))
                .toArray(Rgb[]::new);
    }
}
