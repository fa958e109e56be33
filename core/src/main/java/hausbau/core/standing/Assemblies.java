package hausbau.core.standing;

import hausbau.core.arrange.Arrangement;
import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;

/** The assemblies of a site and where they are used. It never changes. */
public final class Assemblies {

    public static final Assemblies NONE = new Assemblies(List.of(), List.of());

    /** A place holds five part numbers of ten bits. */
    public static final int DEEPEST = 5;

    private static final int BITS = 10;
    /** A copy's number within its repeat takes as much of a place as two assemblies. */
    private static final int LEVELS_OF_REPEAT = 2;

    private final Map<Long, Assembly> all = new TreeMap<>();
    private final List<Use> uses;
    private final Map<Long, Whole> wholes = new ConcurrentHashMap<>();

    /** @throws Refused if an assembly holds itself, is nested too deep, or holds one that there is not */
    public Assemblies(Collection<Assembly> all, List<Use> uses) {
        all.forEach(a -> this.all.put(a.id(), a));
        this.uses = List.copyOf(uses);
        all.forEach(a -> depth(a.id(), List.of()));
    }

    private int depth(long id, List<Long> within) {
        var assembly = find(id).orElseThrow(() -> new Refused("assemblyId", "The site has no assembly " + id + "."));
        if (within.contains(id)) {
            throw new Refused("placementIds", "“" + assembly.name() + "” would hold itself.");
        }
        var path = new ArrayList<>(within);
        path.add(id);
        var inner = assembly.parts().stream()
                .mapToInt(p -> {
                    var nested = inner(p.content())
                            .mapToInt(a -> depth(a, path))
                            .max()
                            .orElse(0);
                    return p.content() instanceof Assembly.OfRepeat ? LEVELS_OF_REPEAT : nested;
                })
                .max()
                .orElse(0);
        if (inner + 1 > DEEPEST) {
            throw new Refused("placementIds", "Assemblies are nested at most " + DEEPEST + " deep.");
        }
        return inner + 1;
    }

    /** The assemblies that a part consists of. */
    private static LongStream inner(Assembly.Content content) {
        return content instanceof Assembly.OfAssembly of
                ? LongStream.of(of.assembly())
                : content instanceof Assembly.OfRepeat of
                        ? of.bodies().stream().mapToLong(Body::assembly).filter(a -> a != 0)
                        : LongStream.empty();
    }

    public Collection<Assembly> all() {
        return all.values();
    }

    public List<Use> uses() {
        return uses;
    }

    public Optional<Assembly> find(long id) {
        return Optional.ofNullable(all.get(id));
    }

    public Optional<Use> use(long id) {
        return uses.stream().filter(u -> u.id() == id).findFirst();
    }

    /** Whether one assembly is the other or holds it. */
    public boolean holds(long outer, long inner) {
        return outer == inner
                || find(outer).stream().flatMap(a -> a.parts().stream()).anyMatch(p -> inner(p.content())
                        .anyMatch(a -> holds(a, inner)));
    }

    /**
     * A piece of an assembly, through all depths.
     *
     * @param path   the numbers of the parts that lead to it, ten bits each, the outermost highest
     * @param stance about the assembly's pivot
     */
    record Piece(long path, Body.Member member) {}

    /** All pieces of an assembly, and what they take about its pivot. */
    record Whole(List<Piece> pieces, Box box) {}

    /** Made when first asked for. */
    Whole whole(long id) {
        var known = wholes.get(id);
        if (known != null) {
            return known;
        }
        var pieces = new ArrayList<Piece>();
        for (var part : Objects.requireNonNull(all.get(id)).parts()) {
            if (part.content() instanceof Assembly.OfPiece piece) {
                pieces.add(new Piece(part.number(), new Body.Member(piece.kind(), part.stance())));
            } else if (part.content() instanceof Assembly.OfAssembly inner) {
                var within = whole(inner.assembly());
                for (var p : within.pieces()) {
                    pieces.add(new Piece(
                            outer(part.number(), p.path()),
                            new Body.Member(p.member().kind(), placed(p.member(), within.box(), part.stance()))));
                }
            } else if (part.content() instanceof Assembly.OfRepeat repeat) {
                var members = members(repeat);
                var box = box(members);
                for (var i = 0; i < members.size(); i++) {
                    pieces.add(new Piece(
                            outer(part.number(), i + 1),
                            new Body.Member(members.get(i).kind(), placed(members.get(i), box, part.stance()))));
                }
            }
        }
        var whole = new Whole(
                List.copyOf(pieces),
                pieces.stream()
                        .map(p -> p.member().stance().box(p.member().kind()))
                        .reduce(Box::union)
                        .orElse(new Box(Vec.ZERO, Vec.ZERO)));
        wholes.put(id, whole);
        return whole;
    }

