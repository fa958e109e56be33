package hausbau.core.survey;

import hausbau.core.place.Place;
import hausbau.core.place.Source;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What was found on each piece; an overlap under the lesser of its two places. Kept source by source, so that the next
 * one copies only what an edit touches; what stands outside every room is kept apart, as outdoors that is most of a set.
 */
final class FoundOnPieces {

    private record Found(Map<Place, List<Finding>> outside, Map<Place, List<Finding>> others) {

        Found() {
            this(new HashMap<>(), new HashMap<>());
        }

        Found copy() {
            return new Found(new HashMap<>(outside), new HashMap<>(others));
        }
    }

    private final Map<Source, Found> bySource;
    /** The sources that are written here only; the others are shared with the one before. */
    private final Set<Source> own = new HashSet<>();

    FoundOnPieces() {
        this(new HashMap<>());
    }

    private FoundOnPieces(Map<Source, Found> bySource) {
        this.bySource = bySource;
    }

    /** One that begins as this and can be written without changing it. */
    FoundOnPieces next() {
        return new FoundOnPieces(new HashMap<>(bySource));
    }

    private Found own(Source source) {
        var shared = bySource.get(source);
        if (!own.add(source) && shared != null) {
            return shared;
        }
        var mine = shared == null ? new Found() : shared.copy();
        bySource.put(source, mine);
        return mine;
    }

    /** Puts what was found in the place of what had been found there. */
    void put(Place place, List<Finding> found) {
        if (found.isEmpty() && !bySource.containsKey(place.source())) {
            return;
        }
        var at = own(place.source());
        put(
                at.outside(),
                place,
                found.stream().filter(f -> f.check() == Finding.Check.OUTSIDE).toList());
        put(
                at.others(),
                place,
                found.stream().filter(f -> f.check() != Finding.Check.OUTSIDE).toList());
    }

    private static void put(Map<Place, List<Finding>> in, Place place, List<Finding> found) {
        if (found.isEmpty()) {
            in.remove(place);
        } else {
            in.put(place, found);
        }
    }

    long countOutside() {
        return bySource.values().stream().mapToLong(f -> f.outside().size()).sum();
    }

    Stream<Finding> outside() {
        return bySource.values().stream()
                .flatMap(f -> f.outside().values().stream())
                .flatMap(List::stream);
    }

    /** All but what stands outside every room. */
    Stream<Finding> others() {
        return bySource.values().stream()
                .flatMap(f -> f.others().values().stream())
                .flatMap(List::stream);
    }
}
