package hausbau.core.exchange.in;

import hausbau.core.bring.ImportedObject;
import hausbau.core.shape.Swatch;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.DoubleStream;

/** What is meant where a file does not say; a person sees it beside the Figure, and may say otherwise. */
final class Guess {

    /** Between these a built thing has its greatest size, metres. Our own bounds. */
    private static final double LEAST = 0.04;

    private static final double GREATEST = 60;

    private static final Map<String, Swatch> WORDS = words();

    private Guess() {}

    private static Map<String, Swatch> words() {
        var words = new LinkedHashMap<String, Swatch>();
        Map.of(
                        Swatch.TERRAZZO,
                        "terrazzo",
                        Swatch.TILE,
                        "tile ceramic faience",
                        Swatch.TIMBER,
                        "timber wood oak pine beech walnut plank",
                        Swatch.METAL,
                        "metal iron steel brass copper chrome alumin zinc",
                        Swatch.OPAL,
                        "opal glass lamp emiss light",
                        Swatch.STONE,
                        "stone concrete brick granite marble slate cement",
                        Swatch.PAINT,
                        "paint lacquer enamel",
                        Swatch.PLASTER,
                        "plaster stucco wall render")
                .entrySet()
                .stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(e -> List.of(e.getValue().split(" ")).forEach(word -> words.put(word, e.getKey())));
        return words;
    }

    /** What a material looks like, by its name, else by whether it is metal. */
    static Swatch swatch(String material, double metallic) {
        var name = material.toLowerCase(Locale.ROOT);
        for (var swatch : Swatch.usual()) {
            if (name.equals(swatch.label()) || name.startsWith(swatch.label() + " ")) {
                return swatch;
            }
        }
        return WORDS.entrySet().stream()
                .filter(w -> name.contains(w.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse(metallic > 0.5 ? Swatch.METAL : Swatch.PLASTER);
    }

    /** The first of these units, in millimetres, in which the largest thing is of a size that things are built in; the first of all where none is. */
    static double unit(List<ImportedObject> things, double... units) {
        var size = things.stream().mapToDouble(Guess::size).max().orElse(0) / 1000;
        return DoubleStream.of(units)
                .filter(u -> size * u >= LEAST && size * u <= GREATEST)
                .findFirst()
                .orElse(units[0]);
    }

    private static double size(ImportedObject thing) {
        double[] low = {Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE};
        double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
        for (var surface : thing.surfaces()) {
            for (var index : surface.indices()) {
                for (var axis = 0; axis < 3; axis++) {
                    low[axis] = Math.min(low[axis], surface.places()[3 * index + axis]);
                    high[axis] = Math.max(high[axis], surface.places()[3 * index + axis]);
                }
            }
        }
        return Math.max(high[0] - low[0], Math.max(high[1] - low[1], high[2] - low[2]));
    }
}
