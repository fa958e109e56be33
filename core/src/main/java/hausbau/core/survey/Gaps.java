package hausbau.core.survey;

import hausbau.core.build.Stance;
import hausbau.core.fit.Filling;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Role;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * Stretches of a room's walls that no wall, door, window or post closes: each run's strip of wall, and each corner. The
 * strip is cut at every end of a piece; a cut is closed where pieces cover it from floor to ceiling.
 */
final class Gaps {

    private final SurveyedSet set;
    private final List<Finding> found = new ArrayList<>();

    private Gaps(SurveyedSet set) {
        this.set = set;
    }

    static List<Finding> in(SurveyedSet set) {
        var gaps = new Gaps(set);
        for (var run : set.massing().runs()) {
            gaps.check(run);
        }
        return gaps.found;
    }

    /** A cover in the run's own frame: from and to along it, low and high above its floor. */
    private record Cover(long from, long to, long low, long high) {
    }

    private void check(WallRun run) {
        var wall = set.massing().settings().wall().um();
        var height = run.room().height().um();
        // From the start of the corner before it; the corner after it belongs to the next run.
        var from = -wall;
        var to = run.length().um();
        var covers = covers(run, run.box(from, 0, 0, to, wall, height));
        var cuts = new TreeSet<>(List.of(from, 0L, to));
        for (var cover : covers) {
            cuts.add(Math.max(from, Math.min(to, cover.from())));
            cuts.add(Math.max(from, Math.min(to, cover.to())));
        }
        Long open = null;
        var before = from;
        for (var cut : cuts) {
            if (cut > before) {
                var closed = closed(covers, before, cut, height);
                if (open != null && (closed || before == 0)) {
                    report(run, open, before);
                    open = null;
                }
                if (!closed && open == null) {
                    open = before;
                }
            }
            before = cut;
        }
        if (open != null) {
            report(run, open, to);
        }
    }

    private List<Cover> covers(WallRun run, Box strip) {
        var covers = new ArrayList<Cover>();
        var start = run.room().startOf(run.side());
        var back = run.side().turn().plus(-2 * run.side().turn().quarters());
        set.index().touching(strip, i -> {
            var placed = set.placed().get(i);
            var box = set.boxes().get(i);
            if (placed.piece().role().closesARun() && box.overlaps(strip)) {
                var own = back.apply(box.movedBy(Vec.ZERO.minus(start)));
                covers.add(new Cover(own.min().x(), own.max().x(), own.min().z(), own.max().z()));
            }
        });
        return covers;
    }

    /** Whether the covers across this stretch reach from the floor to the height without a break. */
    private static boolean closed(List<Cover> covers, long from, long to, long height) {
        var across = covers.stream().filter(c -> c.from() <= from && c.to() >= to)
                .sorted((a, b) -> Long.compare(a.low(), b.low())).toList();
        var reached = 0L;
        for (var cover : across) {
            if (cover.low() > reached) {
                return false;
            }
            reached = Math.max(reached, cover.high());
        }
        return reached >= height;
    }

    private void report(WallRun run, long from, long to) {
        var unit = set.massing().settings().unit();
        var wall = set.massing().settings().wall().um();
        var length = new Length(to - from);
        var corner = from < 0;
        var title = corner ? "A corner of " + run.room().name() + " is open"
                : "A gap of " + unit.format(length) + " in " + run.name();
        var reason = (corner ? "No post closes the corner before the " + run.side().label() + " wall."
                : "Nothing closes the wall from " + unit.format(new Length(from)) + " to " + unit.format(new Length(to)) + ".")
                + " " + Finding.Kind.GAP.why();
        found.add(new Finding("gap-" + run.room().id() + "-" + run.side().label() + "-" + from, Finding.Kind.GAP, title,
                reason, List.of(), run.box(from, 0, 0, to, wall, run.room().height().um()),
                corner ? postFix(run) : wallFix(run, from, length)));
    }

    private Optional<Finding.Fix> wallFix(WallRun run, long from, Length length) {
        Map<Length, Long> walls = new HashMap<>();
        set.pieces().forEach((id, piece) -> {
            if (piece.role() == Role.WALL && piece.size().z() == run.room().height().um()) {
                walls.put(new Length(piece.size().x()), id);
            }
        });
        var step = set.massing().settings().step();
        if (walls.keySet().stream().anyMatch(l -> !l.isMultipleOf(step))) {
            return Optional.empty();
        }
        return new Filling(step, List.copyOf(walls.keySet()), length.ceilTo(step)).fill(length).map(lengths -> {
            var additions = new ArrayList<Finding.Fix.Addition>();
            var at = new Length(from);
            for (var l : lengths) {
                additions.add(new Finding.Fix.Addition(walls.get(l), Stance.at(run.at(at), run.side().turn())));
                at = at.plus(l);
            }
            return new Finding.Fix.Add("Fill it with " + codes(additions), additions);
        });
    }

    private String codes(List<Finding.Fix.Addition> additions) {
        var ids = additions.stream().map(Finding.Fix.Addition::pieceId).collect(Collectors.toList());
        Collections.sort(ids);
        return ids.stream().distinct().map(id -> Collections.frequency(ids, id) + " × " + set.pieces().get(id).code())
                .collect(Collectors.joining(", "));
    }

    private Optional<Finding.Fix> postFix(WallRun run) {
        var wall = set.massing().settings().wall().um();
        var place = run.box(-wall, 0, 0, 0, wall, run.room().height().um());
        return set.pieces().entrySet().stream()
                .filter(e -> e.getValue().role() == Role.POST && e.getValue().size().equals(place.size()))
                .findFirst()
                .map(e -> new Finding.Fix.Add("Set a " + e.getValue().code() + " there",
                        List.of(new Finding.Fix.Addition(e.getKey(), post(e.getValue(), place)))));
    }

    private static Stance post(Piece post, Box place) {
        return Stance.at(place.min().minus(post.box().min()), Turn.NONE);
    }
}
