package hausbau.core.fit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.function.BooleanSupplier;

/**
 * Fronts of kinds against placements, of classes that share no kind: pieces of one height are of no use in a tier of another.
 * The front of each class is found once by {@link KindSearch}; several together are the least sum over how the kinds are dealt
 * out among them, by dynamic programming over the number of kinds.
 */
public final class KindFronts {

    /** In place of a number of placements where so few kinds cannot fill. */
    public static final long NONE = KindSearch.NONE;

    /** The best sets of kinds of one class. @param best by number of kinds, from 1; each at least as good as the one before */
    public record Front(List<KindSearch.Found> best) {

        /** Piece lengths in steps, falling; at most so many. */
        public List<Integer> lengths(int kinds) {
            return at(kinds).kinds();
        }

        long placements(int kinds) {
            return kinds < 1 ? NONE : at(kinds).placements();
        }

        KindSearch.Found at(int kinds) {
            return best.get(Math.min(kinds, best.size()) - 1);
        }

        boolean isProven(int kinds) {
            return best.subList(0, Math.min(kinds, best.size())).stream().allMatch(KindSearch.Found::proven);
        }
    }

    /** @param kinds how many each class gets, in the order in which they were given */
    public record Dealt(long placements, int[] kinds, boolean proven) {}

    private final int least;
    private final int greatest;
    private final Map<SortedMap<Integer, Long>, List<KindSearch.Found>> known = new HashMap<>();

    /** @param least and @param greatest length of a piece, in steps */
    public KindFronts(int least, int greatest) {
        this.least = least;
        this.greatest = greatest;
    }

    /**
     * The front of a class, worked out as far as it is asked for.
     *
     * @param spans how often each length, in steps, is to be filled; it is not changed any more
     * @param most  how many kinds are asked for; at least 1
     * @param stop  asked now and then whether to give up; what is found then is not proven
     */
    public Front of(SortedMap<Integer, Long> spans, int most, BooleanSupplier stop) {
        var best = known.computeIfAbsent(spans, s -> new ArrayList<>());
        var lengths = spans.keySet().stream().mapToInt(Integer::intValue).toArray();
        var weights = spans.values().stream().mapToLong(Long::longValue).toArray();
        var floor = floor(spans);
        for (var kinds = 1; kinds <= most; kinds++) {
            if (kinds > 1 && best.get(kinds - 2).placements() == floor) {
                break;
            }
            var isThere = kinds <= best.size();
            if (isThere && (best.get(kinds - 1).proven() || stop.getAsBoolean())) {
                continue;
            }
            var search = new KindSearch(lengths, weights, least, greatest, stop);
            var found = kinds == 1 ? search.single() : search.search(kinds, best.get(kinds - 2));
            if (!isThere) {
                best.add(found);
            } else if (found.proven()
                    || found.placements() < best.get(kinds - 1).placements()) {
                best.set(kinds - 1, found);
            }
        }
        return new Front(List.copyOf(best.subList(0, Math.min(most, best.size()))));
    }

    /** No kinds whatever need fewer pieces: every span from the greatest piece, the rest cut to measure. */
    public long floor(SortedMap<Integer, Long> spans) {
        return spans.entrySet().stream()
                .mapToLong(s -> s.getValue() * floor(s.getKey()))
                .sum();
    }

    int floor(int span) {
        return (span + greatest - 1) / greatest;
    }

    /** Whether some pieces come to a span: n of them make every length from n × least to n × greatest. */
    public boolean canFill(int span) {
        return least <= greatest && floor(span) * (long) least <= span;
    }

    /** The least sum for so many kinds in all; {@link #NONE} placements if they are too few. */
    public static Dealt deal(List<Front> fronts, int kinds) {
        var best = new long[fronts.size() + 1][kinds + 1];
        var share = new int[fronts.size()][kinds + 1];
        for (var c = 0; c < fronts.size(); c++) {
            for (var all = 0; all <= kinds; all++) {
                best[c + 1][all] = NONE;
                for (var own = 1; own <= all; own++) {
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
        var most = kinds - fronts.size() + 1;
        return new Dealt(best[fronts.size()][kinds], dealt, fronts.stream().allMatch(f -> f.isProven(most)));
    }
}
