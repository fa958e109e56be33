package hausbau.core.fit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/**
 * Fronts of kinds against placements, of classes that share no kind: pieces of one height are of no use in a tier of another.
 * The front of each class is found once by {@link KindSearch}; several together are the least sum over how the kinds are dealt
 * out among them, by dynamic programming over the number of kinds.
 */
public final class KindFronts {

    /** In place of a number of placements where so few kinds cannot fill. */
    public static final long NONE = KindSearch.NONE;

    /** The best sets of kinds of one class. @param best by number of kinds, from 0; each at least as good as the one before */
    public record Front(List<KindSearch.Found> best) {

        /** Piece lengths in steps, falling; at most so many, beside those that are free. */
        public List<Integer> lengths(int kinds) {
            return at(kinds).kinds();
        }

        /** Whether no kinds, or the free ones alone, do not fill it. */
        public boolean isKindNeeded() {
            return placements(0) == NONE;
        }

        long placements(int kinds) {
            return at(kinds).placements();
        }

        private KindSearch.Found at(int kinds) {
            return best.get(Math.min(kinds, best.size() - 1));
        }

        boolean isProven(int kinds) {
            return best.stream().limit(kinds + 1L).allMatch(KindSearch.Found::proven);
        }
    }

    /** What a class asks for. @param spans how often each length is to be filled @param free lengths that are no kinds of it */
    private record Asked(SortedMap<Stretch, Long> spans, SortedSet<Integer> free) {}

    /** @param kinds how many each class gets, in the order in which they were given */
    public record Dealt(long placements, int[] kinds, boolean proven) {}

    private final AllowedLengths allowed;
    private final Map<Asked, List<KindSearch.Found>> known = new HashMap<>();
    /** The fewest pieces for each number of steps, by the lengths that are free beside the allowed ones. */
    private final Map<SortedSet<Integer>, int[]> tables = new HashMap<>();

    public KindFronts(AllowedLengths allowed) {
        this.allowed = allowed;
    }

    /** The front of a class in which no length is free, and nothing is mirrored. @param spans how often each length is to be filled */
    public Front of(SortedMap<Integer, Long> spans, int most, BooleanSupplier stop) {
        return of(spans, Collections.emptySortedSet(), most, stop);
    }

    /** The same beside lengths that are free. */
    public Front of(SortedMap<Integer, Long> spans, SortedSet<Integer> free, int most, BooleanSupplier stop) {
        return ofStretches(stretches(spans), free, most, stop);
    }

    private static SortedMap<Stretch, Long> stretches(SortedMap<Integer, Long> spans) {
        var stretches = new TreeMap<Stretch, Long>();
        spans.forEach((steps, count) -> stretches.put(Stretch.of(steps), count));
        return stretches;
    }

    /**
     * The front of a class, worked out as far as it is asked for.
     *
     * @param spans how often each stretch is to be filled; it is not changed any more
     * @param free  lengths that are there anyway, in steps: they may be used and are no kinds of it
     * @param most  how many kinds are asked for
     * @param stop  asked now and then whether to give up; what is found then is not proven
     */
    public Front ofStretches(SortedMap<Stretch, Long> spans, SortedSet<Integer> free, int most, BooleanSupplier stop) {
        var best = known.computeIfAbsent(new Asked(spans, free), s -> new ArrayList<>());
        if (best.isEmpty()) {
            best.add(search(spans, free, stop).none());
        }
        if (best.size() > most && best.stream().limit(most + 1L).allMatch(KindSearch.Found::proven)) {
            return new Front(List.copyOf(best.subList(0, most + 1)));
        }
        var search = search(spans, free, stop);
        var floor = floorOf(spans, free);
        for (var kinds = 1; kinds <= most; kinds++) {
            if (best.get(kinds - 1).placements() == floor) {
                break;
            }
            var isThere = kinds < best.size();
            if (isThere && (best.get(kinds).proven() || stop.getAsBoolean())) {
                continue;
            }
            var found = search.search(kinds, best.get(kinds - 1));
            if (!isThere) {
                best.add(found);
            } else if (found.proven() || found.placements() < best.get(kinds).placements()) {
                best.set(kinds, found);
            }
        }
        return new Front(List.copyOf(best.subList(0, Math.min(most + 1, best.size()))));
    }

    private KindSearch search(SortedMap<Stretch, Long> spans, SortedSet<Integer> free, BooleanSupplier stop) {
        return new KindSearch(
                List.copyOf(spans.keySet()),
                spans.values().stream().mapToLong(Long::longValue).toArray(),
                free.isEmpty() ? allowed : allowed.without(free),
                free.stream().mapToInt(Integer::intValue).toArray(),
                stop);
    }

    /** No kinds whatever need fewer pieces: every span from the greatest piece, the rest cut to measure. */
    public long floor(SortedMap<Integer, Long> spans) {
        return floorOf(stretches(spans), Collections.emptySortedSet());
    }