    /** What a repeat sets down, in the order of its copies; where its rule was told. */
    private List<Body.Member> members(Assembly.OfRepeat repeat) {
        var made = new Generator.Repeated(
                        0, repeat.bodies().stream().map(b -> b.resolved(this)).toList(), repeat.rule(), List.of())
                .run();
        var members = made.chunks().stream()
                .flatMap(c -> IntStream.range(0, c.size()).mapToObj(c::standing))
                .map(s -> new Body.Member(s.kind(), s.stance()))
                .toList();
        if (members.size() >= 1 << LEVELS_OF_REPEAT * BITS) {
            throw new Refused(
                    "placementIds",
                    "A repeat in an assembly sets down fewer than " + (1 << LEVELS_OF_REPEAT * BITS) + " pieces.");
        }
        return members;
    }

    private static Box box(List<Body.Member> members) {
        return members.stream()
                .map(m -> m.stance().box(m.kind()))
                .reduce(Box::union)
                .orElse(new Box(Vec.ZERO, Vec.ZERO));
    }

    private static long outer(int number, long path) {
        var shift = 0;
        while (path >> shift != 0) {
            shift += BITS;
        }
        return (long) number << shift | path;
    }

    static Stance placed(Body.Member member, Box whole, Stance at) {
        return Body.stance(member.stance(), member.kind().box(), whole, at);
    }

    /** Where a part of an assembly stands where that is used. */
    public Stance placed(Use use, Assembly.Part part) {
        var own = part.content() instanceof Assembly.OfPiece piece
                ? piece.kind().box()
                : part.content() instanceof Assembly.OfRepeat repeat
                        ? box(members(repeat))
                        : box(((Assembly.OfAssembly) part.content()).assembly());
        return Body.stance(part.stance(), own, box(use.assembly()), use.stance());
    }

    /** The uses all of whose standing pieces are among some places: what is done with these is done with the use. */
    public static Set<Long> whole(StandingSet set, Collection<Place> places) {
        var named = new HashMap<Long, Integer>();
        places.stream().distinct().forEach(p -> {
            if (p instanceof Place.InUse in) {
                named.merge(in.use(), 1, Integer::sum);
            }
        });
        return named.entrySet().stream()
                .filter(e -> set.of(new Source.Uses(e.getKey())).size() == e.getValue())
                .map(Map.Entry::getKey)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** The paths of the copies of a part that is a repeat. */
    public List<Long> paths(Assembly.Part part) {
        return IntStream.rangeClosed(
                        1, members((Assembly.OfRepeat) part.content()).size())
                .mapToObj(i -> outer(part.number(), i))
                .toList();
    }

    /** The paths of an assembly's pieces. */
    public List<Long> paths(long id) {
        return whole(id).pieces().stream().map(Piece::path).toList();
    }

    /** What an assembly takes about its pivot. */
    public Box box(long id) {
        return whole(id).box();
    }

    /** What each of its pieces takes about its pivot. */
    public List<Box> boxes(long id) {
        return whole(id).pieces().stream()
                .map(p -> p.member().stance().box(p.member().kind()))
                .toList();
    }

    /** How many pieces one use of it is. */
    public long size(long id) {
        return counts(id).values().stream().mapToLong(Long::longValue).sum();
    }

    /** How often each kind stands in one use of it, through all depths: by what each assembly holds itself, so that it costs the same however often it is used. */
    public Map<Kind, Long> counts(long id) {
        return counts(id, new HashMap<>());
    }

    private Map<Kind, Long> counts(long id, Map<Long, Map<Kind, Long>> known) {
        var standing = known.get(id);
        if (standing != null) {
            return standing;
        }
        var counts = new HashMap<Kind, Long>();
        for (var part : Objects.requireNonNull(all.get(id)).parts()) {
            if (part.content() instanceof Assembly.OfPiece piece) {
                counts.merge(piece.kind(), 1L, Long::sum);
            } else if (part.content() instanceof Assembly.OfAssembly inner) {
                counts(inner.assembly(), known).forEach((kind, n) -> counts.merge(kind, n, Long::sum));
            } else if (part.content() instanceof Assembly.OfRepeat repeat) {
                members(repeat).forEach(m -> counts.merge(m.kind(), 1L, Long::sum));
            }
        }
        known.put(id, counts);
        return counts;
    }

    /**
     * A stance as seen from another one.
     *
     * @throws Refused if that is mirrored or askew
     */
    public static Stance within(Stance outer, Stance stance) {
        if (outer.mirrored() || !outer.isExact()) {
            throw new Refused("useId", "A use that is mirrored or turned freely cannot be opened. Open another one.");
        }
        return new Arrangement(Vec.ZERO, -outer.turn().quarters(), 0, false)
                .about(stance.movedBy(Vec.ZERO.minus(outer.at())), Vec.ZERO);
    }

    /** Where the pivot of some standing things would lie: in the middle of what they take, on its base, on the step. */
    public static Stance pivot(Box extent, Length step) {
        var x = new Length((extent.min().x() + extent.max().x()) / 2)
                .roundTo(step)
                .um();
        var y = new Length((extent.min().y() + extent.max().y()) / 2)
                .roundTo(step)
                .um();
        return Stance.at(new Vec(x, y, extent.min().z()), Turn.NONE);
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Assemblies other && all.equals(other.all) && uses.equals(other.uses);
    }

    @Override
    public int hashCode() {
        return Objects.hash(all, uses);
    }
}
