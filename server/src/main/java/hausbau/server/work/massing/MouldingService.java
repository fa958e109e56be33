package hausbau.server.work.massing;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Profile;
import hausbau.core.massing.Building;
import hausbau.core.massing.Moulding;
import hausbau.core.measure.Length;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.MouldingPlan;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.work.FreshName;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** What runs along the walls of a site's rooms. */
@Service
public class MouldingService {

    private static final Length USUAL_LONGEST = Length.ofMillimetres(4000);

    private final Stores store;
    private final Journal journal;
    private final Sets sets;
    private final BuildingRows rows;

    public MouldingService(Stores store, Journal journal, Sets sets, BuildingRows rows) {
        this.store = store;
        this.journal = journal;
        this.sets = sets;
        this.rows = rows;
    }

    /** @param pieces how many stand, @param kinds ids of those that are to be modelled; of a rule with what rooms have in its place */
    public record Laid(Moulding moulding, long pieces, List<Long> kinds) {}

    /** What stands by one rule in one room. */
    private record Where(long rule, long room) {}

    /** In their order. */
    @Reading
    public List<Laid> all(long siteId) {
        var state = sets.current(siteId);
        var pieces = new HashMap<Where, Long>();
        var kinds = new HashMap<Where, Set<Kind>>();
        for (var chunk : state.set().chunks()) {
            if (!(chunk.source() instanceof Source.Mouldings)) {
                continue;
            }
            for (var row = 0; row < chunk.size(); row++) {
                if (chunk.place(row) instanceof Place.OfMoulding place) {
                    var where = new Where(place.rule(), place.room());
                    pieces.merge(where, 1L, Long::sum);
                    kinds.computeIfAbsent(where, w -> new HashSet<>()).add(chunk.kind(row));
                }
            }
        }
        return state.decisions().massing().mouldings().stream()
                .map(m -> new Laid(
                        m, count(m, pieces), kinds(m, kinds).map(state::id).toList()))
                .toList();
    }

    private static boolean isOf(Moulding m, Where where) {
        return where.rule() == m.rule()
                && (m.isForAll() || where.room() == m.instead().room());
    }

    private static long count(Moulding m, Map<Where, Long> pieces) {
        return pieces.entrySet().stream()
                .filter(e -> isOf(m, e.getKey()))
                .mapToLong(Map.Entry::getValue)
                .sum();
    }

    /** The longest first. */
    private static Stream<Kind> kinds(Moulding m, Map<Where, Set<Kind>> kinds) {
        return kinds.entrySet().stream()
                .filter(e -> isOf(m, e.getKey()))
                .flatMap(e -> e.getValue().stream())
                .distinct()
                .sorted(Comparator.comparingLong((Kind k) -> -k.size().x()).thenComparing(Kind::toString));
    }

    /** Adds one of usual size to all rooms. @return its id */
    public long add(long siteId, Seen seen, Profile.Kind kind) {
        return journal.edit(siteId, seen, edit -> {
            var building = building(edit);
            var name = FreshName.of(
                    kind.label(),
                    building.mouldings().stream().map(Moulding::name).toList());
            var made = Moulding.usual(
                    store.nextId(), name, kind, edit.before().settings().step());
            edit.name("Add “" + name + "” along the walls");
            take(edit, building.adding(made));
            return made.id();
        });
    }

    /** Gives one room a moulding in the place of a rule of the whole building, to begin with alike. @return its id */
    public long addFor(long siteId, long rule, long roomId, Seen seen) {
        return journal.edit(siteId, seen, edit -> {
            var building = building(edit);
            var of = find(building, rule);
            var room = Stores.find(store.massing().rooms(siteId), roomId, "room")
                    .toRoom()
                    .name();
            var known = building.mouldings().stream()
                    .filter(m -> m.instead().equals(new Moulding.Instead(of.rule(), roomId)))
                    .findFirst();
            if (known.isPresent()) {
                return known.get().id();
            }
            var made = of.in(store.nextId(), roomId);
            edit.name("“" + of.name() + "” of its own for “" + room + "”");
            take(edit, building.adding(made));
            return made.id();
        });
    }

    public void change(long siteId, long id, Seen seen, UnaryOperator<Moulding> change) {
        journal.edit(siteId, seen, edit -> {
            var building = building(edit);
            var changed = change.apply(find(building, id));
            edit.name("Change “" + changed.name() + "” along the walls");
            take(edit, building.changing(changed));
            return null;
        });
    }

    /** @param place how many stand before it */
    public void order(long siteId, long id, Seen seen, int place) {
        journal.edit(siteId, seen, edit -> {
            var building = building(edit);
            edit.name("Put “" + find(building, id).name() + "” elsewhere in the list");
            take(edit, building.ordering(id, place));
            return null;
        });
    }

    /** Takes one away: a rule with what rooms have in its place; what a room has, so that the rule runs through it again. */
    public void remove(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var building = building(edit);
            edit.name("Take away “" + find(building, id).name() + "” along the walls");
            take(edit, building.withoutMoulding(id));
            return null;
        });
    }

    private static Building building(Edit edit) {
        return edit.before().decisions().massing().building();
    }

    private static Moulding find(Building building, long id) {
        return building.mouldings().stream()
                .filter(m -> m.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotFound("There is no moulding " + id + " in this site."));
    }

    /** Stores what differs, the lengths chosen anew. */
    private void take(Edit edit, Building changed) {
        var massing = edit.before().decisions().massing();
        var greatest = edit.before().decisions().kit().map(KitChoice::maxPiece).orElse(USUAL_LONGEST);
        var planned = MouldingPlan.of(massing.next(massing.settings(), changed), greatest);
        rows.storeMouldings(edit, massing.building(), planned.building());
    }
}
