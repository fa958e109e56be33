package hausbau.core.survey;

import hausbau.core.fit.Filling;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Role;
import hausbau.core.massing.Post;
import hausbau.core.massing.Room;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.LongPredicate;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Stretches of a room's walls that no wall, door, window or post closes: each run's strip of wall, and each corner. The
 * strip is cut at every end of a piece; a cut is closed where pieces cover it from floor to ceiling. Cost: the pieces in
 * the strip, sorted, times how many lie over one another.
 */
final class Gaps {

    private final Site site;

    Gaps(Site site) {
        this.site = site;
    }

    /** Nothing before a kit is chosen: the massing alone has no walls that could have gaps. */
    boolean isOpen() {
        return site.set().decisions().kit().isPresent();
    }

    /** A cover in the run's own frame: from and to along it, low and high above its floor. */
    private record Cover(long from, long to, long low, long high) {}

    List<Finding> check(Ground.Strip strip) {
        var found = new ArrayList<Finding>(0);
        var run = strip.run();
        var height = run.height().um();
        var to = run.length().um();
        var covers = covers(run, strip.box());
        var cuts = cuts(covers, to);
        var active = new ArrayList<Cover>();
        var next = 0;
        Long open = null;
        for (var i = 0; i + 1 < cuts.length; i++) {
            var before = cuts[i];
            var cut = cuts[i + 1];
            while (next < covers.size() && covers.get(next).from() <= before) {
                active.add(covers.get(next++));
            }
            active.removeIf(c -> c.to() < cut);
            var closed = closed(active, height);
            if (open != null && closed) {
                found.add(gap(strip, open, before));
                open = null;
            }
            if (!closed && open == null) {
                open = before;
            }
        }
        if (open != null) {
            found.add(gap(strip, open, to));
        }
        return found;
    }

    private static long[] cuts(List<Cover> covers, long to) {
        var cuts = new long[2 * covers.size() + 2];
        var n = 0;
        cuts[n++] = 0;
        cuts[n++] = to;
        for (var cover : covers) {
            cuts[n++] = Math.max(0, Math.min(to, cover.from()));
            cuts[n++] = Math.max(0, Math.min(to, cover.to()));
        }
        return Arrays.stream(cuts).sorted().distinct().toArray();
    }

    /** Sorted by where they begin. */
    private List<Cover> covers(WallRun run, Box strip) {
        var covers = new ArrayList<Cover>();
        var start = run.start();
        var back = run.side().turn().plus(-2 * run.side().turn().quarters());
        site.set().touching(strip, (chunk, row) -> {
            var box = chunk.box(row);
            if (chunk.kind(row).role().closesARun() && box.overlaps(strip)) {
                var own = back.apply(box.movedBy(Vec.ZERO.minus(start)));
                covers.add(new Cover(
                        own.min().x(), own.max().x(), own.min().z(), own.max().z()));
            }
        });
        covers.sort(Comparator.comparingLong(Cover::from));
        return covers;
    }

    /** Whether these covers reach from the floor to the height without a break. */
    private static boolean closed(List<Cover> covers, long height) {
        var reached = 0L;
        for (var grown = true; grown && reached < height; ) {
            grown = false;
            for (var cover : covers) {
                if (cover.low() <= reached && cover.high() > reached) {
                    reached = cover.high();
                    grown = true;
                }
            }
        }
        return reached >= height;
    }

    private Finding gap(Ground.Strip strip, long from, long to) {
        return strip.post().map(post -> openPost(strip, post)).orElseGet(() -> gapInRun(strip.run(), from, to));
    }

    private Finding openPost(Ground.Strip strip, Post post) {
        var room = strip.run().name();
        var anchor = site.massing().room(post.room()).map(Room::anchor).orElse(Vec.ZERO);
        var where = post.edge() >= 0
                ? Finding.edge(post.edge()) + ":corner"
                : post.box().min().x() - anchor.x() + ":" + (post.box().min().y() - anchor.y());
        return new Finding(
                "gap:" + post.room() + ":" + where,
                Finding.about(post.box()),
                Finding.Check.GAP,
                "A corner of " + room + " is open",
                "No post closes it. " + Finding.Check.GAP.why(),
                new Finding.Card(Finding.Check.GAP, "Open corners", room),
                List.of(),
                post.box(),
                putBack(leftOut(post)).or(() -> postFix(post)));
    }

    private Finding gapInRun(WallRun run, long from, long to) {
        var length = new Length(to - from);
        var room = site.massing().room(run.room());
        var edge = room.flatMap(r -> r.outline().edge(run.edge()));
        var before = edge.map(e -> run.side().runsEastWest()
                        ? Math.abs(run.start().x() - e.x0())
                        : Math.abs(run.start().y() - e.y0()))
                .orElse(0L);
        var tier =
                run.tier() == WallRun.Tier.WALL ? "" : "-" + run.tier().name().toLowerCase(Locale.ROOT);
        var title = "A gap of " + site.unit().format(length) + " in " + run.name();
        var reason = "Nothing closes the wall from " + site.format(from) + " to " + site.format(to) + "."
                + wouldDo(run, from, length) + " " + Finding.Check.GAP.why();
        return new Finding(
                "gap:" + run.room() + ":" + Finding.edge(run.edge()) + tier + ":" + (before + from),
                Finding.about(run.start(), run.side(), from, to),
                Finding.Check.GAP,
                title,
                reason,
                new Finding.Card(
                        Finding.Check.GAP, "Gaps in walls", room.map(Room::name).orElse("")),
                List.of(),
                run.box(from, 0, 0, to, run.depth().um(), run.height().um()),
                putBack(leftOut(run, from, to)).or(() -> wallFix(run, from, length)));
    }

