package hausbau.core.hand;

import hausbau.core.measure.Box;
import hausbau.core.measure.Chance;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.place.Block;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongConsumer;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Brings what stands in order out of it, by a seed: nothing is left inside its neighbour, and what stood on something still stands on
 * it. Whatever finds no room so stays as it stood.
 *
 * @param shift   along X and along Y by up to so much either way, from 0 to 100 m
 * @param turn    about Z by up to so many degrees either way, 0 to 180
 * @param tilt    about its own X and Y by up to so many degrees either way, 0 to 45
 * @param toppled chance to lie on a side, percent
 * @param leftOut chance to be gone, percent
 */
public record Disorder(Length shift, int turn, int tilt, int toppled, int leftOut, long seed) {

    /** Each try goes less far than the one before. */
    private static final int TRIES = 12;

    private static final long FARTHEST = 100_000_000;

    public Disorder {
        refuseUnless(shift.um() >= 0 && shift.um() <= FARTHEST, "shiftMm", "A shift is from 0 to 100 m.");
        refuseUnless(turn >= 0 && turn <= 180, "turnDegrees", "A turn is from 0 to 180 degrees.");
        refuseUnless(tilt >= 0 && tilt <= 45, "tiltDegrees", "A tilt is from 0 to 45 degrees.");
        refuseUnless(toppled >= 0 && toppled <= 100, "toppled", "The chance to topple is from 0 to 100 %.");
        refuseUnless(leftOut >= 0 && leftOut <= 100, "leftOut", "The chance to be left out is from 0 to 100 %.");
    }

    private static void refuseUnless(boolean may, String field, String words) {
        if (!may) {
            throw new Refused(field, words);
        }
    }

    /**
     * Where each comes to stand.
     *
     * @param set   what stands around
     * @param first in order: where each stands before anything is disturbed
     * @return for each in the order given; empty where it is left out
     */
    public List<Optional<Stance>> of(StandingSet set, List<Standing> first) {
        var around = new Around(set, first);
        // By where they stand, so that the same site comes out the same however its ids run.
        var order = IntStream.range(0, first.size())
                .boxed()
                .sorted(Comparator.comparing(
                                (Integer i) -> first.get(i).stance().at(),
                                Comparator.comparingLong(Vec::z)
                                        .thenComparingLong(Vec::y)
                                        .thenComparingLong(Vec::x))
                        .thenComparing(i -> i))
                .toList();
        var stances = new ArrayList<>(Collections.<Optional<Stance>>nCopies(first.size(), Optional.empty()));
        for (var i : order) {
            var one = first.get(i);
            if (drawn(one, 0) * 100 < leftOut) {
                around.settle(i, null);
                continue;
            }
            var stance = IntStream.range(0, TRIES)
                    .mapToObj(t -> tried(one, t))
                    .filter(s -> around.takes(i, one, s))
                    .findFirst()
                    .orElse(one.stance());
            around.settle(i, new Standing(one.place(), one.kind(), stance, true, one.departed(), one.lost()));
            stances.set(i, Optional.of(stance));
        }
        return stances;
    }

    private double drawn(Standing one, int what) {
        var at = one.stance().at();
        return Chance.of(seed, at.x() + 31 * at.z(), at.y(), what);
    }

    private double either(Standing one, int attempt, int what) {
        return (2 * drawn(one, 8 * attempt + what) - 1) * (1 - (double) attempt / TRIES);
    }

    private Stance tried(Standing one, int attempt) {
        var from = one.stance();
        var topples = attempt < TRIES / 2 && drawn(one, 1) * 100 < toppled;
        var side = (int) (drawn(one, 8 * attempt + 2) * 4);
        var lean = topples
                ? new Lean(
                        side < 2 ? 90 - 180 * side : 0,
                        side < 2 ? 0 : 90 - 180 * (side - 2),
                        from.lean().scale())
                : new Lean(
                        turned(from.lean().tilt() + either(one, attempt, 3) * tilt),
                        turned(from.lean().roll() + either(one, attempt, 4) * tilt),
                        from.lean().scale());
        var degrees = tenths(from.freeDegrees() + either(one, attempt, 5) * turn) % 360;
        var by = new Vec(
                Math.round(either(one, attempt, 6) * shift.um()), Math.round(either(one, attempt, 7) * shift.um()), 0);
        var stance = new Stance(from.at().plus(by), from.turn(), from.mirrored(), degrees, lean);
        // What is tipped rests on its lowest corner.
        return stance.movedBy(
                new Vec(0, 0, one.box().min().z() - stance.box(one.kind()).min().z()));
    }

