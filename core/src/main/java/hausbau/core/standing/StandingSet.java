package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.massing.Building;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.place.Departure;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Standing;
import hausbau.core.repeat.Rule;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The set as it stands: a pure function of the decisions. It never changes; the next one shares with it whatever the
 * decisions left alike, so that an edit costs what it changes.
 */
public final class StandingSet {

    /** More than this is refused: a site is planned for 100 000 placements. */
    public static final long MOST = 200_000;

    private static final Massing NOTHING = new Massing(SiteSettings.USUAL, Building.NONE);

    private final Decisions decisions;
    private final TreeMap<Source, Generator.Made> made;
    private final Map<Kind, Long> counts;
    private final Changes since;
    /** Tells this set from all others, without keeping it alive. */
    private final Object self = new Object();

    private final @Nullable Object before;
    /** Made when first asked for; whoever makes them makes the same. */
    private volatile @Nullable List<Chunk> chunks;

    private volatile @Nullable ChunkIndex index;

    /**
     * What is otherwise than in the set before.
     *
     * @param removed chunks that are gone
     * @param added   chunks that are new, or stand in the place of removed ones of the same name
     */
    public record Changes(List<Chunk> removed, List<Chunk> added) {

        static final Changes NONE = new Changes(List.of(), List.of());
    }

    private StandingSet(
            Decisions decisions,
            TreeMap<Source, Generator.Made> made,
            Map<Kind, Long> counts,
            Changes since,
            @Nullable Object before,
            @Nullable ChunkIndex index) {
        this.decisions = decisions;
        this.made = made;
        this.counts = counts;
        this.since = since;
        this.before = before;
        this.index = index;
    }

    /** @throws Refused if it would be more than {@link #MOST} placements */
    public static StandingSet of(Decisions decisions) {
        var empty = new Decisions(NOTHING, Optional.empty(), Hands.EMPTY, Map.of());
        return new StandingSet(empty, new TreeMap<>(), Map.of(), Changes.NONE, null, null).next(decisions);
    }

    /**
     * The set that follows from other decisions; only the generators run whose inputs are not what they were.
     *
     * @throws Refused if it would be more than {@link #MOST} placements
     */
    public StandingSet next(Decisions to) {
        var next = new TreeMap<>(made);
        var touched = new TreeSet<Source>();
        var derived = false;
        if (to.massing() != decisions.massing()
                || !to.kit().equals(decisions.kit())
                || to.departures() != decisions.departures()
                || to.repeats() != decisions.repeats()
                || to.assemblies() != decisions.assemblies()
                || to.twins() != decisions.twins()
                || to.hands() != decisions.hands() && !to.twins().isEmpty()) {
            derive(to, next, touched);
            derived = true;
        }
        if (to.hands() != decisions.hands()) {
            take(to.hands(), next, touched);
        }
        Looking.each(to, next, generator -> run(next, touched, generator.source(), generator));
        if (derived || touched.stream().anyMatch(Source.Repeats.class::isInstance)) {
            lose(to, next, touched);
        }
        return follow(to, next, touched);
    }

