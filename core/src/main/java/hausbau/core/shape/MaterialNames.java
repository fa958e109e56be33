package hausbau.core.shape;

import hausbau.core.measure.Refused;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * What a site calls its materials: as their swatch, until it is told otherwise.
 *
 * @param told by material; of each 1 to 40 characters
 */
public record MaterialNames(Map<Swatch, String> told) {

    private static final int LONGEST = 40;
    public static final MaterialNames USUAL = new MaterialNames(Map.of());

    public MaterialNames {
        told = told.isEmpty() ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(told));
    }

    public String of(Swatch material) {
        return told.getOrDefault(material, material.label());
    }

    /** The one that is called so, in whatever letters. */
    public Optional<Swatch> called(String name) {
        return told.keySet().stream()
                .filter(m -> of(m).equalsIgnoreCase(name.strip()))
                .findFirst()
                .or(() -> Swatch.labelled(name.strip()).filter(m -> m.material() == m && !told.containsKey(m)));
    }

    /**
     * With one that is called otherwise.
     *
     * @param name as its swatch where it is blank
     * @throws Refused if it is too long, or another is called so: files tell materials apart by their names
     */
    public MaterialNames with(Swatch material, String name) {
        var wanted = name.isBlank() ? material.label() : name.strip();
        if (wanted.length() > LONGEST) {
            throw new Refused("name", "A material's name has at most " + LONGEST + " characters.");
        }
        if (called(wanted).filter(other -> other != material).isPresent()) {
            throw new Refused("name", "Another material is called “" + wanted + "” already.");
        }
        var all = new TreeMap<Swatch, String>();
        all.putAll(told);
        if (wanted.equals(material.label())) {
            all.remove(material);
        } else {
            all.put(material, wanted);
        }
        return new MaterialNames(all);
    }

    /** A name that no material has yet: the one wanted, cut to what is allowed, with a number behind it if need be. */
    public String fresh(String wanted) {
        var base = wanted.strip()
                .substring(0, Math.min(wanted.strip().length(), LONGEST - 4))
                .strip();
        return Stream.iterate(1, n -> n + 1)
                .map(n -> n == 1 ? base : base + " " + n)
                .filter(name -> called(name).isEmpty())
                .findFirst()
                .orElseThrow();
    }
}