    /** The same where these lengths are free. */
    public long floorOf(SortedMap<Stretch, Long> spans, SortedSet<Integer> free) {
        return spans.entrySet().stream()
                .mapToLong(s -> s.getValue() * floor(s.getKey().steps(), free))
                .sum();
    }

    int floor(int span) {
        return (span + allowed.greatest() - 1) / allowed.greatest();
    }

    /** No kinds, with these free lengths beside them, need fewer pieces for one span. */
    public int floor(int span, SortedSet<Integer> free) {
        var longest = Math.max(allowed.greatest(), free.isEmpty() ? 0 : free.last());
        return (span + longest - 1) / longest;
    }

    /** Whether some pieces come to a span. */
    public boolean canFill(int span) {
        return canFill(span, Collections.emptySortedSet());
    }

    /**
     * Whether some pieces, these free ones among them, come to a span. In a range of lengths n of them make every length from
     * n × least to n × greatest; else a table is filled, at a cost of the number of lengths times the longest span, once.
     */
    public boolean canFill(int span, SortedSet<Integer> free) {
        if (allowed.isRange() && !allowed.isEmpty() && floor(span) * (long) allowed.least() <= span) {
            return true;
        }
        if (free.isEmpty() && allowed.isRange()) {
            return false;
        }
        var table = tables.get(free);
        if (table == null || span >= table.length) {
            var longer = Filling.empty(table == null ? span : 2 * span);
            IntStream.concat(allowed.all(), free.stream().mapToInt(Integer::intValue))
                    .forEach(length -> Filling.add(longer, length));
            tables.put(free, longer);
            table = longer;
        }
        return table[span] < Filling.NEVER;
    }

    /** Whether some pieces come to a stretch. A mirrored one is a half twice, and perhaps one piece in the middle. */
    public boolean canFill(Stretch stretch, SortedSet<Integer> free) {
        if (!stretch.mirrored()) {
            return canFill(stretch.steps(), free);
        }
        return IntStream.concat(
                        IntStream.of(0),
                        IntStream.concat(allowed.all(), free.stream().mapToInt(Integer::intValue)))
                .map(middle -> stretch.steps() - middle)
                .anyMatch(rest -> rest == 0 || rest > 0 && rest % 2 == 0 && canFill(rest / 2, free));
    }

    /** The longest stretch of its kind up to this that some pieces come to; 0 if there is none. */
    public int below(Stretch stretch) {
        return IntStream.iterate(stretch.steps(), s -> s > 0, s -> s - 1)
                .filter(s -> canFill(new Stretch(s, stretch.mirrored()), Collections.emptySortedSet()))
                .findFirst()
                .orElse(0);
    }

    /** The longest span up to this that some pieces come to; 0 if there is none. */
    public int below(int span) {
        return below(Stretch.of(span));
    }

    /** The shortest span from this on that some pieces come to; 0 if there is none up to twice this and the greatest piece. */
    public int above(int span) {
        return above(Stretch.of(span));
    }

    /** The shortest stretch of its kind likewise. */
    public int above(Stretch stretch) {
        return IntStream.rangeClosed(Math.max(1, stretch.steps()), 2 * stretch.steps() + allowed.greatest())
                .filter(s -> canFill(new Stretch(s, stretch.mirrored()), Collections.emptySortedSet()))
                .findFirst()
                .orElse(0);
    }

    /** The least sum for so many kinds in all; {@link #NONE} placements if they are too few. */
    public static Dealt deal(List<Front> fronts, int kinds) {
        var best = new long[fronts.size() + 1][kinds + 1];
        var share = new int[fronts.size()][kinds + 1];
        for (var c = 0; c < fronts.size(); c++) {
            for (var all = 0; all <= kinds; all++) {
                best[c + 1][all] = NONE;
                for (var own = 0; own <= all; own++) {
                    var placements = fronts.get(c).placements(own);
                    if (placements != NONE
                            && best[c][all - own] != NONE
                            && best[c][all - own] + placements < best[c + 1][all]) {
                        best[c + 1][all] = best[c][all - own] + placements;
                        share[c][all] = own;
                    }
                }
            }
        }
        var dealt = new int[fronts.size()];
        var left = kinds;
        if (best[fronts.size()][kinds] != NONE) {
            for (var c = fronts.size() - 1; c >= 0; c--) {
                dealt[c] = share[c][left];
                left -= dealt[c];
            }
        }
        // Each class might have had all that the others leave.
        var needed = fronts.stream().filter(Front::isKindNeeded).count();
        var most = (int) Math.max(0, kinds - Math.max(0, needed - 1));
        return new Dealt(best[fronts.size()][kinds], dealt, fronts.stream().allMatch(f -> f.isProven(most)));
    }
}
