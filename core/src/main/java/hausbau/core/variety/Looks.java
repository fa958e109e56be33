package hausbau.core.variety;

import hausbau.core.build.Chunk;
import hausbau.core.build.Place;
import hausbau.core.build.StandingSet;
import hausbau.core.build.Variety;
import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** The look that each piece has whose kind has several. What stands stays what it is: only how it looks is told apart. */
public final class Looks {

    /** Rows of a chunk with the look of each; -1 for a piece that looks like itself. */
    public record Dealt(Chunk chunk, int[] looks) {
    }

    private final List<Variety.Look> all = new ArrayList<>();
    private final Map<Chunk, Dealt> dealt = new HashMap<>();

    private record Spot(Chunk chunk, int row, Box box, Place place) {
    }

    private Looks() {
    }

    public static Looks of(StandingSet set) {
        var looks = new Looks();
        var varied = set.decisions().traits().all().entrySet().stream().filter(e -> e.getValue().variety().looks().size() > 0)
                .sorted(Comparator.comparing(e -> e.getKey().toString())).toList();
        varied.forEach(e -> looks.deal(set, e.getKey(), e.getValue().variety()));
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
        spots.sort(Comparator.comparingLong((Spot s) -> s.box().min().z()).thenComparingLong(s -> s.box().min().y()).thenComparingLong(s -> s.box().min().x())
                .thenComparing(s -> s.place().toString()));
        var size = kind.box().size();
        var neighbours = new Neighbours(spots.stream().map(Spot::box).toList(), Math.min(size.x(), size.y()) / 2);
        // By where it stands and not by its id, so that a site's copy looks alike.
        var keys = spots.stream().mapToLong(s -> Objects.hash(s.box().min().x(), s.box().min().y(), s.box().min().z())).toArray();
        var looks = Dealing.deal(neighbours, keys, variety.looks().stream().mapToInt(Variety.Look::weight).toArray(), variety.seed());
        var first = all.size();
        all.addAll(variety.looks());
        for (var i = 0; i < looks.length; i++) {
            var spot = spots.get(i);
            dealt.computeIfAbsent(spot.chunk(), Looks::plain).looks()[spot.row()] = first + looks[i];
        }
    }

    private static Dealt plain(Chunk chunk) {
        var looks = new int[chunk.size()];
        Arrays.fill(looks, -1);
        return new Dealt(chunk, looks);
    }

    /** The looks that are given out; numbers in {@link Dealt} count from its first. */
    public List<Variety.Look> all() {
        return all;
    }

    public List<Dealt> dealt() {
        return dealt.values().stream().sorted(Comparator.comparing(d -> d.chunk().name())).toList();
    }

    /** Null where the piece looks like itself. */
    public Variety.@Nullable Look look(Chunk chunk, int row) {
        var in = dealt.get(chunk);
        return in == null || in.looks()[row] < 0 ? null : all.get(in.looks()[row]);
    }

    /** How many of each kind are seen, where so many stand. */
    public Map<Kind, Long> counts(Map<Kind, Long> standing) {
        if (dealt.isEmpty()) {
            return standing;
        }
        var seen = new HashMap<>(standing);
        for (var in : dealt.values()) {
            for (var row = 0; row < in.looks().length; row++) {
                if (in.looks()[row] >= 0) {
                    seen.merge(in.chunk().kind(row), -1L, Long::sum);
                    seen.merge(all.get(in.looks()[row]).kind(), 1L, Long::sum);
                }
            }
        }
        seen.values().removeIf(n -> n == 0);
        return seen;
    }
}
