package hausbau.server.journal;

import hausbau.core.hand.Clinging;
import hausbau.core.kit.Held;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.kit.Part;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.place.Departure;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Standing;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.Twin;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Aggregate;
import hausbau.server.store.Row;
import hausbau.server.store.Stores;
import hausbau.server.store.kit.PieceRow;
import hausbau.server.store.set.DepartureRow;
import hausbau.server.store.set.HandRow;
import hausbau.server.store.set.UseRow;
import hausbau.server.store.site.SiteRow;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/** An edit in the making: everything it adds, changes or removes goes through it, so that the journal can keep it. */
public final class Edit {

    private final SiteRow site;
    private final Stores stores;
    private final EntityManager rows;
    private final Snapshots snapshots;
    private final SiteState before;
    private final Map<Of, Change> changes = new LinkedHashMap<>();
    private final Map<Long, HandRow> added = new LinkedHashMap<>();
    private final Map<Long, HandRow> changed = new LinkedHashMap<>();
    private final Set<Long> removed = new HashSet<>();
    private Kit kit;
    private String label = "";

    Edit(SiteRow site, Stores stores, EntityManager rows, Snapshots snapshots, SiteState before) {
        this.site = site;
        this.stores = stores;
        this.rows = rows;
        this.snapshots = snapshots;
        this.before = before;
        this.kit = before.kit();
    }

    public SiteRow site() {
        return site;
    }

    /** The site as it stands before the edit. */
    public SiteState before() {
        return before;
    }

    /** The codes there are, with those given within the edit. */
    public Kit kit() {
        return kit;
    }

    /** Gives a kind a code and a name of a person's choice; one that has a code keeps it. */
    public long name(String code, String name, Kind kind) {
        kit = stores.kits()
                .name(site.getId(), kit, code, name, kind, before.settings().unit());
        return kit.id(kind).orElseThrow();
    }

    /** Names what the edit does, as the undo button will show it. */
    public void name(String newLabel) {
        label = newLabel;
    }

    String label() {
        return label;
    }

    List<Change> changes() {
        return List.copyOf(changes.values());
    }

    /** What one change is of. */
    private record Of(Aggregate table, long id) {}

    /** One change for each row: what is done to it once more within the edit goes on from how it was before the edit. */
    private void record(Change change) {
        changes.compute(
                new Of(change.table(), change.id()),
                (of, earlier) -> earlier == null ? change : earlier.followedBy(change));
    }

    public void add(Row row) {
        rows.persist(row);
        record(new Change(Aggregate.of(row), row.getId(), Snapshots.nothing(), snapshots.of(row)));
    }

    /** Applies the change; a row that comes out the same is not recorded. */
    public <R extends Row> void change(R row, Consumer<R> change) {
        var was = snapshots.of(row);
        change.accept(row);
        var is = snapshots.of(row);
        if (!is.equals(was)) {
            record(new Change(Aggregate.of(row), row.getId(), was, is));
        }
    }

    public void remove(Row row) {
        record(new Change(Aggregate.of(row), row.getId(), snapshots.of(row), Snapshots.nothing()));
        rows.remove(row);
    }

    /** Sets a piece down by hand; with an id that stands it is set down otherwise. */
    public void put(HandPlacement placement) {
        var row = HandRow.of(placement, kit);
        var was = before.decisions().hands().find(placement.id()).map(h -> HandRow.of(h, kit));
        if (was.isPresent() && was.get().equals(row)) {
            return;
        }
        (was.isPresent() ? changed : added).put(placement.id(), row);
        record(new Change(
                Aggregate.PLACEMENT,
                placement.id(),
                was.map(snapshots::of).orElse(Snapshots.nothing()),
                snapshots.of(row)));
    }

    /** Takes away what a hand set down. */
    public void take(HandPlacement placement) {
        removed.add(placement.id());
        record(new Change(
                Aggregate.PLACEMENT, placement.id(), snapshots.of(HandRow.of(placement, kit)), Snapshots.nothing()));
    }

    /** Departs from what is derived at some places, whatever the hand decided about them before. */
    public void depart(Collection<Departure> departures) {
        var standing = departureRows(departures.stream().map(Departure::place).toList());
        for (var departure : departures) {
            var row = standing.get(departure.place().toString());
            if (row == null) {
                add(new DepartureRow(stores.nextId(), site.getId(), departure, kit));
            } else {
                change(row, r -> r.set(departure, kit));
            }
        }
    }

    /** The rows of these uses of assemblies. */
    public List<UseRow> useRows(Collection<Long> ids) {
        return ids.isEmpty()
                ? List.of()
                : stores.sets().useRows(site.getId()).stream()
                        .filter(r -> ids.contains(r.getId()))
                        .toList();
    }

    /** Lets what is derived at these places stand as it is. */
    public void letGo(Collection<Place> places) {
        departureRows(places).values().forEach(this::remove);
    }

    /** Lets go of all that hands changed about what a generator makes. */
    public void letGo(Source source) {
        letGo(before.decisions().departures().getOrDefault(source, List.of()).stream()
                .map(Departure::place)
                .toList());
    }

    /** Sets pieces down by hand as they stand. */
    public List<Place> setDown(List<Standing> pieces) {
        return pieces.stream()
                .<Place>map(one -> {
                    var placement = new HandPlacement(stores.nextId(), one.kind(), one.stance(), one.free());
                    put(placement);
                    return placement.place();
                })
                .toList();
    }

