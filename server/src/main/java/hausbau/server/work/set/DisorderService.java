package hausbau.server.work.set;

import hausbau.core.hand.Disorder;
import hausbau.core.kit.Kind;
import hausbau.core.measure.Refused;
import hausbau.core.place.Departure;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Seen;
import hausbau.server.store.Stores;
import hausbau.server.store.set.DisorderRow;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Brings what stands into disorder, and into order again. */
@Service
public class DisorderService {

    private final Stores stores;
    private final PlacementService placements;

    DisorderService(Stores stores, PlacementService placements) {
        this.stores = stores;
        this.placements = placements;
    }

    /** What is in disorder now among what is selected: those that still stand as it left them, and those it left out. */
    private List<DisorderRow> disturbed(Edit edit, List<Standing> all) {
        var chosen = all.stream().collect(Collectors.toMap(Standing::place, s -> s));
        var rows = stores.sets().disorder(edit.site().getId());
        // What is left out comes along with a heap of which all that stands is selected.
        var partly = rows.stream()
                .filter(r -> stands(edit, r) && !chosen.containsKey(r.place()))
                .map(DisorderRow::heap)
                .collect(Collectors.toSet());
        var chosenHeaps = rows.stream()
                .filter(r -> chosen.containsKey(r.place()))
                .map(DisorderRow::heap)
                .collect(Collectors.toSet());
        return rows.stream()
                .filter(r -> r.stands().isPresent()
                        ? Optional.ofNullable(chosen.get(r.place()))
                                .filter(s -> s.stance().equals(r.stands().get()))
                                .isPresent()
                        : chosenHeaps.contains(r.heap()) && !partly.contains(r.heap()) && isLeftOut(edit, r.place()))
                .toList();
    }

    private static boolean stands(Edit edit, DisorderRow row) {
        return row.stands().isPresent()
                && edit.before()
                        .set()
                        .find(row.place())
                        .filter(s -> s.stance().equals(row.stands().get()))
                        .isPresent();
    }

    private static boolean isLeftOut(Edit edit, Place place) {
        return edit.before().set().find(place).isEmpty()
                && (place instanceof Place.ByHand
                        || edit.before().decisions().departure(place).isPresent());
    }

    /** What is in disorder already is disturbed from where it stood first. */
    public void disturb(long siteId, Seen seen, List<Place> places, Disorder disorder) {
        placements.edit(siteId, seen, places, "Disorder", (edit, all) -> {
            var known = new HashMap<Place, DisorderRow>();
            disturbed(edit, all).forEach(r -> known.put(r.place(), r));
            var first = new ArrayList<Standing>();
            known.values().stream()
                    .filter(r -> r.stands().isEmpty())
                    .forEach(r -> first.add(asItStood(edit, r, kind(edit, r))));
            all.forEach(one -> first.add(Optional.ofNullable(known.get(one.place()))
                    .map(r -> asItStood(edit, r, one.kind()))
                    .orElse(one)));
            var stances = disorder.of(edit.before().set(), first);
            replace(edit, first, stances);
            remember(edit, first, stances, known);
        });
    }

    private static Kind kind(Edit edit, DisorderRow row) {
        return edit.before().piece(row.pieceId()).kind();
    }

    private static Standing asItStood(Edit edit, DisorderRow row, Kind kind) {
        return new Standing(
                row.place(),
                kind,
                row.stood(),
                row.free(),
                !row.asDerived() && !(row.place() instanceof Place.ByHand),
                false);
    }

    private static void replace(Edit edit, List<Standing> first, List<Optional<Stance>> stances) {
        var departures = new ArrayList<Departure>();
        for (var i = 0; i < first.size(); i++) {
            var one = first.get(i);
            var to = stances.get(i);
            if (!(one.place() instanceof Place.ByHand hand)) {
                departures.add(to.<Departure>map(s -> new Departure.Restood(one.place(), one.kind(), s, true))
                        .orElseGet(() -> new Departure.LeftOut(one.place())));
            } else if (to.isPresent()) {
                edit.put(new HandPlacement(hand.id(), one.kind(), to.get().withinReach(), true));
            } else {
                edit.before().decisions().hands().find(hand.id()).ifPresent(edit::take);
            }
        }
        edit.depart(departures);
    }

    private void remember(
            Edit edit, List<Standing> first, List<Optional<Stance>> stances, Map<Place, DisorderRow> known) {
        // Rows of places that stand otherwise by now say nothing any more.
        var places = first.stream().map(Standing::place).collect(Collectors.toSet());
        stores.sets().disorder(edit.site().getId()).stream()
                .filter(r -> places.contains(r.place()) && !known.containsKey(r.place()))
                .forEach(edit::remove);
        var heap = known.values().stream()
                .map(DisorderRow::heap)
                .collect(Collectors.collectingAndThen(
                        Collectors.toCollection(HashSet::new),
                        h -> h.size() == 1 ? h.iterator().next() : 0L));
        for (var i = 0; i < first.size(); i++) {
            var one = first.get(i);
            var stance = stances.get(i);
            var row = known.get(one.place());
            if (row != null) {
                edit.change(row, r -> r.stand(stance));
                continue;
            }
            var id = stores.nextId();
            heap = heap == 0 ? id : heap;
            var asDerived = !one.isByHand()
                    && edit.before().decisions().departure(one.place()).isEmpty();
            var fresh = new DisorderRow(
                    edit.site().getId(),
                    new DisorderRow.First(
                            id,
                            heap,
                            one.place(),
                            edit.kit().id(one.kind()).orElseThrow(),
                            one.stance(),
                            one.free(),
                            asDerived));
            fresh.stand(stance);
            edit.add(fresh);
        }
    }

    /** Puts what is in disorder back where it stood first. */
    public void order(long siteId, Seen seen, List<Place> places) {
        placements.edit(siteId, seen, places, "Put in order", (edit, all) -> {
            var rows = disturbed(edit, all);
            if (rows.isEmpty()) {
                throw new Refused("ids", "Nothing of this is in disorder.");
            }
            var departures = new ArrayList<Departure>();
            var letGo = new ArrayList<Place>();
            var kinds = all.stream().collect(Collectors.toMap(Standing::place, Standing::kind));
            for (var row : rows) {
                var kind = Optional.ofNullable(kinds.get(row.place())).orElseGet(() -> kind(edit, row));
                if (row.place() instanceof Place.ByHand hand) {
                    edit.put(new HandPlacement(hand.id(), kind, row.stood(), row.free()));
                } else if (row.asDerived()) {
                    letGo.add(row.place());
                } else {
                    departures.add(new Departure.Restood(row.place(), kind, row.stood(), row.free()));
                }
                edit.remove(row);
            }
            edit.letGo(letGo);
            edit.depart(departures);
        });
    }
}
