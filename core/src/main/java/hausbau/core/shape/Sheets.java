package hausbau.core.shape;

import hausbau.core.measure.Refused;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * The sheets that a site's swatches lie on, all square.
 *
 * @param sides   pixels to a side where that is not the usual, by material
 * @param patches where swatches lie on a sheet that several share
 */
public record Sheets(Map<Swatch, Integer> sides, Map<Swatch, Patch> patches) {

    public static final int USUAL_SIDE = 1024;
    /** Powers of two, since graphics cards halve them for mip levels. */
    public static final List<Integer> SIDES = List.of(256, 512, 1024, 2048, 4096);
    /** All of the usual size, and none is shared. */
    public static final Sheets USUAL = new Sheets(Map.of(), Map.of());

    /** @throws Refused if a sheet has another number of pixels */
    public Sheets {
        sides = inOrder(sides.entrySet().stream()
                .filter(e -> e.getValue() != USUAL_SIDE)
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
        patches = inOrder(patches);
        sides.values().forEach(Sheets::requireSide);
    }

    private static <V> Map<Swatch, V> inOrder(Map<Swatch, V> map) {
        return map.isEmpty() ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(map));
    }

    /** @throws Refused if no sheet has so many pixels to a side */
    public static int requireSide(int pixels) {
        if (!SIDES.contains(pixels)) {
            throw new Refused("pixels", "A sheet has 256, 512, 1024, 2048 or 4096 pixels to a side.");
        }
        return pixels;
    }

    /** The least of them that holds a picture as it is, or the greatest. @param pixels of its longer side */
    public static int sideFor(int pixels) {
        return SIDES.stream().filter(side -> side >= pixels).findFirst().orElse(SIDES.get(SIDES.size() - 1));
    }

    /** Pixels to a side of the sheet that a swatch lies on. */
    public int side(Swatch swatch) {
        return sides.getOrDefault(swatch.material(), USUAL_SIDE);
    }

    /** Of those that these swatches lie on: what another lies on is nothing to them. */
    public Sheets of(Collection<Swatch> swatches) {
        var materials = swatches.stream().map(Swatch::material).collect(Collectors.toSet());
        return new Sheets(only(sides, materials), only(patches, swatches));
    }

    private static <V> Map<Swatch, V> only(Map<Swatch, V> map, Collection<Swatch> keys) {
        return map.entrySet().stream()
                .filter(e -> keys.contains(e.getKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }
}
