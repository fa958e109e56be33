package hausbau.server.work.set;

import hausbau.core.hand.Clinging;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Standing;
import hausbau.core.repeat.Field;
import hausbau.core.repeat.Rule;
import hausbau.core.standing.Body;
import hausbau.core.standing.Repeat;
import hausbau.core.standing.Twin;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Stores;
import hausbau.server.store.set.RepeatRow;
import hausbau.server.store.set.RuleWords;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.kit.MeshShelf;
import hausbau.server.work.site.SiteService;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Living repeats: made from the hand or from what stands, changed, dissolved. */
@Service
public class RepeatService {

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;
    private final MeshShelf meshes;

    RepeatService(Stores stores, Journal journal, Sets sets, MeshShelf meshes) {
        this.meshes = meshes;
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
    }

    /**
     * What a repeat is to follow.
     *
     * @param edge the wall, for {@link Repeat.Hold#WALL}
     * @param off  how far inside the wall's face; left out: with the backs of what is repeated against it
     */
    public record Following(long room, Repeat.Hold hold, int edge, @Nullable Length off) {}

    /**
     * What is repeated: pieces that each may stand at a spot, placements that stand together at each, or an assembly.
     *
     * @param placements those set down by hand are taken away: the first copy stands in for them
     */
    public record Wanted(
            List<Long> pieces,
            List<Place> placements,
            Optional<Long> assembly,
            RuleWords rule,
            Optional<Following> following) {

        public Wanted(List<Long> pieces, List<Place> placements, RuleWords rule, Optional<Following> following) {
            this(pieces, placements, Optional.empty(), rule, following);
        }
    }

    public SiteState state(long siteId) {
        return sets.current(siteId);
    }

    /**
     * Where copies would stand and how many; nothing is kept.
     *
     * @param insteadOf the repeat that it would take the place of, which then does not stand in its way; 0 for none
     */
    public Repeat preview(SiteState state, Wanted wanted, long insteadOf) {
        return repeat(state, insteadOf, "", bodies(state, wanted), wanted);
    }

    /** What some pieces add in triangles. */
    public long triangles(SiteState state, List<Standing> standing) {
        var finish = KitService.finish(state);
        return standing.stream()
                .collect(Collectors.groupingBy(Standing::kind, Collectors.counting()))
                .entrySet()
                .stream()
                .mapToLong(e -> e.getValue()
                        * meshes.mesh(state.piece(state.id(e.getKey())), finish).triangles())
                .sum();
    }

    public Repeat add(long siteId, Seen seen, Wanted wanted) {
        return journal.edit(siteId, seen, edit -> {
            var all = edit.before().decisions().repeats();
            var made = repeat(edit.before(), stores.nextId(), "", bodies(edit.before(), wanted), wanted);
            var named =
                    new Repeat(made.id(), freshName(made.rule().label(), all), made.bodies(), made.rule(), made.host());
            edit.name("Lay “" + named.name() + "”");
            edit.add(new RepeatRow(siteId, named, edit.kit()));
            PlacementService.remove(
                    edit,
                    standing(edit.before(), wanted.placements()).stream()
                            .filter(Standing::isByHand)
                            .toList());
            return named;
        });
    }

    private static String freshName(String label, List<Repeat> all) {
        var n = 1;
        while (true) {
            var name = label + " " + n++;
            if (all.stream().noneMatch(r -> r.name().equals(name))) {
                return name;
            }
        }
    }

    private static List<Body> bodies(SiteState state, Wanted wanted) {
        if (wanted.assembly().isPresent()) {
            var id = wanted.assembly().get();
            return List.of(Body.ofAssembly(state.decisions()
                    .assemblies()
                    .find(id)
                    .orElseThrow(() -> new NotFound("The site has no assembly " + id + "."))
                    .id()));
        }
        if (!wanted.placements().isEmpty()) {
            return List.of(Body.of(standing(state, wanted.placements())));
        }
        if (wanted.pieces().isEmpty()) {
            throw new Refused("pieceIds", "Tell what is to be repeated: pieces, or placements.");
        }
        return wanted.pieces().stream()
                .map(id -> Body.of(state.piece(id).kind()))
                .toList();
    }

    private static List<Standing> standing(SiteState state, List<Place> places) {
        return places.stream()
                .distinct()
                .map(p -> PlacementService.standing(state, p))
                .toList();
    }

    private static Repeat repeat(SiteState state, long id, String name, List<Body> bodies, Wanted wanted) {
        return new Repeat(
                id,
                name,
                bodies,
                held(state, bodies, wanted),
                wanted.following().map(f -> host(state, bodies, f)));
    }

    /** As it is meant by how what is repeated is held. */
    private static Rule held(SiteState state, List<Body> bodies, Wanted wanted) {
        var rule = wanted.rule().toRule();
        var first = bodies.get(0).members().stream().findFirst();
        return wanted.following()
                .flatMap(f -> state.decisions()
                        .massing()
                        .room(f.room())
                        .flatMap(room -> first.map(member -> Clinging.raised(
                                rule, bodies.get(0), state.decisions().traits().held(member.kind()), room, f.hold()))))
                .orElse(rule);
    }