    /** @param touched is told the sources whose pieces may be others now */
    private static void derive(Decisions to, TreeMap<Source, Generator.Made> next, Set<Source> touched) {
        var wanted = new HashMap<Source, Generator>();
        to.kit().ifPresent(choice -> {
            var massing = to.massing();
            for (var room : massing.rooms()) {
                var settings = massing.settings();
                add(
                        wanted,
                        new Generator.Shell(
                                room,
                                massing.walls(room, choice.step()),
                                choice,
                                to.departures().getOrDefault(new Source.Shell(room.id()), List.of())));
                add(
                        wanted,
                        new Generator.Tiles(
                                room,
                                massing.floor(room),
                                massing.ceiling(room),
                                settings.wall(),
                                settings.tiles(),
                                choice,
                                to.departures().getOrDefault(new Source.Tiles(room.id()), List.of())));
                var guards = massing.guards(room);
                if (!guards.isEmpty()) {
                    add(
                            wanted,
                            new Generator.Guards(
                                    room,
                                    guards,
                                    choice,
                                    to.departures().getOrDefault(new Source.Guards(room.id()), List.of())));
                }
            }
            if (!massing.mouldings().isEmpty()) {
                massing.rooms().forEach(room -> add(wanted, mouldings(room, to, choice)));
            }
            massing.stairs()
                    .forEach(s -> add(
                            wanted,
                            new Generator.Stairs(
                                    s,
                                    massing.guards(s),
                                    to.departures().getOrDefault(new Source.Stairs(s.id()), List.of()))));
            massing.solids()
                    .forEach(s -> add(
                            wanted,
                            new Generator.Solids(
                                    s, to.departures().getOrDefault(new Source.Solids(s.id()), List.of()))));
        });
        to.repeats().forEach(r -> {
            var rule = r.rule(to.massing());
            if (!Looking.looks(rule)) {
                add(wanted, Looking.repeated(to, r, rule));
            }
        });
        to.assemblies()
                .uses()
                .forEach(u -> add(
                        wanted,
                        new Generator.Used(
                                u.id(),
                                to.assemblies().whole(u.assembly()),
                                u.stance(),
                                to.departures().getOrDefault(new Source.Uses(u.id()), List.of()))));
        var looking = to.repeats().stream()
                .filter(r -> Looking.looks(r.rule()))
                .map(r -> (Source) new Source.Repeats(r.id()))
                .collect(Collectors.toSet());
        var twins =
                to.twins().stream().map(t -> (Source) new Source.Twins(t.id())).collect(Collectors.toSet());
        next.keySet()
                .removeIf(source -> !(source instanceof Source.Hands || source instanceof Source.Lost)
                        && !wanted.containsKey(source)
                        && !looking.contains(source)
                        && !twins.contains(source)
                        && touched.add(source));
        wanted.forEach((source, generator) -> run(next, touched, source, generator));
        // What they follow stands by now.
        to.twins()
                .forEach(t -> run(
                        next,
                        touched,
                        new Source.Twins(t.id()),
                        new Generator.Twinned(
                                t.id(),
                                originals(t, to, next),
                                t.plane(to.massing()),
                                to.departures().getOrDefault(new Source.Twins(t.id()), List.of()))));
    }

    private static Generator mouldings(Room room, Decisions to, KitChoice choice) {
        return new Generator.Mouldings(
                room,
                to.massing().mouldings(room),
                choice.step(),
                to.departures().getOrDefault(new Source.Mouldings(room.id()), List.of()));
    }

    private static List<Standing> originals(Twin twin, Decisions to, Map<Source, Generator.Made> standing) {
        var originals = new ArrayList<Standing>();
        twin.hands().forEach(h -> to.hands().find(h).map(Standing::byHand).ifPresent(originals::add));
        var sources = Stream.concat(
                twin.uses().stream().<Source>map(Source.Uses::new),
                twin.repeats().stream().map(Source.Repeats::new));
        sources.map(standing::get)
                .filter(Objects::nonNull)
                .flatMap(m -> m.chunks().stream())
                .forEach(chunk -> {
                    for (var row = 0; row < chunk.size(); row++) {
                        originals.add(chunk.standing(row));
                    }
                });
        return originals;
    }

    private static void lose(Decisions to, TreeMap<Source, Generator.Made> next, Set<Source> touched) {
        var lost = lost(to, next).stream()
                .filter(Departure.Restood.class::isInstance)
                .map(Departure.Restood.class::cast)
                .toList();
        if (lost.isEmpty()) {
            next.remove(new Source.Lost());
            touched.add(new Source.Lost());
        } else {
            run(next, touched, new Source.Lost(), new Generator.Lost(lost));
        }
    }

    private static void add(Map<Source, Generator> wanted, Generator generator) {
        wanted.put(generator.source(), generator);
    }

    /** Goes through both in their common order: asking for each block what it was would cost more than most edits. */
    private static void take(Hands hands, TreeMap<Source, Generator.Made> next, Set<Source> touched) {
        var ran = next.subMap(Source.Hands.FIRST, true, Source.Hands.LAST, true)
                .entrySet()
                .iterator();
        var was = ran.hasNext() ? ran.next() : null;
        var other = new ArrayList<Generator.Hands>();
        var gone = new ArrayList<Source>();
        for (var block : hands.blocks().entrySet()) {
            while (was != null && was.getKey().compareTo(block.getKey()) < 0) {
                gone.add(was.getKey());
                was = ran.hasNext() ? ran.next() : null;
            }
            if (was == null || !was.getKey().equals(block.getKey())) {
                other.add(new Generator.Hands(block.getKey(), block.getValue()));
                continue;
            }
            if (((Generator.Hands) was.getValue().by()).placements() != block.getValue()) {
                other.add(new Generator.Hands(block.getKey(), block.getValue()));
            }
            was = ran.hasNext() ? ran.next() : null;
        }
        for (; was != null; was = ran.hasNext() ? ran.next() : null) {
            gone.add(was.getKey());
        }
        gone.forEach(source -> {
            next.remove(source);
            touched.add(source);
        });
        other.forEach(generator -> run(next, touched, generator.source(), generator));
    }

