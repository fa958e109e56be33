package hausbau.core.variety;

import hausbau.core.measure.Chance;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Deals looks to places so that no two side by side are alike where that is possible. With two looks that is decided
 * exactly (a graph takes two colours if and only if it is bipartite); with more each takes one that its neighbours have
 * not, what still clashes afterwards is mended place by place, and where that is not enough a lot is searched from its
 * most bound place on (DSATUR; D. Brélaz 1979), as long as {@link #STEPS} last.
 */
final class Dealing {

    private static final int PASSES = 12;
    private static final int STEPS = 20_000;

    private final Neighbours neighbours;
    private final long[] keys;
    private final int[] weights;
    private final long seed;
    private final int[] dealt;

    private Dealing(Neighbours neighbours, long[] keys, int[] weights, long seed) {
        this.neighbours = neighbours;
        this.keys = keys;
        this.weights = weights;
        this.seed = seed;
        this.dealt = new int[keys.length];
    }

    /**
     * @param keys    one for each place: what it draws follows from its key and the seed
     * @param weights of the looks; one or more
     * @return the look of each place
     */
    static int[] deal(Neighbours neighbours, long[] keys, int[] weights, long seed) {
        var dealing = new Dealing(neighbours, keys, weights, seed);
        if (weights.length == 2) {
            dealing.byTwos();
        } else if (weights.length > 2) {
            dealing.oneByOne();
            if (dealing.mend() > 0) {
                dealing.searchLots();
            }
        }
        return dealing.dealt;
    }

    /** Each connected lot in turn, nearest first; one that does not part in two comes out with as few clashes as its order gives. */
    private void byTwos() {
        Arrays.fill(dealt, -1);
        for (var first = 0; first < keys.length; first++) {
            if (dealt[first] >= 0) {
                continue;
            }
            dealt[first] = draw(first, new boolean[2], 0);
            var next = new ArrayDeque<Integer>();
            next.add(first);
            while (!next.isEmpty()) {
                var one = next.remove();
                for (var other : neighbours.of(one)) {
                    if (dealt[other] < 0) {
                        dealt[other] = 1 - dealt[one];
                        next.add(other);
                    }
                }
            }
        }
    }

    private void oneByOne() {
        Arrays.fill(dealt, -1);
        for (var i = 0; i < keys.length; i++) {
            dealt[i] = draw(i, taken(i), 0);
        }
    }

    private boolean[] taken(int place) {
        var taken = new boolean[weights.length];
        for (var other : neighbours.of(place)) {
            if (dealt[other] >= 0) {
                taken[dealt[other]] = true;
            }
        }
        return taken;
    }

    /** One of the looks not taken, by weight; where all are taken, of all. */
    private int draw(int place, boolean[] taken, int pass) {
        var whole = 0;
        for (var i = 0; i < weights.length; i++) {
            whole += taken[i] ? 0 : weights[i];
        }
        var all = whole == 0;
        if (all) {
            whole = Arrays.stream(weights).sum();
        }
        var at = Chance.of(seed, keys[place], pass, 0) * whole;
        for (var i = 0; i < weights.length; i++) {
            if (all || !taken[i]) {
                at -= weights[i];
                if (at < 0) {
                    return i;
                }
            }
        }
        return weights.length - 1;
    }

    /** @return how many places clash still */
    private long mend() {
        for (var pass = 1; pass <= PASSES; pass++) {
            var clashes = 0;
            for (var i = 0; i < keys.length; i++) {
                if (clashes(i, dealt[i]) == 0) {
                    continue;
                }
                clashes++;
                var least = Integer.MAX_VALUE;
                for (var look = 0; look < weights.length; look++) {
                    least = Math.min(least, clashes(i, look));
                }
                var taken = new boolean[weights.length];
                for (var look = 0; look < weights.length; look++) {
                    taken[look] = clashes(i, look) > least;
                }
                dealt[i] = draw(i, taken, pass);
            }
            if (clashes == 0) {
                return 0;
            }
        }
        return IntStream.range(0, keys.length)
                .filter(i -> clashes(i, dealt[i]) > 0)
                .count();
    }

    /** Each connected lot in which two clash is dealt anew. */
    private void searchLots() {
        var seen = new boolean[keys.length];
        for (var first = 0; first < keys.length; first++) {
            if (seen[first] || clashes(first, dealt[first]) == 0) {
                continue;
            }
            var lot = new ArrayList<Integer>(List.of(first));
            seen[first] = true;
            for (var i = 0; i < lot.size(); i++) {
                for (var other : neighbours.of(lot.get(i))) {
                    if (!seen[other]) {
                        seen[other] = true;
                        lot.add(other);
                    }
                }
            }
            search(lot);
        }
    }

    private void search(List<Integer> lot) {
        var before = lot.stream().mapToInt(i -> dealt[i]).toArray();
        lot.forEach(i -> dealt[i] = -1);
        // Depth first by hand: a lot may be larger than the stack is deep.
        var order = new int[lot.size()];
        var tried = new boolean[lot.size()][];
        var depth = 0;
        for (var steps = 0; depth >= 0 && depth < lot.size(); steps++) {
            if (steps == STEPS) {
                depth = -1;
                break;
            }
            if (tried[depth] == null) {
                order[depth] = mostBound(lot);
                tried[depth] = taken(order[depth]);
            }
            dealt[order[depth]] = -1;
            if (isFull(tried[depth])) {
                tried[depth--] = null;
                continue;
            }
            dealt[order[depth]] = draw(order[depth], tried[depth], 0);
            tried[depth][dealt[order[depth]]] = true;
            depth++;
        }
        if (depth < 0) {
            for (var i = 0; i < before.length; i++) {
                dealt[lot.get(i)] = before[i];
            }
        }
    }

    private static boolean isFull(boolean[] tried) {
        for (var one : tried) {
            if (!one) {
                return false;
            }
        }
        return true;
    }

    /** The undealt place with the fewest looks left, of those the one with the most neighbours. */
    private int mostBound(List<Integer> lot) {
        var best = -1;
        var most = -1;
        for (var place : lot) {
            if (dealt[place] >= 0) {
                continue;
            }
            var bound = 0;
            for (var one : taken(place)) {
                bound += one ? 1 : 0;
            }
            var rank = 1000 * bound + neighbours.of(place).length;
            if (rank > most) {
                most = rank;
                best = place;
            }
        }
        return best;
    }

    private int clashes(int place, int look) {
        var clashes = 0;
        for (var other : neighbours.of(place)) {
            clashes += dealt[other] == look ? 1 : 0;
        }
        return clashes;
    }
}
