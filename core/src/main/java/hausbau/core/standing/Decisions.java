package hausbau.core.standing;

import hausbau.core.dress.Dresses;
import hausbau.core.dress.Traits;
import hausbau.core.massing.Massing;
import hausbau.core.place.Departure;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * All that persons have decided about a site and that its set follows from.
 *
 * @param kit        empty until one is chosen; until then nothing is derived
 * @param departures by the generator that they hold against, in the order of their places
 */
public record Decisions(
        Massing massing,
        Optional<KitChoice> kit,
        Hands hands,
        List<Repeat> repeats,
        Assemblies assemblies,
        List<Twin> twins,
        Traits traits,
        Dresses dresses,
        Map<Source, List<Departure>> departures) {

    /** With the usual traits, and nothing dressed by hand. */
    public Decisions(
            Massing massing,
            Optional<KitChoice> kit,
            Hands hands,
            List<Repeat> repeats,
            Assemblies assemblies,
            List<Twin> twins,
            Map<Source, List<Departure>> departures) {
        this(massing, kit, hands, repeats, assemblies, twins, Traits.NONE, Dresses.NONE, departures);
    }

    /** Without repeats, assemblies and twins. */
    public Decisions(Massing massing, Optional<KitChoice> kit, Hands hands, Map<Source, List<Departure>> departures) {
        this(massing, kit, hands, List.of(), Assemblies.NONE, List.of(), departures);
    }

    public static Map<Source, List<Departure>> bySource(Collection<Departure> departures) {
        var by = new HashMap<Source, List<Departure>>();
        departures.stream()
                .sorted(Comparator.comparing(d -> d.place().toString()))
                .forEach(d -> by.computeIfAbsent(d.place().source(), s -> new ArrayList<>())
                        .add(d));
        return by;
    }

    public List<Departure> allDepartures() {
        return departures.values().stream()
                .flatMap(List::stream)
                .sorted(Comparator.comparing(d -> d.place().toString()))
                .toList();
    }

    public Optional<Departure> departure(Place place) {
        return departures.getOrDefault(place.source(), List.of()).stream()
                .filter(d -> d.place().equals(place))
                .findFirst();
    }

    public Decisions with(Hands newHands) {
        return new Decisions(massing, kit, newHands, repeats, assemblies, twins, traits, dresses, departures);
    }

    /** The same built from this kit, the lengths of its mouldings chosen anew. */
    public Decisions with(KitChoice chosen) {
        return new Decisions(
                MouldingPlan.of(massing, chosen.maxPiece()),
                Optional.of(chosen),
                hands,
                repeats,
                assemblies,
                twins,
                traits,
                dresses,
                departures);
    }

    /** The same for another massing. */
    public Decisions with(Massing other) {
        return new Decisions(other, kit, hands, repeats, assemblies, twins, traits, dresses, departures);
    }
}