    /** Runs it unless it has been run; what comes out alike is kept as it was. */
    private static void run(
            TreeMap<Source, Generator.Made> next, Set<Source> touched, Source source, Generator generator) {
        var before = next.get(source);
        if (before != null && before.by().equals(generator)) {
            return;
        }
        var now = generator.run();
        if (before != null) {
            var chunks = new ArrayList<Chunk>();
            for (var i = 0; i < now.chunks().size(); i++) {
                var chunk = now.chunks().get(i);
                var same = i < before.chunks().size()
                        && before.chunks().get(i).digest().equals(chunk.digest());
                chunks.add(same ? before.chunks().get(i) : chunk);
            }
            now = new Generator.Made(generator, chunks, now.unfilled(), now.lost());
        }
        next.put(source, now);
        touched.add(source);
    }

    private StandingSet follow(Decisions to, TreeMap<Source, Generator.Made> next, Set<Source> touched) {
        var removed = new ArrayList<Chunk>();
        var added = new ArrayList<Chunk>();
        for (var source : touched) {
            var was = chunks(made.get(source));
            var is = chunks(next.get(source));
            was.stream().filter(c -> !is.contains(c)).forEach(removed::add);
            is.stream().filter(c -> !was.contains(c)).forEach(added::add);
        }
        var count = new HashMap<>(counts);
        removed.forEach(c -> count(c, count, -1));
        added.forEach(c -> count(c, count, 1));
        count.values().removeIf(n -> n == 0);
        var total = count.values().stream().mapToLong(Long::longValue).sum();
        if (total > MOST && total > size()) {
            throw new Refused(
                    "rooms",
                    "The set would take " + total + " placements; at most " + MOST
                            + " are allowed. Allow longer pieces or make the rooms smaller.");
        }
        return new StandingSet(
                to,
                next,
                Collections.unmodifiableMap(count),
                new Changes(removed, added),
                self,
                nextIndex(removed, added));
    }

    private @Nullable ChunkIndex nextIndex(List<Chunk> removed, List<Chunk> added) {
        var known = index;
        return known == null ? null : known.next(removed, added);
    }

    private static Set<Chunk> chunks(Generator.@Nullable Made made) {
        return made == null ? Set.of() : new LinkedHashSet<>(made.chunks());
    }

    private static void count(Chunk chunk, Map<Kind, Long> counts, long sign) {
        var each = new long[chunk.palette().size()];
        for (var i = 0; i < chunk.size(); i++) {
            each[chunk.rows().kind(i)]++;
        }
        for (var i = 0; i < each.length; i++) {
            counts.merge(chunk.palette().get(i), sign * each[i], Long::sum);
        }
    }

    public Decisions decisions() {
        return decisions;
    }

    /** What is otherwise than in the set that this one was made from. */
    public Changes since() {
        return since;
    }

    /** Whether this set was made from that one, so that {@link #since} tells the two apart. */
    public boolean follows(StandingSet other) {
        return before == other.self;
    }

    public List<Chunk> chunks() {
        var known = chunks;
        if (known == null) {
            known = made.values().stream().flatMap(m -> m.chunks().stream()).toList();
            chunks = known;
        }
        return known;
    }

    /** The rule of a repeat as it is laid in this set: it sees all that stands but its own copies. */
    Rule laid(Repeat repeat) {
        return Looking.among(repeat.rule(decisions.massing()), made, Set.of(new Source.Repeats(repeat.id())));
    }

    /** How often each kind stands; a kind that does not is not in it. */
    public Map<Kind, Long> counts() {
        return counts;
    }

    /** How often each kind is derived from the massing: what has to be modelled for its rooms, stairs and solids. */
    public Map<Kind, Long> derivedCounts() {
        var counts = new HashMap<Kind, Long>();
        for (var chunk : chunks()) {
            for (var row = 0; row < chunk.size(); row++) {
                if (chunk.place(row).origin() == Place.Origin.MASSING) {
                    counts.merge(chunk.kind(row), 1L, Long::sum);
                }
            }
        }
        return counts;
    }

