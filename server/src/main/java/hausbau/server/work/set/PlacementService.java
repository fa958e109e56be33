package hausbau.server.work.set;

import hausbau.core.arrange.Arrangement;
import hausbau.core.arrange.Clearance;
import hausbau.core.arrange.Moving;
import hausbau.core.arrange.Snapping;
import hausbau.core.hand.Clinging;
import hausbau.core.hand.Plumbing;
import hausbau.core.hand.Strut;
import hausbau.core.kit.Held;
import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.standing.Assemblies;
import hausbau.core.standing.Use;
import hausbau.core.survey.Finding;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Stores;
import hausbau.server.store.set.DressRow;
import hausbau.server.store.set.UseRow;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** What hands do with standing pieces: those they set down, and those that are derived, which then depart. */
@Service
public class PlacementService {

    static final int MOST_AT_ONCE = 20_000;

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;
    private final DressService dresses;

    PlacementService(Stores stores, Journal journal, Sets sets, DressService dresses) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
        this.dresses = dresses;
    }

    public SiteState state(long siteId) {
        return sets.current(siteId);
    }

    /** A standing piece with the id of the piece it uses. */
    public record Stood(Standing standing, long pieceId) {}

    /** Where the piece would come to stand, and what holds it; nothing is kept. */
    public Snapping.Snapped preview(
            long siteId, long pieceId, Stance wanted, Clinging.Offset offset, Collection<Place> without) {
        var state = sets.current(siteId);
        return snapped(state, state.piece(pieceId).kind(), wanted.withinReach(), offset, without);
    }

    /** How far around what is moved clearances are told. */
    private static final long CLEAR_UM = 10_000_000;

    /** What a move comes to, and how far what is moved is then from what stands next to it along the same axes. */
    public record Moved(Vec by, List<Clearance> clear) {}

    /**
     * What a move of placements as one body would come to; nothing is kept.
     *
     * @param snap whether it snaps, each axis by itself
     */
    public Moved moving(long siteId, Collection<Place> places, Vec wanted, boolean snap) {
        if (places.size() > MOST_AT_ONCE) {
            throw new Refused("ids", "At most " + MOST_AT_ONCE + " at once.");
        }
        var state = sets.current(siteId);
        var step = state.settings().step();
        var extent = places.stream()
                .flatMap(place -> state.set().find(place).stream())
                .map(Standing::box)
                .reduce(Box::union)
                .orElseThrow(() -> new NotFound("None of these placements stands any more."));
        var by = snap
                ? new Moving(step, others(state, extent.movedBy(wanted).grownBy(step.um()), places))
                        .snapped(extent, wanted)
                : wanted;
        var box = extent.movedBy(by);
        return new Moved(
                by,
                Moving.axes(wanted).stream()
                        .flatMap(axis -> {
                            var around = others(state, Clearance.reach(box, axis, CLEAR_UM), places);
                            return Clearance.around(box, List.of(axis), around, CLEAR_UM).stream();
                        })
                        .toList());
    }

    private static List<Standing> others(SiteState state, Box box, Collection<Place> without) {
        return state.set().near(box).stream()
                .filter(s -> !without.contains(s.place()))
                .toList();
    }

    /** @param snap whether to snap; without it the placement is free, and stands just as told */
    public Stood place(long siteId, Seen seen, long pieceId, Stance wanted, Clinging.Offset offset, boolean snap) {
        return journal.edit(siteId, seen, edit -> {
            var piece = edit.before().piece(pieceId);
            edit.name("Set down " + piece.code());
            wanted.withinReach();
            var stance = snap
                    ? snapped(edit.before(), piece.kind(), wanted, offset, Set.of())
                            .stance()
                    : wanted;
            return new Stood(setDown(edit, piece.kind(), stance, !snap), pieceId);
        });
    }

    /** Sets a piece of a section between two points; it is a piece of the kit from then on. */
    public Stood strut(long siteId, Seen seen, Strut strut) {
        return journal.edit(siteId, seen, edit -> {
            var code = strut.kind().suggestedCode(edit.before().settings().storey());
            var piece = edit.name(code, "strut", strut.kind());
            edit.name("Set a strut");
            return new Stood(setDown(edit, strut.kind(), strut.stance(), true), piece);
        });
    }

    public Standing setDown(Edit edit, Kind kind, Stance stance, boolean free) {
        var placement = new HandPlacement(stores.nextId(), kind, stance.withinReach(), free);
        edit.put(placement);
        return Standing.byHand(placement);
    }

    /** Where it comes to stand by how it is held. */
    private static Snapping.Snapped snapped(
            SiteState state, Kind kind, Stance wanted, Clinging.Offset offset, Collection<Place> without) {
        var step = state.settings().step();
        var massing = state.decisions().massing();
        var held = state.decisions().traits().held(kind);
        var reach = held == Held.STANDS ? Snapping.reach(wanted, kind, step) : Clinging.reach(wanted, kind, step);
        var around = others(state, reach, without);
        return held == Held.STANDS
                ? new Snapping(
                                step,
                                massing.whereabouts().floorUnder(wanted.at().plus(new Vec(0, 0, step.um() / 2))),
                                around)
                        .snap(kind, wanted)
                : new Clinging(step, massing, around).snap(kind, held, wanted, offset);
    }

    /**
     * Gives placements typed values.
     *
     * @param change what the values make of a stance
     * @param snap   whether each is snapped afterwards
     */
    public void set(long siteId, Seen seen, List<Place> places, UnaryOperator<Stance> change, boolean snap) {
        edit(siteId, seen, places, "Set", (edit, all) -> {
            var departures = new ArrayList<Departure>();
            for (var one : all) {
                var wanted = rested(one, change.apply(one.stance())).withinReach();
                var stance = snap
                        ? snapped(edit.before(), one.kind(), wanted, Clinging.Offset.NONE, places)
                                .stance()
                        : wanted;
                // What stood askew and stands exactly now is on the grid's side again.
                var free = stance.isExact() ? one.free() && one.stance().isExact() : one.free() || !snap;
                restand(edit, one, one.kind(), stance, free, departures);
            }
            edit.depart(departures);
        });
    }

    /** What is only tipped or sized rests as high as it rested. */
    private static Stance rested(Standing one, Stance wanted) {
        var leans = !wanted.lean().equals(one.stance().lean())
                && wanted.at().z() == one.stance().at().z();
        return leans
                ? wanted.movedBy(new Vec(
                        0, 0, one.box().min().z() - wanted.box(one.kind()).min().z()))
                : wanted;
    }

    /** Moves, turns and mirrors placements as one body, exactly as told: nothing snaps. */
    public void arrange(long siteId, Seen seen, List<Place> places, Arrangement arrangement) {
        edit(siteId, seen, places, arrangement.verb(), (edit, all) -> {
            var step = edit.before().settings().step();
            var stances = arrangement.apply(all, step);
            var whole = Assemblies.whole(edit.before().set(), places);
            var departures = new ArrayList<Departure>();
            for (var row : edit.useRows(whole)) {
                var use = row.toUse();
                var stance = arrangement
                        .carry(
                                all,
                                use.stance(),
                                edit.before().decisions().assemblies().box(use.assembly()),
                                step)
                        .withinReach();
                edit.change(row, r -> r.set(new Use(use.id(), use.assembly(), stance)));
            }
            for (var i = 0; i < all.size(); i++) {
                var one = all.get(i);
                if (isOf(whole, one)) {
                    continue;
                }
                restand(
                        edit,
                        one,
                        one.kind(),
                        stances.get(i).withinReach(),
                        one.free() || !stances.get(i).isExact(),
                        departures);
            }
            edit.depart(departures);
        });
    }

    /** Makes stances of some standing pieces, one for each. */
    public interface Lines {
        List<Stance> of(SiteState state, List<Standing> all);
    }

    /** Lets each come to stand by itself, against something else. */
    public void line(long siteId, Seen seen, List<Place> places, String verb, Lines lines) {
        edit(siteId, seen, places, verb, (edit, all) -> {
            var stances = lines.of(edit.before(), all);
            var departures = new ArrayList<Departure>();
            for (var i = 0; i < all.size(); i++) {
                var one = all.get(i);
                restand(
                        edit,
                        one,
                        one.kind(),
                        stances.get(i).withinReach(),
                        one.free() || !stances.get(i).isExact(),
                        departures);
            }
            edit.depart(departures);
        });
    }

    /** What stands in a room, or in its walls and slabs. */
    public List<Place> inRoom(long siteId, long roomId) {
        var state = sets.current(siteId);
        var massing = state.decisions().massing();
        var room = massing.room(roomId).orElseThrow(() -> new NotFound("The site has no room " + roomId + "."));
        var whereabouts = massing.whereabouts();
        return state.set().near(room.outer(massing.settings().wall())).stream()
                .filter(s -> {
                    var b = s.box();
                    var middle = new Vec(
                            Math.floorDiv(b.min().x() + b.max().x(), 2),
                            Math.floorDiv(b.min().y() + b.max().y(), 2),
                            Math.floorDiv(b.min().z() + b.max().z(), 2));
                    return whereabouts
                            .roomAt(middle)
                            .filter(r -> r.id() == roomId)
                            .isPresent();
                })
                .map(Standing::place)
                .sorted(Comparator.comparing(Place::toString))
                .toList();
    }

    /**
     * Puts another piece in the place of each, standing as it stood.
     *
     * @return what is found about them now and was not before: those that no longer fit
     */
    public List<Finding> swap(long siteId, Seen seen, List<Place> places, long pieceId) {
        var known = sets.survey(sets.current(siteId)).findings().stream()
                .map(Finding::key)
                .collect(Collectors.toSet());
        swapAll(siteId, seen, places, pieceId);
        var swapped = Set.copyOf(places);
        return sets.survey(sets.current(siteId)).findings().stream()
                .filter(f -> !known.contains(f.key()) && f.places().stream().anyMatch(swapped::contains))
                .toList();
    }

    private void swapAll(long siteId, Seen seen, List<Place> places, long pieceId) {
        edit(siteId, seen, places, "Swap", (edit, all) -> {
            var kind = edit.before().piece(pieceId).kind();
            var departures = new ArrayList<Departure>();
            all.forEach(one -> restand(edit, one, kind, one.stance(), one.free(), departures));
            edit.depart(departures);
        });
    }

    public static void restand(
            Edit edit, Standing one, Kind kind, Stance stance, boolean free, List<Departure> departures) {
        if (one.kind().equals(kind) && one.stance().equals(stance) && one.free() == free) {
            return;
        }
        if (one.place() instanceof Place.ByHand hand) {
            edit.put(new HandPlacement(hand.id(), kind, stance, free));
        } else {
            departures.add(new Departure.Restood(one.place(), kind, stance, free));
        }
    }

    /** @return the copies, in the order of the places */
    public List<Place> copy(long siteId, Seen seen, List<Place> places, Vec by) {
        var copied = new LinkedHashMap<Place, Place>();
        edit(siteId, seen, places, "Copy", (edit, all) -> {
            var whole = Assemblies.whole(edit.before().set(), places);
            edit.useRows(whole).forEach(row -> {
                var use = row.toUse();
                var copy = new Use(
                        stores.nextId(),
                        use.assembly(),
                        use.stance().movedBy(by).withinReach());
                edit.add(new UseRow(siteId, copy));
                edit.before()
                        .set()
                        .of(new Source.Uses(use.id()))
                        .forEach(s ->
                                copied.put(s.place(), new Place.InUse(copy.id(), ((Place.InUse) s.place()).path())));
            });
            all.stream()
                    .filter(one -> !isOf(whole, one))
                    .forEach(one -> copied.put(
                            one.place(),
                            setDown(edit, one.kind(), one.stance().movedBy(by), one.free())
                                    .place()));
            dresses.copy(
                    edit,
                    siteId,
                    copied.entrySet().stream()
                            .collect(Collectors.toMap(
                                    e -> DressRow.word(e.getKey()), e -> DressRow.word(e.getValue()))));
        });
        return List.copyOf(copied.values());
    }

    /** Takes placements away. The place of a derived one stays empty until it is let go. */
    public void remove(long siteId, Seen seen, List<Place> places) {
        edit(siteId, seen, places, "Take away", (edit, all) -> remove(edit, all));
    }

    private static boolean isOf(Set<Long> whole, Standing one) {
        return one.place() instanceof Place.InUse in && whole.contains(in.use());
    }

    /** Takes a use of an assembly away, with what hands changed about it. */
    public static void remove(Edit edit, UseRow use) {
        edit.letGo(new Source.Uses(use.getId()));
        edit.remove(use);
    }

    public static void remove(Edit edit, List<Standing> all) {
        var departures = new ArrayList<Departure>();
        var whole = Assemblies.whole(
                edit.before().set(), all.stream().map(Standing::place).toList());
        edit.useRows(whole).forEach(row -> remove(edit, row));
        for (var one : all) {
            if (isOf(whole, one)) {
                continue;
            }
            if (one.place() instanceof Place.ByHand hand) {
                edit.take(edit.before().decisions().hands().find(hand.id()).orElseThrow());
            } else if (one.lost()) {
                edit.letGo(List.of(one.place()));
            } else {
                departures.add(new Departure.LeftOut(one.place()));
            }
        }
        edit.depart(departures);
    }

    /** What hands have changed about derived pieces, and which of it has lost its place. */
    public record Departures(SiteState state, List<Departure> all, Set<Place> lost) {}

    public Departures departures(long siteId) {
        var state = sets.current(siteId);
        var lost = new HashSet<Place>();
        state.set().lost().forEach(d -> lost.add(d.place()));
        return new Departures(state, state.decisions().allDepartures(), lost);
    }

    /** Lets go of departures: what is derived at their places stands again as it is. */
    public void letGo(long siteId, Seen seen, List<Place> places) {
        journal.edit(siteId, seen, edit -> {
            var departed = departed(edit, places);
            edit.name(
                    "Let go of " + (departed.size() == 1 ? "a change by hand" : departed.size() + " changes by hand"));
            edit.letGo(places);
            return null;
        });
    }

    private static List<Departure> departed(Edit edit, List<Place> places) {
        if (places.isEmpty() || places.size() > MOST_AT_ONCE) {
            throw new Refused("ids", "Name from 1 to " + MOST_AT_ONCE + " changes by hand.");
        }
        return places.stream()
                .distinct()
                .map(place -> edit.before()
                        .decisions()
                        .departure(place)
                        .orElseThrow(() -> new NotFound("No hand has changed anything at " + place + ".")))
                .toList();
    }

    /** Makes plain placements of what hands changed and that has lost its place; what was left out is let go. */
    public void setDownLost(long siteId, Seen seen, List<Place> places) {
        journal.edit(siteId, seen, edit -> {
            var departed = departed(edit, places);
            edit.name("Set down by hand");
            for (var departure : departed) {
                if (departure instanceof Departure.Restood d) {
                    setDown(edit, d.kind(), d.stance(), d.free());
                }
            }
            edit.letGo(places);
            return null;
        });
    }

    /** Lets each drop straight down to what is under it, the lowest first. */
    public void plumb(long siteId, Seen seen, List<Place> places) {
        edit(siteId, seen, places, "Plumb", (edit, all) -> {
            var departures = new ArrayList<Departure>();
            Plumbing.of(edit.before().set(), all)
                    .forEach((one, stance) -> restand(edit, one, one.kind(), stance, one.free(), departures));
            edit.depart(departures);
        });
    }

    interface Work {
        void on(Edit edit, List<Standing> all);
    }

    /** One edit of some standing pieces, named by what it does and to how many. */
    void edit(long siteId, Seen seen, List<Place> places, String verb, Work work) {
        if (places.isEmpty() || places.size() > MOST_AT_ONCE) {
            throw new Refused("ids", "Name from 1 to " + MOST_AT_ONCE + " placements.");
        }
        journal.edit(siteId, seen, edit -> {
            var all = places.stream()
                    .distinct()
                    .map(place -> standing(edit.before(), place))
                    .toList();
            edit.name(verb + " " + (all.size() == 1 ? edit.kit().code(all.get(0).kind()) : all.size() + " placements"));
            work.on(edit, all);
            return null;
        });
    }

    public static Standing standing(SiteState state, Place place) {
        return state.set().find(place).orElseThrow(() -> new NotFound("The site has no placement " + place + "."));
    }
}