    private Map<String, DepartureRow> departureRows(Collection<? extends Place> places) {
        var found = new HashMap<String, DepartureRow>();
        var known = places.stream()
                .filter(p -> before.decisions().departure(p).isPresent())
                .map(Place::toString)
                .toList();
        if (!known.isEmpty()) {
            stores.sets().departures(site.getId(), known).forEach(row -> found.put(row.place(), row));
        }
        return found;
    }

    /** Makes a change that the journal kept. */
    void reapply(Change change, @Nullable Row row) {
        record(change);
        if (row == null) {
            if (change.after().isNull()) {
                removed.add(change.id());
            } else {
                (change.before().isNull() ? added : changed).put(change.id(), snapshots.toHand(change.after()));
            }
        }
    }

    boolean touches(Aggregate.Part part) {
        return changes.values().stream().anyMatch(c -> c.table().part() == part);
    }

    private boolean touches(Aggregate aggregate) {
        return changes.values().stream().anyMatch(c -> c.table() == aggregate);
    }

    /** Twins of what goes follow what stands in for it. */
    public void twinsFollow(Twin.Originals gone, Twin.Originals instead) {
        stores.sets()
                .twinRows(site.getId())
                .forEach(row -> change(row, r -> r.set(r.toTwin().following(gone, instead))));
    }

    /** Takes up the kit as the edit leaves it, and tells whether a piece is another kind than it was. */
    private boolean isMadeOtherwise() {
        kit = stores.kits().kit(site.getId(), site.settings().unit());
        return before.kit().pieces().entrySet().stream().anyMatch(e -> !kit.piece(e.getKey())
                .orElseThrow()
                .kind()
                .equals(e.getValue().kind()));
    }

    /** Enters a piece of a person's own. */
    public PieceRow enter(String code, String name, Role role, Pivot pivot, List<Part> parts) {
        return stores.kits()
                .row(site.getId(), stores.kits().enterOwn(site.getId(), kit, code, name, role, pivot, parts));
    }

    private Massing massing() {
        var was = before.decisions().massing();
        return touches(Aggregate.Part.MASSING) || touches(Aggregate.SITE)
                ? stores.massing().massing(site, was, !touches(Aggregate.MOULDING))
                : was;
    }

    /** What clings to walls and ceilings goes along with them. */
    void carry() {
        var was = before.decisions();
        if (!touches(Aggregate.Part.MASSING)) {
            return;
        }
        var clinging = was.hands()
                .all()
                .filter(h -> was.traits().held(h.kind()) != Held.STANDS
                        && !changed.containsKey(h.id())
                        && !removed.contains(h.id()))
                .toList();
        if (!clinging.isEmpty()) {
            rows.flush();
            Clinging.carried(clinging, was.traits(), was.massing(), massing()).forEach(this::put);
        }
    }

    /** Writes everything, and tells what is decided now; the massing is read back, which checks it. */
    Decisions write() {
        rows.flush();
        var id = site.getId();
        stores.sets().add(id, added);
        stores.sets().change(id, changed);
        stores.sets().remove(id, removed);
        var was = before.decisions();
        var massing = massing();
        if (site.settings().unit() != before.settings().unit()) {
            // Names of pieces are written in it.
            kit = stores.kits().kit(id, site.settings().unit());
        }
        // What stands is kept by the ids of its pieces: where one of those is made otherwise, all of it is read again.
        var anew = (touches(Aggregate.PIECE)
                        || touches(Aggregate.PATTERN)
                        || touches(Aggregate.SHARED_SHEET)
                        || touches(Aggregate.MATERIAL))
                && isMadeOtherwise();
        var departures = anew || touches(Aggregate.DEPARTURE)
                ? Decisions.bySource(stores.sets().departures(id).stream()
                        .map(d -> d.toDeparture(kit))
                        .toList())
                : was.departures();
        var repeats = anew || touches(Aggregate.REPEAT)
                ? stores.sets().repeats(id).stream().map(r -> r.toRepeat(kit)).toList()
                : was.repeats();
        var assemblies = anew || touches(Aggregate.ASSEMBLY) || touches(Aggregate.ASSEMBLY_USE)
                ? stores.sets().assemblies(id, kit)
                : was.assemblies();
        var twins = touches(Aggregate.TWIN) ? stores.sets().twins(id) : was.twins();
        var traits = anew || touches(Aggregate.TRAIT) ? stores.sets().traits(id, kit) : was.traits();
        var dresses = touches(Aggregate.DRESS) ? stores.sets().dresses(id) : was.dresses();
        var put = new ArrayList<HandPlacement>();
        added.forEach((key, row) -> put.add(row.toPlacement(key, kit)));
        changed.forEach((key, row) -> put.add(row.toPlacement(key, kit)));
        var hands = anew
                ? Hands.EMPTY.with(stores.sets().placements(id, kit), Set.of())
                : put.isEmpty() && removed.isEmpty() ? was.hands() : was.hands().with(put, removed);
        return new Decisions(
                massing.equals(was.massing()) ? was.massing() : massing,
                site.kit(),
                hands,
                repeats,
                assemblies,
                twins,
                traits,
                dresses,
                departures);
    }
}