    public long size() {
        return counts.values().stream().mapToLong(Long::longValue).sum();
    }

    /** The kinds that the site has at hand: those that stand, and those that every kit offers once one is chosen. */
    public Set<Kind> kinds() {
        var kinds = new HashSet<>(counts.keySet());
        if (decisions.kit().isPresent()) {
            kinds.addAll(HousePieces.of(decisions.massing()));
        }
        return kinds;
    }

    public Optional<Standing> find(Place place) {
        return Optional.ofNullable(locate(place)).map(l -> l.chunk().standing(l.row()));
    }

    /** Where a place is written. */
    public record Located(Chunk chunk, int row) {}

    /** @return null where nothing stands there */
    private @Nullable Located locate(Place place) {
        var source = place.source();
        var there = locate(made.get(source), place);
        return there != null ? there : locate(made.get(new Source.Lost()), place);
    }

    private static @Nullable Located locate(Generator.@Nullable Made in, Place place) {
        if (in != null) {
            for (var chunk : in.chunks()) {
                var row = chunk.find(place);
                if (row >= 0) {
                    return new Located(chunk, row);
                }
            }
        }
        return null;
    }

    /** Tells what touches a box. */
    public interface Touching {
        void at(Chunk chunk, int row);
    }

    /** Tells all that touches the box. */
    public void touching(Box box, Touching found) {
        var known = index;
        if (known == null) {
            known = ChunkIndex.of(chunks());
            index = known;
        }
        known.touching(box, chunk -> chunk.touching(box, row -> found.at(chunk, row)));
    }

    /** All that touches the box, in no order. */
    public List<Standing> near(Box box) {
        var near = new ArrayList<Standing>();
        touching(box, (chunk, row) -> near.add(chunk.standing(row)));
        return near;
    }

    /** Every standing piece, in the order of the set. */
    public List<Standing> all() {
        var all = new ArrayList<Standing>();
        chunks().forEach(c -> {
            for (var i = 0; i < c.size(); i++) {
                all.add(c.standing(i));
            }
        });
        return all;
    }

    /** What a repeat sets down, in the order of its copies. */
    public List<Standing> of(Source source) {
        var found = new ArrayList<Standing>();
        var by = made.get(source);
        if (by != null) {
            by.chunks().forEach(c -> {
                for (var i = 0; i < c.size(); i++) {
                    found.add(c.standing(i));
                }
            });
        }
        return found;
    }

    /** Spans that the chosen kinds cannot fill. */
    public List<Generator.Unfilled> unfilled() {
        return made.values().stream().flatMap(m -> m.unfilled().stream()).toList();
    }

    /** Departures whose place is gone. */
    public List<Departure> lost() {
        return lost(decisions, made);
    }

    private static List<Departure> lost(Decisions to, Map<Source, Generator.Made> made) {
        var lost = new ArrayList<Departure>();
        to.departures().forEach((source, all) -> {
            var by = made.get(source);
            lost.addAll(by == null ? all : by.lost());
        });
        lost.sort(Comparator.comparing(d -> d.place().toString()));
        return lost;
    }

    /** Each chunk's digest by its name: what tells two sets apart. */
    public Map<String, String> digests() {
        var digests = new LinkedHashMap<String, String>();
        chunks().forEach(c -> digests.put(c.name(), c.digest().toString()));
        return digests;
    }

    /** What stands otherwise against another set, in numbers. */
    public record Difference(long placed, long removed, long lost) {

        public static Difference between(StandingSet before, StandingSet after) {
            var was = places(after.since.removed());
            var is = places(after.since.added());
            var placed = is.entrySet().stream()
                    .filter(e -> !Objects.equals(was.get(e.getKey()), e.getValue()))
                    .count();
            var removed = was.keySet().stream().filter(p -> !is.containsKey(p)).count();
            return new Difference(
                    placed,
                    removed,
                    Math.max(0, after.lost().size() - before.lost().size()));
        }

        private static Map<Place, Standing> places(List<Chunk> chunks) {
            var places = new HashMap<Place, Standing>();
            chunks.forEach(c -> {
                for (var i = 0; i < c.size(); i++) {
                    places.put(c.place(i), c.standing(i));
                }
            });
            return places;
        }
    }
}
