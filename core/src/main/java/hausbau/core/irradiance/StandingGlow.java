package hausbau.core.irradiance;

import hausbau.core.dress.Dress;
import hausbau.core.finish.Coat;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Part;
import hausbau.core.kit.Piece;
import hausbau.core.measure.Chance;
import hausbau.core.place.Place;
import hausbau.core.shape.Swatch;
import hausbau.core.standing.Chunk;
import hausbau.core.standing.StandingSet;
import hausbau.core.variety.Looks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** How brightly each placement glows, as a share of what its finishes say: dimmed with its lamps, by hand or by room, and out by seed. */
public final class StandingGlow {

    private StandingGlow() {}

    /** A placement that does not glow as its finishes say. @param share 0 is out */
    public record Dimmed(Place place, double share) {}

    /** @param pieces by their kinds */
    public static List<Dimmed> of(
            StandingSet set, Looks looks, Function<Kind, Piece> pieces, SetLight.Finishes finishes) {
        var dimmed = new ArrayList<Dimmed>();
        for (var chunk : set.chunks()) {
            for (var row = 0; row < chunk.size(); row++) {
                var look = looks.look(chunk, row);
                var colourway = look == null ? 0L : look.colourway();
                var brightest = brightest(
                        swatches(pieces.apply(look == null ? chunk.kind(row) : look.kind())),
                        s -> finishes.coat(s, colourway));
                if (brightest.isPresent()) {
                    var share = share(set, chunk, row, brightest.get());
                    if (share != 1) {
                        dimmed.add(new Dimmed(chunk.place(row), share));
                    }
                }
            }
        }
        return dimmed;
    }

    private static List<Swatch> swatches(Piece piece) {
        return piece.parts().stream().map(Part::swatch).distinct().toList();
    }

    /** Of the finishes that glow. */
    static Optional<Coat> brightest(List<Swatch> swatches, Function<Swatch, Optional<Coat>> coats) {
        return swatches.stream()
                .flatMap(s -> coats.apply(s).stream())
                .filter(coat -> coat.glow().nits() > 0)
                .max(Comparator.comparingInt(coat -> coat.glow().nits()));
    }

    /** By where it stands, so that a copy of the site glows alike. */
    static double share(StandingSet set, Chunk chunk, int row, Coat coat) {
        var at = chunk.stance(row).at();
        if (coat.glow().lit() < 100
                && Chance.of(coat.seed(), at.x(), at.y(), at.z()) * 100
                        >= coat.glow().lit()) {
            return 0;
        }
        var told = set.decisions()
                .dresses()
                .of(chunk.place(row), chunk.box(row), set.decisions().massing());
        return told.lamps() == Dress.UNTOLD ? 1 : told.lamps() / 100.0;
    }
}
