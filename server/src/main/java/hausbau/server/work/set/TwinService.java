package hausbau.server.work.set;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.measure.Refused;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Standing;
import hausbau.core.standing.Looking;
import hausbau.core.standing.Twin;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Stores;
import hausbau.server.store.set.TwinRow;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.springframework.stereotype.Service;

/** What hands set down, assemblies and repeats, once more across a plane: living, or as plain copies. */
@Service
public class TwinService {

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;

    TwinService(Stores stores, Journal journal, Sets sets) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
    }

    public SiteState state(long siteId) {
        return sets.current(siteId);
    }

    /**
     * @param eastWest asked for where a room's middle is the plane
     * @param room  the room whose middle the plane keeps to; left out: that of the first placement, unless a plane is told
     * @param plane where the plane lies, in place of a room
     */
    public Twin add(
            long siteId,
            Seen seen,
            List<Place> places,
            BooleanSupplier eastWest,
            Optional<Long> room,
            Optional<Twin.Plane> plane) {
        return journal.edit(siteId, seen, edit -> {
            var state = edit.before();
            var originals = originals(state, places);
            var host = plane.isPresent()
                    ? Optional.<Room>empty()
                    : Optional.of(host(state.decisions().massing(), originals.get(0), room));
            var across = plane.orElseGet(() -> Twin.middle(host.orElseThrow(), eastWest.getAsBoolean()));
            var n = 1;
            while (isTaken(state, "Twin " + n)) {
                n++;
            }
            var twin = new Twin(
                    stores.nextId(),
                    "Twin " + n,
                    Twin.Originals.of(originals.stream().map(Standing::place).toList()),
                    across,
                    host.map(Room::id).orElse(0L));
            edit.name("Make “" + twin.name() + "”");
            edit.add(new TwinRow(siteId, twin));
            return twin;
        });
    }

    /** What hands set down, and pieces of uses and of repeats, which are followed whole. */
    private static List<Standing> originals(SiteState state, List<Place> places) {
        var originals = places.stream()
                .distinct()
                .map(p -> PlacementService.standing(state, p))
                .filter(s -> s.isByHand() || s.place() instanceof Place.InUse || s.place() instanceof Place.InRepeat)
                .toList();
        if (originals.isEmpty()) {
            throw new Refused(
                    "placementIds", "Select what hands have set down, assemblies or repeats: a twin follows those.");
        }
        for (var repeat : state.decisions().repeats()) {
            if (Looking.looks(repeat.rule())
                    && originals.stream()
                            .anyMatch(s -> s.place() instanceof Place.InRepeat r && r.repeat() == repeat.id())) {
                throw new Refused(
                        "placementIds",
                        "“" + repeat.name()
                                + "” hangs on what stands around it, which is another on the other side. Dissolve it first.");
            }
        }
        return originals;
    }

    private static Room host(Massing massing, Standing first, Optional<Long> told) {
        if (told.isPresent()) {
            return massing.room(told.get()).orElseThrow(() -> new NotFound("The site has no room " + told.get() + "."));
        }
        return massing.whereabouts()
                .roomAt(first.stance().at())
                .orElseThrow(() -> new Refused(
                        "roomId", "What is selected stands in no room. Tell the room, or where the plane lies."));
    }

    private static boolean isTaken(SiteState state, String name) {
        return state.decisions().twins().stream().anyMatch(t -> t.name().equals(name));
    }

    public void remove(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            edit.name("Take away “" + take(edit, id).name() + "”");
            return null;
        });
    }

    private Twin take(Edit edit, long id) {
        var row = Stores.find(stores.sets().twinRows(edit.site().getId()), id, "twin");
        edit.letGo(new Source.Twins(id));
        edit.remove(row);
        return row.toTwin();
    }

    /** Makes plain copies of what stands by a twin. */
    public List<Place> dissolve(long siteId, long id, Seen seen) {
        return journal.edit(siteId, seen, edit -> {
            var all = edit.before().set().of(new Source.Twins(id));
            edit.name("Dissolve “" + take(edit, id).name() + "”");
            return edit.setDown(all);
        });
    }
}
