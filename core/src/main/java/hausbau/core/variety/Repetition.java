package hausbau.core.variety;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import hausbau.core.place.Place;
import hausbau.core.standing.Chunk;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What looks alike, and the longest row of it.
 *
 * @param alike   every look that is seen, the most frequent first
 * @param longest the row of most equals side by side, all turned alike; empty where no two are
 */
public record Repetition(List<Alike> alike, Optional<Row> longest) {

    /** A look. @param tint empty for none */
    public record Look(Kind kind, String tint) {}

    public record Alike(Look look, long count) {}

    /** @param places from its lesser end */
    public record Row(Look look, List<Place> places, Box box) {}

    /**
     * What is looked at.
     *
     * @param low    nothing is seen that lies wholly below, µm
     * @param high   nor what lies wholly above
     * @param hidden nor pieces of these kinds
     */
    public record Sight(long low, long high, Set<Kind> hidden) {

        private boolean sees(Kind kind, Box box) {
            return box.max().z() > low && box.min().z() < high && !hidden.contains(kind);
        }
    }

    private record Spot(Chunk chunk, int row, Box box) {}

    /** What stands in one line: alike, as deep, as high and turned as each other. */
    private record Line(Look look, boolean alongX, long a0, long a1, long z0, long z1, int pose, double degrees) {}

    public static Repetition of(StandingSet set, Looks looks, Sight sight) {
        var counts = new HashMap<Look, Long>();
        var lines = new HashMap<Line, List<Spot>>();
        for (var chunk : set.chunks()) {
            for (var row = 0; row < chunk.size(); row++) {
                var box = chunk.box(row);
                if (!sight.sees(chunk.kind(row), box)) {
                    continue;
                }
                var given = looks.look(chunk, row);
                var look = given == null ? new Look(chunk.kind(row), "") : new Look(given.kind(), given.tint());
                counts.merge(look, 1L, Long::sum);
                var stance = chunk.stance(row);
                if (!stance.lean().upright()) {
                    continue;
                }
                var pose = 2 * stance.turn().quarters() + (stance.mirrored() ? 1 : 0);
                var spot = new Spot(chunk, row, box);
                lines.computeIfAbsent(
                                new Line(
                                        look,
                                        true,
                                        box.min().y(),
                                        box.max().y(),
                                        box.min().z(),
                                        box.max().z(),
                                        pose,
                                        stance.freeDegrees()),
                                k -> new ArrayList<>())
                        .add(spot);
                lines.computeIfAbsent(
                                new Line(
                                        look,
                                        false,
                                        box.min().x(),
                                        box.max().x(),
                                        box.min().z(),
                                        box.max().z(),
                                        pose,
                                        stance.freeDegrees()),
                                k -> new ArrayList<>())
                        .add(spot);
            }
        }
        var alike = counts.entrySet().stream()
                .map(e -> new Alike(e.getKey(), e.getValue()))
                .sorted(Comparator.comparingLong(Alike::count).reversed().thenComparing(a -> a.look()
                        .toString()))
                .toList();
        return new Repetition(alike, longest(lines));
    }

    private static Optional<Row> longest(Map<Line, List<Spot>> lines) {
        List<Spot> best = List.of();
        Line of = null;
        for (var entry : lines.entrySet()) {
            var line = entry.getKey();
            var spots = entry.getValue();
            if (spots.size() < 2 || spots.size() < best.size()) {
                continue;
            }
            spots.sort(Comparator.comparingLong(s -> from(s, line.alongX())));
            var first = 0;
            for (var i = 1; i <= spots.size(); i++) {
                if (i < spots.size()
                        && from(spots.get(i), line.alongX()) - to(spots.get(i - 1), line.alongX())
                                <= reach(spots.get(i), line.alongX())) {
                    continue;
                }
                if (i - first > best.size()
                        || i - first == best.size()
                                && of != null
                                && line.toString().compareTo(of.toString()) < 0) {
                    best = List.copyOf(spots.subList(first, i));
                    of = line;
                }
                first = i;
            }
        }
        if (of == null || best.size() < 2) {
            return Optional.empty();
        }
        var box = best.stream().map(Spot::box).reduce(Box::union).orElseThrow();
        return Optional.of(new Row(
                of.look(), best.stream().map(s -> s.chunk().place(s.row())).toList(), box));
    }

    private static long from(Spot s, boolean alongX) {
        return alongX ? s.box().min().x() : s.box().min().y();
    }

    private static long to(Spot s, boolean alongX) {
        return alongX ? s.box().max().x() : s.box().max().y();
    }

    /** Equals that stand no further apart than half of one's width are side by side. */
    private static long reach(Spot s, boolean alongX) {
        return (to(s, alongX) - from(s, alongX)) / 2;
    }
}
