package hausbau.server.work.set;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.standing.Assemblies;
import hausbau.core.standing.Assembly;
import hausbau.core.standing.Looking;
import hausbau.core.standing.Repeat;
import hausbau.core.standing.Twin;
import hausbau.core.standing.Use;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Stores;
import hausbau.server.store.set.AssemblyRow;
import hausbau.server.store.set.RepeatRow;
import hausbau.server.store.set.UseRow;
import hausbau.server.work.site.SiteService;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Assemblies: saved from what hands set down, used, opened, changed for all uses. */
@Service
public class AssemblyService {

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;

    AssemblyService(Stores stores, Journal journal, Sets sets) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
    }

    public SiteState state(long siteId) {
        return sets.current(siteId);
    }

    /** What of a selection goes into an assembly: what hands set down, and the uses and repeats of which something is named. */
    private record Chosen(List<Standing> hands, List<UseRow> uses, List<RepeatRow> repeats, Box extent) {

        Twin.Originals originals() {
            return new Twin.Originals(
                    Twin.Originals.of(hands.stream().map(Standing::place).toList())
                            .hands(),
                    uses.stream().map(UseRow::getId).collect(Collectors.toSet()),
                    repeats.stream().map(RepeatRow::getId).collect(Collectors.toSet()));
        }
    }

    private Chosen chosen(Edit edit, List<Place> places) {
        var state = edit.before();
        var hands = places.stream()
                .distinct()
                .map(p -> PlacementService.standing(state, p))
                .filter(Standing::isByHand)
                .toList();
        var ids = new TreeSet<Long>();
        places.forEach(p -> {
            if (p instanceof Place.InUse in) {
                ids.add(in.use());
            }
        });
        var uses = edit.useRows(ids);
        var boxes = new ArrayList<>(hands.stream().map(Standing::box).toList());
        uses.forEach(u -> state.set().of(new Source.Uses(u.getId())).forEach(s -> boxes.add(s.box())));
        var repeats = repeats(edit, places);
        repeats.forEach(r -> state.set().of(new Source.Repeats(r.getId())).forEach(s -> boxes.add(s.box())));
        if (boxes.isEmpty()) {
            throw new Refused(
                    "placementIds",
                    "Select what hands have set down: an assembly is made of that, of repeats, and of other assemblies.");
        }
        return new Chosen(
                hands, uses, repeats, boxes.stream().reduce(Box::union).orElseThrow());
    }

    private List<RepeatRow> repeats(Edit edit, List<Place> places) {
        var named = places.stream()
                .filter(Place.InRepeat.class::isInstance)
                .map(p -> ((Place.InRepeat) p).repeat())
                .collect(Collectors.toSet());
        var rows = named.isEmpty()
                ? List.<RepeatRow>of()
                : stores.sets().repeats(edit.site().getId()).stream()
                        .filter(r -> named.contains(r.getId()))
                        .toList();
        for (var row : rows) {
            var repeat = row.toRepeat(edit.kit());
            if (Looking.looks(repeat.rule())) {
                throw new Refused(
                        "placementIds",
                        "“" + repeat.name()
                                + "” hangs on what stands around it, which is another wherever an assembly is used. Dissolve it first.");
            }
        }
        return rows;
    }

    /** Saves what is named as an assembly; in its place stands the first use of it. */
    public Use save(long siteId, Seen seen, List<Place> places) {
        return journal.edit(siteId, seen, edit -> {
            var chosen = chosen(edit, places);
            var pivot =
                    Assemblies.pivot(chosen.extent(), edit.before().settings().step());
            var all = edit.before().decisions().assemblies();
            var n = 1;
            while (isTaken(all, "Assembly " + n)) {
                n++;
            }
            var made = new Assembly(stores.nextId(), "Assembly " + n, parts(edit, chosen, pivot, List.of()));
            edit.name("Save “" + made.name() + "”");
            edit.add(new AssemblyRow(siteId, made, edit.kit()));
            return standIn(edit, chosen, made.id(), pivot);
        });
    }

    private static boolean isTaken(Assemblies all, String name) {
        return all.all().stream().anyMatch(a -> a.name().equals(name));
    }

    /** A use takes the place of what went into its assembly. */
    private Use standIn(Edit edit, Chosen chosen, long assembly, Stance pivot) {
        chosen.hands()
                .forEach(h -> edit.take(edit.before()
                        .decisions()
                        .hands()
                        .find(((Place.ByHand) h.place()).id())
                        .orElseThrow()));
        chosen.uses().forEach(u -> PlacementService.remove(edit, u));
        chosen.repeats().forEach(r -> {
            edit.letGo(new Source.Repeats(r.getId()));
            edit.remove(r);
        });
        var use = new Use(stores.nextId(), assembly, pivot);
        edit.add(new UseRow(edit.site().getId(), use));
        edit.twinsFollow(chosen.originals(), Twin.Originals.ofUse(use.id()));
        return use;
    }

    /** Numbered so that a part which there was keeps its number. */
    private static List<Assembly.Part> parts(Edit edit, Chosen chosen, Stance pivot, List<Assembly.Part> before) {
        var parts = new ArrayList<Assembly.Part>();
        chosen.hands()
                .forEach(h -> parts.add(
                        new Assembly.Part(0, new Assembly.OfPiece(h.kind()), Assemblies.within(pivot, h.stance()))));
        chosen.uses()
                .forEach(u -> parts.add(new Assembly.Part(
                        0,
                        new Assembly.OfAssembly(u.toUse().assembly()),
                        Assemblies.within(pivot, u.toUse().stance()))));
        for (var row : chosen.repeats()) {
            var repeat = row.toRepeat(edit.kit());
            var rule = repeat.rule(edit.before().decisions().massing());
            parts.add(new Assembly.Part(
                    0,
                    new Assembly.OfRepeat(repeat.name(), repeat.bodies(), rule),
                    Assemblies.within(pivot, Stance.at(Vec.ZERO, Turn.NONE))));
        }
        var free = new ArrayList<>(before);
        var taken = new HashSet<Integer>();
        var numbered = new ArrayList<Assembly.Part>();
        for (var part : parts) {
            var same = free.stream()
                    .filter(b -> b.content().equals(part.content()))
                    .min((a, b) -> Boolean.compare(
                            !a.stance().equals(part.stance()), !b.stance().equals(part.stance())));
            same.ifPresent(free::remove);
            same.ifPresent(b -> taken.add(b.number()));
            numbered.add(new Assembly.Part(same.map(Assembly.Part::number).orElse(0), part.content(), part.stance()));
        }
        var next = 1;
        for (var i = 0; i < numbered.size(); i++) {
            var part = numbered.get(i);
            if (part.number() == 0) {
                while (taken.contains(next)) {
                    next++;
                }
                taken.add(next);
                numbered.set(i, new Assembly.Part(next, part.content(), part.stance()));
            }
        }
        return numbered;
    }

    /** What was opened: what stands in place of a use, and where its pivot was. */
    public record Opened(long assembly, Stance pivot, List<Place> places) {}

    /** Takes a use apart, one level deep, so that hands can change it. */
    public Opened open(long siteId, long useId, Seen seen) {
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().useRows(siteId), useId, "use of an assembly");
            var use = row.toUse();
            var all = edit.before().decisions().assemblies();
            var assembly = all.find(use.assembly()).orElseThrow();
            Assemblies.within(use.stance(), use.stance());
            if (use.stance().turn().quarters() != 0
                    && assembly.parts().stream().anyMatch(p -> p.content() instanceof Assembly.OfRepeat)) {
                throw new Refused(
                        "useId",
                        "A use that is turned cannot be opened while a repeat is in it. Open one that is not.");
            }
            edit.name("Open “" + assembly.name() + "”");
            return new Opened(assembly.id(), use.stance(), apart(edit, row, use, assembly));
        });
    }

    /** Makes what a use consists of stand by itself, as it stands. */
    public List<Place> dissolve(long siteId, long useId, Seen seen) {
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().useRows(siteId), useId, "use of an assembly");
            var assembly = edit.before()
                    .decisions()
                    .assemblies()
                    .find(row.toUse().assembly())
                    .orElseThrow();
            edit.name("Dissolve a use of “" + assembly.name() + "”");
            return apart(edit, row, row.toUse(), assembly);
        });
    }

    private List<Place> apart(Edit edit, UseRow row, Use use, Assembly assembly) {
        var all = edit.before().decisions().assemblies();
        var places = new ArrayList<Place>();
        for (var part : assembly.parts()) {
            var stance = all.placed(use, part);
            if (part.content() instanceof Assembly.OfPiece) {
                var stands = edit.before().set().find(new Place.InUse(use.id(), part.number()));
                // As a hand left it, where one changed it; what a hand took away stays away.
                stands.ifPresent(s -> {
                    var placement =
                            new HandPlacement(stores.nextId(), s.kind(), s.departed() ? s.stance() : stance, false);
                    edit.put(placement);
                    places.add(placement.place());
                });
            } else if (part.content() instanceof Assembly.OfRepeat repeat) {
                places.addAll(apart(edit, use, part, repeat, stance));
            } else if (part.content() instanceof Assembly.OfAssembly inner) {
                var within = new Use(stores.nextId(), inner.assembly(), stance);
                edit.add(new UseRow(edit.site().getId(), within));
                all.paths(inner.assembly()).forEach(path -> places.add(new Place.InUse(within.id(), path)));
            }
        }
        PlacementService.remove(edit, row);
        edit.twinsFollow(Twin.Originals.ofUse(use.id()), Twin.Originals.of(places));
        return places;
    }

    /** A repeat that stands as it was told lives on; one that is turned or mirrored becomes single placements. */
    private List<Place> apart(Edit edit, Use use, Assembly.Part part, Assembly.OfRepeat repeat, Stance stance) {
        var all = edit.before().decisions().assemblies();
        if (stance.turn().equals(Turn.NONE) && stance.isExact() && !stance.mirrored()) {
            var made = new Repeat(
                    stores.nextId(),
                    repeat.name(),
                    repeat.bodies(),
                    repeat.rule().movedBy(stance.at()),
                    Optional.empty());
            edit.add(new RepeatRow(edit.site().getId(), made, edit.kit()));
            return made.standing(edit.before().set()).stream()
                    .map(Standing::place)
                    .toList();
        }
        return edit.setDown(all.paths(part).stream()
                .flatMap(path -> edit.before().set().find(new Place.InUse(use.id(), path)).stream())
                .toList());
    }

    /** Makes an assembly of what is named from now on: all its uses follow, and one stands in for what went in. */
    public Use saveOver(long siteId, long assemblyId, Seen seen, List<Place> places, Optional<Stance> about) {
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().assemblyRows(siteId), assemblyId, "assembly");
            var was = row.toAssembly(edit.kit());
            var chosen = chosen(edit, places);
            var all = edit.before().decisions().assemblies();
            chosen.uses().stream()
                    .map(u -> u.toUse().assembly())
                    .filter(inner -> all.holds(inner, assemblyId))
                    .findFirst()
                    .ifPresent(inner -> {
                        throw new Refused("placementIds", "“" + was.name() + "” would hold itself.");
                    });
            var pivot = about.orElseGet(() ->
                    Assemblies.pivot(chosen.extent(), edit.before().settings().step()));
            edit.name("Change “" + was.name() + "”");
            edit.change(
                    row,
                    r -> r.set(
                            new Assembly(was.id(), was.name(), parts(edit, chosen, pivot, was.parts())), edit.kit()));
            return standIn(edit, chosen, assemblyId, pivot);
        });
    }

    /** @param snap whether the pivot goes to the nearest step */
    public Use use(long siteId, long assemblyId, Seen seen, Stance wanted, boolean snap) {
        return journal.edit(siteId, seen, edit -> {
            var assembly = assembly(edit.before(), assemblyId);
            var step = edit.before().settings().step();
            var at = wanted.at();
            var stance = snap
                    ? wanted.movedTo(new Vec(
                            new Length(at.x()).roundTo(step).um(),
                            new Length(at.y()).roundTo(step).um(),
                            at.z()))
                    : wanted;
            var use = new Use(stores.nextId(), assemblyId, stance.withinReach());
            edit.name("Set down “" + assembly.name() + "”");
            edit.add(new UseRow(siteId, use));
            return use;
        });
    }

    private static Assembly assembly(SiteState state, long id) {
        return state.decisions()
                .assemblies()
                .find(id)
                .orElseThrow(() -> new NotFound("The site has no assembly " + id + "."));
    }

    public Use changeUse(long siteId, long useId, Seen seen, UnaryOperator<Stance> change) {
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().useRows(siteId), useId, "use of an assembly");
            var was = row.toUse();
            var is =
                    new Use(was.id(), was.assembly(), change.apply(was.stance()).withinReach());
            edit.name("Set a use of “" + assembly(edit.before(), was.assembly()).name() + "”");
            edit.change(row, r -> r.set(is));
            return is;
        });
    }

    /** Gives one use an assembly of its own, so that it no longer follows the others. */
    public Use makeOwn(long siteId, long useId, Seen seen) {
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().useRows(siteId), useId, "use of an assembly");
            var was = row.toUse();
            var all = edit.before().decisions().assemblies();
            var from = assembly(edit.before(), was.assembly());
            var n = 2;
            while (isTaken(all, from.name() + " " + n)) {
                n++;
            }
            var own = new Assembly(stores.nextId(), from.name() + " " + n, from.parts());
            edit.name("Make a use of “" + from.name() + "” its own");
            edit.add(new AssemblyRow(siteId, own, edit.kit()));
            var use = new Use(was.id(), own.id(), was.stance());
            edit.change(row, r -> r.set(use));
            return use;
        });
    }

    public void rename(long siteId, long assemblyId, Seen seen, String name) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().assemblyRows(siteId), assemblyId, "assembly");
            var was = row.toAssembly(edit.kit());
            var checked = SiteService.checkedName(name);
            if (!checked.equals(was.name()) && isTaken(edit.before().decisions().assemblies(), checked)) {
                throw new Refused("name", "There is an assembly “" + checked + "” already.");
            }
            edit.name("Rename “" + was.name() + "”");
            edit.change(row, r -> r.set(new Assembly(was.id(), checked, was.parts()), edit.kit()));
            return null;
        });
    }

    /** @throws Refused while it is used */
    public void remove(long siteId, long assemblyId, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.sets().assemblyRows(siteId), assemblyId, "assembly");
            var all = edit.before().decisions().assemblies();
            var was = row.toAssembly(edit.kit());
            var uses =
                    all.uses().stream().filter(u -> u.assembly() == assemblyId).count();
            var holding = all.all().stream()
                    .filter(a -> a.id() != assemblyId && all.holds(a.id(), assemblyId))
                    .map(a -> "“" + a.name() + "”")
                    .toList();
            if (uses > 0 || !holding.isEmpty()) {
                throw new Refused(
                        "assemblyId",
                        "“" + was.name() + "” is used" + (uses > 0 ? " " + uses + (uses == 1 ? " time" : " times") : "")
                                + (holding.isEmpty() ? "" : " in " + String.join(", ", holding))
                                + ". Take these away or dissolve them first.");
            }
            edit.before().decisions().repeats().stream()
                    .filter(r -> r.repeats(assemblyId))
                    .findFirst()
                    .ifPresent(r -> {
                        throw new Refused(
                                "assemblyId",
                                "“" + r.name() + "” repeats “" + was.name()
                                        + "”. Take that away or dissolve it first.");
                    });
            edit.name("Remove “" + was.name() + "”");
            edit.remove(row);
            return null;
        });
    }
}