    /** What hands left out within a stretch of a run, told by where their left ends would stand. */
    private List<Place> leftOut(WallRun run, long from, long to) {
        var anchor = site.massing().room(run.room()).map(Room::anchor).orElse(Vec.ZERO);
        var eastWest = run.side().runsEastWest();
        ToLongFunction<Length> along = length -> {
            var at = run.at(length).minus(anchor);
            return eastWest ? at.x() : at.y();
        };
        var left = along.applyAsLong(new Length(from));
        var right = along.applyAsLong(new Length(to));
        LongPredicate within = at -> at != right && Math.min(left, right) <= at && at <= Math.max(left, right);
        return leftOut(run.room())
                .filter(place -> place instanceof Place.InTier in
                                && in.edge() == run.edge()
                                && in.tier() == run.tier()
                                && within.test(in.at())
                        || place instanceof Place.InRun one
                                && one.edge() == run.edge()
                                && one.tier() == run.tier()
                                && within.test(one.at()))
                .toList();
    }

    private List<Place> leftOut(Post post) {
        return leftOut(post.room())
                .filter(place -> place instanceof Place.AtCorner at && at.edge() == post.edge())
                .toList();
    }

    private Stream<Place> leftOut(long room) {
        return site.set().decisions().departures().getOrDefault(new Source.Shell(room), List.of()).stream()
                .filter(Departure.LeftOut.class::isInstance)
                .map(Departure::place);
    }

    /** A piece that a hand left out is put back; filled with another, it would stand there twice as soon as it is. */
    private static Optional<Finding.Fix> putBack(List<Place> places) {
        return places.isEmpty()
                ? Optional.empty()
                : Optional.of(new Finding.Fix.LetGo(
                        places.size() == 1 ? "Put the piece back" : "Put " + places.size() + " pieces back", places));
    }

    /** Where the kit itself cannot fill it: the lengths that would do. */
    private String wouldDo(WallRun run, long from, Length length) {
        var unfilled = site.set().unfilled().stream()
                .anyMatch(u -> u.run().equals(run) && u.span().at().um() == from);
        if (!unfilled) {
            return "";
        }
        var choice = site.set().decisions().kit().orElseThrow();
        var near = Filling.nearest(choice.step(), choice.kinds(), length).stream()
                .map(site.unit()::format)
                .toList();
        return " The kit has no pieces that come to " + site.unit().format(length)
                + (near.isEmpty() ? "." : "; they come to " + String.join(" or ", near) + ".");
    }

    private Optional<Finding.Fix> wallFix(WallRun run, long from, Length length) {
        Map<Length, Kind> walls = new HashMap<>();
        for (var kind : site.set().counts().keySet()) {
            if (kind.role() == Role.WALL
                    && !kind.isStandIn()
                    && kind.size().z() == run.height().um()
                    && kind.size().y() == run.depth().um()) {
                walls.put(new Length(kind.size().x()), kind);
            }
        }
        var step = site.set().decisions().kit().orElseThrow().step();
        if (walls.isEmpty() || walls.keySet().stream().anyMatch(l -> !l.isMultipleOf(step))) {
            return Optional.empty();
        }
        return new Filling(step, List.copyOf(walls.keySet()), length.ceilTo(step))
                .fill(length)
                .map(lengths -> {
                    var additions = new ArrayList<Finding.Fix.Addition>();
                    var at = new Length(from);
                    for (var l : lengths) {
                        additions.add(new Finding.Fix.Addition(
                                Objects.requireNonNull(walls.get(l)),
                                Stance.at(run.at(at), run.side().turn())));
                        at = at.plus(l);
                    }
                    return new Finding.Fix.Add("Fill it with " + codes(additions), additions);
                });
    }

    private String codes(List<Finding.Fix.Addition> additions) {
        var codes = additions.stream().map(a -> site.code(a.kind())).collect(Collectors.toList());
        Collections.sort(codes);
        return codes.stream()
                .distinct()
                .map(c -> Collections.frequency(codes, c) + " × " + c)
                .collect(Collectors.joining(", "));
    }

    private Optional<Finding.Fix> postFix(Post post) {
        return site.set().counts().keySet().stream()
                .filter(k -> k.role() == Role.POST
                        && !k.isStandIn()
                        && k.size().equals(post.box().size()))
                .min(Comparator.comparing(site::code))
                .map(kind -> new Finding.Fix.Add(
                        "Set a " + site.code(kind) + " there",
                        List.of(new Finding.Fix.Addition(
                                kind,
                                Stance.at(post.box().min().minus(kind.box().min()), Turn.NONE)))));
    }
}