    private static double turned(double degrees) {
        return tenths(Math.IEEEremainder(degrees, 360));
    }

    private static double tenths(double degrees) {
        return Math.round(degrees * 10) / 10.0;
    }

    /** What stands around while one after the other settles: those that have not yet stand where they stood first. */
    private static final class Around {

        private final StandingSet set;
        private final Set<Place> moved = new HashSet<>();
        private final List<@Nullable Standing> standing;
        /** Which of the moved reach into each cell of a grid over the plan. */
        private final Map<Long, List<Integer>> cells = new HashMap<>();

        private final long cell;

        Around(StandingSet set, List<Standing> first) {
            this.set = set;
            standing = new ArrayList<>(first);
            cell = Math.max(
                    1,
                    first.stream()
                            .map(Standing::box)
                            .mapToLong(b -> Math.max(b.size().x(), b.size().y()))
                            .max()
                            .orElse(1));
            for (var i = 0; i < first.size(); i++) {
                moved.add(first.get(i).place());
                put(i);
            }
        }

        private void put(int i) {
            var one = standing.get(i);
            if (one != null) {
                eachCell(one.box(), key -> cells.computeIfAbsent(key, k -> new ArrayList<>())
                        .add(i));
            }
        }

        private void eachCell(Box box, LongConsumer told) {
            for (var x = Math.floorDiv(box.min().x(), cell);
                    x <= Math.floorDiv(box.max().x(), cell);
                    x++) {
                for (var y = Math.floorDiv(box.min().y(), cell);
                        y <= Math.floorDiv(box.max().y(), cell);
                        y++) {
                    told.accept(x << 32 ^ y & 0xFFFFFFFFL);
                }
            }
        }

        void settle(int i, @Nullable Standing as) {
            var was = Objects.requireNonNull(standing.get(i));
            eachCell(
                    was.box(), key -> cells.getOrDefault(key, new ArrayList<>()).remove((Integer) i));
            standing.set(i, as);
            put(i);
        }

        private List<Standing> near(Box box, int without) {
            var near = new ArrayList<Standing>();
            set.touching(box, (chunk, row) -> {
                if (!moved.contains(chunk.place(row))) {
                    near.add(chunk.standing(row));
                }
            });
            var seen = new HashSet<Integer>();
            eachCell(box, key -> cells.getOrDefault(key, List.of()).forEach(i -> {
                if (i != without && seen.add(i)) {
                    near.add(Objects.requireNonNull(standing.get(i)));
                }
            }));
            return near;
        }

        /** Whether it shares volume with nothing so, and stands on something if it stood on something. */
        boolean takes(int i, Standing first, Stance stance) {
            var box = stance.box(first.kind());
            var near = near(box.grownBy(1), i);
            var solids = first.kind().solids().stream()
                    .map(s -> stance.block(s.box(), first.kind()))
                    .toList();
            for (var other : near) {
                if (!other.box().overlaps(box)) {
                    continue;
                }
                for (var theirs : other.kind().solids()) {
                    var block = other.stance().block(theirs.box(), other.kind());
                    if (solids.stream().anyMatch(mine -> Block.shared(mine, block) > 0)) {
                        return false;
                    }
                }
            }
            return !rests(first.box(), near(first.box().grownBy(1), i)) || rests(box, near);
        }

        /** Whether there is a top just under the middle of a box. */
        private static boolean rests(Box box, List<Standing> near) {
            var x = Math.floorDiv(box.min().x() + box.max().x(), 2);
            var y = Math.floorDiv(box.min().y() + box.max().y(), 2);
            return near.stream()
                    .flatMap(s -> s.solids().stream())
                    .anyMatch(s -> Math.abs(s.max().z() - box.min().z()) <= 1
                            && s.min().x() <= x
                            && x <= s.max().x()
                            && s.min().y() <= y
                            && y <= s.max().y());
        }
    }
}