    private static Repeat.Host host(SiteState state, List<Body> bodies, Following f) {
        var massing = state.decisions().massing();
        if (f.hold() == Repeat.Hold.STAIR) {
            var stair = massing.stairs().stream()
                    .filter(s -> s.id() == f.room())
                    .findFirst()
                    .orElseThrow(() -> new NotFound("The site has no stairs " + f.room() + "."));
            return new Repeat.Host(
                    stair.id(),
                    f.hold(),
                    0,
                    stair.foot(),
                    Optional.ofNullable(f.off()).orElse(Length.ZERO));
        }
        var room = massing.room(f.room()).orElseThrow(() -> new NotFound("The site has no room " + f.room() + "."));
        if (f.hold() == Repeat.Hold.WALL && room.outline().edge(f.edge()).isEmpty()) {
            throw new Refused("edge", "“" + room.name() + "” has no edge " + f.edge() + ".");
        }
        var off = Optional.ofNullable(f.off())
                .orElseGet(() -> new Length(Math.max(
                        0,
                        Repeat.box(bodies.get(0), state.decisions().assemblies())
                                .max()
                                .y())));
        return new Repeat.Host(room.id(), f.hold(), f.edge(), Repeat.anchor(room), off);
    }

    /**
     * Only what is told changes.
     *
     * @param following null: as it was; empty: nothing
     */
    public record Change(
            @Nullable String name,
            @Nullable RuleWords rule,
            @Nullable Optional<Following> following,
            @Nullable List<Long> pieces,
            @Nullable UnaryOperator<Field.Grid> grid) {

        public static Change named(String name) {
            return new Change(name, null, null, null, null);
        }
    }

    public Repeat change(long siteId, long id, Seen seen, Change change) {
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().repeats(siteId), id, "repeat");
            var was = row.toRepeat(edit.kit());
            var massing = edit.before().decisions().massing();
            // As it stands now, so that what is told is told of that.
            var stands = was.rule(massing);
            var rule = change.rule() == null
                    ? stands
                    : change.rule().over(RuleWords.of(stands)).toRule();
            var bodies = change.pieces() == null
                    ? was.bodies()
                    : bodies(
                            edit.before(),
                            new Wanted(change.pieces(), List.of(), RuleWords.of(rule), Optional.empty()));
            var laid = change.grid() == null
                    ? rule
                    : gridded(
                            rule,
                            Repeat.box(bodies.get(0), edit.before().decisions().assemblies()),
                            change.grid(),
                            was.host());
            var host = change.following() != null
                    ? change.following().map(f -> host(edit.before(), bodies, f))
                    : was.host()
                            .map(h -> new Repeat.Host(
                                    h.room(),
                                    h.hold(),
                                    h.edge(),
                                    massing.room(h.room()).map(Repeat::anchor).orElse(h.anchor()),
                                    h.off()));
            var name = change.name() == null ? was.name() : SiteService.checkedName(change.name());
            var changed = new Repeat(id, name, bodies, laid, host);
            edit.name("Change “" + name + "”");
            edit.change(row, r -> r.set(changed, edit.kit()));
            return changed;
        });
    }

    /** A field of so many columns and rows. */
    private static Rule gridded(Rule rule, Box body, UnaryOperator<Field.Grid> grid, Optional<Repeat.Host> host) {
        if (!(rule instanceof Field field)) {
            throw new Refused("across", "Columns and rows are a field's.");
        }
        if (host.filter(h -> h.hold() == Repeat.Hold.GROUND).isPresent()) {
            throw new Refused("across", "This field fills all of its room. Let it follow nothing first.");
        }
        return field.with(grid.apply(field.grid(body).orElse(new Field.Grid(1, 1))), body);
    }

    /** Takes a repeat away, with all that stands by it and what hands changed about that. */
    public void remove(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            edit.name("Take away “" + take(edit, id).name() + "”");
            return null;
        });
    }

    private Repeat take(Edit edit, long id) {
        var row = Stores.find(stores.sets().repeats(edit.site().getId()), id, "repeat");
        var repeat = row.toRepeat(edit.kit());
        edit.letGo(new Source.Repeats(id));
        edit.remove(row);
        return repeat;
    }

    /** Makes single placements of what stands by a repeat, as it stands. */
    public List<Place> dissolve(long siteId, long id, Seen seen) {
        return journal.edit(siteId, seen, edit -> {
            var all = edit.before().set().of(new Source.Repeats(id));
            edit.name("Dissolve “" + take(edit, id).name() + "”");
            var places = edit.setDown(all);
            edit.twinsFollow(Twin.Originals.ofRepeat(id), Twin.Originals.of(places));
            return places;
        });
    }
}
