package hausbau.core.variety;

import hausbau.core.dress.Dress;
import hausbau.core.dress.Traits;
import hausbau.core.dress.Variety;
import hausbau.core.kit.Held;
import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import hausbau.core.place.Place;
import hausbau.core.standing.Chunk;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * The look of each piece that does not look like itself: given out among the looks that its kind has, dressed by hand, or
 * dressed as its room is. What stands stays what it is: only how it looks is told apart.
 */
public final class Looks {

    /**
     * How a piece looks where it stands.
     *
     * @param kind      the piece that is seen
     * @param tint      what its finishes are multiplied by; empty for none
     * @param wear      percent: 0 is new
     * @param onFloor   whether its foot wears as well: not of what hangs, of floors and ceilings, or over an opening
     * @param colourway that it is finished in; 0 for the site's
     */
    public record Guise(Kind kind, String tint, int wear, boolean onFloor, long colourway) {

        static Guise itself(Kind kind) {
            return new Guise(kind, "", 0, false, 0);
        }

        private boolean isItself(Kind standing) {
            return equals(itself(standing));
        }

        private Guise dressed(Dress in, boolean standsLow) {
            var worn = in.wear() == Dress.UNTOLD ? wear : in.wear();
            return new Guise(
                    kind,
                    in.tint().isEmpty() ? tint : in.tint(),
                    worn,
                    worn > 0 && standsLow,
                    in.colourway() == 0 ? colourway : in.colourway());
        }
    }

    /** Rows of a chunk with the look of each; -1 for a piece that looks like itself. */
    public record Dealt(Chunk chunk, int[] looks) {}

    private final Traits traits;
    private final List<Guise> all = new ArrayList<>();
    private final Map<Guise, Integer> numbers = new HashMap<>();
    private final Map<Chunk, Dealt> dealt = new HashMap<>();

    private record Spot(Chunk chunk, int row, Box box, Place place) {}

    private Looks(Traits traits) {
        this.traits = traits;
    }

    public static Looks of(StandingSet set) {
        var looks = new Looks(set.decisions().traits());
        var varied = looks.traits.all().entrySet().stream()
                .filter(e -> e.getValue().variety().looks().size() > 0)
                .sorted(Comparator.comparing(e -> e.getKey().toString()))
                .toList();
        varied.forEach(e -> looks.deal(set, e.getKey(), e.getValue().variety()));
        if (!set.decisions().dresses().isEmpty()) {
            looks.dress(set);
        }
        return looks;
    }

    private void deal(StandingSet set, Kind kind, Variety variety) {
        var spots = new ArrayList<Spot>();
        for (var chunk : set.chunks()) {
            var known = chunk.palette().indexOf(kind);
            for (var row = 0; known >= 0 && row < chunk.size(); row++) {
                if (chunk.rows().kind(row) == known) {
                    spots.add(new Spot(chunk, row, chunk.box(row), chunk.place(row)));
                }
            }
        }
        spots.sort(Comparator.comparingLong((Spot s) -> s.box().min().z())
                .thenComparingLong(s -> s.box().min().y())
                .thenComparingLong(s -> s.box().min().x())
                .thenComparing(s -> s.place().toString()));
        var size = kind.box().size();
        var neighbours = new Neighbours(spots.stream().map(Spot::box).toList(), Math.min(size.x(), size.y()) / 2);
        // By where it stands and not by its id, so that a site's copy looks alike.
        var keys = spots.stream()
                .mapToLong(s -> Objects.hash(
                        s.box().min().x(), s.box().min().y(), s.box().min().z()))
                .toArray();
        var looks = Dealing.deal(
                neighbours,
                keys,
                variety.looks().stream().mapToInt(Variety.Look::weight).toArray(),
                variety.seed());
        for (var i = 0; i < looks.length; i++) {
            var look = variety.looks().get(looks[i]);
            var spot = spots.get(i);
            put(
                    spot.chunk(),
                    spot.row(),
                    new Guise(
                            look.kind(),
                            look.tint(),
                            look.wear(),
                            look.wear() > 0 && standsLow(kind, spot.place()),
                            0));
        }
    }

    /** What a hand tells of a placement goes before what is told of its room, and that before what was given out. */
    private void dress(StandingSet set) {
        var dresses = set.decisions().dresses();
        var massing = set.decisions().massing();
        for (var chunk : set.chunks()) {
            for (var row = 0; row < chunk.size(); row++) {
                var place = chunk.place(row);
                var told = dresses.of(place, chunk.box(row), massing);
                if (!told.equals(Dress.NONE)) {
                    var given = look(chunk, row);
                    put(
                            chunk,
                            row,
                            (given == null ? Guise.itself(chunk.kind(row)) : given)
                                    .dressed(told, standsLow(chunk.kind(row), place)));
                }
            }
        }
    }

    private boolean standsLow(Kind kind, Place place) {
        return traits.held(kind) == Held.STANDS && !(place instanceof Place.Tile) && !place.isOverOpening();
    }

    private void put(Chunk chunk, int row, Guise look) {
        var number = look.isItself(chunk.kind(row))
                ? -1
                : numbers.computeIfAbsent(look, l -> {
                    all.add(l);
                    return all.size() - 1;
                });
        dealt.computeIfAbsent(chunk, Looks::plain).looks()[row] = number;
    }

    private static Dealt plain(Chunk chunk) {
        var looks = new int[chunk.size()];
        Arrays.fill(looks, -1);
        return new Dealt(chunk, looks);
    }

    /** The looks that there are, each once; numbers in {@link Dealt} count from its first. */
    public List<Guise> all() {
        return all;
    }

    public List<Dealt> dealt() {
        return dealt.values().stream()
                .sorted(Comparator.comparing(d -> d.chunk().name()))
                .toList();
    }

    /** Null where the piece looks like itself. */
    public @Nullable Guise look(Chunk chunk, int row) {
        var in = dealt.get(chunk);
        return in == null || in.looks()[row] < 0 ? null : all.get(in.looks()[row]);
    }

    /** A kind as it is drawn. @param colourway 0 for the site's */
    public record Drawn(Kind kind, long colourway) {}

    /** How many of each kind are seen in each colourway, where so many stand. */
    public Map<Drawn, Long> drawn(Map<Kind, Long> standing) {
        var seen = new HashMap<Drawn, Long>();
        standing.forEach((kind, n) -> seen.put(new Drawn(kind, 0), n));
        for (var in : dealt.values()) {
            for (var row = 0; row < in.looks().length; row++) {
                if (in.looks()[row] >= 0) {
                    var look = all.get(in.looks()[row]);
                    seen.merge(new Drawn(in.chunk().kind(row), 0), -1L, Long::sum);
                    seen.merge(new Drawn(look.kind(), look.colourway()), 1L, Long::sum);
                }
            }
        }
        seen.values().removeIf(n -> n == 0);
        return seen;
    }

    /** How many of each kind are seen. */
    public Map<Kind, Long> counts(Map<Kind, Long> standing) {
        if (dealt.isEmpty()) {
            return standing;
        }
        var seen = new HashMap<Kind, Long>();
        drawn(standing).forEach((drawn, n) -> seen.merge(drawn.kind(), n, Long::sum));
        return seen;
    }
}
