package hausbau.core.irradiance;

import hausbau.core.finish.Coat;
import hausbau.core.finish.Colourway;
import hausbau.core.kit.Kind;
import hausbau.core.light.Rgb;
import hausbau.core.ray.RayScene;
import hausbau.core.shape.Swatch;
import hausbau.core.standing.StandingSet;
import hausbau.core.variety.Looks;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;

/** A standing set as light meets it. */
public final class SetLight {

    private SetLight() {}

    /** What swatches are finished in. */
    public interface Finishes {
        /** @param colourway 0 for the site's. Empty for a place on a sheet that several share */
        Optional<Coat> coat(Swatch swatch, long colourway);

        /** @param colourways by their numbers, the site's under 0, which stands for those that are gone */
        static Finishes of(Map<Long, Colourway> colourways) {
            var site = Objects.requireNonNull(colourways.get(0L));
            return (swatch, colourway) -> swatch.material().isCoated()
                    ? Optional.of(colourways.getOrDefault(colourway, site).coat(swatch.material()))
                    : Optional.empty();
        }

        default Shine shine(Swatch swatch, long colourway) {
            return coat(swatch, colourway)
                    .map(Shine::of)
                    .orElseGet(() -> Shine.of(new Rgb(swatch.red(), swatch.green(), swatch.blue())));
        }
    }

    private record Dressed(Kind kind, String tint, long colourway) {}

    /** @param glowing the brightest of its finishes that glow */
    private record Known(LitKind.Parted shapes, Shine[] shines, Optional<Coat> glowing) {

        Shine[] dimmed(double share) {
            return Arrays.stream(shines).map(s -> s.dimmed(share)).toArray(Shine[]::new);
        }
    }

    public static LitScene of(StandingSet set, Looks looks, Function<Kind, LitKind> kinds, Finishes finishes) {
        var things = new ArrayList<RayScene.Thing>();
        var panes = new ArrayList<RayScene.Thing>();
        var surfaces = new ArrayList<Shine[]>();
        var ofPanes = new ArrayList<Shine[]>();
        var known = new HashMap<Dressed, Known>();
        for (var chunk : set.chunks()) {
            for (var row = 0; row < chunk.size(); row++) {
                var look = looks.look(chunk, row);
                var kind = look == null ? chunk.kind(row) : look.kind();
                var dressed = new Dressed(kind, look == null ? "" : look.tint(), look == null ? 0 : look.colourway());
                var as = known.computeIfAbsent(dressed, d -> known(d, kinds.apply(kind), finishes));
                var share = as.glowing().isEmpty()
                        ? 1
                        : StandingGlow.share(set, chunk, row, as.glowing().get());
                var shines = share == 1 ? as.shines() : as.dimmed(share);
                var frame = Frames.of(chunk.stance(row), kind);
                things.add(new RayScene.Thing(as.shapes().solid(), frame));
                surfaces.add(shines);
                if (as.shapes().panes().size() > 0) {
                    panes.add(new RayScene.Thing(as.shapes().panes(), frame));
                    ofPanes.add(shines);
                }
            }
        }
        surfaces.addAll(ofPanes);
        return new LitScene(
                new RayScene(things),
                new RayScene(panes),
                (thing, mark) -> surfaces.get(thing)[mark],
                StandingLamps.of(set, looks).stream()
                        .flatMap(l -> l.emitters().stream().map(e -> new LitScene.Shining(e, l.thing())))
                        .toList());
    }

    private static Known known(Dressed as, LitKind lit, Finishes finishes) {
        var tint = as.tint().isEmpty() ? Rgb.grey(1) : Rgb.of(as.tint());
        var shines = lit.swatches().stream()
                .map(s -> finishes.shine(s, as.colourway()).tinted(tint))
                .toArray(Shine[]::new);
        return new Known(
                lit.parted(mark -> shines[mark].passes() > 0),
                shines,
                StandingGlow.brightest(lit.swatches(), s -> finishes.coat(s, as.colourway())));
    }
}
