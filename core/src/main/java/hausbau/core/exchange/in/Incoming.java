package hausbau.core.exchange.in;

import hausbau.core.bring.Choices;
import hausbau.core.bring.ImportedObject;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Swatch;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A file as it was read.
 *
 * @param name      without folders and what tells its format
 * @param things    nodes or groups that have faces; at least one
 * @param usual     the unit and the axis that are meant, as far as one can guess
 * @param materials each with the swatch that it looks like
 * @param textures  pictures that its materials ask for; @param missing those of them, and other files, that are not there
 * @param left      what was left out, in words
 * @param tones     of those materials whose looks the file tells in numbers
 * @param pictures  files of each material's pictures, by what they show, where they are there
 */
public record Incoming(
        String name,
        List<ImportedObject> things,
        Choices usual,
        Map<String, Swatch> materials,
        Set<String> textures,
        Set<String> missing,
        List<String> left,
        Map<String, Map<Shows, byte[]>> pictures,
        Map<String, Tone> tones) {

    /** What a picture shows of a surface; SURFACE is roughness in its green and metallic in its blue, as glTF 2.0 has it, and OCCLUSION counts by its red. */
    public enum Shows {
        COLOUR,
        NORMAL,
        ROUGHNESS,
        METALLIC,
        OCCLUSION,
        SURFACE
    }

    /** Stops the reading where it is. */
    public static final class CalledOff extends RuntimeException {

        CalledOff() {
            super("called off", null, false, false);
        }
    }

    /** How far the reading is, and whether it is still wanted. */
    public interface Progress {

        /** @param share 0 to 1; @return whether to go on */
        boolean at(double share);
    }

    /** The same, where what a site calls so is meant by a name, in whichever colourway, before what it looks like. */
    public Incoming recognising(MaterialNames names) {
        var known = new LinkedHashMap<String, Swatch>();
        materials.forEach((material, guessed) -> known.put(
                material,
                names.called(material)
                        .or(() -> names.called(material.substring(0, Math.max(0, material.indexOf(", ")))))
                        .orElse(guessed)));
        return new Incoming(name, things, usual, known, textures, missing, left, pictures, tones);
    }

    /** Materials whose looks the file tells and that a site knows by no name: they become materials of its own. */
    public Set<String> unknown(MaterialNames names) {
        return tones.keySet().stream()
                .filter(m -> names.called(m).isEmpty()
                        && names.called(m.substring(0, Math.max(0, m.indexOf(", "))))
                                .isEmpty())
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /**
     * Reads one model out of a bundle.
     *
     * @throws hausbau.core.measure.Refused if it cannot be read, with the fault
     * @throws CalledOff if it is not wanted any more
     */
    public static Incoming read(Bundle bundle, String model, Progress progress) {
        return switch (Bundle.extension(model)) {
            case "obj" -> new ObjIn(bundle, model, progress).read();
            case "stl" -> StlIn.read(bundle, model, progress);
            default -> new GltfIn(bundle, model, progress).read();
        };
    }
}
